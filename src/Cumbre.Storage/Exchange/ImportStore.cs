using Cumbre.Storage.Privacy;

namespace Cumbre.Storage.Exchange;

/// <summary>What a file that was read in is.</summary>
public enum ImportedKind
{
    /// <summary>It adds to the log of athletes.</summary>
    Table,

    /// <summary>It brings athletes with all that is known of them.</summary>
    Archive,
}

/// <summary>A file that was read in.</summary>
/// <param name="No">By which its rows are known.</param>
/// <param name="Id">Of the file.</param>
/// <param name="Name">As its owner called it.</param>
/// <param name="Kind">Of <see cref="ImportedKind"/>.</param>
/// <param name="CountsJson">What came with it.</param>
/// <param name="WrittenAt">When.</param>
/// <param name="WrittenBy">By whom.</param>
/// <param name="UndoneAt">Null: it stands.</param>
public sealed record ImportedFile(
    long No,
    Guid Id,
    string Name,
    string Kind,
    string CountsJson,
    DateTimeOffset WrittenAt,
    Guid WrittenBy,
    DateTimeOffset? UndoneAt
);

/// <summary>What went when a file was taken back.</summary>
/// <param name="Rows">Rows of the log, results and weighings.</param>
/// <param name="Athletes">Taken out again.</param>
/// <param name="AthletesKept">Something else was written about them since.</param>
public sealed record Undone(int Rows, int Athletes, int AthletesKept);

/// <summary>Files that were read in, and how tables of their kind are read.</summary>
public static class ImportStore
{
    private const string Columns = "no, id, name, kind, counts_json, written_at, written_by, undone_at";

    /// <summary>The latest of them first.</summary>
    public static IReadOnlyList<ImportedFile> Latest(Db db, int most) =>
        db.Query<ImportedFile>($"SELECT {Columns} FROM import_file ORDER BY no DESC LIMIT @most", new { most });

    public static ImportedFile? Find(Db db, Guid id) =>
        db.One<ImportedFile>($"SELECT {Columns} FROM import_file WHERE id = @id", new { id });

    /// <summary>Begins a file; its number is what its rows carry.</summary>
    public static long Begin(Db db, Guid id, string name, ImportedKind kind, Stamp stamp)
    {
        db.Run(
            """
            INSERT INTO import_file (id, name, kind, counts_json, written_at, written_by)
            VALUES (@id, @name, @kind, '{}', @At, @By)
            """,
            new
            {
                id,
                name,
                kind = kind.ToString(),
                stamp.At,
                stamp.By,
            }
        );
        return db.One<long>("SELECT last_insert_rowid()");
    }

    /// <summary>The file is in: what it brought, and whose log it changed from which day on.</summary>
    public static void End(Db db, long no, string countsJson, IReadOnlyDictionary<Guid, DateOnly> since)
    {
        db.Run("UPDATE import_file SET counts_json = @countsJson WHERE no = @no", new { no, countsJson });
        foreach (var (athleteId, day) in since)
            db.Run(
                "INSERT INTO import_athlete (import_no, athlete_id, since) VALUES (@no, @athleteId, @day)",
                new
                {
                    no,
                    athleteId,
                    day,
                }
            );
    }

    public static IReadOnlyList<Guid> AthletesOf(Db db, long no) =>
        db.Query<Guid>("SELECT athlete_id FROM import_athlete WHERE import_no = @no", new { no });

    /// <summary>The days on which an athlete logged a movement otherwise than by a file.</summary>
    public static HashSet<(DateOnly Day, string Movement)> LoggedByHand(Db db, Guid athleteId) =>
        [
            .. db.Query<DoneRow>(
                    """
                    SELECT DISTINCT s.day, i.movement FROM session s JOIN session_item i ON i.session_id = s.id
                    WHERE s.athlete_id = @athleteId AND i.import_no IS NULL
                      AND EXISTS (SELECT 1 FROM logged_set l WHERE l.item_id = i.id)
                    """,
                    new { athleteId }
                )
                .Select(r => (r.Day, r.Movement)),
        ];

    /// <summary>The tests that were written down otherwise than by a file, by day and side.</summary>
    public static HashSet<(DateOnly Day, string Benchmark, string Side)> TestedByHand(Db db, Guid athleteId) =>
        [
            .. db.Query<TestRow>(
                    """
                    SELECT day, benchmark, coalesce(side, '') AS side FROM benchmark_result
                    WHERE athlete_id = @athleteId AND import_no IS NULL
                    """,
                    new { athleteId }
                )
                .Select(r => (r.Day, r.Benchmark, r.Side)),
        ];

    /// <summary>The last place that is taken in a session; 0: it has no items, or is none.</summary>
    public static long LastPosition(Db db, Guid sessionId) =>
        db.One<long?>("SELECT max(position) FROM session_item WHERE session_id = @sessionId", new { sessionId }) ?? 0;

    public static void MarkTemplate(Db db, Guid id, long no) =>
        db.Run("UPDATE template SET import_no = @no WHERE id = @id", new { id, no });

    /// <summary>
    /// Takes back all that came with a file, with what was corrected in it since. Athletes whom a table brought go too,
    /// unless something else is known of them; those of an archive go with all that was written about them since.
    /// </summary>
    public static Undone Undo(Db db, ImportedFile file, Stamp stamp)
    {
        var no = file.No;
        var athletes = AthletesOf(db, no);
        db.Run("PRAGMA defer_foreign_keys = ON");
        var rows = db.Run(
            """
            WITH RECURSIVE gone (id) AS (
              SELECT id FROM logged_set WHERE import_no = @no
              UNION SELECT l.id FROM gone g JOIN logged_set l ON l.supersedes = g.id)
            DELETE FROM logged_set WHERE id IN (SELECT id FROM gone)
            """,
            new { no }
        );
        db.Run(
            """
            DELETE FROM session_item WHERE import_no = @no
              AND NOT EXISTS (SELECT 1 FROM logged_set l WHERE l.item_id = session_item.id);
            UPDATE decision SET basis_session_id = NULL WHERE basis_session_id IN (
              SELECT s.id FROM session s WHERE s.import_no = @no
                AND NOT EXISTS (SELECT 1 FROM session_item i WHERE i.session_id = s.id));
            DELETE FROM session WHERE import_no = @no
              AND NOT EXISTS (SELECT 1 FROM session_item i WHERE i.session_id = session.id);
            UPDATE session SET version = version + 1
            WHERE athlete_id IN (SELECT athlete_id FROM import_athlete WHERE import_no = @no);
            DELETE FROM template WHERE import_no = @no;
            """,
            new { no }
        );
        rows += db.Run("DELETE FROM body_mass WHERE import_no = @no", new { no });
        rows += db.Run("DELETE FROM benchmark_result WHERE import_no = @no", new { no });
        db.Run(
            "UPDATE import_file SET undone_at = @At, undone_by = @By WHERE no = @no",
            new
            {
                no,
                stamp.At,
                stamp.By,
            }
        );
        var brought = db.Query<Guid>("SELECT id FROM athlete WHERE import_no = @no", new { no });
        var gone = brought.Count(id =>
            file.Kind == nameof(ImportedKind.Archive) ? Remove(db, id) : RemoveUnknown(db, id)
        );
        foreach (var id in athletes)
            db.Reconsider(id, corrected: true);
        return new(rows, gone, brought.Count - gone);
    }

    /// <summary>What is written about everybody, and goes with them.</summary>
    private static readonly string[] Companions =
    [
        "audit_value",
        "import_athlete",
        "coach_athlete",
        "record",
        "evidence",
        "standing",
        "athlete",
    ];

    /// <summary>With all that is known of them, except who did what.</summary>
    private static bool Remove(Db db, Guid id)
    {
        foreach (var own in PersonalData.Rows.Where(r => r.Table != "audit_value"))
            db.Run($"DELETE FROM {own.Table} WHERE {own.Of}", new { id });
        return true;
    }

    /// <summary>False: something else is known of the athlete, so that they stay.</summary>
    private static bool RemoveUnknown(Db db, Guid id)
    {
        if (
            PersonalData
                .Rows.Where(r => !Companions.Contains(r.Table))
                .Any(r => db.One<long>($"SELECT EXISTS (SELECT 1 FROM {r.Table} WHERE {r.Of})", new { id }) == 1)
        )
            return false;
        foreach (var table in Companions.Skip(1))
            db.Run($"DELETE FROM {table} WHERE {(table == "athlete" ? "id" : "athlete_id")} = @id", new { id });
        return true;
    }

    /// <summary>How tables with these headers were read last, and the file's name; null: none was.</summary>
    public static (string Name, string MappingJson)? Profile(Db db, string headers) =>
        db.One<ProfileRow>("SELECT name, mapping_json FROM import_profile WHERE headers = @headers", new { headers })
            is { } row
            ? (row.Name, row.MappingJson)
            : null;

    public static void KeepProfile(Db db, string headers, string name, string mappingJson, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO import_profile (headers, name, mapping_json, written_at, written_by)
            VALUES (@headers, @name, @mappingJson, @At, @By)
            ON CONFLICT (headers) DO UPDATE SET name = excluded.name, mapping_json = excluded.mapping_json,
              written_at = excluded.written_at, written_by = excluded.written_by
            """,
            new
            {
                headers,
                name,
                mappingJson,
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>An athlete came with a file.</summary>
    public static void MarkAthlete(Db db, Guid id, long no) =>
        db.Run("UPDATE athlete SET import_no = @no WHERE id = @id", new { id, no });

    private sealed record DoneRow(DateOnly Day, string Movement);

    private sealed record TestRow(DateOnly Day, string Benchmark, string Side);

    private sealed record ProfileRow(string Name, string MappingJson);
}
