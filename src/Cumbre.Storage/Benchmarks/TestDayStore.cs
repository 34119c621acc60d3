using Cumbre.Storage.Accounts;

namespace Cumbre.Storage.Benchmarks;

/// <summary>An evening on which a group is tested.</summary>
/// <param name="Id">Made by whoever creates it.</param>
/// <param name="Day">Of the tests.</param>
/// <param name="Name">As the coach says it.</param>
/// <param name="Athletes">Down, in order.</param>
/// <param name="Tests">Across: slugs, in order.</param>
/// <param name="Version">0 before it is created.</param>
public sealed record TestDay(
    Guid Id,
    DateOnly Day,
    string Name,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<string> Tests,
    long Version
);

/// <summary>A test day in a list.</summary>
public sealed record TestDayRow(Guid Id, DateOnly Day, string Name, long Athletes, long Tests, long Results);

public static class TestDayStore
{
    /// <summary>Those with somebody within reach, counted by whom it holds.</summary>
    public static IReadOnlyList<TestDayRow> All(Db db, Reach reach)
    {
        var days = db.Query<TestDayRow>(
            """
            SELECT d.id, d.day, d.name,
              (SELECT count(*) FROM test_day_athlete a WHERE a.test_day_id = d.id) AS athletes,
              (SELECT count(*) FROM test_day_test t WHERE t.test_day_id = d.id) AS tests,
              (SELECT count(*) FROM benchmark_result r WHERE r.test_day_id = d.id) AS results
            FROM test_day d ORDER BY d.day DESC, d.id DESC
            """
        );
        if (reach.IsEverybody)
            return days;
        var seen = db.Query<Entry>(
                """
                SELECT a.test_day_id, a.athlete_id,
                  (SELECT count(*) FROM benchmark_result r WHERE r.test_day_id = a.test_day_id AND r.athlete_id = a.athlete_id) AS results
                FROM test_day_athlete a
                """
            )
            .Where(e => reach.Holds(e.AthleteId))
            .ToLookup(e => e.TestDayId);
        return
        [
            .. days.Where(d => seen.Contains(d.Id))
                .Select(d => d with { Athletes = seen[d.Id].Count(), Results = seen[d.Id].Sum(e => e.Results) }),
        ];
    }

    public static TestDay? Find(Db db, Guid id) =>
        db.One<Row>("SELECT id, day, name, version FROM test_day WHERE id = @id", new { id }) is { } row
            ? new(
                row.Id,
                row.Day,
                row.Name,
                [
                    .. db.Query<Guid>(
                        "SELECT athlete_id FROM test_day_athlete WHERE test_day_id = @id ORDER BY position",
                        new { id }
                    ),
                ],
                [
                    .. db.Query<string>(
                        "SELECT benchmark FROM test_day_test WHERE test_day_id = @id ORDER BY position",
                        new { id }
                    ),
                ],
                row.Version
            )
            : null;

    /// <summary>Creates it, or changes it when the version is the stored one.</summary>
    public static Written Put(Db db, TestDay day, Stamp stamp)
    {
        var args = new
        {
            day.Id,
            day.Day,
            day.Name,
            day.Version,
            stamp.At,
            stamp.By,
        };
        var changed =
            day.Version == 0
                ? db.Run(
                    "INSERT INTO test_day (id, day, name, version, written_at, written_by) VALUES (@Id, @Day, @Name, 1, @At, @By) ON CONFLICT (id) DO NOTHING",
                    args
                )
                : db.Run(
                    "UPDATE test_day SET day = @Day, name = @Name, version = version + 1, written_at = @At, written_by = @By WHERE id = @Id AND version = @Version",
                    args
                );
        if (changed == 0)
            return Find(db, day.Id) is null ? Written.Missing : Written.Stale;
        db.Run("DELETE FROM test_day_athlete WHERE test_day_id = @Id", new { day.Id });
        db.Run("DELETE FROM test_day_test WHERE test_day_id = @Id", new { day.Id });
        db.Run(
            "INSERT INTO test_day_athlete (test_day_id, athlete_id, position) VALUES (@Id, @athlete, @position)",
            day.Athletes.Select(
                (athlete, position) =>
                    new
                    {
                        day.Id,
                        athlete,
                        position,
                    }
            )
        );
        db.Run(
            "INSERT INTO test_day_test (test_day_id, benchmark, position) VALUES (@Id, @test, @position)",
            day.Tests.Select(
                (test, position) =>
                    new
                    {
                        day.Id,
                        test,
                        position,
                    }
            )
        );
        return Written.Done;
    }

    /// <summary>Takes the grid away; its results stay. False when there is none.</summary>
    public static bool Remove(Db db, Guid id) => db.Run("DELETE FROM test_day WHERE id = @id", new { id }) > 0;

    /// <summary>The results that were typed into its grid.</summary>
    public static IReadOnlyList<StoredResult> Results(Db db, Guid id) => ResultStore.OfTestDay(db, id);

    private sealed record Entry(Guid TestDayId, Guid AthleteId, long Results);

    private sealed record Row(Guid Id, DateOnly Day, string Name, long Version);
}
