namespace Cumbre.Storage.Accounts;

/// <summary>Somebody who is signed in on a device.</summary>
/// <param name="Id">Of the sign-in.</param>
/// <param name="AccountId">Whose.</param>
/// <param name="Device">As its browser names itself, for instance <c>Firefox on Linux</c>.</param>
/// <param name="Kept">They stay signed in on it.</param>
/// <param name="BegunAt">When they signed in.</param>
/// <param name="SeenAt">When it last asked for something, to within some minutes.</param>
public sealed record StoredSignIn(
    Guid Id,
    Guid AccountId,
    string Device,
    bool Kept,
    DateTimeOffset BegunAt,
    DateTimeOffset SeenAt
);

/// <summary>Sign-ins by device; a key is only known here by its hash.</summary>
public static class SignInStore
{
    private const string Columns = "id, account_id, device, kept, begun_at, seen_at";

    public static void Add(Db db, StoredSignIn signIn, byte[] keyHash) =>
        db.Run(
            $"INSERT INTO sign_in ({Columns}, key_hash) VALUES (@Id, @AccountId, @Device, @Kept, @BegunAt, @SeenAt, @keyHash)",
            new
            {
                signIn.Id,
                signIn.AccountId,
                signIn.Device,
                signIn.Kept,
                signIn.BegunAt,
                signIn.SeenAt,
                keyHash,
            }
        );

    public static StoredSignIn? Find(Db db, byte[] keyHash) =>
        db.One<SignInRow>($"SELECT {Columns} FROM sign_in WHERE key_hash = @keyHash", new { keyHash })?.ToStored();

    /// <summary>Of an account, the newest first.</summary>
    public static IReadOnlyList<StoredSignIn> Of(Db db, Guid accountId) =>
        [
            .. db.Query<SignInRow>(
                    $"SELECT {Columns} FROM sign_in WHERE account_id = @accountId ORDER BY seen_at DESC, id DESC",
                    new { accountId }
                )
                .Select(r => r.ToStored()),
        ];

    public static void Seen(Db db, Guid id, DateTimeOffset at) =>
        db.Run("UPDATE sign_in SET seen_at = @at WHERE id = @id", new { id, at });

    /// <summary>Ends one; true: it was there, and the account's own.</summary>
    public static bool End(Db db, Guid accountId, Guid id) =>
        db.Run("DELETE FROM sign_in WHERE id = @id AND account_id = @accountId", new { id, accountId }) > 0;

    public static void EndByKey(Db db, byte[] keyHash) =>
        db.Run("DELETE FROM sign_in WHERE key_hash = @keyHash", new { keyHash });

    /// <summary>Ends all of an account but one; null: all.</summary>
    /// <returns>How many.</returns>
    public static int EndAll(Db db, Guid accountId, Guid? but) =>
        db.Run("DELETE FROM sign_in WHERE account_id = @accountId AND id IS NOT @but", new { accountId, but });

    /// <summary>Removes what has ended by itself: on kept devices not seen since, on shared ones begun before.</summary>
    public static void Prune(Db db, DateTimeOffset keptSeenBefore, DateTimeOffset sharedBegunBefore) =>
        db.Run(
            "DELETE FROM sign_in WHERE (kept = 1 AND seen_at < @keptSeenBefore) OR (kept = 0 AND begun_at < @sharedBegunBefore)",
            new { keptSeenBefore, sharedBegunBefore }
        );

    private sealed record SignInRow(
        Guid Id,
        Guid AccountId,
        string Device,
        long Kept,
        DateTimeOffset BegunAt,
        DateTimeOffset SeenAt
    )
    {
        public StoredSignIn ToStored() => new(Id, AccountId, Device, Kept == 1, BegunAt, SeenAt);
    }
}
