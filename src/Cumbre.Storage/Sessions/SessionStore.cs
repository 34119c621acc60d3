using System.Text.Json;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
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
/// <param name="ShownJson">The plan as it was shown, with its reasons; null for a history that was made
/// elsewhere.</param>
public sealed record FrozenPlan(IReadOnlyList<decimal> LoadsKg, decimal BodyMassKg, string? ShownJson = null);

/// <summary>What an item was resolved to when the coach last saw it.</summary>
/// <param name="LoadsKg">Made loads, each once.</param>
/// <param name="HoldSeconds">Of a hold by the best.</param>
public sealed record SeenPlan(IReadOnlyList<decimal> LoadsKg, int? HoldSeconds);

/// <summary>Why a decision made an item lighter.</summary>
public enum Relief
{
    Deload,

    /// <summary>For pain, or on the way back after it.</summary>
    Ease,
}

/// <summary>An item of a session.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Written">Its plan, or the line that cannot be read yet.</param>
/// <param name="Frozen">Set once the session has begun.</param>
public sealed record StoredItem(Guid Id, string Movement, WrittenLine Written, FrozenPlan? Frozen)
{
    public Prescription? Plan => Written.Plan;

    /// <summary>Null: written by hand.</summary>
    public ItemRole? Role { get; init; }

    /// <summary>Done in turn with the item before it.</summary>
    public bool Joined { get; init; }

    /// <summary>Null: no decision made it lighter.</summary>
    public Relief? Relief { get; init; }

    public SeenPlan? Seen { get; init; }

    /// <summary>Why it was left out on the day; null: it was not.</summary>
    public string? Skipped { get; init; }

    /// <summary>What it was before the easy version of the day; null: it is as planned.</summary>
    public WrittenLine? BeforeEasy { get; init; }

    /// <summary>The canonical line, or the text as it was typed.</summary>
    public string Line => Written.Text;

    /// <summary>Why its rest was left out after its first set; null: it was not.</summary>
    public string? Ended { get; init; }

    /// <summary>The item whose rest it took over; null: none.</summary>
    public Guid? InsteadOf { get; init; }
}

/// <summary>A session with its items.</summary>
public sealed record StoredSession(
    Guid Id,
    Guid AthleteId,
    DateOnly Day,
    SessionStatus Status,
    bool Easy,
    string? OverrideReason,
    long Version,
    IReadOnlyList<StoredItem> Items
)
{
    /// <summary>Null: it stands alone.</summary>
    public Guid? BlockId { get; init; }

    public string Title { get; init; } = "";

    public Core.Programmes.Frame WarmUp { get; init; } = new(0, null);

    public Core.Programmes.Frame CoolDown { get; init; } = new(0, null);

    /// <summary>Of the whole session, 1 to 10; null: not told.</summary>
    public decimal? Effort { get; init; }

    /// <summary>When its first set was done; null: not begun, or nobody told.</summary>
    public DateTimeOffset? BegunAt { get; init; }

    /// <summary>When it was finished; null: not yet, or nobody told.</summary>
    public DateTimeOffset? EndedAt { get; init; }

    public StoredItem? Of(string movement) => Items.FirstOrDefault(i => i.Movement == movement);
}

/// <summary>A session without its items.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="FrameSeconds">Of warm-up and cool-down.</param>
public sealed record SessionHead(Guid Id, Guid AthleteId, SessionStatus Status, string Title, int FrameSeconds);

/// <summary>A logged set with its id; superseded ones are left out of every reading.</summary>
/// <param name="Id">Of the set.</param>
/// <param name="ItemId">Of which item.</param>
/// <param name="Set">As it was done.</param>
public sealed record StoredSet(Guid Id, Guid ItemId, LoggedSet Set)
{
    /// <summary>Null: nobody told when.</summary>
    public DateTimeOffset? DoneAt { get; init; }
}

/// <summary>A set as somebody wrote it.</summary>
public sealed record SetVersion(StoredSet Set, Stamp Written);

/// <summary>A count by item; none is 0.</summary>
public sealed class ItemCounts(IReadOnlyDictionary<Guid, int> counts)
{
    public int this[Guid item] => counts.GetValueOrDefault(item);
}

public static class SessionStore
{
    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private const string Columns = SessionColumns + ", i.frozen_json, i.seen_json " + FromItems;

    /// <summary>What was frozen and seen is long, and most lists show neither.</summary>
    private const string LeanColumns = SessionColumns + ", NULL AS frozen_json, NULL AS seen_json " + FromItems;

    private const string SessionColumns = """
        s.id, s.athlete_id, s.day, s.status, s.easy, s.override_reason, s.version, s.block_id,
        s.title, s.warm_up_seconds, s.warm_up, s.cool_down_seconds,
        s.cool_down, s.effort, s.begun_at, s.ended_at,
        i.id AS item_id, i.movement, i.role, i.plan_json, i.joined, i.relief, i.skipped, i.before_easy_json, i.ended, i.instead_of
        """;

    private const string FromItems = "FROM session s LEFT JOIN session_item i ON i.session_id = s.id";

    internal const string SetColumns = """
        l.id, l.item_id, l.set_no, l.part_no, l.reps, l.seconds, l.added_value, l.added_unit, l.reserve, l.form, l.pain, l.pain_place, l.total, l.contact, l.sagged, l.rested_seconds, l.sign,
        l.set_up_json, l.failed_at, l.fault, l.note, l.done_at
        FROM logged_set l
        """;

    internal const string NotSuperseded =
        "l.withdrawn = 0 AND NOT EXISTS (SELECT 1 FROM logged_set newer WHERE newer.supersedes = l.id)";

    public static StoredSession? Find(Db db, Guid id) =>
        Sessions(db, "s.id = @id ORDER BY i.position", new { id }).FirstOrDefault();

    /// <summary>Some sessions, in whatever order, without what was frozen and seen.</summary>
    public static IReadOnlyList<StoredSession> Some(Db db, IReadOnlyCollection<Guid> ids) =>
        [.. Sessions(db, "s.id IN @ids ORDER BY s.id, i.position", new { ids = Ids.In(ids) }, LeanColumns)];

    /// <summary>Sessions of a block, by day.</summary>
    public static IReadOnlyList<StoredSession> OfBlock(Db db, Guid blockId) =>
        [.. Sessions(db, "s.block_id = @blockId ORDER BY s.day, s.id, i.position", new { blockId })];

    /// <summary>Sessions of an athlete, newest first.</summary>
    public static IReadOnlyList<StoredSession> Since(Db db, Guid athleteId, DateOnly from) =>
        [
            .. Sessions(
                db,
                "s.athlete_id = @athleteId AND s.day >= @from ORDER BY s.day DESC, s.id DESC, i.position",
                new { athleteId, from },
                LeanColumns
            ),
        ];

    /// <summary>Sessions of an athlete from a day to before another, oldest first, with what was frozen.</summary>
    public static IReadOnlyList<StoredSession> Between(Db db, Guid athleteId, DateOnly from, DateOnly until) =>
        [
            .. Sessions(
                db,
                "s.athlete_id = @athleteId AND s.day >= @from AND s.day < @until ORDER BY s.day, s.id, i.position",
                new
                {
                    athleteId,
                    from,
                    until,
                }
            ),
        ];

    /// <summary>Sessions of an athlete that were begun, of some days before a day, newest first.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="athleteId">Whose.</param>
    /// <param name="before">The first day that is left out.</param>
    /// <param name="days">Of so many days.</param>
    public static IReadOnlyList<StoredSession> Begun(Db db, Guid athleteId, DateOnly before, int days) =>
        [
            .. Sessions(
                db,
                """
                s.athlete_id = @athleteId AND s.status <> 'Planned' AND s.day IN (
                  SELECT DISTINCT day FROM session WHERE athlete_id = @athleteId AND status <> 'Planned' AND day < @before
                  ORDER BY day DESC LIMIT @days)
                ORDER BY s.day DESC, s.id DESC, i.position
                """,
                new
                {
                    athleteId,
                    before,
                    days,
                },
                LeanColumns
            ),
        ];

    /// <summary>Planned sessions from a day to before another, oldest first.</summary>
    public static IReadOnlyList<StoredSession> PlannedBetween(Db db, Guid athleteId, DateOnly from, DateOnly until) =>
        [
            .. Sessions(
                db,
                "s.athlete_id = @athleteId AND s.day >= @from AND s.day < @until AND s.status = 'Planned' ORDER BY s.day, s.id, i.position",
                new
                {
                    athleteId,
                    from,
                    until,
                }
            ),
        ];

    /// <summary>The next session with a movement that is not finished, on or after a day.</summary>
    public static StoredSession? Next(Db db, Guid athleteId, string movement, DateOnly from) =>
        db.One<NextRow>(
            """
            SELECT s.id FROM session s JOIN session_item i ON i.session_id = s.id
            WHERE s.athlete_id = @athleteId AND i.movement = @movement AND s.status <> 'Done' AND s.day >= @from ORDER BY s.day, s.id LIMIT 1
            """,
            new
            {
                athleteId,
                movement,
                from,
            }
        )
            is { } row
            ? Find(db, row.Id)
            : null;

    /// <summary>Sessions of an athlete from a day on that have not begun, by day, without what was seen.</summary>
    public static IReadOnlyList<StoredSession> Coming(Db db, Guid athleteId, DateOnly from) =>
        [
            .. Sessions(
                db,
                "s.athlete_id = @athleteId AND s.status = 'Planned' AND s.day >= @from ORDER BY s.day, s.id, i.position",
                new { athleteId, from }
            ),
        ];

    /// <summary>For each athlete the day of the next session that is not finished.</summary>
    public static IReadOnlyDictionary<Guid, DateOnly> NextDays(Db db, DateOnly from) =>
        db.Query<(Guid AthleteId, DateOnly Day)>(
                "SELECT athlete_id, min(day) FROM session WHERE status <> 'Done' AND day >= @from GROUP BY athlete_id",
                new { from }
            )
            .ToDictionary(r => r.AthleteId, r => r.Day);

    /// <summary>An athlete's sessions of a day, without what was frozen and seen.</summary>
    public static IReadOnlyList<StoredSession> On(Db db, DateOnly day, Guid athleteId) =>
        [
            .. Sessions(
                db,
                "s.athlete_id = @athleteId AND s.day = @day ORDER BY s.id, i.position",
                new { athleteId, day },
                LeanColumns
            ),
        ];

    /// <summary>Everybody's sessions of a day, without their items.</summary>
    public static IReadOnlyList<SessionHead> On(Db db, DateOnly day) =>
        [
            .. db.Query<HeadRow>(
                    """
                    SELECT id, athlete_id, status, title, warm_up_seconds + cool_down_seconds AS frame_seconds
                    FROM session WHERE day = @day
                    """,
                    new { day }
                )
                .Select(r => new SessionHead(
                    r.Id,
                    r.AthleteId,
                    Enum.Parse<SessionStatus>(r.Status),
                    r.Title,
                    (int)r.FrameSeconds
                )),
        ];

    /// <summary>An athlete has another session on a day.</summary>
    public static bool IsTaken(Db db, Guid athleteId, DateOnly day, Guid but) =>
        db.One<long>(
            "SELECT EXISTS (SELECT 1 FROM session WHERE athlete_id = @athleteId AND day = @day AND id <> @but)",
            new
            {
                athleteId,
                day,
                but,
            }
        ) == 1;

    /// <summary>
    /// Creates a planned session, or changes one that is still planned when the version is the stored one. The block
    /// that it belongs to counts as changed.
    /// </summary>
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
            session.BlockId,
            session.Title,
            WarmUpSeconds = (long)session.WarmUp.Seconds,
            WarmUp = session.WarmUp.Text,
            CoolDownSeconds = (long)session.CoolDown.Seconds,
            CoolDown = session.CoolDown.Text,
            stamp.At,
            stamp.By,
        };
        var changed =
            session.Version == 0
                ? db.Run(
                    """
                    INSERT INTO session (id, athlete_id, day, status, easy, override_reason, version, block_id, title, warm_up_seconds, warm_up, cool_down_seconds, cool_down, written_at, written_by)
                    VALUES (@Id, @AthleteId, @Day, @Status, @Easy, @OverrideReason, 1, @BlockId, @Title, @WarmUpSeconds, @WarmUp, @CoolDownSeconds, @CoolDown, @At, @By) ON CONFLICT (id) DO NOTHING
                    """,
                    args
                )
                : db.Run(
                    """
                    UPDATE session SET day = @Day, easy = @Easy, override_reason = @OverrideReason, title = @Title, warm_up_seconds = @WarmUpSeconds, warm_up = @WarmUp,
                      cool_down_seconds = @CoolDownSeconds, cool_down = @CoolDown, version = version + 1, written_at = @At, written_by = @By
                    WHERE id = @Id AND athlete_id = @AthleteId AND version = @Version AND status = 'Planned'
                    """,
                    args
                );
        if (changed == 0)
            return Find(db, session.Id)?.AthleteId == session.AthleteId ? Written.Stale : Written.Missing;
        db.Run("DELETE FROM session_item WHERE session_id = @Id", new { session.Id });
        for (var i = 0; i < session.Items.Count; i++)
            Add(db, session.Id, session.Items[i], i + 1L);

        db.Run("UPDATE block SET version = version + 1 WHERE id = @BlockId", new { session.BlockId });
        return Written.Done;
    }

    private static void Add(Db db, Guid sessionId, StoredItem item, long position) =>
        db.Run(
            """
            INSERT INTO session_item (id, session_id, position, movement, role, plan_json, joined, relief, seen_json, skipped,
              before_easy_json, instead_of)
            VALUES (@Id, @sessionId, @position, @Movement, @Role, @Plan, @Joined, @Relief, @Seen, @Skipped, @BeforeEasy,
              @InsteadOf)
            """,
            new
            {
                item.Id,
                sessionId,
                position,
                item.Movement,
                Role = item.Role?.ToString(),
                Plan = PlanColumn.Write(item.Written),
                item.Joined,
                Relief = item.Relief?.ToString(),
                Seen = item.Seen is null ? null : JsonSerializer.Serialize(item.Seen, Json),
                item.Skipped,
                BeforeEasy = item.BeforeEasy is null ? null : PlanColumn.Write(item.BeforeEasy),
                item.InsteadOf,
            }
        );

    /// <summary>Takes the items out of sessions that are about to be written anew.</summary>
    public static void Empty(Db db, IEnumerable<Guid> sessions)
    {
        foreach (var id in sessions)
            db.Run(
                "DELETE FROM session_item WHERE session_id = @id AND session_id IN (SELECT id FROM session WHERE status = 'Planned')",
                new { id }
            );
    }

    /// <summary>Notes what items resolve to now, as the coach has seen it.</summary>
    public static void See(Db db, IEnumerable<(Guid Item, SeenPlan Seen)> seen)
    {
        foreach (var (item, plan) in seen)
            db.Run(
                "UPDATE session_item SET seen_json = @json WHERE id = @item",
                new { item, json = JsonSerializer.Serialize(plan, Json) }
            );
    }

    /// <summary>Removes a session of which nothing is logged.</summary>
    public static Written Remove(Db db, Guid id, long version)
    {
        if (
            db.Run(
                "DELETE FROM session WHERE id = @id AND version = @version AND status = 'Planned'",
                new { id, version }
            ) > 0
        )
            return Written.Done;
        return Find(db, id) is null ? Written.Missing : Written.Stale;
    }

    /// <summary>Moves a planned session into a block, out of that which it was of; both blocks count a version on.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="session">As it is stored, but for its version, which is the caller's.</param>
    /// <param name="blockId">Whose it becomes.</param>
    /// <param name="easy">Its week is easy.</param>
    /// <param name="stamp">Of the change.</param>
    public static Written Join(Db db, StoredSession session, Guid blockId, bool easy, Stamp stamp)
    {
        var changed = db.Run(
            """
            UPDATE session SET block_id = @blockId, easy = @easy, version = version + 1, written_at = @At, written_by = @By
            WHERE id = @Id AND version = @Version AND status = 'Planned'
            """,
            new
            {
                blockId,
                easy,
                session.Id,
                session.Version,
                stamp.At,
                stamp.By,
            }
        );
        if (changed == 0)
            return Written.Stale;
        db.Run(
            "UPDATE block SET version = version + 1 WHERE id = @blockId OR id = @before",
            new { blockId, before = session.BlockId }
        );
        return Written.Done;
    }

    /// <summary>Freezes the plan: from now on it is what the athlete was shown.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="session">Which.</param>
    /// <param name="frozen">By item; one whose line cannot be read has none, and cannot be logged.</param>
    /// <param name="at">When its first set was done.</param>
    public static void Start(
        Db db,
        StoredSession session,
        IReadOnlyDictionary<Guid, FrozenPlan> frozen,
        DateTimeOffset at
    )
    {
        db.Run(
            "UPDATE session SET status = 'Started', version = version + 1, begun_at = @at WHERE id = @Id AND status = 'Planned'",
            new { session.Id, at }
        );
        db.Run("UPDATE block SET version = version + 1 WHERE id = @BlockId", new { session.BlockId });
        foreach (var (id, plan) in frozen)
            db.Run("UPDATE session_item SET frozen_json = @json WHERE id = @id", new { id, json = FrozenJson(plan) });
    }

    /// <summary>A frozen plan as it lies in its column.</summary>
    public static string FrozenJson(FrozenPlan plan) => JsonSerializer.Serialize(plan, Json);

    /// <summary>Leaves an item out of its session, with the reason; null: it is done after all.</summary>
    public static void Skip(Db db, Guid itemId, string? reason) =>
        db.Run(
            """
            UPDATE session_item SET skipped = @reason WHERE id = @itemId;
            UPDATE session SET version = version + 1 WHERE id = (SELECT session_id FROM session_item WHERE id = @itemId)
            """,
            new { itemId, reason }
        );

    /// <summary>Keeps the effort of the whole session, 1 to 10; null: not told.</summary>
    public static void TellEffort(Db db, Guid id, decimal? effort) =>
        db.Run("UPDATE session SET effort = @effort WHERE id = @id", new { id, effort });

    /// <summary>Leaves out the rest of an item, with the reason; null: it goes on.</summary>
    public static void End(Db db, Guid itemId, string? reason) =>
        db.Run(
            """
            UPDATE session_item SET ended = @reason WHERE id = @itemId;
            UPDATE session SET version = version + 1 WHERE id = (SELECT session_id FROM session_item WHERE id = @itemId)
            """,
            new { itemId, reason }
        );

    /// <summary>
    /// Puts an item of its own into a session that may have begun, behind another or at the end.
    /// </summary>
    public static void Insert(Db db, Guid sessionId, StoredItem item, Guid? behind)
    {
        var position = behind is null
            ? null
            : db.One<long?>(
                "SELECT position FROM session_item WHERE id = @behind AND session_id = @sessionId",
                new { behind, sessionId }
            );
        position ??= db.One<long?>(
            "SELECT max(position) FROM session_item WHERE session_id = @sessionId",
            new { sessionId }
        ) ?? 0;
        // Places are unique at every moment: first out of the way, then where they belong.
        db.Run(
            """
            UPDATE session_item SET position = -position - 1 WHERE session_id = @sessionId AND position > @position;
            UPDATE session_item SET position = -position WHERE session_id = @sessionId AND position < 0;
            """,
            new { sessionId, position }
        );
        Add(db, sessionId, item, position.Value + 1);
        db.Run(
            """
            UPDATE session_item SET frozen_json = @json WHERE id = @Id;
            UPDATE session SET version = version + 1 WHERE id = @sessionId
            """,
            new
            {
                item.Id,
                sessionId,
                json = item.Frozen is { } frozen ? FrozenJson(frozen) : null,
            }
        );
    }

    public static void Finish(Db db, Guid id, DateTimeOffset at) =>
        db.Run(
            "UPDATE session SET status = 'Done', version = version + 1, ended_at = @at WHERE id = @id AND status = 'Started'",
            new { id, at }
        );

    /// <summary>The sets of a session as they stand, by item and in order.</summary>
    public static ILookup<Guid, StoredSet> Sets(Db db, Guid sessionId) =>
        db.Query<SetRow>(
                $"SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id WHERE i.session_id = @sessionId AND {NotSuperseded} ORDER BY l.set_no, l.part_no, l.id",
                new { sessionId }
            )
            .Select(r => r.ToStored())
            .ToLookup(s => s.ItemId);

    /// <summary>The sets of an athlete's sessions from a day to another, as they stand, by item and in order.</summary>
    public static ILookup<Guid, StoredSet> Sets(Db db, Guid athleteId, DateOnly from, DateOnly to) =>
        db.Query<SetRow>(
                $"""
                SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id JOIN session s ON s.id = i.session_id
                WHERE s.athlete_id = @athleteId AND s.day BETWEEN @from AND @to AND {NotSuperseded}
                ORDER BY l.set_no, l.part_no, l.id
                """,
                new
                {
                    athleteId,
                    from,
                    to,
                }
            )
            .Select(r => r.ToStored())
            .ToLookup(s => s.ItemId);

    /// <summary>Sets of a session that were corrected, by the set that superseded each.</summary>
    public static IReadOnlyDictionary<Guid, StoredSet> Superseded(Db db, Guid sessionId) => Superseded(db, [sessionId]);

    /// <summary>Sets of some sessions that were corrected, by the set that superseded each.</summary>
    public static IReadOnlyDictionary<Guid, StoredSet> Superseded(Db db, IReadOnlyCollection<Guid> sessions)
    {
        var newer = db.Query<SupersededRow>(
                """
                SELECT n.supersedes AS old, n.id AS newer FROM session_item i CROSS JOIN logged_set n ON n.item_id = i.id
                WHERE i.session_id IN @sessions AND n.supersedes IS NOT NULL
                """,
                new { sessions = Ids.In(sessions) }
            )
            .ToDictionary(r => r.Old, r => r.Newer);
        return newer.Count == 0
            ? new Dictionary<Guid, StoredSet>()
            : db.Query<SetRow>($"SELECT {SetColumns} WHERE l.id IN @ids", new { ids = Ids.In(newer.Keys) })
                .Select(r => r.ToStored())
                .ToDictionary(s => newer[s.Id]);
    }

    /// <summary>How many sets of each item of an athlete are logged.</summary>
    public static ItemCounts SetCounts(Db db, Guid athleteId, DateOnly from) =>
        new(
            db.Query<(Guid ItemId, long Count)>(
                    $"SELECT l.item_id, count(*) FROM session s JOIN session_item i ON i.session_id = s.id JOIN logged_set l ON l.item_id = i.id WHERE s.athlete_id = @athleteId AND s.day >= @from AND {NotSuperseded} GROUP BY l.item_id",
                    new { athleteId, from }
                )
                .ToDictionary(r => r.ItemId, r => (int)r.Count)
        );

    /// <summary>A set by its id, superseded or not; null: there is none.</summary>
    public static StoredSet? FindSet(Db db, Guid id) =>
        db.Query<SetRow>($"SELECT {SetColumns} WHERE l.id = @id", new { id })
            .Select(r => r.ToStored())
            .FirstOrDefault();

    /// <summary>Appends a set, or a correction of one; sending the same one again changes nothing.</summary>
    public static void AddSet(Db db, StoredSet set, Guid? supersedes, Stamp stamp) =>
        Append(db, set, supersedes, withdrawn: false, stamp);

    /// <summary>Takes a set back: it stays in the file and counts no more.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="set">As it stands.</param>
    /// <param name="id">Of the withdrawal; sending it twice takes back once.</param>
    /// <param name="stamp">Of the withdrawal.</param>
    public static void Withdraw(Db db, StoredSet set, Guid id, Stamp stamp) =>
        Append(db, set with { Id = id }, set.Id, withdrawn: true, stamp);

    /// <summary>Was it superseded by another, or withdrawn?</summary>
    public static bool Stands(Db db, Guid id) =>
        db.One<long>($"SELECT EXISTS (SELECT 1 FROM logged_set l WHERE l.id = @id AND {NotSuperseded})", new { id })
        == 1;

    private static void Append(Db db, StoredSet set, Guid? supersedes, bool withdrawn, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO logged_set (id, item_id, set_no, part_no, reps, seconds, added_value, added_unit, reserve, form, pain, pain_place, total, contact, sagged, rested_seconds, sign,
              set_up_json, failed_at, fault, note, done_at, withdrawn, supersedes, written_at, written_by)
            VALUES (@Id, @ItemId, @Set, @Part, @Reps, @Seconds, @AddedValue, @AddedUnit, @Reserve, @Form, @Pain, @PainPlace, @Total, @Contact, @Sagged, @RestedSeconds, @Sign,
              @SetUp, @FailedAt, @Fault, @Note, @DoneAt, @withdrawn, @supersedes, @At, @By)
            ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                set.Id,
                set.ItemId,
                Set = (long)set.Set.Set,
                Part = (long)set.Set.Part,
                Reps = (long)set.Set.Reps,
                Seconds = (long?)set.Set.Seconds,
                AddedValue = set.Set.Added.Value,
                AddedUnit = set.Set.Added.Unit.ToString(),
                Reserve = (long?)set.Set.Reserve,
                Form = set.Set.Form.ToString(),
                Pain = (long?)set.Set.Pain,
                set.Set.PainPlace,
                Total = (long?)set.Set.Total,
                Contact = set.Set.Contact?.ToString(),
                set.Set.Sagged,
                RestedSeconds = (long?)set.Set.RestedSeconds,
                Sign = set.Set.Sign?.ToString(),
                SetUp = set.Set.SetUp.IsEmpty ? null : JsonSerializer.Serialize(set.Set.SetUp.Parts, Json),
                FailedAt = set.Set.FailedAt?.ToString(),
                set.Set.Fault,
                set.Set.Note,
                set.DoneAt,
                withdrawn,
                supersedes,
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>What an athlete did, oldest first.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="athleteId">Whose.</param>
    /// <param name="today">A session that was started on an earlier day counts as done.</param>
    /// <param name="from">The first day; null: all there is.</param>
    public static IReadOnlyList<Exposure> Exposures(Db db, Guid athleteId, DateOnly today, DateOnly? from = null)
    {
        // All there ever was is read seldom, and would be much to keep.
        if (from is not { } since)
            return ReadExposures(db, athleteId, today, DateOnly.MinValue);
        var marks = db.Query<MarkRow>(
            $"""
            SELECT s.id, s.version,
              (SELECT count(*) FROM session_item i JOIN logged_set l ON l.item_id = i.id WHERE i.session_id = s.id) AS sets
            FROM session s WHERE s.athlete_id = @athleteId AND s.day >= @since AND {Counts} ORDER BY s.day, s.id
            """,
            new
            {
                athleteId,
                today,
                since,
            }
        );
        // Of each session its own state counts, whatever else was written about the athlete.
        var key = new ReadingKey(typeof(Dictionary<Guid, SessionExposures>), athleteId, 0, DateOnly.MinValue);
        var known = db.Sessions.Find<Dictionary<Guid, SessionExposures>>(key) ?? [];
        var now = marks
            .Where(m => known.TryGetValue(m.Id, out var k) && (k.Version, k.Sets) == (m.Version, m.Sets))
            .ToDictionary(m => m.Id, m => known[m.Id]);
        MarkRow[] changed = [.. marks.Where(m => !now.ContainsKey(m.Id))];
        var read = (
            changed.Length > OneByOne
                ? ReadExposures(db, athleteId, today, since)
                : changed.SelectMany(m => OfSession(db, m.Id))
        ).ToLookup(e => e.SessionId);
        foreach (var mark in changed)
            now[mark.Id] = new(mark.Version, mark.Sets, [.. read[mark.Id]]);
        // What a transaction has written may be rolled back.
        if (db.Transaction is null)
            db.Sessions.Keep(key, now);
        return [.. marks.SelectMany(m => now[m.Id].Exposures)];
    }

    /// <summary>So few sessions are read by themselves, more of them with the others.</summary>
    private const int OneByOne = 4;

    private static IEnumerable<Exposure> OfSession(Db db, Guid id) =>
        Assemble(
                Sessions(db, "s.id = @id ORDER BY i.position", new { id }),
                db.Query<SetRow>(
                    $"""
                    SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id
                    WHERE i.session_id = @id AND {NotSuperseded} ORDER BY l.set_no, l.part_no
                    """,
                    new { id }
                )
            )
            .Select(e => e.Exposure);

    private static IReadOnlyList<Exposure> ReadExposures(Db db, Guid athleteId, DateOnly today, DateOnly since) =>
        [
            .. Assemble(
                    Sessions(
                        db,
                        $"s.athlete_id = @athleteId AND s.day >= @since AND {Counts} ORDER BY s.day, s.id, i.position",
                        new
                        {
                            athleteId,
                            today,
                            since,
                        }
                    ),
                    db.Query<SetRow>(
                        $"""
                        SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id JOIN session s ON s.id = i.session_id
                        WHERE s.athlete_id = @athleteId AND s.day >= @since AND {NotSuperseded} ORDER BY l.set_no, l.part_no
                        """,
                        new { athleteId, since }
                    )
                )
                .Select(e => e.Exposure),
        ];

    /// <summary>All that an athlete did of one movement, oldest first.</summary>
    public static IReadOnlyList<Exposure> ExposuresOf(Db db, Guid athleteId, string movement, DateOnly today) =>
        [
            .. Assemble(
                    Sessions(
                        db,
                        $"""
                        s.athlete_id = @athleteId AND {Counts}
                        AND EXISTS (SELECT 1 FROM session_item x WHERE x.session_id = s.id AND x.movement = @movement) ORDER BY s.day, s.id, i.position
                        """,
                        new
                        {
                            athleteId,
                            movement,
                            today,
                        }
                    ),
                    db.Query<SetRow>(
                        $"""
                        SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id JOIN session s ON s.id = i.session_id
                        WHERE s.athlete_id = @athleteId AND i.movement = @movement AND {NotSuperseded} ORDER BY l.set_no, l.part_no
                        """,
                        new { athleteId, movement }
                    )
                )
                .Select(e => e.Exposure),
        ];

    /// <summary>What was done of one movement in some sessions, in whatever order.</summary>
    public static IReadOnlyList<Exposure> ExposuresIn(Db db, IReadOnlyCollection<Guid> sessions, string movement) =>
        [
            .. Assemble(
                    Sessions(db, "s.id IN @ids ORDER BY s.id, i.position", new { ids = Ids.In(sessions) }),
                    db.Query<SetRow>(
                        $"""
                        SELECT {SetColumns} JOIN session_item i ON i.id = l.item_id
                        WHERE i.session_id IN @ids AND i.movement = @movement AND {NotSuperseded}
                        ORDER BY l.set_no, l.part_no
                        """,
                        new { ids = Ids.In(sessions), movement }
                    )
                )
                .Select(e => e.Exposure),
        ];

    /// <summary>The latest sessions in which an athlete logged a set of a movement, newest first.</summary>
    public static IReadOnlyList<Guid> LatestOf(Db db, Guid athleteId, string movement, int count) =>
        [
            .. db.Query<NextRow>(
                    $"""
                    SELECT s.id FROM session s
                    WHERE s.athlete_id = @athleteId AND s.status <> 'Planned' AND EXISTS (
                      SELECT 1 FROM session_item i JOIN logged_set l ON l.item_id = i.id
                      WHERE i.session_id = s.id AND i.movement = @movement AND {NotSuperseded})
                    ORDER BY s.day DESC, s.id DESC LIMIT @count
                    """,
                    new
                    {
                        athleteId,
                        movement,
                        count,
                    }
                )
                .Select(r => r.Id),
        ];

    /// <summary>A set with all that it was before it was corrected, oldest first, each with who wrote it.</summary>
    public static IReadOnlyList<SetVersion> History(Db db, Guid setId) =>
        [
            .. db.Query<VersionRow>(
                    """
                    WITH RECURSIVE version (id, age) AS (
                      SELECT @setId, 0
                      UNION ALL
                      SELECT l.supersedes, version.age + 1 FROM version JOIN logged_set l ON l.id = version.id
                      WHERE l.supersedes IS NOT NULL)
                    SELECT l.id, l.written_at, l.written_by FROM version JOIN logged_set l ON l.id = version.id
                    ORDER BY version.age DESC
                    """,
                    new { setId }
                )
                .Select(v => new SetVersion(FindSet(db, v.Id)!, new(v.WrittenAt, v.WrittenBy))),
        ];

    /// <summary>Every movement that an athlete ever logged a set of.</summary>
    public static IReadOnlyList<string> Trained(Db db, Guid athleteId) =>
        [
            .. db.Query<MovementRow>(
                    """
                    SELECT DISTINCT i.movement FROM session s JOIN session_item i ON i.session_id = s.id
                    WHERE s.athlete_id = @athleteId AND EXISTS (SELECT 1 FROM logged_set l WHERE l.item_id = i.id)
                    """,
                    new { athleteId }
                )
                .Select(r => r.Movement),
        ];

    /// <summary>The first day on which an athlete logged a set; null: none.</summary>
    public static DateOnly? FirstDay(Db db, Guid athleteId) =>
        db.Query<DayRow>(
                """
                SELECT s.day FROM session s WHERE s.athlete_id = @athleteId AND EXISTS (
                  SELECT 1 FROM session_item i JOIN logged_set l ON l.item_id = i.id WHERE i.session_id = s.id)
                ORDER BY s.day LIMIT 1
                """,
                new { athleteId }
            )
            .Select(r => (DateOnly?)r.Day)
            .FirstOrDefault();

    private sealed record DayRow(DateOnly Day);

    /// <summary>A session counts once it is finished, or when its day is over.</summary>
    private const string Counts = "(s.status = 'Done' OR (s.status = 'Started' AND s.day < @today))";

    /// <summary>Rows of one session stand together, in the order of its items.</summary>
    private static IEnumerable<StoredSession> Sessions(Db db, string where, object args, string columns = Columns)
    {
        StoredSession? session = null;
        var items = new List<StoredItem>();
        foreach (var row in db.Query<SessionRow>($"SELECT {columns} WHERE {where}", args))
        {
            if (session?.Id != row.Id)
            {
                if (session is not null)
                    yield return session with
                    {
                        Items = [.. items],
                    };
                session = row.ToSession();
                items.Clear();
            }

            if (row.ToItem() is { } item)
                items.Add(item);
        }

        if (session is not null)
            yield return session with
            {
                Items = [.. items],
            };
    }

    private static IEnumerable<(Guid AthleteId, Exposure Exposure)> Assemble(
        IEnumerable<StoredSession> sessions,
        IEnumerable<SetRow> sets
    )
    {
        var byItem = sets.Select(s => s.ToStored()).ToLookup(s => s.ItemId, s => s.Set);
        foreach (var session in sessions)
        {
            // What took over from another at the bar is no exercise more.
            var inCircuit = Circuit.Of([
                .. session.Items.Select(i => (i.Joined, i.InsteadOf is null ? i.Role : ItemRole.Preparation)),
            ]);
            for (var i = 0; i < session.Items.Count; i++)
            {
                var item = session.Items[i];
                if (item is { Frozen: { } frozen, Plan: { } plan } && byItem[item.Id].Any())
                {
                    yield return (
                        session.AthleteId,
                        new Exposure(
                            session.Id,
                            session.Day,
                            item.Movement,
                            plan,
                            [.. frozen.LoadsKg.Select(Mass.FromKilograms)],
                            session.Easy || item.Relief == Relief.Deload,
                            Mass.FromKilograms(frozen.BodyMassKg),
                            [.. byItem[item.Id]]
                        )
                        {
                            Role = item.Role,
                            Position = i,
                            InCircuit = inCircuit[i],
                            // What was cut short, or took over from another at the bar, says nothing of progress.
                            Eased = item.Relief == Relief.Ease || item.Ended is not null || item.InsteadOf is not null,
                        }
                    );
                }
            }
        }
    }

    private sealed record MovementRow(string Movement);

    private sealed record MarkRow(Guid Id, long Version, long Sets);

    private sealed record NextRow(Guid Id);

    private sealed record VersionRow(Guid Id, DateTimeOffset WrittenAt, Guid WrittenBy);

    private sealed record HeadRow(Guid Id, Guid AthleteId, string Status, string Title, long FrameSeconds);

    private sealed record SupersededRow(Guid Old, Guid Newer);
}
