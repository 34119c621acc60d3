using System.Net.Sockets;
using System.Reflection;
using Cumbre.Server;
using Cumbre.Server.Hosting;

// The OpenAPI document is written at build by running this program; it must touch no file then.
var writesDocument = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

try
{
    if (!writesDocument && Commands.Run(args, Console.Out) is { } code)
        return code;
    await ServerApp.Build(args, writesDocument).RunAsync();
    return 0;
}
catch (Exception e) when (Plain(e) is { } sentence)
{
    await Console.Error.WriteLineAsync(sentence);
    return 1;
}

static string? Plain(Exception e) =>
    e switch
    {
        SettingException => e.Message,
        UnauthorizedAccessException => $"The data folder cannot be written: {e.Message}",
        IOException { InnerException: Microsoft.AspNetCore.Connections.AddressInUseException or SocketException } =>
            "The port is in use: stop the other program, or choose another with --port.",
        IOException when e is not FileNotFoundException => $"The data folder cannot be used: {e.Message}",
        _ => null,
    };

/// <summary>The entry point, public for the tests that start the app in their own process.</summary>
public partial class Program;
