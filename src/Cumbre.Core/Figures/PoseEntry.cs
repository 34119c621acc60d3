namespace Cumbre.Core.Figures;

/// <summary>A pose as it is written: what is left out is as in the pose that it is like, or nothing special.</summary>
/// <param name="Arm">Flexion, elbow, out, twist; what is left out is 0.</param>
/// <param name="Leg">Hip, knee, out, foot.</param>
/// <param name="Blades">Up and forward.</param>
public sealed record PoseEntry(
    string? Like = null,
    PoseView? View = null,
    PoseHold? Hold = null,
    PoseKit? Kit = null,
    double? Trunk = null,
    IReadOnlyList<double>? Arm = null,
    IReadOnlyList<double>? ArmLeft = null,
    IReadOnlyList<double>? Leg = null,
    IReadOnlyList<double>? LegLeft = null,
    double? Round = null,
    double? Neck = null,
    IReadOnlyList<double>? Blades = null,
    double? Grip = null,
    string? Stay = null,
    IReadOnlyDictionary<PoseVariable, PoseCondition>? Free = null
);

/// <summary>The joint whose way an arrow shows.</summary>
/// <param name="X">From the joint to the arrow in the picture, metres.</param>
/// <param name="Y">Upward.</param>
public sealed record FigurePath(Joint Joint, double X = 0, double Y = 0);
