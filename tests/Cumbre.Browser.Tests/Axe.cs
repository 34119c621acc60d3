using System.Text.Json;

namespace Cumbre.Browser.Tests;

/// <summary>Runs axe-core, as shipped in the front end's development packages, on the page as it stands.</summary>
internal static class Axe
{
    private static readonly Lazy<string> Source = new(() => File.ReadAllText(Path.Combine(ProjectFiles.Root, "src/cumbre-web/node_modules/axe-core/axe.min.js")));

    /// <summary>Serious and critical violations, one a line.</summary>
    public static IReadOnlyList<string> Violations(Browser browser)
    {
        browser.Script(Source.Value);
        var json = (string)browser.Driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { resultTypes: ["violations"] }).then(r => done(JSON.stringify(
              r.violations.filter(v => v.impact === "serious" || v.impact === "critical")
                .flatMap(v => v.nodes.map(n => v.id + ": " + n.html.slice(0, 160) + " " + (n.any[0]?.message ?? ""))))));
            """)!;
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
