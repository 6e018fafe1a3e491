using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A sign of a set.</summary>
/// <param name="AfterGo">How many goes were done when it was seen, 0 or more.</param>
/// <param name="SignId">A sign of the list.</param>
public sealed record WhatIfSign(int? AfterGo = null, string? SignId = null);

/// <summary>A set to be decided.</summary>
/// <param name="Rule">asSoonAsClear or steadyTens.</param>
/// <param name="Temperament">bold, typical, wary or soured.</param>
/// <param name="Goes">The goes in order: true for right. Up to 100.</param>
/// <param name="Signs">The signs seen.</param>
/// <param name="Target">0 for the step's first target, −1 to −3 for the easier rungs below it.</param>
/// <param name="TopTarget">The step's last target, 0 to 50.</param>
/// <param name="Gate">Whether the step is the gate of its stage.</param>
/// <param name="GoodDaysBefore">Earlier days on which the top target went well, 0 to 1000.</param>
/// <param name="BacksBefore">Times it went back in this session already, 0 to 1000.</param>
/// <param name="Kind">repeat, hold, count or once; repeat when left out. Rungs below the first target are repeated whatever it is.</param>
/// <param name="Count">How many in a row a count asks for, 1 to 50; 10 when left out.</param>
/// <param name="GoodGoesBefore">Of an event: earlier goes at this target that went well and at ease, 0 to 1000.</param>
/// <param name="UnsureBefore">The set before at this target ended unsure.</param>
/// <param name="HeedMisses">Goes back as soon as the goes lean to "not yet", as the pad has it for wary and soured dogs; by the count alone when left out.</param>
public sealed record WhatIfSet(
    GoRule? Rule = null,
    Temperament? Temperament = null,
    IReadOnlyList<bool>? Goes = null,
    IReadOnlyList<WhatIfSign>? Signs = null,
    int? Target = null,
    int? TopTarget = null,
    bool? Gate = null,
    int? GoodDaysBefore = null,
    int? BacksBefore = null,
    StepKind? Kind = null,
    int? Count = null,
    int? GoodGoesBefore = null,
    bool? UnsureBefore = null,
    bool? HeedMisses = null
);

/// <summary>How many more would settle a set that goes on.</summary>
/// <param name="Right">So many more right in a row.</param>
/// <param name="Missed">So many more missed in a row.</param>
public sealed record SettlesDto(int Right, int Missed);

/// <summary>The decision.</summary>
/// <param name="DecidedAfter">The go after which it was clear; later ones were not looked at. Null while it goes on.</param>
/// <param name="NextTarget">Null when the step is passed.</param>
/// <param name="StartsAt">Where the step begun next starts, after a step was passed or the dog went over threshold; null otherwise.</param>
/// <param name="Evidence">Natural logarithm of how much better "ready for more" explains the goes looked at than "not yet".</param>
/// <param name="Settles">Null once it is settled.</param>
public sealed record WhatIfSetAnswer(
    int? DecidedAfter,
    DecisionKind Decision,
    int? NextTarget,
    bool EndSession,
    int StepsBack,
    int NotBeforeDays,
    int? StartsAt,
    double Evidence,
    SettlesDto? Settles,
    string Reason
);

/// <summary>A hold.</summary>
/// <param name="Seconds">Over 0, up to 3600.</param>
/// <param name="Marked">The handler ended it by marking; otherwise the dog pulled out.</param>
public sealed record WhatIfHeld(double? Seconds = null, bool? Marked = null);

/// <summary>Holds, and what became of the set.</summary>
/// <param name="CriterionSeconds">The present criterion, 1 to 3600.</param>
/// <param name="Share">The share of goes in which it is to be held, over 0 and under 1; the House value when left out.</param>
/// <param name="Holds">Oldest first, up to 500; the last twenty count.</param>
/// <param name="After">raise or back; left out for neither.</param>
public sealed record WhatIfHold(double? CriterionSeconds = null, double? Share = null, IReadOnlyList<WhatIfHeld>? Holds = null, DecisionKind? After = null);

/// <summary>What the dog holds, and the criterion that follows.</summary>
/// <param name="Rank">In the percentile schedule; null for survival.</param>
/// <param name="CriterionSeconds">The estimate as it is; null where nothing was held.</param>
/// <param name="NextCriterionSeconds">After bounds and rounding.</param>
public sealed record WhatIfHoldAnswer(HoldEstimate How, double? Rank, int PullOuts, double HeldSeconds, double? CriterionSeconds, double NextCriterionSeconds);

/// <summary>What a plan needs to know of a dog.</summary>
/// <param name="Temperament">bold, typical, wary or soured; typical when left out.</param>
public sealed record WhatIfPlanDog(
    Temperament? Temperament = null,
    IReadOnlyList<Sensitivity>? Sensitivities = null,
    HeadShape? HeadShape = null,
    IReadOnlyList<Purpose>? Purposes = null,
    BiteTier? BiteTier = null
);

/// <summary>A dog to plan for.</summary>
/// <param name="Dog">The dog.</param>
/// <param name="School">The school by name, such as "Good news first", or by id; the default when left out.</param>
/// <param name="Policies">Policies chosen by topic, each an option of GET /api/ways-of-working.</param>
public sealed record WhatIfPlan(WhatIfPlanDog? Dog = null, string? School = null, IReadOnlyDictionary<PolicyTopic, string>? Policies = null);

/// <summary>A step of a plan.</summary>
/// <param name="Targets">Its targets in words, the easiest first.</param>
/// <param name="Gate">The gate of its stage: passed on two days.</param>
/// <param name="Needs">Ids of the steps that come first.</param>
/// <param name="Why">What it is good for, and what this dog changes about it.</param>
/// <param name="Kind">How its targets are worked at: repeat, hold, count or once.</param>
public sealed record WhatIfPlanStep(string Id, Stage Stage, IReadOnlyList<string> Targets, bool Gate, IReadOnlyList<string> Needs, string Why, StepKind Kind);

/// <summary>A row of the order that trainers keep which a plan breaks.</summary>
public sealed record WhatIfBroken(string Id, string Says);

/// <summary>A step this dog does not need.</summary>
public sealed record WhatIfLeftOut(string Id, string Why);

/// <summary>A plan in order.</summary>
/// <param name="Broken">Rows of the order that trainers keep which it breaks; none is as it should be.</param>
/// <param name="Declined">Why it is not the school that was asked for; null where it is.</param>
public sealed record WhatIfPlanAnswer(
    IReadOnlyList<WhatIfPlanStep> Steps,
    IReadOnlyList<WhatIfLeftOut> LeftOut,
    IReadOnlyList<WhatIfBroken> Broken,
    string? Declined
);

public sealed class WhatIfPlanValidator : AbstractValidator<WhatIfPlan>
{
    public WhatIfPlanValidator()
    {
        RuleFor(p => p.Dog).NotNull().WithMessage("dog is needed.");
        RuleFor(p => p.School).Must(s => s is null || WhatIfTraining.SchoolOf(s) is not null).WithMessage(WhatIfTraining.Schools);
        RuleFor(p => p.Policies)
            .Must(p => p is null || p.All(c => PolicyRow.All[(int)c.Key].Option(c.Value) is not null))
            .WithMessage("policies takes options of GET /api/ways-of-working, by topic.");
    }
}

/// <summary>Stateless answers by our own numbers, from the functions the session pad uses.</summary>
internal static class WhatIfTraining
{
    /// <summary>What is asked without a practice is answered in the usual writing.</summary>
    internal static readonly ConditioningWords Words = new(Writing.Usual);

    public static void MapWhatIfTraining(this IEndpointRouteBuilder api)
    {
        var whatIf = api.MapGroup("/what-if").WithTags("What if");
        whatIf.MapPost("/set", DecideSet).WithName("whatIfSet").May(Concern.WholePractice).WithSummary("Decide a set of goes: on, the same again, or back.");
        whatIf
            .MapPost("/plan", Plan)
            .WithName("whatIfPlan")
            .May(Concern.WholePractice)
            .WithSummary("The steps for a dog in order, with what is left out and why.");
        whatIf.MapPost("/hold", Hold).WithName("whatIfHold").May(Concern.WholePractice).WithSummary("What a dog holds, and what to ask of it next.");
        whatIf
            .MapPost("/forecast", WhatIfForecasts.Foretell)
            .WithName("whatIfForecast")
            .May(Concern.WholePractice)
            .WithSummary("When a dog will be ready, from its log and the days there are.");
    }

    private static WhatIfSetAnswer DecideSet(WhatIfSet asked)
    {
        var start = new SetStart(
            asked.Rule ?? GoRule.AsSoonAsClear,
            asked.Temperament!.Value,
            asked.Target!.Value,
            asked.TopTarget!.Value,
            asked.Gate == true,
            asked.GoodDaysBefore ?? 0,
            asked.BacksBefore ?? 0
        )
        {
            Kind = asked.Target < 0 ? StepKind.Repeat : asked.Kind ?? StepKind.Repeat,
            Count = asked.Count ?? GoRules.MostGoes,
            GoodGoesBefore = asked.GoodGoesBefore ?? 0,
            UnsureBefore = asked.UnsureBefore == true,
            HeedsMisses = asked.HeedMisses == true,
        };
        var decision = GoRules.Decide(
            start,
            asked.Goes!,
            [.. (asked.Signs ?? []).Select(s => new SeenAt(s.AfterGo!.Value, Sign.Find(s.SignId!)!.Group))],
            HouseRules.Ours
        );
        return new WhatIfSetAnswer(
            decision.DecidedAfter,
            decision.Kind,
            decision.NextTarget,
            decision.EndSession,
            decision.StepsBack,
            decision.NotBeforeDays,
            decision.StartsAt,
            decision.Evidence,
            decision is { SettlesRight: { } right, SettlesMissed: { } missed } ? new SettlesDto(right, missed) : null,
            Words.ByNumber(decision, start)
        );
    }

    /// <summary>A school by name or id; null where there is none, or nothing was said.</summary>
    internal static School? SchoolOf(string? said) =>
        School.All.FirstOrDefault(s =>
            string.Equals(s.Name, said, StringComparison.OrdinalIgnoreCase) || string.Equals($"{s.Id}", said, StringComparison.OrdinalIgnoreCase)
        );

    /// <summary>What would be accepted as a school.</summary>
    internal static string Schools { get; } = $"school can be left out or be one of: {string.Join(", ", School.All.Select(s => s.Name))}.";

    internal static DogProfile ProfileOf(WhatIfPlanDog dog) =>
        new()
        {
            Name = "Any",
            Temperament = dog.Temperament ?? Temperament.Typical,
            Sensitivities = dog.Sensitivities ?? [],
            HeadShapeSeen = dog.HeadShape,
            BiteTier = dog.BiteTier ?? BiteTier.None,
            Purposes = dog.Purposes ?? [],
        };

    private static WhatIfPlanAnswer Plan(WhatIfPlan asked)
    {
        var plan = TrainingPlan.For(ProfileOf(asked.Dog!), SchoolOf(asked.School), asked.Policies);
        return new WhatIfPlanAnswer(
            [
                .. plan.Steps.Select(s => new WhatIfPlanStep(
                    s.Step.Id,
                    s.Step.Stage,
                    [.. s.Step.Targets.Select(Words.Target)],
                    plan.IsGate(s.Step),
                    s.Step.After,
                    string.Join(" ", [s.Step.Purpose, .. Words.WhyHere(s.Step, plan) is { } why ? (string[])[why] : [], .. s.Notes]),
                    s.Step.Kind
                )),
            ],
            [.. plan.LeftOut.Select(l => new WhatIfLeftOut(l.Id, Words.WhyLeftOut(l, plan)))],
            [.. PlanOrder.Broken(plan).Select(r => new WhatIfBroken(r.Id, Words.Note(r.Says)))],
            plan.Declined is { } declined ? Words.Declined(declined) : null
        );
    }

    private static WhatIfHoldAnswer Hold(WhatIfHold asked)
    {
        var rules = HouseRules.Ours;
        var holds = (asked.Holds ?? []).Select(h => new HeldGo(TimeSpan.FromSeconds(h.Seconds!.Value), h.Marked == true)).ToList();
        var estimate = Holds.Estimate(holds, asked.Share ?? rules[Holds.Share], rules);
        var next = Holds.Next(TimeSpan.FromSeconds(asked.CriterionSeconds!.Value), estimate.Criterion, asked.After, rules);
        return new WhatIfHoldAnswer(
            estimate.How,
            estimate.Rank,
            estimate.PullOuts,
            estimate.Held.TotalSeconds,
            estimate.Criterion?.TotalSeconds,
            next.TotalSeconds
        );
    }
}

public sealed class WhatIfSetValidator : AbstractValidator<WhatIfSet>
{
    private const int MostTargets = 50;
    private const int MostGoes = 100;
    private const int Many = 1000;

    public WhatIfSetValidator()
    {
        RuleFor(s => s.Temperament).NotNull().WithMessage("temperament is needed: bold, typical, wary or soured.");
        RuleFor(s => s.Goes)
            .NotNull()
            .WithMessage("goes is needed: true or false for each, none yet as [].")
            .Must(g => g is null || g.Count <= MostGoes)
            .WithMessage($"Up to {MostGoes} goes, please.");
        RuleFor(s => s.TopTarget).NeededBetween(0, MostTargets).WithMessage($"topTarget must be 0 to {MostTargets}.");
        RuleFor(s => s.Target)
            .Must((s, t) => t >= SetStart.EasiestRung && t <= (s.TopTarget ?? MostTargets))
            .WithMessage($"target must be {SetStart.EasiestRung} to topTarget.");
        RuleFor(s => s.GoodDaysBefore).InclusiveBetween(0, Many).WithMessage($"goodDaysBefore must be 0 to {Many}.");
        RuleFor(s => s.Count).InclusiveBetween(1, MostTargets).WithMessage($"count must be 1 to {MostTargets}.");
        RuleFor(s => s.GoodGoesBefore).InclusiveBetween(0, Many).WithMessage($"goodGoesBefore must be 0 to {Many}.");
        RuleFor(s => s.BacksBefore).InclusiveBetween(0, Many).WithMessage($"backsBefore must be 0 to {Many}.");
        RuleForEach(s => s.Signs)
            .ChildRules(sign =>
            {
                sign.RuleFor(s => s.AfterGo).NeededBetween(0, MostGoes).WithMessage($"afterGo must be 0 to {MostGoes}.");
                sign.RuleFor(s => s.SignId)
                    .Must(id => id is not null && Sign.Find(id) is not null)
                    .WithMessage("\"{PropertyValue}\" is not a sign on the list; GET /api/signs has them.");
            });
    }
}

public sealed class WhatIfHoldValidator : AbstractValidator<WhatIfHold>
{
    private const int MostSeconds = 3600;
    private const int MostHolds = 500;

    public WhatIfHoldValidator()
    {
        RuleFor(h => h.CriterionSeconds).NeededBetween(1, MostSeconds).WithMessage($"criterionSeconds must be 1 to {MostSeconds}.");
        RuleFor(h => h.Share).Must(s => s is null or (> 0 and < 1)).WithMessage("share must lie between 0 and 1, such as 0.8.");
        RuleFor(h => h.Holds).Must(h => h is null || h.Count <= MostHolds).WithMessage($"Up to {MostHolds} holds, please.");
        RuleFor(h => h.After).Must(a => a is null or DecisionKind.Raise or DecisionKind.Back).WithMessage("after must be raise or back, or left out.");
        RuleForEach(h => h.Holds)
            .ChildRules(hold =>
            {
                hold.RuleFor(h => h.Seconds).Must(s => s is > 0 and <= MostSeconds).WithMessage($"seconds must be over 0 and up to {MostSeconds}.");
                hold.RuleFor(h => h.Marked).NotNull().WithMessage("marked is needed: true where the handler ended the hold, false where the dog pulled out.");
            });
    }
}
