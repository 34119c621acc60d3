namespace Cumbre.Core.Safety;

/// <summary>What a check-in says about the day.</summary>
public static class Readiness
{
    /// <summary>Hours.</summary>
    public const decimal ShortNight = 6;

    /// <summary>Of 10.</summary>
    public const int VerySore = 7;

    /// <summary>
    /// Under 6 h of sleep and a soreness of 7 and more offer the easy version of the day (this project's choice).
    /// </summary>
    public static bool OffersEasy(CheckIn checkIn) => checkIn is { SleepHours: < ShortNight, Soreness: >= VerySore };
}
