namespace Cumbre.Storage.Accounts;

/// <summary>A link that lets somebody in, once.</summary>
/// <param name="Id">By which it is withdrawn.</param>
/// <param name="AccountId">An account that has lost its password; null: it invites somebody new.</param>
/// <param name="AthleteId">Who they are, or whose guardian.</param>
/// <param name="Role">What they become.</param>
/// <param name="Name">Whom it is for.</param>
/// <param name="SeesSomeOnly">A coach of some.</param>
/// <param name="Until">Of a guardian: the last day on which they see anything.</param>
/// <param name="MadeAt">When.</param>
/// <param name="MadeBy">Null: at the machine.</param>
/// <param name="EndsAt">It is worth nothing from then on.</param>
public sealed record StoredLink(
    Guid Id,
    Guid? AccountId,
    Guid? AthleteId,
    string Role,
    string Name,
    bool SeesSomeOnly,
    DateOnly? Until,
    DateTimeOffset MadeAt,
    Guid? MadeBy,
    DateTimeOffset EndsAt
);

/// <summary>Links by what their token hashes to. One that was used is gone.</summary>
public static class LinkStore
{
    private const string Columns =
        "id, account_id, athlete_id, role, name, some_only, until, made_at, made_by, ends_at";

    public static void Add(Db db, StoredLink link, byte[] tokenHash) =>
        db.Run(
            $"""
            INSERT INTO link ({Columns}, token_hash)
            VALUES (@Id, @AccountId, @AthleteId, @Role, @Name, @SeesSomeOnly, @Until, @MadeAt, @MadeBy, @EndsAt, @tokenHash)
            """,
            new
            {
                link.Id,
                link.AccountId,
                link.AthleteId,
                link.Role,
                link.Name,
                link.SeesSomeOnly,
                link.Until,
                link.MadeAt,
                link.MadeBy,
                link.EndsAt,
                tokenHash,
            }
        );

    /// <summary>Whom an invited coach of some will see.</summary>
    public static void Give(Db db, Guid link, IEnumerable<Guid> athletes, IEnumerable<Guid> groups)
    {
        foreach (var athlete in athletes)
            db.Run("INSERT INTO link_athlete (link_id, athlete_id) VALUES (@link, @athlete)", new { link, athlete });
        foreach (var group in groups)
            db.Run("INSERT INTO link_group (link_id, group_id) VALUES (@link, @group)", new { link, group });
    }

    public static (IReadOnlyList<Guid> Athletes, IReadOnlyList<Guid> Groups) Given(Db db, Guid link) =>
        (
            db.Query<Guid>("SELECT athlete_id FROM link_athlete WHERE link_id = @link", new { link }),
            db.Query<Guid>("SELECT group_id FROM link_group WHERE link_id = @link", new { link })
        );

    /// <summary>Null: there is none, or no longer.</summary>
    public static StoredLink? Find(Db db, byte[] tokenHash, DateTimeOffset now) =>
        db.One<LinkRow>(
                $"SELECT {Columns} FROM link WHERE token_hash = @tokenHash AND ends_at > @now",
                new { tokenHash, now }
            )
            ?.ToStored();

    public static StoredLink? ById(Db db, Guid id) =>
        db.One<LinkRow>($"SELECT {Columns} FROM link WHERE id = @id", new { id })?.ToStored();

    /// <summary>Those that still let somebody in, the newest first.</summary>
    public static IReadOnlyList<StoredLink> Open(Db db, DateTimeOffset now) =>
        [
            .. db.Query<LinkRow>(
                    $"SELECT {Columns} FROM link WHERE ends_at > @now ORDER BY made_at DESC, id DESC",
                    new { now }
                )
                .Select(r => r.ToStored()),
        ];

    public static bool Remove(Db db, Guid id) => db.Run("DELETE FROM link WHERE id = @id", new { id }) > 0;

    /// <summary>Links to an account: a new one makes the older worthless.</summary>
    public static void RemoveOf(Db db, Guid accountId) =>
        db.Run("DELETE FROM link WHERE account_id = @accountId", new { accountId });

    /// <summary>Invitations of an athlete to their own account: a new one makes the older worthless.</summary>
    public static void RemoveOwn(Db db, Guid athleteId) =>
        db.Run(
            "DELETE FROM link WHERE athlete_id = @athleteId AND role = 'athlete' AND account_id IS NULL",
            new { athleteId }
        );

    /// <summary>Removes what has ended.</summary>
    public static void Prune(Db db, DateTimeOffset now) =>
        db.Run("DELETE FROM link WHERE ends_at <= @now", new { now });

    private sealed record LinkRow(
        Guid Id,
        Guid? AccountId,
        Guid? AthleteId,
        string Role,
        string Name,
        long SomeOnly,
        DateOnly? Until,
        DateTimeOffset MadeAt,
        Guid? MadeBy,
        DateTimeOffset EndsAt
    )
    {
        public StoredLink ToStored() =>
            new(Id, AccountId, AthleteId, Role, Name, SomeOnly == 1, Until, MadeAt, MadeBy, EndsAt);
    }
}
