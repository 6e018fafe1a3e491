using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>The loop a neck strap must make so that fingers fit under it.</summary>
public static class NeckStrap
{
    /// <summary>Most fingers the rule is made for.</summary>
    public const int MostFingers = 4;

    /// <summary>Whether a neck is thick enough for the fingers: thicker than one of them, and not encircled by all.</summary>
    public static bool CanTake(Length neckGirth, int fingers, Length fingerThickness)
    {
        var (neck, finger) = (neckGirth / (2 * Math.PI), fingerThickness / 2);
        return finger <= neck && Encircled(neck / finger, fingers) <= 2 * Math.PI;
    }

    /// <summary>
    /// Length of the hull around the neck, taken as a circle, and the fingers lying side by side under the strap, each a circle
    /// touching the neck and its neighbour. One finger is the open belt around two pulleys.
    /// </summary>
    /// <param name="neckGirth">Neck girth, over 0.</param>
    /// <param name="fingers">0 to <see cref="MostFingers"/>; 0 is the strap flat on the neck.</param>
    /// <param name="fingerThickness">Thickness of one finger, over 0 and thinner than the neck.</param>
    /// <exception cref="ArgumentOutOfRangeException">An argument is outside its range.</exception>
    /// <remarks>Published: open belt length, Machinery's Handbook; more fingers by the same hull.</remarks>
    public static Length Loop(Length neckGirth, int fingers, Length fingerThickness)
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(neckGirth, Length.Zero);
        ArgumentOutOfRangeException.ThrowIfNegative(fingers);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(fingers, MostFingers);
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(fingerThickness, Length.Zero);
        if (!CanTake(neckGirth, fingers, fingerThickness))
            throw new ArgumentOutOfRangeException(nameof(fingerThickness), "The fingers are too thick for this neck.");
        return Length.FromMillimeters(LoopMm(neckGirth.Millimeters, fingers, fingerThickness.Millimeters));
    }

    /// <summary>The same in plain mm; NaN where the neck cannot take the fingers or was not read.</summary>
    internal static double LoopMm(double neckGirth, int fingers, double fingerThickness)
    {
        var (neck, finger) = (neckGirth / (2 * Math.PI), fingerThickness / 2);
        if (double.IsNaN(neck) || finger > neck || Encircled(neck / finger, fingers) > 2 * Math.PI)
            return double.NaN;
        if (fingers == 0)
            return neckGirth;
        var apart = neck + finger;
        var tangent = Math.Sqrt(apart * apart - (neck - finger) * (neck - finger));
        var onFingers = Encircled(neck / finger, fingers);
        return 2 * tangent + (fingers - 1) * 2 * finger + neck * (2 * Math.PI - onFingers) + finger * onFingers;
    }

    /// <summary>How many fingers go under a loop, to a tenth and between whole fingers as the hull grows; 0 for one no longer than the neck.</summary>
    /// <param name="neckGirth">Neck girth.</param>
    /// <param name="loop">The loop as set.</param>
    /// <param name="fingerThickness">Thickness of one finger.</param>
    public static double FingersUnder(Length neckGirth, Length loop, Length fingerThickness)
    {
        var (neck, set, finger) = (neckGirth.Millimeters, loop.Millimeters, fingerThickness.Millimeters);
        for (var fingers = 0; fingers < MostFingers; fingers++)
        {
            var (under, over) = (LoopMm(neck, fingers, finger), LoopMm(neck, fingers + 1, finger));
            if (double.IsNaN(over) || set < over)
                return Math.Round(Math.Max(0, fingers + (double.IsNaN(over) ? 0 : (set - under) / (over - under))), 1);
        }

        return MostFingers;
    }

    /// <summary>The angle over which the strap lies on the fingers instead of the neck.</summary>
    private static double Encircled(double neckPerFinger, int fingers) =>
        fingers == 0 ? 0 : 2 * (Math.Acos((neckPerFinger - 1) / (neckPerFinger + 1)) + (fingers - 1) * Math.Asin(1 / (neckPerFinger + 1)));
}
