using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>What a coach does from the first start to the next session, in the real interface.</summary>
public sealed class WholePathTests : IAsyncLifetime
{
    private App app = null!;
    private Browser browser = null!;

    public ValueTask InitializeAsync()
    {
        app = new App(demo: false);
        browser = new Browser(app.Address);
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public void From_the_first_start_to_the_next_weighted_pull_up_session()
    {
        FirstStart();
        NewAthlete();
        OpenTheGate();
        HeavyTest();
        LineWithWhy();
        DropSets();
        var athlete = browser.Path;
        LogThreeSessions(athlete);
        AcceptFromTheKeyboard();
        browser.Go(athlete);
        NextSessionShowsTheNewLoad();
        browser.Driver.Navigate().Refresh();
        NextSessionShowsTheNewLoad();
        Assert.Empty(browser.ConsoleErrors());
    }

    private void FirstStart()
    {
        browser.Go("/");
        browser.Fill("Setup code", App.SetupCode);
        browser.Fill("Club", "Kiln Yard");
        browser.Fill("Your name", "Olga Tamm");
        browser.Fill("Sign-in name", "olga");
        browser.Fill("Password", "short");
        browser.Fill("Time zone", "Europe/Madrid");
        browser.Press("Create club");
        browser.Sees("At least 12 characters");
        browser.Fill("Password", "a sentence to remember");
        browser.Press("Create club");
        browser.Sees("No decisions waiting.");

        browser.Press("OT, account of Olga Tamm");
        browser.Press("Sign out");
        browser.Fill("Sign-in name", "olga");
        browser.Fill("Password", "a sentence to forget");
        browser.Press("Sign in");
        browser.Sees("Name and password do not match.");
        browser.Fill("Password", "a sentence to remember" + Keys.Enter);
        browser.Sees("Your Desk is clear.");
    }

    private void NewAthlete()
    {
        browser.Press("Roster");
        browser.Sees("No athletes yet.");
        browser.Press("New athlete");
        browser.Press("Start intake");
        browser.Sees("Enter a name.");
        browser.Fill("Name", "Ada Lind");
        browser.Press("Start intake");
        browser.Sees("Still open");
        browser.Fill("Birth year", "1990");
        browser.Sees("Ada Lind saved");
        browser.Press("Profile and kit");
        browser.Sees("Archive");
        foreach (
            var (size, count, i) in new[]
            {
                ("1,25", "2", 1),
                ("2.5", "2", 2),
                ("5", "2", 3),
                ("10", "3", 4),
                ("20", "1", 5),
            }
        )
        {
            browser.Press("Add size");
            browser.Fill($"Size {i}", size);
            browser
                .Driver.FindElements(By.CssSelector("[aria-label=Plates] li"))[i - 1]
                .FindElements(By.CssSelector("input"))
                .Last(e => e.Displayed)
                .SendKeys(Keys.Control + "a" + Keys.Null + count);
        }

        browser.Press("Save");
        browser.Sees("No reading yet.");

        foreach (
            var (typed, said) in new[]
            {
                ("", "Enter the bodyweight."),
                ("seventy", "“seventy” is not a number"),
                ("0", "0 is outside 25 to 250."),
                ("-5", "-5 is outside 25 to 250."),
                ("900", "900 is outside 25 to 250."),
            }
        )
        {
            browser.Fill("Bodyweight", typed);
            browser.Press("Add");
            browser.Sees(said);
            Assert.Equal(typed, browser.Field("Bodyweight").GetAttribute("value"));
        }

        browser.Fill("Bodyweight", "68.2");
        browser.FillDate("Day", "2026-03-02");
        browser.Press("Add");
        browser.Sees("Mar 2 68.2 kg");
        browser.FillDate("Day", "2026-03-16");
        browser.Fill("Bodyweight", "68,2" + Keys.Enter);
        browser.Sees("Mar 16 68.2 kg");
        browser.Press("Movements");
        browser.Sees("Added-load gate");
    }

    private void OpenTheGate()
    {
        Record("Chin-ups in one set", reps: "8");
        Record("Push-ups in one set", reps: "20");
        Record("Horizontal rows in one set", reps: "12");
        Record("Dips in one set", reps: "12");
        browser.Sees("Weighted pull-up: First load can be trained");
    }

    private void HeavyTest()
    {
        browser.Press("Record a test");
        browser.Fill("Load", "15");
        browser.Fill("Clean reps", "13");
        browser.Fill("Reps in reserve", "3");
        browser.Press("Record");
        browser.Sees("With 16 effective reps (over 12)");
        browser.Press("Delete Heavy weighted set");
        browser.Press("Delete");
        browser.SeesNot("× 13, 3 in reserve");

        browser.Press("Record a test");
        browser.Fill("Load", "15");
        browser.Fill("Clean reps", "6");
        browser.Fill("Reps in reserve", "1" + Keys.Enter);
        browser.Sees("102.61 kg");
        browser.Sees("97.8–103.2 kg");
    }

    private void Record(string test, string reps)
    {
        browser.Press("Record a test");
        browser.Pick("Test", test);
        browser.Fill("Clean reps", reps + Keys.Enter);
        browser.Sees($"{test}: saved.");
    }

    private void LineWithWhy()
    {
        browser.Fill("Line", "4 x");
        browser.Sees("What fits: how many reps");
        browser.Fill("Line", "4 x 4 @ 80 % e1RM");
        browser.Sees("+13.75 kg, system mass 81.95 kg");
        browser.Sees("target +13.89 kg");
        browser.Sees("10 + 2.5 + 1.25");

        browser.Press("+13.75 kg");
        foreach (
            var part in new[]
            {
                "One-rep max 102.61 kg",
                "Range, from 97.76 kg",
                "Range, to 103.19 kg",
                "80 % of 102.61 82.09 kg",
                "Added load, 82.09 − 68.2 +13.89 kg",
                "Target +13.89 kg; your kit makes +13.75 kg (10 + 2.5 + 1.25)",
                "Epley 1985",
            }
        )
            browser.Sees(part, "aside");
        browser.Type(Keys.Escape);

        browser.Press("lb");
        browser.Sees("+30.3 lb");
        browser.Sees("226.2 lb");
        browser.Press("kg");
        browser.Sees("+13.75 kg");
    }

    private void DropSets()
    {
        browser.Fill("Line", "2 x drop 4+4+6 @ +20 / +10 / 0 kg");
        browser.Sees("Part 1 +20 kg, system mass 88.2 kg");
        browser.Sees("Part 2 +10 kg, system mass 78.2 kg, 76.2 % of 1RM, take off 10");
        browser.Sees("Part 3 bodyweight, system mass 68.2 kg, 66.5 % of 1RM, take off 10");
        Assert.Contains(
            "Drop: 4 reps at +20 kg",
            browser.Driver.FindElement(By.CssSelector("svg[aria-label^='Drop']")).GetAttribute("aria-label")
        );

        // A single 10 and no 5: the kit finds 17.5 / 10 / 0 and says how far off it is.
        var page = browser.Path;
        browser.Press("Profile and kit");
        browser.Sees("Leave before it is saved?");
        browser.Press("Leave");
        browser.Press("Delete piece 3");
        browser
            .Driver.FindElements(By.CssSelector("[aria-label=Plates] li"))[1]
            .FindElements(By.CssSelector("input"))
            .Last(e => e.Displayed)
            .SendKeys(Keys.Control + "a" + Keys.Null + "1");
        browser.Press("Save");
        browser.Sees("saved");
        browser.Go(page);
        browser.Fill("Line", "2 x drop 4+4+6 @ +20 / +10 / 0 kg");
        browser.Sees("Part 1 +17.5 kg");
        browser.Sees("The parts are 2.5 kg off the line");
    }

    private void LogThreeSessions(string athlete)
    {
        foreach (var (day, last) in new[] { ("2026-03-09", 9), ("2026-03-12", 10), ("2026-03-14", 10) })
        {
            browser.Go(athlete);
            browser.FillDate("Day", day);
            browser.Fill("Line", "3 x 8..10 @ +10 kg then +2.5 kg");
            browser.Sees("+10 kg, system mass 78.2 kg");
            browser.Press("Plan session");
            // A session of the past is no next session; it waits in the address that planning opens.
            browser.Until(() => browser.Path.Contains("/sessions/", StringComparison.Ordinal), "the session to open");
            for (var set = 1; set <= 3; set++)
            {
                browser.Until(
                    () => browser.Driver.FindElements(By.CssSelector($"form[aria-label='Set {set}']")).Count == 1,
                    $"the form of set {set}"
                );
                browser.Fill(
                    "Reps",
                    (set == 3 ? last : 10).ToString(System.Globalization.CultureInfo.InvariantCulture)
                );
                browser.Press("1");
                browser.Press("Log set");
            }

            // The third answer may still be on its way.
            browser.SeesNot("not logged yet");
            browser.Press("Finish session");
            browser.Sees("Waiting on the Desk.");
        }

        browser.Sees("2 clean sessions in a row");
    }

    private void AcceptFromTheKeyboard()
    {
        browser.Control("k");
        browser.Until(
            () => browser.Driver.FindElements(By.CssSelector("[role=dialog] input")).Count == 1,
            "the palette"
        );
        browser.Type("Desk" + Keys.Enter);
        browser.Sees("1 decision waiting for 1 athlete");
        browser.Sees("Weighted pull-up: add load, 3 x 8..10 @ +12.5 kg then +2.5 kg");
        browser.Type("w");
        browser.Sees("2 clean sessions in a row: add +2.5 kg", "aside");
        browser.Sees("Best single, 78.2 × (1 + 11 ÷ 30)", "aside");
        browser.Type("a");
        browser.Sees("Your Desk is clear.");
        browser.Type("z");
        browser.Sees("1 decision waiting for 1 athlete");
        browser.Type("a");
        browser.Sees("Your Desk is clear.");
    }

    private void NextSessionShowsTheNewLoad()
    {
        browser.Until(
            () => browser.Field("Line").GetAttribute("value") == "3 x 8..10 @ +12.5 kg then +2.5 kg",
            "the new line"
        );
        browser.Sees("+12.5 kg, system mass 80.7 kg");
        browser.Sees("10 + 2.5");
    }
}
