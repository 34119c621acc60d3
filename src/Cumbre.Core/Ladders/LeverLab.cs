using Cumbre.Core.Levers;

namespace Cumbre.Core.Ladders;

/// <summary>A lever of a ladder in the lab.</summary>
/// <param name="Step">Index on the ladder.</param>
/// <param name="Posture">The line of the step.</param>
/// <param name="Moment">N m at the shoulders, of a flag N of each hand.</param>
/// <param name="Low">The least by both tables of segments and what the eye may miss of the line.</param>
/// <param name="High">The most.</param>
/// <param name="Share">Of the full line.</param>
/// <param name="ArmAngle">On a bar, degrees from the vertical; null: no angle holds it, or it is a flag.</param>
/// <param name="Held">Seconds that were held; null: none.</param>
/// <param name="Allowed">Seconds that the holds promise by the curve; null: more than the maximum, or no hold.</param>
/// <param name="Help">Kilograms that make the training hold possible, by where they take hold; empty: none is needed, or
/// nothing was held; a flag is not reckoned.</param>
public sealed record LabStep(
    int Step,
    Posture Posture,
    double Moment,
    double Low,
    double High,
    double Share,
    double? ArmAngle,
    double? Held,
    double? Allowed,
    IReadOnlyDictionary<BodyPoint, double> Help
);

/// <summary>What bridges the gap before a step.</summary>
/// <param name="Before">Index of the harder step.</param>
/// <param name="After">Index of the easier one.</param>
public sealed record LabGap(int After, int Before, IReadOnlyList<HalfStep> HalfSteps);

/// <summary>
/// What the segment model and the curve of hold time say of an athlete's levers: to plan with; they never open or close
/// a gate.
/// </summary>
/// <param name="Full">Of the full line.</param>
/// <param name="Fit">The maximum that the holds speak for; null: none is long enough.</param>
/// <param name="Kind">What the figures are: moments, or forces of each hand.</param>
/// <param name="Steps">Those whose demand is of that kind.</param>
/// <param name="Gaps">Those that are too large.</param>
public sealed record LeverLab(
    DemandKind Kind,
    double Full,
    HoldFit? Fit,
    IReadOnlyList<LabStep> Steps,
    IReadOnlyList<LabGap> Gaps
)
{
    /// <summary>Seconds of a training hold (common practice, no source).</summary>
    public const double TrainingHold = 8;

    /// <param name="report">Where the athlete stands.</param>
    /// <param name="body">Of known stature and mass.</param>
    /// <param name="other">The same by another table of segments: how much a figure is worth.</param>
    /// <param name="withWeights">Ankle weights are proposed: never to minors.</param>
    public static LeverLab Of(PlacementReport report, LeverBody body, LeverBody other, bool withWeights)
    {
        var kind = report.Steps.Any(s => s.Step.Demand.Kind == DemandKind.HandForce)
            ? DemandKind.HandForce
            : DemandKind.Moment;
        var levers = report
            .Steps.Select((s, i) => (Report: s, Index: i))
            .Where(s => s.Report.Step.Demand is { Posture: not null } demand && demand.Kind == kind)
            .Select(s =>
                (s.Index, Posture: Demand.PostureOf(s.Report.Step.Demand.Posture!.Value), Held: HeldOn(s.Report))
            )
            .ToArray();
        var fit = HoldFit.Of(
            levers.Where(l => l.Held is not null).Select(l => (Demand.Figure(kind, l.Posture, body), l.Held!.Value))
        );
        return new(
            kind,
            Demand.Figure(kind, Posture.Full, body),
            fit,
            [.. levers.Select(l => Step(l.Index, l.Posture, l.Held, kind, body, other, fit))],
            [
                .. levers
                    .Zip(levers.Skip(1))
                    .Select(pair => new LabGap(
                        pair.First.Index,
                        pair.Second.Index,
                        [
                            .. HalfSteps
                                .Between(
                                    p => Demand.Figure(kind, p, body),
                                    kind == DemandKind.Moment ? body : null,
                                    pair.First.Posture,
                                    pair.Second.Posture
                                )
                                .Where(h => withWeights || h.Kind != HalfStepKind.AnkleWeight),
                        ]
                    ))
                    .Where(g => g.HalfSteps.Count > 0),
            ]
        );
    }

    private static LabStep Step(
        int index,
        Posture posture,
        double? held,
        DemandKind kind,
        LeverBody body,
        LeverBody other,
        HoldFit? fit
    )
    {
        var moment = Demand.Figure(kind, posture, body);
        var (low, high) = PostureDoubt.Of(
            [p => Demand.Figure(kind, p, body), p => Demand.Figure(kind, p, other)],
            posture
        );
        return new(
            index,
            posture,
            moment,
            low,
            high,
            moment / Demand.Figure(kind, Posture.Full, body),
            kind == DemandKind.Moment ? body.ArmAngle(posture) : null,
            held,
            fit?.Seconds(moment),
            kind == DemandKind.Moment && fit?.MomentFor(TrainingHold) is { } possible && possible < moment
                ? Enum.GetValues<BodyPoint>()
                    .ToDictionary(at => at, at => body.HelpFor(posture, possible, at) / LeverBody.Gravity)
                : []
        );
    }

    private static double? HeldOn(StepReport report) => (double?)report.Best?.Score.Seconds;
}
