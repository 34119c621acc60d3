using System.Text.Json;

namespace Cumbre.Browser.Tests;

/// <summary>Runs axe-core, as shipped in the front end's development packages, on the page as it stands.</summary>
internal static class Axe
{
    private static readonly Lazy<string> Source = new(() => File.ReadAllText(Path.Combine(ProjectFiles.Root, "src/cumbre-web/node_modules/axe-core/axe.min.js")));

    /// <summary>Serious and critical violations, one a line.</summary>
    /// <param name="browser">As it stands.</param>
    /// <param name="coloursOnly">The same screen in another theme differs in its colours alone.</param>
    public static IReadOnlyList<string> Violations(Browser browser, bool coloursOnly = false)
    {
        browser.Script(Source.Value);
        var json = (string)browser.Driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { resultTypes: ["violations"], ...(arguments[0] ? { runOnly: ["color-contrast"] } : {}) }).then(r => done(JSON.stringify(
              r.violations.filter(v => v.impact === "serious" || v.impact === "critical")
                .flatMap(v => v.nodes.map(n => v.id + ": " + n.html.slice(0, 160) + " " + (n.any[0]?.message ?? ""))))));
            """,
            coloursOnly)!;
        return JsonSerializer.Deserialize<string[]>(json)!;
    }
}

internal static class ProjectFiles
{
    public static string Root { get; } = Find();

    private static string Find()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "Cumbre.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new InvalidOperationException("The tests run outside the project.");
    }
}
