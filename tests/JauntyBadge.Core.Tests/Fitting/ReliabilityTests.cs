using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>What is called so sure fits as often, on heads whose jaw is not the one the product judges by.</summary>
public class ReliabilityTests
{
    private const int Draws = 150;

    /// <summary>
    /// The two jaws that lie furthest from the one judged by; the nearer ones fit more often than said. Bars: 3 points in every tenth from an even chance up, Brier skill 0.65 (House).
    /// What harms most, an eye within reach when pushed, hangs on the tape alone, and is held to 3 %.
    /// </summary>
    [Fact]
    public void What_is_called_so_sure_fits_as_often()
    {
        var (read, notRead) = (Far(400, true, HouseRules.Ours), Far(400, false, HouseRules.Ours));
        List<OtherJaws.Pair> all = [.. read, .. notRead];
        Assert.All(OtherJaws.Tenths(all), t => Assert.InRange(t.Fits - t.Said, -0.03, 0.03));
        Assert.All([read, notRead], pairs => Assert.InRange(Sure(pairs).Average(p => (p.Fits ? 1 : 0) - p.Said), -0.03, 0.03));
        Assert.All([read, notRead], pairs => Assert.InRange(OtherJaws.BrierSkill(pairs), 0.65, 1));
        Assert.InRange(Sure(all).Average(p => p.Harms ? 1.0 : 0), 0, 0.03);
    }

    /// <summary>Without the jaw's own doubt the same heads fit less often than said.</summary>
    [Fact]
    public void Without_a_doubt_of_its_own_the_jaw_is_called_too_sure()
    {
        var believed = HouseRules
            .Ours.With(CompletedMeasures.HingeDropDoubt, 0)
            .With(CompletedMeasures.ChinDoubt, 0)
            .With(CompletedMeasures.LowerBorderDoubt, 0);
        var sure = Sure(Far(200, true, believed));
        Assert.True(sure.Average(p => p.Said) - sure.Average(p => p.Fits ? 1.0 : 0) > 0.03);
    }

    private static List<OtherJaws.Pair> Far(int heads, bool jawRead, HouseRules rules) =>
        [.. OtherJaws.Pairs(heads, jawRead, Draws, rules).Where(p => OtherJaws.Names[p.Jaw] is "wide apart" or "lips and chin")];

    private static List<OtherJaws.Pair> Sure(IEnumerable<OtherJaws.Pair> pairs) => [.. pairs.Where(p => p.Said >= 0.8)];
}
