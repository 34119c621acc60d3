using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>Ladders changed in the app: who would move is seen before it is saved.</summary>
public sealed class LadderEditTests : IAsyncLifetime
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

    private string Movers() => browser.Text("[aria-label='Who would move']");

    [Fact]
    public void Lowering_the_pull_up_gate_of_the_muscle_up_shows_exactly_whom_it_would_move_and_can_be_taken_back()
    {
        browser.Go("/ladders/bar-muscle-up/edit");
        browser.Press("5. Jumping muscle-up");
        browser.Fill("Gate 2", "pull-up >= 12 ");
        browser.Sees("A figure of Pull-ups in one set belongs here.");
        browser.Field("Gate 2").SendKeys("re");
        // The completion offers what is missing, and Enter takes it.
        browser.Fill("Gate 2", "pull-up >= 12");
        browser.Sees("reps", "[role=listbox]");
        browser.Field("Gate 2").SendKeys(Keys.Enter);
        browser.Until(() => Movers().Contains("Kasimir Lund: High pull-up, belly → Jumping muscle-up; opens Jumping muscle-up", StringComparison.Ordinal), "Kasimir to move");
        Assert.Equal(2, browser.Driver.FindElements(By.CssSelector("[aria-label='Who would move'] li")).Count);
        Assert.Contains("Wanda Osei", Movers());
        browser.Until(() => browser.Driver.FindElements(By.CssSelector("button[aria-label*='leaving: Kasimir Lund, Wanda Osei']")).Count == 1, "the flags that would leave");

        // A reload loses nothing; a change needs its reason.
        browser.Driver.Navigate().Refresh();
        browser.Sees("not saved; kept in this tab");
        browser.Press("Save");
        browser.Sees("Write why the ladder changes.");
        browser.Fill("Why", "twelve is enough for us");
        browser.Press("Save");
        browser.Sees("Changed by the club.");
        browser.Until(() => browser.Driver.FindElements(By.CssSelector("button[aria-label*='Jumping muscle-up'][aria-label*='Kasimir Lund, Wanda Osei']")).Count == 1, "their flags on the new step");

        browser.Press("Edit");
        browser.Sees("twelve is enough for us");
        browser.Press("Back to the shipped ladder");
        browser.Press("Bring back");
        browser.Sees("back to the shipped ladder");
        browser.Sees("as shipped");
        Assert.Empty(browser.ConsoleErrors());
    }

    [Fact]
    public void A_ladder_exported_edited_by_hand_and_imported_shows_its_difference_first()
    {
        var text = (string)browser.Driver.ExecuteAsyncScript("const done = arguments[0]; fetch('/api/ladders/export?slug=front-lever').then(r => r.text()).then(done);")!;
        var file = JsonNode.Parse(text)!;
        var tuck = file["ladders"]![0]!["steps"]!.AsArray().Single(s => (string)s!["slug"]! == "tuck")!;
        tuck["opens"] = "tuck front lever >= 3 x 8 furlongs";
        Import(file);
        browser.Sees("One thing is wrong; nothing was changed.");
        browser.Sees("ladders[0].steps[3].opens: A figure of Tuck front lever belongs here. (character 27)");

        tuck["opens"] = "tuck front lever >= 3 x 8 s";
        Import(file);
        browser.Sees("Tuck, opens the next: tuck front lever >= 3 x 8 s, was tuck front lever >= 3 x 10 s");
        browser.Fill("Why", "from the other hall");
        browser.Press("Import 1 ladder");
        browser.Sees("changed by the club");
        browser.Go("/ladders/front-lever/edit");
        browser.Sees("from the other hall");
    }

    [Fact]
    public void A_ladder_of_the_clubs_own_is_made_in_the_app()
    {
        browser.Go("/ladders/new");
        browser.Fill("Ladder", "Long hang");
        browser.Fill("Skill", "Hanging for two minutes");
        browser.Fill("About", "Grip and patience.");
        browser.Fill("Name", "A minute");
        browser.Pick("Movement", "Active hang");
        browser.Fill("Usual dose", "hold 3 x 30 s rest 1:00");
        browser.Fill("Opens the next", "active hang >= 60 s");
        browser.Field("Opens the next").SendKeys(Keys.Escape);
        browser.Press("Add a step after A minute");
        browser.Sees("Is empty.");
        browser.Fill("Name", "Two minutes");
        browser.Pick("Movement", "Active hang");
        browser.Fill("Usual dose", "hold 2 x 60 s rest 2:00");
        browser.Fill("Opens the next", "active hang >= 120 s");
        browser.Field("Opens the next").SendKeys(Keys.Escape);
        browser.Fill("Why", "a house favourite");
        browser.Sees("Nobody stands on it yet.");
        browser.Press("Save");
        browser.Sees("A ladder of the club’s own.");
        browser.Sees("Two minutes");
    }

    private void Import(JsonNode file)
    {
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json");
        File.WriteAllText(path, file.ToJsonString());
        browser.Go("/ladders/import");
        browser.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(path);
        browser.Sees(Path.GetFileName(path));
        File.Delete(path);
    }
}
