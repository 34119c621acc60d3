using System.Globalization;
using Cumbre.Core.Benchmarks;
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

    /// <param name="text">The gate.</param>
    /// <param name="benchmarks">The benchmarks that may be named.</param>
    public static ParsedGate Parse(string text, BenchmarkNames benchmarks)
    {
        try
        {
            var parser = new Parser(Scan(text), text.Length, benchmarks);
            return new(parser.Whole(), null);
        }
        catch (GateException e)
        {
            return new(null, e.Error);
        }
    }

    private static List<Piece> Scan(string text)
    {
        var pieces = new List<Piece>();
        for (var i = 0; i < text.Length; )
        {
            var c = text[i];
            if (char.IsWhiteSpace(c))
            {
                i++;
                continue;
            }

            var start = i;
            if (char.IsAsciiDigit(c))
            {
                while (
                    i < text.Length
                    && (
                        char.IsAsciiDigit(text[i])
                        || (
                            text[i] == '.'
                            && i + 1 < text.Length
                            && char.IsAsciiDigit(text[i + 1])
                            && text[i - 1] != '.'
                        )
                    )
                )
                    i++;
                pieces.Add(new(PieceKind.Number, text[start..i], start));
            }
            else if (char.IsLetter(c))
            {
                while (
                    i < text.Length
                    && (
                        char.IsLetter(text[i])
                        || (text[i] is '-' or '\'' && i + 1 < text.Length && char.IsLetter(text[i + 1]))
                    )
                )
                    i++;
                pieces.Add(new(PieceKind.Word, text[start..i].ToLowerInvariant(), start));
            }
            else
            {
                var symbol = text[i..] switch
                {
                    ['>', '=', ..] or ['.', '.', ..] => text[i..(i + 2)],
                    ['≥', ..] => ">=",
                    ['×', ..] => "x",
                    ['(' or ')' or '+' or '%' or ':', ..] => c.ToString(),
                    _ => throw new GateException(new(GateFault.UnknownCharacter, i, 1)),
                };
                i += c is '≥' or '×' ? 1 : symbol.Length;
                pieces.Add(new(symbol == "x" ? PieceKind.Word : PieceKind.Symbol, symbol, start));
            }
        }

        return pieces;
    }

    private enum PieceKind
    {
        Word,
        Number,
        Symbol,
    }

    private readonly record struct Piece(PieceKind Kind, string Text, int Start);

    private sealed class GateException(GateError error) : Exception
    {
        public GateError Error { get; } = error;
    }

    private sealed class Parser(List<Piece> pieces, int end, BenchmarkNames benchmarks)
    {
        private int at;

        public GateExpression Whole()
        {
            var expression = Or(0);
            if (at < pieces.Count)
                throw Fail(Is(")") ? GateFault.BracketOpen : GateFault.ExpectedJoin);
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
            while (Take(word))
                parts.Add(part());
            return parts is [var only] ? only : join(parts);
        }

        private GateExpression Atom(int depth)
        {
            if (!Is("("))
                return Term();
            if (depth == DepthMaximum)
                throw Fail(GateFault.TooDeep);
            var open = pieces[at++];
            var inner = Or(depth + 1);
            return Take(")") ? inner : throw new GateException(new(GateFault.BracketOpen, open.Start, 1));
        }

        private GateTerm Term()
        {
            var first = at;
            while (at < pieces.Count && pieces[at].Kind == PieceKind.Word && pieces[at].Text is not ("and" or "or"))
                at++;
            if (at == first)
                throw Fail(GateFault.ExpectedName);
            var name = string.Join(' ', pieces[first..at].Select(p => p.Text));
            var (start, length) = (
                pieces[first].Start,
                pieces[at - 1].Start + pieces[at - 1].Text.Length - pieces[first].Start
            );
            if (benchmarks.Find(name) is not { } benchmark)
                throw new GateException(new(GateFault.UnknownName, start, length, name));
            if (!Take(">="))
                throw Fail(GateFault.ExpectedAtLeast, benchmark.Name);
            var figure = at;
            var target = Figure(benchmark);
            if (!target.Fits(benchmark.Measure))
                throw new GateException(
                    new(
                        GateFault.WrongMeasure,
                        pieces[figure].Start,
                        pieces[at - 1].Start + pieces[at - 1].Text.Length - pieces[figure].Start,
                        benchmark.Name
                    )
                );
            var eachSide = Take("each");
            if (eachSide && !Take("side"))
                throw Fail(GateFault.Sides, benchmark.Name);
            if (eachSide != benchmark.EachSide)
                throw new GateException(new(GateFault.Sides, start, length, benchmark.Name));
            return new(benchmark.Slug, target, eachSide);
        }

        private Target Figure(Benchmark benchmark)
        {
            if (
                at < pieces.Count
                && pieces[at].Kind == PieceKind.Word
                && Enum.TryParse<Contact>(pieces[at].Text, ignoreCase: true, out var contact)
            )
            {
                at++;
                Expect("x", benchmark);
                return new ContactTarget(contact, Whole(benchmark, Limits.RepsMaximum));
            }

            if (Is("+"))
            {
                var (percent, load) = Load(benchmark);
                Expect("x", benchmark);
                return new LoadTarget(percent, load, 1, Whole(benchmark, Limits.RepsMaximum));
            }

            var numbers = new List<(decimal Value, int At)> { Number(benchmark) };
            while (numbers.Count < 3 && Take("x"))
                numbers.Add(Number(benchmark));
            return Rest(benchmark, numbers);
        }

        private Target Rest(Benchmark benchmark, List<(decimal Value, int At)> numbers)
        {
            var sets = numbers.Count > 1 ? AsWhole(benchmark, numbers[0], Limits.SetsMaximum) : 1;
            if (Take("at"))
            {
                var (percent, load) = Load(benchmark);
                return new LoadTarget(percent, load, sets, AsWhole(benchmark, numbers[^1], Limits.RepsMaximum));
            }

            if (Take("within"))
                return new CapacityTarget(sets, AsWhole(benchmark, numbers[^1], Limits.RepsMaximum), Clock(benchmark));
            var upper = Take("..") ? Number(benchmark) : numbers[^1];
            if (upper.Value < numbers[^1].Value)
                throw new GateException(
                    new(GateFault.RangeReversed, pieces[upper.At].Start, pieces[upper.At].Text.Length, benchmark.Name)
                );
            if (Take("s"))
            {
                var reps = numbers.Count == 3 ? AsWhole(benchmark, numbers[1], Limits.RepsMaximum) : 1;
                return new SecondsTarget(
                    sets,
                    reps,
                    InRange(benchmark, numbers[^1], Limits.SecondsMinimum, Limits.SecondsMaximum),
                    upper.Value
                );
            }

            if (Take("degrees") || Take("degree"))
                return new DegreesTarget(
                    (int)InRange(
                        benchmark,
                        (AsWhole(benchmark, numbers[^1], int.MaxValue), numbers[^1].At),
                        Limits.DegreesMinimum,
                        Limits.DegreesMaximum
                    )
                );
            if (numbers.Count < 3 && (Take("reps") || Take("rep")))
                return new RepsTarget(
                    sets,
                    AsWhole(benchmark, numbers[^1], Limits.RepsMaximum),
                    AsWhole(benchmark, upper, Limits.RepsMaximum)
                );
            throw Fail(GateFault.ExpectedFigure, benchmark.Name);
        }

        private (decimal? Percent, MassEntry? Load) Load(Benchmark benchmark)
        {
            Expect("+", benchmark);
            var number = Number(benchmark);
            if (Take("%"))
            {
                Expect("bm", benchmark);
                return (InRange(benchmark, number, 0.1m, 300), null);
            }

            var unit =
                Take("kg") ? MassUnit.Kg
                : Take("lb") ? MassUnit.Lb
                : throw Fail(GateFault.ExpectedFigure, benchmark.Name);
            return (null, new MassEntry(InRange(benchmark, number, 0.1m, Limits.AddedLoadMaximum), unit));
        }

        private int Clock(Benchmark benchmark)
        {
            var minute = Number(benchmark);
            var minutes = minute.Value == 0 ? 0 : AsWhole(benchmark, minute, Limits.RestMaximum / 60);
            Expect(":", benchmark);
            var (seconds, place) = Number(benchmark);
            if (pieces[place].Text.Length != 2 || seconds > 59)
                throw new GateException(
                    new(GateFault.OutOfRange, pieces[place].Start, pieces[place].Text.Length, benchmark.Name)
                );
            return minutes * 60 + (int)seconds;
        }

        private int Whole(Benchmark benchmark, int maximum) => AsWhole(benchmark, Number(benchmark), maximum);

        private int AsWhole(Benchmark benchmark, (decimal Value, int At) number, int maximum) =>
            (int)InRange(
                benchmark,
                number.Value == decimal.Truncate(number.Value) ? number : (0, number.At),
                1,
                maximum
            );

        private decimal InRange(
            Benchmark benchmark,
            (decimal Value, int At) number,
            decimal minimum,
            decimal maximum
        ) =>
            number.Value >= minimum && number.Value <= maximum
                ? number.Value
                : throw new GateException(
                    new(GateFault.OutOfRange, pieces[number.At].Start, pieces[number.At].Text.Length, benchmark.Name)
                );

        private (decimal Value, int At) Number(Benchmark benchmark)
        {
            if (at >= pieces.Count || pieces[at].Kind != PieceKind.Number)
                throw Fail(GateFault.ExpectedFigure, benchmark.Name);
            // A number longer than a decimal holds is out of every range.
            var value =
                pieces[at].Text.Length <= 12
                    ? decimal.Parse(pieces[at].Text, CultureInfo.InvariantCulture)
                    : decimal.MaxValue;
            return (value, at++);
        }

        private bool Is(string text) => at < pieces.Count && pieces[at].Text == text;

        private bool Take(string text)
        {
            if (!Is(text))
                return false;
            at++;
            return true;
        }

        private void Expect(string text, Benchmark benchmark)
        {
            if (!Take(text))
                throw Fail(GateFault.ExpectedFigure, benchmark.Name);
        }

        private GateException Fail(GateFault fault, string? name = null) =>
            new(
                at < pieces.Count
                    ? new(fault, pieces[at].Start, pieces[at].Text.Length, name)
                    : new(fault, end, 0, name)
            );
    }
}
