using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Judges a basket on a snout: seat, shove, chin room, gape, girth, width, neck strap and slip-off.</summary>
public static class BasketFit
{
    /// <summary>Judges one basket.</summary>
    public static FitAssessment Assess(SnoutModel snout, BasketModel basket, FitRequest request)
    {
        var (window, windowBasis) = FitRules.SeatWindow(request.School, snout);
        var seat = Seat.Of(snout, basket, window);
        var asked = new Asked(SnoutMm.Of(snout), RequestMm.Of(request));
        var shape = BasketMm.Of(basket);
        var margins = asked.Of(shape);
        var gape = Fitting.Gape.Of(asked.GapeRad(shape));
        var judge = new Judge(snout, request);
        var assumed = basket.AssumedShape ? new Sourced(basket.DepthRear, Provenance.Assumed, "the basket's depth, taken from a box of its girth") : null;
        var chinRoom = Length.FromMillimeters(margins.ChinRoom) + FitRules.ChinRoom.Value;
        var neededGirth = Length.FromMillimeters(asked.NeededGirth);
        var widthWindow = new Window(FitRules.WidthLow.Value, FitRules.WidthHigh.Value);
        var spareWidth = basket.WidthRear - snout.Width.Value;
        var strap = judge.Strap(basket.NeckStrap);
        var slip = judge.SlipOff(strap.Loop);
        List<Criterion> criteria =
        [
            judge.Seat(seat, window, windowBasis),
            judge.Shove(seat),
            judge.ChinRoom(chinRoom, assumed),
            judge.Gape(gape, Length.FromMillimeters(margins.Gape) + FitRules.FloorClearance.Value, assumed),
            judge.Girth(basket.OpeningGirth, neededGirth),
        ];
        List<NotChecked> notChecked = [];
        if (basket.AssumedShape)
            notChecked.Add(new(CriterionName.Width, $"The chart gives length and girth only: a width of the snout and {BasketModel.BoxSpareWidth.Value.Show(request.Shown)} and one depth were assumed."));
        else
            criteria.Add(judge.Width(spareWidth, widthWindow));
        return new FitAssessment(
            seat, chinRoom, gape, neededGirth, basket.OpeningGirth - neededGirth, widthWindow.MarginOf(spareWidth), strap.Loop,
            [.. criteria, .. strap.Criteria, .. slip.Criteria], [.. notChecked, .. strap.NotChecked, .. slip.NotChecked]);
    }

    /// <summary>Girth the rear edge must have with the mouth open: C + 4·(xH − xf)·sin(θ/2).</summary>
    public static Length NeededGirth(SnoutModel snout, Angle opening) =>
        Length.FromMillimeters(SnoutMm.Of(snout).GirthAt(Math.Sin(opening.Radians / 2)));
}

/// <summary>Turns numbers into verdicts and sentences for one snout and one request.</summary>
internal sealed class Judge(SnoutModel snout, FitRequest request)
{
    private static readonly double MarginalMm = FitRules.Marginal.Value.Millimeters;

    private readonly ReadingUnit shown = request.Shown;

    /// <summary>How a margin that has to hold comes out: missed, too near for the tape or resting on an assumed number, or clear.</summary>
    public static Verdict VerdictOf(double marginMm, bool assumed, double smallDogScale) =>
        marginMm < -Asked.Slack ? Verdict.Out : assumed || marginMm < MarginalMm * smallDogScale ? Verdict.Marginal : Verdict.Fits;

    public Criterion Seat(Seat seat, Window window, Basis basis)
    {
        var margin = UnitMath.Min(window.MarginOf(seat.NoseRoom), window.MarginOf(seat.EyeRoom));
        var wanted = $"{window.Low.ShowRange(window.High, shown)} of each is wanted";
        var rooms = $"{Say(seat.NoseRoom)} before the nose and {Say(seat.EyeRoom)} before the eyes; {wanted}";
        var lead = margin >= Length.Zero ? "" : seat.NoseRoom > seat.EyeRoom ? "Too long: " : "Too short: ";
        return Hard(CriterionName.Seat, margin, lead + rooms, basis) with { Value = seat.NoseRoom, Low = window.Low, High = window.High };
    }

    public Criterion Shove(Seat seat)
    {
        var room = seat.ShoveEyeRoom;
        var basis = Basis.House("nothing may be pushed into an eye; a fault where the dog will push, a warning otherwise");
        var reach = $"Pushed back until the nose touches, the edge goes {Say(-room)} past the eye line";
        var criterion = room >= Length.Zero
            ? new Criterion(CriterionName.Shove, Verdict.Fits, room, $"Pushed back until the nose touches, the edge stays {Say(room)} off the eyes.", basis)
            : request.ShoveMustHold
                ? new(CriterionName.Shove, Verdict.Out, room, $"{reach}; this dog will push, so it may not.", basis)
                : new(CriterionName.Shove, Verdict.Marginal, room, $"{reach}: keep the neck strap at its setting.", basis);
        return criterion with { Value = room, Low = Length.Zero };
    }

    public Criterion ChinRoom(Length room, Sourced? assumedDepth) => Hard(
        CriterionName.ChinRoom, room - FitRules.ChinRoom.Value,
        $"{Say(room)} under the closed jaw; at least {Say(FitRules.ChinRoom.Value)} is wanted", FitRules.ChinRoom.Basis, assumedDepth ?? snout.Height)
        with
    { Value = room, Low = FitRules.ChinRoom.Value };

    public Criterion Gape(Angle gape, Length roomAtNeeded, Sourced? assumedDepth)
    {
        var needed = request.NeededGape;
        var margin = roomAtNeeded - FitRules.FloorClearance.Value;
        var does = Fitting.Gape.Classify(gape) switch
        {
            GapeClass.Closed => "the mouth is as good as closed",
            GapeClass.HalfPant => "half a pant",
            GapeClass.FullPant => "a full pant",
            _ => "a yawn",
        };
        var jaw = roomAtNeeded >= Length.Zero ? $"stays {Say(roomAtNeeded)} above the floor" : $"would go {Say(-roomAtNeeded)} through the floor";
        var opens = $"The mouth opens {gape.Degrees:0}°, {does}; at the {needed.Degrees:0}° needed the jaw {jaw} and {Say(FitRules.FloorClearance.Value)} above is wanted";
        return Hard(CriterionName.Gape, margin, opens, Fitting.Gape.Classify(needed) == GapeClass.HalfPant ? FitRules.HalfPant.Basis : FitRules.FullPant.Basis, assumedDepth ?? snout.Height)
            with
        { Value = roomAtNeeded, Low = FitRules.FloorClearance.Value };
    }

    public Criterion Girth(Length opening, Length needed) => Hard(
        CriterionName.Girth, opening - needed,
        $"{Say(opening)} around the rear edge; {Say(needed)} is needed with the mouth open {request.NeededGape.Degrees:0}°",
        Basis.House("closed girth plus what the turning jaw adds at the fit line"), snout.Girth)
        with
    { Value = opening, Low = needed };

    public Criterion Width(Length spare, Window window)
    {
        var lead = spare < window.Low ? "Too narrow: " : spare > window.High ? "Too wide: " : "";
        return Hard(
            CriterionName.Width, window.MarginOf(spare), $"{lead}{Say(spare)} spare across; {window.Low.ShowRange(window.High, shown)} is wanted",
            FitRules.WidthLow.Basis, snout.Width)
            with
        { Value = spare, Low = window.Low, High = window.High };
    }

    /// <summary>The neck strap's criterion, or why it could not be checked.</summary>
    public (Length? Loop, IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) Strap(Window? strap)
    {
        if (snout.NeckGirth is not { } neck)
            return (null, [], [new(CriterionName.NeckStrap, "Neck girth was not read, so the strap was not checked.")]);
        if (!NeckStrap.CanTake(neck, request.Fingers, request.FingerThickness))
            return (null, [], [new(CriterionName.NeckStrap, $"A neck girth of {Say(neck)} cannot be right, so the strap was not checked.")]);
        var loop = NeckStrap.Loop(neck, request.Fingers, request.FingerThickness);
        if (strap is not { } range)
            return (loop, [], [new(CriterionName.NeckStrap, $"The chart does not give the strap's range; a loop of {Say(loop)} is needed.")]);
        var lead = loop < range.Low ? "The strap is too long: a" : loop > range.High ? "The strap is too short: a" : "A";
        var criterion = Hard(
            CriterionName.NeckStrap, range.MarginOf(loop),
            $"{lead} loop of {Say(loop)} leaves {NeckStrap.FingersInWords(request.Fingers)} under it; the strap makes {range.Low.ShowRange(range.High, shown)}",
            Basis.Practice("one finger for working fits, two for everyday; the loop by the open-belt length, Machinery's Handbook"))
            with
        { Value = loop, Low = range.Low, High = range.High };
        return (loop, [criterion], []);
    }

    /// <summary>Whether the loop could come over the head, or why that could not be checked.</summary>
    public (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) SlipOff(Length? loop)
    {
        if (loop is not { } strap)
            return ([], []);
        if (snout.Numbers.HeadGirth is not { } head)
            return ([], [new(CriterionName.SlipOff, "Head girth was not read, so whether the strap can slip over the head was not checked.")]);
        var basis = Basis.House("a loop larger than the head comes off over it; a forehead strap stops that");
        var says = $"The strap's loop is {Say(strap)}, the head {Say(head)} around";
        if (head >= strap)
            return ([Hard(CriterionName.SlipOff, head - strap, says, basis) with { Value = strap, High = head }], []);
        var criterion = request.ForeheadStrap == ForeheadStrap.None
            ? new Criterion(CriterionName.SlipOff, Verdict.Out, head - strap, $"{says}: it slips off, and no forehead strap can be fitted.", basis)
            : new Criterion(CriterionName.SlipOff, Verdict.Marginal, head - strap, $"{says}: it slips off unless the forehead strap is fitted.", basis);
        return ([criterion with { Value = strap, High = head }], []);
    }

    /// <summary>A bound that has to hold: under it out, within the tape's doubt of it marginal.</summary>
    public Criterion Hard(CriterionName name, Length margin, string says, Basis basis, Sourced? restsOn = null)
    {
        var assumed = restsOn is { Provenance: Provenance.Assumed };
        var verdict = VerdictOf(margin.Millimeters, assumed, snout.SmallDogScale);
        var how = verdict switch
        {
            Verdict.Out => $"{says}, so it misses by {Say(-margin)}.",
            Verdict.Marginal when assumed => $"{says}. Rests on a number that was not read: {restsOn!.How}.",
            Verdict.Marginal => $"{says}. It holds by {Say(margin)} only, less than the tape's own doubt.",
            _ => $"{says}, so there is {Say(margin)} to spare.",
        };
        return new(name, verdict, margin, how, basis);
    }

    private string Say(Length length) => length.Show(shown);
}
