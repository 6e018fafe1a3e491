using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>Whether repeats of one measure agree, after ISO 5725-6.</summary>
public static class Repeats
{
    public static readonly Grounded<double> RepeatabilityFactor = new(
        "measure.repeatability-factor",
        "Two readings further apart than this times the tool's scatter ask for a third",
        2.8,
        Basis.Published("ISO 5725-6, repeatability limit r = 2.8 s_r")
    );

    // Critical range factors f(n) for n = 2 to 10 readings; ISO 5725-6, table of critical range factors (recalled).
    private static readonly double[] RangeFactors = [2.8, 3.3, 3.6, 3.9, 4.0, 4.2, 4.3, 4.4, 4.5];

    /// <summary>Largest less smallest.</summary>
    public static Length Spread(IReadOnlyList<Reading> readings) => readings.Count == 0 ? Length.Zero : readings.Max(r => r.Value) - readings.Min(r => r.Value);

    /// <summary>The widest spread that as many readings of one hand show in 95 of 100 cases: f(n)·s_r, of the tool that scatters most.</summary>
    public static Length Limit(IReadOnlyList<Reading> readings, HouseRules rules) =>
        readings.Max(r => ToolRules.Scatter(r.Tool, rules)) * RangeFactors[Math.Clamp(readings.Count, 2, 10) - 2];

    /// <summary>Two readings that differ by more than r = 2.8 s_r.</summary>
    public static bool WantThird(IReadOnlyList<Reading> readings, HouseRules rules) =>
        readings.Count == 2 && !readings.Any(r => r.Kept) && TooFar(readings, rules);

    /// <summary>The place of the reading that stands apart from the others, proposed to the fitter; nothing is thrown away here.</summary>
    /// <returns>Null when there are fewer than three, when they agree, or when the fitter keeps the one that stands apart.</returns>
    public static int? Odd(IReadOnlyList<Reading> readings, HouseRules rules)
    {
        if (readings.Count < 3 || !TooFar(readings, rules))
            return null;
        var order = Enumerable.Range(0, readings.Count).OrderBy(i => readings[i].Value).ToList();
        var (low, high) = (readings[order[1]].Value - readings[order[0]].Value, readings[order[^1]].Value - readings[order[^2]].Value);
        var odd = high >= low ? order[^1] : order[0];
        return readings[odd].Kept ? null : odd;
    }

    /// <summary>Past the limit by more than the noise of double arithmetic.</summary>
    private static bool TooFar(IReadOnlyList<Reading> readings, HouseRules rules) => (Spread(readings) - Limit(readings, rules)).Millimeters > 1e-9;
}
