using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Handover;

/// <summary>Every number of the job with its basis, for whoever asks "why this number?".</summary>
public static class HouseNumbers
{
    /// <summary>By room, in reading order.</summary>
    public static IReadOnlyList<(string Room, IReadOnlyList<IGrounded> Numbers)> All { get; } =
    [
        ("Measuring",
        [
            ReadingParser.Longest, Uncertainty.SoftTape, Uncertainty.PooledSpread, Uncertainty.RepeatabilityFactor,
            CrossChecks.SidesApart, CrossChecks.SidesApartShare, CrossChecks.Coverage, .. SnoutRules.All,
        ]),
        ("Fitting", FitRules.All),
        ("Conditioning", Progression.All),
    ];
}
