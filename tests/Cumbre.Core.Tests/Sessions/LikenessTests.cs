using Cumbre.Core.Sessions;
using Cumbre.Core.Tests.Decisions;

namespace Cumbre.Core.Tests.Sessions;

/// <summary>
/// Which exposures are read together, as common practice has it (no source): the same dose and load, set up alike, in
/// ordinary weeks.
/// </summary>
public sealed class LikenessTests
{
    /// <summary>Of the first of two exposures beside the second.</summary>
    private static string Of(Trainee trainee) =>
        trainee.Work(new(2026, 3, 16)).Athlete.Exposures is [var older, var newest]
            ? string.Join(", ", Likeness.Of(older, newest).Unlike)
            : throw new ArgumentException("Two exposures are held against each other.");

    private static Trainee Twice(string movement, string older, string newest, int amount = 5) =>
        new Trainee()
            .Did("2026-03-02", movement, older, [.. Enumerable.Repeat(amount, 3)])
            .Did("2026-03-09", movement, newest, [.. Enumerable.Repeat(amount, 3)]);

    [Theory]
    [InlineData("weighted-dip", "3 x 5 @ +10 kg", "3 x 5 @ +10 kg", "")]
    [InlineData("weighted-dip", "3 x 5 @ +10 kg", "3 x 5 @ +10 kg rest 5:00", "")]
    [InlineData("weighted-dip", "4 x 5 @ +10 kg", "3 x 5 @ +10 kg", "")]
    [InlineData("weighted-dip", "3 x 5 @ +10 kg", "3 x 5 @ +15 kg", "Load")]
    [InlineData("weighted-dip", "3 x 6 @ +10 kg", "3 x 5 @ +15 kg", "Line, Load")]
    [InlineData("weighted-dip", "3 x 5 @ +10 kg RIR 2", "3 x 5 @ +10 kg RIR 1", "Line")]
    [InlineData("ring-row", "3 x 5", "3 x 5 tempo 4010", "Line")]
    [InlineData("front-lever-tuck", "hold 3 x 5 s", "hold 3 x 5 s", "")]
    [InlineData("front-lever-tuck", "hold 3 x 5 s", "hold 3 x 6 s", "Line")]
    [InlineData("jumping-muscle-up", "3 x 5 box 60 cm", "3 x 5 box 45 cm", "Line")]
    public void The_same_dose_and_load_are_read_together(string movement, string older, string newest, string unlike) =>
        Assert.Equal(unlike, Of(Twice(movement, older, newest)));

    [Theory]
    [InlineData(3, 3, "")]
    [InlineData(3, 2, "SetUp")]
    [InlineData(null, 2, "")]
    public void Set_up_differs_where_both_tell_it_differently(int? older, int? newest, string unlike)
    {
        Func<LoggedSet, LoggedSet> Strap(int? mark) =>
            set => mark is null ? set : set with { SetUp = new([new("strap mark", $"{mark}")]) };
        Assert.Equal(
            unlike,
            Of(
                new Trainee()
                    .Did("2026-03-02", "ring-row", "3 x 8", [8, 8, 8], with: Strap(older))
                    .Did("2026-03-09", "ring-row", "3 x 8", [8, 8, 8], with: Strap(newest))
            )
        );
    }

    [Fact]
    public void A_deload_is_not_read_together_with_an_ordinary_week() =>
        Assert.Equal(
            "Deload",
            Of(
                new Trainee()
                    .Did("2026-03-02", "ring-row", "3 x 8", [8, 8, 8], easy: true)
                    .Did("2026-03-09", "ring-row", "3 x 8", [8, 8, 8])
            )
        );
}
