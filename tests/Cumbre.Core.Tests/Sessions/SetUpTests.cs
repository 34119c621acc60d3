using Cumbre.Core.Measures;
using Cumbre.Core.Sessions;
using Cumbre.Core.Tests.Decisions;

namespace Cumbre.Core.Tests.Sessions;

/// <summary>How a set was set up, and what may be compared with what. Common practice, no source.</summary>
public sealed class SetUpTests
{
    private static SetUpNotes Of(string part, string value) => new([new(part, value)]);

    [Theory]
    [InlineData("box height", " 45.0 ", "45")]
    [InlineData("box height", "200", "200")]
    [InlineData("strap mark", "60", "60")]
    [InlineData("strap mark", "0", "0")]
    [InlineData("fingers of the second hand", "4", "4")]
    [InlineData("ring material", "Wood", "wood")]
    [InlineData("grip and width", " thumb over ", "thumb over")]
    [InlineData("a part of the club's own", "blue", "blue")]
    public void A_part_is_kept_one_way_however_it_is_written(string part, string written, string kept) =>
        Assert.Equal(kept, Of(part, written).Parts[part]);

    [Theory]
    [InlineData("box height", "200.1", Violation.OutOfRange)]
    [InlineData("box height", "-1", Violation.NoNumber)]
    [InlineData("box height", "high", Violation.NoNumber)]
    [InlineData("strap mark", "61", Violation.OutOfRange)]
    [InlineData("strap mark", "6.5", Violation.NoNumber)]
    [InlineData("fingers of the second hand", "5", Violation.OutOfRange)]
    [InlineData("ring material", "glass", Violation.NoSuchWord)]
    [InlineData("grip and width", "a grip that nobody could describe in so many words", Violation.OutOfRange)]
    public void What_does_not_fit_the_part_is_refused_by_its_name(string part, string written, Violation violation)
    {
        var refusal = Assert.Throws<RuleViolationException>(() => Of(part, written));
        Assert.Equal((part, violation), (refusal.Field, refusal.Violation));
    }

    [Fact]
    public void What_was_not_told_is_no_difference()
    {
        Assert.Empty(Of("strap mark", "6").DifferencesTo(SetUpNotes.None));
        Assert.Empty(Of("strap mark", "6").DifferencesTo(Of("foot position", "40")));
        Assert.Equal(["strap mark"], Of("strap mark", "6").DifferencesTo(Of("strap mark", "7")));
    }

    [Fact]
    public void What_the_line_says_is_known_of_the_parts_that_the_movement_has()
    {
        var line = new Core.Prescriptions.SetUp { BoxCm = 60, Fingers = 3 };
        Assert.Equal("box height 60 cm", SetUpNotes.Planned(line, ["box height", "elbow first"]).ToString());
        Assert.Equal(
            "fingers of the second hand 3",
            SetUpNotes.Planned(line, ["fingers of the second hand"]).ToString()
        );
        Assert.True(SetUpNotes.Planned(null, ["box height"]).IsEmpty);
    }

    [Fact]
    public void An_empty_value_is_not_told() => Assert.True(Of("strap mark", "  ").IsEmpty);

    private static Func<LoggedSet, LoggedSet> With(string part, string value) =>
        set => set with { SetUp = Of(part, value) };

    // Two clean exposures in a row earn more, whatever the measure; a changed set-up starts the count anew.
    [Theory]
    [InlineData("weighted-dip", "3 x 6 @ +10 kg", 6, 3, "range", "full", "ninety", "AddLoad: 3 x 6 @ +11.25 kg")]
    [InlineData("ring-row", "3 x 8..10", 10, 3, "strap mark", "6", "7", "AddReps: 3 x 9..11")]
    [InlineData("ring-row", "3 x 8..10", 10, 3, "ring material", "wood", "plastic", "AddReps: 3 x 9..11")]
    [InlineData(
        "wall-handstand",
        "hold 3 x 20 s",
        20,
        3,
        "distance from the wall",
        "20",
        "30",
        "AddSeconds: hold 3 x 21 s"
    )]
    [InlineData("bar-muscle-up", "3 x 2", 2, 3, "elbow first", "both", "left", "AddReps: 3 x 3")]
    public void Only_the_same_set_up_counts_toward_more(
        string movement,
        string line,
        int amount,
        int sets,
        string part,
        string first,
        string other,
        string says
    )
    {
        int[] amounts = [.. Enumerable.Repeat(amount, sets)];
        Trainee Did(string then) =>
            new Trainee()
                .Did("2026-03-09", movement, line, amounts, with: With(part, first))
                .Did("2026-03-12", movement, line, amounts, with: With(part, then));
        Assert.Equal(says, Did(first).Says(movement));
        Assert.Null(Did(other).Says(movement));
    }

    [Fact]
    public void Sets_beyond_the_plan_are_evidence_and_no_part_of_the_plan()
    {
        var exposure = new Trainee().Did("2026-03-12", "pull-up", "2 x 5", [5, 5]).Last;
        var more = exposure with
        {
            Sets =
            [
                .. exposure.Sets,
                new LoggedSet(3, 1, 9, MassEntry.Kg(0), 0, Cumbre.Core.Benchmarks.FormVerdict.Clean),
            ],
        };
        Assert.Equal(2, more.Rows().Count);
        Assert.Equal([5, 5, 9], more.RowsWithExtra().Select(r => r.Amount));
        Assert.Contains(Cumbre.Core.Ladders.TrainingResults.Of(more, Cumbre.Core.Movements.Catalogue.Shipped), r =>
            r.Benchmark == "pull-up-max" && r.Score is { Reps: 9, Sets: 1 }
        );
    }
}
