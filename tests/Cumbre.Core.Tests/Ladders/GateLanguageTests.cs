using CsCheck;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

public class GateLanguageTests
{
    private static BenchmarkNames Names => Catalogue.Shipped.Names;

    private static readonly string[] Words =
    [
        "pull-up",
        ">=",
        "10",
        "reps",
        "and",
        "or",
        "(",
        ")",
        "x",
        "s",
        "+",
        "% bm",
        "..",
        "each",
        "side",
        "within",
        ":",
        "at",
        "kg",
        "chest",
        "≥",
    ];

    private static readonly Gen<GateTerm> Terms =
        from benchmark in Gen.Int[0, Catalogue.Shipped.Benchmarks.Count - 1]
            .Select(i => Catalogue.Shipped.Benchmarks.Values.ElementAt(i))
        from target in TargetOf(benchmark.Measure)
        select new GateTerm(benchmark.Slug, target, benchmark.EachSide);

    private static readonly Gen<GateExpression> Gates = Gen.Recursive<GateExpression>(
        (depth, inner) =>
            depth > 3
                ? Terms.Select(t => (GateExpression)t)
                : Gen.OneOf(
                    Terms.Select(t => (GateExpression)t),
                    inner.Where(e => e is not AllOf).Array[2, 3].Select(p => (GateExpression)new AllOf(p)),
                    inner.Where(e => e is not AnyOf).Array[2, 3].Select(p => (GateExpression)new AnyOf(p))
                )
    );

    private static Gen<Target> TargetOf(BenchmarkMeasure measure) =>
        measure switch
        {
            BenchmarkMeasure.Reps => Gen.Select(Gen.Int[1, 5], Gen.Int[1, 40], Gen.Int[0, 5], (s, r, more) =>
                (Target)new RepsTarget(s, r, r + more)
            ),
            BenchmarkMeasure.Seconds => Gen.Select(Gen.Int[1, 5], Gen.Int[1, 120], Gen.Int[0, 5], (s, t, more) =>
                (Target)new SecondsTarget(s, 1, t / 2m, t / 2m + more)
            ),
            BenchmarkMeasure.SecondsPerDescent => Gen.Select(Gen.Int[1, 5], Gen.Int[1, 5], Gen.Int[1, 30], (s, r, t) =>
                (Target)new SecondsTarget(s, r, t, t)
            ),
            BenchmarkMeasure.ContactHeight => Gen.Select(Gen.Enum<Contact>(), Gen.Int[1, 10], (c, r) =>
                (Target)new ContactTarget(c, r)
            ),
            BenchmarkMeasure.Capacity => Gen.Select(Gen.Int[2, 9], Gen.Int[1, 30], Gen.Int[1, 1799], (s, r, t) =>
                (Target)new CapacityTarget(s, r, t)
            ),
            BenchmarkMeasure.Degrees => Gen.Int[1, 200].Select(d => (Target)new DegreesTarget(d)),
            _ => Gen.OneOf(
                Gen.Select(Gen.Int[1, 4], Gen.Int[1, 12], Gen.Int[1, 200], (s, r, p) =>
                    (Target)new LoadTarget(p / 2m, null, s, r)
                ),
                Gen.Select(Gen.Int[1, 4], Gen.Int[1, 12], Gen.Int[1, 300], Gen.Enum<MassUnit>(), (s, r, k, u) =>
                    (Target)new LoadTarget(null, new(k / 4m, u), s, r)
                )
            ),
        };

    [Fact]
    public void Every_gate_that_is_printed_parses_back_to_itself() =>
        Gates.Sample(
            gate =>
            {
                var text = GatePrinter.Print(gate, Names);
                var parsed = GateParser.Parse(text, Names);
                Assert.True(parsed.Error is null, $"{text}: {parsed.Error}");
                Assert.Equal(gate, parsed.Expression);
                Assert.Equal(text, GatePrinter.Print(parsed.Expression!, Names));
            },
            iter: 2000
        );

    [Theory]
    [InlineData(
        "strict pull-up >= 10 reps and (parallel-bar dip >= 10 reps or weighted dip >= +10 % bm x 1)",
        "pull-up >= 10 reps and (parallel-bar dip >= 10 reps or weighted dip >= +10 % bm x 1)"
    )]
    [InlineData("advanced tuck front lever >= 3 s", "advanced tuck front lever >= 3 s")]
    [InlineData("high pull-up >= chest x 5", "high pull-up >= chest x 5")]
    [InlineData("one-arm hang >= 10 s each side", "one-arm hang >= 10 s each side")]
    [InlineData("pull-up capacity >= 5 x 20 within 5:00", "pull-up capacity >= 5 x 20 within 5:00")]
    [InlineData("  Pull-Up≥10..12 reps ", "pull-up >= 10..12 reps")]
    [InlineData("tuck front lever >= 3×10 s", "tuck front lever >= 3 x 10 s")]
    [InlineData("tuck front lever >= 9,5 s", "tuck front lever >= 9.5 s")]
    [InlineData("weighted pull-up >= 3 x 8 at +10 % bm", "weighted pull-up >= 3 x 8 at +10 % bm")]
    [InlineData("weighted pull-up >= +2.5 lb x 3", "weighted pull-up >= +2.5 lb x 3")]
    [InlineData("negative muscle-up >= 3 x 3 x 3 s", "negative muscle-up >= 3 x 3 x 3 s")]
    [InlineData("l-sit >= 20 s", "L-sit >= 20 s")]
    [InlineData(
        "pull-up >= 1 rep or pull-up >= 2 reps and chin-up >= 3 reps",
        "pull-up >= 1 rep or pull-up >= 2 reps and chin-up >= 3 reps"
    )]
    public void Gates_are_read_tolerantly_and_written_in_one_way(string text, string canonical) =>
        Assert.Equal(canonical, GatePrinter.Print(Results.Gate(text), Names));

    [Fact]
    public void And_binds_closer_than_or() =>
        Assert.IsType<AnyOf>(Results.Gate("pull-up >= 1 rep or pull-up >= 2 reps and chin-up >= 3 reps"));

    [Theory]
    [InlineData("", GateFault.ExpectedName, 0)]
    [InlineData("flying carpet >= 3 reps", GateFault.UnknownName, 0)]
    [InlineData("pull-up 10 reps", GateFault.ExpectedAtLeast, 8)]
    [InlineData("pull-up >= many", GateFault.ExpectedFigure, 11)]
    [InlineData("pull-up >= 10", GateFault.ExpectedFigure, 13)]
    [InlineData("pull-up >= 10 furlongs", GateFault.ExpectedFigure, 14)]
    [InlineData("pull-up >= 10 s", GateFault.WrongMeasure, 11)]
    [InlineData("tuck front lever >= 3 reps", GateFault.WrongMeasure, 20)]
    [InlineData("pull-up >= 0 reps", GateFault.OutOfRange, 11)]
    [InlineData("pull-up >= -5 reps", GateFault.UnknownCharacter, 11)]
    [InlineData("pull-up >= 2.5 reps", GateFault.OutOfRange, 11)]
    [InlineData("pull-up >= 999999999999999999999 reps", GateFault.OutOfRange, 11)]
    [InlineData("pull-up >= 12..10 reps", GateFault.RangeReversed, 15)]
    [InlineData("pull-up >= 10 reps chin-up >= 3 reps", GateFault.ExpectedJoin, 19)]
    [InlineData("(pull-up >= 10 reps", GateFault.BracketOpen, 0)]
    [InlineData("pull-up >= 10 reps)", GateFault.BracketOpen, 18)]
    [InlineData("pull-up >= 10 reps and", GateFault.ExpectedName, 22)]
    [InlineData("one-arm hang >= 10 s", GateFault.Sides, 0)]
    [InlineData("pull-up >= 10 reps each side", GateFault.Sides, 0)]
    [InlineData("pull-up capacity >= 5 x 20 within 5:99", GateFault.OutOfRange, 36)]
    [InlineData("((((((((((pull-up >= 1 rep))))))))))", GateFault.TooDeep, 8)]
    public void Errors_say_what_and_where(string text, GateFault fault, int start)
    {
        var error = GateParser.Parse(text, Names).Error;
        Assert.NotNull(error);
        Assert.Equal((fault, start), (error.Fault, error.Start));
        Assert.InRange(error.Start + error.Length, 0, text.Length);
    }

    [Theory]
    [InlineData(4000, null)]
    [InlineData(4001, GateFault.TooLong)]
    [InlineData(120_000, GateFault.TooLong)]
    public void A_gate_has_at_most_four_thousand_characters(int length, GateFault? fault) =>
        Assert.Equal(fault, GateParser.Parse("pull-up >= 10 reps".PadRight(length), Names).Error?.Fault);

    [Fact]
    public void No_text_makes_the_parser_throw() =>
        Gen.OneOf(
                Gen.String,
                Gen.Int[0, Words.Length - 1].Array[0, 14].Select(w => string.Join(' ', w.Select(i => Words[i])))
            )
            .Sample(
                text =>
                    Assert.True(
                        GateParser.Parse(text, Names) is { Expression: null }
                            != GateParser.Parse(text, Names) is { Error: null }
                    ),
                iter: 20000
            );

    [Fact]
    public void A_changed_copy_of_a_gate_knows_nothing_of_the_original()
    {
        var term = new GateTerm("pull-up-max", new RepsTarget(1, 8, 8));
        var hash = (term.GetHashCode(), term.Terms[0]);
        var other = term with { Target = new RepsTarget(1, 12, 12) };
        Assert.Equal(12, ((RepsTarget)other.Terms[0].Target).Reps);
        Assert.Equal(new GateTerm("pull-up-max", new RepsTarget(1, 12, 12)).GetHashCode(), other.GetHashCode());
        Assert.Equal(hash, (term.GetHashCode(), term));
        var all = new AllOf([term]);
        Assert.Equal([term], all.Terms);
        Assert.Equal([other], (all with { Parts = [other] }).Terms);
        Assert.Equal([other], (new AnyOf([term]) with { Parts = [other] }).Terms);
    }
}
