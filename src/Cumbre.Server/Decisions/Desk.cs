using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <summary>A session of today.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Line">Of its only item; null: it has several, or none.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="Items">How many.</param>
/// <param name="DurationSeconds">Of all of it.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="DecisionWaits">One waits for this athlete.</param>
public sealed record DeskSession(Guid Id, Guid AthleteId, string AthleteName, string? Line, string Title, int Items, int DurationSeconds, SessionStatus Status, bool Easy, bool DecisionWaits);

/// <summary>A test that is six weeks old, or will be within two.</summary>
public sealed record Retest(Guid AthleteId, string AthleteName, string Benchmark, string Name, DateOnly LastDay, DateOnly DueDay, bool Overdue);

/// <summary>Pain that was reported in a last session.</summary>
public sealed record PainReport(Guid AthleteId, string AthleteName, Guid SessionId, DateOnly Day, int Pain, string? Place);

/// <summary>The coach's day.</summary>
public sealed record DeskDto(
    DateOnly Today, IReadOnlyList<DecisionDto> Decisions, IReadOnlyList<DecisionDto> Taken, IReadOnlyList<DeskSession> Sessions, IReadOnlyList<Retest> Retests, IReadOnlyList<PainReport> Pain);

internal static class Desk
{
    private const int RetestHorizonDays = 14, PainDays = 7;

    public static Ok<DeskDto> Handle(Database database, ClubClock clock)
    {
        var today = clock.Today;
        return TypedResults.Ok(database.Read(db =>
        {
            var athletes = SnapshotStore.LoadAll(db, today);
            var names = athletes.ToDictionary(a => a.Profile.Id, a => a.Profile.Name);
            var catalogue = CatalogueStore.Club(db).Catalogue;
            // Who is put away is not on the Desk, whatever still waits for them.
            var open = DecisionStore.Open(db, today).Where(d => names.ContainsKey(d.AthleteId)).ToArray();
            return new DeskDto(
                today,
                [.. open.OrderBy(d => d.Kind).ThenBy(d => d.Proposal.NextDay).ThenBy(d => names[d.AthleteId]).Select(d => DecisionDto.Of(d, names[d.AthleteId]))],
                [.. DecisionStore.TakenSince(db, clock.StartOfToday).Where(d => names.ContainsKey(d.AthleteId) && !DecisionDto.IsOpen(d, today)).Select(d => DecisionDto.Of(d, names[d.AthleteId]))],
                [.. SessionStore.On(db, today).Where(s => names.ContainsKey(s.AthleteId)).OrderBy(s => names[s.AthleteId]).Select(s => new DeskSession(
                    s.Id, s.AthleteId, names[s.AthleteId], s.Items is [var only] ? only.Line : null, s.Title, s.Items.Count, SecondsOf(s), s.Status, s.Easy, open.Any(d => d.AthleteId == s.AthleteId)))],
                [.. athletes.SelectMany(a => Retests(a.Profile, a.Snapshot, catalogue, today)).OrderBy(r => r.DueDay).ThenBy(r => r.AthleteName)],
                [.. athletes.SelectMany(a => Pain(a.Profile, a.Snapshot, today)).OrderByDescending(p => p.Pain)]);
        }));
    }

    /// <summary>By the lines alone: what a line leaves open is reckoned at its usual figure here.</summary>
    private static int SecondsOf(StoredSession session) =>
        session.WarmUp.Seconds + session.CoolDown.Seconds
        + SessionTime.Groups([.. session.Items.Select(i => new ItemReading(new(i.Id, i.Movement, i.Written, i.Joined), null, i.Plan, null, null, null))]).Sum(g => g.Seconds);

    private static IEnumerable<Retest> Retests(AthleteProfile profile, AthleteSnapshot snapshot, Catalogue catalogue, DateOnly today)
    {
        // A training set done to the heavy test's protocol counts as a result, so the strength series tells its age.
        var heavy = CurrentStrength.Latest(snapshot, Athletes.Lift.HeavyTest, today) is { } max
            ? [Due(profile, Athletes.Lift.HeavyTest, max.Value.MeasuredOn, today)]
            : Array.Empty<Retest>();
        var others = snapshot.Results
            .Where(r => r.Benchmark != Athletes.Lift.HeavyTest.Slug)
            .GroupBy(r => r.Benchmark)
            .Where(g => catalogue.Benchmarks.ContainsKey(g.Key))
            .Select(g => Due(profile, catalogue.Benchmarks[g.Key], g.Max(r => r.Day), today))
            // An old base test matters only before its gate has opened; while it is about to grow old it is worth a reminder.
            .Where(r => !r.Overdue);
        return heavy.Concat(others).Where(r => r.DueDay <= today.AddDays(RetestHorizonDays));
    }

    private static Retest Due(AthleteProfile profile, Benchmark benchmark, DateOnly day, DateOnly today) => new(
        profile.Id, profile.Name, benchmark.Slug, benchmark.Name, day, day.AddDays(Staleness.Days), Staleness.IsStale(day, today));

    private static IEnumerable<PainReport> Pain(AthleteProfile profile, AthleteSnapshot snapshot, DateOnly today) =>
        snapshot.Exposures.TakeLast(1)
            .Where(e => e.WorstPain is not null && e.Day >= today.AddDays(-PainDays))
            .Select(e => new PainReport(profile.Id, profile.Name, e.SessionId, e.Day, e.WorstPain!.Pain!.Value, e.WorstPain.PainPlace));
}
