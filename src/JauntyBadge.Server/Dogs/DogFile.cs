using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Measuring;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Dogs;

/// <summary>Everything on record that decides where a dog stands.</summary>
/// <param name="Dog">Who it is.</param>
/// <param name="Breeds">The breeds the practice works with.</param>
/// <param name="OwnRanges">What the practice's other dogs of the breed measure.</param>
/// <param name="Sets">Its measuring sets, the oldest first; the last one is in hand.</param>
/// <param name="ReadingRows">The readings of the set in hand, those set aside among them.</param>
/// <param name="Choice">The muzzle in use.</param>
/// <param name="LastTryOn">The last time it was tried on the dog since it was chosen.</param>
/// <param name="LastMove">Where the plan stands.</param>
/// <param name="OpenSession">A session begun and not ended.</param>
/// <param name="LastTrained">The day of the last session.</param>
public sealed record DogFile(
    DogRow Dog, BreedList Breeds, IReadOnlyDictionary<Measure, BreedRange> OwnRanges, IReadOnlyList<MeasuringSetRow> Sets,
    IReadOnlyList<ReadingRow> ReadingRows, ChoiceRow? Choice, TryOnRow? LastTryOn, PlanMoveRow? LastMove, SessionRow? OpenSession, DateOnly? LastTrained)
{
    private TrainingPlan? plan;
    private DogProfile? profile;
    private Assessment? assessment;

    public MeasuringSetRow? CurrentSet => Sets.Count > 0 ? Sets[^1] : null;

    public School School => CurrentSet?.School ?? Profile.UsualSchool;

    /// <summary>The dog, its head shape as far as it was measured included.</summary>
    public DogProfile Profile => profile ??= Dog.ToProfile(Breeds) with { MeasuredShape = HeadShapes.Read(Measured) };

    public TrainingPlan Plan => plan ??= TrainingPlan.For(Profile);

    /// <summary>The readings in use.</summary>
    public IReadOnlyList<Reading> Readings { get; } = [.. ReadingRows.Where(r => r.SetAside is null).Select(r => r.ToReading())];

    public IReadOnlyList<Measured> Measured => Core.Measuring.Measured.From(Readings, CurrentSet?.Coat ?? Coat.Ordinary);

    /// <summary>The snout as measured, or null while neither nose to inner eye nor the fit line is read.</summary>
    public SnoutModel? Snout => Assessed.Snout;

    public Assessment Assessed => assessment ??= Assess(ReadingUnit.Mm);

    /// <summary>Judges the readings, and any that are only being typed, with messages in a unit.</summary>
    public Assessment Assess(ReadingUnit shown, params IReadOnlyList<Reading> typed) => Assessment.Of([.. Readings, .. typed], new Circumstances
    {
        School = School,
        OtherWays = Profile.OtherShapes,
        BodyMass = CurrentSet?.BodyMass ?? Profile.BodyMass,
        Coat = CurrentSet?.Coat ?? Profile.Coat,
        FitLineGap = CurrentSet?.FitLineGapMm is { } gap ? Length.FromMillimeters(gap) : null,
        OwnRanges = OwnRanges,
        Shown = shown,
    });

    /// <summary>Why the dog should be measured again, in sentences.</summary>
    public IReadOnlyList<string> MeasureAgain(DateOnly today) => CurrentSet is { } set && ReadingRows.Count > 0
        ? Remeasure.Reasons(
            new SetState(DateOnly.FromDateTime(set.StartedAt), set.BodyMass, set.Coat), new SetState(today, Profile.BodyMass, Profile.Coat), Profile.IsGrowing(today))
        : [];

    /// <summary>Where the plan stands; null when all steps are passed.</summary>
    public PlanPosition? Position => LastMove switch
    {
        null => new PlanPosition(Plan.Steps[0].Step.Id, 0),
        { StepId: null } => null,
        { StepId: { } step } move => InPlan(step, move),
    };

    /// <summary>What the last try-on came to; null when there was none.</summary>
    public TryOnFinding? Tried { get; } = LastTryOn is { Seen: var seen } && Choice is not null ? TryOnFinding.Of(Choice.KeptFit.Type, seen.Answers, seen.Symptoms) : null;

    /// <summary>It wears its muzzle: every step up to the purpose's last is passed, and upkeep is what is left.</summary>
    public bool WearsIt => Plan.WearsIt(Position is { } at ? Plan.IndexOf(at.StepId) : Plan.Steps.Count);

    public Standing StandingOn(DateOnly today)
    {
        var index = Position is { } at ? Plan.IndexOf(at.StepId) : Plan.Steps.Count;
        return new Standing(
            Profile.Purposes.Count > 0, Completeness.Share(Assessed.Measured, School), Assessed.Findings.Count(f => f.Severity == Severity.Check),
            MeasureAgain(today) is [var why, ..] ? why : null, Choice is not null, Tried?.FineShare ?? 0, Tried?.Wrong,
            Plan.PassedShare(index, upToFirstFastening: true), Plan.PassedShare(index, upToFirstFastening: false),
            index < Plan.Steps.Count ? Plan.Steps[index].Step.Name : null,
            index < Plan.Steps.Count ? Plan.Steps[index].Step.TargetText(Position!.Target) : null, LastTrained, Position?.NotBefore, OpenSession is not null);
    }

    /// <summary>Loads the files of some dogs in a handful of queries.</summary>
    public static async Task<IReadOnlyList<DogFile>> LoadAsync(PracticeDb db, IQueryable<DogRow> which, CancellationToken cancel)
    {
        var dogs = await which.AsNoTracking().ToListAsync(cancel);
        var ids = dogs.Select(d => d.Id).ToList();
        var breeds = await BreedRow.ListAsync(db, cancel);
        var ranges = await Measuring.OwnRanges.LoadAsync(db, dogs, cancel);
        var sets = (await db.MeasuringSets.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.RemovedAt == null).OrderBy(s => s.Number).ToListAsync(cancel)).ToLookup(s => s.DogId);
        var inHand = sets.Select(g => g.Last().Id).ToList();
        var readings = (await db.Readings.AsNoTracking().Where(r => inHand.Contains(r.SetId) && r.RemovedAt == null).OrderBy(r => r.Number).ToListAsync(cancel)).ToLookup(r => r.DogId);
        var choices = (await db.Choices.AsNoTracking().Where(c => ids.Contains(c.DogId) && c.WithdrawnAt == null).OrderBy(c => c.Number).ToListAsync(cancel)).ToLookup(c => c.DogId);
        var tries = (await db.TryOns.AsNoTracking().Where(t => ids.Contains(t.DogId) && t.RemovedAt == null).OrderBy(t => t.Number).ToListAsync(cancel)).ToLookup(t => t.DogId);
        var lastMoves = db.PlanMoves.Where(m => ids.Contains(m.DogId)).GroupBy(m => m.DogId).Select(g => g.Max(m => m.Id));
        var moves = await db.PlanMoves.AsNoTracking().Where(m => lastMoves.Contains(m.Id)).ToDictionaryAsync(m => m.DogId, cancel);
        var open = await db.Sessions.AsNoTracking().Where(s => ids.Contains(s.DogId) && s.EndedAt == null).ToDictionaryAsync(s => s.DogId, cancel);
        var lastSets = db.Sets.Where(s => ids.Contains(s.DogId) && s.ClosedAt != null).GroupBy(s => s.DogId).Select(g => g.Max(s => s.Id));
        var trained = await db.Sets.Where(s => lastSets.Contains(s.Id)).ToDictionaryAsync(s => s.DogId, s => s.Day, cancel);
        return
        [
            .. dogs.Select(d => new DogFile(
                d, breeds, ranges.For(d), [.. sets[d.Id]], [.. readings[d.Id]], choices[d.Id].LastOrDefault(), LastTry(choices[d.Id].LastOrDefault(), tries[d.Id]), moves.GetValueOrDefault(d.Id),
                open.GetValueOrDefault(d.Id), trained.TryGetValue(d.Id, out var day) ? day : null)),
        ];
    }

    /// <summary>Loads one dog's file, or a 404.</summary>
    public static async Task<DogFile> LoadAsync(PracticeDb db, Guid id, CancellationToken cancel) =>
        (await LoadAsync(db, db.Dogs.Where(d => d.Id == id), cancel)).SingleOrDefault() ?? throw Shared.Refusal.NotFound("No dog has this id.");

    private static TryOnRow? LastTry(ChoiceRow? choice, IEnumerable<TryOnRow> tries) => tries.LastOrDefault(t => t.SizeId == choice?.SizeId && t.Number > choice.Number);

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
