namespace Cumbre.Storage.Programmes;

/// <summary>A published version of a block.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Note">In the coach's words; null: none.</param>
/// <param name="At">When.</param>
/// <param name="By">Name of the account.</param>
public sealed record StoredVersion(int Number, string? Note, DateTimeOffset At, string? By);

/// <summary>Published versions. The snapshot is text of the server's own making; a version is never changed.</summary>
public static class VersionStore
{
    /// <summary>Newest first.</summary>
    public static IReadOnlyList<StoredVersion> Of(Db db, Guid blockId) =>
        [
            .. db.Query<Row>(
                    "SELECT v.number, v.note, v.published_at, a.name AS published_by FROM block_version v LEFT JOIN account a ON a.id = v.published_by WHERE v.block_id = @blockId ORDER BY v.number DESC",
                    new { blockId }
                )
                .Select(r => new StoredVersion((int)r.Number, r.Note, r.PublishedAt, r.PublishedBy)),
        ];

    /// <summary>The snapshot of a version; null: there is none.</summary>
    public static string? Snapshot(Db db, Guid blockId, int number) =>
        db.One<string>(
            "SELECT snapshot_json FROM block_version WHERE block_id = @blockId AND number = @number",
            new { blockId, number }
        );

    /// <summary>All snapshots, newest first.</summary>
    public static IReadOnlyList<string> Snapshots(Db db, Guid blockId) =>
        [
            .. db.Query<string>(
                "SELECT snapshot_json FROM block_version WHERE block_id = @blockId ORDER BY number DESC",
                new { blockId }
            ),
        ];

    /// <summary>Publishes the next version.</summary>
    public static void Add(Db db, Guid blockId, string snapshot, string? note, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO block_version (block_id, number, note, snapshot_json, published_at, published_by)
            SELECT @blockId, COALESCE(MAX(number), 0) + 1, @note, @snapshot, @At, @By FROM block_version WHERE block_id = @blockId
            """,
            new
            {
                blockId,
                note,
                snapshot,
                stamp.At,
                stamp.By,
            }
        );

    private sealed record Row(long Number, string? Note, DateTimeOffset PublishedAt, string? PublishedBy);
}
