namespace JauntyBadge.Core.People;

/// <summary>
/// The code that hands a dog to a phone: two made-up words of four letters, such as <c>ZUKA-ROMI</c>. Consonant and vowel in turn are read aloud over a fence without spelling; letters that
/// are heard or read for others (c, q, w, x, y, j) are left out. Of 75² · 75² pairs about 31 million are left (25 bits): enough for a code that lives for minutes, is used once, and may
/// be tried a handful of times (House).
/// </summary>
public static class PairingCode
{
    /// <summary>How long a code may be used (House).</summary>
    public static readonly TimeSpan Lives = TimeSpan.FromMinutes(20);

    private const string Consonants = "bdfghklmnprstvz";
    private const string Vowels = "aeiou";
    private const int Word = 4;

    /// <summary>Words nobody should have to read to a client; from memory.</summary>
    private static readonly string[] NotSaid =
    [
        "nazi",
        "homo",
        "puta",
        "puto",
        "kaka",
        "popo",
        "pipi",
        "sado",
        "tits",
        "dodo",
        "fuku",
        "negu",
        "pupu",
        "bobo",
        "titi",
    ];

    /// <summary>A new code.</summary>
    /// <param name="below">Gives a whole number from 0 to below its argument, by chance.</param>
    public static string New(Func<int, int> below) => $"{NewWord(below)}-{NewWord(below)}".ToUpperInvariant();

    /// <summary>A code as it was typed, in the one way it is compared: capitals, one hyphen. Null where it cannot be one.</summary>
    public static string? Read(string? typed)
    {
        var letters = new string([.. (typed ?? "").Where(c => !char.IsWhiteSpace(c) && c is not ('-' or '–' or '.' or '·'))]).ToUpperInvariant();
        return letters.Length == 2 * Word && letters.All(char.IsAsciiLetterUpper) ? $"{letters[..Word]}-{letters[Word..]}" : null;
    }

    private static string NewWord(Func<int, int> below)
    {
        while (true)
        {
            var word = new string([.. Enumerable.Range(0, Word).Select(i => i % 2 == 0 ? Consonants[below(Consonants.Length)] : Vowels[below(Vowels.Length)])]);
            if (!NotSaid.Contains(word))
                return word;
        }
    }
}
