using FsCheck.Xunit;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

/// <summary>Laws that hold for any head.</summary>
public class MeasuringLawTests
{
    [Fact]
    public void Every_measure_has_its_guide_its_usual_length_and_its_place_on_the_bench()
    {
        foreach (var measure in Enum.GetValues<Measure>())
        {
            var guide = MeasureDefinition.For(measure).Guide;
            Assert.Equal(measure, guide.Measure);
            Assert.All([guide.Name, guide.Where, guide.Find, guide.How, guide.Mistake], text => Assert.True(text.Length > 8, guide.Name));
            Assert.Equal(guide.HasSides ? 2 : 1, FitStyleMeasures.All.Count(l => l.Measure == measure));
            foreach (var shape in Enum.GetValues<HeadShape>())
                Assert.InRange(PlausibleRange.Usual(measure, shape, Mass.FromKilograms(20), HouseRules.Ours).Millimeters, 20, 450);
        }

        foreach (var style in Enum.GetValues<FitStyle>())
            Assert.All(FitStyleMeasures.AskedBy(style), line => Assert.False(MeasureDefinition.For(line.Measure).Guide.Optional));
    }

    /// <summary>Lengths grow with the cube root of mass: eight times the mass is twice the length.</summary>
    [Property]
    public bool Usual_lengths_lie_in_their_range_and_grow_with_the_dog(byte which, byte kg)
    {
        var (measure, mass) = ((Measure)(which % 13), Mass.FromKilograms(2 + kg % 60));
        return Enum.GetValues<HeadShape>()
            .All(shape =>
            {
                var usual = PlausibleRange.Usual(measure, shape, mass, HouseRules.Ours);
                var (low, high) = PlausibleRange.For(measure, shape, mass, HouseRules.Ours);
                var (widestLow, widestHigh) = PlausibleRange.For(measure, shape, null, HouseRules.Ours);
                return low < usual
                    && usual < high
                    && widestLow <= low
                    && high <= widestHigh
                    && Math.Abs(PlausibleRange.Usual(measure, shape, mass * 8, HouseRules.Ours) / usual - 2) < 1e-9;
            });
    }

    /// <summary>A head whose measures follow from each other, read without error: nothing asks to be taken again, in either school.</summary>
    [Property]
    public bool A_head_that_agrees_with_itself_raises_no_check(byte size, byte shapeByte, byte tall, byte gapByte)
    {
        var shape = (HeadShape)(shapeByte % 3);
        var eye = shape switch
        {
            HeadShape.Long => 70 + size % 70,
            HeadShape.Short => 30 + size % 45,
            _ => 45 + size % 75,
        };
        var height = eye * SnoutRules.WidthRatio(shape).Ours * SnoutRules.HeightRatio(shape).Ours * (0.9 + tall % 20 / 100.0);
        var width = eye * SnoutRules.WidthRatio(shape).Ours;
        var gap = Math.Min(13 + gapByte % 13, 0.4 * eye);
        var face = shape switch
        {
            HeadShape.Long => 0.46,
            HeadShape.Short => 0.34,
            _ => 0.44,
        };
        Reading[] readings =
        [
            Read(Measure.NoseToInnerEye, eye, Side.Left),
            Read(Measure.NoseToInnerEye, eye + 1, Side.Right),
            Read(Measure.FitLineLength, eye - gap),
            Read(Measure.SnoutHeight, height),
            Read(Measure.SnoutWidth, width),
            Read(Measure.SnoutGirth, SnoutSection.Girth(Mm(height), Mm(width)).Millimeters),
            Read(Measure.JawToNose, eye * SnoutRules.HingeRatio(shape).Ours),
            Read(Measure.NoseToOcciput, eye / face),
        ];
        var about = new Circumstances { OtherWays = [new(ShapeWay.Seen, null, shape, Basis.House("in a test"))], FitLineGap = Mm(gap) };
        return Assessment.Of(readings, about).Findings.All(f => f.Severity != Severity.Check);
    }

    /// <summary>Uncertainty never falls below the tool's own, however many repeats there are, and repeats that agree only lessen it.</summary>
    [Property]
    public bool Repeats_lessen_doubt_down_to_the_tools_own(byte tool, byte count)
    {
        var with = (Tool)(tool % 5);
        Reading[] Same(int n) => [.. Enumerable.Repeat(new Reading(Measure.SnoutWidth, null, Mm(70), ReadingUnit.Mm, with), n)];
        var (one, many) = (
            Uncertainty.OfMean(Same(1), Coat.Ordinary, HouseRules.Ours),
            Uncertainty.OfMean(Same(2 + count % 20), Coat.Ordinary, HouseRules.Ours)
        );
        return many < one && many >= ToolRules.Own(with, HouseRules.Ours);
    }

    /// <summary>The odd one is always an extreme, and taking it away leaves less spread than taking any other.</summary>
    [Property]
    public bool The_odd_one_out_is_the_one_whose_absence_helps_most(byte a, byte b, byte c, byte d)
    {
        Reading[] readings = [.. new[] { a, b, c, d }.Select(v => Read(Measure.NeckGirth, 300 + v))];
        if (Repeats.Odd(readings, HouseRules.Ours) is not { } odd)
            return Repeats.Spread(readings) <= Repeats.Limit(readings, HouseRules.Ours) + Mm(1e-6);
        Length Without(int i) => Repeats.Spread([.. readings.Where((_, j) => j != i)]);
        return Enumerable.Range(0, 4).All(i => Without(odd) <= Without(i));
    }

    [Theory]
    [InlineData(ReadingUnit.Mm, " mm")]
    [InlineData(ReadingUnit.Cm, " cm")]
    [InlineData(ReadingUnit.In, " in")]
    public void Every_finding_speaks_in_the_users_unit_and_says_what_to_take_again(ReadingUnit unit, string word)
    {
        Reading[] wrong =
        [
            Read(Measure.NoseToInnerEye, 100, Side.Left),
            Read(Measure.NoseToInnerEye, 112, Side.Right),
            Read(Measure.InnerEyeSpacing, 210),
            Read(Measure.FitLineLength, 50),
            Read(Measure.SnoutGirth, 500),
            Read(Measure.SnoutHeight, 80),
            Read(Measure.SnoutWidth, 72),
            Read(Measure.JawToNose, 300),
            Read(Measure.NoseToOcciput, 120),
            Read(Measure.NeckGirth, 430),
            Read(Measure.NeckGirth, 450),
            Read(Measure.HeadGirth, 480),
            Read(Measure.HeadGirth, 481),
            Read(Measure.HeadGirth, 500),
            Read(Measure.SkullWidth, 9),
        ];
        var findings = Assessment.Of(wrong, new Circumstances { BodyMass = Mass.FromKilograms(28) }).Findings;
        Assert.Superset(
            new HashSet<FindingCode>
            {
                FindingCode.SidesDiffer,
                FindingCode.ImpossibleSpacing,
                FindingCode.FitLineGap,
                FindingCode.GirthBounds,
                FindingCode.FaceShare,
                FindingCode.JawUnexplained,
                FindingCode.ThirdReading,
                FindingCode.OddOneOut,
                FindingCode.Implausible,
            },
            findings.Select(f => f.Code).ToHashSet()
        );
        Assert.All(
            findings,
            f =>
            {
                Assert.Contains(word, new MeasuringWords(Words.In(unit)).Message(f), StringComparison.Ordinal);
                Assert.True(Words.Measuring.Retake(f).Length > 10 && f.Basis.Note.Length > 5 && f.Measures.Count > 0, $"{f.Code}");
            }
        );
        Assert.Equal(findings.OrderByDescending(f => f.Severity).Select(f => f.Code), findings.Select(f => f.Code));
    }
}
