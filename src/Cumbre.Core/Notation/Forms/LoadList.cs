using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Notation.Forms;

/// <summary>
/// Loads of several parts or sets: <c>+20 / +10 / 0 kg</c>, <c>+10, +15, +20 kg</c>. A unit counts for the loads before
/// it that have none.
/// </summary>
/// <param name="Open">The first token.</param>
/// <param name="Places">Of each load.</param>
/// <param name="Loads">As read, each 0 to 200 kg.</param>
internal sealed record LoadList(Token Open, IReadOnlyList<Token> Places, IReadOnlyList<MassEntry> Loads)
{
    /// <param name="cursor">At the first load.</param>
    /// <param name="mark">Between two loads.</param>
    /// <param name="next">What is expected where loads are missing.</param>
    /// <param name="count">As many must be there.</param>
    public static LoadList? Read(Cursor cursor, TokenKind mark, Expectation next, int count)
    {
        var open = cursor.Current;
        var read = new List<(Token At, decimal Value, MassUnit? Unit)>();
        do
        {
            cursor.Take(TokenKind.Plus);
            var at = cursor.Current;
            var value = cursor.AnyNumber(Expectation.Load);
            if (cursor.Failed)
                return null;
            read.Add((at, value, cursor.TryUnit()));
        } while (cursor.Take(mark));

        if (read[^1].Unit is null)
        {
            cursor.Unexpected(read.Count < count ? [next, Expectation.Unit] : [Expectation.Unit]);
            return null;
        }

        if (read.Count != count)
        {
            cursor.Fail(NotationFault.PartsDiffer, cursor.Span(open), [Expectation.Load], count, count);
            return null;
        }

        MassEntry[] loads =
        [
            .. read.Select((r, i) => new MassEntry(r.Value, read.Skip(i).First(x => x.Unit is not null).Unit!.Value)),
        ];
        return loads
            .Zip(read)
            .All(l => cursor.InRange(l.First, 0, Limits.AddedLoadMaximum, l.Second.At, Expectation.Load))
            ? new(open, [.. read.Select(r => r.At)], loads)
            : null;
    }
}
