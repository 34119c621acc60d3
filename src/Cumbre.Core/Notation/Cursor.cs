using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Notation;

/// <summary>
/// Walks over the tokens of a line. After the first error every method returns at once, and the error stays.
/// </summary>
internal sealed class Cursor(string line, IReadOnlyList<Token> tokens) : TokenReader(tokens)
{
    private static readonly CultureInfo I = CultureInfo.InvariantCulture;

    private readonly List<Expectation> openAtEnd = [];

    public NotationError? Error { get; private set; }

    public bool Failed => Error is not null;

    /// <summary>What a line that is whole may still go on with.</summary>
    public IReadOnlyList<Expectation> OpenAtEnd => openAtEnd;

    /// <summary>Notes what may follow here, for whoever types on.</summary>
    public void MayFollow(IEnumerable<Expectation> expected)
    {
        if (Error is null && AtEnd)
            openAtEnd.AddRange(expected);
    }

    public override bool Take(TokenKind kind) => Error is null && base.Take(kind);

    public override bool Take(string word) => Error is null && base.Take(word);

    public bool Require(TokenKind kind, params Expectation[] expected)
    {
        if (Take(kind))
            return true;
        Unexpected(expected);
        return false;
    }

    public bool Require(string word, params Expectation[] expected)
    {
        if (Take(word))
            return true;
        Unexpected(expected);
        return false;
    }

    public int Sets() => Whole(Expectation.SetCount, Limits.SetsMinimum, Limits.SetsMaximum);

    public int Reps() => Whole(Expectation.RepCount, Limits.RepsMinimum, Limits.RepsMaximum);

    /// <summary><c>8</c> or <c>8..10</c>; equal without a range.</summary>
    public (int Low, int High) RepRange()
    {
        var low = Reps();
        if (Failed || !Take(TokenKind.Range))
            return (low, low);
        var at = Current;
        var high = Reps();
        if (!Failed && high <= low)
            Fail(NotationFault.RangeReversed, at, [Expectation.RepCount], low + 1, Limits.RepsMaximum);
        return (low, high);
    }

    public void Times(Expectation behind = Expectation.Times) => Require(TokenKind.Times, behind);

    /// <summary>Whole numbers between marks of one kind; the count is checked against its range.</summary>
    public int[] Series(TokenKind mark, Expectation expected, int minimum, int maximum)
    {
        var first = Current;
        var read = new List<int> { Reps() };
        while (Error is null && Take(mark))
            read.Add(Reps());
        if (Error is null && read.Count < minimum)
            Unexpected(expected);
        else if (read.Count > maximum)
            Fail(NotationFault.OutOfRange, Span(first), [expected], minimum, maximum);
        return [.. read];
    }

    public int Whole(Expectation expected, int minimum, int maximum)
    {
        var at = Current;
        var value = Number(expected, minimum, maximum);
        if (Error is null && !at.IsWhole)
            Fail(NotationFault.NotWhole, at, [expected], minimum, maximum);
        return Error is null ? (int)value : minimum;
    }

    public decimal Number(Expectation expected, decimal minimum, decimal maximum)
    {
        var at = Current;
        var value = AnyNumber(expected);
        return Error is null && InRange(value, minimum, maximum, at, expected) ? value : minimum;
    }

    public decimal AnyNumber(Expectation expected)
    {
        if (Error is not null)
            return 0;
        if (Current.Kind != TokenKind.Number)
        {
            Unexpected(expected);
            return 0;
        }

        Skip();
        return Previous.Number;
    }

    /// <summary>A time in whole seconds: <c>2:30</c>, <c>90 s</c> or <c>2.5 min</c>.</summary>
    public int Duration(Expectation expected, int minimum, int maximum)
    {
        var at = Current;
        var value = AnyNumber(expected);
        if (Error is not null)
            return minimum;
        decimal seconds;
        if (Take(TokenKind.Colon))
        {
            if (!at.IsWhole || TwoDigitSeconds() is not { } second)
            {
                Unexpected(Expectation.TwoDigitSeconds);
                return minimum;
            }

            seconds = value * 60 + second;
        }
        else if (Take("s"))
        {
            seconds = value;
        }
        else if (Take("min"))
        {
            seconds = value * 60;
            // "2.30 min" is rather half past two than 2.3 minutes: it is asked.
            if (
                at.Text.Length - at.Text.IndexOfAny(['.', ',']) == 3
                && !at.IsWhole
                && value % 1 < 0.6m
                && seconds <= maximum
            )
            {
                Fail(
                    NotationFault.Ambiguous,
                    Span(at),
                    [expected],
                    ways:
                    [
                        With(Span(at), string.Create(I, $"{(int)value}:{(int)(value % 1 * 100):00}")),
                        With(Span(at), string.Create(I, $"{(int)seconds / 60}:{(int)seconds % 60:00}")),
                    ]
                );
                return minimum;
            }
        }
        else
        {
            Unexpected(Expectation.DurationUnit);
            return minimum;
        }

        if (seconds != Math.Floor(seconds))
        {
            Fail(NotationFault.NotWhole, at, [expected]);
            return minimum;
        }

        return InRange(seconds, minimum, maximum, at, expected) ? (int)seconds : minimum;
    }

    /// <summary>-1 for a minus, else 1; a plus is taken.</summary>
    public int Sign()
    {
        if (Take(TokenKind.Minus))
            return -1;
        Take(TokenKind.Plus);
        return 1;
    }

    public MassUnit? TryUnit()
    {
        if (Take("kg"))
            return MassUnit.Kg;
        return Take("lb") || Take("lbs") ? MassUnit.Lb : null;
    }

    public bool InRange(decimal value, decimal minimum, decimal maximum, Token at, Expectation expected)
    {
        if (value >= minimum && value <= maximum)
            return true;
        Fail(NotationFault.OutOfRange, at, [expected], minimum, maximum);
        return false;
    }

    public bool InRange(MassEntry entry, decimal minimum, decimal maximum, Token at, Expectation expected)
    {
        if (entry.Mass.Kilograms >= minimum && entry.Mass.Kilograms <= maximum)
            return true;
        Fail(
            NotationFault.OutOfRange,
            at,
            [expected],
            Mass.FromKilograms(minimum).In(entry.Unit),
            Mass.FromKilograms(maximum).In(entry.Unit)
        );
        return false;
    }

    public void Unexpected(params Expectation[] expected) => Fail(NotationFault.Unexpected, Current, expected);

    public void Fail(
        NotationFault fault,
        Token at,
        Expectation[] expected,
        decimal? minimum = null,
        decimal? maximum = null,
        params string[] ways
    ) => Error ??= new(fault, at.Start, at.Length, expected, minimum, maximum) { Ways = ways };

    /// <summary>The line without a piece.</summary>
    public string Without(Token piece) =>
        $"{line[..piece.Start].TrimEnd()} {line[(piece.Start + piece.Length)..].TrimStart()}".Trim();

    /// <summary>The line with a piece written anew.</summary>
    public string With(Token piece, string text) => line[..piece.Start] + text + line[(piece.Start + piece.Length)..];

    /// <summary>The plan, unless something failed.</summary>
    [return: MaybeNull]
    public T Unless<T>(Func<T> made)
        where T : class => Error is null ? made() : null;
}
