using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;

namespace Cumbre.Server.Exchange;

/// <summary>
/// Ids of what comes with a file: the same line has the same id each time, so that reading it twice adds nothing. They
/// begin with their day, as ids that are made by the clock do, so that neighbours in time are neighbours in the file
/// (version 8 of RFC 9562, which leaves the rest to whoever makes them).
/// </summary>
internal static class ImportIds
{
    private const int Version = 0x80,
        Variant = 0x80;

    public static Guid Of(DateOnly day, params ReadOnlySpan<string> names)
    {
        var text = new StringBuilder();
        foreach (var name in names)
            text.Append(name).Append('\u001f');
        return Make(day, SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())));
    }

    /// <summary>Of a part of something that has an id.</summary>
    public static Guid Of(DateOnly day, Guid whole, int first, int second)
    {
        Span<byte> bytes = stackalloc byte[24];
        whole.TryWriteBytes(bytes);
        BinaryPrimitives.WriteInt32BigEndian(bytes[16..], first);
        BinaryPrimitives.WriteInt32BigEndian(bytes[20..], second);
        Span<byte> hash = stackalloc byte[SHA256.HashSizeInBytes];
        SHA256.HashData(bytes, hash);
        return Make(day, hash);
    }

    private static Guid Make(DateOnly day, ReadOnlySpan<byte> hash)
    {
        Span<byte> id = stackalloc byte[16];
        hash[..16].CopyTo(id);
        Span<byte> time = stackalloc byte[8];
        BinaryPrimitives.WriteInt64BigEndian(
            time,
            Math.Max(0, new DateTimeOffset(day, TimeOnly.MinValue, TimeSpan.Zero).ToUnixTimeMilliseconds())
        );
        time[2..].CopyTo(id);
        id[6] = (byte)(Version | (id[6] & 0x0F));
        id[8] = (byte)(Variant | (id[8] & 0x3F));
        return new(id, bigEndian: true);
    }
}
