using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>Every screen, in both themes, before a checker of the accessibility guidelines.</summary>
public sealed class AccessibilityTests : CoachAtWork
{
    [Fact]
    public void No_screen_has_a_serious_violation_in_either_theme()
    {
        var violations = new List<string>();
        using (var door = new Browser(App.Address))
        {
            door.Go("/");
            violations.AddRange(Axe.Violations(door).Select(v => $"sign-in: {v}"));
        }

        var ilse = PathOf("Ilse Marquina");
        var bruno = PathOf("Bruno Achterberg");
        foreach (var scheme in new[] { "light", "dark" })
        {
            Coach.Script("localStorage.setItem('mui-mode', arguments[0])", scheme);
            Coach.Go("/");
            Coach.Sees("8 decisions");
            Coach.Type("w");
            Check($"{scheme} desk with why");
            Coach.Type("j");
            Coach.Type("e");
            Coach.Sees("Accept with this line");
            Check($"{scheme} edit a decision");
            Coach.Type(Keys.Escape);
            Coach.Control("k");
            Coach.Sees("New athlete");
            Check($"{scheme} jump");
            Coach.Type(Keys.Escape);
            Coach.Go("/roster");
            Check($"{scheme} roster");
            Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
            Coach.Sees("Held back by");
            Coach.Press("81 %");
            Check($"{scheme} ridge with why");
            Coach.Press("Record a test of Tuck");
            Coach.Sees("Seconds");
            Check($"{scheme} record a hold");
            Coach.Go("/ladders");
            Check($"{scheme} ladders");
            Coach.Go("/ladders?show=movements");
            Check($"{scheme} movements");
            Coach.Go("/ladders?show=schools");
            Check($"{scheme} schools");
            Coach.Go("/ladders/human-flag");
            Coach.Sees("Not begun");
            Check($"{scheme} a ladder with the club");
            Coach.Go("/movements/ring-muscle-up");
            Check($"{scheme} movement");
            Coach.Go("/athletes/new");
            Check($"{scheme} new athlete");
            Coach.Go(ilse + "/profile");
            Check($"{scheme} profile");
            Coach.Go($"{PathOf("Levi Sorel")}/intake");
            Check($"{scheme} intake");
            Coach.Go("/kit");
            Check($"{scheme} kit");
            Coach.Go("/programmes");
            Check($"{scheme} programmes");
            Coach.Go($"{PathOf("Kasimir Lund")}/programme");
            Check($"{scheme} programme of an athlete");
            Coach.Go($"{PathOf("Yara Benavent")}/generate");
            Coach.Sees("Left out for the minutes");
            Check($"{scheme} generate a block");
            Coach.Go($"{PathOf("Yara Benavent")}/import");
            Check($"{scheme} import a block");
            Coach.Go("/outbox");
            Check($"{scheme} outbox");
            Coach.Go($"{PathOf("Kasimir Lund")}/programme");
            Coach.Press("Lever block");
            Coach.Sees("out of balance");
            Coach.Press("Publish");
            Coach.Sees("Never published");
            Check($"{scheme} publish");
            Coach.Type(Keys.Escape);
            Coach.Press("More for B");
            Coach.Press("Form beside the line");
            Coach.Sees("Reps from");
            Check($"{scheme} block with a form");
            Coach.Press("How lines are written");
            Coach.Sees("unbroken pyramid");
            Check($"{scheme} help card");
            Coach.Type(Keys.Escape);
            Coach.Press("Copy week");
            Check($"{scheme} copy a week");
            Coach.Type(Keys.Escape);
            Coach.Go("/test-days/new");
            Coach.Press("Everybody");
            Coach.Sees("fell short last time");
            Check($"{scheme} new test day");
            Coach.Press("Open the sheet");
            Coach.Sees("everything stored");
            Check($"{scheme} sheet");
            Coach.Go("/ladders/front-lever/edit");
            Coach.Press("4. Tuck");
            Coach.Fill("Opens the next", "tuck front lever");
            Coach.Sees("belongs after");
            Check($"{scheme} edit a ladder");
            Coach.Script("sessionStorage.clear()");
            Coach.Go("/movements/new");
            Check($"{scheme} new movement");
            Coach.Go("/ladders/import");
            Check($"{scheme} import");
            Coach.Go(ilse);
            Coach.Sees("of system");
            Check($"{scheme} weighted pull-up");
            Coach.Fill("Line", "4 x");
            Coach.Sees("Expected here");
            Check($"{scheme} line with an error");
            Coach.Press("Record a test");
            Coach.Sees("After two or three ramp sets");
            Check($"{scheme} record a test");
            Coach.Go(bruno);
            Check($"{scheme} athlete with pain");
            Coach.Go(ilse);
            Coach.Press("Log");
            Coach.Sees("Log the set");
            Check($"{scheme} session");
            Coach.Press("Print");
            Coach.Sees("A rep counts when");
            Check($"{scheme} print");
        }

        Assert.True(violations is [], string.Join('\n', violations));
        Assert.Empty(Coach.ConsoleErrors());

        void Check(string screen)
        {
            // Fades end before colours are judged.
            Thread.Sleep(400);
            violations.AddRange(Axe.Violations(Coach, screen.StartsWith("dark", StringComparison.Ordinal)).Select(v => $"{screen}: {v}"));
        }
    }
}
