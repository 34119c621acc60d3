using System.Collections;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Cumbre.Core.Measures;

/// <summary>
/// A list that cannot change and is equal to another of the same content, so that records which hold one compare by
/// value.
/// </summary>
[CollectionBuilder(typeof(ValueList), nameof(ValueList.Of))]
[JsonConverter(typeof(ValueListConverter))]
public sealed class ValueList<T>(params T[] items) : IReadOnlyList<T>, IEquatable<ValueList<T>>
{
    public int Count => items.Length;

    public T this[int index] => items[index];

    public bool Equals(ValueList<T>? other) => other is not null && items.SequenceEqual(other);

    public override bool Equals(object? obj) => Equals(obj as ValueList<T>);

    public override int GetHashCode() => items.Aggregate(items.Length, HashCode.Combine);

    public IEnumerator<T> GetEnumerator() => ((IEnumerable<T>)items).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}

/// <summary>Makes a <see cref="ValueList{T}"/> from a collection expression.</summary>
public static class ValueList
{
    public static ValueList<T> Of<T>(ReadOnlySpan<T> items) => new(items.ToArray());
}

/// <summary>In JSON such a list is an array.</summary>
public sealed class ValueListConverter : JsonConverterFactory
{
    public override bool CanConvert(Type typeToConvert) =>
        typeToConvert.IsGenericType && typeToConvert.GetGenericTypeDefinition() == typeof(ValueList<>);

    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)
            Activator.CreateInstance(typeof(Converter<>).MakeGenericType(typeToConvert.GetGenericArguments()))!;

    private sealed class Converter<T> : JsonConverter<ValueList<T>>
    {
        public override ValueList<T>? Read(
            ref Utf8JsonReader reader,
            Type typeToConvert,
            JsonSerializerOptions options
        ) => JsonSerializer.Deserialize<T[]>(ref reader, options) is { } items ? new(items) : null;

        public override void Write(Utf8JsonWriter writer, ValueList<T> value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, value.ToArray(), options);
    }
}
