namespace JauntyBadge.Core.Caseload;

/// <summary>Names as a person sorts them: letters whatever their case, and numbers by what they are worth, so that <c>Dog 2</c> comes before <c>Dog 10</c>.</summary>
public sealed class NameOrder : IComparer<string>
{
    private NameOrder() { }

    public static NameOrder Natural { get; } = new();

    /// <inheritdoc />
    public int Compare(string? x, string? y)
    {
        ReadOnlySpan<char> a = x;
        ReadOnlySpan<char> b = y;
        while (!a.IsEmpty && !b.IsEmpty)
        {
            var one = Run(ref a);
            var other = Run(ref b);
            var by = char.IsAsciiDigit(one[0]) && char.IsAsciiDigit(other[0]) ? Worth(one, other) : one.CompareTo(other, StringComparison.OrdinalIgnoreCase);
            if (by != 0)
                return by;
        }

        return a.Length != b.Length ? a.Length - b.Length : string.CompareOrdinal(x, y);
    }

    /// <summary>Takes off what comes first: a number, or what is none.</summary>
    private static ReadOnlySpan<char> Run(ref ReadOnlySpan<char> text)
    {
        var length = 1;
        while (length < text.Length && char.IsAsciiDigit(text[length]) == char.IsAsciiDigit(text[0]))
            length++;
        var run = text[..length];
        text = text[length..];
        return run;
    }

    /// <summary>Numbers of any length: without their zeros the longer is worth more.</summary>
    private static int Worth(ReadOnlySpan<char> one, ReadOnlySpan<char> other)
    {
        var a = one.TrimStart('0');
        var b = other.TrimStart('0');
        return a.Length != b.Length ? a.Length - b.Length : a.SequenceCompareTo(b);
    }
}
