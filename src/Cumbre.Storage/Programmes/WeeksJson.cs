using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Storage.Programmes;

/// <summary>
/// Weeks of a block as they are stored in one column: records of their own with a version, so that the core may change
/// its shapes. Version 1
/// kept the line of an item as text; version 2 keeps its plan and its role.
/// </summary>
internal static class WeeksJson
{
    private const int Version = 2;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static JsonElement Write(IReadOnlyList<BlockWeek> weeks) =>
        JsonSerializer.SerializeToElement(
            new Stored(Version, [.. weeks.Select(w => new Week(w.Kind, [.. w.Sessions.Select(Of)]))]),
            Options
        );

    /// <exception cref="InvalidDataException">It is of an unknown version.</exception>
    public static IReadOnlyList<BlockWeek> Read(JsonElement json)
    {
        // Version 1 was the bare list.
        var weeks =
            json.ValueKind == JsonValueKind.Array ? json.Deserialize<Week[]>(Options)
            : json.Deserialize<Stored>(Options) is { V: Version } stored ? stored.Weeks
            : throw new InvalidDataException("These weeks were stored by another version of Cumbre.");
        return [.. weeks!.Select(w => new BlockWeek(w.Kind, [.. w.Sessions.Select(Of)]))];
    }

    private static Session Of(BlockSession s) =>
        new(
            s.Id,
            s.Day,
            s.Title,
            new(s.WarmUp.Seconds, s.WarmUp.Text),
            new(s.CoolDown.Seconds, s.CoolDown.Text),
            [.. s.Items.Select(i => new Item(i.Id, i.Movement, i.Joined, PlanColumn.Write(i.Written), null, i.Role))],
            s.Fixed
        );

    private static BlockSession Of(Session s) =>
        new(
            s.Id,
            s.Day,
            s.Title,
            new(s.WarmUp.Seconds, s.WarmUp.Text),
            new(s.CoolDown.Seconds, s.CoolDown.Text),
            [.. s.Items.Select(Of)],
            s.Fixed
        );

    private static BlockItem Of(Item i) =>
        new(
            i.Id,
            i.Movement,
            i.Plan is { } plan ? PlanColumn.Read(plan) : WrittenLine.Typed(i.Line ?? ""),
            i.Joined,
            i.Role
        );

    private sealed record Stored(int V, IReadOnlyList<Week> Weeks);

    private sealed record Week(WeekKind Kind, IReadOnlyList<Session> Sessions);

    private sealed record Session(
        Guid Id,
        DateOnly Day,
        string Title,
        Part WarmUp,
        Part CoolDown,
        IReadOnlyList<Item> Items,
        bool Fixed
    );

    private sealed record Part(int Seconds, string? Text);

    private sealed record Item(Guid Id, string Movement, bool Joined, string? Plan, string? Line, ItemRole? Role);
}
