using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Hosting;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <summary>All that waits for one athlete: one row of the Desk.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Decisions">The most cautious first.</param>
public sealed record DeskRow(Guid AthleteId, string AthleteName, IReadOnlyList<DecisionDto> Decisions);

/// <summary>A session of today.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Line">Of its only item; null: it has several, or none.</param>
/// <param name="Movement">Of its only item.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="Items">How many.</param>
/// <param name="DurationSeconds">Of all of it.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="DecisionWaits">One waits for this athlete.</param>
/// <param name="Held">Names of its movements that a stop holds.</param>
public sealed record DeskSession(
    Guid Id,
    Guid AthleteId,
    string AthleteName,
    string? Line,
    string? Movement,
    string Title,
    int Items,
    int DurationSeconds,
    SessionStatus Status,
    bool Easy,
    bool DecisionWaits,
    IReadOnlyList<string> Held
);

/// <summary>A test that guards a goal and is six weeks old, or will be within two.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Benchmark">Slug.</param>
/// <param name="Name">As it is called.</param>
/// <param name="LastDay">Of the newest result.</param>
/// <param name="DueDay">The last day on which it is fresh.</param>
/// <param name="Overdue">That day is over.</param>
/// <param name="Goals">Names of the ladders that it matters to.</param>
public sealed record Retest(
    Guid AthleteId,
    string AthleteName,
    string Benchmark,
    string Name,
    DateOnly LastDay,
    DateOnly DueDay,
    bool Overdue,
    IReadOnlyList<string> Goals
);

/// <summary>Pain that was told in the last week: in a set, a test, a check-in, or the morning after.</summary>
public sealed record ToldPain(
    Guid AthleteId,
    string AthleteName,
    Guid? SessionId,
    DateOnly Day,
    PainOrigin Origin,
    string? Movement,
    int Pain,
    string Place,
    StopSign? Sign,
    bool Stopped
);

/// <summary>The coach's day.</summary>
public sealed record DeskDto(
    DateOnly Today,
    IReadOnlyList<DeskRow> Rows,
    IReadOnlyList<DecisionDto> Taken,
    IReadOnlyList<DeskSession> Sessions,
    IReadOnlyList<Retest> Retests,
    IReadOnlyList<ToldPain> Pain
);

internal static class Desk
{
    private const int RetestHorizonDays = 14,
        PainDays = 7;

    public static Ok<DeskDto> Handle(Database database, ClubClock clock)
    {
        var today = clock.Today;
        return TypedResults.Ok(
            database.Read(db =>
            {
                // Who is put away is not on the Desk, whatever still waits for them.
                var standings = Standing.All(db, clock).ToDictionary(s => s.Row.Id);
                var open = standings
                    .Values.Select(s => new DeskRow(
                        s.Row.Id,
                        s.Row.Name,
                        [.. s.Waiting!.Decisions.Where(d => DecisionDto.IsOpen(d.State, d.DeferredUntil, today))]
                    ))
                    .Where(r => r.Decisions.Count > 0)
                    .OrderBy(r => r.Decisions[0].Kind)
                    .ThenBy(r => r.Decisions[0].NextDay)
                    .ThenBy(r => r.AthleteName, StringComparer.Ordinal)
                    .ToArray();
                var waits = open.Select(r => r.AthleteId).ToHashSet();
                var catalogue = CatalogueStore.Club(db).Catalogue;
                return new DeskDto(
                    today,
                    open,
                    [
                        .. standings
                            .Values.SelectMany(s => s.Waiting!.Taken)
                            .OrderByDescending(t => t.At)
                            .Select(t => t.Decision),
                    ],
                    [
                        .. SessionStore
                            .On(db, today)
                            .Where(s => standings.ContainsKey(s.AthleteId))
                            .Select(s => Session(s, standings[s.AthleteId], catalogue, waits.Contains(s.AthleteId)))
                            .OrderBy(s => s.AthleteName, StringComparer.Ordinal),
                    ],
                    [
                        .. standings
                            .Values.SelectMany(s => s.Tests)
                            .OrderBy(r => r.DueDay)
                            .ThenBy(r => r.AthleteName, StringComparer.Ordinal),
                    ],
                    [
                        .. standings
                            .Values.SelectMany(s => s.Pain)
                            .OrderByDescending(p => p.Stopped)
                            .ThenByDescending(p => p.Pain),
                    ]
                );
            })
        );
    }

    /// <summary>Tests of an athlete that are due within the horizon.</summary>
    internal static IReadOnlyList<Retest> Retests(AthleteProfile profile, AthleteAtWork athlete) =>
        [
            .. Standards
                .DueTests(athlete, RetestHorizonDays)
                .Select(t => new Retest(
                    profile.Id,
                    profile.Name,
                    t.Benchmark,
                    t.Name,
                    t.LastDay,
                    t.DueDay,
                    t.Overdue,
                    t.Ladders
                )),
        ];

    private static DeskSession Session(StoredSession s, Standing standing, Catalogue catalogue, bool waits)
    {
        string NameOf(string movement) => catalogue.Movements.GetValueOrDefault(movement)?.Name ?? movement;
        return new(
            s.Id,
            s.AthleteId,
            standing.Row.Name,
            s.Items is [var only] ? only.Line : null,
            s.Items is [var one] ? NameOf(one.Movement) : null,
            s.Title,
            s.Items.Count,
            SecondsOf(s),
            s.Status,
            s.Easy,
            waits,
            [.. s.Items.Select(i => i.Movement).Distinct().Where(standing.Held.Contains).Select(NameOf)]
        );
    }

    /// <summary>By the lines alone: what a line leaves open is reckoned at its usual figure here.</summary>
    private static int SecondsOf(StoredSession session) =>
        session.WarmUp.Seconds
        + session.CoolDown.Seconds
        + SessionTime
            .Groups([
                .. session.Items.Select(i => new ItemReading(
                    new(i.Id, i.Movement, i.Written, i.Joined),
                    null,
                    i.Plan,
                    null,
                    null,
                    null
                )),
            ])
            .Sum(g => g.Seconds);

    /// <summary>The worst of each place in the last week, and every stop that holds.</summary>
    internal static IEnumerable<ToldPain> Pain(Guid id, string name, AthleteAtWork athlete)
    {
        var recent = athlete.PainReports.Where(r =>
            r.Day >= athlete.Today.AddDays(-PainDays) && r.Day <= athlete.Today
        );
        return recent
            .Concat(athlete.Stops.Select(s => s.Because))
            .GroupBy(r => r.Place.Said)
            .Select(g => g.MaxBy(r => (r.Level, r.Day))!)
            .Select(r => new ToldPain(
                id,
                name,
                r.Origin is PainOrigin.Set or PainOrigin.Morning ? r.Source : null,
                r.Day,
                r.Origin,
                r.Movement is { } m ? DoseDto.NameOf(m, athlete) : null,
                r.Level,
                r.Place.Said,
                r.Sign,
                athlete.Stops.Any(s => s.Place.IsSameAs(r.Place))
            ));
    }
}
