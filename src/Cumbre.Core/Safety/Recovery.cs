using Cumbre.Core.Measures;

namespace Cumbre.Core.Safety;

/// <summary>General advice on recovery, shown to who asks for it: no plan for anybody.</summary>
public static class Recovery
{
    /// <summary>Protein in g for each kg of bodyweight and day (common practice, no source).</summary>
    public const decimal ProteinGramsPerKilogram = 1.6m;

    /// <summary>Grams of protein a day, whole.</summary>
    public static int ProteinGrams(Mass bodyMass) => (int)Math.Round(bodyMass.Kilograms * ProteinGramsPerKilogram);
}
