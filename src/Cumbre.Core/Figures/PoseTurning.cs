namespace Cumbre.Core.Figures;

/// <summary>An angle of a pose that somebody may change.</summary>
/// <param name="Joint">The end of the segment that turns, by which it is taken; null: by its number only.</param>
/// <param name="Value">Degrees.</param>
/// <param name="From">The least that the joint allows.</param>
/// <param name="To">The most.</param>
/// <param name="Solved">Null: it is free to be turned; else it follows from this.</param>
public sealed record PoseHandle(
    PoseVariable Variable,
    Joint? Joint,
    double Value,
    double From,
    double To,
    PoseCondition? Solved
);

/// <summary>
/// Turns a segment of a pose: what lies beyond it from what is held goes along, what lies before it stays, and what is
/// solved is solved again.
/// </summary>
public static class PoseTurning
{
    /// <summary>Degrees to which a joint that is dragged snaps.</summary>
    public const int Snap = 5;

    /// <summary>Degrees that a joint is looked for on either side of where it is.</summary>
    private const int Reach = 60;

    private const double ContactMaximum = 0.004;

    /// <summary>Everything that may be turned, in the order of the body.</summary>
    public static IReadOnlyList<PoseHandle> Handles(Pose pose)
    {
        var handles = new List<PoseHandle>();
        void Add(PoseVariable variable, Joint? joint, double from, double to)
        {
            var solved = pose.Free.Where(f => f.Variable == variable).Select(f => (PoseCondition?)f.Condition);
            var grip =
                pose.Grip is not null && variable is PoseVariable.Out or PoseVariable.OutLeft
                    ? PoseCondition.Grip
                    : (PoseCondition?)null;
            handles.Add(
                new(variable, joint, Within(pose[variable], from, to), from, to, solved.FirstOrDefault() ?? grip)
            );
        }

        var byHands = IsByHands(pose);
        var flat = pose.View is PoseView.Front or PoseView.Raised;
        Add(PoseVariable.Trunk, byHands ? Joint.Hips : Joint.Shoulders, -180, 360);
        Add(PoseVariable.Arm, byHands ? Joint.ShoulderRight : Joint.ElbowRight, -135, 360);
        Add(PoseVariable.Elbow, byHands ? Joint.ElbowRight : Joint.WristRight, 0, 155);
        Add(PoseVariable.Out, null, -45, 180);
        Add(PoseVariable.Twist, null, -180, 180);
        if (pose.ArmLeft is not null)
        {
            Add(PoseVariable.ArmLeft, byHands && pose.Hold != PoseHold.Hand ? null : Joint.ElbowLeft, -135, 360);
            Add(PoseVariable.ElbowLeft, byHands && pose.Hold != PoseHold.Hand ? null : Joint.WristLeft, 0, 155);
            Add(PoseVariable.OutLeft, null, -45, 180);
        }

        // On the feet the knee is the end of the shank, and the hips are the end of the thigh.
        var standing = pose.Hold == PoseHold.Feet;
        Add(PoseVariable.Hip, standing || flat ? null : Joint.KneeRight, -30, 140);
        Add(PoseVariable.Knee, standing ? Joint.Hips : Joint.AnkleRight, 0, 160);
        Add(PoseVariable.LegOut, flat ? Joint.KneeRight : null, -45, 80);
        Add(PoseVariable.Foot, standing ? null : Joint.ToeRight, 5, 130);
        if (pose.LegLeft is not null)
        {
            Add(PoseVariable.HipLeft, flat ? null : Joint.KneeLeft, -30, 140);
            Add(PoseVariable.KneeLeft, Joint.AnkleLeft, 0, 160);
            Add(PoseVariable.LegOutLeft, flat ? Joint.KneeLeft : null, -45, 80);
        }

        return handles;
    }

    /// <summary>One angle set; what is held, and the segments before the one that turns, stay where they are.</summary>
    /// <param name="figure">Solved.</param>
    /// <param name="variable">One that is not solved.</param>
    /// <param name="value">Degrees.</param>
    public static Figure Turn(Figure figure, PoseVariable variable, double value) =>
        PoseSolver.Resolve(Turned(figure.Pose, variable, value), figure.Body);

    /// <summary>
    /// The joint as near to a place of the picture as its segment reaches, in steps of <see cref="Snap"/> degrees; the
    /// figure as it is where nothing that can be held is nearer, or where the joint is none to be turned.
    /// </summary>
    /// <param name="figure">Solved.</param>
    /// <param name="joint">Of a handle.</param>
    /// <param name="x">Metres to the right of what is held, as seen.</param>
    /// <param name="y">Metres above it.</param>
    public static Figure Drag(Figure figure, Joint joint, double x, double y)
    {
        if (Handles(figure.Pose).FirstOrDefault(h => h.Joint == joint) is not { Solved: null } handle)
            return figure;
        var (best, nearest) = (figure, Far(figure));
        var first = Math.Max(handle.From, Math.Ceiling((handle.Value - Reach) / Snap) * Snap);
        for (var value = first; value <= Math.Min(handle.To, handle.Value + Reach); value += Snap)
        {
            var turned = Turn(figure, handle.Variable, value);
            if (turned.Misfit <= ContactMaximum && Far(turned) is var far && far < nearest)
                (best, nearest) = (turned, far);
        }

        return best;

        double Far(Figure at)
        {
            var (seenX, seenY) = at.Seen(joint);
            return Math.Pow(seenX - x, 2) + Math.Pow(seenY - y, 2);
        }
    }

    /// <summary>Both legs bent so much more at hip and knee, in degrees; a knee does not bend over straight.</summary>
    public static Pose Bent(Pose pose, double hip, double knee)
    {
        LegAngles Of(LegAngles leg) => leg with { Hip = leg.Hip + hip, Knee = Math.Max(0, leg.Knee + knee) };
        return pose with { Leg = Of(pose.Leg), LegLeft = pose.LegLeft is { } left ? Of(left) : null };
    }

    private static Pose Turned(Pose pose, PoseVariable variable, double value)
    {
        var by = value - pose[variable];
        var turned = pose.With(variable, value);
        if (pose.View == PoseView.Front)
            return turned;
        return variable switch
        {
            // The arms hold, so they stay; or the legs stand, and they do.
            PoseVariable.Trunk when IsByHands(pose) => Follow(turned, by, PoseVariable.Arm, PoseVariable.ArmLeft),
            PoseVariable.Trunk => Follow(turned, by, PoseVariable.Hip, PoseVariable.HipLeft),
            PoseVariable.Knee when pose.Hold == PoseHold.Feet => Follow(turned, -by, PoseVariable.Trunk, null),
            _ => turned,
        };
    }

    private static Pose Follow(Pose pose, double by, PoseVariable variable, PoseVariable? left)
    {
        if (left is { } other && (other == PoseVariable.ArmLeft ? pose.ArmLeft is not null : pose.LegLeft is not null))
            pose = pose.With(other, pose[other] + by);
        return pose.With(variable, pose[variable] + by);
    }

    private static bool IsByHands(Pose pose) =>
        pose.Hold is PoseHold.Hands or PoseHold.Hand or PoseHold.Wrists or PoseHold.Elbows;

    /// <summary>The same direction within the range, where there is one.</summary>
    private static double Within(double degrees, double from, double to)
    {
        while (degrees > to && degrees - 360 >= from)
            degrees -= 360;
        while (degrees < from && degrees + 360 <= to)
            degrees += 360;
        return degrees;
    }
}
