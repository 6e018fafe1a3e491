using SkiaSharp;

namespace JauntyBadge.Server.Handover.Pdf;

/// <summary>The faces of what is printed: they ship with the server. What neither part of a face has is written in one of the machine's own.</summary>
internal static class PdfFonts
{
    public static IReadOnlyList<SKTypeface> Text { get; } = [Load("atkinson-hyperlegible-next-latin-400"), Load("atkinson-hyperlegible-next-latin-ext-400")];

    public static IReadOnlyList<SKTypeface> Bold { get; } = [Load("atkinson-hyperlegible-next-latin-700"), Load("atkinson-hyperlegible-next-latin-ext-700")];

    public static IReadOnlyList<SKTypeface> Display { get; } = [Load("bricolage-grotesque-latin-800"), Load("bricolage-grotesque-latin-ext-800")];

    /// <summary>A text in runs of one face each.</summary>
    public static IEnumerable<(SKTypeface Face, string Run)> Runs(string text, IReadOnlyList<SKTypeface> faces)
    {
        var (run, face) = (new System.Text.StringBuilder(), faces[0]);
        foreach (var rune in text.EnumerateRunes())
        {
            var at = faces.FirstOrDefault(f => Has(f, rune.Value)) ?? SKFontManager.Default.MatchCharacter(rune.Value) ?? faces[0];
            if (at != face && run.Length > 0)
            {
                yield return (face, run.ToString());
                run.Clear();
            }

            face = at;
            run.Append(rune.ToString());
        }

        if (run.Length > 0)
            yield return (face, run.ToString());
    }

    private static bool Has(SKTypeface face, int rune)
    {
        using var font = new SKFont(face);
        return font.ContainsGlyph(rune);
    }

    private static SKTypeface Load(string name)
    {
        using var file =
            typeof(PdfFonts).Assembly.GetManifestResourceStream($"font.{name}.ttf") ?? throw new InvalidOperationException($"The font {name} does not ship.");
        return SKTypeface.FromStream(file) ?? throw new InvalidOperationException($"The font {name} cannot be read.");
    }
}
