using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Notation;

/// <summary>
/// The lines nearest to one that cannot be read: a word spelled right, a missing mark put in, two figures the other
/// way round, or what nobody knows left out. Each is only offered, and only if it can be read; a dose is never made up
/// where none stands.
/// </summary>
public static class NearestLines
{
    /// <summary>As many as can be told apart at a glance.</summary>
    public const int Maximum = 3;

    /// <summary>More tokens than any line has; a longer text is not searched.</summary>
    private const int TokensMaximum = 60;

    /// <summary>What would be a dose or a method of its own, which nobody but the coach can know.</summary>
    private static readonly HashSet<Expectation> Own =
    [
        Expectation.SetCount,
        Expectation.RepCount,
        Expectation.RoundCount,
        Expectation.Hold,
        Expectation.Negative,
        Expectation.Every,
        Expectation.Pyramid,
        Expectation.Top,
        Expectation.Drop,
        Expectation.RestPause,
        Expectation.Cluster,
        Expectation.Max,
        Expectation.Practice,
        Expectation.Load,
    ];

    /// <summary>The result with what is near to its line, if it is an error that says nothing else to do.</summary>
    public static NotationResult Beside(NotationResult read, string line, MassUnit? unit) =>
        read.Error is { Ways.Count: 0, Fault: not NotationFault.TooLong } error
            ? read with
            {
                Error = error with { Nearest = To(line, error, read.Tokens, unit) },
            }
            : read;

    private static IReadOnlyList<string> To(
        string line,
        NotationError error,
        IReadOnlyList<Token> tokens,
        MassUnit? unit
    )
    {
        if (tokens.Count > TokensMaximum)
            return [];
        var spelled = Vocabulary.Spelled(line);
        if (spelled == line)
            return Read(Turned(line, error, tokens)) is { Count: > 0 } turned
                ? turned
                : Read([.. Filled(line, error), .. FilledPlainly(line), .. Shortened(line, error, tokens, unit)]);
        var read = NotationParser.Parse(spelled, unit);
        return read switch
        {
            { Error: null } => Read([spelled]),
            { Error.Ways.Count: > 0 } => [.. read.Error.Ways.Take(Maximum)],
            _ => Read([
                .. Filled(spelled, read.Error),
                .. FilledPlainly(spelled),
                .. Shortened(spelled, read.Error, read.Tokens, unit),
                .. Shortened(line, error, tokens, unit),
            ]),
        };

        IReadOnlyList<string> Read(IEnumerable<string> lines) =>
            [
                .. lines
                    .Select(l => NotationParser.Parse(l, unit).Plan)
                    .OfType<Prescriptions.Prescription>()
                    .Select(NotationPrinter.Print)
                    .Distinct()
                    .Take(Maximum),
            ];
    }

    /// <summary>
    /// Two figures the other way round: a range, sets and reps, lowering and lifting; loads or grips for the parts.
    /// </summary>
    private static IEnumerable<string> Turned(string line, NotationError error, IReadOnlyList<Token> tokens)
    {
        var at = tokens.TakeWhile(t => t.Start < error.Start).Count();
        if (error.Fault == NotationFault.RangeReversed && at >= 2)
            yield return Exchanged(line, tokens[at - 2], tokens[at]);
        if (error.Fault == NotationFault.OutOfRange && at + 2 < tokens.Count && tokens[at + 1].Kind == TokenKind.Times)
            yield return Exchanged(line, tokens[at], tokens[at + 2]);
        if (error.Fault == NotationFault.PartsDiffer)
            yield return Replaced(
                line,
                error,
                Fitted(line.Substring(error.Start, error.Length), (int)error.Maximum!.Value)
            );
        // X-1-3-0 begins with the lifting: the first figure and the third change places.
        if (error.Fault == NotationFault.FastOnlyWhenLifting && at + 4 < tokens.Count && tokens[at - 1].Text == "tempo")
            yield return Exchanged(line, tokens[at], tokens[at + 4]);
    }

    /// <summary>As many loads or grips as there are parts: the first ones, or body mass and the last grip again.</summary>
    private static string Fitted(string list, int parts)
    {
        string[] given = list.Split('/', StringSplitOptions.TrimEntries);
        var last = given[^1].Split(' ')[^1];
        var isLoad = last is "kg" or "lb" or "lbs";
        return string.Join(
                " / ",
                Enumerable
                    .Range(0, parts)
                    .Select(i =>
                        i < given.Length ? given[i]
                        : isLoad ? "0"
                        : last
                    )
            ) + (isLoad ? $" {last}" : "");
    }

    private static string Exchanged(string line, Token first, Token second) =>
        line[..first.Start]
        + second.Text
        + line[(first.Start + first.Length)..second.Start]
        + first.Text
        + line[(second.Start + second.Length)..];

    /// <summary>What was expected, put in before what stands there or in its place.</summary>
    private static IEnumerable<string> Filled(string line, NotationError error)
    {
        // What is whole up to there lacks nothing.
        if (error.Fault != NotationFault.Unexpected || NotationParser.Strict(line[..error.Start]).Plan is not null)
            yield break;
        foreach (var text in error.Expected.Where(e => !Own.Contains(e)).SelectMany(Completion.TextsOf))
        {
            yield return $"{line[..error.Start]} {text} {line[error.Start..]}";
            // A word that means something is not turned into something else.
            if (!Vocabulary.Knows(line.Substring(error.Start, error.Length).ToLowerInvariant()))
                yield return Replaced(line, error, $" {text} ");
        }
    }

    private static IEnumerable<string> FilledPlainly(string line) =>
        Spellings.Plainly(line) is var plain && NotationParser.Strict(plain).Error is { } error
            ? Filled(plain, error)
            : [];

    private static string Replaced(string line, NotationError error, string text) =>
        line[..error.Start] + text + line[(error.Start + error.Length)..];

    /// <summary>The least that has to go for the rest to be read, from the fault on or from what stands before it.</summary>
    private static IEnumerable<string> Shortened(
        string line,
        NotationError error,
        IReadOnlyList<Token> tokens,
        MassUnit? unit
    )
    {
        var at = Math.Min(tokens.TakeWhile(t => t.Start < error.Start).Count(), tokens.Count - 1);
        if (error.Fault == NotationFault.Twice)
        {
            // Or the one before it goes, and this one stays.
            var twin = tokens.TakeWhile(t => t.Text != tokens[at].Text).Count();
            if (Without(twin) is { } kept)
                yield return kept;
        }

        if (Without(at) is { } rest)
            yield return rest;
        else if (at > 0 && tokens[at - 1].Kind != TokenKind.Number && Without(at - 1) is { } more)
            yield return more;

        // A figure that loses its unit, or the rest of its range, is another figure.
        bool CutsAFigure(int from) =>
            from > 0
            && tokens[from - 1].Kind == TokenKind.Number
            && (
                tokens[from].Kind
                    is TokenKind.Percent
                        or TokenKind.Colon
                        or TokenKind.Range
                        or TokenKind.Minus
                        or TokenKind.Slash
                        or TokenKind.Unknown
                || tokens[from].Text is "s" or "sec" or "min" or "kg" or "lb" or "lbs" or "cm" or "to"
            );

        string? Without(int from)
        {
            if (CutsAFigure(from))
                return null;
            for (var to = from; to < tokens.Count - 1; to++)
            {
                var end = tokens[to].Start + tokens[to].Length;
                var left = $"{line[..tokens[from].Start].TrimEnd()} {line[end..].TrimStart()}".Trim();
                if (left.Length > 0 && NotationParser.Strict(left).Plan is not null)
                    return left;
            }

            var before = line[..tokens[from].Start].Trim();
            return before.Length > 0 && NotationParser.Parse(before, unit).Plan is not null ? before : null;
        }
    }
}
