using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Review;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Sessions;

/// <summary>A set as it stands after corrections.</summary>
public sealed record SetDto(
    Guid Id,
    int Set,
    int Part,
    int Reps,
    int? Seconds,
    MassDto Added,
    int? Reserve,
    FormVerdict Form,
    int? Pain,
    string? PainPlace,
    int? Total,
    Contact? Contact,
    bool Sagged,
    int? RestedSeconds,
    StopSign? Sign,
    IReadOnlyDictionary<string, string> SetUp,
    FailPoint? FailedAt,
    string? Fault,
    string? Note,
    SetDto? Was,
    DateTimeOffset? DoneAt = null
)
{
    /// <param name="s">As it stands.</param>
    /// <param name="was">What it was before it was corrected; null: it never was.</param>
    public static SetDto Of(StoredSet s, StoredSet? was = null) =>
        new(
            s.Id,
            s.Set.Set,
            s.Set.Part,
            s.Set.Reps,
            s.Set.Seconds,
            MassDto.Of(s.Set.Added),
            s.Set.Reserve,
            s.Set.Form,
            s.Set.Pain,
            s.Set.PainPlace,
            s.Set.Total,
            s.Set.Contact,
            s.Set.Sagged,
            s.Set.RestedSeconds,
            s.Set.Sign,
            s.Set.SetUp.Parts,
            s.Set.FailedAt,
            s.Set.Fault,
            s.Set.Note,
            was is null ? null : Of(was),
            s.DoneAt
        );
}

/// <summary>An item of a session with its plan and what was logged.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Line">The whiteboard line.</param>
/// <param name="Joined">Done in turn with the item before it.</param>
/// <param name="Plan">Resolved; frozen once the first set of the session is logged.</param>
/// <param name="Problem">Why there is none.</param>
/// <param name="Readable">False: the line has an error, and nothing can be logged.</param>
/// <param name="Movement">Form standard and faults.</param>
/// <param name="Sets">Logged.</param>
/// <param name="SetUp">The parts of its set-up that are written down.</param>
/// <param name="LastSetUp">As earlier in this session, as the line says, or as last time.</param>
/// <param name="Skipped">Why it was left out; null: it was not.</param>
/// <param name="LineBeforeEasy">The line before the easy version of the day; null: it is as planned.</param>
/// <param name="Ended">Why its rest was left out; null: it was not.</param>
/// <param name="InsteadOf">The item whose rest it took over; null: it is of the plan.</param>
public sealed record SessionItemDto(
    Guid Id,
    string Line,
    bool Joined,
    ResolvedDto? Plan,
    ResolutionProblem? Problem,
    bool Readable,
    MovementDto Movement,
    IReadOnlyList<SetDto> Sets,
    IReadOnlyList<SetUpField> SetUp,
    IReadOnlyDictionary<string, string> LastSetUp,
    string? Skipped,
    string? LineBeforeEasy,
    string? Ended = null,
    Guid? InsteadOf = null
);

/// <summary>A session with its items.</summary>
/// <param name="Id">Session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Unit">In which the athlete thinks: paper speaks it, whoever prints.</param>
/// <param name="Day">Training day.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="BlockId">Null: it stands alone.</param>
/// <param name="Status">Planned, started or done.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="OverrideReason">Why it was planned against a caution.</param>
/// <param name="Version">For the next write.</param>
/// <param name="WarmUp">As planned.</param>
/// <param name="CoolDown">As planned.</param>
/// <param name="DurationSeconds">All of it.</param>
/// <param name="Items">In order.</param>
/// <param name="Decisions">What it led to, while that waits.</param>
/// <param name="CheckIn">What was said before it; null: nothing.</param>
/// <param name="EasyOffered">A short night and a sore body: the easy version is offered.</param>
/// <param name="Morning">What was said on the morning after; null: nothing.</param>
/// <param name="AsksMorning">The morning after has come, and nobody has asked yet.</param>
/// <param name="Effort">Of the whole session, 1 to 10.</param>
public sealed record SessionDto(
    Guid Id,
    Guid AthleteId,
    string AthleteName,
    MassUnit Unit,
    DateOnly Day,
    string Title,
    Guid? BlockId,
    SessionStatus Status,
    bool Easy,
    string? OverrideReason,
    long Version,
    Frame WarmUp,
    Frame CoolDown,
    int DurationSeconds,
    IReadOnlyList<SessionItemDto> Items,
    IReadOnlyList<DecisionDto> Decisions,
    CheckInDto? CheckIn,
    bool EasyOffered,
    MorningRequest? Morning,
    bool AsksMorning,
    decimal? Effort
);

/// <summary>A logged session in the history.</summary>
public sealed record PastSessionDto(
    Guid Id,
    DateOnly Day,
    string Movement,
    string Line,
    bool Easy,
    decimal TopKg,
    IReadOnlyList<SetEvidence> Sets,
    bool Clean,
    int? WorstPain,
    bool Eased,
    string SetUp,
    IReadOnlyList<string> Faults,
    IReadOnlyList<int?> Reserves,
    decimal? OneRepMaxKg
)
{
    public static PastSessionDto Of(Exposure e)
    {
        var judged = ExposureJudgement.Of(e);
        return new(
            e.SessionId,
            e.Day,
            e.Movement,
            NotationPrinter.Print(e.Plan),
            e.Easy,
            e.TopLoad.Mass.Kilograms,
            judged.Evidence.Sets,
            judged.Reached,
            e.WorstPain?.Pain,
            e.Eased,
            e.SetUp.ToString(),
            [.. e.Sets.Select(s => s.Fault).OfType<string>().Distinct()],
            [.. e.Sets.Select(s => s.Reserve)],
            e.IsLoaded ? e.Sets.Max(s => MovementTrend.OneRepMaxOf(e, s)?.Value.Kilograms) : null
        );
    }
}

internal static class SessionReader
{
    /// <summary>The morning after is asked about for so many days.</summary>
    private const int MorningDays = 3;

    public static SessionDto? Find(Db db, Guid athleteId, Guid sessionId, DateOnly today) =>
        SessionStore.Find(db, sessionId) is { } session
        && session.AthleteId == athleteId
        && SnapshotStore.Load(db, athleteId, today) is { } found
            ? Read(db, session, found.Profile, found.Snapshot, today)
            : null;

    public static SessionDto Read(
        Db db,
        StoredSession session,
        AthleteProfile profile,
        AthleteSnapshot snapshot,
        DateOnly today
    )
    {
        // What was known on its day reads what has not begun; of what has, the plan was kept as it was shown then.
        var kept = session.Items.All(i => i.Plan is null || i.Frozen?.ShownJson is not null);
        var athlete = Work.On(db, profile, snapshot, session.Day < today && !kept ? session.Day : today);
        var sets = SessionStore.Sets(db, session.Id);
        var dose = DoseReader.Of(Blocks.SessionOf(session), athlete);
        var movements = session.Items.Select(i => i.Movement).ToHashSet();
        var open = DecisionStore
            .Waiting(db, profile.Id)
            .Where(d =>
                DecisionDto.IsOpen(d, today) && (d.BasisSessionId == session.Id || movements.Contains(d.Movement))
            )
            .OrderBy(d => d.Kind)
            .ToArray();
        var now = open.Length == 0 ? athlete : Work.On(db, profile, snapshot, today);
        var planned = open.Length == 0 ? [] : Work.Planned(db, profile.Id, today);
        var checkIn = snapshot.CheckIns.LastOrDefault(c => c.Day == session.Day);
        var morning = snapshot.Mornings.LastOrDefault(m => m.SessionId == session.Id);
        var was = SessionStore.Superseded(db, session.Id);
        return new(
            session.Id,
            session.AthleteId,
            profile.Name,
            profile.Unit,
            session.Day,
            session.Title,
            session.BlockId,
            session.Status,
            session.Easy,
            session.OverrideReason,
            session.Version,
            session.WarmUp,
            session.CoolDown,
            dose.Seconds,
            [
                .. session.Items.Select(i =>
                    Item(
                        i,
                        session.Day,
                        athlete,
                        today,
                        session.OverrideReason,
                        [.. sets[i.Id].Select(x => SetDto.Of(x, was.GetValueOrDefault(x.Id)))],
                        sets[i.Id].Aggregate(SetUpNotes.None, (known, x) => x.Set.SetUp.Over(known))
                    )
                ),
            ],
            [.. open.Select(d => DecisionDto.Of(db, d, profile.Name, now, planned))],
            checkIn is null ? null : CheckInDto.Of(checkIn),
            checkIn is { TookEasy: null } && session.Status == SessionStatus.Planned && Readiness.OffersEasy(checkIn),
            morning is null ? null : new(morning.Level, morning.Place?.Said, morning.Sign),
            AsksMorning(session, snapshot, today),
            session.Effort
        );
    }

    /// <summary>The morning after has come, and nobody has asked yet.</summary>
    public static bool AsksMorning(StoredSession session, AthleteSnapshot snapshot, DateOnly today) =>
        session.Status != SessionStatus.Planned
        && session.Day < today
        && session.Day >= today.AddDays(-MorningDays)
        && snapshot.Mornings.All(m => m.SessionId != session.Id);

    private static SessionItemDto Item(
        StoredItem item,
        DateOnly day,
        AthleteAtWork athlete,
        DateOnly today,
        string? reason,
        IReadOnlyList<SetDto> sets,
        SetUpNotes told
    )
    {
        // What was said last of each part, in this session or in an earlier one, is the best guess for the next set.
        var last = athlete
            .Athlete.Exposures.Where(e => e.Movement == item.Movement && e.Day <= day)
            .Aggregate(SetUpNotes.None, (known, e) => e.SetUp.Over(known));
        // Once started, the athlete keeps the plan as it was shown, whatever changes around it.
        var shown = item.Frozen?.ShownJson is { } json ? ResolvedDto.Kept.Read(json) : null;
        var reading =
            shown is null && item.Plan is { } plan
                ? PlanReader.Read(athlete, item.Movement, plan, today, reason)
                : null;
        var movement = athlete.Atlas.Catalogue.Movements.GetValueOrDefault(item.Movement);
        return new(
            item.Id,
            item.Line,
            item.Joined,
            shown ?? reading?.Dto,
            reading?.Problem,
            item.Plan is not null,
            movement is null
                ? new(item.Movement, item.Movement, "", "", [], false, false)
                : MovementDto.Of(movement, item.Plan, athlete),
            sets,
            [.. (movement?.SetUp ?? []).Select(SetUpField.Of)],
            told.Over(SetUpNotes.Planned(item.Plan?.SetUp, movement?.SetUp ?? [])).Over(last).Parts,
            item.Skipped,
            item.BeforeEasy?.Text,
            item.Ended,
            item.InsteadOf
        );
    }
}
