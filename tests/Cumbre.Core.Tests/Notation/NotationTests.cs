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
        // What other spellings make of it stands in SpellingTests.
        var result = NotationParser.Strict(line);
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
    public void A_canonical_line_prints_as_it_was_written(string line) =>
        Assert.Equal(line, NotationPrinter.Print(Plan(line)));

    [Fact]
    public void Every_example_of_the_documentation_is_canonical_and_on_the_help_card()
    {
        var examples = File.ReadLines(TestFiles.Root("docs/notation.md"))
            .Where(l => l.StartsWith("| `", StringComparison.Ordinal))
            .Select(l => l.Split('`')[1])
            .ToList();
        Assert.All(examples, line => Assert.Equal(line, NotationPrinter.Print(Plan(line))));
        Assert.Equal(Examples.All.Select(e => e.Line), examples);
    }

    [Fact]
    public void What_the_help_card_says_beside_a_line_is_read_as_that_line() =>
        Assert.All(Examples.All.Where(e => e.Also is not null), e =>
            Assert.Equal(e.Line, NotationPrinter.Print(NotationParser.Parse(e.Also!, MassUnit.Kg).Plan!))
        );

    [Fact]
    public void The_help_card_shows_every_method()
    {
        var shown = Examples.All.Select(e => Plan(e.Line).GetType()).ToHashSet();
        Assert.DoesNotContain(typeof(Prescription).Assembly.GetTypes(), t =>
            t.IsSubclassOf(typeof(Prescription)) && !shown.Contains(t)
        );
    }

    [Fact]
    public void Every_dose_of_the_catalogue_can_be_read()
    {
        var doses = Core
            .Ladders.Atlas.Shipped.Ladders.SelectMany(l => l.Steps)
            .Select(s => s.Dose)
            .Distinct()
            .ToArray();
        Assert.True(doses.Length > 50);
        Assert.All(doses, line => Assert.Equal(line, NotationPrinter.Print(Plan(line))));
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
    [InlineData("hold 5x8s rest 2min", "hold 5 x 8 s rest 2:00")]
    [InlineData("HOLD 24 s IN 3", "hold 24 s in 3")]
    [InlineData("2x rest-pause gap 1 breath", "2 x rest-pause gap 1 breath")]
    [InlineData("rest-pause gap 30 s", "1 x rest-pause gap 30 s")]
    [InlineData("3 x 8 each side right first", "3 x 8 right first")]
    [InlineData("3 x 10 @ 9 Books", "3 x 10 @ 9 books")]
    [InlineData("every 80 s x 5 do 6", "every 1:20 x 5 do 6")]
    [InlineData("5 x 3..5 fast", "5 x 3..5 fast")]
    [InlineData("4 x 5 tempo 3-2-X-0 pause 2 s bottom", "4 x 5 pause 2 s bottom tempo 3-2-X-0")]
    [InlineData("Top 1x4, Back-off 3x8 @ −12% Top", "top 1 x 4, back-off 3 x 8 @ -12 % top")]
    public void Spacing_case_and_decimal_marks_are_free(string line, string canonical) =>
        Assert.Equal(canonical, NotationPrinter.Print(Plan(line)));

    [Fact]
    public void Pounds_stay_pounds() =>
        Assert.Equal(MassEntry.Lb(27.5m), ((AddedLoad)((StraightSets)Plan("4 x 5 @ +27.5 lb")).Load!).Entry);

    [Fact]
    public void Parsing_a_print_gives_the_same_plan() =>
        PlanGen.Any.Sample(
            plan =>
                NotationParser.Parse(NotationPrinter.Print(plan)) is { Error: null } result && plan.Equals(result.Plan),
            iter: 20_000
        );

    [Fact]
    public void The_stored_form_gives_the_same_plan() =>
        PlanGen.Any.Sample(plan => plan.Equals(PrescriptionJson.Read(PrescriptionJson.Write(plan))));

    [Theory]
    [InlineData("""{"v":9,"plan":{"method":"straight","setTotal":1,"reps":1}}""")]
    [InlineData("""{"v":1}""")]
    [InlineData("nonsense")]
    public void A_stored_form_of_another_version_is_refused(string json) =>
        Assert.Throws<InvalidDataException>(() => PrescriptionJson.Read(json));

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
    [InlineData(
        "drop 4+4 @ +20 / +10 kg grip wide / medium / narrow",
        29,
        22,
        NotationFault.PartsDiffer,
        Expectation.Grip
    )]
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
    [InlineData("hold 5 x 0 s", 9, 1, NotationFault.OutOfRange, Expectation.HoldSeconds)]
    [InlineData("hold 5 x 8", 10, 0, NotationFault.Unexpected, Expectation.SecondsUnit)]
    [InlineData("hold 5 x 60 %", 13, 0, NotationFault.Unexpected, Expectation.PercentBest)]
    [InlineData("hold 25 s in 3", 5, 2, NotationFault.NotInEqualPieces, Expectation.HoldSeconds)]
    [InlineData("2 x drop 4+4 @ +10", 18, 0, NotationFault.Unexpected, Expectation.Slash)]
    [InlineData("negative 4 x 1", 14, 0, NotationFault.Unexpected, Expectation.Lower)]
    [InlineData("negative 4 x 1 lower 40 s", 21, 2, NotationFault.OutOfRange, Expectation.LowerSeconds)]
    [InlineData("2 x rest-pause", 14, 0, NotationFault.Unexpected, Expectation.Gap)]
    [InlineData("3 x cluster 2 gap 20 s", 14, 3, NotationFault.Unexpected, Expectation.Plus)]
    [InlineData("every 0:02 x 4 do 8", 6, 1, NotationFault.OutOfRange, Expectation.Every)]
    [InlineData("every 1:20 x 5", 14, 0, NotationFault.Unexpected, Expectation.Do)]
    [InlineData("pyramid 5", 9, 0, NotationFault.Unexpected, Expectation.Rung)]
    [InlineData("3 x 8 @ band 15", 15, 0, NotationFault.Unexpected, Expectation.Unit)]
    [InlineData("3 x 8 each", 10, 0, NotationFault.Unexpected, Expectation.EachSide)]
    [InlineData("3 x 8 left", 10, 0, NotationFault.Unexpected, Expectation.SideOrder)]
    [InlineData("3 x 8 left first +", 18, 0, NotationFault.Unexpected, Expectation.OneMore)]
    [InlineData("3 x 8 left first +2", 18, 1, NotationFault.OutOfRange, Expectation.OneMore)]
    [InlineData("3 x 8 pause 2 s", 15, 0, NotationFault.Unexpected, Expectation.PausePlace)]
    [InlineData("3 x 10 @ 9", 10, 0, NotationFault.Unexpected, Expectation.UnitOrPercent)]
    [InlineData("3 x 10 @ 10 rest 2:00", 12, 4, NotationFault.Unexpected, Expectation.UnitOrPercent)]
    [InlineData("4 x 5 € 3", 6, 1, NotationFault.Unexpected, Expectation.Load)]
    public void An_error_names_its_place_and_what_was_expected(
        string line,
        int start,
        int length,
        NotationFault fault,
        Expectation expected
    )
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
    public void The_same_modifier_twice_is_an_error() =>
        Assert.Equal(NotationFault.Twice, Error("4 x 5 rest 2:00 rest 3:00").Fault);

    [Fact]
    public void A_line_of_ten_thousand_characters_is_refused() =>
        Assert.Equal(NotationFault.TooLong, Error(new string('4', 10_000)).Fault);

    // The way on beside an error: what may have been meant.
    [Theory]
    [InlineData(
        "hold 5 x 8 s tempo 3-1-X-0 rest 2:00",
        NotationFault.NotInThisMethod,
        13,
        13,
        "hold 5 x 8 s rest 2:00"
    )]
    [InlineData(
        "negative 4 x 1 tempo 5-0-0-0 lower 5 s",
        NotationFault.NotInThisMethod,
        15,
        13,
        "negative 4 x 1 lower 5 s"
    )]
    [InlineData("every 1:20 x 5 do 6 rest 1:00", NotationFault.NotInThisMethod, 20, 9, "every 1:20 x 5 do 6")]
    [InlineData(
        "4 x 5 tempo 3-1-X-0 pause 2 s bottom",
        NotationFault.PauseAgainstTempo,
        20,
        16,
        "4 x 5 tempo 3-2-X-0 pause 2 s bottom"
    )]
    [InlineData("drop 4+4+6 @ 0 / 10 / 20 kg", NotationFault.LoadsDoNotFall, 17, 2, "drop 4+4+6 @ +20 / +10 / 0 kg")]
    [InlineData("hold 25 s in 3", NotationFault.NotInEqualPieces, 5, 2, "hold 24 s in 3 | hold 27 s in 3")]
    public void An_error_offers_the_line_as_it_may_have_been_meant(
        string line,
        NotationFault fault,
        int start,
        int length,
        string mended
    )
    {
        var error = Error(line);
        Assert.Equal(
            (fault, start, length, mended),
            (error.Fault, error.Start, error.Length, string.Join(" | ", error.Ways))
        );
        Assert.All(error.Ways, w => Plan(w));
    }

    [Fact]
    public void Any_text_gives_a_plan_or_an_error_inside_the_line_a_million_times()
    {
        string[] words =
        [
            .. Examples.All.SelectMany(e => e.Line.Split(' ')).Distinct(),
            "kg",
            "lb",
            "€",
            "😀",
            "é",
            "99999999999999999999999",
            "0.00000000000001",
            "..",
            "-",
            "+",
            ",",
            "\t",
            "0",
        ];
        var random = new Random(20260316);
        for (var i = 0; i < 1_000_000; i++)
        {
            var line = (i % 3) switch
            {
                0 => string.Join(
                    ' ',
                    Enumerable.Range(0, random.Next(12)).Select(_ => words[random.Next(words.Length)])
                ),
                1 => Mutated(Examples.All[random.Next(Examples.All.Count)].Line, random),
                _ => new string([
                    .. Enumerable.Range(0, random.Next(40)).Select(_ => (char)random.Next(i % 2 == 0 ? 128 : 0xFFFF)),
                ]),
            };
            var result = i % 20 == 0 ? NotationParser.Parse(line) : NotationParser.Strict(line);
            if (result.Plan is null)
                Assert.True(
                    result.Error is { } e
                        && e.Start >= 0
                        && e.Start + e.Length <= line.Length
                        && e.Ways.All(w =>
                            NotationParser.Parse(w).Plan is not null || e.Fault != NotationFault.Ambiguous
                        ),
                    line
                );
            else
                Assert.True(
                    result.Error is null
                        && NotationParser.Parse(NotationPrinter.Print(result.Plan)).Plan is { } again
                        && again.Equals(result.Plan),
                    line
                );
        }
    }

    [Theory]
    [InlineData("", 0, "hold 5 x 8 s")]
    [InlineData("3 x ", 4, "rest-pause gap 30 s")]
    [InlineData("4 x 5 ", 6, "@ 80 % e1RM")]
    [InlineData("4 x 5 te", 8, "tempo 3-1-X-0")]
    [InlineData("4 x 5 @ 80 % ", 13, "bm")]
    [InlineData("hold 5 x 8 s r", 14, "rest 2:00")]
    [InlineData("3 x 8 gr", 8, "grip medium")]
    [InlineData("top 1 x 4 @ +20 kg ", 19, ", back-off 3 x 8 @ -12 % top")]
    public void What_may_come_next_is_offered_at_the_cursor(string line, int cursor, string offered)
    {
        var found = Completion.At(line, cursor).Single(s => s.Text == offered);
        Assert.Equal(line.Length - line.Length + line[..cursor].LastIndexOf(' ') + 1, found.Start);
    }

    [Fact]
    public void What_stands_already_or_cannot_stand_is_not_offered()
    {
        Assert.DoesNotContain(Completion.At("4 x 5 rest 2:00 ", 16), s => s.For == Expectation.Rest);
        Assert.DoesNotContain(Completion.At("hold 5 x 8 s ", 13), s => s.For is Expectation.Tempo or Expectation.Pause);
        Assert.Empty(Completion.At("4 y 5 ", 6));
    }

    private static string Mutated(string line, Random random)
    {
        var at = random.Next(line.Length);
        return random.Next(4) switch
        {
            0 => line.Remove(at, 1),
            1 => line.Insert(at, ((char)random.Next(32, 127)).ToString()),
            2 => line[..at] + line[at..].ToUpperInvariant(),
            _ => line[..at] + Examples.All[random.Next(Examples.All.Count)].Line[..3] + line[at..],
        };
    }
}
