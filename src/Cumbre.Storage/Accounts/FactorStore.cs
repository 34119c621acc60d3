namespace Cumbre.Storage.Accounts;

/// <summary>A second factor as it is kept.</summary>
/// <param name="Secret">Protected.</param>
/// <param name="BegunAt">When a first code confirmed it; null: it was only shown.</param>
/// <param name="LastStep">Of the newest code that was taken: none is taken twice.</param>
public sealed record StoredFactor(string Secret, DateTimeOffset? BegunAt, long LastStep);

/// <summary>Second factors, and the codes that stand in for one.</summary>
public static class FactorStore
{
    public static StoredFactor? Find(Db db, Guid account) =>
        db.One<StoredFactor>(
            "SELECT secret, begun_at, last_step FROM second_factor WHERE account_id = @account",
            new { account }
        );

    /// <summary>Keeps a secret that was shown; what was there before and never confirmed is gone.</summary>
    public static void Show(Db db, Guid account, string secret)
    {
        Remove(db, account);
        db.Run("INSERT INTO second_factor (account_id, secret) VALUES (@account, @secret)", new { account, secret });
    }

    public static void Begin(Db db, Guid account, DateTimeOffset at, IEnumerable<byte[]> codes)
    {
        db.Run("UPDATE second_factor SET begun_at = @at WHERE account_id = @account", new { account, at });
        foreach (var code in codes)
            db.Run("INSERT INTO recovery_code (account_id, code_hash) VALUES (@account, @code)", new { account, code });
    }

    /// <summary>Takes a time step; false: it, or a later one, was taken before.</summary>
    public static bool Take(Db db, Guid account, long step) =>
        db.Run(
            "UPDATE second_factor SET last_step = @step WHERE account_id = @account AND last_step < @step",
            new { account, step }
        ) > 0;

    /// <summary>Takes a recovery code; false: it is none, or was taken before.</summary>
    public static bool TakeCode(Db db, Guid account, byte[] code) =>
        db.Run("DELETE FROM recovery_code WHERE account_id = @account AND code_hash = @code", new { account, code })
        > 0;

    /// <summary>How many recovery codes are left.</summary>
    public static long CodesLeft(Db db, Guid account) =>
        db.One<long>("SELECT count(*) FROM recovery_code WHERE account_id = @account", new { account });

    public static void Remove(Db db, Guid account)
    {
        db.Run("DELETE FROM second_factor WHERE account_id = @account", new { account });
        db.Run("DELETE FROM recovery_code WHERE account_id = @account", new { account });
    }
}
