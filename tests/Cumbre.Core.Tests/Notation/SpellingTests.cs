using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Notation;

/// <summary>
/// Lines as coaches write them (common practice, no source), with what they are read as; where a line can mean several
/// things it is asked, and the ways on are told.
/// </summary>
public class SpellingTests
{
    /// <summary>
    /// Written, the movement, what it is read as: several readings are asked; behind an arrow the line that one press
    /// makes of it; an exclamation mark where it is refused.
    /// </summary>
    private static readonly string[][] Trial =
    [
        .. File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Notation", "trial.txt"))
            .Select(l => l.Split(" ; ")),
    ];

    public static TheoryData<string, string, string> Lines { get; } = new(Trial.Select(l => (l[0], l[1], l[2])));

    [Theory, MemberData(nameof(Lines))]
    public void What_coaches_write_is_read_asked_or_mended(string written, string movement, string outcome) =>
        Assert.Equal(outcome, Outcome(written, movement));

    [Fact]
    public void Of_two_hundred_lines_nine_in_ten_are_read_or_mended_by_one_press()
    {
        Assert.True(Trial.Length >= 200, $"{Trial.Length} lines");
        Assert.True(Trial.Count(l => l[2] != "!") >= 0.9 * Trial.Length);
    }

    private static string Outcome(string written, string movement)
    {
        var result = NotationParser.Parse(written);
        if (result.Plan is not { } plan)
            return result.Error!.Ways.Count == 0 ? "!" : string.Join(" | ", result.Error.Ways);
        var fits = LineFit.Of(plan, Catalogue.Shipped.Movements[movement], null, null);
        return NotationPrinter.Print(plan)
            + string.Concat(
                fits.Select(m => $" -> {(m.Ways.Count > 0 ? NotationPrinter.Print(m.Ways[0]) : "!")}").Distinct()
            );
    }

    // A load without a unit is in the one that coach and athlete share; a share or an exertion is still asked.
    [Theory]
    [InlineData("4 x 5 @ +10", MassUnit.Kg, "4 x 5 @ +10 kg")]
    [InlineData("4 x 5 BW+10", MassUnit.Lb, "4 x 5 @ +10 lb")]
    [InlineData("4 x 5 +10", MassUnit.Kg, "4 x 5 @ +10 kg")]
    [InlineData("5/4/3 @ 10/15/20", MassUnit.Kg, "sets 5, 4, 3 @ +10, +15, +20 kg")]
    [InlineData("3 x 6 @ band 15", MassUnit.Lb, "3 x 6 @ band 15 lb")]
    [InlineData("3 x 5 @8", MassUnit.Kg, "3 x 5 2 in reserve | 3 x 5 @ +8 kg")]
    [InlineData("3 x 5 @ 80", MassUnit.Lb, "3 x 5 @ 80 % e1RM | 3 x 5 @ +80 lb")]
    [InlineData("4 x 5 @ 10 lb", MassUnit.Kg, "4 x 5 @ +10 lb")]
    public void A_load_without_a_unit_is_in_the_shared_one(string written, MassUnit unit, string reading)
    {
        var result = NotationParser.Parse(written, unit);
        Assert.Equal(
            reading,
            result.Plan is { } plan ? NotationPrinter.Print(plan) : string.Join(" | ", result.Error!.Ways)
        );
    }

    // With some left it is no maximum; with a load on it nobody knows which: it asks for reps, at the word.
    [Theory]
    [InlineData("2 x max 1 in reserve @ +10 kg")]
    [InlineData("2 x max @ 80 % e1RM 2 in reserve")]
    public void A_maximum_with_some_left_asks_for_reps_under_a_load(string line)
    {
        var error = NotationParser.Parse(line).Error!;
        Assert.Equal(NotationFault.ReserveOfMax, error.Fault);
        Assert.Equal("max", line.Substring(error.Start, error.Length));
    }

    // What is read is whole: a word that nothing is known of is never passed over.
    [Theory]
    [InlineData("3 x 8 slowly")]
    [InlineData("3 x 8 2 rir monday")]
    [InlineData("4 sets of")]
    [InlineData("3 x 8 @ green")]
    [InlineData("rest 90")]
    [InlineData("EMOM 105")]
    [InlineData("4 x 6/8")]
    [InlineData("4 x 5 -10 kg band")]
    [InlineData("3 x 8 2-3 left")]
    [InlineData("4 x 10/8/6")]
    [InlineData("some pull-ups")]
    public void What_is_not_understood_stays_an_error_without_a_guess(string written)
    {
        var error = NotationParser.Parse(written).Error!;
        Assert.NotEqual(NotationFault.Ambiguous, error.Fault);
        Assert.Empty(error.Ways);
    }
}
