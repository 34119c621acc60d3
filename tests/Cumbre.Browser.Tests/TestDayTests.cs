using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>An evening of tests typed by keyboard alone, through a server that dies and comes back.</summary>
public sealed class TestDayTests : IAsyncLifetime
{
    private static readonly string[] Athletes = ["Ilse Marquina", "Kasimir Lund", "Petra Holm", "Wanda Osei"];

    private readonly ServerProcess server = new();
    private Browser browser = null!;

    public async ValueTask InitializeAsync()
    {
        browser = new Browser(await server.Start(TestContext.Current.CancellationToken));
        browser.Go("/");
        browser.Press("Enter as coach");
        browser.Sees($"{DemoTests.All} decisions");
    }

    public ValueTask DisposeAsync()
    {
        browser.Dispose();
        server.Dispose();
        return ValueTask.CompletedTask;
    }

    private const string FocusedName =
        "const e = document.activeElement; return e.getAttribute('aria-label') || (e.labels && e.labels[0] ? e.labels[0].innerText : e.innerText) || '';";

    /// <summary>Tab until the focus stands on the field or button of this name.</summary>
    private void TabTo(string name)
    {
        for (var i = 0; i < 80; i++)
        {
            browser.Type(Keys.Tab);
            if (((string)browser.Script(FocusedName)!).Trim().StartsWith(name, StringComparison.Ordinal))
                return;
        }

        Assert.Fail($"Tab never came to {name}");
    }

    private void Fill(string text)
    {
        foreach (var _ in Athletes)
            browser.Type(text + Keys.Enter);
    }

    [Fact]
    public async Task A_test_day_for_four_is_typed_by_keyboard_alone_while_the_server_dies_and_comes_back()
    {
        var stop = TestContext.Current.CancellationToken;
        browser.Control("k");
        browser.Until(
            () =>
                ((string)browser.Script(FocusedName)!).Length > 0
                && browser.Driver.FindElements(By.CssSelector("[role=dialog] input")).Count == 1,
            "the palette"
        );
        browser.Type("new test");
        browser.Sees("New test day", "[role=listbox]");
        browser.Type(Keys.Enter);
        browser.Sees("Choose who is attending.");
        TabTo("Athletes");
        foreach (var name in Athletes)
        {
            browser.Type(name);
            browser.Sees(name, "[role=listbox]");
            browser.Type(Keys.ArrowDown + Keys.Enter);
        }

        browser.Type(Keys.Escape);
        browser.Sees("One-leg front lever: never tested; achieves One-leg (Front lever)");
        TabTo("Open sheet");
        browser.Type(Keys.Enter);
        browser.Sees("everything saved");

        TabTo("Ilse Marquina, High pull-up");
        Fill("belly x 3");
        browser.Sees("everything saved");
        await server.Kill(stop);
        // At the foot of a column Enter goes on at the head of the next.
        Fill("3 x 10");
        browser.Sees("The server cannot be reached: 4 kept on this device");
        Fill("3 x 8");
        await server.Start(stop);
        Fill("3 x 8");
        browser.Sees("everything saved");

        // A reload shows what the server has, and a slip is told at its cell without losing what was typed.
        browser.Driver.Navigate().Refresh();
        browser.Sees("everything saved");
        Assert.Equal(
            "3 x 8 s",
            browser
                .Driver.FindElement(By.CssSelector("input[aria-label='Wanda Osei, One-leg front lever, right']"))
                .GetAttribute("value")
        );
        TabTo("Ilse Marquina, High pull-up");
        browser.Type("chalk" + Keys.Enter);
        browser.Sees("1 to fix, everything else saved");
        browser.Type(Keys.ArrowUp);
        browser.Sees("“chalk” is not a result of this test. Write it like chest x 5.");
        browser.Type("belly x 4" + Keys.Enter);
        browser.Sees("everything saved");
        Assert.Empty(browser.ConsoleErrors());

        browser.Press("Results");
        browser.Sees("One-leg are achieved; Half-lay can be trained.");
        browser.Sees("first result");
        // Kasimir's flag stands where the results put it.
        browser.Press("Kasimir Lund");
        browser.Sees("Half-lay");
        browser.Until(
            () => browser.Driver.FindElements(By.CssSelector("button[aria-label^='Half-lay, in training']")).Count == 1,
            "the flag on the half-lay"
        );
    }

    [Fact]
    public void A_block_from_a_spreadsheet_is_pasted_and_what_finds_no_place_is_said()
    {
        browser.Go("/test-days/new");
        browser.Press("Everybody");
        browser.Press("Open sheet");
        browser.Sees("everything saved");
        var cell = browser.Driver.FindElement(By.CssSelector("input[data-cell='0-0']"));
        cell.Click();
        browser.Script(
            "const data = new DataTransfer(); data.setData('text', arguments[1]); arguments[0].dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));",
            cell,
            string.Join('\n', Enumerable.Range(0, 5000).Select(i => i == 1 ? "words" : "chest x 5"))
        );
        browser.Sees("4,986 rows did not fit and were left out");
        browser.Sees("1 to fix, everything else saved");
        Assert.Equal(
            "words",
            browser.Driver.FindElement(By.CssSelector("input[data-cell='1-0']")).GetAttribute("value")
        );
        Assert.Equal(
            "chest x 5",
            browser.Driver.FindElement(By.CssSelector("input[data-cell='10-0']")).GetAttribute("value")
        );
        // One step takes the whole paste back.
        browser.Press("Undo paste");
        browser.SeesNot("to fix");
        browser.Sees("everything saved");
        Assert.Equal("", browser.Driver.FindElement(By.CssSelector("input[data-cell='10-0']")).GetAttribute("value"));
    }

    [Fact]
    public async Task The_clock_of_a_hold_starts_after_one_second_still_and_fills_the_seconds()
    {
        browser.Go("/test-days/new");
        browser.Press("Everybody");
        browser.Press("Open sheet");
        browser.Sees("everything saved");
        browser
            .Driver.FindElement(By.CssSelector("input[aria-label='Ilse Marquina, One-leg front lever, left']"))
            .Click();
        var began = DateTime.UtcNow;
        browser.Press("Start clock");
        browser.Sees("1 s of stillness");
        await Task.Delay(2500, TestContext.Current.CancellationToken);
        browser.Press("Stop");
        var most = (DateTime.UtcNow - began).TotalSeconds - 1;
        browser.Sees("everything saved");
        var written = browser
            .Driver.FindElement(By.CssSelector("input[aria-label='Ilse Marquina, One-leg front lever, left']"))
            .GetAttribute("value")!;
        Assert.InRange(
            double.Parse(
                written.Replace(" s", "", StringComparison.Ordinal),
                System.Globalization.CultureInfo.InvariantCulture
            ),
            1.0,
            most
        );
    }
}
