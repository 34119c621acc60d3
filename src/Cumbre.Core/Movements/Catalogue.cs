using System.Text.Json;
using System.Text.Json.Serialization;

namespace Cumbre.Core.Movements;

/// <summary>An exercise of the catalogue.</summary>
/// <param name="Slug">Stable name; never reused.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Pattern">For instance <c>vertical pull</c>.</param>
/// <param name="Arms"><c>bent</c> or <c>straight</c>.</param>
/// <param name="Bottom">What the bottom of the movement is, shown beside a tempo.</param>
/// <param name="FailureHarmless">May sets be taken to failure without danger?</param>
/// <param name="Standard">The form standard.</param>
/// <param name="Faults">What breaks it.</param>
public sealed record Movement(string Slug, string Name, string Pattern, string Arms, string Bottom, bool FailureHarmless, string Standard, IReadOnlyList<string> Faults);

/// <summary>What a benchmark counts.</summary>
public enum BenchmarkMeasure
{
    /// <summary>Clean reps in one set at body mass.</summary>
    Reps,

    /// <summary>A load, the reps done with it and the reps left.</summary>
    LoadTimesReps,
}

/// <summary>Limits within which a clean training set was done to a test's protocol, and so counts as a result.</summary>
public sealed record TrainingSetRule(int RepsFrom, int RepsTo, int ReserveTo);

/// <summary>A test with its protocol.</summary>
public sealed record Benchmark(string Slug, string Name, string Movement, BenchmarkMeasure Measure, string Protocol, TrainingSetRule? TrainingSet = null);

/// <summary>A threshold of a gate: one of the benchmarks must reach the figure.</summary>
/// <param name="AnyOf">Slugs; the first names the threshold, the others imply it.</param>
/// <param name="Need">Opens.</param>
/// <param name="Comfortable">The upper figure of a range; equal to <paramref name="Need"/> without one.</param>
public sealed record GateTerm(IReadOnlyList<string> AnyOf, int Need, int Comfortable);

/// <summary>A gate: for each school the thresholds that must all be met.</summary>
public sealed record Gate(string Slug, string Name, IReadOnlyDictionary<string, IReadOnlyList<GateTerm>> Schools);

/// <summary>The figures of the decision rules that a coach may change; rules.schema.json says what each means.</summary>
public sealed record DecisionRules(
    decimal MinimumStepKg,
    decimal UsualStepKg,
    decimal StepCeilingPercent,
    decimal BackOffPercent,
    int ExposuresWithoutProgress,
    int LoadingWeeks,
    int RepsCeiling,
    int PainEaseFrom,
    int PainStopFrom,
    int HoursBetween);

/// <summary>The shipped movements, benchmarks and gates: data that is embedded in the core and checked when it is loaded.</summary>
public sealed class Catalogue
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private static readonly Lazy<Catalogue> Embedded = new(() => new(
        Read<MovementFile>("movements").Movements, Read<BenchmarkFile>("benchmarks").Benchmarks, Read<GateFile>("gates").Gates, Read<DecisionRules>("rules")));

    /// <exception cref="InvalidDataException">Two entries share a slug, or an entry names one that does not exist.</exception>
    public Catalogue(IEnumerable<Movement> movements, IEnumerable<Benchmark> benchmarks, IEnumerable<Gate> gates, DecisionRules rules)
    {
        Rules = rules;
        Movements = Index("movement", movements, m => m.Slug);
        Benchmarks = Index("benchmark", benchmarks, b => b.Slug);
        Gates = Index("gate", gates, g => g.Slug);
        foreach (var benchmark in Benchmarks.Values.Where(b => !Movements.ContainsKey(b.Movement)))
            throw new InvalidDataException($"benchmark {benchmark.Slug}: no movement {benchmark.Movement}");
        foreach (var gate in Gates.Values)
        {
            foreach (var slug in gate.Schools.Values.SelectMany(t => t).SelectMany(t => t.AnyOf).Where(s => !Benchmarks.ContainsKey(s)))
                throw new InvalidDataException($"gate {gate.Slug}: no benchmark {slug}");
        }
    }

    /// <summary>The catalogue that ships with the app.</summary>
    public static Catalogue Shipped => Embedded.Value;

    public IReadOnlyDictionary<string, Movement> Movements { get; }

    public IReadOnlyDictionary<string, Benchmark> Benchmarks { get; }

    public IReadOnlyDictionary<string, Gate> Gates { get; }

    public DecisionRules Rules { get; }

    private static Dictionary<string, T> Index<T>(string what, IEnumerable<T> entries, Func<T, string> slug)
    {
        var index = new Dictionary<string, T>(StringComparer.Ordinal);
        foreach (var entry in entries)
        {
            if (!index.TryAdd(slug(entry), entry))
                throw new InvalidDataException($"{what} {slug(entry)} stands twice");
        }

        return index;
    }

    private static T Read<T>(string name)
    {
        using var stream = typeof(Catalogue).Assembly.GetManifestResourceStream($"catalogue/{name}.json")
            ?? throw new InvalidDataException($"catalogue/{name}.json is not embedded");
        return JsonSerializer.Deserialize<T>(stream, Json) ?? throw new InvalidDataException($"catalogue/{name}.json is empty");
    }

    private sealed record MovementFile(IReadOnlyList<Movement> Movements);

    private sealed record BenchmarkFile(IReadOnlyList<Benchmark> Benchmarks);

    private sealed record GateFile(IReadOnlyList<Gate> Gates);
}
