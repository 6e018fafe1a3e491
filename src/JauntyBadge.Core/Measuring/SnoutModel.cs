using UnitsNet;

namespace JauntyBadge.Core.Measuring;

/// <summary>How far a number of the model can be trusted.</summary>
public enum Provenance
{
    /// <summary>Read off this dog.</summary>
    Measured,

    /// <summary>Worked out from what was read off this dog.</summary>
    Derived,

    /// <summary>Taken from the usual proportions of the head shape.</summary>
    Assumed,
}

/// <summary>How a number of the model came about.</summary>
public enum OriginKind
{
    Read,
    InnerEye,
    TimesEyeLine,
    FitLineAndGap,
    EyeLineLessGap,

    /// <summary>The head shape's usual width for its eye line.</summary>
    UsualWidth,

    /// <summary>The head shape's usual height for its width.</summary>
    UsualHeight,

    /// <summary>The girth of a rounded box.</summary>
    BoxAround,

    /// <summary>A side of a rounded box of that girth.</summary>
    BoxSide,

    /// <summary>Girth and the other side do not go together.</summary>
    Square,

    /// <summary>A basket's depth from a box of its girth.</summary>
    BasketDepth,
}

/// <summary>What the inner eye spacing did to the eye line.</summary>
public enum SpacingUse
{
    NotRead,
    MadeStraight,

    /// <summary>It contradicts the reading.</summary>
    LeftOut,
}

/// <summary>How a number came about, in facts; the words stand in <see cref="MeasuringWords"/>.</summary>
/// <param name="Kind">Which way.</param>
/// <param name="Measure">The measure it stands for, where that matters.</param>
/// <param name="OneSide">Only one nose to inner eye was read.</param>
/// <param name="Spacing">What the inner eye spacing did to it.</param>
/// <param name="Ratio">The proportion used.</param>
/// <param name="Gap">The gap used.</param>
public readonly record struct Origin(
    OriginKind Kind,
    Measure Measure = default,
    bool OneSide = false,
    SpacingUse Spacing = SpacingUse.NotRead,
    double? Ratio = null,
    Length? Gap = null
);

/// <summary>A length of the model with where it came from.</summary>
public sealed record ModelLength(Length Value, Provenance Provenance, Origin Origin)
{
    public double Mm => Value.Millimeters;
}

/// <summary>A point in the side view, mm: origin at the nose tip on the bridge line, x towards the skull, y downwards.</summary>
public readonly record struct PointMm(double X, double Y)
{
    /// <summary>The same turned about another, in degrees from x towards y.</summary>
    internal PointMm Turned(PointMm about, double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        var (x, y) = (X - about.X, Y - about.Y);
        return new(about.X + x * cos - y * sin, about.Y + x * sin + y * cos);
    }
}

/// <summary>The snout a muzzle has to go over, completed from the readings.</summary>
public sealed record SnoutModel
{
    /// <summary>xe: nose tip to the eye line, straight ahead.</summary>
    public required ModelLength EyeLine { get; init; }

    /// <summary>xf: nose tip to the fit line, where a basket's rear edge sits.</summary>
    public required ModelLength FitLine { get; init; }

    public required ModelLength Height { get; init; }
    public required ModelLength Width { get; init; }
    public required ModelLength Girth { get; init; }

    /// <summary>xH: the jaw hinge, straight back from the nose tip.</summary>
    public required ModelLength Hinge { get; init; }

    /// <summary>What it was built from.</summary>
    public required SnoutNumbers Numbers { get; init; }

    /// <summary>The numbers it was completed by, and is judged by.</summary>
    public HouseRules Rules => Numbers.Rules;

    public Length? NeckGirth => Numbers.NeckGirth;
    public HeadShape HeadShape => Numbers.HeadShape;

    /// <summary>How far below the bridge line the hinge lies.</summary>
    public Length HingeDrop => Height.Value * Rules[SnoutRules.HingeDrop];

    public PointMm HingePoint => new(Hinge.Mm, HingeDrop.Millimeters);

    /// <summary>The front of the lower jaw.</summary>
    public PointMm Chin => new(EyeLine.Mm * Rules[SnoutRules.ChinForward], Height.Mm * Rules[SnoutRules.ChinDrop]);

    /// <summary>Underside of the closed mouth, front to back: chin, fit line, below the hinge.</summary>
    public IReadOnlyList<PointMm> LowerBorder => [Chin, new(FitLine.Mm, Height.Mm), new(Hinge.Mm, Height.Mm)];

    /// <summary>1 for a nose-to-eye of 70 mm and over, less for smaller dogs: windows and gap shrink by it.</summary>
    public double SmallDogScale => SnoutRules.ScaleFor(EyeLine.Value, Rules);

    /// <summary>Every number of the model with what it rests on, for "what was measured, derived or assumed".</summary>
    public IReadOnlyList<(SnoutPart Part, ModelLength Number)> Sources =>
        [
            (SnoutPart.EyeLine, EyeLine),
            (SnoutPart.FitLine, FitLine),
            (SnoutPart.Height, Height),
            (SnoutPart.Width, Width),
            (SnoutPart.Girth, Girth),
            (SnoutPart.JawHinge, Hinge),
        ];

    /// <summary>Builds the model.</summary>
    /// <remarks>An inner eye spacing that no triangle with these sides can have is left out, and said so; the cross-checks ask for it again.</remarks>
    /// <exception cref="ArgumentException">Neither side of NoseToInnerEye is there, nor the FitLineLength.</exception>
    public static SnoutModel From(SnoutNumbers numbers)
    {
        var eye = EyeLineOf(numbers);
        var (height, width, girth) = SnoutSection.Complete(numbers, eye.Value);
        var ratio = SnoutRules.HingeRatio(numbers.HeadShape);
        return new SnoutModel
        {
            EyeLine = eye,
            FitLine = FitLineOf(numbers, eye.Value),
            Height = height,
            Width = width,
            Girth = girth,
            Hinge = numbers.JawToNose is { } jaw
                ? new ModelLength(jaw, Provenance.Measured, new(OriginKind.Read, Measure.JawToNose))
                : new ModelLength(eye.Value * ratio.Ours, Provenance.Derived, new(OriginKind.TimesEyeLine, Ratio: ratio.Ours)),
            Numbers = numbers,
        };
    }

    private static ModelLength EyeLineOf(SnoutNumbers numbers)
    {
        var sides = new[] { numbers.NoseToInnerEyeLeft, numbers.NoseToInnerEyeRight }.OfType<Length>().ToList();
        if (sides.Count == 0)
            return EyeLineFromFitLine(numbers);
        var shorter = sides.Min();
        var origin = new Origin(OriginKind.InnerEye, Measure.NoseToInnerEye, OneSide: sides.Count == 1);
        if (numbers.InnerEyeSpacing is not { } spacing)
            return new ModelLength(shorter, Provenance.Measured, origin);
        if (SnoutRules.Contradict(shorter, spacing))
            return new ModelLength(shorter, Provenance.Measured, origin with { Spacing = SpacingUse.LeftOut });
        var squared = Math.Pow(shorter.Millimeters, 2) - Math.Pow(spacing.Millimeters / 2, 2);
        return new ModelLength(Length.FromMillimeters(Math.Sqrt(squared)), Provenance.Derived, origin with { Spacing = SpacingUse.MadeStraight });
    }

    private static ModelLength EyeLineFromFitLine(SnoutNumbers numbers)
    {
        if (numbers.FitLineLength is not { } fitLine)
            throw new ArgumentException("Nose to inner eye on a side or the fit line's length is needed.", nameof(numbers));
        var gap = numbers.FitLineGap ?? SnoutRules.GapBehind(fitLine, numbers.Rules);
        return new ModelLength(fitLine + gap, Provenance.Derived, new(OriginKind.FitLineAndGap, Gap: gap));
    }

    /// <summary>As read where it lies in front of the eyes; else the eye line less the gap.</summary>
    private static ModelLength FitLineOf(SnoutNumbers numbers, Length eyeLine)
    {
        if (numbers.FitLineLength is { } read && read < eyeLine)
            return new ModelLength(read, Provenance.Measured, new(OriginKind.Read, Measure.FitLineLength));
        var gap = numbers.FitLineGap ?? SnoutRules.UsualGap(eyeLine, numbers.Rules);
        return new ModelLength(eyeLine - gap, Provenance.Derived, new(OriginKind.EyeLineLessGap, Gap: gap));
    }
}

/// <summary>A number of the snout model.</summary>
public enum SnoutPart
{
    EyeLine,
    FitLine,
    Height,
    Width,
    Girth,
    JawHinge,
}
