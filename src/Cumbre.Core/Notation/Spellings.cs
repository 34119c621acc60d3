using System.Globalization;
using System.Text.RegularExpressions;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>
/// Other ways to write a line. Each rule turns one spelling into the notation, or into several where it can mean
/// several things; only what the notation then reads to its end is a reading, so that nothing is passed over.
/// </summary>
internal static class Spellings
{
    private const int ReadingsMaximum = 8,
        MinutesBelow = 10,
        LeastShare = 40;

    private const string Amount = @"(\d+(?:[.,]\d+)?)",
        Unit = "(kg|lb)",
        // Between rounds and reps something stands, so that no figure is cut in two.
        Rounds = @"(?:\s*(?:min|rounds)\b)?(?:\s*(?:do|:|x|of|,)\s*|\s+)";

    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(1);

    /// <summary>Every place where a pattern of one meaning stands, or the first of one with several.</summary>
    private sealed record Rule(Func<string, IEnumerable<string>> Apply);

    /// <summary>What a line that the notation does not read may mean; empty: nothing is understood.</summary>
    public static IReadOnlyList<string> Of(string line, MassUnit? unit)
    {
        // A line with any other word is nothing that a rule knows, and is not tried.
        var plain = CalledBand.Replace(Plain(line), Called);
        if (Words.Matches(BandName.Replace(plain, "")).Any(w => !Vocabulary.Knows(w.Value)))
            return [];
        try
        {
            string[] readings =
            [
                .. Rewritten(plain)
                    .Select(l => NotationParser.Strict(l).Plan)
                    .OfType<Prescription>()
                    .Select(NotationPrinter.Print)
                    .Distinct(),
            ];
            return unit is { } own ? [.. readings.Where(r => !IsInOther(r, own, readings))] : readings;
        }
        catch (RegexMatchTimeoutException)
        {
            return [];
        }
    }

    /// <summary>The line in the words of the notation, though it may lack something yet.</summary>
    public static string Plainly(string line)
    {
        try
        {
            return Rewritten(Plain(line))[0];
        }
        catch (RegexMatchTimeoutException)
        {
            return line;
        }
    }

    private static IReadOnlyList<string> Rewritten(string plain)
    {
        List<string> lines = [plain];
        foreach (var rule in Rules)
            lines = [.. lines.SelectMany(rule.Apply).Select(Tidy).Distinct().Take(ReadingsMaximum)];
        return lines;
    }

    /// <summary>The same in the other unit, while it stands in one's own too.</summary>
    private static bool IsInOther(string reading, MassUnit own, string[] readings)
    {
        var (mine, other) = own == MassUnit.Kg ? (" kg", " lb") : (" lb", " kg");
        return reading.Contains(other, StringComparison.Ordinal)
            && readings.Contains(reading.Replace(other, mine, StringComparison.Ordinal));
    }

    /// <summary>"red band": the word before is its name, if it is no word of lines.</summary>
    private static readonly Regex CalledBand = new(
        @"(?:@\s*|\bwith\s+|\bw/\s*)?(?<!\bgrip\s)\b([a-z]{3,})\s+band\b(?!\s*\d)",
        RegexOptions.CultureInvariant,
        Longest
    );

    private static readonly Regex BandName = new(@"\bband [a-z]{3,}\b", RegexOptions.CultureInvariant, Longest);

    private static string Called(Match match) =>
        !Vocabulary.CanBeABand(match.Groups[1].Value) ? match.Value : $"@ band {match.Groups[1].Value}";

    private static readonly Regex Words = new("[a-zà-ÿ]{2,}", RegexOptions.CultureInvariant, Longest);

    private static string Plain(string line)
    {
        var text = line.ToLowerInvariant()
            .Replace('×', 'x')
            .Replace('*', 'x')
            .Replace('−', '-')
            .Replace('–', '-')
            .Replace('—', '-')
            .Replace('’', '\'')
            .Replace('′', '\'')
            .Replace('″', '"')
            .Replace('”', '"')
            .Replace('(', ' ')
            .Replace(')', ' ')
            .Replace(';', ',');
        return Tidy(text.TrimEnd('.', ',', ' '));
    }

    private static string Tidy(string line) => string.Join(' ', line.Split(' ', StringSplitOptions.RemoveEmptyEntries));

    private static readonly Regex Decimals = new(@"\d+(?:[.,]\d+)?", RegexOptions.CultureInvariant, Longest);

    private static readonly Regex Loaded = new(
        $@"(?:(\d+) x )?(\d+)\s*@\s*\+?{Amount}\s*{Unit}?",
        RegexOptions.CultureInvariant,
        Longest
    );

    private static readonly string[] NumberWords = ["", "", "two", "three", "four", "five"];

    private static readonly IReadOnlyList<Rule> Rules =
    [
        // Figures in words.
        Many(@"\b(two|three|four|five)\b(?=\s*(?:min|sec|sets?|rounds?|reps?)\w*\b)", m =>
            [Array.IndexOf(NumberWords, m.Value).ToString(CultureInfo.InvariantCulture)]
        ),
        // Tempo.
        One(
            @"(?:@\s*)?(?:\btempo\s*:?\s*)?(?<![\d.,:/+-]|\brest\s*)"
                + @"\b([0-9])([0-9])([0-9x])([0-9])\b(?!\s*(?:kg|lb|s\b|min|%|cm))",
            "tempo $1-$2-$3-$4"
        ),
        One(@"\btempo\s*:?\s*(\d)[\s/.,-]+(\d)[\s/.,-]+([\dx])[\s/.,-]+(\d)\b", "tempo $1-$2-$3-$4"),
        One(@"\btempo\s*:?\s*(\d)[\s/.,-]+(\d)[\s/.,-]+([\dx])\b(?!\s*-)", "tempo $1-$2-$3-0"),
        One(@"(?<!tempo\s*)(?<![\d-])(\d)([-/])(\d)\2(x)\2(\d)(?![\d-])", "tempo $1-$3-$4-$5"),
        // Sets times reps without a space; after the tempo, whose X stands between figures too.
        One(@"(?<=\d)\s*x\s*(?=[\da-z])", " x "),
        // Units and marks of time.
        One(@"\b(?:kilos?|kilograms?|kgs)\b", "kg"),
        One(@"(?<=\d\s*)(?:pounds?|lbs)\b", "lb"),
        One(@"''", "\""),
        One(@"\b(?:percent|pct)\b", "%"),
        One(@"\b(\d+)\s*(?:'|m)\s*(\d\d)(?:""|\s*s\b)?(?!\d)", "$1:$2"),
        One(@"\b(\d+)\s*'(?!\d)", "$1 min"),
        One(@"\b(\d+)\s*""", "$1 s"),
        One(@"(?<=\d\s*)(?:seconds?|secs?)\b", " s"),
        One(@"(?<=\d\s*)(?:minutes?|mins)\b", " min"),
        One(@"(\d:\d\d)\s*(?:min|h)\b", "$1"),
        // Words of other boards.
        One(@"\bdrop\s*-?\s*sets?\b", "drop"),
        One(@"\bback\s?offs?\b", "back-off"),
        One(@"\brest ?pause\b", "rest-pause"),
        One(@"^(cluster|drop|rest-pause)\s*:?\s*(?:(\d+) ?x\b|x ?(\d+)\b)", "$2$3 x $1"),
        One(@"\btop ?sets?\b", "top"),
        One(@"^(top .*?),?\s*then (?=\d+ x \d)", "$1, back-off "),
        One(@"(back-off \d+ x \d+) (?=-)", "$1 @ "),
        One(@"\b(in \d+) (?:pieces|parts)\b", "$1"),
        One(@"\b(?:explosive(?:ly)?|dynamic)\b", "fast"),
        One(@"\b(wide|medium|narrow|neutral|under|over|mixed)(?:hand)?[\s-]*grip\b", "grip $1"),
        One(@"[,+]?\s*\blast (?:set )?(?:to )?(?:failure|amrap|max)\b", "last to failure"),
        One(@"\b(?:amrap|as many(?: reps)? as possible|max(?:imum)?(?: number of)? reps?)\b", "max"),
        One(@"\bchest to bar\b", "to chest"),
        One(@"\bno rest\b", "rest 0:00"),
        One(@"\bthen add\b", "then"),
        One(@"\b(\d+) ?s on,? (\d+) ?s off\b", "$1 s rest $2 s"),
        // Reserve, and exertion of ten as its other side.
        Many(@",?\s*@?\s*\brir\s*[:=]?\s*(\d+)(?:\s*(?:-|\.\.|to)\s*(\d+))?", m => [Between(m)]),
        Many(@",?\s*@?\s*\b(\d+)(?:\s*(?:-|\.\.|to)\s*(\d+))?\s*rir\b", m => [Between(m)]),
        Many(@",?\s*\b(\d+)\s*(?:-|to)\s*(\d+)\s*(?:reps? )?(?=in reserve\b)", m =>
            [$"{m.Groups[1].Value}..{m.Groups[2].Value} "]
        ),
        Many(@",?\s*@?\s*\brpe\s*[:=]?\s*([5-9]|10)(?:([.,]5)|\s*-\s*([5-9]|10))?(?![\d.,])", m =>
        {
            var exertion = Whole(m.Groups[1]);
            return m.Groups[2].Success ? [Reserve(9 - exertion, 10 - exertion)]
                : m.Groups[3].Success ? [Reserve(10 - Whole(m.Groups[3]), 10 - exertion)]
                : [Reserve(10 - exertion)];
        }),
        Many(@",?\s*@?\s*\b([5-9]|10)\s*rpe\b", m => [Reserve(10 - Whole(m.Groups[1]))]),
        One(@",?\s*\b(\d+)\s*(?:reps?\s*)?(?:left )?(?:in (?:the )?tank|in hand)\b", "$1 in reserve"),
        One(@",\s*(?=\d+ in reserve)", " "),
        One(@"\b(\d+) reps? (?=in reserve)", "$1 "),
        Many(@"(?<!\bx\s*)\b(\d+)\s*left\b(?!\s*(?:first|only|arm|side|leg))", m =>
            [Reserve(Whole(m.Groups[1])), "left first"]
        ),
        // Sets from to: which of them?
        Many(@"^(\d+)\s*(?:-|to|or)\s*(\d+) x (?=\d)", m => [$"{m.Groups[1].Value} x ", $"{m.Groups[2].Value} x "]),
        Many(@"^(\d+ x \d+) ?\+(?=$| @| rest| tempo)", m =>
            [$"{m.Groups[1].Value} last to failure", $"{m.Groups[1].Value} to failure"]
        ),
        // Unequal sets, and a load for each.
        Many($@"^(?:(?:\d+ x )?\d+\s*@\s*\+?{Amount}\s*{Unit}?\s*(?:,|then)?\s*){{2,}}(?=$|[a-z])", m => Ramp(m.Value)),
        Many(@"^(?:(\d+) x )?(\d+(?:\s*/\s*\d+){2,}|\d+(?:\s*,\s*\d+)+)(?=$|\s|@)(?!\s*s\b)(?:\s*reps?\b)?", Unequal),
        Many(@"^(\d+(?:\s*-\s*\d+){2,})(?=$|\s|@)(?:\s*reps?\b)?", m => UpOrDown(Figures(m.Value))),
        Many(@"^\d+ x \d+(?:\s*(?:\+|,|then)\s*\d+ x \d+)+(?=$|\s)", m => Counted(m.Value)),
        One(@"^holds?\s*:?\s*(\d+)\s*/\s*(\d+(?:\s*/\s*\d+)+)\s*s?\b", "hold $1/$2 s"),
        Many(@"^hold (\d+(?:\s*/\s*\d+)+) s", m => [$"hold {string.Join(", ", Figures(m.Value))} s"]),
        Many($@"(?<=^sets [^@]*)@\s*\+?{Amount}((?:\s*/\s*\+?{Amount})+)\s*{Unit}?", m =>
        {
            var loads =
                $"@ {string.Join(", ", Decimals.Matches(m.Value).Select(d => $"+{d.Value.Replace(',', '.')}"))}";
            return m.Value.EndsWith('g') || m.Value.EndsWith('b') ? [$"{loads} {m.Value[^2..]}"] : InUnit(m, loads);
        }),
        // Sides.
        One(@"(?:\bper\b|/|\b(?:on |for )?each\b|\ba\b)\s*(?:side|arm|leg|hand)s?\b", "each side"),
        One(@"(?<=\d\s*)ea\b\.?", "each side"),
        One(@"(?<!\w)(?:e/s|l\s*\+\s*r|l\s*/\s*r|both sides)(?!\w)", "each side"),
        One(@"\bx\s*(\d+)\s*/\s*\1\b(?!\s*/)(\s*s\b)?", "x $1$2 each side"),
        // The clock.
        One($@"\bemom\s*(?:x\s*)?(\d+){Rounds}(\d+)\b", "every 1:00 x $1 do $2"),
        One($@"\be(\d)mom\s*(?:x\s*)?(\d+){Rounds}(\d+)\b", "every $1 min x $2 do $3"),
        One(@"\bevery min(?:ute)?\b", "every 1:00"),
        One(@"\b(every (?:\d+:\d\d|\d+ ?(?:s|min))) ?x ?(\d+)\s*(?:rounds)?\s*[:,x]\s*(\d+)\b", "$1 x $2 do $3"),
        // Rest.
        Many(@",?\s*\b(?:rest|r)\s*[:=]?\s*(\d+)\s*(?:-|\.\.|to)\s*(\d+)(?!:)(?:\s*(s|min)\b)?", m =>
            [$"rest {Whole(m.Groups[1])}..{Time(Whole(m.Groups[2]), m.Groups[3].Value)}"]
        ),
        One(
            @",?\s*\b(\d+)\s*(?:-|to)\s*(\d+)\s*(s|min)\s*(?:of )?(?:rest|break|between sets|between|off)\b",
            "rest $1..$2 $3"
        ),
        One(@"\brest (\d+) ?s\s*(?:-|to|\.\.)\s*(\d+) ?s\b", "rest $1..$2 s"),
        One(@"\brest (\d+)[.,]([0-5]\d)(?!\d|\s*(?:s\b|min))", "rest $1:$2"),
        One(@"\brest (\d+:\d\d)\s*(?:-|to)\s*(\d+:\d\d)", "rest $1..$2"),
        One(@"\bwithin\s+(?=\d)", "in "),
        // "5 x 8 s rest 2 min" holds eight seconds, and does not rest them.
        One(
            @",?\s*(?<!\bx\s*)\b(\d+:\d\d|\d+\s*(?:s|min))\s*(?:of )?(?:rest|break|between sets|between|off)\b",
            "rest $1"
        ),
        One(@",?\s*\b(?:rest|r)\s*[:=]\s*(?=\d)", "rest "),
        Many(@"\brest\s+(\d+)(?!\s*(?:s\b|min|:|\d|[.,]\d))", m => [$"rest {Time(Whole(m.Groups[1]), "")}"]),
        One(@"(?<!\brest\s*)(?<!\bevery\s*)(?<!\bin\s*)(?<!\.\.)\b(\d+) min\s*$", "rest $1 min"),
        // Load.
        One(@"^(\d+) x (\d+) ?% ?(?:of )?best\b", "hold $1 x $2 % best"),
        One(@"%\s*(?:of )?(?:bw|body\s*-?\s*(?:weight|mass))\b", "% bm"),
        One(@"\bplus\b", "+"),
        One(@"\bat (?=\+?\d)", "@ "),
        One(@"(?:\bw/|\bwith )\s*\+?(?=\d+(?:[.,]\d+)?(?:$| rest| tempo))", "@ +"),
        // A load from to: which of them?
        Many($@"@ ?\+? ?{Amount}\s*(?:-|to|\.\.)\s*\+?{Amount}\s*{Unit}\b", m =>
            [$"@ +{m.Groups[1].Value} {m.Groups[3].Value}", $"@ +{m.Groups[2].Value} {m.Groups[3].Value}"]
        ),
        One(@"(?:@\s*)?\b(?:bw|body\s*-?\s*weight)\s*\+\s*", "@ +"),
        One(@"(?:@\s*|\bw/\s*|\bwith\s+)?\b(?:bw|body\s*-?\s*weight)\b", ""),
        One($@"(?:\bw/|\bwith|\badd(?:ed)?)\s*\+?\s*{Amount}\s*{Unit}\b", "@ +$1 $2"),
        One($@"\+?\s*{Amount}\s*{Unit}\s*(?:added|extra)\b", "@ +$1 $2"),
        One($@"(?<!(?:@|then|/|,|\blower \d+ s)\s*)\+\s*{Amount}\s*{Unit}\b", "@ +$1 $2"),
        One($@"(?<![@+/,-]\s*)(?<!\b(?:band|then|do)\s*)(?<![\d.,])(?:\bx\s*)?\b{Amount}\s*{Unit}\b", "@ +$1 $2"),
        Many($@"@\s*\+\s*{Amount}(?!\s*(?:kg|lb|%|[\d.,/+]))", m => InUnit(m, $"@ +{m.Groups[1].Value}")),
        Many($@"(?<=\d)\s+\+\s*{Amount}(?=\s*$|\s+[a-z])(?!\s*(?:kg|lb|stretch))", m =>
            InUnit(m, $"@ +{m.Groups[1].Value}")
        ),
        One(@"(\d+)\s*%\s*(?:of )?(?:(?:e?1?\s*rm)\b|max\b)", "$1 % e1rm"),
        One(@"(back-off \d+ x \d+ (?:@ )?-\s*\d+)\s*%(?!\s*top)", "$1 % top"),
        Many(@"(?<!-\s*\d*)\b(\d+)\s*%(?!\s*(?:e1rm|bm|best|top))", m => [$"{m.Groups[1].Value} % {BaseOf(m)}"]),
        One(@"(?<!(?:@|[+-])\s*)\b(\d+ % e1rm)", "@ $1"),
        Many($@"\bband\s*{Amount}(?!\s*(?:kg|lb|[\d.,]))", m => InUnit(m, $"band {m.Groups[1].Value}")),
        One(@"(?<!@\s*)\bband (?=\d|[a-z]{3})", "@ band "),
        Many(@"@\s*(\d+(?:[.,]5)?)(?=\s*(?:$|[a-z](?<!x)))(?!\s*(?:kg|lb|s\b|min))", m =>
        {
            // No figure of a line is longer than the notation reads.
            if (
                !decimal.TryParse(
                    m.Groups[1].Value.Replace(',', '.'),
                    NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture,
                    out var number
                )
            )
                return [m.Value];
            string[] exertion = number is >= 5 and <= 10 && number % 1 == 0 ? [Reserve(10 - (int)number)] : [];
            string[] share = number >= LeastShare ? [$"@ {m.Groups[1].Value} % e1rm"] : [];
            return [.. exertion, .. share, .. InUnit(m, $"@ +{m.Groups[1].Value}")];
        }),
        // Sets and reps in words.
        One(@"^(\d+)\s*(?:x\s*)?singles?\b", "$1 x 1"),
        One(@"^(\d+)\s*(?:x\s*)?doubles?\b", "$1 x 2"),
        One(@"^(\d+)\s*(?:x\s*)?triples?\b", "$1 x 3"),
        One(@"^(\d+)\s*rounds?\s*(?:of|x)?\s*(?=\d)", "$1 x "),
        One(@"\b(\d+)\s*(?:reps?|times)?\s*x\s*(\d+)\s*sets\b", "$2 x $1"),
        One(@"\b(\d+)\s*sets?\s*(?:of\b|x|,|:|@)?\s*", "$1 x "),
        One(@"(?<=\d\s*)(?:reps?|repetitions?)\b", ""),
        One(@"\b(\d+) x (?:to )?failure\b", "$1 x max"),
        One(@"^max(?: x (\d+))?$", "1 x max"),
        One(@"^max (\d+) x$", "$1 x max"),
        One(@"\b(\d+) x max holds?\b", "$1 x max"),
        One(@"\b(x|do)\s*(\d+)\s*(?:-|to|or)\s*(\d+)(?![\d-])", "$1 $2..$3"),
        // Holds.
        Many(@"^(\d+) x (\d):([0-5]\d)\b", m =>
            [$"hold {m.Groups[1].Value} x {60 * Whole(m.Groups[2]) + Whole(m.Groups[3])} s"]
        ),
        One(@"^(?:holds?\s*)?(\d+)\s*s\s*(?:holds?)?\s*x\s*(\d+)(?!\s*(?:s\b|\.\.))", "hold $2 x $1 s"),
        One(@"^(\d+) (?:x )?holds? (?:of |for |x )?(\d+) ?s\b", "hold $1 x $2 s"),
        One(@"^(\d+)\s*x\s*(\d+)\s*s\b(?:\s*holds?\b)?", "hold $1 x $2 s"),
        One(@"^(\d+)\s*s(?:\s*holds?)?(?=$|,? rest)", "hold 1 x $1 s"),
        One(@"^(\d+)\s*s (?=in \d)", "hold $1 s "),
        One(@"^holds?\s*(?:of|for|:)?\s*(\d+)\s*s$", "hold 1 x $1 s"),
        One(@"^holds?\s*:?\s*(\d+)\s*x\s*(\d+)(?!\s*(?:s\b|%|\d|[.,]))", "hold $1 x $2 s"),
        // Lowering.
        One(
            @"^(?:negatives?|eccentrics?|ecc|neg)\s*:?\s*(\d+)\s*x\s*(\d+)"
                + @"[\s,@]*(?:lower(?:ing)? |for |of )?(\d+)\s*s\b",
            "negative $1 x $2 lower $3 s"
        ),
        One(
            @"^(\d+)\s*x\s*(\d+)\s*(?:negatives?|eccentrics?|ecc|neg|lowering)[\s,@]*(?:lower |for |of )?(\d+)\s*s\b",
            "negative $1 x $2 lower $3 s"
        ),
        One(@"^(\d+)\s*(?:negatives?|eccentrics?)[\s,@]*(?:of |for |x )?(\d+)\s*s\b", "negative $1 x 1 lower $2 s"),
        // Pyramids.
        One(@"\bpyramid\s*:\s*", "pyramid "),
        Many(@"\bpyramid (\d+(?:[ ,]+\d+){2,})(?=$| [a-z])", m => [$"pyramid {string.Join('-', Figures(m.Value))}"]),
        // What is left of commas between clauses.
        One(@",\s*(?=@|to |last |rest |tempo |each |left |right |grip |pause |fast\b)", " "),
        One(@",\s*(?=then |gap |box |feet |pads |strap )", " "),
        One(@"\b(?:and|with) (?=rest |tempo |pause )", ""),
    ];

    private static readonly Regex SetsTimesReps = new(@"(\d+) x (\d+)", RegexOptions.CultureInvariant, Longest);

    /// <summary><c>1 x 5, 2 x 8</c> as sets one after the other.</summary>
    private static string[] Counted(string text)
    {
        var sets = SetsTimesReps
            .Matches(text)
            .SelectMany(m =>
                Enumerable.Repeat(m.Groups[2].Value, Math.Min(Whole(m.Groups[1]), Limits.SetsMaximum + 1))
            );
        return [$"sets {string.Join(", ", sets)}"];
    }

    private static Rule One(string pattern, string text)
    {
        var regex = new Regex(pattern, RegexOptions.CultureInvariant, Longest);
        return new(line => [regex.Replace(line, m => $" {m.Result(text)} ")]);
    }

    private static Rule Many(string pattern, Func<Match, string[]> means)
    {
        var regex = new Regex(pattern, RegexOptions.CultureInvariant, Longest);
        return new(line =>
            regex.Match(line) is { Success: true } match
                ? means(match).Select(m => $"{line[..match.Index]} {m} {line[(match.Index + match.Length)..]}")
                : [line]
        );
    }

    private static string Reserve(int least, int most = 0) =>
        string.Create(CultureInfo.InvariantCulture, $"{least}{(most > least ? $"..{most}" : "")} in reserve");

    /// <summary>One figure of reserve, or a range.</summary>
    private static string Between(Match match) =>
        Reserve(Whole(match.Groups[1]), match.Groups[2].Success ? Whole(match.Groups[2]) : 0);

    private static string[] Figures(string text) =>
        [
            .. text.Split([',', '/', '-', ' '], StringSplitOptions.RemoveEmptyEntries)
                .Where(p => p.All(char.IsAsciiDigit)),
        ];

    /// <summary>Sets that differ; a count before them must be theirs.</summary>
    private static string[] Unequal(Match match)
    {
        var reps = Figures(match.Groups[2].Value);
        return match.Groups[1].Success && Whole(match.Groups[1]) != reps.Length
            ? [match.Value]
            : [$"sets {string.Join(", ", reps)}"];
    }

    /// <summary>What goes up and down again is a pyramid; else it may be sets that differ.</summary>
    private static string[] UpOrDown(string[] figures)
    {
        var pyramid = $"pyramid {string.Join('-', figures)}";
        return figures[0] == figures[^1] ? [pyramid] : [$"sets {string.Join(", ", figures)}", pyramid];
    }

    /// <summary>Each set with its load: <c>5 @ 20, 2 x 3 @ 25 kg</c>.</summary>
    private static string[] Ramp(string text)
    {
        var parts = Loaded.Matches(text);
        var reps = new List<string>();
        var loads = new List<string>();
        foreach (Match part in parts)
        {
            var sets = part.Groups[1].Success ? Whole(part.Groups[1]) : 1;
            for (var i = 0; i < Math.Min(sets, Limits.SetsMaximum + 1); i++)
            {
                reps.Add(part.Groups[2].Value);
                loads.Add(
                    $"+{part.Groups[3].Value.Replace(',', '.')}{(part.Groups[4].Success ? " " + part.Groups[4].Value : "")}"
                );
            }
        }

        var line = $"sets {string.Join(", ", reps)} @ {string.Join(", ", loads)}";
        return parts[^1].Groups[4].Success ? [line] : [$"{line} kg", $"{line} lb"];
    }

    private static int Whole(Group figure) =>
        int.TryParse(figure.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var whole)
            ? whole
            : int.MaxValue;

    /// <summary>Nobody rests nine seconds, nor ninety minutes.</summary>
    private static string Time(int figure, string unit) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{figure} {(unit.Length > 0 ? unit : figure < MinutesBelow ? "min" : "s")}"
        );

    /// <summary>In the line's own unit, else in either.</summary>
    private static string[] InUnit(Match match, string text) =>
        Units.Match(match.Result("$_")) is { Success: true } own
            ? [$"{text} {own.Value}"]
            : [$"{text} kg", $"{text} lb"];

    private static readonly Regex Units = new(@"\b(?:kg|lb)\b", RegexOptions.CultureInvariant, Longest);

    /// <summary>A share of a hold is one of its best.</summary>
    private static string BaseOf(Match match) =>
        match.Result("$_").StartsWith("hold", StringComparison.Ordinal) ? "best" : "e1rm";
}
