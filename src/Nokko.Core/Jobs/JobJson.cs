using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>How Nokko's documents are written as JSON, everywhere: job file, database, HTTP.</summary>
public static class JobJson
{
    /// <summary>Compact options.</summary>
    public static JsonSerializerOptions Options { get; } = Make(false);

    /// <summary>Indented options, for files.</summary>
    public static JsonSerializerOptions Indented { get; } = Make(true);

    /// <summary>Compact options for the log of changes: whatever is <see cref="PersonalAttribute"/> is left out.</summary>
    public static JsonSerializerOptions Log { get; } = Make(false, LeaveOutPersonal);

    /// <summary>Sets options to Nokko's way of writing.</summary>
    public static void Apply(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.PropertyNameCaseInsensitive = false;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.AllowDuplicateProperties = false;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.Never;
        // ° and · and ½ stay readable; the documents are never embedded in HTML.
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.Converters.Add(
            new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
        );
        options.Converters.Add(new InstantConverter());
    }

    /// <summary>The canonical text of a job, or of a shop's file: lists of keyed rows and named dimensions sorted by key, UTC instants to the microsecond.</summary>
    public static string Canonical<T>(T document)
    {
        var node = JsonSerializer.SerializeToNode(document, Indented)!.AsObject();
        foreach (var (name, value) in node.ToArray())
        {
            if (value is JsonArray rows)
            {
                node[name] = new JsonArray([
                    .. rows.OrderBy(r => (string?)r!["id"], StringComparer.Ordinal)
                        .Select(r => r!.DeepClone()),
                ]);
            }
        }
        SortDimensions(node);
        return node.ToJsonString(Indented) + "\n";
    }

    /// <summary>Named dimensions have no order of their own; their order says nothing.</summary>
    private static void SortDimensions(JsonNode? node)
    {
        switch (node)
        {
            case JsonObject row:
                foreach (var (name, value) in row.ToArray())
                {
                    if (
                        name == "dimensions"
                        && value is JsonObject sizes
                        && !sizes.ContainsKey("wheelbase")
                    )
                    {
                        row[name] = new JsonObject(
                            sizes
                                .OrderBy(p => p.Key, StringComparer.Ordinal)
                                .Select(p => KeyValuePair.Create(p.Key, p.Value?.DeepClone()))
                        );
                        continue;
                    }
                    SortDimensions(value);
                }
                break;
            case JsonArray rows:
                foreach (var row in rows)
                {
                    SortDimensions(row);
                }
                break;
        }
    }

    /// <summary>The JSON Schema (2020-12) of a document type.</summary>
    /// <param name="type">The type.</param>
    /// <param name="title">Title of the schema.</param>
    public static string Schema(Type type, string title)
    {
        var schema = Options
            .GetJsonSchemaAsNode(type, new JsonSchemaExporterOptions { TransformSchemaNode = Tell })
            .AsObject();
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", title);
        return schema.ToJsonString(Indented) + "\n";
    }

    /// <summary>Tells what the types alone do not: instants are text, and units are those of the table.</summary>
    private static JsonNode Tell(JsonSchemaExporterContext context, JsonNode schema)
    {
        var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
        if (type == typeof(DateTimeOffset))
        {
            return new JsonObject
            {
                ["type"] =
                    type == context.TypeInfo.Type ? "string" : new JsonArray("string", "null"),
                ["format"] = "date-time",
            };
        }
        if (type == typeof(Unit))
        {
            return new JsonObject
            {
                ["type"] = "string",
                ["enum"] = new JsonArray([.. Unit.All.Select(u => JsonValue.Create(u.Symbol))]),
            };
        }
        return schema;
    }

    private static JsonSerializerOptions Make(
        bool indented,
        params Action<JsonTypeInfo>[] modifiers
    )
    {
        var options = new JsonSerializerOptions { WriteIndented = indented, NewLine = "\n" };
        Apply(options);
        var resolver = new DefaultJsonTypeInfoResolver();
        foreach (var modifier in modifiers)
        {
            resolver.Modifiers.Add(modifier);
        }
        options.TypeInfoResolver = resolver;
        options.MakeReadOnly();
        return options;
    }

    private static void LeaveOutPersonal(JsonTypeInfo type)
    {
        foreach (
            var property in type
                .Properties.Where(p =>
                    p.AttributeProvider?.IsDefined(typeof(PersonalAttribute), true) == true
                )
                .ToArray()
        )
        {
            type.Properties.Remove(property);
        }
    }

    /// <summary>UTC to the microsecond, which is what the database keeps.</summary>
    private sealed class InstantConverter : JsonConverter<DateTimeOffset>
    {
        public override DateTimeOffset Read(
            ref Utf8JsonReader reader,
            Type typeToConvert,
            JsonSerializerOptions options
        ) => Instants.ToMicroseconds(reader.GetDateTimeOffset());

        public override void Write(
            Utf8JsonWriter writer,
            DateTimeOffset value,
            JsonSerializerOptions options
        ) =>
            writer.WriteStringValue(
                value.UtcDateTime.ToString(
                    "yyyy-MM-dd'T'HH:mm:ss.FFFFFF'Z'",
                    CultureInfo.InvariantCulture
                )
            );
    }
}

/// <summary>Instants as they are kept.</summary>
public static class Instants
{
    /// <summary>The instant in UTC, cut to the microsecond.</summary>
    public static DateTimeOffset ToMicroseconds(DateTimeOffset instant) =>
        new(instant.UtcTicks - (instant.UtcTicks % TimeSpan.TicksPerMicrosecond), TimeSpan.Zero);
}
