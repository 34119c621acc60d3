using Cumbre.Core.Measures;

namespace Cumbre.Core.Levers;

/// <summary>The body for which demand is worked out.</summary>
/// <param name="Sex">Null: the mean of both tables.</param>
/// <param name="StatureCm">100 to 250; null: unknown, and moments are given as shares only.</param>
/// <param name="BodyMass">Null: unknown.</param>
/// <param name="Lengths">Measured lengths.</param>
public sealed record BodyBuild(Sex? Sex, decimal? StatureCm, Mass? BodyMass, MeasuredLengths Lengths)
{
    public static BodyBuild Unknown { get; } = new(null, null, null, MeasuredLengths.None);
}
