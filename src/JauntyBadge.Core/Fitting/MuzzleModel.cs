using System.Text.Json.Serialization;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What sort of muzzle it is.</summary>
public enum MuzzleType
{
    /// <summary>An open cage: the dog opens its mouth inside.</summary>
    Basket,

    /// <summary>A tube that holds the mouth shut.</summary>
    Sleeve,

    /// <summary>Mesh over a flat face, held by a forehead strap.</summary>
    FaceCover,
}

/// <summary>What a muzzle is made of.</summary>
public enum Material
{
    CoatedWire,
    RigidPlastic,
    MouldedRubber,
    ClearVinyl,
    Leather,
    CoatedWebbing,
    Fabric,
}

public enum Closure
{
    Clip,
    Buckle,
    Both,
}

public enum ForeheadStrap
{
    None,
    Optional,
    Fitted,
}

/// <summary>The hole in the front that treats go through.</summary>
public enum FrontOpening
{
    None,
    Fixed,
    CanBeCut,
}

/// <summary>A colour a model comes in.</summary>
/// <param name="Name">In words.</param>
/// <param name="Hex">sRGB, as #rrggbb.</param>
public sealed record MuzzleColour(string Name, string Hex);

/// <summary>
/// One size of a model. Baskets have depths, width and opening, or as some charts do only length and opening girth; sleeves and
/// covers have a girth range.
/// </summary>
/// <param name="Id">Stable id.</param>
/// <param name="Label">What the maker calls it.</param>
/// <param name="Length">Inner length: for a basket the rear edge of the nose rest to the inside of the front.</param>
/// <param name="NeckStrapMin">Shortest neck loop; null when the chart does not say.</param>
/// <param name="NeckStrapMax">Longest neck loop.</param>
/// <param name="Mass">What it weighs; null when the chart does not say.</param>
/// <param name="Price">In the practice's currency; null when unknown.</param>
/// <param name="DepthFront">Nose rest to floor in front.</param>
/// <param name="DepthRear">Nose rest to floor at the rear edge.</param>
/// <param name="WidthRear">Across at the rear edge.</param>
/// <param name="WidthFront">Across in front.</param>
/// <param name="OpeningGirth">Around the inside of the rear edge.</param>
/// <param name="GirthMin">Least snout girth of a sleeve or cover.</param>
/// <param name="GirthMax">Greatest.</param>
public sealed record MuzzleSize(
    string Id,
    string Label,
    [property: JsonPropertyName("lengthMm")] Length Length,
    [property: JsonPropertyName("neckStrapMinMm")] Length? NeckStrapMin = null,
    [property: JsonPropertyName("neckStrapMaxMm")] Length? NeckStrapMax = null,
    [property: JsonPropertyName("massG")] Mass? Mass = null,
    decimal? Price = null,
    [property: JsonPropertyName("depthFrontMm")] Length? DepthFront = null,
    [property: JsonPropertyName("depthRearMm")] Length? DepthRear = null,
    [property: JsonPropertyName("widthRearMm")] Length? WidthRear = null,
    [property: JsonPropertyName("widthFrontMm")] Length? WidthFront = null,
    [property: JsonPropertyName("openingGirthMm")] Length? OpeningGirth = null,
    [property: JsonPropertyName("girthMinMm")] Length? GirthMin = null,
    [property: JsonPropertyName("girthMaxMm")] Length? GirthMax = null
)
{
    /// <summary>Only length and girth are known, as in many charts; the rest is assumed for each snout.</summary>
    [JsonIgnore]
    public bool IsLengthAndGirthOnly => OpeningGirth is not null && (DepthFront is null || DepthRear is null || WidthRear is null);

    /// <summary>The inner shape of a basket on a snout; a chart of length and girth takes the rest from the snout's width.</summary>
    /// <exception cref="InvalidOperationException">The size is a tube's or a cover's.</exception>
    public BasketModel Basket(SnoutModel snout)
    {
        if (OpeningGirth is not { } girth)
            throw new InvalidOperationException($"{Id} is not a basket.");
        if (IsLengthAndGirthOnly)
        {
            var width = snout.Width.Value + snout.Rules[BasketModel.BoxSpareWidth];
            return BasketModel.FromLengthAndGirth(Length, girth, width, NeckStrapMin, NeckStrapMax)
                ?? new BasketModel(Length, BasketModel.NoDepth, BasketModel.NoDepth, width, girth, NeckStrapMin, NeckStrapMax) { AssumedShape = true };
        }

        return new BasketModel(Length, DepthFront!.Value, DepthRear!.Value, WidthRear!.Value, girth, NeckStrapMin, NeckStrapMax);
    }

    /// <summary>The snout girths a tube or cover takes, or null for a basket.</summary>
    public Window? GirthRange() => GirthMin is { } low && GirthMax is { } high ? new Window(low, high) : null;

    /// <summary>The loops the neck strap makes; null when the chart does not say.</summary>
    public Window? NeckStrapRange() => NeckStrapMin is { } low && NeckStrapMax is { } high ? new Window(low, high) : null;

    internal BasketMm BasketMm(Length? holePitch) =>
        new(
            Length.Millimeters,
            OrNaN(DepthFront),
            OrNaN(DepthRear),
            OrNaN(WidthRear),
            OrNaN(OpeningGirth),
            OrNaN(NeckStrapMin),
            OrNaN(NeckStrapMax),
            IsLengthAndGirthOnly,
            holePitch?.Millimeters ?? 0
        );

    internal TubeMm TubeMm(Length? holePitch) =>
        new(Length.Millimeters, OrNaN(GirthMin), OrNaN(GirthMax), OrNaN(NeckStrapMin), OrNaN(NeckStrapMax), holePitch?.Millimeters ?? 0);

    private static double OrNaN(Length? length) => length?.Millimeters ?? double.NaN;
}

/// <summary>A muzzle as its maker sells it.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">What the maker calls it.</param>
/// <param name="Maker">Who makes it.</param>
/// <param name="Type">What sort of muzzle it is.</param>
/// <param name="Material">What it is made of.</param>
/// <param name="Closure">What fastens it behind the head.</param>
/// <param name="ForeheadStrap">Whether it has a forehead strap.</param>
/// <param name="CollarLink">It links to the collar.</param>
/// <param name="FrontBar">A bar in front keeps front teeth in.</param>
/// <param name="FrontOpening">The hole for treats.</param>
/// <param name="Colours">The colours it comes in.</param>
/// <param name="Note">What a fitter should know of it.</param>
/// <param name="Sizes">Its sizes.</param>
/// <param name="FrontBarGap">Widest gap in front that a treat or a tongue goes through.</param>
/// <param name="Plate">What taking the front plate out adds to the length.</param>
/// <param name="Formable">How far the width can be formed either way.</param>
/// <param name="HolePitch">Distance of the strap's holes; null for a strap that slides.</param>
/// <param name="LeadDays">Days from order to delivery.</param>
public sealed record MuzzleModel(
    string Id,
    string Name,
    string Maker,
    MuzzleType Type,
    Material Material,
    Closure Closure,
    ForeheadStrap ForeheadStrap,
    bool CollarLink,
    bool FrontBar,
    FrontOpening FrontOpening,
    IReadOnlyList<MuzzleColour> Colours,
    string Note,
    IReadOnlyList<MuzzleSize> Sizes,
    [property: JsonPropertyName("frontBarGapMm")] Length? FrontBarGap = null,
    [property: JsonPropertyName("plateMm")] Length? Plate = null,
    [property: JsonPropertyName("formableMm")] Length? Formable = null,
    [property: JsonPropertyName("holePitchMm")] Length? HolePitch = null,
    int? LeadDays = null
)
{
    /// <summary>Wire and rigid plastic do not give when bitten or pressed (chapter on materials; Practice).</summary>
    [JsonIgnore]
    public bool DoesNotGive => Material is Material.CoatedWire or Material.RigidPlastic;

    /// <summary>The coat is seen through it, whatever its tint (House).</summary>
    [JsonIgnore]
    public bool SeenThrough => Material == Material.ClearVinyl;

    /// <summary>Leather, and whatever does not give, holds a dog that pushes; rubber, vinyl, webbing and fabric compress (Practice).</summary>
    [JsonIgnore]
    public bool Sturdy => DoesNotGive || Material == Material.Leather;
}

/// <summary>What is wrong with a model or size as entered.</summary>
/// <param name="Field">The field, such as "name" or "sizes[2].depthRearMm".</param>
/// <param name="Says">What is wrong and what would be accepted.</param>
public sealed record GeometryProblem(string Field, string Says);

/// <summary>Refuses what cannot be made or worn.</summary>
public static class MuzzleCheck
{
    private const double ShortestMm = 10;
    private const double LongestMm = 400;
    private const double LongestStrapMm = 1200;

    /// <summary>Charts are rounded to whole millimetres.</summary>
    private static readonly Length Slack = Length.FromMillimeters(0.5);

    /// <summary>Everything wrong with a model; empty when it can be kept.</summary>
    public static IReadOnlyList<GeometryProblem> Of(MuzzleModel model)
    {
        List<GeometryProblem> problems = [];
        void Refuse(bool when, string field, string says)
        {
            if (when)
                problems.Add(new(field, says));
        }

        Refuse(string.IsNullOrWhiteSpace(model.Name) || model.Name.Length > 60, "name", "Give the model a name of up to 60 letters.");
        Refuse(model.Maker is not { Length: <= 60 }, "maker", "A maker has up to 60 letters.");
        Refuse(model.Note is not { Length: <= 400 }, "note", "Up to 400 letters, please.");
        Refuse(
            model.Colours.Any(c => c.Name is not { Length: > 0 and <= 40 } || Contrast.TryLuminance(c.Hex) is null),
            "colours",
            "Each colour has a name and a shade such as #e0a020."
        );
        Refuse(model.FrontBarGap?.Millimeters is < 0 or > 120, "frontBarGapMm", "A gap in front is 0 to 120 mm.");
        Refuse(model.Plate?.Millimeters is <= 0 or > 60, "plateMm", "A plate adds 1 to 60 mm.");
        Refuse(model.Formable?.Millimeters is <= 0 or > 30, "formableMm", "Forming moves the width by 1 to 30 mm.");
        Refuse(model.HolePitch?.Millimeters is < 3 or > 60, "holePitchMm", "Holes are 3 to 60 mm apart.");
        Refuse(model.LeadDays is < 0 or > 400, "leadDays", "Delivery takes 0 to 400 days.");
        Refuse(model.Sizes.Count == 0, "sizes", "A model has at least one size.");
        Refuse(model.Sizes.Count > 60, "sizes", "A model has up to 60 sizes.");
        foreach (var twin in model.Sizes.GroupBy(s => s.Label.Trim(), StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
            Refuse(true, $"sizes[{model.Sizes.ToList().IndexOf(twin.Last())}].label", $"\"{twin.Key}\" is there twice.");
        for (var i = 0; i < model.Sizes.Count; i++)
            problems.AddRange(Of(model.Type, model.Sizes[i]).Select(p => p with { Field = $"sizes[{i}].{p.Field}" }));
        return problems;
    }

    /// <summary>Everything wrong with one size of a model of this type.</summary>
    public static IReadOnlyList<GeometryProblem> Of(MuzzleType type, MuzzleSize size)
    {
        List<GeometryProblem> problems = [];
        void Refuse(bool when, string field, string says)
        {
            if (when)
                problems.Add(new(field, says));
        }

        void Between(Length? value, string field, double low, double high) =>
            Refuse(
                value?.Millimeters is { } mm && !(mm >= low && mm <= high),
                field,
                $"{low:0} to {high:0} mm is accepted; {value?.Millimeters:0.#} was given."
            );

        Refuse(string.IsNullOrWhiteSpace(size.Label) || size.Label.Length > 20, "label", "A size has a label of up to 20 letters.");
        Between(size.Length, "lengthMm", ShortestMm, LongestMm);
        Between(size.NeckStrapMin, "neckStrapMinMm", 60, LongestStrapMm);
        Between(size.NeckStrapMax, "neckStrapMaxMm", 60, LongestStrapMm);
        Refuse(
            size.NeckStrapMin is null != size.NeckStrapMax is null,
            size.NeckStrapMin is null ? "neckStrapMinMm" : "neckStrapMaxMm",
            "Give both ends of the strap's range, or neither."
        );
        Refuse(
            size.NeckStrapMin >= size.NeckStrapMax,
            "neckStrapMaxMm",
            $"The strap is upside down: its longest loop must be more than its shortest, {size.NeckStrapMin?.Millimeters:0.#} mm."
        );
        Refuse(size.Mass?.Grams is <= 0 or > 3000, "massG", "A mass is 1 to 3000 g.");
        Refuse(size.Price is < 0 or > 100_000, "price", "A price is 0 to 100,000.");
        if (type != MuzzleType.Basket)
        {
            Refuse(size.GirthMin is null || size.GirthMax is null, "girthMinMm", "A sleeve or cover needs the girths it takes, least and greatest.");
            Between(size.GirthMin, "girthMinMm", 30, 800);
            Between(size.GirthMax, "girthMaxMm", 30, 800);
            Refuse(size.GirthMin >= size.GirthMax, "girthMaxMm", $"The greatest girth must be more than the least, {size.GirthMin?.Millimeters:0.#} mm.");
            return problems;
        }

        Between(size.DepthFront, "depthFrontMm", ShortestMm, LongestMm);
        Between(size.DepthRear, "depthRearMm", ShortestMm, LongestMm);
        Between(size.WidthRear, "widthRearMm", ShortestMm, LongestMm);
        Between(size.WidthFront, "widthFrontMm", ShortestMm, LongestMm);
        Between(size.OpeningGirth, "openingGirthMm", 40, 1200);
        Refuse(size.OpeningGirth is null, "openingGirthMm", "A basket needs the girth around its rear edge.");
        var given = new[] { size.DepthFront, size.DepthRear, size.WidthRear }.Count(v => v is not null);
        Refuse(
            given is 1 or 2,
            size.DepthFront is null ? "depthFrontMm"
                : size.DepthRear is null ? "depthRearMm"
                : "widthRearMm",
            "Give both depths and the width, or none of them: length and girth alone are enough."
        );
        if (size is { DepthRear: { } depth, WidthRear: { } width, OpeningGirth: { } around } && depth > Length.Zero && width > Length.Zero)
        {
            var (least, greatest) = SnoutSection.GirthBounds(depth, width);
            var edge = $"A rear edge {depth.Millimeters:0.#} mm deep and {width.Millimeters:0.#} mm wide is";
            Refuse(
                around < least - Slack,
                "openingGirthMm",
                $"{edge} at least {Math.Ceiling(least.Millimeters):0} mm around; {around.Millimeters:0.#} was given."
            );
            Refuse(
                around > greatest + Slack,
                "openingGirthMm",
                $"{edge} at most {Math.Floor(greatest.Millimeters):0} mm around; {around.Millimeters:0.#} was given."
            );
        }

        return problems;
    }
}

/// <summary>The muzzles to choose from. The shipped ones are invented, makers too.</summary>
public static class Catalogue
{
    private const string Table = "catalogue.json";

    /// <summary>The shipped catalogue, checked when loaded.</summary>
    public static IReadOnlyList<MuzzleModel> Shipped { get; } = Load();

    /// <summary>Whether a model is one of the shipped ones, corrected or not: it and its maker are invented.</summary>
    public static bool IsInvented(MuzzleModel model) => Shipped.Any(m => m.Id == model.Id && m.Maker == model.Maker);

    private static IReadOnlyList<MuzzleModel> Load()
    {
        var models = Tables.Read<MuzzleModel>(Table);
        Tables.RefuseTwins(Table, models.Select(m => m.Id));
        Tables.RefuseTwins(Table, models.SelectMany(m => m.Sizes).Select(s => s.Id));
        Tables.Refuse(Table, "geometry that can be made and worn", models.SelectMany(m => MuzzleCheck.Of(m).Select(p => $"{m.Id} {p.Field}: {p.Says}")));
        return models;
    }
}
