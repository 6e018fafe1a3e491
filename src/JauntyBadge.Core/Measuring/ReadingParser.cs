using System.Globalization;
using System.Text.RegularExpressions;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A length as somebody wrote it, understood.</summary>
/// <param name="Value">The length.</param>
/// <param name="AsTaken">What was written, trimmed; a bare number has its unit added so that it stands by itself.</param>
/// <param name="Unit">The unit it was written in.</param>
public sealed record ParsedReading(Length Value, string AsTaken, ReadingUnit Unit);

/// <summary>Reads lengths the way people write them: <c>95</c>, <c>9,5 cm</c>, <c>3 3/4 in</c>, <c>3 3/4"</c>, <c>3.75in</c>.</summary>
public static partial class ReadingParser
{
    /// <summary>Longest length taken for a reading on a dog.</summary>
    public static readonly Grounded<Length> Longest = new(
        "measure.longest-reading",
        "Longest length accepted as a reading",
        Length.FromMillimeters(1500),
        Basis.House("no neck on a dog comes near it, so it is a slip of the finger or the unit")
    )
    {
        SetElsewhere = "It only keeps slips out.",
    };

    /// <summary>What is accepted, for messages beside the field.</summary>
    public const string Accepted = "a length such as 95, 9,5 cm, 3 3/4 in or 3.75in";

    private const int LongestText = 40;

    private static readonly Dictionary<char, string> VulgarFractions = new()
    {
        ['½'] = "1/2",
        ['¼'] = "1/4",
        ['¾'] = "3/4",
        ['⅛'] = "1/8",
        ['⅜'] = "3/8",
        ['⅝'] = "5/8",
        ['⅞'] = "7/8",
        ['⅓'] = "1/3",
        ['⅔'] = "2/3",
    };

    [GeneratedRegex("""^(?:(?<whole>[0-9]{1,6})(?:\s+|-))?(?<top>[0-9]{1,3})\s*/\s*(?<bottom>[0-9]{1,3})\s*(?<unit>[^0-9]*)$""", RegexOptions.CultureInvariant)]
    private static partial Regex Fraction();

    [GeneratedRegex("""^(?<number>[0-9]{1,6}(?:[.,][0-9]{1,6})?|[.,][0-9]{1,6})\s*(?<unit>[^0-9.,\s].*)?$""", RegexOptions.CultureInvariant)]
    private static partial Regex Plain();

    /// <summary>Reads a length.</summary>
    /// <param name="text">What was written. Comma and point both mark decimals; fractions may stand alone or after a whole.</param>
    /// <param name="defaultUnit">The unit of a bare number; where that is the millimetre, a bare fraction is one of an inch.</param>
    /// <param name="reading">The reading when true is returned.</param>
    /// <param name="problem">Otherwise one sentence that says what is wrong and what would be accepted.</param>
    /// <returns>Whether it could be read: a length over 0 and up to <see cref="Longest"/>.</returns>
    public static bool TryParse(string? text, ReadingUnit defaultUnit, out ParsedReading reading, out string problem)
    {
        reading = null!;
        var taken = text?.Trim() ?? "";
        if (taken.Length is 0 or > LongestText)
        {
            problem = $"Write {Accepted}.";
            return false;
        }

        if (taken[0] is '-' or '−' or '–')
        {
            problem = $"A length cannot be negative. Write {Accepted}.";
            return false;
        }

        if (!TryNumber(taken, out var number, out var unitText, out var isFraction))
        {
            problem = $"\"{taken}\" is not a length. Write {Accepted}.";
            return false;
        }

        if (!double.IsFinite(number))
        {
            problem = "A fraction cannot be over 0. Write it like 3 3/4 in.";
            return false;
        }

        // Nobody reads a millimetre in fractions: without a unit a fraction is one of an inch.
        if (UnitNamed(unitText, isFraction && defaultUnit == ReadingUnit.Mm ? ReadingUnit.In : defaultUnit) is not { } unit)
        {
            problem = $"The unit \"{unitText}\" is not known here. Use mm, cm or in (also \").";
            return false;
        }

        var value = unit switch
        {
            ReadingUnit.Cm => Length.FromCentimeters(number),
            ReadingUnit.In => Length.FromInches(number),
            _ => Length.FromMillimeters(number),
        };
        if (value <= Length.Zero || value > Longest.Ours)
        {
            problem = $"{taken} comes to {value.Millimeters:0.#} mm; a reading is over 0 and up to {Longest.Ours.Millimeters:0} mm.";
            return false;
        }

        reading = new ParsedReading(value, unitText == "" ? $"{taken} {Name(unit)}" : taken, unit);
        problem = "";
        return true;
    }

    private static bool TryNumber(string taken, out double number, out string unitText, out bool isFraction)
    {
        var spelled = string.Concat(taken.Select(c => VulgarFractions.TryGetValue(c, out var f) ? $" {f}" : c.ToString())).Trim();
        var match = Fraction().Match(spelled);
        isFraction = match.Success;
        if (match.Success)
        {
            var whole = match.Groups["whole"].Success ? Parse(match.Groups["whole"].Value) : 0;
            var bottom = Parse(match.Groups["bottom"].Value);
            number = bottom == 0 ? double.NaN : whole + Parse(match.Groups["top"].Value) / bottom;
        }
        else
        {
            match = Plain().Match(spelled);
            number = match.Success ? Parse(match.Groups["number"].Value.Replace(',', '.')) : double.NaN;
        }

        unitText = match.Groups["unit"].Value.Trim();
        return match.Success;
    }

    private static double Parse(string digits) => double.Parse(digits, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);

    private static string Name(ReadingUnit unit) => unit.ToString().ToLowerInvariant();

    private static ReadingUnit? UnitNamed(string text, ReadingUnit defaultUnit) =>
        text.ToLowerInvariant().TrimEnd('.') switch
        {
            "" => defaultUnit,
            "mm" or "millimetre" or "millimetres" or "millimeter" or "millimeters" => ReadingUnit.Mm,
            "cm" or "centimetre" or "centimetres" or "centimeter" or "centimeters" => ReadingUnit.Cm,
            "in" or "inch" or "inches" or "\"" or "″" or "”" or "''" or "’’" => ReadingUnit.In,
            _ => null,
        };
}
