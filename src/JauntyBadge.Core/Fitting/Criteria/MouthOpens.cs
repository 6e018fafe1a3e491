using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Room under the jaw, opened as far as it has to be.</summary>
internal sealed class MouthOpens : MeasuredCriterion
{
    public override CriterionName Name => CriterionName.Gape;

    public override string Word => "Gape";

    /// <summary>Over a floor that does not rise, the needed opening itself tells what the way there would.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in FloorLine floor) =>
        (floor.Slope <= 0 && floor.RearX <= gauge.MonotoneUpTo ? gauge.Open.Room(floor) : gauge.Jaw.LeastRoom(floor, gauge.NeededRad))
        - gauge.Rules.FloorClearance;

    public override Found Of(in BasketCase c)
    {
        var least = c.Judge.Gauge.Rules.FloorClearance;
        return c.Judge.MustHold(Name, c.Margins[Name] + least, least, FitJudge.None, c.Margins[Name], c.Depth);
    }

    /// <summary>A tube holds the mouth shut, so that it never comes out as a plain fit.</summary>
    public override Found Of(in TubeCase c) => FitJudge.Warned(Name);

    public override Criterion Told(FitWords words, in JudgedCriterion c)
    {
        var needed = words.Request.NeededGape;
        if (words.Type != MuzzleType.Basket)
            return words.Told(
                c,
                words.Writing.Say(
                    $"The mouth is held shut: of the {needed.Degrees:0}° this wear would ask for there are none. No panting, drinking or vomiting, "
                        + $"so {FitRules.Cap(words.Type, words.Rules)!.Value.TotalMinutes:0} minutes at most, watched all the time."
                ),
                words.Rules.Basis(FitRules.HalfPant)
            );
        var does = Gape.Classify(words.Opening, words.Rules) switch
        {
            GapeClass.Closed => words.Writing.Say("the mouth is as good as closed"),
            GapeClass.HalfPant => words.Writing.Say("half a pant"),
            GapeClass.FullPant => words.Writing.Say("a full pant"),
            _ => words.Writing.Say("a yawn"),
        };
        var jaw =
            c.Value >= 0
                ? words.Writing.Say($"stays {words.Say(c.Value)} above the floor")
                : words.Writing.Say($"would go {words.Say(-c.Value)} through the floor");
        return words.MustHold(
            c,
            words.Writing.Say(
                $"The mouth opens {words.Opening.Degrees:0}°, {does}; at the {needed.Degrees:0}° needed the jaw {jaw} and {words.Say(c.Low)} above is wanted"
            ),
            words.Rules.Basis(Gape.Classify(needed, words.Rules) == GapeClass.HalfPant ? FitRules.HalfPant : FitRules.FullPant)
        );
    }
}
