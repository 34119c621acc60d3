namespace Cumbre.Storage.Sessions;

/// <summary>A filter of the logbook that somebody keeps.</summary>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Address">What stands behind the question mark of the page's address; at most 500 characters.</param>
public sealed record LogView(string Name, string Address);

/// <summary>The filters that accounts keep by a name.</summary>
public static class LogViewStore
{
    public static IReadOnlyList<LogView> Of(Db db, Guid account) =>
        [
            .. db.Query<LogView>(
                "SELECT name, address FROM log_view WHERE account_id = @account ORDER BY name",
                new { account }
            ),
        ];

    /// <summary>Keeps a filter; one of the same name gives way.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="view">What is kept.</param>
    /// <param name="athlete">Of whom it is, where it is of one: it goes when they are erased.</param>
    /// <param name="stamp">Whose, and when.</param>
    public static void Put(Db db, LogView view, Guid? athlete, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO log_view (account_id, name, address, athlete_id, written_at) VALUES (@By, @Name, @Address, @athlete, @At)
            ON CONFLICT (account_id, name) DO UPDATE SET address = @Address, athlete_id = @athlete, written_at = @At
            """,
            new
            {
                stamp.By,
                view.Name,
                view.Address,
                athlete,
                stamp.At,
            }
        );

    public static bool Remove(Db db, Guid account, string name) =>
        db.Run("DELETE FROM log_view WHERE account_id = @account AND name = @name", new { account, name }) > 0;
}
