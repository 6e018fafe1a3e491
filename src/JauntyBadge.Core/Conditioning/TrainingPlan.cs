using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>A step as it stands in one dog's plan, with what was changed for this dog and why.</summary>
/// <param name="Step">The step, as the school words it.</param>
/// <param name="Notes">What this dog changes about it, and why.</param>
public sealed record PlannedStep(Step Step, IReadOnlyList<string> Notes);

/// <summary>A choice between ways of working that holds for this dog.</summary>
/// <param name="Topic">What it is about.</param>
/// <param name="Name">The same in words.</param>
/// <param name="OptionId">What is chosen.</param>
/// <param name="Choice">The same in words.</param>
/// <param name="Reason">Why.</param>
/// <param name="Basis">What it stands on.</param>
public sealed record Policy(PolicyTopic Topic, string Name, string OptionId, string Choice, string Reason, Basis Basis)
{
    /// <summary>Somebody chose it for this dog.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public bool ChosenHere { get; init; }
}

/// <summary>Steps moved before the first one of a stage that is in the plan, as far as what they need lets them.</summary>
internal sealed record StageMove(IReadOnlyList<string> Ids, Stage Before);

/// <summary>A row of the adaptation table: what changes for which dogs.</summary>
internal sealed record Adaptation(
    string Id,
    DogMatch When,
    string Says,
    string Reason,
    Basis Basis,
    IReadOnlyList<StageMove>? Moves = null,
    IReadOnlyList<string>? Notes = null
)
{
    private const string Table = "adaptations.json";

    public static IReadOnlyList<Adaptation> All { get; } = Load();

    public string Text => $"{Says} {Reason}";

    /// <summary>The steps it moves.</summary>
    public IEnumerable<string> Moved => (Moves ?? []).SelectMany(m => m.Ids);

    private static IReadOnlyList<Adaptation> Load()
    {
        var rows = Tables.Read<Adaptation>(Table);
        var known = Step.All.Select(s => s.Id).ToHashSet();
        Tables.RefuseTwins(Table, rows.Select(a => a.Id));
        Tables.Refuse(Table, "known steps only", rows.Where(a => a.Moved.Concat(a.Notes ?? []).Any(id => !known.Contains(id))).Select(a => a.Id));
        return rows;
    }
}

/// <summary>One dog's plan: a school's steps, chosen, ordered and annotated for it.</summary>
/// <param name="Dog">The dog.</param>
/// <param name="School">The school.</param>
/// <param name="Steps">Its steps in order.</param>
/// <param name="LeftOut">Steps that this dog does not need.</param>
/// <param name="Policies">The ways of working that hold.</param>
public sealed record TrainingPlan(DogProfile Dog, School School, IReadOnlyList<PlannedStep> Steps, IReadOnlyList<Step> LeftOut, IReadOnlyList<Policy> Policies)
{
    private readonly HashSet<string> gates = Step.Gates(Steps.Select(s => s.Step));

    /// <summary>The school that was asked for and is not offered to such a dog: it is trained the House way instead; null where none was.</summary>
    public School? Declined { get; init; }

    /// <summary>Makes the plan for a dog.</summary>
    /// <param name="dog">The dog.</param>
    /// <param name="school">The school; null for the default.</param>
    /// <param name="chosen">Policies that somebody chose for it, by option.</param>
    public static TrainingPlan For(DogProfile dog, School? school = null, IReadOnlyDictionary<PolicyTopic, string>? chosen = null)
    {
        school ??= School.Default;
        var declined = school.IsFor(dog) ? null : school;
        school = declined is null ? school : School.Default;
        var wanted = Step
            .All.Where(s => (s.OnlyFor?.Holds(dog) ?? true) && !school.Drops.Contains(s.Id) && (!School.Special.Contains(s.Id) || school.Adds.Contains(s.Id)))
            .ToList();
        var rules = Adaptation.All.Where(a => a.When.Holds(dog)).ToList();
        foreach (var move in rules.SelectMany(r => r.Moves ?? []))
            Move(wanted, move);
        return new TrainingPlan(
            dog,
            school,
            [
                .. InNeed(wanted)
                    .Select(s => new PlannedStep(Worded(s, school), [.. rules.Where(r => (r.Notes ?? []).Concat(r.Moved).Contains(s.Id)).Select(r => r.Text)])),
            ],
            [.. Step.All.Except(wanted)],
            [.. PolicyRow.All.Select(p => p.For(dog, school, chosen?.GetValueOrDefault(p.Topic)))]
        )
        {
            Declined = declined,
        };
    }

    /// <summary>Every step after what it needs, otherwise in the order wished; what a step left out needed is needed in its stead.</summary>
    private static List<Step> InNeed(List<Step> wished)
    {
        var inPlan = wished.Select(s => s.Id).ToHashSet();
        IEnumerable<string> Needs(string id) => Step.Find(id)!.After.SelectMany(n => inPlan.Contains(n) ? [n] : Needs(n));
        var (left, placed, ordered) = (wished.ToList(), new HashSet<string>(), new List<Step>());
        while (left.Count > 0)
        {
            var next = left.First(s => Needs(s.Id).All(placed.Contains));
            left.Remove(next);
            placed.Add(next.Id);
            ordered.Add(next);
        }

        return ordered;
    }

    private static Step Worded(Step step, School school) =>
        school.Words.GetValueOrDefault(step.Id) is { } words
            ? step with
            {
                Purpose = words.Purpose ?? step.Purpose,
                SetUp = words.SetUp ?? step.SetUp,
                Reward = words.Reward ?? step.Reward,
            }
            : step;

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
    public bool WearsIt(IReadOnlySet<string> passed) =>
        PassedShare(passed, upToFirstFastening: true) >= 1 && PassedShare(passed, upToFirstFastening: false) >= 1;

    /// <summary>Whether a step is the gate of its stage: the last of it in this plan.</summary>
    public bool IsGate(Step step) => gates.Contains(step.Id);

    /// <summary>The first step that is not on record as passed; null when all are.</summary>
    public Step? NextAfter(IReadOnlySet<string> passed) => Steps.FirstOrDefault(s => !passed.Contains(s.Step.Id))?.Step;

    /// <summary>The plan as a session keeps it.</summary>
    public SessionPlan ForSession(Temperament temperament, GoRule rule) =>
        new(rule, temperament, [.. Steps.Select(s => s.Step.Id)])
        {
            HeedsHolds = rule == GoRule.AsSoonAsClear && temperament.IsFearful(),
            Edition = Edition.Kinds,
        };

    private static void Move(List<Step> steps, StageMove move)
    {
        var moving = steps.Where(s => move.Ids.Contains(s.Id)).ToList();
        steps.RemoveAll(moving.Contains);
        steps.InsertRange(steps.FindIndex(s => s.Stage == move.Before), moving);
    }
}
