using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>Whether a step lies behind, is where the plan stands, or lies ahead.</summary>
public enum StepState
{
    Passed,
    Here,
    Ahead,
}

/// <summary>A step of a dog's plan.</summary>
public sealed record StepDto(
    string Id, Stage Stage, string Name, string Purpose, string SetUp, string Success, string Reward, IReadOnlyList<string> Targets,
    string IfStuck, string? Caution, Basis Basis, IReadOnlyList<string> Notes)
{
    public static StepDto Of(PlannedStep planned)
    {
        var s = planned.Step;
        return new StepDto(
            s.Id, s.Stage, s.Name, s.Purpose, s.SetUp, s.Success, s.Reward, [.. Enumerable.Range(0, s.Ladder.Count).Select(s.TargetText)],
            s.IfStuck, s.Caution, s.Basis, planned.Notes);
    }
}

/// <summary>A step with where the plan stands on it.</summary>
public sealed record PlannedStepDto(StepDto Step, StepState State, int? Target);

/// <summary>A step this dog does not need.</summary>
public sealed record LeftOutDto(string Name, Stage Stage, string Reason);

/// <summary>A dog's plan and where it stands.</summary>
public sealed record PlanDto(
    string School, IReadOnlyList<PlannedStepDto> Steps, IReadOnlyList<LeftOutDto> LeftOut, IReadOnlyList<Policy> Policies,
    DateOnly? NotBefore, string? LastReason, string? GapReason, Guid? OpenSessionId);

/// <summary>A place in the plan set by hand.</summary>
public sealed record PositionEntry(string? StepId = null, int? Target = null, string? Note = null);

/// <summary>The conditioning plan.</summary>
internal static class PlanEndpoints
{
    public static void MapTrainingPlan(this IEndpointRouteBuilder api)
    {
        var plan = api.MapGroup("/dogs/{id:guid}/plan").WithTags("Conditioning").OneWriterAtATime();
        plan.MapGet("/", PlanAsync).WithName("plan").WithSummary("The dog's steps in order, adapted to it, and where it stands.");
        plan.MapPost("/position", MoveAsync).WithName("movePlan").WithSummary("Overrule where the plan stands, with a note.");
    }

    private static async Task<PlanDto> PlanAsync(Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        Of(await db.TrainedDogAsync(id, cancel), clock.Today());

    private static async Task<PlanDto> MoveAsync(Guid id, PositionEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.TrainedDogAsync(id, cancel);
        var step = file.Plan.Steps.FirstOrDefault(s => s.Step.Id == entry.StepId)?.Step ?? throw Refusal.Field("stepId", "This step is not in the dog's plan.");
        if (entry.Target is < 0 || entry.Target > step.TopTarget)
            throw Refusal.Field("target", $"This step's targets are numbered 0 to {step.TopTarget}.");
        if (string.IsNullOrWhiteSpace(entry.Note) || entry.Note.Length > 500)
            throw Refusal.Field("note", "Write down why, in up to 500 letters.");
        if (file.OpenSession is not null)
            throw Refusal.Conflict("End the session under way first.");
        db.PlanMoves.Add(new PlanMoveRow { DogId = id, At = clock.UtcNow(), StepId = step.Id, Target = entry.Target ?? 0, Reason = entry.Note.Trim(), ByHand = true });
        await db.SaveChangesAsync(cancel);
        return await PlanAsync(id, db, clock, cancel);
    }

    private static PlanDto Of(TrainedDog file, DateOnly today)
    {
        var position = file.Position;
        var gap = position is null ? null : Progression.AfterGap(file.Plan, position, file.LastTrained, today, file.Measured.Rules).Reason;
        var here = position is null ? file.Plan.Steps.Count : file.Plan.IndexOf(position.StepId);
        return new PlanDto(
            TrainingPlan.SchoolName,
            [.. file.Plan.Steps.Select((s, i) => new PlannedStepDto(
                StepDto.Of(s), i < here ? StepState.Passed : i == here ? StepState.Here : StepState.Ahead, i == here ? position!.Target : null))],
            [.. file.Plan.LeftOut.Select(l => new LeftOutDto(l.Step.Name, l.Step.Stage, l.Reason))],
            file.Plan.Policies, position?.NotBefore, file.LastMove?.Reason, gap, file.OpenSession?.Id);
    }
}
