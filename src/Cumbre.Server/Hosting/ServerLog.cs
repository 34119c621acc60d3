using System.Globalization;
using Microsoft.AspNetCore.Diagnostics;
using Serilog;
using Serilog.AspNetCore;
using Serilog.Events;
using Serilog.Formatting;
using Serilog.Formatting.Compact;
using Serilog.Formatting.Display;

namespace Cumbre.Server.Hosting;

/// <summary>How the log is written.</summary>
public enum LogForm
{
    /// <summary>Lines for whoever looks at the console.</summary>
    Text,

    /// <summary>An object a line, one for every request as well, for what gathers logs.</summary>
    Json,
}

/// <summary>
/// The log goes to the console and says nothing of people: no name, no address, nothing that was typed. A request is
/// told by its route, not by its path.
/// </summary>
internal static class ServerLog
{
    private const string Line = "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}";

    public static void Add(IServiceCollection services, LogForm form) =>
        services.AddSerilog(log =>
            log.MinimumLevel.Information()
                .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
                // Two warnings that are meant: answers with a token are never cached, and the keys lie in the club's own
                // folder.
                .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", LogEventLevel.Error)
                .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error)
                .WriteTo.Console(
                    new WithoutWords(
                        form == LogForm.Json
                            ? new CompactJsonFormatter()
                            : new MessageTemplateTextFormatter(Line, CultureInfo.InvariantCulture)
                    )
                )
        );

    public static void UseRequestLog(this IApplicationBuilder app, LogForm form)
    {
        if (form == LogForm.Json)
            app.UseSerilogRequestLogging(Configure);
    }

    /// <summary>As it is written in the program: <c>/api/athletes/{athleteId:guid}</c>.</summary>
    public static string RouteOf(HttpContext http) =>
        // A fault takes the endpoint away, and says which it was.
        ((http.GetEndpoint() ?? http.Features.Get<IExceptionHandlerFeature>()?.Endpoint) as RouteEndpoint)
            ?.RoutePattern
            .RawText
        ?? "(no route)";

    private static void Configure(RequestLoggingOptions options)
    {
        options.MessageTemplate = "{Method} {Route} answered {Status} in {Milliseconds:0} ms";
        options.GetMessageTemplateProperties = (http, _, elapsed, status) =>
            [
                new("Method", new ScalarValue(http.Request.Method)),
                new("Route", new ScalarValue(RouteOf(http))),
                new("Status", new ScalarValue(status)),
                new("Milliseconds", new ScalarValue(Math.Round(elapsed))),
            ];
    }

    /// <summary>
    /// The words of an exception may repeat what was typed, and a path names people by their ids: both are left out.
    /// </summary>
    internal sealed class WithoutWords(ITextFormatter inner) : ITextFormatter
    {
        public void Format(LogEvent logEvent, TextWriter output) =>
            inner.Format(
                new(
                    logEvent.Timestamp,
                    logEvent.Level,
                    logEvent.Exception is { } e ? new ToldException(e) : null,
                    logEvent.MessageTemplate,
                    logEvent
                        .Properties.Where(p => p.Key != "RequestPath")
                        .Select(p => new LogEventProperty(p.Key, p.Value))
                ),
                output
            );
    }

    /// <summary>The types of an exception and where it was thrown.</summary>
    private sealed class ToldException(Exception of) : Exception
    {
        public override string ToString() =>
            string.Join(
                Environment.NewLine,
                Chain(of).Select(e => $"{e.GetType().FullName}{Environment.NewLine}{e.StackTrace}")
            );

        private static IEnumerable<Exception> Chain(Exception? of)
        {
            for (var e = of; e is not null; e = e.InnerException)
                yield return e;
        }
    }
}
