namespace Cumbre.Core.Figures;

/// <summary>The points of a figure, in the order in which they are sent.</summary>
public enum Joint
{
    /// <summary>Middle of both, as in the lever model.</summary>
    Shoulders,

    /// <summary>Half-way down the back.</summary>
    Middle,
    Hips,
    Neck,
    Skull,
    Chin,
    ShoulderRight,
    ElbowRight,
    WristRight,
    KnucklesRight,
    HipRight,
    KneeRight,
    AnkleRight,
    HeelRight,
    BallRight,
    ToeRight,
    SoleRight,
    ShoulderLeft,
    ElbowLeft,
    WristLeft,
    KnucklesLeft,
    HipLeft,
    KneeLeft,
    AnkleLeft,
    HeelLeft,
    BallLeft,
    ToeLeft,
    SoleLeft,
}

/// <summary>A part of the body as a mass at a place.</summary>
internal readonly record struct PartMass(double Kilograms, Point3 At, bool IsArm);

/// <summary>
/// A pose in the body's own frame: X from the mid-shoulder along the trunk to the feet, Y ventral, Z to the right of the
/// athlete, in metres. Legs by the formulas of the lever model, arms likewise with a swivel.
/// </summary>
internal sealed class Skeleton
{
    private const double NeckLength = 0.075,
        SkullAlong = 0.167,
        SkullBack = -0.006,
        ChinAlong = 0.092,
        ChinForward = 0.044,
        AnkleAlongFoot = 0.25,
        SoleBelowAnkle = 0.068;

    private readonly Point3[] points = new Point3[(int)Joint.SoleLeft + 1];

    public Skeleton(Pose pose, FigureBody body)
    {
        var table = body.Table;
        this[Joint.Shoulders] = Point3.Zero;
        this[Joint.Hips] = new(body.Trunk, 0, 0);
        this[Joint.Middle] = new(body.Trunk / 2, -body.Trunk / 4 * Math.Tan(Radians(pose.Round) / 2), 0);
        var top = pose.Round / 2;
        var neck = this[Joint.Neck] = Sagittal(180 - top) * (NeckLength * body.Scale);
        var along = Sagittal(180 - top - pose.Neck);
        var face = Sagittal(90 - top - pose.Neck);
        this[Joint.Skull] = neck + along * (SkullAlong * body.Scale) + face * (SkullBack * body.Scale);
        this[Joint.Chin] = neck + along * (ChinAlong * body.Scale) + face * (ChinForward * body.Scale);
        Masses.Add(
            new(table.HeadMass * body.Kilograms, neck + along * (body.HeadCentre - NeckLength * body.Scale), false)
        );
        Masses.Add(new(table.Trunk.Mass * body.Kilograms, new(table.Trunk.Centre * body.Trunk, 0, 0), false));
        AddArm(pose, pose.Arm, body, Joint.ShoulderRight, 1);
        AddArm(pose, pose.ArmLeft ?? pose.Arm, body, Joint.ShoulderLeft, -1);
        AddLeg(pose.Leg, body, Joint.HipRight, 1);
        AddLeg(pose.LegLeft ?? pose.Leg, body, Joint.HipLeft, -1);
    }

    public List<PartMass> Masses { get; } = [];

    public Point3 this[Joint joint]
    {
        get => points[(int)joint];
        private set => points[(int)joint] = value;
    }

    private void AddArm(Pose pose, ArmAngles arm, FigureBody body, Joint first, int side)
    {
        var table = body.Table;
        var (outSine, outCosine) = Math.SinCos(Radians(arm.Out));
        var upper = Sagittal(arm.Flexion) * outCosine + new Point3(0, 0, side * outSine);
        var outward = Sagittal(arm.Flexion) * -outSine + new Point3(0, 0, side * outCosine);
        var (twistSine, twistCosine) = Math.SinCos(Radians(arm.Twist));
        var bend = Sagittal(arm.Flexion + 90) * twistCosine + outward * twistSine;
        var (elbowSine, elbowCosine) = Math.SinCos(Radians(arm.Elbow));
        var fore = upper * elbowCosine + bend * elbowSine;
        var shoulder = new Point3(-pose.BladesUp * body.Blade, pose.BladesForward * body.Blade, side * body.Shoulder);
        var elbow = shoulder + upper * body.UpperArm;
        var wrist = elbow + fore * body.Forearm;
        var knuckles = wrist + fore * body.Hand;
        (this[first], this[first + 1], this[first + 2], this[first + 3]) = (shoulder, elbow, wrist, knuckles);
        Add(table.UpperArm.Mass, shoulder.Toward(elbow, table.UpperArm.Centre), true);
        Add(table.Forearm.Mass, elbow.Toward(wrist, table.Forearm.Centre), true);
        Add(table.Hand.Mass, wrist.Toward(knuckles, table.Hand.Centre), true);

        void Add(double share, Point3 at, bool isArm) => Masses.Add(new(share * body.Kilograms, at, isArm));
    }

    private void AddLeg(LegAngles leg, FigureBody body, Joint first, int side)
    {
        var table = body.Table;
        Point3 Along(double degrees)
        {
            var (sine, cosine) = Math.SinCos(Radians(degrees));
            var (outSine, outCosine) = Math.SinCos(Radians(leg.Out));
            return new(cosine * outCosine, sine, side * cosine * outSine);
        }

        var pointed = leg.Foot ?? Pose.Pointed;
        var hip = new Point3(body.Trunk, 0, side * body.Hip);
        var knee = hip + Along(leg.Hip) * body.Thigh;
        var ankle = knee + Along(leg.Hip - leg.Knee) * body.Shank;
        var toward = Along(leg.Hip - leg.Knee + pointed);
        var under = Along(leg.Hip - leg.Knee + pointed - 90);
        // Pointed, the heel lies against the shank.
        var square = Math.Clamp((pointed - 15) / 50, 0, 1);
        double Off(double straight, double flat) => (straight + (flat - straight) * square) * body.Scale;
        (this[first], this[first + 1], this[first + 2]) = (hip, knee, ankle);
        this[first + 3] = ankle - toward * Off(0.004, 0.044) + under * Off(0.016, 0.042);
        this[first + 4] = ankle + toward * (0.5 * body.Foot) + under * Off(0.022, 0.05);
        this[first + 5] = ankle + toward * (0.68 * body.Foot) + under * Off(0.022, 0.055);
        this[first + 6] = ankle + toward * (AnkleAlongFoot * body.Foot) + under * (SoleBelowAnkle * body.Scale);
        Masses.Add(new(table.Thigh.Mass * body.Kilograms, hip.Toward(knee, table.Thigh.Centre), false));
        Masses.Add(new(table.Shank.Mass * body.Kilograms, knee.Toward(ankle, table.Shank.Centre), false));
        Masses.Add(
            new(
                table.Foot.Mass * body.Kilograms,
                ankle + toward * ((table.Foot.Centre - AnkleAlongFoot) * body.Foot),
                false
            )
        );
    }

    /// <summary>In the plane that halves the body: 0 to the feet, 90 ventral.</summary>
    private static Point3 Sagittal(double degrees)
    {
        var (sine, cosine) = Math.SinCos(Radians(degrees));
        return new(cosine, sine, 0);
    }

    private static double Radians(double degrees) => degrees * Math.PI / 180;
}
