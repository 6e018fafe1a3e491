using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Fitting;

/// <summary>A neck and the fingers wanted under its strap.</summary>
/// <param name="NeckGirthMm">60 to 1500.</param>
/// <param name="Fingers">0 to 4.</param>
/// <param name="FingerThicknessMm">5 to 40; the House finger when left out.</param>
public sealed record WhatIfStrap(double? NeckGirthMm = null, int? Fingers = null, double? FingerThicknessMm = null);

/// <summary>The loop the strap must make.</summary>
public sealed record StrapLoop(double LoopMm);

/// <summary>
/// What was measured. Left out numbers are completed and lower the trust. Each length may have its standard uncertainty beside it, named
/// like it with UMm at its end; when at least one is given, the answer has chances.
/// </summary>
public sealed record SnoutInput(
    double? NoseToInnerEyeLeftMm = null,
    double? NoseToInnerEyeRightMm = null,
    double? InnerEyeSpacingMm = null,
    double? SnoutGirthMm = null,
    double? SnoutHeightMm = null,
    double? SnoutWidthMm = null,
    double? JawToNoseMm = null,
    double? NeckGirthMm = null,
    HeadShape? HeadShape = null,
    double? HeadGirthMm = null,
    double? NoseToInnerEyeLeftUMm = null,
    double? NoseToInnerEyeRightUMm = null,
    double? InnerEyeSpacingUMm = null,
    double? SnoutGirthUMm = null,
    double? SnoutHeightUMm = null,
    double? SnoutWidthUMm = null,
    double? JawToNoseUMm = null,
    double? NeckGirthUMm = null,
    double? HeadGirthUMm = null
)
{
    /// <summary>The lengths of the snout, those not given too, each with its uncertainty.</summary>
    internal IReadOnlyList<(string Name, MeasureLine Line, double? Mm, double? U)> Lengths =>
        [
            ("noseToInnerEyeLeft", new(Measure.NoseToInnerEye, Side.Left), NoseToInnerEyeLeftMm, NoseToInnerEyeLeftUMm),
            ("noseToInnerEyeRight", new(Measure.NoseToInnerEye, Side.Right), NoseToInnerEyeRightMm, NoseToInnerEyeRightUMm),
            ("innerEyeSpacing", new(Measure.InnerEyeSpacing), InnerEyeSpacingMm, InnerEyeSpacingUMm),
            ("snoutGirth", new(Measure.SnoutGirth), SnoutGirthMm, SnoutGirthUMm),
            ("snoutHeight", new(Measure.SnoutHeight), SnoutHeightMm, SnoutHeightUMm),
            ("snoutWidth", new(Measure.SnoutWidth), SnoutWidthMm, SnoutWidthUMm),
            ("jawToNose", new(Measure.JawToNose), JawToNoseMm, JawToNoseUMm),
            ("neckGirth", new(Measure.NeckGirth), NeckGirthMm, NeckGirthUMm),
            ("headGirth", new(Measure.HeadGirth), HeadGirthMm, HeadGirthUMm),
        ];

    public SnoutNumbers ToNumbers() =>
        SnoutNumbers.From(
            from length in Lengths
            where length.Mm is not null
            select KeyValuePair.Create(length.Line, Length.FromMillimeters(length.Mm!.Value)),
            HeadShape!.Value
        );
}

/// <summary>The inner shape of a basket.</summary>
/// <param name="HolePitchMm">Distance of the neck strap's holes, 3 to 60; left out for one that slides.</param>
public sealed record BasketInput(
    double? LengthMm = null,
    double? DepthFrontMm = null,
    double? DepthRearMm = null,
    double? WidthRearMm = null,
    double? OpeningGirthMm = null,
    double? NeckStrapMinMm = null,
    double? NeckStrapMaxMm = null,
    double? HolePitchMm = null
)
{
    public BasketModel ToModel() =>
        new(Mm(LengthMm), Mm(DepthFrontMm), Mm(DepthRearMm), Mm(WidthRearMm), Mm(OpeningGirthMm), Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm))
        {
            HolePitch = HolePitchMm is null ? null : Mm(HolePitchMm),
        };

    private static Length Mm(double? value) => Length.FromMillimeters(value!.Value);
}

/// <summary>A basket to be judged on a snout.</summary>
public sealed record WhatIfFit(
    SnoutInput? Snout = null,
    BasketInput? Basket = null,
    FitStyle? FitStyle = null,
    double? NeededGapeDeg = null,
    int? Fingers = null
);

/// <summary>The judgement. Chance and retake are there when an uncertainty was given. Room and margin numbers are signed: negative means missed or past the eye.</summary>
public sealed record FitAnswer(
    double NoseRoomMm,
    double EyeRoomMm,
    double ShoveEyeRoomMm,
    double ChinRoomMm,
    double GapeDeg,
    GapeClass GapeClass,
    double NeededGirthMm,
    double GirthMarginMm,
    double WidthMarginMm,
    double? NeckLoopMm,
    Verdict Verdict,
    IReadOnlyList<CriterionDto> Criteria,
    IReadOnlyList<NotCheckedDto> NotChecked,
    IReadOnlyList<SourceDto> Snout,
    double? Chance,
    Retake? Retake
);

/// <summary>What the rules need to know of a dog.</summary>
/// <param name="BreedIds">Up to two shipped breeds.</param>
/// <param name="Purposes">Its purposes, where they are not given beside the dog.</param>
/// <param name="Traits">Traits seen on it, whatever its breed.</param>
public sealed record WhatIfDog(
    string? Name = null,
    IReadOnlyList<string>? BreedIds = null,
    HeadShape? HeadShape = null,
    double? BodyMassKg = null,
    int? AgeMonths = null,
    string? CoatId = null,
    Coat? Coat = null,
    Temperament? Temperament = null,
    IReadOnlyList<Sensitivity>? Sensitivities = null,
    BiteTier? BiteTier = null,
    IReadOnlyList<Purpose>? Purposes = null,
    IReadOnlyList<HealthNote>? Health = null,
    IReadOnlyList<BreedTrait>? Traits = null
);

/// <summary>A dog and what a muzzle is wanted for.</summary>
/// <param name="WearsHappily">It wears one at ease already.</param>
public sealed record WhatIfBrief(
    WhatIfDog? Dog = null,
    IReadOnlyList<Purpose>? Purposes = null,
    FitStyle? FitStyle = null,
    int? Fingers = null,
    int? Minutes = null,
    bool? Warm = null,
    MaterialSchool? Material = null,
    VisibilitySchool? Visibility = null,
    bool? WearsHappily = null,
    IReadOnlyDictionary<string, string>? Overruled = null,
    bool? ClinicHands = null
);

public sealed class WhatIfBriefValidator : AbstractValidator<WhatIfBrief>
{
    public WhatIfBriefValidator()
    {
        RuleFor(b => b.Dog).NotNull().WithMessage("dog is needed.").SetValidator(new WhatIfDogValidator()!);
        RuleFor(b => b.Overruled)
            .Must(o => o is null || o.Values.All(n => !string.IsNullOrWhiteSpace(n)))
            .WithMessage("Each overruled line needs a note that says why.");
    }
}

public sealed class WhatIfDogValidator : AbstractValidator<WhatIfDog>
{
    public WhatIfDogValidator()
    {
        RuleFor(d => d.BreedIds).Must(b => b is null || b.Count <= 2).WithMessage("Up to two breeds; leave it empty when unknown.");
        RuleForEach(d => d.BreedIds).Must(b => BreedList.Shipped.Find(b) is not null).WithMessage("\"{PropertyValue}\" is not a breed on the list.");
        RuleFor(d => d.BodyMassKg).InclusiveBetween(0.4, 120).WithMessage("A body mass is 0.4 to 120 kg.");
        RuleFor(d => d.AgeMonths).InclusiveBetween(0, 360).WithMessage("An age is 0 to 360 months.");
        RuleFor(d => d.CoatId).Must(c => c is null || CoatColour.Find(c) is not null).WithMessage("\"{PropertyValue}\" is not a coat colour on the list.");
    }
}

/// <summary>Stateless answers from the same core functions the screens use.</summary>
internal static class WhatIf
{
    private static readonly FittingWords Words = new(Writing.Usual);

    public static void MapWhatIf(this IEndpointRouteBuilder api)
    {
        var whatIf = api.MapGroup("/what-if").WithTags("What if");
        whatIf
            .MapPost("/strap", Strap)
            .WithName("whatIfStrap")
            .May(Concern.WholePractice)
            .WithSummary("The loop a neck strap must make for the fingers under it.");
        whatIf
            .MapPost("/fit", Fit)
            .WithName("whatIfFit")
            .May(Concern.WholePractice)
            .WithSummary("Judge one basket on one snout, with chances where uncertainties are given.");
        whatIf.MapPost("/brief", Brief).WithName("whatIfBrief").May(Concern.WholePractice).WithSummary("What a dog needs of a muzzle for its purposes.");
    }

    public static StrapLoop Strap(WhatIfStrap asked)
    {
        var finger = asked.FingerThicknessMm is { } mm ? Length.FromMillimeters(mm) : FitRules.Finger.Ours;
        return new StrapLoop(NeckStrap.Loop(Length.FromMillimeters(asked.NeckGirthMm!.Value), asked.Fingers!.Value, finger).Millimeters.Tidy());
    }

    public static BriefDto Brief(WhatIfBrief asked, TimeProvider clock)
    {
        var (entered, today) = (asked.Dog!, clock.Today());
        var dog = new DogProfile
        {
            Name = entered.Name ?? "The dog",
            Breeds = [.. (entered.BreedIds ?? []).Select(BreedList.Shipped.Find).OfType<Breed>()],
            HeadShapeSeen = entered.HeadShape,
            BirthDate = entered.AgeMonths is { } months ? today.AddMonths(-months) : null,
            BodyMass = entered.BodyMassKg is { } kg ? Mass.FromKilograms(kg) : null,
            CoatSeen = entered.Coat,
            Purposes = [.. (asked.Purposes ?? entered.Purposes ?? []).Distinct()],
            Temperament = entered.Temperament ?? Temperament.Typical,
            Sensitivities = entered.Sensitivities ?? [],
            BiteTier = entered.BiteTier ?? BiteTier.None,
            Health = entered.Health ?? [],
            TraitsSeen = entered.Traits ?? [],
        };
        var question = new KeptTerms([], asked.FitStyle, asked.Fingers, asked.Minutes, asked.Warm, asked.ClinicHands == true).ToQuestion(
            dog,
            HouseRules.Ours
        ) with
        {
            Material = asked.Material ?? MaterialSchool.Sturdy,
            Visibility = asked.Visibility ?? VisibilitySchool.StandOut,
            Growing = dog.IsGrowing(today),
            CoatHex = CoatColour.Find(entered.CoatId)?.Hex,
            Overruled = asked.Overruled ?? new Dictionary<string, string>(),
        };
        return BriefDto.Of(MuzzleBrief.For(dog, question), MuzzleCount.For(dog, asked.WearsHappily == true), Words);
    }

    public static FitAnswer Fit(WhatIfFit asked)
    {
        var snout = SnoutModel.From(asked.Snout!.ToNumbers());
        var request = new FitRequest(asked.FitStyle!.Value, Angle.FromDegrees(asked.NeededGapeDeg!.Value), asked.Fingers!.Value, FitRules.Finger.Ours);
        var basket = asked.Basket!.ToModel();
        var fit = BasketFit.Assess(snout, basket, request);
        var doubts = asked.Snout.Lengths.Where(u => u.U is not null).ToDictionary(u => u.Line, u => Length.FromMillimeters(u.U!.Value));
        var chances =
            doubts.Count == 0
                ? null
                : Chances.Of(SnoutDraws.Of(snout, UncertaintySource.Of(snout, doubts), SnoutDraws.Usual.Ours, new Random(SnoutDraws.Seed)), basket, request);
        return new FitAnswer(
            fit.Seat.NoseRoom.Millimeters.Tidy(),
            fit.Seat.EyeRoom.Millimeters.Tidy(),
            fit.Seat.ShoveEyeRoom.Millimeters.Tidy(),
            fit.ChinRoom.Millimeters.Tidy(),
            fit.Gape.Degrees.Tidy(),
            fit.GapeClass,
            fit.NeededGirth.Millimeters.Tidy(),
            fit.GirthMargin.Millimeters.Tidy(),
            fit.WidthMargin.Millimeters.Tidy(),
            fit.NeckLoop?.Millimeters.Tidy(),
            fit.Verdict,
            [.. fit.Criteria.Select(c => CriterionDto.Of(c with { Chance = chances?.Of(c.Name) }, Words))],
            [.. fit.NotChecked.Select(n => NotCheckedDto.Of(n, Words))],
            snout.SourcesDto(new(Writing.Usual)),
            chances?.Whole,
            chances?.Retake
        );
    }
}

/// <summary>Bounds for lengths that come as bare numbers.</summary>
internal static class LengthRules
{
    public const double ShortestMm = 5;

    public static double LongestMm => ReadingParser.Longest.Ours.Millimeters;

    /// <summary>A length in mm that may be left out.</summary>
    public static IRuleBuilderOptions<T, double?> AnyLength<T>(this IRuleBuilder<T, double?> rule) =>
        rule.InclusiveBetween(ShortestMm, LongestMm).WithMessage($"{{PropertyName}} must be {ShortestMm} to {LongestMm} mm; {{PropertyValue}} was given.");

    /// <summary>A length in mm that must be there.</summary>
    public static IRuleBuilderOptions<T, double?> NeededLength<T>(this IRuleBuilder<T, double?> rule) =>
        rule.NotNull().WithMessage($"{{PropertyName}} is needed: a length of {ShortestMm} to {LongestMm} mm.").AnyLength();
}

public sealed class WhatIfStrapValidator : AbstractValidator<WhatIfStrap>
{
    public WhatIfStrapValidator()
    {
        RuleFor(s => s.NeckGirthMm).NeededBetween(60, LengthRules.LongestMm).WithMessage($"neckGirthMm must be 60 to {LengthRules.LongestMm} mm.");
        RuleFor(s => s.Fingers).NeededBetween(0, NeckStrap.MostFingers).WithMessage($"fingers must be 0 to {NeckStrap.MostFingers}.");
        RuleFor(s => s.FingerThicknessMm).InclusiveBetween(5, 40).WithMessage("fingerThicknessMm must be 5 to 40 mm.");
        RuleFor(s => s.FingerThicknessMm)
            .Must((s, mm) => mm is null || mm <= s.NeckGirthMm / Math.PI / 2)
            .WithMessage("fingerThicknessMm must be at most half as thick as the neck.")
            .When(s => s.NeckGirthMm is not null);
    }
}

public sealed class SnoutInputValidator : AbstractValidator<SnoutInput>
{
    private const double MostUncertain = 50;

    public SnoutInputValidator()
    {
        RuleFor(s => s.NoseToInnerEyeLeftMm).NeededLength();
        RuleFor(s => s.NoseToInnerEyeRightMm).NeededLength();
        RuleFor(s => s.InnerEyeSpacingMm).AnyLength();
        RuleFor(s => s.InnerEyeSpacingMm)
            .Must((s, mm) => mm is null || mm < 2 * Math.Min(s.NoseToInnerEyeLeftMm ?? double.MaxValue, s.NoseToInnerEyeRightMm ?? double.MaxValue))
            .WithMessage("innerEyeSpacingMm must be less than twice the shorter nose to inner eye.");
        RuleFor(s => s.SnoutGirthMm).AnyLength();
        RuleFor(s => s.SnoutHeightMm).AnyLength();
        RuleFor(s => s.SnoutWidthMm).AnyLength();
        RuleFor(s => s.JawToNoseMm).AnyLength();
        RuleFor(s => s.NeckGirthMm).InclusiveBetween(120, LengthRules.LongestMm).WithMessage($"neckGirthMm must be 120 to {LengthRules.LongestMm} mm.");
        RuleFor(s => s.HeadGirthMm).AnyLength();
        RuleFor(s => s)
            .Custom(
                (s, context) =>
                {
                    foreach (var (length, _, mm, u) in s.Lengths)
                    {
                        var name = $"{length}UMm";
                        if (u is { } given && !(given >= 0 && given <= MostUncertain))
                            context.AddFailure(name, $"{name} must be 0 to {MostUncertain} mm; {given} was given.");
                        else if (u is not null && mm is null)
                            context.AddFailure(name, $"{name} stands beside a length that was not given.");
                    }
                }
            );
        RuleFor(s => s.HeadShape).NotNull().WithMessage("headShape is needed: long, medium or short.");
    }
}

public sealed class BasketInputValidator : AbstractValidator<BasketInput>
{
    public BasketInputValidator()
    {
        RuleFor(b => b.LengthMm).NeededLength();
        RuleFor(b => b.DepthFrontMm).NeededLength();
        RuleFor(b => b.DepthRearMm).NeededLength();
        RuleFor(b => b.WidthRearMm).NeededLength();
        RuleFor(b => b.OpeningGirthMm).NeededLength();
        RuleFor(b => b.NeckStrapMinMm).NeededLength();
        RuleFor(b => b.NeckStrapMaxMm).NeededLength();
        RuleFor(b => b.HolePitchMm).InclusiveBetween(3, 60).WithMessage("holePitchMm must be 3 to 60 mm.");
        RuleFor(b => b.NeckStrapMaxMm)
            .Must((b, max) => max is null || b.NeckStrapMinMm is null || max > b.NeckStrapMinMm)
            .WithMessage("neckStrapMaxMm must be more than neckStrapMinMm.");
    }
}

public sealed class WhatIfFitValidator : AbstractValidator<WhatIfFit>
{
    public WhatIfFitValidator()
    {
        RuleFor(f => f.Snout).NotNull().WithMessage("snout is needed.").SetValidator(new SnoutInputValidator()!);
        RuleFor(f => f.Basket).NotNull().WithMessage("basket is needed.").SetValidator(new BasketInputValidator()!);
        RuleFor(f => f.FitStyle).NotNull().WithMessage("fitStyle is needed: everyday or working.");
        RuleFor(f => f.NeededGapeDeg)
            .NotNull()
            .WithMessage("neededGapeDeg is needed: 0 to 60.")
            .InclusiveBetween(0, FitRules.WidestGape.Ours.Degrees)
            .WithMessage("neededGapeDeg must be 0 to 60.");
        RuleFor(f => f.Fingers)
            .NotNull()
            .WithMessage("fingers is needed: 0 to 4.")
            .InclusiveBetween(0, NeckStrap.MostFingers)
            .WithMessage($"fingers must be 0 to {NeckStrap.MostFingers}.");
    }
}
