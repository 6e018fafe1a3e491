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

/// <summary>One size of a model. Baskets have depths, width and opening; tubes and covers have a girth range.</summary>
public sealed record MuzzleSize(
    string Id, string Label, double LengthMm, double NeckStrapMinMm, double NeckStrapMaxMm, int MassG,
    double? DepthFrontMm = null, double? DepthRearMm = null, double? WidthRearMm = null, double? OpeningGirthMm = null,
    double? GirthMinMm = null, double? GirthMaxMm = null)
{
    /// <summary>The inner shape of a basket.</summary>
    /// <exception cref="InvalidOperationException">The size is a tube's or a cover's.</exception>
    public BasketModel Basket()
    {
        if (DepthFrontMm is not { } front || DepthRearMm is not { } rear || WidthRearMm is not { } width || OpeningGirthMm is not { } girth)
            throw new InvalidOperationException($"{Id} is not a basket.");
        return new BasketModel(Mm(LengthMm), Mm(front), Mm(rear), Mm(width), Mm(girth), Mm(NeckStrapMinMm), Mm(NeckStrapMaxMm));
    }

    /// <summary>The snout girths a tube or cover takes, or null for a basket.</summary>
    public Window? GirthRange() => GirthMinMm is { } low && GirthMaxMm is { } high ? new Window(Mm(low), Mm(high)) : null;

    private static Length Mm(double value) => Length.FromMillimeters(value);
}

/// <summary>A muzzle as its maker sells it.</summary>
public sealed record MuzzleModel(
    string Id, string Name, string Maker, MuzzleType Type, Material Material, Closure Closure, ForeheadStrap ForeheadStrap,
    bool CollarLink, bool FrontBar, FrontOpening FrontOpening, IReadOnlyList<MuzzleColour> Colours, string Note,
    IReadOnlyList<MuzzleSize> Sizes)
{
    /// <summary>Wire and rigid plastic do not give when bitten or pressed (chapter on materials; Practice).</summary>
    public bool DoesNotGive => Material is Material.CoatedWire or Material.RigidPlastic;
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
        Tables.Refuse(Table, "a strap's shortest loop under its longest", Sizes(models, (_, s) => s.NeckStrapMinMm >= s.NeckStrapMaxMm));
        Tables.Refuse(Table, "baskets have depths, width and opening, others a girth range", Sizes(models, (m, s) =>
            m.Type == MuzzleType.Basket ? s is not { DepthFrontMm: > 0, DepthRearMm: > 0, WidthRearMm: > 0, OpeningGirthMm: > 0 } : s.GirthRange() is null));
        Tables.Refuse(Table, "an opening girth that goes round depth and width", Sizes(models, (m, s) =>
        {
            if (m.Type != MuzzleType.Basket)
                return false;
            var basket = s.Basket();
            var (least, greatest) = SnoutSection.GirthBounds(basket.DepthRear, basket.WidthRear);
            return basket.OpeningGirth < least || basket.OpeningGirth > greatest;
        }));
        return models;
    }

    private static IEnumerable<string> Sizes(IReadOnlyList<MuzzleModel> models, Func<MuzzleModel, MuzzleSize, bool> breaks) =>
        models.SelectMany(m => m.Sizes.Where(s => breaks(m, s)).Select(s => s.Id));
}
