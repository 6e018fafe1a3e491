using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Round;

/// <summary>How the training of one dog stands.</summary>
/// <param name="Says">That in a sentence.</param>
/// <param name="Passed">Steps passed, of those of its plan.</param>
/// <param name="Sessions">Sessions of the last two weeks.</param>
/// <param name="Wanted">The day it is wanted, while there are steps to go.</param>
/// <param name="DaysLeft">Days until then.</param>
/// <param name="StepsLeft">Steps to pass by then.</param>
public sealed record StandingRowDto(
    Guid Id,
    string Name,
    string? Keeper,
    string? Place,
    TrainingState State,
    string Says,
    int Passed,
    int Steps,
    int Sessions,
    DateOnly? LastTrained,
    DateOnly? Wanted,
    int? DaysLeft,
    int StepsLeft
);

/// <summary>How many dogs stand so.</summary>
public sealed record StandingCountDto(TrainingState State, int Count);

/// <summary>How the training of all dogs stands.</summary>
/// <param name="Counts">By state, what asks for a look coming first; none that holds no dog.</param>
/// <param name="Dated">Dogs that are wanted by a day, with steps to go.</param>
/// <param name="Rows">The dogs: those with a date by their date, then by state, then by name.</param>
public sealed record TrainingOverviewDto(IReadOnlyList<StandingCountDto> Counts, int Dated, IReadOnlyList<StandingRowDto> Rows);

/// <summary>The training of all dogs at a glance.</summary>
internal static class TrainingEndpoints
{
    public static void MapTrainingOverview(this IEndpointRouteBuilder api) =>
        api.MapGroup("/training")
            .WithTags("Round")
            .OneWriterAtATime()
            .MapGet("/", OverviewAsync)
            .WithName("training")
            .May(Concern.Round)
            .WithSummary("How the training of all dogs on the round stands: who is stuck, overdue, wanted by a day, ready.");

    private static async Task<TrainingOverviewDto> OverviewAsync(PracticeDb db, RoundBoard board, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var (today, words) = (clock.Today(), new ConditioningWords(await pen.TakeAsync(cancel)));
        var since = clock.UtcNow().AddDays(-TrainingStanding.LatelyDays);
        var lately = await db
            .Sessions.Where(s => s.StartedAt >= since)
            .GroupBy(s => s.DogId)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToDictionaryAsync(g => g.Key, g => g.Count, cancel);
        var rows = (await board.ReadAsync(db, today, cancel))
            .Select(d => Row(d, words, lately.GetValueOrDefault(d.Id), today))
            .OrderBy(r => r.Wanted ?? DateOnly.MaxValue)
            .ThenBy(r => r.State)
            .ThenBy(r => r.Name, NameOrder.Natural)
            .ToList();
        return new TrainingOverviewDto(
            [.. rows.GroupBy(r => r.State).OrderBy(g => g.Key).Select(g => new StandingCountDto(g.Key, g.Count()))],
            rows.Count(r => r.Wanted is not null),
            rows
        );
    }

    private static StandingRowDto Row(RoundDog dog, ConditioningWords words, int sessions, DateOnly today) =>
        new(
            dog.Id,
            dog.Name,
            dog.Keeper,
            dog.Place,
            dog.Training.State,
            words.Standing(dog.Training, today),
            dog.Training.Passed,
            dog.Training.Steps,
            sessions,
            dog.Training.LastTrained,
            dog.Training.Wanted,
            dog.Training.Wanted?.DayNumber - today.DayNumber,
            dog.Training.StepsLeft
        );
}
