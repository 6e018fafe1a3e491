using System.Globalization;
using CsvHelper;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Handover;

/// <summary>One reading as it stands on a sheet.</summary>
public sealed record SheetReading(
    DateTime SetStarted,
    Measure Measure,
    Side? Side,
    string AsTaken,
    double Millimetres,
    Tool Tool,
    string? TakenBy,
    DateTime TakenAt,
    string? SetAside,
    double? UncertaintyMm = null,
    JawHeld? Held = null
);

/// <summary>A row that could be read, with its number in the file; the header is row 1.</summary>
public sealed record GoodRow(
    int Row,
    Measure Measure,
    Side? Side,
    ParsedReading Value,
    Tool Tool,
    string? TakenBy,
    DateTime? TakenAt,
    DateTime? SetStarted,
    string? SetAside,
    double? UncertaintyMm = null,
    JawHeld? Held = null
);

/// <summary>A row that could not, with why.</summary>
public sealed record BadRow(int Row, string Text, string Problem);

/// <summary>What a sheet holds.</summary>
public sealed record SheetRead(IReadOnlyList<GoodRow> Good, IReadOnlyList<BadRow> Bad);

/// <summary>Readings as a CSV file (RFC 4180), out and in. A cell that a spreadsheet would take for a formula is written with an apostrophe before it.</summary>
public static class ReadingsSheet
{
    /// <summary>Most rows read from one file.</summary>
    public const int MostRows = 5000;

    private const int LongestCell = 200;
    private const double MostUncertain = 100;

    private static readonly string[] Columns =
    [
        "set_started",
        "measure",
        "side",
        "value",
        "millimetres",
        "tool",
        "taken_by",
        "taken_at",
        "set_aside",
        "uncertainty_mm",
        "held",
    ];

    /// <summary>Writes readings.</summary>
    public static string Write(IEnumerable<SheetReading> readings)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture) { NewLine = "\r\n" };
        using (var csv = new CsvWriter(text, Csv.Writing))
        {
            foreach (var column in Columns)
                csv.WriteField(column);
            csv.NextRecord();
            foreach (var r in readings)
            {
                csv.WriteField(Iso(r.SetStarted));
                csv.WriteField(Camel(r.Measure));
                csv.WriteField(r.Side is { } side ? Camel(side) : "");
                csv.WriteField(FileText.Printable(r.AsTaken));
                csv.WriteField(r.Millimetres.ToString("0.###", CultureInfo.InvariantCulture));
                csv.WriteField(Camel(r.Tool));
                csv.WriteField(FileText.Printable(r.TakenBy ?? ""));
                csv.WriteField(Iso(r.TakenAt));
                csv.WriteField(FileText.Printable(r.SetAside ?? ""));
                csv.WriteField(r.UncertaintyMm?.ToString("0.###", CultureInfo.InvariantCulture) ?? "");
                csv.WriteField(r.Held is { } held ? Camel(held) : "");
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>Reads a sheet: comma, semicolon or tab between cells; columns in any order; measure and value are needed; side, unit, tool, taken_by, taken_at, set_started, set_aside, uncertainty_mm and held may be there.</summary>
    /// <param name="text">The file.</param>
    /// <param name="unit">The unit of bare numbers where a row has none.</param>
    /// <returns>Every row, good or bad; a file without the needed columns gives one bad row 1.</returns>
    public static SheetRead Read(string text, ReadingUnit unit)
    {
        var (good, bad) = (new List<GoodRow>(), new List<BadRow>());
        var broken = false;
        (text, var reading, var skipped) = Csv.Reading(text, () => broken = true);
        reading.PrepareHeaderForMatch = header => header.Header.Trim().TrimStart('\uFEFF').ToLowerInvariant().Replace(' ', '_');
        reading.MissingFieldFound = null;
        using var csv = new CsvReader(new StringReader(text), reading);
        if (!csv.Read() || !csv.ReadHeader() || !csv.TryGetField("measure", out string? _) || !csv.TryGetField("value", out string? _))
            return new SheetRead(
                [],
                [new BadRow(1, Csv.Shortened(text.Split('\n')[0].Trim(), LongestCell), "The first row must name the columns; measure and value are needed.")]
            );
        while (csv.Read())
        {
            // Cells are looked at when they are asked for: only then is a mark left open noticed.
            _ = csv.Parser.Record;
            var (row, raw) = (
                Csv.FirstLine(csv.Parser.RawRow, csv.Parser.RawRecord, broken) + skipped,
                Csv.Shortened(csv.Parser.RawRecord.Trim(), LongestCell)
            );
            if (raw == "")
                continue;
            if (good.Count + bad.Count >= MostRows)
            {
                bad.Add(new BadRow(row, "", $"Only {MostRows} rows are read from one file; the rest was left out."));
                break;
            }

            var problem =
                broken ? "A quotation mark is left open or stands where it should not."
                : TryRow(csv, row, unit, out var read) is { } wrong ? wrong
                : Accept(read!);
            broken = false;
            if (problem is not null)
                bad.Add(new BadRow(row, raw, problem));
        }

        return new SheetRead(good, bad);

        string? Accept(GoodRow row)
        {
            good.Add(row);
            return null;
        }
    }

    private static string? TryRow(CsvReader csv, int row, ReadingUnit unit, out GoodRow? read)
    {
        string Cell(string name) => csv.TryGetField(name, out string? cell) ? Csv.Bare(cell ?? "") : "";
        read = null;
        if (Named<Measure>(Cell("measure")) is not { } measure)
            return $"measure: \"{Cell("measure")}\" is not known; one of {string.Join(", ", Enum.GetValues<Measure>().Select(Camel))} is expected.";
        var sides = MeasureDefinition.For(measure).Guide.HasSides;
        var side = Cell("side") == "" ? null : Named<Side>(Cell("side"));
        if (sides && side is null)
            return $"side: {Camel(measure)} is taken left or right.";
        if (!sides && Cell("side") != "")
            return $"side: {Camel(measure)} has no side; leave it empty.";
        var rowUnit = Cell("unit") == "" ? unit : Named<ReadingUnit>(Cell("unit"));
        if (rowUnit is null)
            return $"unit: \"{Cell("unit")}\" is not known; mm, cm or in is expected.";
        if (!ReadingParser.TryParse(Cell("value"), rowUnit.Value, out var value, out var problem) && !FromRuler(Cell("value"), rowUnit.Value, out value))
            return $"value: {problem}";
        var tool = Cell("tool") == "" ? Tool.SoftTape : Named<Tool>(Cell("tool"));
        if (tool is null)
            return $"tool: \"{Cell("tool")}\" is not known; one of {string.Join(", ", Enum.GetValues<Tool>().Select(Camel))} is expected.";
        foreach (var column in new[] { "taken_at", "set_started" })
        {
            if (Cell(column) != "" && Time(Cell(column)) is null)
                return $"{column}: \"{Cell(column)}\" is not a date and time such as 2026-05-31T10:15:00Z.";
        }

        foreach (var (column, most) in new[] { ("taken_by", 60), ("set_aside", 200) })
        {
            if (Cell(column).Length > most)
                return $"{column}: up to {most} letters.";
        }

        var uncertainty = Cell("uncertainty_mm");
        double? u =
            double.TryParse(uncertainty.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var given)
            && given is > 0 and <= MostUncertain
                ? given
                : null;
        if (uncertainty != "" && u is null)
            return $"uncertainty_mm: \"{uncertainty}\" is not a standard uncertainty in mm, over 0 and up to {MostUncertain}.";
        var held = Cell("held") == "" ? null : Named<JawHeld>(Cell("held"));
        if (Cell("held") != "" && (held is null || measure != Measure.JawToNose))
            return "held: level or pointToPoint is expected, and of jawToNose only.";
        read = new GoodRow(
            row,
            measure,
            side,
            value,
            tool.Value,
            Blank(Cell("taken_by")),
            Time(Cell("taken_at")),
            Time(Cell("set_started")),
            Blank(Cell("set_aside")),
            u,
            held
        );
        return null;
    }

    private static DateTime? Time(string text) =>
        DateTime.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AdjustToUniversal | DateTimeStyles.AssumeUniversal, out var at) ? at : null;

    private static string? Blank(string cell) => cell == "" ? null : cell;

    /// <summary>A string's two marks, as we write them ourselves.</summary>
    private static bool FromRuler(string text, ReadingUnit unit, out ParsedReading value)
    {
        value = null!;
        var marks = text.EndsWith(StringMarks.OnTheRuler, StringComparison.Ordinal) ? text[..^StringMarks.OnTheRuler.Length].Split(" to ") : [];
        return marks.Length == 2 && StringMarks.TryRead(marks[0], marks[1], unit, out value, out _, out _);
    }

    private static TEnum? Named<TEnum>(string text)
        where TEnum : struct, Enum
    {
        var wanted = Letters(text);
        foreach (var value in Enum.GetValues<TEnum>())
        {
            if (
                Letters(value.ToString()) == wanted
                || (value is Measure m && Letters(MeasureDefinition.For(m).Guide.Name) == wanted)
                || (value is Side && wanted.Length == 1 && Letters(value.ToString())[0] == wanted[0])
            )
                return value;
        }

        return null;
    }

    private static string Letters(string text) => string.Concat(text.Where(char.IsLetter)).ToLowerInvariant();

    private static string Camel<TEnum>(TEnum value)
        where TEnum : struct, Enum => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static string Iso(DateTime at) => at.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture);
}
