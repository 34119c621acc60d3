namespace Cumbre.Simulation;

/// <summary>
/// Ids in the layout of UUIDv7 that depend only on the seed and the day: the same each time, and in order of time.
/// </summary>
public sealed class SeededIds(Random random)
{
    private int sequence;

    public Guid Next(DateOnly day)
    {
        Span<byte> bytes = stackalloc byte[16];
        random.NextBytes(bytes);
        var milliseconds =
            new DateTimeOffset(day, TimeOnly.MinValue, TimeSpan.Zero).ToUnixTimeMilliseconds()
            + sequence++ % 86_400_000;
        for (var i = 0; i < 6; i++)
            bytes[i] = (byte)(milliseconds >> (40 - 8 * i));
        bytes[6] = (byte)(0x70 | (bytes[6] & 0x0F));
        bytes[8] = (byte)(0x80 | (bytes[8] & 0x3F));
        return new(bytes, bigEndian: true);
    }
}
