using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Prescriptions;

/// <summary>
/// A line held against its movement (common practice, no source): what does not fit is said, with the line that was
/// meant.
/// </summary>
public class LineFitTests
{
    private static string Of(string movement, string line)
    {
        var found = Catalogue.Shipped.Movements[movement];
        return string.Join(
            "; ",
            LineFit
                .Of(NotationParser.Parse(line).Plan!, found, null, null)
                .Select(m => $"{m.Kind}: {string.Join(" | ", m.Ways.Select(NotationPrinter.Print))}".TrimEnd(' ', ':'))
        );
    }

    [Theory]
    // Reps on what is held.
    [InlineData("front-lever-tuck", "5 x 8", "RepsOnHold: hold 5 x 8 s")]
    [InlineData(
        "front-lever-tuck",
        "3 x 8..10 rest 2:00",
        "RepsOnHold: hold 3 x 8 s rest 2:00 | hold 3 x 10 s rest 2:00"
    )]
    [InlineData("front-lever-tuck", "sets 8, 7, 6", "RepsOnHold: hold 8, 7, 6 s")]
    [InlineData("front-lever-tuck", "2 x max", "RepsOnHold: hold 2 x 100 % best")]
    [InlineData("front-lever-tuck", "every 1:00 x 5 do 3", "RepsOnHold")]
    [InlineData("front-lever-tuck", "5 x 8 2 in reserve tempo 3-0-1-0", "RepsOnHold: hold 5 x 8 s")]
    [InlineData("front-lever-tuck", "hold 5 x 8 s", "")]
    [InlineData("front-lever-tuck", "negative 4 x 1 lower 5 s", "")]
    // Seconds on what is counted.
    [InlineData("pull-up", "hold 5 x 8 s", "SecondsOnReps: 5 x 8")]
    [InlineData("pull-up", "hold 8, 7, 6 s", "SecondsOnReps: sets 8, 7, 6")]
    [InlineData("pull-up", "hold 5 x 60 % best", "SecondsOnReps")]
    [InlineData("pull-up", "5 x 8", "")]
    // One side at a time.
    [InlineData("archer-pull-up", "3 x 8", "SidesMissing: 3 x 8 each side")]
    [InlineData("archer-pull-up", "3 x 8 left first", "")]
    [InlineData("pull-up", "3 x 8 each side", "SidesOnBoth: 3 x 8")]
    // Several at once: any of the ways mends them all.
    [InlineData(
        "front-lever-one-leg",
        "3 x 8 @ +10 kg",
        "RepsOnHold: hold 3 x 8 s each side; SidesMissing: hold 3 x 8 s each side; LoadNotHung: hold 3 x 8 s each side"
    )]
    [InlineData("archer-pull-up", "hold 3 x 8 s", "SecondsOnReps: 3 x 8 each side; SidesMissing: 3 x 8 each side")]
    // Loads.
    [InlineData("archer-pull-up", "3 x 5 each side @ +5 kg", "LoadNotHung: 3 x 5 each side")]
    [InlineData("archer-pull-up", "sets 5, 4 @ +5, +10 kg each side", "LoadNotHung: sets 5, 4 each side")]
    [InlineData("archer-pull-up", "3 x 5 each side @ band 10 kg", "")]
    [InlineData("weighted-pull-up", "3 x 5 @ +5 kg", "")]
    public void What_does_not_fit_is_said_with_the_line_that_was_meant(string movement, string line, string said) =>
        Assert.Equal(said, Of(movement, line));

    // "5 x 8" on a lever hold was 120 s of straight-arm time; what its reps are nobody knows, and its seconds count.
    [Theory]
    [InlineData("5 x 8", 0)]
    [InlineData("hold 5 x 8 s", 40)]
    public void Only_seconds_of_a_hold_are_straight_arm_time(string line, int seconds) =>
        Assert.Equal(seconds, Resolved("front-lever-tuck", line).Plan!.StraightArmSeconds);

    // A lever raise counts 3 s a rep (handbook of the trade, house value).
    [Fact]
    public void A_lever_raise_counts_three_seconds_a_rep() =>
        Assert.Equal(45, Resolved("front-lever-raise", "3 x 5").Plan!.StraightArmSeconds);

    [Theory]
    [InlineData("2 x practice 1 in reserve", true)]
    [InlineData("2 x max 1 in reserve", true)]
    [InlineData("2 x practice", false)]
    [InlineData("3 x 5 1 in reserve", false)]
    public void Practice_with_a_reserve_needs_reps_on_a_loaded_lift(string line, bool asked) =>
        Assert.Equal(asked, Resolved("weighted-pull-up", line).Problem == ResolutionProblem.NoReps);

    private static Resolution Resolved(string movement, string line) =>
        PrescriptionResolver.Resolve(NotationParser.Parse(line).Plan!, MethodTests.Context(movement));
}
