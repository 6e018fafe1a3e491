using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Conditioning;

/// <summary>Whether a step is on record as passed, is where the plan stands, or is still to be trained.</summary>
public enum StepState
{
    Passed,
    Here,
    Ahead,
}

/// <summary>A step of a dog's plan.</summary>
/// <param name="Easier">The rungs below its first target, the hardest of them first.</param>
/// <param name="Yes">What is tapped for a go that went well.</param>
/// <param name="NotYet">What is tapped for one that did not.</param>
/// <param name="Shows">What its drawing shows; null where the set-up says it.</param>
public sealed record StepDto(
    string Id,
    Stage Stage,
    string Name,
    string Purpose,
    string SetUp,
    string Success,
    string Reward,
    IReadOnlyList<string> Targets,
    IReadOnlyList<string> Easier,
    string IfStuck,
    string? Caution,
    Basis Basis,
    IReadOnlyList<string> Notes,
    string Yes,
    string NotYet,
    string? Shows
)
{
    internal static StepDto Of(PlannedStep planned, ConditioningWords words)
    {
        var s = words.Told(planned.Step);
        return new StepDto(
            s.Id,
            s.Stage,
            s.Name,
            s.Purpose,
            s.SetUp,
            s.Success,
            s.Reward,
            [.. s.Targets.Select(words.Target)],
            s.Easier,
            s.IfStuck,
            s.Caution,
            s.Basis,
            [.. planned.Notes.Select(words.Note)],
            words.Yes(s.Stage),
            words.NotYet(s.Stage),
            words.Sketch(s.Sketch)
        );
    }
}

/// <summary>A step with where the plan stands on it.</summary>
/// <param name="Why">Why it is here, or at this place, where not every dog has it so; null where it has.</param>
/// <param name="IsGate">The gate of its stage: it is passed on two days, every other step on one.</param>
/// <param name="Target">The target it stands at or just past, easier than the first where negative; null elsewhere.</param>
/// <param name="TargetText">Where it stands in words: that target, or a hold between it and the next.</param>
/// <param name="Passed">When and how it was passed; null where it was not.</param>
public sealed record PlannedStepDto(StepDto Step, string? Why, StepState State, bool IsGate, int? Target, string? TargetText, PassedDto? Passed);

/// <summary>A step passed.</summary>
/// <param name="CanWithdraw">It was passed by hand or by trying: that can be withdrawn with a note.</param>
public sealed record PassedDto(DateOnly Day, PassedHow How, string? Note, bool CanWithdraw);

/// <summary>Something that may be different when training goes on after it was stopped.</summary>
public sealed record DiffersDto(WhatDiffers Differs, string Says);

/// <summary>Training is stopped until somebody says what is different.</summary>
/// <param name="Says">Why, in a sentence.</param>
/// <param name="Means">What that means, and whom to ask.</param>
/// <param name="Choices">What may be different.</param>
public sealed record StopDto(string Says, string Means, IReadOnlyList<DiffersDto> Choices)
{
    internal static StopDto? Of(TrainingStop? stop, ConditioningWords words) =>
        stop is null
            ? null
            : new(words.Stopped(stop), words.WhatStopMeans, [.. Enum.GetValues<WhatDiffers>().Select(d => new DiffersDto(d, words.Differs(d)))]);
}

/// <summary>A step this dog does not need.</summary>
public sealed record LeftOutDto(string Name, Stage Stage, string Reason);

/// <summary>A dog's plan and where it stands.</summary>
/// <param name="School">The school's name.</param>
/// <param name="SchoolReason">Why it was chosen; null for the House's own.</param>
/// <param name="Rule">How its sets are decided.</param>
/// <param name="MayFindBeginning">It was never trained nor set anywhere by hand, or was away for very long: where to begin can be found by trying.</param>
/// <param name="RuleReason">Why, where somebody chose it; null for the House way.</param>
/// <param name="Rests">It is not to be trained today, by the practice's day.</param>
/// <param name="ChoiceVersion">The version of school, policies and days; 0 where nobody chose.</param>
/// <param name="RuleVersion">The version of the rule.</param>
/// <param name="PositionVersion">The version of where it stands.</param>
/// <param name="Stop">Why it is stopped; null where it is not.</param>
/// <param name="NotNow">Why no session can begin now, in a sentence; null where one can.</param>
public sealed record PlanDto(
    SchoolId SchoolId,
    string School,
    string SchoolSays,
    string? SchoolReason,
    IReadOnlyList<PlannedStepDto> Steps,
    IReadOnlyList<LeftOutDto> LeftOut,
    IReadOnlyList<Policy> Policies,
    DateOnly? NotBefore,
    bool Rests,
    string? LastReason,
    string? GapReason,
    Guid? OpenSessionId,
    GoRule Rule,
    string? RuleReason,
    bool MayFindBeginning,
    long ChoiceVersion,
    long RuleVersion,
    long PositionVersion,
    StopDto? Stop,
    string? NotNow
);

/// <summary>A place in the plan set by hand.</summary>
/// <param name="NoLongerCounts">Steps at that place or after it whose passes no longer count.</param>
public sealed record PositionEntry(string? StepId = null, int? Target = null, string? Note = null, IReadOnlyList<string>? NoLongerCounts = null);

/// <summary>Why something no longer counts.</summary>
public sealed record WithdrawEntry(string? Note = null);

/// <summary>What is different, so that training that was stopped goes on.</summary>
public sealed record ResumeEntry(WhatDiffers? Differs = null, string? Note = null);

/// <summary>How a dog's sets are to be decided.</summary>
public sealed record GoRuleEntry(GoRule? Rule = null, string? Reason = null);

/// <summary>The conditioning plan.</summary>
internal static class PlanEndpoints
{
    public static void MapTrainingPlan(this IEndpointRouteBuilder api)
    {
        var plan = api.MapGroup("/dogs/{id:guid}/plan").WithTags("Conditioning").OneWriterAtATime();
        plan.MapGet("/", PlanAsync).WithName("plan").May(Concern.Plan).WithSummary("The dog's steps in order, adapted to it, and where it stands.");
        plan.MapPost("/rule", RuleAsync)
            .WithName("setGoRule")
            .May(Concern.Plan)
            .WithSummary(
                "Choose how the dog's sets are decided, with a reason; a session under way goes on as it began. The version is the plan's ruleVersion."
            )
            .NeedsVersion();
        plan.MapPost("/passes/{stepId}/withdraw", WithdrawAsync)
            .WithName("withdrawPass")
            .May(Concern.Plan)
            .WithSummary("A step passed by hand or by trying no longer counts as passed, with a note. The version is the plan's positionVersion.")
            .NeedsVersion();
        plan.MapPost("/resume", ResumeAsync)
            .WithName("resumeTraining")
            .May(Concern.Plan)
            .WithSummary("Training that was stopped goes on: what is different, with a note. The version is the plan's positionVersion.")
            .NeedsVersion();
        plan.MapPost("/position", MoveAsync)
            .WithName("movePlan")
            .May(Concern.Plan)
            .WithSummary("Overrule where the plan stands, with a note. The version is the plan's positionVersion.")
            .NeedsVersion();
    }

    private const int LongestNote = 500;

    internal static async Task<PlanDto> PlanAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.TrainedDogAsync(id, cancel);
        return Of(file, clock, new ConditioningWords(await pen.WithAsync(file.Measured.Rules, cancel)));
    }

    /// <summary>A note, or what would be accepted as one.</summary>
    private static string NeedNote(string? note) =>
        note.OrNull() is { Length: <= LongestNote } said ? said : throw Refusal.Field("note", $"Write down why, in up to {LongestNote} letters.");

    private static async Task<PlanDto> MoveAsync(
        Guid id,
        PositionEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var file = await db.TrainedDogAsync(id, cancel);
        await NeedPositionAsync(edited, file, db, pen, clock, cancel);
        var at = NeedPosition(file.Training.Plan, entry.StepId, entry.Target);
        var note = NeedNote(entry.Note);
        var after = file.Training.Plan.Steps.SkipWhile(s => s.Step.Id != at.StepId).Select(s => s.Step.Id).ToHashSet();
        if (entry.NoLongerCounts?.FirstOrDefault(id => !after.Contains(id) || !file.Training.Passed.Contains(id)) is { } other)
            throw Refusal.Field("noLongerCounts", $"\"{other}\" is not a passed step at that place or after it.");
        if (file.OpenSession is not null)
            throw Refusal.Conflict("End the session under way first.");
        db.PlanMoves.Add(
            new PlanMoveRow
            {
                DogId = id,
                At = clock.UtcNow(),
                StepId = at.StepId,
                Target = at.Target,
                Reason = note,
                ByHand = true,
            }
        );
        await DropPassesAsync(db, id, entry.NoLongerCounts ?? [], note, clock, cancel);
        // What lies before it counts as passed, by hand and with the note: nobody says that it was trained.
        foreach (var before in file.Training.Plan.Steps.TakeWhile(s => s.Step.Id != at.StepId).Where(s => !file.Training.Passed.Contains(s.Step.Id)))
            db.StepPasses.Add(
                new StepPassRow
                {
                    DogId = id,
                    StepId = before.Step.Id,
                    Day = clock.Today(),
                    How = PassedHow.ByHand,
                    Note = note,
                }
            );
        await db.SaveChangesAsync(cancel);
        return await PlanAsync(id, db, pen, clock, cancel);
    }

    /// <summary>Some passes count no longer; they stay on record with why.</summary>
    internal static async Task DropPassesAsync(
        PracticeDb db,
        Guid dogId,
        IReadOnlyCollection<string> steps,
        string note,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        foreach (var pass in await db.StepPasses.Where(p => p.DogId == dogId && p.WithdrawnAt == null && steps.Contains(p.StepId)).ToListAsync(cancel))
            (pass.WithdrawnAt, pass.WithdrawnNote) = (clock.UtcNow(), note);
    }

    private static async Task<PlanDto> WithdrawAsync(
        Guid id,
        string stepId,
        WithdrawEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var file = await db.TrainedDogAsync(id, cancel);
        await NeedPositionAsync(edited, file, db, pen, clock, cancel);
        var note = NeedNote(entry.Note);
        var pass = file.Passes.SingleOrDefault(p => p.StepId == stepId) ?? throw Refusal.NotFound("This step is not on record as passed.");
        if (pass.How == PassedHow.Trained)
            throw Refusal.Conflict("This step was passed by training. To train it again, set the plan back to it.");
        await DropPassesAsync(db, id, [stepId], note, clock, cancel);
        await db.SaveChangesAsync(cancel);
        return await PlanAsync(id, db, pen, clock, cancel);
    }

    private static async Task<PlanDto> ResumeAsync(
        Guid id,
        ResumeEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var file = await db.TrainedDogAsync(id, cancel);
        await NeedPositionAsync(edited, file, db, pen, clock, cancel);
        var differs = entry.Differs ?? throw Refusal.Field("differs", $"Say what is different: one of {string.Join(", ", Enum.GetNames<WhatDiffers>())}.");
        var note = NeedNote(entry.Note);
        if (file.Training is not { Stop: { } stop, Position: { } stands })
            throw Refusal.Conflict("Training is not stopped.");
        var at = TrainingStop.GoesOnAt(file.Training.Plan, stop, differs, stands, file.Training.Rule, file.Measured.Rules);
        db.PlanMoves.Add(
            new PlanMoveRow
            {
                DogId = id,
                At = clock.UtcNow(),
                StepId = at.StepId,
                Target = at.Target,
                NotBefore = at.NotBefore,
                Reason = note,
                Why = new(MoveCause.Resumed) { Differs = differs },
                ByHand = true,
                Resumes = true,
            }
        );
        await db.SaveChangesAsync(cancel);
        return await PlanAsync(id, db, pen, clock, cancel);
    }

    /// <summary>Refuses to move a plan that was moved meanwhile, by training too.</summary>
    internal static Task NeedPositionAsync(string? edited, TrainedDog file, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
        Versions.NeedAsync(
            edited,
            file.LastMove?.Number ?? 0,
            async () => ("Where the plan stands", await PlanAsync(file.Measured.Dog.Id, db, pen, clock, cancel))
        );

    /// <summary>A target of a step of the plan, the first where none is said.</summary>
    internal static PlanPosition NeedPosition(TrainingPlan plan, string? stepId, int? target)
    {
        var step = plan.Steps.FirstOrDefault(s => s.Step.Id == stepId)?.Step ?? throw Refusal.Field("stepId", "This step is not in the dog's plan.");
        return new PlanPosition(step.Id, NeedTarget(step, target ?? 0));
    }

    /// <summary>A target that the step has.</summary>
    internal static int NeedTarget(Step step, int target) =>
        step.Within(target) == target
            ? target
            : throw Refusal.Field("target", $"This step's targets are numbered 0 to {step.TopTarget}, its easier rungs -1 to {SetStart.EasiestRung}.");

    private static async Task<PlanDto> RuleAsync(
        Guid id,
        GoRuleEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        await Versions.NeedAsync(edited, dog.RuleChoice?.Number ?? 0, async () => ("The rule", await PlanAsync(id, db, pen, clock, cancel)));
        if (string.IsNullOrWhiteSpace(entry.Reason) || entry.Reason.Length > 500)
            throw Refusal.Field("reason", "Write down why, in up to 500 letters.");
        db.GoRules.Add(
            new GoRuleRow
            {
                DogId = id,
                At = clock.UtcNow(),
                Rule = entry.Rule ?? throw Refusal.Field("rule", "rule is needed: asSoonAsClear or steadyTens."),
                Reason = entry.Reason.Trim(),
            }
        );
        await db.SaveChangesAsync(cancel);
        return await PlanAsync(id, db, pen, clock, cancel);
    }

    /// <summary>Why a plan was moved: the facts in words, or the note of whoever moved it.</summary>
    internal static string ToldMove(PlanMoveRow move, ConditioningWords words) =>
        move.Why is not { } why ? move.Reason
        : move.Reason == "" ? words.Moved(why)
        : $"{words.Moved(why)} {move.Reason}";

    private static PlanDto Of(TrainedDog file, TimeProvider clock, ConditioningWords words)
    {
        var today = clock.Today();
        var (plan, position) = (file.Training.Plan, file.Training.Position);
        var away = file.Training.StartOn(today)?.Away;
        var passes = file.Passes.ToDictionary(
            p => p.StepId,
            p => new PassedDto(p.Day, p.How, p.Why is { } why ? words.Moved(why) : p.Note, p.How != PassedHow.Trained)
        );
        PlannedStepDto Stands(PlannedStep s)
        {
            var (isHere, passed) = (s.Step.Id == position?.StepId, passes.GetValueOrDefault(s.Step.Id));
            return new(
                StepDto.Of(s, words),
                words.WhyHere(s.Step, plan),
                isHere ? StepState.Here
                    : passed is null ? StepState.Ahead
                    : StepState.Passed,
                plan.IsGate(s.Step),
                isHere ? (int)Math.Floor(s.Step.Level(position!.At)) : null,
                isHere ? words.Target(s.Step, position!) : null,
                passed
            );
        }

        var school = words.Told(plan.School);
        return new PlanDto(
            school.Id,
            school.Name,
            school.Says,
            plan.Declined is { } declined ? words.Declined(declined) : file.Choice?.Reason,
            [.. plan.Steps.Select(Stands)],
            [.. plan.LeftOut.Select(l => new LeftOutDto(words.Called(l), l.Stage, words.WhyLeftOut(l, plan)))],
            [.. plan.Policies.Select(words.Told)],
            position?.NotBefore,
            position?.NotBefore > today,
            file.LastMove is { } move ? ToldMove(move, words) : null,
            away is null ? null : words.Away(away),
            file.OpenSession?.Id,
            file.Training.Rule,
            file.RuleChoice?.Reason,
            file.Training.MayFindBeginning(today),
            file.Choice?.Number ?? 0,
            file.RuleChoice?.Number ?? 0,
            file.LastMove?.Number ?? 0,
            StopDto.Of(file.Training.Stop, words),
            file.OpenSession is null && TrainingTimes.NotNow(file.Training, clock.UtcNow(), today) is { } not ? words.CannotBegin(not) : null
        );
    }
}
