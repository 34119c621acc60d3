using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>The gate of added load on the pull-up: that of the first step of its ladder, under one school or another.</summary>
public static class LoadGate
{
    private const string Ladder = "weighted-pull-up";

    /// <summary>The gate under the schools in force.</summary>
    public static GateExpression Under(Atlas atlas, Schools schools)
    {
        var gates = atlas.BySlug[Ladder].Steps[0].Gates.Where(g => g.Holds(schools)).Select(g => g.Gate).ToArray();
        return gates is [var only] ? only : new AllOf(gates);
    }

    /// <summary>May load be hung?</summary>
    public static bool IsOpen(Atlas atlas, Schools schools, ResultBook book) => GateRule.OpenedOn(Under(atlas, schools), book) is not null;

    /// <summary>The gate under each school, that of the athlete first.</summary>
    public static IReadOnlyList<(SchoolChoice School, bool Decides, GateState State)> UnderEach(Atlas atlas, Schools schools, ResultBook book)
    {
        var own = schools[Schools.Loading];
        return
        [
            .. atlas.Catalogue.SchoolsBySlug[Schools.Loading].Choices
                .OrderByDescending(c => c.Slug == own)
                .Select(c => (c, c.Slug == own, GateRule.Evaluate(Under(atlas, new Schools(atlas.Catalogue, new Dictionary<string, string> { [Schools.Loading] = c.Slug })), book))),
        ];
    }
}
