namespace JauntyBadge.Core.Measuring;

/// <summary>The two schools of the trade: which measures are taken, and how close a basket is to sit.</summary>
public enum School
{
    /// <summary>Room to pant: half an inch to an inch before the nose and the eyes, two fingers under the strap. Measured at the fit line.</summary>
    Everyday,

    /// <summary>Snug for agitation and close work: 6 to 13 mm, one finger under the strap. Measured with five tapes.</summary>
    Working,
}

/// <summary>One line of a bench: a measure, and its side where it has two.</summary>
public readonly record struct MeasureLine(Measure Measure, Side? Side = null);

/// <summary>What each school asks for. Basis: Practice, the two ways the trade measures.</summary>
public static class SchoolMeasures
{
    private static readonly MeasureLine[] Everyday =
    [
        new(Measure.FitLineLength), new(Measure.SnoutHeight), new(Measure.SnoutGirth), new(Measure.SnoutWidth), new(Measure.NeckGirth),
    ];

    private static readonly MeasureLine[] Working =
    [
        new(Measure.NoseToOcciput), new(Measure.NeckGirth), new(Measure.SnoutGirth), new(Measure.NoseToInnerEye, Side.Left),
        new(Measure.NoseToInnerEye, Side.Right), new(Measure.JawToNose),
    ];

    /// <summary>Every line there is, each measure once and those with two sides twice.</summary>
    public static IReadOnlyList<MeasureLine> All { get; } =
    [
        .. MeasureGuide.All.SelectMany(g => g.HasSides
            ? new MeasureLine[] { new(g.Measure, Side.Left), new(g.Measure, Side.Right) }
            : [new(g.Measure)]),
    ];

    /// <summary>The lines a school asks for, in the order they are taken.</summary>
    public static IReadOnlyList<MeasureLine> Asked(School school) => school == School.Working ? Working : Everyday;
}
