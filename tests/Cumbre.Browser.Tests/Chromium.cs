using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Cumbre.Browser.Tests;

/// <summary>
/// A headless Chromium that is handed from test to test, emptied in between: starting one takes longer than most tests
/// need of it.
/// </summary>
internal sealed class Chromium
{
    private static readonly ConcurrentBag<Chromium> Free = [];
    private static readonly ConcurrentBag<Chromium> All = [];

    private readonly string profile = Directory.CreateTempSubdirectory("cumbre-chromium-").FullName;

    static Chromium() =>
        AppDomain.CurrentDomain.ProcessExit += (_, _) =>
        {
            foreach (var chromium in All)
                chromium.Quit();
        };

    private Chromium()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            "--force-prefers-reduced-motion",
            $"--user-data-dir={profile}"
        );
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        Driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        All.Add(this);
    }

    public ChromeDriver Driver { get; }

    public static Chromium Take() => Free.TryTake(out var free) ? free : new Chromium();

    /// <summary>
    /// Closes its windows and forgets cookies, storage and messages, so that the next test finds it as new.
    /// </summary>
    /// <param name="address">Where the test was.</param>
    public void Return(Uri address)
    {
        var used = Driver.WindowHandles;
        var fresh = Driver.SwitchTo().NewWindow(WindowType.Tab).CurrentWindowHandle;
        foreach (var window in used)
        {
            Driver.SwitchTo().Window(window);
            Driver.Close();
        }

        Driver.SwitchTo().Window(fresh);
        Driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        Driver.ExecuteCdpCommand(
            "Storage.clearDataForOrigin",
            new Dictionary<string, object?>
            {
                ["origin"] = address.GetLeftPart(UriPartial.Authority),
                ["storageTypes"] = "local_storage,indexeddb,cache_storage,service_workers",
            }
        );
        _ = Driver.Manage().Logs.GetLog(LogType.Browser);
        Free.Add(this);
    }

    private void Quit()
    {
        Driver.Quit();
        Driver.Dispose();
        Directory.Delete(profile, recursive: true);
    }
}
