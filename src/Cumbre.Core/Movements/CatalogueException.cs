namespace Cumbre.Core.Movements;

/// <summary>A catalogue file is wrong: which, where, and why.</summary>
public sealed class CatalogueException(string file, string place, string cause)
    : Exception($"catalogue/{file}: {place}: {cause}")
{
    public string File { get; } = file;

    /// <summary>The slug, or slugs, of the entry.</summary>
    public string Place { get; } = place;

    public string Cause { get; } = cause;
}
