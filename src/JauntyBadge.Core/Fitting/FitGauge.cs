using System.Runtime.CompilerServices;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>The criteria as bits, for counting over many draws.</summary>
[Flags]
internal enum Failing
{
    None = 0,
    Seat = 1,
    Shove = 2,
    ChinRoom = 4,
    Gape = 8,
    Girth = 16,
    Width = 32,
    NeckStrap = 64,
    SlipOff = 128,

    /// <summary>Large: it hangs and swings.</summary>
    Large = 256,

    /// <summary>So large that it is no fit.</summary>
    FarTooLarge = 512,
}

/// <summary>
/// By how many mm each criterion holds, negative when missed; NaN where a number for it is missing, infinite where it does not concern the
/// muzzle. The one arithmetic of the fit: verdict, sentence, chance, remedy and order sheet are made from it.
/// </summary>
internal readonly record struct Margins(
    double Seat,
    double Shove,
    double ChinRoom,
    double Gape,
    double Girth,
    double Width,
    double NeckStrap,
    double SlipOff,
    double Large,
    double FarTooLarge
)
{
    /// <summary>Doubles of numbers that meet a bound exactly may land this far beyond it.</summary>
    public const double Slack = 1e-9;

    /// <summary>Whether a margin is missed; what cannot be told is not.</summary>
    public static bool IsMissed(double margin) => margin < -Slack;

    /// <summary>The criteria missed.</summary>
    public Failing Failing =>
        (IsMissed(Seat) ? Failing.Seat : 0)
        | (IsMissed(Shove) ? Failing.Shove : 0)
        | (IsMissed(ChinRoom) ? Failing.ChinRoom : 0)
        | (IsMissed(Gape) ? Failing.Gape : 0)
        | (IsMissed(Girth) ? Failing.Girth : 0)
        | (IsMissed(Width) ? Failing.Width : 0)
        | (IsMissed(NeckStrap) ? Failing.NeckStrap : 0)
        | (IsMissed(SlipOff) ? Failing.SlipOff : 0)
        | (IsMissed(Large) ? Failing.Large : 0)
        | (IsMissed(FarTooLarge) ? Failing.FarTooLarge : 0);
}

/// <summary>The inner shape of a size, in plain mm, that can be held against a snout.</summary>
internal interface IShapeMm
{
    /// <summary>The margins of this shape on what it is held against.</summary>
    Margins On(in FitGauge gauge);
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
    private readonly double eye,
        width,
        girth,
        headGirth;
    private readonly BoxMm box;
    private readonly JawTurn jaw;
    private readonly Pose closed,
        open;
    private readonly double monotoneUpTo;
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
        (eye, width, girth, headGirth) = (snout.Eye, snout.Width, snout.Girth, snout.HeadGirth);
        jaw = new JawTurn(snout);
        (closed, open, monotoneUpTo) = (jaw.At(0, 1), jaw.At(request.NeededSin, request.NeededCos), jaw.MonotoneUpTo);
        (Low, High) = (rules.Scaled(request.Low, eye), rules.Scaled(request.High, eye));
        NeededGirth = snout.GirthAt(Math.Sqrt((1 - request.NeededCos) / 2));
        Loop = NeckStrap.LoopMm(snout.Neck, request.Fingers, request.Finger);
        MarkedFor = marked ?? Loop;
        EdgeLeast = rules.Scaled(rules.SleeveEyeRoom, eye);
    }

    /// <summary>The numbers it judges by.</summary>
    public FitRulesMm Rules => rules;

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
    public double EdgeRoom(in TubeMm tube) => eye - tube.Length;

    /// <summary>Nose room with any misfit shared evenly between nose and eyes.</summary>
    public double NoseRoom(double length) => (Low + High) / 2 + (length - eye) / 2;

    /// <summary>The basket as it stands on this snout: what its chart does not tell is assumed.</summary>
    public BasketMm Seated(in BasketMm basket) => basket.On(box);

    /// <summary>The margins of a basket.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public Margins Of(in BasketMm basket) => basket.Box ? OfShape(basket.On(box)) : OfShape(basket);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Margins OfShape(in BasketMm basket)
    {
        var floor = new FloorLine(basket, NoseRoom(basket.Length));
        var spare = SpareWidth(basket);

        // Over a floor that does not rise, the needed opening itself tells what the way there would.
        var gape = (floor.Slope <= 0 && floor.RearX <= monotoneUpTo ? open.Room(floor) : jaw.LeastRoom(floor, request.NeededRad)) - rules.FloorClearance;
        return new Margins(
            (High - Low) / 2 - Math.Abs(basket.Length - eye) / 2,
            eye - basket.Length,
            closed.Room(floor) - rules.ChinRoom,
            gape,
            basket.OpeningGirth - NeededGirth,
            Math.Min(spare - rules.WidthLow, rules.WidthHigh - spare),
            StrapSetting.LowMarginMm(Loop, basket.StrapMin, basket.StrapMax, basket.Pitch),
            headGirth - basket.SetLoop(MarkedFor),
            Large(gape, basket.OpeningGirth, 1),
            Large(gape, basket.OpeningGirth, rules.NoFitBeyond)
        );
    }

    /// <summary>By how many mm a basket is not too large, times the excess allowed: in room under the jaw, and around.</summary>
    private double Large(double gape, double opening, double times) =>
        Math.Min(rules.LargeRoom * times - gape, NeededGirth * (1 + rules.LargeGirthExcess * times) - opening);

    /// <summary>The widest opening in a basket, radians.</summary>
    public double GapeRad(in BasketMm shape)
    {
        var basket = shape.On(box);
        return jaw.WidestRad(new FloorLine(basket, NoseRoom(basket.Length)), rules.FloorClearance, FitRules.WidestGape.Ours.Radians);
    }

    /// <summary>The margins of a sleeve or face cover: its edge from the eye, its girth range, its strap.</summary>
    public Margins Of(in TubeMm tube)
    {
        const double None = double.PositiveInfinity;
        return new Margins(
            EdgeRoom(tube) - EdgeLeast,
            None,
            None,
            None,
            Math.Min(girth - tube.GirthMin, tube.GirthMax - girth),
            None,
            StrapSetting.LowMarginMm(Loop, tube.StrapMin, tube.StrapMax, tube.Pitch),
            headGirth - tube.SetLoop(MarkedFor),
            None,
            None
        );
    }
}

/// <summary>A sleeve or face cover in plain mm.</summary>
internal readonly record struct TubeMm(double Length, double GirthMin, double GirthMax, double StrapMin, double StrapMax, double Pitch = 0) : IShapeMm
{
    public Margins On(in FitGauge gauge) => gauge.Of(this);

    /// <summary>The loop its strap is set to for a loop needed; the needed one where the chart gives no range or it is out of it.</summary>
    public double SetLoop(double needed) => StrapSetting.NearestMm(needed, StrapMin, StrapMax, Pitch) is var set && double.IsNaN(set) ? needed : set;
}
