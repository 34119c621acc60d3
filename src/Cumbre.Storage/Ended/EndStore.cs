using System.Security.Cryptography;
using System.Text;

namespace Cumbre.Storage.Ended;

/// <summary>What can end and must not come back from a backup.</summary>
public enum EndKind
{
    /// <summary>An athlete who was erased.</summary>
    Person,

    /// <summary>An account that was removed.</summary>
    Account,

    /// <summary>A coach no longer has an athlete.</summary>
    CoachOf,

    /// <summary>A coach no longer has a group.</summary>
    CoachOfGroup,

    /// <summary>A consent that was withdrawn.</summary>
    Consent,
}

/// <summary>What has ended, as what its ids hash to.</summary>
public static class EndStore
{
    /// <param name="db">In a transaction.</param>
    /// <param name="kind">Of what.</param>
    /// <param name="at">When.</param>
    /// <param name="of">Its id, or the ids of its two sides.</param>
    public static void Note(Db db, EndKind kind, DateTimeOffset at, params ReadOnlySpan<Guid> of) =>
        db.Run(
            "INSERT OR IGNORE INTO ended (kind, key_hash, at) VALUES (@kind, @key, @at)",
            new
            {
                kind = kind.ToString(),
                key = Key(kind, of),
                at,
            }
        );

    /// <summary>It was given back.</summary>
    public static void Lift(Db db, EndKind kind, params ReadOnlySpan<Guid> of) =>
        db.Run(
            "DELETE FROM ended WHERE kind = @kind AND key_hash = @key",
            new { kind = kind.ToString(), key = Key(kind, of) }
        );

    /// <summary>Which of these have ended.</summary>
    internal static IReadOnlySet<string> Of(Db db, EndKind kind) =>
        db.Query<byte[]>("SELECT key_hash FROM ended WHERE kind = @kind", new { kind = kind.ToString() })
            .Select(Convert.ToHexString)
            .ToHashSet(StringComparer.Ordinal);

    internal static string Text(EndKind kind, params ReadOnlySpan<Guid> of) => Convert.ToHexString(Key(kind, of));

    private static byte[] Key(EndKind kind, ReadOnlySpan<Guid> of)
    {
        var bytes = new List<byte>(Encoding.ASCII.GetBytes(kind.ToString()));
        foreach (var id in of)
            bytes.AddRange(id.ToByteArray(bigEndian: true));
        return SHA256.HashData([.. bytes]);
    }
}
