using System.Globalization;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Ladders;

/// <summary>
/// Writes a result in the notation of the thresholds, so that have and need read alike: <c>3 x 9 s</c>, <c>chest x
/// 4</c>.
/// </summary>
public static class ResultPrinter
{
    public static string Print(BenchmarkResult result) => Print(result.Score, result.Added);

    public static string Print(Score score, MassEntry added)
    {
        var sets = score.Sets > 1 ? $"{score.Sets} x " : "";
        if (score.Degrees is { } degrees)
            return $"{Number(degrees)} degrees";
        if (score.Contact is { } contact)
            return $"{contact.ToString().ToLowerInvariant()} x {score.Reps}";
        if (score.Seconds is { } seconds)
            return $"{(score.Reps > 1 ? $"{score.Sets} x {score.Reps} x " : sets)}{Number(seconds)} s";
        if (score.RestSeconds is { } rest)
            return $"{score.Sets} x {score.Reps} within {rest / 60}:{rest % 60:00}";
        if (added.Value == 0)
            return $"{sets}{score.Reps}";
        var sign = added.Value > 0 ? "+" : "";
        var load = $"{sign}{Number(added.Value)} {(added.Unit == MassUnit.Lb ? "lb" : "kg")}";
        return score.Sets > 1 ? $"{sets}{score.Reps} at {load}" : $"{load} x {score.Reps}";
    }

    private static string Number(decimal value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
