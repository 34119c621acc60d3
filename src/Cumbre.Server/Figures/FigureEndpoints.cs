using Cumbre.Core.Figures;
using Cumbre.Core.Levers;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Figures;

/// <summary>A pose as points, to be drawn.</summary>
/// <param name="Name">Of the pose.</param>
/// <param name="View">From where it is seen.</param>
/// <param name="Hold">What stays put: the origin.</param>
/// <param name="Kit">What is around the athlete.</param>
/// <param name="OnFloor">Hands are flat on the floor or on a block.</param>
/// <param name="Floor">Height of the floor in mm; null: none is seen.</param>
/// <param name="Points">Right, up and toward the viewer in mm, of each joint in the order of <see cref="Joint"/>.</param>
/// <param name="Centre">Centre of mass without the arms, right and up in mm.</param>
/// <param name="Reading">The pose in words.</param>
public sealed record FigurePoseDto(
    string Name,
    PoseView View,
    PoseHold Hold,
    PoseKit Kit,
    bool OnFloor,
    int? Floor,
    IReadOnlyList<int> Points,
    IReadOnlyList<int> Centre,
    PoseReading Reading
)
{
    public static FigurePoseDto Of(string name, Figure figure) =>
        new(
            name,
            figure.Pose.View,
            figure.Pose.Hold,
            figure.Pose.Kit,
            figure.IsOnFloor,
            figure.Floor is { } floor ? Millimetres(floor) : null,
            Figures.Points(figure),
            [Millimetres(figure.CentreWithoutArms.X), Millimetres(figure.CentreWithoutArms.Y)],
            PoseReading.Of(figure)
        );

    internal static int Millimetres(double metres) => (int)Math.Round(metres * 1000);
}

/// <summary>How a movement is drawn.</summary>
/// <param name="Keys">Names of poses: start, between, end.</param>
/// <param name="Path">The joint whose way an arrow shows; null: none.</param>
/// <param name="Focus">Metres that are shown around the shoulders; null: the whole body.</param>
/// <param name="Pace">How fast it is shown.</param>
public sealed record MovementFigureDto(IReadOnlyList<string> Keys, FigurePath? Path, double? Focus, FigurePace Pace);

/// <summary>A fault of form beside the right position.</summary>
/// <param name="Fault">As the movement names it.</param>
/// <param name="Right">Name of a pose.</param>
/// <param name="Wrong">Name of a pose.</param>
/// <param name="Mark">What shows it; null: only the pictures do.</param>
/// <param name="RightValue">Of the mark: degrees, of a height millimetres.</param>
/// <param name="WrongValue">Of the mark.</param>
public sealed record FormFaultDto(
    string Fault,
    string Right,
    string Wrong,
    FormMark? Mark,
    int? RightValue,
    int? WrongValue
);

/// <summary>All figures, for one body.</summary>
/// <param name="Poses">Each once.</param>
/// <param name="Movements">By slug; a movement without a figure is not among them.</param>
/// <param name="Forms">By slug: faults of the movement, where they are drawn.</param>
public sealed record FiguresDto(
    IReadOnlyList<FigurePoseDto> Poses,
    IReadOnlyDictionary<string, MovementFigureDto> Movements,
    IReadOnlyDictionary<string, IReadOnlyList<FormFaultDto>> Forms
);

/// <summary>One position on the way.</summary>
/// <param name="Pose">Name of the pose that is next to it.</param>
/// <param name="Floor">Height of the floor in mm; null: none is seen.</param>
/// <param name="Points">As in a pose.</param>
public sealed record FigureFrameDto(string Pose, int? Floor, IReadOnlyList<int> Points);

public static class FigureEndpoints
{
    public static void MapFigures(this IEndpointRouteBuilder api)
    {
        api.MapGet("/figures", All).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/figures/{movement}/motion", Motion).RequireAuthorization(Policies.SignedIn);
        api.MapPost("/figures/pose", Posed).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/figures", OfAthlete).RequireAuthorization(Policies.OwnAthlete);
    }

    private static Ok<FiguresDto> All(Database database, FigureCache figures) =>
        TypedResults.Ok(database.Read(figures.Of).Figures);

    private static Results<Ok<IReadOnlyList<FigureFrameDto>>, ProblemHttpResult> Motion(
        string movement,
        Database database,
        FigureCache figures
    ) =>
        Figures.Motion(database.Read(figures.Of).Book, movement) is { } frames
            ? TypedResults.Ok(frames)
            : (ProblemHttpResult)Problems.NotFound(Words.NoMovement);

    private static Ok<PosedDto> Posed(PoseRequest request, Database database, FigureCache figures)
    {
        var book = database.Read(figures.Of).Book;
        return TypedResults.Ok(PosedDto.Of(book, Posing.Resolve(book, request, FigureBody.Anybody)));
    }

    private static Results<Ok<FiguresDto>, ProblemHttpResult> OfAthlete(
        Guid athleteId,
        Database database,
        FigureCache figures,
        ClubClock clock
    ) =>
        database.Read(db =>
            SnapshotStore.Load(db, athleteId, clock.Today) is { } athlete
                ? (Results<Ok<FiguresDto>, ProblemHttpResult>)
                    TypedResults.Ok(Figures.Of(figures.Of(db).Book, BodyOf(athlete.Snapshot.BuildOn(clock.Today))))
                : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete)
        );

    /// <summary>With the athlete's own proportions where they are known.</summary>
    internal static FigureBody BodyOf(BodyBuild build) =>
        build.StatureCm is { } cm
            ? new(
                SegmentTable.For(build.Sex),
                (double)cm / 100,
                (double)(build.BodyMass?.Kilograms ?? 70),
                build.Lengths
            )
            : FigureBody.Anybody;
}
