using System.Globalization;
using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>
/// Four figures in seconds: lowering, pause at the bottom, lifting, pause at the top, whatever phase the movement
/// starts with.
/// Lifting null is X, as fast as possible. Each figure is 0 to 30.
/// </summary>
public readonly record struct Tempo
{
    /// <summary>A lifting phase as fast as possible counts this long in estimates (this project's choice).</summary>
    public const int FastSeconds = 1;

    /// <summary>A rep without a tempo counts this long in estimates (this project's choice).</summary>
    public const int SecondsWithoutTempo = 3;

    /// <exception cref="RuleViolationException">A figure is outside 0 to 30 s.</exception>
    [JsonConstructor]
    public Tempo(int lowering, int bottom, int? lifting, int top)
    {
        Lowering = Guard.InRange("lowering", lowering, 0, Limits.TempoPhaseMaximum);
        Bottom = Guard.InRange("bottom", bottom, 0, Limits.TempoPhaseMaximum);
        Lifting = lifting is { } seconds ? Guard.InRange("lifting", seconds, 0, Limits.TempoPhaseMaximum) : null;
        Top = Guard.InRange("top", top, 0, Limits.TempoPhaseMaximum);
    }

    public int Lowering { get; }

    public int Bottom { get; }

    public int? Lifting { get; }

    public int Top { get; }

    /// <summary>Seconds of one rep, with X as 1 s.</summary>
    [JsonIgnore]
    public int SecondsPerRep => Lowering + Bottom + (Lifting ?? FastSeconds) + Top;

    public override string ToString() =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{Lowering}-{Bottom}-{Lifting?.ToString(CultureInfo.InvariantCulture) ?? "X"}-{Top}"
        );
}
