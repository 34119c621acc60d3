using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Cumbre.Browser.Tests;

/// <summary>What stands beside a ladder for measuring and trying, in the real interface: by mouse and by keys.</summary>
public sealed class LadderToolTests : CoachAtWork
{
    private IWebElement Joint(string name) =>
        Coach.Driver.FindElement(By.CssSelector($"[role=slider][aria-label='{name}']"));

    private int Degrees(string name) => int.Parse(Joint(name).GetAttribute("aria-valuenow")!, null);

    private void Turned(string name, int degrees) =>
        Coach.Until(() => Degrees(name) == degrees, $"{name} at {degrees}");

    private void Accessible(string place) => Assert.Empty(Axe.Violations(Coach).Select(v => $"{place}: {v}"));

    [Fact]
    public void A_position_is_tried_and_a_half_step_goes_into_the_ladder()
    {
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
        Coach.Press("Lever lab");
        Coach.Sees("Try a position");
        Coach.Until(() => Coach.Driver.FindElements(By.CssSelector("[role=slider]")).Count > 4, "the joints");
        var torque = Coach.Text("section[aria-label='Try a position'] [aria-live]");
        Coach.Script("arguments[0].focus()", Joint("Hip"));
        Coach.Type(Keys.ArrowUp + Keys.ArrowUp + Keys.ArrowUp);
        Turned("Hip", 15);
        Assert.NotEqual(torque, Coach.Text("section[aria-label='Try a position'] [aria-live]"));
        Coach.Press("Undo");
        // Presses that come faster than answers are taken back together.
        Coach.Until(() => Degrees("Hip") < 15, "the hip back");
        // A knee that is dragged up bends the hip, in steps of 5 degrees.
        new Actions(Coach.Driver).ClickAndHold(Joint("Hip")).MoveByOffset(-10, -60).Release().Perform();
        Coach.Until(() => Degrees("Hip") > 20, "the hip dragged");
        Assert.Equal(0, Degrees("Hip") % 5);
        Accessible("lab");

        var half = Coach.Driver.FindElement(By.CssSelector("button[aria-label^='Add to ladder:']"));
        var what = half.GetAttribute("aria-label")!["Add to ladder: ".Length..];
        Coach.Press($"Add to ladder: {what}");
        Coach.Sees("in the ladder");
        Coach.Press("Close the lab");
        Coach.Press($"Delete: {what}");
        Coach.Until(
            () => Coach.Driver.FindElements(By.CssSelector("button[aria-label^='Delete: ']")).Count == 0,
            "the half-step gone"
        );
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void A_line_is_measured_kept_with_its_picture_and_compared()
    {
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
        Coach.Press("Line meter");
        Coach.Sees("No measurements yet.");
        Coach.Press("Use simulated camera");
        Coach.Sees("of the full position.");
        Coach.Script("[...document.querySelectorAll('label')].find(l => l.innerText === 'Keep the picture').click()");
        Coach.Press("Save");
        Coach.Sees("Enter a name");
        Coach.Fill("Name", "Kasimir Lund");
        Coach.Press("Save");
        Coach.Sees("Delete picture");
        Coach.Press("Use simulated camera");
        // A mark that is moved counts instead of what the camera saw.
        var hip = Coach.Until(
            () =>
                Coach.Driver.FindElements(By.CssSelector("g[role=button][aria-label^='Hip:']")) is [var mark]
                    ? mark
                    : null,
            "the mark of the hip"
        )!;
        Coach.Script("arguments[0].focus()", hip);
        Coach.Type(Keys.ArrowDown);
        Coach.Sees("± ");
        Accessible("line meter");
        Coach.Press("Save");
        Coach.Sees("Compare two dates");
        Coach.Press("Delete picture");
        Coach.Sees("Delete this picture?");
        Coach.Until(
            () =>
            {
                Coach.Script(
                    "[...document.querySelectorAll('[role=dialog] button')].find(b => b.innerText === 'Delete')?.click()"
                );
                return Coach.Driver.FindElements(By.CssSelector("[role=dialog]")).Count == 0;
            },
            "the dialog gone"
        );
        Coach.SeesNot("Delete picture");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void Pulls_and_forces_are_read_from_the_device_that_ships()
    {
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=bar-muscle-up");
        Coach.Press("Pull tracer");
        Coach.Press("Use simulated device");
        Coach.Sees("Release speed");
        Assert.Equal(5, Coach.Driver.FindElements(By.CssSelector("table[aria-label=Pulls] tbody tr")).Count);
        Accessible("tracer");
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=human-flag");
        Coach.Press("Force gauge");
        Coach.Press("Use simulated device");
        Coach.Sees("Only one side measured so far.");
        Accessible("gauge");
        Assert.Empty(Coach.ConsoleErrors());
    }
}
