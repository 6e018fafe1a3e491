using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Handover.Cards;

/// <summary>Somebody to ring.</summary>
/// <param name="Who">A name; null where none is on record.</param>
/// <param name="Phone">The number; null where none is on record.</param>
public sealed record Contact(string? Who, string? Phone);

/// <summary>How far a dog has come with something.</summary>
public enum CardProgress
{
    Passed,

    /// <summary>Found by trying, or set by hand: never trained here.</summary>
    NotTrainedHere,

    /// <summary>Being trained now.</summary>
    Begun,
    NotTrained,
}

/// <summary>A step as the card tells it.</summary>
/// <param name="Step">What is asked.</param>
/// <param name="Progress">How far it has come.</param>
/// <param name="On">The day it was passed; null where it was not.</param>
public sealed record CardStepState(CardStep Step, CardProgress Progress, DateOnly? On);

/// <summary>A step a dog has passed.</summary>
public sealed record PassedStep(string StepId, DateOnly Day, PassedHow How);

/// <summary>All that a card is made from. Notes, prices and other dogs are not among it.</summary>
public sealed record CardFacts
{
    public required DogRecord Record { get; init; }

    /// <summary>The day it is made.</summary>
    public required DateOnly Today { get; init; }

    /// <summary>The muzzle it uses; null for none.</summary>
    public KeptFit? Muzzle { get; init; }

    /// <summary>The setting it was last fastened at, or chosen with.</summary>
    public KeptStrap? Strap { get; init; }

    /// <summary>A second muzzle is at hand.</summary>
    public bool HasSpare { get; init; }

    /// <summary>How long it may be worn now; null where no muzzle is chosen.</summary>
    public WearLimit? Limit { get; init; }

    /// <summary>What that answers.</summary>
    public WearQuestion? Question { get; init; }

    /// <summary>The same on a cool day.</summary>
    public WearLimit? WhenCool { get; init; }

    public IReadOnlyList<PassedStep> Passed { get; init; } = [];

    /// <summary>Signs of unsureness and worry it showed in training, the most frequent first.</summary>
    public IReadOnlyList<string> OwnSigns { get; init; } = [];

    /// <summary>The word it goes in by; null where none is on record.</summary>
    public string? Cue { get; init; }

    public string? TreatId { get; init; }

    /// <summary>What it may not have.</summary>
    public IReadOnlyList<string> Avoids { get; init; } = [];

    /// <summary>What its bites were about; null where nobody wrote it down.</summary>
    public string? BitesAbout { get; init; }

    /// <summary>Its family was told about its bites.</summary>
    public bool FamilyWasTold { get; init; }

    public Contact Keeper { get; init; } = new(null, null);
    public Contact Clinic { get; init; } = new(null, null);
    public Contact Fitter { get; init; } = new(null, null);

    /// <summary>It puts its nose in by itself, all the way.</summary>
    public bool GoesIn => Trained("nose-all-in");

    /// <summary>It knows a word for it.</summary>
    public bool KnowsWord => Trained("add-cue");

    /// <summary>Being held with it on is trained.</summary>
    public bool IsHeldInIt => Trained("clinic-handling");

    private bool Trained(string stepId) => Passed.Any(p => p.StepId == stepId && p.How == PassedHow.Trained);

    /// <summary>It should not be worn now.</summary>
    public bool IsStop => Limit is not { NotNow: false };

    /// <summary>Of the signs seen in training those that ask to stop early, unsure and worried, the most frequent first.</summary>
    /// <param name="seen">Ids of signs, and how often each was seen.</param>
    public static IReadOnlyList<string> First(IEnumerable<(string Id, int Count)> seen) =>
        [
            .. seen.Where(s => Sign.Find(s.Id)?.Group is SignGroup.Unsure or SignGroup.Worried)
                .OrderByDescending(s => s.Count)
                .ThenBy(s => s.Id, StringComparer.Ordinal)
                .Select(s => s.Id),
        ];
}

/// <summary>A card for one audience: which items it has, and until when it holds.</summary>
/// <param name="For">Whom it is for.</param>
/// <param name="Items">What stands on it, in order.</param>
/// <param name="Steps">What this audience asks about, and how far the dog has come with it.</param>
/// <param name="Until">The last day it holds.</param>
/// <param name="Due">What is to be looked at by then, or is due already; null where only time goes by.</param>
public sealed record HandoverCard(Audience For, IReadOnlyList<CardItem> Items, IReadOnlyList<CardStepState> Steps, DateOnly Until, UpkeepDue? Due)
{
    public static readonly Grounded<int> HoldsFor = new(
        "handover.card-holds",
        "Days a card holds at the longest",
        28,
        Basis.House("four weeks of training change what stands on it; an old card is worse than none")
    )
    {
        Most = 60,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [HoldsFor];

    /// <summary>The last day a card made on a day can hold.</summary>
    public static DateOnly LongestOn(DateOnly today, HouseRules rules) => today.AddDays(rules[HoldsFor]);

    /// <summary>Makes the card for an audience.</summary>
    public static HandoverCard Of(CardFacts facts, Audience audience)
    {
        var due = facts.Record.UpkeepOn(facts.Today) is [var first, ..] ? first : null;
        var longest = LongestOn(facts.Today, facts.Record.Rules);
        var byUpkeep = due is not null && due.On <= longest;
        return new(
            audience,
            [.. CardRow.All.Where(r => IsGranted(r, facts, audience) && IsSaid(r.Item, facts)).Select(r => r.Item)],
            [.. CardStep.All.Where(s => s.For.Contains(audience)).Select(s => StateOf(s, facts))],
                // What is due already holds for today only.
                !byUpkeep ? longest
                : due!.On < facts.Today ? facts.Today
                : due.On,
            byUpkeep ? due : null
        );
    }

    /// <summary>How far a dog has come with a step.</summary>
    public static CardStepState StateOf(CardStep step, CardFacts facts) =>
        facts.Passed.LastOrDefault(p => p.StepId == step.Step) is { } passed
            ? new(step, passed.How == PassedHow.Trained ? CardProgress.Passed : CardProgress.NotTrainedHere, passed.Day)
            : new(step, facts.Record.Training.Position?.StepId == step.Step ? CardProgress.Begun : CardProgress.NotTrained, null);

    private static bool IsGranted(CardRow row, CardFacts facts, Audience audience) =>
        row.For(audience) switch
        {
            CardGrant.Yes => true,
            CardGrant.IfTold => facts.FamilyWasTold,
            _ => false,
        };

    /// <summary>What has nothing to say of this dog is left out; that nothing is known of its bites is said.</summary>
    private static bool IsSaid(CardItem item, CardFacts facts)
    {
        var dog = facts.Record.Profile;
        return item switch
        {
            CardItem.Airway => dog.AirwayConcern is not null,
            CardItem.Vomiting => dog.Health.Contains(HealthNote.ProneToVomiting),
            CardItem.Sedation => dog.Health.Contains(HealthNote.SedatedAtClinic),
            CardItem.PossibleInIt => facts.Muzzle is not null,
            CardItem.People => dog.Sensitivities.Contains(Sensitivity.PeopleNear) || dog.BiteTier > BiteTier.None,
            _ => true,
        };
    }
}
