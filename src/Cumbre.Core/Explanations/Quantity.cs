using Cumbre.Core.Measures;

namespace Cumbre.Core.Explanations;

/// <summary>What a <see cref="Quantity"/> measures, and so how the edge writes it.</summary>
public enum QuantityKind
{
    /// <summary>A mass in kg, without a sign: body mass, system mass, e1RM.</summary>
    Mass,

    /// <summary>A load added to the body in kg, with its sign; negative is assistance.</summary>
    AddedLoad,

    /// <summary>Percent, 0 to 100 and over.</summary>
    Percent,
    Reps,
    Reserve,
    Sets,
    Seconds,
    Days,
    Weeks,
    Count,

    /// <summary>A plain number of a formula, such as a coefficient.</summary>
    Number,

    /// <summary>Pain on the 11-point scale.</summary>
    Pain,
    Date,

    /// <summary>A word out of a closed list (a formula, a school, a movement's slug); worded at the edge.</summary>
    Code,

    /// <summary>A name out of the catalogue, or a text of the coach: shown as it stands.</summary>
    Name,

    /// <summary>A moment in N m.</summary>
    Moment,

    /// <summary>A force in N.</summary>
    Force,

    /// <summary>Shoulder moment x seconds, N m s.</summary>
    MomentSeconds,
    Degrees,
    Centimetres,

    /// <summary>The pieces on the belt in kg, largest first.</summary>
    Pieces,
}

/// <summary>
/// A typed figure of an explanation. It carries no sentence and no unit of display: both are made at the edge.
/// </summary>
public sealed record Quantity(
    QuantityKind Kind,
    decimal? Number = null,
    string? Code = null,
    DateOnly? Date = null,
    IReadOnlyList<decimal>? Pieces = null
)
{
    public static Quantity Of(Mass mass) => new(QuantityKind.Mass, mass.Kilograms);

    public static Quantity Added(Mass mass) => new(QuantityKind.AddedLoad, mass.Kilograms);

    /// <param name="fraction">1 is 100 %.</param>
    public static Quantity OfFraction(decimal fraction) => new(QuantityKind.Percent, fraction * 100);

    public static Quantity OfPercent(decimal percent) => new(QuantityKind.Percent, percent);

    public static Quantity Reps(decimal reps) => new(QuantityKind.Reps, reps);

    public static Quantity Reserve(int reserve) => new(QuantityKind.Reserve, reserve);

    public static Quantity Sets(int sets) => new(QuantityKind.Sets, sets);

    public static Quantity Seconds(int seconds) => new(QuantityKind.Seconds, seconds);

    public static Quantity Days(int days) => new(QuantityKind.Days, days);

    public static Quantity Weeks(int weeks) => new(QuantityKind.Weeks, weeks);

    public static Quantity Count(int count) => new(QuantityKind.Count, count);

    public static Quantity Plain(decimal number) => new(QuantityKind.Number, number);

    public static Quantity Pain(int pain) => new(QuantityKind.Pain, pain);

    public static Quantity On(DateOnly date) => new(QuantityKind.Date, Date: date);

    public static Quantity Word<T>(T word)
        where T : struct, Enum => new(QuantityKind.Code, Code: word.ToString());

    public static Quantity Slug(string slug) => new(QuantityKind.Code, Code: slug);

    public static Quantity Name(string name) => new(QuantityKind.Name, Code: name);

    /// <param name="newtonMetres">Rounded to a tenth: the model is no finer.</param>
    public static Quantity Moment(double newtonMetres) =>
        new(QuantityKind.Moment, Math.Round((decimal)newtonMetres, 1));

    /// <summary>Rounded to whole N m s.</summary>
    public static Quantity MomentSeconds(decimal value) => new(QuantityKind.MomentSeconds, Math.Round(value));

    /// <param name="newtons">Rounded to a whole newton.</param>
    public static Quantity Force(double newtons) => new(QuantityKind.Force, Math.Round((decimal)newtons));

    public static Quantity Degrees(double degrees) => new(QuantityKind.Degrees, Math.Round((decimal)degrees, 1));

    public static Quantity Centimetres(decimal centimetres) => new(QuantityKind.Centimetres, centimetres);

    public static Quantity Of(IEnumerable<Mass> pieces) =>
        new(QuantityKind.Pieces, Pieces: [.. pieces.Select(p => p.Kilograms)]);
}
