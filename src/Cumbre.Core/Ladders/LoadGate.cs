using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>
/// The gate of added load on a movement: that of the first step of the ladder that begins with it, under one school or
/// another.
/// </summary>
public static class LoadGate
{
    /// <summary>The gate under the schools in force; null: it is not loaded, or no ladder begins with it.</summary>
    public static GateExpression? Under(Atlas atlas, string movement, Schools schools)
    {
        if (
            atlas.Catalogue.Movements.GetValueOrDefault(movement)?.Measure != BenchmarkMeasure.LoadTimesReps
            || atlas.Ladders.FirstOrDefault(l => l.Steps[0].Movement == movement) is not { } ladder
        )
            return null;
        var gates = ladder.Steps[0].Gates.Where(g => g.Holds(schools)).Select(g => g.Gate).ToArray();
        return gates is [var only] ? only
            : gates.Length == 0 ? null
            : new AllOf(gates);
    }

    /// <summary>May load be hung? What has no gate is free.</summary>
    public static bool IsOpen(Atlas atlas, string movement, Schools schools, ResultBook book) =>
        Under(atlas, movement, schools) is not { } gate || GateRule.OpenedOn(gate, book) is not null;

    /// <summary>The gate under each school, that of the athlete first; none: the movement has no gate.</summary>
    public static IReadOnlyList<(SchoolChoice School, bool Decides, GateState State)> UnderEach(
        Atlas atlas,
        string movement,
        Schools schools,
        ResultBook book
    )
    {
        var own = schools[Schools.Loading];
        return
        [
            .. atlas
                .Catalogue.SchoolsBySlug[Schools.Loading]
                .Choices.OrderByDescending(c => c.Slug == own)
                .Select(c =>
                    (
                        Choice: c,
                        Gate: Under(
                            atlas,
                            movement,
                            new Schools(atlas.Catalogue, new Dictionary<string, string> { [Schools.Loading] = c.Slug })
                        )
                    )
                )
                .Where(c => c.Gate is not null)
                .Select(c => (c.Choice, c.Choice.Slug == own, GateRule.Evaluate(c.Gate!, book))),
        ];
    }
}
