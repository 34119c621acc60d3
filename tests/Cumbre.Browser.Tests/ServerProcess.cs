using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Microsoft.Data.Sqlite;

namespace Cumbre.Browser.Tests;

/// <summary>
/// The app as a process of its own on the demo's data, which can be killed and started again at the same address.
/// </summary>
public sealed class ServerProcess : IDisposable
{
    private readonly int port = FreePort();
    private Process? server;

    public string Data { get; } = Directory.CreateTempSubdirectory("cumbre-server-").FullName;

    public async Task<Uri> Start(CancellationToken stop)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (
            var argument in new[]
            {
                typeof(Program).Assembly.Location,
                "--data",
                Data,
                "--demo",
                "true",
                "--urls",
                $"http://127.0.0.1:{port}",
            }
        )
            start.ArgumentList.Add(argument);
        server = Process.Start(start)!;
        while (await server.StandardOutput.ReadLineAsync(stop) is { } line)
        {
            if (line.Split("ready at ") is [_, var address])
                return new Uri(address.Trim());
        }

        throw new InvalidOperationException(await server.StandardError.ReadToEndAsync(stop));
    }

    /// <summary>As a power cut would.</summary>
    public async Task Kill(CancellationToken stop)
    {
        server!.Kill();
        await server.WaitForExitAsync(stop);
    }

    public void Dispose()
    {
        if (server is { HasExited: false })
            server.Kill();
        server?.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(Data, recursive: true);
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
