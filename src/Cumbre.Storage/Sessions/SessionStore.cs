using System.Text.Json;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Storage.Sessions;

/// <summary>How far a session is.</summary>
public enum SessionStatus
{
    Planned,

    /// <summary>The first set is logged; the plan is frozen.</summary>
    Started,
    Done,
}

/// <summary>What a plan resolved to when its first set was logged.</summary>
/// <param name="LoadsKg">The made load of each planned set in kg.</param>
/// <param name="BodyMassKg">Body mass of the day.</param>
/// <param name="ShownJson">The plan as it was shown, with its reasons; null for a history that was made elsewhere.</param>
public sealed record FrozenPlan(IReadOnlyList<decimal> LoadsKg, decimal BodyMassKg, string? ShownJson = null);

/// <summary>An item of a session.</summary>
public sealed record StoredItem(Guid Id, string Movement, Prescription Plan, FrozenPlan? Frozen);

/// <summary>A session with its one item.</summary>
public sealed record StoredSession(
    Guid Id, Guid AthleteId, DateOnly Day, SessionStatus Status, bool Easy, string? OverrideReason, long Version, StoredItem Item);

/// <summary>A logged set with its id; superseded ones are left out of every reading.</summary>
public sealed record StoredSet(Guid Id, Guid ItemId, LoggedSet Set);

public static class SessionStore
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private const string Columns =
        """
        s.id, s.athlete_id, s.day, s.status, s.easy, s.override_reason, s.version, i.id AS item_id, i.movement, i.plan_json, i.frozen_json
        FROM session s JOIN session_item i ON i.session_id = s.id
        """;

    private const string SetColumns =
        """
        l.id, l.item_id, l.set_no, l.part_no, l.reps, l.added_value, l.added_unit, l.reserve, l.form, l.pain, l.pain_place
        FROM logged_set l
        """;

    private const string NotSuperseded = "NOT EXISTS (SELECT 1 FROM logged_set newer WHERE newer.supersedes = l.id)";

    public static StoredSession? Find(Db db, Guid id) =>
        db.One<Row>($"SELECT {Columns} WHERE s.id = @id", new { id })?.ToStored();

    /// <summary>Sessions of an athlete, newest first.</summary>
    public static IReadOnlyList<StoredSession> Of(Db db, Guid athleteId) =>
        [.. db.Query<Row>($"SELECT {Columns} WHERE s.athlete_id = @athleteId ORDER BY s.day DESC, s.id DESC", new { athleteId }).Select(r => r.ToStored())];

    /// <summary>The next session that is not finished, on or after a day.</summary>
    public static StoredSession? Next(Db db, Guid athleteId, string movement, DateOnly from) =>
        db.One<Row>(
            $"SELECT {Columns} WHERE s.athlete_id = @athleteId AND i.movement = @movement AND s.status <> 'Done' AND s.day >= @from ORDER BY s.day, s.id LIMIT 1",
            new { athleteId, movement, from })?.ToStored();

    /// <summary>For each athlete the day of the next session that is not finished.</summary>
    public static IReadOnlyDictionary<Guid, DateOnly> NextDays(Db db, DateOnly from) =>
        db.Query<(Guid AthleteId, DateOnly Day)>("SELECT athlete_id, min(day) FROM session WHERE status <> 'Done' AND day >= @from GROUP BY athlete_id", new { from })
            .ToDictionary(r => r.AthleteId, r => r.Day);

    public static IReadOnlyList<StoredSession> On(Db db, DateOnly day) =>
        [.. db.Query<Row>($"SELECT {Columns} WHERE s.day = @day ORDER BY s.id", new { day }).Select(r => r.ToStored())];

    /// <summary>Creates a planned session, or changes one that is still planned when the version is the stored one.</summary>
    public static Written Put(Db db, StoredSession session, Stamp stamp)
    {
        var args = new
        {
            session.Id,
            session.AthleteId,
            session.Day,
            Status = session.Status.ToString(),
            session.Easy,
            session.OverrideReason,
            session.Version,
            stamp.At,
            stamp.By,
        };
        var changed = session.Version == 0
            ? db.Run(
                """
                INSERT INTO session (id, athlete_id, day, status, easy, override_reason, version, written_at, written_by)
                VALUES (@Id, @AthleteId, @Day, @Status, @Easy, @OverrideReason, 1, @At, @By) ON CONFLICT (id) DO NOTHING
                """,
                args)
            : db.Run(
                """
                UPDATE session SET day = @Day, easy = @Easy, override_reason = @OverrideReason, version = version + 1, written_at = @At, written_by = @By
                WHERE id = @Id AND athlete_id = @AthleteId AND version = @Version AND status = 'Planned'
                """,
                args);
        if (changed == 0)
            return Find(db, session.Id)?.AthleteId == session.AthleteId ? Written.Stale : Written.Missing;
        db.Run(
            """
            INSERT INTO session_item (id, session_id, position, movement, plan_json) VALUES (@ItemId, @Id, 1, @Movement, @Plan)
            ON CONFLICT (session_id, position) DO UPDATE SET movement = excluded.movement, plan_json = excluded.plan_json
            """,
            new { ItemId = session.Item.Id, session.Id, session.Item.Movement, Plan = PrescriptionJson.Write(session.Item.Plan) });
        return Written.Done;
    }

    /// <summary>Removes a session of which nothing is logged.</summary>
    public static Written Remove(Db db, Guid id, long version)
    {
        if (db.Run("DELETE FROM session WHERE id = @id AND version = @version AND status = 'Planned'", new { id, version }) > 0)
            return Written.Done;
        return Find(db, id) is null ? Written.Missing : Written.Stale;
    }

    /// <summary>Freezes the plan: from now on it is what the athlete was shown.</summary>
    public static void Start(Db db, StoredSession session, FrozenPlan frozen)
    {
        db.Run("UPDATE session SET status = 'Started', version = version + 1 WHERE id = @Id AND status = 'Planned'", new { session.Id });
        db.Run("UPDATE session_item SET frozen_json = @json WHERE id = @id", new { id = session.Item.Id, json = JsonSerializer.Serialize(frozen, Json) });
    }

    public static void Finish(Db db, Guid id) =>
        db.Run("UPDATE session SET status = 'Done', version = version + 1 WHERE id = @id AND status = 'Started'", new { id });

    /// <summary>The sets of a session as they stand, in order.</summary>
    public static IReadOnlyList<StoredSet> Sets(Db db, Guid itemId) =>
        [.. db.Query<SetRow>($"SELECT {SetColumns} WHERE l.item_id = @itemId AND {NotSuperseded} ORDER BY l.set_no, l.part_no, l.id", new { itemId }).Select(r => r.ToStored())];

    /// <summary>True when a set with this id is stored, superseded or not.</summary>
    public static bool HasSet(Db db, Guid id) => db.One<long>("SELECT count(*) FROM logged_set WHERE id = @id", new { id }) > 0;

    /// <summary>Appends a set, or a correction of one; sending the same one again changes nothing.</summary>
    public static void AddSet(Db db, StoredSet set, Guid? supersedes, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO logged_set (id, item_id, set_no, part_no, reps, added_value, added_unit, reserve, form, pain, pain_place, supersedes, written_at, written_by)
            VALUES (@Id, @ItemId, @Set, @Part, @Reps, @AddedValue, @AddedUnit, @Reserve, @Form, @Pain, @PainPlace, @supersedes, @At, @By)
            ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                set.Id,
                set.ItemId,
                Set = (long)set.Set.Set,
                Part = (long)set.Set.Part,
                Reps = (long)set.Set.Reps,
                AddedValue = set.Set.Added.Value,
                AddedUnit = set.Set.Added.Unit.ToString(),
                Reserve = (long?)set.Set.Reserve,
                Form = set.Set.Form.ToString(),
                Pain = (long?)set.Set.Pain,
                set.Set.PainPlace,
                supersedes,
                stamp.At,
                stamp.By,
            });

    public static IReadOnlyList<Exposure> Exposures(Db db, Guid athleteId, DateOnly today) =>
        [.. Assemble(
            db.Query<Row>($"SELECT {Columns} WHERE s.athlete_id = @athleteId AND {Counts} ORDER BY s.day, s.id", new { athleteId, today }),
            db.Query<SetRow>(
                $"SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id JOIN session s ON s.id = i.session_id WHERE s.athlete_id = @athleteId AND {NotSuperseded} ORDER BY l.set_no, l.part_no",
                new { athleteId })).Select(e => e.Exposure)];

    public static ILookup<Guid, Exposure> AllExposures(Db db, DateOnly today) =>
        Assemble(
            db.Query<Row>($"SELECT {Columns} WHERE {Counts} ORDER BY s.day, s.id", new { today }),
            db.Query<SetRow>($"SELECT {SetColumns} WHERE {NotSuperseded} ORDER BY l.set_no, l.part_no")).ToLookup(e => e.AthleteId, e => e.Exposure);

    /// <summary>A session counts once it is finished, or when its day is over.</summary>
    private const string Counts = "(s.status = 'Done' OR (s.status = 'Started' AND s.day < @today))";

    private static IEnumerable<(Guid AthleteId, Exposure Exposure)> Assemble(IEnumerable<Row> sessions, IEnumerable<SetRow> sets)
    {
        var byItem = sets.Select(s => s.ToStored()).ToLookup(s => s.ItemId, s => s.Set);
        foreach (var session in sessions.Select(r => r.ToStored()))
        {
            if (session.Item.Frozen is { } frozen && byItem[session.Item.Id].Any())
            {
                yield return (session.AthleteId, new Exposure(
                    session.Id, session.Day, session.Item.Movement, session.Item.Plan, [.. frozen.LoadsKg.Select(Mass.FromKilograms)],
                    session.Easy, Mass.FromKilograms(frozen.BodyMassKg), [.. byItem[session.Item.Id]]));
            }
        }
    }

    private sealed record Row(
        Guid Id, Guid AthleteId, DateOnly Day, string Status, long Easy, string? OverrideReason, long Version, Guid ItemId, string Movement, string PlanJson, string? FrozenJson)
    {
        public StoredSession ToStored() => new(
            Id, AthleteId, Day, Enum.Parse<SessionStatus>(Status), Easy == 1, OverrideReason, Version,
            new(ItemId, Movement, PrescriptionJson.Read(PlanJson), FrozenJson is null ? null : JsonSerializer.Deserialize<FrozenPlan>(FrozenJson, Json)));
    }

    private sealed record SetRow(
        Guid Id, Guid ItemId, long SetNo, long PartNo, long Reps, decimal AddedValue, string AddedUnit, long? Reserve, string Form, long? Pain, string? PainPlace)
    {
        public StoredSet ToStored() => new(
            Id, ItemId,
            new((int)SetNo, (int)PartNo, (int)Reps, new(AddedValue, Enum.Parse<MassUnit>(AddedUnit)), (int?)Reserve, Enum.Parse<FormVerdict>(Form), (int?)Pain, PainPlace));
    }
}
