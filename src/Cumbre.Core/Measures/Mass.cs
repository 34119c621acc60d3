using System.Globalization;

namespace Cumbre.Core.Measures;

/// <summary>
/// An exact mass. Held as a decimal number of kilograms, so that kilograms and pounds convert without loss;
/// it may be negative, because an added load below zero is assistance.
/// </summary>
public readonly record struct Mass : IComparable<Mass>
{
    /// <summary>Kilograms in one international avoirdupois pound, exact by definition (1959 agreement).</summary>
    public const decimal KilogramsPerPound = 0.45359237m;

    private Mass(decimal kilograms) => Kilograms = kilograms;

    public static Mass Zero => default;

    /// <summary>The mass in kg.</summary>
    public decimal Kilograms { get; }

    /// <summary>The mass in lb; exact when the mass was entered in pounds.</summary>
    public decimal Pounds => Kilograms / KilogramsPerPound;

    public static Mass FromKilograms(decimal kilograms) => new(kilograms);

    public static Mass FromPounds(decimal pounds) => new(pounds * KilogramsPerPound);

    public static Mass From(decimal value, MassUnit unit) =>
        unit == MassUnit.Lb ? FromPounds(value) : FromKilograms(value);

    /// <summary>A computed mass in kg, rounded to a microgram: far below any scale, and free of binary noise.</summary>
    public static Mass FromEstimate(double kilograms) => new(Math.Round((decimal)kilograms, 9));

    public decimal In(MassUnit unit) => unit == MassUnit.Lb ? Pounds : Kilograms;

    public Mass Abs() => new(Math.Abs(Kilograms));

    public int CompareTo(Mass other) => Kilograms.CompareTo(other.Kilograms);

    public static Mass operator +(Mass left, Mass right) => new(left.Kilograms + right.Kilograms);

    public static Mass operator -(Mass left, Mass right) => new(left.Kilograms - right.Kilograms);

    public static Mass operator -(Mass mass) => new(-mass.Kilograms);

    public static Mass operator *(Mass mass, decimal factor) => new(mass.Kilograms * factor);

    public static decimal operator /(Mass left, Mass right) => left.Kilograms / right.Kilograms;

    public static bool operator <(Mass left, Mass right) => left.Kilograms < right.Kilograms;

    public static bool operator >(Mass left, Mass right) => left.Kilograms > right.Kilograms;

    public static bool operator <=(Mass left, Mass right) => left.Kilograms <= right.Kilograms;

    public static bool operator >=(Mass left, Mass right) => left.Kilograms >= right.Kilograms;

    public static Mass Min(Mass left, Mass right) => left <= right ? left : right;

    public static Mass Max(Mass left, Mass right) => left >= right ? left : right;

    public override string ToString() => Kilograms.ToString("0.#########", CultureInfo.InvariantCulture) + " kg";
}
