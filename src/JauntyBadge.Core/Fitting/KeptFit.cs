using System.Text.Json.Serialization;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>The reasons of a choice as they were: later catalogues, readings or rules do not change it.</summary>
/// <param name="Model">The model's name.</param>
/// <param name="Maker">Its maker.</param>
/// <param name="Type">What sort of muzzle it is.</param>
/// <param name="Size">The size as it was.</param>
/// <param name="FitStyle">The fit style it was judged by.</param>
/// <param name="Fingers">Fingers under the neck strap, 0 to 4.</param>
/// <param name="NeededGapeDeg">The opening that was needed, degrees.</param>
/// <param name="Verdict">How the whole came out.</param>
/// <param name="GapeDeg">How far the mouth opens in it, degrees; null for a sleeve or cover.</param>
/// <param name="NeckLoopMm">The loop the neck strap must make, mm; null where the neck was not read.</param>
/// <param name="Criteria">Every criterion.</param>
/// <param name="Snout">What the snout rested on.</param>
/// <param name="NotChecked">What could not be checked, and what was missing for it.</param>
/// <param name="Note">The fitter's note; null for none.</param>
/// <param name="Muzzle">The model as it was, with this size only; null in choices kept before models had versions.</param>
/// <param name="Numbers">The snout's numbers, to draw it again; null in older choices.</param>
/// <param name="Brief">The brief with what was overruled; null in older choices.</param>
/// <param name="Strap">The setting to mark on the neck strap.</param>
/// <param name="Chance">Chance that the whole holds.</param>
/// <param name="RulesId">Every number it stood on, by the fingerprint they are kept under; null in older choices.</param>
/// <param name="OwnRules">Those of them that were the practice's own; null in older choices.</param>
/// <param name="ToTrainIn">It is for training only; older choices say so in their note.</param>
/// <param name="Terms">What it was judged for; null in older choices.</param>
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
    IReadOnlyList<KeptRule>? OwnRules = null,
    bool ToTrainIn = false,
    KeptTerms? Terms = null
)
{
    /// <summary>What was kept cannot be read. Nothing is decided by it: the dog has no muzzle until one is chosen.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Unreadable { get; init; }

    /// <summary>A record that cannot be read.</summary>
    public static KeptFit Unread(string sizeId) =>
        new(sizeId, "", MuzzleType.Basket, new(sizeId, "", Length.Zero), FitStyle.Everyday, 0, 0, Verdict.Out, null, null, [], [], [], null)
        {
            Unreadable = true,
        };

    /// <summary>The muzzle over the snout as it was; null where the numbers were not kept, or for a sleeve or cover.</summary>
    /// <param name="look">What the dog looks like.</param>
    public FitDrawing? Draw(HeadLook look) =>
        Snouted() is { } snout && Type == MuzzleType.Basket ? FitDrawing.Of(snout, Size.Basket(snout), Again(snout, Writing.Usual)!, look) : null;

    /// <summary>
    /// The same in another writing. What was judged by measures is said anew from the numbers that were kept, wherever judging them again comes to what was kept;
    /// where it does not, and where no numbers were kept, it stands as it was said then.
    /// </summary>
    public KeptFit In(Writing writing)
    {
        if (Snouted() is not { } snout)
            return this;
        var (words, kept) = (new MeasuringWords(writing), new MeasuringWords(Writing.Usual));
        var told = this with
        {
            Brief = Brief is null ? null : [.. Brief.Select(line => BriefRule.Find(line.Id)?.Tell(line, writing) ?? line)],
            Note = ToTrainIn ? string.Join(" ", new[] { new FittingWords(writing).ToTrainIn, Note }.OfType<string>()) : Note,
            Snout =
            [
                .. Snout.Select(k =>
                    snout.Sources.FirstOrDefault(n => kept.Of(n.Part) == k.Name && n.Number.Provenance == k.Provenance && IsSame(n.Number.Mm, k.Mm))
                        is { Number.Mm: > 0 } source
                        ? k with
                        {
                            Name = words.Of(source.Part),
                            How = words.Of(source.Number.Origin),
                        }
                        : k
                ),
            ],
        };
        var again = Type == MuzzleType.Basket ? Again(snout, writing) : null;
        Criterion? Now(KeptCriterion k) =>
            again?.Criteria.FirstOrDefault(c => c.Name == k.Name && k.MarginMm is { } mm && c.Margin is { } margin && IsSame(margin.Millimeters, mm));
        return told with
        {
            Criteria =
            [
                .. Criteria
                    .Select(k => Now(k) is { } c && (ToTrainIn || c.Verdict == k.Verdict) ? k with { Reason = c.Reason } : k)
                    .Select(k => k with { Basis = writing.Ground(k.Basis) }),
            ],
            NotChecked = again?.NotChecked.Count == NotChecked.Count ? [.. again.NotChecked.Select(n => n.Reason)] : NotChecked,
        };
    }

    /// <summary>Numbers are kept to a hundredth of a millimetre.</summary>
    private static bool IsSame(double mm, double kept) => Math.Abs(mm - kept) < 0.01;

    private SnoutModel? Snouted() =>
        Numbers is null
            ? null
            : SnoutModel.From(Numbers.ToNumbers() with { Rules = new HouseRules((OwnRules ?? []).Select(r => KeyValuePair.Create(r.Id, r.Value))) });

    private FitAssessment? Again(SnoutModel snout, Writing writing) =>
        BasketFit.Assess(
            snout,
            Size.Basket(snout) with
            {
                HolePitch = Muzzle?.HolePitch,
            },
            new FitRequest(
                FitStyle,
                Angle.FromDegrees(NeededGapeDeg),
                Fingers,
                FitRules.Finger.Ours,
                ForeheadStrap: Muzzle?.ForeheadStrap ?? ForeheadStrap.Optional
            )
            {
                Writing = writing with { Rules = snout.Rules },
            }
        );

    /// <summary>What it is judged for when it is judged again: as it was chosen for; an older sleeve or cover for a few cool minutes.</summary>
    public KeptTerms JudgedFor(HouseRules rules) =>
        Terms ?? (FitRules.Cap(Type, rules) is { } cap ? new KeptTerms([], null, null, (int)cap.TotalMinutes, false) : KeptTerms.Usual);

    /// <summary>
    /// What the list has against wearing it now, as it is judged today: a line that no note takes back, an edge that can be pushed into the eyes, or what has come
    /// to be missed since it was chosen. What was missed then and kept with a note is the fitter's. Null for nothing.
    /// </summary>
    /// <param name="now">The same muzzle as the list judges it today.</param>
    public Criterion? Against(RankedFit now)
    {
        bool WasMissed(Criterion c) => Criteria.Any(k => k.Name == c.Name && k.Verdict == Verdict.Out);
        return now
            .Criteria.Where(c => !c.IsSoft)
            .Where(c => c.CannotBeOverruled || (c.Name == CriterionName.Shove && now.CanBePushedIn) || (c.Outcome == Outcome.Missed && !WasMissed(c)))
            .OrderByDescending(c => c.CannotBeOverruled)
            .FirstOrDefault();
    }

    public static KeptFit Of(RankedFit fit, string? note, string rulesId, bool toTrainIn, KeptTerms? terms = null)
    {
        Criterion As(Criterion c) => !toTrainIn ? c : TrainingMuzzle.InTraining(c);
        var (snout, brief, words) = (fit.Snout, fit.Brief, new MeasuringWords(fit.Question.Writing));
        return new KeptFit(
            fit.Model.Name,
            fit.Model.Maker,
            fit.Model.Type,
            fit.Size,
            brief.FitStyle,
            brief.Fingers,
            brief.NeededGape.Degrees,
            toTrainIn ? Verdict.Marginal : fit.Verdict,
            fit.Assessment?.Gape.Degrees,
            fit.Assessment?.NeckLoop?.Millimeters,
            [.. fit.Criteria.Select(As).Select(c => new KeptCriterion(c.Name, c.Verdict, c.Margin?.Millimeters, c.Reason, c.Basis.ToString()))],
            [.. snout.Sources.Select(s => new KeptNumber(words.Of(s.Part), Math.Round(s.Number.Mm, 2), s.Number.Provenance, words.Of(s.Number.Origin)))],
            [.. fit.NotChecked.Select(n => n.Reason)],
            note,
            fit.Model with
            {
                Sizes = [fit.Size],
            },
            KeptSnout.Of(snout.Numbers),
            brief.Lines,
            fit.Strap is { } strap ? new KeptStrap(Math.Round(strap.Loop.Millimeters, 1), strap.Hole, strap.Holes, strap.FromTightest?.Millimeters) : null,
            fit.Chance,
            rulesId,
            [.. brief.Rules.Own.Select(o => new KeptRule(o.Key, o.Value))],
            toTrainIn,
            terms
        );
    }
}

/// <summary>What a muzzle was judged for; what is null follows from the dog.</summary>
/// <param name="Uses">The purposes; empty for all of the dog's.</param>
/// <param name="FitStyle">The fit style.</param>
/// <param name="Fingers">Fingers under the neck strap.</param>
/// <param name="Minutes">The longest wear.</param>
/// <param name="Warm">In warmth or at exercise.</param>
/// <param name="ClinicHands">The clinic's own staff put it on, watch it and take it off.</param>
public sealed record KeptTerms(IReadOnlyList<Purpose> Uses, FitStyle? FitStyle, int? Fingers, int? Minutes, bool? Warm, bool ClinicHands = false)
{
    /// <summary>All as it follows from the dog.</summary>
    public static KeptTerms Usual { get; } = new([], null, null, null, null);
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
