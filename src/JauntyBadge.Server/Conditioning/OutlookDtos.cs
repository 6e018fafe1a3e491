using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A school as it is offered.</summary>
public sealed record SchoolDto(SchoolId Id, string Name, string Says);

/// <summary>A policy as it is offered.</summary>
public sealed record PolicyChoicesDto(PolicyTopic Topic, string Name, IReadOnlyList<PolicyOption> Options);

/// <summary>What a plan can be chosen from, and what holds in every session.</summary>
/// <param name="WhenOver">What to do with a dog over threshold, in order.</param>
/// <param name="BadDay">What to do instead of a session on a bad day.</param>
public sealed record WaysOfWorkingDto(
    IReadOnlyList<SchoolDto> Schools,
    IReadOnlyList<PolicyChoicesDto> Policies,
    IReadOnlyList<string> WhenOver,
    string BadDay
);

/// <summary>What another school would change for one dog.</summary>
/// <param name="Steps">How many steps its plan would have.</param>
/// <param name="Adds">Steps it would bring, by name.</param>
/// <param name="Drops">Steps it would do without, by name.</param>
/// <param name="Kept">Steps passed already that it has too: they stay passed.</param>
/// <param name="Policies">What it would do otherwise.</param>
public sealed record SchoolComparedDto(
    SchoolId Id,
    string Name,
    string Says,
    bool IsChosen,
    int Steps,
    IReadOnlyList<string> Adds,
    IReadOnlyList<string> Drops,
    int Kept,
    IReadOnlyList<Policy> Policies
);

/// <summary>A school to be trained by from now on.</summary>
/// <param name="Policies">Policies chosen by topic, each an option of the list; topics left out follow the dog and the school.</param>
/// <param name="Reason">Why.</param>
public sealed record SchoolEntry(SchoolId? School = null, IReadOnlyDictionary<PolicyTopic, string>? Policies = null, string? Reason = null);

/// <summary>How a dog took what was asked of it to find where to begin.</summary>
/// <param name="WentWell">How many tries in a row, from the first on, went well and at ease.</param>
public sealed record BeginEntry(int? WentWell = null);

/// <summary>The owner's days.</summary>
/// <param name="Days">Days of the week, at least one.</param>
/// <param name="SessionsPerDay">1 or 2.</param>
/// <param name="By">The day it is wanted; null for none.</param>
/// <param name="ReadyAt">The last step that has to be passed by then; null for the purpose's last.</param>
public sealed record TrainingWeekEntry(IReadOnlyList<DayOfWeek>? Days = null, int? SessionsPerDay = null, DateOnly? By = null, string? ReadyAt = null);

/// <summary>The owner's days as they are kept.</summary>
/// <param name="Days">Days of the week.</param>
/// <param name="SessionsPerDay">1 or 2.</param>
/// <param name="By">The day it is wanted; null for none.</param>
/// <param name="ReadyAt">The last step that has to be passed by then; null for the purpose's last.</param>
public sealed record TrainingWeekDto(IReadOnlyList<DayOfWeek> Days, int SessionsPerDay, DateOnly? By, string? ReadyAt, long Version) : IAtVersion
{
    internal static TrainingWeekDto Of(TrainingWeek week, PlanChoiceRow? choice) =>
        new(week.Days, week.SessionsPerDay, week.By, week.ReadyAt, choice?.Number ?? 0);
}

/// <summary>What holds it up.</summary>
public sealed record HoldUpDto(string StepId, string Step, double Sessions);

/// <summary>A way out of a date that will hardly hold.</summary>
/// <param name="ChanceBy">The chance of being ready by the day so; null for what cannot be played.</param>
public sealed record WayOutDto(WayOutKind Kind, string What, double? ChanceBy);

/// <summary>Steps passed at the end of a day: one in ten dogs like it no more than the first, half the second, nine in ten the third.</summary>
public sealed record FanDto(DateOnly Day, int P10, int P50, int P90);

/// <summary>When the dog will be ready.</summary>
/// <param name="By">The day wanted.</param>
/// <param name="ReadyAt">The step that has to be passed, by name.</param>
/// <param name="Wanted">How many steps that is.</param>
/// <param name="Says">When it is likely to be ready, and what that cannot know yet.</param>
/// <param name="Low">The chance is so low that ways out are shown.</param>
public sealed record ForecastDto(
    DateOnly? By,
    string ReadyAt,
    int Wanted,
    DateOnly? P10,
    DateOnly? P50,
    DateOnly? P90,
    double? ChanceBy,
    bool Low,
    double NeverShare,
    IReadOnlyList<HoldUpDto> HoldsUp,
    IReadOnlyList<WayOutDto> WaysOut,
    int PassedNow,
    IReadOnlyList<FanDto> Fan,
    string Says
)
{
    internal static ForecastDto Of(Forecast told, ForecastQuestion asked, ConditioningWords words)
    {
        var wanted = asked.Plan.Wanted(asked.ReadyAt);
        return new(
            asked.By,
            words.Called(asked.Plan.Steps()[wanted - 1]),
            wanted,
            told.P10,
            told.P50,
            told.P90,
            told.ChanceBy,
            told.ChanceBy < Forecasts.LowChance,
            told.NeverShare,
            [.. told.HoldsUp.Select(h => new HoldUpDto(h.StepId, words.OnRecord(h.StepId), h.Sessions))],
            [.. told.WaysOut.Select(w => new WayOutDto(w.Kind, words.WayOut(w, asked), w.ChanceBy))],
            told.PassedNow,
            [.. told.Fan.Select(f => new FanDto(f.Day, f.P10, f.P50, f.P90))],
            words.Foretold(told, asked.Log.Count > 0)
        );
    }
}

/// <summary>Something on a day.</summary>
/// <param name="Step">The step that half of the dogs like it have come to by then.</param>
/// <param name="SetUp">How things stand before a go of it.</param>
public sealed record CalendarEntryDto(DateOnly Day, CalendarKind Kind, int Number, string Says, string? StepId, string? Step, string? SetUp);

/// <summary>The plan laid on days, and when it will be done.</summary>
public sealed record OutlookDto(TrainingWeekDto Week, ForecastDto? Forecast, IReadOnlyList<CalendarEntryDto> Calendar);
