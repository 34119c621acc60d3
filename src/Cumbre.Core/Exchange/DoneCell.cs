using System.Globalization;
using System.Text.RegularExpressions;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Exchange;

/// <summary>One set as a table tells it.</summary>
/// <param name="Amount">Reps, or seconds of a hold or a descent.</param>
/// <param name="Added">Load; below zero is help.</param>
/// <param name="Reserve">Null: not told.</param>
/// <param name="Contact">Null: not told.</param>
/// <param name="Side">Null: both at once, or not told.</param>
public sealed record DoneAmount(int Amount, MassEntry Added, int? Reserve, Contact? Contact, Side? Side);

/// <summary>What a cell says was done.</summary>
/// <param name="Sets">In order.</param>
/// <param name="Plan">The whiteboard line that stood there; null: it was told set by set.</param>
public sealed record DoneSets(IReadOnlyList<DoneAmount> Sets, Prescription? Plan);

/// <summary>
/// Reads what was done as coaches write it into one cell: <c>12kg x 5,5,4</c>, <c>5/5/4 @ +12</c>, <c>3x8</c>,
/// <c>10kg x 5; 12kg x 3</c>, <c>0:08, 0:07</c>, <c>8 s x 3</c>, <c>bw x 10 r2</c>, <c>chest x 5</c>; else a whiteboard
/// line. In a list a comma parts figures; of a load it is a decimal mark.
/// </summary>
public static partial class DoneCell
{
    /// <summary>Longer than any cell that tells sets.</summary>
    public const int LengthMaximum = 200;

    private const int SetsMaximum = Limits.SetsMaximum;

    /// <param name="cell">Not empty.</param>
    /// <param name="timed">The movement is held, or lowered: figures are seconds.</param>
    /// <param name="unit">Of a load without one.</param>
    /// <param name="lines">Also whiteboard lines.</param>
    /// <returns>Null: it cannot be read.</returns>
    public static DoneSets? Read(Cell cell, bool timed, MassUnit unit, bool lines = true)
    {
        if (cell.Text.Length > LengthMaximum)
            return null;
        if (cell.Time is { } time)
            return timed ? One((int)time.TotalSeconds, timed, unit) : null;
        if (cell.Number is { } number)
            return number == Math.Truncate(number) || timed
                ? One((int)Math.Clamp(number, -1, 100_000), timed, unit)
                : null;
        var sets = new List<DoneAmount>();
        foreach (var part in cell.Text.Split([';', '|', '\n'], StringSplitOptions.TrimEntries))
        {
            if (part.Length == 0)
                continue;
            if (Part(part, timed, unit) is not { } read)
                return lines ? Line(cell.Text, unit) : null;
            sets.AddRange(read);
        }

        return sets.Count is > 0 and <= SetsMaximum && sets.All(s => IsPossible(s, timed)) ? new(sets, null) : null;
    }

    private static DoneSets? One(int amount, bool timed, MassUnit unit)
    {
        var only = new DoneAmount(amount, new(0, unit), null, null, null);
        return IsPossible(only, timed) ? new([only], null) : null;
    }

    private static bool IsPossible(DoneAmount set, bool timed) =>
        set.Amount >= 0
        && set.Amount <= (timed ? HoldSets.SecondsMaximum : Limits.RepsMaximum)
        && set.Added.Mass.Kilograms is >= Limits.AddedLoadMinimum and <= Limits.AddedLoadMaximum
        && set.Reserve is not (< 0 or > Limits.ReserveMaximum);

    /// <summary>A load at the front or the end, a side, a reserve; what is left are the figures.</summary>
    private static List<DoneAmount>? Part(string part, bool timed, MassUnit unit)
    {
        var text = part.ToLowerInvariant().Replace('×', 'x').Replace('*', 'x').Replace('−', '-').Replace('–', '-');
        int? reserve = null;
        text = ReserveAtEnd()
            .Replace(text, m =>
            {
                reserve = Figure(m);
                return "";
            });
        Side? side = null;
        text = SideWord()
            .Replace(text, m =>
            {
                side = m.Value.TrimStart()[0] == 'l' ? Side.Left : Side.Right;
                return " ";
            });
        Contact? contact = null;
        text = ContactWord()
            .Replace(text, m =>
            {
                contact = Enum.Parse<Contact>(m.Groups[1].Value, true);
                return " ";
            });
        var bare = text;
        if (Load(ref text, unit) is not { } load)
            return null;
        text = text.Trim();
        // Between a load and its figures stands a sign, which no figure is.
        if (text.Length < bare.Trim().Length || contact is not null)
            text = text.TrimStart('x', '@', ':').TrimEnd('x', '@').Trim();
        // Behind a list it is told of the last set; of sets that are written as one it is told of all.
        var ofAll = Repeated().IsMatch(text);
        return Amounts(text, timed) is { Count: > 0 } amounts
            ?
            [
                .. amounts.Select(
                    (a, i) => new DoneAmount(a, load, ofAll || i == amounts.Count - 1 ? reserve : null, contact, side)
                ),
            ]
            : null;
    }

    /// <summary>Takes the load out of the text; nothing where none stands; null: two stand there.</summary>
    private static MassEntry? Load(ref string text, MassUnit unit)
    {
        if (BodyMassWord().IsMatch(text) && !LoadWord().IsMatch(text))
        {
            text = BodyMassWord().Replace(text, " ", 1);
            return new(0, unit);
        }

        text = BodyMassWord().Replace(text, " ", 1);
        if (LoadWord().Matches(text) is not { Count: > 0 } found)
            return new(0, unit);
        if (found.Count > 1)
            return null;
        var match = found[0];
        var value = decimal.Parse(match.Groups["n"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
        var helps = match.Groups["minus"].Success || match.Value.Contains("band", StringComparison.Ordinal);
        text = text.Remove(match.Index, match.Length).Insert(match.Index, " ");
        return new(
            helps ? -value : value,
            match.Groups["unit"] switch
            {
                { Success: true, Value: "kg" or "kgs" or "kilo" or "kilos" } => MassUnit.Kg,
                { Success: true } => MassUnit.Lb,
                _ => unit,
            }
        );
    }

    /// <summary><c>5,5,4</c>, <c>3x8</c>, <c>3 sets of 8</c>, <c>0:08, 0:07</c>, <c>8s x 3</c>.</summary>
    private static List<int>? Amounts(string text, bool timed)
    {
        if (Repeated().Match(text) is { Success: true } r)
        {
            var isTimeFirst = r.Groups["s1"].Success;
            var sets = int.Parse(r.Groups[isTimeFirst ? "b" : "a"].Value, CultureInfo.InvariantCulture);
            var amount = Amount(r.Groups[isTimeFirst ? "a" : "b"].Value, timed || isTimeFirst);
            return amount is { } each && sets is > 0 and <= SetsMaximum ? [.. Enumerable.Repeat(each, sets)] : null;
        }

        var amounts = new List<int>();
        foreach (var word in text.Split([',', '/', '-', ' ', '+', '&'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (word is "s" or "sec" or "secs" or "seconds" or "reps" or "rep")
                continue;
            if (Amount(word, timed) is not { } amount)
                return null;
            amounts.Add(amount);
        }

        return amounts;
    }

    /// <summary>A figure, with its unit; a clock where figures are seconds. Seconds are cut to whole ones.</summary>
    private static int? Amount(string word, bool timed)
    {
        var match = Figures().Match(word);
        if (!match.Success || (!timed && (match.Groups["min"].Success || match.Groups["part"].Success)))
            return null;
        var figure = Math.Min(int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture), 100_000);
        return match.Groups["min"].Success
            ? int.Parse(match.Groups["min"].Value, CultureInfo.InvariantCulture) * 60 + figure
            : figure;
    }

    private static DoneSets? Line(string text, MassUnit unit)
    {
        if (text.Length > NotationParser.LineMaximum || NotationParser.Parse(text, unit).Plan is not { } plan)
            return null;
        var load = plan.Load switch
        {
            null => new MassEntry(0, unit),
            AddedLoad added => added.Entry,
            BandHelp band => new(-band.Entry.Value, band.Entry.Unit),
            // What it was in kg nobody knows any more.
            _ => (MassEntry?)null,
        };
        return load is not { } entry
            ? null
            : new(
                [
                    .. plan.Sets()
                        .Where(s => s.Part == 1 || s.Side is not null)
                        .Select(
                            (s, i) =>
                                new DoneAmount(
                                    s.Seconds ?? s.RepsLow,
                                    plan is VariedSets { Loads: { } each } && i < each.Count ? each[i] : entry,
                                    plan.Effort is InReserve left ? left.ReserveTarget : null,
                                    null,
                                    s.Side
                                )
                        ),
                ],
                plan
            );
    }

    /// <summary>Of an exertion the reserve is what lacks to ten (common practice, no source).</summary>
    private static int Figure(Match match)
    {
        var figure = int.Parse(
            match.Groups.Cast<Group>().Skip(1).First(g => g.Success).Value,
            CultureInfo.InvariantCulture
        );
        return match.Groups["rpe"].Success ? 10 - figure : figure;
    }

    [GeneratedRegex(
        @"(?<=\d.*)[\s,@]*(?:\br(?:ir)?\s*(\d{1,2})|(\d{1,2})\s*(?:rir|left|in reserve)|\brpe\s*(?<rpe>\d{1,2}))\s*$",
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex ReserveAtEnd();

    [GeneratedRegex(@"(?:^|\s)(?:left|right|l|r)(?=\s|:|$):?", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex SideWord();

    [GeneratedRegex(@"\b(?:to\s+)?(chin|collarbone|chest|belly|hip)\b", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex ContactWord();

    [GeneratedRegex(@"\b(?:bw|bm|bodyweight)\b\s*\+?", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex BodyMassWord();

    // A load has a unit, a sign, or stands behind an @ or the word band.
    [GeneratedRegex(
        @"(?:(?<called>@|\bband)\s*)?(?<![\d.,])(?:(?<called>\+)|(?<minus>(?<![\d\w]\s?)-))?\s*(?<n>\d{1,4}(?:[.,]\d{1,3})?)\s*"
            + @"(?:(?<unit>kgs?|kilos?|lbs?|pounds?|#)(?![a-z])(?:\s*band)?|(?(called)(?![\d.,:%])|(?!)))",
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex LoadWord();

    [GeneratedRegex(
        @"^(?<a>[\d:]{1,6})(?<s1>\s*(?:s|sec|secs|seconds|""))?\s*(?:x|sets?\s+(?:of|x)|sets?)\s*(?<b>[\d:]{1,6})\s*(?:s|sec|secs|seconds|""|reps?|sets?)?$",
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Repeated();

    [GeneratedRegex(
        @"^(?:(?<min>\d{1,2})[:'])?(?<n>\d{1,6})(?<part>\.\d+)?(?:s|sec|secs|""|reps?)?$",
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Figures();
}
