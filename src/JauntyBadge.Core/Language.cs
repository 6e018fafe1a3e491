using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using System.Text.Json;

namespace JauntyBadge.Core;

/// <summary>
/// A language the product speaks. Its words stand in one table, words/TAG.json: for each English text, whose places are written {0}, {1} and so on, what is said
/// instead. What the table lacks stays English.
/// </summary>
/// <param name="Tag">BCP 47, such as "en".</param>
/// <param name="Of">What stands for an English text.</param>
public sealed record Language(string Tag, Func<string, string> Of)
{
    private const string AccentedTag = "en-XA";
    private const string Letters = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";
    private const string Accents = "áƀçđéƒǵĥíĵķłɱñóƥɋřšŧúṽŵẋýžÁƁÇĐÉƑǴĤÍĴĶŁṀÑÓƤɊŘŠŦÚṼŴẊÝŽ";

    private static readonly ConcurrentDictionary<string, Language> Known = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>The language the product is written in.</summary>
    public static Language English { get; } = new("en", text => text);

    /// <summary>
    /// Finds a language; null where it is not spoken here. "en-XA" is a pseudo-language: English with the letters of every text of the table accented, so that what
    /// still reads plain has not come through it.
    /// </summary>
    public static Language? Find(string tag) =>
        Known.TryGetValue(tag, out var known) ? known
        : Load(tag) is { } loaded ? Known.GetOrAdd(tag, loaded)
        : null;

    private static Language? Load(string tag)
    {
        if (string.Equals(tag, English.Tag, StringComparison.OrdinalIgnoreCase))
            return English;
        var pseudo = string.Equals(tag, AccentedTag, StringComparison.OrdinalIgnoreCase);
        using var file = typeof(Language).Assembly.GetManifestResourceStream($"words.{(pseudo ? English.Tag : tag.ToLowerInvariant())}.json");
        if (file is null)
            return null;
        var table = JsonSerializer.Deserialize<Dictionary<string, string>>(file)!;
        return pseudo ? new(AccentedTag, text => table.ContainsKey(text) ? Accented(text) : text) : new(tag, text => table.GetValueOrDefault(text, text));
    }

    private static string Accented(string text) =>
        string.Concat(text.Select(c => Letters.IndexOf(c, StringComparison.Ordinal) is >= 0 and var at ? Accents[at] : c));
}

/// <summary>A sentence on its way into a language: its English with places, and what stands in them, written invariantly.</summary>
[InterpolatedStringHandler]
public readonly ref struct Sentence(int literalLength, int formattedCount)
{
    private readonly StringBuilder english = new(literalLength + 3 * formattedCount);
    private readonly List<object> places = new(formattedCount);

    public void AppendLiteral(string text) => english.Append(text);

    public void AppendFormatted<T>(T value, string? format = null)
    {
        english.Append(CultureInfo.InvariantCulture, $"{{{places.Count}}}");
        places.Add((value is IFormattable number ? number.ToString(format, CultureInfo.InvariantCulture) : value?.ToString()) ?? "");
    }

    internal string In(Language language) => string.Format(CultureInfo.InvariantCulture, language.Of(english.ToString()), [.. places]);
}
