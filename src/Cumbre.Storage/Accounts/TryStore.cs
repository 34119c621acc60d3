namespace Cumbre.Storage.Accounts;

/// <summary>Tries that failed.</summary>
/// <param name="Count">How many in a row.</param>
/// <param name="LastAt">When the last one was.</param>
public sealed record FailedTries(long Count, DateTimeOffset LastAt);

/// <summary>Failed tries by what is slowed down, and the devices that are known; each only as a hash.</summary>
public static class TryStore
{
    public static FailedTries? Failed(Db db, byte[] keyHash) =>
        db.One<FailedTries>("SELECT count, last_at FROM failed_try WHERE key_hash = @keyHash", new { keyHash });

    public static void Fail(Db db, byte[] keyHash, DateTimeOffset at) =>
        db.Run(
            """
            INSERT INTO failed_try (key_hash, count, last_at) VALUES (@keyHash, 1, @at)
            ON CONFLICT DO UPDATE SET count = count + 1, last_at = excluded.last_at
            """,
            new { keyHash, at }
        );

    /// <summary>Takes one back: it was counted before it was looked at.</summary>
    public static void Forgive(Db db, byte[] keyHash)
    {
        db.Run("DELETE FROM failed_try WHERE key_hash = @keyHash AND count = 1", new { keyHash });
        db.Run("UPDATE failed_try SET count = count - 1 WHERE key_hash = @keyHash", new { keyHash });
    }

    public static void Succeed(Db db, byte[] keyHash) =>
        db.Run("DELETE FROM failed_try WHERE key_hash = @keyHash", new { keyHash });

    public static bool IsKnown(Db db, Guid account, byte[] keyHash) =>
        db.One<long>(
            "SELECT count(*) FROM known_device WHERE key_hash = @keyHash AND account_id = @account",
            new { account, keyHash }
        ) > 0;

    public static void Know(Db db, Guid account, byte[] keyHash, DateTimeOffset at) =>
        db.Run(
            """
            INSERT INTO known_device (key_hash, account_id, seen_at) VALUES (@keyHash, @account, @at)
            ON CONFLICT DO UPDATE SET seen_at = excluded.seen_at
            """,
            new
            {
                keyHash,
                account,
                at,
            }
        );

    /// <summary>No device of an account is known any more.</summary>
    public static void ForgetAll(Db db, Guid account) =>
        db.Run("DELETE FROM known_device WHERE account_id = @account", new { account });

    /// <summary>Removes tries from before an instant, and devices not seen since another.</summary>
    public static void Prune(Db db, DateTimeOffset triesBefore, DateTimeOffset devicesBefore)
    {
        db.Run("DELETE FROM failed_try WHERE last_at < @triesBefore", new { triesBefore });
        db.Run("DELETE FROM known_device WHERE seen_at < @devicesBefore", new { devicesBefore });
    }
}
