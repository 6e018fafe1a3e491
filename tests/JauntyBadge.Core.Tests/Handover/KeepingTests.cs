using FsCheck.Xunit;
using JauntyBadge.Core.Handover.Days;
using JauntyBadge.Core.Handover.Keeping;

namespace JauntyBadge.Core.Tests.Handover;

/// <summary>Which backups are kept, and what a calendar says when it is asked again.</summary>
public class KeepingTests
{
    private static readonly DateOnly Today = new(2026, 11, 29);

    /// <summary>A backup every night for two years: seven days, four weeks and twelve months are left, and no more than those.</summary>
    [Fact]
    public void Nightly_backups_thin_out()
    {
        var made = Enumerable.Range(0, 730).Select(d => Today.AddDays(-d).ToDateTime(new(2, 15))).ToList();
        var kept = BackupKeeping.Keep(made, Today, HouseRules.Ours);
        Assert.All(Enumerable.Range(0, 7), d => Assert.Contains(made[d], kept));
        Assert.DoesNotContain(
            made[8],
            kept.Where(k => DateOnly.FromDateTime(k).DayOfWeek != DayOfWeek.Sunday && k.Day != DateTime.DaysInMonth(k.Year, k.Month))
        );
        Assert.Equal(12, kept.Select(k => (k.Year, k.Month)).Distinct().Count());
        Assert.InRange(kept.Count, 7 + 3 + 10, 7 + 4 + 12);
    }

    /// <summary>Thinned every night as it comes, never all at once, the same is left: nothing is taken that a later night would want.</summary>
    [Fact]
    public void Thinned_night_by_night_the_same_is_left()
    {
        var all = new List<DateTime>();
        var kept = new HashSet<DateTime>();
        for (var night = 0; night < 500; night++)
        {
            var day = Today.AddDays(night - 500);
            var made = day.ToDateTime(new(2, 15));
            all.Add(made);
            kept.Add(made);
            kept.IntersectWith(BackupKeeping.Keep(kept, day, HouseRules.Ours));
        }

        Assert.Equal(BackupKeeping.Keep(all, Today.AddDays(-1), HouseRules.Ours).Order(), kept.Order());
    }

    /// <summary>The newest is never taken away, however old it is, and of several a day the newest stays.</summary>
    [Property]
    public void The_newest_is_always_kept(ushort[] hoursAgo)
    {
        var made = hoursAgo.Select(h => Today.ToDateTime(new(12, 0)).AddHours(-h)).ToList();
        var kept = BackupKeeping.Keep(made, Today, HouseRules.Ours);
        if (made.Count > 0)
            Assert.Contains(made.Max(), kept);
        Assert.Subset(made.ToHashSet(), kept.ToHashSet());
    }

    /// <summary>Exactly a week old is not too old; a day more is. A practice with nothing in it has nothing to lose.</summary>
    [Theory]
    [InlineData(7, null, false)]
    [InlineData(8, null, true)]
    [InlineData(null, 30, true)]
    [InlineData(null, 7, false)]
    [InlineData(null, null, false)]
    public void Old_after_a_week(int? lastDaysAgo, int? sinceDaysAgo, bool old) =>
        Assert.Equal(
            old,
            BackupKeeping.IsOld(
                lastDaysAgo is { } last ? Today.AddDays(-last) : null,
                sinceDaysAgo is { } since ? Today.AddDays(-since) : null,
                Today,
                HouseRules.Ours
            )
        );

    private static readonly DateTime At = new(2026, 11, 29, 9, 0, 0, DateTimeKind.Utc);

    private static DayEntry Entry(string key, int inDays = 1, string summary = "Training") =>
        new(key, DayKind.Session, Today.AddDays(inDays), null, summary, "", null);

    [Fact]
    public void Asked_twice_a_calendar_says_the_same()
    {
        var first = Publication.Of([], [Entry("a"), Entry("b", 2)], Today, At);
        Assert.All(first, p => Assert.Equal((0, false), (p.Sequence, p.Cancelled)));
        Assert.Equal(first, Publication.Of(first, [Entry("a"), Entry("b", 2)], Today, At.AddHours(5)));
    }

    [Fact]
    public void What_changed_gets_the_next_number_and_what_is_gone_is_cancelled_once()
    {
        var first = Publication.Of([], [Entry("a"), Entry("b", 2)], Today, At);
        var second = Publication.Of(first, [Entry("a", summary: "Another")], Today, At.AddDays(0.1));
        Assert.Equal((1, false), (second[0].Sequence, second[0].Cancelled));
        Assert.Equal((1, true), (second[1].Sequence, second[1].Cancelled));
        Assert.Equal(second, Publication.Of(second, [Entry("a", summary: "Another")], Today, At.AddDays(0.2)));
        // There again, it is no more cancelled.
        var third = Publication.Of(second, [Entry("a", summary: "Another"), Entry("b", 2)], Today, At.AddDays(0.3));
        Assert.Equal((2, false), (third[1].Sequence, third[1].Cancelled));
    }

    [Fact]
    public void What_has_gone_by_stays_as_it_was_and_is_forgotten_in_the_end()
    {
        var first = Publication.Of([], [Entry("a")], Today, At);
        var later = Publication.Of(first, [], Today.AddDays(3), At.AddDays(3));
        Assert.Equal(first, later);
        Assert.NotEmpty(Publication.Of(first, [], Today.AddDays(31), At.AddDays(31)));
        Assert.Empty(Publication.Of(first, [], Today.AddDays(32), At.AddDays(32)));
    }

    /// <summary>Whatever is said in whatever order, the number of an entry never falls, and a change is never under the number it had.</summary>
    [Property]
    public void Numbers_only_grow(byte[] days)
    {
        IReadOnlyList<Published> said = [];
        foreach (var day in days.Take(40))
        {
            IReadOnlyList<DayEntry> now = day % 3 == 0 ? [] : [Entry("a", 1 + day % 5, $"{day % 2}")];
            var next = Publication.Of(said, now, Today, At);
            foreach (var p in next)
            {
                if (said.FirstOrDefault(s => s.Entry.Key == p.Entry.Key) is { } was)
                    Assert.True(was == p ? p.Sequence == was.Sequence : p.Sequence == was.Sequence + 1);
            }

            said = next;
        }
    }
}
