using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Sessions;

/// <summary>A set that is to be logged.</summary>
/// <param name="Id">Made by whoever logs it.</param>
/// <param name="Set">As it was done.</param>
/// <param name="Item">Of which item; null: the session has only one.</param>
/// <param name="Supersedes">The set that it corrects.</param>
/// <param name="DoneAt">Null: nobody told when.</param>
internal sealed record SetToLog(Guid Id, LoggedSet Set, Guid? Item, Guid? Supersedes, DateTimeOffset? DoneAt = null);

/// <summary>Writes sets into sessions.</summary>
internal static class SetWriter
{
    /// <summary>So many sets can be done beyond the plan.</summary>
    private const int ExtraSets = 10;

    /// <summary>Null: it is logged, or was before; else the refusal.</summary>
    /// <exception cref="FieldException">It does not fit the plan or the movement.</exception>
    public static IResult? Append(
        Db db,
        StoredSession stored,
        (AthleteProfile Profile, Core.Athletes.AthleteSnapshot Snapshot) found,
        SetToLog logging,
        ClubClock clock,
        Stamp stamp
    )
    {
        if (SessionStore.FindSet(db, logging.Id) is { } known)
            return known.Set == logging.Set && stored.Items.Any(i => i.Id == known.ItemId)
                ? null
                : Problems.Conflict(
                    Words.SetTaken,
                    SessionReader.Read(db, stored, found.Profile, found.Snapshot, clock.Today)
                );
        var item = ItemOf(db, stored, logging, clock);
        var set = logging.Set;
        var same = Standing(db, stored, item, set);
        if (same?.Id != logging.Supersedes)
            return Problems.Conflict(
                Words.SetChanged,
                SessionReader.Read(db, stored, found.Profile, found.Snapshot, clock.Today)
            );
        if (stored.Status == SessionStatus.Planned)
        {
            var frozen = Freeze(db, stored, stored.AthleteId, clock.Today);
            if (!frozen.ContainsKey(item.Id))
                throw Problems.Field("line", Words.PlanUnresolved);
            SessionStore.Start(db, stored, frozen, logging.DoneAt ?? stamp.At);
        }

        // What is logged on the day itself is logged as it is done.
        var isNow = stored.Day == clock.Today && stored.Status != SessionStatus.Done;
        Write(
            db,
            stored,
            item,
            logging with
            {
                DoneAt = logging.DoneAt ?? (isNow ? stamp.At : null),
            },
            stamp,
            clock.Today
        );
        return null;
    }

    /// <summary>
    /// Writes a set of which is known that it fits, and that none stands in its place. One that corrects another was
    /// done when that was.
    /// </summary>
    public static void Write(
        Db db,
        StoredSession stored,
        StoredItem item,
        SetToLog logging,
        Stamp stamp,
        DateOnly today
    )
    {
        var corrected = logging.Supersedes is { } id ? SessionStore.FindSet(db, id) : null;
        SessionStore.AddSet(
            db,
            new(logging.Id, item.Id, logging.Set)
            {
                DoneAt = corrected is null ? logging.DoneAt : corrected.DoneAt ?? logging.DoneAt,
            },
            logging.Supersedes,
            stamp
        );
        // A correction to a finished session can change what follows from it.
        db.Reconsider(stored.AthleteId, corrected: logging.Supersedes is not null);
        if (stored.Status == SessionStatus.Done)
            NewRecords.Find(db, stored, today, item.Movement);
    }

    /// <summary>The set that stands where another is to be logged; null: none does.</summary>
    public static StoredSet? Standing(Db db, StoredSession stored, StoredItem item, LoggedSet set) =>
        SessionStore.Sets(db, stored.Id)[item.Id].FirstOrDefault(l => l.Set.Set == set.Set && l.Set.Part == set.Part);

    /// <summary>The item to which a set belongs, and which it fits.</summary>
    /// <exception cref="FieldException">There is none, or it does not fit its plan or its movement.</exception>
    public static StoredItem ItemOf(Db db, StoredSession stored, SetToLog logging, ClubClock clock)
    {
        if (stored.Day > clock.Today)
            throw Problems.Field("day", Words.SessionOnOtherDay(stored.Day));
        if (
            stored.Items.FirstOrDefault(i => logging.Item is { } id ? i.Id == id : stored.Items.Count == 1)
            is not { Plan: { } written } item
        )
            throw Problems.Field("item", Words.ItemMissing);
        if (item.Skipped is not null)
            throw Problems.Field("item", Words.ItemSkipped);
        Fits(db, item.Movement, logging.Set);
        if (PlannedOf(written, logging.Set).Seconds is null != logging.Set.Seconds is null)
            throw Problems.Field("seconds", logging.Set.Seconds is null ? Words.SecondsMissing : Words.SetInReps);
        return item;
    }

    /// <summary>The set of the plan, or the last one for a set beyond it.</summary>
    private static PlannedSet PlannedOf(Prescription plan, LoggedSet set)
    {
        var planned = plan.Sets();
        var last = planned.Max(p => p.Set);
        var like = set.Set > last && set.Set <= last + ExtraSets ? last : set.Set;
        return planned.FirstOrDefault(p => p.Set == like && p.Part == set.Part)
            ?? throw Problems.Field("set", Words.SetsMost(last, ExtraSets));
    }

    /// <summary>A movement is set up only by its own parts, and breaks only its own standard.</summary>
    private static void Fits(Db db, string movement, LoggedSet set)
    {
        if (CatalogueStore.Club(db).Atlas.Catalogue.Movements.GetValueOrDefault(movement) is not { } known)
            return;
        if (set.SetUp.Parts.Keys.FirstOrDefault(p => !known.SetUp.Contains(p)) is { } part)
            throw Problems.Field($"setUp.{part}", Words.SetUpUnknown(known.Name, part));
        if (set.Fault is { } fault && !known.Faults.Contains(fault))
            throw Problems.Field("fault", Words.FaultUnknown(known.Name));
    }

    /// <summary>What each item resolves to now; one that cannot be resolved is left out.</summary>
    public static Dictionary<Guid, FrozenPlan> Freeze(Db db, StoredSession stored, Guid athleteId, DateOnly today)
    {
        var frozen = new Dictionary<Guid, FrozenPlan>();
        if (SnapshotStore.Load(db, athleteId, today) is not var (profile, snapshot))
            return frozen;
        var athlete = Work.On(db, profile, snapshot, stored.Day < today ? stored.Day : today);
        foreach (var item in stored.Items.Where(i => i.Plan is not null))
        {
            var reading = PlanReader.Read(athlete, item.Movement, item.Plan!, today, stored.OverrideReason);
            if (PlanFreezer.Of(reading) is { } plan)
                frozen[item.Id] = plan;
        }

        return frozen;
    }
}
