using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>A way of telling the head shape, the most trusted first.</summary>
public enum ShapeWay
{
    /// <summary>The fitter said so.</summary>
    Seen,

    /// <summary>Stop to nose over stop to base of skull.</summary>
    CraniofacialRatio,

    /// <summary>100 × skull width over skull length.</summary>
    CranialIndex,

    /// <summary>The breed's usual head.</summary>
    Breed,
}

/// <summary>What one way says.</summary>
/// <param name="Way">Which way.</param>
/// <param name="Value">The ratio or index, where the way has one.</param>
/// <param name="Shape">The shape it points to.</param>
/// <param name="Basis">What its cuts stand on.</param>
public sealed record ShapeReading(ShapeWay Way, double? Value, HeadShape Shape, Basis Basis)
{
    /// <summary>The breeds by name, where they tell.</summary>
    public IReadOnlyList<string> Breeds { get; init; } = [];

    /// <summary>The breeds differ, so that the middle is taken.</summary>
    public bool IsBetween { get; init; }
}

/// <summary>The head shape to work with, and what every way says.</summary>
/// <param name="Shape">The shape.</param>
/// <param name="Basis">What it stands on.</param>
/// <param name="Ways">Everything known, the most trusted first; empty when nothing is.</param>
/// <param name="AirwayCaution">The craniofacial ratio is below <see cref="HeadShapes.AirwayRatio"/>.</param>
public sealed record HeadShapeChoice(HeadShape Shape, Basis Basis, IReadOnlyList<ShapeReading> Ways, bool AirwayCaution)
{
    /// <summary>Whether two ways point to different shapes.</summary>
    public bool Disagree => Ways.Select(w => w.Shape).Distinct().Count() > 1;

    /// <summary>Takes the most trusted way; a medium head when nothing is known.</summary>
    public static HeadShapeChoice From(IEnumerable<ShapeReading> ways)
    {
        var ordered = ways.OrderBy(w => w.Way).ToList();
        var caution = ordered.Any(w => w.Way == ShapeWay.CraniofacialRatio && w.Value < HeadShapes.AirwayRatio.Ours);
        return ordered.Count == 0
            ? new(HeadShape.Medium, Basis.House("most dogs are medium"), [], false)
            : new(ordered[0].Shape, ordered[0].Basis, ordered, caution);
    }
}

/// <summary>Head shape from measures.</summary>
public static class HeadShapes
{
    private static readonly Basis MidIndex = Basis.House(
        "midway between the average skulls of Evans & de Lahunta, Miller's Anatomy of the Dog: index 39, 52 and 81 (recalled)"
    );

    private static readonly Basis MidRatio = Basis.House(
        "midway between the average skulls of Miller's Anatomy of the Dog: 114/124, 89/100 and 48/79 (recalled); long and medium lie close together, so look at the dog"
    );

    public static readonly Grounded<double> AirwayRatio = new(
        "shape.airway-ratio",
        "Below this craniofacial ratio the airway caution is raised",
        0.5,
        Basis.Published("Packer et al. 2015, PLoS ONE 10(10): e0137496: airway disease was seen in dogs below 0.5 (recalled)")
    );

    public static readonly Grounded<double> IndexMedium = new("shape.index-medium", "Cranial index from which a head is medium", 45.5, MidIndex);
    public static readonly Grounded<double> IndexShort = new("shape.index-short", "Cranial index from which a head is short", 66.5, MidIndex);
    public static readonly Grounded<double> RatioMedium = new("shape.ratio-medium", "Craniofacial ratio below which a head is medium", 0.905, MidRatio);
    public static readonly Grounded<double> RatioShort = new("shape.ratio-short", "Craniofacial ratio below which a head is short", 0.749, MidRatio);

    public static IReadOnlyList<IGrounded> All { get; } = [AirwayRatio, IndexMedium, IndexShort, RatioMedium, RatioShort];

    /// <summary>100 × skull width over skull length, both in the same unit.</summary>
    public static double CranialIndex(Length skullWidth, Length skullLength) => 100 * (skullWidth / skullLength);

    /// <summary>The shape a cranial index points to.</summary>
    public static HeadShape FromIndex(double index, HouseRules rules) =>
        index >= rules[IndexShort] ? HeadShape.Short
        : index >= rules[IndexMedium] ? HeadShape.Medium
        : HeadShape.Long;

    /// <summary>The shape a craniofacial ratio points to.</summary>
    public static HeadShape FromRatio(double ratio, HouseRules rules) =>
        ratio < rules[RatioShort] ? HeadShape.Short
        : ratio < rules[RatioMedium] ? HeadShape.Medium
        : HeadShape.Long;

    /// <summary>What the measures say: the craniofacial ratio and the cranial index, as far as they were read.</summary>
    /// <remarks>Skull length is the nose to the base of the skull, or both its parts added up.</remarks>
    public static IReadOnlyList<ShapeReading> Read(IReadOnlyList<Measured> measured, HouseRules rules)
    {
        Length? Mean(Measure measure) => measured.FirstOrDefault(m => m.Measure == measure)?.Mean;
        var ways = new List<ShapeReading>();
        var (face, skull) = (Mean(Measure.StopToNose), Mean(Measure.StopToOcciput));
        if (face is { } front && skull is { } back)
        {
            var ratio = front / back;
            ways.Add(new(ShapeWay.CraniofacialRatio, ratio, FromRatio(ratio, rules), MidRatio));
        }

        if (Mean(Measure.SkullWidth) is { } width && (Mean(Measure.NoseToOcciput) ?? face + skull) is { } length)
        {
            var index = CranialIndex(width, length);
            ways.Add(new(ShapeWay.CranialIndex, index, FromIndex(index, rules), MidIndex));
        }

        return ways;
    }
}
