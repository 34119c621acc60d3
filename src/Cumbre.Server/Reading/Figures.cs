using System.Text.Json.Serialization;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Reading;

/// <summary>A figure and how it came about: the one shape for every figure that can be opened.</summary>
public sealed record Figure(Quantity Value, Explanation Why);

/// <summary>A mass as written.</summary>
public sealed record MassDto(decimal Value, MassUnit Unit)
{
    [JsonIgnore]
    public MassEntry Entry => new(Value, Unit);

    public static MassDto Of(MassEntry entry) => new(entry.Value, entry.Unit);
}

/// <param name="Size">Of one piece.</param>
/// <param name="Count">1 to 20.</param>
/// <param name="Sort">How it is carried.</param>
public sealed record PlateDto(MassDto Size, int Count, PieceSort Sort = PieceSort.Plate);

/// <param name="Plates">At most 12 sizes, of each sort once.</param>
/// <param name="HasBelt">Without a belt no plate can be hung.</param>
/// <param name="Vest">Without the weights in its pockets.</param>
public sealed record KitDto(IReadOnlyList<PlateDto> Plates, bool HasBelt, MassDto? Vest)
{
    public static KitDto Of(Kit kit) =>
        new(
            [.. kit.Pieces.Select(p => new PlateDto(MassDto.Of(p.Size), p.Count, p.Sort))],
            kit.HasBelt,
            kit.Vest is { } vest ? MassDto.Of(vest) : null
        );

    /// <exception cref="FieldException">A plate, the vest or the whole kit is refused.</exception>
    public Kit ToKit(string path)
    {
        var plates = Plates
            .Select((p, i) => Problems.At($"{path}.plates[{i}].", () => new PieceStock(p.Size.Entry, p.Count, p.Sort)))
            .ToArray();
        return Problems.At($"{path}.", () => new Kit(plates, HasBelt, Vest?.Entry));
    }
}
