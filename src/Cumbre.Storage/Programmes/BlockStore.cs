using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Programmes;

namespace Cumbre.Storage.Programmes;

/// <summary>A block without its sessions.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="Name">In the coach's words.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Weeks">What each week is for.</param>
/// <param name="Kept">Cautions kept, with reasons.</param>
/// <param name="Version">Of the block and all its sessions.</param>
/// <param name="WrittenAt">When it was last written.</param>
/// <param name="WrittenBy">Name of the account.</param>
public sealed record StoredBlock(
    Guid Id,
    Guid AthleteId,
    string Name,
    DateOnly Start,
    IReadOnlyList<WeekKind> Weeks,
    IReadOnlyList<Kept> Kept,
    long Version,
    DateTimeOffset WrittenAt,
    string? WrittenBy
);

/// <summary>Weeks that can be fitted to any athlete.</summary>
public sealed record StoredTemplate(Guid Id, string Name, DateOnly Origin, IReadOnlyList<BlockWeek> Weeks);

public static class BlockStore
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    private const string Columns =
        "b.id, b.athlete_id, b.name, b.start, b.weeks_json, b.kept_json, b.version, b.written_at, a.name AS written_by FROM block b LEFT JOIN account a ON a.id = b.written_by";

    /// <summary>Blocks of an athlete, newest first.</summary>
    public static IReadOnlyList<StoredBlock> Of(Db db, Guid athleteId) =>
        [
            .. db.Query<Row>(
                    $"SELECT {Columns} WHERE b.athlete_id = @athleteId ORDER BY b.start DESC, b.id DESC",
                    new { athleteId }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>The blocks in force on a day, one an athlete: that which started last.</summary>
    public static IReadOnlyDictionary<Guid, StoredBlock> Newest(Db db, DateOnly today) =>
        db.Query<Row>(
                $"SELECT {Columns} WHERE b.start <= @horizon ORDER BY b.start",
                new { horizon = today.AddDays(28) }
            )
            .Select(r => r.ToStored())
            .GroupBy(b => b.AthleteId)
            .ToDictionary(g => g.Key, g => g.Last());

    public static StoredBlock? Find(Db db, Guid id) =>
        db.One<Row>($"SELECT {Columns} WHERE b.id = @id", new { id })?.ToStored();

    /// <summary>
    /// Writes the block's own row when the version is the stored one. Sessions are written by their own store, in the
    /// same transaction.
    /// </summary>
    public static Written Put(Db db, StoredBlock block, Stamp stamp)
    {
        var args = new
        {
            block.Id,
            block.AthleteId,
            block.Name,
            block.Start,
            Weeks = JsonSerializer.Serialize(block.Weeks, Json),
            Kept = JsonSerializer.Serialize(block.Kept, Json),
            block.Version,
            stamp.At,
            stamp.By,
        };
        var changed =
            block.Version == 0
                ? db.Run(
                    "INSERT INTO block (id, athlete_id, name, start, weeks_json, kept_json, version, written_at, written_by) VALUES (@Id, @AthleteId, @Name, @Start, @Weeks, @Kept, 1, @At, @By) ON CONFLICT (id) DO NOTHING",
                    args
                )
                : db.Run(
                    """
                    UPDATE block SET name = @Name, start = @Start, weeks_json = @Weeks, kept_json = @Kept, version = version + 1, written_at = @At, written_by = @By
                    WHERE id = @Id AND athlete_id = @AthleteId AND version = @Version
                    """,
                    args
                );
        if (changed > 0)
            return Written.Done;
        return Find(db, block.Id)?.AthleteId == block.AthleteId ? Written.Stale : Written.Missing;
    }

    /// <summary>Removes a block with its planned sessions; those that were begun stay, by themselves.</summary>
    public static Written Remove(Db db, Guid id, long version)
    {
        if (Find(db, id) is not { } block)
            return Written.Missing;
        if (block.Version != version)
            return Written.Stale;
        db.Run("UPDATE session SET block_id = NULL WHERE block_id = @id AND status <> 'Planned'", new { id });
        db.Run("DELETE FROM block WHERE id = @id", new { id });
        return Written.Done;
    }

    public static IReadOnlyList<StoredTemplate> Templates(Db db) =>
        [
            .. db.Query<TemplateRow>("SELECT id, name, origin, weeks_json FROM template ORDER BY name, id")
                .Select(r => r.ToStored()),
        ];

    public static StoredTemplate? Template(Db db, Guid id) =>
        db.One<TemplateRow>("SELECT id, name, origin, weeks_json FROM template WHERE id = @id", new { id })?.ToStored();

    /// <summary>Adds a template; sending the same one again changes nothing.</summary>
    public static void AddTemplate(Db db, StoredTemplate template, Stamp stamp) =>
        db.Run(
            "INSERT INTO template (id, name, origin, weeks_json, written_at, written_by) VALUES (@Id, @Name, @Origin, @Weeks, @At, @By) ON CONFLICT (id) DO NOTHING",
            new
            {
                template.Id,
                template.Name,
                template.Origin,
                Weeks = WeeksJson.Write(template.Weeks).GetRawText(),
                stamp.At,
                stamp.By,
            }
        );

    public static bool RemoveTemplate(Db db, Guid id) => db.Run("DELETE FROM template WHERE id = @id", new { id }) > 0;

    private sealed record TemplateRow(Guid Id, string Name, DateOnly Origin, string WeeksJson)
    {
        public StoredTemplate ToStored() =>
            new(Id, Name, Origin, Programmes.WeeksJson.Read(JsonSerializer.Deserialize<JsonElement>(WeeksJson)));
    }

    private sealed record Row(
        Guid Id,
        Guid AthleteId,
        string Name,
        DateOnly Start,
        string WeeksJson,
        string KeptJson,
        long Version,
        DateTimeOffset WrittenAt,
        string? WrittenBy
    )
    {
        public StoredBlock ToStored() =>
            new(
                Id,
                AthleteId,
                Name,
                Start,
                JsonSerializer.Deserialize<WeekKind[]>(WeeksJson, Json)!,
                JsonSerializer.Deserialize<Kept[]>(KeptJson, Json)!,
                Version,
                WrittenAt,
                WrittenBy
            );
    }
}
