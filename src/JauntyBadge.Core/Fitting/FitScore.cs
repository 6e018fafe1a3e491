using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What the fitter weighs among muzzles that fit equally surely, each 0 to 5.</summary>
public sealed record Weights(double Comfort, double Safety, double Feeding)
{
    public static readonly Grounded<double> UsualWeight = new(
        "fit.usual-weight",
        "Weight of comfort, safety and feeding until the fitter sets them",
        2,
        Basis.House("all three alike")
    )
    {
        SetElsewhere = "Set under How you fit, beside a dog's fits.",
    };

    public static Weights Usual { get; } = new(UsualWeight.Ours, UsualWeight.Ours, UsualWeight.Ours);
}

/// <summary>
/// How well a muzzle serves beyond fitting, each 0 to 1, for the order of muzzles that fit equally surely. Basis: House; each is the
/// plain mean of the points named beside it.
/// </summary>
/// <param name="Comfort">Room to open the mouth up to a yawn; softness; lightness against the most it may weigh; a centred seat; not hanging.</param>
/// <param name="Safety">Does not give; front bar; forehead strap; collar link; closures; an edge that cannot reach the eye; being seen as wished.</param>
/// <param name="Feeding">A way for treats, and room to take them.</param>
public readonly record struct FitScore(double Comfort, double Safety, double Feeding)
{
    public static readonly Grounded<double> Kind = new(
        "score.kind",
        "Softness of vinyl and leather, where rubber and webbing are 1",
        0.8,
        Basis.House("soft, but with an edge")
    );
    public static readonly Grounded<double> Hard = new("score.hard", "Softness of wire and rigid plastic", 0.5, Basis.House("hard, yet padded at the nose"));
    public static readonly Grounded<double> OptionalStrap = new(
        "score.optional-strap",
        "A forehead strap that can be fitted, where a fitted one is 1",
        0.7,
        Basis.House("it may be left off")
    );
    public static readonly Grounded<double> BuckleAlone = new(
        "score.buckle-alone",
        "A buckle alone, where two closures are 1",
        0.7,
        Basis.House("one may fail")
    );
    public static readonly Grounded<double> ClipAlone = new(
        "score.clip-alone",
        "A clip alone, where two closures are 1",
        0.4,
        Basis.House("one snag opens it")
    );
    public static readonly Grounded<double> FrontToCut = new(
        "score.front-to-cut",
        "A front that can be cut for treats, where an open one is 1",
        0.8,
        Basis.House("a little work")
    );
    public static readonly Grounded<double> ThroughBars = new("score.through-bars", "Treats between the bars", 0.5, Basis.House("small ones only"));
    public static readonly Grounded<double> NoWay = new("score.no-way", "No way for a treat", 0.1, Basis.House("paste may still be licked"));
    public static readonly Grounded<double> Unknown = new(
        "score.unknown",
        "What is not known: mass, or the coat's colour",
        0.5,
        Basis.House("neither for it nor against it")
    );

    public static IReadOnlyList<IGrounded> All { get; } = [Kind, Hard, OptionalStrap, BuckleAlone, ClipAlone, FrontToCut, ThroughBars, NoWay, Unknown];

    /// <summary>The weighted mean, 0 to 1; all weights zero count alike.</summary>
    public double Weighted(Weights weights)
    {
        var all = weights.Comfort + weights.Safety + weights.Feeding;
        return all <= 0 ? (Comfort + Safety + Feeding) / 3 : (weights.Comfort * Comfort + weights.Safety * Safety + weights.Feeding * Feeding) / all;
    }

    internal static FitScore Of(
        MuzzleModel model,
        MuzzleSize size,
        double seat,
        double shove,
        double large,
        double gapeRad,
        double seatHalf,
        double seen,
        Mass? mostMass,
        HouseRules rules
    )
    {
        var yawn = Math.Min(1, gapeRad / rules[FitRules.Yawn].Radians);
        var light = mostMass is { } most && size.Mass is { } mass ? Math.Clamp(1 - mass / most, 0, 1) : rules[Unknown];
        var centred = seatHalf > 0 ? Math.Clamp(seat / seatHalf, 0, 1) : One(seat >= 0);
        var snug = model.Type == MuzzleType.Basket ? Math.Clamp(large / rules[FitRules.LargeRoom].Millimeters, 0, 1) : 1;
        return new FitScore(
            (yawn + Softness(model.Material, rules) + light + centred + snug) / 5,
            (
                One(model.DoesNotGive)
                + One(model.FrontBar)
                + Strap(model.ForeheadStrap, rules)
                + One(model.CollarLink)
                + Closing(model.Closure, rules)
                + One(shove >= 0)
                + seen
            ) / 7,
            (Treats(model, rules) + yawn) / 2
        );
    }

    /// <summary>How well a model meets the wish to be seen or to blend in, 0 to 1.</summary>
    internal static double Seen(MuzzleModel model, MuzzleBrief brief) => Sight(model, brief) is { } contrast ? One(contrast.Met) : brief.Rules[Unknown];

    /// <summary>
    /// The colour that serves the wish to be seen or to blend in best; null when the coat is not known or the model has no colours. Through clear vinyl the coat itself is seen, whatever
    /// its tint: a contrast of 1 (House).
    /// </summary>
    public static (MuzzleColour Colour, double Ratio, bool Met)? Sight(MuzzleModel model, MuzzleBrief brief)
    {
        if (brief.CoatHex is not { } coat || model.Colours.Count == 0)
            return null;
        var ratios = model.Colours.Select(c => (Colour: c, Ratio: model.SeenThrough ? 1 : Contrast.Ratio(c.Hex, coat)));
        if (brief.Visibility == VisibilitySchool.StandOut)
        {
            var most = ratios.MaxBy(r => r.Ratio);
            return (most.Colour, most.Ratio, most.Ratio >= brief.Rules[Contrast.StandsOut]);
        }

        var least = ratios.MinBy(r => r.Ratio);
        return (least.Colour, least.Ratio, least.Ratio <= brief.Rules[Contrast.BlendsIn]);
    }

    private static double One(bool holds) => holds ? 1 : 0;

    private static double Softness(Material material, HouseRules rules) =>
        material switch
        {
            Material.MouldedRubber or Material.CoatedWebbing or Material.Fabric => 1,
            Material.ClearVinyl or Material.Leather => rules[Kind],
            _ => rules[Hard],
        };

    private static double Strap(ForeheadStrap strap, HouseRules rules) =>
        strap switch
        {
            ForeheadStrap.Fitted => 1,
            ForeheadStrap.Optional => rules[OptionalStrap],
            _ => 0,
        };

    private static double Closing(Closure closure, HouseRules rules) =>
        closure switch
        {
            Closure.Both => 1,
            Closure.Buckle => rules[BuckleAlone],
            _ => rules[ClipAlone],
        };

    private static double Treats(MuzzleModel model, HouseRules rules) =>
        !model.Has(Feature.TreatWay) ? rules[NoWay]
        : model.FrontOpening == FrontOpening.Fixed ? 1
        : model.FrontOpening == FrontOpening.CanBeCut ? rules[FrontToCut]
        : rules[ThroughBars];
}
