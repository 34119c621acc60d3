using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server;

/// <param name="Port">Where the sample club answers, on the host that was asked.</param>
public sealed record SampleClubDto(int Port);

/// <summary>
/// The demo's club beside the real one: a second server in this process, on a free port, with a folder of its own that
/// is made anew each time. Nothing in it touches the club.
/// </summary>
internal sealed class SampleClub(CumbreOptions options, IHostApplicationLifetime lifetime) : IAsyncDisposable
{
    private readonly SemaphoreSlim one = new(1);
    private WebApplication? running;

    /// <summary>The port, once it listens. Asked again it is the one that runs.</summary>
    /// <param name="reached">The address by which the club itself was reached.</param>
    public async Task<int> Open(System.Net.IPAddress? reached)
    {
        await one.WaitAsync(lifetime.ApplicationStopping);
        try
        {
            running ??= await Start(reached ?? System.Net.IPAddress.Loopback);
            return new Uri(running.Urls.First()).Port;
        }
        finally
        {
            one.Release();
        }
    }

    public async ValueTask DisposeAsync()
    {
        if (running is not null)
            await running.DisposeAsync();
        one.Dispose();
    }

    private async Task<WebApplication> Start(System.Net.IPAddress reached)
    {
        var folder = Path.Combine(options.Data, "sample-club");
        if (Directory.Exists(folder))
            Directory.Delete(folder, recursive: true);

        var host = reached.IsIPv4MappedToIPv6 ? reached.MapToIPv4() : reached;
        var address = host.AddressFamily == System.Net.Sockets.AddressFamily.InterNetworkV6 ? $"[{host}]" : $"{host}";
        var app = ServerApp.Build(
            [
                "--data",
                folder,
                // Also where the club's own lie elsewhere: neither sees the other's.
                "--backups",
                Path.Combine(folder, "backups"),
                "--sample",
                "true",
                "--demo",
                "true",
                "--cookie",
                "cumbre-sample",
                "--urls",
                $"http://{address}:0",
            ],
            writesDocument: false
        );
        await app.StartAsync(lifetime.ApplicationStopping);
        return app;
    }
}

internal static class SampleClubEndpoints
{
    public static void MapSampleClub(this IEndpointRouteBuilder api) =>
        api.MapPost("/sample-club", Handle).RequireAuthorization(Policies.Coach);

    private static async Task<Results<Ok<SampleClubDto>, ProblemHttpResult>> Handle(
        HttpContext context,
        SampleClub sample,
        CumbreOptions options
    ) =>
        options.Demo
            ? (ProblemHttpResult)Problems.NotFound(Words.SampleClubHere)
            : TypedResults.Ok(new SampleClubDto(await sample.Open(context.Connection.LocalIpAddress)));
}
