using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Conditioning;

/// <summary>A dog with what is on record of its training.</summary>
/// <param name="Measured">Who it is, with what was measured on it.</param>
/// <param name="Training">Its plan, and where that stands.</param>
/// <param name="LastMove">Where the plan was moved to last.</param>
/// <param name="OpenSession">A session begun and not ended.</param>
/// <param name="Passes">The steps it has passed.</param>
/// <param name="RuleChoice">How its sets are decided, as chosen last; null for the House way.</param>
/// <param name="Choice">School, policies and days as chosen last; null for the House way.</param>
public sealed record TrainedDog(
    MeasuredDog Measured,
    Training Training,
    PlanMoveRow? LastMove,
    SessionRow? OpenSession,
    IReadOnlyList<StepPassRow> Passes,
    GoRuleRow? RuleChoice,
    PlanChoiceRow? Choice
)
{
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
        var recent = await RecentAsync(db, ids, trained, cancel);
        var choices = await LastChoicesAsync(db, ids, cancel);
        var passes = (await db.StepPasses.AsNoTracking().Where(p => ids.Contains(p.DogId)).OrderBy(p => p.Id).ToListAsync(cancel)).ToLookup(p => p.DogId);
        return
        [
            .. dogs.Select(d =>
            {
                var id = d.Dog.Id;
                var (move, session, choice, rule) = (
                    moves.GetValueOrDefault(id),
                    open.GetValueOrDefault(id),
                    choices.GetValueOrDefault(id),
                    rules.GetValueOrDefault(id)
                );
                IReadOnlyList<StepPassRow> passed = [.. passes[id]];
                var training = new Training(
                    d.Profile,
                    choice.PlanFor(d.Profile),
                    passed.Select(p => p.StepId).ToHashSet(),
                    move is { StepId: { } at } ? new PlanPosition(at, move.Target, move.NotBefore) { Asked = move.AskedMs.AsHold() } : null,
                    move?.At,
                    move?.NotBefore,
                    trained.TryGetValue(id, out var day) ? day : null,
                    session is not null,
                    choice?.Days ?? TrainingWeek.Usual,
                    rule?.Rule ?? GoRule.AsSoonAsClear,
                    Progress.StuckAt([.. recent[id]], d.Rules),
                    d.Rules
                );
                return new TrainedDog(d, training, move, session, passed, rule, choice);
            }),
        ];
    }

    /// <summary>One dog with where its plan stands; null when there is none with this id.</summary>
    public static async Task<TrainedDog?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindProfileAsync(db, id, cancel) is { } dog ? (await LoadAsync(db, [dog], cancel)).Single() : null;

    /// <summary>What became of the sets of some dogs in the weeks before the last one of them was trained.</summary>
    private static async Task<ILookup<Guid, (long Session, string StepId, int Target, DecisionKind Decision)>> RecentAsync(
        PracticeDb db,
        List<Guid> ids,
        Dictionary<Guid, DateOnly> trained,
        CancellationToken cancel
    )
    {
        var from = trained.Count == 0 ? DateOnly.MaxValue : trained.Values.Min().AddDays(-Progress.StuckLooksBack);
        var sets = await db
            .Sets.Where(s => ids.Contains(s.DogId) && s.Day >= from && s.Decision != null)
            .OrderBy(s => s.Id)
            .Join(
                db.Sessions,
                s => s.SessionId,
                s => s.Id,
                (set, session) =>
                    new
                    {
                        set.DogId,
                        session.Number,
                        set.StepId,
                        set.Target,
                        set.Decision,
                    }
            )
            .ToListAsync(cancel);
        return sets.ToLookup(s => s.DogId, s => (s.Number, s.StepId, s.Target, s.Decision!.Value));
    }

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
    /// <summary>Every finished set of a dog with what progress looks at, the oldest first.</summary>
    public static async Task<IReadOnlyList<TrainedSet>> ProgressSetsAsync(this PracticeDb db, Guid dogId, CancellationToken cancel)
    {
        var sessions = await db.Sessions.AsNoTracking().Where(s => s.DogId == dogId).ToDictionaryAsync(s => s.Id, s => s.Number, cancel);
        var sets = await FinishedSetsAsync(db, dogId, cancel);
        return [.. sets.Select(s => new TrainedSet(sessions[s.SessionId], s.ToRecord(), s.Decision!.Value))];
    }

    /// <summary>Every finished set of a dog, the oldest first.</summary>
    public static async Task<IReadOnlyList<SetRecord>> TrainedSetsAsync(this PracticeDb db, Guid dogId, CancellationToken cancel) =>
        [.. (await FinishedSetsAsync(db, dogId, cancel)).Select(s => s.ToRecord())];

    /// <summary>School, policies and days as chosen last for a dog; null for the House way.</summary>
    public static Task<PlanChoiceRow?> LastPlanChoiceAsync(this PracticeDb db, Guid dogId, CancellationToken cancel) =>
        db.PlanChoices.AsNoTracking().Where(c => c.DogId == dogId).OrderByDescending(c => c.Id).FirstOrDefaultAsync(cancel);

    /// <summary>A dog's plan by what was chosen for it; by the House way where nothing was.</summary>
    public static TrainingPlan PlanFor(this PlanChoiceRow? choice, Core.Dogs.DogProfile dog) =>
        choice is null ? TrainingPlan.For(dog) : TrainingPlan.For(dog, School.Of(choice.School), choice.Policies);

    private static Task<List<SetRow>> FinishedSetsAsync(PracticeDb db, Guid dogId, CancellationToken cancel) =>
        db
            .Sets.AsNoTracking()
            .Include(s => s.Goes)
            .Include(s => s.Signs)
            .Where(s => s.DogId == dogId && s.ClosedAt != null)
            .OrderBy(s => s.Id)
            .AsSplitQuery()
            .ToListAsync(cancel);
}
