using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Benchmarks;

/// <summary>What a cell of a sheet says.</summary>
/// <param name="Score">What was counted.</param>
/// <param name="Added">The load; nothing for a test at body mass.</param>
/// <param name="Reserve">Reps left.</param>
public sealed record WrittenResult(Score Score, MassEntry Added, int Reserve);

/// <summary>
/// Reads a result as it is typed into a cell, by the measure of its test: <c>12</c>, <c>3 x 10</c>, <c>9.5</c>,
/// <c>1:05</c>, <c>chest x 5</c>, <c>+20 x 5</c>, <c>5 @ +20 kg</c>, <c>+20 kg x 5 r2</c>, <c>5 x 20 within 4:30</c>.
/// Comma and point are decimal marks; units may be left out. What is printed elsewhere can be read here.
/// </summary>
public static class ResultNotation
{
    /// <summary>Longer than any result.</summary>
    public const int LengthMaximum = 40;

    /// <param name="text">The cell; not empty.</param>
    /// <param name="measure">Of the test.</param>
    /// <param name="unit">In which a load without a unit is meant.</param>
    /// <returns>Null when it cannot be read.</returns>
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public static WrittenResult? Parse(string text, BenchmarkMeasure measure, MassUnit unit)
    {
        if (text.Length > LengthMaximum)
            return null;
        var reader = new TokenReader(Lexer.Tokens(text));
        var read = measure switch
        {
            BenchmarkMeasure.Reps => Reps(reader),
            BenchmarkMeasure.Seconds => Seconds(reader, 2),
            BenchmarkMeasure.SecondsPerDescent => Seconds(reader, 3),
            BenchmarkMeasure.ContactHeight => Height(reader),
            BenchmarkMeasure.Capacity => Capacity(reader),
            BenchmarkMeasure.Degrees => Degrees(reader),
            _ => Loaded(reader, unit),
        };
        // Whether its figures are plausible is asked of a whole result only.
        return reader.AtEnd ? read?.Invoke() : null;
    }

    /// <summary>An example of what a cell of this measure holds.</summary>
    public static string Example(BenchmarkMeasure measure) =>
        measure switch
        {
            BenchmarkMeasure.Reps => "12 or 3 x 10",
            BenchmarkMeasure.Seconds => "9.5 or 3 x 10",
            BenchmarkMeasure.SecondsPerDescent => "8 or 3 x 3 x 3",
            BenchmarkMeasure.ContactHeight => "chest x 5",
            BenchmarkMeasure.Capacity => "5 x 20 within 4:30",
            BenchmarkMeasure.Degrees => "95",
            _ => "+20 x 5, with 2 left: +20 x 5 r2",
        };

    /// <summary><c>[sets x] reps [reps]</c></summary>
    private static Func<WrittenResult>? Reps(TokenReader reader)
    {
        var counts = Figures(reader, 2);
        _ = reader.Take("reps") || reader.Take("rep");
        return counts.Count > 0 && AreWhole(counts) ? AtBodyMass(() => new(Whole(counts, 1), Whole(counts, 2))) : null;
    }

    /// <summary><c>[sets x] [descents x] seconds [s]</c>, or a clock for the seconds.</summary>
    private static Func<WrittenResult>? Seconds(TokenReader reader, int most)
    {
        var figures = Figures(reader, most);
        if (figures.Count == 0 || !AreWhole(figures.SkipLast(1)))
            return null;
        var seconds = figures[^1].Number;
        if (reader.Take(TokenKind.Colon))
        {
            if (!figures[^1].IsWhole || reader.TwoDigitSeconds() is not { } more)
                return null;
            seconds = seconds * 60 + more;
        }
        else
            reader.Take("s");

        return AtBodyMass(() => new(most == 3 ? Whole(figures, 2) : 1, Whole(figures, most), seconds));
    }

    /// <summary><c>chest [x reps]</c></summary>
    private static Func<WrittenResult>? Height(TokenReader reader)
    {
        if (
            reader.Current.Kind != TokenKind.Word
            || !Enum.TryParse<Contact>(reader.Current.Text, true, out var contact)
        )
            return null;
        reader.Skip();
        var counted = reader.Take(TokenKind.Times);
        var counts = counted ? Figures(reader, 1) : [];
        return AreWhole(counts) && counted == counts.Count > 0
            ? AtBodyMass(() => new(Whole(counts, 1), contact: contact))
            : null;
    }

    /// <summary><c>sets x reps within minutes[:seconds]</c></summary>
    private static Func<WrittenResult>? Capacity(TokenReader reader)
    {
        var counts = Figures(reader, 2);
        if (counts.Count < 2 || !(reader.Take("within") || reader.Take("in") || reader.Take(TokenKind.Slash)))
            return null;
        var minutes = Figures(reader, 1);
        if (minutes.Count == 0 || !AreWhole([.. counts, .. minutes]))
            return null;
        var seconds = reader.Take(TokenKind.Colon) ? reader.TwoDigitSeconds() : 0;
        return seconds is { } more
            ? AtBodyMass(() =>
                new(Whole(counts, 1), Whole(counts, 2), restSeconds: Math.Min(Whole(minutes, 1), 100_000) * 60 + more)
            )
            : null;
    }

    private static Func<WrittenResult>? Degrees(TokenReader reader)
    {
        var figures = Figures(reader, 1);
        _ = reader.Take(TokenKind.Degrees) || reader.Take("degrees") || reader.Take("degree");
        return figures.Count == 1 ? AtBodyMass(() => new(degrees: figures[0].Number)) : null;
    }

    /// <summary>
    /// <c>load x [sets x] reps [reserve]</c>, or <c>[sets x] reps @ load [reserve]</c>, with "at" for the sign.
    /// </summary>
    private static Func<WrittenResult>? Loaded(TokenReader reader, MassUnit own)
    {
        var first = reader.Current;
        if (Load(reader, own) is not { } load)
            return null;
        var isPlain = first.Kind == TokenKind.Number && reader.Previous == first;
        var counts = reader.Take(TokenKind.Times) ? Figures(reader, 2) : [];
        _ = reader.Take("reps");
        // Behind a load that stands first, an @ opens the reserve.
        if (isPlain && counts.Count < 2 && (reader.Take(TokenKind.At) || reader.Take("at")))
        {
            if (Load(reader, own) is not { } behind)
                return null;
            (counts, load) = ([first, .. counts], behind);
        }

        return counts.Count > 0 && AreWhole(counts) && Reserve(reader) is { } reserve
            ? () => new(new(Whole(counts, 1), Whole(counts, 2)), load, reserve)
            : null;
    }

    private static MassEntry? Load(TokenReader reader, MassUnit own)
    {
        if (reader.Take("bw") || reader.Take("bm"))
            return new(0, own);
        var sign = reader.Take(TokenKind.Minus) ? -1 : 1;
        if (sign > 0)
            reader.Take(TokenKind.Plus);
        if (!reader.Take(TokenKind.Number))
            return null;
        var value = sign * reader.Previous.Number;
        return new(
            value,
            reader.Take("kg") ? MassUnit.Kg
                : reader.Take("lb") || reader.Take("lbs") ? MassUnit.Lb
                : own
        );
    }

    /// <summary><c>r2</c>, <c>rir 2</c>, <c>2 rir</c>, <c>with 2 left</c>, <c>2 in reserve</c>; 0 at the end; null:
    /// something else.</summary>
    private static int? Reserve(TokenReader reader)
    {
        if (reader.AtEnd)
            return 0;
        _ = reader.Take(TokenKind.Comma) || reader.Take(TokenKind.At);
        var named = reader.Take("r") || reader.Take("rir") || reader.Take("with");
        var figure = Figures(reader, 1);
        named |= reader.Take("rir") || reader.Take("left") || (reader.Take("in") && reader.Take("reserve"));
        return named && figure.Count == 1 && AreWhole(figure) ? Whole(figure, 1) : null;
    }

    /// <summary>Numbers with a times sign between them; empty: none, or a sign without its number.</summary>
    private static List<Token> Figures(TokenReader reader, int most)
    {
        var figures = new List<Token>();
        do
        {
            if (!reader.Take(TokenKind.Number))
                return [];
            figures.Add(reader.Previous);
        } while (figures.Count < most && reader.Take(TokenKind.Times));
        return figures;
    }

    private static bool AreWhole(IEnumerable<Token> figures) => figures.All(f => f.IsWhole);

    /// <summary>The figure that stands so far from the end, from 1; 1 where none does. A number longer than an int is
    /// out of every range.</summary>
    private static int Whole(IReadOnlyList<Token> figures, int fromEnd) =>
        figures.Count >= fromEnd ? (int)Math.Min(figures[^fromEnd].Number, int.MaxValue) : 1;

    private static Func<WrittenResult> AtBodyMass(Func<Score> score) => () => new(score(), MassEntry.Kg(0), 0);
}
