using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;
using System.Text.Json;
using JauntyBadge.Core;
using UnitsNet;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// What no part of the product can use, whatever it is for: gaps in lists, control characters in texts, numbers larger than anything is. Every body is
/// looked through for them before its handler sees it.
/// </summary>
internal static class Sound
{
    /// <summary>Beyond this no length, mass, energy or time of the job lies; what is computed from such numbers is none (House).</summary>
    public const double Largest = 1e9;

    private static readonly ConcurrentDictionary<Type, (string Name, PropertyInfo Property)[]> Members = new();

    /// <summary>Whether a text holds a control character.</summary>
    public static bool HasControls(string? text) => text?.All(FileText.IsPrintable) == false;

    /// <summary>Looks through a body.</summary>
    /// <exception cref="Refusal">Something in it cannot be used; names the field.</exception>
    public static void Need(object body) => Need(body, "");

    /// <summary>Looks through what stands in an address.</summary>
    /// <exception cref="Refusal">A text of it cannot be used; names the field.</exception>
    public static Task NeedInAddress(HttpContext context, RequestDelegate next)
    {
        if (HasControls(context.Request.Path.Value))
            throw Refusal.NotFound("Nothing is at this address.");
        foreach (var (name, texts) in context.Request.Query)
        {
            if (HasControls(name) || texts.Any(HasControls))
                throw Unprintable(HasControls(name) ? "query" : name);
        }

        return next(context);
    }

    private static Refusal Unprintable(string field) =>
        Refusal.Field(field, $"{field} holds a character that cannot be seen; text without control characters is accepted.");

    private static void Need(object? value, string path)
    {
        switch (value)
        {
            case null:
                break;
            case string text:
                if (HasControls(text))
                    throw Unprintable(path);
                break;
            case double number:
                NeedNumber(number, path);
                break;
            case Length length:
                NeedNumber(length.Millimeters, path);
                break;
            case Mass mass:
                NeedNumber(mass.Grams, path);
                break;
            case IDictionary entries:
                foreach (DictionaryEntry entry in entries)
                    Need(entry.Value ?? throw Gap(path), $"{path}.{entry.Key}");
                break;
            case IEnumerable items:
                var index = 0;
                foreach (var item in items)
                    Need(item ?? throw Gap(path), $"{path}[{index++}]");
                break;
            default:
                foreach (var (name, property) in Members.GetOrAdd(value.GetType(), MembersOf))
                    Need(property.GetValue(value), path == "" ? name : $"{path}.{name}");
                break;
        }
    }

    private static void NeedNumber(double number, string path)
    {
        if (Math.Abs(number) > Largest)
            throw Refusal.Field(path, $"{path} is larger than anything that is measured here.");
    }

    private static Refusal Gap(string path) => Refusal.Field(path, $"{path} has a gap (null) in it; a list of whole entries is accepted.");

    /// <summary>The members of our own records; what the framework brings has no text of the caller's in it.</summary>
    private static (string Name, PropertyInfo Property)[] MembersOf(Type type) =>
        type.Namespace?.StartsWith("JauntyBadge", StringComparison.Ordinal) == true && !type.IsEnum
            ?
            [
                .. type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                    .Where(p => p.GetIndexParameters().Length == 0 && p.CanWrite)
                    .Select(p => (JsonNamingPolicy.CamelCase.ConvertName(p.Name), p)),
            ]
            : [];
}
