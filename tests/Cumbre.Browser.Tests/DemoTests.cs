using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>The demo club, as a coach and as an athlete would look at it.</summary>
public sealed class DemoTests : IAsyncLifetime
{
    private App app = null!;
    private Browser browser = null!;

    public ValueTask InitializeAsync()
    {
        app = new App(demo: true);
        browser = new Browser(app.Address);
        browser.Go("/");
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    /// <summary>On the demo's Desk.</summary>
    internal const int All = 41;

    private void EnterAsCoach()
    {
        browser.Press("Enter as coach");
        browser.Sees($"{All} decisions");
    }

    private string PathOf(string athlete) =>
        "/athletes/"
        + (string)
            browser.Driver.ExecuteAsyncScript(
                "const done = arguments[1]; fetch('/api/athletes').then(r => r.json()).then(all => done(all.find(a => a.name === arguments[0]).id));",
                athlete
            )!;

    [Fact]
    public void The_first_start_has_no_serious_violation()
    {
        using var fresh = new App(demo: false);
        using var first = new Browser(fresh.Address);
        first.Go("/");
        first.Sees("First start");
        Assert.Empty(Axe.Violations(first));
    }

    [Fact]
    public void The_desk_is_worked_through_from_the_keyboard()
    {
        EnterAsCoach();
        Assert.Contains("Bruno Achterberg", Current());
        GoTo("Kasimir Lund", "j");
        GoTo("Wanda Osei", "k");
        browser.Type("a");
        browser.Sees($"{All - 1} decisions");
        // The cursor stays with the athlete while something more waits for them.
        browser.Until(
            () => Current().Contains("Elevated pike push-up", StringComparison.Ordinal),
            "the next decision of the same athlete"
        );
        GoTo("Kasimir Lund", "k");
        browser.Type("l");
        browser.Sees($"{All - 2} decisions");
        browser.Sees("Weighted pull-up: back off, postponed");
        browser.Type("z");
        browser.Sees($"{All - 1} decisions");
        browser.Until(
            () => Current().Contains("Kasimir Lund", StringComparison.Ordinal),
            "the athlete whose decision came back"
        );
        browser.Type("z");
        browser.Sees($"{All} decisions");
        browser.Until(
            () => Current().Contains("Wanda Osei", StringComparison.Ordinal),
            "the athlete whose decision came back"
        );
    }

    private string Current() =>
        browser.Until(() => browser.Driver.FindElement(By.CssSelector("li[aria-current]")).Text, "a current decision");

    /// <summary>By the key that moves the cursor, as often as it takes.</summary>
    private void GoTo(string athlete, string key)
    {
        for (var i = 0; i < 15 && !Current().Contains(athlete, StringComparison.Ordinal); i++)
            browser.Type(key);
        Assert.Contains(athlete, Current());
    }

    [Fact]
    public void The_harmless_ones_of_an_athlete_are_accepted_by_one_key()
    {
        EnterAsCoach();
        GoTo("Ilse Marquina", "j");
        browser.Sees("Accept 3 routine ones");
        browser.Type("h");
        browser.Sees($"{All - 3} decisions");
        browser.Go(PathOf("Ilse Marquina") + "/movement");
        Assert.Equal("3 x 8..10 @ +8.75 kg then +2.5 kg rest 2:00", browser.Field("Line").GetAttribute("value"));
    }

    [Fact]
    public void Single_letters_can_be_switched_off()
    {
        EnterAsCoach();
        browser.Type("?");
        browser.Sees("Single-letter keys");
        browser.Driver.FindElement(By.CssSelector("[role=dialog] input[type=checkbox]")).Click();
        browser.Press("Close");
        browser.SeesNot("Single-letter keys");
        browser.Type("a");
        browser.Type("l");
        Thread.Sleep(500);
        browser.Sees($"{All} decisions");
    }

    [Fact]
    public void A_decision_edited_before_it_is_accepted_plans_the_edited_line()
    {
        EnterAsCoach();
        GoTo("Kasimir Lund", "j");
        browser.Type("e");
        browser.Sees("Last time: 3 x 8..10 @ +10 kg");
        browser.Fill("Line", "3 x 6 @ +5 kg rest 2:00");
        browser.Sees("system mass 83.47 kg");
        browser.Press("Accept this line");
        browser.Sees($"{All - 1} decisions");
        browser.Go(PathOf("Kasimir Lund") + "/movement");
        Assert.Equal("3 x 6 @ +5 kg rest 2:00", browser.Field("Line").GetAttribute("value"));
    }

    [Fact]
    public void Two_tabs_that_change_one_athlete_are_offered_both()
    {
        EnterAsCoach();
        var profile = PathOf("Oto Sandvik") + "/profile";
        browser.Go(profile);
        browser.Fill("Name", "Oto of this tab");
        browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        browser.Go(profile);
        browser.Fill("Name", "Oto of the other tab");
        browser.Press("Save");
        browser.Sees("saved");
        browser.Driver.Close();
        browser.Driver.SwitchTo().Window(browser.Driver.WindowHandles[0]);

        browser.Press("Save");
        browser.Sees("Somebody else has changed this athlete since you opened it. Saved version: Oto of the other tab");
        Assert.Equal("Oto of this tab", browser.Field("Name").GetAttribute("value"));
        browser.Press("Save mine");
        browser.Sees("saved");
        browser.Driver.Navigate().Refresh();
        browser.Until(() => browser.Field("Name").GetAttribute("value") == "Oto of this tab", "the kept name");
    }

    [Fact]
    public void A_lost_connection_loses_nothing_that_was_typed()
    {
        EnterAsCoach();
        browser.Go(PathOf("Ilse Marquina") + "/movement");
        browser.Press("Log");
        browser.Fill("Reps", "9");
        Offline(true);
        browser.Press("Log set");
        browser.Sees("Kept on this device; it will be sent when the server is back.");
        Assert.Equal("9", browser.Field("Reps").GetAttribute("value"));
        // It goes up by itself.
        Offline(false);
        browser.Sees("9 at +6.25 kg");

        void Offline(bool offline)
        {
            browser.Driver.ExecuteCdpCommand("Network.enable", []);
            browser.Driver.ExecuteCdpCommand(
                "Network.emulateNetworkConditions",
                new Dictionary<string, object?>
                {
                    ["offline"] = offline,
                    ["latency"] = 0,
                    ["downloadThroughput"] = -1,
                    ["uploadThroughput"] = -1,
                }
            );
        }
    }

    [Fact]
    public void A_correction_and_pain_change_what_is_proposed()
    {
        EnterAsCoach();
        browser.Go(PathOf("Ilse Marquina") + "/movement");
        browser.Press("Log");
        for (var set = 1; set <= 3; set++)
        {
            browser.Until(
                () => browser.Driver.FindElements(By.CssSelector($"form[aria-label='Set {set}']")).Count == 1,
                $"the form of set {set}"
            );
            browser.Press("Log set");
        }

        // The third answer may still be on its way.
        browser.Until(
            () => browser.Driver.FindElements(By.CssSelector("form[aria-label^='Set ']")).Count == 0,
            "the last set to be logged"
        );
        browser.SeesNot("not logged yet");
        browser.Press("Finish session");
        browser.Sees("Weighted pull-up: add load, 3 x 8..10 @ +8.75 kg");
        browser.Press("Correct set 3");
        browser.Choose("Pain", "7/10");
        browser.Press("Save correction");
        browser.Sees("Enter where it hurts.");
        browser.Choose("Where", "right elbow, inside");
        browser.Press("Save correction");
        // The form has said before what the correction withdraws and brings: only once it is gone they are the page's.
        browser.Sees("corrected, was 10 at +6.25 kg");
        browser.SeesNot("Weighted pull-up: add load");
        browser.Sees("Right elbow, inside: stop and refer");
        browser.Press("Accept");
        browser.Sees("This session leaves no decision waiting");
        browser.Go(PathOf("Ilse Marquina") + "/movement");
        browser.Sees("Right elbow, inside: pain 7/10, stopped since");
        browser.Fill("Findings, and who made them", "physiotherapist: no findings");
        browser.Press("Clear stop");
        browser.SeesNot("stopped since");
    }

    [Fact]
    public void The_sheet_is_one_page_with_legend_and_cautions()
    {
        EnterAsCoach();
        browser.Go(PathOf("Iker Varga") + "/movement");
        browser.Press("Print");
        browser.Sees("tempo 3-1-X-0");
        browser.Sees("the bottom is the hang");
        browser.Sees("Stop on sharp pain");
        browser.Sees("This is not medical advice");
        var pdf = browser.Driver.Print(new PrintOptions { PageDimensions = PrintOptions.PageSize.A4 }).AsByteArray;
        Assert.Single(Regex.Matches(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b(?!s)"));
    }

    [Fact]
    public void An_athlete_sees_their_training_and_nobody_elses()
    {
        EnterAsCoach();
        var other = PathOf("Kasimir Lund");
        browser.Press("Ca, account of");
        browser.Press("Sign out");
        browser.Press("Enter as athlete");
        browser.Sees("Ilse Marquina");
        browser.Sees("Before you start");
        browser.Press("Progress");
        browser.Press("Lifts, holds, calendar");
        browser.Sees("Lifts and holds");
        browser.SeesNot("Record a test");
        browser.Press("Log session");
        browser.Press("Log set");
        browser.Sees("10 at +6.25 kg");
        browser.Driver.Navigate().GoToUrl(new Uri(app.Address, other));
        browser.Sees("You do not have access to this.");
    }

    [Fact]
    public void An_unknown_address_leads_on()
    {
        EnterAsCoach();
        browser.Driver.Navigate().GoToUrl(new Uri(app.Address, "/nowhere"));
        browser.Sees("Page not found.");
        browser.Driver.Navigate().GoToUrl(new Uri(app.Address, "/athletes/01900000-0000-7000-8000-000000000000"));
        browser.Sees("This athlete does not exist any more.");
    }
}
