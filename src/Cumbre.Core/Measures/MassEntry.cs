using System.Globalization;

namespace Cumbre.Core.Measures;

/// <summary>
/// A mass as a person wrote it: the number and its unit are kept, so that 27.5 lb is never shown back as 27.4999 lb.
/// </summary>
public readonly record struct MassEntry(decimal Value, MassUnit Unit)
{
    public Mass Mass => Mass.From(Value, Unit);

    public static MassEntry Kg(decimal value) => new(value, MassUnit.Kg);

    public static MassEntry Lb(decimal value) => new(value, MassUnit.Lb);

    /// <summary>The mass as an entry in <paramref name="unit"/>, rounded to a hundredth of it.</summary>
    public static MassEntry Of(Mass mass, MassUnit unit) =>
        new(Math.Round(mass.In(unit), 2, MidpointRounding.AwayFromZero), unit);

    public override string ToString() =>
        Value.ToString("0.#########", CultureInfo.InvariantCulture) + (Unit == MassUnit.Lb ? " lb" : " kg");
}
