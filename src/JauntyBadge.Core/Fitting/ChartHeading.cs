namespace JauntyBadge.Core.Fitting;

/// <summary>What the heading of a size chart's column means: what it holds, in which unit, and whether it is of the muzzle's inside at all.</summary>
internal static class ChartHeading
{
    /// <summary>Bare numbers whose middle is smaller than this are no lengths of muzzles in mm.</summary>
    private const double SmallestMiddle = 25;

    /// <summary>Words by which a heading is known, the more particular ones first.</summary>
    private static readonly (string[] Words, ChartField Field)[] Known =
    [
        (["neck", "strap", "collar"], ChartField.NeckStrapRange),
        (["front", "depth"], ChartField.DepthFront),
        (["front", "height"], ChartField.DepthFront),
        (["depth"], ChartField.DepthRear),
        (["height"], ChartField.DepthRear),
        (["front", "width"], ChartField.WidthFront),
        (["width"], ChartField.WidthRear),
        (["girth"], ChartField.OpeningGirth),
        (["circumference"], ChartField.OpeningGirth),
        (["around"], ChartField.OpeningGirth),
        (["length"], ChartField.Length),
        (["long"], ChartField.Length),
        (["weight"], ChartField.Mass),
        (["mass"], ChartField.Mass),
        (["price"], ChartField.Price),
        (["cost"], ChartField.Price),
        (["model"], ChartField.Model),
        (["product"], ChartField.Model),
        (["style"], ChartField.Model),
        (["size"], ChartField.Label),
        (["label"], ChartField.Label),
        (["name"], ChartField.Label),
    ];

    /// <summary>What a column seems to hold; null where it means nothing to us.</summary>
    public static ChartField? FieldOf(string heading, MuzzleType type, IEnumerable<string> cells)
    {
        var plain = heading.Trim().ToLowerInvariant().Replace('_', ' ');
        foreach (var (own, written, _) in SizeChart.Written)
        {
            if (own.Replace('_', ' ') == plain)
                return written;
        }

        bool Says(string word) => plain.Contains(word, StringComparison.Ordinal);

        // What is said of the dog is not said of the muzzle.
        if (Says("dog") && (Says("weight") || Says("mass") || Says("breed")))
            return null;
        var least = Says("min") || Says("from") || Says("least") || Says("shortest");
        var most = Says("max") || Says(" to") || Says("most") || Says("longest");
        var ranged = cells.Any(c => SizeChart.Ends(c) is not null);
        if (Says("neck") || Says("strap") || Says("collar"))
            return least ? ChartField.NeckStrapMin
                : most ? ChartField.NeckStrapMax
                : ranged ? ChartField.NeckStrapRange
                : null;
        var found = Known.Where(k => k.Words.All(Says)).Select(k => (ChartField?)k.Field).FirstOrDefault();
        // Of a girth that is the dog's, a muzzle knows the window; its other lengths and all that is outside say nothing of the inside.
        var aside = found is { } field && SizeChart.IsLength(field) ? AsideOf(heading) : null;
        if (aside is not null && (aside == ChartAside.Outside || found != ChartField.OpeningGirth))
            return null;
        if (found == ChartField.OpeningGirth && (type != MuzzleType.Basket || aside == ChartAside.Dog))
            return least ? ChartField.GirthMin
                : most ? ChartField.GirthMax
                : ranged ? ChartField.GirthRange
                : null;
        return found;
    }

    /// <summary>Whether a heading speaks of a length, whosever.</summary>
    public static bool IsOfLength(string heading) =>
        Known.Any(k => SizeChart.IsLength(k.Field) && k.Words.All(w => heading.Contains(w, StringComparison.OrdinalIgnoreCase)));

    /// <summary>What a heading speaks of beside the muzzle's inside; null where it does not.</summary>
    public static ChartAside? AsideOf(string heading)
    {
        var words = WordsOf(heading);
        return words.Any(w => w is "outside" or "outer" or "external" or "overall") ? ChartAside.Outside
            : words.Any(w => w is "dog" or "dogs" or "dog's" or "snout" or "nose" or "head") ? ChartAside.Dog
            : null;
    }

    private static string[] WordsOf(string heading) =>
        heading.ToLowerInvariant().Split([' ', '_', '(', ')', '[', ']', ',', '/', '.', '-'], StringSplitOptions.RemoveEmptyEntries);

    /// <summary>The units of length a heading names, the first first. The "in" of "length in cm" is none.</summary>
    public static IReadOnlyList<ChartUnit> UnitsIn(string heading)
    {
        var words = WordsOf(heading);
        static ChartUnit? Of(string word) =>
            word switch
            {
                "mm" or "millimetres" or "millimeters" => ChartUnit.Mm,
                "cm" or "centimetres" or "centimeters" => ChartUnit.Cm,
                "in" or "inch" or "inches" or "\"" or "″" => ChartUnit.In,
                _ => null,
            };
        List<ChartUnit> named =
        [
            .. words
                .Select((w, i) => w == "in" && i + 1 < words.Length && Of(words[i + 1]) is not null && !heading.Contains('/') ? null : Of(w))
                .OfType<ChartUnit>()
                .Distinct(),
        ];
        return named.Count == 0 && heading.Contains('"') ? [ChartUnit.In] : named;
    }

    /// <summary>The unit of its bare numbers; none where nobody says and they are too small for mm.</summary>
    public static ChartUnit UnitOf(string heading, ChartField field, IReadOnlyList<string> cells)
    {
        var words = WordsOf(heading);
        bool Says(params string[] any) => any.Any(words.Contains);
        if (field == ChartField.Mass)
            return Says("oz", "ounces") ? ChartUnit.Oz
                : Says("kg") ? ChartUnit.Kg
                : ChartUnit.G;
        if (!SizeChart.IsLength(field))
            return ChartUnit.None;
        if (UnitsIn(heading) is [var named, ..])
            return named;

        // Nobody says the unit: bare numbers too small for a muzzle in mm are asked about, not guessed.
        var bare = cells
            .Select(c => SizeChart.ReadNumber(SizeChart.Ends(c)?.Low ?? c, out var number) ? number : double.NaN)
            .Where(double.IsFinite)
            .Order()
            .ToList();
        return bare.Count > 0 && bare[bare.Count / 2] < SmallestMiddle ? ChartUnit.None : ChartUnit.Mm;
    }
}
