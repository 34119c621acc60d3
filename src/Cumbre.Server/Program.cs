using System.Net.Sockets;
using System.Reflection;
using Cumbre.Server;
using Cumbre.Server.Hosting;
using Cumbre.Server.Upkeep;
using Cumbre.Storage;
using Cumbre.Storage.Backups;

// The OpenAPI document is written at build by running this program; it must touch no file then.
var writesDocument = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

try
{
    if (!writesDocument && Commands.Run(args, Console.Out) is { } code)
        return code;
    bool again;
    do
    {
        var app = ServerApp.Build(args, writesDocument);
        var restart = app.Services.GetRequiredService<Restart>();
        await app.RunAsync();
        again = restart.IsAsked;
    } while (again);
    return 0;
}
catch (Exception e) when (Plain(e) is { } trouble)
{
    await Console.Error.WriteLineAsync(trouble.Sentence);
    return trouble.Code;
}

// Each with an exit code of its own, which docs/operations.md lists.
static (int Code, string Sentence)? Plain(Exception e) =>
    e switch
    {
        SettingException => (2, e.Message),
        IOException { InnerException: Microsoft.AspNetCore.Connections.AddressInUseException or SocketException } => (
            3,
            "The port is in use: stop the other program, or choose another with --port."
        ),
        FileTroubleException { Trouble: FileTrouble.InUse } => (4, e.Message),
        FileTroubleException { Trouble: FileTrouble.Newer } => (5, e.Message),
        FileTroubleException { Trouble: FileTrouble.Damaged } => (6, e.Message),
        FileTroubleException => (7, e.Message),
        BackupException => (8, e.Message),
        UnauthorizedAccessException => (7, $"The data folder cannot be written: {e.Message}"),
        IOException when e is not FileNotFoundException => (7, $"The data folder cannot be used: {e.Message}"),
        _ => null,
    };

/// <summary>The entry point, public for the tests that start the app in their own process.</summary>
public partial class Program;
