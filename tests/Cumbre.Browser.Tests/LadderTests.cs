using System.Globalization;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Simulation;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>Ladders walked by entering results, as a coach would after a test.</summary>
public sealed class LadderTests : CoachAtWork
{
    /// <summary>Records a test from the first step of the ladder on screen.</summary>
    private void Record(string test, params (string Label, string Value)[] fields)
    {
        Coach.Press("Record a test of");
        Coach.Pick("Test", test);
        foreach (var (label, value) in fields)
        {
            if (label is "Side" or "Highest contact of every rep")
                Coach.Choose(label, value);
            else
                Coach.Fill(label, value);
        }

        Coach.Press("Record");
        // The notice of the test before may still stand and say the same of the same movement.
        Coach.Until(() => Coach.Driver.FindElements(By.CssSelector("[role=dialog]")).Count == 0, "the form to close");
        Coach.Sees($"{test}: saved.");
    }

    private void InTraining(string step) =>
        Coach.Until(
            () =>
                Coach.Driver.FindElements(By.CssSelector("button[aria-label*=', in training,']")) is [var only]
                && only.GetAttribute("aria-label")!.StartsWith(step + ",", StringComparison.Ordinal),
            $"the flag on {step}"
        );

    [Fact]
    public void The_front_lever_is_walked_by_entering_results()
    {
        Coach.Go($"{PathOf("Oto Sandvik")}/ladders?ladder=front-lever");
        Coach.Sees("Pull-ups in one set, none / 8 reps");
        Record("Pull-ups in one set", ("Clean reps", "9"));
        InTraining("Tuck");
        Coach.Sees("Front lever: Tuck can be trained.");
        Record("Tuck front lever", ("Seconds", "8"), ("Sets", "3"));
        Coach.Sees("3 × 8 s / 3 × 10 s");
        Record("Tuck front lever", ("Seconds", "10.5"), ("Sets", "3"));
        Coach.Sees("Front lever: Tuck is achieved; Advanced tuck can be trained.");
        InTraining("Advanced tuck");
        Record("Advanced tuck front lever", ("Seconds", "4"));
        InTraining("One-leg");
        Coach.Sees("Only short singles of one-leg for now");
        Record("Advanced tuck front lever", ("Seconds", "10"), ("Sets", "3"));
        Coach.SeesNot("Only short singles");
        Record("One-leg front lever", ("Side", "left"), ("Seconds", "8"), ("Sets", "3"));
        InTraining("One-leg");
        Coach.Sees("right none / 3 × 8 s each side");
        Record("One-leg front lever", ("Side", "right"), ("Seconds", "9"), ("Sets", "3"));
        InTraining("Half-lay");
        Record("Half-lay front lever", ("Seconds", "8"), ("Sets", "3"));
        Record("Straddle front lever", ("Seconds", "6"), ("Sets", "3"));
        InTraining("Full");
        Record("Full front lever", ("Seconds", "10"));
        Coach.Sees("Achieved to the top");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void The_bar_muscle_up_is_walked_under_two_schools()
    {
        var oto = PathOf("Oto Sandvik");
        Coach.Go($"{oto}/ladders?ladder=bar-muscle-up");
        Record("Pull-ups in one set", ("Clean reps", "12"));
        InTraining("Explosive scapular pull-up");
        Record("Explosive pull-up", ("Clean reps", "5"), ("Sets", "5"));
        Record("High pull-up", ("Clean reps", "5"), ("Highest contact of every rep", "chest"));
        Record("High pull-up", ("Clean reps", "3"), ("Highest contact of every rep", "belly"));
        Coach.Sees("High pull-up, belly is achieved");
        Coach.Sees("Straight-bar scapular dip, none / 3 × 8 reps");
        Record("Straight-bar dip", ("Clean reps", "9"));
        InTraining("Jumping muscle-up");

        // The other school asks for volume, which is not there yet.
        Coach.Press("Profile and kit");
        Coach.Press("This athlete’s coaching schools");
        Coach.Choose("What opens muscle-up work?", "volume first");
        Coach.Press("Save");
        Coach.Sees("saved");
        Coach.Go($"{oto}/ladders?ladder=bar-muscle-up");
        Coach.Sees("Pull-ups in one set, 12 / 15–20 reps");
        Record("Pull-ups in one set", ("Clean reps", "16"));
        InTraining("Jumping muscle-up");
        Record("Jumping muscle-up", ("Clean reps", "5"), ("Sets", "3"));
        Record("Negative muscle-up", ("Seconds", "3"), ("Negatives in a set", "3"), ("Sets", "3"));
        Record("Banded muscle-up", ("Clean reps", "3"), ("Sets", "3"));
        Record("Bar muscle-up", ("Clean reps", "1"));
        InTraining("Consecutive");
        Record("Bar muscle-up", ("Clean reps", "10"));
        Coach.Sees("Achieved to the top");
    }

    [Fact]
    public void The_ridges_figures_are_the_cores_to_the_digit()
    {
        var kasimir = DemoClub.Athletes(DemoClub.Today).Single(a => a.Script.Name == "Kasimir Lund");
        var body = new Cumbre.Core.Athletes.BodyMassHistory(kasimir.BodyMasses.Select(m => m.Reading))
            .On(DemoClub.Today)!
            .Value;
        var demand = Demand.Of(
            Atlas.Shipped.BySlug["front-lever"],
            new BodyBuild(Sex.Male, 181, body, MeasuredLengths.None)
        );
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
        Coach.Sees("Limiting factor:");
        var rows = Coach.Driver.FindElements(By.CssSelector("table[aria-label=Steps] tbody tr"));
        Assert.Equal(demand.Count, rows.Count);
        for (var i = 0; i < rows.Count; i++)
        {
            var cells = rows[i].FindElements(By.CssSelector("td, th")).Select(c => c.Text).ToArray();
            Assert.Equal($"{Math.Round(demand[i].Value.Share * 100, MidpointRounding.AwayFromZero)} %", cells[2]);
            Assert.Equal(
                demand[i].Value.Absolute is { Number: { } moment }
                    ? moment.ToString("0.#", CultureInfo.InvariantCulture) + " N·m"
                    : "",
                cells[3]
            );
        }
    }

    [Fact]
    public void The_step_card_opens_on_focus_and_the_coach_may_set_a_step_with_a_reason()
    {
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
        Coach.Sees("Limiting factor:");
        Coach.Script("document.querySelector('button[aria-label^=\"Straddle,\"]').focus()");
        Coach.Sees("Straddle front lever", "[role=tooltip]");
        Coach.Press("Set step");
        Coach.Choose("Current step", "Straddle");
        Coach.Press("Set step");
        Coach.Sees("Enter the reason. It is saved.");
        Coach.Fill("Reason", "held it before the move to the hall");
        Coach.Press("Set step");
        Coach.Sees("Set by the coach: held it before the move to the hall. By the rule: One-leg.");
        InTraining("Straddle");
        Coach.Press("Remove override");
        InTraining("One-leg");
    }

    [Fact]
    public void The_atlas_is_searched_and_a_slip_in_a_result_is_told_at_its_field()
    {
        Coach.Press("Ladders");
        Coach.Press("movements");
        Coach.Fill("Search", "false grip rings");
        Coach.Sees("False-grip hang");
        Coach.SeesNot("Wall push-up");
        Coach.Press("False-grip hang");
        Coach.Sees("Wrists over the rings");
        Coach.Press("Ring muscle-up and ring work: False-grip hang");
        Coach.Sees("Marlow Quist");
        Coach.Press("Marlow Quist");
        Coach.Sees("Limiting factor:");
        Coach.Press("Record a test of");
        Coach.Fill("Seconds", "4000");
        Coach.Press("Record");
        Coach.Sees("4,000 is outside 0 to 3,600.");
        Assert.Equal("4000", Coach.Field("Seconds").GetAttribute("value"));
    }
}
