using System.Diagnostics;
using System.Text.Json;

namespace Cumbre.Browser.Tests;

/// <summary>What a screen reader is given of a page: the browser's tree for it, and what live regions said.</summary>
internal sealed class Reader(Browser browser)
{
    private static readonly HashSet<string> Named =
    [
        "button",
        "link",
        "textbox",
        "searchbox",
        "combobox",
        "checkbox",
        "radio",
        "switch",
        "tab",
        "menuitem",
        "option",
        "spinbutton",
        "slider",
        "image",
        "dialog",
        "table",
        "grid",
    ];

    /// <summary>
    /// What is amiss in the tree, in words; empty where nothing is. A page that is still being drawn is given a moment.
    /// </summary>
    public IReadOnlyList<string> Faults()
    {
        var patience = Stopwatch.StartNew();
        while (true)
        {
            var faults = Amiss();
            if (faults.Count == 0 || patience.Elapsed > TimeSpan.FromSeconds(3))
                return faults;
            Thread.Sleep(50);
        }
    }

    private IReadOnlyList<string> Amiss()
    {
        var tree =
            (IReadOnlyDictionary<string, object>)browser.Driver.ExecuteCdpCommand("Accessibility.getFullAXTree", [])!;
        var nodes = JsonSerializer.SerializeToElement(tree["nodes"]).EnumerateArray().Where(n => !Ignored(n)).ToList();
        var faults = new List<string>();
        foreach (var node in nodes)
            if (Named.Contains(Role(node)) && Text(node).Length == 0)
                faults.Add($"a {Role(node)} without a name");
        var levels = nodes.Where(n => Role(n) == "heading").Select(Level).ToList();
        var dialog = nodes.Any(n => Role(n) == "dialog");
        if (!dialog && levels.Count(l => l == 1) != 1)
            faults.Add($"{levels.Count(l => l == 1)} headings of the first level");
        if (!dialog)
            foreach (var (above, below) in levels.Zip(levels.Skip(1)))
                if (below > above + 1)
                    faults.Add($"a heading of level {below} under one of level {above}");
        foreach (var landmark in dialog ? [] : new[] { "main", "navigation" })
            if (nodes.All(n => Role(n) != landmark))
                faults.Add($"no {landmark}");
        return [.. faults.Distinct().Select(f => $"{browser.Path}: {f}")];
    }

    /// <summary>Waits until the region that tells what a verb did says this.</summary>
    public void Hears(string text) =>
        browser.Until(
            () => browser.Text("[data-announced]").Contains(text, StringComparison.Ordinal),
            () => $"\"{text}\" to be said, where \"{browser.Text("[data-announced]")}\" was"
        );

    private static bool Ignored(JsonElement node) => node.TryGetProperty("ignored", out var i) && i.GetBoolean();

    private static string Role(JsonElement node) => Value(node, "role");

    private static string Text(JsonElement node) => Value(node, "name");

    private static string Value(JsonElement node, string part) =>
        node.TryGetProperty(part, out var p) && p.TryGetProperty("value", out var v) ? v.ToString() : "";

    private static int Level(JsonElement node) =>
        node.GetProperty("properties")
            .EnumerateArray()
            .Where(p => p.GetProperty("name").GetString() == "level")
            .Select(p => p.GetProperty("value").GetProperty("value").GetInt32())
            .FirstOrDefault();
}
