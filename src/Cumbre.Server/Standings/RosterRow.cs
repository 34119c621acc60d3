using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Reading;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Standings;

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
/// <param name="OneRepMaxKg">Newest e1RM of the system, of whichever movement was measured last; null without a usable
/// test.</param>
/// <param name="OneRepMaxOf">Name of that movement.</param>
/// <param name="OneRepMaxStale">Older than six weeks.</param>
/// <param name="LastSession">Day of the last logged session.</param>
/// <param name="NextSession">Day of the next planned one.</param>
/// <param name="LastTest">Day of the last recorded test.</param>
/// <param name="Waiting">A decision waits for the coach.</param>
/// <param name="Stopped">A stop holds.</param>
/// <param name="OpenClearances">Questions that apply and are not cleared.</param>
/// <param name="ConsentMissing">A minor without a guardian's consent.</param>
/// <param name="Pain">The worst that hurts: told at the intake, or in the last week; null: none.</param>
/// <param name="IntakeFinished">Gone through to the end, or nothing is left to ask.</param>
/// <param name="TestCount">Results recorded.</param>
/// <param name="Goals">In order of weight.</param>
public sealed record RosterRow(
    Guid Id,
    string Name,
    bool Archived,
    decimal? BodyMassKg,
    decimal? OneRepMaxKg,
    string? OneRepMaxOf,
    bool OneRepMaxStale,
    DateOnly? LastSession,
    DateOnly? NextSession,
    DateOnly? LastTest,
    bool Waiting,
    bool Stopped,
    IReadOnlyList<string> OpenClearances,
    bool ConsentMissing,
    Complaint? Pain,
    bool IntakeFinished,
    int TestCount,
    IReadOnlyList<RosterGoal> Goals
)
{
    internal static RosterRow Of(AthleteProfile profile, AthleteAtWork athlete, IEnumerable<CoachPlacement> coach)
    {
        var (snapshot, atlas, today) = (athlete.Athlete, athlete.Atlas, athlete.Today);
        var strongest = atlas
            .Catalogue.Benchmarks.Values.Where(b => b.Measure == BenchmarkMeasure.LoadTimesReps)
            .Select(b => (Benchmark: b, Max: CurrentStrength.Latest(snapshot, b, today)))
            .Where(x => x.Max is not null)
            .OrderByDescending(x => x.Max!.Value.MeasuredOn)
            .FirstOrDefault();
        var climber = new Climber(profile.Id, profile.Name, snapshot.Schools, athlete.Book, [.. coach]);
        return new(
            profile.Id,
            profile.Name,
            profile.ArchivedAt is not null,
            athlete.BodyMass?.Value.Kilograms,
            strongest.Max?.Value.Value.Kilograms,
            strongest.Max is null ? null : atlas.Catalogue.Movements[strongest.Benchmark.Movement].Name,
            strongest.Max is not null && Staleness.IsStale(strongest.Max.Value.MeasuredOn, today),
            snapshot.Exposures is [.., var last] ? last.Day : null,
            null,
            snapshot.Results.Count > 0 ? snapshot.Results.Max(r => r.Day) : null,
            false,
            athlete.Stops.Count > 0,
            [.. profile.OpenClearances(today).Select(q => q.Question)],
            Clearance.ConsentMissing(profile.AgeIn(today), profile.Intake),
            Worst(profile, athlete),
            profile.Intake.Finished || profile.Intake.IsWhole(profile.BirthYear),
            snapshot.Results.Count,
            [
                .. profile
                    .Intake.Goals.Where(g => atlas.BySlug.ContainsKey(g.Ladder))
                    .Select(g => Goal(g, atlas.BySlug[g.Ladder], climber, atlas, snapshot, today)),
            ]
        );
    }

    private static Complaint? Worst(AthleteProfile profile, AthleteAtWork athlete) =>
        profile
            .Intake.Complaints.Where(c => c.Level >= PainRules.EaseFrom)
            .Concat(
                athlete
                    .PainReports.Where(r =>
                        r.Level >= PainRules.EaseFrom
                        && r.Day >= athlete.Today.AddDays(-ToldPain.Days)
                        && r.Day <= athlete.Today
                    )
                    .Select(r => new Complaint(r.Place.Said, r.Level, null))
            )
            .Concat(athlete.Stops.Select(s => new Complaint(s.Place.Said, s.Because.Level, null)))
            .MaxBy(c => c.Level);

    private static RosterGoal Goal(
        Goal goal,
        Ladder ladder,
        Climber climber,
        Atlas atlas,
        AthleteSnapshot snapshot,
        DateOnly today
    )
    {
        var report = PlacementReport.Of(
            ladder,
            atlas,
            climber.Schools,
            climber.Book,
            snapshot.BuildOn(today),
            climber.Coach.FirstOrDefault(c => c.Ladder == ladder.Slug)
        );
        var tests = ladder.Steps.SelectMany(s => s.Opens.Terms.Concat(s.Won.Terms)).Select(t => t.Benchmark).Distinct();
        var stale = tests
            .Select(climber.Book.Of)
            .Count(results => results is [.., var newest] && Staleness.IsStale(newest.Day, today));
        return new(goal.Kind, SmallRidge.Of(report, atlas.Catalogue), stale);
    }
}
