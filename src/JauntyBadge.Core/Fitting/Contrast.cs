using System.Globalization;

namespace JauntyBadge.Core.Fitting;

/// <summary>How much two colours differ in lightness: the contrast ratio of WCAG 2.2.</summary>
/// <remarks>Published: WCAG 2.2, relative luminance and contrast ratio.</remarks>
public static class Contrast
{
    public static readonly Grounded<double> StandsOut = new(
        "fit.stands-out",
        "Contrast ratio from which a muzzle stands out from the coat",
        3,
        Basis.Published("WCAG 2.2, 1.4.11: 3:1 for what must be told from its surroundings")
    );

    public static readonly Grounded<double> BlendsIn = new(
        "fit.blends-in",
        "Contrast ratio up to which a muzzle blends in with the coat",
        1.6,
        Basis.House("half of what stands out")
    );

    /// <summary>The ratio of two sRGB colours written #rrggbb: 1 for the same lightness to 21 for black on white.</summary>
    /// <exception cref="FormatException">A colour is not written so.</exception>
    public static double Ratio(string hex, string other)
    {
        var (a, b) = (Luminance(hex), Luminance(other));
        return (Math.Max(a, b) + 0.05) / (Math.Min(a, b) + 0.05);
    }

    /// <summary>Relative luminance of an sRGB colour, 0 to 1; null when it is not written #rrggbb.</summary>
    public static double? TryLuminance(string? hex)
    {
        if (hex is not ['#', _, _, _, _, _, _] || !int.TryParse(hex.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var rgb))
            return null;
        static double Linear(int channel) => channel / 255.0 is var c && c <= 0.04045 ? c / 12.92 : Math.Pow((c + 0.055) / 1.055, 2.4);
        return 0.2126 * Linear(rgb >> 16) + 0.7152 * Linear(rgb >> 8 & 0xff) + 0.0722 * Linear(rgb & 0xff);
    }

    private static double Luminance(string hex) => TryLuminance(hex) ?? throw new FormatException($"\"{hex}\" is not a colour such as #e0a020.");
}
