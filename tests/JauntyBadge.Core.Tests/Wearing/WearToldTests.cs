using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests.Wearing;

/// <summary>Who said what last of a wear; House, no source outside.</summary>
public sealed class WearToldTests
{
    private static readonly DateTime Now = new(2026, 6, 1, 9, 0, 0, DateTimeKind.Utc);

    private static KeyValuePair<WearPart, DateTime> Said(WearPart part, int seconds) => new(part, Now.AddSeconds(seconds));

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(1, true)]
    public void A_part_is_as_it_was_said_last_and_at_the_very_same_moment_as_it_arrived_last(int seconds, bool heard)
    {
        var told = WearTold.Nothing.With([Said(WearPart.Note, 0)], []);
        Assert.Equal(heard, told.Hears(WearPart.Note, Now.AddSeconds(seconds)));
        Assert.Equal(heard ? Now.AddSeconds(seconds) : Now, told.With([Said(WearPart.Note, seconds)], []).Said![WearPart.Note]);
    }

    [Fact]
    public void A_part_nobody_spoke_of_is_heard_from_anyone() => Assert.True(WearTold.Nothing.Hears(WearPart.Place, DateTime.MinValue));

    /// <summary>In whatever order two phones are heard, the same comes of it.</summary>
    [Fact]
    public void The_order_of_arrival_decides_nothing()
    {
        var random = new Random(7);
        for (var round = 0; round < 200; round++)
        {
            var one = Enum.GetValues<WearPart>().Where(_ => random.Next(2) == 0).Select(p => Said(p, random.Next(100))).ToList();
            var other = Enum.GetValues<WearPart>().Where(_ => random.Next(2) == 0).Select(p => Said(p, random.Next(100))).ToList();
            var (a, b) = (WearTold.Nothing.With(one, []).With(other, []), WearTold.Nothing.With(other, []).With(one, []));
            Assert.Equal(a.Said!.OrderBy(s => s.Key), b.Said!.OrderBy(s => s.Key));
        }
    }

    [Fact]
    public void A_sign_taken_back_by_either_stays_away()
    {
        var (one, other) = (Guid.NewGuid(), Guid.NewGuid());
        Assert.Equal([one, other], WearTold.Nothing.With([], [one]).With([], [other, one]).TakenBack);
    }

    [Fact]
    public void Off_is_off_as_soon_as_one_took_it_off()
    {
        DateTime? early = Now;
        DateTime? late = Now.AddSeconds(20);
        Assert.Equal(
            (early, early, early, (DateTime?)null),
            (WearTold.Off(early, late), WearTold.Off(late, early), WearTold.Off(null, early), WearTold.Off(null, null))
        );
    }
}
