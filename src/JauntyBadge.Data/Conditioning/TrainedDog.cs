using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Conditioning;

/// <summary>A dog with its plan and where that stands.</summary>
/// <param name="Measured">Who it is, with what was measured on it.</param>
/// <param name="LastMove">Where the plan was moved to last.</param>
/// <param name="OpenSession">A session begun and not ended.</param>
/// <param name="LastTrained">The day of the last session.</param>
public sealed record TrainedDog(MeasuredDog Measured, PlanMoveRow? LastMove, SessionRow? OpenSession, DateOnly? LastTrained)
{
    private TrainingPlan? plan;

    public TrainingPlan Plan => plan ??= TrainingPlan.For(Measured.Profile);

    /// <summary>Where the plan stands; null when all steps are passed.</summary>
    public PlanPosition? Position => LastMove switch
    {
        null => new PlanPosition(Plan.Steps[0].Step.Id, 0),
        { StepId: null } => null,
        { StepId: { } step } move => InPlan(step, move),
    };

    /// <summary>How many steps lie behind.</summary>
    public int Behind => Position is { } at ? Plan.IndexOf(at.StepId) : Plan.Steps.Count;

    /// <summary>It wears its muzzle: every step up to the purpose's last is passed, and upkeep is what is left.</summary>
    public bool WearsIt => Plan.WearsIt(Behind);

    /// <summary>Some dogs with where their plans stand.</summary>
    public static async Task<IReadOnlyList<TrainedDog>> LoadAsync(PracticeDb db, IReadOnlyList<MeasuredDog> dogs, CancellationToken cancel)
    {
        var ids = dogs.Select(d => d.Dog.Id).ToList();
        var lastMoves = db.PlanMoves.Where(m => ids.Contains(m.DogId)).GroupBy(m => m.DogId).Select(g => g.Max(m => m.Id));
        var moves = await db.PlanMoves.AsNoTracking().Where(m => lastMoves.Contains(m.Id)).ToDictionaryAsync(m => m.DogId, cancel);
        var open = await db.Sessions.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.EndedAt == null).ToDictionaryAsync(s => s.DogId, cancel);
        var lastSets = db.Sets.Where(s => ids.Contains(s.DogId) && s.ClosedAt != null).GroupBy(s => s.DogId).Select(g => g.Max(s => s.Id));
        var trained = await db.Sets.Where(s => lastSets.Contains(s.Id)).ToDictionaryAsync(s => s.DogId, s => s.Day, cancel);
        return
        [
            .. dogs.Select(d => new TrainedDog(
                d, moves.GetValueOrDefault(d.Dog.Id), open.GetValueOrDefault(d.Dog.Id), trained.TryGetValue(d.Dog.Id, out var day) ? day : null)),
        ];
    }

    /// <summary>One dog with where its plan stands; null when there is none with this id.</summary>
    public static async Task<TrainedDog?> FindAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        await MeasuredDog.FindProfileAsync(db, id, cancel) is { } dog ? (await LoadAsync(db, [dog], cancel)).Single() : null;

    private PlanPosition? InPlan(string stepId, PlanMoveRow move)
    {
        var index = Plan.IndexOf(stepId);
        if (index >= Plan.Steps.Count)
            return null;
        var step = Plan.Steps[index].Step;
        return step.Id == stepId
            ? new PlanPosition(step.Id, Math.Min(move.Target, step.TopTarget), move.NotBefore)
            : new PlanPosition(step.Id, 0, move.NotBefore);
    }
}
