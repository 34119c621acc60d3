using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Data.Sqlite;

namespace Cumbre.Browser.Tests;

/// <summary>The app on a real port, over a database of its own, on the demo's day.</summary>
public sealed class App : WebApplicationFactory<Program>
{
    private readonly bool demo;
    private readonly string data = Directory.CreateTempSubdirectory("cumbre-browser-").FullName;

    public App(bool demo)
        : this(demo, seeded: demo) { }

    private App(bool demo, bool seeded)
    {
        this.demo = demo;
        if (seeded)
            Cumbre.Tests.SeededFile.CopyTo(Database, Fresh);
        UseKestrel(0);
        StartServer();
    }

    private string Database => Path.Combine(data, "cumbre.db");

    /// <summary>What an empty club asks its owner for.</summary>
    public const string SetupCode = "TEST-CODE";

    public Uri Address => ClientOptions.BaseAddress;

    private static (IAsyncDisposable App, string Database) Fresh()
    {
        var app = new App(demo: true, seeded: false);
        return (app, app.Database);
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder) =>
        builder
            .UseSetting("Cumbre:Data", data)
            .UseSetting("Cumbre:Demo", demo ? "true" : "false")
            .UseSetting("Cumbre:Today", "2026-03-16")
            .UseSetting("Cumbre:SetupCode", SetupCode);

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
    }
}
