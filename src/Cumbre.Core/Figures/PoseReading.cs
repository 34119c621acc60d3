namespace Cumbre.Core.Figures;

/// <summary>How the trunk is.</summary>
public enum TrunkIs
{
    Upright,
    HeadDown,
    LevelFaceDown,
    LevelFaceUp,

    /// <summary>In a flag.</summary>
    LevelSideOn,
    LeansForward,
    LeansBack,
    LeansSideways,
    HeadLow,
}

/// <summary>Where an upper arm is, from the trunk.</summary>
public enum ArmIs
{
    AtSide,
    InFront,
    Behind,
    Overhead,
    OutToSide,
}

/// <param name="Degrees">From the trunk, to 5.</param>
/// <param name="Bend">Of the elbow, to 5; 0: straight.</param>
public sealed record ArmReading(ArmIs Is, int Degrees, int Bend);

/// <param name="Hip">Degrees to 5: bent above 0, arched below, 0 in line with the trunk.</param>
/// <param name="Knee">Degrees to 5; 0: straight.</param>
/// <param name="Out">Degrees to 5; 0: together.</param>
public sealed record LegReading(int Hip, int Knee, int Out);

/// <summary>A pose as it is said in words, which the page puts together in its language.</summary>
/// <param name="ShouldersOver">Over what is held; null: nothing is held with the hands.</param>
/// <param name="Degrees">Of the trunk from what <paramref name="Trunk"/> says, to 5.</param>
/// <param name="ArmLeft">Null: as the right one.</param>
/// <param name="LegLeft">Null: as the right one.</param>
public sealed record PoseReading(
    PoseHold Hold,
    Apparatus On,
    bool? ShouldersOver,
    TrunkIs Trunk,
    int Degrees,
    ArmReading Arm,
    ArmReading? ArmLeft,
    LegReading Leg,
    LegReading? LegLeft
)
{
    public static PoseReading Of(Figure figure)
    {
        var pose = figure.Pose;
        var (trunk, degrees) = TrunkOf(pose);
        return new(
            pose.Hold,
            pose.Kit.On,
            pose.Hold is PoseHold.Hands or PoseHold.Wrists && pose.Kit.On is not Apparatus.None and not Apparatus.Pole
                ? figure[Joint.Shoulders].Y > 0
                : null,
            trunk,
            degrees,
            ArmOf(pose.Arm),
            pose.ArmLeft is { } arm ? ArmOf(arm) : null,
            LegOf(pose.Leg),
            pose.LegLeft is { } leg ? LegOf(leg) : null
        );
    }

    private static (TrunkIs, int) TrunkOf(Pose pose)
    {
        var lean = ((pose.Trunk + 180) % 360 + 360) % 360 - 180;
        var far = Math.Abs(lean);
        if (far < 12)
            return (TrunkIs.Upright, 0);
        if (far > 165)
            return (TrunkIs.HeadDown, 0);
        if (pose.View == PoseView.Front)
            return far is > 60 and < 120 ? (TrunkIs.LevelSideOn, 0) : (TrunkIs.LeansSideways, ToFive(far));
        if (far is > 78 and < 102)
            return (lean > 0 ? TrunkIs.LevelFaceDown : TrunkIs.LevelFaceUp, 0);
        if (far > 102)
            return (TrunkIs.HeadLow, ToFive(180 - far));
        return (lean > 0 ? TrunkIs.LeansForward : TrunkIs.LeansBack, ToFive(far));
    }

    private static ArmReading ArmOf(ArmAngles arm)
    {
        var flexion = PoseCheck.Wrapped(arm.Flexion);
        var bend = arm.Elbow < 12 ? 0 : ToFive(arm.Elbow);
        if (arm.Out > 60)
            return new(ArmIs.OutToSide, ToFive(arm.Out), bend);
        var where = flexion switch
        {
            > 160 => ArmIs.Overhead,
            > 12 => ArmIs.InFront,
            < -12 => ArmIs.Behind,
            _ => ArmIs.AtSide,
        };
        return new(where, ToFive(Math.Abs(flexion)), bend);
    }

    private static LegReading LegOf(LegAngles leg) =>
        new(
            Math.Abs(leg.Hip) < 12 ? 0 : Math.Sign(leg.Hip) * ToFive(Math.Abs(leg.Hip)),
            leg.Knee < 10 ? 0 : ToFive(leg.Knee),
            leg.Out > 8 ? ToFive(leg.Out) : 0
        );

    private static int ToFive(double degrees) => (int)Math.Round(degrees / 5) * 5;
}
