namespace Cumbre.Core.Levers;

/// <summary>How one leg is held, in degrees: 0 everywhere is a straight leg in line with the trunk.</summary>
/// <param name="Hip">Flexion, 0 to 150.</param>
/// <param name="Knee">Flexion, 0 to 160.</param>
/// <param name="Abduction">Out to the side, 0 to 90.</param>
public sealed record LegPose(double Hip, double Knee, double Abduction = 0)
{
    public static LegPose Straight { get; } = new(0, 0);

    public static LegPose Tucked { get; } = new(125, 140);
}

/// <summary>A line of the body in a lever, planche or flag.</summary>
/// <param name="One">One leg.</param>
/// <param name="Other">The other leg.</param>
public sealed record Posture(LegPose One, LegPose Other)
{
    public static Posture Tuck { get; } = Both(LegPose.Tucked);

    public static Posture AdvancedTuck { get; } = Both(new(90, 90));

    public static Posture OneLeg { get; } = new(LegPose.Tucked, LegPose.Straight);

    public static Posture HalfLay { get; } = Both(new(0, 90));

    public static Posture Full { get; } = Both(LegPose.Straight);

    /// <param name="degrees">Of each leg from the midline.</param>
    public static Posture Straddle(double degrees) => Both(new(0, 0, degrees));

    public static Posture Both(LegPose leg) => new(leg, leg);
}
