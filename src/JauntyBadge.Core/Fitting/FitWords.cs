using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What the criteria of one muzzle on one snout speak of, and how a bound is told. It decides nothing.</summary>
/// <param name="snout">The snout.</param>
/// <param name="request">How the fit was judged.</param>
/// <param name="all">All that was judged of the muzzle.</param>
/// <param name="type">What sort of muzzle it is.</param>
/// <param name="opening">How far the mouth opens in it; nothing for a sleeve or cover.</param>
/// <param name="wear">How long and how warm it is to be worn; asked of a sleeve or cover only.</param>
/// <param name="holePitch">Distance of the neck strap's holes, mm; 0 for one that slides.</param>
internal sealed class FitWords(
    SnoutModel snout,
    FitRequest request,
    Judgement all,
    MuzzleType type,
    Angle opening = default,
    WearPlan? wear = null,
    double holePitch = 0
)
{
    private readonly MeasuringWords measuring = new(request.Writing);

    public SnoutModel Snout => snout;

    public FitRequest Request => request;

    public Judgement All => all;

    public MuzzleType Type => type;

    public Angle Opening => opening;

    public Length? HolePitch => holePitch > 0 ? Length.FromMillimeters(holePitch) : null;

    public Writing Writing => request.Writing;

    public HouseRules Rules => snout.Rules;

    /// <summary>A criterion.</summary>
    public Criterion Of(in JudgedCriterion c) => MeasuredCriterion.Find(c.Name) is { } criterion ? criterion.Told(this, c) : InWarmth(c);

    /// <summary>A criterion that could not be checked.</summary>
    /// <param name="name">Which.</param>
    /// <param name="why">Why.</param>
    /// <param name="loop">The loop a neck strap must make, mm; NaN when unknown.</param>
    public NotChecked Of(CriterionName name, WhyUnchecked why, double loop) =>
        new(
            name,
            (name, why) switch
            {
                (_, WhyUnchecked.ShapeAssumed) => Writing.Say(
                    $"The chart gives length and girth only: a width of the snout and {request.Writing.Length(Rules[BasketModel.BoxSpareWidth])} and one depth were assumed."
                ),
                (_, WhyUnchecked.NeckTooThin) => Writing.Say(
                    $"A neck girth of {request.Writing.Length(snout.NeckGirth!.Value)} cannot be right, so the strap was not checked."
                ),
                (_, WhyUnchecked.StrapRangeNotGiven) => Writing.Say($"The chart does not give the strap's range; a loop of {Say(loop)} is needed."),
                (_, WhyUnchecked.HeadNotRead) => Writing.Say("Head girth was not read, so whether the strap can slip over the head was not checked."),
                (CriterionName.SlipOff, _) => Writing.Say("Neck girth was not read, so whether the strap can slip over the head was not checked."),
                _ => Writing.Say("Neck girth was not read, so the strap was not checked."),
            },
            why switch
            {
                WhyUnchecked.HeadNotRead => Measure.HeadGirth,
                WhyUnchecked.NeckNotRead or WhyUnchecked.NeckTooThin => Measure.NeckGirth,
                _ => null,
            }
        );

    /// <summary>A bound that has to hold, told by its outcome.</summary>
    public Criterion MustHold(in JudgedCriterion c, string says, Basis basis) =>
        Told(
            c,
            c.Outcome switch
            {
                Outcome.Missed => Writing.Say($"{says}, so it misses by {Say(-c.Margin)}."),
                Outcome.JustHolds when c.RestsOn is { } number => Writing.Say($"{says}. Rests on a number that was not read: {measuring.Of(number.Origin)}."),
                Outcome.JustHolds => Writing.Say($"{says}. It holds by {Say(c.Margin)} only, less than the tape's own doubt."),
                _ => Writing.Say($"{says}, so there is {Say(c.Margin)} to spare."),
            },
            basis
        );

    public Criterion Told(in JudgedCriterion c, string reason, Basis basis) =>
        new(c.Name, c.Outcome, MmOrNull(c.Margin), reason, basis)
        {
            Value = MmOrNull(c.Value),
            Low = MmOrNull(c.Low),
            High = MmOrNull(c.High),
            IsHard = c.IsHard,
            RestsOn = c.RestsOn is { } number ? measuring.Of(number.Origin) : null,
        };

    public static string Missed(in JudgedCriterion c, string under, string over, string otherwise = "") =>
        c.Outcome != Outcome.Missed ? otherwise
        : c.Value < c.Low ? under
        : over;

    public string Range(in JudgedCriterion c) => request.Writing.Range(Length.FromMillimeters(c.Low), Length.FromMillimeters(c.High));

    public string Say(double mm) => request.Writing.Length(Length.FromMillimeters(mm));

    private Criterion InWarmth(in JudgedCriterion c) =>
        Told(
            c,
            Writing.Say("The mouth is held shut, so it cannot cool itself by panting: ")
                + (wear?.Warm == true ? Writing.Say("never in warmth or at exercise.") : Writing.Say("only in the cool, and calm.")),
            Basis.Practice("never in warmth")
        );

    private static Length? MmOrNull(double mm) => double.IsNaN(mm) ? null : Length.FromMillimeters(mm);
}
