using Cumbre.Core.Benchmarks;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>
/// Reads a gate, for instance <c>pull-up >= 10..12 reps and (dip >= 10 reps or weighted dip >= +10 % bm x 1)
/// </c>. <c>and</c>
/// binds closer than <c>or</c>. docs/gates.md has the grammar.
/// </summary>
public static class GateParser
{
    /// <summary>Brackets within brackets.</summary>
    public const int DepthMaximum = 8;

    /// <summary>Characters: forty times the longest gate of the ladders that ship.</summary>
    public const int LengthMaximum = 4000;

    /// <param name="text">The gate.</param>
    /// <param name="benchmarks">The benchmarks that may be named.</param>
    public static ParsedGate Parse(string text, BenchmarkNames benchmarks)
    {
        if (text.Length > LengthMaximum)
            return new(null, new(GateFault.TooLong, LengthMaximum, text.Length - LengthMaximum));
        try
        {
            return new(new Parser(new(Tokens(text)), benchmarks).Whole(), null);
        }
        catch (GateException e)
        {
            return new(null, e.Error);
        }
    }

    /// <summary>The tokens of the text, if a gate may hold each of them.</summary>
    private static IReadOnlyList<Token> Tokens(string text)
    {
        var tokens = Lexer.Tokens(text);
        foreach (var token in tokens)
        {
            if (
                token.Kind
                is TokenKind.At
                    or TokenKind.Minus
                    or TokenKind.Slash
                    or TokenKind.Comma
                    or TokenKind.Degrees
                    or TokenKind.Unknown
            )
                throw new GateException(new(GateFault.UnknownCharacter, token.Start, token.Length));
        }

        return tokens;
    }

    private sealed class GateException(GateError error) : Exception
    {
        public GateError Error { get; } = error;
    }

    private sealed class Parser(TokenReader tokens, BenchmarkNames benchmarks)
    {
        public GateExpression Whole()
        {
            var expression = Or(0);
            if (!tokens.AtEnd)
                throw Fail(tokens.Current.Kind == TokenKind.Close ? GateFault.BracketOpen : GateFault.ExpectedJoin);
            return expression;
        }

        private GateExpression Or(int depth) => Joined("or", () => And(depth), parts => new AnyOf(parts));

        private GateExpression And(int depth) => Joined("and", () => Atom(depth), parts => new AllOf(parts));

        private GateExpression Joined(
            string word,
            Func<GateExpression> part,
            Func<IReadOnlyList<GateExpression>, GateExpression> join
        )
        {
            var parts = new List<GateExpression> { part() };
            while (tokens.Take(word))
                parts.Add(part());
            return parts is [var only] ? only : join(parts);
        }

        private GateExpression Atom(int depth)
        {
            if (tokens.Current.Kind != TokenKind.Open)
                return Term();
            if (depth == DepthMaximum)
                throw Fail(GateFault.TooDeep);
            var open = tokens.Current;
            tokens.Skip();
            var inner = Or(depth + 1);
            return tokens.Take(TokenKind.Close) ? inner : throw At(open, GateFault.BracketOpen);
        }

        private GateTerm Term()
        {
            var words = new List<Token>();
            while (tokens.Current is { Kind: TokenKind.Word, Text: not ("and" or "or") } word)
            {
                words.Add(word);
                tokens.Skip();
            }

            if (words.Count == 0)
                throw Fail(GateFault.ExpectedName);
            var name = string.Join(' ', words.Select(w => w.Text));
            var written = tokens.Span(words[0]);
            if (benchmarks.Find(name) is not { } benchmark)
                throw At(written, GateFault.UnknownName, name);
            if (!tokens.Take(TokenKind.AtLeast))
                throw Fail(GateFault.ExpectedAtLeast, benchmark.Name);
            var figure = tokens.Current;
            var target = Figure(benchmark);
            if (!target.Fits(benchmark.Measure))
                throw At(tokens.Span(figure), GateFault.WrongMeasure, benchmark.Name);
            var eachSide = tokens.Take("each");
            if (eachSide && !tokens.Take("side"))
                throw Fail(GateFault.Sides, benchmark.Name);
            if (eachSide != benchmark.EachSide)
                throw At(written, GateFault.Sides, benchmark.Name);
            return new(benchmark.Slug, target, eachSide);
        }

        private Target Figure(Benchmark benchmark)
        {
            if (
                tokens.Current.Kind == TokenKind.Word
                && Enum.TryParse<Contact>(tokens.Current.Text, ignoreCase: true, out var contact)
            )
            {
                tokens.Skip();
                Expect(TokenKind.Times, benchmark);
                return new ContactTarget(contact, Whole(benchmark, Limits.RepsMaximum));
            }

            if (tokens.Current.Kind == TokenKind.Plus)
            {
                var (percent, load) = Load(benchmark);
                Expect(TokenKind.Times, benchmark);
                return new LoadTarget(percent, load, 1, Whole(benchmark, Limits.RepsMaximum));
            }

            var numbers = new List<Token> { Number(benchmark) };
            while (numbers.Count < 3 && tokens.Take(TokenKind.Times))
                numbers.Add(Number(benchmark));
            return Rest(benchmark, numbers);
        }

        private Target Rest(Benchmark benchmark, List<Token> numbers)
        {
            var sets = numbers.Count > 1 ? AsWhole(benchmark, numbers[0], Limits.SetsMaximum) : 1;
            if (tokens.Take("at"))
            {
                var (percent, load) = Load(benchmark);
                return new LoadTarget(percent, load, sets, AsWhole(benchmark, numbers[^1], Limits.RepsMaximum));
            }

            if (tokens.Take("within"))
                return new CapacityTarget(sets, AsWhole(benchmark, numbers[^1], Limits.RepsMaximum), Clock(benchmark));
            var upper = tokens.Take(TokenKind.Range) ? Number(benchmark) : numbers[^1];
            if (upper.Number < numbers[^1].Number)
                throw At(upper, GateFault.RangeReversed, benchmark.Name);
            if (tokens.Take("s"))
            {
                var reps = numbers.Count == 3 ? AsWhole(benchmark, numbers[1], Limits.RepsMaximum) : 1;
                return new SecondsTarget(
                    sets,
                    reps,
                    InRange(benchmark, numbers[^1], Limits.SecondsMinimum, Limits.SecondsMaximum),
                    upper.Number
                );
            }

            if (tokens.Take("degrees") || tokens.Take("degree"))
                return new DegreesTarget(
                    AsWhole(benchmark, numbers[^1], (int)Limits.DegreesMaximum, (int)Limits.DegreesMinimum)
                );
            if (numbers.Count < 3 && (tokens.Take("reps") || tokens.Take("rep")))
                return new RepsTarget(
                    sets,
                    AsWhole(benchmark, numbers[^1], Limits.RepsMaximum),
                    AsWhole(benchmark, upper, Limits.RepsMaximum)
                );
            throw Fail(GateFault.ExpectedFigure, benchmark.Name);
        }

        private (decimal? Percent, MassEntry? Load) Load(Benchmark benchmark)
        {
            Expect(TokenKind.Plus, benchmark);
            var number = Number(benchmark);
            if (tokens.Take(TokenKind.Percent))
            {
                if (!tokens.Take("bm"))
                    throw Fail(GateFault.ExpectedFigure, benchmark.Name);
                return (InRange(benchmark, number, 0.1m, 300), null);
            }

            var unit =
                tokens.Take("kg") ? MassUnit.Kg
                : tokens.Take("lb") ? MassUnit.Lb
                : throw Fail(GateFault.ExpectedFigure, benchmark.Name);
            return (null, new MassEntry(InRange(benchmark, number, 0.1m, Limits.AddedLoadMaximum), unit));
        }

        private int Clock(Benchmark benchmark)
        {
            var minute = Number(benchmark);
            var minutes = AsWhole(benchmark, minute, Limits.RestMaximum / 60, 0);
            Expect(TokenKind.Colon, benchmark);
            return minutes * 60
                + (tokens.TwoDigitSeconds() ?? throw At(Number(benchmark), GateFault.OutOfRange, benchmark.Name));
        }

        private int Whole(Benchmark benchmark, int maximum) => AsWhole(benchmark, Number(benchmark), maximum);

        private static int AsWhole(Benchmark benchmark, Token number, int maximum, int minimum = 1) =>
            number.Number == decimal.Truncate(number.Number)
                ? (int)InRange(benchmark, number, minimum, maximum)
                : throw At(number, GateFault.OutOfRange, benchmark.Name);

        private static decimal InRange(Benchmark benchmark, Token number, decimal minimum, decimal maximum) =>
            number.Number >= minimum && number.Number <= maximum
                ? number.Number
                : throw At(number, GateFault.OutOfRange, benchmark.Name);

        private Token Number(Benchmark benchmark)
        {
            Expect(TokenKind.Number, benchmark);
            return tokens.Previous;
        }

        private void Expect(TokenKind kind, Benchmark benchmark)
        {
            if (!tokens.Take(kind))
                throw Fail(GateFault.ExpectedFigure, benchmark.Name);
        }

        private GateException Fail(GateFault fault, string? name = null) => At(tokens.Current, fault, name);

        private static GateException At(Token place, GateFault fault, string? name = null) =>
            new(new(fault, place.Start, place.Length, name));
    }
}
