using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

public class ReadingTests
{
    private static Reading[] Girths(Tool tool, params double[] mm) => [.. mm.Select(v => new Reading(Measure.SnoutGirth, null, Mm(v), ReadingUnit.Mm, tool))];

    /// <summary>GUM, JCGM 100:2008, 4.3.7: a resolution of ±0.5 mm has u = 0.2887 mm.</summary>
    [Fact]
    public void Resolution_follows_the_rectangular_distribution() => Assert.Equal(0.2887, Uncertainty.Rectangular(Mm(0.5)).Millimeters, 4);

    /// <summary>u² = s²/n + a²/3 + u_tool² by hand: readings 98, 100, 102 have s = 2; tool values are the handbook's (House).</summary>
    [Theory]
    [InlineData(Tool.SoftTape, 2)]
    [InlineData(Tool.String, 3)]
    [InlineData(Tool.Caliper, 1)]
    [InlineData(Tool.DigitalTape, 1)]
    public void Uncertainty_of_a_mean_adds_repeats_resolution_and_tool(Tool tool, double own) =>
        Assert.Equal(Math.Sqrt(4.0 / 3 + 1.0 / 12 + own * own), Uncertainty.OfMean(Girths(tool, 98, 100, 102), Coat.Ordinary, HouseRules.Ours).Millimeters, 9);

    [Fact]
    public void One_reading_takes_the_tools_scatter_and_inches_their_coarser_scale()
    {
        Assert.Equal(Math.Sqrt(1.5 * 1.5 + 1.0 / 12 + 4), Uncertainty.OfMean(Girths(Tool.SoftTape, 98), Coat.Ordinary, HouseRules.Ours).Millimeters, 9);
        var inches = new Reading(Measure.SnoutGirth, null, Length.FromInches(4), ReadingUnit.In);
        Assert.Equal(Math.Sqrt(1.5 * 1.5 + Math.Pow(25.4 / 32, 2) / 3 + 4), Uncertainty.OfMean([inches], Coat.Ordinary, HouseRules.Ours).Millimeters, 9);
        Assert.Throws<ArgumentException>(() => Uncertainty.OfMean([], Coat.Ordinary, HouseRules.Ours));
    }

    [Fact]
    public void A_thick_coat_makes_a_girth_less_sure_and_nothing_else()
    {
        var girth = Girths(Tool.SoftTape, 98, 100, 102);
        Assert.Equal(Math.Sqrt(4.0 / 3 + 1.0 / 12 + 4 + 4), Uncertainty.OfMean(girth, Coat.Thick, HouseRules.Ours).Millimeters, 9);
        Assert.Equal(Uncertainty.OfMean(girth, Coat.Ordinary, HouseRules.Ours), Uncertainty.OfMean(girth, Coat.Clipped, HouseRules.Ours));
        var width = new[] { Read(Measure.SnoutWidth, 70) };
        Assert.Equal(Uncertainty.OfMean(width, Coat.Ordinary, HouseRules.Ours), Uncertainty.OfMean(width, Coat.Thick, HouseRules.Ours));
    }

    [Fact]
    public void A_photos_reading_brings_its_own_doubt()
    {
        var photo = Girths(Tool.Photo, 98)[0] with { OwnUncertainty = Mm(3.2) };
        Assert.Equal(Math.Sqrt(3.2 * 3.2 + 1.0 / 12), Uncertainty.OfMean([photo], Coat.Ordinary, HouseRules.Ours).Millimeters, 9);
    }

    /// <summary>ISO 5725-6: r = 2.8 s_r, with the pooled 1.5 mm of a soft tape and 1 mm of a digital one (House).</summary>
    [Theory]
    [InlineData(Tool.SoftTape, 4.2, false)]
    [InlineData(Tool.SoftTape, 4.3, true)]
    [InlineData(Tool.DigitalTape, 2.7, false)]
    [InlineData(Tool.DigitalTape, 2.9, true)]
    public void Two_readings_further_apart_than_the_limit_want_a_third(Tool tool, double apart, bool third) =>
        Assert.Equal(third, Repeats.WantThird(Girths(tool, 100, 100 + apart), HouseRules.Ours));

    [Fact]
    public void The_odd_one_of_three_is_proposed_and_a_kept_one_is_left_in_peace()
    {
        var readings = Girths(Tool.SoftTape, 100, 109, 101);
        Assert.Equal(1, Repeats.Odd(readings, HouseRules.Ours));
        readings[1] = readings[1] with { Kept = true };
        Assert.Null(Repeats.Odd(readings, HouseRules.Ours));
        Assert.Null(Repeats.Odd(Girths(Tool.SoftTape, 100, 102, 104.9), HouseRules.Ours));
        Assert.Equal(0, Repeats.Odd(Girths(Tool.SoftTape, 90, 101, 102, 103), HouseRules.Ours));
        Assert.Null(Repeats.Odd(Girths(Tool.SoftTape, 100, 130), HouseRules.Ours));
    }

    [Theory]
    [InlineData("2", "9.6 cm", 94, "2 mm to 9.6 cm on the ruler")]
    [InlineData("", "96", 96, "0 to 96 mm on the ruler")]
    [InlineData("30 cm", "12 cm", 180, "30 cm to 12 cm on the ruler")]
    public void Two_marks_of_a_string_give_their_difference(string from, string to, double mm, string asTaken)
    {
        Assert.True(StringMarks.TryRead(from, to, ReadingUnit.Mm, out var reading, out _, out _));
        Assert.Equal(mm, reading.Value.Millimeters, 9);
        Assert.Equal(asTaken, reading.AsTaken);
    }

    [Theory]
    [InlineData("x", "96", "from")]
    [InlineData("2", "", "to")]
    [InlineData("96", "96", "to")]
    public void A_wrong_mark_is_named(string from, string to, string wrong)
    {
        Assert.False(StringMarks.TryRead(from, to, ReadingUnit.Mm, out _, out var field, out var problem));
        Assert.Equal(wrong, field);
        Assert.NotEmpty(problem);
    }

    [Fact]
    public void A_change_counts_only_beyond_the_doubt_of_both_sets()
    {
        var before = Measured.From([Read(Measure.NeckGirth, 400), Read(Measure.SnoutWidth, 70)], Coat.Ordinary, HouseRules.Ours);
        var after = Measured.From([Read(Measure.NeckGirth, 420), Read(Measure.SnoutWidth, 73), Read(Measure.JawToNose, 150)], Coat.Ordinary, HouseRules.Ours);
        var changes = SetComparison.Of(before, after).ToDictionary(c => c.Measure);
        Assert.True(changes[Measure.NeckGirth].IsReal);
        Assert.Equal(20, changes[Measure.NeckGirth].Change!.Value.Millimeters, 9);
        Assert.False(changes[Measure.SnoutWidth].IsReal);
        Assert.Equal(2 * Math.Sqrt(2 * (2.25 + 1.0 / 12 + 4)), changes[Measure.SnoutWidth].Doubt!.Value.Millimeters, 9);
        Assert.Null(changes[Measure.JawToNose].Change);
        Assert.False(changes[Measure.JawToNose].IsReal);
    }

    [Theory]
    [InlineData(27, 20, 20, Coat.Ordinary, true, 0)]
    [InlineData(28, 20, 20, Coat.Ordinary, true, 1)]
    [InlineData(300, 20, 20, Coat.Ordinary, false, 0)]
    [InlineData(5, 20, 22, Coat.Ordinary, false, 0)]
    [InlineData(5, 20, 22.1, Coat.Ordinary, false, 1)]
    [InlineData(5, 20, 17.9, Coat.Clipped, false, 2)]
    public void Growth_weight_and_a_clipped_coat_ask_for_new_measures(int days, double kgThen, double kgNow, Coat now, bool growing, int reasons)
    {
        var today = new DateOnly(2026, 6, 1);
        Assert.Equal(
            reasons,
            Remeasure
                .Causes(
                    new SetOnRecord(new SetState(today.AddDays(-days), Mass.FromKilograms(kgThen), Coat.Ordinary), true),
                    new SetState(today, Mass.FromKilograms(kgNow), now),
                    growing,
                    HouseRules.Ours
                )
                .Count
        );
    }
}
