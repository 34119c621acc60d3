namespace Cumbre.Core.Movements;

/// <summary>What a benchmark counts.</summary>
public enum BenchmarkMeasure
{
    /// <summary>Clean reps in a set at body mass.</summary>
    Reps,

    /// <summary>Seconds of a hold.</summary>
    Seconds,

    /// <summary>Seconds of each descent.</summary>
    SecondsPerDescent,

    /// <summary>The highest contact, for some reps.</summary>
    ContactHeight,

    /// <summary>A load, the reps done with it and the reps left.</summary>
    LoadTimesReps,

    /// <summary>Equal sets with a limited rest.</summary>
    Capacity,

    /// <summary>Degrees of a joint's range without pain.</summary>
    Degrees,
}

/// <summary>
/// Limits within which a clean training set was done to a test's protocol, and so counts as a result.
/// </summary>
public sealed record TrainingSetRule(int RepsFrom, int RepsTo, int ReserveTo);

/// <summary>A test with its protocol.</summary>
/// <param name="Slug">Stable name; that of the movement where a movement has one test.</param>
/// <param name="Name">As a list of tests shows it.</param>
/// <param name="GateName">As a gate writes it, lower case.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Measure">What is counted.</param>
/// <param name="Protocol">How it is done.</param>
/// <param name="EachSide">Recorded for each side by itself.</param>
/// <param name="TrainingSet">When a training set counts as this test.</param>
public sealed record Benchmark(
    string Slug,
    string Name,
    string GateName,
    string Movement,
    BenchmarkMeasure Measure,
    string Protocol,
    bool EachSide = false,
    TrainingSetRule? TrainingSet = null
);

/// <summary>The benchmarks by every name under which a gate may write them.</summary>
public sealed class BenchmarkNames
{
    private readonly Dictionary<string, Benchmark> byName = new(StringComparer.OrdinalIgnoreCase);
    private readonly IReadOnlyDictionary<string, Benchmark> bySlug;

    public BenchmarkNames(
        IReadOnlyDictionary<string, Benchmark> benchmarks,
        IReadOnlyDictionary<string, Movement> movements
    )
    {
        bySlug = benchmarks;
        foreach (var benchmark in benchmarks.Values)
        {
            if (!benchmark.GateName.All(c => char.IsLetter(c) || c is ' ' or '-' or '\''))
                throw new CatalogueException(
                    "benchmarks.json",
                    benchmark.Slug,
                    $"\"{benchmark.GateName}\" is no name for a gate: words only"
                );
            if (!byName.TryAdd(benchmark.GateName, benchmark))
                throw new CatalogueException(
                    "benchmarks.json",
                    benchmark.Slug,
                    $"\"{benchmark.GateName}\" is also the name of {byName[benchmark.GateName].Slug}"
                );
        }

        // A movement's aliases lead to its own test, unless another test has that name.
        foreach (var movement in movements.Values)
        {
            if (
                benchmarks.Values.FirstOrDefault(b => b.Movement == movement.Slug && b.Measure == movement.Measure) is
                { } own
            )
            {
                foreach (var alias in movement.Aliases)
                    byName.TryAdd(alias, own);
            }
        }
    }

    /// <exception cref="KeyNotFoundException">There is no such benchmark.</exception>
    public Benchmark this[string slug] => bySlug[slug];

    /// <summary>Every name, for completion.</summary>
    public IReadOnlyCollection<string> All => byName.Keys;

    public Benchmark? Find(string name) => byName.GetValueOrDefault(name);
}
