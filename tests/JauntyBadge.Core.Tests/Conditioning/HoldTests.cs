using FsCheck.Xunit;
using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>What a dog holds, and what is asked of it next.</summary>
public class HoldTests
{
    private static readonly HouseRules Rules = HouseRules.Ours;

    private static TimeSpan S(double seconds) => TimeSpan.FromSeconds(seconds);

    private static HeldGo Free(double seconds) => new(S(seconds), false);

    private static HeldGo Marked(double seconds) => new(S(seconds), true);

    /// <summary>Galbicka 1994, J. Appl. Behav. Anal. 27:739–760.</summary>
    [Theory]
    [InlineData(9, 0.8, 2)]
    [InlineData(19, 0.75, 5)]
    [InlineData(10, 0.5, 5.5)]
    public void Ranks_of_the_percentile_schedule(int m, double share, double rank) => Assert.Equal(rank, Holds.Rank(m, share), 9);

    [Fact]
    public void Holds_the_dog_ended_go_by_rank()
    {
        var estimate = Holds.Estimate([.. Enumerable.Range(1, 9).Reverse().Select(s => Free(s))], 0.8, Rules);
        Assert.Equal((HoldEstimate.Percentile, 9, S(45), S(2)), (estimate.How, estimate.PullOuts, estimate.Held, estimate.Criterion!.Value));
        Assert.Equal(2, estimate.Rank!.Value, 9);

        // Between two ranks: 5.5 of ten lies half way between the fifth and the sixth.
        Assert.Equal(S(5.5), Holds.Estimate([.. Enumerable.Range(1, 10).Select(s => Free(s))], 0.5, Rules).Criterion);

        // Too few for the rank: the shortest.
        Assert.Equal(S(3), Holds.Estimate([Free(3), Free(5)], 0.8, Rules).Criterion);
        Assert.Null(Holds.Estimate([], 0.8, Rules).Criterion);
    }

    /// <summary>Lawless, Statistical Models and Methods for Lifetime Data (recalled); figures of the check values.</summary>
    [Theory]
    [InlineData(2, 26, 2.32)]
    [InlineData(0, 30, 13.39)]
    public void Marked_holds_go_by_the_rate_of_pulling_out(int pullOuts, double held, double criterion)
    {
        List<HeldGo> goes = [.. Enumerable.Range(0, pullOuts).Select(_ => Free(1)), .. Enumerable.Range(0, 5).Select(_ => Marked((held - pullOuts) / 5))];
        var estimate = Holds.Estimate(goes, 0.8, Rules);
        Assert.Equal((HoldEstimate.Survival, pullOuts, (double?)null), (estimate.How, estimate.PullOuts, estimate.Rank));
        Assert.Equal(criterion, estimate.Criterion!.Value.TotalSeconds, 0.005);
    }

    [Fact]
    public void Only_the_last_twenty_are_looked_at() =>
        Assert.Equal(S(8), Holds.Estimate([.. Enumerable.Repeat(Free(1), 30), .. Enumerable.Repeat(Free(8), 20)], 0.8, Rules).Criterion);

    [Theory]
    [InlineData(4, 20, DecisionKind.Raise, 6)] // at most half as much again
    [InlineData(4, 1, DecisionKind.Raise, 4)] // at least the present one
    [InlineData(4, 4.9, DecisionKind.Raise, 4.5)] // down to half a second
    [InlineData(4, 9, DecisionKind.Back, 2.5)] // at most 0.7 of it: 2.8
    [InlineData(1, 9, DecisionKind.Back, 1)] // at least a second
    [InlineData(28, 40, DecisionKind.Raise, 40)] // from half a minute up to five seconds
    [InlineData(28, 44, DecisionKind.Raise, 40)]
    [InlineData(20, 29.9, DecisionKind.Raise, 29.5)]
    [InlineData(20, 30, DecisionKind.Raise, 30)] // the bound hit exactly
    [InlineData(32, 33, DecisionKind.Raise, 32)] // never under the present one, whatever the rounding
    [InlineData(4, 7.3, null, 7)]
    [InlineData(4, 0.2, null, 1)]
    public void The_next_criterion_is_bounded_and_rounded_down(double present, double estimate, DecisionKind? decision, double next) =>
        Assert.Equal(S(next), Holds.Next(S(present), S(estimate), decision, Rules));

    [Property]
    public bool A_set_asks_half_of_its_goes_for_the_criterion_and_nobody_foretells_which(byte tenths, byte goes, int seed)
    {
        var (criterion, count) = (S(1 + tenths / 10.0), 1 + goes % 12);
        var asked = Holds.Varied(criterion, count, new Random(seed));
        return asked.Count == count
            && asked.Count(a => a == criterion) >= count - count / 2
            && asked.All(a => a >= S(1) && a <= criterion)
            && asked.SequenceEqual(Holds.Varied(criterion, count, new Random(seed)));
    }
}
