using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Conditioning;

/// <summary>A dog with its plan and where that stands.</summary>
/// <param name="Measured">Who it is, with what was measured on it.</param>
/// <param name="LastMove">Where the plan was moved to last.</param>
/// <param name="OpenSession">A session begun and not ended.</param>
/// <param name="LastTrained">The day of the last session.</param>
/// <param name="Passes">The steps it has passed.</param>
/// <param name="Choice">School, policies and days as chosen last; null for the House way.</param>
/// <param name="RuleChoice">How its sets are decided, as chosen last; null for the House way.</param>
public sealed record TrainedDog(MeasuredDog Measured, PlanMoveRow? LastMove, SessionRow? OpenSession, DateOnly? LastTrained, IReadOnlyList<StepPassRow> Passes, GoRuleRow? RuleChoice, PlanChoiceRow? Choice)
{
    private TrainingPlan? plan;

    public TrainingPlan Plan => plan ??= Choice.PlanFor(Measured.Profile);

    /// <summary>The owner's days.</summary>
    public TrainingWeek Week => Choice?.Days ?? TrainingWeek.Usual;

    /// <summary>Ids of the steps it has passed.</summary>
    public IReadOnlySet<string> Passed { get; } = Passes.Select(p => p.StepId).ToHashSet();

    /// <summary>How its sets are decided.</summary>
    public GoRule Rule => RuleChoice?.Rule ?? GoRule.AsSoonAsClear;

    /// <summary>
    /// Where the plan stands: where it was moved to last, as long as that step is in it; else its first step that is not passed, which is also
    /// where a step that came into the plan later is trained. Null when all are passed.
    /// </summary>
    public PlanPosition? Position => LastMove is { StepId: { } at } move && Plan.Steps.FirstOrDefault(s => s.Step.Id == at)?.Step is { } step
        ? new PlanPosition(at, step.Within(move.Target), move.NotBefore)
        : Plan.NextAfter(Passed) is { } next ? new PlanPosition(next.Id, GoRules.BeginsAt(Measured.Profile.Temperament, Rule, Measured.Rules), LastMove?.NotBefore) : null;

    /// <summary>It wears its muzzle: every step up to the purpose's last is passed, and upkeep is what is left.</summary>
    public bool WearsIt => Plan.WearsIt(Passed);

    /// <summary>The plan as a session begun now keeps it.</summary>
    public SessionPlan ForSession() => Plan.ForSession(Measured.Profile.Temperament, Rule);

    /// <summary>Some dogs with where their plans stand.</summary>
    public static async Task<IReadOnlyList<TrainedDog>> LoadAsync(PracticeDb db, IReadOnlyList<MeasuredDog> dogs, CancellationToken cancel)
    {
        var ids = dogs.Select(d => d.Dog.Id).ToList();
        var lastMoves = db.PlanMoves.Where(m => ids.Contains(m.DogId)).GroupBy(m => m.DogId).Select(g => g.Max(m => m.Id));
        var moves = await db.PlanMoves.AsNoTracking().Where(m => lastMoves.Contains(m.Id)).ToDictionaryAsync(m => m.DogId, cancel);
        var open = await db.Sessions.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.EndedAt == null).ToDictionaryAsync(s => s.DogId, cancel);
        var lastSets = db.Sets.Where(s => ids.Contains(s.DogId) && s.ClosedAt != null).GroupBy(s => s.DogId).Select(g => g.Max(s => s.Id));
        var trained = await db.Sets.Where(s => lastSets.Contains(s.Id)).ToDictionaryAsync(s => s.DogId, s => s.Day, cancel);
        var lastRules = db.GoRules.Where(r => ids.Contains(r.DogId)).GroupBy(r => r.DogId).Select(g => g.Max(r => r.Id));
        var rules = await db.GoRules.AsNoTracking().Where(r => lastRules.Contains(r.Id)).ToDictionaryAsync(r => r.DogId, cancel);
        var choices = await LastChoicesAsync(db, ids, cancel);
        var passes = (await db.StepPasses.AsNoTracking().Where(p => ids.Contains(p.DogId)).OrderBy(p => p.Id).ToListAsync(cancel)).ToLookup(p => p.DogId);
        return
        [
            .. dogs.Select(d => new TrainedDog(
                d, moves.GetValueOrDefault(d.Dog.Id), open.GetValueOrDefault(d.Dog.Id), trained.TryGetValue(d.Dog.Id, out var day) ? day : null, [.. passes[d.Dog.Id]],
                rules.GetValueOrDefault(d.Dog.Id), choices.GetValueOrDefault(d.Dog.Id))),
        ];
    }

    /// <summary>One dog with where its plan stands; null when there is none with this id.</summary>
    public static async Task<TrainedDog?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindProfileAsync(db, id, cancel) is { } dog ? (await LoadAsync(db, [dog], cancel)).Single() : null;

    /// <summary>What was chosen last for each of some dogs.</summary>
    private static async Task<Dictionary<Guid, PlanChoiceRow>> LastChoicesAsync(PracticeDb db, List<Guid> ids, CancellationToken cancel)
    {
        var last = db.PlanChoices.Where(c => ids.Contains(c.DogId)).GroupBy(c => c.DogId).Select(g => g.Max(c => c.Id));
        return await db.PlanChoices.AsNoTracking().Where(c => last.Contains(c.Id)).ToDictionaryAsync(c => c.DogId, cancel);
    }
}

/// <summary>What is asked of a dog's training beside where it stands.</summary>
public static class PlanChoices
{
    /// <summary>Every finished set of a dog, the oldest first.</summary>
    public static async Task<IReadOnlyList<SetRecord>> TrainedSetsAsync(this PracticeDb db, Guid dogId, CancellationToken cancel)
    {
        var sets = await db.Sets.AsNoTracking().Include(s => s.Goes).Include(s => s.Signs).Where(s => s.DogId == dogId && s.ClosedAt != null).OrderBy(s => s.Id).AsSplitQuery().ToListAsync(cancel);
        return [.. sets.Select(s => s.ToRecord())];
    }

    /// <summary>A dog's plan by what was chosen for it; by the House way where nothing was.</summary>
    public static TrainingPlan PlanFor(this PlanChoiceRow? choice, Core.Dogs.DogProfile dog) =>
        choice is null ? TrainingPlan.For(dog) : TrainingPlan.For(dog, School.Of(choice.School), choice.Policies);
}
