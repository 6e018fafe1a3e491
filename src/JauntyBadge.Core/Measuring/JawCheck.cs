using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>
/// Tells a jaw reading taken point to point from a level one. Point to point it is the slanted side of a triangle,
/// √(level² + drop²), with a drop of about the snout height; the level distance itself follows from the head.
/// </summary>
/// <param name="Level">The level distance expected from the head.</param>
/// <param name="Slanted">What point to point would read on such a head.</param>
public sealed record JawCheck(Length Level, Length Slanted)
{
    public static readonly Grounded<double> Reach = new(
        "check.jaw-reach", "How far past the slanted distance a jaw reading may lie and still be called point to point, as a share of it", 0.10,
        Basis.House("further out another mistake is likelier, and the broad range finds it"));

    /// <summary>Expects a jaw from the head.</summary>
    /// <param name="noseToInnerEye">The nose to inner eye, shorter side; or the eye line where only the fit line was read.</param>
    /// <param name="snoutHeight">Bridge to underside of the jaw.</param>
    /// <param name="shape">The head shape, whose usual ratio of mandible to face is used.</param>
    public static JawCheck For(Length noseToInnerEye, Length snoutHeight, HeadShape shape)
    {
        var level = noseToInnerEye * SnoutRules.HingeRatio(shape).Value;
        var slanted = Math.Sqrt(Math.Pow(level.Millimeters, 2) + Math.Pow(snoutHeight.Millimeters, 2));
        return new JawCheck(level, Length.FromMillimeters(slanted));
    }

    /// <summary>Whether the slanted distance explains a reading better than the level one, and the two differ by more than its doubt.</summary>
    public bool LooksPointToPoint(Length reading, Length standardUncertainty) =>
        (Slanted - reading).Abs() < (Level - reading).Abs()
        && reading - Level > standardUncertainty
        && reading <= Slanted * (1 + Reach.Value);
}
