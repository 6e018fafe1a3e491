using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>One size of one model, judged for one dog.</summary>
/// <param name="Model">The model.</param>
/// <param name="Size">The size.</param>
/// <param name="Criteria">Every criterion, refusals by the brief first.</param>
/// <param name="NotChecked">What could not be checked.</param>
/// <param name="Assessment">The basket arithmetic; null for a sleeve or face cover.</param>
public sealed record RankedFit(
    MuzzleModel Model, MuzzleSize Size, IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked, FitAssessment? Assessment)
{
    public Verdict Verdict => Criteria.Max(c => c.Verdict);

    /// <summary>The smallest margin of what has to hold; a shove that only warns is left out.</summary>
    public Length TightestMargin => Binding.Select(c => c.Margin).OfType<Length>().DefaultIfEmpty(Length.Zero).Min();

    /// <summary>The criterion that decides: of those that came out worst the first refusal, else the one with the least margin.</summary>
    public Criterion Deciding => (Verdict == Verdict.Fits ? Binding : Criteria.Where(c => c.Verdict == Verdict))
        .OrderBy(c => c.Margin?.Millimeters ?? double.NegativeInfinity).First();

    private IEnumerable<Criterion> Binding => Criteria.Where(c => c.Name != CriterionName.Shove || c.Verdict == Verdict.Out);
}

/// <summary>Puts a catalogue in order for a snout and a brief.</summary>
public static class Ranking
{
    /// <summary>
    /// Fits first, then marginal, each by their tightest margin; then what is out, refusals last and the nearest miss first.
    /// Equal ones keep the order of model name and size, so the list never flips.
    /// </summary>
    public static IReadOnlyList<RankedFit> Rank(
        IReadOnlyList<MuzzleModel> catalogue, SnoutModel snout, MuzzleBrief brief, Length fingerThickness, ReadingUnit shown = ReadingUnit.Mm)
    {
        return
        [
            .. catalogue.SelectMany(model => model.Sizes.Select(size => Judge(model, size, snout, brief, fingerThickness, shown)))
                .OrderBy(f => f.Verdict)
                .ThenBy(f => f.Criteria.Any(c => c.Margin is null))
                .ThenByDescending(f => Math.Round(f.TightestMargin.Millimeters, 6))
                .ThenBy(f => f.Model.Name, StringComparer.Ordinal)
                .ThenBy(f => f.Size.LengthMm),
        ];
    }

    /// <summary>Judges one size of one model as the ranking does.</summary>
    public static RankedFit Judge(
        MuzzleModel model, MuzzleSize size, SnoutModel snout, MuzzleBrief brief, Length fingerThickness, ReadingUnit shown = ReadingUnit.Mm)
    {
        var request = new FitRequest(brief.School, brief.NeededGape, brief.Fingers, fingerThickness, brief.BiteTier, shown);
        var refusals = brief.Refusals(model);
        if (model.Type == MuzzleType.Basket)
        {
            var assessment = BasketFit.Assess(snout, size.Basket(), request);
            return new RankedFit(model, size, [.. refusals, .. assessment.Criteria], assessment.NotChecked, assessment);
        }

        var (criteria, notChecked) = TubeFit.Assess(snout, size, request);
        return new RankedFit(model, size, [.. refusals, .. criteria], notChecked, null);
    }
}

/// <summary>Judges what lies on the face itself: sleeves and face covers. The mouth is closed in a sleeve.</summary>
internal static class TubeFit
{
    public static (IReadOnlyList<Criterion> Criteria, IReadOnlyList<NotChecked> NotChecked) Assess(SnoutModel snout, MuzzleSize size, FitRequest request)
    {
        var judge = new Judge(snout, request);
        var eyeRoom = snout.EyeLine.Value - Length.FromMillimeters(size.LengthMm);
        var least = SnoutRules.Scaled(FitRules.SleeveEyeRoom.Value, snout.EyeLine.Value);
        var range = size.GirthRange() ?? throw new InvalidOperationException($"{size.Id} has no girth range.");
        var girth = snout.Girth.Value;
        List<Criterion> criteria =
        [
            judge.Hard(
                CriterionName.Seat, eyeRoom - least,
                $"Its edge ends {eyeRoom.Show(request.Shown)} before the eyes; at least {least.Show(request.Shown)} is wanted", FitRules.SleeveEyeRoom.Basis),
            judge.Hard(
                CriterionName.Girth, range.MarginOf(girth),
                $"The closed snout is {girth.Show(request.Shown)} around; this size takes {range.Low.ShowRange(range.High, request.Shown)}",
                Basis.Practice("the maker's girth range"), snout.Girth),
        ];
        var strap = judge.Strap(new Window(Length.FromMillimeters(size.NeckStrapMinMm), Length.FromMillimeters(size.NeckStrapMaxMm)));
        return ([.. criteria, .. strap.Criteria], strap.NotChecked);
    }
}
