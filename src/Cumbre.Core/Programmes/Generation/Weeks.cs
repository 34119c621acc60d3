using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Carries the first week through the block: each exercise grows by its own rule, and the last week is easy. What
/// stands in the weeks after the first is an expectation that the log confirms or moves.
/// </summary>
internal sealed class Weeks(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules, FitWeek fit, Proof proof)
{
    private readonly Dictionary<(int Day, string Key), Prescription> moved = [];

    /// <summary>The week is the coach's: nothing is taken out of it for the balance of the patterns.</summary>
    public bool AsWritten { get; init; }

    private const int HoldSetsMost = HoldDose.SetsHigh,
        StretchMost = 30,
        StretchStep = 5,
        RestLeast = 60,
        RestStep = 15;

    /// <summary>The week from 0 in which a load or a range rises.</summary>
    private const int RisesIn = 2;

    /// <summary>The week from 0 in which a guessed load is tested.</summary>
    private const int TestsGuessIn = 1;

    /// <summary>A loading week after the first.</summary>
    /// <param name="first">The first week.</param>
    /// <param name="before">The week before.</param>
    /// <param name="week">From 1: the second week.</param>
    public IReadOnlyList<DraftDay> Loading(IReadOnlyList<DraftDay> first, IReadOnlyList<DraftDay> before, int week)
    {
        DraftDay[] days = [.. first.Select(d => d.Copy())];
        foreach (var (day, i) in days.Select((d, i) => (d, i)))
        {
            foreach (var item in day.Items)
            {
                if (before[i].Items.FirstOrDefault(b => b.Key == item.Key) is not { } last)
                    continue;
                if (moved.TryGetValue((i, item.Key), out var higher))
                    item.Replace(higher);
                else if (IsRamped(item) || GrowsEachWeek(item.Plan))
                    item.Replace(last.Plan);
                // A guess that was tested begins again where it stood.
                else if (item.IsGuess && item.Plan.Load is not null && last.Plan is TopSetBackOff)
                    item.Replace(first[i].Items.First(b => b.Key == item.Key).Plan);
            }
        }

        Ramp(days, week);
        foreach (var day in days)
        {
            foreach (var item in day.Items.Where(i => !i.StaysTheSame && !IsRamped(i)))
                Grow(days, day, item, week);
        }

        foreach (var day in days)
            Wave(days, day, week);
        for (var d = 0; week == RisesIn && d < days.Length; d++)
        {
            foreach (
                var item in days[d].Items.Where(i => !i.StaysTheSame && IsAsIn(first[d], i) && IsAsIn(before[d], i))
            )
            {
                if (Move(days, days[d], item, week))
                    moved[(d, item.Key)] = item.Plan;
            }
        }

        if (!AsWritten)
        {
            fit.Cap(days);
            fit.Balance(days);
        }

        return days;
    }

    /// <summary>
    /// The easy week: half the sets of the last loading week at the reps and seconds of the first, no added load,
    /// nothing that ends by failing.
    /// </summary>
    public IReadOnlyList<DraftDay> Easy(IReadOnlyList<DraftDay> first, IReadOnlyList<DraftDay> last)
    {
        DraftDay[] days = [.. first.Select(d => d.Copy())];
        foreach (var (day, i) in days.Select((d, i) => (d, i)))
        {
            foreach (var item in day.Items.Where(x => x.ItemRole != ItemRole.Preparation))
            {
                var sets = last[i].Items.FirstOrDefault(x => x.Key == item.Key)?.Plan.SetCount ?? item.Plan.SetCount;
                item.Rewrite(Adjust.Deload(item.Plan.WithSets(sets)), StepKey.EasyLine);
            }
        }

        if (!AsWritten)
            fit.Balance(days, mayAdd: false);
        return days;
    }

    /// <summary>Holds of levers and flags, and what is like them, grow by the sum of the week.</summary>
    private static bool IsRamped(Draft item) =>
        item.IsStraightArm || (item.Movement.Pattern == Pattern.Lateral && item.Plan is HoldSets or VariedHolds);

    private static bool GrowsEachWeek(Prescription plan) => plan is Negatives or HoldSets or OnTheClock or BrokenHold;

    /// <summary>What each method does when it goes well.</summary>
    private void Grow(IReadOnlyList<DraftDay> days, DraftDay day, Draft item, int week)
    {
        if (
            item
                is {
                    IsGuess: true,
                    IsMain: true,
                    SetsAreFixed: false,
                    Plan: DoubleProgression { Load: AddedLoad } guessed
                }
            && week == TestsGuessIn
        )
        {
            TestGuess(days, day, item, guessed, week);
            return;
        }

        if (Next(item, week) is not { } next || next == item.Plan)
            return;
        if (fit.TryWithSmallWork(days, day, item, next))
            item.Step(StepKey.GrowsByRule, Quantity.Name(item.Line), Quantity.Weeks(week + 1));
    }

    private Prescription? Next(Draft item, int week) =>
        item.Plan switch
        {
            HoldSets { Seconds: { } now and < HoldSets.SecondsMaximum } hold
                when !(
                    athlete.BestsOf(item.Movement).HoldSeconds is { } best
                    && now + 1 > HoldDose.SecondsAt(best, HoldDose.PercentHigh)
                ) => hold with
            {
                Seconds = now + 1,
            },
            Negatives or OnTheClock or BrokenHold => item.Plan.Progress().Next,
            RepsWithStretch stretch when week >= RisesIn => new RepsWithStretch(
                stretch.SetTotal,
                stretch.Low,
                stretch.High,
                Math.Min(StretchMost, stretch.StretchSeconds + StretchStep)
            ).Like(stretch),
            { Tempo: { } tempo } when week >= RisesIn => item.Plan with
            {
                Tempo = new Tempo(tempo.Lowering + 1, tempo.Bottom, tempo.Lifting, tempo.Top),
            },
            _ when week >= RisesIn && Heavier(item) is { } heavier => heavier,
            DoubleProgression range when week >= RisesIn && !item.IsMain && range.Load is null or BandHelp => Higher(
                range
            ),
            StraightSets sets
                when week >= RisesIn
                    && !item.IsMain
                    && !item.SetsAreFixed
                    && sets.Reps > 1
                    && sets.SetTotal < FitWeek.SetsMost => sets.WithSets(sets.SetTotal + 1),
            _ => null,
        };

    /// <summary>A range one higher, as far as the growth zone goes.</summary>
    private static DoubleProgression? Higher(DoubleProgression range) =>
        range.High < RepZone.Growth.High ? range.WithRange(range.Low + 1, range.High + 1) : null;

    /// <summary>The load and its increment, where the kit makes it and it is no large jump.</summary>
    private Prescription? Heavier(Draft item)
    {
        // One piece more, as far as there are pieces.
        if (item.Plan.Load is Counted counted)
            return athlete.Gear.Counted.Any(c => c.Name == counted.Name && c.Count > counted.Count)
                ? item.Plan with
                {
                    Load = new Counted(counted.Count + 1, counted.Name),
                }
                : null;
        if (
            item.Plan is not (DoubleProgression or StraightSets or TopSetBackOff)
            || item.Plan.Load is not AddedLoad { Entry: { Value: > 0 } load }
            || athlete.ContextOf(item.Movement) is not { } context
            || FirstLoad.StepOver(load.Mass, context) is not { } step
            || LoadResolver.IsLargeJump(context.BodyMass.Value, load.Mass, load.Mass + step)
        )
            return null;
        return item.Plan with { Load = new AddedLoad(FirstLoad.Entry(load.Mass + step, context.Kit)) };
    }

    /// <summary>
    /// A guessed load is held against a set of few reps in the second week, with the sets of the range behind it.
    /// </summary>
    private void TestGuess(IReadOnlyList<DraftDay> days, DraftDay day, Draft item, DoubleProgression guessed, int week)
    {
        const int reps = 5;
        const decimal backOff = 12;
        if (
            days.SelectMany(d => d.Items).First(i => i.Movement == item.Movement && i.IsGuess) != item
            || athlete.ContextOf(item.Movement) is not { } context
            || guessed.Load is not AddedLoad { Entry: var load }
        )
            return;
        // As many over the guess as the estimate of fewer reps allows, and no large jump.
        var body = context.BodyMass.Value;
        var wanted = (body + load.Mass) * ((1 + (guessed.High + 2) / 30m) / (1 + (reps + 1) / 30m)) - body;
        var made = context.Kit.AtMost(Mass.Min(wanted, LoadResolver.LargestStep(body, load.Mass))).Total;
        if (made <= Mass.Zero)
            return;
        var test = new TopSetBackOff(1, reps, guessed.SetTotal - 1, guessed.High, backOff)
        {
            Load = new AddedLoad(FirstLoad.Entry(made, context.Kit)),
            Effort = new InReserve(1),
            RestSeconds = 150,
        };
        if (fit.Try(days, day, item, test))
            item.Step(StepKey.TestsGuess, Quantity.Name(item.Line), Quantity.Weeks(week + 1));
    }

    /// <summary>Is it still what it was that day?</summary>
    private static bool IsAsIn(DraftDay day, Draft item) =>
        day.Items.FirstOrDefault(i => i.Key == item.Key)?.Plan == item.Plan;

    /// <summary>What found no room to grow in sets grows in reps or seconds, or has less rest.</summary>
    private bool Move(IReadOnlyList<DraftDay> days, DraftDay day, Draft item, int week)
    {
        Prescription?[] ways =
        [
            item.Plan is DoubleProgression { Load: null or BandHelp or FootHelp } range ? Higher(range) : null,
            item.Plan is HoldSets { Seconds: { } now } hold && !IsRamped(item) ? hold with { Seconds = now + 1 } : null,
            item is { SetsAreFixed: false, Plan: StraightSets } ? item.Plan.WithSets(item.Plan.SetCount + 1) : null,
            item is { SetsAreFixed: false, Plan: HoldSets } && !IsRamped(item)
                ? item.Plan.WithSets(item.Plan.SetCount + 1)
                : null,
            item.Plan is RepsWithStretch or DoubleProgression or StraightSets { Reps: > RepDose.PracticeUpTo }
            && Timing.RestBetweenSets(item.Plan) is > RestLeast and var rest
                ? item.Plan with
                {
                    RestSeconds = rest - RestStep,
                }
                : null,
        ];
        foreach (var way in ways.OfType<Prescription>())
        {
            if (!fit.TryWithSmallWork(days, day, item, way))
                continue;
            item.Step(StepKey.GrowsByRule, Quantity.Name(item.Line), Quantity.Weeks(week + 1));
            return true;
        }

        return false;
    }

    /// <summary>
    /// Straight-arm work grows by whole seconds, exercise by exercise, on as many sets as the ramp of the week allows;
    /// a new step keeps its half dose for its first weeks.
    /// </summary>
    private void Ramp(DraftDay[] days, int week)
    {
        foreach (
            var direction in days.SelectMany(d => d.Items)
                .Where(IsRamped)
                .GroupBy(i => i.Movement.Pattern)
                .Select(g => g.ToArray())
                .ToArray()
        )
        {
            var (now, byMoment) = Amount(direction);
            var most = now * (1 + dose.StraightArmRampPercent / 100);
            foreach (
                var item in direction
                    .Where(i =>
                        i.Role is not (SlotRole.SkillKept or SlotRole.Test)
                        && !(i.IsExposure && week < rules.NewStepWeeks)
                        && !(i.Skill is { IsNew: true, StepBefore: null } && week < rules.NewStepWeeks)
                    )
                    .OrderBy(i => i.Role == SlotRole.SkillLight)
            )
            {
                var its = days.First(d => d.Items.Contains(item));
                if (MostSeconds(item, its, direction, most, byMoment))
                    item.Step(
                        StepKey.GrowsInRamp,
                        Quantity.Name(item.Line),
                        Quantity.Weeks(week + 1),
                        byMoment ? Quantity.MomentSeconds(most) : Quantity.Seconds((int)most)
                    );
            }
        }
    }

    /// <summary>A second more on as many sets as fit, those that have least first; else a set more.</summary>
    private bool MostSeconds(Draft item, DraftDay day, Draft[] direction, decimal most, bool byMoment)
    {
        var before = item.Plan;
        int[]? seconds = before switch
        {
            HoldSets { Seconds: { } s } h => [.. Enumerable.Repeat(s, h.SetTotal)],
            VariedHolds v => [.. v.Seconds],
            _ => null,
        };
        if (seconds is null)
            return false;
        var least = seconds.Min();
        // The light day holds no longer than the hard one, which grew first.
        if (
            item.Role == SlotRole.SkillLight
            && direction.Max(i => HardSeconds(i, item.Movement)) is var hard and > 0
            && least >= hard
        )
            return false;
        var best = athlete.BestsOf(item.Movement).HoldSeconds;
        if (best is { } b && least + 1 > HoldDose.SecondsAt(b, HoldDose.PercentHigh))
            return !item.IsExposure && AnotherSet(item, day, direction, most, byMoment);
        int[] growing = [.. Enumerable.Range(0, seconds.Length).Where(i => seconds[i] == least)];
        for (var count = growing.Length; count > 0; count--)
        {
            var grown = VariedHolds.Of([.. seconds.Select((s, i) => growing.Take(count).Contains(i) ? s + 1 : s)]);
            item.Replace(grown.Like(before));
            if (Amount(direction, byMoment) <= most && !fit.IsOver(day) && proof.Holds(day))
                return true;
        }

        item.Replace(before);
        return false;
    }

    private static int HardSeconds(Draft item, Movement movement) =>
        item.Movement != movement || item.Role == SlotRole.SkillLight
            ? 0
            : item.Plan switch
            {
                HoldSets { Seconds: { } s } => s,
                VariedHolds v => v.Seconds.Max(),
                _ => 0,
            };

    private bool AnotherSet(Draft item, DraftDay day, Draft[] direction, decimal most, bool byMoment)
    {
        var before = item.Plan;
        if (
            item.Role == SlotRole.SkillLight
            || item.SetsAreFixed
            || before is not HoldSets { Seconds: { } seconds } hold
            || hold.SetTotal >= HoldSetsMost
            || (hold.SetTotal + 1) * seconds > HoldDose.TotalHigh
        )
            return false;
        item.Replace(hold.WithSets(hold.SetTotal + 1));
        if (Amount(direction, byMoment) <= most && !fit.IsOver(day) && proof.Holds(day))
            return true;
        item.Replace(before);
        return false;
    }

    private (decimal Amount, bool ByMoment) Amount(Draft[] items)
    {
        var byMoment = items
            .Select(i => i.Read(athlete).Resolved)
            .All(r => r is not { StraightArmSeconds: > 0 } || r.MomentSeconds is not null);
        return (Amount(items, byMoment), byMoment);
    }

    private decimal Amount(Draft[] items, bool byMoment) =>
        items.Sum(i =>
            i.Read(athlete).Resolved is not { } r ? 0
            : r.StraightArmSeconds == 0 ? (i.Movement.Pattern == Pattern.Lateral ? r.TensionSeconds : 0)
            : byMoment && r.MomentSeconds is { } moment ? (decimal)Math.Round(moment)
            : r.StraightArmSeconds
        );

    /// <summary>Main exercises in sets of a number take part in the wave, as far as the minutes hold.</summary>
    private void Wave(IReadOnlyList<DraftDay> days, DraftDay day, int week)
    {
        foreach (
            var item in day.Items.Where(i =>
                i is { IsMain: true, SetsAreFixed: false, StaysTheSame: false, IsStraightArm: false }
                && i.Plan is StraightSets or DoubleProgression or TopSetBackOff
            )
        )
        {
            // A week that tests a guess has its own sets.
            if (week == TestsGuessIn && item is { IsGuess: true, Plan: TopSetBackOff })
                continue;
            var before = item.Plan;
            for (var more = Math.Min(rules.WaveIn(week), FitWeek.SetsMost - before.SetCount); more > 0; more--)
            {
                if (!fit.TryWithSmallWork(days, day, item, before.WithSets(before.SetCount + more)))
                    continue;
                item.Step(StepKey.WaveAdds, Quantity.Sets(item.Plan.SetCount), Quantity.Weeks(week + 1));
                break;
            }
        }
    }
}
