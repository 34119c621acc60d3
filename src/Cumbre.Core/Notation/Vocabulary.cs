using Cumbre.Core.Lexing;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>The words that lines are written with, in the notation and in other spellings.</summary>
public static class Vocabulary
{
    /// <summary>A shorter word is too near to too many.</summary>
    private const int LengthLeast = 3;

    private static readonly HashSet<string> Words =
    [
        .. """
            add added amrap and arm arms as at back backoff backoffs band bar best between bm body
            bodyweight both bottom box break breath breaths bw cluster cm do double doubles drop dynamic ea
            each ecc eccentric eccentrics emom erm every explosive explosively extra failure fast feet
            finger fingers first fists five for four gap grip hand hands hold holds in kg kgs kilo kilogram
            kilograms kilos last lb lbs left leg legs lower lowering many mass max maximum min mins minute
            minutes mixed mom neg negative negatives no number of off on only over pads parallettes parts
            pause pct per percent pieces plus possible pound pounds practice pyramid rep repetition
            repetitions reps reserve rest restpause right rir rm round rounds rpe s sec second seconds secs
            set sets side sides single singles strap stretch tank tempo the then three time times to top
            triple triples two unbroken weight with within
            """.Split([' ', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries),
        .. Enum.GetNames<Grip>().Select(g => g.ToLowerInvariant()),
        .. Enum.GetNames<Benchmarks.Contact>().Select(g => g.ToLowerInvariant()),
    ];

    public static bool Knows(string word) => Words.Contains(word);

    /// <summary>
    /// May a counted load be called so? Not by a word of lines, and not by what is rather a unit with a slip in it,
    /// like "kgg".
    /// </summary>
    public static bool CanBeAPiece(string word) =>
        word.Length >= LengthLeast && !Knows(word) && word.Any(c => !char.IsAscii(c) || "aeiouy".Contains(c));

    /// <summary>May a band be called so? "Medium" is as often a band as a grip.</summary>
    public static bool CanBeABand(string word) =>
        word.Length >= LengthLeast && (!Knows(word) || Enum.TryParse<Grip>(word, ignoreCase: true, out _));

    /// <summary>The line with every unknown word spelled as the one known word that is nearest to it.</summary>
    public static string Spelled(string line)
    {
        foreach (
            var token in Lexer.Tokens(line).Where(t => t is { Kind: TokenKind.Word, Length: >= LengthLeast }).Reverse()
        )
        {
            if (!Knows(token.Text) && Nearest(token.Text) is { } known)
                line = line[..token.Start] + known + line[(token.Start + token.Length)..];
        }

        return line;
    }

    /// <summary>
    /// One slip in a short word, two in a longer one. Of words that are as near, the one of the same letters comes
    /// first, then of the same beginning, then of the same length; null: none is so near, or several are as good.
    /// </summary>
    private static string? Nearest(string word)
    {
        var slips = word.Length > 4 ? 2 : 1;
        var near = Words
            .Where(w => w.Length >= LengthLeast && Math.Abs(w.Length - word.Length) <= slips)
            .Select(w => (Word: w, Count: Slips.Between(word, w)))
            .Where(w => w.Count <= slips)
            .GroupBy(w =>
                (
                    w.Count,
                    !w.Word.Order().SequenceEqual(word.Order()),
                    w.Word[0] != word[0],
                    w.Word.Length != word.Length
                )
            )
            .MinBy(g => g.Key)
            ?.Select(w => w.Word)
            .ToArray();
        return near is [var only] ? only : null;
    }
}
