using JauntyBadge.Core.Measuring;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Measuring;

/// <summary>Jaw readings taken point to point are told from level ones.</summary>
public class JawCheckTests
{
    private const double HandMm = 2.5;
    private const double HeadsDiffer = 0.02;

    /// <summary>
    /// A grid of heads of every shape and size. The true level distance differs from the average skull's by 2 % (one standard deviation), the snout's
    /// height by 10 % from the usual, and the hand scatters by 2.5 mm. Point to point reads the slanted side of level distance and height.
    /// </summary>
    [Fact]
    public void Over_a_grid_of_heads_nine_in_ten_are_caught_and_few_called_wrongly()
    {
        var random = new Random(1403);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var (slanted, caught, level, wrong) = (0, 0, 0, 0);
        foreach (var shape in Enum.GetValues<HeadShape>())
        {
            var (from, to) = shape switch { HeadShape.Long => (75, 135), HeadShape.Short => (28, 72), _ => (45, 115) };
            for (var eye = from; eye <= to; eye += 3)
            {
                foreach (var tall in new[] { 0.9, 1.0, 1.1 })
                {
                    var height = tall * eye * SnoutRules.WidthRatio(shape).Value * SnoutRules.HeightRatio(shape).Value;
                    for (var dog = 0; dog < 6; dog++)
                    {
                        var jaw = eye * SnoutRules.HingeRatio(shape).Value * (1 + HeadsDiffer * Normal());
                        level++;
                        wrong += IsCalled(shape, eye, height, jaw + HandMm * Normal()) ? 1 : 0;
                        slanted++;
                        caught += IsCalled(shape, eye, height, Math.Sqrt(jaw * jaw + height * height) + HandMm * Normal()) ? 1 : 0;
                    }
                }
            }
        }

        Assert.True(slanted > 1000);
        Assert.True(caught >= 0.90 * slanted, $"{caught} of {slanted} caught");
        Assert.True(wrong < 0.05 * level, $"{wrong} of {level} called wrongly");
    }

    private static bool IsCalled(HeadShape shape, double eye, double height, double jaw) => Assessment.Of(
        [
            Read(Measure.NoseToInnerEye, eye, Side.Left), Read(Measure.NoseToInnerEye, eye + 1, Side.Right), Read(Measure.SnoutHeight, height), Read(Measure.JawToNose, jaw),
        ],
        new Circumstances { OtherWays = [new(ShapeWay.Seen, null, shape, "", Basis.House("in a test"))] }).Findings.Any(f => f.Code == "jaw-point-to-point");

    /// <summary>3-4-5: level 120 on a head 90 high reads 150 point to point.</summary>
    [Fact]
    public void The_message_names_both_distances_and_how_to_take_it_level()
    {
        var eye = 120 / SnoutRules.HingeRatio(HeadShape.Medium).Value;
        Reading[] readings = [Read(Measure.NoseToInnerEye, eye, Side.Left), Read(Measure.NoseToInnerEye, eye, Side.Right), Read(Measure.SnoutHeight, 90), Read(Measure.JawToNose, 149)];
        var finding = Assessment.Of(readings, new Circumstances()).Findings.Single(f => f.Code == "jaw-point-to-point");
        Assert.Contains("reads 149 mm", finding.Message, StringComparison.Ordinal);
        Assert.Contains("about 120 mm", finding.Message, StringComparison.Ordinal);
        Assert.Contains("about 150 mm", finding.Message, StringComparison.Ordinal);
        Assert.Contains("plumb line", finding.Retake, StringComparison.Ordinal);
    }

    [Fact]
    public void Far_past_the_slanted_distance_it_is_another_mistake() =>
        Assert.False(JawCheck.For(Mm(100), Mm(80), HeadShape.Medium).LooksPointToPoint(Mm(200), Mm(2)));
}
