using FluentValidation;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
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

/// <summary>What was measured. Left out numbers are completed and lower the trust.</summary>
public sealed record SnoutInput(
    double? NoseToInnerEyeLeftMm = null, double? NoseToInnerEyeRightMm = null, double? InnerEyeSpacingMm = null, double? SnoutGirthMm = null,
    double? SnoutHeightMm = null, double? SnoutWidthMm = null, double? JawToNoseMm = null, double? NeckGirthMm = null, HeadShape? HeadShape = null)
{
    public SnoutNumbers ToNumbers() => new()
    {
        NoseToInnerEyeLeft = Mm(NoseToInnerEyeLeftMm),
        NoseToInnerEyeRight = Mm(NoseToInnerEyeRightMm),
        InnerEyeSpacing = Mm(InnerEyeSpacingMm),
        SnoutGirth = Mm(SnoutGirthMm),
        SnoutHeight = Mm(SnoutHeightMm),
        SnoutWidth = Mm(SnoutWidthMm),
        JawToNose = Mm(JawToNoseMm),
        NeckGirth = Mm(NeckGirthMm),
        HeadShape = HeadShape!.Value,
    };

    private static Length? Mm(double? value) => value is { } mm ? Length.FromMillimeters(mm) : null;
}

/// <summary>The inner shape of a basket.</summary>
public sealed record BasketInput(
    double? LengthMm = null, double? DepthFrontMm = null, double? DepthRearMm = null, double? WidthRearMm = null, double? OpeningGirthMm = null,
    double? NeckStrapMinMm = null, double? NeckStrapMaxMm = null)
{
    public BasketModel ToModel() =>
        new(Mm(LengthMm), Mm(DepthFrontMm), Mm(DepthRearMm), Mm(WidthRearMm), Mm(OpeningGirthMm), Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm));

    private static Length Mm(double? value) => Length.FromMillimeters(value!.Value);
}

/// <summary>A basket to be judged on a snout.</summary>
public sealed record WhatIfFit(SnoutInput? Snout = null, BasketInput? Basket = null, School? School = null, double? NeededGapeDeg = null, int? Fingers = null);

/// <summary>The judgement. Room and margin numbers are signed: negative means missed or past the eye.</summary>
public sealed record FitAnswer(
    double NoseRoomMm, double EyeRoomMm, double ShoveEyeRoomMm, double ChinRoomMm, double GapeDeg, GapeClass GapeClass, double NeededGirthMm,
    double GirthMarginMm, double WidthMarginMm, double? NeckLoopMm, Verdict Verdict, IReadOnlyList<CriterionDto> Criteria,
    IReadOnlyList<NotChecked> NotChecked, IReadOnlyList<SourceDto> Snout);

/// <summary>Stateless answers from the same core functions the screens use.</summary>
internal static class WhatIf
{
    public static StrapLoop Strap(WhatIfStrap asked)
    {
        var finger = asked.FingerThicknessMm is { } mm ? Length.FromMillimeters(mm) : FitRules.Finger.Value;
        return new StrapLoop(NeckStrap.Loop(Length.FromMillimeters(asked.NeckGirthMm!.Value), asked.Fingers!.Value, finger).Millimeters.Tidy());
    }

    public static FitAnswer Fit(WhatIfFit asked)
    {
        var snout = SnoutModel.From(asked.Snout!.ToNumbers());
        var request = new FitRequest(asked.School!.Value, Angle.FromDegrees(asked.NeededGapeDeg!.Value), asked.Fingers!.Value, FitRules.Finger.Value);
        var fit = BasketFit.Assess(snout, asked.Basket!.ToModel(), request);
        return new FitAnswer(
            fit.Seat.NoseRoom.Millimeters.Tidy(), fit.Seat.EyeRoom.Millimeters.Tidy(), fit.Seat.ShoveEyeRoom.Millimeters.Tidy(), fit.ChinRoom.Millimeters.Tidy(),
            fit.Gape.Degrees.Tidy(), fit.GapeClass, fit.NeededGirth.Millimeters.Tidy(), fit.GirthMargin.Millimeters.Tidy(), fit.WidthMargin.Millimeters.Tidy(),
            fit.NeckLoop?.Millimeters.Tidy(), fit.Verdict, [.. fit.Criteria.Select(CriterionDto.Of)], fit.NotChecked, snout.SourcesDto());
    }
}

/// <summary>Bounds for lengths that come as bare numbers.</summary>
internal static class LengthRules
{
    public const double ShortestMm = 5;

    public static double LongestMm => ReadingParser.Longest.Value.Millimeters;

    /// <summary>A length in mm that may be left out.</summary>
    public static IRuleBuilderOptions<T, double?> AnyLength<T>(this IRuleBuilder<T, double?> rule) => rule
        .InclusiveBetween(ShortestMm, LongestMm).WithMessage($"{{PropertyName}} must be {ShortestMm} to {LongestMm} mm; {{PropertyValue}} was given.");

    /// <summary>A length in mm that must be there.</summary>
    public static IRuleBuilderOptions<T, double?> NeededLength<T>(this IRuleBuilder<T, double?> rule) =>
        rule.NotNull().WithMessage($"{{PropertyName}} is needed: a length of {ShortestMm} to {LongestMm} mm.").AnyLength();
}

public sealed class WhatIfStrapValidator : AbstractValidator<WhatIfStrap>
{
    public WhatIfStrapValidator()
    {
        RuleFor(s => s.NeckGirthMm).NotNull().InclusiveBetween(60, LengthRules.LongestMm).WithMessage($"neckGirthMm must be 60 to {LengthRules.LongestMm} mm.");
        RuleFor(s => s.Fingers).NotNull().InclusiveBetween(0, NeckStrap.MostFingers).WithMessage($"fingers must be 0 to {NeckStrap.MostFingers}.");
        RuleFor(s => s.FingerThicknessMm).InclusiveBetween(5, 40).WithMessage("fingerThicknessMm must be 5 to 40 mm.");
        RuleFor(s => s.FingerThicknessMm).Must((s, mm) => mm is null || mm <= s.NeckGirthMm / Math.PI / 2)
            .WithMessage("fingerThicknessMm must be at most half as thick as the neck.").When(s => s.NeckGirthMm is not null);
    }
}

public sealed class SnoutInputValidator : AbstractValidator<SnoutInput>
{
    public SnoutInputValidator()
    {
        RuleFor(s => s.NoseToInnerEyeLeftMm).NeededLength();
        RuleFor(s => s.NoseToInnerEyeRightMm).NeededLength();
        RuleFor(s => s.InnerEyeSpacingMm).AnyLength();
        RuleFor(s => s.InnerEyeSpacingMm).Must((s, mm) => mm is null || mm < 2 * Math.Min(s.NoseToInnerEyeLeftMm ?? double.MaxValue, s.NoseToInnerEyeRightMm ?? double.MaxValue))
            .WithMessage("innerEyeSpacingMm must be less than twice the shorter nose to inner eye.");
        RuleFor(s => s.SnoutGirthMm).AnyLength();
        RuleFor(s => s.SnoutHeightMm).AnyLength();
        RuleFor(s => s.SnoutWidthMm).AnyLength();
        RuleFor(s => s.JawToNoseMm).AnyLength();
        RuleFor(s => s.NeckGirthMm).InclusiveBetween(120, LengthRules.LongestMm).WithMessage($"neckGirthMm must be 120 to {LengthRules.LongestMm} mm.");
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
        RuleFor(b => b.NeckStrapMaxMm).Must((b, max) => max is null || b.NeckStrapMinMm is null || max > b.NeckStrapMinMm).WithMessage("neckStrapMaxMm must be more than neckStrapMinMm.");
    }
}

public sealed class WhatIfFitValidator : AbstractValidator<WhatIfFit>
{
    public WhatIfFitValidator()
    {
        RuleFor(f => f.Snout).NotNull().WithMessage("snout is needed.").SetValidator(new SnoutInputValidator()!);
        RuleFor(f => f.Basket).NotNull().WithMessage("basket is needed.").SetValidator(new BasketInputValidator()!);
        RuleFor(f => f.School).NotNull().WithMessage("school is needed: everyday or working.");
        RuleFor(f => f.NeededGapeDeg).NotNull().WithMessage("neededGapeDeg is needed: 0 to 60.").InclusiveBetween(0, FitRules.WidestGape.Value.Degrees).WithMessage("neededGapeDeg must be 0 to 60.");
        RuleFor(f => f.Fingers).NotNull().WithMessage("fingers is needed: 0 to 4.").InclusiveBetween(0, NeckStrap.MostFingers).WithMessage($"fingers must be 0 to {NeckStrap.MostFingers}.");
    }
}
