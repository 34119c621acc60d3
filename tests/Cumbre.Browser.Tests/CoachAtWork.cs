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

    /// <summary>The page of an athlete of the demo.</summary>
    protected string PathOf(string athlete) =>
        "/athletes/"
        + (string)
            Coach.Driver.ExecuteAsyncScript(
                "const done = arguments[1]; fetch('/api/athletes').then(r => r.json()).then(all => done(all.find(a => a.name === arguments[0]).id));",
                athlete
            )!;
}
