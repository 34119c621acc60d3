using System.Collections.Concurrent;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Exchange;

/// <summary>An athlete of the club, as names of tables are matched with them.</summary>
public sealed record KnownAthlete(Guid Id, string Name, int? BirthYear);

/// <summary>The names that a table may use.</summary>
public sealed class ImportTerms
{
    private readonly ConcurrentDictionary<string, Movement> loaded;

    public ImportTerms(Catalogue catalogue, IReadOnlyList<KnownAthlete> athletes)
    {
        Catalogue = catalogue;
        Movements = new(catalogue.Movements.Values.Select(m => (m, m.Aliases.Append(m.Name).Append(m.Slug))));
        Tests = new(catalogue.Benchmarks.Values.Select(b => (b, NamesOf(b))));
        Athletes = new(athletes.Select(a => (a, (IEnumerable<string>)NamesOf(a.Name))));
        AthletesById = athletes.ToDictionary(a => a.Id);
        loaded = new(
            catalogue
                .Movements.Values.Where(m => m.Measure == BenchmarkMeasure.LoadTimesReps)
                .SelectMany(m => m.Easier.Select(e => (Easier: e, Movement: m)))
                .GroupBy(m => m.Easier)
                .Where(g => g.Count() == 1)
                .ToDictionary(g => g.Key, g => g.First().Movement)
        );
    }

    public Catalogue Catalogue { get; }

    public Names<Movement> Movements { get; }

    public Names<Benchmark> Tests { get; }

    public Names<KnownAthlete> Athletes { get; }

    public IReadOnlyDictionary<Guid, KnownAthlete> AthletesById { get; }

    /// <summary>Reps of a movement with load on the belt are sets of the loaded one, where the catalogue has one.</summary>
    public Movement WithLoad(Movement movement) =>
        movement.Measure == BenchmarkMeasure.Reps && loaded.TryGetValue(movement.Slug, out var heavier)
            ? heavier
            : movement;

    /// <summary>A test goes by its own names, and the test that counts what its movement counts by the movement's.</summary>
    private IEnumerable<string> NamesOf(Benchmark test)
    {
        var movement = Catalogue.Movements.GetValueOrDefault(test.Movement);
        string[] own = [test.Name, test.GateName, test.Slug];
        return movement is null || movement.Measure != test.Measure
            ? own
            : [.. own, movement.Name, movement.Slug, .. movement.Aliases];
    }

    /// <summary>The first name stands first, or behind a comma.</summary>
    private static string[] NamesOf(string name)
    {
        var parts = name.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return parts.Length < 2 ? [name] : [name, $"{parts[^1]} {string.Join(' ', parts[..^1])}"];
    }
}
