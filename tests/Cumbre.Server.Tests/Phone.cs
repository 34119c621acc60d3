using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>A device that runs a session: it keeps what happened until the server has answered.</summary>
public sealed class Phone(Caller caller, Guid athlete, JsonNode pack)
{
    private readonly List<JsonObject> waiting = [];

    /// <summary>How far the device's clock is off.</summary>
    public TimeSpan ClockOff { get; init; }

    public JsonNode Pack => pack;

    public IReadOnlyList<JsonObject> Waiting => waiting;

    public string Path => $"/api/athletes/{athlete}/run";

    /// <summary>The device with the pack of a session as it is now.</summary>
    public static async Task<Phone> Of(
        Caller caller,
        Trainee athlete,
        Guid? session = null,
        TimeSpan clockOff = default
    )
    {
        var week = (await caller.Get($"/api/athletes/{athlete.Id}/run")).Ok;
        var pack = week["packs"]!.AsArray().First(p => session is null || (Guid)p!["id"]! == session)!;
        return new(caller, athlete.Id, pack.DeepClone()) { ClockOff = clockOff };
    }

    public Guid Item(int index) => (Guid)pack["items"]![index]!["id"]!;

    public JsonObject Effort(int item, int at) => pack["items"]![item]!["plan"]!["efforts"]![at]!.AsObject();

    /// <summary>Something happens at the bar.</summary>
    public JsonObject Note(string kind, object? more = null, int? item = null, DateTimeOffset? at = null)
    {
        var entry = new JsonObject
        {
            ["id"] = Guid.CreateVersion7().ToString(),
            ["session"] = (string)pack["id"]!,
            ["kind"] = kind,
            ["at"] = ((at ?? DateTimeOffset.UtcNow) + ClockOff).ToString("O"),
        };
        if (item is { } i)
            entry["item"] = Item(i).ToString();
        foreach (
            var (key, value) in System.Text.Json.JsonSerializer.SerializeToNode(more ?? new { })!.AsObject().ToArray()
        )
            entry[key] = value?.DeepClone();
        waiting.Add(entry);
        return entry;
    }

    /// <summary>A set of the plan is done.</summary>
    public JsonObject Do(int item, int effort, int? amount = null, object? more = null, DateTimeOffset? at = null)
    {
        var planned = Effort(item, effort);
        var load = pack["items"]![item]!["plan"]!["loads"]![(int)planned["load"]!]!["added"]!;
        var held = planned["seconds"] is not null;
        var set = new JsonObject
        {
            ["set"] = (int)planned["set"]!,
            ["part"] = (int)planned["part"]!,
            ["reps"] = held ? 1 : amount ?? (int)planned["repsHigh"]!,
            ["seconds"] = held ? amount ?? (int)planned["seconds"]! : null,
            ["added"] = load.DeepClone(),
            ["reserve"] = null,
            ["form"] = "Clean",
            ["pain"] = null,
            ["painPlace"] = null,
            ["supersedes"] = null,
        };
        foreach (
            var (key, value) in System.Text.Json.JsonSerializer.SerializeToNode(more ?? new { })!.AsObject().ToArray()
        )
            set[key] = value?.DeepClone();
        return Note("Set", new { set }, item, at);
    }

    /// <summary>Sends what waits. Whatever is answered does not wait any more.</summary>
    public async Task<JsonArray> Send(bool loseAnswer = false, int? most = null, bool twice = false)
    {
        JsonNode[] batch = [.. waiting.Take(most ?? waiting.Count).Select(e => e.DeepClone())];
        if (twice)
            batch = [.. batch, .. batch.Select(e => e.DeepClone())];
        var answer = await caller.Post(
            Path,
            new
            {
                sentAt = (DateTimeOffset.UtcNow + ClockOff).ToString("O"),
                seals = new[] { (string)pack["seal"]! },
                entries = batch,
            }
        );
        if (loseAnswer)
            return [];
        var results = answer.Ok.AsArray();
        var answered = results.Select(r => (string)r!["id"]!).ToHashSet();
        waiting.RemoveAll(e => answered.Contains((string)e["id"]!));
        return results;
    }

    public static IEnumerable<string> Outcomes(JsonArray results) => results.Select(r => (string)r!["outcome"]!);
}
