using Cumbre.Core.Measures;

namespace Cumbre.Core.Levers;

/// <summary>Lengths that were measured on the athlete, in metres; null where the table's proportion serves.</summary>
/// <param name="Arm">Shoulder to the third knuckle.</param>
/// <param name="Trunk">Mid-shoulder to mid-hip.</param>
/// <param name="Thigh">Hip to knee.</param>
/// <param name="Shank">Knee to ankle.</param>
public sealed record MeasuredLengths(
    double? Arm = null,
    double? Trunk = null,
    double? Thigh = null,
    double? Shank = null
)
{
    public static MeasuredLengths None { get; } = new();
}

/// <summary>
/// A mass at a place of the body's own frame: x from the mid-shoulder along the trunk to the feet, y ventral, in
/// metres.
/// </summary>
public readonly record struct MassPoint(double Kilograms, double X, double Y);

/// <summary>Where help or a weight takes hold of the body.</summary>
public enum BodyPoint
{
    Waist,
    Hips,
    Ankles,
}

/// <summary>
/// An athlete as rigid segments, for planar static levers with straight arms. Origin at the mid-shoulder, x along the
/// trunk
/// to the feet, y ventral; SI units. Method: statics of rigid bodies; proportions: the segment table.
/// </summary>
public sealed class LeverBody
{
    /// <summary>Standard gravity in m/s² (CGPM 1901).</summary>
    public const double Gravity = 9.80665;

    /// <summary>
    /// The ankle lies this share along the foot from the heel, and the shoulders stand this share of stature apart
    /// (this project's choices).
    /// </summary>
    private const double AnkleAlongFoot = 0.25,
        ShoulderSpacing = 0.21;

    private readonly double stature;
    private readonly double mass;
    private readonly SegmentTable table;
    private readonly double trunk,
        thigh,
        shank,
        armScale;

    /// <param name="table">Proportions.</param>
    /// <param name="bodyMass">Whole body, arms included.</param>
    /// <param name="statureMetres">1.0 to 2.5 m.</param>
    /// <param name="lengths">Measured lengths; the rest follows from stature.</param>
    /// <param name="ankleWeight">Weight on both ankles together.</param>
    /// <exception cref="RuleViolationException">Stature outside 1.0 to 2.5 m.</exception>
    public LeverBody(
        SegmentTable table,
        Mass bodyMass,
        double statureMetres,
        MeasuredLengths? lengths = null,
        Mass ankleWeight = default
    )
    {
        this.table = table;
        stature =
            (double)
                Guard.InRange("statureCm", (decimal)statureMetres * 100, Limits.StatureMinimum, Limits.StatureMaximum)
            / 100;
        mass = (double)bodyMass.Kilograms;
        AnkleWeight = (double)ankleWeight.Kilograms;
        var measured = lengths ?? MeasuredLengths.None;
        trunk = measured.Trunk ?? table.Trunk.Length * stature;
        thigh = measured.Thigh ?? table.Thigh.Length * stature;
        shank = measured.Shank ?? table.Shank.Length * stature;
        var arm = (table.UpperArm.Length + table.Forearm.Length + table.Hand.Length) * stature;
        ArmLength = measured.Arm ?? arm;
        armScale = ArmLength / arm;
    }

    /// <summary>Shoulder to the third knuckle, in metres: the arm on a bar.</summary>
    public double ArmLength { get; }

    /// <summary>Metres.</summary>
    public double Stature => stature;

    /// <summary>Mid-shoulder to mid-hip, metres.</summary>
    public double TrunkLength => trunk;

    /// <summary>Navel over the mid-hip, metres.</summary>
    public double WaistFromHip => table.WaistFromHip * stature;

    /// <summary>Thigh and shank over trunk.</summary>
    public double LegOfTrunk => (thigh + shank) / trunk;

    private double AnkleWeight { get; }

    /// <summary>
    /// Head, trunk, legs and ankle weights; the arms, which do not enter the shoulder moment, are not among them.
    /// </summary>
    public IReadOnlyList<MassPoint> Parts(Posture posture)
    {
        var parts = new List<MassPoint>(10)
        {
            new(table.HeadMass * mass, -table.HeadCentre * stature, 0),
            new(table.Trunk.Mass * mass, table.Trunk.Centre * trunk, 0),
        };
        AddLeg(parts, posture.One);
        AddLeg(parts, posture.Other);
        return parts;
    }

    /// <summary>Segments of both arms as masses at their distance from the shoulder, in metres.</summary>
    public IReadOnlyList<(double Kilograms, double FromShoulder)> Arms()
    {
        var upper = table.UpperArm.Length * stature * armScale;
        var fore = table.Forearm.Length * stature * armScale;
        var hand = table.Hand.Length * stature * armScale;
        return
        [
            (2 * table.UpperArm.Mass * mass, table.UpperArm.Centre * upper),
            (2 * table.Forearm.Mass * mass, upper + table.Forearm.Centre * fore),
            (2 * table.Hand.Mass * mass, upper + fore + table.Hand.Centre * hand),
        ];
    }

    /// <summary>
    /// Moment of both shoulders in N m: M = g S - F x_F, S being the sum of the masses times their lever in a body
    /// pitched by
    /// <paramref name="pitchDegrees"/> from level (feet up positive).
    /// </summary>
    /// <param name="posture">The line held.</param>
    /// <param name="pitchDegrees">Feet up positive.</param>
    /// <param name="help">An upward force in N, 0 without one.</param>
    /// <param name="at">Where the help takes hold.</param>
    public double ShoulderMoment(
        Posture posture,
        double pitchDegrees = 0,
        double help = 0,
        BodyPoint at = BodyPoint.Ankles
    ) => Gravity * Lever(posture, pitchDegrees) - help * Reach(posture, at, pitchDegrees);

    /// <summary>
    /// Angle of the arms from the vertical in degrees, on a bar, in a level line: sin p = M / (g (m L - S_arms) - F L).
    /// </summary>
    /// <returns>Null where no angle holds the line: the arms are too short for it.</returns>
    public double? ArmAngle(Posture posture, double help = 0, BodyPoint at = BodyPoint.Ankles)
    {
        var arms = Arms().Sum(a => a.Kilograms * a.FromShoulder);
        var sine =
            ShoulderMoment(posture, 0, help, at)
            / (Gravity * ((mass + AnkleWeight) * ArmLength - arms) - help * ArmLength);
        return double.IsFinite(sine) && Math.Abs(sine) <= 1 ? Degrees(Math.Asin(sine)) : null;
    }

    /// <summary>
    /// The upward force in N at a point of the body that makes <paramref name="posture"/> cost as much as <paramref
    /// name="moment"/> N m; 0 when it costs less already.
    /// </summary>
    public double HelpFor(Posture posture, double moment, BodyPoint at) =>
        Math.Max(0, (ShoulderMoment(posture) - moment) / Reach(posture, at, 0));

    /// <summary>
    /// The weight in kg on both ankles together that makes <paramref name="posture"/> cost as much as <paramref
    /// name="moment"/> N m.
    /// </summary>
    public double AnkleWeightFor(Posture posture, double moment) =>
        (moment - ShoulderMoment(posture)) / (Gravity * Reach(posture, BodyPoint.Ankles, 0));

    /// <summary>
    /// Pull of the top hand, and push of the bottom hand, in a human flag, in N: m g R / d. How the weight is shared
    /// between
    /// the hands cannot be known from statics.
    /// </summary>
    /// <param name="posture">The line held.</param>
    /// <param name="gripMetres">Distance between the hands, 0.4 to 1.5 m.</param>
    public double FlagPull(Posture posture, double gripMetres)
    {
        var spread = (gripMetres - ShoulderSpacing * stature) / 2;
        var shoulder = Math.Sqrt(ArmLength * ArmLength - spread * spread);
        var parts = Parts(posture);
        var along =
            parts.Sum(p => p.Kilograms * (shoulder + p.X))
            + Arms().Sum(a => a.Kilograms * shoulder * (1 - a.FromShoulder / ArmLength));
        var across = parts.Sum(p => p.Kilograms * p.Y);
        return Gravity * Math.Sqrt(along * along + across * across) / gripMetres;
    }

    private double Lever(Posture posture, double pitchDegrees)
    {
        var (sine, cosine) = Math.SinCos(Radians(pitchDegrees));
        return Parts(posture).Sum(p => p.Kilograms * (p.X * cosine - p.Y * sine));
    }

    private double Reach(Posture posture, BodyPoint at, double pitchDegrees)
    {
        var (x, y) = at switch
        {
            BodyPoint.Waist => (trunk - table.WaistFromHip * stature, 0.0),
            BodyPoint.Hips => (trunk, 0.0),
            _ => Between(Ankle(posture.One), Ankle(posture.Other)),
        };
        var (sine, cosine) = Math.SinCos(Radians(pitchDegrees));
        return x * cosine - y * sine;
    }

    private void AddLeg(List<MassPoint> parts, LegPose leg)
    {
        var (kneeX, kneeY) = Knee(leg);
        var (ankleX, ankleY) = Ankle(leg);
        var foot = (table.Foot.Centre - AnkleAlongFoot) * table.Foot.Length * stature / shank;
        parts.Add(
            new(table.Thigh.Mass * mass, trunk + table.Thigh.Centre * (kneeX - trunk), table.Thigh.Centre * kneeY)
        );
        parts.Add(
            new(
                table.Shank.Mass * mass,
                kneeX + table.Shank.Centre * (ankleX - kneeX),
                kneeY + table.Shank.Centre * (ankleY - kneeY)
            )
        );
        parts.Add(new(table.Foot.Mass * mass, ankleX + foot * (ankleX - kneeX), ankleY + foot * (ankleY - kneeY)));
        if (AnkleWeight > 0)
            parts.Add(new(AnkleWeight / 2, ankleX, ankleY));
    }

    private (double X, double Y) Knee(LegPose leg)
    {
        var (sine, cosine) = Math.SinCos(Radians(leg.Hip));
        return (trunk + thigh * cosine * Math.Cos(Radians(leg.Abduction)), thigh * sine);
    }

    private (double X, double Y) Ankle(LegPose leg)
    {
        var (x, y) = Knee(leg);
        var (sine, cosine) = Math.SinCos(Radians(leg.Hip - leg.Knee));
        return (x + shank * cosine * Math.Cos(Radians(leg.Abduction)), y + shank * sine);
    }

    private static (double X, double Y) Between((double X, double Y) a, (double X, double Y) b) =>
        ((a.X + b.X) / 2, (a.Y + b.Y) / 2);

    private static double Radians(double degrees) => degrees * Math.PI / 180;

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}
