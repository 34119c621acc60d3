using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>All ladders, read and checked against the catalogue.</summary>
public sealed class Atlas
{
    internal const string File = "ladders.json";

    private static readonly Lazy<Atlas> Embedded = new(() => new(ShippedFile, Catalogue.Shipped));
    private static readonly Lazy<LadderFile> EmbeddedFile = new(() => CatalogueJson.ReadEmbedded<LadderFile>(File));

    /// <exception cref="CatalogueException">A gate cannot be read, a name or slug does not exist, steps form a circle
    /// or cannot be reached.</exception>
    public Atlas(LadderFile file, Catalogue catalogue)
        : this(file.Ladders.Select(entry => LadderReader.Read(entry, catalogue).OrThrow()), catalogue) { }

    /// <param name="ladders">Already read.</param>
    /// <param name="catalogue">That they were read against.</param>
    /// <exception cref="CatalogueException">Two ladders share a slug.</exception>
    public Atlas(IEnumerable<Ladder> ladders, Catalogue catalogue)
    {
        Catalogue = catalogue;
        BySlug = CatalogueJson.Index(File, ladders, l => l.Slug);
        Ladders = [.. BySlug.Values];
    }

    /// <summary>The ladders that ship with the app.</summary>
    public static Atlas Shipped => Embedded.Value;

    /// <summary>The same as they are written.</summary>
    public static LadderFile ShippedFile => EmbeddedFile.Value;

    public Catalogue Catalogue { get; }

    /// <summary>In the order in which they are shown.</summary>
    public IReadOnlyList<Ladder> Ladders { get; }

    public IReadOnlyDictionary<string, Ladder> BySlug { get; }
}
