using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>Turns a written load into what hangs on the athlete today, with the reasons.</summary>
internal static class LoadResolver
{
    /// <summary>A jump over this share of the system mass asks the coach to confirm.</summary>
    private const decimal LargeJumpShare = 0.10m;

    private static readonly Mass LargeJump = Mass.FromKilograms(5);

    /// <summary>The load of sets of <paramref name="reps"/>; null and a problem when it cannot be known.</summary>
    public static (Explained<LoadAnswer>? Load, ResolutionProblem? Problem) Resolve(LoadSpec? spec, Effort? effort, int reps, ResolutionContext context)
    {
        switch (spec)
        {
            case AddedLoad added:
                return (Answer(Explanation.For(RuleId.LoadAsWritten).Input(InputKey.WrittenLoad, Quantity.Added(added.Entry.Mass)).Source(SourceId.CoachsLine), added.Entry.Mass, context), null);

            case ShareOfBodyMass share:
                {
                    var body = context.BodyMass.Value;
                    var wanted = body * (share.Percent / 100);
                    var why = Explanation.For(RuleId.LoadForBodyMassShare, Quantity.OfPercent(share.Percent))
                        .Step(StepKey.ShareOf, Quantity.Added(wanted), Quantity.OfPercent(share.Percent), Quantity.Of(body))
                        .Source(SourceId.CoachsLine);
                    return (Answer(why, wanted, context), null);
                }

            case ShareOfOneRepMax share:
                {
                    if (context.OneRepMax is not { } max)
                        return (null, ResolutionProblem.NoOneRepMax);
                    var system = max.Value.Value * (share.Percent / 100);
                    var why = Explanation.For(RuleId.LoadForPercent, Quantity.OfPercent(share.Percent));
                    FromEstimate(why, max, context)
                        .Step(StepKey.ShareOf, Quantity.Of(system), Quantity.OfPercent(share.Percent), Quantity.Of(max.Value.Value));
                    return (Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context), null);
                }

            case null when effort is not null:
                {
                    var n = reps + effort.ReserveTarget;
                    if (!OneRepMax.Allows(n))
                        return (null, ResolutionProblem.TooManyEffectiveReps);
                    if (context.OneRepMax is not { } max)
                        return (null, ResolutionProblem.NoOneRepMax);
                    var system = OneRepMax.SystemFor(max.Value.Value, n);
                    var why = Explanation.For(RuleId.LoadForReserve, Quantity.Reps(reps), Quantity.Reserve(effort.ReserveTarget));
                    FromEstimate(why, max, context)
                        .Step(StepKey.EffectiveReps, Quantity.Reps(n), Quantity.Reps(reps), Quantity.Reserve(effort.ReserveTarget))
                        .Step(StepKey.SystemForReps, Quantity.Of(system), Quantity.Of(max.Value.Value), Quantity.Reps(n));
                    return (Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context), null);
                }

            default:
                return (Answer(Explanation.For(RuleId.LoadAsWritten).Input(InputKey.WrittenLoad, Quantity.Added(Mass.Zero)).Source(SourceId.CoachsLine), Mass.Zero, context), null);
        }
    }

    /// <summary>The back-off load: the made top set's system less a percent.</summary>
    public static Explained<LoadAnswer> BackOff(Explained<LoadAnswer> top, decimal percent, ResolutionContext context)
    {
        var topSystem = context.BodyMass.Value + top.Value.Made;
        var system = topSystem * (1 - percent / 100);
        var why = Explanation.For(RuleId.LoadForBackOff, Quantity.OfPercent(percent))
            .Input(InputKey.TopSetSystem, Quantity.Of(topSystem))
            .Step(StepKey.ShareOf, Quantity.Of(system), Quantity.OfPercent(100 - percent), Quantity.Of(topSystem))
            .Source(SourceId.House);
        return Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context, countsAsJump: false);
    }

    /// <summary>Cautions on the size of the step from the last exposure, and on a load over the e1RM.</summary>
    public static void CautionOnStep(ExplanationBuilder why, Mass made, ResolutionContext context)
    {
        var system = context.BodyMass.Value + made;
        if (context.LastLoad is { } last && made > last)
        {
            var jump = made - last;
            var share = jump / (context.BodyMass.Value + last);
            if (jump > LargeJump || share > LargeJumpShare)
                why.Caution(CautionId.JumpLarge, Quantity.Added(jump), Quantity.OfFraction(share));
        }

        if (context.OneRepMax is { } max && system > max.Value.Value)
            why.Caution(CautionId.AboveOneRepMax, Quantity.OfFraction(system / max.Value.Value));
    }

    private static ExplanationBuilder FromEstimate(ExplanationBuilder why, Explained<E1Rm> max, ResolutionContext context)
    {
        why.Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value))
            .Input(InputKey.OneRepMaxLow, Quantity.Of(max.Value.Low))
            .Input(InputKey.OneRepMaxHigh, Quantity.Of(max.Value.High))
            .Input(InputKey.TestedOn, Quantity.On(max.Value.MeasuredOn))
            .Source(SourceId.Epley1985)
            .CautionsOf(max.Why);
        if (context.OneRepMaxAgeDays > Staleness.Days)
            why.Caution(CautionId.TestStale, Quantity.Days(context.OneRepMaxAgeDays));
        foreach (var step in max.Why.Working.Take(3))
            why.Step(step.Key, step.Result, [.. step.Args]);
        return why;
    }

    private static ExplanationBuilder FromSystem(ExplanationBuilder why, Mass system, ResolutionContext context) =>
        why.Step(StepKey.AddedFromSystem, Quantity.Added(system - context.BodyMass.Value), Quantity.Of(system), Quantity.Of(context.BodyMass.Value));

    private static Explained<LoadAnswer> Answer(ExplanationBuilder why, Mass wanted, ResolutionContext context, bool countsAsJump = true)
    {
        why.Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value)).CautionsOf(context.BodyMass.Why);
        if (wanted < Mass.Zero)
        {
            return why.Rounded(RoundingKey.Assistance, Quantity.Of(-wanted))
                .Step(StepKey.NowOnTheBar, Quantity.Of(context.BodyMass.Value + wanted), Quantity.Of(context.BodyMass.Value), Quantity.Added(wanted))
                .Build(new LoadAnswer(wanted, wanted, Loading.Loadout.Nothing));
        }

        var pieces = context.Kit.Nearest(wanted);
        var made = pieces.Total;
        why.Step(StepKey.NowOnTheBar, Quantity.Of(context.BodyMass.Value + made), Quantity.Of(context.BodyMass.Value), Quantity.Added(made));
        Round(why, wanted, pieces);
        if (countsAsJump)
            CautionOnStep(why, made, context);
        return why.Build(new LoadAnswer(wanted, made, pieces));
    }

    private static void Round(ExplanationBuilder why, Mass wanted, Loading.Loadout pieces)
    {
        if (pieces.PieceTotal == 0 && wanted == Mass.Zero)
            why.Rounded(RoundingKey.BodyMassOnly);
        else if (pieces.Total == wanted)
            why.Rounded(RoundingKey.Exact, Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
        else
            why.Rounded(RoundingKey.Nearest, Quantity.Added(wanted), Quantity.Added(pieces.Total), Quantity.Added(pieces.Total - wanted), Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
        // Half a plate either way is rounding; more than that is a gap in the kit that the coach should see.
        if ((pieces.Total - wanted).Abs() > Mass.FromKilograms(1.25m))
            why.Caution(CautionId.KitCoarse, Quantity.Added(pieces.Total - wanted));
    }
}
