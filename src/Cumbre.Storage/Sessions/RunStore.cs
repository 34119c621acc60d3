namespace Cumbre.Storage.Sessions;

/// <summary>What became of an entry of a device.</summary>
public enum EntryOutcome
{
    Kept,

    /// <summary>It says what is there already, or nothing that still matters.</summary>
    Same,

    /// <summary>It differs from what is there: somebody chooses.</summary>
    Asked,

    /// <summary>It does not fit, and is kept as it came.</summary>
    Refused,
}

/// <summary>What was chosen of two that differ.</summary>
public enum EntryAnswer
{
    /// <summary>What stands.</summary>
    Stored,

    /// <summary>What came later.</summary>
    Other,

    /// <summary>They are two sets.</summary>
    Both,
}

/// <summary>An entry of a device, as it came.</summary>
/// <param name="Id">Made on the device.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="SessionId">Of which session; it may be gone.</param>
/// <param name="ItemId">Of which item.</param>
/// <param name="Kind">What it is.</param>
/// <param name="At">When it was made, by the server's clock.</param>
/// <param name="Outcome">What became of it.</param>
/// <param name="Json">What was sent.</param>
/// <param name="Answer">Null: nobody was asked, or nobody has answered.</param>
public sealed record RunEntry(
    Guid Id,
    Guid AthleteId,
    Guid SessionId,
    Guid? ItemId,
    string Kind,
    DateTimeOffset At,
    EntryOutcome Outcome,
    string Json,
    EntryAnswer? Answer
);

/// <summary>How a session stands, in short.</summary>
/// <param name="SessionId">Which.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="Mark">Changes with every write.</param>
public sealed record SessionMark(Guid SessionId, Guid AthleteId, string Mark);

public static class RunStore
{
    private const string Columns =
        "SELECT id, athlete_id, session_id, item_id, kind, at, outcome, json, answer FROM run_entry";

    public static RunEntry? Find(Db db, Guid id) =>
        db.Query<EntryRow>($"{Columns} WHERE id = @id", new { id }).Select(r => r.ToEntry()).FirstOrDefault();

    /// <summary>Those of an athlete that wait for an answer, oldest first.</summary>
    public static IReadOnlyList<RunEntry> Asked(Db db, Guid athleteId) =>
        [
            .. db.Query<EntryRow>(
                    $"{Columns} WHERE athlete_id = @athleteId AND outcome = 'Asked' AND answer IS NULL ORDER BY at, id",
                    new { athleteId }
                )
                .Select(r => r.ToEntry()),
        ];

    /// <summary>The newest entry of a kind for an item of a session, or for the session as a whole.</summary>
    public static DateTimeOffset? Newest(Db db, Guid athleteId, Guid sessionId, Guid? itemId, string kind) =>
        db.One<AtRow>(
            """
            SELECT at FROM run_entry
            WHERE athlete_id = @athleteId AND session_id = @sessionId AND item_id IS @itemId AND kind = @kind AND outcome = 'Kept'
            ORDER BY at DESC LIMIT 1
            """,
            new
            {
                athleteId,
                sessionId,
                itemId,
                kind,
            }
        )?.At;

    /// <summary>
    /// The sessions of a day, and those of the day before that go on, each with a mark that changes with every write that
    /// concerns it.
    /// </summary>
    public static IReadOnlyList<SessionMark> Marks(Db db, DateOnly today) =>
        [
            .. db.Query<SessionMarkRow>(
                    """
                    SELECT s.id, s.athlete_id, s.version, coalesce(t.seq, 0) AS seq,
                      (SELECT count(*) FROM session_item i JOIN logged_set l ON l.item_id = i.id WHERE i.session_id = s.id) AS sets,
                      (SELECT count(*) FROM run_entry e WHERE e.athlete_id = s.athlete_id AND e.session_id = s.id) AS entries
                    FROM session s LEFT JOIN standing t ON t.athlete_id = s.athlete_id
                    WHERE s.day = @today OR (s.day = @before AND s.status = 'Started')
                    """,
                    new { today, before = today.AddDays(-1) }
                )
                .Select(r => new SessionMark(r.Id, r.AthleteId, $"{r.Version}.{r.Sets}.{r.Entries}.{r.Seq}")),
        ];

    public static void Add(Db db, RunEntry entry, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO run_entry (id, athlete_id, session_id, item_id, kind, at, received_at, by, outcome, json)
            VALUES (@Id, @AthleteId, @SessionId, @ItemId, @Kind, @At, @received, @By, @outcome, @Json)
            """,
            new
            {
                entry.Id,
                entry.AthleteId,
                entry.SessionId,
                entry.ItemId,
                entry.Kind,
                entry.At,
                received = stamp.At,
                stamp.By,
                outcome = entry.Outcome.ToString(),
                entry.Json,
            }
        );

    public static void Answer(Db db, Guid id, EntryAnswer answer) =>
        db.Run(
            "UPDATE run_entry SET answer = @answer WHERE id = @id AND answer IS NULL",
            new { id, answer = answer.ToString() }
        );

    private sealed record SessionMarkRow(Guid Id, Guid AthleteId, long Version, long Seq, long Sets, long Entries);

    private sealed record AtRow(DateTimeOffset At);

    private sealed record EntryRow(
        Guid Id,
        Guid AthleteId,
        Guid SessionId,
        Guid? ItemId,
        string Kind,
        DateTimeOffset At,
        string Outcome,
        string Json,
        string? Answer
    )
    {
        public RunEntry ToEntry() =>
            new(
                Id,
                AthleteId,
                SessionId,
                ItemId,
                Kind,
                At,
                Enum.Parse<EntryOutcome>(Outcome),
                Json,
                Answer is null ? null : Enum.Parse<EntryAnswer>(Answer)
            );
    }
}
