using Cumbre.Core.Decisions;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Decisions;

/// <summary>
/// The dose that follows from a session that finds the level, on movements of every measure. Common practice, no
/// source: nobody is given less than what they have just done in every set.
/// </summary>
public class LevelFindingTests
{
    private static string? Says(string movement, string line, int[] amounts, int? reserve = null) =>
        new Trainee()
            .Did("2026-03-12", movement, line, amounts, reserve, role: ItemRole.LevelFinding)
            .Says(movement, of: ProposalCause.LevelFound);

    // All that the line asks for, and nobody says that there was much more: the line stands and grows in its own way.
    [Theory]
    [InlineData("hanging-leg-raise", "3 x 8..12 2 in reserve rest 1:30", new[] { 12, 12, 12 }, 2)]
    // Three quarters of 12 and five more are the 12 that were asked for.
    [InlineData("hanging-leg-raise", "3 x 8..12 2 in reserve rest 1:30", new[] { 12, 12, 12 }, 5)]
    [InlineData("split-squat", "3 x 8..10 2 in reserve each side", new[] { 10, 10, 10, 10, 10, 10 }, 2)]
    [InlineData("banded-pull-up", "3 x 5..8 @ band 25 kg 2 in reserve", new[] { 8, 8, 8 }, 1)]
    [InlineData("hollow-hold", "hold 3 x 15 s rest 1:30", new[] { 15, 15, 15 }, null)]
    [InlineData("ring-support-turned-out", "hold 3 x 15 s rest 1:30", new[] { 15, 15, 15 }, null)]
    [InlineData("front-lever-one-leg", "hold 3 x 3 s each side", new[] { 3, 3, 3, 3, 3, 3 }, null)]
    [InlineData("explosive-pull-up", "5 x 5 fast rest 2:00", new[] { 5, 5, 5, 5, 4 }, null)]
    public void A_line_that_fits_stays(string movement, string line, int[] amounts, int? reserve) =>
        Assert.Null(Says(movement, line, amounts, reserve));

    // 75 % of the best with its reserve, and no less than every set: 12 and one more are 9, and 11 were done in all.
    [Theory]
    [InlineData(new[] { 12, 11, 9 }, 1, "SetDose: 3 x 7..9 rest 1:30")]
    [InlineData(new[] { 12, 12, 11 }, 1, "SetDose: 3 x 9..11 rest 1:30")]
    [InlineData(new[] { 12, 12, 12 }, 7, "SetDose: 3 x 12..14 rest 1:30")]
    public void Reps_go_by_the_best_set_and_not_under_what_all_sets_were(int[] amounts, int reserve, string says) =>
        Assert.Equal(says, Says("hanging-leg-raise", "3 x 8..12 2 in reserve rest 1:30", amounts, reserve));

    [Fact]
    public void The_stretch_at_the_end_of_a_set_is_not_what_is_found() =>
        Assert.Equal(
            "SetDose: 3 x 7..9 + stretch 15 s rest 1:30",
            Says("ring-curl", "3 x 8..12 + stretch 15 s rest 1:30", [12, 15, 10, 15, 9, 15], 1)
        );

    [Fact]
    public void A_tempo_stays_with_the_reps_that_were_found_at_it() =>
        Assert.Equal(
            "SetDose: 3 x 7..9 tempo 3-1-X-0 rest 1:30",
            Says("deficit-push-up", "3 x 8..12 2 in reserve tempo 3-1-X-0 rest 1:30", [12, 10, 8], 1)
        );

    // A hold of the trunk is not held shorter than in every set; straight arms keep the share of the best.
    [Theory]
    [InlineData("hollow-hold", new[] { 20, 16, 16 }, 16)]
    [InlineData("back-lever-tuck", new[] { 20, 16, 16 }, 12)]
    public void Holds_go_by_the_share_of_the_best(string movement, int[] amounts, int seconds) =>
        Assert.Contains($" x {seconds} s", Says(movement, "hold 3 x 15 s", amounts));

    // What no goal asks for and what leads to nothing makes no row; of a goal, and without goals, it is told.
    [Theory]
    [InlineData(null, "Achieved")]
    [InlineData("weighted-pull-up", "Achieved")]
    [InlineData("planche", null)]
    public void A_standard_that_leads_nowhere_is_told_of_goals_only(string? goal, string? says)
    {
        var trainee = new Trainee();
        if (goal is not null)
            trainee.Wants(goal);
        Assert.Equal(
            says,
            trainee
                .Did("2026-03-12", "weighted-pull-up", "1 x 5 @ +35 kg", [5])
                .Says("weighted-pull-up", of: ProposalCause.StandardShown)
        );
    }
}
