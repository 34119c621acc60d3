using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Cumbre.Server;

/// <summary>How values travel: camel case, words for enums, numbers only as numbers.</summary>
public static class WireJson
{
    public static JsonSerializerOptions Options { get; } = Configure(new(JsonSerializerDefaults.Web));

    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectRequiredConstructorParameters = true;
        options.RespectNullableAnnotations = true;
        options.Converters.Add(new JsonStringEnumConverter(allowIntegerValues: false));
        return options;
    }

    /// <summary>The same, and what comes from outside is looked at more closely than what was stored here.</summary>
    public static void ConfigureRequests(JsonSerializerOptions options)
    {
        Configure(options);
        options.Converters.Add(new DayConverter());
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(
            RefuseNothingInLists
        );
    }

    /// <summary>
    /// Annotations of what a list holds are not read by the serializer: of references none may be missing.
    /// </summary>
    private static void RefuseNothingInLists(JsonTypeInfo type)
    {
        if (type is not { Kind: JsonTypeInfoKind.Enumerable, ElementType.IsValueType: false })
            return;
        type.OnDeserialized = list =>
        {
            foreach (var element in (System.Collections.IEnumerable)list)
            {
                if (element is null)
                    throw new JsonException("A list holds nothing where something is asked for.");
            }
        };
    }

    /// <summary>The document cannot see through a converter: what it reads is told here.</summary>
    internal static Task DescribeDays(OpenApiSchema schema, OpenApiSchemaTransformerContext context)
    {
        if ((Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type) == typeof(DateOnly))
        {
            // A parameter of an address that is left out is not written at all.
            var mayBeNothing = context.JsonPropertyInfo is not null && context.JsonTypeInfo.Type != typeof(DateOnly);
            schema.Type = mayBeNothing ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
            schema.Format = "date";
        }

        if (context.JsonTypeInfo is { Kind: JsonTypeInfoKind.Enumerable } list && list.ElementType == typeof(DateOnly))
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.String, Format = "date" };
        return Task.CompletedTask;
    }

    /// <summary>
    /// What an enum may be does not hold nothing: that is said where it is used, and one type may be left out at one
    /// place and asked for at another.
    /// </summary>
    internal static Task DescribeEnums(OpenApiSchema schema, OpenApiSchemaTransformerContext context)
    {
        if (Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) is { IsEnum: true } && schema.Enum is { } values)
            schema.Enum = [.. values.Where(v => v is not null && v.GetValueKind() == JsonValueKind.String)];
        return Task.CompletedTask;
    }

    private sealed class DayConverter : JsonConverter<DateOnly>
    {
        private static readonly JsonConverter<DateOnly> Usual =
            (JsonConverter<DateOnly>)JsonSerializerOptions.Default.GetConverter(typeof(DateOnly));

        public override DateOnly Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Usual.Read(ref reader, typeToConvert, options) is var day && Days.Holds(day)
                ? day
                : throw new DayRangeException();

        public override void Write(Utf8JsonWriter writer, DateOnly value, JsonSerializerOptions options) =>
            Usual.Write(writer, value, options);

        public override DateOnly ReadAsPropertyName(
            ref Utf8JsonReader reader,
            Type typeToConvert,
            JsonSerializerOptions options
        ) => Usual.ReadAsPropertyName(ref reader, typeToConvert, options);

        public override void WriteAsPropertyName(
            Utf8JsonWriter writer,
            DateOnly value,
            JsonSerializerOptions options
        ) => Usual.WriteAsPropertyName(writer, value, options);
    }
}

/// <summary>The days with which the app reckons: around each of them there are weeks before and after.</summary>
public static class Days
{
    public const int FirstYear = 1900,
        LastYear = 2100;

    public static bool Holds(DateOnly day) => day.Year is >= FirstYear and <= LastYear;

    /// <summary>The nearest day that is reckoned with.</summary>
    public static DateOnly Within(DateOnly day) =>
        day.Year < FirstYear ? new(FirstYear, 1, 1)
        : day.Year > LastYear ? new(LastYear, 12, 31)
        : day;
}

/// <summary>A day of a request lies outside the years that are reckoned with.</summary>
internal sealed class DayRangeException() : JsonException();
