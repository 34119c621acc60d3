using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;

namespace Cumbre.Storage.Ladders;

/// <summary>What a version is of.</summary>
public enum CatalogueKind
{
    Ladder,
    Movement,
}

/// <summary>A version of a ladder or movement that the club wrote.</summary>
/// <param name="Version">1, 2, 3.</param>
/// <param name="Shipped">The ladder as it shipped then; null for the club's own.</param>
/// <param name="Entry">What was written; null: back to the shipped one, or retired.</param>
/// <param name="Reason">In the coach's words.</param>
/// <param name="At">When.</param>
/// <param name="By">Name of the account.</param>
public sealed record CatalogueVersion<T>(int Version, T? Shipped, T? Entry, string Reason, DateTimeOffset At, string By)
    where T : class;

/// <summary>A ladder of the club's own that is in use no more.</summary>
/// <param name="Slug">Of the ladder.</param>
/// <param name="Name">As it was last.</param>
/// <param name="Reason">Why it was retired.</param>
/// <param name="At">When.</param>
/// <param name="By">Name of the account.</param>
public sealed record RetiredLadder(string Slug, string Name, string Reason, DateTimeOffset At, string By);

/// <summary>A club's ladders and movements: the shipped ones with its own versions over them.</summary>
public static class CatalogueStore
{
    private const string Newest = """
        SELECT slug, shipped_json, entry_json FROM catalogue_version v
        WHERE kind = @kind AND version = (SELECT MAX(version) FROM catalogue_version w WHERE w.kind = v.kind AND w.slug = v.slug)
        """;

    /// <summary>The ladders and movements in force, read once for each state of the store.</summary>
    public static ClubAtlas Club(Db db)
    {
        return db.Atlas.Get(State(db), keep: db.Transaction is null, () =>
            ClubAtlas.Of(Atlas.ShippedFile, Catalogue.Shipped, Edits(db), Movements(db))
        );
    }

    /// <summary>Grows with every version that is written.</summary>
    public static long State(Db db) => db.One<long>("SELECT COALESCE(MAX(seq), 0) FROM catalogue_version");

    /// <summary>All versions of a ladder, newest first.</summary>
    public static IReadOnlyList<CatalogueVersion<LadderEntry>> Ladder(Db db, string slug) =>
        Versions<LadderEntry>(db, CatalogueKind.Ladder, slug);

    /// <summary>Ladders of the club's own that are retired now, by name; their versions are kept.</summary>
    public static IReadOnlyList<RetiredLadder> Retired(Db db) =>
        [
            .. db.Query<VersionRow>(
                    """
                    SELECT v.version, v.shipped_json, b.entry_json, v.reason, v.written_at, a.name AS author
                    FROM catalogue_version v
                    JOIN catalogue_version b ON b.kind = v.kind AND b.slug = v.slug AND b.version = v.version - 1
                    LEFT JOIN account a ON a.id = v.written_by
                    WHERE v.kind = @kind AND v.shipped_json IS NULL AND v.entry_json IS NULL
                      AND b.entry_json IS NOT NULL AND v.version = (
                        SELECT MAX(version) FROM catalogue_version w WHERE w.kind = v.kind AND w.slug = v.slug
                      )
                    """,
                    new { kind = Text(CatalogueKind.Ladder) }
                )
                .Select(r => (Entry: Parse<LadderEntry>(r.EntryJson)!, Row: r))
                .Select(r => new RetiredLadder(
                    r.Entry.Slug,
                    r.Entry.Name,
                    r.Row.Reason,
                    r.Row.WrittenAt,
                    r.Row.Author ?? ""
                ))
                .OrderBy(r => r.Name, StringComparer.Ordinal),
        ];

    /// <summary>All versions of a movement of the club's, newest first.</summary>
    public static IReadOnlyList<CatalogueVersion<Movement>> Movement(Db db, string slug) =>
        Versions<Movement>(db, CatalogueKind.Movement, slug);

    /// <summary>Adds the next version; stale when somebody else wrote it first.</summary>
    public static Written Add<T>(
        Db db,
        CatalogueKind kind,
        string slug,
        int version,
        T? shipped,
        T? entry,
        string reason,
        Stamp stamp
    )
        where T : class
    {
        var current = db.One<long>(
            "SELECT COALESCE(MAX(version), 0) FROM catalogue_version WHERE kind = @kind AND slug = @slug",
            new { kind = Text(kind), slug }
        );
        if (current != version)
            return Written.Stale;
        db.Run(
            """
            INSERT INTO catalogue_version (kind, slug, version, shipped_json, entry_json, reason, written_at, written_by)
            VALUES (@kind, @slug, @version, @shipped, @entry, @reason, @At, @By)
            """,
            new
            {
                kind = Text(kind),
                slug,
                version = version + 1,
                shipped = Json(shipped),
                entry = Json(entry),
                reason,
                stamp.At,
                stamp.By,
            }
        );
        return Written.Done;
    }

    private static IEnumerable<ClubLadderEdit> Edits(Db db) =>
        db.Query<Row>(Newest, new { kind = Text(CatalogueKind.Ladder) })
            .Select(r => new ClubLadderEdit(
                r.Slug,
                Parse<LadderEntry>(r.ShippedJson),
                Parse<LadderEntry>(r.EntryJson)
            ));

    private static IReadOnlyList<Movement> Movements(Db db) =>
        [
            .. db.Query<Row>(Newest, new { kind = Text(CatalogueKind.Movement) })
                .Select(r => Parse<Movement>(r.EntryJson))
                .OfType<Movement>(),
        ];

    private static IReadOnlyList<CatalogueVersion<T>> Versions<T>(Db db, CatalogueKind kind, string slug)
        where T : class =>
        [
            .. db.Query<VersionRow>(
                    """
                    SELECT v.version, v.shipped_json, v.entry_json, v.reason, v.written_at, a.name AS author
                    FROM catalogue_version v LEFT JOIN account a ON a.id = v.written_by
                    WHERE v.kind = @kind AND v.slug = @slug ORDER BY v.version DESC
                    """,
                    new { kind = Text(kind), slug }
                )
                .Select(r => new CatalogueVersion<T>(
                    (int)r.Version,
                    Parse<T>(r.ShippedJson),
                    Parse<T>(r.EntryJson),
                    r.Reason,
                    r.WrittenAt,
                    r.Author ?? ""
                )),
        ];

    private static string Text(CatalogueKind kind) => kind == CatalogueKind.Ladder ? "ladder" : "movement";

    private static string? Json<T>(T? entry)
        where T : class => entry is null ? null : CatalogueJson.ToNode(entry).ToJsonString();

    private static T? Parse<T>(string? json)
        where T : class => json is null ? null : CatalogueJson.Parse<T>("store", json);

    private sealed record Row(string Slug, string? ShippedJson, string? EntryJson);

    private sealed record VersionRow(
        long Version,
        string? ShippedJson,
        string? EntryJson,
        string Reason,
        DateTimeOffset WrittenAt,
        string? Author
    );
}

/// <summary>The club's atlas as it was read last; reading it anew takes some milliseconds.</summary>
public sealed class AtlasCache
{
    private readonly Lock gate = new();
    private (long Seq, ClubAtlas Atlas)? last;

    /// <param name="seq">State of the store.</param>
    /// <param name="keep">False inside a transaction, which may yet be rolled back.</param>
    /// <param name="read">Reads it anew.</param>
    internal ClubAtlas Get(long seq, bool keep, Func<ClubAtlas> read)
    {
        lock (gate)
        {
            if (last is { } known && known.Seq == seq)
                return known.Atlas;
        }

        var atlas = read();
        if (keep)
        {
            lock (gate)
                last = (seq, atlas);
        }

        return atlas;
    }
}
