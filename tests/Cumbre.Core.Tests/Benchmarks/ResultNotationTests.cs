using CsCheck;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Benchmarks;

public class ResultNotationTests
{
    [Theory]
    [InlineData("12", BenchmarkMeasure.Reps, "12")]
    [InlineData(" 12 reps ", BenchmarkMeasure.Reps, "12")]
    [InlineData("3x10", BenchmarkMeasure.Reps, "3 x 10")]
    [InlineData("3 × 10", BenchmarkMeasure.Reps, "3 x 10")]
    [InlineData("9,5", BenchmarkMeasure.Seconds, "9.5 s")]
    [InlineData("3 x 10 s", BenchmarkMeasure.Seconds, "3 x 10 s")]
    [InlineData("3 x 3 x 3", BenchmarkMeasure.SecondsPerDescent, "3 x 3 x 3 s")]
    [InlineData("8", BenchmarkMeasure.SecondsPerDescent, "8 s")]
    [InlineData("Chest x 5", BenchmarkMeasure.ContactHeight, "chest x 5")]
    [InlineData("hip", BenchmarkMeasure.ContactHeight, "hip x 1")]
    [InlineData("5 x 20 within 4:30", BenchmarkMeasure.Capacity, "5 x 20 within 4:30")]
    [InlineData("5x20/5", BenchmarkMeasure.Capacity, "5 x 20 within 5:00")]
    [InlineData("95°", BenchmarkMeasure.Degrees, "95 degrees")]
    [InlineData("+20 x 5", BenchmarkMeasure.LoadTimesReps, "+20 kg x 5")]
    [InlineData("12,5kg x 5", BenchmarkMeasure.LoadTimesReps, "+12.5 kg x 5")]
    [InlineData("−15 x 8", BenchmarkMeasure.LoadTimesReps, "-15 kg x 8")]
    [InlineData("+45 lb x 3 x 5", BenchmarkMeasure.LoadTimesReps, "3 x 5 at +45 lb")]
    [InlineData("5 @ +20 kg", BenchmarkMeasure.LoadTimesReps, "+20 kg x 5")]
    [InlineData("3 x 5 @ 20", BenchmarkMeasure.LoadTimesReps, "3 x 5 at +20 kg")]
    [InlineData("5 @ -15 lbs", BenchmarkMeasure.LoadTimesReps, "-15 lb x 5")]
    [InlineData("BW x 8", BenchmarkMeasure.LoadTimesReps, "8")]
    [InlineData("1:05", BenchmarkMeasure.Seconds, "65 s")]
    [InlineData("2 x 1:05", BenchmarkMeasure.Seconds, "2 x 65 s")]
    public void A_cell_is_read_by_the_measure_of_its_test(string text, BenchmarkMeasure measure, string printed)
    {
        var written = ResultNotation.Parse(text, measure, MassUnit.Kg);
        Assert.NotNull(written);
        Assert.Equal(printed, ResultPrinter.Print(Result(written)));
    }

    [Theory]
    [InlineData("+20 x 5 r2", 2)]
    [InlineData("+20 x 5 RIR 1", 1)]
    [InlineData("+20 x 5 @ 2 RIR", 2)]
    [InlineData("5 @ 20 kg, 2 in reserve", 2)]
    [InlineData("+20 x 5 with 3 left", 3)]
    [InlineData("+20 x 5 3 left", 3)]
    [InlineData("+20 x 5", 0)]
    public void Reserve_is_read_as_on_a_line(string text, int reserve) =>
        Assert.Equal(reserve, ResultNotation.Parse(text, BenchmarkMeasure.LoadTimesReps, MassUnit.Kg)!.Reserve);

    [Fact]
    public void Reps_left_and_the_unit_of_the_athlete_are_kept()
    {
        var written = ResultNotation.Parse("+45 x 5 r2", BenchmarkMeasure.LoadTimesReps, MassUnit.Lb)!;
        Assert.Equal((MassEntry.Lb(45), 2), (written.Added, written.Reserve));
        Assert.Equal(
            1,
            ResultNotation.Parse("20 x 5 with 1 left", BenchmarkMeasure.LoadTimesReps, MassUnit.Kg)!.Reserve
        );
    }

    [Theory]
    [InlineData("twelve", BenchmarkMeasure.Reps)]
    [InlineData("12 s", BenchmarkMeasure.Reps)]
    [InlineData("12.5", BenchmarkMeasure.Reps)]
    [InlineData("10 reps", BenchmarkMeasure.Seconds)]
    [InlineData("nose x 3", BenchmarkMeasure.ContactHeight)]
    [InlineData("5 x 20", BenchmarkMeasure.Capacity)]
    [InlineData("20", BenchmarkMeasure.LoadTimesReps)]
    [InlineData("1,000.5", BenchmarkMeasure.Seconds)]
    [InlineData("", BenchmarkMeasure.Reps)]
    [InlineData("3 x", BenchmarkMeasure.Reps)]
    [InlineData("reps", BenchmarkMeasure.Reps)]
    [InlineData("3 x 4 x 5", BenchmarkMeasure.Reps)]
    [InlineData("999 bananas", BenchmarkMeasure.Reps)]
    [InlineData("1:5", BenchmarkMeasure.Seconds)]
    [InlineData("1:75", BenchmarkMeasure.Seconds)]
    [InlineData("1.5:05", BenchmarkMeasure.Seconds)]
    [InlineData("3 x 3 x 3", BenchmarkMeasure.Seconds)]
    [InlineData("chest x", BenchmarkMeasure.ContactHeight)]
    [InlineData("chest 5", BenchmarkMeasure.ContactHeight)]
    [InlineData("5 x 20 within", BenchmarkMeasure.Capacity)]
    [InlineData("5 x 20 within 4:75", BenchmarkMeasure.Capacity)]
    [InlineData("degrees", BenchmarkMeasure.Degrees)]
    [InlineData("+3 x 5 @ 20", BenchmarkMeasure.LoadTimesReps)]
    [InlineData("20 kg x 5 @ 10", BenchmarkMeasure.LoadTimesReps)]
    [InlineData("+20 x 5 2", BenchmarkMeasure.LoadTimesReps)]
    [InlineData("+20 x 5 in 2", BenchmarkMeasure.LoadTimesReps)]
    public void What_is_no_result_is_not_guessed(string text, BenchmarkMeasure measure) =>
        Assert.Null(ResultNotation.Parse(text, measure, MassUnit.Kg));

    [Theory]
    [InlineData("201", BenchmarkMeasure.Reps, "reps")]
    [InlineData("99999999999", BenchmarkMeasure.Reps, "reps")]
    [InlineData("4000", BenchmarkMeasure.Seconds, "seconds")]
    [InlineData("90 x 10", BenchmarkMeasure.Reps, "sets")]
    [InlineData("400", BenchmarkMeasure.Degrees, "degrees")]
    public void A_figure_out_of_range_names_its_field(string text, BenchmarkMeasure measure, string field) =>
        Assert.Equal(
            field,
            Assert.Throws<RuleViolationException>(() => ResultNotation.Parse(text, measure, MassUnit.Kg)).Field
        );

    [Theory]
    [InlineData("0", BenchmarkMeasure.Reps)]
    [InlineData("0 s", BenchmarkMeasure.Seconds)]
    public void Nothing_is_a_result(string text, BenchmarkMeasure measure)
    {
        var score = ResultNotation.Parse(text, measure, MassUnit.Kg)!.Score;
        Assert.Equal(0, measure == BenchmarkMeasure.Reps ? score.Reps : score.Seconds);
    }

    [Fact]
    public void Every_example_can_be_read() =>
        Assert.All(Enum.GetValues<BenchmarkMeasure>(), m =>
            Assert.All(ResultNotation.Example(m).Split([" or ", ", with 2 left: "], StringSplitOptions.None), example =>
                Assert.NotNull(ResultNotation.Parse(example, m, MassUnit.Kg))
            )
        );

    [Fact]
    public void What_is_printed_can_be_read_again() =>
        Gen.Select(Gen.Int[1, 200], Gen.Int[1, 20], Gen.Int[1, 7200], Gen.Int[0, 4])
            .Sample(
                (reps, sets, half, contact) =>
                {
                    Check(BenchmarkMeasure.Reps, new(Score.OfReps(reps, sets), MassEntry.Kg(0), 0));
                    Check(BenchmarkMeasure.Seconds, new(Score.OfSeconds(half / 2m, sets), MassEntry.Kg(0), 0));
                    Check(
                        BenchmarkMeasure.ContactHeight,
                        new(new Score(reps, contact: (Contact)contact), MassEntry.Kg(0), 0)
                    );
                    Check(
                        BenchmarkMeasure.Capacity,
                        new(new Score(reps, Math.Max(2, sets), restSeconds: half / 4), MassEntry.Kg(0), 0)
                    );
                    Check(
                        BenchmarkMeasure.LoadTimesReps,
                        new(Score.OfReps(reps, sets), MassEntry.Lb(1 + half % 400), 0)
                    );
                }
            );

    private static void Check(BenchmarkMeasure measure, WrittenResult written)
    {
        var text = ResultPrinter.Print(Result(written));
        Assert.Equal(written, ResultNotation.Parse(text, measure, MassUnit.Kg));
    }

    private static BenchmarkResult Result(WrittenResult w) =>
        new(
            Guid.Empty,
            "any",
            new(2026, 3, 16),
            w.Score,
            w.Added,
            w.Reserve,
            Mass.FromKilograms(70),
            FormVerdict.Clean
        );
}
