namespace Cumbre.Core.Levers;

/// <summary>How a gap between two steps is bridged.</summary>
public enum HalfStepKind
{
    /// <summary>A line between both, by the angles of hips and knees.</summary>
    Line,

    /// <summary>The harder line, with help that takes a part of the weight.</summary>
    Help,

    /// <summary>The easier line, with a weight at the ankles.</summary>
    AnkleWeight,
}

/// <summary>A step between two.</summary>
/// <param name="Kind">How.</param>
/// <param name="Posture">The line that is held.</param>
/// <param name="Kilograms">Of help or of weight; 0 for a line.</param>
/// <param name="At">Where help takes hold; the ankles for a weight.</param>
/// <param name="Moment">N m at the shoulders, of a flag N of each hand.</param>
/// <param name="Share">Of the full line.</param>
public sealed record HalfStep(
    HalfStepKind Kind,
    Posture Posture,
    double Kilograms,
    BodyPoint At,
    double Moment,
    double Share
);

/// <summary>Steps that bridge a gap which is too large, by demand.</summary>
public static class HalfSteps
{
    /// <summary>
    /// A gap of more than this share of the full line is bridged; that is about the step from advanced tuck to
    /// straddle, which many find too large (this project's choice).
    /// </summary>
    public const double GapMaximum = 0.08;

    /// <summary>Heavier ankle weights pull at the knees (this project's choice), kg in all.</summary>
    public const double AnkleWeightMaximum = 6;

    private const int Halvings = 50;

    /// <summary>
    /// So many evenly spaced demands that no gap is larger than <see cref="GapMaximum"/>, each by a line, by help at the
    /// hips and at the ankles, and by a weight at the ankles where that is not too heavy; empty where the gap is small.
    /// </summary>
    /// <param name="body">Without ankle weights.</param>
    /// <param name="easier">The line that is held.</param>
    /// <param name="harder">The next one, which costs more.</param>
    public static IReadOnlyList<HalfStep> Between(LeverBody body, Posture easier, Posture harder) =>
        Between(p => body.ShoulderMoment(p), body, easier, harder);

    /// <summary>The same for any demand of a line.</summary>
    /// <param name="demand">N m or N.</param>
    /// <param name="held">Whom help and weights are worked out for; null: lines only.</param>
    /// <param name="easier">The line that is held.</param>
    /// <param name="harder">The next one, which costs more.</param>
    public static IReadOnlyList<HalfStep> Between(
        Func<Posture, double> demand,
        LeverBody? held,
        Posture easier,
        Posture harder
    )
    {
        var full = demand(Posture.Full);
        var (low, high) = (demand(easier), demand(harder));
        var parts = (int)Math.Ceiling((high - low) / full / GapMaximum);
        var steps = new List<HalfStep>();
        for (var i = 1; i < parts; i++)
        {
            var moment = low + (high - low) * i / parts;
            HalfStep Of(HalfStepKind kind, Posture posture, double kilograms, BodyPoint at) =>
                new(kind, posture, kilograms, at, moment, moment / full);
            if (LineFor(demand, easier, harder, moment) is { } line)
                steps.Add(Of(HalfStepKind.Line, line, 0, BodyPoint.Ankles));
            if (held is not { } body)
                continue;
            foreach (var at in (ReadOnlySpan<BodyPoint>)[BodyPoint.Hips, BodyPoint.Ankles])
                steps.Add(Of(HalfStepKind.Help, harder, body.HelpFor(harder, moment, at) / LeverBody.Gravity, at));
            if (body.AnkleWeightFor(easier, moment) is var weight && weight <= AnkleWeightMaximum)
                steps.Add(Of(HalfStepKind.AnkleWeight, easier, weight, BodyPoint.Ankles));
        }

        return steps;
    }

    /// <summary>
    /// The line between two that costs so much: all angles run evenly from one to the other. Null where the way between
    /// them does not pass it.
    /// </summary>
    private static Posture? LineFor(Func<Posture, double> demand, Posture easier, Posture harder, double moment)
    {
        var (low, high) = (0.0, 1.0);
        if (demand(easier) > moment || demand(harder) < moment)
            return null;
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            if (demand(Mixed(easier, harder, middle)) < moment)
                low = middle;
            else
                high = middle;
        }

        return Mixed(easier, harder, high);
    }

    private static Posture Mixed(Posture a, Posture b, double share)
    {
        double Mix(double x, double y) => x + (y - x) * share;
        LegPose Leg(LegPose x, LegPose y) => new(Mix(x.Hip, y.Hip), Mix(x.Knee, y.Knee), Mix(x.Abduction, y.Abduction));
        return new(Leg(a.One, b.One), Leg(a.Other, b.Other));
    }
}
