using System.Globalization;
using System.Text.Json.Nodes;
using FsCheck.Xunit;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Measuring;

public class ReadingParserTests
{
    [Theory]
    [InlineData("95", ReadingUnit.Mm, 95, "95 mm")]
    [InlineData("95", ReadingUnit.Cm, 950, "95 cm")]
    [InlineData(" 9,5 cm ", ReadingUnit.Mm, 95, "9,5 cm")]
    [InlineData("9.5cm", ReadingUnit.Mm, 95, "9.5cm")]
    [InlineData("3 3/4 in", ReadingUnit.Mm, 95.25, "3 3/4 in")]
    [InlineData("3 3/4\"", ReadingUnit.Mm, 95.25, "3 3/4\"")]
    [InlineData("3-3/4\"", ReadingUnit.Mm, 95.25, "3-3/4\"")]
    [InlineData("3.75in", ReadingUnit.Mm, 95.25, "3.75in")]
    [InlineData("3¾ inches", ReadingUnit.Mm, 95.25, "3¾ inches")]
    [InlineData("3 3/4", ReadingUnit.Mm, 95.25, "3 3/4 in")]
    [InlineData("9 1/2", ReadingUnit.Cm, 95, "9 1/2 cm")]
    [InlineData("¾", ReadingUnit.In, 19.05, "¾ in")]
    [InlineData("3/4", ReadingUnit.In, 19.05, "3/4 in")]
    [InlineData(",5 in.", ReadingUnit.Mm, 12.7, ",5 in.")]
    [InlineData("95 MM", ReadingUnit.In, 95, "95 MM")]
    public void Lengths_are_read_the_way_people_write_them(string text, ReadingUnit unit, double mm, string asTaken)
    {
        Assert.True(ReadingParser.TryParse(text, unit, out var reading, out var problem), problem);
        Assert.Equal(mm, reading.Value.Millimeters, 9);
        Assert.Equal(asTaken, reading.AsTaken);
    }

    [Theory]
    [InlineData(null, "Write a length")]
    [InlineData("", "Write a length")]
    [InlineData("-4", "negative")]
    [InlineData("−4 cm", "negative")]
    [InlineData("0", "over 0")]
    [InlineData("ninety", "not a length")]
    [InlineData("9,5,1", "not a length")]
    [InlineData("10 3/", "not a length")]
    [InlineData("9 5", "not a length")]
    [InlineData("1e3", "unit")]
    [InlineData("3 3/0 in", "fraction")]
    [InlineData("3 furlongs", "unit")]
    [InlineData("99999", "up to 1500 mm")]
    [InlineData("95 mm and then some more words that go on", "Write a length")]
    [InlineData("NaN", "not a length")]
    public void What_is_no_length_is_refused_with_a_sentence(string? text, string says)
    {
        Assert.False(ReadingParser.TryParse(text, ReadingUnit.Mm, out _, out var problem));
        Assert.Contains(says, problem, StringComparison.Ordinal);
    }

    /// <summary>Second way: UnitsNet reads the same text (NIST SP 811: an inch is 25.4 mm exactly).</summary>
    [Property]
    public bool Decimals_agree_with_UnitsNet(ushort tenths, byte which)
    {
        var text = (tenths % 1000 / 10.0 + 0.1).ToString("0.0", CultureInfo.InvariantCulture) + " " + new[] { "mm", "cm", "in" }[which % 3];
        var expected = Length.Parse(text, CultureInfo.InvariantCulture);
        var read = ReadingParser.TryParse(text, ReadingUnit.Mm, out var reading, out _);
        return expected.Millimeters > 1500 ? !read : read && Math.Abs(reading.Value.Millimeters - expected.Millimeters) < 1e-9;
    }

    /// <summary>Whatever is typed, an answer comes: a reading in range or a sentence.</summary>
    [Property]
    public bool Any_text_is_answered(string? text) =>
        ReadingParser.TryParse(text, ReadingUnit.Cm, out var reading, out var problem)
            ? reading.Value > Length.Zero && reading.Value <= ReadingParser.Longest.Ours && reading.AsTaken != ""
            : problem.Length > 10;

    /// <summary>What is shown in inches is read back to within half a sixteenth.</summary>
    [Property]
    public bool Shown_inches_read_back(ushort value)
    {
        var length = Length.FromMillimeters(value % 1400 + 1);
        return ReadingParser.TryParse(length.Show(ReadingUnit.In), ReadingUnit.Mm, out var back, out _)
            ? Math.Abs((back.Value - length).Inches) <= 1.0 / 32 + 1e-9
            : length.Inches < 1.0 / 32;
    }

    /// <summary>One list of cases holds this and the front end's way of writing lengths to each other: what stands side by side is rounded alike.</summary>
    [Fact]
    public void Lengths_are_shown_in_the_users_unit_as_the_front_end_shows_them()
    {
        var cases = JsonNode.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "length-cases.json")))!.AsArray();
        Assert.True(cases.Count > 20);
        Assert.All(
            cases,
            c => Assert.Equal((string)c![2]!, Length.FromMillimeters((double)c[0]!).Show(Enum.Parse<ReadingUnit>((string)c[1]!, ignoreCase: true)))
        );
    }
}
