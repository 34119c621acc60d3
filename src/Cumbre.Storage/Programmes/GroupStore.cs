using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Programmes.Groups;

namespace Cumbre.Storage.Programmes;

/// <summary>Who follows an outline, with the block that came of it.</summary>
public sealed record GroupMember(Guid AthleteId, Guid BlockId);

/// <summary>An outline with its members.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Outline">For all.</param>
/// <param name="Members">In the coach's order.</param>
/// <param name="Version">Of outline and members.</param>
public sealed record StoredGroup(Guid Id, GroupOutline Outline, IReadOnlyList<GroupMember> Members, long Version);

public static class GroupStore
{
    private const int ShapeVersion = 1;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    /// <summary>Newest first.</summary>
    public static IReadOnlyList<StoredGroup> All(Db db)
    {
        var members = db.Query<MemberRow>(
                "SELECT group_id, athlete_id, block_id FROM block_group_member ORDER BY position"
            )
            .ToLookup(m => m.GroupId, m => new GroupMember(m.AthleteId, m.BlockId));
        return
        [
            .. db.Query<Row>("SELECT id, outline_json, version FROM block_group ORDER BY start DESC, name, id")
                .Select(r => r.ToStored([.. members[r.Id]])),
        ];
    }

    public static StoredGroup? Find(Db db, Guid id) =>
        db.One<Row>("SELECT id, outline_json, version FROM block_group WHERE id = @id", new { id })
            ?.ToStored([
                .. db.Query<MemberRow>(
                        "SELECT group_id, athlete_id, block_id FROM block_group_member WHERE group_id = @id ORDER BY position",
                        new { id }
                    )
                    .Select(m => new GroupMember(m.AthleteId, m.BlockId)),
            ]);

    /// <summary>The group that a block came of; null: none.</summary>
    public static (Guid Id, string Name)? OfBlock(Db db, Guid blockId) =>
        db.One<Named>(
            "SELECT g.id, g.name FROM block_group_member m JOIN block_group g ON g.id = m.group_id WHERE m.block_id = @blockId",
            new { blockId }
        )
            is { } named
            ? (named.Id, named.Name)
            : null;

    /// <summary>Writes a group with its members when the version is the stored one; 0 to create.</summary>
    public static Written Put(Db db, StoredGroup group, Stamp stamp)
    {
        var args = new
        {
            group.Id,
            group.Outline.Name,
            group.Outline.Start,
            Outline = JsonSerializer.Serialize(new Stored(ShapeVersion, group.Outline), Json),
            group.Version,
            stamp.At,
            stamp.By,
        };
        var changed =
            group.Version == 0
                ? db.Run(
                    "INSERT INTO block_group (id, name, start, outline_json, version, written_at, written_by) VALUES (@Id, @Name, @Start, @Outline, 1, @At, @By) ON CONFLICT (id) DO NOTHING",
                    args
                )
                : db.Run(
                    """
                    UPDATE block_group SET name = @Name, start = @Start, outline_json = @Outline, version = version + 1, written_at = @At, written_by = @By
                    WHERE id = @Id AND version = @Version
                    """,
                    args
                );
        if (changed == 0)
            return Find(db, group.Id) is null ? Written.Missing : Written.Stale;
        db.Run("DELETE FROM block_group_member WHERE group_id = @Id", new { group.Id });
        db.Run(
            "INSERT INTO block_group_member (group_id, athlete_id, block_id, position) VALUES (@Id, @AthleteId, @BlockId, @position)",
            group.Members.Select(
                (m, position) =>
                    new
                    {
                        group.Id,
                        m.AthleteId,
                        m.BlockId,
                        position,
                    }
            )
        );
        return Written.Done;
    }

    /// <summary>Removes the group; the blocks of its members stay with them.</summary>
    public static Written Remove(Db db, Guid id, long version)
    {
        if (db.Run("DELETE FROM block_group WHERE id = @id AND version = @version", new { id, version }) > 0)
            return Written.Done;
        return Find(db, id) is null ? Written.Missing : Written.Stale;
    }

    private sealed record Stored(int V, GroupOutline Outline);

    private sealed record Named(Guid Id, string Name);

    private sealed record MemberRow(Guid GroupId, Guid AthleteId, Guid BlockId);

    private sealed record Row(Guid Id, string OutlineJson, long Version)
    {
        public StoredGroup ToStored(IReadOnlyList<GroupMember> members) =>
            JsonSerializer.Deserialize<Stored>(OutlineJson, Json) is { V: ShapeVersion } stored
                ? new(Id, stored.Outline, members, Version)
                : throw new InvalidDataException("This group was stored by another version of Cumbre.");
    }
}
