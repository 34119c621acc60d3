using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>Results as tests need them: a body of 70 kg, and whatever a threshold asks.</summary>
internal static class Results
{
    public static readonly DateOnly Today = new(2026, 3, 16);

    public static readonly Mass Body = Mass.FromKilograms(70);

    public static ResultBook Book(params IEnumerable<BenchmarkResult> results) => new(results, Today);

    public static BenchmarkResult Reps(
        string benchmark,
        int reps,
        int daysAgo = 0,
        FormVerdict form = FormVerdict.Clean,
        int sets = 1
    ) => Of(benchmark, Score.OfReps(reps, sets), daysAgo, form);

    public static BenchmarkResult Seconds(
        string benchmark,
        decimal seconds,
        int daysAgo = 0,
        int sets = 1,
        Side? side = null
    ) => Of(benchmark, Score.OfSeconds(seconds, sets), daysAgo) with { Side = side };

    public static BenchmarkResult Load(string benchmark, decimal added, int reps, int daysAgo = 0, int sets = 1) =>
        new(
            Guid.NewGuid(),
            benchmark,
            Today.AddDays(-daysAgo),
            Score.OfReps(reps, sets),
            MassEntry.Kg(added),
            0,
            Body,
            FormVerdict.Clean
        );

    public static BenchmarkResult Of(
        string benchmark,
        Score score,
        int daysAgo = 0,
        FormVerdict form = FormVerdict.Clean
    ) => new(Guid.NewGuid(), benchmark, Today.AddDays(-daysAgo), score, MassEntry.Kg(0), 0, Body, form);

    public static GateExpression Gate(string text)
    {
        var parsed = GateParser.Parse(text, Catalogue.Shipped.Names);
        return parsed.Expression ?? throw new ArgumentException($"{text}: {parsed.Error}");
    }

    /// <summary>Results that just reach a gate: of alternatives those of the first.</summary>
    public static IEnumerable<BenchmarkResult> Reaching(GateExpression gate, int daysAgo = 0) =>
        gate switch
        {
            GateTerm term => Reaching(term, daysAgo),
            AllOf all => all.Parts.SelectMany(p => Reaching(p, daysAgo)),
            AnyOf any => Reaching(any.Parts[0], daysAgo),
            _ => throw new ArgumentException(gate.ToString()),
        };

    /// <summary>Results that try a threshold and just miss it.</summary>
    public static IEnumerable<BenchmarkResult> Missing(GateTerm term, int daysAgo = 0) =>
        Sides(
            term,
            term.Target switch
            {
                RepsTarget { Reps: > 1 } t => Of(term.Benchmark, Score.OfReps(t.Reps - 1, t.Sets), daysAgo),
                RepsTarget { Sets: > 1 } t => Of(term.Benchmark, Score.OfReps(t.Reps, t.Sets - 1), daysAgo),
                SecondsTarget t => Of(
                    term.Benchmark,
                    new Score(t.Reps, t.Sets, Math.Max(0.5m, t.Seconds - 0.5m)),
                    daysAgo
                ),
                ContactTarget t => Of(term.Benchmark, new Score(t.Reps, contact: t.Contact - 1), daysAgo),
                LoadTarget t => Of(term.Benchmark, Score.OfReps(t.Reps, t.Sets), daysAgo)
                    .WithLoad(t.At(Body).Kilograms - 0.5m),
                CapacityTarget t => Of(
                    term.Benchmark,
                    new Score(t.Reps - 1, t.Sets, restSeconds: t.WithinSeconds),
                    daysAgo
                ),
                DegreesTarget t => Of(term.Benchmark, new Score(degrees: t.Degrees - 1), daysAgo),
                _ => null,
            }
        );

    private static IEnumerable<BenchmarkResult> Reaching(GateTerm term, int daysAgo) =>
        Sides(
            term,
            term.Target switch
            {
                RepsTarget t => Of(term.Benchmark, Score.OfReps(t.Reps, t.Sets), daysAgo),
                SecondsTarget t => Of(term.Benchmark, new Score(t.Reps, t.Sets, t.Seconds), daysAgo),
                ContactTarget t => Of(term.Benchmark, new Score(t.Reps, contact: t.Contact), daysAgo),
                LoadTarget t => Of(term.Benchmark, Score.OfReps(t.Reps, t.Sets), daysAgo)
                    .WithLoad(t.At(Body).Kilograms),
                CapacityTarget t => Of(
                    term.Benchmark,
                    new Score(t.Reps, t.Sets, restSeconds: t.WithinSeconds),
                    daysAgo
                ),
                DegreesTarget t => Of(term.Benchmark, new Score(degrees: t.Degrees), daysAgo),
                _ => null,
            }
        );

    private static IEnumerable<BenchmarkResult> Sides(GateTerm term, BenchmarkResult? result) =>
        result is null ? []
        : term.EachSide ? [result with { Side = Side.Left }, result with { Side = Side.Right }]
        : [result];

    private static BenchmarkResult WithLoad(this BenchmarkResult r, decimal kilograms) =>
        new(r.Id, r.Benchmark, r.Day, r.Score, MassEntry.Kg(kilograms), 0, r.BodyMass, r.Form);
}
