using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A length read off a ruler as the distance between two marks on one string.</summary>
public static class StringMarks
{
    /// <summary>Shortest string that goes around what has to be measured.</summary>
    public static readonly Grounded<Length> ShortestString = new(
        "string.shortest",
        "A string in place of a tape is at least this long",
        Length.FromMillimeters(914.4),
        Basis.Practice("about three feet go around any neck")
    )
    {
        SetElsewhere = "Advice only: nothing is decided by it.",
    };

    /// <summary>How such a reading ends in its text as taken.</summary>
    internal const string OnTheRuler = " on the ruler";

    /// <summary>Reads the length between two marks.</summary>
    /// <param name="from">Where the first mark lies on the ruler; empty for its beginning.</param>
    /// <param name="to">Where the second mark lies.</param>
    /// <param name="unit">The unit of bare numbers.</param>
    /// <param name="reading">The difference, with both positions kept as written.</param>
    /// <param name="field">Otherwise which of the two is wrong, "from" or "to".</param>
    /// <param name="problem">And what is wrong with it.</param>
    public static bool TryRead(string? from, string? to, ReadingUnit unit, out ParsedReading reading, out string field, out string problem)
    {
        (reading, field) = (null!, "from");
        var start = new ParsedReading(Length.Zero, "0", unit);
        var atBeginning = string.IsNullOrWhiteSpace(from) || from.Trim() is "0";
        if (!atBeginning && !ReadingParser.TryParse(from, unit, out start, out problem))
            return false;
        field = "to";
        if (!ReadingParser.TryParse(to, unit, out var end, out problem))
            return false;
        var apart = (end.Value - start.Value).Abs();
        if (apart <= Length.Zero)
        {
            problem = "Both marks lie at the same place on the ruler.";
            return false;
        }

        reading = new ParsedReading(apart, $"{start.AsTaken} to {end.AsTaken}{OnTheRuler}", end.Unit);
        return true;
    }
}
