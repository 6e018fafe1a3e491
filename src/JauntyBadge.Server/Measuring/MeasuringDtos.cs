using System.Text.Json;
using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Measuring;

/// <summary>A length as somebody wrote it.</summary>
/// <param name="Text">What was written, such as <c>9,5 cm</c> or <c>3 3/4"</c>.</param>
/// <param name="Unit">The unit of a bare number; mm when left out.</param>
public sealed record WhatIfReading(string? Text = null, ReadingUnit? Unit = null);

/// <summary>The length understood.</summary>
public sealed record ReadingUnderstood(double Millimetres, string AsTaken);

/// <summary>What is made of a length while it is still being typed: either a length or what is wrong so far.</summary>
public sealed record ReadingSoFar(double? Millimetres, string? Problem);

/// <summary>A reading for a dog: a text, or the two marks of a string laid on a ruler.</summary>
/// <param name="Id">Made by the caller so that a reading sent twice counts once; left out, the server makes one.</param>
/// <param name="From">Where a string's first mark lies on the ruler; left out, at its beginning.</param>
/// <param name="To">Where its second mark lies; then text is not needed and the tool is the string.</param>
/// <param name="Held">How a jaw to nose was held, where it is known.</param>
/// <param name="IntoOldSet">Add it to the set in hand although that is of an earlier day; else a new one is begun.</param>
public sealed record ReadingEntry(
    Guid? Id = null,
    Measure? Measure = null,
    Side? Side = null,
    string? Text = null,
    ReadingUnit? Unit = null,
    Tool? Tool = null,
    string? TakenBy = null,
    string? From = null,
    string? To = null,
    JawHeld? Held = null,
    bool? IntoOldSet = null
)
{
    /// <exception cref="Refusal">Text or marks cannot be read; names the field.</exception>
    public ParsedReading Parse()
    {
        var unit = Unit ?? ReadingUnit.Mm;
        if (To is null && From is null)
            return ReadingParser.TryParse(Text, unit, out var parsed, out var problem) ? parsed : throw Refusal.Field("text", problem);
        return StringMarks.TryRead(From, To, unit, out var marked, out var field, out var wrong) ? marked : throw Refusal.Field(field, wrong);
    }
}

/// <summary>What may be entered as a reading; the text itself is read by the core.</summary>
public sealed class ReadingEntryValidator : AbstractValidator<ReadingEntry>
{
    internal const string SayWhichSide = "Nose to inner eye is taken left or right: say which.";
    internal const string HasNoSide = "Only nose to inner eye has a side.";

    public ReadingEntryValidator()
    {
        RuleFor(r => r.Measure).NotNull().WithMessage("Say which measure was taken.");
        RuleFor(r => r.Side).NotNull().When(r => r.Measure == Core.Measuring.Measure.NoseToInnerEye).WithMessage(SayWhichSide);
        RuleFor(r => r.Side).Null().When(r => r.Measure is { } m && m != Core.Measuring.Measure.NoseToInnerEye).WithMessage(HasNoSide);
        RuleFor(r => r.TakenBy).MaximumLength(60).WithMessage("Up to 60 letters, please.");
    }
}

/// <summary>How the jaw to nose was held; left out takes it back.</summary>
public sealed record JawHeldEntry(JawHeld? Held = null);

/// <summary>What the fitter decides about a reading that stands apart: set aside with a reason, or kept, or neither.</summary>
public sealed record ReadingJudgement(string? SetAside = null, bool? Keep = null);

public sealed class ReadingJudgementValidator : AbstractValidator<ReadingJudgement>
{
    public ReadingJudgementValidator()
    {
        RuleFor(j => j.SetAside).Must(r => r is null || !string.IsNullOrWhiteSpace(r)).WithMessage("Say why it is set aside, such as \"tape slipped\".");
        RuleFor(j => j.SetAside).MaximumLength(200).WithMessage("Up to 200 letters, please.");
        RuleFor(j => j.Keep).Must((j, keep) => keep != true || j.SetAside is null).WithMessage("A reading is either kept or set aside.");
    }
}

/// <summary>What belongs to a whole measuring set.</summary>
/// <param name="FitStyle">The fit style measured by.</param>
/// <param name="BodyMassKg">0.4 to 120; also becomes the dog's.</param>
/// <param name="Coat">The coat under the tape; also becomes the dog's.</param>
/// <param name="FitLineGapMm">The gap left between eye line and fit line, 2 to 60; the usual one when left out.</param>
/// <param name="IntoOldSet">Change the set in hand although it is of an earlier day; else another mass or coat begins a new one.</param>
public sealed record MeasuringSetEntry(
    FitStyle? FitStyle = null,
    double? BodyMassKg = null,
    Coat? Coat = null,
    double? FitLineGapMm = null,
    bool? IntoOldSet = null
);

public sealed class MeasuringSetEntryValidator : AbstractValidator<MeasuringSetEntry>
{
    public MeasuringSetEntryValidator()
    {
        RuleFor(s => s.FitStyle).NotNull().WithMessage("fitStyle is needed: everyday or working.");
        RuleFor(s => s.BodyMassKg).InclusiveBetween(0.4, 120).WithMessage("A body mass is 0.4 to 120 kg.");
        RuleFor(s => s.FitLineGapMm).InclusiveBetween(2, 60).WithMessage("The gap to the eyes is 2 to 60 mm.");
    }
}

/// <summary>A reading on record.</summary>
/// <param name="SetAside">Why it counts for nothing; null while it is in use.</param>
/// <param name="Kept">It stands apart and is kept all the same.</param>
/// <param name="StandsApart">It is the odd one out, proposed to be set aside.</param>
public sealed record ReadingDto(
    Guid Id,
    Measure Measure,
    Side? Side,
    string AsTaken,
    ReadingUnit Unit,
    double Mm,
    Tool Tool,
    string? TakenBy,
    DateTime TakenAt,
    string? SetAside,
    bool Kept,
    bool StandsApart,
    JawHeld? Held
)
{
    public static ReadingDto Of(ReadingRow r, bool standsApart) =>
        new(r.Id, r.Measure, r.Side, r.AsTaken, r.Unit, r.Millimetres.Tidy(), r.Tool, r.TakenBy, r.TakenAt, r.SetAside, r.Kept, standsApart, r.Held);
}

/// <summary>Something that does not add up, and which reading to take again.</summary>
/// <param name="Code">Stable code of the check, such as "sides-differ".</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Measures">The measures concerned.</param>
/// <param name="Message">What disagrees and by how much.</param>
/// <param name="Retake">Which reading to take again, and how.</param>
/// <param name="Basis">Why the limit is where it is.</param>
public sealed record FindingDto(string Code, Core.Measuring.Severity Severity, IReadOnlyList<Measure> Measures, string Message, string Retake, Basis Basis)
{
    internal static IReadOnlyList<FindingDto> Of(IEnumerable<Finding> findings, MeasuringWords words)
    {
        return
        [
            .. findings.Select(f => new FindingDto(
                JsonNamingPolicy.KebabCaseLower.ConvertName($"{f.Code}"),
                f.Severity,
                f.Measures,
                words.Message(f),
                words.Retake(f),
                f.Basis
            )),
        ];
    }
}

/// <summary>All readings of one measure together.</summary>
public sealed record MeasuredDto(Measure Measure, Side? Side, int Count, double MeanMm, double SpreadMm, double StandardUncertaintyMm)
{
    public static MeasuredDto Of(Measured m) =>
        new(m.Measure, m.Side, m.Count, m.Mean.Millimeters.Tidy(), m.Spread.Millimeters.Tidy(), m.StandardUncertainty.Millimeters.Tidy());
}

/// <summary>What one way says of the head shape.</summary>
public sealed record ShapeWayDto(ShapeWay Way, double? Value, HeadShape Shape, string Reason, Basis Basis);

/// <summary>The head shape worked with, and what every way says.</summary>
public sealed record HeadShapeDto(HeadShape Shape, string Reason, Basis Basis, IReadOnlyList<ShapeWayDto> Ways, bool AirwayCaution, bool Disagree)
{
    internal static HeadShapeDto Of(HeadShapeChoice choice, MeasuringWords words) =>
        new(
            choice.Shape,
            words.Of(choice),
            choice.Basis,
            [.. choice.Ways.Select(w => new ShapeWayDto(w.Way, w.Value, w.Shape, words.Of(w), w.Basis))],
            choice.AirwayCaution,
            choice.Disagree
        );
}

/// <summary>A measuring set.</summary>
/// <param name="Day">The practice's day it was begun, wherever this is read.</param>
/// <param name="IsOver">It is of an earlier day: what is read now begins a new one unless told otherwise.</param>
public sealed record MeasuringSetDto(
    Guid? Id,
    DateTime? StartedAt,
    DateOnly? Day,
    FitStyle FitStyle,
    double? BodyMassKg,
    Coat Coat,
    double? FitLineGapMm,
    double UsualGapMm,
    int SetsBefore,
    bool IsOver,
    long Version
) : IAtVersion;

/// <summary>One measure in two sets; a change beyond its doubt is real.</summary>
public sealed record ChangeDto(Measure Measure, Side? Side, double? BeforeMm, double? AfterMm, double? ChangeMm, double? DoubtMm, bool IsReal)
{
    public static ChangeDto Of(MeasureChange c) =>
        new(c.Measure, c.Side, c.Before?.Millimeters.Tidy(), c.After?.Millimeters.Tidy(), c.Change?.Millimeters.Tidy(), c.Doubt?.Millimeters.Tidy(), c.IsReal);
}

/// <summary>The measuring bench of one dog.</summary>
/// <param name="Asked">The lines the fit style asks for, in order.</param>
/// <param name="Others">Every other line there is.</param>
/// <param name="Changes">Against the set before, where there is one.</param>
/// <param name="MeasureAgain">Why the dog should be measured again, in sentences.</param>
/// <param name="Doubted">The measures that something asks to be taken again.</param>
/// <param name="IsReady">Everything a muzzle is chosen by is read, and nothing asks to be taken again.</param>
public sealed record BenchDto(
    IReadOnlyList<MeasureGuide> Guides,
    IReadOnlyList<MeasureLine> Asked,
    IReadOnlyList<MeasureLine> Others,
    MeasuringSetDto Set,
    IReadOnlyList<ReadingDto> Readings,
    IReadOnlyList<MeasuredDto> Measures,
    IReadOnlyList<FindingDto> Findings,
    HeadShapeDto HeadShape,
    IReadOnlyList<MissingMeasure> Missing,
    IReadOnlyList<ChangeDto> Changes,
    IReadOnlyList<string> MeasureAgain,
    IReadOnlyList<SourceDto> Snout,
    HeadDrawingDto Drawing,
    bool CanFit,
    IReadOnlyList<Measure> Doubted,
    bool IsReady
);

/// <summary>What the bench would look like with the reading that is being typed; nothing is stored.</summary>
/// <param name="Reading">What is made of the text so far.</param>
public sealed record TypingDto(
    ReadingSoFar Reading,
    IReadOnlyList<MeasuredDto> Measures,
    IReadOnlyList<FindingDto> Findings,
    HeadShapeDto HeadShape,
    HeadDrawingDto Drawing
);
