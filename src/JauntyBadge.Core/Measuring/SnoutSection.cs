using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>The section across the snout or a basket, taken as a box with rounded corners.</summary>
public static class SnoutSection
{
    /// <summary>What a quarter-circle corner saves of the square one, times its radius, four corners: 8 − 2π.</summary>
    private static readonly double CornersSave = 8 - 2 * Math.PI;

    private static readonly double Share = SnoutRules.CornerShare.Ours;

    /// <summary>Girth of the rounded box, C = 2(H+W) − (8−2π)·r with r a quarter of the smaller side (House).</summary>
    public static Length Girth(Length height, Length width) => 2 * (height + width) - UnitMath.Min(height, width) * (Share * CornersSave);

    /// <summary>Perimeter of an ellipse with these half axes: Ramanujan 1914, second formula (Published).</summary>
    public static Length EllipsePerimeter(Length a, Length b)
    {
        var h = 3 * Math.Pow((a - b) / (a + b), 2);
        return (a + b) * (Math.PI * (1 + h / (10 + Math.Sqrt(4 - h))));
    }

    /// <summary>The other side of a rounded box from its girth and one side.</summary>
    /// <returns>Null when no box has that girth and side.</returns>
    public static Length? OtherSide(Length girth, Length side) =>
        OtherSideMm(girth.Millimeters, side.Millimeters) is var other && double.IsNaN(other) ? null : Length.FromMillimeters(other);

    /// <summary>The same in plain mm; NaN when no box has that girth and side.</summary>
    internal static double OtherSideMm(double girth, double side)
    {
        // If the side sought is the larger one, the radius goes by the given side; else by itself.
        var asLarger = (girth - side * (2 - Share * CornersSave)) / 2;
        if (asLarger >= side)
            return asLarger;
        var asSmaller = (girth - 2 * side) / (2 - Share * CornersSave);
        return asSmaller > 0 ? asSmaller : double.NaN;
    }

    /// <summary>Least and greatest girth of a closed convex section: 2√(H²+W²) and 2(H+W).</summary>
    public static (Length Least, Length Greatest) GirthBounds(Length height, Length width) =>
        (Length.FromMillimeters(2 * Math.Sqrt(Math.Pow(height.Millimeters, 2) + Math.Pow(width.Millimeters, 2))), 2 * (height + width));

    /// <summary>Outline of the rounded box, centred on x = 0, top at y = 0, closed.</summary>
    public static IReadOnlyList<PointMm> Outline(Length height, Length width) => Rounded(height.Millimeters, width.Millimeters / 2, 0);

    /// <summary>Outline of what lies all round the box at one distance and is so long: a curve at a distance d of a convex one is 2π·d longer (Steiner's formula).</summary>
    /// <param name="height">Height of the box.</param>
    /// <param name="width">Width of the box.</param>
    /// <param name="girth">Length of the outline; shorter than the box's own it presses in, at most to where its corners are square.</param>
    public static IReadOnlyList<PointMm> OutlineAround(Length height, Length width, Length girth) =>
        Rounded(height.Millimeters, width.Millimeters / 2, (girth - Girth(height, width)).Millimeters / (2 * Math.PI));

    private static IReadOnlyList<PointMm> Rounded(double h, double halfWidth, double distance)
    {
        var r = Share * Math.Min(h, 2 * halfWidth);
        var reach = Math.Max(0, r + distance);
        (double X, double Y, double Start)[] corners =
        [
            (halfWidth - r, r, -90),
            (halfWidth - r, h - r, 0),
            (r - halfWidth, h - r, 90),
            (r - halfWidth, r, 180),
        ];
        return
        [
            .. corners.SelectMany(c =>
                Enumerable
                    .Range(0, 7)
                    .Select(i =>
                    {
                        var angle = (c.Start + 15 * i) * Math.PI / 180;
                        return new PointMm(c.X + reach * Math.Cos(angle), c.Y + reach * Math.Sin(angle));
                    })
            ),
        ];
    }

    internal static (ModelLength Height, ModelLength Width, ModelLength Girth) Complete(SnoutNumbers numbers, Length eyeLine)
    {
        var height = Read(numbers.SnoutHeight, Measure.SnoutHeight);
        var width = Read(numbers.SnoutWidth, Measure.SnoutWidth);
        var girth = Read(numbers.SnoutGirth, Measure.SnoutGirth);
        var measured = new[] { height, width, girth }.Count(s => s is not null);

        if (measured == 0)
            width = new ModelLength(eyeLine * numbers.Rules[SnoutRules.WidthRatio(numbers.HeadShape)], Provenance.Assumed, new(OriginKind.UsualWidth));
        if (measured < 2)
            (height, width) = FromUsualShape(height, width, girth, numbers.Rules[SnoutRules.HeightRatio(numbers.HeadShape)]);

        height ??= FromGirth(girth!, width!, Measure.SnoutHeight);
        width ??= FromGirth(girth!, height, Measure.SnoutWidth);
        girth ??= new ModelLength(Girth(height.Value, width.Value), Weaker(height, width), new(OriginKind.BoxAround));
        return (height, width, girth);
    }

    private static ModelLength? Read(Length? value, Measure measure) =>
        value is { } length ? new ModelLength(length, Provenance.Measured, new(OriginKind.Read, measure)) : null;

    private static (ModelLength? Height, ModelLength? Width) FromUsualShape(ModelLength? height, ModelLength? width, ModelLength? girth, double heightPerWidth)
    {
        var usual = new Origin(OriginKind.UsualHeight);
        if (width is not null)
            return (new ModelLength(width.Value * heightPerWidth, Provenance.Assumed, usual), width);
        if (height is not null)
            return (height, new ModelLength(height.Value / heightPerWidth, Provenance.Assumed, usual));
        var girthPerWidth = Girth(Length.FromMillimeters(heightPerWidth), Length.FromMillimeters(1)).Millimeters;
        var assumed = new ModelLength(girth!.Value / girthPerWidth, Provenance.Assumed, usual);
        return (assumed with { Value = assumed.Value * heightPerWidth }, assumed);
    }

    private static ModelLength FromGirth(ModelLength girth, ModelLength side, Measure measure) =>
        OtherSide(girth.Value, side.Value) is { } other
            ? new ModelLength(other, Provenance.Derived, new(OriginKind.BoxSide, measure))
            : new ModelLength(side.Value, Provenance.Assumed, new(OriginKind.Square));

    private static Provenance Weaker(ModelLength a, ModelLength b) =>
        a.Provenance == Provenance.Assumed || b.Provenance == Provenance.Assumed ? Provenance.Assumed : Provenance.Derived;
}
