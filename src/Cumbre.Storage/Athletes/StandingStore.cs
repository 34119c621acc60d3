using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using SQLitePCL;

namespace Cumbre.Storage.Athletes;

/// <summary>How far the evidence of an athlete was gathered.</summary>
/// <param name="ShownUntil">It holds what was shown before this day; null: nothing was gathered.</param>
/// <param name="Anew">Something older was written since: it must be gathered from the whole log.</param>
/// <param name="StoppedSince">The oldest day on which a stop that still holds rests; null: none holds.</param>
public sealed record Gathered(DateOnly? ShownUntil, bool Anew, DateOnly? StoppedSince)
{
    public static Gathered Nothing { get; } = new(null, true, null);
}

/// <summary>Which standing is kept.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="Put">Another figure each time that it is kept anew.</param>
/// <param name="Fresh">
/// For the day and the rules that were asked for, and nothing was written since, or what follows from it is on its way.
/// </param>
public sealed record KeptStanding(Guid AthleteId, long Put, bool Fresh);

/// <summary>
/// Where athletes stand, kept beside the log from which it can be made again. Triggers in the file mark what a write
/// made stale.
/// </summary>
public static class StandingStore
{
    public static Gathered GatheredOf(Db db, Guid athleteId) =>
        db.Query<GatheredRow>(
                "SELECT shown_until, anew, stopped_since FROM standing WHERE athlete_id = @athleteId",
                new { athleteId }
            )
            .Select(r => new Gathered(r.ShownUntil, r.Anew == 1, r.StoppedSince))
            .FirstOrDefault()
        ?? Gathered.Nothing;

    /// <summary>Grows with every write about the athlete that the rules read.</summary>
    public static long Seq(Db db, Guid athleteId) =>
        db.One<long?>("SELECT seq FROM standing WHERE athlete_id = @athleteId", new { athleteId }) ?? -1;

    /// <summary>What training showed long ago, oldest first; read once for each time that it is gathered.</summary>
    public static IReadOnlyList<BenchmarkResult> Evidence(Db db, Guid athleteId)
    {
        var gathered = db.One<long?>("SELECT gathered FROM standing WHERE athlete_id = @athleteId", new { athleteId });
        var key = new ReadingKey(typeof(BenchmarkResult[]), athleteId, gathered ?? 0, DateOnly.MinValue);
        if (db.Evidence.Find<BenchmarkResult[]>(key) is { } known)
            return known;
        BenchmarkResult[] read =
        [
            .. db.Query<Row>(
                    """
                    SELECT session_id, day, benchmark, side, reps, sets, seconds, contact, degrees, rest_seconds, added_value, added_unit, reserve, body_mass_kg, origin
                    FROM evidence WHERE athlete_id = @athleteId ORDER BY day
                    """,
                    new { athleteId }
                )
                .Select(r => r.ToResult()),
        ];
        // What a transaction has gathered itself may be rolled back.
        if (db.Transaction is null)
            db.Evidence.Keep(key, read);
        return read;
    }

    /// <summary>Keeps what was gathered, in place of what was.</summary>
    public static void Gather(Db db, Guid athleteId, Gathered gathered, IReadOnlyList<BenchmarkResult>? evidence)
    {
        if (evidence is not null)
        {
            db.Run("DELETE FROM evidence WHERE athlete_id = @athleteId", new { athleteId });
            using var rows = new BulkInsert(
                db,
                "evidence",
                "athlete_id",
                "session_id",
                "day",
                "benchmark",
                "side",
                "reps",
                "sets",
                "seconds",
                "contact",
                "degrees",
                "rest_seconds",
                "added_value",
                "added_unit",
                "reserve",
                "body_mass_kg",
                "origin"
            );
            foreach (var r in evidence)
                rows.Add(
                    athleteId,
                    r.Id,
                    r.Day,
                    r.Benchmark,
                    r.Side,
                    (long)r.Score.Reps,
                    (long)r.Score.Sets,
                    r.Score.Seconds,
                    r.Score.Contact,
                    r.Score.Degrees,
                    (long?)r.Score.RestSeconds,
                    r.Added.Value,
                    r.Added.Unit,
                    (long)r.Reserve,
                    r.BodyMass.Kilograms,
                    r.Origin
                );
        }

        db.Run(
            """
            INSERT INTO standing (athlete_id, shown_until, anew, stopped_since, gathered)
            VALUES (@athleteId, @ShownUntil, @anew, @StoppedSince, @more)
            ON CONFLICT (athlete_id) DO UPDATE
            SET shown_until = excluded.shown_until, anew = excluded.anew,
                stopped_since = excluded.stopped_since, gathered = gathered + @more
            """,
            new
            {
                athleteId,
                gathered.ShownUntil,
                anew = gathered.Anew ? 1L : 0,
                gathered.StoppedSince,
                more = evidence is null ? 0L : 1,
            }
        );
    }

    /// <summary>Keeps a standing; nothing of it is stale any more.</summary>
    public static void Put(Db db, Guid athleteId, DateOnly day, int rules, string json, string waiting) =>
        db.Run(
            "UPDATE standing SET day = @day, rules = @rules, stale = 0, put = put + 1, json = @json, waiting_json = @waiting WHERE athlete_id = @athleteId",
            new
            {
                athleteId,
                day,
                rules = (long)rules,
                json,
                waiting,
            }
        );

    /// <summary>Nothing that matters was written since the standing of this day was worked out.</summary>
    public static bool IsFresh(Db db, Guid athleteId, DateOnly day, int rules) =>
        db.One<long>(
            "SELECT count(*) FROM standing WHERE athlete_id = @athleteId AND stale = 0 AND rules = @rules AND day = @day",
            new
            {
                athleteId,
                day,
                rules = (long)rules,
            }
        ) > 0;

    /// <summary>Whose standing a write made stale.</summary>
    public static IReadOnlyList<Guid> Stale(Db db) =>
        [.. db.Query<AthleteRow>("SELECT athlete_id FROM standing WHERE stale = 1").Select(r => r.AthleteId)];

    /// <summary>Whose standing is stale, of another day or of other rules.</summary>
    public static IReadOnlyList<Guid> Due(Db db, DateOnly day, int rules, int most) =>
        [
            .. db.Query<AthleteRow>(
                    """
                    SELECT s.athlete_id FROM standing s JOIN athlete a ON a.id = s.athlete_id
                    WHERE s.stale = 1 OR s.rules <> @rules OR s.day IS NOT @day ORDER BY a.archived_at IS NOT NULL LIMIT @most
                    """,
                    new
                    {
                        day,
                        rules = (long)rules,
                        most = (long)most,
                    }
                )
                .Select(r => r.AthleteId),
        ];

    /// <summary>What is kept of everybody who trains, or of those who are put away, by name.</summary>
    public static IReadOnlyList<KeptStanding> All(Db db, DateOnly day, int rules, bool archived) =>
        [
            .. db.Query<KeptRow>(
                    """
                    SELECT a.id AS athlete_id, coalesce(s.put, 0) AS put, coalesce(s.rules = @rules AND s.day = @day, 0) AS current, coalesce(s.stale, 1) AS stale
                    FROM athlete a LEFT JOIN standing s ON s.athlete_id = a.id WHERE (a.archived_at IS NOT NULL) = @archived ORDER BY a.name, a.id
                    """,
                    new
                    {
                        day,
                        rules = (long)rules,
                        archived,
                    }
                )
                .Select(r => new KeptStanding(
                    r.AthleteId,
                    r.Put,
                    r.Current == 1 && (r.Stale == 0 || db.Following.Contains(r.AthleteId))
                )),
        ];

    /// <summary>What is kept of one athlete, and what waits about them; null: nothing.</summary>
    public static (string Json, string Waiting)? Json(Db db, Guid athleteId) =>
        db.One<JsonRow>(
            "SELECT json, waiting_json FROM standing WHERE athlete_id = @athleteId AND json IS NOT NULL",
            new { athleteId }
        )
            is { } row
            ? (row.Json, row.WaitingJson)
            : null;

    /// <summary>Writes a great many rows without marking anything: at the end everything is stale.</summary>
    public static void Unmarked(Db db, Action write)
    {
        const int enableTriggers = 1003;
        Check(raw.sqlite3_db_config(db.Connection.Handle, enableTriggers, 0, out _));
        try
        {
            write();
        }
        finally
        {
            Check(raw.sqlite3_db_config(db.Connection.Handle, enableTriggers, 1, out _));
        }

        db.Run("INSERT OR IGNORE INTO standing (athlete_id) SELECT id FROM athlete");
        Clear(db);

        static void Check(int answer)
        {
            if (answer != raw.SQLITE_OK)
                throw new InvalidOperationException($"SQLite answered {answer}.");
        }
    }

    /// <summary>Throws all of it away; the log is the truth.</summary>
    public static void Clear(Db db) =>
        db.Run(
            """
            DELETE FROM evidence;
            UPDATE standing SET day = NULL, rules = 0, stale = 1, json = NULL, waiting_json = NULL, seq = seq + 1,
                shown_until = NULL, anew = 1, stopped_since = NULL, gathered = gathered + 1
            """
        );

    private sealed record AthleteRow(Guid AthleteId);

    private sealed record KeptRow(Guid AthleteId, long Put, long Current, long Stale);

    private sealed record JsonRow(string Json, string WaitingJson);

    private sealed record GatheredRow(DateOnly? ShownUntil, long Anew, DateOnly? StoppedSince);

    private sealed record Row(
        Guid SessionId,
        DateOnly Day,
        string Benchmark,
        string? Side,
        long Reps,
        long Sets,
        decimal? Seconds,
        string? Contact,
        decimal? Degrees,
        long? RestSeconds,
        decimal AddedValue,
        string AddedUnit,
        long Reserve,
        decimal BodyMassKg,
        string Origin
    )
    {
        public BenchmarkResult ToResult() =>
            new(
                SessionId,
                Benchmark,
                Day,
                new(
                    (int)Reps,
                    (int)Sets,
                    Seconds,
                    Contact is null ? null : Enum.Parse<Contact>(Contact),
                    Degrees,
                    (int?)RestSeconds
                ),
                new(AddedValue, Enum.Parse<MassUnit>(AddedUnit)),
                (int)Reserve,
                Mass.FromKilograms(BodyMassKg),
                FormVerdict.Clean
            )
            {
                Side = Side is null ? null : Enum.Parse<Side>(Side),
                Origin = Enum.Parse<ResultOrigin>(Origin),
            };
    }
}
