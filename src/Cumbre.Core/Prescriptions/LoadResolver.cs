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
    public static (Explained<LoadAnswer>? Load, ResolutionProblem? Problem) Resolve(
        LoadSpec? spec,
        Effort? effort,
        int reps,
        ResolutionContext context
    ) =>
        spec switch
        {
            AddedLoad added => (AsWritten(added.Entry.Mass, context), null),
            ShareOfBodyMass share => (OfBodyMass(share, context), null),
            ShareOfOneRepMax share => OfOneRepMax(share, context),
            BandHelp help => Band(help, context),
            NamedBand => (null, ResolutionProblem.NoBandOfThatName),
            FootHelp => (ByFeet(context), null),
            Counted counted => Count(counted, context),
            null when effort is not null && context.LoadFollowsEffort => ForReserve(reps, effort, context),
            _ => (AsWritten(Mass.Zero, context), null),
        };

    private static Explained<LoadAnswer> AsWritten(Mass load, ResolutionContext context) =>
        Answer(
            Explanation
                .For(RuleId.LoadAsWritten)
                .Input(InputKey.WrittenLoad, Quantity.Added(load))
                .Source(SourceId.CoachsLine),
            load,
            context
        );

    private static Explained<LoadAnswer> OfBodyMass(ShareOfBodyMass share, ResolutionContext context)
    {
        var body = context.BodyMass.Value;
        var wanted = body * (share.Percent / 100);
        var why = Explanation
            .For(RuleId.LoadForBodyMassShare, Quantity.OfPercent(share.Percent))
            .Step(StepKey.ShareOf, Quantity.Added(wanted), Quantity.OfPercent(share.Percent), Quantity.Of(body))
            .Source(SourceId.CoachsLine);
        return Answer(why, wanted, context);
    }

    private static (Explained<LoadAnswer>? Load, ResolutionProblem? Problem) OfOneRepMax(
        ShareOfOneRepMax share,
        ResolutionContext context
    )
    {
        if (context.OneRepMax is not { } max)
            return (null, ResolutionProblem.NoOneRepMax);
        var system = max.Value.Value * (share.Percent / 100);
        var why = Explanation.For(RuleId.LoadForPercent, Quantity.OfPercent(share.Percent));
        FromEstimate(why, max, context)
            .Step(
                StepKey.ShareOf,
                Quantity.Of(system),
                Quantity.OfPercent(share.Percent),
                Quantity.Of(max.Value.Value)
            );
        return (Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context), null);
    }

    private static (Explained<LoadAnswer>? Load, ResolutionProblem? Problem) ForReserve(
        int reps,
        Effort effort,
        ResolutionContext context
    )
    {
        var effective = reps + effort.ReserveTarget;
        if (!OneRepMax.Allows(effective))
            return (null, ResolutionProblem.TooManyEffectiveReps);
        if (context.OneRepMax is not { } max)
            return (null, ResolutionProblem.NoOneRepMax);
        var system = OneRepMax.SystemFor(max.Value.Value, effective);
        var why = Explanation.For(RuleId.LoadForReserve, Quantity.Reps(reps), Quantity.Reserve(effort.ReserveTarget));
        FromEstimate(why, max, context)
            .Step(
                StepKey.EffectiveReps,
                Quantity.Reps(effective),
                Quantity.Reps(reps),
                Quantity.Reserve(effort.ReserveTarget)
            )
            .Step(StepKey.SystemForReps, Quantity.Of(system), Quantity.Of(max.Value.Value), Quantity.Reps(effective));
        return (Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context), null);
    }

    private static Explained<LoadAnswer> ByFeet(ResolutionContext context) =>
        Explanation
            .For(RuleId.LoadByFeet)
            .Source(SourceId.CommonPractice)
            .Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value))
            .Build(new LoadAnswer(Mass.Zero, Mass.Zero, Loading.Loadout.Nothing) { ByFeet = true, IsWeighed = false });

    /// <summary>The back-off load: the made top set's system less a percent.</summary>
    public static Explained<LoadAnswer> BackOff(Explained<LoadAnswer> top, decimal percent, ResolutionContext context)
    {
        var topSystem = context.BodyMass.Value + top.Value.Made;
        var system = topSystem * (1 - percent / 100);
        var why = Explanation
            .For(RuleId.LoadForBackOff, Quantity.OfPercent(percent))
            .Input(InputKey.TopSetSystem, Quantity.Of(topSystem))
            .Step(StepKey.ShareOf, Quantity.Of(system), Quantity.OfPercent(100 - percent), Quantity.Of(topSystem))
            .Source(SourceId.House);
        return Answer(FromSystem(why, system, context), system - context.BodyMass.Value, context, countsAsJump: false);
    }

    /// <summary>Cautions on the size of the step from the last exposure, and on a load over the e1RM.</summary>
    public static void CautionOnStep(ExplanationBuilder why, Mass made, ResolutionContext context)
    {
        var system = context.BodyMass.Value + made;
        if (context.LastLoad is { } last && made > last && IsLargeJump(context.BodyMass.Value, last, made))
            why.Caution(
                CautionId.JumpLarge,
                Quantity.Added(made - last),
                Quantity.OfFraction((made - last) / (context.BodyMass.Value + last))
            );

        if (context.OneRepMax is { } max && system > max.Value.Value)
            why.Caution(CautionId.AboveOneRepMax, Quantity.OfFraction(system / max.Value.Value));
    }

    /// <summary>Does a step from one load to another ask the coach to confirm?</summary>
    public static bool IsLargeJump(Mass body, Mass from, Mass to) =>
        to - from > LargeJump || (to - from) / (body + from) > LargeJumpShare;

    /// <summary>The heaviest load that is no large jump.</summary>
    public static Mass LargestStep(Mass body, Mass from) =>
        Mass.Min(from + LargeJump, from + (body + from) * LargeJumpShare);

    private static ExplanationBuilder FromEstimate(
        ExplanationBuilder why,
        Explained<E1Rm> max,
        ResolutionContext context
    )
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
        why.Step(
            StepKey.AddedFromSystem,
            Quantity.Added(system - context.BodyMass.Value),
            Quantity.Of(system),
            Quantity.Of(context.BodyMass.Value)
        );

    private static Explained<LoadAnswer> Answer(
        ExplanationBuilder why,
        Mass wanted,
        ResolutionContext context,
        bool countsAsJump = true
    )
    {
        why.Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value)).CautionsOf(context.BodyMass.Why);
        if (wanted < Mass.Zero)
        {
            if (NearestBand(-wanted, context) is { } band)
                return ByBand(why, wanted, band, context);
            return why.Rounded(RoundingKey.Assistance, Quantity.Of(-wanted))
                .Step(
                    StepKey.NowOnTheBar,
                    Quantity.Of(context.BodyMass.Value + wanted),
                    Quantity.Of(context.BodyMass.Value),
                    Quantity.Added(wanted)
                )
                .Build(new LoadAnswer(wanted, wanted, Loading.Loadout.Nothing));
        }

        var pieces = context.Kit.Nearest(wanted);
        var made = pieces.Total;
        why.Step(
            StepKey.NowOnTheBar,
            Quantity.Of(context.BodyMass.Value + made),
            Quantity.Of(context.BodyMass.Value),
            Quantity.Added(made)
        );
        Round(why, wanted, pieces);
        if (countsAsJump)
            CautionOnStep(why, made, context);
        return why.Build(new LoadAnswer(wanted, made, pieces));
    }

    /// <summary>The band whose mean help is nearest, if the wanted help lies within its uncertainty.</summary>
    private static Loading.Band? NearestBand(Mass help, ResolutionContext context) =>
        context
            .Bands.Select(b => (Band: b, Off: (b.Help(context.Day).Value - help).Abs()))
            .Where(b => b.Off <= b.Band.Help(context.Day).Value * Loading.Band.Uncertainty)
            .OrderBy(b => b.Off.Kilograms)
            .Select(b => b.Band)
            .FirstOrDefault();

    private static (Explained<LoadAnswer>?, ResolutionProblem?) Band(BandHelp help, ResolutionContext context)
    {
        if (NearestBand(help.Entry.Mass, context) is not { } band)
            return (null, ResolutionProblem.NoSuchBand);
        var why = Explanation
            .For(RuleId.LoadByBand)
            .Input(InputKey.WrittenLoad, Quantity.Of(help.Entry.Mass))
            .Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value))
            .CautionsOf(context.BodyMass.Why);
        return (ByBand(why, -help.Entry.Mass, band, context), null);
    }

    private static Explained<LoadAnswer> ByBand(
        ExplanationBuilder why,
        Mass wanted,
        Loading.Band band,
        ResolutionContext context
    )
    {
        var mean = band.Help(context.Day, context.BodyMass.Value);
        foreach (var fact in mean.Why.Inputs)
            why.Input(fact.Key, fact.Value);
        foreach (var step in mean.Why.Working)
            why.Step(step.Key, step.Result, [.. step.Args]);
        return why.Step(
                StepKey.NowOnTheBar,
                Quantity.Of(context.BodyMass.Value - mean.Value),
                Quantity.Of(context.BodyMass.Value),
                Quantity.Added(-mean.Value)
            )
            .Rounded(RoundingKey.NearestBand, Quantity.Of(-wanted), Quantity.Of(mean.Value), Quantity.Name(band.Name))
            .Source(SourceId.House)
            .CautionsOf(mean.Why)
            .Build(new LoadAnswer(wanted, -mean.Value, Loading.Loadout.Nothing) { Band = band });
    }

    private static (Explained<LoadAnswer>?, ResolutionProblem?) Count(Counted counted, ResolutionContext context)
    {
        if (context.Counted.FirstOrDefault(c => SameThing(c.Name, counted.Name)) is not { } pieces)
            return (null, ResolutionProblem.NoSuchCounted);
        if (counted.Count > pieces.Count)
            return (null, ResolutionProblem.TooFewCounted);
        var why = Explanation
            .For(RuleId.LoadByCount)
            .Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value))
            .Input(InputKey.CountedPieces, Quantity.Count(counted.Count))
            .Source(SourceId.CommonPractice);
        if (pieces.Of(counted.Count) is not { } mass)
            return (
                why.Rounded(RoundingKey.NeverWeighed)
                    .Build(
                        new LoadAnswer(Mass.Zero, Mass.Zero, Loading.Loadout.Nothing)
                        {
                            Counted = counted,
                            IsWeighed = false,
                        }
                    ),
                null
            );
        why.Step(
                StepKey.CountTimesUnit,
                Quantity.Added(mass),
                Quantity.Count(counted.Count),
                Quantity.Of(pieces.Unit!.Value.Mass)
            )
            .Step(
                StepKey.NowOnTheBar,
                Quantity.Of(context.BodyMass.Value + mass),
                Quantity.Of(context.BodyMass.Value),
                Quantity.Added(mass)
            );
        CautionOnStep(why, mass, context);
        return (why.Build(new LoadAnswer(mass, mass, Loading.Loadout.Nothing) { Counted = counted }), null);
    }

    /// <summary>One or many: book, books.</summary>
    private static bool SameThing(string name, string written) =>
        string.Equals(name, written, StringComparison.OrdinalIgnoreCase)
        || string.Equals(name + "s", written, StringComparison.OrdinalIgnoreCase)
        || string.Equals(name, written + "s", StringComparison.OrdinalIgnoreCase);

    private static void Round(ExplanationBuilder why, Mass wanted, Loading.Loadout pieces)
    {
        if (pieces.PieceTotal == 0 && wanted == Mass.Zero)
            why.Rounded(RoundingKey.BodyMassOnly);
        else if (pieces.Total == wanted)
            why.Rounded(RoundingKey.Exact, Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
        else
            why.Rounded(
                RoundingKey.Nearest,
                Quantity.Added(wanted),
                Quantity.Added(pieces.Total),
                Quantity.Added(pieces.Total - wanted),
                Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass))
            );
        if (LineFit.IsOther(new(wanted, pieces.Total, pieces)))
            why.Caution(CautionId.KitCoarse, Quantity.Added(wanted), Quantity.Added(pieces.Total));
    }
}
