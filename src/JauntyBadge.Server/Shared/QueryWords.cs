using System.Text.Json;

namespace JauntyBadge.Server.Shared;

/// <summary>Reads the core's terms from a query string the way JSON bodies spell them; the framework's own binding would want them in Pascal case.</summary>
internal static class QueryWords
{
    /// <summary>The term, or null when it was left out.</summary>
    /// <exception cref="Refusal">The text is no such term; names the field and the terms that are.</exception>
    public static TEnum? Read<TEnum>(string? text, string field)
        where TEnum : struct, Enum
    {
        if (string.IsNullOrEmpty(text))
            return null;
        return Named<TEnum>(text) ?? throw Refusal.Field(field, $"{field} cannot be read; {OneOf(typeof(TEnum))}.");
    }

    /// <summary>The term that is spelled so, or null.</summary>
    public static TEnum? Named<TEnum>(string text)
        where TEnum : struct, Enum
    {
        foreach (var value in Enum.GetValues<TEnum>())
        {
            if (Spell(value.ToString()) == text)
                return value;
        }

        return null;
    }

    /// <summary>"one of mm, cm, in is expected".</summary>
    public static string OneOf(Type type) => $"one of {string.Join(", ", Enum.GetNames(type).Select(Spell))} is expected";

    private static string Spell(string name) => JsonNamingPolicy.CamelCase.ConvertName(name);
}
