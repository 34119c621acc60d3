using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;

namespace Cumbre.Server.Benchmarks;

/// <summary>A result whose fields were checked one by one.</summary>
internal sealed record ResultDraft(
    Guid Id,
    Benchmark Benchmark,
    DateOnly Day,
    Score Score,
    MassEntry? Added,
    int Reserve,
    FormVerdict Form,
    Side? Side,
    string? SetUp,
    int? Pain,
    string? PainPlace,
    Guid? TestDayId = null,
    Guid? Instead = null
);

/// <summary>The one way in which a result comes into the store.</summary>
internal static class ResultWriter
{
    private const int NoSinglesUnder = 16;

    /// <summary>
    /// Stores a result, in place of one of the same id, and tells what it opened or closed; null: there is no such
    /// athlete.
    /// </summary>
    /// <exception cref="FieldException">It does not fit the athlete.</exception>
    public static ResultAnswer? Write(Db db, Guid athleteId, ResultDraft draft, Atlas atlas, ClubClock clock, Guid by)
    {
        if (SnapshotStore.Load(db, athleteId, clock.Today) is not { } found)
            return null;
        Check(found.Snapshot, draft);
        if (found.Snapshot.BodyMass.On(draft.Day) is not { } body)
            throw Problems.Field("day", Words.BodyweightMissingOn(draft.Day));
        var result = Problems.At("", () =>
            new BenchmarkResult(
                draft.Id,
                draft.Benchmark.Slug,
                draft.Day,
                draft.Score,
                draft.Added ?? new MassEntry(0, found.Profile.Unit),
                draft.Reserve,
                body.Value,
                draft.Form
            )
            {
                Side = draft.Side,
                SetUp = draft.SetUp,
            }.WithPain(draft.Pain, draft.PainPlace)
        );
        var coach = PlacementStore.Of(db, athleteId);
        var before = PlacementChanges.Places(atlas, found.Snapshot, coach, clock.Today);
        var stamp = clock.Stamp(by);
        if (
            draft.TestDayId is null
            && ResultStore.Of(db, athleteId).FirstOrDefault(r => r.Result.Id == draft.Id)?.Result is { } stored
        )
            return Same(stored, result)
                ? new(ResultDto.Of(stored, atlas.Catalogue), [])
                : throw new ConflictException(Words.TestTaken, ResultDto.Of(stored, atlas.Catalogue));
        var replaced = draft.Instead ?? (draft.TestDayId is null ? null : draft.Id);
        var was = ResultStore.Of(db, athleteId).FirstOrDefault(r => r.Result.Id == replaced)?.Result;
        if (was is not null && ResultStore.Remove(db, athleteId, was.Id))
            AuditStore.Add(
                db,
                new(AuditKind.ResultCorrected)
                {
                    Athlete = athleteId,
                    Subject = was.Id,
                    Before = ResultPrinter.Print(was),
                    After = ResultPrinter.Print(result),
                },
                stamp
            );
        ResultStore.Add(db, athleteId, result, stamp, draft.TestDayId);
        db.Reconsider(athleteId, corrected: was is not null);
        var after = PlacementChanges.Places(
            atlas,
            SnapshotStore.Load(db, athleteId, clock.Today)!.Value.Snapshot,
            coach,
            clock.Today
        );
        return new(
            ResultDto.Of(result, atlas.Catalogue),
            PlacementChanges.Between(before, after, found.Profile.Intake)
        );
    }

    /// <summary>The body mass of the day may have been corrected since.</summary>
    private static bool Same(BenchmarkResult stored, BenchmarkResult sent) =>
        stored with { BodyMass = sent.BodyMass } == sent;

    private static void Check(AthleteSnapshot athlete, ResultDraft draft)
    {
        if (athlete.BirthYear is { } birth && draft.Day.Year < birth)
            throw Problems.Field("day", Words.BeforeBirth(draft.Day, birth));
        if (
            draft.Benchmark.Measure == BenchmarkMeasure.LoadTimesReps
            && athlete.AgeIn(draft.Day) < NoSinglesUnder
            && draft.Score.Reps == 1
        )
            throw Problems.Field("reps", Words.MinorSingle);
    }
}

/// <summary>Compares where an athlete stands before and after something changed.</summary>
internal static class PlacementChanges
{
    public static IReadOnlyList<Placement> Places(
        Atlas atlas,
        AthleteSnapshot athlete,
        IReadOnlyList<CoachPlacement> coach,
        DateOnly today
    )
    {
        var climber = new Climber(
            Guid.Empty,
            "",
            athlete.Schools,
            TrainingResults.Book(athlete, atlas.Catalogue, today),
            coach
        );
        return [.. atlas.Ladders.Select(climber.On)];
    }

    /// <summary>What changed, the goals first.</summary>
    public static IReadOnlyList<LadderChange> Between(
        IReadOnlyList<Placement> before,
        IReadOnlyList<Placement> after,
        Intake intake
    ) =>
        [
            .. before
                .Zip(after, (b, a) => (a.Ladder, Change: PlacementChange.Between(b, a)))
                .Where(c => !c.Change.IsNone)
                .Select(c => (c.Ladder, c.Change, IsGoal: intake.Goals.Any(g => g.Ladder == c.Ladder.Slug)))
                .OrderBy(c => !c.IsGoal)
                .Select(c => new LadderChange(
                    c.Ladder.Slug,
                    c.Ladder.Name,
                    c.IsGoal,
                    c.Change.Won,
                    c.Change.Lost,
                    c.Change.Opened,
                    c.Change.Closed
                )),
        ];
}
