namespace Cumbre.Core.Notation;

/// <summary>A piece of text that may come next.</summary>
/// <param name="Text">What to write.</param>
/// <param name="Start">Where it starts, from 0: a begun word is written over.</param>
/// <param name="For">What it stands for.</param>
public sealed record Suggestion(string Text, int Start, Expectation For);

/// <summary>What may be typed next at a place of a line.</summary>
public static class Completion
{
    private static readonly Dictionary<Expectation, string[]> Texts = new()
    {
        [Expectation.SetCount] = ["4 x 5", "3 x 8..10"],
        [Expectation.Hold] = ["hold 5 x 8 s"],
        [Expectation.Negative] = ["negative 4 x 1 lower 5 s"],
        [Expectation.Every] = ["every 1:20 x 5 do 6"],
        [Expectation.Pyramid] = ["pyramid 1-3-5-7-5-3-1"],
        [Expectation.Top] = ["top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top"],
        [Expectation.RepCount] = ["5", "8..10"],
        [Expectation.Drop] = ["drop 4+4+6 @ +20 / +10 / 0 kg"],
        [Expectation.RestPause] = ["rest-pause gap 30 s"],
        [Expectation.Cluster] = ["cluster 2+2+2 gap 20 s"],
        [Expectation.Max] = ["max"],
        [Expectation.Practice] = ["practice"],
        [Expectation.Times] = ["x"],
        [Expectation.RoundCount] = ["x 5"],
        [Expectation.BackOff] = [", back-off 3 x 8 @ -12 % top"],
        [Expectation.Load] = ["@ +10 kg", "@ 80 % e1RM", "@ +25 % bm", "@ band 15 kg", "@ feet"],
        [Expectation.Unit] = ["kg", "lb"],
        [Expectation.UnitOrPercent] = ["kg", "lb", "% e1RM", "% bm"],
        [Expectation.PercentBase] = ["e1RM", "bm"],
        [Expectation.PercentBest] = ["best"],
        [Expectation.PercentTop] = ["top"],
        [Expectation.PercentSign] = ["%"],
        [Expectation.BackOffPercent] = ["@ -12 % top"],
        [Expectation.Effort] = ["2 in reserve", "to failure", "last to failure"],
        [Expectation.InReserve] = ["in reserve"],
        [Expectation.Failure] = ["failure"],
        [Expectation.Then] = ["then +2.5 kg"],
        [Expectation.Tempo] = ["tempo 3-1-X-0"],
        [Expectation.TempoDash] = ["-"],
        [Expectation.Rest] = ["rest 2:00", "rest 1:00"],
        [Expectation.DurationUnit] = ["s", "min"],
        [Expectation.Sides] = ["each side", "left first", "right first"],
        [Expectation.EachSide] = ["side"],
        [Expectation.SideOrder] = ["first", "first +1", "only"],
        [Expectation.OneMore] = ["1"],
        [Expectation.Pause] = ["pause 2 s bottom"],
        [Expectation.PausePlace] = ["bottom", "top"],
        [Expectation.Grips] = ["grip medium"],
        [Expectation.Grip] = ["wide", "medium", "narrow", "under", "neutral"],
        [Expectation.Fast] = ["fast"],
        [Expectation.Gap] = ["gap 30 s", "gap 10 breaths"],
        [Expectation.SecondsOrBreaths] = ["s", "breaths"],
        [Expectation.Lower] = ["lower 5 s"],
        [Expectation.Stretch] = ["+ stretch 15 s"],
        [Expectation.SecondsUnit] = ["s"],
        [Expectation.InPieces] = ["in 3"],
        [Expectation.Do] = ["do 6"],
        [Expectation.NextSet] = [", 6"],
        [Expectation.SetUp] =
        [
            "to chest",
            "box 40 cm",
            "pads 2",
            "feet 60 cm",
            "strap 12",
            "2 fingers",
            "on parallettes",
        ],
        [Expectation.TimeToBeat] = ["in 8:00", "for time"],
        [Expectation.ForTime] = ["time"],
        [Expectation.Unbroken] = ["unbroken"],
        [Expectation.Surface] = ["parallettes", "fists"],
        [Expectation.Centimetres] = ["cm"],
    };

    /// <summary>How it is written; empty: only the coach can know.</summary>
    internal static IReadOnlyList<string> TextsOf(Expectation expected) => Texts.GetValueOrDefault(expected) ?? [];

    /// <summary>
    /// Suggestions at the cursor, in the order in which they are usual. A word that is begun filters them.
    /// </summary>
    /// <param name="line">The line.</param>
    /// <param name="cursor">Characters before the cursor.</param>
    public static IReadOnlyList<Suggestion> At(string line, int cursor)
    {
        var before = line[..Math.Clamp(cursor, 0, line.Length)];
        var start = before.Length;
        while (
            start > 0
            && (
                char.IsAsciiLetter(before[start - 1])
                || (before[start - 1] == '-' && start > 1 && char.IsAsciiLetter(before[start - 2]))
            )
        )
            start--;
        var begun = before[start..];
        var read = NotationParser.Strict(before[..start].TrimEnd());
        // An error inside the part before the cursor is to be mended first.
        var open = read.Error is { } error
            ? (error.Start >= before[..start].TrimEnd().Length ? error.Expected : [])
            : read.OpenAtEnd;
        return
        [
            .. open.Distinct()
                .Where(Texts.ContainsKey)
                .SelectMany(e => Texts[e].Select(t => new Suggestion(t, start, e)))
                .Where(s =>
                    s.Text.StartsWith(begun, StringComparison.OrdinalIgnoreCase)
                    && !s.Text.Equals(begun, StringComparison.OrdinalIgnoreCase)
                ),
        ];
    }
}
