using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What can be changed on a muzzle, the cheapest first.</summary>
public enum RemedyKind
{
    /// <summary>Something put right by hand, off the dog.</summary>
    Hand,

    /// <summary>Another setting of the neck strap, or a hole punched.</summary>
    Strap,

    /// <summary>The front plate taken out.</summary>
    Plate,

    /// <summary>Softened in hot water and formed.</summary>
    Forming,

    /// <summary>Another size of the same model.</summary>
    Size,

    /// <summary>Another model.</summary>
    Model,
}

/// <summary>A change that would make a muzzle fit, judged anew with it made.</summary>
/// <param name="Kinds">What is changed, the cheapest first.</param>
/// <param name="After">The muzzle as changed, judged.</param>
public sealed record Remedy(IReadOnlyList<RemedyKind> Kinds, RankedFit After)
{
    /// <summary>What the front plate adds, where it is taken out; zero otherwise.</summary>
    public Length Plate { get; init; }

    /// <summary>By how much its width is formed, narrower where negative; zero where it is not.</summary>
    public Length Formed { get; init; }

    /// <summary>Holes punched in the neck strap.</summary>
    public int Punched { get; init; }
}

/// <summary>Looks for what would save a muzzle that just misses.</summary>
public static class Remedies
{
    public static readonly Grounded<Length> NearMiss = new(
        "fit.near-miss",
        "A miss larger than this is not looked at for remedies",
        Length.FromMillimeters(15),
        Basis.House("plates, forming and holes move no more")
    );

    public static readonly Grounded<int> ExtraHoles = new(
        "fit.extra-holes",
        "Holes that can be punched beyond a strap's tightest",
        2,
        Basis.House("more, and the strap's end flaps")
    );

    /// <summary>What would save a muzzle that is out by its geometry alone, the cheapest first; empty when nothing would.</summary>
    /// <param name="fit">The muzzle as judged.</param>
    /// <param name="sizes">The other sizes of its model as judged; those that may be worn and rather fit than not are a remedy too.</param>
    public static IReadOnlyList<Remedy> For(RankedFit fit, IEnumerable<RankedFit> sizes)
    {
        if (fit.Verdict != Verdict.Out || fit.IsRefused || -fit.TightestMm > fit.Question.Rules[NearMiss].Millimeters)
            return [];
        List<Remedy> found = [];
        foreach (var plate in fit.Model.Plate is { } adds ? new[] { Length.Zero, adds } : [Length.Zero])
        {
            if (Formed(fit, plate) is { } remedy)
                found.Add(remedy);
        }

        var other = sizes
            .Where(s => s.Model.Id == fit.Model.Id && s.Size.Id != fit.Size.Id && s.Serves)
            .OrderByDescending(s => s.Chance ?? 1)
            .ThenBy(s => s.Verdict)
            .FirstOrDefault();
        if (other is not null)
            found.Add(new Remedy([RemedyKind.Size], other));
        return [.. found.OrderBy(r => r.Kinds.Max()).ThenBy(r => r.Kinds.Count)];
    }

    /// <summary>The least forming, and the fewest holes, that make it fit with the plate in or out; null when none does.</summary>
    private static Remedy? Formed(RankedFit fit, Length plate)
    {
        var reach = fit.Model.Type == MuzzleType.Basket ? (int)(fit.Model.Formable?.Millimeters ?? 0) : 0;
        var holes = fit.Model.HolePitch is { } pitch && fit.Size.NeckStrapMin is not null ? fit.Question.Rules[ExtraHoles] * pitch : Length.Zero;
        foreach (var by in Enumerable.Range(-reach, 2 * reach + 1).OrderBy(Math.Abs).ThenByDescending(d => d))
        {
            if (by == 0 && plate <= Length.Zero && holes <= Length.Zero)
                continue;
            var changed = Changed(fit.Size, plate, Length.FromMillimeters(by));
            if (changed is null)
                continue;
            var judged = fit.With(changed, withChances: false);
            var punched = 0;
            if (judged.Verdict == Verdict.Out && holes > Length.Zero)
            {
                changed = changed with { NeckStrapMin = changed.NeckStrapMin - holes };
                judged = fit.With(changed, withChances: false);
                punched = judged.Judgement.Of(CriterionName.NeckStrap)?.Value is { } loop
                    ? (int)Math.Ceiling((fit.Size.NeckStrapMin!.Value.Millimeters - loop) / fit.Model.HolePitch!.Value.Millimeters)
                    : 0;
            }

            if (!judged.MayBeWorn || fit.With(changed, withChances: true) is not { Serves: true } saved)
                continue;
            return new Remedy(
                [
                    .. new[] { (punched > 0, RemedyKind.Strap), (plate > Length.Zero, RemedyKind.Plate), (by != 0, RemedyKind.Forming) }
                        .Where(k => k.Item1)
                        .Select(k => k.Item2),
                ],
                saved
            )
            {
                Plate = plate,
                Formed = Length.FromMillimeters(by),
                Punched = punched,
            };
        }

        return null;
    }

    /// <summary>A size with its plate out and its width formed by so much; a formed edge keeps its girth, so depth gives what width takes.</summary>
    private static MuzzleSize? Changed(MuzzleSize size, Length plate, Length formed)
    {
        var changed = size with { Length = size.Length + plate };
        if (formed.Millimeters == 0)
            return changed;
        if (size is not { WidthRear: { } width, DepthRear: { } depth })
            return null;
        return depth > formed && width > -formed ? changed with { WidthRear = width + formed, DepthRear = depth - formed } : null;
    }
}
