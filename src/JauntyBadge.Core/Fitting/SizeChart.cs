using System.Globalization;
using CsvHelper;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using UnitsNet.Units;

namespace JauntyBadge.Core.Fitting;

/// <summary>Size charts as comma-separated values (RFC 4180), in and out.</summary>
public static class SizeChart
{
    /// <summary>Most sizes read of one model.</summary>
    public const int MostRows = 60;

    /// <summary>Lines above the headings that may be titles and notes.</summary>
    private const int MostTitles = 20;

    /// <summary>A muzzle's girth about its length; beyond, one of the two is in another unit.</summary>
    private const double LeastGirths = 1,
        MostGirths = 15;

    private const int LongestRaw = 200;
    private const int LongestHeading = 60;

    /// <summary>The columns we write, with their units in the headings.</summary>
    internal static readonly (string Heading, ChartField Field, Func<MuzzleSize, object?> Of)[] Written =
    [
        ("label", ChartField.Label, s => s.Label),
        ("length_mm", ChartField.Length, s => s.Length.Millimeters),
        ("depth_front_mm", ChartField.DepthFront, s => s.DepthFront?.Millimeters),
        ("depth_rear_mm", ChartField.DepthRear, s => s.DepthRear?.Millimeters),
        ("width_rear_mm", ChartField.WidthRear, s => s.WidthRear?.Millimeters),
        ("width_front_mm", ChartField.WidthFront, s => s.WidthFront?.Millimeters),
        ("opening_girth_mm", ChartField.OpeningGirth, s => s.OpeningGirth?.Millimeters),
        ("girth_min_mm", ChartField.GirthMin, s => s.GirthMin?.Millimeters),
        ("girth_max_mm", ChartField.GirthMax, s => s.GirthMax?.Millimeters),
        ("neck_strap_min_mm", ChartField.NeckStrapMin, s => s.NeckStrapMin?.Millimeters),
        ("neck_strap_max_mm", ChartField.NeckStrapMax, s => s.NeckStrapMax?.Millimeters),
        ("mass_g", ChartField.Mass, s => s.Mass?.Grams),
        ("price", ChartField.Price, s => s.Price),
    ];

    private static readonly char[] RangeMarks = ['-', '–', '—'];
    private static readonly string[] Nothing = ["-", "–", "—", "n/a", "na", "none", "?"];

    /// <summary>Whether a field is a length.</summary>
    public static bool IsLength(ChartField field) => field is not (ChartField.Label or ChartField.Model or ChartField.Mass or ChartField.Price);

    /// <summary>Opens a file and guesses what its columns mean.</summary>
    /// <returns>Null when it has no heading row with at least two columns.</returns>
    public static OpenedChart? Open(string text, MuzzleType type)
    {
        var all = Table(text, type);
        if (all is not [{ Cells: { Count: >= 2 } headings }, ..])
            return null;
        List<IReadOnlyList<string>> below = [.. all.Skip(1).Select(r => r.Cells)];
        string At(IReadOnlyList<string> cells, int column) => column < cells.Count ? cells[column] : "";
        var guess = new List<ChartColumn>();
        for (var i = 0; i < headings.Count; i++)
        {
            var cells = below.Select(r => At(r, i)).Where(c => !IsNothing(c)).ToList();
            if (ChartHeading.FieldOf(headings[i], type, cells) is { } field && guess.TrueForAll(g => g.Field != field))
                guess.Add(new ChartColumn(i, field, ChartHeading.UnitOf(headings[i], field, cells)));
        }

        // A name beside a size label names the model.
        var models = guess.Find(g => g.Field == ChartField.Model) is { } named
            ? below.Select(r => At(r, named.Column)).Where(m => m != "").Distinct(StringComparer.OrdinalIgnoreCase).ToList()
            : [];
        List<AsideColumn> aside =
        [
            .. headings
                .Select((h, i) => (i, Of: ChartHeading.IsOfLength(h) ? ChartHeading.AsideOf(h) : null))
                .Where(h => h.Of is not null)
                .Select(h => new AsideColumn(h.i, h.Of!.Value)),
        ];
        return new OpenedChart(headings, [.. below.Take(5)], guess, models, text, aside);
    }

    /// <summary>Reads every row by a mapping; nothing is left out silently.</summary>
    /// <param name="text">The file.</param>
    /// <param name="columns">What its columns mean.</param>
    /// <param name="type">The model's type, which decides what a size needs.</param>
    /// <param name="model">Of a file with several models, the one whose rows are read; all rows when left out.</param>
    /// <exception cref="ArgumentException">The mapping lacks label or length, or uses a field twice.</exception>
    public static IReadOnlyList<ChartRow> Read(string text, IReadOnlyList<ChartColumn> columns, MuzzleType type, string? model = null)
    {
        if (Problem(columns) is { } wrong)
            throw new ArgumentException(wrong, nameof(columns));
        var rows = new List<ChartRow>();
        var labels = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var named = model is null ? null : columns.FirstOrDefault(c => c.Field == ChartField.Model);
        var table = Table(text, type);
        var (columnsThere, units) = table is [var top, ..] ? (top.Cells.Count, top.Cells.Select(ChartHeading.UnitsIn).ToList()) : (0, []);
        foreach (var (row, raw, cells, broken) in table.Skip(1))
        {
            if (named is not null && !string.Equals(named.Column < cells.Count ? cells[named.Column] : "", model, StringComparison.OrdinalIgnoreCase))
                continue;
            if (rows.Count == MostRows)
            {
                rows.Add(
                    new ChartRow(
                        row,
                        "",
                        null,
                        [$"Only {MostRows} sizes of one model are read. Where the file holds several models, say which column names them."],
                        []
                    )
                );
                break;
            }

            rows.Add(
                broken ? new ChartRow(row, raw, null, ["A quotation mark is left open or stands where it should not."], [])
                : cells.Skip(columnsThere).Any(c => c != "")
                    ? new ChartRow(
                        row,
                        raw,
                        null,
                        [
                            $"The row has {cells.Count} cells under {columnsThere} headings: put quotation marks round a cell with a comma in it, or semicolons between the cells.",
                        ],
                        []
                    )
                : ReadRow(
                    row,
                    raw,
                    [.. cells.Select((c, i) => OneOf(c, i < units.Count ? units[i] : [], columns.FirstOrDefault(o => o.Column == i)?.Unit))],
                    columns,
                    type,
                    labels
                )
            );
        }

        return rows;
    }

    /// <summary>What is wrong with a mapping, or null.</summary>
    public static string? Problem(IReadOnlyList<ChartColumn> columns)
    {
        if (columns.Any(c => c.Column < 0))
            return "Columns are counted from 0.";
        if (columns.GroupBy(c => c.Field).FirstOrDefault(g => g.Count() > 1) is { } twice)
            return $"Two columns are taken for {twice.Key}; each is one column.";
        foreach (var needed in new[] { ChartField.Label, ChartField.Length })
        {
            if (columns.All(c => c.Field != needed))
                return $"Say which column is the {needed.ToString().ToLowerInvariant()}.";
        }

        return null;
    }

    /// <summary>Writes a model's sizes.</summary>
    public static string Write(MuzzleModel model)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture) { NewLine = "\r\n" };
        using (var csv = new CsvWriter(text, Csv.Writing))
        {
            foreach (var (heading, _, _) in Written)
                csv.WriteField(heading);
            csv.NextRecord();
            foreach (var size in model.Sizes)
            {
                foreach (var (_, _, of) in Written)
                    csv.WriteField(of(size) is { } value ? FileText.Printable(Convert.ToString(value, CultureInfo.InvariantCulture)!) : "");
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    private static ChartRow ReadRow(
        int row,
        string raw,
        IReadOnlyList<string> cells,
        IReadOnlyList<ChartColumn> columns,
        MuzzleType type,
        HashSet<string> labels
    )
    {
        List<string> problems = [];
        List<ChartGap> assumed = [];
        var numbers = new Dictionary<ChartField, double>();
        var label = "";
        foreach (var column in columns)
        {
            var cell = column.Column < cells.Count ? cells[column.Column] : "";
            if (column.Field == ChartField.Label)
                label = cell;
            else if (column.Field != ChartField.Model && !IsNothing(cell) && ReadCell(column, cell, numbers, assumed) is { } wrong)
                problems.Add($"{InWords(column.Field.ToString())}: {wrong}");
        }

        if (label != "" && !labels.Add(label))
            problems.Add($"label: \"{label}\" is there twice.");
        if (problems.Count == 0 && !numbers.ContainsKey(ChartField.Length))
            problems.Add("length: the cell is empty; an inner length is needed.");
        if (problems.Count > 0)
            return new ChartRow(row, raw, null, problems, []);
        double? Number(ChartField field) => numbers.TryGetValue(field, out var value) ? value : null;
        Length? Of(ChartField field) => Number(field) is { } mm ? Length.FromMillimeters(mm) : null;
        var size = new MuzzleSize(
            "",
            label,
            Length.FromMillimeters(numbers[ChartField.Length]),
            Of(ChartField.NeckStrapMin),
            Of(ChartField.NeckStrapMax),
            Number(ChartField.Mass) is { } grams ? Mass.FromGrams(Math.Round(grams)) : null,
            (decimal?)Number(ChartField.Price),
            Of(ChartField.DepthFront),
            Of(ChartField.DepthRear),
            Of(ChartField.WidthRear),
            Of(ChartField.WidthFront),
            type == MuzzleType.Basket ? Of(ChartField.OpeningGirth) : null,
            Of(ChartField.GirthMin),
            Of(ChartField.GirthMax)
        );
        if ((size.OpeningGirth ?? size.GirthMin) is { } girth && girth / size.Length is not (>= LeastGirths and <= MostGirths))
            problems.Add(
                $"length: {size.Length.Millimeters:0.#} mm beside a girth of {girth.Millimeters:0.#} mm is no muzzle; look at the units of both columns."
            );
        problems.AddRange(MuzzleCheck.Of(type, size).Select(p => $"{InWords(p.Field)}: {p.Says}"));
        if (problems.Count > 0)
            return new ChartRow(row, raw, null, problems, []);
        if (size.IsLengthAndGirthOnly)
            assumed.Add(ChartGap.Shape);
        if (size.NeckStrapMin is null)
            assumed.Add(ChartGap.NeckStrap);
        return new ChartRow(row, raw, size, [], assumed);
    }

    /// <summary>A field's name as words: "neckStrapMaxMm" becomes "neck strap max".</summary>
    private static string InWords(string field) =>
        string.Concat(field.Select(c => char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : c.ToString())).Trim() is var words
        && words.EndsWith(" mm", StringComparison.Ordinal)
            ? words[..^3]
            : words;

    private static string? ReadCell(ChartColumn column, string cell, Dictionary<ChartField, double> numbers, List<ChartGap> assumed)
    {
        var range = column.Field switch
        {
            ChartField.NeckStrapRange => (ChartField.NeckStrapMin, ChartField.NeckStrapMax),
            ChartField.GirthRange => (ChartField.GirthMin, ChartField.GirthMax),
            _ => ((ChartField Low, ChartField High)?)null,
        };
        if (range is { } ends)
            return ReadEnds(cell, column.Unit, ends, numbers);

        if (IsLength(column.Field))
            return ReadLength(cell, column.Unit, column.Field, numbers) is { } wrong && !ReadWithCare(column, cell, numbers, assumed) ? wrong : null;
        if (column.Field == ChartField.Price)
            return ReadNumber(WithoutCurrency(cell), out var price) && price >= 0
                ? Keep(numbers, ChartField.Price, price)
                : $"\"{cell}\" is not a price such as 24.50.";
        return ReadMass(cell, column.Unit, numbers);
    }

    /// <summary>Reads a range where one length is meant; false where it is none either.</summary>
    private static bool ReadWithCare(ChartColumn column, string cell, Dictionary<ChartField, double> numbers, List<ChartGap> assumed)
    {
        var ends = new Dictionary<ChartField, double>();
        if (ReadEnds(cell, column.Unit, (ChartField.GirthMin, ChartField.GirthMax), ends) is not null)
            return false;
        numbers[column.Field] = column.Field == ChartField.Length ? ends.Values.Max() : ends.Values.Min();
        if (!assumed.Contains(ChartGap.Range))
            assumed.Add(ChartGap.Range);
        return true;
    }

    /// <summary>Reads both ends of a range; what is wrong, or null.</summary>
    private static string? ReadEnds(string cell, ChartUnit unit, (ChartField Low, ChartField High) ends, Dictionary<ChartField, double> numbers) =>
        Ends(cell) is not var (low, high)
            ? $"\"{cell}\" is not a range such as 12-14 or 12 to 14."
            : ReadLength(low, UnitOf(low, high, unit), ends.Low, numbers) ?? ReadLength(high, unit, ends.High, numbers);

    /// <summary>In "12-14 in" the unit stands once, behind the second number.</summary>
    private static ChartUnit UnitOf(string low, string high, ChartUnit unit) =>
        low.Any(char.IsLetter) || low.EndsWith('"') || !ReadingParser.TryParse(high, Bare(unit), out var parsed, out _)
            ? unit
            : parsed.Unit switch
            {
                ReadingUnit.Cm => ChartUnit.Cm,
                ReadingUnit.In => ChartUnit.In,
                _ => ChartUnit.Mm,
            };

    /// <summary>Both ends of a range; null when the cell is none.</summary>
    internal static (string Low, string High)? Ends(string cell)
    {
        var to = cell.IndexOf(" to ", StringComparison.OrdinalIgnoreCase);
        if (to > 0)
            return (cell[..to].Trim(), cell[(to + 4)..].Trim());
        var at = cell.Length > 1 ? cell.IndexOfAny(RangeMarks, 1) : -1;
        return at < 0 ? null : (cell[..at].Trim(), cell[(at + 1)..].Trim());
    }

    /// <summary>Marks that send the reader to a note below the table.</summary>
    private static readonly char[] NoteMarks = ['*', '†', '‡', '§', '¹', '²', '³', '⁴'];

    /// <summary>A cell as it is read: without the marks of footnotes, and of "95 / 3 3/4" under "mm / in" the one in the unit that is read.</summary>
    private static string OneOf(string cell, IReadOnlyList<ChartUnit> units, ChartUnit? read)
    {
        var bare = cell.TrimEnd([.. NoteMarks, ' ']);
        var parts = bare.Split(" / ", StringSplitOptions.TrimEntries);
        return units.Count > 1 && parts.Length == units.Count && read is { } unit && units.ToList().IndexOf(unit) is >= 0 and var at ? parts[at] : bare;
    }

    private static bool IsNothing(string cell) => cell.Trim() is var bare && (bare == "" || Nothing.Contains(bare, StringComparer.OrdinalIgnoreCase));

    private static string? ReadLength(string cell, ChartUnit unit, ChartField field, Dictionary<ChartField, double> numbers) =>
        unit == ChartUnit.None && !cell.Any(c => char.IsLetter(c) || c is '"' or '″')
            ? $"\"{cell}\" has no unit, and as millimetres it would be no muzzle: say mm, cm or in for this column."
        : ReadingParser.TryParse(cell, Bare(unit), out var parsed, out var problem) ? Keep(numbers, field, Math.Round(parsed.Value.Millimeters, 2))
        : problem;

    private static string? ReadMass(string cell, ChartUnit unit, Dictionary<ChartField, double> numbers)
    {
        var letters = cell.SkipWhile(c => !char.IsLetter(c)).ToArray();
        var own = new string(letters).Trim().ToLowerInvariant() switch
        {
            "" => unit,
            "g" or "grams" => ChartUnit.G,
            "oz" => ChartUnit.Oz,
            "kg" => ChartUnit.Kg,
            _ => ChartUnit.None,
        };
        if (own == ChartUnit.None || !ReadNumber(cell[..^letters.Length], out var number) || number <= 0)
            return $"\"{cell}\" is not a mass such as 120, 120 g, 4.2 oz or 0.12 kg.";
        return Keep(
            numbers,
            ChartField.Mass,
            Mass.From(
                number,
                own switch
                {
                    ChartUnit.Oz => MassUnit.Ounce,
                    ChartUnit.Kg => MassUnit.Kilogram,
                    _ => MassUnit.Gram,
                }
            ).Grams
        );
    }

    /// <summary>A price without its sign or letters, such as "£18.00", "€ 24,90" or "24.90 EUR".</summary>
    private static string WithoutCurrency(string cell) =>
        new([.. cell.Where(c => !char.IsLetter(c) && !char.IsWhiteSpace(c) && char.GetUnicodeCategory(c) != UnicodeCategory.CurrencySymbol)]);

    private static string? Keep(Dictionary<ChartField, double> numbers, ChartField field, double value)
    {
        numbers[field] = value;
        return null;
    }

    internal static bool ReadNumber(string cell, out double number) =>
        double.TryParse(cell.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);

    private static ReadingUnit Bare(ChartUnit unit) =>
        unit switch
        {
            ChartUnit.Cm => ReadingUnit.Cm,
            ChartUnit.In => ReadingUnit.In,
            _ => ReadingUnit.Mm,
        };

    /// <summary>The heading row and all below it; titles and notes above it are left out.</summary>
    private static List<(int Row, string Raw, IReadOnlyList<string> Cells, bool Broken)> Table(string text, MuzzleType type)
    {
        var all = Rows(text).ToList();
        int Known(IReadOnlyList<string> cells) => cells.Count(c => c.Length is > 0 and <= LongestHeading && ChartHeading.FieldOf(c, type, []) is not null);
        var heading =
            all.Take(MostTitles)
                .Index()
                .Where(r => r.Item.Cells.Count(c => c != "") >= 2 && Known(r.Item.Cells) >= 2)
                .Select(r => (int?)r.Index)
                .FirstOrDefault()
            ?? all.Take(MostTitles).Index().Where(r => r.Item.Cells.Count(c => c != "") >= 2).Select(r => (int?)r.Index).FirstOrDefault()
            ?? 0;
        List<(int Row, string Raw, IReadOnlyList<string> Cells, bool Broken)> table = [.. all.Skip(heading)];

        // Headings on two rows: the second holds their units, and no number.
        if (table is [var first, var second, ..] && second.Cells.Any(c => ChartHeading.UnitsIn(c).Count > 0) && !second.Cells.Any(c => c.Any(char.IsDigit)))
        {
            string At(IReadOnlyList<string> cells, int i) => i < cells.Count ? cells[i] : "";
            var both = Enumerable.Range(0, Math.Max(first.Cells.Count, second.Cells.Count)).Select(i => $"{At(first.Cells, i)} {At(second.Cells, i)}".Trim());
            table[0] = first with { Cells = [.. both] };
            table.RemoveAt(1);
        }

        return table;
    }

    private static IEnumerable<(int Row, string Raw, IReadOnlyList<string> Cells, bool Broken)> Rows(string text)
    {
        var broken = false;
        (text, var reading, var skipped) = Csv.Reading(text, () => broken = true);
        reading.HasHeaderRecord = false;
        using var csv = new CsvReader(new StringReader(text), reading);
        while (csv.Read())
        {
            var raw = csv.Parser.RawRecord.Trim();
            IReadOnlyList<string> cells = [.. Enumerable.Range(0, csv.Parser.Count).Select(i => Csv.Bare(csv.Parser[i]))];
            if (cells.Any(c => c != ""))
                yield return (Csv.FirstLine(csv.Parser.RawRow, csv.Parser.RawRecord, broken) + skipped, Csv.Shortened(raw, LongestRaw), cells, broken);
            broken = false;
        }
    }
}
