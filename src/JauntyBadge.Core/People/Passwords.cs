using System.Collections.Frozen;

namespace JauntyBadge.Core.People;

/// <summary>Why a password is not taken.</summary>
public enum PasswordTrouble
{
    TooShort,
    TooLong,

    /// <summary>It is, or is put together from, those tried first by whoever guesses.</summary>
    Common,

    /// <summary>It is the person's or the product's name with little else.</summary>
    OwnName,
}

/// <summary>
/// What a password must be: long, and not one that everybody tries. No other rules, no change by the calendar. Published: NIST SP 800-63B-4, section 3.1.1, length over rules and a list of
/// common ones; the least length is House, between the 8 it asks for beside a second factor and the 15 it asks for alone, since tries are held back by growing pauses.
/// </summary>
public static class Passwords
{
    /// <summary>Least letters.</summary>
    public const int Shortest = 12;

    /// <summary>Most letters; hashing longer ones is work for nothing.</summary>
    public const int Longest = 256;

    private static readonly FrozenSet<string> CommonOnes = Load();

    /// <summary>What is wrong with a password; null where it may be taken.</summary>
    /// <param name="password">As typed; every letter counts, blanks too.</param>
    /// <param name="name">Whose it is.</param>
    public static PasswordTrouble? TroubleWith(string password, string name)
    {
        if (password.Length < Shortest)
            return PasswordTrouble.TooShort;
        if (password.Length > Longest)
            return PasswordTrouble.TooLong;
        var plain = Plain(password);
        if (IsMadeOfCommonOnes(plain) || IsOneOverAndOver(plain))
            return PasswordTrouble.Common;
        var left = new[] { Plain(name), "jauntybadge" }
            .Where(n => n.Length > 2)
            .Aggregate(plain, (text, own) => text.Replace(own, "", StringComparison.Ordinal));
        return left.Length < Shortest / 3 ? PasswordTrouble.OwnName : null;
    }

    /// <summary>On the list, or nothing but two of it one after the other: whoever guesses tries those too.</summary>
    private static bool IsMadeOfCommonOnes(string plain) =>
        CommonOnes.Contains(plain) || Enumerable.Range(1, plain.Length - 1).Any(i => CommonOnes.Contains(plain[..i]) && CommonOnes.Contains(plain[i..]));

    private static string Plain(string text) => text.Trim().ToLowerInvariant();

    /// <summary>A short piece said again and again is guessed as soon as the piece is.</summary>
    private static bool IsOneOverAndOver(string text) =>
        Enumerable
            .Range(1, Shortest / 3)
            .Any(piece => text.Length >= 2 * piece && Enumerable.Range(piece, text.Length - piece).All(i => text[i] == text[i - piece]));

    private static FrozenSet<string> Load()
    {
        using var stream =
            typeof(Passwords).Assembly.GetManifestResourceStream("common-passwords.txt")
            ?? throw new InvalidDataException("The list of common passwords does not ship with the core.");
        using var reader = new StreamReader(stream);
        var all = reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).ToFrozenSet(StringComparer.Ordinal);
        return all.Count > 0 ? all : throw new InvalidDataException("The list of common passwords is empty.");
    }
}
