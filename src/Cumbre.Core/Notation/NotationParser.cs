using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation.Forms;

namespace Cumbre.Core.Notation;

/// <summary>
/// Parses a whiteboard line into a structured plan. The grammar is in docs/notation.md; each method has its form.
/// </summary>
public static class NotationParser
{
    /// <summary>Longer lines are refused unread.</summary>
    public const int LineMaximum = 300;

    /// <summary>
    /// Never throws: the result holds a plan or an error with its place. A line in another spelling is read where it
    /// can mean one thing, and asked where it can mean several.
    /// </summary>
    /// <param name="line">As it was typed.</param>
    /// <param name="unit">Of a load that has none; null: it is asked, as coach and athlete differ.</param>
    public static NotationResult Parse(string line, MassUnit? unit = null)
    {
        var result = Strict(line);
        if (result.Error is not { Ways.Count: 0, Fault: not NotationFault.TooLong })
            return result;
        return Spellings.Of(line, unit) switch
        {
            [] => result,
            [var only] => result with { Plan = Strict(only).Plan, Error = null },
            var several => result with
            {
                Error = new(NotationFault.Ambiguous, 0, line.Length, [], null, null) { Ways = several },
            },
        };
    }

    /// <summary>The notation alone, without other spellings.</summary>
    public static NotationResult Strict(string line)
    {
        if (line.Length > LineMaximum)
            return new(
                null,
                new(NotationFault.TooLong, LineMaximum, line.Length - LineMaximum, [], null, LineMaximum),
                [],
                []
            );
        var tokens = Lexer.Tokens(line);
        var cursor = new Cursor(line, tokens);
        var plan = Line(cursor);
        return new(cursor.Failed ? null : plan, cursor.Error, tokens, cursor.OpenAtEnd);
    }

    private static Prescriptions.Prescription? Line(Cursor cursor)
    {
        if (FormTable.Leading(cursor.Current) is { } leading)
        {
            cursor.Skip();
            return leading.Parse(cursor, 1);
        }

        if (cursor.Current.Kind != TokenKind.Number)
        {
            // With a count before them these say more, so the count is what is asked for.
            cursor.Unexpected(
                Expectation.SetCount,
                Expectation.Top,
                Expectation.Drop,
                Expectation.Hold,
                Expectation.Negative,
                Expectation.Every,
                Expectation.Pyramid
            );
            return null;
        }

        var sets = cursor.Sets();
        cursor.Times();
        if (cursor.Failed)
            return null;
        if (FormTable.Counted(cursor.Current) is { } counted)
        {
            cursor.Skip();
            return counted.Parse(cursor, sets);
        }

        if (cursor.Current.Kind != TokenKind.Number)
        {
            cursor.Unexpected(
                Expectation.RepCount,
                Expectation.Drop,
                Expectation.RestPause,
                Expectation.Cluster,
                Expectation.Max,
                Expectation.Practice
            );
            return null;
        }

        return FormTable.Reps.Parse(cursor, sets);
    }
}
