using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Core.People;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Measuring;

/// <summary>Readings to be judged without a dog on record.</summary>
/// <param name="FitStyle">everyday or working.</param>
/// <param name="HeadShape">As the fitter saw it; left out, it follows from measures and breed.</param>
/// <param name="Breed">Id, name or another name of a shipped breed.</param>
/// <param name="Coat">ordinary, thick or clipped; the breed's when left out.</param>
/// <param name="BodyMassKg">0.4 to 120.</param>
/// <param name="FitLineGapMm">The gap left between eye line and fit line, 2 to 60.</param>
/// <param name="Readings">Up to 500.</param>
public sealed record WhatIfMeasureQuestion(
    FitStyle? FitStyle = null,
    HeadShape? HeadShape = null,
    string? Breed = null,
    Coat? Coat = null,
    double? BodyMassKg = null,
    double? FitLineGapMm = null,
    IReadOnlyList<WhatIfMeasureReading>? Readings = null
);

/// <summary>One reading: measure, side where it has two, the text as written, its unit where the text has none, the tool, and how a jaw to nose was held.</summary>
public sealed record WhatIfMeasureReading(
    Measure? Measure = null,
    Side? Side = null,
    string? Text = null,
    ReadingUnit? Unit = null,
    Tool? Tool = null,
    JawHeld? Held = null
);

public sealed class WhatIfMeasureQuestionValidator : AbstractValidator<WhatIfMeasureQuestion>
{
    private const int MostReadings = 500;

    public WhatIfMeasureQuestionValidator()
    {
        RuleFor(q => q.FitStyle).NotNull().WithMessage("fitStyle is needed: everyday or working.");
        RuleFor(q => q.BodyMassKg).InclusiveBetween(0.4, 120).WithMessage("bodyMassKg must be 0.4 to 120 kg.");
        RuleFor(q => q.FitLineGapMm).InclusiveBetween(2, 60).WithMessage("fitLineGapMm must be 2 to 60 mm.");
        RuleFor(q => q.Breed)
            .Must(b => string.IsNullOrWhiteSpace(b) || Find(b) is not null)
            .WithMessage("\"{PropertyValue}\" is not a breed on the list; GET /api/breeds names them.");
        RuleFor(q => q.Readings)
            .NotNull()
            .WithMessage("readings is needed: a list, which may be empty.")
            .Must(r => r is null || r.Count <= MostReadings)
            .WithMessage($"readings has up to {MostReadings} entries.");
        RuleForEach(q => q.Readings).NotNull().WithMessage("A reading cannot be null.").SetValidator(new WhatIfMeasureReadingValidator());
    }

    internal static Breed? Find(string breed) =>
        BreedList.Shipped.All.FirstOrDefault(b =>
            new[] { b.Id, b.Name }.Concat(b.AlsoCalled ?? []).Any(n => string.Equals(n, breed.Trim(), StringComparison.OrdinalIgnoreCase))
        );
}

public sealed class WhatIfMeasureReadingValidator : AbstractValidator<WhatIfMeasureReading>
{
    public WhatIfMeasureReadingValidator()
    {
        RuleFor(r => r.Measure).NotNull().WithMessage($"measure is needed: {QueryWords.OneOf(typeof(Measure))}.");
        RuleFor(r => r.Side).NotNull().When(r => r.Measure == Measure.NoseToInnerEye).WithMessage("side is needed for noseToInnerEye: left or right.");
        RuleFor(r => r.Side).Null().When(r => r.Measure is { } m && m != Measure.NoseToInnerEye).WithMessage("Only noseToInnerEye has a side.");
        RuleFor(r => r.Text)
            .Custom(
                (text, context) =>
                {
                    if (!ReadingParser.TryParse(text, context.InstanceToValidate.Unit ?? ReadingUnit.Mm, out _, out var problem))
                        context.AddFailure(problem);
                }
            );
    }
}

/// <summary>A measure as read, worked out or assumed. n is 0 unless it was read.</summary>
public sealed record WhatIfMeasured(Measure Measure, Side? Side, int N, double MeanMm, double StandardUncertaintyMm, Provenance State);

/// <summary>What one way of telling the head shape says.</summary>
public sealed record WhatIfShapeWay(ShapeWay Way, double? Value, HeadShape Shape, Basis Basis, string Reason);

/// <summary>The head shape used, with every way of telling it.</summary>
public sealed record WhatIfShape(HeadShape Shape, IReadOnlyList<WhatIfShapeWay> Ways, bool AirwayCaution);

/// <summary>The readings judged.</summary>
public sealed record WhatIfMeasureAnswer(
    IReadOnlyList<WhatIfMeasured> Measures,
    IReadOnlyList<FindingDto> Findings,
    WhatIfShape HeadShape,
    IReadOnlyList<MissingMeasure> Missing
);

/// <summary>A marked picture to be worked out.</summary>
/// <param name="Reference">The thing of known size.</param>
/// <param name="Landmarks">
/// Places by name, each [x, y] in pixels. From the side: noseTip, innerEye, bridgeFront, bridgeBack, fitLineTop, fitLineUnder, throatBump, stop, occiput. From
/// above: noseTip, innerEyeLeft, innerEyeRight, snoutLeft, snoutRight, stop, occiput, skullLeft, skullRight.
/// </param>
/// <param name="View">side or top.</param>
/// <param name="Side">The side of the dog a side picture shows; left when left out.</param>
/// <param name="ClickPixels">How far a click lies off, one standard deviation, 0.1 to 50; the House value when left out.</param>
/// <param name="HeadShape">The head shape, whose usual inner eye spacing is taken; left out, the doubt spans all three.</param>
/// <param name="InnerEyeSpacingMm">The inner eye spacing, 5 to 150, where it was measured.</param>
/// <param name="PictureWidth">The picture's width in pixels; with its height it tells where the camera looked.</param>
/// <param name="PictureHeight">Its height in pixels.</param>
public sealed record WhatIfPhotoQuestion(
    WhatIfReference? Reference = null,
    IReadOnlyDictionary<string, double[]>? Landmarks = null,
    PhotoView? View = null,
    Side? Side = null,
    double? ClickPixels = null,
    HeadShape? HeadShape = null,
    double? InnerEyeSpacingMm = null,
    double? PictureWidth = null,
    double? PictureHeight = null
);

/// <summary>The reference: kind card, a4, a5 or ruler; corners as [x, y], four or a ruler's two, those of a card or sheet in order around it from one end of a long side; a ruler's length between its marks.</summary>
public sealed record WhatIfReference(string? Kind = null, IReadOnlyList<double[]>? Corners = null, double? LengthMm = null);

public sealed class WhatIfPhotoQuestionValidator : AbstractValidator<WhatIfPhotoQuestion>
{
    private const string PointMessage = "A point is [x, y] in pixels.";

    public WhatIfPhotoQuestionValidator()
    {
        RuleFor(q => q.View).NotNull().WithMessage("view is needed: side or top.");
        RuleFor(q => q.ClickPixels).InclusiveBetween(0.1, 50).WithMessage("clickPixels must be 0.1 to 50.");
        RuleFor(q => q.InnerEyeSpacingMm).InclusiveBetween(5, 150).WithMessage("innerEyeSpacingMm must be 5 to 150 mm.");
        RuleFor(q => q.PictureWidth).InclusiveBetween(100, 20_000).WithMessage("pictureWidth must be 100 to 20000 pixels.");
        RuleFor(q => q.PictureHeight).InclusiveBetween(100, 20_000).WithMessage("pictureHeight must be 100 to 20000 pixels.");
        RuleFor(q => q.PictureHeight)
            .Must((q, height) => height is null == q.PictureWidth is null)
            .WithMessage("Give both pictureWidth and pictureHeight, or neither.");
        RuleFor(q => q.Reference).NotNull().WithMessage("reference is needed: its kind and corners.");
        RuleFor(q => q.Reference!.Kind)
            .Must(k => Kind(k) is not null)
            .When(q => q.Reference is not null)
            .WithMessage("kind must be one of card, a4, a5, ruler.");
        RuleFor(q => q.Reference!.Corners).NotNull().WithMessage("corners are needed: four points, or two for a ruler.").When(q => q.Reference is not null);
        RuleFor(q => q.Reference!.Corners)
            .Must((q, c) => c is null || c.Count == (Kind(q.Reference!.Kind) == ReferenceKind.Ruler ? 2 : 4))
            .When(q => q.Reference is not null)
            .WithMessage("A card or sheet has four corners, a ruler two marks.");
        RuleFor(q => q.Reference!.Corners).Must(c => c is null || c.All(IsPoint)).When(q => q.Reference is not null).WithMessage(PointMessage);
        RuleFor(q => q.Reference!.LengthMm)
            .NeededBetween(10, 1000)
            .When(q => Kind(q.Reference?.Kind) == ReferenceKind.Ruler)
            .WithMessage("lengthMm is needed for a ruler: its two marks are 10 to 1000 mm apart.");
        RuleFor(q => q.Landmarks).NotEmpty().WithMessage("landmarks are needed: places by name, each [x, y].");
        RuleFor(q => q.Landmarks)
            .Custom(
                (landmarks, context) =>
                {
                    foreach (var (name, point) in landmarks ?? new Dictionary<string, double[]>())
                    {
                        if (!Enum.TryParse<Landmark>(name, ignoreCase: true, out _) || int.TryParse(name, out _))
                            context.AddFailure($"Landmarks.{name}", $"\"{name}\" is no landmark; {QueryWords.OneOf(typeof(Landmark))}.");
                        else if (landmarks!.Keys.Count(other => string.Equals(other, name, StringComparison.OrdinalIgnoreCase)) > 1)
                            context.AddFailure($"Landmarks.{name}", $"{name} is given twice.");
                        else if (!IsPoint(point))
                            context.AddFailure($"Landmarks.{name}", PointMessage);
                    }
                }
            );
    }

    /// <summary>The kind however it is spelled: card, ID-1, id1Card, A4 …</summary>
    internal static ReferenceKind? Kind(string? text) =>
        string.Concat((text ?? "").Where(char.IsLetterOrDigit)).ToLowerInvariant() switch
        {
            "card" or "id1" or "id1card" or "idcard" => ReferenceKind.Card,
            "a4" or "a4sheet" => ReferenceKind.A4,
            "a5" or "a5sheet" => ReferenceKind.A5,
            "ruler" => ReferenceKind.Ruler,
            _ => null,
        };

    private static bool IsPoint(double[]? point) => point is { Length: 2 } && point.All(v => Math.Abs(v) < 1e6);
}

/// <summary>The measures of a marked picture.</summary>
/// <param name="Advice">What would give more; empty when nothing would.</param>
public sealed record WhatIfPhotoAnswer(IReadOnlyList<PhotoMeasureDto> Measures, double MillimetresPerPixel, double SlantDeg, IReadOnlyList<string> Advice);

/// <summary>Stateless answers from the same core functions the bench uses.</summary>
internal static class WhatIfMeasure
{
    public static void MapWhatIfMeasure(this IEndpointRouteBuilder api)
    {
        var whatIf = api.MapGroup("/what-if").WithTags("What if");
        whatIf.MapPost("/reading", Understand).WithName("whatIfReading").May(Concern.WholePractice).WithSummary("Read a length the way people write it.");
        whatIf
            .MapPost("/measure", Measure)
            .WithName("whatIfMeasure")
            .May(Concern.WholePractice)
            .WithSummary("Judge readings: means with their doubt, cross-checks, head shape, what is missing.");
        whatIf
            .MapPost("/photo", Photo)
            .WithName("whatIfPhoto")
            .May(Concern.WholePractice)
            .WithSummary("Work measures out of a marked picture, or say how to take it again.")
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static ReadingUnderstood Understand(WhatIfReading asked) =>
        ReadingParser.TryParse(asked.Text, asked.Unit ?? ReadingUnit.Mm, out var parsed, out var problem)
            ? new ReadingUnderstood(parsed.Value.Millimeters.Tidy(), parsed.AsTaken)
            : throw Refusal.Field("text", problem);

    private static WhatIfMeasureAnswer Measure(WhatIfMeasureQuestion asked)
    {
        var dog = new DogProfile
        {
            Name = "",
            Breeds = string.IsNullOrWhiteSpace(asked.Breed) ? [] : [WhatIfMeasureQuestionValidator.Find(asked.Breed)!],
            HeadShapeSeen = asked.HeadShape,
            CoatSeen = asked.Coat,
        };
        var readings = asked
            .Readings!.Select(r =>
            {
                ReadingParser.TryParse(r.Text, r.Unit ?? ReadingUnit.Mm, out var parsed, out _);
                return new Reading(r.Measure!.Value, r.Side, parsed.Value, parsed.Unit, r.Tool ?? Tool.SoftTape)
                {
                    Held = r.Measure == Core.Measuring.Measure.JawToNose ? r.Held : null,
                };
            })
            .ToList();
        var assessment = Assessment.Of(
            readings,
            new Circumstances
            {
                FitStyle = asked.FitStyle!.Value,
                OtherWays = dog.OtherShapes,
                BodyMass = asked.BodyMassKg is { } kg ? Mass.FromKilograms(kg) : null,
                Coat = dog.Coat,
                FitLineGap = asked.FitLineGapMm is { } gap ? Length.FromMillimeters(gap) : null,
            }
        );
        return new WhatIfMeasureAnswer(
            [
                .. CompletedMeasures
                    .Of(assessment)
                    .Select(m => new WhatIfMeasured(m.Measure, m.Side, m.Count, m.Mean.Millimeters.Tidy(), m.StandardUncertainty.Millimeters.Tidy(), m.State)),
            ],
            FindingDto.Of(assessment.Findings, Words),
            new WhatIfShape(
                assessment.HeadShape.Shape,
                [.. assessment.HeadShape.Ways.Select(w => new WhatIfShapeWay(w.Way, w.Value?.Tidy(), w.Shape, w.Basis, Words.Of(w)))],
                assessment.HeadShape.AirwayCaution
            ),
            assessment.Missing
        );
    }

    private static readonly MeasuringWords Words = new(Writing.Usual);
    private static readonly PhotoWords Pictures = new(Writing.Usual);

    private static WhatIfPhotoAnswer Photo(WhatIfPhotoQuestion asked)
    {
        var reference = asked.Reference!;
        var kind = WhatIfPhotoQuestionValidator.Kind(reference.Kind)!.Value;
        var question = new PhotoQuestion(
            asked.View!.Value,
            new PhotoReference(
                kind,
                [.. reference.Corners!.Select(Point)],
                reference.LengthMm is { } mm ? Length.FromMillimeters(mm) : null,
                LongSideFirst: kind != ReferenceKind.Ruler
            ),
            asked.Landmarks!.ToDictionary(l => Enum.Parse<Landmark>(l.Key, ignoreCase: true), l => Point(l.Value))
        )
        {
            Side = asked.Side ?? Side.Left,
            ClickPixels = asked.ClickPixels,
            HeadShape = asked.HeadShape,
            InnerEyeSpacing = asked.InnerEyeSpacingMm is { } spacing
                ? Uncertainty.MeanOf(
                    [new Reading(Core.Measuring.Measure.InnerEyeSpacing, null, Length.FromMillimeters(spacing), ReadingUnit.Mm)],
                    Coat.Ordinary,
                    HouseRules.Ours
                )
                    is var (mean, u)
                    ? new Measured(Core.Measuring.Measure.InnerEyeSpacing, null, 1, mean, Length.Zero, u)
                    : null
                : null,
            PictureSize = asked is { PictureWidth: { } wide, PictureHeight: { } high } ? (wide, high) : null,
        };
        if (!PhotoSolver.TrySolve(question, out var solution, out var refusal))
        {
            var says = PhotoRefusalDto.Of(refusal, Pictures)!;
            throw new Refusal(StatusCodes.Status422UnprocessableEntity, Pictures.TakeAgain, $"{says.Message} {says.Retake}")
            {
                Errors = new Dictionary<string, string[]> { ["reference"] = [says.Message] },
                Extensions = new Dictionary<string, object?> { ["code"] = says.Code, ["retake"] = says.Retake },
            };
        }

        return new WhatIfPhotoAnswer(
            [.. solution.Measures.Select(m => PhotoMeasureDto.Of(m, Pictures))],
            solution.MillimetresPerPixel,
            solution.Slant.Degrees.Tidy(),
            [.. solution.Hints.Select(Pictures.Advice)]
        );
    }

    private static PixelPoint Point(double[] point) => new(point[0], point[1]);
}
