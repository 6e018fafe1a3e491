using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

public class HeadShapeTests
{
    /// <summary>Average skulls of Evans &amp; de Lahunta, Miller's Anatomy of the Dog (recalled): length, width and facial length give the index and the shape.</summary>
    [Theory]
    [InlineData(238, 93, 114, 39, HeadShape.Long)]
    [InlineData(189, 99, 89, 52, HeadShape.Medium)]
    [InlineData(127, 103, 48, 81, HeadShape.Short)]
    public void Average_skulls_give_their_index_and_shape_both_ways(double length, double width, double face, double index, HeadShape shape)
    {
        Assert.Equal(index, HeadShapes.CranialIndex(Mm(width), Mm(length)), 0.5);
        var ways = HeadShapes.Read(
            Measured.From(
                [Read(Measure.StopToNose, face), Read(Measure.StopToOcciput, length - face), Read(Measure.SkullWidth, width)],
                Coat.Ordinary,
                HouseRules.Ours
            ),
            HouseRules.Ours
        );
        Assert.Equal([ShapeWay.CraniofacialRatio, ShapeWay.CranialIndex], ways.Select(w => w.Way));
        Assert.All(ways, w => Assert.Equal(shape, w.Shape));
    }

    [Fact]
    public void Nose_to_base_of_skull_comes_before_its_parts_added_up()
    {
        var ways = HeadShapes.Read(
            Measured.From([Read(Measure.NoseToOcciput, 200), Read(Measure.SkullWidth, 100), Read(Measure.StopToNose, 90)], Coat.Ordinary, HouseRules.Ours),
            HouseRules.Ours
        );
        Assert.Equal(50, ways.Single().Value!.Value, 9);
    }

    /// <summary>Packer et al. 2015, PLoS ONE 10(10): e0137496 (recalled): below 0.5.</summary>
    [Theory]
    [InlineData(49.9, true)]
    [InlineData(50, false)]
    public void Below_half_the_airway_caution_is_raised(double face, bool caution)
    {
        var choice = HeadShapeChoice.From(
            HeadShapes.Read(Measured.From([Read(Measure.StopToNose, face), Read(Measure.StopToOcciput, 100)], Coat.Ordinary, HouseRules.Ours), HouseRules.Ours)
        );
        Assert.Equal(caution, choice.AirwayCaution);
        Assert.Equal(HeadShape.Short, choice.Shape);
    }

    [Fact]
    public void The_most_trusted_way_decides_and_disagreement_is_said()
    {
        ShapeReading breed = new(ShapeWay.Breed, null, HeadShape.Long, Basis.Memory("in a test"));
        Reading[] flat =
        [
            Read(Measure.StopToNose, 60),
            Read(Measure.StopToOcciput, 110),
            Read(Measure.NoseToInnerEye, 55, Side.Left),
            Read(Measure.NoseToInnerEye, 55, Side.Right),
        ];
        var assessed = Assessment.Of(flat, new Circumstances { OtherWays = [breed] });
        Assert.Equal(HeadShape.Short, assessed.HeadShape.Shape);
        Assert.True(assessed.HeadShape.Disagree);
        Assert.Contains(
            assessed.Findings,
            f => f.Code == FindingCode.HeadShapeWays && f.Severity == Severity.Note && Said(f).Contains("the breed: long", StringComparison.Ordinal)
        );
        var seen = new ShapeReading(ShapeWay.Seen, null, HeadShape.Medium, Basis.Practice("in a test"));
        Assert.Equal(HeadShape.Medium, Assessment.Of(flat, new Circumstances { OtherWays = [breed, seen] }).HeadShape.Shape);
    }
}
