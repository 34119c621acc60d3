using System.Text.Json;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>Checks the part of JSON Schema that the catalogue uses: types, required and unknown properties, enums and bounds.</summary>
internal static class SchemaOutline
{
    public static void Check(string place, JsonElement value, JsonElement schema)
    {
        if (schema.TryGetProperty("type", out var type))
            Assert.True(Fits(value, type.GetString()!), $"{place}: not a {type}");
        if (schema.TryGetProperty("enum", out var options))
            Assert.True(options.EnumerateArray().Any(o => o.ToString() == value.ToString()), $"{place}: {value} is not one of {options}");
        if (schema.TryGetProperty("minimum", out var minimum))
            Assert.True(value.GetDecimal() >= minimum.GetDecimal(), $"{place}: under {minimum}");
        if (schema.TryGetProperty("maximum", out var maximum))
            Assert.True(value.GetDecimal() <= maximum.GetDecimal(), $"{place}: over {maximum}");
        if (schema.TryGetProperty("exclusiveMinimum", out var above))
            Assert.True(value.GetDecimal() > above.GetDecimal(), $"{place}: not over {above}");
        if (schema.TryGetProperty("minLength", out var length))
            Assert.True(value.GetString()!.Length >= length.GetInt32(), $"{place}: too short");
        if (schema.TryGetProperty("maxLength", out var longest))
            Assert.True(value.GetString()!.Length <= longest.GetInt32(), $"{place}: too long");
        if (schema.TryGetProperty("pattern", out var pattern))
            Assert.Matches(pattern.GetString()!, value.GetString());
        if (value.ValueKind == JsonValueKind.Object)
            CheckObject(place, value, schema);
        if (value.ValueKind == JsonValueKind.Array && schema.TryGetProperty("items", out var items))
        {
            if (schema.TryGetProperty("minItems", out var least))
                Assert.True(value.GetArrayLength() >= least.GetInt32(), $"{place}: too few");
            foreach (var (item, i) in value.EnumerateArray().Select((item, i) => (item, i)))
                Check($"{place}[{i}]", item, items);
        }
    }

    private static void CheckObject(string place, JsonElement value, JsonElement schema)
    {
        if (schema.TryGetProperty("required", out var required))
            Assert.All(required.EnumerateArray(), name => Assert.True(value.TryGetProperty(name.GetString()!, out _), $"{place}: {name} is missing"));
        var known = schema.TryGetProperty("properties", out var properties) ? properties : default;
        foreach (var property in value.EnumerateObject())
        {
            if (known.ValueKind == JsonValueKind.Object && known.TryGetProperty(property.Name, out var inner))
                Check($"{place}.{property.Name}", property.Value, inner);
            else if (schema.TryGetProperty("additionalProperties", out var others) && others.ValueKind == JsonValueKind.Object)
                Check($"{place}.{property.Name}", property.Value, others);
            else
                Assert.False(others.ValueKind == JsonValueKind.False, $"{place}: unknown property {property.Name}");
        }
    }

    private static bool Fits(JsonElement value, string type) => type switch
    {
        "object" => value.ValueKind == JsonValueKind.Object,
        "array" => value.ValueKind == JsonValueKind.Array,
        "string" => value.ValueKind == JsonValueKind.String,
        "boolean" => value.ValueKind is JsonValueKind.True or JsonValueKind.False,
        "integer" => value.ValueKind == JsonValueKind.Number && value.TryGetInt64(out _),
        "number" => value.ValueKind == JsonValueKind.Number,
        _ => throw new NotSupportedException(type),
    };
}
