using Cumbre.Storage.Ended;

namespace Cumbre.Storage.Accounts;

/// <summary>Somebody of the club with what they may see.</summary>
/// <param name="Account">Who.</param>
/// <param name="SeenAt">When a device of theirs last asked for something; null: none is signed in.</param>
/// <param name="HasSecondFactor">They sign in with a code as well.</param>
/// <param name="Athletes">Given to them: to a coach of some, or to a guardian.</param>
/// <param name="Groups">Given to a coach of some.</param>
/// <param name="Until">Of a guardian: the last day on which they see anything.</param>
public sealed record Person(
    AccountRow Account,
    DateTimeOffset? SeenAt,
    bool HasSecondFactor,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<Guid> Groups,
    DateOnly? Until
);

/// <summary>Who is in the club, and whom they see.</summary>
public static class PeopleStore
{
    public static IReadOnlyList<Person> All(Db db)
    {
        var athletes = db.Query<Given>(
                """
                SELECT account_id, athlete_id AS of, NULL AS until FROM coach_athlete
                UNION ALL SELECT account_id, athlete_id, until FROM guardian
                """
            )
            .ToLookup(g => g.AccountId);
        var groups = db.Query<Given>("SELECT account_id, group_id AS of, NULL AS until FROM coach_group")
            .ToLookup(g => g.AccountId);
        var seen = db.Query<Seen>("SELECT account_id, max(seen_at) AS at FROM sign_in GROUP BY account_id")
            .ToDictionary(s => s.AccountId, s => s.At);
        var factors = db.Query<Guid>("SELECT account_id FROM second_factor WHERE begun_at IS NOT NULL").ToHashSet();
        return
        [
            .. AccountStore
                .All(db)
                .Select(a => new Person(
                    a,
                    seen.TryGetValue(a.Id, out var at) ? at : null,
                    factors.Contains(a.Id),
                    [.. athletes[a.Id].Select(g => g.Of)],
                    [.. groups[a.Id].Select(g => g.Of)],
                    athletes[a.Id].Max(g => g.Until)
                )),
        ];
    }

    /// <summary>Gives a coach exactly these.</summary>
    public static void Give(
        Db db,
        Guid account,
        IReadOnlyCollection<Guid> athletes,
        IReadOnlyCollection<Guid> groups,
        DateTimeOffset at
    )
    {
        foreach (
            var athlete in db.Query<Guid>(
                    "DELETE FROM coach_athlete WHERE account_id = @account RETURNING athlete_id",
                    new { account }
                )
                .Except(athletes)
        )
            EndStore.Note(db, EndKind.CoachOf, at, account, athlete);
        foreach (
            var group in db.Query<Guid>(
                    "DELETE FROM coach_group WHERE account_id = @account RETURNING group_id",
                    new { account }
                )
                .Except(groups)
        )
            EndStore.Note(db, EndKind.CoachOfGroup, at, account, group);
        foreach (var athlete in athletes)
            GiveAthlete(db, account, athlete);
        foreach (var group in groups)
        {
            EndStore.Lift(db, EndKind.CoachOfGroup, account, group);
            db.Run("INSERT INTO coach_group (account_id, group_id) VALUES (@account, @group)", new { account, group });
        }
    }

    public static void GiveAthlete(Db db, Guid account, Guid athlete)
    {
        EndStore.Lift(db, EndKind.CoachOf, account, athlete);
        db.Run(
            "INSERT OR IGNORE INTO coach_athlete (account_id, athlete_id) VALUES (@account, @athlete)",
            new { account, athlete }
        );
    }

    /// <summary>Lets a guardian see an athlete up to a day.</summary>
    public static void AddGuardian(Db db, Guid account, Guid athlete, DateOnly until) =>
        db.Run(
            """
            INSERT INTO guardian (account_id, athlete_id, until) VALUES (@account, @athlete, @until)
            ON CONFLICT DO UPDATE SET until = excluded.until
            """,
            new
            {
                account,
                athlete,
                until,
            }
        );

    /// <summary>Who can sign in as an athlete, or as their guardian.</summary>
    public static IReadOnlyList<AccountRow> AroundAthlete(Db db, Guid athlete) =>
        AccountStore.Where(
            db,
            "athlete_id = @athlete OR id IN (SELECT account_id FROM guardian WHERE athlete_id = @athlete)",
            new { athlete }
        );

    private sealed record Given(Guid AccountId, Guid Of, DateOnly? Until);

    private sealed record Seen(Guid AccountId, DateTimeOffset At);
}
