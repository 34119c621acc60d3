using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A coach writes one outline for a group, makes the blocks of its athletes, and prints it.</summary>
public sealed class GroupTests : CoachAtWork
{
    private void Station(string typed, string option)
    {
        Coach.Fill("Add station on Monday", typed);
        Coach.Press(option);
    }

    [Fact]
    public void A_circuit_is_made_for_two_printed_with_names_and_leads_to_each_block()
    {
        Coach.Go("/programmes");
        Coach.Press("New group block");
        Coach.Sees("Nothing to show yet.");
        Coach.Fill("Name", "Circuit club");
        foreach (var name in new[] { "Noor Bakkali", "Dagmar Roe" })
        {
            Coach.Fill("Athletes", name);
            Coach.Press(name);
        }

        Coach.Type(Keys.Escape);
        Coach.Choose("Form", "circuit");
        Station("vertical pull", "vertical pull");
        Station("legs", "legs");
        Coach.Sees("easier:");
        // Nothing is stored yet: what is on the page stays there when the coach thinks again.
        Coach.Press("Programmes");
        Coach.Sees("Leave before it is saved?");
        Coach.Press("Cancel");
        Coach.Press("Create 2 blocks");
        Coach.Sees("The blocks as they are");
        Coach.Press("Print");
        Coach.Sees("circuit: one set at each station in turn");
        Coach.Sees("Dagmar Roe");
        Coach.Press("Back");
        Coach.Press("Noor Bakkali");
        Coach.Sees("of the group Circuit club");
        Coach.Sees("Dose, week 1");
        Coach.Go("/programmes");
        Coach.Sees("Circuit club");
        Assert.Empty(Coach.ConsoleErrors());
    }
}
