using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Worth knowing; the numbers can be used.</summary>
    Note,

    /// <summary>At least one reading should be taken again before a muzzle is chosen.</summary>
    Check,
}

/// <summary>One thing the readings say against each other.</summary>
/// <param name="Code">Stable code of the check.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Measures">The measures concerned.</param>
/// <param name="Message">What disagrees and by how much.</param>
/// <param name="Retake">Which reading to take again, and how.</param>
/// <param name="Basis">Why the limit is where it is.</param>
public sealed record Finding(
    string Code, Severity Severity, IReadOnlyList<Measure> Measures, string Message, string Retake, Basis Basis);

/// <summary>Checks readings against each other and against what heads of the kind measure.</summary>
public static class CrossChecks
{
    public static readonly Grounded<Length> SidesApart = new(
        "check.sides-apart", "Left and right nose to inner eye further apart than this: take both again", Length.FromMillimeters(5),
        Basis.House("twice what two careful readings differ by"));

    public static readonly Grounded<double> SidesApartShare = new(
        "check.sides-apart-share", "The same as a share of the shorter side", 0.05, Basis.House("5 mm would hide a fault on a short snout"));

    public static readonly Grounded<double> Coverage = new(
        "check.coverage", "Doubt allowed for before a girth is called wrong, in standard uncertainties", 2,
        Basis.Published("GUM, JCGM 100:2008, 6.3.3: k = 2 for about 95 %"));

    private static readonly Basis ConvexSection = Basis.Published(
        "geometry of a closed convex section inside a box of that height and width: 2√(H²+W²) ≤ girth ≤ 2(H+W)");

    private static readonly Basis RepeatLimit = Uncertainty.RepeatabilityFactor.Basis;

    /// <summary>Every finding for a dog's readings, worst first.</summary>
    /// <param name="readings">All readings in use.</param>
    /// <param name="shape">The head shape assumed for the plausible ranges.</param>
    /// <param name="bodyMass">Body mass when known; without it only the widest ranges are used.</param>
    /// <param name="shown">The unit the messages speak in.</param>
    public static IReadOnlyList<Finding> Run(
        IReadOnlyList<Reading> readings, HeadShape shape, Mass? bodyMass, ReadingUnit shown = ReadingUnit.Mm)
    {
        var measured = Measured.From(readings);
        return
        [
            .. new[] { Sides(measured, shown), Spacing(measured, shown), Girth(measured, shown) }.OfType<Finding>()
                .Concat(measured.Select(m => Implausible(m, shape, bodyMass, shown)).OfType<Finding>())
                .Concat(measured.Select(m => Repeats(m, shown)).OfType<Finding>())
                .OrderByDescending(f => f.Severity),
        ];
    }

    private static Finding? Sides(IReadOnlyList<Measured> measured, ReadingUnit shown)
    {
        var left = Find(measured, Measure.NoseToInnerEye, Side.Left);
        var right = Find(measured, Measure.NoseToInnerEye, Side.Right);
        if (left is null && right is null)
            return null;
        if (left is null || right is null)
        {
            return new Finding(
                "one-side-only", Severity.Check, [Measure.NoseToInnerEye],
                $"Only the {(left is null ? "right" : "left")} nose to inner eye was taken; the two seldom agree and the shorter one rules the fit.",
                $"Take the {(left is null ? "left" : "right")} side too.", Basis.Practice("both sides are always taken"));
        }

        var apart = (left.Mean - right.Mean).Abs();
        var shorter = UnitMath.Min(left.Mean, right.Mean);
        if (apart <= SidesApart.Value && apart / shorter <= SidesApartShare.Value)
            return null;
        return new Finding(
            "sides-differ", Severity.Check, [Measure.NoseToInnerEye],
            $"Left and right nose to inner eye differ by {apart.Show(shown)} ({left.Mean.Show(shown)} and {right.Mean.Show(shown)}). The shorter side rules the fit.",
            "Take both again, head straight, from the nose tip to the tear duct.", SidesApart.Basis);
    }

    private static Finding? Spacing(IReadOnlyList<Measured> measured, ReadingUnit shown)
    {
        var sides = measured.Where(m => m.Measure == Measure.NoseToInnerEye).Select(m => m.Mean).ToList();
        if (Find(measured, Measure.InnerEyeSpacing) is not { } spacing || sides.Count == 0 || !SnoutRules.Contradict(sides.Min(), spacing.Mean))
            return null;
        return new Finding(
            "impossible-spacing", Severity.Check, [Measure.InnerEyeSpacing, Measure.NoseToInnerEye],
            $"Eyes {spacing.Mean.Show(shown)} apart cannot both be {sides.Min().Show(shown)} from the nose tip. The spacing is left out until then.",
            "Take the inner eye spacing again, corner to corner across the bridge.", Basis.Published("geometry: two sides of a triangle are longer than the third"));
    }

    private static Finding? Girth(IReadOnlyList<Measured> measured, ReadingUnit shown)
    {
        var girth = Find(measured, Measure.SnoutGirth);
        var height = Find(measured, Measure.SnoutHeight);
        var width = Find(measured, Measure.SnoutWidth);
        if (girth is null || height is null || width is null)
            return null;
        var (least, greatest) = SnoutSection.GirthBounds(height.Mean, width.Mean);
        var sides = Math.Sqrt(Squared(height) + Squared(width));
        var doubt = Length.FromMillimeters(Coverage.Value * Math.Sqrt(Squared(girth) + 4 * sides * sides));
        var (short_, long_) = (least - girth.Mean, girth.Mean - greatest);
        if (short_ <= doubt && long_ <= doubt)
            return null;
        var fault = short_ > doubt
            ? $"A snout {height.Mean.Show(shown)} high and {width.Mean.Show(shown)} wide is at least {least.Show(shown)} around; the girth reads {girth.Mean.Show(shown)}, {short_.Show(shown)} less."
            : $"A snout {height.Mean.Show(shown)} high and {width.Mean.Show(shown)} wide is at most {greatest.Show(shown)} around; the girth reads {girth.Mean.Show(shown)}, {long_.Show(shown)} more.";
        return new Finding(
            "girth-bounds", Severity.Check, [Measure.SnoutGirth, Measure.SnoutHeight, Measure.SnoutWidth], fault,
            "Take all three again at one and the same place on the snout, mouth closed.", ConvexSection);
    }

    private static Finding? Implausible(Measured measured, HeadShape shape, Mass? bodyMass, ReadingUnit shown)
    {
        var (low, high) = PlausibleRange.For(measured.Measure, shape, bodyMass);
        if (measured.Mean >= low && measured.Mean <= high)
            return null;
        var side = measured.Side is { } s ? $" ({s.ToString().ToLowerInvariant()})" : "";
        var name = MeasureGuide.For(measured.Measure).Name;
        var of = bodyMass is { } mass ? $"a {shape.ToString().ToLowerInvariant()} head on a dog of {mass.Kilograms:0.#} kg" : "any dog";
        return new Finding(
            "implausible", Severity.Check, [measured.Measure],
            $"{name}{side} reads {measured.Mean.Show(shown)}; for {of} we expect {low.ShowRange(high, shown)}.",
            $"Take it again and check the unit and the head shape. {MeasureGuide.For(measured.Measure).How}", PlausibleRange.Basis);
    }

    private static Finding? Repeats(Measured measured, ReadingUnit shown)
    {
        var limit = Uncertainty.RepeatabilityLimit;
        if (measured.Count != 2 || measured.Spread <= limit)
            return null;
        var name = MeasureGuide.For(measured.Measure).Name;
        return new Finding(
            "third-reading", Severity.Note, [measured.Measure],
            $"The two readings of {name.ToLowerInvariant()} are {measured.Spread.Show(shown)} apart; two of the same hand stay within {limit.Show(shown)}.",
            "Take a third.", RepeatLimit);
    }

    private static double Squared(Measured m) => Math.Pow(m.StandardUncertainty.Millimeters, 2);

    private static Measured? Find(IReadOnlyList<Measured> measured, Measure measure, Side? side = null) =>
        measured.FirstOrDefault(m => m.Measure == measure && m.Side == side);
}

/// <summary>The broad range a measure falls in, from head shape and body mass.</summary>
/// <remarks>
/// Lengths on a dog grow about with the cube root of its mass. The factors (mm per cube root of a kilogram) are recalled, the
/// breadth is ours: it should stop slips of the finger and mixed units, not unusual dogs.
/// </remarks>
public static class PlausibleRange
{
    private const double Low = 0.55;
    private const double High = 1.65;

    public static Basis Basis { get; } = Basis.House(
        $"{Low} to {High} times the usual length for the head shape and the cube root of the mass (usual lengths from memory)");

    /// <summary>Lowest and highest value that raises no question.</summary>
    /// <param name="measure">The measure.</param>
    /// <param name="shape">The head shape.</param>
    /// <param name="bodyMass">Null widens the range to all dogs from 1 to 90 kg.</param>
    public static (Length Low, Length High) For(Measure measure, HeadShape shape, Mass? bodyMass)
    {
        var (lightest, heaviest) = bodyMass is { } mass ? (mass, mass) : (Mass.FromKilograms(1), Mass.FromKilograms(90));
        return (Usual(measure, shape, lightest) * Low, Usual(measure, shape, heaviest) * High);
    }

    /// <summary>The usual length, for a drawing of a dog that was not measured yet.</summary>
    public static Length Usual(Measure measure, HeadShape shape, Mass bodyMass)
    {
        var (forLong, forMedium, forShort) = measure switch
        {
            Measure.NoseToInnerEye => (38.0, 33.0, 18.0),
            Measure.SnoutGirth => (71.0, 90.0, 98.0),
            Measure.SnoutHeight => (21.0, 27.0, 26.0),
            Measure.SnoutWidth => (19.0, 24.0, 29.0),
            Measure.JawToNose => (54.0, 50.0, 32.0),
            Measure.NeckGirth => (130.0, 140.0, 145.0),
            Measure.InnerEyeSpacing => (14.0, 15.0, 17.0),
            _ => throw new ArgumentOutOfRangeException(nameof(measure)),
        };
        var factor = shape switch { HeadShape.Long => forLong, HeadShape.Short => forShort, _ => forMedium };
        return Length.FromMillimeters(factor * Math.Cbrt(bodyMass.Kilograms));
    }
}
