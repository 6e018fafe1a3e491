using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>The broad range a measure falls in, from head shape and body mass.</summary>
/// <remarks>
/// Lengths on a dog grow about with the cube root of its mass. The factors (mm per cube root of a kilogram) are recalled, the
/// breadth is ours: it should stop slips of the finger and mixed units, not unusual dogs.
/// </remarks>
public static class PlausibleRange
{
    private const double Low = 0.55;
    private const double High = 1.65;

    public static Basis Basis { get; } =
        Basis.House($"{Low} to {High} times the usual length for the head shape and the cube root of the mass (usual lengths from memory)");

    /// <summary>Lowest and highest value that raises no question.</summary>
    /// <param name="measure">The measure.</param>
    /// <param name="shape">The head shape.</param>
    /// <param name="bodyMass">Null widens the range to all dogs from 1 to 90 kg.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static (Length Low, Length High) For(Measure measure, HeadShape shape, Mass? bodyMass, HouseRules rules)
    {
        var (lightest, heaviest) = bodyMass is { } mass ? (mass, mass) : (Mass.FromKilograms(1), Mass.FromKilograms(90));
        return (Usual(measure, shape, lightest, rules) * Low, Usual(measure, shape, heaviest, rules) * High);
    }

    /// <summary>The usual length, for a drawing of a dog that was not measured yet.</summary>
    public static Length Usual(Measure measure, HeadShape shape, Mass bodyMass, HouseRules rules)
    {
        if (MeasureDefinition.For(measure).Usual is { } usual)
            return Length.FromMillimeters(usual.For(shape) * Math.Cbrt(bodyMass.Kilograms));

        // Inner eye spacing: the slanted nose to eye and half the spacing are two sides of a right triangle, the eye line the third.
        var share = rules[SnoutRules.SpacingRatio(shape)];
        return Usual(Measure.NoseToInnerEye, shape, bodyMass, rules) * (share / Math.Sqrt(1 + share * share / 4));
    }
}

/// <summary>The range of one measure over a practice's own earlier dogs of a breed.</summary>
/// <param name="Dogs">How many dogs it stands on.</param>
/// <param name="Median">Their median.</param>
/// <param name="Low">Lowest value that raises no question.</param>
/// <param name="High">Highest.</param>
public sealed record BreedRange(int Dogs, Length Median, Length Low, Length High)
{
    public static readonly Grounded<int> FewestDogs = new(
        "range.fewest-dogs",
        "Dogs of a breed needed before the practice's own range is used",
        8,
        Basis.House("fewer say little about the next one")
    );

    public static readonly Grounded<double> Width = new(
        "range.width",
        "Half the practice's own range, in robust standard deviations",
        3.5,
        Basis.Published("modified z-score of 3.5, Iglewicz & Hoaglin 1993, How to Detect and Handle Outliers (recalled)")
    );

    public static readonly Grounded<double> LeastShare = new(
        "range.least-share",
        "Half the practice's own range is at least this share of the median",
        0.06,
        Basis.House("a few dogs alike by chance must not make the next one look odd")
    );

    /// <summary>What a normal distribution's median absolute deviation is multiplied by to give its standard deviation (Published: 1/Φ⁻¹(0.75)).</summary>
    private const double MadToDeviation = 1.4826;

    /// <summary>Median and median absolute deviation of earlier dogs, one value a dog.</summary>
    /// <returns>Null while there are fewer than <see cref="FewestDogs"/>.</returns>
    public static BreedRange? Of(IReadOnlyCollection<Length> oneADog, HouseRules rules)
    {
        if (oneADog.Count < rules[FewestDogs])
            return null;
        var median = Middle([.. oneADog.Select(v => v.Millimeters)]);
        var deviation = MadToDeviation * Middle([.. oneADog.Select(v => Math.Abs(v.Millimeters - median))]);
        var half = Math.Max(Width.Ours * deviation, rules[LeastShare] * median);
        return new BreedRange(oneADog.Count, Length.FromMillimeters(median), Length.FromMillimeters(median - half), Length.FromMillimeters(median + half));
    }

    private static double Middle(double[] values)
    {
        Array.Sort(values);
        return (values[(values.Length - 1) / 2] + values[values.Length / 2]) / 2;
    }
}
