using System.Collections.Concurrent;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore.Metadata;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>
/// One kind of row as it stands in a dossier: every column that means something outside this practice. A column that is added to a row is in the dossier by itself, and the committed
/// schema then asks whether that is a new version of the format.
/// </summary>
internal sealed class DossierRow
{
    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
        NumberHandling = JsonNumberHandling.Strict,
    };

    /// <summary>Columns that hold a record of their own as JSON, and stand in a dossier as such.</summary>
    private static readonly HashSet<(Type, string)> Records =
    [
        (typeof(PhotoRow), nameof(PhotoRow.Marks)),
        (typeof(ChoiceRow), nameof(ChoiceRow.Kept)),
        (typeof(TryOnRow), nameof(TryOnRow.Record)),
        (typeof(SessionRow), nameof(SessionRow.Plan)),
        (typeof(SetRow), nameof(SetRow.Facts)),
        (typeof(WearRow), nameof(WearRow.Signs)),
        (typeof(WearRow), nameof(WearRow.Told)),
        (typeof(PlanChoiceRow), nameof(PlanChoiceRow.PolicyChoices)),
        (typeof(PlanChoiceRow), nameof(PlanChoiceRow.Week)),
        (typeof(PlanMoveRow), nameof(PlanMoveRow.Cause)),
    ];

    /// <summary>What counts inside one practice only.</summary>
    private static readonly HashSet<string> Local =
    [
        "DogId",
        "SessionId",
        "SetId",
        nameof(IVersioned.Version),
        nameof(DogRow.Touched),
        nameof(DogRow.Remeasured),
        nameof(DogRow.HandedOverAt),
    ];

    private static readonly ConcurrentDictionary<Type, DossierRow> Known = new();

    private DossierRow(IEntityType type)
    {
        Type = type.ClrType;
        Columns =
        [
            .. type.GetProperties()
                .Where(p => p.PropertyInfo is not null && !Local.Contains(p.Name))
                .Where(p => p.Name != nameof(INumbered.Number) || !typeof(INumbered).IsAssignableFrom(Type))
                .Where(p => p is not { Name: "Id", ClrType.Name: nameof(Int32) })
                .Where(p => Type != typeof(HandoverRow) || p.Name != "DogId")
                .Select(p => new DossierColumn(p.Name == "Uid" ? "id" : JsonNamingPolicy.CamelCase.ConvertName(p.Name), p, Records.Contains((Type, p.Name))))
                .OrderBy(c => c.Name != "id")
                .ThenBy(c => c.Name, StringComparer.Ordinal),
        ];
    }

    public Type Type { get; }

    public IReadOnlyList<DossierColumn> Columns { get; }

    public static DossierRow Of(PracticeDb db, Type type) => Known.GetOrAdd(type, t => new DossierRow(db.Model.FindEntityType(t)!));

    public JsonObject Write(object row)
    {
        var record = new JsonObject();
        foreach (var column in Columns)
            record[column.Name] = column.Read(row);
        return record;
    }

    /// <exception cref="DossierProblem">A member cannot be read; names it.</exception>
    public object Read(JsonObject record, string at)
    {
        var row = Activator.CreateInstance(Type)!;
        foreach (var column in Columns)
            column.Write(row, record[column.Name], $"{at}.{column.Name}");
        return row;
    }
}

/// <summary>A column as it stands in a dossier.</summary>
/// <param name="Name">Its member.</param>
/// <param name="Property">The column.</param>
/// <param name="IsRecord">It holds a record of its own.</param>
internal sealed record DossierColumn(string Name, IProperty Property, bool IsRecord)
{
    public JsonNode? Read(object row) =>
        Property.PropertyInfo!.GetValue(row) switch
        {
            null => null,
            string text when IsRecord => Parsed(text),
            var value => JsonSerializer.SerializeToNode(value, Property.ClrType, DossierRow.Options),
        };

    public void Write(object row, JsonNode? value, string at)
    {
        try
        {
            Property.PropertyInfo!.SetValue(
                row,
                value is null ? null
                    : IsRecord
                        ? value is JsonValue text && text.TryGetValue(out string? said) ? said
                            : value.ToJsonString()
                    : value.Deserialize(Property.ClrType, DossierRow.Options)
            );
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException)
        {
            throw new DossierProblem(DossierTrouble.Unreadable, at);
        }
    }

    /// <summary>What an earlier release wrote and nobody can read stays the text it is.</summary>
    private static JsonNode Parsed(string text)
    {
        try
        {
            return JsonNode.Parse(text) ?? JsonValue.Create(text);
        }
        catch (JsonException)
        {
            return JsonValue.Create(text);
        }
    }
}
