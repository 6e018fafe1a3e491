using System.Globalization;
using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Wearing;

/// <summary>What a dog's wears leave of the next. The rules are the handbook's (House); no source outside it.</summary>
public sealed class WearPastTests
{
    private static readonly HouseRules Ours = HouseRules.Ours;
    private static readonly DateOnly Today = new(2026, 11, 27);
    private static readonly WornMuzzle FullPant = new(MuzzleType.Basket, GapeClass.FullPant);
    private static readonly Weather Cool = new(Temperature.FromDegreesCelsius(10), RelativeHumidity.FromPercent(60));

    private static TimeSpan Min(double minutes) => TimeSpan.FromMinutes(minutes);

    private static Wear Worn(int daysAgo, double minutes, double? cap = null) =>
        new(Today.AddDays(-daysAgo), Min(minutes), Occasion.Fun) { Cap = cap is { } told ? Min(told) : null };

    private static WearPast Past(params Wear[] wears) => WearPast.Of(wears, Today, null, Ours);

    private static WearLimit After(WearPast past) => WearLimit.Of(new(new(), FullPant, Cool, LongestComfortable: past.Longest) { Past = past }, Ours);

    /// <summary>Put on, frantic pawing, off after two seconds: nothing of it is good.</summary>
    [Fact]
    public void A_wear_that_went_badly_is_bad_whatever_was_tapped_before()
    {
        var panic = new Wear(Today, TimeSpan.FromSeconds(2), Occasion.Fun, Worried: true) { OverThreshold = true, Cap = Min(30) };
        Assert.Equal(Occasion.Stressful, panic.Was(Ours));
        Assert.Equal(Occasion.Stressful, (Worn(0, 20) with { Ending = WearEnding.Stopped }).Was(Ours));
        Assert.Equal(Occasion.Stressful, (Worn(0, 20) with { Ending = WearEnding.PawedOff }).Was(Ours));
        Assert.Equal(Occasion.Stressful, (Worn(0, 20) with { Red = true }).Was(Ours));
        var today = After(Past(Worn(3, 20), panic));
        Assert.Equal((Min(0), WearCause.BadToday), (today.Cap, today.Decides.Cause));
        var tomorrow = After(WearPast.Of([Worn(3, 20), panic], Today.AddDays(1), null, Ours));
        Assert.Equal((TimeSpan.FromSeconds(1), WearCause.AfterBad), (tomorrow.Cap, tomorrow.Decides.Cause));
    }

    /// <summary>Over midnight it counts to the day it ended, midnight itself to the new one; while it is on, to the day it began. By the practice's clock.</summary>
    [Theory]
    [InlineData(0, "23:50", "00:10", 1)]
    [InlineData(0, "23:50", "00:00", 1)]
    [InlineData(0, "23:40", "23:59:59", 0)]
    [InlineData(0, "23:50", null, 0)]
    [InlineData(1, "22:50", "23:10", 1)]
    [InlineData(1, "23:10", null, 1)]
    [InlineData(-1, "23:50", "00:10", 0)]
    public void The_day_a_wear_counts_to(int hoursEast, string began, string? ended, int daysOn)
    {
        var start = Today.ToDateTime(TimeOnly.Parse(began, CultureInfo.InvariantCulture));
        DateTime? end = ended is null ? null : Today.ToDateTime(TimeOnly.Parse(ended, CultureInfo.InvariantCulture));
        var here = new ZonedClock(TimeZoneInfo.CreateCustomTimeZone("here", TimeSpan.FromHours(hoursEast), "here", "here"));
        Assert.Equal(Today.AddDays(daysOn), Wear.DayOf(here, start, end < start ? end.Value.AddDays(1) : end));
    }

    /// <summary>Exactly two minutes count; a moment less does not. A stressful one counts however short.</summary>
    [Fact]
    public void Under_two_minutes_it_counts_for_nothing()
    {
        Assert.Equal(Occasion.Fun, Worn(0, 2).Was(Ours));
        Assert.Null(Worn(0, 1.99).Was(Ours));
        Assert.Equal(Occasion.Stressful, (Worn(0, 0.5) with { Meant = Occasion.Stressful }).Was(Ours));
    }

    [Fact]
    public void What_lay_beyond_the_cap_was_not_comfortable()
    {
        Assert.Equal(Min(5), Past(Worn(1, 240, cap: 5)).Longest);
        Assert.Equal(Min(7.5), After(Past(Worn(1, 240, cap: 5))).Cap);
        Assert.Equal(Min(25), Past(Worn(90, 25), Worn(3, 12)).Longest);
        Assert.Null(Past(Worn(91, 25), Worn(2, 30) with { Rubbed = true }, Worn(1, 0)).Longest);
    }

    /// <summary>Half of what was borne, then up again from what was borne since; what was borne before it counts no more.</summary>
    [Fact]
    public void After_a_bad_one_it_begins_again_from_half()
    {
        var bad = Worn(5, 20, cap: 30) with { Worried = true };
        Assert.Equal(Min(10), After(Past(Worn(9, 60), bad)).Cap);
        Assert.Equal(Min(10), After(Past(Worn(9, 60), bad, Worn(4, 4))).Cap);
        Assert.Equal(Min(15), After(Past(Worn(9, 60), bad, Worn(4, 10))).Cap);
        Assert.Equal(Min(6), After(Past(Worn(9, 60), Worn(5, 90, cap: 12) with { Red = true })).Cap);
    }

    /// <summary>One that was borne for seconds leaves nothing to grow from: training is the way back, and then it begins with little.</summary>
    [Fact]
    public void Training_since_is_the_way_back()
    {
        Wear[] wears = [Worn(9, 60), Worn(5, 0.1) with { OverThreshold = true, Worried = true }];
        Assert.Equal(Min(0.05), After(WearPast.Of(wears, Today, Today.AddDays(-5), Ours)).Cap);
        var since = After(WearPast.Of(wears, Today, Today.AddDays(-4), Ours));
        Assert.Equal((Min(5), WearCause.FirstWear), (since.Cap, since.Decides.Cause));
    }

    /// <summary>Nine wears to the cap in one day gave 366 minutes.</summary>
    [Fact]
    public void A_day_has_a_sum()
    {
        List<Wear> wears = [Worn(1, 20)];
        for (var i = 0; i < 9 && After(Past([.. wears])) is { NotNow: false, Cap: var cap }; i++)
            wears.Add(new Wear(Today, cap, Occasion.Fun) { Cap = cap });
        var sum = TimeSpan.FromTicks(wears.Where(w => w.Day == Today).Sum(w => w.Lasted.Ticks));
        Assert.True(sum <= Min(240), $"{sum.TotalMinutes} min");
        var after = After(Past([.. wears]));
        Assert.True(sum <= 4 * wears.Max(w => w.Cap ?? Min(0)), $"{sum}");
        Assert.Equal((Min(0), WearCause.Day), (after.Cap, after.Decides.Cause));

        // Exactly the sum leaves nothing; in the heat of noon the morning's cap still counts.
        var morning = new WearPast(Min(40)) { WornToday = Min(60), LongestCapToday = Min(60) };
        Assert.Equal(Min(60), After(morning).Cap);
        Assert.Equal(Min(0), After(morning with { WornToday = Min(240) }).Cap);
        Assert.Equal(Min(1), After(morning with { WornToday = Min(239) }).Cap);
    }

    /// <summary>As long as the last wear; a clock set back since makes it no longer.</summary>
    [Theory]
    [InlineData(0, 12)]
    [InlineData(5, 7)]
    [InlineData(12, 0)]
    [InlineData(60, 0)]
    [InlineData(-90, 12)]
    public void Between_two_lies_a_pause(double minutesSince, double left)
    {
        var ended = new DateTime(2026, 11, 27, 12, 0, 0, DateTimeKind.Utc);
        Assert.Equal(Min(left), WearPast.Pause(ended - Min(12), ended, ended + Min(minutesSince)));
        var limit = After(new WearPast(Min(40)) { PauseLeft = Min(left) });
        Assert.Equal(left > 0 ? (Min(0), WearCause.Pause) : (Min(60), WearCause.OwnLongest), (limit.Cap, limit.Decides.Cause));
    }

    [Fact]
    public void A_training_muzzle_is_worn_for_training_only() =>
        Assert.Equal(
            (Min(0), WearCause.TrainingOnly),
            WearLimit.Of(new(new(), FullPant, Cool) { TrainingOnly = true }, Ours) is var limit ? (limit.Cap, limit.Decides.Cause) : default
        );

    /// <summary>However it went, a wear more never makes the next one longer than half as long again as the longest that went well, and a bad one never longer than without it.</summary>
    [Property(MaxTest = 300)]
    public bool A_bad_wear_never_lengthens_the_next(byte[] minutes, byte badMinutes, byte capped)
    {
        var wears = minutes.Take(20).Select((m, i) => Worn(40 - i, m / 4.0 + 2, m % 3 == 0 ? capped / 2.0 + 1 : null)).ToArray();
        var bad = Worn(2, badMinutes / 4.0) with { Worried = true };
        var (without, with) = (After(Past(wears)).Cap, After(Past([.. wears, bad])).Cap);
        var longest = wears.Select(w => w.Borne).DefaultIfEmpty(Min(0)).Max();
        return without <= Max(longest * 1.5, Min(5)) && with <= bad.Borne / 2;
    }

    private static TimeSpan Max(TimeSpan a, TimeSpan b) => a > b ? a : b;
}
