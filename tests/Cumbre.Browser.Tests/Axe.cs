using System.Text.Json;

namespace Cumbre.Browser.Tests;

/// <summary>Runs axe-core, as shipped in the front end's development packages, on the page as it stands.</summary>
internal static class Axe
{
    private static readonly Lazy<string> Source = new(() =>
        File.ReadAllText(Path.Combine(ProjectFiles.Root, "src/cumbre-web/node_modules/axe-core/axe.min.js"))
    );

    /// <summary>Serious and critical violations, one a line.</summary>
    /// <param name="browser">As it stands; colours are judged when nothing fades any more.</param>
    /// <param name="scheme">The theme: all of its colours hang on one attribute of the page.</param>
    /// <param name="coloursOnly">The same screen in another theme differs in its colours alone.</param>
    public static IReadOnlyList<string> Violations(Browser browser, string scheme = "light", bool coloursOnly = false)
    {
        if (browser.Script("return window.axe === undefined") is true)
            browser.Script(Source.Value);
        var json = (string)
            browser.Driver.ExecuteAsyncScript(
                """
                const [scheme, coloursOnly, done] = arguments;
                const frame = () => new Promise(requestAnimationFrame);
                const settled = async () => {
                  for (let calm = 0; calm < 2; calm++) {
                    await frame();
                    const moving = document.getAnimations().filter(a => a.effect.getComputedTiming().endTime !== Infinity && a.playState === "running");
                    if (moving.length > 0) calm = -1;
                    await Promise.allSettled(moving.map(a => a.finished));
                  }
                };
                const page = document.documentElement;
                const was = page.getAttribute("data-scheme");
                page.setAttribute("data-scheme", scheme);
                settled()
                  .then(() => axe.run(document, { resultTypes: ["violations"], ...(coloursOnly ? { runOnly: ["color-contrast"] } : {}) }))
                  .then(r => {
                    page.setAttribute("data-scheme", was);
                    done(JSON.stringify(r.violations.filter(v => v.impact === "serious" || v.impact === "critical")
                      .flatMap(v => v.nodes.map(n => v.id + ": " + n.html.slice(0, 160) + " " + (n.any[0]?.message ?? "")))));
                  });
                """,
                scheme,
                coloursOnly
            )!;
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
