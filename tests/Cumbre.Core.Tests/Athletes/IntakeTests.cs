using Cumbre.Core.Athletes;

namespace Cumbre.Core.Tests.Athletes;

public sealed class IntakeTests
{
    private static readonly Intake Whole = Intake.Empty with
    {
        Goals = [new("pull-up", GoalKind.Advance)],
        Days = [DayOfWeek.Monday],
        Minutes = 60,
        Clearance = Clearance
            .Questions.Where(q => !q.IsByAge)
            .ToDictionary(q => q.Slug, _ => new ClearanceAnswer(false, false)),
    };

    [Fact]
    public void An_intake_is_whole_when_all_is_asked_that_a_block_is_made_from()
    {
        Assert.True(Whole.IsWhole(1990));
        Assert.False(Whole.IsWhole(null));
        Assert.False((Whole with { Goals = [] }).IsWhole(1990));
        Assert.False((Whole with { Days = [] }).IsWhole(1990));
        Assert.False((Whole with { Minutes = null }).IsWhole(1990));
        Assert.False((Whole with { Clearance = Whole.Clearance.Skip(1).ToDictionary() }).IsWhole(1990));
    }
}
