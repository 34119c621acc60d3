using Cumbre.Core.Ladders;

namespace Cumbre.Core.Review;

/// <summary>How many of a group achieved a step.</summary>
/// <param name="Count">In the group.</param>
/// <param name="Achieved">Of them.</param>
public sealed record Share(int Count, int Achieved)
{
    public decimal? Percent => Count == 0 ? null : 100m * Achieved / Count;
}

/// <summary>What can be said of a gate from those who were tested for it.</summary>
public enum GateVerdict
{
    /// <summary>Too few on one side to say anything.</summary>
    TooFew,

    /// <summary>Of those who met it clearly more achieved the step.</summary>
    Tells,

    /// <summary>It makes little difference here.</summary>
    TellsLittle,

    /// <summary>Those who did not meet it achieved the step as often or more often.</summary>
    TellsNothing,
}

/// <summary>A gate of a step, and how many achieved the step with it and without it.</summary>
/// <param name="Ladder">The ladder.</param>
/// <param name="Step">Position of the step.</param>
/// <param name="Gate">What is asked.</param>
/// <param name="Met">Those who ever met it by a clean result.</param>
/// <param name="Unmet">Those who were tested for all of it and fell short.</param>
/// <param name="Untested">Those who were not tested for all of it.</param>
/// <param name="Verdict">What the counts say.</param>
public sealed record GateOutcome(
    Ladder Ladder,
    int Step,
    GateExpression Gate,
    Share Met,
    Share Unmet,
    int Untested,
    GateVerdict Verdict
);

/// <summary>Who trains a step, and who has won it.</summary>
/// <param name="Training">Names in the order of the club.</param>
/// <param name="Won">How many.</param>
public sealed record StepStanding(IReadOnlyList<Climber> Training, int Won);

/// <summary>What a whole club shows.</summary>
public static class ClubReview
{
    /// <summary>
    /// With fewer on either side a count says nothing: one athlete more would turn it (this project's choice).
    /// </summary>
    public const int LeastOnASide = 5;

    /// <summary>Points between the shares from which on a gate is said to tell; this project's choice.</summary>
    public const decimal ClearPoints = 25;

    /// <summary>Of each step who stands there.</summary>
    public static IReadOnlyList<StepStanding> Standing(Ladder ladder, IReadOnlyList<Climber> club)
    {
        var placed = club.Select(c => (Climber: c, Placement: c.On(ladder))).ToArray();
        return
        [
            .. ladder.Steps.Select(
                (_, i) =>
                    new StepStanding(
                        [.. placed.Where(p => p.Placement.Training == i).Select(p => p.Climber)],
                        placed.Count(p => p.Placement.IsWon(i))
                    )
            ),
        ];
    }

    /// <summary>
    /// The gates of a ladder for whose thresholds anybody was tested. Met and unmet are read from the best clean results
    /// ever, whatever their age, and a step counts as achieved when it is won: counts of what lies side by side, no proof
    /// of what caused what.
    /// </summary>
    public static IEnumerable<GateOutcome> Outcomes(Ladder ladder, IReadOnlyList<Climber> club)
    {
        var placed = club.Select(c => (Climber: c, Placement: c.On(ladder))).ToArray();
        for (var i = 0; i < ladder.Steps.Count; i++)
        {
            foreach (var gate in ladder.Steps[i].Gates)
            {
                int met = 0,
                    metWon = 0,
                    unmet = 0,
                    unmetWon = 0,
                    untested = 0;
                foreach (var (climber, placement) in placed)
                {
                    if (!gate.Holds(climber.Schools))
                        continue;
                    var won = placement.IsWon(i) ? 1 : 0;
                    switch (Meets(gate.Gate, climber))
                    {
                        case true:
                            (met, metWon) = (met + 1, metWon + won);
                            break;
                        case false:
                            (unmet, unmetWon) = (unmet + 1, unmetWon + won);
                            break;
                        default:
                            untested++;
                            break;
                    }
                }

                var (with, without) = (new Share(met, metWon), new Share(unmet, unmetWon));
                if (met + unmet > 0)
                    yield return new(ladder, i, gate.Gate, with, without, untested, VerdictOf(with, without));
            }
        }
    }

    /// <summary>Null: not tested for all that it asks.</summary>
    private static bool? Meets(GateExpression gate, Climber climber)
    {
        var deciding = GateRule.Evaluate(gate, climber.Book).Deciding;
        return deciding.All(t => t.Met) ? true
            : deciding.All(t => t.Have is not null) ? false
            : null;
    }

    public static GateVerdict VerdictOf(Share met, Share unmet) =>
        met.Count < LeastOnASide || unmet.Count < LeastOnASide ? GateVerdict.TooFew
        : met.Percent - unmet.Percent >= ClearPoints ? GateVerdict.Tells
        : met.Percent > unmet.Percent ? GateVerdict.TellsLittle
        : GateVerdict.TellsNothing;
}
