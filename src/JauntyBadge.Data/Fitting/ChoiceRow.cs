using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Data.Fitting;

/// <summary>A muzzle chosen for a dog, with everything as it was on that day.</summary>
public sealed class ChoiceRow : INumbered
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public Guid DogId { get; set; }
    public DateTime ChosenAt { get; set; }
    public DateTime? WithdrawnAt { get; set; }
    public required string SizeId { get; set; }

    /// <summary>A <see cref="KeptFit"/> as JSON.</summary>
    public required string Kept { get; set; }

    public KeptFit KeptFit => Stored.Read<KeptFit>(Kept);

    /// <summary>Keeps a ranked fit for a dog.</summary>
    /// <param name="training">What it is to train in, where that is what it is kept for; it is then judged as such.</param>
    public static ChoiceRow Of(Guid dogId, RankedFit fit, string? note, DateTime at, string? training = null) => new()
    {
        Id = Guid.NewGuid(),
        DogId = dogId,
        ChosenAt = at,
        SizeId = fit.Size.Id,
        Kept = Stored.Write(KeptFit.Of(fit, note, training)),
    };
}

/// <summary>The reasons of a choice as they were: later catalogues, readings or rules do not change it.</summary>
/// <param name="Muzzle">The model as it was, with this size only; null in choices kept before models had versions.</param>
/// <param name="Numbers">The snout's numbers, to draw it again; null in older choices.</param>
/// <param name="Brief">The brief with what was overruled; null in older choices.</param>
/// <param name="Strap">The setting to mark on the neck strap.</param>
/// <param name="Chance">Chance that the whole holds.</param>
public sealed record KeptFit(
    string Model, string Maker, MuzzleType Type, MuzzleSize Size, School School, int Fingers, double NeededGapeDeg, Verdict Verdict,
    double? GapeDeg, double? NeckLoopMm, IReadOnlyList<KeptCriterion> Criteria, IReadOnlyList<KeptNumber> Snout, IReadOnlyList<string> NotChecked,
    string? Note, MuzzleModel? Muzzle = null, KeptSnout? Numbers = null, IReadOnlyList<BriefLine>? Brief = null, KeptStrap? Strap = null, double? Chance = null)
{
    /// <summary>The muzzle over the snout as it was; null where the numbers were not kept, or for a sleeve or cover.</summary>
    public FitDrawing? Draw()
    {
        if (Numbers is null || Type != MuzzleType.Basket)
            return null;
        var snout = SnoutModel.From(Numbers.ToNumbers());
        var basket = Size.Basket(snout.Width.Value);
        return FitDrawing.Of(snout, basket, BasketFit.Assess(snout, basket, new FitRequest(School, Angle.FromDegrees(NeededGapeDeg), Fingers, FitRules.Finger.Value)));
    }

    internal static KeptFit Of(RankedFit fit, string? note, string? training)
    {
        Criterion As(Criterion c) => training is null ? c : TrainingMuzzle.InTraining(c);
        var (snout, brief) = (fit.Snout, fit.Brief);
        return new KeptFit(
            fit.Model.Name, fit.Model.Maker, fit.Model.Type, fit.Size, brief.School, brief.Fingers, brief.NeededGape.Degrees, training is null ? fit.Verdict : Verdict.Marginal,
            fit.Assessment?.Gape.Degrees, fit.Assessment?.NeckLoop?.Millimeters,
            [.. fit.Criteria.Select(As).Select(c => new KeptCriterion(c.Name, c.Verdict, c.Margin?.Millimeters, c.Reason, c.Basis.ToString()))],
            [.. snout.Sources.Select(s => new KeptNumber(s.Name, Math.Round(s.Number.Mm, 2), s.Number.Provenance, s.Number.How))],
            [.. fit.NotChecked.Select(n => n.Reason)], training is null ? note : string.Join(" ", new[] { $"To train in. {training}", note }.OfType<string>()), fit.Model with { Sizes = [fit.Size] }, KeptSnout.Of(snout.Numbers), brief.Lines,
            fit.Strap is { } strap ? new KeptStrap(Math.Round(strap.Loop.Millimeters, 1), strap.Hole, strap.Holes, strap.FromTightest?.Millimeters) : null, fit.Chance);
    }
}

/// <summary>One criterion as it was.</summary>
public sealed record KeptCriterion(CriterionName Name, Verdict Verdict, double? MarginMm, string Reason, string Basis);

/// <summary>One number of the snout as it was.</summary>
public sealed record KeptNumber(string Name, double Mm, Provenance Provenance, string How);

/// <summary>The strap's setting as it was to be marked.</summary>
public sealed record KeptStrap(double LoopMm, int? Hole, int? Holes, double? FromTightestMm);

/// <summary>The measures a snout was built from, mm.</summary>
public sealed record KeptSnout(
    double? EyeLeft, double? EyeRight, double? EyeSpacing, double? FitLine, double? FitLineGap, double? Girth, double? Height, double? Width, double? Jaw, double? Neck,
    double? HeadGirth, double? Occiput, double? StopToNose, double? StopToOcciput, double? SkullWidth, HeadShape HeadShape)
{
    public static KeptSnout Of(SnoutNumbers n) => new(
        Mm(n.NoseToInnerEyeLeft), Mm(n.NoseToInnerEyeRight), Mm(n.InnerEyeSpacing), Mm(n.FitLineLength), Mm(n.FitLineGap), Mm(n.SnoutGirth), Mm(n.SnoutHeight), Mm(n.SnoutWidth),
        Mm(n.JawToNose), Mm(n.NeckGirth), Mm(n.HeadGirth), Mm(n.NoseToOcciput), Mm(n.StopToNose), Mm(n.StopToOcciput), Mm(n.SkullWidth), n.HeadShape);

    public SnoutNumbers ToNumbers() => new()
    {
        NoseToInnerEyeLeft = Of(EyeLeft),
        NoseToInnerEyeRight = Of(EyeRight),
        InnerEyeSpacing = Of(EyeSpacing),
        FitLineLength = Of(FitLine),
        FitLineGap = Of(FitLineGap),
        SnoutGirth = Of(Girth),
        SnoutHeight = Of(Height),
        SnoutWidth = Of(Width),
        JawToNose = Of(Jaw),
        NeckGirth = Of(Neck),
        HeadGirth = Of(HeadGirth),
        NoseToOcciput = Of(Occiput),
        StopToNose = Of(StopToNose),
        StopToOcciput = Of(StopToOcciput),
        SkullWidth = Of(SkullWidth),
        HeadShape = HeadShape,
    };

    private static double? Mm(Length? length) => length?.Millimeters;

    private static Length? Of(double? mm) => mm is { } value ? Length.FromMillimeters(value) : null;
}
