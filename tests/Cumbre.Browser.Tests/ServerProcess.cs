using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Microsoft.Data.Sqlite;

namespace Cumbre.Browser.Tests;

/// <summary>
/// The app as a process of its own on the demo's data, which can be killed and started again at the same address.
/// </summary>
/// <param name="under">
/// A command that the app is run by, with its arguments; {data} stands for the folder. It becomes the app, so that its
/// process is the app's.
/// </param>
public sealed class ServerProcess(params string[] under) : IDisposable
{
    private readonly int port = FreePort();
    private Process? server;

    public string Data { get; } = Directory.CreateTempSubdirectory("cumbre-server-").FullName;

    public async Task<Uri> Start(CancellationToken stop)
    {
        string[] all =
        [
            .. under.Select(u => u.Replace("{data}", Data, StringComparison.Ordinal)),
            "dotnet",
            typeof(Program).Assembly.Location,
            "--data",
            Data,
            "--demo",
            "true",
            "--urls",
            $"http://127.0.0.1:{port}",
        ];
        var start = new ProcessStartInfo(all[0]) { RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (var argument in all[1..])
            start.ArgumentList.Add(argument);
        server = Process.Start(start)!;
        while (await server.StandardOutput.ReadLineAsync(stop) is { } line)
        {
            if (line.Split("ready at ") is [_, var address])
                return new Uri(address.Trim());
        }

        throw new ServerDidNotStartException(await server.StandardError.ReadToEndAsync(stop));
    }

    public int Id => server!.Id;

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

/// <summary>It ended before it was ready.</summary>
/// <param name="said">On its console.</param>
public sealed class ServerDidNotStartException(string said) : Exception(said);
