using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>An athlete comes in: short first, stored as it is typed, left and found again, put away and taken back.</summary>
public sealed class IntakeTests : IAsyncLifetime
{
    private App app = null!;
    private Browser browser = null!;

    public ValueTask InitializeAsync()
    {
        app = new App(demo: true);
        browser = new Browser(app.Address);
        browser.Go("/");
        browser.Press("Enter as coach");
        browser.Sees("8 decisions");
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public void An_intake_is_stored_as_it_is_typed_left_unfinished_and_found_again()
    {
        browser.Go("/athletes/new");
        browser.Fill("Name", "Runa Falk" + Keys.Enter);
        browser.Sees("Still open");
        browser.Fill("Birth year", "2012");
        browser.Sees("Under 18: clearance first");
        browser.Sees("a guardian’s consent", "[aria-label='Still open']");
        browser.Fill("Minutes a session", "5");
        browser.Sees("5 is outside 10 to 240.");
        // One slip does not hold up the others, and is not lost.
        browser.Fill("To advance", "Handstand");
        browser.Press("Handstand");
        browser.Press("Thu");
        browser.Sees("1 to mend, everything else stored");
        browser.Press("Roster");
        browser.Choose("Show", "intake unfinished");
        browser.Sees("2 of 12 athletes");
        Assert.Contains("show=intake", browser.Path, StringComparison.Ordinal);
        browser.Sees("Runa Falk");
        browser.Press("intake unfinished");
        browser.Driver.Navigate().Back();
        browser.Press("Runa Falk");
        browser.Press("Intake");
        browser.Sees("Handstand");
        Assert.Equal("", browser.Field("Minutes a session").GetAttribute("value"));
        Assert.Equal("true", browser.Driver.FindElement(By.CssSelector("[aria-label=Days] button[value='4']")).GetAttribute("aria-pressed"));
        browser.Fill("Minutes a session", "45");
        browser.Press("Finish for now");
        browser.Sees("ladders begun");
        Assert.Empty(browser.ConsoleErrors());
    }

    [Fact]
    public void An_athlete_is_put_away_taken_back_and_removed_after_a_question()
    {
        browser.Go("/roster");
        browser.Press("Noor Bakkali");
        browser.Press("Profile and kit");
        browser.Press("Put away");
        browser.Sees("Take back");
        browser.Press("Roster");
        browser.Sees("10 athletes");
        browser.SeesNot("Noor Bakkali");
        browser.Choose("Show", "put away");
        browser.Press("Noor Bakkali");
        browser.Press("Take back");
        browser.Sees("Put away");
        browser.Press("Put away");
        browser.Press("Remove for good");
        browser.Sees("Every test, session and decision of theirs is lost.", "[role=dialog]");
        browser.Press("Keep");
        browser.Press("Remove for good");
        browser.Driver.FindElement(By.CssSelector("[role=dialog] button:last-of-type")).Click();
        browser.Sees("10 athletes");
        browser.Choose("Show", "put away");
        browser.Sees("Nobody is put away.");
    }
}
