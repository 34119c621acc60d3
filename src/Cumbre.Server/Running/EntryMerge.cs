using System.Text.Json;
using Cumbre.Core.Sessions;
using Cumbre.Server.Hosting;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Running;

/// <summary>
/// Takes what devices report into the log. Nothing that arrives is lost and nothing counts twice, in whatever order and
/// however often it comes; what two devices tell differently waits for somebody to choose.
/// </summary>
/// <param name="athleteId">Whose sessions.</param>
/// <param name="packs">As they were shown, by session.</param>
/// <param name="clock">The club's.</param>
/// <param name="stamp">Of the request.</param>
/// <param name="clockOff">How far the device's clock is behind.</param>
internal sealed class EntryMerge(
    Guid athleteId,
    IReadOnlyDictionary<Guid, SealedPack> packs,
    ClubClock clock,
    Stamp stamp,
    TimeSpan clockOff
)
{
    /// <summary>What waited longer on a device is taken to be so old.</summary>
    private static readonly TimeSpan Oldest = TimeSpan.FromDays(60);

    public EntryResult Take(Db db, EntryRequest entry)
    {
        if (RunStore.Find(db, entry.Id) is { } known)
            return known.AthleteId == athleteId
                ? new(entry.Id, known.Outcome, null, known.Answer is null ? StoredBeside(db, known) : null)
                : new(entry.Id, EntryOutcome.Refused, Words.SetTaken, null);
        var at = Corrected(entry.At);
        EntryResult? result = null;
        try
        {
            db.Part(() =>
            {
                result = Merge(db, entry, at);
                return result.Outcome is EntryOutcome.Kept;
            });
        }
        catch (FieldException refusal)
        {
            result = new(entry.Id, EntryOutcome.Refused, refusal.Errors[0].Message, null);
        }

        RunStore.Add(
            db,
            new(
                entry.Id,
                athleteId,
                entry.Session,
                entry.Item,
                entry.Kind.ToString(),
                at,
                result!.Outcome,
                // A set that was logged stands in the log.
                entry.Kind == EntryKind.Set
                && result.Outcome == EntryOutcome.Kept
                    ? "{}"
                    : JsonSerializer.Serialize(entry, WireJson.Options),
                null
            ),
            stamp
        );
        return result;
    }

    /// <summary>The two sets of an entry that waits for an answer.</summary>
    public static AskedEntry? Asked(Db db, RunEntry entry)
    {
        var request = Read(entry);
        return request.Set is { } set && entry.ItemId is { } item
            ? new(
                entry.Id,
                entry.SessionId,
                item,
                StoredBeside(db, entry),
                SetDto.Of(new StoredSet(entry.Id, item, set.ToSet()))
            )
            : null;
    }

    private static EntryRequest Read(RunEntry entry) =>
        JsonSerializer.Deserialize<EntryRequest>(entry.Json, WireJson.Options)!;

    private static SetDto? StoredBeside(Db db, RunEntry entry) =>
        entry is { Outcome: EntryOutcome.Asked, ItemId: { } item }
        && Read(entry).Set is { } set
        && SessionStore
            .Sets(db, entry.SessionId)[item]
            .FirstOrDefault(s => (s.Set.Set, s.Set.Part) == (set.Set, set.Part))
            is { } stored
            ? SetDto.Of(stored)
            : null;

    private DateTimeOffset Corrected(DateTimeOffset at)
    {
        var (earliest, latest) = (clock.Now - Oldest, clock.Now);
        // A clock that is beyond all calendars is no clock.
        var ticks = Math.Clamp(at.UtcTicks + clockOff.Ticks, earliest.UtcTicks, latest.UtcTicks);
        return new(ticks, TimeSpan.Zero);
    }

    private EntryResult Merge(Db db, EntryRequest entry, DateTimeOffset at) =>
        entry.Kind switch
        {
            EntryKind.Set => Log(db, entry, at),
            EntryKind.Withdraw => Withdraw(db, entry),
            EntryKind.Skip => Skip(db, entry, at),
            EntryKind.Swap => Swap(db, entry, at),
            EntryKind.CheckIn => CheckIn(db, entry, at),
            EntryKind.Easy => Easy(db, entry),
            EntryKind.Effort => Effort(db, entry, at),
            EntryKind.Finish => Finish(db, entry, at),
            EntryKind.Morning => Morning(db, entry),
            _ => Answer(db, entry),
        };

    private static EntryResult Kept(EntryRequest entry) => new(entry.Id, EntryOutcome.Kept, null, null);

    private static EntryResult Same(EntryRequest entry) => new(entry.Id, EntryOutcome.Same, null, null);

    private EntryResult Log(Db db, EntryRequest entry, DateTimeOffset at)
    {
        if (entry.Set is not { } request)
            throw Problems.Field("set", Words.FieldMissing("set"));
        var set = request.ToSet();
        if (SessionStore.FindSet(db, entry.Id) is { } known)
            return known.Set == set ? Same(entry) : throw Problems.Field("id", Words.SetTaken);
        var session = WithItem(db, Begun(db, entry.Session, at), entry.Item);
        var logging = new SetToLog(entry.Id, set, entry.Item, request.Supersedes, at);
        var item = SetWriter.ItemOf(db, session, logging, clock);
        var stands = SetWriter.Standing(db, session, item, set);
        if (stands is null || stands.Id == request.Supersedes)
        {
            SetWriter.Write(db, session, item, logging with { Supersedes = stands?.Id }, stamp, clock.Today);
            return Kept(entry);
        }

        if (!SaysTheSame(stands.Set, set))
            return new(entry.Id, EntryOutcome.Asked, null, SetDto.Of(stands));
        if (stands.Set.Reserve is null && set.Reserve is not null)
        {
            SetWriter.Write(db, session, item, logging with { Supersedes = stands.Id }, stamp, clock.Today);
            return Kept(entry);
        }

        return Same(entry);
    }

    /// <summary>The same work and the same trouble; what only one of them tells is no difference.</summary>
    private static bool SaysTheSame(LoggedSet stored, LoggedSet other) =>
        (stored.Reps, stored.Seconds, stored.Added.Mass, stored.Form, stored.Contact, stored.Sagged)
            == (other.Reps, other.Seconds, other.Added.Mass, other.Form, other.Contact, other.Sagged)
        && (stored.Total ?? stored.Reps) == (other.Total ?? other.Reps)
        && (stored.Pain ?? 0, stored.Sign) == (other.Pain ?? 0, other.Sign)
        && (stored.Reserve is null || other.Reserve is null || stored.Reserve == other.Reserve);

    private EntryResult Withdraw(Db db, EntryRequest entry)
    {
        if (entry.Of is not { } id)
            throw Problems.Field("of", Words.FieldMissing("of"));
        if (
            RunStore.Find(db, id) is { Outcome: EntryOutcome.Asked, Answer: null } asked
            && asked.AthleteId == athleteId
        )
        {
            RunStore.Answer(db, id, EntryAnswer.Stored);
            return Kept(entry);
        }

        if (
            SessionStore.FindSet(db, id) is not { } set
            || SessionStore.Find(db, entry.Session) is not { } session
            || session.AthleteId != athleteId
            || session.Items.All(i => i.Id != set.ItemId)
            || !SessionStore.Stands(db, id)
        )
            return Same(entry);
        SessionStore.Withdraw(db, set, entry.Id, stamp);
        db.Reconsider(athleteId, corrected: session.Status == SessionStatus.Done);
        return Kept(entry);
    }

    private EntryResult Skip(Db db, EntryRequest entry, DateTimeOffset at)
    {
        var reason = entry.Reason is null ? null : Problems.Text("reason", entry.Reason, Words.WriteSkipReason, 200);
        if (IsOld(db, entry, at))
            return Same(entry);
        var session = WithItem(db, Known(db, entry.Session), entry.Item);
        if (session.Items.FirstOrDefault(i => i.Id == entry.Item) is not { } item)
            throw Problems.Field("item", Words.NoItem);
        if (reason is null)
        {
            SessionStore.Skip(db, item.Id, null);
            SessionStore.End(db, item.Id, null);
        }
        else if (SessionStore.Sets(db, session.Id)[item.Id].Any())
            SessionStore.End(db, item.Id, reason);
        else
            SessionStore.Skip(db, item.Id, reason);
        return Kept(entry);
    }

    private EntryResult Swap(Db db, EntryRequest entry, DateTimeOffset at)
    {
        var reason = Problems.Text("reason", entry.Reason, Words.WriteSkipReason, 200);
        var session = Begun(db, entry.Session, at);
        if (session.Items.Any(i => i.Id == entry.To))
            return Same(entry);
        if (
            Shown(entry.Session)?.Items.FirstOrDefault(i => i.Id == entry.To && i.InsteadOf == entry.Item)
                is not { InsteadOf: { } before } form
            || session.Items.All(i => i.Id != before)
        )
            throw Problems.Field("to", Words.NoItem);
        TakeOver(db, session, form, reason);
        return Kept(entry);
    }

    private static void TakeOver(Db db, StoredSession session, SealedItem form, string reason)
    {
        SessionStore.Insert(db, session.Id, form.ToStored(easy: false), form.InsteadOf);
        SessionStore.End(db, form.InsteadOf!.Value, reason);
    }

    private EntryResult CheckIn(Db db, EntryRequest entry, DateTimeOffset at)
    {
        if (entry.CheckIn is not { } told)
            throw Problems.Field("checkIn", Words.FieldMissing("checkIn"));
        var checkIn = told.ToCheckIn(entry.Id, clock.Today);
        if (IsOld(db, entry, at))
            return Same(entry);
        HealthStore.Put(db, athleteId, checkIn, stamp);
        db.Reconsider(athleteId);
        return Kept(entry);
    }

    private EntryResult Easy(Db db, EntryRequest entry)
    {
        var session = Known(db, entry.Session);
        if (session.Status != SessionStatus.Planned)
            return Same(entry);
        AnswerEasy.Apply(db, session, entry.Take ?? false, clock, stamp);
        return Kept(entry);
    }

    private EntryResult Effort(Db db, EntryRequest entry, DateTimeOffset at)
    {
        TellEffort.Check(entry.Effort);
        var session = Known(db, entry.Session);
        if (session.Status == SessionStatus.Planned)
            throw Problems.Field("effort", Words.NothingLogged);
        if (IsOld(db, entry, at))
            return Same(entry);
        SessionStore.TellEffort(db, session.Id, entry.Effort);
        return Kept(entry);
    }

    private EntryResult Finish(Db db, EntryRequest entry, DateTimeOffset at)
    {
        var session = Known(db, entry.Session);
        if (session.Status == SessionStatus.Planned)
            throw Problems.Field("sets", Words.FinishEmpty);
        if (session.Status == SessionStatus.Done)
            return Same(entry);
        SessionStore.Finish(db, session.Id, at);
        NewRecords.Find(db, session, clock.Today);
        db.Reconsider(athleteId);
        return Kept(entry);
    }

    private EntryResult Morning(Db db, EntryRequest entry)
    {
        if (entry.Morning is not { } told)
            throw Problems.Field("morning", Words.FieldMissing("morning"));
        PutMorning.Apply(db, Known(db, entry.Session), told, clock, stamp);
        return Kept(entry);
    }

    private EntryResult Answer(Db db, EntryRequest entry)
    {
        if (
            entry is not { Of: { } id, Answer: { } answer }
            || RunStore.Find(db, id) is not { Outcome: EntryOutcome.Asked, ItemId: { } itemId } asked
            || asked.AthleteId != athleteId
        )
            throw Problems.Field("of", Words.FieldMissing("of"));
        if (asked.Answer is not null)
            return Same(entry);
        RunStore.Answer(db, id, answer);
        if (answer == EntryAnswer.Stored)
            return Kept(entry);
        var session = Known(db, asked.SessionId);
        var request = Read(asked).Set!;
        var logged = SessionStore.Sets(db, session.Id)[itemId].ToArray();
        if (answer == EntryAnswer.Both)
            request = request with { Set = Beyond(session, itemId, logged) };
        var logging = new SetToLog(id, request.ToSet(), itemId, null, asked.At);
        var item = SetWriter.ItemOf(db, session, logging, clock);
        var stands = logged.FirstOrDefault(s => (s.Set.Set, s.Set.Part) == (request.Set, request.Part));
        SetWriter.Write(db, session, item, logging with { Supersedes = stands?.Id }, stamp, clock.Today);
        return Kept(entry);
    }

    /// <summary>The number of the next set beyond the plan.</summary>
    private static int Beyond(StoredSession session, Guid item, IReadOnlyList<StoredSet> logged) =>
        logged
            .Select(s => s.Set.Set)
            .Append(session.Items.First(i => i.Id == item).Plan?.Sets().Max(s => s.Set) ?? 0)
            .Max() + 1;

    /// <summary>Something newer was told of the same.</summary>
    private bool IsOld(Db db, EntryRequest entry, DateTimeOffset at) =>
        RunStore.Newest(db, athleteId, entry.Session, entry.Item, entry.Kind.ToString()) > at;

    private SealedPack? Shown(Guid session) => packs.GetValueOrDefault(session);

    /// <summary>The session, made again as it was shown where it was deleted meanwhile.</summary>
    /// <exception cref="FieldException">There is none, and nobody was shown one.</exception>
    private StoredSession Known(Db db, Guid id)
    {
        if (SessionStore.Find(db, id) is { } stored)
            return stored.AthleteId == athleteId ? stored : throw Problems.Field("session", Words.NoSession);
        if (Shown(id) is not { } shown)
            throw Problems.Field("session", Words.NoSession);
        SessionStore.Put(
            db,
            new(id, athleteId, shown.Day, SessionStatus.Planned, shown.Easy, null, 0, Planned(shown, easy: false))
            {
                Title = shown.Title,
            },
            stamp
        );
        return SessionStore.Find(db, id)!;
    }

    private static StoredItem[] Planned(SealedPack shown, bool easy) =>
        [.. shown.Items.Where(i => i.InsteadOf is null).Select(i => i.ToStored(easy))];

    /// <summary>
    /// The session once it has begun: by the plan that the athlete was shown, also where it was changed meanwhile.
    /// </summary>
    private StoredSession Begun(Db db, Guid id, DateTimeOffset at)
    {
        var stored = Known(db, id);
        if (stored.Status != SessionStatus.Planned)
            return stored;
        if ((Shown(id)?.Day ?? stored.Day) is var day && day > clock.Today)
            throw Problems.Field("day", Words.SessionOnOtherDay(day));
        if (Shown(id) is not { } shown)
        {
            var frozen = SetWriter.Freeze(db, stored, athleteId, clock.Today);
            SessionStore.Start(db, stored, frozen, at);
            return SessionStore.Find(db, id)!;
        }

        var easy = stored.Items.Any(i => i.BeforeEasy is not null);
        var own = Planned(shown, easy);
        if (stored.Day != shown.Day || own.Any(i => !Stands(stored, i)))
        {
            // What was added meanwhile was not seen, and not done: it comes after.
            StoredItem[] items =
            [
                .. own.Select(i => Stands(stored, i) ? stored.Items.First(s => s.Id == i.Id) : i),
                .. stored.Items.Where(s => own.All(i => i.Id != s.Id)),
            ];
            SessionStore.Put(db, stored with { Day = shown.Day, Items = items }, stamp);
            stored = SessionStore.Find(db, id)!;
        }

        var plans = SetWriter.Freeze(db, stored, athleteId, clock.Today);
        foreach (var item in own)
            plans[item.Id] = item.Frozen!;
        SessionStore.Start(db, stored, plans, at);
        return SessionStore.Find(db, id)!;
    }

    private static bool Stands(StoredSession stored, StoredItem shown) =>
        stored.Items.FirstOrDefault(i => i.Id == shown.Id) is { } item
        && item.Movement == shown.Movement
        && item.Written == shown.Written;

    /// <summary>The session with an item that the athlete was shown, and open to be logged.</summary>
    private StoredSession WithItem(Db db, StoredSession session, Guid? id)
    {
        if (session.Items.FirstOrDefault(i => i.Id == id) is { } item)
        {
            if (item.Skipped is null)
                return session;
            // What was done was not left out.
            SessionStore.Skip(db, item.Id, null);
        }
        else if (Shown(session.Id)?.Items.FirstOrDefault(i => i.Id == id) is { } shown)
        {
            if (shown.InsteadOf is not null)
                TakeOver(db, session, shown, "-");
            else
                SessionStore.Insert(db, session.Id, shown.ToStored(easy: false), null);
        }

        return SessionStore.Find(db, session.Id)!;
    }
}
