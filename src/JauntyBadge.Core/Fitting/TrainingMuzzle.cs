using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>A light basket to train in before the final one, judged for that alone.</summary>
/// <param name="Fit">The muzzle as judged for wearing, from whose numbers it is judged for training.</param>
/// <param name="SizesUp">How many sizes larger than the one nearest to the snout.</param>
public sealed record TrainingFit(RankedFit Fit, int SizesUp);

/// <summary>
/// Chooses a light muzzle to train in: webbing, soft rubber or vinyl, a quick clip, light for the dog, one or two sizes up. Being roomy is no
/// fault in training; the mouth must open, the jaw have room, the rear edge go round it and the strap hold.
/// </summary>
public static class TrainingMuzzle
{
    private const int Most = 3;
    private const int MostSizesUp = 2;

    private static readonly CriterionName[] MayBeRoomy =
    [
        CriterionName.Seat,
        CriterionName.Width,
        CriterionName.Shove,
        CriterionName.Large,
        CriterionName.SlipOff,
    ];

    /// <summary>Whether a model is of the kind: a basket of webbing, soft rubber or vinyl with a quick clip.</summary>
    public static bool IsLight(MuzzleModel model) =>
        model.Type == MuzzleType.Basket
        && model.Has(Feature.QuickClip)
        && model.Material is Material.CoatedWebbing or Material.MouldedRubber or Material.ClearVinyl;

    /// <summary>The best few: light enough for the dog, then the cheapest, then the lightest.</summary>
    /// <param name="ranked">The whole catalogue as judged.</param>
    public static IReadOnlyList<TrainingFit> From(IReadOnlyList<RankedFit> ranked) =>
        [
            .. ranked
                .Where(f => IsLight(f.Model))
                .GroupBy(f => f.Model.Id)
                .SelectMany(sizes => OneOrTwoUp([.. sizes]))
                .OrderBy(t => t.Fit.Size.Price ?? decimal.MaxValue)
                .ThenBy(t => t.Fit.Size.Mass?.Grams ?? double.MaxValue)
                .ThenBy(t => t.Fit.Size.Id, StringComparer.Ordinal)
                .Take(Most),
        ];

    /// <summary>One size judged for training beside the other sizes of its model; null when it does not serve.</summary>
    public static TrainingFit? Of(RankedFit fit, IEnumerable<RankedFit> sizes) =>
        IsLight(fit.Model) ? OneOrTwoUp([.. sizes]).FirstOrDefault(t => t.Fit.Size.Id == fit.Size.Id) : null;

    /// <summary>A criterion as it counts in training: being roomy is worth knowing and no fault.</summary>
    public static Criterion InTraining(Criterion criterion) =>
        criterion.Outcome == Outcome.Missed && (MayBeRoomy.Contains(criterion.Name) || criterion.Margin is null)
            ? criterion with
            {
                Outcome = Outcome.Warning,
            }
            : criterion;

    private static IEnumerable<TrainingFit> OneOrTwoUp(IReadOnlyList<RankedFit> sizes)
    {
        if (sizes.Count == 0)
            yield break;
        var eye = sizes[0].Snout.EyeLine.Mm;
        var inOrder = sizes.OrderBy(f => f.Size.Length).ToList();
        var own = inOrder.IndexOf(inOrder.MinBy(s => Math.Abs(s.Size.Length.Millimeters - eye))!);
        for (var up = 1; up <= MostSizesUp && own + up < inOrder.Count; up++)
        {
            if (inOrder[own + up] is var fit && Serves(fit))
                yield return new TrainingFit(fit, up);
        }
    }

    /// <summary>No measure is missed but for being roomy, the nose touches nothing, and it is light enough where both masses are known; what the brief asks of a muzzle worn outside is not asked of it.</summary>
    private static bool Serves(RankedFit fit) =>
        fit.Judgement.Criteria.All(c => c.Outcome != Outcome.Missed || MayBeRoomy.Contains(c.Name))
        && fit.Judgement.Of(CriterionName.Seat)!.Value.Value > 0
        && (fit.Brief.MostMass is not { } most || fit.Size.Mass is not { } mass || mass <= most);
}
