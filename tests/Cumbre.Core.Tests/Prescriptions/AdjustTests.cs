using CsCheck;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Prescriptions;

// One rule each for a deload, an easy version, less of the system and less of what is not loaded: common practice, no
// source.
public class AdjustTests
{
    private static Prescription Plan(string line) =>
        NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);

    private static string Print(Prescription plan) => NotationPrinter.Print(plan);

    private static ResolutionContext At(decimal bodyMass) =>
        new(Explanation.For(RuleId.BodyMassOfDay).Build(Mass.FromKilograms(bodyMass)), null, 0, KitTests.Cochera);

    [Theory]
    [InlineData("4 x 6 @ +25 kg", "2 x 6")]
    [InlineData("3 x 8..10 @ +12.5 kg then +2.5 kg", "1 x 8")]
    [InlineData("3 x 8..10", "1 x 8..10")]
    [InlineData("3 x 6 @ band 15 kg", "1 x 6 @ band 15 kg")]
    [InlineData("4 x 8 @ band 20 kg", "2 x 8 @ band 20 kg")]
    [InlineData("4 x 8 @ feet grip neutral pause 2 s bottom", "2 x 8 @ feet grip neutral pause 2 s bottom")]
    [InlineData("hold 4 x 4 s @ band 10 kg left first +1", "hold 2 x 4 s @ band 10 kg left first")]
    [InlineData("5 x 5 each side", "2 x 5 each side")]
    [InlineData("1 x 5 @ +10 kg", "1 x 5")]
    [InlineData("top 1 x 4 @ +40 kg 1 in reserve, back-off 3 x 8 @ -12 % top", "2 x 8")]
    [InlineData("2 x drop 4+4+6 @ +20 / +10 / 0 kg", "1 x 4")]
    [InlineData("2 x drop 4+4 @ +20 / 0 kg grip wide / narrow", "1 x 4 grip wide")]
    [InlineData("3 x 10 @ 9 books", "1 x 10")]
    [InlineData("4 x 5 to failure", "2 x 5 3 in reserve")]
    [InlineData("2 x max", "1 x practice 3 in reserve")]
    [InlineData("4 x 5 box 40 cm", "2 x 5 box 40 cm")]
    [InlineData("hold 7, 7, 7, 6, 6 s", "hold 2 x 7 s")]
    [InlineData("sets 5, 4, 3 @ +10, +15, +20 kg", "1 x 5")]
    [InlineData("4 x 5 @ -10 kg", "2 x 5 @ -10 kg")]
    public void A_deload_halves_the_sets_takes_added_load_off_and_leaves_every_help(string line, string deload) =>
        Assert.Equal(deload, Print(Adjust.Deload(Plan(line))));

    [Fact]
    public void No_deload_ends_by_failing() => Notation.PlanGen.Any.Sample(plan => !Adjust.Deload(plan).ToTheEnd);

    [Theory]
    [InlineData("4 x 6 @ +15 kg", "2 x 6 @ +15 kg")]
    [InlineData("3 x 8 to failure", "1 x 8 3 in reserve")]
    [InlineData("hold 4 x 100 % best", "hold 2 x 50 % best")]
    // The back-off keeps its own load: at that of the top set it would be harder than the day.
    [InlineData(
        "top 1 x 4 @ +16.25 kg 1 in reserve, back-off 3 x 8 @ -12 % top",
        "top 1 x 4 @ +16.25 kg 1 in reserve, back-off 1 x 8 @ -12 % top"
    )]
    [InlineData("2 x drop 4+4+6 @ +20 / +10 / 0 kg", "1 x drop 4+4+6 @ +20 / +10 / 0 kg")]
    [InlineData("2 x rest-pause gap 30 s", "1 x 8")]
    public void The_easy_version_keeps_the_load_and_halves_the_sets(string line, string easy) =>
        Assert.Equal(easy, Print(Adjust.EasyVersion(Plan(line))));

    // Worked: 75 kg + 20 = 95; a tenth less is 85.5, so +10.5, and the kit makes +10. 78 + 12.5 = 90.5: 81.45, +3.45,
    // +2.5.
    [Theory]
    [InlineData(75, "4 x 6 @ +20 kg", "4 x 6 @ +10 kg")]
    [InlineData(78, "3 x 6 @ +12.5 kg", "3 x 6 @ +2.5 kg")]
    [InlineData(75, "4 x 5 @ +25 kg", "4 x 5 @ +15 kg")]
    [InlineData(75, "4 x 5 @ 80 % e1RM", "4 x 5 @ 72 % e1RM")]
    [InlineData(75, "2 x drop 4+4 @ +20 / +10 kg", "2 x drop 4+4 @ +10 / +1.25 kg")]
    [InlineData(75, "3 x 8 @ +2.5 kg", "3 x 8")]
    [InlineData(75, "3 x 8", "3 x 8")]
    public void Less_of_the_system_is_rounded_down_to_the_kit(double body, string line, string lighter) =>
        Assert.Equal(lighter, Print(Adjust.ToSystemShare(Plan(line), 0.9m, At((decimal)body))));

    [Theory]
    [InlineData("hold 5 x 9 s", "hold 5 x 6 s")]
    [InlineData("3 x 15", "3 x 10")]
    [InlineData("3 x 8..10", "3 x 5..6")]
    [InlineData("2 x 1", "2 x 1")]
    [InlineData("negative 4 x 1 lower 9 s", "negative 4 x 1 lower 6 s")]
    public void Without_load_a_third_of_the_reps_or_seconds_goes(string line, string less) =>
        Assert.Equal(less, Print(Adjust.ThirdLess(Plan(line))));

    [Theory]
    [InlineData(2, 1)]
    [InlineData(3, 2)]
    [InlineData(4, 3)]
    [InlineData(5, 3)]
    [InlineData(1, 1)]
    public void A_third_fewer_sets(int sets, int fewer) =>
        Assert.Equal(fewer, Adjust.ThirdFewerSets(new StraightSets(sets, 5)).SetCount);

    [Theory]
    [InlineData("3 x 8..10 @ +10 kg", "4 x 8..10 @ +10 kg rest 2:00", true)]
    [InlineData("3 x 8..10 @ +10 kg", "3 x 8..10 @ +12.5 kg", false)]
    [InlineData("hold 7, 7, 6 s", "hold 7, 6, 6 s", false)]
    [InlineData("3 x 5 box 60 cm", "3 x 5 box 55 cm", false)]
    public void The_same_dose_asks_the_same_of_each_set(string a, string b, bool same) =>
        Assert.Equal(same, Adjust.IsSameDose(Plan(a), Plan(b)));

    // First doses from the best set: common practice, no source.
    [Theory]
    [InlineData(0, null)]
    [InlineData(1, "5 x 1 rest 2:30")]
    [InlineData(2, "5 x 1 rest 2:30")]
    [InlineData(3, "4 x 2 rest 2:30")]
    [InlineData(6, "4 x 4 rest 2:30")]
    [InlineData(7, "3 x 5")]
    [InlineData(8, "3 x 5..6")]
    [InlineData(9, "3 x 5..6")]
    [InlineData(12, "3 x 7..9")]
    [InlineData(20, "3 x 13..15")]
    [InlineData(21, null)]
    public void Reps_are_dosed_from_the_best_set(int best, string? line) =>
        Assert.Equal(line, RepDose.For(best) is { } dose ? Print(dose) : null);
}
