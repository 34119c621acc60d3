using Cumbre.Core.Levers;
using Cumbre.Core.Traces;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Traces;

/// <param name="Text">Samples: seconds and metres above the hang.</param>
public sealed record PullTraceRequest(string Text);

/// <param name="Left">Samples: seconds and newtons; empty: not measured.</param>
/// <param name="Right">The same of the right side.</param>
public sealed record ForceTraceRequest(string Left, string Right);

/// <summary>A set of explosive pulls.</summary>
/// <param name="Set">What it says.</param>
/// <param name="Points">Some hundred samples of it, to be drawn.</param>
public sealed record PullTraceDto(PullTrace Set, IReadOnlyList<Sample> Points);

/// <summary>Pulls of both sides.</summary>
/// <param name="Left">Null: not measured.</param>
/// <param name="Right">Null: not measured.</param>
/// <param name="Gap">Null: one side alone.</param>
/// <param name="LeftPoints">To be drawn.</param>
/// <param name="RightPoints">To be drawn.</param>
public sealed record ForceTraceDto(
    ForceTrace? Left,
    ForceTrace? Right,
    ForceGap? Gap,
    IReadOnlyList<Sample> LeftPoints,
    IReadOnlyList<Sample> RightPoints
);

/// <param name="Text">As a file of the device would be.</param>
public sealed record TraceTextDto(string Text);

/// <summary>
/// What devices wrote down over time. Nothing is kept: files are read, and can be saved again as they were.
/// </summary>
internal static class TraceEndpoints
{
    private const int PointsDrawn = 400;

    public static void MapTraces(this IEndpointRouteBuilder api)
    {
        const string traces = "/athletes/{athleteId:guid}/traces";
        api.MapPost($"{traces}/pull", Pull).RequireAuthorization(Policies.Coach);
        api.MapPost($"{traces}/force", Force).RequireAuthorization(Policies.Coach);
        api.MapGet($"{traces}/record", Record).RequireAuthorization(Policies.Coach);
    }

    private static Results<Ok<PullTraceDto>, ProblemHttpResult> Pull(
        Guid athleteId,
        PullTraceRequest request,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => SnapshotStore.Load(db, athleteId, clock.Today)) is not { } athlete)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var build = athlete.Snapshot.BuildOn(clock.Today);
        var body = build is { StatureCm: { } cm, BodyMass: { } mass }
            ? new LeverBody(SegmentTable.For(build.Sex), mass, (double)cm / 100, build.Lengths)
            : null;
        var trace = TraceCsv.Read("text", request.Text, PullTrace.HeightMinimum, PullTrace.HeightMaximum);
        return TypedResults.Ok(new PullTraceDto(PullTrace.Of(trace, body), Drawn(trace)));
    }

    private static Ok<ForceTraceDto> Force(Guid athleteId, ForceTraceRequest request)
    {
        (ForceTrace?, IReadOnlyList<Sample>) Side(string path, string text)
        {
            if (string.IsNullOrWhiteSpace(text))
                return (null, []);
            var trace = TraceCsv.Read(path, text, ForceTrace.ForceMinimum, ForceTrace.ForceMaximum);
            return (ForceTrace.Of(trace) ?? throw Problems.Field(path, Words.TraceNoPull), Drawn(trace));
        }

        var (left, leftPoints) = Side("left", request.Left);
        var (right, rightPoints) = Side("right", request.Right);
        return TypedResults.Ok(
            new ForceTraceDto(
                left,
                right,
                left is not null && right is not null ? ForceGap.Of(left, right) : null,
                leftPoints,
                rightPoints
            )
        );
    }

    private static Results<Ok<TraceTextDto>, ProblemHttpResult> Record(
        Guid athleteId,
        TraceKind kind,
        int turn,
        IServiceProvider services
    ) =>
        services.GetService<ITraceRecorder>() is { } recorder
            ? TypedResults.Ok(
                new TraceTextDto(
                    TraceCsv.Write(kind == TraceKind.Pull ? "metres" : "newtons", recorder.Record(kind, turn))
                )
            )
            : (ProblemHttpResult)Problems.NotFound(Words.NoDevice);

    private static IReadOnlyList<Sample> Drawn(Trace trace)
    {
        var every = Math.Max(1, trace.Samples.Count / PointsDrawn);
        return [.. trace.Samples.Where((_, i) => i % every == 0)];
    }
}
