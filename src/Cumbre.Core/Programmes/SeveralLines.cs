using System.Text.RegularExpressions;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;

namespace Cumbre.Core.Programmes;

/// <summary>One line of a text, as an item of a session.</summary>
/// <param name="Text">As it stands in the text.</param>
/// <param name="Movement">Found in it; null: none, or several are as near.</param>
/// <param name="Candidates">Those that are near, the nearest first; empty where one was found.</param>
/// <param name="Line">What is left beside the movement: canonical where it can be read, the usual dose where nothing
/// is left.</param>
/// <param name="Error">Of the line; null: it can be read.</param>
/// <param name="Joined">Done in turn with the one before: A1 and A2.</param>
public sealed record FoundLine(
    string Text,
    Movement? Movement,
    IReadOnlyList<Movement> Candidates,
    string Line,
    NotationError? Error,
    bool Joined
);

/// <summary>
/// Reads a text of several lines, or of two columns, into items: a movement by one of its names anywhere in the line,
/// and the dose beside it. Headings, which hold neither, are told apart and not passed over in silence.
/// </summary>
public static partial class SeveralLines
{
    public const int LinesMaximum = 60;

    private const int CandidatesMaximum = 4;

    public static IReadOnlyList<FoundLine> Read(string text, OwnLine own)
    {
        var catalogue = own.Athlete.Atlas.Catalogue;
        var names = Names(catalogue);
        var found = new List<FoundLine>();
        string? group = null;
        foreach (
            var raw in text.Split(['\n', '\r'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
        )
        {
            if (found.Count == LinesMaximum)
                break;
            var label = Label().Match(raw);
            var letter = label.Groups["letter"].Success ? label.Groups["letter"].Value.ToUpperInvariant() : null;
            var joined = letter is not null && letter == group && label.Groups["number"].Success;
            group = letter;
            found.Add(One(raw, raw[label.Length..], joined, names, own));
        }

        return found;
    }

    private static FoundLine One(
        string text,
        string body,
        bool joined,
        IReadOnlyDictionary<string, Movement> names,
        OwnLine own
    )
    {
        var words = body.Split([' ', '\t', '|'], StringSplitOptions.RemoveEmptyEntries);
        for (var count = Math.Min(words.Length, NameWordsMost); count > 0; count--)
        for (var at = 0; at + count <= words.Length; at++)
        {
            if (!names.TryGetValue(Key(words[at..(at + count)]), out var movement))
                continue;
            var line = string.Join(
                ' ',
                words[..at].Reverse().SkipWhile(IsMark).Reverse().Concat(words[(at + count)..].SkipWhile(IsMark))
            );
            // Words that nobody knows beside a known name make another name of it.
            if (line.Length == 0 || char.IsAsciiDigit(line[0]) || own.Read(line).Error is not { Ways.Count: 0 })
                return Of(text, movement, [], line, joined, own);
        }

        var dose = Array.FindIndex(words, w => w.Any(char.IsAsciiDigit));
        var called = dose < 0 ? words : words[..dose];
        return Of(text, null, Near(called, names), dose < 0 ? "" : string.Join(' ', words[dose..]), joined, own);
    }

    private static FoundLine Of(
        string text,
        Movement? movement,
        IReadOnlyList<Movement> candidates,
        string line,
        bool joined,
        OwnLine own
    )
    {
        if (line.Length == 0)
            return new(
                text,
                movement,
                candidates,
                movement is null ? "" : NotationPrinter.Print(UsualDose.For(movement, own.Athlete)),
                null,
                joined
            );
        var read = own.Read(line);
        return new(
            text,
            movement,
            candidates,
            read.Plan is { } plan ? NotationPrinter.Print(plan) : line,
            read.Error,
            joined
        );
    }

    /// <summary>Movements that share most of the words.</summary>
    private static Movement[] Near(string[] words, IReadOnlyDictionary<string, Movement> names)
    {
        var said = Key(words).Split(' ', StringSplitOptions.RemoveEmptyEntries).ToHashSet(StringComparer.Ordinal);
        return said.Count == 0
            ? []
            :
            [
                .. names
                    .Select(n => (n.Value, Shared: Shares(n.Key.Split(' '), said)))
                    .Where(n => n.Shared > 0)
                    .GroupBy(n => n.Value, (m, all) => (Movement: m, Shared: all.Max(x => x.Shared)))
                    .OrderByDescending(n => n.Shared)
                    .ThenBy(n => n.Movement.Name.Length)
                    .ThenBy(n => n.Movement.Slug, StringComparer.Ordinal)
                    .Take(CandidatesMaximum)
                    .Select(n => n.Movement),
            ];
    }

    private static double Shares(string[] name, HashSet<string> said) =>
        2.0 * name.Count(said.Contains) / (name.Length + said.Count);

    private const int NameWordsMost = 8;

    private static Dictionary<string, Movement> Names(Catalogue catalogue)
    {
        var names = new Dictionary<string, Movement>(StringComparer.Ordinal);
        foreach (var movement in catalogue.Movements.Values)
            names.TryAdd(Key([movement.Name]), movement);
        // A name of one's own comes before another's alias.
        foreach (var movement in catalogue.Movements.Values)
        foreach (var alias in movement.Aliases.Append(movement.Slug))
            names.TryAdd(Key([alias]), movement);
        return names;
    }

    /// <summary>Case, hyphens, brackets and the plural do not matter.</summary>
    private static string Key(string[] words) =>
        string.Join(
            ' ',
            string.Join(' ', words)
                .ToLowerInvariant()
                .Split([' ', '-', '(', ')', ',', '.', ':', '\''], StringSplitOptions.RemoveEmptyEntries)
                .Select(w =>
                    w.Length > 2 && w.EndsWith('s') && !w.EndsWith("ss", StringComparison.Ordinal) ? w[..^1] : w
                )
        );

    /// <summary>A1, B), 2., a dash or a dot before the words.</summary>
    [GeneratedRegex(
        @"^(?:[-•*–]\s+|(?<letter>[A-Za-z])(?<number>\d)?[.):]\s*|(?<letter>[A-Z])(?<number>\d)\s+|\d{1,2}[.)]\s+)"
    )]
    private static partial Regex Label();

    /// <summary>What stands between a name and its dose.</summary>
    private static bool IsMark(string word) => word is "-" or "–" or "—" or ":" or "," or "=";
}
