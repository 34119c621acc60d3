using Cumbre.Core.Explanations;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Ladders;

/// <summary>The height of a step on the ridge.</summary>
/// <param name="Kind">What it means; <see cref="DemandKind.House"/> for a value that is only stated.</param>
/// <param name="Share">Of the summit's, as a fraction; over 1 where a step asks more than the summit.</param>
/// <param name="Absolute">N m, N or kg; null where there is none, or where stature or body mass is unknown.</param>
public sealed record StepDemand(DemandKind Kind, decimal Share, Quantity? Absolute);

/// <summary>Works out the demand of the steps of a ladder.</summary>
public static class Demand
{
    /// <summary>
    /// Of each leg from the midline, in a straddle; and the distance between the hands in a flag (this project's
    /// choices).
    /// </summary>
    public const double StraddleDegrees = 45,
        FlagGripMetres = 0.9;

    /// <summary>A share does not depend on size, so it is worked out for this body where size is unknown.</summary>
    private const double AnyStature = 1.74;

    private static readonly Mass AnyMass = Mass.FromKilograms(70);

    /// <summary>A body of usual size, for shares alone.</summary>
    public static LeverBody AnyBody => new(SegmentTable.For(null), AnyMass, AnyStature);

    /// <summary>The demand of every step, in order.</summary>
    public static IReadOnlyList<Explained<StepDemand>> Of(Ladder ladder, BodyBuild build)
    {
        var body = BodyOf(build);
        var summit = Figure(ladder.Summit.Demand, body);
        return [.. ladder.Steps.Select(s => Explain(s, ladder, body, build, summit))];
    }

    /// <summary>The shares alone, for many athletes at once.</summary>
    public static decimal[] Shares(Ladder ladder, BodyBuild build)
    {
        var body = BodyOf(build);
        var summit = Figure(ladder.Summit.Demand, body);
        return [.. ladder.Steps.Select(s => Share(s.Demand, summit, body))];
    }

    public static Posture PostureOf(PostureName name) =>
        name switch
        {
            PostureName.Tuck => Posture.Tuck,
            PostureName.AdvancedTuck => Posture.AdvancedTuck,
            PostureName.OneLeg => Posture.OneLeg,
            PostureName.HalfLay => Posture.HalfLay,
            PostureName.Straddle => Posture.Straddle(StraddleDegrees),
            _ => Posture.Full,
        };

    private static LeverBody BodyOf(BodyBuild build) =>
        new(
            SegmentTable.For(build.Sex),
            build.BodyMass ?? AnyMass,
            build.StatureCm is { } cm ? (double)cm / 100 : AnyStature,
            build.StatureCm is null ? null : build.Lengths
        );

    private static bool IsModelled(DemandKind kind) => kind is DemandKind.Moment or DemandKind.HandForce;

    private static decimal Share(DemandSpec demand, double summit, LeverBody body) =>
        Math.Round(
            demand.Kind is DemandKind.House or DemandKind.ContactHeight
                ? demand.Percent!.Value / 100
                : (decimal)(Figure(demand, body) / summit),
            6
        );

    /// <summary>N m, N, share of body mass, or multiple of body mass for one repetition.</summary>
    private static double Figure(DemandSpec demand, LeverBody body) =>
        demand.Kind switch
        {
            DemandKind.Moment or DemandKind.HandForce => Figure(demand.Kind, PostureOf(demand.Posture!.Value), body),
            DemandKind.SystemMass => (double)SystemForOne(demand),
            _ => (double)demand.Percent!.Value / 100,
        };

    /// <summary>Of a line: N of each hand in a flag, else N m at the shoulders.</summary>
    internal static double Figure(DemandKind kind, Posture posture, LeverBody body) =>
        kind == DemandKind.HandForce ? body.FlagPull(posture, FlagGripMetres) : body.ShoulderMoment(posture);

    /// <summary>
    /// One-repetition maximum that the step asks, in body masses (Epley 1985; a single is the maximum itself).
    /// </summary>
    private static decimal SystemForOne(DemandSpec demand) =>
        (1 + demand.AddedPercent!.Value / 100) * (demand.Reps == 1 ? 1 : 1 + demand.Reps!.Value / 30m);

    private static Explained<StepDemand> Explain(
        LadderStep step,
        Ladder ladder,
        LeverBody body,
        BodyBuild build,
        double summit
    )
    {
        var demand = step.Demand;
        var figure = Figure(demand, body);
        var share = Share(demand, summit, body);
        var why = Explanation.For(RuleOf(demand.Kind), Quantity.Name(ladder.Summit.Name));
        Quantity? absolute = null;
        if (IsModelled(demand.Kind))
        {
            var known = build is { StatureCm: not null, BodyMass: not null };
            why.Input(InputKey.SegmentTable, Quantity.Slug(build.Sex?.ToString() ?? "Neither"))
                .Source(SourceId.DeLeva1996);
            if (known)
            {
                absolute = demand.Kind == DemandKind.Moment ? Quantity.Moment(figure) : Quantity.Force(figure);
                why.Input(InputKey.Stature, Quantity.Centimetres(build.StatureCm!.Value))
                    .Input(InputKey.BodyMass, Quantity.Of(build.BodyMass!.Value))
                    .Step(
                        demand.Kind == DemandKind.Moment ? StepKey.ShoulderMoment : StepKey.HandForce,
                        absolute,
                        Quantity.Name(step.Name)
                    )
                    .Step(
                        StepKey.SummitDemand,
                        demand.Kind == DemandKind.Moment ? Quantity.Moment(summit) : Quantity.Force(summit),
                        Quantity.Name(ladder.Summit.Name)
                    );
                if (demand.Kind == DemandKind.Moment && body.ArmAngle(PostureOf(demand.Posture!.Value)) is { } angle)
                    why.Step(StepKey.ArmAngle, Quantity.Degrees(angle));
            }
            else
            {
                why.Caution(CautionId.StatureUnknown);
            }

            why.Step(StepKey.ShareOfSummit, Quantity.OfFraction(share)).Caution(CautionId.ModelLimits);
        }
        else if (demand.Kind == DemandKind.SystemMass)
        {
            why.Source(SourceId.Epley1985, SourceId.House);
            if (build.BodyMass is { } mass)
            {
                absolute = Quantity.Of(mass * SystemForOne(demand));
                why.Input(InputKey.BodyMass, Quantity.Of(mass))
                    .Step(
                        StepKey.AddedForPercent,
                        Quantity.Added(mass * (demand.AddedPercent!.Value / 100)),
                        Quantity.OfPercent(demand.AddedPercent.Value),
                        Quantity.Of(mass)
                    )
                    .Step(StepKey.SystemForOne, absolute, Quantity.Reps(demand.Reps!.Value));
            }

            why.Step(StepKey.ShareOfSummit, Quantity.OfFraction(share));
        }
        else
        {
            if (demand.Kind == DemandKind.BodyShare)
            {
                absolute = build.BodyMass is { } mass ? Quantity.Of(mass * (demand.Percent!.Value / 100)) : null;
                why.Input(InputKey.ShareOfBodyWeight, Quantity.OfPercent(demand.Percent!.Value))
                    .Source(SourceId.Suprak2011, SourceId.Ebben2011, SourceId.House)
                    .Step(StepKey.ShareOfSummit, Quantity.OfFraction(share));
            }
            else
            {
                why.Step(StepKey.ShareOfSummit, Quantity.OfFraction(share)).Source(SourceId.House);
            }
        }

        return why.Build(new StepDemand(demand.Kind, share, absolute));
    }

    private static RuleId RuleOf(DemandKind kind) =>
        kind switch
        {
            DemandKind.Moment => RuleId.DemandMoment,
            DemandKind.HandForce => RuleId.DemandHandForce,
            DemandKind.SystemMass => RuleId.DemandSystem,
            DemandKind.BodyShare => RuleId.DemandBodyShare,
            DemandKind.ContactHeight => RuleId.DemandContact,
            _ => RuleId.DemandHouse,
        };
}
