using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Fitting;

/// <summary>One criterion's outcome.</summary>
/// <param name="MarginMm">Distance to the nearest bound, negative when missed; null for a yes-or-no rule.</param>
/// <param name="ValueMm">What was found.</param>
/// <param name="LowMm">Least wanted.</param>
/// <param name="HighMm">Most wanted.</param>
/// <param name="Chance">Chance that it holds, 0 to 1; null when not drawn.</param>
/// <param name="Soft">A wish that never decides.</param>
/// <param name="Outcome">How it came out, closer than the verdict.</param>
/// <param name="Hard">It can make a muzzle unfit; otherwise it warns at the most.</param>
/// <param name="RestsOn">How the number it rests on was come by, where that was not read.</param>
/// <param name="Word">Its heading.</param>
public sealed record CriterionDto(
    CriterionName Name,
    Verdict Verdict,
    double? MarginMm,
    string Reason,
    Basis Basis,
    double? ValueMm,
    double? LowMm,
    double? HighMm,
    double? Chance,
    bool Soft,
    Outcome Outcome,
    bool Hard,
    string? RestsOn,
    string Word
)
{
    public static CriterionDto Of(Criterion c, FittingWords words) =>
        new(
            c.Name,
            c.Verdict,
            c.Margin?.Millimeters.Tidy(),
            c.Reason,
            c.Basis,
            c.Value?.Millimeters.Tidy(),
            c.Low?.Millimeters.Tidy(),
            c.High?.Millimeters.Tidy(),
            c.Chance,
            c.IsSoft,
            c.Outcome,
            c.IsHard,
            c.RestsOn,
            words.Word(c.Name)
        );
}

/// <summary>A criterion that could not be checked.</summary>
/// <param name="Word">Its heading.</param>
/// <param name="Reason">What is missing for it.</param>
/// <param name="Wants">The measure that would let it be checked; null where no reading would.</param>
public sealed record NotCheckedDto(CriterionName Name, string Reason, string Word, Measure? Wants)
{
    public static NotCheckedDto Of(NotChecked c, FittingWords words) => new(c.Name, c.Reason, words.Word(c.Name), c.Wants);
}

/// <summary>Which reading, taken again, would settle a fit most.</summary>
/// <param name="Settles">Share of the doubt about the whole that knowing this length would end, 0 to 1.</param>
/// <param name="Says">What to do, in a sentence.</param>
public sealed record RetakeDto(Measure Measure, Side? Side, UncertaintyKind Kind, double Settles, string Says)
{
    internal static RetakeDto? Of(Retake? retake, FittingWords words) =>
        retake is null ? null : new(retake.Measure, retake.Side, retake.Kind, retake.Settles, words.Of(retake));
}

/// <summary>A strap's setting to mark.</summary>
/// <param name="Under">How many fingers go under it, in words; null when the neck was not read.</param>
public sealed record StrapDto(double LoopMm, int? Hole, int? Holes, double? FromTightestMm, string? Under)
{
    internal static StrapDto? Of(RankedFit fit, StrapSetting? s, FittingWords words) =>
        s is null
            ? null
            : new(
                s.Loop.Millimeters.Tidy(),
                s.Hole,
                s.Holes,
                s.FromTightest?.Millimeters.Tidy(),
                fit.FingersAt(s) is { } fingers ? words.FingersLeft(fingers) : null
            );
}

/// <summary>A change that would make a muzzle fit.</summary>
public sealed record RemedyDto(IReadOnlyList<RemedyKind> Kinds, string Says, Verdict After, double? Chance, string SizeId)
{
    internal static RemedyDto Of(Remedy r, FittingWords words) => new(r.Kinds, words.Of(r), r.After.Verdict, r.After.Chance, r.After.Size.Id);
}

/// <summary>One size of one model in the ranked list.</summary>
/// <param name="Chance">Chance that all that has to hold does, 0 to 1.</param>
/// <param name="Retake">The reading that would settle it most.</param>
/// <param name="Remedies">What would save a near miss, the cheapest first.</param>
/// <param name="Headline">The answer in one line.</param>
/// <param name="Invented">It came with the product; it and its maker are invented.</param>
public sealed record FitRowDto(
    string SizeId,
    string ModelId,
    string Model,
    string Maker,
    MuzzleType Type,
    Material Material,
    string SizeLabel,
    int? MassG,
    decimal? Price,
    int? LeadDays,
    int InVan,
    FitGroup Group,
    Verdict Verdict,
    double? Chance,
    RetakeDto? Retake,
    CriterionDto Deciding,
    double? GapeDeg,
    GapeClass? GapeClass,
    string Note,
    double Weighted,
    IReadOnlyList<CriterionName> NotChecked,
    IReadOnlyList<RemedyDto> Remedies,
    Headline Headline,
    bool Invented
)
{
    internal static FitRowDto Of(RankedFit fit, IReadOnlyList<Remedy> remedies, int inVan, FittingWords words) =>
        new(
            fit.Size.Id,
            fit.Model.Id,
            fit.Model.Name,
            fit.Model.Maker,
            fit.Model.Type,
            fit.Model.Material,
            fit.Size.Label,
            fit.Size.Mass?.WholeGrams(),
            fit.Size.Price,
            fit.Model.LeadDays,
            inVan,
            fit.GroupWith(remedies),
            fit.Verdict,
            fit.Chance,
            RetakeDto.Of(fit.Retake, words),
            CriterionDto.Of(fit.Deciding, words),
            fit.Assessment?.Gape.Degrees.Tidy(),
            fit.Assessment?.GapeClass,
            fit.Model.Note,
            fit.Weighted,
            [.. fit.NotChecked.Select(n => n.Name)],
            [.. remedies.Select(r => RemedyDto.Of(r, words))],
            Headline.Of(fit),
            Catalogue.IsInvented(fit.Model)
        );
}

/// <summary>A light basket to train in, judged for that alone.</summary>
public sealed record TrainingRowDto(
    string SizeId,
    string Model,
    string SizeLabel,
    Material Material,
    int SizesUp,
    string Says,
    int? MassG,
    decimal? Price,
    int? LeadDays,
    int InVan
)
{
    internal static TrainingRowDto Of(TrainingFit t, int inVan, FittingWords words) =>
        new(
            t.Fit.Size.Id,
            t.Fit.Model.Name,
            t.Fit.Size.Label,
            t.Fit.Model.Material,
            t.SizesUp,
            words.Of(t),
            t.Fit.Size.Mass?.WholeGrams(),
            t.Fit.Size.Price,
            t.Fit.Model.LeadDays,
            inVan
        );
}

/// <summary>One muzzle judged in full.</summary>
/// <param name="Bare">The model without its other sizes.</param>
/// <param name="Strap">The setting to mark, the nearest to the loop needed.</param>
/// <param name="OtherStrap">The hole on the other side of the loop needed, where that lies between two.</param>
/// <param name="Training">What it is to train in, where two muzzles are advised and it serves; null otherwise.</param>
/// <param name="Headline">The answer in one line.</param>
/// <param name="Score">What the fitter's weights look at, each 0 to 1.</param>
/// <param name="NeedsNote">It is kept only with a note that says why.</param>
/// <param name="Caution">What has to be said of a sleeve or face cover.</param>
/// <param name="Colour">The colour that serves the wish to be seen or to blend in best.</param>
public sealed record FitDto(
    string SizeId,
    MuzzleModel Bare,
    MuzzleSize Size,
    Verdict Verdict,
    double? Chance,
    RetakeDto? Retake,
    CriterionDto Deciding,
    IReadOnlyList<CriterionDto> Criteria,
    IReadOnlyList<NotCheckedDto> NotChecked,
    double? NoseRoomMm,
    double? EyeRoomMm,
    double? ShoveEyeRoomMm,
    double? GapeDeg,
    GapeClass? GapeClass,
    double? NeckLoopMm,
    StrapDto? Strap,
    FitScore Score,
    string? Colour,
    string? Caution,
    int InVan,
    IReadOnlyList<RemedyDto> Remedies,
    StrapDto? OtherStrap,
    string? Training,
    Headline Headline,
    bool NeedsNote
)
{
    internal static FitDto Of(RankedFit fit, IReadOnlyList<Remedy> remedies, int inVan, string? training, FittingWords words)
    {
        var basket = fit.Assessment;
        Criterion As(Criterion c) => training is null ? c : TrainingMuzzle.InTraining(c);
        return new FitDto(
            fit.Size.Id,
            fit.Model with
            {
                Sizes = [],
            },
            fit.Size,
            training is null ? fit.Verdict : Verdict.Marginal,
            fit.Chance,
            RetakeDto.Of(fit.Retake, words),
            CriterionDto.Of(As(fit.Deciding), words),
            [.. fit.Criteria.Select(c => CriterionDto.Of(As(c), words))],
            [.. fit.NotChecked.Select(n => NotCheckedDto.Of(n, words))],
            basket?.Seat.NoseRoom.Millimeters.Tidy(),
            basket?.Seat.EyeRoom.Millimeters.Tidy(),
            basket?.Seat.ShoveEyeRoom.Millimeters.Tidy(),
            basket?.Gape.Degrees.Tidy(),
            basket?.GapeClass,
            basket?.NeckLoop?.Millimeters.Tidy(),
            StrapDto.Of(fit, fit.Strap, words),
            fit.Score,
            FitScore.Sight(fit.Model, fit.Brief) is { } sight ? sight.Colour.Name : null,
            words.Caution(fit.Model.Type),
            inVan,
            [.. training is null ? remedies.Select(r => RemedyDto.Of(r, words)) : []],
            StrapDto.Of(fit, fit.OtherStrap, words),
            training,
            Headline.Of(fit),
            fit.NeedsNoteToKeep(training is not null)
        );
    }
}

/// <summary>One muzzle or two, and when to change.</summary>
/// <param name="TrainingFirst">A lighter one to train in comes before the final one.</param>
/// <param name="Says">What to get.</param>
/// <param name="Reason">Why, and when to change.</param>
/// <param name="Basis">On what ground.</param>
public sealed record MuzzleCountDto(bool TrainingFirst, string Says, string Reason, Basis Basis);

/// <summary>What a dog needs.</summary>
/// <param name="Advice">One muzzle or two, and when to change.</param>
/// <param name="Overruled">The version of every overruled line, by its id; a line that is not there is at version 0.</param>
public sealed record BriefDto(
    IReadOnlyList<Purpose> Uses,
    HeadShape HeadShape,
    FitStyle FitStyle,
    int Fingers,
    double NeededGapeDeg,
    GapeClass NeededGape,
    int Tier,
    int Minutes,
    bool Warm,
    bool ClinicOnly,
    bool ClinicHands,
    double? MostMassG,
    IReadOnlyList<BriefLine> Lines,
    IReadOnlyList<Clash> Clashes,
    MuzzleCountDto Advice,
    IReadOnlyDictionary<string, long> Overruled
)
{
    internal static BriefDto Of(MuzzleBrief b, MuzzleCount advice, FittingWords words, IReadOnlyDictionary<string, OverruleRow>? overruled = null) =>
        new(
            b.Uses,
            b.HeadShape,
            b.FitStyle,
            b.Fingers,
            b.NeededGape.Degrees.Tidy(),
            Gape.Classify(b.NeededGape, b.Rules),
            (int)b.BiteTier,
            (int)b.Wear.Longest.TotalMinutes,
            b.Wear.Warm,
            MuzzleBrief.IsClinicOnly(b.Uses),
            b.ClinicHands,
            b.MostMass?.Grams.Tidy(),
            b.Lines,
            b.Clashes,
            new(advice.TrainingFirst, words.Says(advice.Advice), words.Why(advice.Advice), advice.Basis),
            (overruled ?? new Dictionary<string, OverruleRow>()).ToDictionary(o => o.Key, o => o.Value.Version)
        );
}

/// <summary>The whole catalogue judged for one dog.</summary>
/// <param name="FilteredOut">How many sizes the filters left out.</param>
/// <param name="Out">How many of the others are out; the list may hold fewer of them.</param>
/// <param name="Training">Light baskets to train in, where two muzzles are advised.</param>
/// <param name="Hand">The one in hand where none is picked; null where it was not asked for, or there is none.</param>
public sealed record FitsDto(
    BriefDto Brief,
    IReadOnlyList<SourceDto> Snout,
    IReadOnlyList<FitRowDto> Fits,
    int FilteredOut,
    int Out,
    IReadOnlyList<TrainingRowDto> Training,
    IReadOnlyList<MissingMeasure> Missing,
    FitSettingsDto Settings,
    FitDetailDto? Hand
);

/// <summary>A dimension of the drawing.</summary>
public sealed record DimensionDto(string Name, PointMm From, PointMm To, double Mm)
{
    public static DimensionDto Of(Dimension d) => new(d.Name, d.From, d.To, d.Value.Millimeters.Tidy());
}

/// <summary>A field of a drawn muzzle.</summary>
/// <param name="D">Its edge as SVG path data, mm, with what is cut out of it.</param>
/// <param name="Fill">Its colour; null for a line.</param>
/// <param name="Line">The colour of its line; null for none.</param>
/// <param name="Width">The line's width, mm.</param>
/// <param name="Stitched">The line is broken, as a seam is.</param>
public sealed record MuzzleFieldDto(MuzzlePart Part, string D, string? Fill, string? Line, double Width, double Opacity, bool Stitched)
{
    internal static MuzzleFieldDto Of(MuzzleField f) =>
        new(f.Part, f.Curve.Path() + string.Concat(f.Holes.Select(h => h.Path())), f.Fill, f.Line, Math.Round(f.Width, 2), f.Opacity, f.Stitched);
}

/// <summary>A muzzle over a snout, to scale.</summary>
/// <param name="Drawn">The muzzle as it is made; empty where only its lengths are known.</param>
public sealed record FitDrawingDto(
    HeadBesideDto Head,
    IReadOnlyList<Stroke> Basket,
    Stroke BasketSection,
    IReadOnlyList<DimensionDto> Dimensions,
    IReadOnlyList<DimensionDto> SectionDimensions,
    double GapeDeg,
    IReadOnlyList<MuzzleFieldDto> Drawn
)
{
    internal static FitDrawingDto Of(FitDrawing d) =>
        new(
            HeadBesideDto.Of(d.Head),
            d.Basket,
            d.BasketSection,
            [.. d.Dimensions.Select(DimensionDto.Of)],
            [.. d.SectionDimensions.Select(DimensionDto.Of)],
            d.Gape.Degrees.Tidy(),
            [.. d.Drawn.Select(MuzzleFieldDto.Of)]
        );
}

/// <summary>One muzzle on one dog with its drawing.</summary>
public sealed record FitDetailDto(FitDto Fit, FitDrawingDto Drawing);

/// <summary>A muzzle to keep for a dog, judged as asked.</summary>
public sealed record ChoiceEntry(
    string? SizeId = null,
    IReadOnlyList<Purpose>? Uses = null,
    FitStyle? FitStyle = null,
    int? Fingers = null,
    int? Minutes = null,
    bool? Warm = null,
    string? Note = null,
    bool? ClinicHands = null
);

/// <summary>A muzzle kept earlier, drawn as it was.</summary>
public sealed record KeptChoiceDto(Guid Id, DateTime ChosenAt, DateTime? WithdrawnAt, string SizeId, KeptFit Kept, FitDrawingDto? Drawing);

/// <summary>Why a line of the brief does not bind.</summary>
public sealed record OverruleEntry(string? Note = null);

/// <summary>How the practice fits.</summary>
public sealed record FitSettingsDto(
    MaterialSchool Material,
    VisibilitySchool Visibility,
    double FingerMm,
    double Comfort,
    double Safety,
    double Feeding,
    long Version
) : IAtVersion
{
    public static FitSettingsDto Of(FitSettingsRow s) => new(s.Material, s.Visibility, s.FingerMm, s.Comfort, s.Safety, s.Feeding, s.Version);
}

/// <summary>One inner dimension of a custom muzzle, mm.</summary>
public sealed record OrderDimensionDto(string Name, double WantedMm, double? LeastMm, double? MostMm, string Why);

/// <summary>What a maker needs for a muzzle made to measure.</summary>
/// <param name="GapeDeg">How far the mouth opens in the wanted dimensions.</param>
/// <param name="Readings">What the snout rests on.</param>
public sealed record OrderSheetDto(
    string Dog,
    string Breeds,
    DateOnly Date,
    IReadOnlyList<OrderDimensionDto> Dimensions,
    IReadOnlyList<string> Features,
    IReadOnlyList<string> ShapeNotes,
    IReadOnlyList<string> Confirm,
    double GapeDeg,
    Verdict Check,
    IReadOnlyList<SourceDto> Readings,
    IReadOnlyList<string> Cautions
);
