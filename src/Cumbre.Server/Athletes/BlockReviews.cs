using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Review;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>What an athlete gained on a ladder over a block.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="IsGoal">They work toward it.</param>
/// <param name="Before">Step in training before; null: none.</param>
/// <param name="After">Step in training now; null: none.</param>
/// <param name="Won">Steps achieved.</param>
/// <param name="Opened">Steps that may be trained now.</param>
/// <param name="Lost">Steps no longer achieved.</param>
/// <param name="IsFirstMeasured">Nothing of it was known before: what was shown need not be new.</param>
/// <param name="Limiting">What holds them back now; null: nothing does.</param>
public sealed record SkillReviewDto(
    string Ladder,
    string Name,
    bool IsGoal,
    string? Before,
    string? After,
    IReadOnlyList<string> Won,
    IReadOnlyList<string> Opened,
    IReadOnlyList<string> Lost,
    bool IsFirstMeasured,
    ThresholdEvidence? Limiting
);

/// <summary>What a change of a test is counted in.</summary>
public enum DifferenceIn
{
    Reps,
    Seconds,
    Degrees,

    /// <summary>Places of contact.</summary>
    Places,

    /// <summary>Percent of the system.</summary>
    Percent,
}

/// <summary>A test before and after.</summary>
/// <param name="Name">Of the test.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Before">As it is written; null: never tested before.</param>
/// <param name="BeforeDay">When.</param>
/// <param name="After">As it is written.</param>
/// <param name="AfterDay">When.</param>
/// <param name="Difference">Null: not comparable.</param>
/// <param name="In">What the difference is counted in.</param>
/// <param name="IsNoise">No more than the same test gives from one day to the next.</param>
public sealed record TestReviewDto(
    string Name,
    Side? Side,
    string? Before,
    DateOnly? BeforeDay,
    string After,
    DateOnly AfterDay,
    decimal? Difference,
    DifferenceIn In,
    bool IsNoise
);

/// <summary>What a block brought.</summary>
/// <param name="Unit">In which the athlete thinks: paper speaks it, whoever prints.</param>
public sealed record BlockReviewDto(
    Guid BlockId,
    string Name,
    string AthleteName,
    MassUnit Unit,
    DateOnly Start,
    DateOnly Until,
    bool IsOver,
    Consistency Calendar,
    WeekTable? Sets,
    IReadOnlyList<SkillReviewDto> Skills,
    IReadOnlyList<ExerciseReview> Exercises,
    IReadOnlyList<TestReviewDto> Tests,
    IReadOnlyList<PlaceReview> Pain,
    ProposedWish Wish
);

internal static class BlockReviews
{
    public static Results<Ok<BlockReviewDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid blockId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Read(db, athleteId, blockId, clock.Today)) is { } review
            ? TypedResults.Ok(review)
            : (ProblemHttpResult)Problems.NotFound(Words.NoBlock);

    private static DifferenceIn In(TestReview test) =>
        test.After.Score switch
        {
            { Degrees: not null } => DifferenceIn.Degrees,
            { Seconds: not null } => DifferenceIn.Seconds,
            { Contact: not null } => DifferenceIn.Places,
            _ when test.After.Added.Value != 0 || test.Before?.Added.Value is not (null or 0) => DifferenceIn.Percent,
            _ => DifferenceIn.Reps,
        };

    private static BlockReviewDto? Read(Db db, Guid athleteId, Guid blockId, DateOnly today)
    {
        if (
            BlockStore.Find(db, blockId) is not { } stored
            || stored.AthleteId != athleteId
            || Work.Load(db, athleteId, today) is not var (profile, athlete)
            || SnapshotStore.LoadWhole(db, athleteId, today) is not var (_, whole)
        )
            return null;
        var sessions = SessionStore.OfBlock(db, blockId);
        var sets = SessionStore.SetCounts(db, athleteId, stored.Start);
        var block = Blocks.Read(stored, sessions);
        var review = BlockReview.Of(
            block,
            [
                .. sessions.Select(s => new ReviewedBlockSession(
                    Trends.Reviewed(s, sets, athlete),
                    Trends.PlannedMinutes(s, athlete),
                    s.Easy
                )),
            ],
            athlete,
            whole
        );
        var catalogue = athlete.Atlas.Catalogue;
        return new(
            blockId,
            stored.Name,
            profile.Name,
            profile.Unit,
            stored.Start,
            review.Until,
            review.IsOver,
            review.Calendar,
            review.Sets,
            [
                .. review.Skills.Select(s => new SkillReviewDto(
                    s.Ladder,
                    s.Name,
                    s.IsGoal,
                    s.Before,
                    s.After,
                    s.Change.Won,
                    s.Change.Opened,
                    s.Change.Lost,
                    s.IsFirstMeasured,
                    s.Limiting is { } limiting ? PlacementReport.Evidence(limiting.Term, catalogue) : null
                )),
            ],
            review.Exercises,
            [
                .. review.Tests.Select(t => new TestReviewDto(
                    t.Name,
                    t.Side,
                    t.Before is null ? null : ResultPrinter.Print(t.Before),
                    t.Before?.Day,
                    ResultPrinter.Print(t.After),
                    t.After.Day,
                    t.Difference,
                    In(t),
                    t.IsNoise
                )),
            ],
            review.Pain,
            review.Wish
        );
    }
}
