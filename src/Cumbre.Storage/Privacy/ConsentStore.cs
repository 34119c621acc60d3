using Cumbre.Storage.Ended;

namespace Cumbre.Storage.Privacy;

/// <summary>Who gave a consent.</summary>
public enum ConsentAs
{
    Athlete,
    Guardian,

    /// <summary>Signed on paper, and noted by a coach.</summary>
    Paper,
}

/// <summary>A consent to what the club tells of a person's data.</summary>
/// <param name="Id">Made by whoever writes it.</param>
/// <param name="AthleteId">Whose data.</param>
/// <param name="As">Who gave it.</param>
/// <param name="Name">As it was signed.</param>
/// <param name="Day">On which it was signed.</param>
/// <param name="TextVersion">Of the text that was read.</param>
/// <param name="GivenAt">When it was written down.</param>
/// <param name="GivenBy">The account.</param>
/// <param name="WithdrawnAt">Null: it holds.</param>
public sealed record StoredConsent(
    Guid Id,
    Guid AthleteId,
    ConsentAs As,
    string Name,
    DateOnly Day,
    long TextVersion,
    DateTimeOffset GivenAt,
    Guid GivenBy,
    DateTimeOffset? WithdrawnAt
);

/// <summary>Consents. One that is withdrawn stays as having been.</summary>
public static class ConsentStore
{
    private const string Columns =
        "id, athlete_id, given_as, name, day, text_version, given_at, given_by, withdrawn_at";

    /// <summary>The newest first.</summary>
    public static IReadOnlyList<StoredConsent> Of(Db db, Guid athlete) =>
        [
            .. db.Query<ConsentRow>(
                    $"SELECT {Columns} FROM consent WHERE athlete_id = @athlete ORDER BY given_at DESC, id DESC",
                    new { athlete }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>Adds one; the same again changes nothing.</summary>
    public static bool Add(Db db, StoredConsent consent) =>
        db.Run(
            """
            INSERT INTO consent (id, athlete_id, given_as, name, day, text_version, given_at, given_by)
            VALUES (@Id, @AthleteId, @As, @Name, @Day, @TextVersion, @GivenAt, @GivenBy) ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                consent.Id,
                consent.AthleteId,
                As = consent.As.ToString(),
                consent.Name,
                consent.Day,
                consent.TextVersion,
                consent.GivenAt,
                consent.GivenBy,
            }
        ) > 0;

    /// <summary>Withdraws all that hold.</summary>
    /// <returns>How many.</returns>
    public static int Withdraw(Db db, Guid athlete, Stamp stamp)
    {
        var withdrawn = db.Query<Guid>(
            """
            UPDATE consent SET withdrawn_at = @At, withdrawn_by = @By
            WHERE athlete_id = @athlete AND withdrawn_at IS NULL RETURNING id
            """,
            new
            {
                athlete,
                stamp.At,
                stamp.By,
            }
        );
        foreach (var id in withdrawn)
            EndStore.Note(db, EndKind.Consent, stamp.At, id);
        return withdrawn.Count;
    }

    /// <summary>When the last consent was withdrawn; null: one holds, or none was ever given.</summary>
    public static DateTimeOffset? WithdrawnAt(Db db, Guid athlete) =>
        Of(db, athlete) is { Count: > 0 } all && all.All(c => c.WithdrawnAt is not null)
            ? all.Max(c => c.WithdrawnAt)
            : null;

    /// <summary>A guardian's consent is what the rules for the young read.</summary>
    public static void NoteGuardian(Db db, Guid athlete, bool given) =>
        db.Run(
            "UPDATE athlete SET guardian_consent = @given, version = version + 1 WHERE id = @athlete",
            new { athlete, given }
        );

    private sealed record ConsentRow(
        Guid Id,
        Guid AthleteId,
        string GivenAs,
        string Name,
        DateOnly Day,
        long TextVersion,
        DateTimeOffset GivenAt,
        Guid GivenBy,
        DateTimeOffset? WithdrawnAt
    )
    {
        public StoredConsent ToStored() =>
            new(Id, AthleteId, Enum.Parse<ConsentAs>(GivenAs), Name, Day, TextVersion, GivenAt, GivenBy, WithdrawnAt);
    }
}

/// <summary>What the club tells people of their data.</summary>
/// <param name="Version">From 1; 0: the text that ships, which nobody has adapted.</param>
/// <param name="Text">Plain paragraphs.</param>
/// <param name="WrittenAt">Null: it shipped.</param>
public sealed record PrivacyText(long Version, string Text, DateTimeOffset? WrittenAt);

/// <summary>The club's own texts, and how long it keeps people.</summary>
public static class PrivacyStore
{
    /// <summary>The one that holds; null: nobody has adapted it.</summary>
    public static PrivacyText? Newest(Db db) =>
        db.One<PrivacyText>("SELECT version, text, written_at FROM privacy_text ORDER BY version DESC LIMIT 1");

    /// <summary>Writes the next version; stale when another was written meanwhile.</summary>
    public static Written Put(Db db, long after, string text, Stamp stamp)
    {
        if ((Newest(db)?.Version ?? 0) != after)
            return Written.Stale;
        db.Run(
            "INSERT INTO privacy_text (version, text, written_at, written_by) VALUES (@version, @text, @At, @By)",
            new
            {
                version = after + 1,
                text,
                stamp.At,
                stamp.By,
            }
        );
        return Written.Done;
    }

    /// <summary>Months after which an archived athlete is erased; null: only by hand.</summary>
    public static long? KeepMonths(Db db) => db.One<long?>("SELECT keep_months FROM club");

    public static void SetKeepMonths(Db db, int? months) =>
        db.Run("UPDATE club SET keep_months = @months", new { months });

    /// <summary>Who was archived before an instant, the longest first.</summary>
    public static IReadOnlyList<(Guid Id, string Name, DateTimeOffset At)> ArchivedBefore(
        Db db,
        DateTimeOffset before
    ) =>
        [
            .. db.Query<ArchivedRow>(
                    "SELECT id, name, archived_at AS at FROM athlete WHERE archived_at < @before ORDER BY archived_at",
                    new { before }
                )
                .Select(r => (r.Id, r.Name, r.At)),
        ];

    private sealed record ArchivedRow(Guid Id, string Name, DateTimeOffset At);
}
