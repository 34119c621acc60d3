namespace Cumbre.Core.Sessions;

/// <summary>
/// How far back the rules read the log set by set. Of what is older they know the tests, and what training showed that
/// nothing earlier shows as well.
/// </summary>
public static class TrainingWindow
{
    /// <summary>
    /// Sixteen weeks, and it moves on four weeks at a time (this project's choice): the pages show twelve, a test is
    /// stale after six.
    /// </summary>
    public const int Days = 112,
        Stride = 28;

    /// <summary>A stop is read with so many days before it: it may rest on the pain of the session before.</summary>
    public const int BeforeStop = 42;

    /// <summary>The first day that is read; it falls on a Monday.</summary>
    /// <param name="lastTrained">The day of the newest session that counts; null: nothing was trained.</param>
    public static DateOnly From(DateOnly? lastTrained)
    {
        if (lastTrained is not { } last || last.DayNumber < Days + Stride)
            return DateOnly.MinValue;
        var day = last.DayNumber - Days;
        return DateOnly.FromDayNumber(day - day % Stride);
    }
}
