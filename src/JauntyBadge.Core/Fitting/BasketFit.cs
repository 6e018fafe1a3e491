using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Judges a basket on a snout: seat, shove, chin room, gape, girth, width, neck strap and slip-off.</summary>
public static class BasketFit
{
    /// <summary>Judges one basket, and says so.</summary>
    public static FitAssessment Assess(SnoutModel snout, BasketModel basket, FitRequest request)
    {
        var judge = new FitJudge(snout, request);
        return Told(judge, BasketMm.Of(basket), judge.Judge(BasketMm.Of(basket), request.ForeheadStrap), snout, request);
    }

    /// <summary>Girth the rear edge must have with the mouth open: C + 4·(xH − xf)·sin(θ/2).</summary>
    public static Length NeededGirth(SnoutModel snout, Angle opening) => Length.FromMillimeters(SnoutMm.Of(snout).GirthAt(Math.Sin(opening.Radians / 2)));

    /// <summary>Judges one basket, numbers only.</summary>
    internal static Judgement Judge(SnoutModel snout, BasketModel basket, FitRequest request) =>
        new FitJudge(snout, request).Judge(BasketMm.Of(basket), request.ForeheadStrap);

    /// <summary>A judged basket in words.</summary>
    internal static FitAssessment Told(FitJudge judge, in BasketMm shape, Judgement judgement, SnoutModel snout, FitRequest request)
    {
        var (gauge, margins) = (judge.Gauge, judgement.Margins);
        var basket = gauge.Seated(shape);
        var noseRoom = gauge.NoseRoom(basket.Length);
        var gape = Fitting.Gape.Of(gauge.GapeRad(shape));
        var words = new FitWords(snout, request, judgement, MuzzleType.Basket, gape, holePitch: shape.Pitch);
        return new FitAssessment(
            new Seat(Mm(noseRoom), Mm(noseRoom + margins[CriterionName.Shove]), Mm(margins[CriterionName.Shove])),
            Mm(margins[CriterionName.ChinRoom]) + snout.Rules[FitRules.ChinRoom],
            gape,
            Mm(gauge.NeededGirth),
            Mm(margins[CriterionName.Girth]),
            Mm(margins[CriterionName.Width]),
            double.IsNaN(gauge.Loop) ? null : Mm(gauge.Loop),
            [.. judgement.Criteria.Select(c => words.Of(c))],
            [.. judgement.Unchecked.Select(u => words.Of(u.Name, u.Why, gauge.Loop))],
            Fitting.Gape.Classify(gape, snout.Rules)
        );
    }

    private static Length Mm(double mm) => Length.FromMillimeters(mm);
}
