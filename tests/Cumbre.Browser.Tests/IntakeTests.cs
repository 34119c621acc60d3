using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>
/// An athlete comes in: short first, stored as it is typed, left and found again, put away and taken back.
/// </summary>
public sealed class IntakeTests : CoachAtWork
{
    [Fact]
    public void An_intake_is_stored_as_it_is_typed_left_unfinished_and_found_again()
    {
        Coach.Go("/athletes/new");
        Coach.Fill("Name", "Runa Falk" + Keys.Enter);
        Coach.Sees("Still open");
        Coach.Fill("Birth year", "2012");
        Coach.Sees("Under 18: clearance needed");
        Coach.Sees("a guardian’s consent", "[aria-label='Still open']");
        Coach.Fill("Minutes per session", "5");
        Coach.Sees("5 is outside 10 to 240.");
        // One slip does not hold up the others, and is not lost.
        Coach.Fill("Working on", "Handstand");
        Coach.Press("Handstand");
        Coach.Press("Thu");
        Coach.Sees("1 to fix, everything else saved");
        Coach.Press("Roster");
        Coach.Choose("Show", "intake incomplete");
        Coach.Sees("2 of 15 athletes");
        Assert.Contains("show=intake", Coach.Path, StringComparison.Ordinal);
        Coach.Sees("Runa Falk");
        Coach.Press("intake incomplete");
        Coach.Driver.Navigate().Back();
        Coach.Press("Runa Falk");
        Coach.Press("Intake");
        Coach.Sees("Handstand");
        Assert.Equal("", Coach.Field("Minutes per session").GetAttribute("value"));
        Assert.Equal(
            "true",
            Coach.Driver.FindElement(By.CssSelector("[aria-label=Days] button[value='4']")).GetAttribute("aria-pressed")
        );
        Coach.Fill("Minutes per session", "45");
        Coach.Press("Finish for now");
        Coach.Sees("ladders started");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void An_athlete_is_put_away_taken_back_and_removed_after_a_question()
    {
        Coach.Go("/roster");
        Coach.Press("Noor Bakkali");
        Coach.Press("Profile and kit");
        Coach.Press("Archive");
        Coach.Sees("Restore");
        Coach.Press("Roster");
        Coach.Sees("13 athletes");
        Coach.SeesNot("Noor Bakkali");
        Coach.Choose("Show", "archived");
        Coach.Press("Noor Bakkali");
        Coach.Press("Restore");
        Coach.Sees("Archive");
        Coach.Press("Archive");
        Coach.Press("Delete for good");
        Coach.Sees("All their tests, sessions, blocks, messages and decisions are erased", "[role=dialog]");
        Coach.Press("Cancel");
        Coach.Press("Delete for good");
        Coach.Driver.FindElement(By.CssSelector("[role=dialog] button:last-of-type")).Click();
        Coach.Sees("The person was erased");
        Coach.Sees("13 athletes");
        Coach.Choose("Show", "archived");
        Coach.Sees("No archived athletes.");
    }
}
