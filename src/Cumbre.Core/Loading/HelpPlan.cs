namespace Cumbre.Core.Loading;

/// <summary>Between which two measured lengths a band is hung.</summary>
public enum BandStretch
{
    /// <summary>Between the bottom of the movement, where it is longest, and its middle.</summary>
    BottomToMiddle,
    MiddleToTop,
}

/// <summary>A measured band, hung so that it gives a certain help.</summary>
/// <param name="Name">Of the band.</param>
/// <param name="Stretch">Between which lengths.</param>
/// <param name="Share">0: as long as at the first of both, 1: as at the second.</param>
/// <param name="Low">Kilograms that it may give, by the uncertainty of a band.</param>
/// <param name="High">Kilograms that it may give.</param>
public sealed record BandHang(string Name, BandStretch Stretch, double Share, double Low, double High)
{
    /// <summary>
    /// How the band is hung for so much help; null: it does not give that at any length at which it was measured. Between
    /// two lengths its force runs evenly (this project's choice).
    /// </summary>
    public static BandHang? For(Band band, double kilograms)
    {
        var (bottom, middle, top) = ((double)band.BottomKg, (double)band.MiddleKg, (double)band.TopKg);
        if (kilograms > bottom || kilograms < top)
            return null;
        var doubt = (double)Band.Uncertainty;
        BandHang Hung(BandStretch stretch, double from, double to) =>
            new(
                band.Name,
                stretch,
                from > to ? (from - kilograms) / (from - to) : 0,
                kilograms * (1 - doubt),
                kilograms * (1 + doubt)
            );
        return kilograms >= middle
            ? Hung(BandStretch.BottomToMiddle, bottom, middle)
            : Hung(BandStretch.MiddleToTop, middle, top);
    }
}

/// <summary>A week of help that grows less.</summary>
/// <param name="Week">From 1.</param>
/// <param name="Kilograms">Of help.</param>
/// <param name="IsEasy">The help stays, and there is half the work.</param>
/// <param name="Bands">That give it, the one that is hung nearest to its middle length first; empty: none of those
/// measured.</param>
public sealed record HelpWeek(int Week, double Kilograms, bool IsEasy, IReadOnlyList<BandHang> Bands);

/// <summary>
/// Help that is reduced week by week to nothing: evenly over eight loading weeks, an easy one after every four (waves of
/// four and an easy week: common practice, no source; eight: this project's choice).
/// </summary>
public static class HelpPlan
{
    public const int LoadingWeeks = 8,
        Wave = 4;

    /// <param name="kilograms">That make the training hold possible now.</param>
    /// <param name="bands">Those that were measured.</param>
    public static IReadOnlyList<HelpWeek> Of(double kilograms, IReadOnlyList<Band> bands)
    {
        var weeks = new List<HelpWeek>();
        for (var loading = 0; loading < LoadingWeeks; loading++)
        {
            var help = kilograms * (LoadingWeeks - loading) / LoadingWeeks;
            var hung = Hung(help, bands);
            weeks.Add(new(weeks.Count + 1, help, false, hung));
            if ((loading + 1) % Wave == 0)
                weeks.Add(new(weeks.Count + 1, help, true, hung));
        }

        return weeks;
    }

    private static BandHang[] Hung(double kilograms, IReadOnlyList<Band> bands) =>
        [
            .. bands
                .Select(b => BandHang.For(b, kilograms))
                .OfType<BandHang>()
                .OrderBy(h => h.Stretch == BandStretch.BottomToMiddle ? 1 - h.Share : h.Share)
                .ThenBy(h => h.Name, StringComparer.Ordinal),
        ];
}
