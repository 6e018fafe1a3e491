using System.Runtime.CompilerServices;
using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>The inner shape of a size, in plain mm, that can be held against a snout.</summary>
internal interface IShapeMm
{
    /// <summary>Hands the margins of this shape on what it is held against to whatever takes them.</summary>
    void On<TTaker>(in FitGauge gauge, ref TTaker taker)
        where TTaker : struct, ITakesMargins;
}

/// <summary>The numbers of the fit in plain mm.</summary>
internal sealed record FitRulesMm(
    double ChinRoom,
    double FloorClearance,
    double WidthLow,
    double WidthHigh,
    double SleeveEyeRoom,
    double LargeRoom,
    double LargeGirthExcess,
    double NoFitBeyond,
    double Marginal,
    double SmallDogFrom,
    double SmallestWindow,
    double BoxSpareWidth
)
{
    public static FitRulesMm Of(HouseRules rules) =>
        new(
            rules[FitRules.ChinRoom].Millimeters,
            rules[FitRules.FloorClearance].Millimeters,
            rules[FitRules.WidthLow].Millimeters,
            rules[FitRules.WidthHigh].Millimeters,
            rules[FitRules.SleeveEyeRoom].Millimeters,
            rules[FitRules.LargeRoom].Millimeters,
            rules[FitRules.LargeGirth] - 1,
            rules[FitRules.NoFitBeyond],
            rules[FitRules.Marginal].Millimeters,
            rules[SnoutRules.SmallDogFrom].Millimeters,
            rules[SnoutRules.SmallestWindow].Millimeters,
            rules[BasketModel.BoxSpareWidth].Millimeters
        );

    /// <summary>A bound shrunk for a small dog.</summary>
    public double Scaled(double bound, double eyeLine) => SnoutRules.ScaledMm(bound, eyeLine, SmallDogFrom, SmallestWindow);
}

/// <summary>A request in plain mm and radians, with the numbers it is judged by.</summary>
internal readonly record struct RequestMm(
    double Low,
    double High,
    bool ShoveMustHold,
    double NeededRad,
    double NeededSin,
    double NeededCos,
    int Fingers,
    double Finger,
    FitRulesMm Rules
)
{
    public static RequestMm Of(FitRequest request, HouseRules rules)
    {
        var (low, high) = FitRules.Bounds(request.FitStyle);
        var (sin, cos) = Math.SinCos(request.NeededGape.Radians);
        return new RequestMm(
            rules[low].Millimeters,
            rules[high].Millimeters,
            request.ShoveMustHold,
            request.NeededGape.Radians,
            sin,
            cos,
            request.Fingers,
            request.FingerThickness.Millimeters,
            FitRulesMm.Of(rules)
        );
    }
}

/// <summary>One snout with a request: what every muzzle is held against, as a workpiece against a gauge.</summary>
internal readonly struct FitGauge
{
    private readonly double width;
    private readonly BoxMm box;
    private readonly RequestMm request;
    private readonly FitRulesMm rules;

    /// <summary>A snout and a request, with what is assumed of a basket whose chart tells length and girth only, and the loop the strap is marked for.</summary>
    /// <param name="snout">The snout.</param>
    /// <param name="request">The request.</param>
    /// <param name="box">The assumed box; as usual on this snout when left out.</param>
    /// <param name="marked">The loop the strap is marked for, which does not change with the draw; this snout's own when left out.</param>
    public FitGauge(in SnoutMm snout, in RequestMm request, BoxMm? box = null, double? marked = null)
    {
        (this.request, rules) = (request, request.Rules);
        this.box = box ?? new BoxMm(snout.Width + rules.BoxSpareWidth, 1);
        (Eye, width, SnoutGirth, HeadGirth) = (snout.Eye, snout.Width, snout.Girth, snout.HeadGirth);
        Jaw = new JawTurn(snout);
        (Closed, Open, MonotoneUpTo) = (Jaw.At(0, 1), Jaw.At(request.NeededSin, request.NeededCos), Jaw.MonotoneUpTo);
        (Low, High) = (rules.Scaled(request.Low, Eye), rules.Scaled(request.High, Eye));
        NeededGirth = snout.GirthAt(Math.Sqrt((1 - request.NeededCos) / 2));
        Loop = NeckStrap.LoopMm(snout.Neck, request.Fingers, request.Finger);
        MarkedFor = marked ?? Loop;
        EdgeLeast = rules.Scaled(rules.SleeveEyeRoom, Eye);
    }

    /// <summary>The eye line, the closed girth and the girth of the head.</summary>
    public readonly double Eye,
        SnoutGirth,
        HeadGirth;

    /// <summary>The jaw, closed and opened as far as it has to be.</summary>
    public readonly JawTurn Jaw;
    public readonly Pose Closed,
        Open;

    /// <summary>Over a floor that does not rise and ends here or before, opening further never makes more room.</summary>
    public readonly double MonotoneUpTo;

    /// <summary>The numbers it judges by.</summary>
    public FitRulesMm Rules => rules;

    /// <summary>The opening that is needed, radians.</summary>
    public double NeededRad => request.NeededRad;

    /// <summary>Least and greatest nose and eye room.</summary>
    public double Low { get; }

    public double High { get; }

    /// <summary>Girth the rear edge must have at the needed opening.</summary>
    public double NeededGirth { get; }

    /// <summary>The loop a neck strap must make; NaN when unknown.</summary>
    public double Loop { get; }

    /// <summary>The loop the setting to mark is nearest to.</summary>
    public double MarkedFor { get; }

    /// <summary>Least distance of a tube's edge from the eye.</summary>
    public double EdgeLeast { get; }

    /// <summary>How much wider a basket is at its rear edge than the snout.</summary>
    public double SpareWidth(in BasketMm basket) => basket.WidthRear - width;

    /// <summary>From the edge of a tube to the eye line.</summary>
    public double EdgeRoom(in TubeMm tube) => Eye - tube.Length;

    /// <summary>Nose room with any misfit shared evenly between nose and eyes.</summary>
    public double NoseRoom(double length) => (Low + High) / 2 + (length - Eye) / 2;

    /// <summary>The basket as it stands on this snout: what its chart does not tell is assumed.</summary>
    public BasketMm Seated(in BasketMm basket) => basket.On(box);

    /// <summary>The margins of a muzzle.</summary>
    public Margins Of<TShape>(in TShape shape)
        where TShape : struct, IShapeMm
    {
        var margins = new Margins();
        shape.On(this, ref margins);
        return margins;
    }

    /// <summary>The margins of a basket.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Measure<TTaker>(in BasketMm basket, ref TTaker taker)
        where TTaker : struct, ITakesMargins
    {
        if (basket.Box)
            MeasureShape(basket.On(box), ref taker);
        else
            MeasureShape(basket, ref taker);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private void MeasureShape<TTaker>(in BasketMm basket, ref TTaker taker)
        where TTaker : struct, ITakesMargins
    {
        var floor = new FloorLine(basket, NoseRoom(basket.Length));
        var gape = MouthOpens.Margin(this, floor);
        taker.Take(CriterionName.Seat, Criteria.Seat.Margin(this, basket));
        taker.Take(CriterionName.Shove, Shove.Margin(this, basket));
        taker.Take(CriterionName.ChinRoom, ChinRoom.Margin(this, floor));
        taker.Take(CriterionName.Gape, gape);
        taker.Take(CriterionName.Girth, Girth.Margin(this, basket));
        taker.Take(CriterionName.Large, Large.Margin(this, basket.OpeningGirth, gape, 1));
        taker.Take(CriterionName.Width, Width.Margin(this, basket));
        taker.Take(CriterionName.NeckStrap, NeckStrapLoop.Margin(this, basket.StrapMin, basket.StrapMax, basket.Pitch));
        taker.Take(CriterionName.SlipOff, SlipOff.Margin(this, basket.SetLoop(MarkedFor)));
        taker.TakeFarTooLarge(Large.Margin(this, basket.OpeningGirth, gape, rules.NoFitBeyond));
    }

    /// <summary>The widest opening in a basket, radians.</summary>
    public double GapeRad(in BasketMm shape)
    {
        var basket = shape.On(box);
        return Jaw.WidestRad(new FloorLine(basket, NoseRoom(basket.Length)), rules.FloorClearance, FitRules.WidestGape.Ours.Radians);
    }

    /// <summary>The margins of a sleeve or face cover: its edge from the eye, its girth range, its strap.</summary>
    public void Measure<TTaker>(in TubeMm tube, ref TTaker taker)
        where TTaker : struct, ITakesMargins
    {
        taker.Take(CriterionName.Seat, Criteria.Seat.Margin(this, tube));
        taker.Take(CriterionName.Girth, Girth.Margin(this, tube));
        taker.Take(CriterionName.NeckStrap, NeckStrapLoop.Margin(this, tube.StrapMin, tube.StrapMax, tube.Pitch));
        taker.Take(CriterionName.SlipOff, SlipOff.Margin(this, tube.SetLoop(MarkedFor)));
    }
}

/// <summary>A sleeve or face cover in plain mm.</summary>
internal readonly record struct TubeMm(double Length, double GirthMin, double GirthMax, double StrapMin, double StrapMax, double Pitch = 0) : IShapeMm
{
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void On<TTaker>(in FitGauge gauge, ref TTaker taker)
        where TTaker : struct, ITakesMargins => gauge.Measure(this, ref taker);

    /// <summary>The loop its strap is set to for a loop needed; the needed one where the chart gives no range or it is out of it.</summary>
    public double SetLoop(double needed) => StrapSetting.NearestMm(needed, StrapMin, StrapMax, Pitch) is var set && double.IsNaN(set) ? needed : set;
}
