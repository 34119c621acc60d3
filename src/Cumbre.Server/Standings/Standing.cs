using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Standings;

/// <summary>Where an athlete stands on a ladder.</summary>
/// <param name="Training">Position of the step in training; null: nothing may be trained yet.</param>
/// <param name="Started">Some step has a result.</param>
/// <param name="SetByCoach">Against the rule.</param>
public sealed record StandingPlace(int? Training, bool Started, bool SetByCoach);

/// <summary>A decision that was taken today.</summary>
public sealed record TakenToday(DateTimeOffset At, DecisionDto Decision);

/// <summary>What waits about an athlete, and what was decided today.</summary>
public sealed class StandingDecisions(IReadOnlyList<DecisionDto> decisions, IReadOnlyList<TakenToday> taken)
{
    /// <summary>Open ones, and those that were put off, without their details.</summary>
    public IReadOnlyList<DecisionDto> Decisions { get; } = decisions;

    /// <summary>Those of today.</summary>
    public IReadOnlyList<TakenToday> Taken { get; } = taken;

    /// <summary>The decisions with their text, which is written once and sent many times.</summary>
    [JsonIgnore]
    public IReadOnlyList<WireText<DecisionDto>> Texts { get; } =
    [.. decisions.Select(d => new WireText<DecisionDto>(d))];
}

/// <summary>What the items of a session of the day come to.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="Line">Of its only item; null: it has several, or none.</param>
/// <param name="Movement">Name of its only item's.</param>
/// <param name="Items">How many.</param>
/// <param name="Seconds">Of all items, by the lines alone: what a line leaves open counts as usual.</param>
/// <param name="Easy">Part of a deload.</param>
/// <param name="Held">Names of its movements that a stop holds.</param>
public sealed record StandingSession(
    Guid Id,
    string? Line,
    string? Movement,
    int Items,
    int Seconds,
    bool Easy,
    IReadOnlyList<string> Held
);

/// <summary>
/// All that the pages of the whole club show of one athlete on one day, worked out from the log when something is
/// written and kept beside it.
/// </summary>
/// <param name="Row">Of the roster.</param>
/// <param name="Tests">Due within the Desk's horizon.</param>
/// <param name="Pain">Told in the last week, or stopped.</param>
/// <param name="Sessions">Of the day.</param>
/// <param name="Waits">From which day on a decision waits; null: none does.</param>
/// <param name="Places">By the ladder's slug.</param>
internal sealed record Standing(
    RosterRow Row,
    IReadOnlyList<Retest> Tests,
    IReadOnlyList<ToldPain> Pain,
    IReadOnlyList<StandingSession> Sessions,
    DateOnly? Waits,
    IReadOnlyDictionary<string, StandingPlace> Places
)
{
    /// <summary>Kept apart, as it is long.</summary>
    [JsonIgnore]
    public StandingDecisions? Waiting { get; init; }

    /// <summary>Grows when a rule or the shape of this record changes: what was kept before is made anew.</summary>
    public const int Rules = 7;

    /// <summary>The standing of an athlete as the log has it; null: there is no such athlete.</summary>
    public static Standing? Of(Db db, Guid athleteId, ClubClock clock) =>
        Work.Load(db, athleteId, clock.Today) is { } found ? Of(db, found.Profile, found.Athlete, clock) : null;

    /// <summary>Works out ahead of <see cref="Derive"/> what no decision changes.</summary>
    public static void Prepare(Db db, Guid athleteId, ClubClock clock)
    {
        if (Work.Load(db, athleteId, clock.Today) is { } found)
            Undecided(db, found.Profile, found.Athlete);
    }

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

    /// <summary>Within reach, everybody who trains, or who is put away; whose kept standing is old is read from the log.</summary>
    public static IReadOnlyList<Standing> All(Db db, ClubClock clock, Reach reach, bool archived = false) =>
        [
            .. StandingStore
                .All(db, clock.Today, Rules, archived)
                .Where(s => reach.Holds(s.AthleteId))
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
        DecisionDto Dto(StoredDecision d) => DecisionDto.InShort(db, d, profile.Name, athlete, planned);
        DecisionDto[] waiting =
        [
            .. DecisionStore.Waiting(db, id).OrderBy(d => d.Kind).ThenBy(d => d.Proposal.NextDay).Select(Dto),
        ];
        return Undecided(db, profile, athlete) with
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

    /// <summary>All but the decisions, worked out once for each state of the log: they come and go at one state of it.</summary>
    private static Standing Undecided(Db db, AthleteProfile profile, AthleteAtWork athlete) =>
        db.Once(profile.Id, athlete.Today, () => Anew(db, profile, athlete))!;

    private static Standing Anew(Db db, AthleteProfile profile, AthleteAtWork athlete)
    {
        var coach = PlacementStore.Of(db, profile.Id);
        return new(
            RosterRow.Of(profile, athlete, coach),
            Retest.Of(profile, athlete),
            [.. ToldPain.Of(profile.Id, profile.Name, athlete)],
            [.. SessionStore.On(db, athlete.Today, profile.Id).Select(s => Session(s, athlete))],
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

    private static StandingSession Session(StoredSession session, AthleteAtWork athlete)
    {
        string NameOf(string movement) =>
            athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement)?.Name ?? movement;
        bool IsHeld(string movement) =>
            athlete.Stops.Count > 0
            && athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement) is { } known
            && athlete.Holding(known, loaded: true) is { Stopped: true };
        var only = session.Items is [var single] ? single : null;
        return new(
            session.Id,
            only?.Line,
            only is null ? null : NameOf(only.Movement),
            session.Items.Count,
            SessionTime
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
                .Sum(g => g.Seconds),
            session.Easy,
            [.. session.Items.Select(i => i.Movement).Distinct().Where(IsHeld).Select(NameOf)]
        );
    }
}
