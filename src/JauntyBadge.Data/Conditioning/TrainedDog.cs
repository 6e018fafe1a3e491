using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Conditioning;

/// <summary>A dog with what is on record of its training.</summary>
/// <param name="Measured">Who it is, with what was measured on it.</param>
/// <param name="Training">Its plan, and where that stands.</param>
/// <param name="LastMove">Where the plan was moved to last.</param>
/// <param name="OpenSession">A session begun and not ended.</param>
/// <param name="Passes">The steps it has passed, without what counts no longer.</param>
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
        var lastSets = db.Sets.Where(s => ids.Contains(s.DogId) && s.Decision != null).GroupBy(s => s.DogId).Select(g => g.Max(s => s.Id));
        var trained = await db.Sets.Where(s => lastSets.Contains(s.Id)).ToDictionaryAsync(s => s.DogId, s => s.Day, cancel);
        var lastRules = db.GoRules.Where(r => ids.Contains(r.DogId)).GroupBy(r => r.DogId).Select(g => g.Max(r => r.Id));
        var rules = await db.GoRules.AsNoTracking().Where(r => lastRules.Contains(r.Id)).ToDictionaryAsync(r => r.DogId, cancel);
        var recent = await RecentAsync(db, ids, trained, cancel);
        var lastSessions = recent
            .SelectMany(dog =>
                dog.GroupBy(s => s.Session).Where(g => g.First().EndedAt != null && trained.TryGetValue(dog.Key, out var on) && g.First().Day == on)
            )
            .ToLookup(session => session.First().DogId);
        var signs = await SignsAsync(db, lastSessions.SelectMany(dog => dog).SelectMany(EndOf), cancel);
        var byHand = await LastMovesAsync(db.PlanMoves.Where(m => m.ByHand), ids, cancel);
        var resumed = await LastMovesAsync(db.PlanMoves.Where(m => m.Resumes), ids, cancel);
        var choices = await LastChoicesAsync(db, ids, cancel);
        var passes = (
            await db.StepPasses.AsNoTracking().Where(p => ids.Contains(p.DogId) && p.WithdrawnAt == null).OrderBy(p => p.Id).ToListAsync(cancel)
        ).ToLookup(p => p.DogId);
        return
        [
            .. dogs.Select(d =>
            {
                var id = d.Dog.Id;
                HeldSession Held(IGrouping<long, RecentSet> sets) =>
                    HeldSession.Of(sets.First().Day, sets.First().EndedAt!.Value, EndOf(sets).SelectMany(s => signs[s.SetId]));

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
                    move?.Position,
                    move?.At,
                    move?.NotBefore,
                    trained.TryGetValue(id, out var day) ? day : null,
                    session is not null,
                    choice?.Days ?? TrainingWeek.Usual,
                    rule?.Rule ?? GoRule.AsSoonAsClear,
                    Progress.StuckAt([.. recent[id].Select(s => s.Outcome).OfType<SetOutcome>()], d.Rules),
                    d.Rules
                )
                {
                    Stop = TrainingStop.Of(
                        TrainingStop.Outcomes(
                            recent[id].Where(s => !(s.StartedAt <= resumed.GetValueOrDefault(id))).Select(s => s.Outcome).OfType<SetOutcome>()
                        ),
                        d.Rules
                    ),
                    LastSessions = [.. lastSessions[id].Select(Held)],
                    MovedByHandAt = byHand.TryGetValue(id, out var moved) ? moved : null,
                };
                return new TrainedDog(d, training, move, session, passed, rule, choice);
            }),
        ];
    }

    /// <summary>One dog with where its plan stands; null when there is none with this id.</summary>
    public static async Task<TrainedDog?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindProfileAsync(db, id, cancel) is { } dog ? (await LoadAsync(db, [dog], cancel)).Single() : null;

    /// <summary>A set as recognition and the day look at it.</summary>
    private sealed record RecentSet(
        Guid DogId,
        int SetId,
        long Session,
        DateTime StartedAt,
        DateTime? EndedAt,
        DateOnly Day,
        string StepId,
        int Target,
        bool IsAfter,
        DecisionKind? Decision
    )
    {
        /// <summary>What was decided; null where nothing was.</summary>
        public SetOutcome? Outcome => Decision is { } kind ? new(Session, StepId, Target, kind) : null;
    }

    /// <summary>The sets of some dogs in the weeks before the last one of them was trained.</summary>
    private static async Task<ILookup<Guid, RecentSet>> RecentAsync(PracticeDb db, List<Guid> ids, Dictionary<Guid, DateOnly> trained, CancellationToken cancel)
    {
        var from = trained.Count == 0 ? DateOnly.MaxValue : trained.Values.Min().AddDays(-Progress.StuckLooksBack);
        var sets = await db
            .Sets.Where(s => ids.Contains(s.DogId) && s.Day >= from && s.ClosedAt != null)
            .OrderBy(s => s.Id)
            .Join(
                db.Sessions,
                s => s.SessionId,
                s => s.Id,
                (set, session) =>
                    new RecentSet(
                        set.DogId,
                        set.Id,
                        session.Number,
                        session.StartedAt,
                        session.EndedAt,
                        set.Day,
                        set.StepId,
                        set.Target,
                        set.IsAfter,
                        set.Decision
                    )
            )
            .ToListAsync(cancel);
        return sets.ToLookup(s => s.DogId);
    }

    /// <summary>The last set of a session, and what came after it.</summary>
    private static IEnumerable<RecentSet> EndOf(IGrouping<long, RecentSet> session) => session.TakeLast(session.Last().IsAfter ? 2 : 1);

    /// <summary>The signs of some sets.</summary>
    private static async Task<ILookup<int, string>> SignsAsync(PracticeDb db, IEnumerable<RecentSet> sets, CancellationToken cancel)
    {
        var ids = sets.Select(s => s.SetId).ToList();
        var signs = await db.Signs.Where(s => ids.Contains(s.SetId)).Select(s => new { s.SetId, s.SignId }).ToListAsync(cancel);
        return signs.ToLookup(s => s.SetId, s => s.SignId);
    }

    /// <summary>When each of some dogs was moved last, among some moves.</summary>
    private static Task<Dictionary<Guid, DateTime>> LastMovesAsync(IQueryable<PlanMoveRow> moves, List<Guid> ids, CancellationToken cancel) =>
        moves
            .Where(m => ids.Contains(m.DogId))
            .GroupBy(m => m.DogId)
            .Select(g => new { g.Key, At = g.Max(m => m.At) })
            .ToDictionaryAsync(g => g.Key, g => g.At, cancel);

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
        return [.. sets.Where(s => s.Decision != null).Select(s => new TrainedSet(sessions[s.SessionId], s.ToRecord(), s.Decision!.Value))];
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
