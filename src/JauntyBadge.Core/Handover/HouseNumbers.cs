using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Handover.Keeping;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover;

/// <summary>Every number of the job with its basis, for whoever asks "why this number?".</summary>
public static class HouseNumbers
{
    /// <summary>The room whose numbers decide sets that are yet to be trained.</summary>
    public const string Training = "Conditioning";

    /// <summary>By room, in reading order.</summary>
    public static IReadOnlyList<(string Room, IReadOnlyList<IGrounded> Numbers)> All { get; } =
    [
        ("Dogs", Standing.All),
        (
            "Measuring",
            [
                ReadingParser.Longest,
                .. ToolRules.All,
                Uncertainty.ThickCoat,
                Uncertainty.Coverage,
                Repeats.RepeatabilityFactor,
                StringMarks.ShortestString,
                .. CrossChecks.All,
                BreedRange.FewestDogs,
                BreedRange.Width,
                BreedRange.LeastShare,
                .. HeadShapes.All,
                Sitting.GoesOn,
                Remeasure.MassChange,
                Remeasure.GrowingEvery,
                .. SnoutRules.All,
                .. CompletedMeasures.All,
            ]
        ),
        ("Measuring from a photo", PhotoRules.All),
        (
            "Fitting",
            [
                .. FitRules.All,
                BasketModel.BoxSpareWidth,
                BasketModel.BoxWidthDoubt,
                BasketModel.BoxDepthDoubt,
                SnoutDraws.Usual,
                SnoutDraws.SettlesLeast,
                Ranking.ChanceStep,
                Weights.UsualWeight,
                .. FitScore.All,
                Features.TreatGap,
                WearPlan.LongWear,
                WearPlan.HoursWear,
                WearPlan.ClinicWear,
                WearPlan.OtherWear,
                MuzzleBrief.MostMassShare,
                Contrast.StandsOut,
                Contrast.BlendsIn,
                Remedies.NearMiss,
                Remedies.ExtraHoles,
                OrderSheet.FrontDepthAllowance,
                OrderSheet.StrapEitherWay,
                OrderSheet.MakersTolerance,
                VanStock.SureEnough,
            ]
        ),
        (
            Training,
            [
                .. GoRules.All,
                .. Holds.All,
                .. Progression.All,
                .. TrainingCalendar.All,
                .. Forecasts.All,
                .. Progress.All,
                .. TrainingTimes.All,
                .. TrainingStop.All,
            ]
        ),
        ("Wearing", [.. WearLimit.All, .. AssociationBalance.All, .. TreatAllowance.All, .. MuzzleState.All]),
        ("From home", [.. FromHome.All]),
        ("Handing over", [.. HandoverCard.All, .. CupPattern.All, .. BackupKeeping.All]),
    ];

    private static readonly Dictionary<string, IGrounded> ById = All.SelectMany(r => r.Numbers).ToDictionary(n => n.Id);

    /// <summary>Pairs of which the first has to stay less than the second.</summary>
    public static IReadOnlyList<(IGrounded Less, IGrounded More)> InOrder { get; } =
    [
        (Standing.DateIsNear, Standing.DateIsSaid),
        (FitRules.EverydayLow, FitRules.EverydayHigh),
        (FitRules.WorkingLow, FitRules.WorkingHigh),
        (FitRules.HalfPant, FitRules.FullPant),
        (FitRules.FullPant, FitRules.Yawn),
        (FitRules.Yawn, FitRules.WidestGape),
        (FitRules.WidthLow, FitRules.WidthHigh),
        (Contrast.BlendsIn, Contrast.StandsOut),
        (SnoutRules.FitLineGap, SnoutRules.SmallDogFrom),
        (HeadShapes.IndexMedium, HeadShapes.IndexShort),
        (HeadShapes.RatioShort, HeadShapes.RatioMedium),
        (CrossChecks.LeastFaceShareShort, CrossChecks.LeastFaceShare),
        (CrossChecks.LeastFaceShare, CrossChecks.GreatestFaceShare),
        (GoRules.NotYetShare, GoRules.ReadyShare),
        (Heat.HalvesFrom, Heat.MinutesFrom),
        (Heat.MinutesFrom, Heat.NoneOver),
        (AssociationBalance.Sours, AssociationBalance.Wanted),
        (Progression.ShortGap, Progression.LongGap),
        (Progression.LongGap, Progression.VeryLongGap),
        (Progression.VeryLongGap, Progression.GoneSoLong),
        (TrainingStop.WithinHere, TrainingStop.WithinAnywhere),
        (Progression.EarlySession, Progression.LaterSession),
    ];

    /// <summary>The number with this id; null where there is none.</summary>
    public static IGrounded? Find(string id) => ById.GetValueOrDefault(id);

    /// <summary>The room a number stands in.</summary>
    public static string RoomOf(IGrounded number) => All.First(r => r.Numbers.Contains(number)).Room;

    /// <summary>What speaks against a practice's own numbers.</summary>
    public static IEnumerable<RuleRefusal> Refusals(HouseRules rules) => rules.Refusals(ById.Values, InOrder);
}
