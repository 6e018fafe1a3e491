using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;

namespace JauntyBadge.Core;

/// <summary>A language the product speaks. Its words stand in one table: for each English text, whose places are written {0}, {1} and so on, what is said instead.</summary>
/// <param name="Tag">BCP 47, such as "en".</param>
/// <param name="Of">What stands for an English text.</param>
public sealed record Language(string Tag, Func<string, string> Of)
{
    private const string Letters = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";
    private const string Accents = "áƀçđéƒǵĥíĵķłɱñóƥɋřšŧúṽŵẋýžÁƁÇĐÉƑǴĤÍĴĶŁṀÑÓƤɊŘŠŦÚṼŴẊÝŽ";

    /// <summary>The language the product is written in.</summary>
    public static Language English { get; } = new("en", text => text);

    /// <summary>English with every letter accented: what still reads plain has not come through the table.</summary>
    public static Language Accented { get; } =
        new("en-XA", text => string.Concat(text.Select(c => Letters.IndexOf(c, StringComparison.Ordinal) is >= 0 and var at ? Accents[at] : c)));

    /// <summary>The language of a tag; null where it is not spoken here.</summary>
    public static Language? Find(string tag) => new[] { English, Accented }.FirstOrDefault(l => string.Equals(l.Tag, tag, StringComparison.OrdinalIgnoreCase));
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
