namespace Cumbre.Core.Review;

/// <summary>
/// The middle of values that scatter evenly to both sides: the median of the means of all pairs, with the interval that
/// the signed ranks give (Hodges and Lehmann 1963, Wilcoxon 1945; from memory).
/// </summary>
/// <param name="Middle">In the unit of the values.</param>
/// <param name="Low">Lower end of the interval.</param>
/// <param name="High">Upper end of the interval.</param>
public sealed record SignedRank(double Middle, double Low, double High)
{
    /// <param name="values">One or more.</param>
    /// <param name="confidence">Of the interval, for instance 0.8; what the exact distribution can give at
    /// least.</param>
    public static SignedRank Of(IReadOnlyList<double> values, double confidence)
    {
        var means = new List<double>(values.Count * (values.Count + 1) / 2);
        for (var i = 0; i < values.Count; i++)
        {
            for (var j = i; j < values.Count; j++)
                means.Add((values[i] + values[j]) / 2);
        }

        means.Sort();
        var middle = means.Count / 2;
        var cut = Cut(values.Count, (1 - confidence) / 2);
        return new(
            means.Count % 2 == 1 ? means[middle] : (means[middle - 1] + means[middle]) / 2,
            means[cut],
            means[^(cut + 1)]
        );
    }

    /// <summary>
    /// How many of the means lie outside at each end: the most with P(sum of ranks under it) no more than
    /// <paramref name="tail"/>, were the middle zero.
    /// </summary>
    public static int Cut(int count, double tail)
    {
        // Only shares matter: each rank is in the sum or not, with one half each.
        var share = new double[count * (count + 1) / 2 + 1];
        share[0] = 1;
        for (var rank = 1; rank <= count; rank++)
        {
            for (var sum = share.Length - 1; sum >= 0; sum--)
                share[sum] = (share[sum] + (sum >= rank ? share[sum - rank] : 0)) / 2;
        }

        var under = 0d;
        for (var sum = 0; sum < share.Length; sum++)
        {
            under += share[sum];
            if (under > tail + 1e-12)
                return Math.Min(sum, (share.Length - 2) / 2);
        }

        return 0;
    }
}
