using System.Globalization;
using System.Net;

namespace Cumbre.Server.Hosting;

/// <summary>How this process was started.</summary>
/// <param name="Data">Folder of the database and the keys.</param>
/// <param name="Demo">Demo data and one-press sign-in.</param>
/// <param name="Today">A fixed training day for the demo; null: the real one.</param>
public sealed record CumbreOptions(string Data, bool Demo, DateOnly? Today)
{
    /// <summary>What the first start of an empty club asks for; null: a new one with each start.</summary>
    public string? SetupCode { get; init; }

    /// <summary>The demo's club is one that has trained for years; null: it is the small one.</summary>
    public GrownSize? Grown { get; init; }

    /// <summary>
    /// Whose word on the address and the scheme of a request is taken: proxies before the app, one address or network
    /// each. Nobody else's.
    /// </summary>
    public IReadOnlyList<IPNetwork> Proxies { get; init; } = [];

    /// <summary>Folder of the backups, best on another disk; null: beside the file.</summary>
    public string? BackupsElsewhere { get; init; }

    public string Backups => BackupsElsewhere ?? Path.Combine(Data, "backups");

    /// <summary>The sample club beside a real one, which is made anew each time.</summary>
    public bool IsSample { get; init; }

    /// <summary>How the log is written.</summary>
    public LogForm Log { get; init; }

    /// <summary>Folder of the messages that were written.</summary>
    public string Outbox => Path.Combine(Data, "outbox");

    /// <summary>Of the sign-in. A browser keeps cookies by host, not by port: the sample club has its own.</summary>
    public string CookieName { get; init; } = "cumbre";

    /// <summary>Command-line names of the settings.</summary>
    public static IDictionary<string, string> Switches { get; } =
        new Dictionary<string, string>
        {
            ["--data"] = "Cumbre:Data",
            ["--backups"] = "Cumbre:Backups",
            ["--demo"] = "Cumbre:Demo",
            ["--today"] = "Cumbre:Today",
            ["--grown"] = "Cumbre:Grown",
            ["--cookie"] = "Cumbre:Cookie",
            ["--log"] = "Cumbre:Log",
            ["--sample"] = "Cumbre:Sample",
            ["--recover"] = "Cumbre:Recover",
            ["--verify-audit"] = "Cumbre:VerifyAudit",
            ["--list-backups"] = "Cumbre:ListBackups",
            ["--back-up"] = "Cumbre:BackUp",
            ["--write-club"] = "Cumbre:WriteClub",
            ["--read-club"] = "Cumbre:ReadClub",
            ["--restore"] = "Cumbre:Restore",
            ["--yes"] = "Cumbre:Yes",
        };

    /// <exception cref="SettingException">A setting cannot be read.</exception>
    public static CumbreOptions From(IConfiguration configuration)
    {
        var section = configuration.GetSection("Cumbre");
        var demo = section.GetValue("Demo", false);
        return new(
            section["Data"] is { Length: > 0 } data ? data : DefaultData(demo ? "demo" : "club"),
            demo,
            Day(section["Today"], demo)
        )
        {
            Proxies =
            [
                .. (section["Proxies"] ?? "")
                    .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Select(Proxy),
            ],
            BackupsElsewhere = section["Backups"] is { Length: > 0 } backups ? backups : null,
            IsSample = section.GetValue("Sample", false),
            Log = section["Log"] switch
            {
                null or "" or "text" => LogForm.Text,
                "json" => LogForm.Json,
                var other => throw new SettingException($"--log: \"{other}\" is no form of log; write text or json."),
            },
            SetupCode = section["SetupCode"] is { Length: > 0 } code ? code : null,
            CookieName = section["Cookie"] is { Length: > 0 } cookie ? cookie : "cumbre",
            Grown = section["Grown"] is { Length: > 0 } grown
                ? GrownSize.Read(grown)
                    ?? throw new SettingException(
                        $"--grown: \"{grown}\" is no size; write athletes and years as 60x1, up to 500x10."
                    )
                : null,
        };
    }

    private static IPNetwork Proxy(string text) =>
        IPNetwork.TryParse(text, out var network) ? network
        : IPAddress.TryParse(text, out var address) ? new(address, address.GetAddressBytes().Length * 8)
        : throw new SettingException(
            $"Cumbre:Proxies: \"{text}\" is no address; write 10.0.0.2 or 10.0.0.0/24, separated by commas."
        );

    private static DateOnly? Day(string? text, bool demo)
    {
        if (string.Equals(text, "now", StringComparison.OrdinalIgnoreCase))
            return null;
        if (string.IsNullOrEmpty(text))
            return demo ? Simulation.DemoClub.Today : null;
        return DateOnly.TryParseExact(
            text,
            "yyyy-MM-dd",
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        )
            ? day
            : throw new SettingException($"--today: \"{text}\" is not a date; write it as 2026-03-16, or now.");
    }

    private static string DefaultData(string kind) =>
        Path.Combine(
            Environment.GetFolderPath(
                Environment.SpecialFolder.LocalApplicationData,
                Environment.SpecialFolderOption.Create
            ),
            "cumbre",
            kind
        );
}

/// <summary>A setting that the person who starts the app can mend; its message is one plain sentence.</summary>
public sealed class SettingException(string message) : Exception(message);
