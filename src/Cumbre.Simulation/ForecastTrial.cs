using Cumbre.Core.Review;

namespace Cumbre.Simulation;

/// <summary>How somebody gets better, and how their days scatter around it.</summary>
/// <param name="Points">Days on which something was shown, in twelve weeks.</param>
/// <param name="Gain">A week, in units of the measure.</param>
/// <param name="Scatter">Standard deviation of a day.</param>
/// <param name="Weeks">After the last day in which the threshold is really reached.</param>
public sealed record ForecastTrial(int Points, double Gain, double Scatter, double Weeks)
{
    private const int Days = 84,
        FarWeeks = 52;

    /// <summary>One day in ten scatters three times as much.</summary>
    public bool BadDays { get; init; }

    /// <summary>Figures are whole, as reps and seconds are.</summary>
    public bool Whole { get; init; }

    /// <summary>Half of a day's scatter stays until the next.</summary>
    public bool Drifting { get; init; }

    /// <summary>The gain halves every eight weeks.</summary>
    public bool Slowing { get; init; }

    /// <param name="athletes">How many are made up.</param>
    /// <param name="seed">The same seed makes the same athletes.</param>
    /// <returns>Forecasts that held the week in which the threshold is really reached, and forecasts made.</returns>
    public (int Held, int Told) Run(int athletes, int seed)
    {
        var random = new Random(seed);
        var (held, told) = (0, 0);
        for (var athlete = 0; athlete < athletes; athlete++)
        {
            double[] at =
            [
                .. Enumerable.Range(0, Days).OrderBy(_ => random.Next()).Take(Points).Order().Select(d => d / 7d),
            ];
            var reached = at[^1] + Weeks;
            var off = 0d;
            var shown = at.Select(x =>
                {
                    off =
                        (Drifting ? off / 2 : 0)
                        + Scatter * (BadDays && random.NextDouble() < 0.1 ? 3 : 1) * Normal(random);
                    var value = Level(x) + off;
                    return (x, Whole ? Math.Round(value) : value);
                })
                .ToArray();
            var crossing = Crossing.Of(shown, Level(reached), 0.8);
            if (crossing is null || crossing.To - at[^1] > FarWeeks)
                continue;
            told++;
            if (crossing.From <= reached && reached <= crossing.To)
                held++;
        }

        return (held, told);
    }

    private double Level(double week) =>
        10 + (Slowing ? Gain * 8 / Math.Log(2) * (1 - Math.Pow(2, -week / 8)) : Gain * week);

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
