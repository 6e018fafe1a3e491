using System.Globalization;

namespace JauntyBadge.Core.Measuring.Heads;

/// <summary>What a field of a drawn head shows.</summary>
public enum EnamelPart
{
    FarEar,
    Jaw,
    Tongue,
    Teeth,
    Head,
    Underside,
    Muzzle,
    Patch,
    Shade,
    Crease,
    Eye,
    Iris,
    Pupil,
    Glint,
    Lid,
    Nose,
    Nostril,
    Ear,
    InnerEar,
    Fur,

    /// <summary>A muzzle or a treat in the picture of a sign.</summary>
    Beside,
}

/// <summary>A field of colour bounded by a drawn line, as on an enamel badge.</summary>
/// <param name="Part">What it shows.</param>
/// <param name="Curve">Its edge, mm.</param>
/// <param name="Fill">Its colour as #rrggbb; null for a line alone.</param>
/// <param name="Line">The colour of the line round it; null for none.</param>
/// <param name="Width">The line's width, mm.</param>
/// <param name="Inside">It is seen inside the head's outline only.</param>
/// <param name="Turns">It belongs to the lower jaw, and turns about the hinge with it.</param>
/// <param name="Fades">It fades with the neck.</param>
/// <param name="Opacity">0 to 1.</param>
public sealed record EnamelField(
    EnamelPart Part,
    Curve Curve,
    string? Fill,
    string? Line,
    double Width,
    bool Inside = false,
    bool Turns = false,
    bool Fades = false,
    double Opacity = 1
);

/// <summary>The colours of a head: its coat, lighter and darker, and the line that bounds it. Basis of every share: House, looked at.</summary>
/// <param name="Coat">The coat's shade, #rrggbb.</param>
public sealed record Enamel(string Coat)
{
    /// <summary>A line on a light coat: nearly black spruce.</summary>
    public const string DarkLine = "#0b1714";

    /// <summary>A line on a dark coat: brass.</summary>
    public const string Brass = "#dcb568";

    /// <summary>Nose leather and pupils.</summary>
    public const string Leather = "#1d1815";

    /// <summary>White markings.</summary>
    public const string Markings = "#f3ead9";

    private const string Skin = "#d9a08a";

    /// <summary>The line that stands out more against the coat: at least 3 : 1 on any.</summary>
    public string Line => LineOn(Coat);

    /// <summary>The coat is so dark that its line is brass.</summary>
    public bool IsDark => Line == Brass;

    /// <summary>Under cheek and ear.</summary>
    public string Shade => Tone(Coat, IsDark ? 0.62 : 0.80);

    /// <summary>Hair the light falls on: beard, brows, ruff.</summary>
    public string Light => Tone(Coat, IsDark ? 1.14 : 1.22);

    /// <summary>An ear lies darker on the head.</summary>
    public string Ear => Tone(Coat, IsDark ? 1.07 : 0.86);

    /// <summary>The ear on the far side.</summary>
    public string FarEar => Tone(Coat, IsDark ? 0.8 : 0.68);

    /// <summary>Skin inside an ear.</summary>
    public string InnerEar => IsDark ? Tone(Skin, 0.62) : Skin;

    /// <summary>The line that stands out on a field of its own.</summary>
    public static string LineOn(string fill) => Contrast(fill, DarkLine) >= Contrast(fill, Brass) ? DarkLine : Brass;

    /// <summary>A colour lighter (over 1) or darker (under 1).</summary>
    public static string Tone(string hex, double share)
    {
        var (r, g, b) = Channels(hex);
        var (max, min) = (Math.Max(r, Math.Max(g, b)), Math.Min(r, Math.Min(g, b)));
        var (light, spread) = ((max + min) / 2, max - min);
        var to = Math.Clamp(share < 1 ? light * share : light + (1 - light) * (share - 1), 0, 1);
        if (spread < 1e-9)
            return Hex(to, to, to);
        // The same hue and saturation at another lightness.
        var saturation = spread / (1 - Math.Abs(2 * light - 1));
        var chroma = saturation * (1 - Math.Abs(2 * to - 1));
        double Of(double c) => to + chroma * ((c - min) / spread - 0.5);
        return Hex(Of(r), Of(g), Of(b));
    }

    /// <summary>A mixture of two colours.</summary>
    /// <param name="a">One.</param>
    /// <param name="b">The other.</param>
    /// <param name="share">How much of the other, 0 to 1.</param>
    public static string Mix(string a, string b, double share)
    {
        var ((r1, g1, b1), (r2, g2, b2)) = (Channels(a), Channels(b));
        return Hex(r1 + (r2 - r1) * share, g1 + (g2 - g1) * share, b1 + (b2 - b1) * share);
    }

    /// <summary>How far two colours stand apart, 1 to 21 (Published: WCAG 2.2, contrast ratio).</summary>
    public static double Contrast(string a, string b)
    {
        var (x, y) = (Luminance(a), Luminance(b));
        return (Math.Max(x, y) + 0.05) / (Math.Min(x, y) + 0.05);
    }

    private static double Luminance(string hex)
    {
        var (r, g, b) = Channels(hex);
        static double Linear(double c) => c <= 0.04045 ? c / 12.92 : Math.Pow((c + 0.055) / 1.055, 2.4);
        return 0.2126 * Linear(r) + 0.7152 * Linear(g) + 0.0722 * Linear(b);
    }

    private static (double R, double G, double B) Channels(string hex)
    {
        double Of(int at) => int.Parse(hex.AsSpan(at, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture) / 255.0;
        return (Of(1), Of(3), Of(5));
    }

    private static string Hex(double r, double g, double b)
    {
        static int Of(double c) => (int)Math.Round(255 * Math.Clamp(c, 0, 1));
        return $"#{Of(r):x2}{Of(g):x2}{Of(b):x2}";
    }
}
