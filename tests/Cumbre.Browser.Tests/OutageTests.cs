using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A server that is killed while people type, and comes back.</summary>
public sealed class OutageTests : IDisposable
{
    private const string LineField = "[data-testid=item] input[aria-autocomplete=list]";

    private readonly ServerProcess server = new();

    public void Dispose() => server.Dispose();

    [Fact]
    public async Task What_is_typed_while_the_server_is_dead_is_kept_and_stored_when_it_is_back()
    {
        var stop = TestContext.Current.CancellationToken;
        var address = await server.Start(stop);
        using var browser = new Browser(address);
        browser.Go("/");
        browser.Press("Enter as coach");
        browser.Sees($"{DemoTests.All} decisions");
        var block = (string)
            browser.Driver.ExecuteAsyncScript(
                """
                const done = arguments[arguments.length - 1];
                fetch("/api/programmes").then(r => r.json()).then(all => {
                  const row = all.find(p => p.block && p.athleteName.startsWith("Kasimir"));
                  done(`/athletes/${row.athleteId}/blocks/${row.block.id}?week=3`);
                });
                """
            )!;
        browser.Go(block);
        browser.Sees("under tension");
        var name = Names(browser)[1];

        await server.Kill(stop);
        Write(browser, 1, "3 x 6 @ +10 kg rest 2:00");
        browser.Sees("The server cannot be reached.");
        browser.Until(
            () => browser.Text("main [role=status]").StartsWith("kept on this device", StringComparison.Ordinal),
            "the block to say that it is kept"
        );
        // Names stay names while nobody answers.
        Assert.Equal(name, Names(browser)[1]);

        // Leaving asks; the window is closed and opened again all the same.
        browser.Press("Roster");
        browser.Sees("Leave before it is saved?");
        browser.Press("Leave");
        await server.Start(stop);
        browser.SeesNot("The server cannot be reached.");
        browser.Go(block);
        browser.Until(() => Lines(browser)[1] == "3 x 6 @ +10 kg rest 2:00", "the line that was typed");
        browser.Until(() => browser.Text("main [role=status]") == "saved", "the block to be saved");

        // A window that was closed in the outage finds what it had typed on the device.
        await server.Kill(stop);
        Write(browser, 1, "3 x 7 @ +10 kg rest 2:00");
        browser.Sees("The server cannot be reached.");
        browser.Driver.Navigate().GoToUrl("about:blank");
        await server.Start(stop);
        browser.Go("/");
        browser.Sees("Not saved yet:");
        browser.Go(block);
        browser.Sees("had not been saved. Here they are again.");
        browser.Until(() => Lines(browser)[1] == "3 x 7 @ +10 kg rest 2:00", "the line from the device");
        browser.Until(() => browser.Text("main [role=status]") == "saved", "the block to be saved again");
    }

    private static string[] Names(Browser browser) =>
        [
            .. browser
                .Driver.FindElements(By.CssSelector("[data-testid=item]"))
                .Select(i => i.GetAttribute("aria-label")!),
        ];

    private static string?[] Lines(Browser browser) =>
        [.. browser.Driver.FindElements(By.CssSelector(LineField)).Select(i => i.GetAttribute("value"))];

    private static void Write(Browser browser, int row, string line)
    {
        var field = browser.Driver.FindElements(By.CssSelector(LineField))[row];
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(line + Keys.Escape);
    }
}
