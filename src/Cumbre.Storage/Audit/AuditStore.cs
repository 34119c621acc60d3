namespace Cumbre.Storage.Audit;

/// <summary>What happened. Each has words of its own in the interface.</summary>
public enum AuditKind
{
    /// <summary>Noted in the words of an earlier version.</summary>
    Earlier,

    OwnerMade,
    SignedIn,
    SignInFailed,
    SignedOut,
    SignInEnded,
    SignInsEnded,
    PasswordChanged,
    PasswordRecovered,
    SecondFactorOn,
    SecondFactorOff,
    RecoveryCodeUsed,
    RecoveryLinkMade,

    Invited,
    InvitationWithdrawn,
    Joined,
    RoleChanged,
    AccessEnded,
    AccessGivenBack,
    AccountErased,

    AthleteMade,
    ProfileChanged,
    SchoolsChanged,
    IntakeChanged,
    ClearanceChanged,
    ComplaintsChanged,
    Archived,
    TakenBack,
    PersonErased,
    Exported,
    Imported,
    ImportUndone,

    ConsentGiven,
    ConsentWithdrawn,
    PrivacyTextWritten,
    RetentionChanged,

    ClubChanged,
    BackupMade,
    Restored,

    ResultCorrected,
    ResultRemoved,
    TestDayRemoved,
    PlacementSet,
    PlacementGivenBack,
    HalfStepTaken,
    HalfStepRemoved,
    PlannedAgainstCaution,
    KeptAgainstCaution,
    StopCleared,
    BlockPublished,
    BlockRemoved,
    BlockSent,

    ClubSchoolChanged,
    ClubKitChanged,
    MovementWritten,
    LadderWritten,
}

/// <summary>What is to be noted.</summary>
/// <param name="Kind">What happened.</param>
public sealed record AuditNote(AuditKind Kind)
{
    /// <summary>Whom it concerns; null: nobody alone.</summary>
    public Guid? Athlete { get; init; }

    /// <summary>The row it is about: a test, a session, an account.</summary>
    public Guid? Subject { get; init; }

    public string? Before { get; init; }

    public string? After { get; init; }

    public string? Reason { get; init; }
}

/// <summary>An entry as it is read.</summary>
/// <param name="Seq">From 1, without gaps.</param>
/// <param name="At">When.</param>
/// <param name="Kind">What.</param>
/// <param name="By">Name of the account; null: nobody was signed in, or it is gone.</param>
/// <param name="AthleteId">Whom it concerns.</param>
/// <param name="Athlete">Their name.</param>
/// <param name="Before">What stood before.</param>
/// <param name="After">What stands now, or more of what happened.</param>
/// <param name="Reason">As it was given.</param>
/// <param name="Erased">What it said was erased with a person.</param>
public sealed record AuditEntry(
    long Seq,
    DateTimeOffset At,
    AuditKind Kind,
    string? By,
    Guid? AthleteId,
    string? Athlete,
    string? Before,
    string? After,
    string? Reason,
    bool Erased
);

/// <summary>What is asked of the audit; null: any.</summary>
public sealed record AuditQuery
{
    public Guid? Athlete { get; init; }

    public Guid? Account { get; init; }

    public IReadOnlyList<AuditKind> Kinds { get; init; } = [];

    public DateTimeOffset? From { get; init; }

    /// <summary>Before this instant.</summary>
    public DateTimeOffset? Until { get; init; }

    /// <summary>Older than this entry.</summary>
    public long? Below { get; init; }

    public int Limit { get; init; } = 100;
}

/// <summary>Who did what, when and why. Entries are added, and never changed or removed.</summary>
public static class AuditStore
{
    /// <summary>When something was noted last; null: nothing was.</summary>
    public static DateTimeOffset? NewestAt(Db db) =>
        db.One<DateTimeOffset?>("SELECT at FROM audit_entry ORDER BY seq DESC LIMIT 1");

    private const string Columns = """
        e.seq, e.at, e.kind, n.name AS by, v.athlete_id, a.name AS athlete, v.before, v.after, v.reason, v.seq IS NULL AS erased
        FROM audit_entry e LEFT JOIN audit_value v ON v.seq = e.seq
        LEFT JOIN account n ON n.id = v.account_id LEFT JOIN athlete a ON a.id = v.athlete_id
        """;

    /// <summary>What became of something, the newest first.</summary>
    public static IReadOnlyList<AuditEntry> Of(Db db, Guid subjectId) =>
        Read(db, $"SELECT {Columns} WHERE v.subject_id = @subjectId ORDER BY e.seq DESC", new { subjectId });

    /// <summary>The newest first.</summary>
    public static IReadOnlyList<AuditEntry> Find(Db db, AuditQuery query)
    {
        List<string> conditions = ["1"];
        if (query.Athlete is not null)
            conditions.Add("v.athlete_id = @Athlete");
        if (query.Account is not null)
            conditions.Add("v.account_id = @Account");
        if (query.Kinds.Count > 0)
            conditions.Add("e.kind IN @Kinds");
        if (query.From is not null)
            conditions.Add("e.at >= @From");
        if (query.Until is not null)
            conditions.Add("e.at < @Until");
        if (query.Below is not null)
            conditions.Add("e.seq < @Below");
        return Read(
            db,
            $"SELECT {Columns} WHERE {string.Join(" AND ", conditions)} ORDER BY e.seq DESC LIMIT @Limit",
            new
            {
                query.Athlete,
                query.Account,
                Kinds = query.Kinds.Select(k => k.ToString()).ToArray(),
                query.From,
                query.Until,
                query.Below,
                query.Limit,
            }
        );
    }

    public static void Add(Db db, AuditNote note, Stamp stamp) => Add(db, note, stamp.At, stamp.By);

    /// <param name="db">In a transaction: of two writers one comes first.</param>
    /// <param name="note">What happened.</param>
    /// <param name="at">When.</param>
    /// <param name="by">The account; null: nobody is signed in.</param>
    public static void Add(Db db, AuditNote note, DateTimeOffset at, Guid? by)
    {
        var last = db.One<LastRow>("SELECT seq, seal FROM audit_entry WHERE seq = (SELECT max(seq) FROM audit_entry)");
        var content = new AuditContent(by, note.Athlete, note.Subject, note.Before, note.After, note.Reason);
        var salt = AuditChain.NewSalt();
        var digest = content.Digest(salt);
        var entry = new AuditLink((last?.Seq ?? 0) + 1, Instant.Text(at), note.Kind.ToString(), digest);
        db.Run(
            "INSERT INTO audit_entry (seq, at, kind, digest, seal) VALUES (@Seq, @At, @Kind, @Digest, @seal)",
            new
            {
                entry.Seq,
                entry.At,
                entry.Kind,
                entry.Digest,
                seal = entry.Seal(last?.Seal),
            }
        );
        db.Run(
            """
            INSERT INTO audit_value (seq, salt, account_id, athlete_id, subject_id, before, after, reason)
            VALUES (@Seq, @salt, @by, @Athlete, @Subject, @Before, @After, @Reason)
            """,
            new
            {
                entry.Seq,
                salt,
                by,
                note.Athlete,
                note.Subject,
                note.Before,
                note.After,
                note.Reason,
            }
        );
    }

    private static IReadOnlyList<AuditEntry> Read(Db db, string sql, object args) =>
        [.. db.Query<EntryRow>(sql, args).Select(r => r.ToEntry())];

    private sealed record LastRow(long Seq, byte[] Seal);

    private sealed record EntryRow(
        long Seq,
        DateTimeOffset At,
        string Kind,
        string? By,
        Guid? AthleteId,
        string? Athlete,
        string? Before,
        string? After,
        string? Reason,
        long Erased
    )
    {
        public AuditEntry ToEntry() =>
            new(Seq, At, Enum.Parse<AuditKind>(Kind), By, AthleteId, Athlete, Before, After, Reason, Erased == 1);
    }
}
