using System.Globalization;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>Writes a length the way the fitter reads it: mm to a whole, cm to a tenth, inches to the nearest sixteenth.</summary>
public static class LengthText
{
    /// <summary>The length in words, such as "17 mm", "1.7 cm" or "11/16 in". A negative length keeps its minus.</summary>
    public static string Show(this Length length, ReadingUnit unit) => unit switch
    {
        ReadingUnit.Cm => $"{Tidy(length.Centimeters, "0.0")} cm",
        ReadingUnit.In => $"{Inches(length.Inches)} in",
        _ => $"{Tidy(length.Millimeters, "0")} mm",
    };

    /// <summary>The range "low–high unit", in the unit chosen.</summary>
    public static string ShowRange(this Length low, Length high, ReadingUnit unit) => unit switch
    {
        ReadingUnit.Cm => $"{Tidy(low.Centimeters, "0.0")}–{Tidy(high.Centimeters, "0.0")} cm",
        ReadingUnit.In => $"{Inches(low.Inches)}–{Inches(high.Inches)} in",
        _ => $"{Tidy(low.Millimeters, "0.#")}–{Tidy(high.Millimeters, "0.#")} mm",
    };

    private static string Tidy(double value, string format)
    {
        var text = value.ToString(format, CultureInfo.InvariantCulture);
        return text.Trim('-', '0', '.') is "" ? text.TrimStart('-') : text;
    }

    private static string Inches(double inches)
    {
        var sixteenths = (long)Math.Round(Math.Abs(inches) * 16, MidpointRounding.AwayFromZero);
        var (whole, rest) = Math.DivRem(sixteenths, 16);
        var divisor = rest == 0 ? 16 : (long)Math.Pow(2, System.Numerics.BitOperations.TrailingZeroCount(rest));
        var fraction = rest == 0 ? "" : $"{rest / divisor}/{16 / divisor}";
        var sign = inches < 0 && sixteenths > 0 ? "-" : "";
        return sign + (whole == 0 && fraction != "" ? fraction : fraction == "" ? $"{whole}" : $"{whole} {fraction}");
    }
}
