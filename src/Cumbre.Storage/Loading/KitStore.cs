using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;

namespace Cumbre.Storage.Loading;

/// <summary>The kit of the club, and what athletes have at home.</summary>
public static class KitStore
{
    private const int Schema = 1;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    /// <summary>The owner of the club's own book.</summary>
    public static Guid Club => Guid.Empty;

    /// <summary>The book and its version; an empty one of version 0 where nothing was written.</summary>
    public static (KitBook Book, long Version) Of(Db db, Guid owner) =>
        db.One<Row>("SELECT book_json, version FROM kit_book WHERE owner_id = @owner", new { owner }) is { } row
            ? (Read(row.BookJson), row.Version)
            : (KitBook.Empty, 0);

    /// <summary>Every book by its owner; who wrote none is not among them.</summary>
    public static IReadOnlyDictionary<Guid, KitBook> All(Db db) =>
        db.Query<OwnedRow>("SELECT owner_id, book_json FROM kit_book")
            .ToDictionary(r => r.OwnerId, r => Read(r.BookJson));

    /// <summary>What can be hung in the hall; null: the club has not written it down.</summary>
    public static Kit? OfHall(Db db) => Of(db, Club).Book.Kit;

    /// <summary>Writes the book when the version is the stored one.</summary>
    public static Written Put(Db db, Guid owner, KitBook book, long version, Stamp stamp)
    {
        var args = new
        {
            owner,
            json = Write(book),
            version,
            stamp.At,
            stamp.By,
        };
        var changed =
            version == 0
                ? db.Run(
                    "INSERT INTO kit_book (owner_id, book_json, version, written_at, written_by) VALUES (@owner, @json, 1, @At, @By) ON CONFLICT (owner_id) DO NOTHING",
                    args
                )
                : db.Run(
                    "UPDATE kit_book SET book_json = @json, version = version + 1, written_at = @At, written_by = @By WHERE owner_id = @owner AND version = @version",
                    args
                );
        return changed > 0 ? Written.Done : Written.Stale;
    }

    private static string Write(KitBook book) =>
        JsonSerializer.Serialize(
            new Doc(
                Schema,
                book.Kit is { } kit
                    ? new(kit.HasBelt, kit.Vest, [.. kit.Pieces.Select(p => new PlateDoc(p.Size, p.Count, p.Sort))])
                    : null,
                [.. book.Bands.Select(b => new BandDoc(b.Id, b.Name, b.BottomKg, b.MiddleKg, b.TopKg, b.MeasuredOn))],
                [.. book.Counted.Select(c => new CountedDoc(c.Id, c.Name, c.Count, c.Unit))],
                book.Gear,
                book.HasNoGear
            ),
            Options
        );

    private static KitBook Read(string json)
    {
        var doc = JsonSerializer.Deserialize<Doc>(json, Options) ?? throw new JsonException("The kit book is empty.");
        return new(
            doc.Kit is { } kit
                ? new Kit(kit.Plates.Select(p => new PieceStock(p.Size, p.Count, p.Sort)), kit.HasBelt, kit.Vest)
                : null,
            [.. doc.Bands.Select(b => new Band(b.Id, b.Name, b.BottomKg, b.MiddleKg, b.TopKg, b.MeasuredOn))],
            [.. doc.Counted.Select(c => new CountedLoad(c.Id, c.Name, c.Count, c.Unit))],
            doc.Gear
        )
        {
            HasNoGear = doc.HasNoGear,
        };
    }

    private sealed record Row(string BookJson, long Version);

    private sealed record OwnedRow(Guid OwnerId, string BookJson);

    private sealed record Doc(
        int Schema,
        KitDoc? Kit,
        IReadOnlyList<BandDoc> Bands,
        IReadOnlyList<CountedDoc> Counted,
        IReadOnlyList<Gear> Gear,
        bool HasNoGear = false
    );

    private sealed record KitDoc(bool HasBelt, MassEntry? Vest, IReadOnlyList<PlateDoc> Plates);

    private sealed record PlateDoc(MassEntry Size, int Count, PieceSort Sort = PieceSort.Plate);

    private sealed record BandDoc(
        Guid Id,
        string Name,
        decimal BottomKg,
        decimal MiddleKg,
        decimal TopKg,
        DateOnly MeasuredOn
    );

    private sealed record CountedDoc(Guid Id, string Name, int Count, MassEntry? Unit);
}
