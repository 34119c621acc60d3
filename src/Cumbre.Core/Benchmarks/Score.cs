using Cumbre.Core.Measures;

namespace Cumbre.Core.Benchmarks;

/// <summary>The highest place of the body that touched the bar in a fast pull, lowest first.</summary>
public enum Contact
{
    Chin,
    Collarbone,
    Chest,
    Belly,
    Hip,
}

/// <summary>
/// What a test counted. Where a test has several sets, or a set several repetitions, the figures are those that every
/// one
/// of them reached. Guarded ranges: sets 1 to 20, reps 0 to 200, seconds 0 to 3,600, degrees 1 to 220, rest 0 to 1,800
/// s.
/// </summary>
public sealed record Score
{
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public Score(
        int reps = 1,
        int sets = 1,
        decimal? seconds = null,
        Contact? contact = null,
        decimal? degrees = null,
        int? restSeconds = null
    )
    {
        Reps = Guard.InRange("reps", reps, Limits.Nothing, Limits.RepsMaximum);
        Sets = Guard.InRange("sets", sets, Limits.SetsMinimum, Limits.SetsMaximum);
        Seconds = seconds is { } s ? Guard.InRange("seconds", s, Limits.Nothing, Limits.SecondsMaximum) : null;
        Contact = contact;
        Degrees = degrees is { } d ? Guard.InRange("degrees", d, Limits.DegreesMinimum, Limits.DegreesMaximum) : null;
        RestSeconds = restSeconds is { } r ? Guard.InRange("restSeconds", r, 0, Limits.RestMaximum) : null;
    }

    /// <summary>Repetitions of each set; 1 for a hold.</summary>
    public int Reps { get; }

    public int Sets { get; }

    /// <summary>Seconds of each hold or of each descent.</summary>
    public decimal? Seconds { get; }

    /// <summary>The contact that every repetition reached.</summary>
    public Contact? Contact { get; }

    /// <summary>Range of a joint without pain.</summary>
    public decimal? Degrees { get; }

    /// <summary>The longest rest between the sets.</summary>
    public int? RestSeconds { get; }

    public static Score OfReps(int reps, int sets = 1) => new(reps, sets);

    public static Score OfSeconds(decimal seconds, int sets = 1) => new(1, sets, seconds);
}
