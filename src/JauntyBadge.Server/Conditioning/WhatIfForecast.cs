using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A set on record.</summary>
/// <param name="Day">The day it was trained.</param>
/// <param name="StepId">A step of the plan.</param>
/// <param name="Target">0 for its first target; −1 to −3 for the rungs below.</param>
/// <param name="Goes">The goes in order, true for right. Up to 100.</param>
/// <param name="Signs">The signs seen.</param>
public sealed record WhatIfTrained(
    DateOnly? Day = null,
    string? StepId = null,
    int? Target = null,
    IReadOnlyList<bool>? Goes = null,
    IReadOnlyList<WhatIfSign>? Signs = null
);

/// <summary>A dog whose readiness is to be foretold.</summary>
/// <param name="Dog">The dog.</param>
/// <param name="School">The school by name or id; the default when left out.</param>
/// <param name="Days">Days of the week with a session, such as "monday".</param>
/// <param name="SessionsPerDay">1 or 2; 1 when left out.</param>
/// <param name="From">The first day of the sessions to come.</param>
/// <param name="By">The day wanted; left out for none.</param>
/// <param name="ReadyAt">The last step that has to be passed; the purpose's last when left out.</param>
/// <param name="Log">What was trained, the oldest first. Up to 2,000 sets.</param>
/// <param name="Dogs">Virtual dogs, 100 to 5,000; 2,000 when left out.</param>
/// <param name="MissedDays">Planned sessions that were not held so far, 0 to 2,000; counted from the log when left out.</param>
/// <param name="Seed">The same seed gives the same answer; 1 when left out.</param>
public sealed record WhatIfForecast(
    WhatIfPlanDog? Dog = null,
    string? School = null,
    IReadOnlyList<DayOfWeek>? Days = null,
    int? SessionsPerDay = null,
    DateOnly? From = null,
    DateOnly? By = null,
    string? ReadyAt = null,
    IReadOnlyList<WhatIfTrained>? Log = null,
    int? Dogs = null,
    int? Seed = null,
    int? MissedDays = null
);

/// <summary>What takes the most sessions from now on.</summary>
public sealed record WhatIfHoldUp(string StepId, double Sessions);

/// <summary>What could be done; without a chance where it cannot be played.</summary>
public sealed record WhatIfWayOut(string What, double? ChanceBy);

/// <summary>When the dog will be ready: days are null when not within a year.</summary>
public sealed record WhatIfForecastAnswer(
    DateOnly? P10,
    DateOnly? P50,
    DateOnly? P90,
    double? ChanceBy,
    double NeverShare,
    IReadOnlyList<WhatIfHoldUp> HoldsUp,
    IReadOnlyList<WhatIfWayOut> WaysOut
);

public sealed class WhatIfForecastValidator : AbstractValidator<WhatIfForecast>
{
    private const int MostSets = 2000;
    private const int MostGoes = 100;

    /// <summary>Goes times dogs: a few seconds of one core.</summary>
    private const long MostWork = 20_000_000;

    public WhatIfForecastValidator()
    {
        RuleFor(f => f.Dog).NotNull().WithMessage("dog is needed.");
        RuleFor(f => f.School).Must(s => s is null || WhatIfTraining.SchoolOf(s) is not null).WithMessage(WhatIfTraining.Schools);
        RuleFor(f => f.Days).Must(d => d is { Count: > 0 }).WithMessage("days is needed: at least one day of the week, such as [\"monday\"].");
        RuleFor(f => f.SessionsPerDay).InclusiveBetween(1, 2).WithMessage("sessionsPerDay must be 1 or 2.");
        RuleFor(f => f.From).NotNull().WithMessage("from is needed: a day such as 2026-11-27.");
        RuleFor(f => f.Dogs).InclusiveBetween(100, 5000).WithMessage("dogs must be 100 to 5000.");
        RuleFor(f => f.MissedDays).InclusiveBetween(0, MostSets).WithMessage($"missedDays must be 0 to {MostSets}.");
        RuleFor(f => f.ReadyAt)
            .Must((f, at) => at is null || f.Dog is null || WhatIfForecasts.PlanOf(f).StepIds.Contains(at))
            .WithMessage("readyAt must be a step of the dog's plan; POST /api/what-if/plan has them.");
        RuleFor(f => f.Log)
            .Must(l => l is null || l.Count <= MostSets)
            .WithMessage($"Up to {MostSets} sets, please.")
            .Must(l => l is null || l.All(s => s is not null))
            .WithMessage("A set is missing: each needs day, stepId, target and goes.")
            .Must((f, l) => (long)(l ?? []).Sum(s => s?.Goes?.Count ?? 0) * (f.Dogs ?? Forecasts.UsualDogs) <= MostWork)
            .WithMessage("So many goes with so many dogs take too long: fewer of either, please.");
        RuleForEach(f => f.Log)
            .ChildRules(set =>
            {
                set.RuleFor(s => s.Day).NotNull().WithMessage("day is needed.");
                set.RuleFor(s => s.StepId)
                    .Must(id => id is not null && Step.Find(id) is not null)
                    .WithMessage("\"{PropertyValue}\" is not a step; POST /api/what-if/plan has them.");
                set.RuleFor(s => s.Target)
                    .Must((s, t) => t is { } target && target >= SetStart.EasiestRung && target <= (Step.Find(s.StepId ?? "")?.TopTarget ?? 50))
                    .WithMessage($"target must be {SetStart.EasiestRung} to the step's last.");
                set.RuleFor(s => s.Goes).Must(g => g is { Count: <= MostGoes }).WithMessage($"goes is needed: true or false for each, up to {MostGoes}.");
                set.RuleForEach(s => s.Signs)
                    .Must(s => s is { AfterGo: >= 0 and <= MostGoes, SignId: { } id } && Sign.Find(id) is not null)
                    .WithMessage("A sign has afterGo and a signId of GET /api/signs.");
            });
    }
}

/// <summary>Foretells, without keeping anything.</summary>
internal static class WhatIfForecasts
{
    public static SessionPlan PlanOf(WhatIfForecast asked)
    {
        var dog = WhatIfTraining.ProfileOf(asked.Dog!);
        return TrainingPlan.For(dog, WhatIfTraining.SchoolOf(asked.School)).ForSession(dog.Temperament, GoRule.AsSoonAsClear);
    }

    public static WhatIfForecastAnswer Foretell(WhatIfForecast asked)
    {
        var dog = WhatIfTraining.ProfileOf(asked.Dog!);
        IReadOnlyList<SetRecord> log =
        [
            .. (asked.Log ?? []).Select(s => new SetRecord(
                s.StepId!,
                s.Target!.Value,
                s.Day!.Value,
                s.Goes!,
                [.. (s.Signs ?? []).Select(x => new SeenAt(x.AfterGo!.Value, Sign.Find(x.SignId!)!.Group))]
            )),
        ];
        var (perDay, from) = (asked.SessionsPerDay ?? 1, asked.From!.Value);
        var held = SessionsHeld.Of(log, asked.Days!, perDay, from, GoRules.RestDaysFor(dog.Temperament, GoRule.AsSoonAsClear, HouseRules.Ours));
        var question = new ForecastQuestion
        {
            Plan = PlanOf(asked),
            Minds = dog.Sensitivities,
            Purposes = dog.Purposes,
            MayWearSleeve = dog.AirwayConcern is null,
            ReadyAt = asked.ReadyAt,
            Days = asked.Days!,
            SessionsPerDay = perDay,
            From = from,
            By = asked.By,
            Log = log,
            Held = asked.MissedDays is { } missed ? new(held.Held + missed, held.Held) : held,
            Dogs = asked.Dogs ?? Forecasts.UsualDogs,
        };
        var told = Forecasts.Of(question, new Random(asked.Seed ?? 1));
        return new WhatIfForecastAnswer(
            told.P10,
            told.P50,
            told.P90,
            told.ChanceBy?.Tidy(),
            told.NeverShare.Tidy(),
            [.. told.HoldsUp.Select(h => new WhatIfHoldUp(h.StepId, h.Sessions))],
            [.. told.WaysOut.Select(w => new WhatIfWayOut(WhatIfTraining.Words.WayOut(w, question), w.ChanceBy?.Tidy()))]
        );
    }
}
