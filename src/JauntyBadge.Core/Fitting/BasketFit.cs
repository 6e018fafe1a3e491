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
        var widthWindow = new Window(FitRules.WidthLow.Value, FitRules.WidthHigh.Value);
        var spareWidth = basket.WidthRear - snout.Width.Value;
        var neededGirth = Length.FromMillimeters(asked.NeededGirth);
        var strap = judge.Strap(basket.NeckStrap, margins.NeckStrap);
        var slip = judge.SlipOff(shape.SetLoop(asked.MarkedFor), margins.SlipOff);
        List<Criterion> criteria =
        [
            judge.Seat(seat, window, windowBasis, Mm(margins.Seat)),
            judge.Shove(seat),
            judge.ChinRoom(Mm(margins.ChinRoom), assumed),
            judge.Gape(gape, Mm(margins.Gape), assumed),
            judge.Girth(basket.OpeningGirth, neededGirth, Mm(margins.Girth)),
            judge.Large(Mm(margins.Large), Mm(margins.FarTooLarge), Mm(margins.Gape), basket.OpeningGirth, neededGirth),
        ];
        List<NotChecked> notChecked = [];
        if (basket.AssumedShape)
            notChecked.Add(new(CriterionName.Width, $"The chart gives length and girth only: a width of the snout and {BasketModel.BoxSpareWidth.Value.Show(request.Shown)} and one depth were assumed."));
        else
            criteria.Add(judge.Width(spareWidth, widthWindow, Mm(margins.Width)));
        return new FitAssessment(
            seat, Mm(margins.ChinRoom) + FitRules.ChinRoom.Value, gape, neededGirth, basket.OpeningGirth - neededGirth, widthWindow.MarginOf(spareWidth), strap.Loop,
            [.. criteria, .. strap.Criteria, .. slip.Criteria], [.. notChecked, .. strap.NotChecked, .. slip.NotChecked]);
    }

    private static Length Mm(double mm) => Length.FromMillimeters(mm);

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

    /// <summary>How being too large comes out: a warning, and no fit far beyond it.</summary>
    public static Verdict VerdictOfLarge(double marginMm, double farMarginMm) =>
        farMarginMm < -Asked.Slack ? Verdict.Out : marginMm < -Asked.Slack ? Verdict.Marginal : Verdict.Fits;

    public Criterion Seat(Seat seat, Window window, Basis basis, Length margin)
    {
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

    public Criterion ChinRoom(Length margin, Sourced? assumedDepth) => Hard(
        CriterionName.ChinRoom, margin,
        $"{Say(margin + FitRules.ChinRoom.Value)} under the closed jaw; at least {Say(FitRules.ChinRoom.Value)} is wanted", FitRules.ChinRoom.Basis, assumedDepth ?? snout.Height)
        with
    { Value = margin + FitRules.ChinRoom.Value, Low = FitRules.ChinRoom.Value };

    public Criterion Gape(Angle gape, Length margin, Sourced? assumedDepth)
    {
        var needed = request.NeededGape;
        var roomAtNeeded = margin + FitRules.FloorClearance.Value;
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

    /// <summary>Too large: what hangs below the jaw beyond need, or goes around too wide.</summary>
    public Criterion Large(Length margin, Length farMargin, Length room, Length opening, Length needed)
    {
        var verdict = VerdictOfLarge(margin.Millimeters, farMargin.Millimeters);
        var says = $"{Say(UnitMath.Max(room, Length.Zero))} hangs below the jaw beyond what the needed opening asks, up to {Say(FitRules.LargeRoom.Value)} may; {opening / needed:0.00} times the girth needed, up to {FitRules.LargeGirth.Value:0.0} may be";
        return new(CriterionName.Large, verdict, verdict == Verdict.Out ? farMargin : margin, verdict == Verdict.Fits ? $"{says}." : $"Large: it hangs and swings. {says}.", FitRules.LargeRoom.Basis)
        {
            Value = room,
            High = FitRules.LargeRoom.Value,
        };
    }

    public Criterion Girth(Length opening, Length needed, Length margin) => Hard(
        CriterionName.Girth, margin,
        $"{Say(opening)} around the rear edge; {Say(needed)} is needed with the mouth open {request.NeededGape.Degrees:0}°",
        Basis.House("closed girth plus what the turning jaw adds at the fit line"), snout.Girth)
        with
    { Value = opening, Low = needed };

    public Criterion Width(Length spare, Window window, Length margin)
    {
        var lead = spare < window.Low ? "Too narrow: " : spare > window.High ? "Too wide: " : "";
        return Hard(
            CriterionName.Width, margin, $"{lead}{Say(spare)} spare across; {window.Low.ShowRange(window.High, shown)} is wanted",
            FitRules.WidthLow.Basis, snout.Width)
            with
        { Value = spare, Low = window.Low, High = window.High };
    }

    /// <summary>The neck strap's criterion, or why it could not be checked.</summary>
    public (Length? Loop, IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) Strap(Window? strap, double marginMm)
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
            CriterionName.NeckStrap, Length.FromMillimeters(marginMm),
            $"{lead} loop of {Say(loop)} leaves {NeckStrap.FingersInWords(request.Fingers)} under it; the strap makes {range.Low.ShowRange(range.High, shown)}",
            Basis.Practice("one finger for working fits, two for everyday; the loop by the open-belt length, Machinery's Handbook"))
            with
        { Value = loop, Low = range.Low, High = range.High };
        return (loop, [criterion], []);
    }

    /// <summary>Whether the loop as it will be set could come over the head, or why that could not be checked.</summary>
    public (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) SlipOff(double setMm, double marginMm)
    {
        if (double.IsNaN(setMm))
            return ([], [new(CriterionName.SlipOff, "Neck girth was not read, so whether the strap can slip over the head was not checked.")]);
        if (snout.Numbers.HeadGirth is not { } head)
            return ([], [new(CriterionName.SlipOff, "Head girth was not read, so whether the strap can slip over the head was not checked.")]);
        var basis = Basis.House("a loop larger than the head comes off over it; a forehead strap stops that");
        var set = Length.FromMillimeters(setMm);
        var says = $"Set as it will be marked the strap's loop is {Say(set)}, the head {Say(head)} around";
        var margin = Length.FromMillimeters(marginMm);
        var criterion = marginMm >= -Asked.Slack
            ? Hard(CriterionName.SlipOff, margin, says, basis)
            : request.ForeheadStrap == ForeheadStrap.None
                ? new Criterion(CriterionName.SlipOff, Verdict.Out, margin, $"{says}: it slips off, and no forehead strap can be fitted.", basis)
                : new Criterion(CriterionName.SlipOff, Verdict.Marginal, margin, $"{says}: it slips off unless the forehead strap is fitted.", basis);
        return ([criterion with { Value = set, High = head }], []);
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
