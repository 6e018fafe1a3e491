using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>One length read off a dog.</summary>
/// <param name="Measure">What was measured.</param>
/// <param name="Side">The side for <see cref="Measure.NoseToInnerEye"/>; null for every other measure.</param>
/// <param name="Value">The length.</param>
/// <param name="Unit">The unit it was taken in, which tells the scale's graduation.</param>
/// <param name="Tool">What it was taken with.</param>
public sealed record Reading(Measure Measure, Side? Side, Length Value, ReadingUnit Unit, Tool Tool = Tool.SoftTape)
{
    /// <summary>A standard uncertainty the reading brings along, as one from a photo does; it then stands for tool and scatter.</summary>
    public Length? OwnUncertainty { get; init; }

    /// <summary>How a jaw to nose was held, as the fitter said; null when nobody did.</summary>
    public JawHeld? Held { get; init; }

    /// <summary>The fitter looked at it standing apart from the others and keeps it.</summary>
    public bool Kept { get; init; }
}

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
    public static IReadOnlyList<Measured> From(IEnumerable<Reading> readings, Coat coat, HouseRules rules) =>
        [.. Group(readings).Select(g => Of(g.Key, g.Value, coat, rules))];

    /// <summary>Readings by measure and side, in the order of the enum.</summary>
    internal static IEnumerable<KeyValuePair<MeasureLine, List<Reading>>> Group(IEnumerable<Reading> readings) =>
        readings.GroupBy(r => new MeasureLine(r.Measure, r.Side)).OrderBy(g => (g.Key.Measure, g.Key.Side)).Select(g => KeyValuePair.Create(g.Key, g.ToList()));

    private static Measured Of(MeasureLine line, List<Reading> readings, Coat coat, HouseRules rules)
    {
        var (mean, doubt) = Uncertainty.MeanOf(readings, coat, rules);
        return new Measured(line.Measure, line.Side, readings.Count, mean, Repeats.Spread(readings), doubt);
    }
}

/// <summary>Standard uncertainty of a mean of readings, after the GUM (JCGM 100:2008).</summary>
public static class Uncertainty
{
    public static readonly Grounded<Length> ThickCoat = new(
        "measure.u-thick-coat",
        "Added to a girth's standard uncertainty under a thick coat",
        Length.FromMillimeters(2),
        Basis.House("the tape presses hair down differently each time; combined as a root of squares, as the GUM does")
    );

    public static readonly Grounded<double> Coverage = new(
        "measure.coverage",
        "Doubt allowed for before something is called wrong, in standard uncertainties",
        2,
        Basis.Published("GUM, JCGM 100:2008, 6.3.3: k = 2 for about 95 %")
    );

    /// <summary>Half the graduation of the scale a unit is read on: 1 mm, or 1/16 in.</summary>
    public static Length HalfGraduation(ReadingUnit unit) => unit == ReadingUnit.In ? Length.FromInches(1.0 / 32) : Length.FromMillimeters(0.5);

    /// <summary>Rectangular distribution of half width a: u = a/√3 (Published: GUM 4.3.7).</summary>
    public static Length Rectangular(Length halfWidth) => halfWidth / Math.Sqrt(3);

    /// <summary>
    /// The mean of readings and its standard uncertainty. Of one tool u² = s²/n + (a/√3)² + u_tool²; means of different tools are weighted by
    /// their variances, so that a caliper counts for more than a string. A thick coat's doubt on a girth is shared by all.
    /// </summary>
    /// <remarks>A single reading of a tool takes its pooled scatter for s. Weighted mean: GUM, JCGM 100:2008, by least squares.</remarks>
    /// <param name="readings">At least one reading of one measure.</param>
    /// <param name="coat">The coat under the tape.</param>
    /// <param name="rules">The doubt of tools and coat.</param>
    /// <exception cref="ArgumentException">There is no reading.</exception>
    public static (Length Mean, Length StandardUncertainty) MeanOf(IReadOnlyList<Reading> readings, Coat coat, HouseRules rules)
    {
        if (readings.Count == 0)
            throw new ArgumentException("At least one reading is needed.", nameof(readings));
        var (weights, sum) = (0.0, 0.0);
        foreach (var (mean, variance) in readings.GroupBy(r => r.Tool).Select(g => OfOneTool([.. g], rules)))
        {
            weights += 1 / variance;
            sum += mean / variance;
        }

        var fur = coat == Coat.Thick && MeasureDefinition.For(readings[0].Measure).IsGirth ? rules[ThickCoat].Millimeters : 0;
        return (Length.FromMillimeters(sum / weights), Length.FromMillimeters(Math.Sqrt(1 / weights + fur * fur)));
    }

    /// <summary>The standard uncertainty alone.</summary>
    public static Length OfMean(IReadOnlyList<Reading> readings, Coat coat, HouseRules rules) => MeanOf(readings, coat, rules).StandardUncertainty;

    private static (double Mean, double Variance) OfOneTool(IReadOnlyList<Reading> readings, HouseRules rules)
    {
        var (tool, resolution, pooled) = (0.0, 0.0, 0.0);
        foreach (var reading in readings)
        {
            tool = Math.Max(tool, (reading.OwnUncertainty ?? ToolRules.Own(reading.Tool, rules)).Millimeters);
            resolution = Math.Max(resolution, Rectangular(HalfGraduation(reading.Unit)).Millimeters);
            pooled = Math.Max(pooled, reading.OwnUncertainty is null ? ToolRules.Scatter(reading.Tool, rules).Millimeters : 0);
        }

        var mean = readings.Average(r => r.Value.Millimeters);
        var variance = readings.Count > 1 ? readings.Sum(r => Math.Pow(r.Value.Millimeters - mean, 2)) / (readings.Count - 1) : pooled * pooled;
        return (mean, variance / readings.Count + resolution * resolution + tool * tool);
    }
}
