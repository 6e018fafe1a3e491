using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>Which material keeps people safe: two schools.</summary>
public enum MaterialSchool
{
    /// <summary>Any sturdy basket, up to tier 3.</summary>
    Sturdy,

    /// <summary>Metal wherever a bite is to be prevented.</summary>
    MetalOnly,
}

/// <summary>How a muzzle should look: two schools.</summary>
public enum VisibilitySchool
{
    /// <summary>So that people keep away.</summary>
    StandOut,

    /// <summary>So that other dogs are less put off.</summary>
    BlendIn,
}

/// <summary>How long and how warm it is worn.</summary>
/// <param name="Longest">The longest wear.</param>
/// <param name="Warm">In warmth, or at exercise.</param>
public sealed record WearPlan(TimeSpan Longest, bool Warm)
{
    public static readonly Grounded<TimeSpan> LongWear = new(
        "fit.long-wear",
        "Wear longer than this needs a full pant",
        TimeSpan.FromMinutes(20),
        Basis.House("calm dogs begin to need it about then")
    )
    {
        Most = 20,
    };

    public static readonly Grounded<TimeSpan> ClinicWear = new(
        "fit.clinic-wear",
        "Longest wear taken for the clinic alone, in the cool",
        TimeSpan.FromMinutes(15),
        Basis.House("a visit; say so where it is longer")
    );

    public static readonly Grounded<TimeSpan> OtherWear = new(
        "fit.other-wear",
        "Longest wear taken for anything else, in warmth or at exercise",
        TimeSpan.FromMinutes(60),
        Basis.House("a walk; say so where it is other")
    );

    public static readonly Grounded<TimeSpan> HoursWear = new(
        "fit.hours-wear",
        "Wear longer than this is broken up",
        TimeSpan.FromHours(2),
        Basis.Practice("a few hours at the very most, watched")
    )
    {
        Most = 180,
    };

    /// <summary>What is taken until the fitter says otherwise.</summary>
    public static WearPlan Usual(IReadOnlyList<Purpose> uses, HouseRules rules) =>
        MuzzleBrief.IsClinicOnly(uses) ? new(rules[ClinicWear], false) : new(rules[OtherWear], true);
}

/// <summary>When a rule of the brief applies; everything given has to hold.</summary>
/// <param name="Uses">Any of these purposes.</param>
/// <param name="ClinicOnly">Whether the clinic is its only purpose.</param>
/// <param name="TierFrom">Bite history from this tier.</param>
/// <param name="TierTo">Bite history up to this tier.</param>
/// <param name="Shapes">Any of these head shapes.</param>
/// <param name="NotShapes">None of these head shapes.</param>
/// <param name="Traits">Any of these breed traits.</param>
/// <param name="Sensitivities">Any of these.</param>
/// <param name="Temperaments">Any of these.</param>
/// <param name="Warm">Worn in warmth or not.</param>
/// <param name="Long">Worn longer than what needs a full pant or not.</param>
/// <param name="Hours">Worn so long that it has to be taken off in between, or not.</param>
/// <param name="Growing">Whether the head still grows.</param>
/// <param name="Thick">Whether the coat is thick.</param>
/// <param name="Material">The material school.</param>
/// <param name="Airway">Whether something says that its airway is to be minded.</param>
/// <param name="Health">Any of these notes on its health.</param>
/// <param name="ClinicHands">Whether the clinic's own staff put it on, watch it and take it off.</param>
/// <param name="BeyondCapOf">Worn longer than the cap of this type; exactly the cap is not beyond it.</param>
public sealed record BriefWhen(
    IReadOnlyList<Purpose>? Uses = null,
    bool? ClinicOnly = null,
    int? TierFrom = null,
    int? TierTo = null,
    IReadOnlyList<HeadShape>? Shapes = null,
    IReadOnlyList<HeadShape>? NotShapes = null,
    IReadOnlyList<BreedTrait>? Traits = null,
    IReadOnlyList<Sensitivity>? Sensitivities = null,
    IReadOnlyList<Temperament>? Temperaments = null,
    bool? Warm = null,
    bool? Long = null,
    bool? Hours = null,
    bool? Growing = null,
    bool? Thick = null,
    MaterialSchool? Material = null,
    bool? Airway = null,
    IReadOnlyList<HealthNote>? Health = null,
    bool? ClinicHands = null,
    MuzzleType? BeyondCapOf = null
)
{
    /// <summary>Whether it applies to a dog.</summary>
    internal bool Holds(DogProfile dog, BriefQuestion question, IReadOnlyList<Purpose> uses, WearPlan wear)
    {
        var traits = dog.Traits;
        return (Uses is null || Uses.Any(uses.Contains))
            && (ClinicOnly is null || ClinicOnly == MuzzleBrief.IsClinicOnly(uses))
            && (TierFrom is null || (int)dog.BiteTier >= TierFrom)
            && (TierTo is null || (int)dog.BiteTier <= TierTo)
            && (Shapes is null || Shapes.Contains(dog.HeadShape.Shape))
            && (NotShapes is null || !NotShapes.Contains(dog.HeadShape.Shape))
            && (Traits is null || Traits.Any(traits.Contains))
            && (Sensitivities is null || Sensitivities.Any(dog.Sensitivities.Contains))
            && (Temperaments is null || Temperaments.Contains(dog.Temperament))
            && (Warm is null || Warm == wear.Warm)
            && (Long is null || Long == wear.Longest > question.Rules[WearPlan.LongWear])
            && (Hours is null || Hours == wear.Longest > question.Rules[WearPlan.HoursWear])
            && (Growing is null || Growing == question.Growing)
            && (Thick is null || Thick == (dog.Coat == Coat.Thick))
            && (Material is null || Material == question.Material)
            && (Airway is null || Airway == (dog.AirwayConcern is not null))
            && (Health is null || Health.Any(dog.Health.Contains))
            && (ClinicHands is null || ClinicHands == question.ClinicHands)
            && (BeyondCapOf is not { } type || wear.Longest > FitRules.Cap(type, question.Rules));
    }
}

/// <summary>What a line of the brief is about.</summary>
public enum BriefTopic
{
    Type,
    Containment,
    Mouth,
    Closure,
    Straps,
    Front,
    Feel,
    Seat,
    NeckStrap,
    Weight,
    Visibility,
}

/// <summary>One rule of the brief.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Topic">What it is about.</param>
/// <param name="When">When it applies.</param>
/// <param name="Feature">The feature asked for; null for a rule about the mouth, and for advice that no feature answers.</param>
/// <param name="Demand">How much.</param>
/// <param name="Gape">The opening asked for.</param>
/// <param name="Says">What is asked for, short.</param>
/// <param name="Reason">Why; {wear}, {hours}, {cap} and {airway} stand for the minutes it is worn, what is long, those it may be, and what is said of the airway.</param>
/// <param name="Basis">On what ground.</param>
/// <param name="Hard">It keeps the dog from harm and cannot be overruled.</param>
public sealed record BriefRule(
    string Id,
    BriefTopic Topic,
    BriefWhen When,
    Feature? Feature,
    Demand Demand,
    GapeClass? Gape,
    string Says,
    string Reason,
    Basis Basis,
    bool Hard = false
)
{
    private const string Table = "brief.json";

    /// <summary>The shipped rules, in the order they are shown.</summary>
    public static IReadOnlyList<BriefRule> All { get; } = Load();

    /// <summary>The rule of an id; null where there is none.</summary>
    internal static BriefRule? Find(string id) => All.FirstOrDefault(r => r.Id == id);

    /// <summary>A line that was kept, told anew as far as it says what the rule says today.</summary>
    internal BriefLine Tell(BriefLine kept, Writing writing) =>
        kept with
        {
            Says = kept.Says == Says ? writing.Say(Says) : kept.Says,
            Reason = kept.Reason == Reason ? writing.Say(Reason) : kept.Reason,
        };

    /// <summary>The rule with its reason told of one dog and wear.</summary>
    internal BriefRule Told(DogProfile dog, WearPlan wear, Writing writing) =>
        !Reason.Contains('{')
            ? this with
            {
                Says = writing.Say(Says),
                Reason = writing.Say(Reason),
            }
            : this with
            {
                Says = writing.Say(Says),
                Reason = writing
                    .Say(Reason)
                    .Replace("{wear}", $"{wear.Longest.TotalMinutes:0}")
                    .Replace("{long}", $"{writing.Rules[WearPlan.LongWear].TotalMinutes:0}")
                    .Replace("{hours}", writing.Minutes(writing.Rules[WearPlan.HoursWear]))
                    .Replace("{sleeve}", $"{writing.Rules[FitRules.SleeveCap].TotalMinutes:0}")
                    .Replace("{airway}", new DogWords(writing).Airway(dog))
                    .Replace("{cap}", When.BeyondCapOf is { } type ? $"{FitRules.Cap(type, writing.Rules)?.TotalMinutes:0}" : ""),
            };

    private static IReadOnlyList<BriefRule> Load()
    {
        var rules = Tables.Read<BriefRule>(Table);
        Tables.RefuseTwins(Table, rules.Select(r => r.Id));
        Tables.Refuse(
            Table,
            "a feature or a gape, and not both; neither only for what is wanted",
            rules.Where(r => r is { Feature: not null, Gape: not null } or { Feature: null, Gape: null, Demand: not Demand.Wanted }).Select(r => r.Id)
        );
        Tables.Refuse(Table, "a ground and a reason", rules.Where(r => r.Basis.Note == "" || r.Reason == "").Select(r => r.Id));
        return rules;
    }
}

/// <summary>Two rules that pull apart, and what to do about it.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Rules">Ids of the rules of one side.</param>
/// <param name="Against">Ids of the rules of the other.</param>
/// <param name="Says">What pulls apart.</param>
/// <param name="Do">What to do.</param>
/// <param name="Basis">On what ground.</param>
/// <param name="Unless">Ids of rules that settle it by themselves.</param>
public sealed record Clash(
    string Id,
    IReadOnlyList<string> Rules,
    IReadOnlyList<string> Against,
    string Says,
    string Do,
    Basis Basis,
    IReadOnlyList<string>? Unless = null
)
{
    private const string Table = "clashes.json";

    public static IReadOnlyList<Clash> All { get; } = Load();

    /// <summary>Whether these rules, all of which bind, pull apart.</summary>
    internal bool Holds(IReadOnlySet<string> binding) => Rules.Any(binding.Contains) && Against.Any(binding.Contains) && Unless?.Any(binding.Contains) != true;

    private static IReadOnlyList<Clash> Load()
    {
        var rows = Tables.Read<Clash>(Table);
        Tables.RefuseTwins(Table, rows.Select(c => c.Id));
        var known = BriefRule.All.Select(r => r.Id).ToHashSet();
        Tables.Refuse(Table, "rules that exist", rows.SelectMany(c => c.Rules.Concat(c.Against).Concat(c.Unless ?? [])).Where(id => !known.Contains(id)));
        return rows;
    }
}
