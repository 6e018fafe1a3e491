using System.Globalization;
using System.Text.RegularExpressions;
using CsvHelper;
using CsvHelper.Configuration;

namespace JauntyBadge.Core;

/// <summary>Comma-separated values as every room writes and reads them (RFC 4180).</summary>
internal static partial class Csv
{
    /// <summary>A length or range in inches by their marks, such as 3 1/2" or 12" to 16".</summary>
    [GeneratedRegex(@"^[ 0-9./,½¼¾⅛⅜⅝⅞″–\-to]*[0-9][ 0-9./,½¼¾⅛⅜⅝⅞″–\-to""]*$")]
    private static partial Regex InchMarks();

    /// <summary>How sheets are written: a cell that a spreadsheet would take for a formula gets an apostrophe before it.</summary>
    public static CsvConfiguration Writing { get; } =
        new(CultureInfo.InvariantCulture)
        {
            InjectionOptions = InjectionOptions.Escape,
            NewLine = "\r\n",
            ShouldQuote = cell => ConfigurationFunctions.ShouldQuote(cell) || cell.Field?.IndexOfAny(['\r', '\n']) >= 0,
        };

    /// <summary>
    /// How a sheet is read: comma, semicolon or tab between cells, or the mark named by a leading line such as "sep=;", which spreadsheets write
    /// and which is left out of the text; a quotation mark left open is told.
    /// </summary>
    /// <returns>The text without that line, how to read it, and how many lines to add to its line numbers.</returns>
    public static (string Text, CsvConfiguration Reading, int Skipped) Reading(string text, Action broken)
    {
        (text, var delimiter, var skipped) = WithoutSep(text);
        var reading = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = delimiter is null,
            DetectDelimiterValues = [",", ";", "\t"],
            TrimOptions = TrimOptions.Trim,
            BadDataFound = bad =>
            {
                // An inch mark behind a number is no quotation mark.
                if (!InchMarks().IsMatch(bad.Field))
                    broken();
            },
        };
        if (delimiter is not null)
            reading.Delimiter = delimiter;
        return (text, reading, skipped);
    }

    private static (string Text, string? Delimiter, int Skipped) WithoutSep(string text)
    {
        var bare = text.TrimStart('\uFEFF');
        if (!bare.StartsWith("sep=", StringComparison.OrdinalIgnoreCase))
            return (bare, null, 0);
        var end = bare.IndexOf('\n', StringComparison.Ordinal);
        var mark = bare[4..(end < 0 ? bare.Length : end)].TrimEnd('\r');
        return (end < 0 ? "" : bare[(end + 1)..], mark is "," or ";" or "\t" or "|" ? mark : null, 1);
    }

    /// <summary>The line a record begins on, from the one it ends on; one with a quotation mark left open swallows the last line's end too.</summary>
    public static int FirstLine(int lastLine, string raw, bool broken) =>
        lastLine - (!broken || raw.Count(c => c == '"') % 2 == 0 ? raw.TrimEnd('\r', '\n') : raw).Count(c => c == '\n');

    /// <summary>The cell without the apostrophe that keeps a spreadsheet from taking it for a formula.</summary>
    public static string Bare(string cell) => cell is ['\'', '=' or '@' or '+' or '-', ..] ? cell[1..] : cell;

    /// <summary>A row's text, cut where it is too long to show.</summary>
    public static string Shortened(string text, int longest) => text.Length <= longest ? text : text[..longest] + "…";
}
