using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Standings;
using Cumbre.Storage;
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
}
