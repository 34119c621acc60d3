using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>Ladders changed in the app: who would move is seen before it is saved.</summary>
public sealed class LadderEditTests : CoachAtWork
{
    private string Movers() => Coach.Text("[aria-label='Who would move']");

    [Fact]
    public void Lowering_the_pull_up_gate_of_the_muscle_up_shows_exactly_whom_it_would_move_and_can_be_taken_back()
    {
        Coach.Go("/ladders/bar-muscle-up/edit");
        Coach.Press("Jumping muscle-up");
        Coach.Fill("Gate 2", "pull-up >= 12 ");
        Coach.Sees("Write a figure for Pull-ups in one set here.");
        Coach.Field("Gate 2").SendKeys("re");
        // The completion offers what is missing, and Enter takes it.
        Coach.Fill("Gate 2", "pull-up >= 12");
        Coach.Sees("reps", "[role=listbox]");
        Coach.Field("Gate 2").SendKeys(Keys.Enter);
        Coach.Until(
            () =>
                Movers()
                    .Contains(
                        "Kasimir Lund: Straight-bar dip → Jumping muscle-up; opens Jumping muscle-up",
                        StringComparison.Ordinal
                    ),
            "Kasimir to move"
        );
        Assert.Equal(2, Coach.Driver.FindElements(By.CssSelector("[aria-label='Who would move'] li")).Count);
        Assert.Contains("Wanda Osei", Movers());
        Coach.Until(
            () =>
                Coach
                    .Driver.FindElements(By.CssSelector("button[aria-label*='leaving: Kasimir Lund, Wanda Osei']"))
                    .Count == 1,
            "the flags that would leave"
        );

        // A reload loses nothing; a change needs its reason.
        Coach.Driver.Navigate().Refresh();
        Coach.Sees("not saved; kept on this device");
        Coach.Press("Save");
        Coach.Sees("Enter why the ladder changes.");
        Coach.Fill("Why", "twelve is enough for us");
        Coach.Press("Save");
        Coach.Sees("Changed by the club.");
        Coach.Until(
            () =>
                Coach
                    .Driver.FindElements(
                        By.CssSelector(
                            "button[aria-label*='Jumping muscle-up'][aria-label*='Kasimir Lund, Wanda Osei']"
                        )
                    )
                    .Count == 1,
            "their flags on the new step"
        );

        Coach.Press("Edit");
        Coach.Sees("twelve is enough for us");
        Coach.Press("Restore shipped ladder");
        Coach.Press("Restore");
        Coach.Sees("shipped ladder restored");
        Coach.Sees("as shipped");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void A_ladder_exported_edited_by_hand_and_imported_shows_its_difference_first()
    {
        var text = (string)
            Coach.Driver.ExecuteAsyncScript(
                "const done = arguments[0]; fetch('/api/ladders/export?slug=front-lever').then(r => r.text()).then(done);"
            )!;
        var file = JsonNode.Parse(text)!;
        var tuck = file["ladders"]![0]!["steps"]!.AsArray().Single(s => (string)s!["slug"]! == "tuck")!;
        tuck["opens"] = "tuck front lever >= 3 x 8 furlongs";
        Import(file);
        Coach.Sees("One thing is wrong. Nothing was changed.");
        Coach.Sees("ladders[0].steps[3].opens, character 27: Write a figure for Tuck front lever here.");

        tuck["opens"] = "tuck front lever >= 3 x 8 s";
        Import(file);
        Coach.Sees("Tuck, opens the next: tuck front lever >= 3 x 8 s, was tuck front lever >= 3 x 10 s");
        Coach.Fill("Why", "from the other hall");
        Coach.Press("Import 1 ladder");
        Coach.Sees("changed by the club");
        Coach.Go("/ladders/front-lever/edit");
        Coach.Sees("from the other hall");
    }

    [Fact]
    public void A_ladder_of_the_clubs_own_is_made_in_the_app()
    {
        Coach.Go("/ladders/new");
        Coach.Fill("Ladder", "Long hang");
        Coach.Fill("Skill", "Hanging for two minutes");
        Coach.Fill("About", "Grip and patience.");
        Coach.Fill("Name", "A minute");
        Coach.Pick("Movement", "Active hang");
        Coach.Fill("Usual dose", "hold 3 x 30 s rest 1:00");
        Coach.Fill("Opens the next", "active hang >= 60 s");
        Coach.Field("Opens the next").SendKeys(Keys.Escape);
        Coach.Press("More for A minute");
        Coach.Press("Add a step below");
        Coach.Sees("This is empty.");
        Coach.Fill("Name", "Two minutes");
        Coach.Pick("Movement", "Active hang");
        Coach.Fill("Usual dose", "hold 2 x 60 s rest 2:00");
        Coach.Fill("Opens the next", "active hang >= 120 s");
        Coach.Field("Opens the next").SendKeys(Keys.Escape);
        Coach.Fill("Why", "a house favourite");
        Coach.Sees("No athlete is on it yet.");
        Coach.Press("Save");
        Coach.Sees("A ladder of the club’s own.");
        Coach.Sees("Two minutes");

        // Used no more: gone from the list, found below it, and brought back.
        Coach.Go("/ladders/long-hang/edit");
        Coach.Press("Retire ladder");
        Coach.Press("Retire");
        Coach.Sees("retired; restore a version");
        Coach.Go("/ladders");
        Coach.Sees("Long hang", "[aria-label=Retired]");
        Coach.Press("Long hang");
        Coach.Press("Restore version 1");
        Coach.Press("Restore");
        Coach.SeesNot("retired; restore a version");
        Coach.Go("/ladders");
        Coach.Sees("Long hang", "[aria-label=Ladders]");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void An_older_version_of_a_movement_of_the_clubs_own_is_brought_back()
    {
        Coach.Go("/movements/new?from=active-hang");
        Coach.Fill("Name", "Towel hang");
        Coach.Fill("Why", "a house favourite");
        Coach.Press("Save");
        Coach.Until(
            () => Coach.Path == "/movements/towel-hang",
            () => $"the new movement, where the page says {Coach.Text("main")}"
        );
        Coach.Go("/movements/towel-hang/edit");
        Coach.Fill("Bottom position", "the towel");
        Coach.Fill("Why", "clearer");
        Coach.Press("Save");
        Coach.Until(() => Coach.Path == "/movements/towel-hang", "the second version");
        Coach.Go("/movements/towel-hang/edit");
        Assert.Equal("the towel", Coach.Field("Bottom position").GetAttribute("value"));
        Coach.Press("1 change");
        Coach.Sees("Bottom position", "[aria-label=Versions]");
        Coach.Press("Restore version 1");
        Coach.Until(() => Coach.Field("Bottom position").GetAttribute("value") != "the towel", "the first version");
        Coach.Press("Save");
        Coach.Until(() => Coach.Path == "/movements/towel-hang", "the third version");
        Coach.Go("/movements/towel-hang/edit");
        Coach.Sees("version 1 restored");
        Assert.Empty(Coach.ConsoleErrors());
    }

    private void Import(JsonNode file)
    {
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json");
        File.WriteAllText(path, file.ToJsonString());
        Coach.Go("/ladders/import");
        Coach.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(path);
        Coach.Sees(Path.GetFileName(path));
        File.Delete(path);
    }
}
