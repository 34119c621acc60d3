using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Server.Ladders;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>A goal of an athlete as a small ridge.</summary>
/// <param name="Kind">Advanced or maintained.</param>
/// <param name="Ridge">Where they stand.</param>
/// <param name="StaleTests">Results of this ladder that are too old to open anything new.</param>
public sealed record RosterGoal(GoalKind Kind, SmallRidge Ridge, int StaleTests);

/// <summary>A line of the roster.</summary>
/// <param name="Id">Athlete.</param>
/// <param name="Name">Athlete.</param>
/// <param name="Archived">Put away.</param>
/// <param name="BodyMassKg">Of today; null without a reading.</param>
/// <param name="OneRepMaxKg">Newest e1RM of the system; null without a usable test.</param>
/// <param name="OneRepMaxStale">Older than six weeks.</param>
/// <param name="GateOpen">Under the athlete's school.</param>
/// <param name="LastSession">Day of the last logged session.</param>
/// <param name="NextSession">Day of the next planned one.</param>
/// <param name="LastTest">Day of the last recorded test.</param>
/// <param name="Waiting">A decision waits for the coach.</param>
/// <param name="Stopped">The pattern is stopped.</param>
/// <param name="OpenClearances">Questions that apply and are not cleared.</param>
/// <param name="ConsentMissing">A minor without a guardian's consent.</param>
/// <param name="Pain">The worst complaint that hurts now; null: none.</param>
/// <param name="IntakeFinished">Gone through to the end.</param>
/// <param name="TestCount">Results recorded.</param>
/// <param name="Goals">In order of weight.</param>
public sealed record RosterRow(
    Guid Id, string Name, bool Archived, decimal? BodyMassKg, decimal? OneRepMaxKg, bool OneRepMaxStale, bool GateOpen, DateOnly? LastSession, DateOnly? NextSession, DateOnly? LastTest,
    bool Waiting, bool Stopped, IReadOnlyList<string> OpenClearances, bool ConsentMissing, Complaint? Pain, bool IntakeFinished, int TestCount, IReadOnlyList<RosterGoal> Goals);

internal static class Roster
{
    /// <summary>From here pain is more than to be expected (pain-monitoring model).</summary>
    private const int PainFrom = 3;

    public static Ok<IReadOnlyList<RosterRow>> Handle(Database database, ClubClock clock, bool archived = false)
    {
        var today = clock.Today;
        return TypedResults.Ok(database.Read(db =>
        {
            var waiting = DecisionStore.Open(db, today).Select(d => d.AthleteId).ToHashSet();
            var stopped = DecisionStore.Stopped(db).ToHashSet();
            var next = SessionStore.NextDays(db, today);
            var atlas = CatalogueStore.Club(db).Atlas;
            var coach = PlacementStore.All(db);
            return (IReadOnlyList<RosterRow>)[.. SnapshotStore.LoadAll(db, today, archived).Select(a => Row(atlas, a.Profile, a.Snapshot, coach[a.Profile.Id], today) with
            {
                Waiting = waiting.Contains(a.Profile.Id),
                Stopped = stopped.Contains(a.Profile.Id),
                NextSession = next.TryGetValue(a.Profile.Id, out var day) ? day : null,
            })];
        }));
    }

    private static RosterRow Row(Atlas atlas, AthleteProfile profile, AthleteSnapshot snapshot, IEnumerable<CoachPlacement> coach, DateOnly today)
    {
        var max = CurrentStrength.Latest(snapshot, Lift.HeavyTest, today);
        var book = TrainingResults.Book(snapshot, atlas.Catalogue, today);
        var climber = new Climber(profile.Id, profile.Name, snapshot.Schools, book, [.. coach]);
        return new(
            profile.Id, profile.Name, profile.ArchivedAt is not null, snapshot.BodyMass.On(today)?.Value.Kilograms, max?.Value.Value.Kilograms,
            max is not null && Staleness.IsStale(max.Value.MeasuredOn, today), LoadGate.IsOpen(atlas, snapshot.Schools, book), snapshot.Exposures is [.., var last] ? last.Day : null, null,
            snapshot.Results.Count > 0 ? snapshot.Results.Max(r => r.Day) : null, false, false, [.. profile.OpenClearances(today).Select(q => q.Question)],
            Clearance.ConsentMissing(profile.AgeIn(today), profile.Intake), profile.Intake.Complaints.Where(c => c.Level >= PainFrom).MaxBy(c => c.Level), profile.Intake.Finished,
            snapshot.Results.Count,
            [.. profile.Intake.Goals.Where(g => atlas.BySlug.ContainsKey(g.Ladder)).Select(g => Goal(g, atlas.BySlug[g.Ladder], climber, atlas, snapshot, today))]);
    }

    private static RosterGoal Goal(Goal goal, Ladder ladder, Climber climber, Atlas atlas, AthleteSnapshot snapshot, DateOnly today)
    {
        var report = PlacementReport.Of(ladder, atlas, climber.Schools, climber.Book, snapshot.BuildOn(today), climber.Coach.FirstOrDefault(c => c.Ladder == ladder.Slug));
        var tests = ladder.Steps.SelectMany(s => s.Opens.Terms.Concat(s.Won.Terms)).Select(t => t.Benchmark).Distinct();
        var stale = tests.Select(climber.Book.Of).Count(results => results is [.., var newest] && Staleness.IsStale(newest.Day, today));
        return new(goal.Kind, AthleteLadders.Small(report, atlas.Catalogue), stale);
    }
}

/// <summary>The movement that sessions are planned with, and its test.</summary>
internal static class Lift
{
    public const string Movement = "weighted-pull-up";

    public static Benchmark HeavyTest => Catalogue.Shipped.Benchmarks["weighted-pull-up-heavy"];
}
