using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>What has to be known besides the readings to judge them.</summary>
public sealed record Circumstances
{
    /// <summary>The fit style measured by.</summary>
    public FitStyle FitStyle { get; init; } = FitStyle.Everyday;

    /// <summary>What the fitter saw and the breed says of the head shape.</summary>
    public IReadOnlyList<ShapeReading> OtherWays { get; init; } = [];

    /// <summary>Body mass when known; without it only the widest ranges are used.</summary>
    public Mass? BodyMass { get; init; }

    /// <summary>The coat under the tape.</summary>
    public Coat Coat { get; init; }

    /// <summary>The gap left between eye line and fit line; null for the usual one.</summary>
    public Length? FitLineGap { get; init; }

    /// <summary>This practice's own ranges for the breed, where it has enough dogs.</summary>
    public IReadOnlyDictionary<Measure, BreedRange> OwnRanges { get; init; } = new Dictionary<Measure, BreedRange>();

    /// <summary>The numbers that decide.</summary>
    public HouseRules Rules { get; init; } = HouseRules.Ours;
}

/// <summary>Everything the bench knows of a dog's readings: means with their doubt, what disagrees, the head shape, and what is still missing.</summary>
/// <param name="Measured">One row a measure and side.</param>
/// <param name="HeadShape">The shape with every way of telling it.</param>
/// <param name="Findings">What disagrees, worst first.</param>
/// <param name="Missing">What is wanting for each use.</param>
/// <param name="Numbers">The means as the snout model takes them.</param>
public sealed record Assessment(
    IReadOnlyList<Measured> Measured,
    HeadShapeChoice HeadShape,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<MissingMeasure> Missing,
    SnoutNumbers Numbers
)
{
    /// <summary>The measures that something asks to be taken again.</summary>
    public IReadOnlyList<Measure> Doubted => [.. Findings.Where(f => f.Severity == Severity.Check).SelectMany(f => f.Measures).Distinct()];

    /// <summary>Everything a muzzle is chosen by is read, and nothing asks to be taken again.</summary>
    public bool IsReady => Missing.All(m => m.Use != MeasureUse.Choosing) && Doubted.Count == 0;

    /// <summary>The snout as measured, or null while neither the nose to inner eye nor the fit line's length is read.</summary>
    public SnoutModel? Snout => Completeness.CanFit(Measured) ? SnoutModel.From(Numbers) : null;

    /// <summary>Judges the readings in use.</summary>
    public static Assessment Of(IReadOnlyList<Reading> readings, Circumstances circumstances)
    {
        var asTaken = Measuring.Measured.From(readings, circumstances.Coat, circumstances.Rules);
        var shape = HeadShapeChoice.From([.. circumstances.OtherWays, .. HeadShapes.Read(asTaken, circumstances.Rules)]);
        var measured = MadeLevel(readings, asTaken, shape.Shape, circumstances);
        var numbers = SnoutNumbers.From(measured, shape.Shape, circumstances.Rules) with { FitLineGap = circumstances.FitLineGap };
        return new Assessment(
            measured,
            shape,
            new CrossChecks(readings, measured, shape, numbers, circumstances).Run(),
            Completeness.Missing(measured, circumstances.FitStyle),
            numbers
        );
    }

    /// <summary>A jaw reading that the fitter said was held point to point counts as the level distance behind it, with the doubt that brings.</summary>
    private static IReadOnlyList<Measured> MadeLevel(
        IReadOnlyList<Reading> readings,
        IReadOnlyList<Measured> measured,
        HeadShape shape,
        Circumstances circumstances
    )
    {
        if (!Completeness.CanFit(measured) || readings.All(r => r.Held != JawHeld.PointToPoint))
            return measured;
        var drop = CrossChecks.DropOf(
            SnoutModel.From(SnoutNumbers.From(measured, shape, circumstances.Rules) with { FitLineGap = circumstances.FitLineGap }),
            measured
        );
        var level = readings.Select(r =>
        {
            if (r.Held != JawHeld.PointToPoint)
                return r;
            var u = Uncertainty.OfMean([r], Coat.Ordinary, circumstances.Rules);
            return JawCheck.LevelOf(r.Value, u, drop.Value, drop.U, circumstances.Rules) is { } made
                ? r with
                {
                    Value = made.Level,
                    OwnUncertainty = made.U,
                }
                : r;
        });
        return Measuring.Measured.From(level, circumstances.Coat, circumstances.Rules);
    }
}
