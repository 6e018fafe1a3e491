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
/// <param name="LengthMm">Inner length, mm: for a basket the rear edge of the nose rest to the inside of the front.</param>
/// <param name="NeckStrapMinMm">Shortest neck loop, mm; null when the chart does not say.</param>
/// <param name="NeckStrapMaxMm">Longest neck loop, mm.</param>
/// <param name="MassG">Mass in g; null when the chart does not say.</param>
/// <param name="Price">In the practice's currency; null when unknown.</param>
/// <param name="DepthFrontMm">Nose rest to floor in front, mm.</param>
/// <param name="DepthRearMm">Nose rest to floor at the rear edge, mm.</param>
/// <param name="WidthRearMm">Across at the rear edge, mm.</param>
/// <param name="WidthFrontMm">Across in front, mm.</param>
/// <param name="OpeningGirthMm">Around the inside of the rear edge, mm.</param>
/// <param name="GirthMinMm">Least snout girth of a sleeve or cover, mm.</param>
/// <param name="GirthMaxMm">Greatest, mm.</param>
public sealed record MuzzleSize(
    string Id, string Label, double LengthMm, double? NeckStrapMinMm = null, double? NeckStrapMaxMm = null, int? MassG = null, decimal? Price = null,
    double? DepthFrontMm = null, double? DepthRearMm = null, double? WidthRearMm = null, double? WidthFrontMm = null, double? OpeningGirthMm = null,
    double? GirthMinMm = null, double? GirthMaxMm = null)
{
    /// <summary>Only length and girth are known, as in many charts; the rest is assumed for each snout.</summary>
    [JsonIgnore]
    public bool IsLengthAndGirthOnly => OpeningGirthMm is not null && (DepthFrontMm is null || DepthRearMm is null || WidthRearMm is null);

    /// <summary>The inner shape of a basket on a snout; a chart of length and girth takes the rest from the snout's width.</summary>
    /// <exception cref="InvalidOperationException">The size is a tube's or a cover's.</exception>
    public BasketModel Basket(SnoutModel snout)
    {
        if (OpeningGirthMm is not { } girth)
            throw new InvalidOperationException($"{Id} is not a basket.");
        if (IsLengthAndGirthOnly)
        {
            var width = snout.Width.Value + snout.Rules[BasketModel.BoxSpareWidth];
            return BasketModel.FromLengthAndGirth(Mm(LengthMm), Mm(girth), width, Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm))
                ?? new BasketModel(Mm(LengthMm), BasketModel.NoDepth, BasketModel.NoDepth, width, Mm(girth), Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm)) { AssumedShape = true };
        }

        return new BasketModel(Mm(LengthMm), Mm(DepthFrontMm!.Value), Mm(DepthRearMm!.Value), Mm(WidthRearMm!.Value), Mm(girth), Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm));
    }

    /// <summary>The snout girths a tube or cover takes, or null for a basket.</summary>
    public Window? GirthRange() => GirthMinMm is { } low && GirthMaxMm is { } high ? new Window(Mm(low), Mm(high)) : null;

    /// <summary>The loops the neck strap makes; null when the chart does not say.</summary>
    public Window? NeckStrapRange() => NeckStrapMinMm is { } low && NeckStrapMaxMm is { } high ? new Window(Mm(low), Mm(high)) : null;

    internal BasketMm BasketMm(double? holePitch) => new(
        LengthMm, DepthFrontMm ?? double.NaN, DepthRearMm ?? double.NaN, WidthRearMm ?? double.NaN, OpeningGirthMm ?? double.NaN, NeckStrapMinMm ?? double.NaN, NeckStrapMaxMm ?? double.NaN,
        IsLengthAndGirthOnly, holePitch ?? 0);

    internal TubeMm TubeMm(double? holePitch) => new(LengthMm, GirthMinMm ?? double.NaN, GirthMaxMm ?? double.NaN, NeckStrapMinMm ?? double.NaN, NeckStrapMaxMm ?? double.NaN, holePitch ?? 0);

    private static Length Mm(double value) => Length.FromMillimeters(value);

    private static Length? Mm(double? value) => value is { } mm ? Length.FromMillimeters(mm) : null;
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
/// <param name="FrontBarGapMm">Widest gap in front, mm, that a treat or a tongue goes through.</param>
/// <param name="PlateMm">What taking the front plate out adds to the length, mm.</param>
/// <param name="FormableMm">How far the width can be formed either way, mm.</param>
/// <param name="HolePitchMm">Distance of the strap's holes, mm; null for a strap that slides.</param>
/// <param name="LeadDays">Days from order to delivery.</param>
public sealed record MuzzleModel(
    string Id, string Name, string Maker, MuzzleType Type, Material Material, Closure Closure, ForeheadStrap ForeheadStrap,
    bool CollarLink, bool FrontBar, FrontOpening FrontOpening, IReadOnlyList<MuzzleColour> Colours, string Note,
    IReadOnlyList<MuzzleSize> Sizes, double? FrontBarGapMm = null, double? PlateMm = null, double? FormableMm = null, double? HolePitchMm = null,
    int? LeadDays = null)
{
    /// <summary>Wire and rigid plastic do not give when bitten or pressed (chapter on materials; Practice).</summary>
    [JsonIgnore]
    public bool DoesNotGive => Material is Material.CoatedWire or Material.RigidPlastic;

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
        Refuse(model.Colours.Any(c => c.Name is not { Length: > 0 and <= 40 } || Contrast.TryLuminance(c.Hex) is null), "colours", "Each colour has a name and a shade such as #e0a020.");
        Refuse(model.FrontBarGapMm is < 0 or > 120, "frontBarGapMm", "A gap in front is 0 to 120 mm.");
        Refuse(model.PlateMm is <= 0 or > 60, "plateMm", "A plate adds 1 to 60 mm.");
        Refuse(model.FormableMm is <= 0 or > 30, "formableMm", "Forming moves the width by 1 to 30 mm.");
        Refuse(model.HolePitchMm is < 3 or > 60, "holePitchMm", "Holes are 3 to 60 mm apart.");
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

        void Between(double? value, string field, double low, double high) =>
            Refuse(value is { } mm && !(mm >= low && mm <= high), field, $"{low:0} to {high:0} mm is accepted; {value:0.#} was given.");

        Refuse(string.IsNullOrWhiteSpace(size.Label) || size.Label.Length > 20, "label", "A size has a label of up to 20 letters.");
        Between(size.LengthMm, "lengthMm", ShortestMm, LongestMm);
        Between(size.NeckStrapMinMm, "neckStrapMinMm", 60, LongestStrapMm);
        Between(size.NeckStrapMaxMm, "neckStrapMaxMm", 60, LongestStrapMm);
        Refuse(size.NeckStrapMinMm is null != size.NeckStrapMaxMm is null, size.NeckStrapMinMm is null ? "neckStrapMinMm" : "neckStrapMaxMm", "Give both ends of the strap's range, or neither.");
        Refuse(size.NeckStrapMinMm >= size.NeckStrapMaxMm, "neckStrapMaxMm", $"The strap is upside down: its longest loop must be more than its shortest, {size.NeckStrapMinMm:0.#} mm.");
        Refuse(size.MassG is <= 0 or > 3000, "massG", "A mass is 1 to 3000 g.");
        Refuse(size.Price is < 0 or > 100_000, "price", "A price is 0 to 100,000.");
        if (type != MuzzleType.Basket)
        {
            Refuse(size.GirthMinMm is null || size.GirthMaxMm is null, "girthMinMm", "A sleeve or cover needs the girths it takes, least and greatest.");
            Between(size.GirthMinMm, "girthMinMm", 30, 800);
            Between(size.GirthMaxMm, "girthMaxMm", 30, 800);
            Refuse(size.GirthMinMm >= size.GirthMaxMm, "girthMaxMm", $"The greatest girth must be more than the least, {size.GirthMinMm:0.#} mm.");
            return problems;
        }

        Between(size.DepthFrontMm, "depthFrontMm", ShortestMm, LongestMm);
        Between(size.DepthRearMm, "depthRearMm", ShortestMm, LongestMm);
        Between(size.WidthRearMm, "widthRearMm", ShortestMm, LongestMm);
        Between(size.WidthFrontMm, "widthFrontMm", ShortestMm, LongestMm);
        Between(size.OpeningGirthMm, "openingGirthMm", 40, 1200);
        Refuse(size.OpeningGirthMm is null, "openingGirthMm", "A basket needs the girth around its rear edge.");
        var given = new[] { size.DepthFrontMm, size.DepthRearMm, size.WidthRearMm }.Count(v => v is not null);
        Refuse(given is 1 or 2, size.DepthFrontMm is null ? "depthFrontMm" : size.DepthRearMm is null ? "depthRearMm" : "widthRearMm", "Give both depths and the width, or none of them: length and girth alone are enough.");
        if (size is { DepthRearMm: > 0 and var depth, WidthRearMm: > 0 and var width, OpeningGirthMm: { } girth })
        {
            var (least, greatest) = SnoutSection.GirthBounds(Length.FromMillimeters(depth), Length.FromMillimeters(width));
            Refuse(girth < least.Millimeters - 0.5, "openingGirthMm", $"A rear edge {depth:0.#} mm deep and {width:0.#} mm wide is at least {Math.Ceiling(least.Millimeters):0} mm around; {girth:0.#} was given.");
            Refuse(girth > greatest.Millimeters + 0.5, "openingGirthMm", $"A rear edge {depth:0.#} mm deep and {width:0.#} mm wide is at most {Math.Floor(greatest.Millimeters):0} mm around; {girth:0.#} was given.");
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

    private static IReadOnlyList<MuzzleModel> Load()
    {
        var models = Tables.Read<MuzzleModel>(Table);
        Tables.RefuseTwins(Table, models.Select(m => m.Id));
        Tables.RefuseTwins(Table, models.SelectMany(m => m.Sizes).Select(s => s.Id));
        Tables.Refuse(Table, "geometry that can be made and worn", models.SelectMany(m => MuzzleCheck.Of(m).Select(p => $"{m.Id} {p.Field}: {p.Says}")));
        return models;
    }
}
