using System.Globalization;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>Writes a gate as <see cref="GateParser"/> reads it; parsing what was printed gives the same gate.</summary>
public static class GatePrinter
{
    /// <param name="gate">The gate.</param>
    /// <param name="benchmarks">Its benchmarks.</param>
    /// <exception cref="KeyNotFoundException">A benchmark of the gate is not among them.</exception>
    public static string Print(GateExpression gate, BenchmarkNames benchmarks) =>
        gate switch
        {
            GateTerm term =>
                $"{benchmarks[term.Benchmark].GateName} >= {Figure(term.Target)}{(term.EachSide ? " each side" : "")}",
            AllOf all => string.Join(
                " and ",
                all.Parts.Select(p => p is GateTerm ? Print(p, benchmarks) : $"({Print(p, benchmarks)})")
            ),
            AnyOf any => string.Join(
                " or ",
                any.Parts.Select(p => p is AnyOf ? $"({Print(p, benchmarks)})" : Print(p, benchmarks))
            ),
            _ => throw new ArgumentException($"{gate.GetType().Name} cannot be printed", nameof(gate)),
        };

    /// <summary>The figure of a threshold, for instance <c>3 x 10 s</c>.</summary>
    public static string Figure(Target target) =>
        target switch
        {
            RepsTarget t =>
                $"{Sets(t.Sets)}{Range(t.Reps, t.Comfortable)} {(t is { Sets: 1, Reps: 1, Comfortable: 1 } ? "rep" : "reps")}",
            SecondsTarget t =>
                $"{(t.Reps > 1 ? $"{t.Sets} x {t.Reps} x " : Sets(t.Sets))}{Range(t.Seconds, t.Comfortable)} s",
            ContactTarget t => $"{t.Contact.ToString().ToLowerInvariant()} x {t.Reps}",
            LoadTarget t => t.Sets == 1 ? $"{Load(t)} x {t.Reps}" : $"{t.Sets} x {t.Reps} at {Load(t)}",
            CapacityTarget t => $"{t.Sets} x {t.Reps} within {t.WithinSeconds / 60}:{t.WithinSeconds % 60:00}",
            DegreesTarget t => $"{t.Degrees} degrees",
            _ => throw new ArgumentException($"{target.GetType().Name} cannot be printed", nameof(target)),
        };

    private static string Sets(int sets) => sets > 1 ? $"{sets} x " : "";

    private static string Range(decimal low, decimal high) =>
        low == high ? Number(low) : $"{Number(low)}..{Number(high)}";

    private static string Load(LoadTarget t) =>
        t.PercentOfBodyMass is { } percent
            ? $"+{Number(percent)} % bm"
            : $"+{Number(t.Load!.Value.Value)} {(t.Load.Value.Unit == MassUnit.Lb ? "lb" : "kg")}";

    private static string Number(decimal value) => value.ToString("0.#########", CultureInfo.InvariantCulture);
}
