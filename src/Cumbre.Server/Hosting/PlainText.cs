using System.Globalization;
using System.Text;

namespace Cumbre.Server.Hosting;

/// <summary>Text as people see it: a name that shows nothing, or turns the line around it, is none.</summary>
internal static class PlainText
{
    private const int ZeroWidthSpace = 0x200B,
        NonJoiner = 0x200C,
        Joiner = 0x200D,
        WordJoiner = 0x2060,
        ByteOrderMark = 0xFEFF,
        SoftHyphen = 0x00AD;

    /// <summary>
    /// Without what shows nothing: at the ends whatever it is, inside where it has no meaning.
    /// Joiners stay between letters, as Persian and many an emoji are written with them.
    /// </summary>
    public static string Seen(string text)
    {
        var runes = text.EnumerateRunes().Where(r => !IsNothing(r)).ToList();
        var from = runes.FindIndex(r => !IsBlank(r));
        var to = runes.FindLastIndex(r => !IsBlank(r));
        return from < 0 ? "" : string.Concat(runes.Skip(from).Take(to - from + 1));
    }

    /// <summary>Does it hold characters that control a machine or the direction of the line?</summary>
    public static bool Controls(string text) =>
        text.EnumerateRunes()
            .Any(r =>
                (Rune.GetUnicodeCategory(r) == UnicodeCategory.Control && r.Value is not ('\n' or '\r' or '\t'))
                || r.Value is (>= 0x202A and <= 0x202E) or (>= 0x2066 and <= 0x2069)
            );

    private static bool IsNothing(Rune rune) =>
        rune.Value is ZeroWidthSpace or WordJoiner or ByteOrderMark or SoftHyphen;

    private static bool IsBlank(Rune rune) => Rune.IsWhiteSpace(rune) || rune.Value is NonJoiner or Joiner;
}
