using Cumbre.Core.Levers;

namespace Cumbre.Core.Figures;

/// <summary>
/// A pose in space: what is held is the origin, the picture's plane is X and Y, in metres. Statics are read off the drawn
/// segments.
/// </summary>
public sealed class Figure
{
    /// <summary>Thickness over the floor at heel, ball and toe for the reference stature, in metres.</summary>
    private static readonly double[] FootRadii = [0.026, 0.018, 0.013];

    private const double KneeRadius = 0.05,
        HipRadius = 0.09,
        HeadRadius = 0.09,
        ElbowRadius = 0.04,
        FlatMaximum = 0.04,
        ReachMinimum = 0.05;

    private readonly Point3[] points;
    private readonly PartMass[] masses;

    internal Figure(Pose pose, FigureBody body)
    {
        Pose = pose;
        Body = body;
        var skeleton = new Skeleton(pose, body);
        var turn = pose.View switch
        {
            PoseView.Front => 90.0,
            PoseView.Oblique => 40.0,
            _ => 0.0,
        };
        var (turnSine, turnCosine) = Math.SinCos(Radians(turn));
        var (leanSine, leanCosine) = Math.SinCos(Radians(pose.Trunk));
        Point3 Placed(Point3 p)
        {
            var ventral = p.Y * turnCosine - p.Z * turnSine;
            return new(
                -leanSine * p.X + leanCosine * ventral,
                -leanCosine * p.X - leanSine * ventral,
                p.Z * turnCosine + p.Y * turnSine
            );
        }

        points = [.. Enum.GetValues<Joint>().Select(j => Placed(skeleton[j]))];
        var held = Held();
        for (var i = 0; i < points.Length; i++)
            points[i] -= held;
        masses = [.. skeleton.Masses.Select(m => m with { At = Placed(m.At) - held })];
        Floor = FloorOf();
    }

    public Pose Pose { get; }

    public FigureBody Body { get; }

    /// <summary>By how much a contact is missed, in metres.</summary>
    public double Misfit { get; internal init; }

    /// <summary>Height of the floor; null: none is seen.</summary>
    public double? Floor { get; }

    public Point3 this[Joint joint] => points[(int)joint];

    /// <summary>Right and up in the picture, in metres: the eye of some views is a little above.</summary>
    public (double X, double Y) Seen(Joint joint)
    {
        var up = Pose.View switch
        {
            PoseView.Raised => 22.0,
            PoseView.Oblique => 8.0,
            _ => 0.0,
        };
        var (sine, cosine) = Math.SinCos(Radians(up));
        var at = this[joint];
        return (at.X, at.Y * cosine - at.Z * sine);
    }

    /// <summary>Hands flat on the floor, or on a block.</summary>
    public bool IsOnFloor =>
        Pose.Hold is PoseHold.Hands or PoseHold.Hand && Pose.Kit.On is Apparatus.Floor or Apparatus.Blocks;

    /// <summary>Of the whole body, in metres.</summary>
    public Point3 Centre => CentreOf(masses);

    /// <summary>Of the body without the arms.</summary>
    public Point3 CentreWithoutArms => CentreOf(masses.Where(m => !m.IsArm));

    /// <summary>Moment of both shoulders in N m: the weight without the arms times its lever.</summary>
    /// <param name="ankleKilograms">Of weights on both ankles together.</param>
    public double ShoulderMoment(double ankleKilograms = 0) => Math.Abs(Turning(ankleKilograms));

    /// <summary>
    /// The upward force in N that takes so much of the shoulder moment away: M = F x. 0 where there is nothing to take
    /// away, or where the point lies under or behind the shoulders.
    /// </summary>
    /// <param name="moment">N m.</param>
    /// <param name="at">Where the help takes hold.</param>
    public double HelpFor(double moment, BodyPoint at)
    {
        var from = at switch
        {
            BodyPoint.Waist => this[Joint.Hips].Toward(this[Joint.Shoulders], Body.WaistFromHip / Body.Trunk),
            BodyPoint.Hips => this[Joint.Hips],
            _ => this[Joint.AnkleRight].Toward(this[Joint.AnkleLeft], 0.5),
        };
        var reach = (from.X - this[Joint.Shoulders].X) * Math.Sign(Turning(0));
        return moment > 0 && reach > ReachMinimum ? moment / reach : 0;
    }

    /// <summary>Of the arms from the vertical, in degrees.</summary>
    public double ArmAngle =>
        Math.Atan2(Math.Abs(this[Joint.Shoulders].X), Math.Abs(this[Joint.Shoulders].Y)) * 180 / Math.PI;

    /// <summary>Pull of the upper hand, and push of the lower one, in N: m g R / d.</summary>
    /// <param name="ankleKilograms">Of weights on both ankles together.</param>
    public double FlagPull(double ankleKilograms = 0)
    {
        var all = masses.Concat(AnkleWeights(ankleKilograms)).ToArray();
        var centre = CentreOf(all);
        return LeverBody.Gravity
            * all.Sum(m => m.Kilograms)
            * Math.Sqrt(centre.X * centre.X + Math.Pow(centre.Z - this[Joint.Shoulders].Z, 2))
            / (this[Joint.KnucklesRight] - this[Joint.KnucklesLeft]).Length;
    }

    private double Turning(double ankleKilograms) =>
        LeverBody.Gravity
        * masses
            .Concat(AnkleWeights(ankleKilograms))
            .Where(m => !m.IsArm)
            .Sum(m => m.Kilograms * (m.At.X - this[Joint.Shoulders].X));

    private PartMass[] AnkleWeights(double kilograms) =>
        [new(kilograms / 2, this[Joint.AnkleRight], false), new(kilograms / 2, this[Joint.AnkleLeft], false)];

    /// <summary>Lowest point of both feet, or of one, with its thickness.</summary>
    internal double FeetLowest(bool leftOnly = false)
    {
        var lowest = double.MaxValue;
        foreach (var heel in leftOnly ? (Joint[])[Joint.HeelLeft] : [Joint.HeelRight, Joint.HeelLeft])
            for (var i = 0; i < FootRadii.Length; i++)
                lowest = Math.Min(lowest, this[heel + i].Y - FootRadii[i] * Body.Scale);
        return lowest;
    }

    /// <summary>The point of the right foot that is lowest.</summary>
    internal Joint FootPoint() =>
        Enumerable
            .Range(0, FootRadii.Length)
            .OrderBy(i => this[Joint.HeelRight + i].Y - FootRadii[i] * Body.Scale)
            .Select(i => Joint.HeelRight + i)
            .First();

    /// <summary>How far the feet are from the wall, in metres; above 0 they are in it.</summary>
    internal double FromWall()
    {
        var wall = Pose.Kit.Wall!.Value;
        var sign = Math.Sign(wall);
        var far = double.MinValue;
        foreach (var heel in (Joint[])[Joint.HeelRight, Joint.HeelLeft])
        foreach (var i in (int[])[0, 2])
            far = Math.Max(far, sign * this[heel + i].X + FootRadii[i] * Body.Scale);
        return sign * far - wall;
    }

    internal double HeadLowest => this[Joint.Skull].Y - HeadRadius * Body.Scale;

    internal double KneesLowest => Math.Min(this[Joint.KneeRight].Y, this[Joint.KneeLeft].Y) - KneeRadius * Body.Scale;

    internal double HipsLowest => this[Joint.Hips].Y - HipRadius * Body.Scale;

    /// <summary>Lowest point of everything but what is held, with its thickness.</summary>
    internal double Lowest
    {
        get
        {
            var low = Math.Min(Math.Min(FeetLowest(), HeadLowest), Math.Min(KneesLowest, HipsLowest));
            foreach (var joint in (Joint[])[Joint.ElbowRight, Joint.ElbowLeft])
                low = Math.Min(low, this[joint].Y - ElbowRadius * Body.Scale);
            return low;
        }
    }

    private Point3 Held() =>
        Pose.Hold switch
        {
            PoseHold.Hands when IsOnFloor => Palm(Joint.WristRight).Toward(Palm(Joint.WristLeft), 0.5),
            PoseHold.Hands => this[Joint.KnucklesRight].Toward(this[Joint.KnucklesLeft], 0.5),
            PoseHold.Hand when IsOnFloor => Palm(Joint.WristRight),
            PoseHold.Hand => this[Joint.KnucklesRight],
            PoseHold.Wrists => this[Joint.WristRight].Toward(this[Joint.WristLeft], 0.5),
            PoseHold.Feet when Pose.LegLeft is not null => Standing(Joint.HeelRight),
            PoseHold.Feet => Standing(Joint.HeelRight).Toward(Standing(Joint.HeelLeft), 0.5),
            PoseHold.Hips => this[Joint.Hips],
            PoseHold.Knees => this[Joint.KneeRight].Toward(this[Joint.KneeLeft], 0.5),
            PoseHold.Elbows when Pose.ArmLeft is not null => this[Joint.ElbowRight],
            PoseHold.Elbows => this[Joint.ElbowRight].Toward(this[Joint.ElbowLeft], 0.5),
            _ => throw new ArgumentOutOfRangeException(nameof(Pose)),
        };

    /// <summary>Where a foot stands: under the ankle when it is flat, under ball or toes when the heel is up.</summary>
    private Point3 Standing(Joint heel)
    {
        if (Math.Abs(this[heel].Y - this[heel + 2].Y) < FlatMaximum)
            return this[heel + 3];
        var ball = this[heel + 1] - new Point3(0, FootRadii[1] * Body.Scale, 0);
        var toe = this[heel + 2] - new Point3(0, FootRadii[2] * Body.Scale, 0);
        return ball.Y < toe.Y ? ball : toe;
    }

    /// <summary>The arm of the lever model ends here on the floor.</summary>
    private Point3 Palm(Joint wrist) => this[wrist].Toward(this[wrist + 1], Body.Palm / Body.Hand);

    private double? FloorOf() =>
        Pose.Kit.Height is { } height
            ? -height
            : Pose.Hold switch
            {
                PoseHold.Feet => 0,
                PoseHold.Hips => -HipRadius * Body.Scale,
                PoseHold.Knees => -KneeRadius * Body.Scale,
                PoseHold.Elbows => -ElbowRadius * Body.Scale,
                _ => IsOnFloor ? 0 : null,
            };

    private static Point3 CentreOf(IEnumerable<PartMass> parts)
    {
        var (sum, weight) = (Point3.Zero, 0.0);
        foreach (var part in parts)
            (sum, weight) = (sum + part.At * part.Kilograms, weight + part.Kilograms);
        return sum * (1 / weight);
    }

    private static double Radians(double degrees) => degrees * Math.PI / 180;
}
