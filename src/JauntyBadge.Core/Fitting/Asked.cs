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

/// <summary>By how many mm each criterion of a basket holds, negative when missed; NaN where it could not be checked.</summary>
internal readonly record struct Margins(
    double Seat, double Shove, double ChinRoom, double Gape, double Girth, double Width, double NeckStrap, double SlipOff, double Large,
    double FarTooLarge);

/// <summary>A request in plain mm and radians.</summary>
internal readonly record struct RequestMm(
    double Low, double High, bool ShoveMustHold, double NeededRad, double NeededSin, double NeededCos, int Fingers, double Finger)
{
    public static RequestMm Of(FitRequest request)
    {
        var (low, high) = FitRules.Bounds(request.School);
        var (sin, cos) = Math.SinCos(request.NeededGape.Radians);
        return new RequestMm(
            low.Value.Millimeters, high.Value.Millimeters, request.ShoveMustHold, request.NeededGape.Radians, sin, cos, request.Fingers,
            request.FingerThickness.Millimeters);
    }
}

/// <summary>
/// One snout with a request: what every basket is held against. It holds the one arithmetic of the fit criteria; verdicts, sentences
/// and chances are made from it.
/// </summary>
internal readonly struct Asked
{
    private static readonly double ChinLeast = FitRules.ChinRoom.Value.Millimeters;
    private static readonly double Keep = FitRules.FloorClearance.Value.Millimeters;
    private static readonly double WidthLow = FitRules.WidthLow.Value.Millimeters;
    private static readonly double WidthHigh = FitRules.WidthHigh.Value.Millimeters;
    private static readonly double EdgeRoom = FitRules.SleeveEyeRoom.Value.Millimeters;

    /// <summary>Doubles of numbers that meet a bound exactly may land this far beyond it.</summary>
    public const double Slack = 1e-9;

    private static readonly double MostRoom = FitRules.LargeRoom.Value.Millimeters;
    private static readonly double MostGirth = FitRules.LargeGirth.Value - 1;
    private static readonly double Beyond = FitRules.NoFitBeyond.Value;

    private readonly double eye, width, girth, headGirth;
    private readonly BoxMm box;
    private readonly JawTurn jaw;
    private readonly Pose closed, open;
    private readonly double monotoneUpTo;
    private readonly RequestMm request;

    /// <summary>A snout and a request, with what is assumed of a basket whose chart tells length and girth only, and the loop the strap is marked for.</summary>
    /// <param name="snout">The snout.</param>
    /// <param name="request">The request.</param>
    /// <param name="box">The assumed box; as usual on this snout when left out.</param>
    /// <param name="marked">The loop the strap is marked for, which does not change with the draw; this snout's own when left out.</param>
    public Asked(in SnoutMm snout, in RequestMm request, BoxMm? box = null, double? marked = null)
    {
        this.box = box ?? BoxMm.On(snout.Width);
        this.request = request;
        (eye, width, girth, headGirth) = (snout.Eye, snout.Width, snout.Girth, snout.HeadGirth);
        jaw = new JawTurn(snout);
        (closed, open, monotoneUpTo) = (jaw.At(0, 1), jaw.At(request.NeededSin, request.NeededCos), jaw.MonotoneUpTo);
        (Low, High) = (SnoutRules.ScaledMm(request.Low, eye), SnoutRules.ScaledMm(request.High, eye));
        NeededGirth = snout.GirthAt(Math.Sqrt((1 - request.NeededCos) / 2));
        Loop = NeckStrap.LoopMm(snout.Neck, request.Fingers, request.Finger);
        MarkedFor = marked ?? Loop;
        EdgeLeast = SnoutRules.ScaledMm(EdgeRoom, eye);
    }

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

    /// <summary>The margins of a basket.</summary>
    public Margins Of(in BasketMm shape)
    {
        var basket = shape.On(box);
        var (nose, seat) = SeatOf(basket.Length);
        var floor = new FloorLine(basket, nose);
        var gape = jaw.LeastRoom(floor, request.NeededRad) - Keep;
        return new Margins(
            seat, eye - basket.Length, closed.Room(floor) - ChinLeast, gape,
            basket.OpeningGirth - NeededGirth, shape.Box ? double.NaN : Math.Min(basket.WidthRear - width - WidthLow, WidthHigh - (basket.WidthRear - width)),
            StrapSetting.LowMarginMm(Loop, basket.StrapMin, basket.StrapMax, basket.Pitch), headGirth - basket.SetLoop(MarkedFor), Large(gape, basket.OpeningGirth, 1),
            Large(gape, basket.OpeningGirth, Beyond));
    }

    /// <summary>By how many mm a basket is not too large, times the excess allowed: in room under the jaw, and around.</summary>
    private double Large(double gape, double opening, double times) =>
        Math.Min(MostRoom * times - gape, NeededGirth * (1 + MostGirth * times) - opening);

    /// <summary>The widest opening in a basket, radians.</summary>
    public double GapeRad(in BasketMm shape)
    {
        var basket = shape.On(box);
        return jaw.WidestRad(new FloorLine(basket, SeatOf(basket.Length).Nose), Keep, FitRules.WidestGape.Value.Radians);
    }

    /// <summary>Which criteria a basket fails, the same as a negative margin; what cannot be checked does not fail.</summary>
    public Failing Fails(in BasketMm shape)
    {
        if (shape.Box)
            return FailsShape(shape.On(box));
        return FailsShape(shape);
    }

    private Failing FailsShape(in BasketMm basket)
    {
        var (nose, seat) = SeatOf(basket.Length);
        var floor = new FloorLine(basket, nose);
        var spare = basket.WidthRear - width;
        var failing = seat < -Slack ? Failing.Seat : Failing.None;
        if (eye - basket.Length < -Slack)
            failing |= Failing.Shove;
        if (!(closed.Room(floor) >= ChinLeast - Slack))
            failing |= Failing.ChinRoom;

        // Over a floor that does not rise, the needed opening itself tells what the way there would.
        var room = floor.Slope <= 0 && floor.RearX <= monotoneUpTo ? open.Room(floor) : jaw.LeastRoom(floor, request.NeededRad);
        if (!(room >= Keep - Slack))
            failing |= Failing.Gape;
        if (basket.OpeningGirth < NeededGirth - Slack)
            failing |= Failing.Girth;
        if (spare < WidthLow - Slack || spare > WidthHigh + Slack)
            failing |= Failing.Width;
        if (StrapSetting.LowMarginMm(Loop, basket.StrapMin, basket.StrapMax, basket.Pitch) < -Slack)
            failing |= Failing.NeckStrap;
        if (headGirth < basket.SetLoop(MarkedFor) - Slack)
            failing |= Failing.SlipOff;
        if (Large(room - Keep, basket.OpeningGirth, 1) < -Slack)
            failing |= Failing.Large;
        if (Large(room - Keep, basket.OpeningGirth, Beyond) < -Slack)
            failing |= Failing.FarTooLarge;
        return failing;
    }

    /// <summary>The margins of a sleeve or face cover: edge from the eye, girth range, strap.</summary>
    public (double Edge, double Girth, double NeckStrap, double SlipOff) Of(in TubeMm tube) => (
        eye - tube.Length - EdgeLeast, Math.Min(girth - tube.GirthMin, tube.GirthMax - girth), StrapSetting.LowMarginMm(Loop, tube.StrapMin, tube.StrapMax, tube.Pitch),
        headGirth - tube.SetLoop(MarkedFor));

    /// <summary>Which criteria a sleeve or face cover fails.</summary>
    public Failing Fails(in TubeMm tube)
    {
        var margins = Of(tube);
        return (margins.Edge < -Slack ? Failing.Seat : 0) | (margins.Girth < -Slack ? Failing.Girth : 0)
            | (margins.NeckStrap < -Slack ? Failing.NeckStrap : 0) | (margins.SlipOff < -Slack ? Failing.SlipOff : 0);
    }

    /// <summary>Nose room with any misfit shared evenly, and by how much it and the eye room hold.</summary>
    private (double Nose, double Margin) SeatOf(double length)
    {
        var (middle, half) = ((Low + High) / 2, (length - eye) / 2);
        return (middle + half, (High - Low) / 2 - Math.Abs(half));
    }
}

/// <summary>A sleeve or face cover in plain mm.</summary>
internal readonly record struct TubeMm(double Length, double GirthMin, double GirthMax, double StrapMin, double StrapMax, double Pitch = 0)
{
    /// <summary>The loop its strap is set to for a loop needed; the needed one where the chart gives no range or it is out of it.</summary>
    public double SetLoop(double needed) => StrapSetting.NearestMm(needed, StrapMin, StrapMax, Pitch) is var set && double.IsNaN(set) ? needed : set;
}
