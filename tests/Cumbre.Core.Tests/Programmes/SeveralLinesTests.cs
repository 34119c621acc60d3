using Cumbre.Core.Measures;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>Texts as coaches keep them in notes and sheets (common practice, no source).</summary>
public class SeveralLinesTests
{
    private static string[] Read(string text) =>
        [
            .. SeveralLines
                .Read(text, new(Gym.Athlete(), MassUnit.Kg))
                .Select(l =>
                    $"{(l.Joined ? "+" : "")}{l.Movement?.Slug ?? "?"}: {l.Line}{(l.Error is null ? "" : " !")}"
                ),
        ];

    [Fact]
    public void A_pasted_session_becomes_items()
    {
        var text = """
            Monday
            A) Weighted pull-up 4x5 @ +10 kg rest 3 min
            B1 Pull-ups 3x8-10
            B2. push ups - 3 x 12
            - Tuck front lever: 5 x 8s
            5x3 explosive high pull-up
            Handstand kick-overs and so on 3x5
            Hollow hold
            """;
        Assert.Equal(
            [
                "?: ",
                "weighted-pull-up: 4 x 5 @ +10 kg rest 3:00",
                "pull-up: 3 x 8..10",
                "+push-up: 3 x 12",
                "front-lever-tuck: hold 5 x 8 s",
                "high-pull-up: 5 x 3 fast",
                "?: 3 x 5",
            ],
            Read(text)[..7]
        );
        Assert.StartsWith("hollow-hold: hold", Read(text)[7]);
    }

    [Fact]
    public void Two_columns_of_a_sheet_are_movement_and_line() =>
        Assert.Equal(
            ["pull-up: 4 x 6 rest 2:00", "straight-bar-dip: pyramid 1-3-5-3-1", "pull-up: 4 x 5 slowly !"],
            Read("Pull-up\t4 x 6\trest 2:00\nStraight bar dip\tpyramid 1-3-5-3-1\r\nPull-up\t4 x 5 slowly")
        );

    [Fact]
    public void What_is_no_name_is_offered_its_nearest()
    {
        var line = SeveralLines.Read("lever tuck front 5 x 8 s", new(Gym.Athlete(), MassUnit.Kg)).Single();
        Assert.Null(line.Movement);
        Assert.Equal("front-lever-tuck", line.Candidates[0].Slug);
        Assert.Equal("hold 5 x 8 s", line.Line);
    }

    [Fact]
    public void At_most_sixty_lines_are_read() =>
        Assert.Equal(60, Read(string.Join('\n', Enumerable.Repeat("Pull-up 3 x 5", 90))).Length);
}
