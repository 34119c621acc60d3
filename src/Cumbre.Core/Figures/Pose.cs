namespace Cumbre.Core.Figures;

/// <summary>From where a figure is seen.</summary>
public enum PoseView
{
    /// <summary>The athlete faces right, the right side is near.</summary>
    Side,
    Front,

    /// <summary>From the side, the eye 22 degrees up: legs that stand apart are seen to.</summary>
    Raised,

    /// <summary>Turned by 40 degrees, the eye 8 degrees up.</summary>
    Oblique,
}

/// <summary>What stays put: the origin of the figure.</summary>
public enum PoseHold
{
    Hands,

    /// <summary>The right one.</summary>
    Hand,

    /// <summary>The false grip.</summary>
    Wrists,
    Feet,

    /// <summary>On the floor.</summary>
    Hips,

    /// <summary>On the floor.</summary>
    Knees,

    /// <summary>Forearms on the floor.</summary>
    Elbows,
}

/// <summary>What the hands are on.</summary>
public enum Apparatus
{
    None,
    Bar,
    Rings,
    Bars,
    Floor,
    Pole,

    /// <summary>Two boxes or handles on the floor.</summary>
    Blocks,
}

/// <summary>Where the free end of a band is.</summary>
public enum BandAt
{
    Knees,
    Feet,
    Hips,
}

/// <summary>What is carried.</summary>
public enum PoseLoad
{
    Plate,
    Barbell,
    Dumbbells,
    Stick,
}

/// <summary>A number of a pose that may be solved instead of written.</summary>
public enum PoseVariable
{
    Trunk,
    Arm,
    Elbow,
    Out,
    Twist,
    ArmLeft,
    ElbowLeft,
    OutLeft,
    Hip,
    Knee,
    Foot,
    LegOut,
    HipLeft,
    KneeLeft,
    LegOutLeft,
}

/// <summary>What a solved number has to bring about; each is a distance in metres that must vanish.</summary>
public enum PoseCondition
{
    /// <summary>The centre of mass is over or under what is held.</summary>
    Balance,

    /// <summary>The lowest point of the feet is on the floor, or on the box.</summary>
    Feet,

    /// <summary>The same of the left foot alone.</summary>
    FootLeft,

    /// <summary>The feet are where another pose has them.</summary>
    Stay,

    /// <summary>The forearms are upright.</summary>
    Plumb,

    /// <summary>The hands are as far apart as the grip says.</summary>
    Grip,

    /// <summary>The feet touch the wall.</summary>
    Wall,

    /// <summary>Both hands are at one height.</summary>
    Level,

    /// <summary>One hand is above the other, on a pole.</summary>
    Upright,

    /// <summary>The top of the head is on the floor.</summary>
    Head,

    /// <summary>The knees are on the floor.</summary>
    Knees,

    /// <summary>The hips are on the floor.</summary>
    Seat,
}

/// <summary>An arm, in degrees.</summary>
/// <param name="Flexion">0 along the trunk, 180 overhead, below 0 behind.</param>
/// <param name="Elbow">0 straight.</param>
/// <param name="Out">From the plane of the trunk to the side.</param>
/// <param name="Twist">Where the elbow bends to: 0 forward, 90 outward.</param>
public sealed record ArmAngles(double Flexion, double Elbow = 0, double Out = 0, double Twist = 0);

/// <summary>A leg, in degrees.</summary>
/// <param name="Hip">0 in line with the trunk, 90 square, below 0 arched.</param>
/// <param name="Knee">0 straight.</param>
/// <param name="Out">To the side.</param>
/// <param name="Foot">0 in line with the shank, 90 square; null: flat where the feet stand, else pointed.</param>
public sealed record LegAngles(double Hip, double Knee = 0, double Out = 0, double? Foot = null);

/// <summary>What is around the athlete.</summary>
/// <param name="On">What the hands are on.</param>
/// <param name="Height">Of what the hands are on above the floor, in metres; null: no floor is seen.</param>
/// <param name="Wall">Metres from the hands, to the right of the picture; null: none.</param>
/// <param name="Box">Height of the box under the feet, in metres; null: none.</param>
/// <param name="Band">Null: none.</param>
/// <param name="Load">Null: none.</param>
/// <param name="IsTurnedOut">The rings are.</param>
/// <param name="IsSeat">The hips are on a bench.</param>
public sealed record PoseKit(
    Apparatus On = Apparatus.None,
    double? Height = null,
    double? Wall = null,
    double? Box = null,
    BandAt? Band = null,
    PoseLoad? Load = null,
    bool IsTurnedOut = false,
    bool IsSeat = false
);

/// <summary>
/// A position of the body as a few angles on the segments of the lever model, so that picture, moment, words and
/// contacts come from the same numbers. In degrees unless said.
/// </summary>
/// <param name="Trunk">Lean clockwise in the picture: 0 upright, 90 level face down, -90 face up, 180 head
/// down.</param>
/// <param name="ArmLeft">Null: as the right one.</param>
/// <param name="LegLeft">Null: as the right one.</param>
/// <param name="Round">Curve of the back.</param>
/// <param name="Neck">Nod of the head.</param>
/// <param name="BladesUp">-1 to 1, of 25 mm per metre of stature.</param>
/// <param name="BladesForward">-1 to 1.</param>
/// <param name="Grip">Distance of the hands in metres; null: it follows.</param>
/// <param name="Stay">The pose whose feet are kept in their place.</param>
/// <param name="Free">What is solved, three numbers at most.</param>
public sealed record Pose(
    PoseView View,
    PoseHold Hold,
    PoseKit Kit,
    double Trunk,
    ArmAngles Arm,
    ArmAngles? ArmLeft,
    LegAngles Leg,
    LegAngles? LegLeft,
    double Round,
    double Neck,
    double BladesUp,
    double BladesForward,
    double? Grip,
    Pose? Stay,
    IReadOnlyList<(PoseVariable Variable, PoseCondition Condition)> Free
)
{
    public static Pose Standing { get; } =
        new(PoseView.Side, PoseHold.Hands, new(), 0, new(0), null, new(0), null, 0, 0, 0, 0, null, null, []);

    public double this[PoseVariable variable] =>
        variable switch
        {
            PoseVariable.Trunk => Trunk,
            PoseVariable.Arm => Arm.Flexion,
            PoseVariable.Elbow => Arm.Elbow,
            PoseVariable.Out => Arm.Out,
            PoseVariable.Twist => Arm.Twist,
            PoseVariable.ArmLeft => (ArmLeft ?? Arm).Flexion,
            PoseVariable.ElbowLeft => (ArmLeft ?? Arm).Elbow,
            PoseVariable.OutLeft => (ArmLeft ?? Arm).Out,
            PoseVariable.Hip => Leg.Hip,
            PoseVariable.Knee => Leg.Knee,
            PoseVariable.HipLeft => (LegLeft ?? Leg).Hip,
            PoseVariable.KneeLeft => (LegLeft ?? Leg).Knee,
            PoseVariable.Foot => Leg.Foot ?? Pointed,
            PoseVariable.LegOut => Leg.Out,
            PoseVariable.LegOutLeft => (LegLeft ?? Leg).Out,
            _ => throw new ArgumentOutOfRangeException(nameof(variable)),
        };

    /// <summary>Degrees of a foot that nothing asks to be otherwise.</summary>
    internal const double Pointed = 18;

    public Pose With(PoseVariable variable, double value) =>
        variable switch
        {
            PoseVariable.Trunk => this with { Trunk = value },
            PoseVariable.Arm => this with { Arm = Arm with { Flexion = value } },
            PoseVariable.Elbow => this with { Arm = Arm with { Elbow = value } },
            PoseVariable.Out => this with { Arm = Arm with { Out = value } },
            PoseVariable.Twist => this with { Arm = Arm with { Twist = value } },
            PoseVariable.ArmLeft => this with { ArmLeft = (ArmLeft ?? Arm) with { Flexion = value } },
            PoseVariable.ElbowLeft => this with { ArmLeft = (ArmLeft ?? Arm) with { Elbow = value } },
            PoseVariable.OutLeft => this with { ArmLeft = (ArmLeft ?? Arm) with { Out = value } },
            PoseVariable.Hip => this with { Leg = Leg with { Hip = value } },
            PoseVariable.Knee => this with { Leg = Leg with { Knee = value } },
            PoseVariable.HipLeft => this with { LegLeft = (LegLeft ?? Leg) with { Hip = value } },
            PoseVariable.KneeLeft => this with { LegLeft = (LegLeft ?? Leg) with { Knee = value } },
            PoseVariable.Foot => this with { Leg = Leg with { Foot = value } },
            PoseVariable.LegOut => this with { Leg = Leg with { Out = value } },
            PoseVariable.LegOutLeft => this with { LegLeft = (LegLeft ?? Leg) with { Out = value } },
            _ => throw new ArgumentOutOfRangeException(nameof(variable)),
        };
}
