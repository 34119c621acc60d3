using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Tests.Athletes;

public class CurrentStrengthTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);
    private static readonly Benchmark Heavy = Catalogue.Shipped.Benchmarks["weighted-pull-up-heavy"];

    private static BenchmarkResult Test(int daysAgo, int reps, int reserve = 1, FormVerdict form = FormVerdict.Clean) =>
        new(
            Guid.NewGuid(),
            Heavy.Slug,
            Day.AddDays(-daysAgo),
            Score.OfReps(reps),
            MassEntry.Kg(20),
            reserve,
            Mass.FromKilograms(70),
            form
        );

    private static Exposure Trained(
        int daysAgo,
        int reps,
        int? reserve,
        bool easy = false,
        FormVerdict form = FormVerdict.Clean
    ) =>
        new(
            Guid.NewGuid(),
            Day.AddDays(-daysAgo),
            "weighted-pull-up",
            new StraightSets(1, reps),
            [Mass.FromKilograms(25)],
            easy,
            Mass.FromKilograms(70),
            [new(1, 1, reps, MassEntry.Kg(25), reserve, form)]
        );

    private static AthleteSnapshot Athlete(IEnumerable<BenchmarkResult> tests, params Exposure[] trained) =>
        new(MassUnit.Kg, null, false, Schools.Default, Kit.Empty, new([]), [.. tests], trained);

    private static IEnumerable<(int DaysAgo, StrengthSource Source)> Points(AthleteSnapshot athlete) =>
        CurrentStrength.Series(athlete, Heavy, Day).Select(p => (Day.DayNumber - p.Set.Day.DayNumber, p.Source));

    [Fact]
    public void The_newest_test_counts() =>
        Assert.Equal(
            Day.AddDays(-5),
            CurrentStrength.Latest(Athlete([Test(40, 6), Test(5, 4)]), Heavy, Day)!.Value.MeasuredOn
        );

    [Fact]
    public void A_clean_training_set_to_the_tests_protocol_counts_as_a_result() =>
        Assert.Equal(
            [(10, StrengthSource.Test), (3, StrengthSource.TrainingSet)],
            Points(Athlete([Test(10, 5)], Trained(3, 5, 1)))
        );

    // The protocol: 2 to 6 clean reps with at most 1 in reserve.
    [Theory]
    [InlineData(1, 0)]
    [InlineData(7, 0)]
    [InlineData(5, 2)]
    [InlineData(5, null)]
    public void A_training_set_outside_the_protocol_does_not(int reps, int? reserve) =>
        Assert.Empty(Points(Athlete([], Trained(3, reps, reserve))));

    [Fact]
    public void An_easy_week_and_broken_form_do_not_count() =>
        Assert.Empty(
            Points(
                Athlete(
                    [Test(9, 5, form: FormVerdict.Broken)],
                    Trained(3, 5, 1, easy: true),
                    Trained(2, 5, 1, form: FormVerdict.Broken)
                )
            )
        );

    [Fact]
    public void A_test_over_twelve_effective_reps_gives_no_point() => Assert.Empty(Points(Athlete([Test(3, 13, 3)])));

    [Fact]
    public void Of_several_on_a_day_the_highest_counts() =>
        Assert.Equal(
            6,
            Assert.Single(CurrentStrength.Series(Athlete([Test(3, 4), Test(3, 6), Test(3, 5)]), Heavy, Day)).Set.Reps
        );

    [Fact]
    public void What_comes_later_is_not_known_yet() =>
        Assert.Null(CurrentStrength.Latest(Athlete([Test(0, 5)]), Heavy, Day.AddDays(-1)));
}
