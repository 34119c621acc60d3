using System.Security.Cryptography;
using System.Text;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Accounts;

/// <summary>
/// What a password must be: long, and not without end (OWASP ASVS 4.0, 2.1.1 and 2.1.2), and not one that everybody
/// tries first (2.1.7). Any character counts.
/// </summary>
internal static class Passwords
{
    public const int Minimum = 12,
        Maximum = 128;

    private const int HashBytes = 5;

    /// <summary>Of characters that follow on each other in the code or are the same.</summary>
    private const int PlainSteps = 2;

    private static readonly Lazy<byte[]> Common = new(() =>
    {
        using var stream = typeof(Passwords).Assembly.GetManifestResourceStream("common-passwords")!;
        var list = new byte[stream.Length];
        stream.ReadExactly(list);
        return list;
    });

    /// <summary>Null: it can be taken.</summary>
    /// <param name="password">As it was typed.</param>
    /// <param name="own">Words that everybody knows of its owner: their names, and the club's.</param>
    public static Message? Problem(string password, params IReadOnlyList<string> own) =>
        password.Length is < Minimum or > Maximum ? Words.PasswordShort(Minimum)
        : IsGuessed(password, own) ? Words.PasswordCommon
        : null;

    /// <summary>
    /// A common password or a known word, whatever digits and signs stand around it; the same piece again and again; a
    /// run of the keyboard's digits or of the alphabet.
    /// </summary>
    private static bool IsGuessed(string password, IReadOnlyList<string> own)
    {
        var typed = password.ToLowerInvariant();
        var core = typed.Trim([.. typed.Where(c => !char.IsLetter(c)).Distinct()]);
        return core.Length == 0 && typed.All(char.IsAsciiDigit)
            || IsRun(typed)
            || new[] { typed, core }
                .SelectMany(t => new[] { t, Piece(t) })
                .Any(t => IsCommon(t) || own.Any(o => t == Letters(o)));
    }

    /// <summary>Nearly every character follows on the one before, or is the same.</summary>
    private static bool IsRun(string text) =>
        text.Zip(text.Skip(1)).Count(p => Math.Abs(p.First - p.Second) > 1) <= PlainSteps;

    /// <summary>What is repeated to make the text; the text itself when nothing is.</summary>
    private static string Piece(string text) =>
        Enumerable
            .Range(1, text.Length / 2)
            .Where(n => text.Length % n == 0)
            .Select(n => text[..n])
            .FirstOrDefault(piece => string.Concat(Enumerable.Repeat(piece, text.Length / piece.Length)) == text)
        ?? text;

    private static string Letters(string text) => text.Trim().ToLowerInvariant();

    private static bool IsCommon(string text)
    {
        var list = Common.Value;
        var wanted = SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, HashBytes);
        int low = 0,
            high = list.Length / HashBytes - 1;
        while (low <= high)
        {
            var middle = (low + high) / 2;
            switch (list.AsSpan(middle * HashBytes, HashBytes).SequenceCompareTo(wanted))
            {
                case 0:
                    return true;
                case < 0:
                    low = middle + 1;
                    break;
                default:
                    high = middle - 1;
                    break;
            }
        }

        return false;
    }
}
