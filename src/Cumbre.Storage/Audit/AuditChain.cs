using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace Cumbre.Storage.Audit;

/// <summary>What an entry says; it can be erased, and the chain still holds.</summary>
internal sealed record AuditContent(
    Guid? Account,
    Guid? Athlete,
    Guid? Subject,
    string? Before,
    string? After,
    string? Reason
)
{
    /// <summary>SHA-256 over the salt and the fields as a JSON array: nobody guesses from it what was erased.</summary>
    public byte[] Digest(byte[] salt) =>
        SHA256.HashData([
            .. salt,
            .. JsonSerializer.SerializeToUtf8Bytes(
                new[] { Account?.ToString(), Athlete?.ToString(), Subject?.ToString(), Before, After, Reason }
            ),
        ]);
}

/// <summary>An entry as it stands in the chain.</summary>
/// <param name="Seq">From 1.</param>
/// <param name="At">As it is stored.</param>
/// <param name="Kind">As it is stored.</param>
/// <param name="Digest">Of what it says.</param>
internal sealed record AuditLink(long Seq, string At, string Kind, byte[] Digest)
{
    /// <summary>SHA-256 over the seal before and all of the entry; the first follows on zeros.</summary>
    public byte[] Seal(byte[]? before) =>
        SHA256.HashData([
            .. before ?? new byte[SHA256.HashSizeInBytes],
            .. Encoding.UTF8.GetBytes($"{Seq}\n{At}\n{Kind}\n"),
            .. Digest,
        ]);
}

/// <summary>What a check of the chain found.</summary>
/// <param name="Entries">How many there are.</param>
/// <param name="Erased">Of how many what they said was erased with a person.</param>
/// <param name="BrokenAt">The first entry that is not as it was written; null: all are.</param>
/// <param name="Head">
/// The newest seal as hexadecimal text. Who keeps it elsewhere can tell later whether the end was cut off.
/// </param>
/// <param name="HasNoted">A seal that was noted before is in the chain; null: none was given.</param>
public sealed record AuditVerdict(long Entries, long Erased, long? BrokenAt, string Head, bool? HasNoted);

/// <summary>The audit is a chain of seals that anybody with the file can check.</summary>
public static class AuditChain
{
    private const int SaltBytes = 16;

    internal static byte[] NewSalt() => RandomNumberGenerator.GetBytes(SaltBytes);

    /// <summary>Goes through the whole chain.</summary>
    /// <param name="db">The file.</param>
    /// <param name="noted">A seal from before, as hexadecimal text; null: none was kept.</param>
    public static AuditVerdict Verify(Db db, string? noted = null)
    {
        byte[]? seal = null;
        long entries = 0,
            erased = 0;
        long? broken = null;
        var found = false;
        foreach (var row in db.Query<Row>(Everything))
        {
            entries++;
            var link = new AuditLink(row.Seq, row.At, row.Kind, row.Digest);
            var isWhole =
                row.Seq == entries
                && link.Seal(seal).AsSpan().SequenceEqual(row.Seal)
                && (row.Salt is null || row.Content.Digest(row.Salt).AsSpan().SequenceEqual(row.Digest));
            if (!isWhole)
                broken ??= row.Seq;
            if (row.Salt is null)
                erased++;
            seal = row.Seal;
            found |= noted is not null && Convert.ToHexString(seal).Equals(noted, StringComparison.OrdinalIgnoreCase);
        }

        return new(
            entries,
            erased,
            broken,
            seal is null ? "" : Convert.ToHexStringLower(seal),
            noted is null ? null : found
        );
    }

    /// <summary>Takes over what an earlier version noted, once: its table is gone afterwards.</summary>
    internal static void TakeOver(Db db)
    {
        if (db.One<long>("SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name = 'audit'") == 0)
            return;
        foreach (var row in db.Query<EarlierRow>(EarlierNotes))
            AuditStore.Add(
                db,
                new(AuditKind.Earlier)
                {
                    Athlete = row.Athlete,
                    Subject = row.SubjectId,
                    After = $"{row.Subject}: {row.What}",
                    Reason = row.Reason,
                },
                row.At,
                row.By
            );
        db.Run("DROP TABLE audit");
    }

    private const string Everything = """
        SELECT e.seq, e.at, e.kind, e.digest, e.seal, v.salt, v.account_id, v.athlete_id, v.subject_id, v.before, v.after, v.reason
        FROM audit_entry e LEFT JOIN audit_value v ON v.seq = e.seq ORDER BY e.seq
        """;

    private const string EarlierNotes = """
        SELECT subject, subject_id, what, reason, at, by, coalesce(
          (SELECT id FROM athlete WHERE id = subject_id),
          (SELECT athlete_id FROM session WHERE id = subject_id),
          (SELECT s.athlete_id FROM session_item i JOIN session s ON s.id = i.session_id WHERE i.id = subject_id),
          (SELECT athlete_id FROM block WHERE id = subject_id),
          (SELECT athlete_id FROM decision WHERE id = subject_id),
          (SELECT athlete_id FROM benchmark_result WHERE id = subject_id),
          (SELECT athlete_id FROM body_mass WHERE id = subject_id),
          (SELECT athlete_id FROM check_in WHERE id = subject_id)) AS athlete
        FROM audit ORDER BY at, id
        """;

    private sealed record Row(
        long Seq,
        string At,
        string Kind,
        byte[] Digest,
        byte[] Seal,
        byte[]? Salt,
        Guid? AccountId,
        Guid? AthleteId,
        Guid? SubjectId,
        string? Before,
        string? After,
        string? Reason
    )
    {
        public AuditContent Content => new(AccountId, AthleteId, SubjectId, Before, After, Reason);
    }

    private sealed record EarlierRow(
        string Subject,
        Guid SubjectId,
        string What,
        string? Reason,
        DateTimeOffset At,
        Guid By,
        Guid? Athlete
    );
}
