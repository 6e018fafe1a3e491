using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Measuring;

/// <summary>What is marked on a picture.</summary>
/// <param name="View">From the side or from above.</param>
/// <param name="Side">The side of the dog a side picture shows.</param>
/// <param name="Kind">The reference: card, a4, a5 or ruler.</param>
/// <param name="RulerMm">The distance of a ruler's two marks.</param>
/// <param name="Corners">The reference's corners in order around it, the first two along a long side; a ruler's two marks.</param>
/// <param name="Landmarks">The places marked so far.</param>
public sealed record MarksEntry(
    PhotoView? View = null,
    Side? Side = null,
    ReferenceKind? Kind = null,
    double? RulerMm = null,
    IReadOnlyList<PixelPoint>? Corners = null,
    IReadOnlyDictionary<Landmark, PixelPoint>? Landmarks = null
);

public sealed class MarksEntryValidator : AbstractValidator<MarksEntry>
{
    private const string OnPicture = "A point lies on the picture: x and y in pixels from its top left corner.";

    public MarksEntryValidator()
    {
        RuleFor(m => m.View).NotNull().WithMessage("view is needed: side or top.");
        RuleFor(m => m.Kind).NotNull().WithMessage("kind is needed: card, a4, a5 or ruler.");
        RuleFor(m => m.RulerMm).InclusiveBetween(10, 1000).WithMessage("The two marks of a ruler are 10 to 1000 mm apart.");
        RuleFor(m => m.Corners).Must(c => c is null || c.Count <= 4).WithMessage("A reference has up to four corners.");
        RuleFor(m => m.Corners).Must(c => c is null || c.All(IsOnPicture)).WithMessage(OnPicture);
        RuleFor(m => m.Landmarks).Must(l => l is null || l.Values.All(IsOnPicture)).WithMessage(OnPicture);
    }

    /// <summary>No stored picture is longer than this; a little beside it does no harm.</summary>
    private static bool IsOnPicture(PixelPoint p) => p.X is >= 0 and <= PictureIntake.LongestSide && p.Y is >= 0 and <= PictureIntake.LongestSide;
}

/// <summary>A measure from a picture, with what its doubt consists of.</summary>
/// <param name="WaitsForShape">The head's shape decides a correction, and nobody said it: ask before it is shown.</param>
public sealed record PhotoMeasureDto(
    Measure Measure,
    Side? Side,
    double Mm,
    double StandardUncertaintyMm,
    double ExpandedUncertaintyMm,
    double FromClicksMm,
    double FromReferenceMm,
    double FromPlaneMm,
    string How,
    bool WaitsForShape
)
{
    public static PhotoMeasureDto Of(PhotoMeasure m, PhotoWords words) =>
        new(
            m.Measure,
            m.Side,
            m.Value.Millimeters.Tidy(),
            m.StandardUncertainty.Millimeters.Tidy(),
            (Uncertainty.Coverage.Ours * m.StandardUncertainty.Millimeters).Tidy(),
            m.FromClicks.Millimeters.Tidy(),
            m.FromReference.Millimeters.Tidy(),
            m.FromPlane.Millimeters.Tidy(),
            words.How(m.How),
            m.WaitsForShape
        );
}

/// <summary>A picture of a dog, what is marked on it, and what follows.</summary>
/// <param name="Wanted">The landmarks that can be placed in this view, in order.</param>
/// <param name="Measures">As far as the landmarks go; empty while the reference is not placed or the picture is refused.</param>
/// <param name="Refusal">Why it cannot be measured, and how to take it again.</param>
public sealed record PhotoDto(
    Guid Id,
    PhotoView View,
    Side Side,
    int Width,
    int Height,
    DateTime AddedAt,
    ReferenceKind Kind,
    double? RulerMm,
    IReadOnlyList<PixelPoint> Corners,
    IReadOnlyDictionary<Landmark, PixelPoint> Landmarks,
    IReadOnlyList<Landmark> Wanted,
    IReadOnlyList<PhotoMeasureDto> Measures,
    double? MillimetresPerPixel,
    double? SlantDeg,
    PhotoRefusalDto? Refusal,
    IReadOnlyList<string> Advice,
    long Version
) : IAtVersion
{
    /// <param name="row">The picture.</param>
    /// <param name="known">What else is known of the dog.</param>
    /// <param name="words">How it is said.</param>
    internal static PhotoDto Of(PhotoRow row, PhotoKnowledge known, PhotoWords words)
    {
        var marks = PhotoMarks.Read(row.Marks);
        PhotoSolution? solution = null;
        PhotoRefusal? refusal = null;
        if (marks.HasReference && !PhotoSolver.TrySolve(known.Of(marks, row), out solution, out refusal))
            solution = null;
        return new PhotoDto(
            row.Id,
            row.View,
            row.Side,
            row.Width,
            row.Height,
            row.AddedAt,
            marks.Kind,
            marks.RulerMm,
            marks.Corners,
            marks.Landmarks,
            PhotoLandmarks.For(row.View),
            [.. (solution?.Measures ?? []).Select(m => PhotoMeasureDto.Of(m, words))],
            solution?.MillimetresPerPixel,
            solution?.Slant.Degrees.Tidy(),
            PhotoRefusalDto.Of(refusal, words),
            [.. (solution?.Hints ?? []).Select(words.Advice)],
            row.Version
        );
    }
}

/// <summary>Why a picture cannot be measured, and how to take it again.</summary>
public sealed record PhotoRefusalDto(string Code, string Message, string Retake)
{
    internal static PhotoRefusalDto? Of(PhotoRefusal? refusal, PhotoWords words) =>
        refusal is null ? null : new(PhotoWords.Code(refusal), words.Message(refusal), words.Retake(refusal));
}

/// <summary>What else is known of the dog, for a picture.</summary>
/// <param name="Shape">Its head shape; null where neither eye, tape nor breed says it.</param>
/// <param name="Read">What was read in the set in hand.</param>
/// <param name="Spacing">The inner eye spacing its picture from above shows; null where there is none.</param>
/// <param name="Rules">The numbers that decide.</param>
internal sealed record PhotoKnowledge(HeadShape? Shape, IReadOnlyList<Measured> Read, Measured? Spacing, HouseRules Rules)
{
    /// <summary>Of a dog with its pictures.</summary>
    public static PhotoKnowledge Of(MeasuredDog file, IEnumerable<PhotoRow> photos)
    {
        var known = new PhotoKnowledge(file.Profile.HeadShape is { Ways.Count: > 0 } told ? told.Shape : null, file.Measured, null, file.Rules);
        var seen = photos
            .Where(p => p.View == PhotoView.Top && p.RemovedAt == null)
            .OrderByDescending(p => p.Number)
            .Select(p => (Row: p, Marks: PhotoMarks.Read(p.Marks)))
            .Where(p => p.Marks.HasReference)
            .Select(p =>
                PhotoSolver.TrySolve(known.Of(p.Marks, p.Row), out var solution, out _)
                    ? solution.Measures.FirstOrDefault(m => m.Measure == Measure.InnerEyeSpacing)
                    : null
            )
            .OfType<PhotoMeasure>()
            .FirstOrDefault();
        return seen is null
            ? known
            : known with
            {
                Spacing = new Measured(Measure.InnerEyeSpacing, null, 1, seen.Value, Length.Zero, seen.StandardUncertainty),
            };
    }

    /// <summary>The question with the eye spacing and the snout's other extent, where they are known.</summary>
    public PhotoQuestion Of(PhotoMarks marks, PhotoRow row)
    {
        var other = row.View == PhotoView.Side ? Measure.SnoutWidth : Measure.SnoutHeight;
        return marks.ToQuestion(row.View, row.Side) with
        {
            HeadShape = Shape,
            Rules = Rules,
            PictureSize = (row.Width, row.Height),
            InnerEyeSpacing = Read.FirstOrDefault(m => m.Measure == Measure.InnerEyeSpacing) ?? Spacing,
            OtherExtent = Read.FirstOrDefault(m => m.Measure == other),
        };
    }
}

/// <summary>The measures of a picture to take over as readings: those named, or all.</summary>
public sealed record TakeEntry(IReadOnlyList<MeasureLine>? Lines = null, string? TakenBy = null, bool? IntoOldSet = null);
