using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Fitting;

/// <summary>What has to be known besides the dog to say what it needs.</summary>
public sealed record BriefQuestion
{
    /// <summary>The purposes the muzzle is for; empty takes all of the dog's.</summary>
    public IReadOnlyList<Purpose> Uses { get; init; } = [];

    /// <summary>Overrules the fit style that follows from purpose and history.</summary>
    public FitStyle? FitStyle { get; init; }

    /// <summary>Overrules the finger rule, 0 to 4.</summary>
    public int? Fingers { get; init; }

    /// <summary>How long and how warm it is worn; null for what is usual for its uses.</summary>
    public WearPlan? Wear { get; init; }

    public MaterialSchool Material { get; init; }
    public VisibilitySchool Visibility { get; init; }

    /// <summary>The clinic's own staff put it on, watch it and take it off.</summary>
    public bool ClinicHands { get; init; }

    /// <summary>A veterinarian who looked at its breathing said how long it may wear one.</summary>
    public bool VeterinarianSaid { get; init; }

    /// <summary>The head still grows.</summary>
    public bool Growing { get; init; }

    /// <summary>The coat's shade, #rrggbb; null when unknown.</summary>
    public string? CoatHex { get; init; }

    /// <summary>The numbers that decide.</summary>
    public HouseRules Rules { get; init; } = HouseRules.Ours;

    /// <summary>Lines the fitter overruled, by id, each with a note.</summary>
    public IReadOnlyDictionary<string, string> Overruled { get; init; } = new Dictionary<string, string>();

    /// <summary>How its lines are said.</summary>
    public Writing Writing { get; init; } = Writing.Usual;
}

/// <summary>One thing the brief asks for, with its reason.</summary>
/// <param name="Id">Stable id, by which it is overruled.</param>
/// <param name="Topic">What it is about.</param>
/// <param name="Says">What is asked for.</param>
/// <param name="Reason">Why.</param>
/// <param name="Basis">On what ground.</param>
/// <param name="Demand">How much it is asked for.</param>
/// <param name="Overruled">The fitter's note where it was overruled; it then binds no more.</param>
/// <param name="Hard">It keeps the dog from harm and cannot be overruled.</param>
/// <param name="Settled">It says what was set elsewhere, and is changed there.</param>
public sealed record BriefLine(
    string Id,
    BriefTopic Topic,
    string Says,
    string Reason,
    Basis Basis,
    Demand Demand,
    string? Overruled,
    bool Hard = false,
    bool Settled = false
)
{
    /// <summary>Whether the fitter may overrule it, with a note.</summary>
    public bool CanOverrule => !Hard && !Settled && Overruled is null;
}

/// <summary>What this dog and purpose need of a muzzle, said before any muzzle is looked at.</summary>
public sealed record MuzzleBrief
{
    public static readonly Grounded<double> MostMassShare = new(
        "fit.most-mass",
        "Most a muzzle weighs, as a share of the dog",
        0.015,
        Basis.House("heavier, and the dog carries its head low")
    );

    private readonly IReadOnlyList<(BriefRule Rule, string? Overruled)> rules;

    private MuzzleBrief(IReadOnlyList<(BriefRule Rule, string? Overruled)> rules) => this.rules = rules;

    /// <summary>The numbers it was derived by.</summary>
    public required HouseRules Rules { get; init; }

    public required IReadOnlyList<Purpose> Uses { get; init; }
    public required HeadShape HeadShape { get; init; }
    public required FitStyle FitStyle { get; init; }

    /// <summary>Fingers under the neck strap.</summary>
    public required int Fingers { get; init; }

    /// <summary>The opening it must allow.</summary>
    public required Angle NeededGape { get; init; }

    public required BiteTier BiteTier { get; init; }
    public required WearPlan Wear { get; init; }

    /// <summary>The clinic's own staff put it on, watch it and take it off.</summary>
    public bool ClinicHands { get; init; }

    /// <summary>A veterinarian looks at its breathing before any muzzle, and has not yet.</summary>
    public bool VeterinarianFirst { get; init; }

    /// <summary>Most the muzzle should weigh; null when the body mass is not known or the line is overruled.</summary>
    public required Mass? MostMass { get; init; }

    public required VisibilitySchool Visibility { get; init; }

    /// <summary>The coat it is to stand out from; null when unknown or overruled.</summary>
    public required string? CoatHex { get; init; }

    public required IReadOnlyList<BriefLine> Lines { get; init; }

    /// <summary>Its front has to stay closed: asked for, or an open one ruled out, and not overruled.</summary>
    public bool KeepsFrontClosed =>
        rules.Any(r =>
            r is { Overruled: null, Rule: { Feature: Feature.ClosedFront, Demand: Demand.Required } or { Feature: Feature.OpenFront, Demand: Demand.RuledOut } }
        );

    /// <summary>What pulls apart in it, and what to do.</summary>
    public required IReadOnlyList<Clash> Clashes { get; init; }

    /// <summary>Whether the clinic is all it is for.</summary>
    public static bool IsClinicOnly(IReadOnlyList<Purpose> uses) => uses.Count > 0 && uses.All(u => u == Purpose.Clinic);

    /// <summary>Derives the brief.</summary>
    public static MuzzleBrief For(DogProfile dog, BriefQuestion question)
    {
        var uses = question.Uses.Count > 0 ? question.Uses : dog.Purposes;
        var wear = question.Wear ?? WearPlan.Usual(uses, question.Rules);
        string? Note(string id) => question.Overruled.TryGetValue(id, out var note) ? note : null;
        var rules = BriefRule
            .All.Where(r => r.When.Holds(dog, question, uses, wear))
            .Select(r => (Rule: r.Told(dog, wear, question.Writing), Overruled: r.Hard ? null : Note(r.Id)))
            .ToList();

        // What is ruled out is not allowed besides.
        var never = rules.Where(r => r is { Overruled: null, Rule.Demand: Demand.RuledOut }).Select(r => r.Rule.Feature).ToHashSet();
        rules.RemoveAll(r => r.Rule.Demand == Demand.Allowed && never.Contains(r.Rule.Feature));
        var gape = rules.Where(r => r.Overruled is null).Max(r => r.Rule.Gape) ?? GapeClass.Closed;
        rules.RemoveAll(r => r.Rule.Gape < gape && r.Overruled is null);

        var words = new FittingWords(question.Writing);
        var style = FitStyleFor(dog, uses, question.FitStyle, words);
        var fingers = question.Fingers ?? FitRules.Fingers(style.FitStyle);
        var mass = Weight(dog, Note("weight"), question.Rules, words);
        var sight = Sight(question, Note("visibility"), words);
        List<BriefLine> lines =
        [
            .. rules.Select(r => new BriefLine(r.Rule.Id, r.Rule.Topic, r.Rule.Says, r.Rule.Reason, r.Rule.Basis, r.Rule.Demand, r.Overruled, r.Rule.Hard)),
        ];
        lines.Insert(lines.FindLastIndex(l => l.Topic == BriefTopic.Mouth) + 1, Tier(dog.BiteTier, words));
        lines.Add(style.Line);
        lines.Add(
            new BriefLine(
                "fingers",
                BriefTopic.NeckStrap,
                words.FingersAsked(fingers),
                words.FingersWhy(style.FitStyle, question.Fingers is not null),
                Basis.Practice("finger rules of the two fit styles"),
                Demand.Required,
                null,
                Settled: true
            )
        );
        lines.AddRange(new[] { mass.Line, sight }.OfType<BriefLine>());
        var binding = rules.Where(r => r.Overruled is null).Select(r => r.Rule.Id).ToHashSet();
        return new MuzzleBrief(rules)
        {
            Rules = question.Rules,
            Uses = uses,
            HeadShape = dog.HeadShape.Shape,
            FitStyle = style.FitStyle,
            Fingers = fingers,
            NeededGape = FitRules.From(gape, question.Rules),
            BiteTier = dog.BiteTier,
            Wear = wear,
            ClinicHands = question.ClinicHands,
            MostMass = mass.Most,
            Visibility = question.Visibility,
            CoatHex = sight is { Overruled: null } ? question.CoatHex : null,
            VeterinarianFirst = dog.VeterinarianFirst && !question.VeterinarianSaid,
            Lines = lines,
            Clashes = [.. Clash.All.Where(c => c.Holds(binding)).Select(words.Of)],
        };
    }

    /// <summary>What a model breaks of what is required or ruled out, each as a criterion that is out, or marginal where the fitter overruled it.</summary>
    internal IReadOnlyList<Criterion> Refusals(MuzzleModel model, FittingWords words)
    {
        List<Criterion> refusals = [];
        foreach (var (rule, overruled) in rules)
        {
            if (rule.Feature is not { } feature || !Concerns(model, feature))
                continue;
            var has = model.Has(feature);
            if (rule.Demand == Demand.Required ? has : rule.Demand != Demand.RuledOut || !has)
                continue;
            var why = $"{words.Of(feature, model, has)} {rule.Reason}";
            refusals.Add(
                overruled is null
                    ? new Criterion(feature.Criterion(), Outcome.Missed, null, why, rule.Basis) { IsHard = true, CannotBeOverruled = rule.Hard }
                    : new Criterion(feature.Criterion(), Outcome.Overruled, null, words.Overruled(why, overruled), rule.Basis) { IsHard = true }
            );
        }

        return refusals;
    }

    /// <summary>What is wanted but not needed, and whether a model has it.</summary>
    public IReadOnlyList<(BriefRule Rule, bool Has)> Wishes(MuzzleModel model) =>
        [
            .. rules
                .Where(r => r is { Overruled: null, Rule: { Demand: Demand.Wanted, Feature: not null } })
                .Select(r => (r.Rule, model.Has(r.Rule.Feature!.Value))),
        ];

    /// <summary>A sleeve or cover is not looked at for what only a basket can have.</summary>
    private static bool Concerns(MuzzleModel model, Feature feature) =>
        model.Type == MuzzleType.Basket
        || feature is Feature.Sleeve or Feature.FaceCover or Feature.ClipAlone
        || (model.Type == MuzzleType.FaceCover && feature == Feature.ForeheadStrap);

    private static BriefLine Tier(BiteTier tier, FittingWords words) =>
        new(
            "tier",
            BriefTopic.Containment,
            words.Tier(tier),
            words.Of(tier),
            Basis.Memory("own wording; compare the published six-level bite scale by Ian Dunbar"),
            Demand.Allowed,
            null,
            Settled: true
        );

    private static (FitStyle FitStyle, BriefLine Line) FitStyleFor(DogProfile dog, IReadOnlyList<Purpose> uses, FitStyle? set, FittingWords words)
    {
        var (style, why, basis) =
            set is { } given ? (given, WhyStyle.Set, Basis.Practice("two fit styles, both in use"))
            : dog.BiteTier == BiteTier.SeveralOrDeep ? (FitStyle.Working, WhyStyle.Bites, Basis.House("containment tier 4"))
            : uses.Contains(Purpose.Working) ? (FitStyle.Working, WhyStyle.Working, Basis.Practice("the working style"))
            : (FitStyle.Everyday, WhyStyle.Everyday, Basis.Practice("the everyday style"));
        return (style, new("fit-style", BriefTopic.Seat, words.Of(style), words.Of(why), basis, Demand.Required, null, Settled: true));
    }

    private static (Mass? Most, BriefLine? Line) Weight(DogProfile dog, string? overruled, HouseRules rules, FittingWords words)
    {
        if (dog.BodyMass is not { } body)
            return (null, null);
        var most = body * rules[MostMassShare];
        return (
            overruled is null ? most : null,
            new("weight", BriefTopic.Weight, words.UpTo(most), words.ShareOf(body), rules.Basis(MostMassShare), Demand.Wanted, overruled)
        );
    }

    private static BriefLine? Sight(BriefQuestion question, string? overruled, FittingWords words) =>
        question.CoatHex is null
            ? null
            : new(
                "visibility",
                BriefTopic.Visibility,
                words.Of(question.Visibility),
                words.Why(question.Visibility),
                question.Rules.Basis(question.Visibility == VisibilitySchool.StandOut ? Contrast.StandsOut : Contrast.BlendsIn),
                Demand.Wanted,
                overruled
            );
}

/// <summary>Why a fit style is asked for.</summary>
internal enum WhyStyle
{
    Set,
    Bites,
    Working,
    Everyday,
}

/// <summary>What is advised about one muzzle or two.</summary>
public enum CountAdvice
{
    Spare,
    FinalFirst,
    TrainingFirst,
    One,
}

/// <summary>One muzzle or two, and when to change.</summary>
/// <param name="Advice">What to get; <see cref="FittingWords"/> says it.</param>
/// <param name="Basis">On what ground.</param>
public sealed record MuzzleCount(CountAdvice Advice, Basis Basis)
{
    /// <summary>A lighter one to train in comes before the final one.</summary>
    public bool TrainingFirst => Advice == CountAdvice.TrainingFirst;

    /// <summary>Advises for a dog.</summary>
    /// <param name="dog">The dog.</param>
    /// <param name="wearsHappily">It wears one at ease already.</param>
    public static MuzzleCount For(DogProfile dog, bool wearsHappily) =>
        wearsHappily ? new(CountAdvice.Spare, Basis.Practice("a dog already wearing one happily still needs a spare"))
        : dog.BiteTier >= BiteTier.Injured ? new(CountAdvice.FinalFirst, Basis.Practice("at tiers 3 and 4 the final one comes first"))
        : dog.Temperament.IsFearful() ? new(CountAdvice.TrainingFirst, Basis.Practice("fearful dogs at tiers 0 to 2"))
        : new(CountAdvice.One, Basis.House("a second muzzle is for fearful dogs and for spares"));
}
