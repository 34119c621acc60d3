using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Storage;
using Cumbre.Storage.Decisions;
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
                var athletes = Work.LoadAll(db, today);
                var planned = new Dictionary<Guid, IReadOnlyList<PlannedItem>>();
                DecisionDto Dto(StoredDecision d)
                {
                    if (!planned.TryGetValue(d.AthleteId, out var items))
                        planned[d.AthleteId] = items = Work.Planned(db, d.AthleteId, today);
                    return DecisionDto.Of(
                        db,
                        d,
                        athletes[d.AthleteId].Profile.Name,
                        athletes[d.AthleteId].Athlete,
                        items
                    );
                }

                var open = DecisionStore
                    .Open(db, today)
                    .Where(d => athletes.ContainsKey(d.AthleteId))
                    .ToLookup(d => d.AthleteId);
                return new DeskDto(
                    today,
                    [
                        .. open.Select(g => new DeskRow(
                                g.Key,
                                athletes[g.Key].Profile.Name,
                                [.. g.OrderBy(d => d.Kind).ThenBy(d => d.Proposal.NextDay).Select(Dto)]
                            ))
                            .OrderBy(r => r.Decisions[0].Kind)
                            .ThenBy(r => r.Decisions[0].NextDay)
                            .ThenBy(r => r.AthleteName, StringComparer.Ordinal),
                    ],
                    [
                        .. DecisionStore
                            .TakenSince(db, clock.StartOfToday)
                            .Where(d => athletes.ContainsKey(d.AthleteId) && !DecisionDto.IsOpen(d, today))
                            .Select(Dto),
                    ],
                    [
                        .. SessionStore
                            .On(db, today)
                            .Where(s => athletes.ContainsKey(s.AthleteId))
                            .Select(s =>
                                Session(
                                    s,
                                    athletes[s.AthleteId].Profile.Name,
                                    athletes[s.AthleteId].Athlete,
                                    open.Contains(s.AthleteId)
                                )
                            )
                            .OrderBy(s => s.AthleteName, StringComparer.Ordinal),
                    ],
                    [
                        .. athletes
                            .Values.SelectMany(a =>
                                Standards
                                    .DueTests(a.Athlete, RetestHorizonDays)
                                    .Select(t => new Retest(
                                        a.Profile.Id,
                                        a.Profile.Name,
                                        t.Benchmark,
                                        t.Name,
                                        t.LastDay,
                                        t.DueDay,
                                        t.Overdue,
                                        t.Ladders
                                    ))
                            )
                            .OrderBy(r => r.DueDay)
                            .ThenBy(r => r.AthleteName, StringComparer.Ordinal),
                    ],
                    [
                        .. athletes
                            .Values.SelectMany(a => Pain(a.Profile.Id, a.Profile.Name, a.Athlete))
                            .OrderByDescending(p => p.Stopped)
                            .ThenByDescending(p => p.Pain),
                    ]
                );
            })
        );
    }

    private static DeskSession Session(StoredSession s, string name, AthleteAtWork athlete, bool waits)
    {
        var held = s
            .Items.Select(i => athlete.Atlas.Catalogue.Movements.GetValueOrDefault(i.Movement))
            .OfType<Movement>()
            .Distinct()
            .Where(m => athlete.Holding(m, loaded: true) is { Stopped: true });
        return new(
            s.Id,
            s.AthleteId,
            name,
            s.Items is [var only] ? only.Line : null,
            s.Items is [var one] ? DoseDto.NameOf(one.Movement, athlete) : null,
            s.Title,
            s.Items.Count,
            SecondsOf(s),
            s.Status,
            s.Easy,
            waits,
            [.. held.Select(m => m.Name)]
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
    private static IEnumerable<ToldPain> Pain(Guid id, string name, AthleteAtWork athlete)
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
