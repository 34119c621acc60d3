namespace Cumbre.Core.Benchmarks;

/// <summary>How long a benchmark speaks for the athlete.</summary>
public static class Staleness
{
    /// <summary>A result older than six weeks opens nothing new.</summary>
    public const int Days = 42;

    public static int Age(DateOnly measured, DateOnly today) => today.DayNumber - measured.DayNumber;

    public static bool IsStale(DateOnly measured, DateOnly today) => Age(measured, today) > Days;
}
