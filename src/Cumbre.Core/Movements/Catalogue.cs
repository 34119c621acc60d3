namespace Cumbre.Core.Movements;

/// <summary>
/// The figures of the decision rules that a coach may change; rules.schema.json says what each means.
/// </summary>
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
    int HoursBetween
);

/// <summary>A test that is written out in benchmarks.json, because its protocol or its name is its own.</summary>
/// <param name="EachSide">Null: as the movement.</param>
public sealed record BenchmarkEntry(
    string Slug,
    string Name,
    string GateName,
    string Movement,
    BenchmarkMeasure Measure,
    string Protocol,
    bool? EachSide = null,
    TrainingSetRule? TrainingSet = null
);

/// <summary>benchmarks.json: the protocols by measure, and the tests that have their own.</summary>
public sealed record BenchmarkFile(
    IReadOnlyDictionary<BenchmarkMeasure, string> Protocols,
    IReadOnlyList<BenchmarkEntry> Benchmarks
);

/// <summary>movements.json.</summary>
public sealed record MovementFile(IReadOnlyList<Movement> Movements);

/// <summary>schools.json.</summary>
public sealed record SchoolFile(IReadOnlyList<SchoolQuestion> Schools);

/// <summary>
/// The shipped movements, benchmarks, schools and rules: data that is embedded in the core and checked when it is
/// loaded.
/// Every movement has a test of its own by its measure; benchmarks.json adds those with another protocol.
/// </summary>
public sealed class Catalogue
{
    private static readonly Lazy<Catalogue> Embedded = new(() =>
        new(
            CatalogueJson.ReadEmbedded<MovementFile>("movements.json"),
            CatalogueJson.ReadEmbedded<BenchmarkFile>("benchmarks.json"),
            CatalogueJson.ReadEmbedded<SchoolFile>("schools.json"),
            CatalogueJson.ReadEmbedded<DecisionRules>("rules.json")
        )
    );

    private readonly BenchmarkFile benchmarkFile;
    private readonly ILookup<string, Benchmark> byMovement;
    private readonly ILookup<string, Movement> byHelp;

    /// <exception cref="CatalogueException">Two entries share a slug or a name, or an entry names one that does not
    /// exist.</exception>
    public Catalogue(MovementFile movements, BenchmarkFile benchmarks, SchoolFile schools, DecisionRules rules)
    {
        Rules = rules;
        benchmarkFile = benchmarks;
        Movements = CatalogueJson.Index("movements.json", movements.Movements, m => m.Slug);
        foreach (var movement in Movements.Values)
        {
            foreach (
                var slug in movement
                    .CarriesTo.Concat(movement.Easier)
                    .Concat(movement.Harder)
                    .Concat(movement.AssistedBy is { } helped ? [helped] : [])
                    .Where(s => !Movements.ContainsKey(s))
            )
                throw new CatalogueException("movements.json", movement.Slug, $"no movement {slug}");
        }

        var own = benchmarks.Benchmarks.Select(b =>
            Movements.TryGetValue(b.Movement, out var m)
                ? new Benchmark(
                    b.Slug,
                    b.Name,
                    b.GateName,
                    b.Movement,
                    b.Measure,
                    b.Protocol,
                    b.EachSide ?? m.EachSide,
                    b.TrainingSet
                )
                : throw new CatalogueException("benchmarks.json", b.Slug, $"no movement {b.Movement}")
        );
        var named = benchmarks.Benchmarks.Select(b => (b.Movement, b.Measure)).ToHashSet();
        var implied = Movements
            .Values.Where(m => !named.Contains((m.Slug, m.Measure)))
            .Select(m => new Benchmark(
                m.Slug,
                m.Name,
                GateNameOf(m.Name),
                m.Slug,
                m.Measure,
                Protocol(benchmarks, m),
                m.EachSide
            ));
        Benchmarks = CatalogueJson.Index("benchmarks.json", own.Concat(implied), b => b.Slug);
        byMovement = Benchmarks.Values.ToLookup(b => b.Movement, StringComparer.Ordinal);
        byHelp = Movements
            .Values.Where(m => m.AssistedBy is not null)
            .ToLookup(m => m.AssistedBy!, StringComparer.Ordinal);
        Names = new(Benchmarks, Movements);
        Schools = schools.Schools;
        SchoolsBySlug = CatalogueJson.Index("schools.json", schools.Schools, s => s.Slug);
        foreach (var question in Schools)
        {
            CatalogueJson.Index("schools.json", question.Choices, c => c.Slug);
            if (question.Judges?.FirstOrDefault(m => !Movements.ContainsKey(m)) is { } unknown)
                throw new CatalogueException("schools.json", question.Slug, $"no movement {unknown}");
        }
    }

    /// <summary>The catalogue that ships with the app.</summary>
    public static Catalogue Shipped => Embedded.Value;

    public IReadOnlyDictionary<string, Movement> Movements { get; }

    public IReadOnlyDictionary<string, Benchmark> Benchmarks { get; }

    /// <summary>The tests of a movement.</summary>
    public IEnumerable<Benchmark> BenchmarksOf(string movement) => byMovement[movement];

    /// <summary>The movements that one helps with measured help.</summary>
    public IEnumerable<Movement> HelpedBy(string assisted) => byHelp[assisted];

    public BenchmarkNames Names { get; }

    /// <summary>In the order in which they are shown.</summary>
    public IReadOnlyList<SchoolQuestion> Schools { get; }

    public IReadOnlyDictionary<string, SchoolQuestion> SchoolsBySlug { get; }

    public DecisionRules Rules { get; }

    /// <summary>The same with a club's own movements added.</summary>
    /// <exception cref="CatalogueException">A slug or a name exists already, or a neighbour does not.</exception>
    public Catalogue With(IReadOnlyList<Movement> own) =>
        own.Count == 0 ? this : new(new([.. Movements.Values, .. own]), benchmarkFile, new(Schools), Rules);

    private static string Protocol(BenchmarkFile file, Movement movement) =>
        file.Protocols.TryGetValue(movement.Measure, out var protocol)
            ? protocol
            : throw new CatalogueException("benchmarks.json", movement.Slug, $"no protocol for {movement.Measure}");

    /// <summary>A gate writes words only; a letter keeps its capital, as in "L-sit".</summary>
    private static string GateNameOf(string name)
    {
        var words = name.Replace(",", "", StringComparison.Ordinal);
        return words[1] is '-' ? words : char.ToLowerInvariant(words[0]) + words[1..];
    }
}
