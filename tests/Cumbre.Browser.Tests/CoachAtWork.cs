using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>The coach of the demo club, signed in, with a browser of their own.</summary>
public abstract class CoachAtWork : IAsyncLifetime
{
    internal App App { get; private set; } = null!;

    internal Browser Coach { get; private set; } = null!;

    public ValueTask InitializeAsync()
    {
        App = new App(demo: true);
        Coach = new Browser(App.Address);
        Coach.Go("/");
        Coach.Press("Enter as coach");
        Coach.Sees($"{DemoTests.All} decisions");
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        Coach.Dispose();
        await App.DisposeAsync();
        GC.SuppressFinalize(this);
    }

    /// <summary>
    /// Adds a line to the open session of a block as a coach types it: the movement and Enter, the line and Enter. What
    /// it means is not waited for.
    /// </summary>
    protected void Add(string movement, string line)
    {
        const string Items = "document.querySelectorAll('[data-testid=item]').length";
        var before = (long)Coach.Script($"return {Items}")!;
        Coach.Fill("Add movement", movement);
        Coach.Until(
            () =>
                Coach.Script(
                    "return document.querySelector('[role=option]')?.innerText.startsWith(arguments[0]) ?? false",
                    movement
                )
                    is true,
            $"the movement {movement}"
        );
        Coach.Type(Keys.Enter);
        Coach.Until(
            () =>
                Coach.Script(
                    $"return {Items} === arguments[0]"
                        + " && (document.activeElement.getAttribute('aria-label')?.startsWith('Line of') ?? false)",
                    before + 1
                )
                    is true,
            $"the new line of {movement} to have the focus"
        );
        Coach.Control("a");
        Coach.Type(line + Keys.Escape + Keys.Enter);
    }

    /// <summary>The page of an athlete of the demo.</summary>
    protected string PathOf(string athlete) =>
        "/athletes/"
        + (string)
            Coach.Driver.ExecuteAsyncScript(
                "const done = arguments[1]; fetch('/api/athletes').then(r => r.json()).then(all => done(all.find(a => a.name === arguments[0]).id));",
                athlete
            )!;

    /// <summary>Where today's session of an athlete of the demo is run.</summary>
    protected string RunOf(string athlete) =>
        (string)
            Coach.Driver.ExecuteAsyncScript(
                """
                const done = arguments[1];
                const id = arguments[0].split("/").at(-1);
                fetch(`/api/athletes/${id}/run`).then(r => r.json()).then(w => done(`/run/${id}/${w.packs[0].id}`));
                """,
                PathOf(athlete)
            )!;
}
