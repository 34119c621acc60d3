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

/// <param name="Size">Of one plate.</param>
/// <param name="Count">1 to 20.</param>
public sealed record PlateDto(MassDto Size, int Count);

/// <param name="Plates">At most 12 sizes, each once.</param>
/// <param name="HasBelt">Without a belt no plate can be hung.</param>
/// <param name="Vest">Worn or not; one piece.</param>
public sealed record KitDto(IReadOnlyList<PlateDto> Plates, bool HasBelt, MassDto? Vest)
{
    public static KitDto Of(Kit kit) =>
        new(
            [.. kit.Plates.Select(p => new PlateDto(MassDto.Of(p.Size), p.Count))],
            kit.HasBelt,
            kit.Vest is { } vest ? MassDto.Of(vest) : null
        );

    /// <exception cref="FieldException">A plate, the vest or the whole kit is refused.</exception>
    public Kit ToKit(string path)
    {
        var plates = Plates
            .Select((p, i) => Problems.At($"{path}.plates[{i}].", () => new PlateStock(p.Size.Entry, p.Count)))
            .ToArray();
        return Problems.At($"{path}.", () => new Kit(plates, HasBelt, Vest?.Entry));
    }
}
