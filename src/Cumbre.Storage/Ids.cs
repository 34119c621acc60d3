namespace Cumbre.Storage;

/// <summary>Ids in a list of a statement, which no handler of a type sees.</summary>
internal static class Ids
{
    public static byte[][] In(IEnumerable<Guid> ids) => [.. ids.Select(i => i.ToByteArray(bigEndian: true))];
}
