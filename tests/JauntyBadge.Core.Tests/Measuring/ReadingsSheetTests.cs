using System.Globalization;
using CsvHelper;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Measuring;

/// <summary>Readings as CSV (RFC 4180), read back by ourselves and by CsvHelper's plain parser.</summary>
public class ReadingsSheetTests
{
    private static readonly DateTime At = new(2026, 5, 31, 10, 15, 0, DateTimeKind.Utc);

    [Fact]
    public void What_is_written_reads_back_the_same()
    {
        SheetReading[] readings =
        [
            new(At, Measure.NoseToInnerEye, Side.Left, "3 3/4\" ", 95.25, Tool.SoftTape, "Wren, \"the elder\"", At, null),
            new(At, Measure.SnoutGirth, null, "12 mm to 28,4 cm on the ruler", 272, Tool.String, null, At.AddMinutes(1), "tape\nslipped"),
        ];
        var read = ReadingsSheet.Read(ReadingsSheet.Write(readings), ReadingUnit.Cm);
        Assert.Empty(read.Bad);
        Assert.Equal([95.25, 272], read.Good.Select(g => Math.Round(g.Value.Value.Millimeters, 6)));
        Assert.Equal(
            (Measure.NoseToInnerEye, Side.Left, Tool.SoftTape, "Wren, \"the elder\"", At, At),
            (
                read.Good[0].Measure,
                read.Good[0].Side!.Value,
                read.Good[0].Tool,
                read.Good[0].TakenBy,
                read.Good[0].TakenAt!.Value,
                read.Good[0].SetStarted!.Value
            )
        );
        Assert.Equal("tape\nslipped", read.Good[1].SetAside);
    }

    /// <summary>A spreadsheet must not run what somebody typed as a name.</summary>
    [Theory]
    [InlineData("=1+1")]
    [InlineData("@SUM(A1)")]
    [InlineData("+1")]
    [InlineData("-1")]
    public void A_cell_that_starts_a_formula_is_neutralised_and_comes_back_whole(string by)
    {
        var text = ReadingsSheet.Write([new(At, Measure.NeckGirth, null, "430 mm", 430, Tool.SoftTape, by, At, by)]);
        using var csv = new CsvParser(new StringReader(text), CultureInfo.InvariantCulture);
        csv.Read();
        csv.Read();
        Assert.All(csv.Record!, cell => Assert.DoesNotContain(cell.FirstOrDefault(), "=@+-\t\r"));
        Assert.Equal(
            (by, by),
            (ReadingsSheet.Read(text, ReadingUnit.Mm).Good.Single().TakenBy, ReadingsSheet.Read(text, ReadingUnit.Mm).Good.Single().SetAside)
        );
    }

    [Fact]
    public void Bad_rows_are_told_with_their_number_and_good_ones_offered()
    {
        var read = ReadingsSheet.Read(
            "Measure;Side;Value;Unit\r\nNose to inner eye;L;9,8;cm\r\nsnoutGirth;;ninety;mm\r\nearLength;;50;mm\r\nneckGirth;left;430;mm\r\nsnoutWidth;;73;furlong\r\n\r\njawToNose;;149;\r\n",
            ReadingUnit.Mm
        );
        Assert.Equal([98, 149], read.Good.Select(g => Math.Round(g.Value.Value.Millimeters, 6)));
        Assert.Equal([2, 8], read.Good.Select(g => g.Row));
        Assert.Equal([3, 4, 5, 6], read.Bad.Select(b => b.Row));
        Assert.Equal(["value", "measure", "side", "unit"], read.Bad.Select(b => b.Problem.Split(':')[0]));
        Assert.Equal("snoutGirth;;ninety;mm", read.Bad[0].Text);
    }

    [Theory]
    [InlineData("")]
    [InlineData("girth,length\r\n1,2\r\n")]
    [InlineData("\0\0\0")]
    public void A_file_without_the_needed_columns_says_which(string text) =>
        Assert.Contains("measure and value are needed", ReadingsSheet.Read(text, ReadingUnit.Mm).Bad.Single().Problem, StringComparison.Ordinal);

    [Fact]
    public void A_quotation_mark_gone_astray_spoils_its_row_only()
    {
        var read = ReadingsSheet.Read("measure,value\r\nneckGirth,43\"0\r\nsnoutWidth,73\r\n", ReadingUnit.Mm);
        Assert.Equal(2, read.Bad.Single().Row);
        Assert.Equal(Measure.SnoutWidth, read.Good.Single().Measure);
    }

    [Fact]
    public void A_long_file_is_cut_and_says_so()
    {
        var read = ReadingsSheet.Read("measure,value\n" + string.Concat(Enumerable.Repeat("neckGirth,430\n", ReadingsSheet.MostRows + 5)), ReadingUnit.Mm);
        Assert.Equal(ReadingsSheet.MostRows, read.Good.Count);
        Assert.Contains("Only 5000 rows", read.Bad.Single().Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void A_row_left_open_by_a_quote_is_named_by_its_first_line()
    {
        var read = ReadingsSheet.Read("measure,value\nneckGirth,430\nsnoutWidth,\"73\nsnoutHeight,80\n", ReadingUnit.Mm);
        var bad = Assert.Single(read.Bad);
        Assert.Equal(3, bad.Row);
        Assert.Contains("quotation mark", bad.Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void A_spreadsheets_sep_line_is_read_and_rows_keep_their_line()
    {
        // A mark that is not known still takes up a line.
        Assert.Equal([3], ReadingsSheet.Read("sep=#\nmeasure;value\ntail;40\n", ReadingUnit.Mm).Bad.Select(b => b.Row));
        var read = ReadingsSheet.Read("sep=;\r\nmeasure;value\r\nsnoutWidth;7,3 cm\r\ntail;40\r\n", ReadingUnit.Mm);
        Assert.Equal(73, Assert.Single(read.Good).Value.Value.Millimeters, 6);
        Assert.Equal(4, Assert.Single(read.Bad).Row);
    }

    [Fact]
    public void Uncertainty_and_how_a_jaw_was_held_come_back()
    {
        var written = ReadingsSheet.Write([
            new(DateTime.UnixEpoch, Measure.JawToNose, null, "150 mm", 150, Tool.Photo, null, DateTime.UnixEpoch, null, 3.2, JawHeld.PointToPoint),
        ]);
        var row = Assert.Single(ReadingsSheet.Read(written, ReadingUnit.Mm).Good);
        Assert.Equal((3.2, JawHeld.PointToPoint), (row.UncertaintyMm!.Value, row.Held!.Value));
        Assert.Contains(
            "uncertainty_mm",
            Assert.Single(ReadingsSheet.Read("measure,value,uncertainty_mm\nneckGirth,430,-1\n", ReadingUnit.Mm).Bad).Problem,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "held",
            Assert.Single(ReadingsSheet.Read("measure,value,held\nneckGirth,430,level\n", ReadingUnit.Mm).Bad).Problem,
            StringComparison.Ordinal
        );
    }
}
