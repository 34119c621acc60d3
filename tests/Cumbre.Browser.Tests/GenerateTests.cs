using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>
/// A coach lets a block be put together, asks why, takes it, changes it by hand and has it generated again.
/// </summary>
public sealed class GenerateTests : CoachAtWork
{
    [Fact]
    public void A_block_is_generated_questioned_taken_changed_and_generated_again()
    {
        Coach.Go("/programmes");
        Coach.Press("Generate a block for Ilse Marquina");
        Coach.Sees("5 weeks, 15 sessions");
        // What is typed stays, and the fault stands at its field.
        Coach.Fill("Minutes per session", "7");
        Coach.Sees("7 is outside 10 to 240.");
        Coach.Fill("Minutes per session", "x");
        Coach.Sees("Enter a whole number, 10 to 240.");
        Coach.Fill("Minutes per session", "75");
        Coach.Sees("Advanced tuck front lever");
        Coach.Press("Advanced tuck front lever");
        Coach.Sees("Short singles");
        Coach.Sees("Current step of Front lever");
        Coach.Type(Keys.Escape);
        Coach.Press("Use this block");
        Coach.Sees("Dose, week 1");
        Coach.Sees("No cautions.");
        Coach.Press("Advanced tuck front lever");
        Coach.Sees("Chosen as the skill, on its hard day");
        Coach.Type(Keys.Escape);

        Coach.Press("More for F");
        Coach.Press("Delete");
        Coach.Until(() => Coach.Text("main [role=status]") == "saved", "the block to be saved");
        Coach.Press("More");
        Coach.Press("Regenerate…");
        Coach.Sees("No changes");
        Coach.Fill("Minutes per session", "45");
        Coach.Sees("Cut to fit the time");
        Coach.Sees("rewritten");
        Coach.Press("Use these changes");
        Coach.Sees("Dose, week 1");
        Coach.SeesNot("Hanging leg raise", "[aria-label=Items]");
        Coach.Sees("No cautions.");
    }

    [Fact]
    public void For_every_athlete_of_the_demo_a_block_is_generated_published_and_printed_a_page_a_session()
    {
        Coach.Go("/programmes");
        var names = Coach
            .Driver.FindElements(By.CssSelector("table[aria-label=Blocks] tbody tr td:first-child"))
            .Select(e => e.Text)
            .Where(n => n != "Levi Sorel")
            .ToArray();
        Assert.Equal(13, names.Length);
        foreach (var name in names)
        {
            Coach.Go("/programmes");
            Coach.Press($"Generate a block for {name}");
            Coach.Until(
                () => Coach.Driver.FindElements(By.XPath("//button[.='Use this block']")) is [{ Enabled: true }],
                $"a block for {name}"
            );
            Coach.Press("Use this block");
            Coach.Sees("No cautions.");
            var sessions = Coach.Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]")).Count;
            Coach.Press("Publish");
            Coach.Press("Publish version 1");
            Coach.Sees("Version 1 is up to date.");
            Coach.Press("Print Version 1");
            Coach.Sees("version 1");
            Coach.Sees("Stop on sharp pain");
            var pdf = Coach.Driver.Print(new PrintOptions { OutputBackgroundImages = false }).AsByteArray;
            Assert.Equal(
                (name, sessions),
                (
                    name,
                    System.Text.RegularExpressions.Regex.Count(
                        System.Text.Encoding.Latin1.GetString(pdf),
                        @"/Type /Page\b"
                    )
                )
            );
        }
    }

    [Fact]
    public void Who_may_not_train_yet_is_told_why_and_where_to_go()
    {
        Coach.Go("/programmes");
        Coach.Press("Generate a block for Levi Sorel");
        Coach.Sees("needs clearance by a licensed professional first");
        Coach.Sees("No session can be planned yet");
        Coach.Until(
            () => !Coach.Driver.FindElements(By.XPath("//button[.='Use this block']")).Single().Enabled,
            "nothing to take"
        );
        Coach.Press("Profile");
        Coach.Sees("Levi Sorel");
    }
}
