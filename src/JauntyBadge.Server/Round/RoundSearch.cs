using AnyAscii;

namespace JauntyBadge.Server.Round;

/// <summary>Finds dogs as one types: every word typed has to begin a word of what is known of the dog, whatever the case, the accents and the script.</summary>
internal sealed class RoundSearch(string? text)
{
    private readonly IReadOnlyList<string> typed = [.. Words(text)];

    /// <summary>Whether a dog with these texts is found; nothing typed finds all.</summary>
    public bool Finds(params IEnumerable<string?> texts)
    {
        if (typed.Count == 0)
            return true;
        var words = texts.SelectMany(Words).ToList();
        return typed.All(t => words.Exists(w => w.StartsWith(t, StringComparison.Ordinal)));
    }

    private static string[] Words(string? text)
    {
        var plain = (text ?? "").Transliterate().ToLowerInvariant();
        return new string([.. plain.Select(c => char.IsLetterOrDigit(c) ? c : ' ')]).Split(' ', StringSplitOptions.RemoveEmptyEntries);
    }
}
