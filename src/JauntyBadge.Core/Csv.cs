using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace JauntyBadge.Core;

/// <summary>Comma-separated values as every room writes and reads them (RFC 4180).</summary>
internal static class Csv
{
    /// <summary>How sheets are written: a cell that a spreadsheet would take for a formula gets an apostrophe before it.</summary>
    public static CsvConfiguration Writing { get; } = new(CultureInfo.InvariantCulture)
    {
        InjectionOptions = InjectionOptions.Escape,
        NewLine = "\r\n",
        ShouldQuote = cell => ConfigurationFunctions.ShouldQuote(cell) || cell.Field?.IndexOfAny(['\r', '\n']) >= 0,
    };

    /// <summary>How sheets are read: comma, semicolon or tab between cells; a quotation mark left open is told.</summary>
    public static CsvConfiguration Reading(Action broken) => new(CultureInfo.InvariantCulture)
    {
        DetectDelimiter = true,
        DetectDelimiterValues = [",", ";", "\t"],
        TrimOptions = TrimOptions.Trim,
        BadDataFound = _ => broken(),
    };

    /// <summary>The cell without the apostrophe that keeps a spreadsheet from taking it for a formula.</summary>
    public static string Bare(string cell) => cell is ['\'', '=' or '@' or '+' or '-', ..] ? cell[1..] : cell;

    /// <summary>A row's text, cut where it is too long to show.</summary>
    public static string Shortened(string text, int longest) => text.Length <= longest ? text : text[..longest] + "…";
}
