using System.Globalization;

namespace Cumbre.Core.Lexing;

/// <summary>
/// Cuts what is typed into tokens: a whiteboard line, a gate, a cell of a test sheet. Any case, any spacing; comma and
/// point are decimal marks only between digits.
/// </summary>
public static class Lexer
{
    /// <summary>More digits than any figure of a line needs; a longer number is read as this many nines.</summary>
    private const int DigitsMaximum = 12;

    /// <summary>
    /// The tokens of a line, closed by one of kind <see cref="TokenKind.End"/>. Never fails: what it does not know is
    /// <see cref="TokenKind.Unknown"/>.
    /// </summary>
    public static IReadOnlyList<Token> Tokens(string line)
    {
        var tokens = new List<Token>();
        var at = 0;
        while (at < line.Length)
        {
            if (char.IsWhiteSpace(line[at]))
            {
                at++;
                continue;
            }

            var token = Next(line, at, afterNumber: tokens.Count > 0 && tokens[^1].Kind == TokenKind.Number);
            tokens.Add(token);
            at += token.Length;
        }

        tokens.Add(new(TokenKind.End, line.Length, 0, ""));
        return tokens;
    }

    private static Token Next(string line, int at, bool afterNumber)
    {
        var c = line[at];
        if (char.IsAsciiDigit(c))
            return Number(line, at);
        if (c == '.' && at + 1 < line.Length && line[at + 1] == '.')
            return new(TokenKind.Range, at, 2, "..");
        // After a number an x multiplies, even when a word follows at once, as in 2xdrop.
        if (c is 'x' or 'X' && (afterNumber || at + 1 >= line.Length || !char.IsLetter(line[at + 1])))
            return new(TokenKind.Times, at, 1, "x");
        if (char.IsLetter(c))
            return Word(line, at);
        if (c is '>' or '≥' && (c == '≥' || at + 1 < line.Length && line[at + 1] == '='))
            return new(TokenKind.AtLeast, at, c == '≥' ? 1 : 2, ">=");
        var kind = c switch
        {
            '×' or '*' => TokenKind.Times,
            '@' => TokenKind.At,
            '+' => TokenKind.Plus,
            '-' or '−' or '–' => TokenKind.Minus,
            '/' => TokenKind.Slash,
            ',' => TokenKind.Comma,
            '%' => TokenKind.Percent,
            ':' => TokenKind.Colon,
            '(' => TokenKind.Open,
            ')' => TokenKind.Close,
            '°' => TokenKind.Degrees,
            _ => TokenKind.Unknown,
        };
        var length = kind == TokenKind.Unknown && char.IsHighSurrogate(c) && at + 1 < line.Length ? 2 : 1;
        return new(kind, at, length, line.Substring(at, length));
    }

    private static Token Number(string line, int at)
    {
        var end = Digits(line, at);
        var whole = end;
        if (end + 1 < line.Length && line[end] is '.' or ',' && char.IsAsciiDigit(line[end + 1]))
            end = Digits(line, end + 1);
        var text = line[at..end];
        var value =
            whole - at > DigitsMaximum
                ? 999_999_999_999m
                : decimal.Parse(
                    text.Length > 24 ? text[..24].Replace(',', '.') : text.Replace(',', '.'),
                    NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture
                );
        return new(TokenKind.Number, at, end - at, text, Math.Round(value, 4), whole == end);
    }

    private static int Digits(string line, int at)
    {
        while (at < line.Length && char.IsAsciiDigit(line[at]))
            at++;
        return at;
    }

    private static Token Word(string line, int at)
    {
        if (string.Compare(line, at, "e1rm", 0, 4, StringComparison.OrdinalIgnoreCase) == 0)
            return new(TokenKind.Word, at, 4, "e1rm");
        var end = at;
        while (
            end < line.Length
            && (
                char.IsLetter(line[end])
                || (line[end] is '-' or '\'' && end > at && end + 1 < line.Length && char.IsLetter(line[end + 1]))
            )
        )
            end++;
        return new(TokenKind.Word, at, end - at, line[at..end].ToLowerInvariant());
    }
}
