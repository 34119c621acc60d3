using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;

namespace Cumbre.Core.Tests.Notation;

/// <summary>What is offered beside a line that cannot be read (slips of the keyboard: common practice, no source).</summary>
public class NearestLinesTests
{
    [Theory]
    // A word spelled wrongly, in the notation and in other spellings.
    [InlineData("4 x 5 @ +10 kg tepmo 3-1-X-0", "4 x 5 @ +10 kg tempo 3-1-X-0")]
    [InlineData("4 x 5 rset 2:00", "4 x 5 rest 2:00")]
    [InlineData("4x5 @ 10kg tmpo 31X0 rst 90", "4 x 5 @ +10 kg tempo 3-1-X-0 rest 1:30")]
    [InlineData("negatve 4 x 1 lower 8 s", "negative 4 x 1 lower 8 s")]
    [InlineData("3 x 8 2 in resrve", "3 x 8 2 in reserve")]
    [InlineData("3 sest of 8", "3 x 8")]
    // A mark that is missing.
    [InlineData("4 5 @ +10 kg", "4 x 5 @ +10 kg")]
    [InlineData("4 y 5", "4 x 5")]
    [InlineData("3 x cluster 2+2+2 gap 20", "3 x cluster 2+2+2 gap 20 s", "3 x cluster 2+2+2 gap 20 breaths")]
    [InlineData("negative 4 x 1", "negative 4 x 1 lower 5 s")]
    [InlineData("4 x 5 @ 10 kgg", "4 x 5 @ +10 kg")]
    [InlineData(
        "cluster 3 x 2+2+2 @ 30 kg",
        "3 x cluster 2+2+2 gap 30 s @ +30 kg",
        "3 x cluster 2+2+2 gap 10 breaths @ +30 kg"
    )]
    [InlineData("2 x drop 4+4+6 @ +20 / +10 kg", "2 x drop 4+4+6 @ +20 / +10 / 0 kg")]
    [InlineData("2 x drop 4+4 @ +20 / +10 / 0 kg", "2 x drop 4+4 @ +20 / +10 kg")]
    [InlineData(
        "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium",
        "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / medium"
    )]
    // Two figures the other way round.
    [InlineData("3 x 12..8", "3 x 8..12")]
    [InlineData("25 x 4", "4 x 25")]
    [InlineData("3 x 5 tempo X-1-3-0", "3 x 5 tempo 3-1-X-0")]
    // What nobody knows is left out, and as little of it as can be.
    [InlineData("4 x 5 @ +10 kg nice and slow rest 2:00", "4 x 5 @ +10 kg rest 2:00")]
    [InlineData("pull-up 4 x 5", "4 x 5")]
    [InlineData("3 x 8 @ green", "3 x 8")]
    [InlineData("4 x 5 rest 99999999999.45 min", "4 x 5")]
    [InlineData(
        "3 x 8 rest 2:00 tempo 3-1-X-0 rest 1:30",
        "3 x 8 tempo 3-1-X-0 rest 1:30",
        "3 x 8 tempo 3-1-X-0 rest 2:00"
    )]
    public void The_nearest_lines_are_offered(string written, params string[] nearest) =>
        Assert.Equal(nearest, Nearest(written));

    // Where no dose stands, none is made up; and what can be mended or asked needs no second way.
    [Theory]
    [InlineData("some pull-ups")]
    [InlineData("rest 90")]
    [InlineData("3 x")]
    [InlineData("every 2 min do 5")]
    // A figure that lost its unit would be another figure, and a word is not turned into a unit.
    [InlineData("10 min amrap")]
    [InlineData("4 x 5 @ 2 reps")]
    [InlineData("3/4 x 8")]
    [InlineData("x 5")]
    [InlineData("hold 4 x 900 s")]
    [InlineData("2 x max 1 in reserve @ +10 kg")]
    [InlineData("3 x 5 @8")]
    [InlineData("hold 5 x 8 s tempo 3-1-X-0")]
    [InlineData("")]
    public void No_dose_is_made_up(string written) => Assert.Empty(Nearest(written));

    [Fact]
    public void A_load_without_a_unit_stays_in_the_shared_one() =>
        Assert.Equal(["4 x 5 @ +10 lb rest 2:00"], Nearest("4 x 5 @ +10 rets 2:00", MassUnit.Lb));

    [Fact]
    public void Every_line_that_is_offered_can_be_read()
    {
        string[] doses = ["4 x 5 @ +10 kg", "hold 5 x 8 s", "2 x drop 4+4 @ +20 / +10 kg", "every 1:20 x 5 do 6"];
        foreach (var dose in doses)
        {
            for (var at = 0; at <= dose.Length; at++)
            {
                foreach (var letter in "x9 q")
                {
                    var written = dose[..at] + letter + dose[at..];
                    foreach (var line in Nearest(written))
                        Assert.True(NotationParser.Strict(line).Plan is not null, $"{written} => {line}");
                }
            }
        }
    }

    [Theory]
    [InlineData("rest", "rest", 0)]
    [InlineData("rset", "rest", 1)]
    [InlineData("rst", "rest", 1)]
    [InlineData("tepmo", "tempo", 1)]
    [InlineData("kitten", "sitting", 3)]
    [InlineData("", "abc", 3)]
    // From memory: the restricted distance, in which nothing is changed twice.
    [InlineData("ca", "abc", 3)]
    public void Slips_are_counted(string a, string b, int slips) => Assert.Equal(slips, Slips.Between(a, b));

    [Fact]
    public void Every_word_of_the_notation_is_in_the_vocabulary() =>
        Assert.All(
            Lexer.Tokens(string.Join(' ', Examples.All.Select(e => e.Line))).Where(t => t.Kind == TokenKind.Word),
            t =>
                Assert.True(
                    t.Text.Contains('-') || Vocabulary.Knows(t.Text) || t.Text is "x" or "e1rm" or "books",
                    t.Text
                )
        );

    [Theory]
    [InlineData("books", true)]
    [InlineData("keg", true)]
    [InlineData("kgg", false)]
    [InlineData("ln", false)]
    [InlineData("reps", false)]
    [InlineData("percent", false)]
    public void A_unit_with_a_slip_is_no_piece(string word, bool may) =>
        Assert.Equal(may, Vocabulary.CanBeAPiece(word));

    private static IReadOnlyList<string> Nearest(string written, MassUnit? unit = null) =>
        NearestLines.Beside(NotationParser.Parse(written, unit), written, unit).Error?.Nearest ?? [];
}
