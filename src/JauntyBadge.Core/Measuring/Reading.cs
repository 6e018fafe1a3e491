using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>One length read off a dog.</summary>
/// <param name="Measure">What was measured.</param>
/// <param name="Side">The side for <see cref="Measure.NoseToInnerEye"/>; null for every other measure.</param>
/// <param name="Value">The length.</param>
/// <param name="Unit">The unit it was taken in, which tells the tape's graduation.</param>
public sealed record Reading(Measure Measure, Side? Side, Length Value, ReadingUnit Unit);

/// <summary>All readings of one measure (and side) taken together.</summary>
/// <param name="Measure">What was measured.</param>
/// <param name="Side">The side, for a measure that has two.</param>
/// <param name="Count">How many readings, at least 1.</param>
/// <param name="Mean">Their mean.</param>
/// <param name="Spread">Largest less smallest; zero for one reading.</param>
/// <param name="StandardUncertainty">Of the mean, see <see cref="Uncertainty"/>.</param>
public sealed record Measured(Measure Measure, Side? Side, int Count, Length Mean, Length Spread, Length StandardUncertainty)
{
    /// <summary>Groups readings by measure and side, in the order of the enum.</summary>
    public static IReadOnlyList<Measured> From(IEnumerable<Reading> readings) =>
    [
        .. readings.GroupBy(r => (r.Measure, r.Side)).OrderBy(g => g.Key).Select(g => Of(g.Key.Measure, g.Key.Side, [.. g])),
    ];

    private static Measured Of(Measure measure, Side? side, IReadOnlyList<Reading> readings)
    {
        var values = readings.Select(r => r.Value).ToList();
        var mean = Length.FromMillimeters(values.Average(v => v.Millimeters));
        return new Measured(measure, side, values.Count, mean, values.Max() - values.Min(), Uncertainty.OfMean(readings));
    }
}

/// <summary>Standard uncertainty of a mean of tape readings, after the GUM (JCGM 100:2008).</summary>
public static class Uncertainty
{
    public static readonly Grounded<Length> SoftTape = new(
        "measure.u-soft-tape", "Standard uncertainty of a soft tape on a dog", Length.FromMillimeters(2),
        Basis.House("fur, slack and a moving dog; a tape on a bench does better"));

    public static readonly Grounded<Length> PooledSpread = new(
        "measure.pooled-spread", "Standard deviation of repeated tape readings, used until there are two", Length.FromMillimeters(1.5),
        Basis.House("a first guess, until this practice's own repeats are pooled"));

    public static readonly Grounded<double> RepeatabilityFactor = new(
        "measure.repeatability-factor", "Two readings further apart than this times the pooled spread ask for a third", 2.8,
        Basis.Published("ISO 5725-6, repeatability limit r = 2.8 s_r"));

    /// <summary>Two readings of one measure further apart than this ask for a third.</summary>
    public static Length RepeatabilityLimit => PooledSpread.Value * RepeatabilityFactor.Value;

    /// <summary>Half the graduation of the tape a unit is read on: 1 mm, or 1/16 in.</summary>
    public static Length HalfGraduation(ReadingUnit unit) =>
        unit == ReadingUnit.In ? Length.FromInches(1.0 / 32) : Length.FromMillimeters(0.5);

    /// <summary>Rectangular distribution of half width a: u = a/√3 (Published: GUM 4.3.7).</summary>
    public static Length Rectangular(Length halfWidth) => halfWidth / Math.Sqrt(3);

    /// <summary>u² = s²/n + (a/√3)² + u_tool² of the mean.</summary>
    /// <param name="readings">At least one reading of one measure.</param>
    /// <exception cref="ArgumentException">There is no reading.</exception>
    public static Length OfMean(IReadOnlyList<Reading> readings)
    {
        if (readings.Count == 0)
            throw new ArgumentException("At least one reading is needed.", nameof(readings));
        var mm = readings.Select(r => r.Value.Millimeters).ToList();
        var mean = mm.Average();
        var spread = mm.Count > 1
            ? Math.Sqrt(mm.Sum(v => (v - mean) * (v - mean)) / (mm.Count - 1))
            : PooledSpread.Value.Millimeters;
        var resolution = Rectangular(readings.Max(r => HalfGraduation(r.Unit))).Millimeters;
        return Length.FromMillimeters(
            Math.Sqrt(spread * spread / mm.Count + resolution * resolution + Math.Pow(SoftTape.Value.Millimeters, 2)));
    }
}
