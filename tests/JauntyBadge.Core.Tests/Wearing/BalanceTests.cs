using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests.Wearing;

/// <summary>What the muzzle comes to mean: weighted sums, what is coming, and the next happy wear.</summary>
public class BalanceTests
{
    private static readonly DateOnly Today = new(2026, 11, 27);
    private static readonly HouseRules Ours = HouseRules.Ours;

    private static OccasionOn Ago(int days, Occasion occasion) => new(Today.AddDays(-days), occasion);

    private static AssociationBalance On(params OccasionOn[] wears) => AssociationBalance.On(Today, wears, Ours);

    /// <summary>By hand: fun today (1), ordinary 14 days ago (½), stressful 28 days ago (¼): 1.5 / 0.25 = 6.</summary>
    [Fact]
    public void Half_life_by_hand()
    {
        var balance = On(Ago(0, Occasion.Fun), Ago(14, Occasion.Ordinary), Ago(28, Occasion.Stressful));
        Assert.Equal(1.5, balance.Happy, 12);
        Assert.Equal(0.25, balance.Stressful, 12);
        Assert.Equal(6, balance.Ratio!.Value, 9);
        Assert.Equal(BalanceVerdict.Good, balance.Verdict(Ours));
        Assert.Equal(Math.Pow(0.5, 1 / 14.0), On(Ago(1, Occasion.Fun)).Happy, 12);
    }

    /// <summary>Exactly three to one is enough and exactly one to one is not sour, however the sums round.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(5)]
    public void The_bounds_hit_exactly(int daysAgo)
    {
        var fun = Ago(daysAgo, Occasion.Fun);
        var bad = Ago(daysAgo, Occasion.Stressful);
        Assert.Equal(BalanceVerdict.Good, On(fun, fun, fun, bad).Verdict(Ours));
        Assert.Equal(BalanceVerdict.Warn, On(fun, fun, bad).Verdict(Ours));
        Assert.Equal(BalanceVerdict.Warn, On(fun, bad).Verdict(Ours));
        Assert.Equal(BalanceVerdict.Sour, On(fun, bad, bad).Verdict(Ours));
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(6, true)]
    [InlineData(7, false)]
    public void A_happy_wear_within_the_seven_days_up_to_today(int daysAgo, bool within)
    {
        Assert.Equal(within, On(Ago(daysAgo, Occasion.Fun)).HappyWithinWeek);
        Assert.Equal(within ? BalanceVerdict.Good : BalanceVerdict.Warn, On(Ago(daysAgo, Occasion.Fun)).Verdict(Ours));
        Assert.False(On(Ago(daysAgo, Occasion.Ordinary)).HappyWithinWeek);
    }

    [Fact]
    public void Nothing_worn_is_no_ratio_and_a_happy_wear_owed()
    {
        var balance = On();
        Assert.Null(balance.Ratio);
        Assert.Equal(BalanceVerdict.Warn, balance.Verdict(Ours));
        Assert.Equal(BalanceVerdict.Sour, On(Ago(200, Occasion.Stressful)).Verdict(Ours));
    }

    /// <summary>Time alone changes no ratio, for all grow old together: only wears do.</summary>
    [Property]
    public bool Waiting_mends_nothing(byte[] wears, byte days)
    {
        var all = Any(wears);
        var (now, then) = (AssociationBalance.On(Today, all, Ours).Ratio, AssociationBalance.On(Today.AddDays(days), all, Ours).Ratio);
        return now is null ? then is null : Math.Abs(now.Value - then!.Value) < 1e-6 * (1 + now.Value);
    }

    [Property]
    public bool A_stressful_wear_never_raises_it_and_a_happy_one_never_lowers_it(byte[] wears, byte daysAgo)
    {
        var all = Any(wears);
        var ratio = AssociationBalance.On(Today, all, Ours).Ratio ?? double.PositiveInfinity;
        var worse = AssociationBalance.On(Today, [.. all, Ago(daysAgo, Occasion.Stressful)], Ours).Ratio!.Value;
        var better = AssociationBalance.On(Today, [.. all, Ago(daysAgo, Occasion.Fun)], Ours).Ratio ?? double.PositiveInfinity;
        return worse <= ratio && better >= ratio;
    }

    /// <summary>By hand: four good in the last four days and one bad; a clinic visit in six days leaves them lighter.</summary>
    [Fact]
    public void It_warns_before_it_sours_and_says_how_many_happy_wears_are_enough()
    {
        OccasionOn[] worn = [Ago(4, Occasion.Fun), Ago(3, Occasion.Ordinary), Ago(2, Occasion.Fun), Ago(10, Occasion.Stressful)];
        var visit = new OccasionOn(Today.AddDays(6), Occasion.Stressful);
        var ahead = BalanceAhead.Of(Today, worn, [visit], Ours)!;
        double Weight(int age) => Math.Pow(0.5, age / 14.0);
        var bad = 1 + Weight(16);
        Assert.Equal((Weight(10) + Weight(9) + Weight(8)) / bad, ahead.After!.Value, 9);
        Assert.Equal([Today.AddDays(3), Today.AddDays(4), Today.AddDays(5)], ahead.HappyOn);
        Assert.Equal((Weight(10) + Weight(9) + Weight(8) + Weight(1) + Weight(2) + Weight(3)) / bad, ahead.ThenAfter!.Value, 9);
        Assert.True(ahead.Enough);
        Assert.Contains("three happy wears first", Words.Wearing.Ahead(ahead, "the clinic visit"), StringComparison.Ordinal);
    }

    /// <summary>What is under a bound never reads as if it were at it, and what is at it does.</summary>
    [Theory]
    [InlineData(2.98, "2.9")]
    [InlineData(3, "3.0")]
    [InlineData(2.9999999999, "3.0")]
    [InlineData(0.99, "0.9")]
    public void A_ratio_is_cut_not_rounded(double ratio, string says) => Assert.Equal(says, Words.Wearing.Ratio(ratio));

    [Fact]
    public void A_visit_today_or_tomorrow_leaves_what_days_there_are_and_says_that_they_are_too_few()
    {
        var tomorrow = BalanceAhead.Of(Today, [], [new(Today.AddDays(1), Occasion.Stressful)], Ours)!;
        Assert.Equal([Today], tomorrow.HappyOn);
        Assert.False(tomorrow.Enough);
        Assert.Contains("put it off", Words.Wearing.Ahead(tomorrow, "the clinic visit"), StringComparison.Ordinal);
        var today = BalanceAhead.Of(Today, [], [new(Today, Occasion.Stressful)], Ours)!;
        Assert.Equal((0, false, 0.0), (today.HappyOn.Count, today.Enough, today.After));
        Assert.Contains("no day left", Words.Wearing.Ahead(today, "the clinic visit"), StringComparison.Ordinal);
        Assert.Null(BalanceAhead.Of(Today, [], [new(Today.AddDays(2), Occasion.Fun), new(Today.AddDays(-2), Occasion.Stressful)], Ours));
    }

    /// <summary>The fewest: among all ways to place one happy wear a day before the visit, none with fewer is enough. Tried through all subsets.</summary>
    [Property(MaxTest = 60)]
    public bool No_fewer_happy_wears_would_do(byte[] wears, byte inDays)
    {
        var day = Today.AddDays(inDays % 9);
        OccasionOn[] all = [.. Any(wears), new(day, Occasion.Stressful)];
        var ahead = BalanceAhead.Of(Today, Any(wears), [new(day, Occasion.Stressful)], Ours)!;
        var days = day.DayNumber - Today.DayNumber;
        for (var some = 0; some < 1 << days; some++)
        {
            var fewer = System.Numerics.BitOperations.PopCount((uint)some) < ahead.HappyOn.Count;
            var with = all.Concat(Enumerable.Range(0, days).Where(d => (some >> d & 1) == 1).Select(d => new OccasionOn(Today.AddDays(d), Occasion.Fun)));
            if ((fewer || !ahead.Enough) && AssociationBalance.On(day, with, Ours).IsEnough(Ours))
                return false;
        }

        return true;
    }

    [Fact]
    public void The_next_happy_wear_is_one_it_loves_that_muzzle_and_heat_allow_the_one_had_least_lately()
    {
        var basket = new WornMuzzle(MuzzleType.Basket, GapeClass.FullPant);
        string? Next(IReadOnlyList<string> loves, IReadOnlyList<string> lately, WornMuzzle? muzzle = null, HeatBand? band = HeatBand.AsTrained) =>
            HappyWear.Next(loves, lately, muzzle ?? basket, band)?.Id;
        Assert.Equal("run-along", Next(["run-along", "search"], ["run-along", "search"]));
        Assert.Equal("search", Next(["run-along", "search"], ["search", "run-along"]));
        Assert.Equal("search", Next(["run-along", "search"], ["run-along", "search"], band: HeatBand.Halved));
        Assert.Equal("search", Next(["run-along", "search"], [], new WornMuzzle(MuzzleType.Basket, GapeClass.HalfPant)));
        Assert.NotNull(Next(["run-along"], [], band: HeatBand.MinutesOnly));
        Assert.Null(Next(["search"], [], band: HeatBand.None));
        Assert.Equal(HappyWear.All[0].Id, Next([], []));
    }

    private static IReadOnlyList<OccasionOn> Any(byte[] wears) => [.. (wears ?? []).Select(w => Ago(w % 60, (Occasion)(w % 3)))];
}
