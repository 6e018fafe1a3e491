using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Dogs;

/// <summary>Everything on record that decides where a dog stands.</summary>
public sealed record DogFile(
    DogRow Dog, IReadOnlyList<ReadingRow> ReadingRows, ChoiceRow? Choice, PlanMoveRow? LastMove, SessionRow? OpenSession, DateOnly? LastTrained)
{
    private TrainingPlan? plan;

    public DogProfile Profile { get; } = Dog.ToProfile();

    public TrainingPlan Plan => plan ??= TrainingPlan.For(Profile);

    public IReadOnlyList<Reading> Readings { get; } = [.. ReadingRows.Select(r => r.ToReading())];

    public IReadOnlyList<Measured> Measured { get; } = Core.Measuring.Measured.From(ReadingRows.Select(r => r.ToReading()));

    /// <summary>Where the plan stands; null when all steps are passed.</summary>
    public PlanPosition? Position => LastMove switch
    {
        null => new PlanPosition(Plan.Steps[0].Step.Id, 0),
        { StepId: null } => null,
        { StepId: { } step } move => InPlan(step, move),
    };

    /// <summary>The snout as measured, or null while nose to inner eye is wanting.</summary>
    public SnoutModel? Snout => Completeness.CanFit(Measured) ? SnoutModel.From(Numbers) : null;

    public SnoutNumbers Numbers => SnoutNumbers.From(Measured, Profile.HeadShape.Shape);

    public Standing Standing
    {
        get
        {
            var index = Position is { } at ? Plan.IndexOf(at.StepId) : Plan.Steps.Count;
            var findings = CrossChecks.Run(Readings, Profile.HeadShape.Shape, Profile.BodyMass);
            return new Standing(
                Profile.Purposes.Count > 0, Completeness.Share(Measured), findings.Count(f => f.Severity == Severity.Check), Choice is not null,
                Plan.PassedShare(index, upToFirstFastening: true), Plan.PassedShare(index, upToFirstFastening: false),
                index < Plan.Steps.Count ? Plan.Steps[index].Step.Name : null,
                index < Plan.Steps.Count ? Plan.Steps[index].Step.TargetText(Position!.Target) : null, LastTrained, Position?.NotBefore, OpenSession is not null);
        }
    }

    /// <summary>Loads the files of some dogs in a handful of queries.</summary>
    public static async Task<IReadOnlyList<DogFile>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel)
    {
        var dogs = await which.AsNoTracking().ToListAsync(cancel);
        var ids = dogs.Select(d => d.Id).ToList();
        var readings = (await db.Readings.AsNoTracking().Where(r => ids.Contains(r.DogId) && r.RemovedAt == null).OrderBy(r => r.TakenAt).ToListAsync(cancel)).ToLookup(r => r.DogId);
        var choices = (await db.Choices.AsNoTracking().Where(c => ids.Contains(c.DogId) && c.WithdrawnAt == null).OrderBy(c => c.ChosenAt).ToListAsync(cancel)).ToLookup(c => c.DogId);
        var lastMoves = db.PlanMoves.Where(m => ids.Contains(m.DogId)).GroupBy(m => m.DogId).Select(g => g.Max(m => m.Id));
        var moves = await db.PlanMoves.AsNoTracking().Where(m => lastMoves.Contains(m.Id)).ToDictionaryAsync(m => m.DogId, cancel);
        var open = await db.Sessions.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.EndedAt == null).ToDictionaryAsync(s => s.DogId, cancel);
        var trained = await db.Sets.Where(s => ids.Contains(s.DogId) && s.ClosedAt != null).GroupBy(s => s.DogId)
            .Select(g => new { g.Key, Day = g.Max(s => s.Day) }).ToDictionaryAsync(g => g.Key, g => g.Day, cancel);
        return
        [
            .. dogs.Select(d => new DogFile(
                d, [.. readings[d.Id]], choices[d.Id].LastOrDefault(), moves.GetValueOrDefault(d.Id),
                open.GetValueOrDefault(d.Id), trained.TryGetValue(d.Id, out var day) ? day : null)),
        ];
    }

    /// <summary>Loads one dog's file, or a 404.</summary>
    public static async Task<DogFile> LoadAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault() ?? throw Shared.Refusal.NotFound("No dog has this id.");

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
