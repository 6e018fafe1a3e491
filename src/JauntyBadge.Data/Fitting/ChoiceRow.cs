using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Fitting;

/// <summary>A muzzle chosen for a dog, with everything as it was on that day.</summary>
public sealed class ChoiceRow : INumbered, IOfDog
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime ChosenAt { get; set; }
    public DateTime? WithdrawnAt { get; set; }
    public required string SizeId { get; set; }

    /// <summary>A <see cref="KeptFit"/> as JSON.</summary>
    public required string Kept { get; set; }

    public KeptFit KeptFit => JsonColumn.Read<KeptFit>(Kept);

    /// <summary>Keeps a ranked fit for a dog.</summary>
    /// <param name="dogId">The dog.</param>
    /// <param name="fit">The muzzle as judged.</param>
    /// <param name="note">What the fitter adds.</param>
    /// <param name="at">When.</param>
    /// <param name="rulesId">The kept numbers it stood on.</param>
    /// <param name="training">What it is to train in, where that is what it is kept for; it is then judged as such.</param>
    public static ChoiceRow Of(Guid dogId, RankedFit fit, string? note, DateTime at, string rulesId, string? training = null) =>
        new()
        {
            Id = Guid.NewGuid(),
            DogId = dogId,
            ChosenAt = at,
            SizeId = fit.Size.Id,
            Kept = JsonColumn.Write(KeptFit.Of(fit, note, rulesId, training)),
        };
}

/// <summary>The reasons of a choice as they were: later catalogues, readings or rules do not change it.</summary>
/// <param name="Muzzle">The model as it was, with this size only; null in choices kept before models had versions.</param>
/// <param name="Numbers">The snout's numbers, to draw it again; null in older choices.</param>
/// <param name="Brief">The brief with what was overruled; null in older choices.</param>
/// <param name="Strap">The setting to mark on the neck strap.</param>
/// <param name="Chance">Chance that the whole holds.</param>
/// <param name="RulesId">Every number it stood on, by the fingerprint they are kept under; null in older choices.</param>
/// <param name="OwnRules">Those of them that were the practice's own; null in older choices.</param>
public sealed record KeptFit(
    string Model,
    string Maker,
    MuzzleType Type,
    MuzzleSize Size,
    FitStyle FitStyle,
    int Fingers,
    double NeededGapeDeg,
    Verdict Verdict,
    double? GapeDeg,
    double? NeckLoopMm,
    IReadOnlyList<KeptCriterion> Criteria,
    IReadOnlyList<KeptNumber> Snout,
    IReadOnlyList<string> NotChecked,
    string? Note,
    MuzzleModel? Muzzle = null,
    KeptSnout? Numbers = null,
    IReadOnlyList<BriefLine>? Brief = null,
    KeptStrap? Strap = null,
    double? Chance = null,
    string? RulesId = null,
    IReadOnlyList<KeptRule>? OwnRules = null
)
{
    /// <summary>The muzzle over the snout as it was; null where the numbers were not kept, or for a sleeve or cover.</summary>
    public FitDrawing? Draw()
    {
        if (Numbers is null || Type != MuzzleType.Basket)
            return null;
        var snout = SnoutModel.From(Numbers.ToNumbers() with { Rules = new HouseRules((OwnRules ?? []).Select(r => KeyValuePair.Create(r.Id, r.Value))) });
        var basket = Size.Basket(snout);
        return FitDrawing.Of(
            snout,
            basket,
            BasketFit.Assess(snout, basket, new FitRequest(FitStyle, Angle.FromDegrees(NeededGapeDeg), Fingers, FitRules.Finger.Ours))
        );
    }

    internal static KeptFit Of(RankedFit fit, string? note, string rulesId, string? training)
    {
        Criterion As(Criterion c) => training is null ? c : TrainingMuzzle.InTraining(c);
        var (snout, brief) = (fit.Snout, fit.Brief);
        return new KeptFit(
            fit.Model.Name,
            fit.Model.Maker,
            fit.Model.Type,
            fit.Size,
            brief.FitStyle,
            brief.Fingers,
            brief.NeededGape.Degrees,
            training is null ? fit.Verdict : Verdict.Marginal,
            fit.Assessment?.Gape.Degrees,
            fit.Assessment?.NeckLoop?.Millimeters,
            [.. fit.Criteria.Select(As).Select(c => new KeptCriterion(c.Name, c.Verdict, c.Margin?.Millimeters, c.Reason, c.Basis.ToString()))],
            [.. snout.Sources.Select(s => new KeptNumber(s.Name, Math.Round(s.Number.Mm, 2), s.Number.Provenance, MeasuringWords.Of(s.Number.Origin)))],
            [.. fit.NotChecked.Select(n => n.Reason)],
            training is null ? note : string.Join(" ", new[] { $"To train in. {training}", note }.OfType<string>()),
            fit.Model with
            {
                Sizes = [fit.Size],
            },
            KeptSnout.Of(snout.Numbers),
            brief.Lines,
            fit.Strap is { } strap ? new KeptStrap(Math.Round(strap.Loop.Millimeters, 1), strap.Hole, strap.Holes, strap.FromTightest?.Millimeters) : null,
            fit.Chance,
            rulesId,
            [.. fit.Brief.Rules.Own.Select(o => new KeptRule(o.Key, o.Value))]
        );
    }
}

/// <summary>One criterion as it was.</summary>
public sealed record KeptCriterion(CriterionName Name, Verdict Verdict, double? MarginMm, string Reason, string Basis);

/// <summary>One number of the snout as it was.</summary>
public sealed record KeptNumber(string Name, double Mm, Provenance Provenance, string How);

/// <summary>The strap's setting as it was to be marked.</summary>
public sealed record KeptStrap(double LoopMm, int? Hole, int? Holes, double? FromTightestMm);

/// <summary>One number of the practice's own, in the number's unit.</summary>
public sealed record KeptRule(string Id, double Value);

/// <summary>One length as it was.</summary>
public sealed record KeptLength(Measure Measure, Side? Side, double Mm);

/// <summary>The lengths a snout was built from.</summary>
public sealed record KeptSnout(IReadOnlyList<KeptLength> Lengths, double? FitLineGapMm, HeadShape HeadShape)
{
    public static KeptSnout Of(SnoutNumbers numbers) =>
        new(
            [.. numbers.Lengths.Select(l => new KeptLength(l.Key.Measure, l.Key.Side, l.Value.Millimeters))],
            numbers.FitLineGap?.Millimeters,
            numbers.HeadShape
        );

    public SnoutNumbers ToNumbers() =>
        SnoutNumbers.From(Lengths.Select(l => KeyValuePair.Create(new MeasureLine(l.Measure, l.Side), Length.FromMillimeters(l.Mm))), HeadShape) with
        {
            FitLineGap = FitLineGapMm is { } gap ? Length.FromMillimeters(gap) : null,
        };
}
