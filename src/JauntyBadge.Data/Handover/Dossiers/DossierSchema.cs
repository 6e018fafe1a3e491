using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;
using NJsonSchema;
using NJsonSchema.Validation;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>The dossier's JSON Schema, made from the rows it is made of and published in docs/formats.</summary>
public static class DossierSchema
{
    /// <summary>The schema as text.</summary>
    public static string Text { get; } = Write();

    private static readonly Lazy<Task<JsonSchema>> Loaded = new(() => JsonSchema.FromJsonAsync(Text));

    /// <summary>What is wrong with a document; empty where nothing is.</summary>
    public static async Task<IReadOnlyList<DossierFault>> FaultsAsync(string document)
    {
        var schema = await Loaded.Value;
        return [.. schema.Validate(document).SelectMany(Flat).Select(p => new DossierFault(Of(p.Kind), Place(p), $"{p.Kind}")).Distinct()];
    }

    private static IEnumerable<ValidationError> Flat(ValidationError problem) =>
        problem is ChildSchemaValidationError parent && parent.Errors.Values.SelectMany(v => v).ToList() is { Count: > 0 } inner
            ? inner.SelectMany(Flat)
            : [problem];

    private static string Place(ValidationError problem) => problem.Path?.TrimStart('#', '/') ?? "";

    private static DossierTrouble Of(ValidationErrorKind kind) =>
        kind switch
        {
            ValidationErrorKind.NoAdditionalPropertiesAllowed => DossierTrouble.UnknownMember,
            ValidationErrorKind.PropertyRequired => DossierTrouble.MissingMember,
            ValidationErrorKind.NotInEnumeration => DossierTrouble.NotATerm,
            ValidationErrorKind.UuidExpected or ValidationErrorKind.GuidExpected => DossierTrouble.NotAnId,
            ValidationErrorKind.DateTimeExpected or ValidationErrorKind.DateExpected or ValidationErrorKind.TimeExpected => DossierTrouble.NotATime,
            _ => DossierTrouble.NotAsExpected,
        };

    private static string Write()
    {
        using var db = new PracticeDb(new DbContextOptionsBuilder<PracticeDb>().UseSqlite("Data Source=:memory:").Options);
        JsonObject Of(Type type) => ObjectOf(DossierRow.Of(db, type));
        var properties = new JsonObject
        {
            ["format"] = new JsonObject { ["const"] = DossierFormat.Name, ["type"] = "string" },
            ["version"] = new JsonObject
            {
                ["type"] = "integer",
                ["minimum"] = DossierFormat.Version,
                ["maximum"] = DossierFormat.Version,
            },
            ["exportedAt"] = new JsonObject { ["type"] = "string", ["format"] = "date-time" },
            ["dog"] = Of(typeof(DogRow)),
            ["habits"] = new JsonObject { ["oneOf"] = new JsonArray(new JsonObject { ["type"] = "null" }, Of(typeof(WearingHabitsRow))) },
        };
        foreach (var section in DossierFormat.Sections)
        {
            var item =
                section.Name == DossierFormat.Pictures ? Object(("of", Id()), ("file", String()), ("bytes", Whole()))
                : section.Name == DossierFormat.Sessions ? SessionOf(db)
                : Of(DossierRows.Types[section.Name]);
            if (section.IsOrdered)
                Add(item, DossierFormat.Order, Whole());
            if (section.Name == DossierFormat.Passes)
                Add(item, "set", Nullable(Object(("session", Id()), ("number", Whole()))));
            properties[section.Name] = new JsonObject { ["type"] = "array", ["items"] = item };
        }

        properties["numbers"] = new JsonObject
        {
            ["type"] = "object",
            ["description"] = "The house numbers that sets and choices were decided by, under the fingerprint they name.",
            ["additionalProperties"] = new JsonObject
            {
                ["type"] = "object",
                ["additionalProperties"] = new JsonObject { ["type"] = "number" },
            },
        };
        var schema = new JsonObject
        {
            ["$schema"] = "http://json-schema.org/draft-07/schema#",
            ["title"] = "Jaunty Badge dossier, version 1",
            ["description"] =
                "Everything on record of one dog. Times are UTC, lengths mm, masses kg, holds ms. 'order' is a record's place among all records of the dog; 'place' a set's among its sets.",
            ["type"] = "object",
            ["additionalProperties"] = false,
            ["required"] = new JsonArray([.. properties.Select(p => (JsonNode)p.Key)]),
            ["properties"] = properties,
        };
        return schema.ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n";
    }

    private static JsonObject SessionOf(PracticeDb db)
    {
        JsonObject Part(Type type)
        {
            var part = ObjectOf(DossierRow.Of(db, type));
            Add(part, DossierFormat.Order, Whole());
            return part;
        }

        var set = ObjectOf(DossierRow.Of(db, typeof(SetRow)));
        Add(set, DossierFormat.Place, Whole());
        Add(set, "goes", new JsonObject { ["type"] = "array", ["items"] = Part(typeof(GoRow)) });
        Add(set, "signs", new JsonObject { ["type"] = "array", ["items"] = Part(typeof(SignRow)) });
        var session = ObjectOf(DossierRow.Of(db, typeof(SessionRow)));
        Add(session, "sets", new JsonObject { ["type"] = "array", ["items"] = set });
        return session;
    }

    /// <summary>What may be nothing may be left out too: an older release did not know of it.</summary>
    private static JsonObject ObjectOf(DossierRow row)
    {
        var made = Object();
        foreach (var column in row.Columns)
            Add(made, column.Name, Column(column), isRequired: !column.Property.IsNullable);
        return made;
    }

    private static JsonObject Object(params (string Name, JsonNode Schema)[] members)
    {
        var made = new JsonObject
        {
            ["type"] = "object",
            ["additionalProperties"] = false,
            ["required"] = new JsonArray(),
            ["properties"] = new JsonObject(),
        };
        foreach (var (name, schema) in members)
            Add(made, name, schema);
        return made;
    }

    private static void Add(JsonObject of, string name, JsonNode schema, bool isRequired = true)
    {
        of["properties"]![name] = schema;
        if (isRequired)
            ((JsonArray)of["required"]!).Add(name);
    }

    private static JsonObject Column(DossierColumn column)
    {
        var schema = column.IsRecord ? new JsonObject { ["type"] = new JsonArray("object", "array", "string") } : Of(column.Property.ClrType);
        return column.Property.IsNullable ? Nullable(schema) : schema;
    }

    private static JsonObject Of(Type type)
    {
        var bare = System.Nullable.GetUnderlyingType(type) ?? type;
        if (bare.IsEnum)
            return new JsonObject
            {
                ["type"] = "string",
                ["enum"] = new JsonArray([.. Enum.GetNames(bare).Select(n => (JsonNode)JsonNamingPolicy.CamelCase.ConvertName(n))]),
            };
        if (bare.IsGenericType && bare.GetGenericTypeDefinition() == typeof(List<>))
            return new JsonObject { ["type"] = "array", ["items"] = Of(bare.GetGenericArguments()[0]) };
        return bare.Name switch
        {
            nameof(Guid) => Id(),
            nameof(DateTime) => new JsonObject { ["type"] = "string", ["format"] = "date-time" },
            nameof(DateOnly) => new JsonObject { ["type"] = "string", ["format"] = "date" },
            nameof(TimeOnly) => new JsonObject { ["type"] = "string", ["pattern"] = "^[0-2][0-9]:[0-5][0-9]:[0-5][0-9](\\.[0-9]+)?$" },
            nameof(Boolean) => new JsonObject { ["type"] = "boolean" },
            nameof(Int32) or nameof(Int64) => Whole(),
            nameof(Double) => new JsonObject { ["type"] = "number" },
            nameof(String) => String(),
            _ => throw new InvalidOperationException($"A dossier has no way to hold a {bare.Name}."),
        };
    }

    private static JsonObject Id() => new() { ["type"] = "string", ["format"] = "uuid" };

    private static JsonObject String() => new() { ["type"] = "string" };

    private static JsonObject Whole() => new() { ["type"] = "integer" };

    private static JsonObject Nullable(JsonObject schema)
    {
        if (schema["type"] is JsonArray several)
            several.Add("null");
        else
            schema["type"] = new JsonArray(schema["type"]!.ToString(), "null");
        if (schema["enum"] is JsonArray words)
            words.Add(null);
        return schema;
    }
}
