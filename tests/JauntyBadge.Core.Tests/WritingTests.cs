using System.Globalization;
using System.Text.Json;

namespace JauntyBadge.Core.Tests;

/// <summary>How days, times, chances and counts are said.</summary>
public class WritingTests
{
    /// <summary>Source: Unicode CLDR as ICU has it in the browser; the front end is held to the same list.</summary>
    public static TheoryData<string, string, string, string[]> Cases
    {
        get
        {
            var cases = JsonSerializer.Deserialize<string[][]>(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "date-cases.json")))!;
            var data = new TheoryData<string, string, string, string[]>();
            foreach (var row in cases)
                data.Add(row[0], row[1], row[2], row[3..]);
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void Days_and_times_are_written_as_the_country_writes_them(string tag, string day, string time, string[] written)
    {
        var locale = Locale.Find(tag)!;
        var (on, at) = (DateOnly.Parse(day, CultureInfo.InvariantCulture), TimeOnly.Parse(time, CultureInfo.InvariantCulture));
        string[] here = [locale.Day(on), locale.DayOfYear(on), locale.Weekday(on), locale.Time(at)];
        Assert.Equal(written, here);
    }

    [Fact]
    public void Every_locale_is_in_the_list_of_cases() =>
        Assert.Equal(Locale.All.Select(l => l.Tag).Order(), Cases.Select(c => c.Data.Item1).Distinct().Order());

    [Theory]
    [InlineData(0, "<1 %")]
    [InlineData(0.0099, "<1 %")]
    [InlineData(0.125, "13 %")]
    [InlineData(0.985, "99 %")]
    [InlineData(0.9901, ">99 %")]
    [InlineData(1, ">99 %")]
    public void A_chance_never_claims_certainty(double chance, string says) => Assert.Equal(says, Writing.Percent(chance));

    [Theory]
    [InlineData(0, "0 %")]
    [InlineData(2.0 / 3, "66 %")]
    [InlineData(0.999, "99 %")]
    [InlineData(1, "100 %")]
    public void A_part_is_cut_so_that_it_never_reads_as_the_whole(double share, string says) => Assert.Equal(says, Writing.Share(share));

    [Theory]
    [InlineData(1, "one step")]
    [InlineData(2, "two steps")]
    [InlineData(10, "ten steps")]
    [InlineData(11, "11 steps")]
    public void Small_numbers_are_words(int number, string says) => Assert.Equal(says, Writing.Usual.Count(number, "one step", "{0} steps"));

    /// <summary>The hour that the clock leaps over in spring, and the one it tells twice in autumn.</summary>
    [Theory]
    [InlineData("2026-03-29T02:30", "2026-03-29T01:30")]
    [InlineData("2026-10-25T02:30", "2026-10-25T01:30")]
    [InlineData("2026-06-01T00:00", "2026-05-31T22:00")]
    public void A_day_and_time_of_the_practice_is_one_moment(string local, string utc)
    {
        var clock = new ZonedClock(TimeZoneInfo.FindSystemTimeZoneById("Europe/Vienna"));
        var at = DateTime.Parse(local, CultureInfo.InvariantCulture);
        var moment = clock.MomentOf(DateOnly.FromDateTime(at), TimeOnly.FromDateTime(at));
        Assert.Equal(DateTime.Parse(utc, CultureInfo.InvariantCulture), moment);
        Assert.Equal(DateOnly.FromDateTime(at), clock.DayOf(moment));
    }

    [Fact]
    public void A_moment_lies_on_the_practices_day_whatever_its_kind_says()
    {
        var clock = new ZonedClock(TimeZoneInfo.FindSystemTimeZoneById("Pacific/Auckland"));
        var late = new DateTime(2026, 11, 20, 13, 0, 0);
        Assert.All(Enum.GetValues<DateTimeKind>(), k => Assert.Equal(new DateOnly(2026, 11, 21), clock.DayOf(DateTime.SpecifyKind(late, k))));
    }
}
