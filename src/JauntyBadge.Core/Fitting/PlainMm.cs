using System.Runtime.CompilerServices;
using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>A snout in plain mm, for the inner loops. <c>Border</c> is how deep the lower border lies from the fit line back: the height, unless its own doubt is drawn.</summary>
internal readonly record struct SnoutMm(
    double Eye,
    double FitLine,
    double Height,
    double Border,
    double Width,
    double Girth,
    double HingeX,
    double HingeY,
    double ChinX,
    double ChinY,
    double Neck,
    double HeadGirth
)
{
    /// <summary>Takes the numbers of a model; a neck or head girth that was not read is NaN.</summary>
    public static SnoutMm Of(SnoutModel snout) =>
        new(
            snout.EyeLine.Mm,
            snout.FitLine.Mm,
            snout.Height.Mm,
            snout.Height.Mm,
            snout.Width.Mm,
            snout.Girth.Mm,
            snout.Hinge.Mm,
            snout.HingeDrop.Millimeters,
            snout.Chin.X,
            snout.Chin.Y,
            snout.NeckGirth?.Millimeters ?? double.NaN,
            snout.Numbers.HeadGirth?.Millimeters ?? double.NaN
        );

    /// <summary>Girth around the mouth opened by an angle whose half has this sine: C + 4·(xH − xf)·sin(θ/2).</summary>
    public double GirthAt(double halfSin) => Girth + 4 * (HingeX - FitLine) * halfSin;

    /// <summary>With another height, and what goes by it.</summary>
    public SnoutMm Taller(double times) => this with { Height = Height * times, Border = Border * times, HingeY = HingeY * times, ChinY = ChinY * times };
}

/// <summary>A basket's inner shape in plain mm, for the inner loops.</summary>
internal readonly record struct BasketMm(
    double Length,
    double DepthFront,
    double DepthRear,
    double WidthRear,
    double OpeningGirth,
    double StrapMin,
    double StrapMax,
    bool Box,
    double Pitch = 0
) : IShapeMm
{
    public static BasketMm Of(BasketModel basket) =>
        new(
            basket.Length.Millimeters,
            basket.DepthFront.Millimeters,
            basket.DepthRear.Millimeters,
            basket.WidthRear.Millimeters,
            basket.OpeningGirth.Millimeters,
            basket.NeckStrapMin?.Millimeters ?? double.NaN,
            basket.NeckStrapMax?.Millimeters ?? double.NaN,
            basket.AssumedShape,
            basket.HolePitch?.Millimeters ?? 0
        );

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void On<TTaker>(in FitGauge gauge, ref TTaker taker)
        where TTaker : struct, ITakesMargins => gauge.Measure(this, ref taker);

    /// <summary>How the floor rises or falls from front to rear.</summary>
    public double Slope { get; } = (DepthRear - DepthFront) / Length;

    /// <summary>The loop its strap is set to for a loop needed; the needed one where the chart gives no range or it is out of it.</summary>
    public double SetLoop(double needed) => StrapSetting.NearestMm(needed, StrapMin, StrapMax, Pitch) is var set && double.IsNaN(set) ? needed : set;

    /// <summary>The box of a chart with only length and girth, this wide; as good as no depth where none makes that girth.</summary>
    public BasketMm On(in BoxMm box)
    {
        if (!Box)
            return this;
        var depth = SnoutSection.OtherSideMm(OpeningGirth, box.Width) is var other && double.IsNaN(other) ? BasketModel.NoDepth.Millimeters : other * box.Depth;
        return new BasketMm(Length, depth, depth, box.Width, OpeningGirth, StrapMin, StrapMax, Box, Pitch);
    }
}

/// <summary>What is assumed of a basket of which a chart tells length and girth only.</summary>
/// <param name="Width">Its width at the rear edge.</param>
/// <param name="Depth">Its depth, times the one that makes the girth.</param>
internal readonly record struct BoxMm(double Width, double Depth)
{
    /// <summary>As assumed on a snout, off by so many standard deviations.</summary>
    public static BoxMm On(SnoutModel snout, double width, double depth)
    {
        var rules = snout.Rules;
        return new(
            snout.Width.Mm + rules[BasketModel.BoxSpareWidth].Millimeters + width * rules[BasketModel.BoxWidthDoubt].Millimeters,
            1 + depth * rules[BasketModel.BoxDepthDoubt]
        );
    }
}

/// <summary>The floor of a basket seated on a snout: a straight line from front to rear edge.</summary>
internal readonly struct FloorLine(in BasketMm basket, double noseRoom)
{
    public readonly double FrontX = -noseRoom;
    public readonly double RearX = basket.Length - noseRoom;
    public readonly double FrontY = basket.DepthFront;
    public readonly double RearY = basket.DepthRear;
    public readonly double Slope = basket.Slope;

    /// <summary>Room straight down from a point to the floor.</summary>
    public double Under(double x, double y) => FrontY + Slope * (x - FrontX) - y;
}
