using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Judges a basket on a snout: seat, shove, chin room, gape, girth, width and neck strap.</summary>
public static class BasketFit
{
    /// <summary>Judges one basket.</summary>
    public static FitAssessment Assess(SnoutModel snout, BasketModel basket, FitRequest request)
    {
        var (window, windowBasis) = FitRules.SeatWindow(request.School, snout);
        var seat = Seat.Of(snout, basket, window);
        var judge = new Judge(snout, request);
        var chinRoom = Gape.FloorRoom(snout, basket, seat, Angle.Zero);
        var gape = Gape.Widest(snout, basket, seat);
        var neededGirth = NeededGirth(snout, request.NeededGape);
        var spareWidth = basket.WidthRear - snout.Width.Value;
        var widthWindow = new Window(FitRules.WidthLow.Value, FitRules.WidthHigh.Value);
        var strap = judge.Strap(new Window(basket.NeckStrapMin, basket.NeckStrapMax));

        var criteria = new List<Criterion>
        {
            judge.Seat(seat, window, windowBasis),
            judge.Shove(seat),
            judge.ChinRoom(chinRoom),
            judge.Gape(gape, Gape.FloorRoom(snout, basket, seat, request.NeededGape)),
            judge.Girth(basket.OpeningGirth, neededGirth),
            judge.Width(spareWidth, widthWindow),
        };
        return new FitAssessment(
            seat, chinRoom, gape, neededGirth, basket.OpeningGirth - neededGirth, widthWindow.MarginOf(spareWidth), strap.Loop,
            [.. criteria, .. strap.Criteria], strap.NotChecked);
    }

    /// <summary>Girth the rear edge must have with the mouth open: C + 4·(xH − xf)·sin(θ/2).</summary>
    public static Length NeededGirth(SnoutModel snout, Angle opening) =>
        snout.Girth.Value + 4 * (snout.Hinge.Value - snout.FitLine.Value) * Math.Sin(opening.Radians / 2);
}

/// <summary>Turns numbers into verdicts and sentences for one snout and one request.</summary>
internal sealed class Judge(SnoutModel snout, FitRequest request)
{
    /// <summary>Doubles of numbers that meet a bound exactly may land this far beyond it.</summary>
    private static readonly Length RoundingSlack = Length.FromMillimeters(1e-9);

    private readonly ReadingUnit shown = request.Shown;

    public Criterion Seat(Seat seat, Window window, Basis basis)
    {
        var margin = UnitMath.Min(window.MarginOf(seat.NoseRoom), window.MarginOf(seat.EyeRoom));
        var wanted = $"{window.Low.ShowRange(window.High, shown)} of each is wanted";
        var rooms = $"{Say(seat.NoseRoom)} before the nose and {Say(seat.EyeRoom)} before the eyes; {wanted}";
        var lead = margin >= Length.Zero ? "" : seat.NoseRoom > seat.EyeRoom ? "Too long: " : "Too short: ";
        return Hard(CriterionName.Seat, margin, lead + rooms, basis);
    }

    public Criterion Shove(Seat seat)
    {
        var room = seat.ShoveEyeRoom;
        var mustHold = request.School == School.Working || request.BiteTier >= BiteTier.Injured;
        var basis = Basis.House("nothing may be pushed into an eye; a fault where the dog will push, a warning otherwise");
        if (room >= Length.Zero)
            return new(CriterionName.Shove, Verdict.Fits, room, $"Pushed back until the nose touches, the edge stays {Say(room)} off the eyes.", basis);
        var reach = $"Pushed back until the nose touches, the edge goes {Say(-room)} past the eye line";
        return mustHold
            ? new(CriterionName.Shove, Verdict.Out, room, $"{reach}; this dog will push, so it may not.", basis)
            : new(CriterionName.Shove, Verdict.Marginal, room, $"{reach}: keep the neck strap at its setting.", basis);
    }

    public Criterion ChinRoom(Length room) => Hard(
        CriterionName.ChinRoom, room - FitRules.ChinRoom.Value,
        $"{Say(room)} under the closed jaw; at least {Say(FitRules.ChinRoom.Value)} is wanted", FitRules.ChinRoom.Basis, snout.Height);

    public Criterion Gape(Angle gape, Length roomAtNeeded)
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
        return Hard(CriterionName.Gape, margin, opens, Fitting.Gape.Classify(needed) == GapeClass.HalfPant ? FitRules.HalfPant.Basis : FitRules.FullPant.Basis, snout.Height);
    }

    public Criterion Girth(Length opening, Length needed) => Hard(
        CriterionName.Girth, opening - needed,
        $"{Say(opening)} around the rear edge; {Say(needed)} is needed with the mouth open {request.NeededGape.Degrees:0}°",
        Basis.House("closed girth plus what the turning jaw adds at the fit line"), snout.Girth);

    public Criterion Width(Length spare, Window window)
    {
        var lead = spare < window.Low ? "Too narrow: " : spare > window.High ? "Too wide: " : "";
        return Hard(
            CriterionName.Width, window.MarginOf(spare), $"{lead}{Say(spare)} spare across; {window.Low.ShowRange(window.High, shown)} is wanted",
            FitRules.WidthLow.Basis, snout.Width);
    }

    /// <summary>The neck strap's criterion, or why it could not be checked.</summary>
    public (Length? Loop, IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) Strap(Window range)
    {
        if (snout.NeckGirth is not { } neck)
            return (null, [], [new(CriterionName.NeckStrap, "Neck girth was not read, so the strap was not checked.")]);
        if (!NeckStrap.CanTake(neck, request.Fingers, request.FingerThickness))
            return (null, [], [new(CriterionName.NeckStrap, $"A neck girth of {Say(neck)} cannot be right, so the strap was not checked.")]);
        var loop = NeckStrap.Loop(neck, request.Fingers, request.FingerThickness);
        var fingers = request.Fingers switch { 0 => "no finger", 1 => "one finger", 2 => "two fingers", var n => $"{n} fingers" };
        var lead = loop < range.Low ? "The strap is too long: a" : loop > range.High ? "The strap is too short: a" : "A";
        var criterion = Hard(
            CriterionName.NeckStrap, range.MarginOf(loop),
            $"{lead} loop of {Say(loop)} leaves {fingers} under it; the strap makes {range.Low.ShowRange(range.High, shown)}",
            Basis.Practice("one finger for working fits, two for everyday; the loop by the open-belt length, Machinery's Handbook"));
        return (loop, [criterion], []);
    }

    /// <summary>A bound that has to hold: under it out, within the tape's doubt of it marginal.</summary>
    public Criterion Hard(CriterionName name, Length margin, string says, Basis basis, Sourced? restsOn = null)
    {
        if (margin < -RoundingSlack)
            return new(name, Verdict.Out, margin, $"{says}, so it misses by {Say(-margin)}.", basis);
        if (restsOn is { Provenance: Provenance.Assumed })
            return new(name, Verdict.Marginal, margin, $"{says}. Rests on a number that was not read: {restsOn.How}.", basis);
        var close = margin < FitRules.Marginal.Value * snout.SmallDogScale;
        return close
            ? new(name, Verdict.Marginal, margin, $"{says}. It holds by {Say(margin)} only, less than the tape's own doubt.", basis)
            : new(name, Verdict.Fits, margin, $"{says}, so there is {Say(margin)} to spare.", basis);
    }

    private string Say(Length length) => length.Show(shown);
}
