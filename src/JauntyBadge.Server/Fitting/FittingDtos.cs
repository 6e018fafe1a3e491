using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Fitting;

/// <summary>One criterion's outcome. A null margin belongs to a yes-or-no rule.</summary>
public sealed record CriterionDto(CriterionName Name, Verdict Verdict, double? MarginMm, string Reason, Basis Basis)
{
    public static CriterionDto Of(Criterion c) => new(c.Name, c.Verdict, c.Margin?.Millimeters.Tidy(), c.Reason, c.Basis);
}

/// <summary>One size of one model, judged.</summary>
public sealed record FitDto(
    string SizeId, string Model, string Maker, MuzzleType Type, Material Material, Closure Closure, ForeheadStrap ForeheadStrap, bool CollarLink,
    bool FrontBar, FrontOpening FrontOpening, IReadOnlyList<MuzzleColour> Colours, string Note, string SizeLabel, int MassG, Verdict Verdict,
    CriterionDto Deciding, IReadOnlyList<CriterionDto> Criteria, IReadOnlyList<NotChecked> NotChecked, double? NoseRoomMm, double? EyeRoomMm,
    double? GapeDeg, GapeClass? GapeClass, double? NeckLoopMm)
{
    public static FitDto Of(RankedFit fit)
    {
        var (model, size, basket) = (fit.Model, fit.Size, fit.Assessment);
        return new FitDto(
            size.Id, model.Name, model.Maker, model.Type, model.Material, model.Closure, model.ForeheadStrap, model.CollarLink, model.FrontBar,
            model.FrontOpening, model.Colours, model.Note, size.Label, size.MassG, fit.Verdict, CriterionDto.Of(fit.Deciding),
            [.. fit.Criteria.Select(CriterionDto.Of)], fit.NotChecked, basket?.Seat.NoseRoom.Millimeters.Tidy(), basket?.Seat.EyeRoom.Millimeters.Tidy(),
            basket?.Gape.Degrees.Tidy(), basket?.GapeClass, basket?.NeckLoop?.Millimeters.Tidy());
    }
}

/// <summary>The whole catalogue judged for one dog.</summary>
public sealed record FitsDto(
    IReadOnlyList<Purpose> Uses, School School, int Fingers, double NeededGapeDeg, IReadOnlyList<BriefLine> Brief, IReadOnlyList<SourceDto> Snout,
    IReadOnlyList<FitDto> Fits, IReadOnlyList<MissingMeasure> Missing);

/// <summary>A dimension of the drawing.</summary>
public sealed record DimensionDto(string Name, PointMm From, PointMm To, double Mm);

/// <summary>Basket over snout, to scale.</summary>
public sealed record FitDrawingDto(
    HeadDrawing Head, IReadOnlyList<Stroke> Basket, Stroke BasketSection, IReadOnlyList<DimensionDto> Dimensions, double GapeDeg)
{
    public static FitDrawingDto Of(FitDrawing d) => new(
        d.Head, d.Basket, d.BasketSection,
        [.. d.Dimensions.Select(x => new DimensionDto(x.Name, x.From, x.To, x.Value.Millimeters.Tidy()))], d.Gape.Degrees.Tidy());
}

/// <summary>One muzzle on one dog with its drawing; a sleeve or cover has none.</summary>
public sealed record FitDetailDto(FitDto Fit, FitDrawingDto? Drawing);

/// <summary>A muzzle to keep for a dog, judged as asked.</summary>
public sealed record ChoiceEntry(string? SizeId = null, IReadOnlyList<Purpose>? Uses = null, School? School = null, int? Fingers = null, string? Note = null);
