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
    {
        this.demo = demo;
        UseKestrel(0);
        StartServer();
    }

    public Uri Address => ClientOptions.BaseAddress;

    protected override void ConfigureWebHost(IWebHostBuilder builder) => builder
        .UseSetting("Cumbre:Data", data)
        .UseSetting("Cumbre:Demo", demo ? "true" : "false")
        .UseSetting("Cumbre:Today", "2026-03-16")
        .UseSetting("Cumbre:SignInsPerMinute", "1000");

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
    }
}
