using System.Globalization;
using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>
/// Writes a length the way the fitter reads it: mm to a whole, cm to a tenth, inches to the nearest sixteenth, halves away from zero; under
/// 2 mm one digit more. What is not nothing is never written as nothing. The front end rounds alike; both are held to one list of cases.
/// </summary>
public static class LengthText
{
    /// <summary>Below this a length is written one digit finer, mm.</summary>
    private const double Fine = 2;

    private const double Nothing = 1e-9;

    /// <summary>The length in words, such as "17 mm", "1.7 cm" or "11/16 in". A negative length keeps its minus.</summary>
    /// <param name="length">The length.</param>
    /// <param name="unit">In which unit.</param>
    /// <param name="under">What is said of one too small to write.</param>
    public static string Show(this Length length, ReadingUnit unit, string under = "under {0}")
    {
        var mm = length.Millimeters;
        var fine = Math.Abs(mm) < Fine;
        return unit switch
        {
            ReadingUnit.Cm => fine ? Rounded(mm / 10, 2, "cm", under) : $"{Fixed(mm / 10, 1)} cm",
            ReadingUnit.In => Math.Abs(mm) > Nothing && Inches(length.Inches) == "0"
                ? string.Format(CultureInfo.InvariantCulture, under, "1/32 in")
                : $"{Inches(length.Inches)} in",
            _ => Rounded(mm, fine ? 1 : 0, "mm", under),
        };
    }

    /// <summary>The range "low–high unit", in the unit chosen.</summary>
    public static string ShowRange(this Length low, Length high, ReadingUnit unit) =>
        unit switch
        {
            ReadingUnit.Cm => $"{Fixed(low.Centimeters, 1)}–{Fixed(high.Centimeters, 1)} cm",
            ReadingUnit.In => $"{Inches(low.Inches)}–{Inches(high.Inches)} in",
            _ => $"{Plain(low.Millimeters, 1)}–{Plain(high.Millimeters, 1)} mm",
        };

    private static string Rounded(double value, int digits, string unit, string under)
    {
        var least = Math.Pow(10, -digits);
        return Math.Abs(value) > Nothing && Math.Abs(value) < least / 2
            ? string.Format(CultureInfo.InvariantCulture, under, $"{least.ToString(CultureInfo.InvariantCulture)} {unit}")
            : $"{Plain(value, digits)} {unit}";
    }

    private static double Round(double value, int digits)
    {
        var times = Math.Pow(10, digits);
        var rounded = Math.Round(value * times, MidpointRounding.AwayFromZero) / times;
        return rounded == 0 ? 0 : rounded;
    }

    private static string Plain(double value, int digits) => Round(value, digits).ToString(CultureInfo.InvariantCulture);

    private static string Fixed(double value, int digits) => Round(value, digits).ToString($"F{digits}", CultureInfo.InvariantCulture);

    private static string Inches(double inches)
    {
        var sixteenths = (long)Math.Round(Math.Abs(inches) * 16, MidpointRounding.AwayFromZero);
        var (whole, rest) = Math.DivRem(sixteenths, 16);
        var divisor = rest == 0 ? 16 : (long)Math.Pow(2, System.Numerics.BitOperations.TrailingZeroCount(rest));
        var fraction = rest == 0 ? "" : $"{rest / divisor}/{16 / divisor}";
        var sign = inches < 0 && sixteenths > 0 ? "-" : "";
        return sign
            + (
                whole == 0 && fraction != "" ? fraction
                : fraction == "" ? $"{whole}"
                : $"{whole} {fraction}"
            );
    }
}
