namespace JauntyBadge.Core.Measuring;

/// <summary>The two ways of the trade to measure and fit: which measures are taken, and how close a basket is to sit.</summary>
public enum FitStyle
{
    /// <summary>Room to pant: half an inch to an inch before the nose and the eyes, two fingers under the strap. Measured at the fit line.</summary>
    Everyday,

    /// <summary>Snug for agitation and close work: 6 to 13 mm, one finger under the strap. Measured with five tapes.</summary>
    Working,
}

/// <summary>One line of a bench: a measure, and its side where it has two.</summary>
public readonly record struct MeasureLine(Measure Measure, Side? Side = null);

/// <summary>The lines each fit style asks for.</summary>
public static class FitStyleMeasures
{
    private static readonly Dictionary<FitStyle, IReadOnlyList<MeasureLine>> ByStyle = Enum.GetValues<FitStyle>()
        .ToDictionary(
            style => style,
            IReadOnlyList<MeasureLine> (style) =>
                [.. MeasureDefinition.All.Where(m => m.PlaceIn(style) is not null).OrderBy(m => m.PlaceIn(style)).SelectMany(m => m.Lines)]
        );

    /// <summary>Every line there is, each measure once and those with two sides twice.</summary>
    public static IReadOnlyList<MeasureLine> All { get; } = [.. MeasureDefinition.All.SelectMany(m => m.Lines)];

    /// <summary>The lines a fit style asks for, in the order they are taken.</summary>
    public static IReadOnlyList<MeasureLine> AskedBy(FitStyle style) => ByStyle[style];
}
