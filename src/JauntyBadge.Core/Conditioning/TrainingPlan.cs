using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>A step as it stands in one dog's plan, with what was changed for this dog and why.</summary>
public sealed record PlannedStep(Step Step, IReadOnlyList<string> Notes);

/// <summary>A step that this dog does not need, and why.</summary>
public sealed record LeftOutStep(Step Step, string Reason);

/// <summary>A choice between schools that the plan has made for this dog.</summary>
public sealed record Policy(string Topic, string Choice, string Reason, Basis Basis);

/// <summary>A row of the adaptation table: what changes for which dogs.</summary>
internal sealed record Adaptation(
    string Id, DogMatch When, string Says, string Reason, Basis Basis, IReadOnlyList<string>? Move = null, string? Before = null,
    IReadOnlyList<string>? Notes = null)
{
    private const string Table = "adaptations.json";

    public static IReadOnlyList<Adaptation> All { get; } = Load();

    public string Text => $"{Says} {Reason}";

    private static IReadOnlyList<Adaptation> Load()
    {
        var rows = Tables.Read<Adaptation>(Table);
        var known = Step.All.Select(s => s.Id).ToHashSet();
        Tables.RefuseTwins(Table, rows.Select(a => a.Id));
        Tables.Refuse(Table, "known steps only", rows
            .Where(a => (a.Move ?? []).Concat(a.Notes ?? []).Append(a.Before ?? Step.All[0].Id).Any(id => !known.Contains(id))).Select(a => a.Id));
        Tables.Refuse(Table, "a place to move to", rows.Where(a => a.Move is not null && a.Before is null).Select(a => a.Id));
        return rows;
    }
}

/// <summary>One dog's plan: the default school's steps, chosen, ordered and annotated for it.</summary>
public sealed record TrainingPlan(IReadOnlyList<PlannedStep> Steps, IReadOnlyList<LeftOutStep> LeftOut, IReadOnlyList<Policy> Policies)
{
    private readonly HashSet<string> gates = Step.Gates(Steps.Select(s => s.Step));

    /// <summary>The name of the default school.</summary>
    public const string SchoolName = "Good news first";

    /// <summary>Makes the plan for a dog.</summary>
    public static TrainingPlan For(DogProfile dog)
    {
        var wanted = Step.All.Where(s => s.OnlyFor?.Holds(dog) ?? true).ToList();
        var rules = Adaptation.All.Where(a => a.When.Holds(dog)).ToList();
        foreach (var rule in rules.Where(r => r.Move is not null))
            Move(wanted, rule.Move!, rule.Before!);
        return new TrainingPlan(
            [.. wanted.Select(s => new PlannedStep(s, [.. rules.Where(r => (r.Notes ?? []).Concat(r.Move ?? []).Contains(s.Id)).Select(r => r.Text)]))],
            [.. Step.All.Except(wanted).Select(s => new LeftOutStep(s, WhyLeftOut(s)))],
            PoliciesFor(dog));
    }

    /// <summary>Index of a step in the plan; a step no longer in it counts as the next one that is, by teaching order.</summary>
    public int IndexOf(string stepId)
    {
        var index = Steps.ToList().FindIndex(s => s.Step.Id == stepId);
        if (index >= 0)
            return index;
        var order = Step.All.Select(s => s.Id).ToList();
        var at = order.IndexOf(stepId);
        var next = at < 0 ? 0 : Steps.ToList().FindIndex(s => order.IndexOf(s.Step.Id) >= at);
        return next < 0 ? Steps.Count : next;
    }

    /// <summary>Share passed, 0 to 1, of the steps up to (or after) the first fastening.</summary>
    /// <param name="passed">Ids of the steps on record as passed.</param>
    /// <param name="upToFirstFastening">Which part.</param>
    public double PassedShare(IReadOnlySet<string> passed, bool upToFirstFastening)
    {
        var part = Steps.Where(s => s.Step.Stage != Stage.Upkeep && s.Step.Stage <= Stage.FirstFastening == upToFirstFastening).ToList();
        return part.Count == 0 ? 1 : (double)part.Count(s => passed.Contains(s.Step.Id)) / part.Count;
    }

    /// <summary>Whether every step up to the purpose's last is passed: from then on the dog wears it, and only upkeep is left.</summary>
    public bool WearsIt(IReadOnlySet<string> passed) => PassedShare(passed, upToFirstFastening: true) >= 1 && PassedShare(passed, upToFirstFastening: false) >= 1;

    /// <summary>Whether a step is the gate of its stage: the last of it in this plan.</summary>
    public bool IsGate(Step step) => gates.Contains(step.Id);

    /// <summary>The first step that is not on record as passed; null when all are.</summary>
    public Step? NextAfter(IReadOnlySet<string> passed) => Steps.FirstOrDefault(s => !passed.Contains(s.Step.Id))?.Step;

    /// <summary>The plan as a session keeps it.</summary>
    public SessionPlan ForSession(Temperament temperament, GoRule rule) => new(rule, temperament, [.. Steps.Select(s => s.Step.Id)]);

    private static void Move(List<Step> steps, IReadOnlyList<string> ids, string before)
    {
        var moving = steps.Where(s => ids.Contains(s.Id)).ToList();
        var target = steps.FirstOrDefault(s => s.Id == before);
        if (target is null)
            return;
        steps.RemoveAll(moving.Contains);
        steps.InsertRange(steps.IndexOf(target), moving);
    }

    private static string WhyLeftOut(Step step) => step.OnlyFor switch
    {
        { Purposes: { } purposes } => $"Only for {Words(purposes)}.",
        { HeadShapes: { } shapes } => $"Only for {Words(shapes)} heads.",
        _ => "Only for dogs that find this hard.",
    };

    private static string Words<T>(IReadOnlyList<T> values) => string.Join(" or ", values.Select(v => $"{v}".ToLowerInvariant()));

    private static IReadOnlyList<Policy> PoliciesFor(DogProfile dog)
    {
        var fearful = dog.Temperament.IsFearful();
        return
        [
            new("Food at the muzzle", "None near it at first; the sight of it predicts food elsewhere", "The default school.", Basis.House("the muzzle itself becomes the good news")),
            new("On taking it off", "Neutral", "The default school.", Basis.House("so that taking it off is not the best part")),
            new("When it paws", fearful ? "Off at once, shorter next time" : "Wait for the pause, then off",
                fearful ? "A fearful dog must trust that it can stop." : "So that pawing is not what takes it off.", Basis.House("depends on the dog")),
            new("Marker", "A word at first; later the clip's own click", "The default school.", Basis.House("one hand stays free")),
            new("First fastening", "Fitted, off before it minds", "The default school.", Basis.House("a loose strap rides up and teaches pawing")),
        ];
    }
}
