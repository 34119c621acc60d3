using CsCheck;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Notation;

public class NotationTests
{
    private static Prescription Plan(string line)
    {
        var result = NotationParser.Parse(line);
        Assert.True(result.Error is null, $"{line}: {result.Error}");
        return result.Plan!;
    }

    private static NotationError Error(string line)
    {
        var result = NotationParser.Parse(line);
        Assert.Null(result.Plan);
        return result.Error!;
    }

    [Theory]
    [InlineData("4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30")]
    [InlineData("4 x 5 @ 80 % e1RM")]
    [InlineData("3 x 8 2 in reserve")]
    [InlineData("5 x 5 @ +25 % bm 1 in reserve")]
    [InlineData("3 x 8 @ -15 kg")]
    [InlineData("3 x 8 to failure")]
    [InlineData("3 x 8..10 then +2.5 kg")]
    [InlineData("3 x 8..10 @ +12.5 kg then +2.5 kg rest 2:00")]
    [InlineData("2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow rest 3:00")]
    [InlineData("top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top")]
    [InlineData("top 1 x 4 @ +27.5 lb 1 in reserve, back-off 3 x 8 @ -12.5 % top tempo 2-0-X-0 rest 3:00")]
    public void A_canonical_line_prints_as_it_was_written(string line) => Assert.Equal(line, NotationPrinter.Print(Plan(line)));

    [Fact]
    public void Every_example_of_the_documentation_is_canonical()
    {
        var examples = File.ReadLines(TestFiles.Root("docs/notation.md")).Where(l => l.StartsWith("| `", StringComparison.Ordinal)).Select(l => l.Split('`')[1]).ToList();
        Assert.True(examples.Count >= 8);
        Assert.All(examples, line => Assert.Equal(line, NotationPrinter.Print(Plan(line))));
    }

    [Theory]
    [InlineData("4x5@12,5kg", "4 x 5 @ +12.5 kg")]
    [InlineData("  4  X 5  @ +12.50  KG ", "4 x 5 @ +12.5 kg")]
    [InlineData("4×5 @ 80% E1RM", "4 x 5 @ 80 % e1RM")]
    [InlineData("4 x 5 rest 90 s tempo 3-1-x-0", "4 x 5 tempo 3-1-X-0 rest 1:30")]
    [InlineData("4 x 5 rest 2,5 min", "4 x 5 rest 2:30")]
    [InlineData("2xdrop 4 + 4 @ 20/10 kg", "2 x drop 4+4 @ +20 / +10 kg")]
    [InlineData("drop 4+4 @ 45 lb / 25 lb", "1 x drop 4+4 @ +45 / +25 lb")]
    [InlineData("drop 4+4 @ 20 kg / 25 lb", "1 x drop 4+4 @ +20 kg / +25 lb")]
    [InlineData("Top 1x4, Back-off 3x8 @ −12% Top", "top 1 x 4, back-off 3 x 8 @ -12 % top")]
    public void Spacing_case_and_decimal_marks_are_free(string line, string canonical) => Assert.Equal(canonical, NotationPrinter.Print(Plan(line)));

    [Fact]
    public void Pounds_stay_pounds() =>
        Assert.Equal(MassEntry.Lb(27.5m), ((AddedLoad)((StraightSets)Plan("4 x 5 @ +27.5 lb")).Load!).Entry);

    [Fact]
    public void Parsing_a_print_gives_the_same_plan() =>
        PlanGen.Any.Sample(plan => NotationParser.Parse(NotationPrinter.Print(plan)) is { Error: null } result && plan.Equals(result.Plan), iter: 20_000);

    [Fact]
    public void The_stored_form_gives_the_same_plan() =>
        PlanGen.Any.Sample(plan => plan.Equals(PrescriptionJson.Read(PrescriptionJson.Write(plan))));

    [Theory]
    [InlineData("""{"v":2,"plan":{"method":"straight","setTotal":1,"reps":1}}""")]
    [InlineData("""{"v":1}""")]
    [InlineData("nonsense")]
    public void A_stored_form_of_another_version_is_refused(string json) => Assert.Throws<InvalidDataException>(() => PrescriptionJson.Read(json));

    [Theory]
    [InlineData("", 0, 0, NotationFault.Unexpected, Expectation.SetCount)]
    [InlineData("4 x", 3, 0, NotationFault.Unexpected, Expectation.RepCount)]
    [InlineData("4", 1, 0, NotationFault.Unexpected, Expectation.Times)]
    [InlineData("0 x 5", 0, 1, NotationFault.OutOfRange, Expectation.SetCount)]
    [InlineData("4 x 0", 4, 1, NotationFault.OutOfRange, Expectation.RepCount)]
    [InlineData("4 x 5.5", 4, 3, NotationFault.NotWhole, Expectation.RepCount)]
    [InlineData("4 x 5 @ +500 kg", 9, 3, NotationFault.OutOfRange, Expectation.Load)]
    [InlineData("4 x 5 @ +500 lb", 9, 3, NotationFault.OutOfRange, Expectation.Load)]
    [InlineData("4 x 5 @ +10", 11, 0, NotationFault.Unexpected, Expectation.UnitOrPercent)]
    [InlineData("4 x 5 @ 80 %", 12, 0, NotationFault.Unexpected, Expectation.PercentBase)]
    [InlineData("4 x 5 @ 80 % max", 13, 3, NotationFault.Unexpected, Expectation.PercentBase)]
    [InlineData("drop 4+4 @ +10", 14, 0, NotationFault.Unexpected, Expectation.Slash)]
    [InlineData("drop 4+4 @ +10 kg", 11, 6, NotationFault.PartsDiffer, Expectation.Load)]
    [InlineData("drop 4 @ +10 kg", 7, 1, NotationFault.Unexpected, Expectation.Plus)]
    [InlineData("drop 4+4+6 @ 0 / 10 / 20 kg", 17, 2, NotationFault.LoadsDoNotFall, Expectation.Load)]
    [InlineData("drop 4+4 @ +20 / +10 kg grip wide", 29, 4, NotationFault.PartsDiffer, Expectation.Grip)]
    [InlineData("4 x 5 tempo 3-1-X", 17, 0, NotationFault.Unexpected, Expectation.TempoDash)]
    [InlineData("4 x 5 tempo X-1-1-0", 12, 1, NotationFault.FastOnlyWhenLifting, Expectation.TempoLowering)]
    [InlineData("4 x 5 tempo 3-1-1-99", 18, 2, NotationFault.OutOfRange, Expectation.TempoTop)]
    [InlineData("4 x 5 rest 2:5", 13, 1, NotationFault.Unexpected, Expectation.TwoDigitSeconds)]
    [InlineData("4 x 5 rest 2", 12, 0, NotationFault.Unexpected, Expectation.DurationUnit)]
    [InlineData("4 x 5 then +2.5 kg", 6, 4, NotationFault.Unexpected, Expectation.RepRange)]
    [InlineData("3 x 10..8", 8, 1, NotationFault.RangeReversed, Expectation.RepCount)]
    [InlineData("4 x 5 hard", 6, 4, NotationFault.Unexpected, Expectation.Load)]
    [InlineData("top 1 x 4 @ +20 kg", 18, 0, NotationFault.Unexpected, Expectation.BackOff)]
    [InlineData("top 1 x 4, back-off 3 x 8 @ -12 %", 33, 0, NotationFault.Unexpected, Expectation.PercentTop)]
    [InlineData("4 x 5 € 3", 6, 1, NotationFault.Unexpected, Expectation.Load)]
    public void An_error_names_its_place_and_what_was_expected(string line, int start, int length, NotationFault fault, Expectation expected)
    {
        var error = Error(line);
        Assert.Equal((fault, start, length), (error.Fault, error.Start, error.Length));
        Assert.Contains(expected, error.Expected);
    }

    [Fact]
    public void A_range_error_tells_the_range_in_the_unit_written()
    {
        Assert.Equal(200, Error("4 x 5 @ +500 kg").Maximum);
        Assert.Equal(440.9m, Math.Round(Error("4 x 5 @ +500 lb").Maximum!.Value, 1));
    }

    [Fact]
    public void The_same_modifier_twice_is_an_error() => Assert.Equal(NotationFault.Twice, Error("4 x 5 rest 2:00 rest 3:00").Fault);

    [Fact]
    public void A_line_of_ten_thousand_characters_is_refused() => Assert.Equal(NotationFault.TooLong, Error(new string('4', 10_000)).Fault);

    [Fact]
    public void Any_text_gives_a_plan_or_an_error_inside_the_line()
    {
        string[] words = ["4", "x", "5", "@", "+", "-", "12,5", "kg", "lb", "%", "e1RM", "bm", "top", "back-off", "drop", "/", "tempo", "3-1-X-0", "rest", "2:30", "in", "reserve", "to", "failure", "then", "..", "grip", "wide", ",", "😀", "é", "9999999999999999999999999999999999", "0.00000000000000000000000000000001"];
        var mutated = Gen.Int[0, words.Length - 1].Array[0, 14].Select(picks => string.Join(' ', picks.Select(p => words[p])));
        var random = Gen.String[0, 60];
        Gen.OneOf(mutated, random, PlanGen.Any.Select(NotationPrinter.Print).SelectMany(line => Gen.Int[0, line.Length - 1].Select(at => line.Remove(at, 1)))).Sample(
            line =>
            {
                var result = NotationParser.Parse(line);
                return result.Plan is null
                    ? result.Error is { } e && e.Start >= 0 && e.Start + e.Length <= line.Length
                    : result.Error is null && NotationParser.Parse(NotationPrinter.Print(result.Plan)).Plan!.Equals(result.Plan);
            },
            iter: 100_000);
    }
}
