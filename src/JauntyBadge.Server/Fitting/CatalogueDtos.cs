using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Fitting;

/// <summary>A size as entered. Every field may be missing; the check says which must not.</summary>
/// <param name="Id">The size it was; empty for a new one.</param>
public sealed record SizeEntry(
    string? Id = null,
    string? Label = null,
    double? LengthMm = null,
    double? NeckStrapMinMm = null,
    double? NeckStrapMaxMm = null,
    int? MassG = null,
    decimal? Price = null,
    double? DepthFrontMm = null,
    double? DepthRearMm = null,
    double? WidthRearMm = null,
    double? WidthFrontMm = null,
    double? OpeningGirthMm = null,
    double? GirthMinMm = null,
    double? GirthMaxMm = null
)
{
    public MuzzleSize ToSize(string id) =>
        new(
            id,
            Label?.Trim() ?? "",
            Length.FromMillimeters(LengthMm ?? 0),
            Entered.Mm(NeckStrapMinMm),
            Entered.Mm(NeckStrapMaxMm),
            MassG is { } grams ? Mass.FromGrams(grams) : null,
            Price,
            Entered.Mm(DepthFrontMm),
            Entered.Mm(DepthRearMm),
            Entered.Mm(WidthRearMm),
            Entered.Mm(WidthFrontMm),
            Entered.Mm(OpeningGirthMm),
            Entered.Mm(GirthMinMm),
            Entered.Mm(GirthMaxMm)
        );
}

/// <summary>What was entered as bare numbers.</summary>
internal static class Entered
{
    /// <summary>A number of millimetres as a length; nothing stays nothing.</summary>
    public static Length? Mm(double? entered) => entered is { } mm ? Length.FromMillimeters(mm) : null;
}

/// <summary>A model as entered.</summary>
public sealed record MuzzleEntry(
    string? Name = null,
    string? Maker = null,
    MuzzleType? Type = null,
    Material? Material = null,
    Closure? Closure = null,
    ForeheadStrap? ForeheadStrap = null,
    bool CollarLink = false,
    bool FrontBar = false,
    FrontOpening? FrontOpening = null,
    IReadOnlyList<MuzzleColour>? Colours = null,
    string? Note = null,
    IReadOnlyList<SizeEntry>? Sizes = null,
    double? FrontBarGapMm = null,
    double? PlateMm = null,
    double? FormableMm = null,
    double? HolePitchMm = null,
    int? LeadDays = null
)
{
    /// <summary>The model, sizes keeping the ids they had and new ones named after their label.</summary>
    public MuzzleModel ToModel(string id, Func<string, string, string> sizeId) =>
        new(
            id,
            Name?.Trim() ?? "",
            Maker?.Trim() ?? "",
            Type ?? MuzzleType.Basket,
            Material ?? Core.Fitting.Material.MouldedRubber,
            Closure ?? Core.Fitting.Closure.Buckle,
            ForeheadStrap ?? Core.Fitting.ForeheadStrap.None,
            CollarLink,
            FrontBar,
            FrontOpening ?? Core.Fitting.FrontOpening.None,
            [.. (Colours ?? []).OfType<MuzzleColour>()],
            Note?.Trim() ?? "",
            [.. (Sizes ?? []).OfType<SizeEntry>().Select(s => s.ToSize(string.IsNullOrEmpty(s.Id) ? sizeId(id, s.Label ?? "") : s.Id))],
            Entered.Mm(FrontBarGapMm),
            Entered.Mm(PlateMm),
            Entered.Mm(FormableMm),
            Entered.Mm(HolePitchMm),
            LeadDays
        );
}

/// <summary>A model of the catalogue.</summary>
/// <param name="Version">For If-Match; never given twice. 0 for a shipped model as it came.</param>
/// <param name="Revision">How people count its versions: 1, 2, 3.</param>
/// <param name="Own">The practice's own, or its correction of a shipped one.</param>
/// <param name="Shipped">There is a shipped one behind it to go back to.</param>
public sealed record MuzzleDto(MuzzleModel Model, long Version, int Revision, bool Own, bool Shipped, int InVan) : IAtVersion;

/// <summary>A model that is offered for no dog.</summary>
/// <param name="Name">As it was last called; its id where no version of it can be read.</param>
/// <param name="Revision">The newest one, which puts it away or cannot be read.</param>
/// <param name="Unreadable">Nobody put it away: it is kept in words that cannot be read.</param>
/// <param name="Before">The newest one that can be brought back; null for none.</param>
public sealed record MuzzleAwayDto(string ModelId, string Name, long Version, int Revision, DateTime At, bool Unreadable, int? Before) : IAtVersion;

/// <summary>One version of a model.</summary>
/// <param name="Revision">How people count them: 1, 2, 3.</param>
/// <param name="At">When it was kept; null for the shipped one.</param>
/// <param name="Model">Null where this one put the model away, or cannot be read.</param>
/// <param name="Unreadable">It cannot be read.</param>
public sealed record MuzzleVersionDto(int Revision, DateTime? At, MuzzleModel? Model, bool Unreadable);

/// <summary>A geometry to be drawn while it is typed.</summary>
public sealed record DrawEntry(MuzzleType? Type = null, SizeEntry? Size = null);

/// <summary>What is wrong with a geometry, and how it looks on a head of its size.</summary>
/// <param name="Assumed">What was assumed to draw it.</param>
public sealed record DrawnSizeDto(IReadOnlyList<GeometryProblem> Problems, FitDrawingDto? Drawing, string? Assumed)
{
    /// <summary>The smallest snout drawn, and the room under its chin: a head to look at, not one to fit.</summary>
    private static readonly Length Least = Length.FromMillimeters(8),
        ChinRoom = Length.FromMillimeters(10);

    /// <summary>Draws a basket over a medium head as long and wide as it suits.</summary>
    internal static DrawnSizeDto Of(MuzzleType type, MuzzleSize size, Writing writing)
    {
        var problems = MuzzleCheck.Of(type, size with { Label = size.Label == "" ? "any" : size.Label });
        if (problems.Count > 0 || type != MuzzleType.Basket)
            return new(problems, null, null);
        var width = size.WidthRear ?? size.OpeningGirth!.Value / 4.2;
        var numbers = new SnoutNumbers
        {
            NoseToInnerEyeLeft = size.Length,
            NoseToInnerEyeRight = size.Length,
            SnoutWidth = UnitMath.Max(Least, width - BasketModel.BoxSpareWidth.Ours),
            SnoutHeight = size.DepthRear is { } rear ? UnitMath.Max(Least, UnitMath.Min(rear, size.DepthFront ?? rear) - ChinRoom) : null,
            NeckGirth = size.NeckStrapRange() is { } range ? range.Middle * 0.93 : null,
        };
        var snout = SnoutModel.From(numbers);
        var basket = size.Basket(snout);
        var fit = BasketFit.Assess(
            snout,
            basket,
            new FitRequest(FitStyle.Everyday, FitRules.FullPant.Ours, FitRules.Fingers(FitStyle.Everyday), FitRules.Finger.Ours)
        );
        return new([], FitDrawingDto.Of(FitDrawing.Of(snout, basket, fit)), size.IsLengthAndGirthOnly ? new FittingWords(writing).ShapeAssumed : null);
    }
}

/// <summary>A chart as text, to be opened.</summary>
public sealed record OpenChartEntry(string? Text = null, MuzzleType? Type = null, byte[]? File = null);

/// <summary>A chart with what its columns mean.</summary>
/// <param name="Of">Of a file with several models, the one to be read.</param>
public sealed record ReadChartEntry(string? Text = null, MuzzleType? Type = null, IReadOnlyList<ChartColumn>? Columns = null, string? Of = null);

/// <summary>A chart to be taken into the catalogue: a new model, or the sizes of one there is.</summary>
/// <param name="ModelId">The model whose sizes it replaces; null for a new one.</param>
/// <param name="Model">The new model, without sizes.</param>
/// <param name="Of">Of a file with several models, the one to be taken in.</param>
public sealed record ImportChartEntry(
    string? Text = null,
    IReadOnlyList<ChartColumn>? Columns = null,
    string? ModelId = null,
    MuzzleEntry? Model = null,
    string? Of = null
);

/// <summary>One row of a chart, understood or not.</summary>
/// <param name="Row">Its line in the file, from 1.</param>
/// <param name="Raw">Its text.</param>
/// <param name="Size">The size; null when a problem stands in the way.</param>
/// <param name="Problems">What is wrong, each naming the field and what would be accepted.</param>
/// <param name="Assumed">What the chart does not say and will be assumed.</param>
public sealed record ChartRowDto(int Row, string Raw, MuzzleSize? Size, IReadOnlyList<string> Problems, IReadOnlyList<string> Assumed);
