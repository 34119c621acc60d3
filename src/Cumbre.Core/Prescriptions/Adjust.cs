using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>
/// The rules by which a plan is made lighter: one for a deload, one for less of the system, one for less of what is not
/// loaded. Decisions and the
/// generator use the same.
/// </summary>
public static class Adjust
{
    /// <summary>
    /// A deload: half the sets, rounded down, at least one; no added load, but every help, grip, side and pause stays.
    /// Nothing ends by failing
    /// (common practice, no source).
    /// </summary>
    public static Prescription Deload(Prescription plan)
    {
        var sets = Math.Max(1, plan.SetCount / 2);
        var half = plan switch
        {
            DropSet d => new StraightSets(sets, d.Parts[0]).Like(d) with
            {
                Grips = d.Grips is [var first, ..] ? [first] : null,
            },
            TopSetBackOff t => new StraightSets(sets, t.BackOffReps).Like(t),
            DoubleProgression d when IsAddedLoad(d.Load) => new StraightSets(sets, d.Low).Like(d),
            RestPause r => new StraightSets(sets, RestPause.TooFew).Like(r),
            Pyramid p => new StraightSets(
                Math.Max(1, p.Rungs.Count / 2),
                Math.Max(1, p.Rungs.Sum() / p.Rungs.Count)
            ).Like(p),
            VariedSets { Loads: not null } v => VariedSets.Of([.. v.Reps.Take(sets)]).Like(v),
            BrokenHold b => new HoldSets(sets, b.TotalSeconds / b.Pieces).Like(b),
            _ => plan.WithSets(sets),
        };
        var easy = half with
        {
            Load = IsAddedLoad(half.Load) ? null : half.Load,
            Sides = half.Sides.WithoutMore(),
            // A reserve was asked of the load that is gone.
            Effort = IsAddedLoad(plan.Load) || plan is TopSetBackOff ? null : half.Effort,
        };
        return easy.ToTheEnd || easy.Effort is LastToFailure ? easy.WithReserve(new(3)) : easy;
    }

    /// <summary>
    /// The easy version of a session: half the sets, the same movements and loads, nothing to failure and no maximal
    /// hold.
    /// </summary>
    public static Prescription EasyVersion(Prescription plan)
    {
        var half = plan switch
        {
            RestPause or Pyramid => Deload(plan) with { Load = plan.Load },
            HoldSets { BestPercent: > HoldDose.PercentUsual } h => new HoldSets(
                Math.Max(1, h.SetTotal / 2),
                null,
                HoldDose.PercentLow
            ).Like(h),
            _ => plan.WithSets(Math.Max(1, plan.SetCount / 2)),
        };
        var easy = half with { Sides = half.Sides.WithoutMore() };
        return easy.Effort is ToFailure or LastToFailure ? easy.WithReserve(new(3)) : easy;
    }

    /// <summary>
    /// The plan at a share of its system, each load rounded down to what the kit makes; what hangs on no known load
    /// stays.
    /// </summary>
    /// <param name="plan">As it stands.</param>
    /// <param name="share">0 to 1.</param>
    /// <param name="context">Body mass and kit; null: nothing is known, and only shares move.</param>
    public static Prescription ToSystemShare(Prescription plan, decimal share, ResolutionContext? context)
    {
        switch (plan.Load)
        {
            case ShareOfOneRepMax s:
                return plan with
                {
                    Load = new ShareOfOneRepMax(
                        Math.Clamp(Math.Round(s.Percent * share, 1), ShareOfOneRepMax.Minimum, ShareOfOneRepMax.Maximum)
                    ),
                };
            case ShareOfBodyMass b:
                return plan with
                {
                    Load = new ShareOfBodyMass(
                        Math.Clamp(
                            Math.Round((100 + b.Percent) * share - 100, 1),
                            ShareOfBodyMass.Minimum,
                            ShareOfBodyMass.Maximum
                        )
                    ),
                };
            case AddedLoad { Entry: var entry } when context is not null && entry.Value > 0:
                return plan with { Load = Written(Less(entry, share, context)) };
        }

        if (context is null)
            return plan;
        switch (plan)
        {
            case DropSet drop:
                var loads = drop.Loads.Select(l => Less(l, share, context)).ToArray();
                return loads.Zip(loads.Skip(1)).All(p => p.Second.Mass < p.First.Mass)
                    ? new DropSet(drop.SetTotal, drop.Parts, [.. loads]).Like(drop)
                    : plan;
            case VariedSets { Loads: { } each } varied:
                return
                    VariedSets.Of(varied.Reps, [.. each.Select(l => Less(l, share, context))]) is var lighter
                    && lighter.Load is { } one
                    ? lighter.Like(varied) with
                    {
                        Load = one,
                    }
                    : lighter.Like(varied);
            default:
                return plan;
        }
    }

    /// <summary>A third less of the reps or seconds of each set, at least one.</summary>
    public static Prescription ThirdLess(Prescription plan) =>
        plan switch
        {
            StraightSets s => s with { Reps = TwoThirds(s.Reps) },
            DoubleProgression d => d.WithRange(TwoThirds(d.Low), Math.Max(TwoThirds(d.Low) + 1, TwoThirds(d.High))),
            VariedSets v => VariedSets.Of([.. v.Reps.Select(TwoThirds)], v.Loads).Like(v),
            HoldSets { Seconds: { } seconds } h => h with { Seconds = TwoThirds(seconds) },
            VariedHolds v => VariedHolds.Of([.. v.Seconds.Select(TwoThirds)]).Like(v),
            Negatives n => n with { LowerSeconds = TwoThirds(n.LowerSeconds) },
            ExplosiveSets e => new ExplosiveSets(e.SetTotal, TwoThirds(e.Low), TwoThirds(e.High)).Like(e),
            RepsWithStretch r => new RepsWithStretch(
                r.SetTotal,
                TwoThirds(r.Low),
                TwoThirds(r.High),
                r.StretchSeconds
            ).Like(r),
            OnTheClock c => c.WithReps(TwoThirds(c.Reps)),
            _ => plan.WithSets(Math.Max(1, TwoThirds(plan.SetCount))),
        };

    /// <summary>A third fewer sets, at least one.</summary>
    public static Prescription ThirdFewerSets(Prescription plan) =>
        plan.WithSets(Math.Max(1, plan.SetCount - (plan.SetCount + 1) / 3));

    /// <summary>Two plans that ask the same of each set, whatever their sets and rests.</summary>
    public static bool IsSameDose(Prescription a, Prescription b) => OneSet(a) == OneSet(b);

    /// <summary>Does the load hang on the athlete, as against help or none?</summary>
    public static bool IsAddedLoad(LoadSpec? load) =>
        load is ShareOfOneRepMax or Counted or AddedLoad { Entry.Value: >= 0 } or ShareOfBodyMass { Percent: >= 0 };

    /// <summary>A load of nothing is body mass.</summary>
    public static LoadSpec? Written(MassEntry load) => load.Value == 0 ? null : new AddedLoad(load);

    private static Prescription OneSet(Prescription plan) =>
        (plan is VariedSets or VariedHolds or Pyramid or BrokenHold ? plan : plan.WithSets(1)) with
        {
            RestSeconds = null,
            RestMost = null,
        };

    private static int TwoThirds(int amount) => Math.Max(1, amount * 2 / 3);

    private static MassEntry Less(MassEntry entry, decimal share, ResolutionContext context)
    {
        var body = context.BodyMass.Value;
        var wanted = Mass.Max(Mass.Zero, (body + entry.Mass) * share - body);
        return MassEntry.Of(context.Kit.AtMost(wanted).Total, entry.Unit);
    }
}
