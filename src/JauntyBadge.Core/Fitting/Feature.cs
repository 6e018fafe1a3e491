using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>Something a muzzle has or has not, as the brief asks for it.</summary>
public enum Feature
{
    Basket,
    Sleeve,
    FaceCover,

    /// <summary>Wire or rigid plastic.</summary>
    DoesNotGive,

    /// <summary>Does not give, or leather.</summary>
    Sturdy,
    Metal,

    /// <summary>Rubber, webbing, vinyl or leather: kind at the edges.</summary>
    Soft,
    ForeheadStrap,
    CollarLink,
    FrontBar,

    /// <summary>No hole for treats, or one that is only there once cut.</summary>
    ClosedFront,

    /// <summary>A hole for treats that is always there.</summary>
    OpenFront,

    /// <summary>A way for treats: a hole, one that can be cut, or a gap wide enough.</summary>
    TreatWay,

    /// <summary>A clip, alone or beside a buckle.</summary>
    QuickClip,

    /// <summary>A buckle, alone or beside a clip.</summary>
    Buckle,

    /// <summary>A clip and nothing else.</summary>
    ClipAlone,
    TwoClosures,
}

/// <summary>How much the brief asks for it.</summary>
public enum Demand
{
    Allowed,
    Wanted,
    Required,
    RuledOut,
}

/// <summary>What a model has.</summary>
public static class Features
{
    public static readonly Grounded<Length> TreatGap = new(
        "fit.treat-gap",
        "Gap in front that a treat goes through",
        Length.FromMillimeters(12),
        Basis.House("a small soft treat between two fingertips")
    )
    {
        SetElsewhere = "Part of what a row of the catalogue says.",
    };

    /// <summary>Whether a model has a feature.</summary>
    public static bool Has(this MuzzleModel model, Feature feature) =>
        feature switch
        {
            Feature.Basket => model.Type == MuzzleType.Basket,
            Feature.Sleeve => model.Type == MuzzleType.Sleeve,
            Feature.FaceCover => model.Type == MuzzleType.FaceCover,
            Feature.DoesNotGive => model.DoesNotGive,
            Feature.Sturdy => model.Sturdy,
            Feature.Metal => model.Material == Material.CoatedWire,
            Feature.Soft => model.Material is Material.MouldedRubber or Material.CoatedWebbing or Material.ClearVinyl or Material.Leather or Material.Fabric,
            Feature.ForeheadStrap => model.ForeheadStrap != ForeheadStrap.None,
            Feature.CollarLink => model.CollarLink,
            Feature.FrontBar => model.FrontBar,
            Feature.ClosedFront => !model.Has(Feature.OpenFront),
            Feature.OpenFront => model.Type == MuzzleType.Basket && model.FrontOpening == FrontOpening.Fixed,
            Feature.TreatWay => model.Type == MuzzleType.Basket && (model.FrontOpening != FrontOpening.None || model.FrontBarGap >= TreatGap.Ours),
            Feature.QuickClip => model.Closure != Closure.Buckle,
            Feature.Buckle => model.Closure != Closure.Clip,
            Feature.ClipAlone => model.Closure == Closure.Clip,
            Feature.TwoClosures => model.Closure == Closure.Both,
            _ => throw new ArgumentOutOfRangeException(nameof(feature)),
        };

    /// <summary>The criterion a demand on a feature is shown under.</summary>
    public static CriterionName Criterion(this Feature feature) =>
        feature switch
        {
            Feature.Basket or Feature.Sleeve or Feature.FaceCover => CriterionName.Use,
            Feature.ClosedFront or Feature.OpenFront => CriterionName.Front,
            Feature.TreatWay => CriterionName.Feeding,
            Feature.QuickClip or Feature.Buckle or Feature.ClipAlone or Feature.TwoClosures => CriterionName.Closure,
            _ => CriterionName.Containment,
        };
}
