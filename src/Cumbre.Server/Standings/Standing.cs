using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;

namespace Cumbre.Server.Standings;

/// <summary>Where an athlete stands on a ladder.</summary>
/// <param name="Training">Position of the step in training; null: nothing may be trained yet.</param>
/// <param name="Started">Some step has a result.</param>
/// <param name="SetByCoach">Against the rule.</param>
public sealed record StandingPlace(int? Training, bool Started, bool SetByCoach);

/// <summary>A decision that was taken today.</summary>
public sealed record TakenToday(DateTimeOffset At, DecisionDto Decision);

/// <summary>What waits about an athlete, and what was decided today.</summary>
/// <param name="Decisions">Open ones, and those that were put off, without their details.</param>
/// <param name="Taken">Today.</param>
public sealed record StandingDecisions(IReadOnlyList<DecisionDto> Decisions, IReadOnlyList<TakenToday> Taken);

/// <summary>
/// All that the pages of the whole club show of one athlete on one day, worked out from the log when something is
/// written and kept beside it.
/// </summary>
/// <param name="Row">Of the roster.</param>
/// <param name="Tests">Due within the Desk's horizon.</param>
/// <param name="Pain">Told in the last week, or stopped.</param>
/// <param name="Held">Slugs of movements that a stop holds, were they loaded.</param>
/// <param name="Waits">From which day on a decision waits; null: none does.</param>
/// <param name="Places">By the ladder's slug.</param>
internal sealed record Standing(
    RosterRow Row,
    IReadOnlyList<Retest> Tests,
    IReadOnlyList<ToldPain> Pain,
    IReadOnlyList<string> Held,
    DateOnly? Waits,
    IReadOnlyDictionary<string, StandingPlace> Places
)
{
    /// <summary>Kept apart, as it is long.</summary>
    [JsonIgnore]
    public StandingDecisions? Waiting { get; init; }

    /// <summary>Grows when a rule or the shape of this record changes: what was kept before is made anew.</summary>
    public const int Rules = 2;

    /// <summary>The standing of an athlete as the log has it; null: there is no such athlete.</summary>
    public static Standing? Of(Db db, Guid athleteId, ClubClock clock) =>
        Work.Load(db, athleteId, clock.Today) is { } found ? Of(db, found.Profile, found.Athlete, clock) : null;

    /// <summary>The same, gathered and kept. Part of a write.</summary>
    public static void Derive(Db db, Guid athleteId, ClubClock clock)
    {
        SnapshotStore.Gather(db, athleteId, clock.Today);
        if (Of(db, athleteId, clock) is { } standing)
            StandingStore.Put(
                db,
                athleteId,
                clock.Today,
                Rules,
                JsonSerializer.Serialize(standing, WireJson.Options),
                JsonSerializer.Serialize(standing.Waiting, WireJson.Options)
            );
    }

    /// <summary>Everybody who trains, or who is put away; whose kept standing is old is read from the log.</summary>
    public static IReadOnlyList<Standing> All(Db db, ClubClock clock, bool archived = false) =>
        [
            .. StandingStore
                .All(db, clock.Today, Rules, archived)
                .Select(s => (s.Fresh ? Kept(db, s, clock.Today) : null) ?? Of(db, s.AthleteId, clock)!),
        ];

    /// <summary>Read from its text once for each time that it is kept.</summary>
    private static Standing? Kept(Db db, KeptStanding kept, DateOnly today)
    {
        var key = new ReadingKey(typeof(Standing), kept.AthleteId, kept.Put, today);
        if (db.Standings.Find<Standing>(key) is { } known)
            return known;
        if (StandingStore.Json(db, kept.AthleteId) is not var (json, waiting))
            return null;
        var standing = JsonSerializer.Deserialize<Standing>(json, WireJson.Options)! with
        {
            Waiting = JsonSerializer.Deserialize<StandingDecisions>(waiting, WireJson.Options),
        };
        if (db.Transaction is null)
            db.Standings.Keep(key, standing);
        return standing;
    }

    private static Standing Of(Db db, AthleteProfile profile, AthleteAtWork athlete, ClubClock clock)
    {
        var (id, today) = (profile.Id, clock.Today);
        var planned = Work.Planned(db, id, today);
        DecisionDto Dto(StoredDecision d) =>
            DecisionDto.Of(db, d, profile.Name, athlete, planned) with
            {
                Details = null,
            };
        DecisionDto[] waiting =
        [
            .. DecisionStore.Waiting(db, id).OrderBy(d => d.Kind).ThenBy(d => d.Proposal.NextDay).Select(Dto),
        ];
        // Decisions come and go at one state of the log; all else follows from it.
        var undecided = db.Once(id, today, () => Undecided(db, profile, athlete))!;
        return undecided with
        {
            Waits = waiting.Select(d => d.State == DecisionState.Proposed ? DateOnly.MinValue : d.DeferredUntil).Min(),
            Waiting = new(
                waiting,
                [
                    .. DecisionStore
                        .TakenSince(db, clock.StartOfToday, id)
                        .Where(d => !DecisionDto.IsOpen(d.Decision, today))
                        .Select(d => new TakenToday(d.At, Dto(d.Decision))),
                ]
            ),
        };
    }

    private static Standing Undecided(Db db, AthleteProfile profile, AthleteAtWork athlete)
    {
        var coach = PlacementStore.Of(db, profile.Id);
        return new(
            RosterRow.Of(profile, athlete, coach),
            Retest.Of(profile, athlete),
            [.. ToldPain.Of(profile.Id, profile.Name, athlete)],
            [
                .. athlete
                    .Atlas.Catalogue.Movements.Values.Where(m =>
                        athlete.Stops.Count > 0 && athlete.Holding(m, loaded: true) is { Stopped: true }
                    )
                    .Select(m => m.Slug)
                    .Order(StringComparer.Ordinal),
            ],
            null,
            athlete.Atlas.Ladders.ToDictionary(
                l => l.Slug,
                l => new StandingPlace(
                    athlete.Placements[l.Slug].Training,
                    l.Steps.SelectMany(s => s.Opens.Terms).Any(t => athlete.Book.Has(t.Benchmark)),
                    coach.Any(c => c.Ladder == l.Slug)
                ),
                StringComparer.Ordinal
            )
        );
    }
}
