using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Does each drafted session on paper before it is shown: a set that would fail goes, or its line is made easier.
/// </summary>
internal sealed class Proof(AthleteAtWork athlete)
{
    private const int TurnsMost = 24,
        SetsLeast = 2;

    /// <summary>Is every set of the day done on paper?</summary>
    public bool Holds(DraftDay day) =>
        DryRun
            .Of([.. day.Items.Select(i => i.Read(athlete))], athlete)
            .All(r => r is not { Verdict: DryRunVerdict.Fails });

    public void Mend(DraftDay day)
    {
        for (var turn = 0; turn < TurnsMost; turn++)
        {
            var runs = DryRun.Of([.. day.Items.Select(i => i.Read(athlete))], athlete);
            var at = runs.ToList().FindIndex(r => r is { Verdict: DryRunVerdict.Fails });
            if (at < 0 || day.Items[at].Role == SlotRole.Test)
                return;
            var (item, run) = (day.Items[at], runs[at]!);
            var set = run.Sets.First(s => s.Fails);
            if (Easier(item.Plan, set.Set, item.SetsAreFixed) is not { } easier)
            {
                // Not one of it is left: it waits for another day, unless it is all that the day has.
                if (day.Items.Count == 1)
                    return;
                day.Items.RemoveAt(at);
                if (at < day.Items.Count && at == 0)
                    day.Items[at].Joined = false;
                continue;
            }

            item.Rewrite(easier, StepKey.DryRunMends, Quantity.Count(set.Set), Quantity.Plain(Math.Round(set.Can, 1)));
        }
    }

    /// <summary>The sets that are done; where those are too few, a range one lower, a rep or a second less.</summary>
    private static Prescription? Easier(Prescription plan, int failsAt, bool keepSets) =>
        !keepSets && failsAt > SetsLeast && plan.WithSets(failsAt - 1) is var fewer && fewer != plan
            ? fewer
            : plan switch
            {
                DoubleProgression { Low: > 1 } range => range.WithRange(range.Low - 1, range.High - 1),
                StraightSets { Reps: > 1 } sets => sets with { Reps = sets.Reps - 1 },
                HoldSets { Seconds: > 1 and var seconds } hold => hold with { Seconds = seconds - 1 },
                VariedHolds holds when holds.Seconds.All(s => s > 1) => VariedHolds
                    .Of([.. holds.Seconds.Select(s => s - 1)])
                    .Like(holds),
                TopSetBackOff { BackOffReps: > 1 } top => new TopSetBackOff(
                    top.TopSets,
                    top.TopReps,
                    top.BackOffSets,
                    top.BackOffReps - 1,
                    top.BackOffPercent
                ).Like(top),
                _ => null,
            };
}
