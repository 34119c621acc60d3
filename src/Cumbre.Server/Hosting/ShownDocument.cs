using System.Text.Json;
using System.Text.Json.Nodes;

namespace Cumbre.Server.Hosting;

/// <summary>
/// What was shown once and is kept as it was: the plan of a session that has begun, a published block. The text names
/// its version; an older one is brought up to date step by step before it is read. Texts without a version are of the
/// first.
/// </summary>
/// <param name="upgrades">The way from each version to the next; none: there is only the first.</param>
public sealed class ShownDocument<T>(params Action<JsonObject>[] upgrades)
    where T : class
{
    private const string VersionKey = "v",
        ShownKey = "shown";

    private int Newest => upgrades.Length + 1;

    public string Write(T shown) =>
        new JsonObject
        {
            [VersionKey] = Newest,
            [ShownKey] = JsonSerializer.SerializeToNode(shown, WireJson.Options),
        }.ToJsonString(WireJson.Options);

    /// <exception cref="JsonException">The text is none of these, or of a newer version than this one knows.</exception>
    public T Read(string text)
    {
        if (JsonNode.Parse(text) is not JsonObject document)
            throw new JsonException("A document that was shown is an object.");
        var version = (int?)document[VersionKey] ?? 1;
        var shown = document.ContainsKey(VersionKey) ? document[ShownKey] as JsonObject : document;
        if (shown is null || version < 1 || version > Newest)
            throw new JsonException($"A document of version {version} cannot be read; the newest known is {Newest}.");
        foreach (var upgrade in upgrades.Skip(version - 1))
            upgrade(shown);
        return shown.Deserialize<T>(WireJson.Options) ?? throw new JsonException("The document is empty.");
    }
}
