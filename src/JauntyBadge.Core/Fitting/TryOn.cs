using JauntyBadge.Core.Fitting.Criteria;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Something looked at on the dog.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Asks">The question, answered yes or no.</param>
/// <param name="Good">What good looks like.</param>
/// <param name="Symptoms">What a no may be.</param>
/// <param name="Only">The types it is asked of; all when null.</param>
public sealed record TryOnCheck(string Id, string Asks, string Good, IReadOnlyList<string> Symptoms, IReadOnlyList<MuzzleType>? Only = null)
{
    public static IReadOnlyList<TryOnCheck> All { get; } = Load();

    /// <summary>What is looked at on a muzzle of this type: no mouth opens in a sleeve, and what lies on the face must leave it its breath.</summary>
    public static IReadOnlyList<TryOnCheck> For(MuzzleType type) => [.. All.Where(c => c.Only?.Contains(type) != false)];

    private static IReadOnlyList<TryOnCheck> Load()
    {
        var rows = Tables.Read<TryOnCheck>("try-on.json");
        Tables.RefuseTwins("try-on.json", rows.Select(r => r.Id));
        var known = Symptom.All.Select(s => s.Id).ToHashSet();
        Tables.Refuse("try-on.json", "symptoms that exist", rows.SelectMany(r => r.Symptoms).Where(s => !known.Contains(s)));
        return rows;
    }
}

/// <summary>A check that was not fine.</summary>
/// <param name="CheckId">The check.</param>
/// <param name="SymptomId">What was seen, where one of its symptoms was.</param>
public sealed record WrongCheck(string CheckId, string? SymptomId);

/// <summary>What a try-on came to.</summary>
/// <param name="FineShare">Share found fine of the checks for its type, 0 to 1; what was not looked at is not fine.</param>
/// <param name="Wrong">What was not right; empty when nothing was.</param>
public sealed record TryOnFinding(double FineShare, IReadOnlyList<WrongCheck> Wrong)
{
    /// <summary>Sums up a try-on.</summary>
    /// <param name="type">What was tried on.</param>
    /// <param name="answers">By check: true for fine, false for not.</param>
    /// <param name="symptoms">Ids of what was seen.</param>
    public static TryOnFinding Of(MuzzleType type, IReadOnlyDictionary<string, bool> answers, IReadOnlyList<string> symptoms)
    {
        var checks = TryOnCheck.For(type);
        return new TryOnFinding(
            checks.Count(c => answers.GetValueOrDefault(c.Id)) / (double)checks.Count,
            [
                .. checks
                    .Where(c => answers.TryGetValue(c.Id, out var fine) && !fine)
                    .Select(c => new WrongCheck(c.Id, c.Symptoms.FirstOrDefault(symptoms.Contains))),
            ]
        );
    }
}

/// <summary>Something wrong, as seen on the dog.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Says">In the fitter's words.</param>
/// <param name="Causes">Ids of what may cause it, the likeliest first.</param>
public sealed record Symptom(string Id, string Says, IReadOnlyList<string> Causes)
{
    public static IReadOnlyList<Symptom> All { get; } = Load();

    /// <summary>The symptom with this id, or null.</summary>
    public static Symptom? Find(string id) => All.FirstOrDefault(s => s.Id == id);

    private static IReadOnlyList<Symptom> Load()
    {
        var rows = Tables.Read<Symptom>("symptoms.json");
        Tables.RefuseTwins("symptoms.json", rows.Select(r => r.Id));
        var known = Cause.All.Select(c => c.Id).ToHashSet();
        Tables.Refuse("symptoms.json", "causes that exist", rows.SelectMany(r => r.Causes).Where(c => !known.Contains(c)));
        return rows;
    }
}

/// <summary>What of the fit tells whether a cause is likely, and what a remedy has to better.</summary>
public enum CauseLooks
{
    /// <summary>No number tells; look at the dog.</summary>
    Nothing,
    EyeRoom,
    NoseRoom,
    StrapLoose,
    StrapTight,
    Gape,
    Girth,
    WidthMore,
    WidthLess,
    Mass,
    Forehead,
    Front,
    Buckle,
    Model,
}

/// <summary>What may cause a symptom.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Says">In a sentence.</param>
/// <param name="Looks">The number that tells.</param>
/// <param name="Basis">On what ground.</param>
/// <param name="Hand">What to do by hand, where no number tells.</param>
public sealed record Cause(string Id, string Says, CauseLooks Looks, Basis Basis, string? Hand = null)
{
    public static IReadOnlyList<Cause> All { get; } = Load();

    private static IReadOnlyList<Cause> Load()
    {
        var rows = Tables.Read<Cause>("causes.json");
        Tables.RefuseTwins("causes.json", rows.Select(r => r.Id));
        Tables.Refuse(
            "causes.json",
            "something to do by hand where no number tells",
            rows.Where(r => r.Looks == CauseLooks.Nothing && r.Hand is null).Select(r => r.Id)
        );
        return rows;
    }
}

/// <summary>A remedy for a cause, recomputed with the change made.</summary>
/// <param name="Kind">What is changed.</param>
/// <param name="Does">What to do.</param>
/// <param name="Effect">What it changes, in numbers; empty where none tells.</param>
/// <param name="After">How the whole then comes out; null where nothing was recomputed.</param>
/// <param name="SizeId">The size it points to; null for a change to the one in hand.</param>
public sealed record TryOnRemedy(RemedyKind Kind, string Does, string Effect, Verdict? After = null, string? SizeId = null);

/// <summary>A cause, whether the numbers speak for it, and its remedies, the cheapest first.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Likely">Whether the numbers speak for it; null where none tells.</param>
/// <param name="Evidence">The numbers, in a sentence.</param>
/// <param name="Remedies">What to do, the cheapest first.</param>
public sealed record Diagnosed(Cause Cause, bool? Likely, string Evidence, IReadOnlyList<TryOnRemedy> Remedies);

/// <summary>From what is seen on the dog to causes and the cheapest remedy.</summary>
public static class TryOn
{
    /// <summary>Diagnoses a symptom of a muzzle on a dog.</summary>
    /// <param name="symptom">What is seen.</param>
    /// <param name="fit">The muzzle as judged.</param>
    /// <param name="fastened">The strap as fastened; null when not known.</param>
    /// <param name="ranked">The whole catalogue as judged, best first.</param>
    /// <returns>
    /// Causes that a hand or the strap puts right before those that ask for the plate, forming, another size or another model; of as cheap ones those the
    /// numbers speak for first; those the numbers speak against last of all.
    /// </returns>
    public static IReadOnlyList<Diagnosed> Diagnose(Symptom symptom, RankedFit fit, StrapSetting? fastened, IReadOnlyList<RankedFit> ranked)
    {
        var look = new Look(fit, fastened, ranked);
        return [.. symptom.Causes.Select(id => look.At(look.Told(id))).OrderBy(d => d.Likely == false).ThenBy(Cheapest).ThenBy(d => d.Likely != true)];
    }

    /// <summary>The cheapest thing that puts a cause right; what has no remedy comes after those that have.</summary>
    private static RemedyKind Cheapest(Diagnosed cause) => cause.Remedies.Select(r => (RemedyKind?)r.Kind).Min() ?? RemedyKind.Model;

    /// <summary>One muzzle on one dog, looked at for causes.</summary>
    private sealed class Look(RankedFit fit, StrapSetting? fastened, IReadOnlyList<RankedFit> ranked)
    {
        private readonly FittingWords words = new(fit.Question.Writing);

        public Cause Told(string causeId) => words.Told(Cause.All.First(c => c.Id == causeId));

        public Diagnosed At(Cause cause) =>
            cause.Looks switch
            {
                CauseLooks.Nothing => new Diagnosed(cause, null, words.NoNumber, [new(RemedyKind.Hand, cause.Hand!, "")]),
                CauseLooks.EyeRoom => ByNumber(
                    cause,
                    f => f.Assessment?.Seat.EyeRoom,
                    Low(CriterionName.Seat),
                    pushedIn: fit.Assessment?.Seat.ShoveEyeRoom < Length.Zero
                ),
                CauseLooks.NoseRoom => ByNumber(cause, f => f.Assessment?.Seat.NoseRoom, Low(CriterionName.Seat)),
                CauseLooks.Gape => ByNumber(cause, f => Of(f, CriterionName.Gape)?.Value, fit.Question.Rules[FitRules.FloorClearance]),
                CauseLooks.Girth => ByNumber(cause, f => f.Assessment?.GirthMargin, Length.Zero),
                CauseLooks.WidthMore => ByNumber(cause, f => Of(f, CriterionName.Width)?.Value, fit.Question.Rules[FitRules.WidthLow]),
                CauseLooks.WidthLess => ByNumber(cause, f => Of(f, CriterionName.Width)?.Value, fit.Question.Rules[FitRules.WidthHigh], lessIsBetter: true),
                CauseLooks.StrapLoose => ByStrap(cause, loose: true),
                CauseLooks.StrapTight => ByStrap(cause, loose: false),
                CauseLooks.Mass => ByMass(cause),
                CauseLooks.Forehead => ByFeature(cause, Feature.ForeheadStrap, words.FitForeheadStrap),
                CauseLooks.Front => ByFront(cause),
                CauseLooks.Buckle => ByFeature(cause, Feature.Buckle, words.FastenBuckle),
                _ => new Diagnosed(
                    cause,
                    null,
                    words.NothingCheaper,
                    [.. Other(f => f.Model.Id != fit.Model.Id && f.Model.Type == fit.Model.Type, words.ChanceOfFit)]
                ),
            };

        private static Criterion? Of(RankedFit f, CriterionName name) => f.Criteria.FirstOrDefault(c => c.Name == name && c.Value is not null);

        private Length Low(CriterionName name) => Of(fit, name)?.Low ?? Length.Zero;

        /// <summary>A cause that one number of the fit tells: likely only when the number is under what is wanted.</summary>
        private Diagnosed ByNumber(Cause cause, Func<RankedFit, Length?> number, Length wanted, bool pushedIn = false, bool lessIsBetter = false)
        {
            if (number(fit) is not { } now)
                return new Diagnosed(cause, null, words.NotKnown, []);
            var toSpare = lessIsBetter ? wanted - now : now - wanted;
            bool Better(RankedFit then) => number(then) is { } after && (lessIsBetter ? after < now : after > now);
            string Effect(RankedFit then) => words.Becomes(cause.Looks, fit.Question.Brief.NeededGape, now, number(then)!.Value, then);
            return new Diagnosed(
                cause,
                Margins.IsMissed(toSpare.Millimeters),
                words.Evidence(cause.Looks, fit.Question.Brief.NeededGape, now, wanted, lessIsBetter, pushedIn),
                [
                    .. Changes()
                        .Where(c => Better(c.After))
                        .OrderBy(c => !c.After.MayBeWorn)
                        .Select(c => new TryOnRemedy(c.Kind, c.Does, Effect(c.After), c.After.Verdict))
                        .Take(2),
                    .. Other(f => f.Model.Id == fit.Model.Id && f.Size.Id != fit.Size.Id && Better(f), Effect),
                    .. Other(f => f.Model.Id != fit.Model.Id && f.Model.Type == fit.Model.Type && Better(f), Effect),
                ]
            );
        }

        /// <summary>The plate out, and the width formed as far as it goes either way.</summary>
        private IEnumerable<(RemedyKind Kind, string Does, RankedFit After)> Changes()
        {
            if (fit.Model.Type != MuzzleType.Basket)
                yield break;
            if (fit.Model.Plate is { } plate)
                yield return (RemedyKind.Plate, words.TakePlateOut(plate), Judge(fit.Size with { Length = fit.Size.Length + plate }));
            if (fit.Model.Formable is not { } form || fit.Size is not { WidthRear: { } width, DepthRear: { } depth })
                yield break;
            foreach (var by in new[] { form, -form })
            {
                yield return (RemedyKind.Forming, words.Form(by), Judge(fit.Size with { WidthRear = width + by, DepthRear = depth - by }));
            }
        }

        private RankedFit Judge(MuzzleSize changed) => fit.With(changed, withChances: false);

        /// <summary>The best muzzle of some that may be worn.</summary>
        private IEnumerable<TryOnRemedy> Other(Func<RankedFit, bool> which, Func<RankedFit, string> effect) =>
            ranked
                .Where(f => f.MayBeWorn && which(f))
                .Take(1)
                .Select(f => new TryOnRemedy(
                    f.Model.Id == fit.Model.Id ? RemedyKind.Size : RemedyKind.Model,
                    words.ChangeTo(f),
                    effect(f),
                    f.Verdict,
                    f.Size.Id
                ));

        private Diagnosed ByStrap(Cause cause, bool loose)
        {
            if (fit.Strap is not { } right)
                return new Diagnosed(cause, null, words.StrapNotKnown, [new(RemedyKind.Strap, words.SetByHand(fit.Question.Brief.Fingers), "")]);
            if (fastened is not { } now)
            {
                return new Diagnosed(cause, null, words.SayFastened(right), [new(RemedyKind.Strap, words.FastenAt(right), words.ALoop(right))]);
            }

            // Between two holes either is as near as the strap allows: half a pitch is no fault.
            var needed = fit.NeckLoop ?? right.Loop;
            var off = loose ? now.Loop - needed : needed - now.Loop;
            var wrong =
                off > UnitMath.Max(fit.Question.Rules[FitRules.Marginal], Length.FromMillimeters((fit.Model.HolePitch?.Millimeters ?? 0) / 2 + Margins.Slack));
            return new Diagnosed(
                cause,
                wrong,
                words.Fastened(now, needed, right),
                wrong ? [new(RemedyKind.Strap, words.FastenAt(right), words.LoopBecomes(right, fit.Question.Brief.Fingers), fit.Verdict)] : []
            );
        }

        private Diagnosed ByMass(Cause cause)
        {
            if (fit.Question.Brief.MostMass is not { } most || fit.Size.Mass is not { } mass)
                return new Diagnosed(cause, null, words.MassNotKnown, []);
            return new Diagnosed(
                cause,
                mass > most,
                words.Weighs(mass, most),
                [.. Other(f => f.Model.Type == fit.Model.Type && f.Size.Mass < mass && f.Model.Id != fit.Model.Id, f => words.MassBecomes(mass, f))]
            );
        }

        private Diagnosed ByFeature(Cause cause, Feature feature, string does) =>
            fit.Model.Has(feature)
                ? new Diagnosed(cause, null, words.Of(feature, true), [new(RemedyKind.Hand, does, "")])
                : new Diagnosed(
                    cause,
                    true,
                    words.Of(feature, false),
                    [.. Other(f => f.Model.Type == fit.Model.Type && f.Model.Has(feature), f => words.HasIt(feature, f))]
                );

        private Diagnosed ByFront(Cause cause)
        {
            var mayCut = fit.Model.FrontOpening == FrontOpening.CanBeCut && !fit.Question.Brief.KeepsFrontClosed;
            List<TryOnRemedy> remedies = mayCut ? [new(RemedyKind.Forming, words.CutBar, words.TreatsGoThrough)] : [];
            if (fit.Model.Plate is not null)
                remedies.Insert(0, new(RemedyKind.Plate, words.TakeFrontPlateOut, words.TreatsAndLonger));
            static double Gap(RankedFit f) => f.Model.FrontBarGap?.Millimeters ?? 0;
            remedies.AddRange(
                Other(
                    f => f.Model.Type == fit.Model.Type && f.Model.Id != fit.Model.Id && f.Model.Has(Feature.TreatWay) && Gap(f) > Gap(fit),
                    f => words.GapInPlace(f, fit)
                )
            );
            return new Diagnosed(cause, !fit.Model.Has(Feature.TreatWay), words.Gap(fit.Model.FrontBarGap), remedies);
        }
    }
}
