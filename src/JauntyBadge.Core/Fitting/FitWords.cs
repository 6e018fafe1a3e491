using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>The words for what was judged of a muzzle on a snout. It decides nothing.</summary>
internal sealed class FitWords(SnoutModel snout, FitRequest request)
{
    private static readonly Basis Eyes = Basis.House("nothing may be pushed into an eye; a fault where the dog will push, a warning otherwise");
    private static readonly Basis ClosedGirth = Basis.House("closed girth plus what the turning jaw adds at the fit line");
    private static readonly Basis OverTheHead = Basis.House("a loop larger than the head comes off over it; a forehead strap stops that");
    private static readonly Basis MakersRange = Basis.Practice("the maker's girth range");
    private static readonly Basis Fingers = Basis.Practice(
        "one finger for working fits, two for everyday; the loop by the open-belt length, Machinery's Handbook"
    );

    private readonly ReadingUnit shown = request.Shown;
    private readonly HouseRules rules = snout.Rules;

    /// <summary>A criterion of a basket.</summary>
    /// <param name="c">The criterion as judged.</param>
    /// <param name="gape">How far the mouth opens in it.</param>
    /// <param name="all">All that was judged of it.</param>
    public Criterion Of(in JudgedCriterion c, Angle gape, Judgement all) =>
        c.Name switch
        {
            CriterionName.Seat => MustHold(c, Seat(c, all.Margins.Shove), FitRules.SeatWindow(request.FitStyle, snout).Basis),
            CriterionName.Shove => Told(c, Shove(c), Eyes),
            CriterionName.ChinRoom => MustHold(c, $"{Say(c.Value)} under the closed jaw; at least {Say(c.Low)} is wanted", rules.Basis(FitRules.ChinRoom)),
            CriterionName.Gape => MustHold(
                c,
                Gape(c, gape),
                Fitting.Gape.Classify(request.NeededGape, rules) == GapeClass.HalfPant ? rules.Basis(FitRules.HalfPant) : rules.Basis(FitRules.FullPant)
            ),
            CriterionName.Girth => MustHold(
                c,
                $"{Say(c.Value)} around the rear edge; {Say(c.Low)} is needed with the mouth open {request.NeededGape.Degrees:0}°",
                ClosedGirth
            ),
            CriterionName.Width => MustHold(
                c,
                $"{Missed(c, "Too narrow: ", "Too wide: ")}{Say(c.Value)} spare across; {Range(c)} is wanted",
                rules.Basis(FitRules.WidthLow)
            ),
            CriterionName.Large => Told(c, Large(c, all), rules.Basis(FitRules.LargeRoom)),
            _ => OfStrap(c),
        };

    /// <summary>A criterion of a sleeve or face cover.</summary>
    /// <param name="c">The criterion as judged.</param>
    /// <param name="type">A sleeve or a cover.</param>
    /// <param name="wear">How long and how warm it is to be worn.</param>
    public Criterion OfTube(in JudgedCriterion c, MuzzleType type, WearPlan wear) =>
        c.Name switch
        {
            CriterionName.Seat => MustHold(
                c,
                $"Its edge ends {Say(c.Value)} before the eyes; at least {Say(c.Low)} is wanted",
                rules.Basis(FitRules.SleeveEyeRoom)
            ),
            CriterionName.Girth => MustHold(c, $"The closed snout is {Say(c.Value)} around; this size takes {Range(c)}", MakersRange),
            CriterionName.Gape => Told(
                c,
                $"The mouth is held shut: of the {request.NeededGape.Degrees:0}° this wear would ask for there are none. No panting, drinking or vomiting, "
                    + $"so {FitRules.Cap(type, rules)!.Value.TotalMinutes:0} minutes at most, watched all the time.",
                rules.Basis(FitRules.HalfPant)
            ),
            CriterionName.Heat => Told(
                c,
                "The mouth is held shut, so it cannot cool itself by panting: "
                    + (wear.Warm ? "never in warmth or at exercise." : "only in the cool, and calm."),
                Basis.Practice("never in warmth")
            ),
            _ => OfStrap(c),
        };

    /// <summary>A criterion that could not be checked.</summary>
    /// <param name="name">Which.</param>
    /// <param name="why">Why.</param>
    /// <param name="loop">The loop a neck strap must make, mm; NaN when unknown.</param>
    public NotChecked Of(CriterionName name, WhyUnchecked why, double loop) =>
        new(
            name,
            (name, why) switch
            {
                (_, WhyUnchecked.ShapeAssumed) =>
                    $"The chart gives length and girth only: a width of the snout and {rules[BasketModel.BoxSpareWidth].Show(shown)} and one depth were assumed.",
                (_, WhyUnchecked.NeckTooThin) => $"A neck girth of {snout.NeckGirth!.Value.Show(shown)} cannot be right, so the strap was not checked.",
                (_, WhyUnchecked.StrapRangeNotGiven) => $"The chart does not give the strap's range; a loop of {Say(loop)} is needed.",
                (_, WhyUnchecked.HeadNotRead) => "Head girth was not read, so whether the strap can slip over the head was not checked.",
                (CriterionName.SlipOff, _) => "Neck girth was not read, so whether the strap can slip over the head was not checked.",
                _ => "Neck girth was not read, so the strap was not checked.",
            }
        );

    private Criterion OfStrap(in JudgedCriterion c) =>
        c.Name == CriterionName.NeckStrap
            ? MustHold(
                c,
                $"{Missed(c, "The strap is too long: a", "The strap is too short: a", "A")} loop of {Say(c.Value)} leaves {NeckStrap.FingersInWords(request.Fingers)} under it; the strap makes {Range(c)}",
                Fingers
            )
            : SlipOff(c);

    private string Seat(in JudgedCriterion c, double shove) =>
        $"{Missed(c, "Too short: ", "Too long: ")}{Say(c.Value)} before the nose and {Say(c.Value + shove)} before the eyes; {Range(c)} of each is wanted";

    private string Shove(in JudgedCriterion c)
    {
        if (c.Outcome == Outcome.Holds)
            return $"Pushed back until the nose touches, the edge stays {Say(c.Value)} off the eyes.";
        var reach = $"Pushed back until the nose touches, the edge goes {Say(-c.Value)} past the eye line";
        return c.Outcome == Outcome.Missed ? $"{reach}; this dog will push, so it may not." : $"{reach}: keep the neck strap at its setting.";
    }

    private string Gape(in JudgedCriterion c, Angle gape)
    {
        var does = Fitting.Gape.Classify(gape, rules) switch
        {
            GapeClass.Closed => "the mouth is as good as closed",
            GapeClass.HalfPant => "half a pant",
            GapeClass.FullPant => "a full pant",
            _ => "a yawn",
        };
        var jaw = c.Value >= 0 ? $"stays {Say(c.Value)} above the floor" : $"would go {Say(-c.Value)} through the floor";
        return $"The mouth opens {gape.Degrees:0}°, {does}; at the {request.NeededGape.Degrees:0}° needed the jaw {jaw} and {Say(c.Low)} above is wanted";
    }

    private string Large(in JudgedCriterion c, Judgement all)
    {
        var girth = all.Of(CriterionName.Girth)!.Value;
        var lead = c.Outcome == Outcome.Holds ? "" : "Large: it hangs and swings. ";
        return $"{lead}{Say(Math.Max(c.Value, 0))} hangs below the jaw beyond what the needed opening asks, up to {Say(c.High)} may; "
            + $"{girth.Value / girth.Low:0.00} times the girth needed, up to {rules[FitRules.LargeGirth]:0.0} may be"
            + (c.Outcome == Outcome.Holds ? "." : $": {Say(-c.Margin)} too much.");
    }

    private Criterion SlipOff(in JudgedCriterion c)
    {
        var says = $"Set as it will be marked the strap's loop is {Say(c.Value)}, the head {Say(c.High)} around";
        return c.Outcome switch
        {
            Outcome.Missed => Told(c, $"{says}: it slips off, and no forehead strap can be fitted.", OverTheHead),
            Outcome.Warning => Told(c, $"{says}: it slips off unless the forehead strap is fitted.", OverTheHead),
            _ => MustHold(c, says, OverTheHead),
        };
    }

    /// <summary>A bound that has to hold, told by its outcome.</summary>
    private Criterion MustHold(in JudgedCriterion c, string says, Basis basis) =>
        Told(
            c,
            c.Outcome switch
            {
                Outcome.Missed => $"{says}, so it misses by {Say(-c.Margin)}.",
                Outcome.JustHolds when c.RestsOn is { } number => $"{says}. Rests on a number that was not read: {MeasuringWords.Of(number.Origin)}.",
                Outcome.JustHolds => $"{says}. It holds by {Say(c.Margin)} only, less than the tape's own doubt.",
                _ => $"{says}, so there is {Say(c.Margin)} to spare.",
            },
            basis
        );

    private static Criterion Told(in JudgedCriterion c, string reason, Basis basis) =>
        new(c.Name, c.Outcome, MmOrNull(c.Margin), reason, basis)
        {
            Value = MmOrNull(c.Value),
            Low = MmOrNull(c.Low),
            High = MmOrNull(c.High),
            IsHard = c.IsHard,
            RestsOn = c.RestsOn is { } number ? MeasuringWords.Of(number.Origin) : null,
        };

    private static string Missed(in JudgedCriterion c, string under, string over, string otherwise = "") =>
        c.Outcome != Outcome.Missed ? otherwise
        : c.Value < c.Low ? under
        : over;

    private string Range(in JudgedCriterion c) => Length.FromMillimeters(c.Low).ShowRange(Length.FromMillimeters(c.High), shown);

    private string Say(double mm) => Length.FromMillimeters(mm).Show(shown);

    private static Length? MmOrNull(double mm) => double.IsNaN(mm) ? null : Length.FromMillimeters(mm);
}
