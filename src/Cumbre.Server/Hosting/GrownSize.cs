namespace Cumbre.Server.Hosting;

/// <summary>How many athletes over how many years, for instance 60x1.</summary>
public sealed record GrownSize(int Athletes, int Years)
{
    private const int AthletesMost = 500,
        YearsMost = 10;

    /// <summary>Null: it cannot be read, or is over 500 athletes or 10 years.</summary>
    public static GrownSize? Read(string text) =>
        text.Split('x') is [var a, var y]
        && int.TryParse(a, out var athletes)
        && int.TryParse(y, out var years)
        && athletes is >= 1 and <= AthletesMost
        && years is >= 1 and <= YearsMost
            ? new(athletes, years)
            : null;
}
