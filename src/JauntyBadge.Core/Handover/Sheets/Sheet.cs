using System.Globalization;
using System.Text.Json;
using CsvHelper;

namespace JauntyBadge.Core.Handover.Sheets;

/// <summary>A column of a sheet.</summary>
/// <param name="Heading">Its heading, the unit at its end: held_s, width_mm.</param>
/// <param name="Cell">What stands in it.</param>
public sealed record SheetColumn<T>(string Heading, Func<T, object?> Cell);

/// <summary>
/// A table as a CSV file: RFC 4180, UTF-8, ISO 8601 days and times in UTC, a point before decimals; a cell that a spreadsheet would take for a formula is written with an
/// apostrophe before it.
/// </summary>
/// <param name="name">What the file is called.</param>
/// <param name="columns">Its columns.</param>
public sealed class Sheet<T>(string name, IReadOnlyList<SheetColumn<T>> columns)
{
    public string Name => name;

    public IReadOnlyList<string> Headings { get; } = [.. columns.Select(c => c.Heading)];

    /// <summary>Writes the heading and every row as it comes.</summary>
    public async Task WriteAsync(TextWriter to, IAsyncEnumerable<T> rows, CancellationToken cancel)
    {
        await using var csv = new CsvWriter(to, Csv.Writing, leaveOpen: true);
        foreach (var column in columns)
            csv.WriteField(column.Heading);
        await csv.NextRecordAsync();
        await foreach (var row in rows.WithCancellation(cancel))
        {
            foreach (var column in columns)
                csv.WriteField(Text(column.Cell(row)));
            await csv.NextRecordAsync();
        }
    }

    private static string Text(object? cell) =>
        cell switch
        {
            null => "",
            string text => FileText.Printable(text),
            bool yes => yes ? "true" : "false",
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            TimeOnly time => time.ToString("HH:mm", CultureInfo.InvariantCulture),
            DateTime at => at.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture),
            double number => number.ToString("0.###", CultureInfo.InvariantCulture),
            Enum term => JsonNamingPolicy.CamelCase.ConvertName(term.ToString()),
            IEnumerable<string> list => FileText.Printable(string.Join("; ", list)),
            IFormattable other => other.ToString(null, CultureInfo.InvariantCulture),
            _ => throw new InvalidOperationException($"A cell cannot be a {cell.GetType().Name}."),
        };
}
