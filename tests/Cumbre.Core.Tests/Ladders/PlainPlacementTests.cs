using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>
/// Forty athletes whose step a coach would name at once, over all ladders. The steps and figures are common practice, no
/// source; what is marked house in docs/formulas.md is this project's choice.
/// </summary>
public class PlainPlacementTests
{
    /// <summary>Ladder, schools, results in the notation of this file, and the step in training.</summary>
    public static TheoryData<string, string, string, string?> Athletes =>
        new()
        {
            // Pull-up: preparation beside rows, bands, descents, strict ones.
            { "pull-up", "", "", "inclined-row" },
            { "pull-up", "", "inverted-row-inclined 9", "inclined-row" },
            { "pull-up", "", "inverted-row-inclined 3x10", "horizontal-row" },
            { "pull-up", "", "row-max 3x10", "banded" },
            { "pull-up", "", "row-max 3x10; banded-pull-up 11", "negative" },
            { "pull-up", "first-pull-up=negative-first", "row-max 3x10", "negative" },
            { "pull-up", "", "pull-up-max 1", "five" },
            { "pull-up", "", "pull-up-max 6", "ten" },
            { "pull-up", "", "pull-up-max 12", "capacity" },
            // Push-up and dip by 3 x 10.
            { "push-up", "", "push-up-max 3x10", "close" },
            { "push-up", "", "decline-push-up 3x10", "archer" },
            { "push-up", "", "archer-push-up 3x8 L; archer-push-up 3x8 R", "archer" },
            { "dip", "", "parallel-bar-dip-max 6", "bar" },
            { "dip", "", "parallel-bar-dip-max 3x10", "tucked" },
            { "dip", "", "tucked-dip 3x10", "ring" },
            { "row", "", "row-max 3x10", "feet-raised" },
            // Load: the gate, 3 x 10, a tenth, a quarter.
            { "weighted-pull-up", "", "pull-up-max 12", null },
            { "weighted-pull-up", "loading=rep-first", "pull-up-max 12", "first-load" },
            {
                "weighted-pull-up",
                "",
                "pull-up-max 6; push-up-max 15; row-max 10; parallel-bar-dip-max 10",
                "first-load"
            },
            {
                "weighted-pull-up",
                "loading=rep-first",
                "pull-up-max 12; weighted-pull-up-heavy 3x8 +2.5",
                "first-load"
            },
            { "weighted-dip", "loading=rep-first", "parallel-bar-dip-max 12", "first-load" },
            // Muscle-up: the pull first; by volume no contact is asked.
            { "bar-muscle-up", "", "pull-up-max 4", "scapular-dip" },
            { "bar-muscle-up", "", "pull-up-max 8", "explosive-scapular" },
            { "bar-muscle-up", "", "pull-up-max 8; explosive-scapular-pull-up 5x5", "explosive" },
            { "bar-muscle-up", "", "pull-up-max 8; explosive-pull-up 3x3; straight-bar-dip 6", "explosive" },
            { "bar-muscle-up", "muscle-up-entry=volume-first", "pull-up-max 16; straight-bar-dip 8", "jumping" },
            { "bar-muscle-up", "", "bar-muscle-up 1", "consecutive" },
            // Levers.
            { "front-lever", "", "pull-up-max 6", "hang" },
            { "front-lever", "", "pull-up-max 9", "tuck" },
            { "front-lever", "", "pull-up-max 9; front-lever-tuck 3x10s", "advanced-tuck" },
            { "front-lever", "", "pull-up-max 9; front-lever-advanced-tuck 4s", "one-leg" },
            { "front-lever", "", "pull-up-max 9; front-lever-half-lay 3x8s", "straddle" },
            { "back-lever", "", "rear-hang-feet 20s; rear-hang 20s", "tuck" },
            { "planche", "", "wrist-extension 95; push-up-max 20; pseudo-planche-push-up 3x8", "frog" },
            { "planche", "", "wrist-extension 95; push-up-max 20; pseudo-planche-push-up 3x8; frog-stand 30s", "tuck" },
            // The flag has three strengths; the one that is furthest behind is trained.
            { "human-flag", "", "", "blades" },
            {
                "human-flag",
                "",
                "pause-pull-up 3x5; one-arm-hang 12s L; one-arm-hang 11s R; hanging-side-leg-raise 3x8 L; hanging-side-leg-raise 3x8 R",
                "diagonal"
            },
            {
                "human-flag",
                "",
                "pause-pull-up 3x5; one-arm-hang 12s L; one-arm-hang 11s R; diagonal-hang 10s L; diagonal-hang 10s R; "
                    + "hanging-side-leg-raise 3x8 L; hanging-side-leg-raise 3x8 R; overhead-press-hold 30s",
                "hang-bent"
            },
            // Overhead.
            { "handstand-push-up", "", "pike-push-up 9; feet-raised-pike-push-up 4", "raised-pike" },
            { "one-arm-chin-up", "", "archer-pull-up 3x5 L; archer-pull-up 3x5 R", "descent" },
        };

    [Theory]
    [MemberData(nameof(Athletes))]
    public void Stands_where_a_coach_would_put_them(string ladder, string schools, string results, string? step)
    {
        var walked = Atlas.Shipped.BySlug[ladder];
        var placed = Placement.Of(
            walked,
            new Schools(
                Catalogue.Shipped,
                schools
                    .Split(';', StringSplitOptions.RemoveEmptyEntries)
                    .Select(s => s.Split('='))
                    .ToDictionary(s => s[0], s => s[1])
            ),
            Book(results.Split(';', StringSplitOptions.RemoveEmptyEntries).Select(Read))
        );
        Assert.Equal(step, placed.Training is { } at ? walked.Steps[at].Slug : null);
    }

    [Fact]
    public void There_are_forty_of_them() => Assert.Equal(40, Athletes.Count);

    /// <summary>Test, figure (12, 3x10, 8s, 3x8s, 95 degrees), load and side.</summary>
    private static BenchmarkResult Read(string text)
    {
        var parts = text.Trim().Split(' ');
        var figure = parts[1].Split('x');
        var sets = figure.Length > 1 ? int.Parse(figure[0], System.Globalization.CultureInfo.InvariantCulture) : 1;
        var last = figure[^1];
        var number = int.Parse(last.TrimEnd('s'), System.Globalization.CultureInfo.InvariantCulture);
        var score =
            parts[0] == "wrist-extension" ? new Score(degrees: number)
            : last.EndsWith('s') ? Score.OfSeconds(number, sets)
            : Score.OfReps(number, sets);
        var added = parts.FirstOrDefault(p => p.StartsWith('+'))?[1..] ?? "0";
        var side = parts[^1] switch
        {
            "L" => Side.Left,
            "R" => Side.Right,
            _ => (Side?)null,
        };
        return new(
            Guid.NewGuid(),
            parts[0],
            Today.AddDays(-3),
            score,
            MassEntry.Kg(decimal.Parse(added, System.Globalization.CultureInfo.InvariantCulture)),
            0,
            Mass.FromKilograms(70),
            FormVerdict.Clean
        )
        {
            Side = side,
        };
    }
}
