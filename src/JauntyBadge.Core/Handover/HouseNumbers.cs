using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;

namespace JauntyBadge.Core.Handover;

/// <summary>Every number of the job with its basis, for whoever asks "why this number?".</summary>
public static class HouseNumbers
{
    /// <summary>By room, in reading order.</summary>
    public static IReadOnlyList<(string Room, IReadOnlyList<IGrounded> Numbers)> All { get; } =
    [
        ("Dogs", [DogProgress.ChoiceFills]),
        ("Measuring",
        [
            ReadingParser.Longest, .. ToolRules.All, Uncertainty.ThickCoat, Uncertainty.Coverage, Repeats.RepeatabilityFactor, StringMarks.ShortestString,
            .. CrossChecks.All, BreedRange.FewestDogs, BreedRange.Width, BreedRange.LeastShare, .. HeadShapes.All, Remeasure.MassChange,
            Remeasure.GrowingEvery, .. SnoutRules.All, .. CompletedMeasures.All,
        ]),
        ("Measuring from a photo", PhotoRules.All),
        ("Fitting",
        [
            .. FitRules.All, BasketModel.BoxSpareWidth, BasketModel.BoxWidthDoubt, BasketModel.BoxDepthDoubt, SnoutDraws.Usual, SnoutDraws.SettlesLeast, Ranking.ChanceStep, Weights.UsualWeight, .. FitScore.All, Features.TreatGapMm,
            WearPlan.LongWear, WearPlan.ClinicWear, WearPlan.OtherWear, MuzzleBrief.MostMassShare, Contrast.StandsOut, Contrast.BlendsIn, Remedies.NearMiss, Remedies.ExtraHoles,
            OrderSheet.FrontDepthAllowance, OrderSheet.StrapEitherWay, OrderSheet.MakersTolerance, VanStock.SureEnough,
        ]),
        ("Conditioning", Progression.All),
    ];
}
