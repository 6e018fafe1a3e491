using System.Runtime.CompilerServices;

namespace JauntyBadge.Core.Fitting.Criteria;

/// <summary>Whether it goes round the snout: a basket's rear edge round the opened mouth, a tube round the closed one.</summary>
internal sealed class Girth : MeasuredCriterion
{
    private static readonly Basis ClosedGirth = Basis.House("closed girth plus what the turning jaw adds at the fit line");
    private static readonly Basis MakersRange = Basis.Practice("the maker's girth range");

    public override CriterionName Name => CriterionName.Girth;

    public override string Word => "Girth";

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Margin(in FitGauge gauge, in BasketMm basket) => basket.OpeningGirth - gauge.NeededGirth;

    public static double Margin(in FitGauge gauge, in TubeMm tube) => Math.Min(gauge.SnoutGirth - tube.GirthMin, tube.GirthMax - gauge.SnoutGirth);

    public override Found Of(in BasketCase c) =>
        c.Judge.MustHold(Name, c.Basket.OpeningGirth, c.Judge.Gauge.NeededGirth, FitJudge.None, c.Margins[Name], c.Judge.AssumedGirth);

    public override Found Of(in TubeCase c) =>
        c.Judge.MustHold(Name, c.Judge.Gauge.SnoutGirth, c.Tube.GirthMin, c.Tube.GirthMax, c.Margins[Name], c.Judge.AssumedGirth);

    public override Criterion Told(FitWords words, in JudgedCriterion c) =>
        words.Type == MuzzleType.Basket
            ? words.MustHold(
                c,
                words.Writing.Say(
                    $"{words.Say(c.Value)} around the rear edge; {words.Say(c.Low)} is needed with the mouth open {words.Request.NeededGape.Degrees:0}°"
                ),
                ClosedGirth
            )
            : words.MustHold(c, words.Writing.Say($"The closed snout is {words.Say(c.Value)} around; this size takes {words.Range(c)}"), MakersRange);
}
