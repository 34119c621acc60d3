using System.Text.Json;

namespace Cumbre.Server;

/// <summary>A value with the text in which it travels, written when it is first asked for.</summary>
public sealed class WireText<T>(T value)
{
    private byte[]? json;

    public T Value => value;

    public ReadOnlySpan<byte> Json => json ??= JsonSerializer.SerializeToUtf8Bytes(value, WireJson.Options);
}
