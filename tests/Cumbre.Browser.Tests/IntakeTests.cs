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
        Coach.Sees("Under 18: clearance first");
        Coach.Sees("a guardian’s consent", "[aria-label='Still open']");
        Coach.Fill("Minutes a session", "5");
        Coach.Sees("5 is outside 10 to 240.");
        // One slip does not hold up the others, and is not lost.
        Coach.Fill("To advance", "Handstand");
        Coach.Press("Handstand");
        Coach.Press("Thu");
        Coach.Sees("1 to mend, everything else stored");
        Coach.Press("Roster");
        Coach.Choose("Show", "intake unfinished");
        Coach.Sees("2 of 15 athletes");
        Assert.Contains("show=intake", Coach.Path, StringComparison.Ordinal);
        Coach.Sees("Runa Falk");
        Coach.Press("intake unfinished");
        Coach.Driver.Navigate().Back();
        Coach.Press("Runa Falk");
        Coach.Press("Intake");
        Coach.Sees("Handstand");
        Assert.Equal("", Coach.Field("Minutes a session").GetAttribute("value"));
        Assert.Equal(
            "true",
            Coach.Driver.FindElement(By.CssSelector("[aria-label=Days] button[value='4']")).GetAttribute("aria-pressed")
        );
        Coach.Fill("Minutes a session", "45");
        Coach.Press("Finish for now");
        Coach.Sees("ladders begun");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void An_athlete_is_put_away_taken_back_and_removed_after_a_question()
    {
        Coach.Go("/roster");
        Coach.Press("Noor Bakkali");
        Coach.Press("Profile and kit");
        Coach.Press("Put away");
        Coach.Sees("Take back");
        Coach.Press("Roster");
        Coach.Sees("13 athletes");
        Coach.SeesNot("Noor Bakkali");
        Coach.Choose("Show", "put away");
        Coach.Press("Noor Bakkali");
        Coach.Press("Take back");
        Coach.Sees("Put away");
        Coach.Press("Put away");
        Coach.Press("Remove for good");
        Coach.Sees("Every test, session and decision of theirs is lost.", "[role=dialog]");
        Coach.Press("Keep");
        Coach.Press("Remove for good");
        Coach.Driver.FindElement(By.CssSelector("[role=dialog] button:last-of-type")).Click();
        Coach.Sees("13 athletes");
        Coach.Choose("Show", "put away");
        Coach.Sees("Nobody is put away.");
    }
}
