using Cumbre.Core.Figures;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Figures;

/// <summary>An angle that is set.</summary>
/// <param name="Variable">Which.</param>
/// <param name="Value">Degrees.</param>
public sealed record PoseTurnDto(PoseVariable Variable, double Value);

/// <summary>A joint that is dragged.</summary>
/// <param name="Joint">Of a handle.</param>
/// <param name="X">Right of what is held, as seen, mm.</param>
/// <param name="Y">Above it, mm.</param>
public sealed record PoseDragDto(Joint Joint, double X, double Y);

/// <summary>A pose, and at most one change of it.</summary>
/// <param name="Pose">What it leaves out is as in the pose that it is like.</param>
/// <param name="Turn">An angle that is set; null: none.</param>
/// <param name="Drag">A joint that is dragged; null: none.</param>
public sealed record PoseRequest(PoseEntry Pose, PoseTurnDto? Turn = null, PoseDragDto? Drag = null);

/// <summary>A pose as it came out.</summary>
/// <param name="Pose">In full.</param>
/// <param name="Figure">To be drawn.</param>
/// <param name="Handles">What may be turned.</param>
/// <param name="Findings">Why it cannot be; empty: it can.</param>
public sealed record PosedDto(
    PoseEntry Pose,
    FigurePoseDto Figure,
    IReadOnlyList<PoseHandle> Handles,
    IReadOnlyList<PoseFinding> Findings
)
{
    public static PosedDto Of(PoseBook book, Figure figure) =>
        new(
            book.Entry(figure.Pose),
            FigurePoseDto.Of("posed", figure),
            PoseTurning.Handles(figure.Pose),
            PoseCheck.Findings(figure)
        );
}

/// <summary>Poses that are made by hand.</summary>
internal static class Posing
{
    private const double DegreesMaximum = 720,
        MetresMaximum = 5;

    private const int FreeMaximum = 3;

    /// <summary>The pose, solved for a body, with its change; it may be like any pose of the book.</summary>
    /// <exception cref="FieldException">It is no pose.</exception>
    public static Figure Resolve(PoseBook book, PoseRequest request, FigureBody body)
    {
        var pose = Read(book, request.Pose) ?? throw Problems.Field("pose", Words.PoseUnknown);
        var figure = PoseSolver.Resolve(pose, body);
        if (request.Turn is { } turn)
            return
                PoseTurning.Handles(figure.Pose).FirstOrDefault(h => h.Variable == turn.Variable)
                    is { Solved: null } handle
                ? PoseTurning.Turn(figure, turn.Variable, Math.Clamp(turn.Value, handle.From, handle.To))
                : figure;
        return request.Drag is { } drag ? PoseTurning.Drag(figure, drag.Joint, drag.X / 1000, drag.Y / 1000) : figure;
    }

    /// <summary>The first position that is no pose, or that no body can hold; null: there is none.</summary>
    public static (int Position, Message Message)? Problem(IReadOnlyList<PoseEntry> poses)
    {
        for (var i = 0; i < poses.Count; i++)
            if (Read(PoseBook.Shipped, poses[i]) is not { } pose)
                return (i, Words.PoseUnknown);
            else if (PoseCheck.Findings(PoseSolver.Resolve(pose, FigureBody.Anybody)).Count > 0)
                return (i, Words.PoseCannotBe(i + 1));
        return null;
    }

    /// <summary>A pose that the solver may be given; null: it is none.</summary>
    private static Pose? Read(PoseBook book, PoseEntry entry)
    {
        Pose pose;
        try
        {
            pose = book.Read(entry);
        }
        catch (CatalogueException)
        {
            return null;
        }

        var angles = Angles(pose.Arm)
            .Concat(Angles(pose.ArmLeft ?? pose.Arm))
            .Concat(Angles(pose.Leg))
            .Concat(Angles(pose.LegLeft ?? pose.Leg))
            .Append(pose.Trunk)
            .Append(pose.Round)
            .Append(pose.Neck);
        double[] lengths =
        [
            pose.Grip ?? 1,
            pose.Kit.Height ?? 1,
            pose.Kit.Box ?? 1,
            pose.Kit.Wall ?? 1,
            pose.BladesUp,
            pose.BladesForward,
        ];
        var known =
            angles.All(a => Math.Abs(a) <= DegreesMaximum)
            && lengths.All(l => Math.Abs(l) <= MetresMaximum)
            && pose.Free.Count <= FreeMaximum
            && pose.Free.All(f => Enum.IsDefined(f.Variable) && IsMet(f.Condition, pose));
        return known ? pose : null;
    }

    /// <summary>Is there what the condition speaks of?</summary>
    private static bool IsMet(PoseCondition condition, Pose pose) =>
        condition switch
        {
            PoseCondition.Grip => pose.Grip is not null,
            PoseCondition.Wall => pose.Kit.Wall is not null,
            PoseCondition.Stay => pose.Stay is not null,
            _ => Enum.IsDefined(condition),
        };

    private static double[] Angles(ArmAngles a) => [a.Flexion, a.Elbow, a.Out, a.Twist];

    private static double[] Angles(LegAngles l) => [l.Hip, l.Knee, l.Out, l.Foot ?? 0];
}
