using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Conditioning;

namespace JauntyBadge.Server.Tests.Conditioning;

/// <summary>What the goes of a set tell of how long the dog stays.</summary>
public class HoldsOnRecordTests
{
    private static SetRow Set(params (bool Good, int? HeldMs)[] goes) =>
        new()
        {
            StepId = "hold-short",
            Goes =
            [
                .. goes.Index()
                    .Select(g => new GoRow
                    {
                        Number = g.Index,
                        Success = g.Item.Good,
                        HeldMs = g.Item.HeldMs,
                    }),
            ],
        };

    [Fact]
    public void A_miss_without_the_timer_is_a_dog_that_was_out_at_once()
    {
        var holds = Set((true, 2000), (false, null), (false, 800), (true, null), (false, 0)).ToRecord().Holds;
        Assert.Equal([(2.0, true), (0.0, false), (0.8, false), (0.0, false)], holds.Select(h => (h.Held.TotalSeconds, h.Marked)));
        // −ln 0.8 · 2.8 s / (3 + ½), by hand.
        Assert.Equal(0.1785, Holds.Estimate(holds, 0.8, HouseRules.Ours).Criterion!.Value.TotalSeconds, 4);
    }

    [Fact]
    public void Where_nobody_used_the_timer_nothing_is_known() => Assert.Empty(Set((true, null), (false, null), (true, null)).ToRecord().Holds);
}
