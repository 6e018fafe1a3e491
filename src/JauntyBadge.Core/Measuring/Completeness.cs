namespace JauntyBadge.Core.Measuring;

/// <summary>A measure that is still wanting, and what cannot be answered without it.</summary>
public sealed record MissingMeasure(Measure Measure, Side? Side, string NeededFor, bool Blocking);

/// <summary>What the bench still needs before a muzzle can be chosen.</summary>
public static class Completeness
{
    private static readonly (Measure Measure, Side? Side, string For, bool Blocking)[] Wanted =
    [
        (Measure.NoseToInnerEye, Side.Left, "where the basket's rear edge comes to lie", true),
        (Measure.NoseToInnerEye, Side.Right, "where the basket's rear edge comes to lie", true),
        (Measure.SnoutGirth, null, "the room to pant", true),
        (Measure.SnoutHeight, null, "the depth under the jaw", true),
        (Measure.SnoutWidth, null, "jowls that are not jammed", true),
        (Measure.JawToNose, null, "where the jaw turns; without it the head shape's usual place is used", false),
        (Measure.NeckGirth, null, "the neck strap", false),
    ];

    /// <summary>The measures not read yet, in bench order.</summary>
    public static IReadOnlyList<MissingMeasure> Missing(IReadOnlyList<Measured> measured) =>
    [
        .. Wanted.Where(w => !measured.Any(m => m.Measure == w.Measure && m.Side == w.Side))
            .Select(w => new MissingMeasure(w.Measure, w.Side, w.For, w.Blocking)),
    ];

    /// <summary>Share of the wanted measures that were read, 0 to 1.</summary>
    public static double Share(IReadOnlyList<Measured> measured) => 1 - (double)Missing(measured).Count / Wanted.Length;

    /// <summary>Whether a fit can be worked out at all: at least one side of nose to inner eye was read.</summary>
    public static bool CanFit(IReadOnlyList<Measured> measured) => measured.Any(m => m.Measure == Measure.NoseToInnerEye);
}
