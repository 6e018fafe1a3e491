using System.Globalization;
using CsvHelper;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A share of goes with its 95 % interval.</summary>
public sealed record ShareDto(int Good, int Of, double Low, double High)
{
    public static ShareDto From(ShareOf share) => new(share.Good, share.Of, share.Low.Tidy(), share.High.Tidy());
}

/// <summary>A session as it went.</summary>
public sealed record SessionProgressDto(
    DateOnly Day,
    ShareDto Goes,
    int Unsure,
    int Worried,
    int OverThreshold,
    double? LongestHoldSeconds,
    double? AskedSeconds,
    int Passed
);

/// <summary>A step as it went.</summary>
public sealed record StepProgressDto(string StepId, string Step, int Sessions, DateOnly First, DateOnly Last, ShareDto Goes, int WorriedSets);

/// <summary>Where a dog is stuck, and what to try.</summary>
/// <param name="Sessions">Sessions in a row that brought it no further.</param>
/// <param name="IfStuck">What the step says to try.</param>
/// <param name="Easier">The easier rungs below its first target.</param>
public sealed record StuckDto(string StepId, string Step, int Sessions, string IfStuck, IReadOnlyList<string> Easier);

/// <summary>The share of holds that lasted so long.</summary>
public sealed record StillInDto(double Seconds, double Share);

/// <summary>How a dog has come on.</summary>
/// <param name="StillIn">Of its last twenty holds, the share still in after so long (product-limit estimate).</param>
public sealed record ProgressDto(
    IReadOnlyList<SessionProgressDto> Sessions,
    IReadOnlyList<StepProgressDto> Steps,
    StuckDto? Stuck,
    IReadOnlyList<StillInDto> StillIn
);

/// <summary>How dogs have come on.</summary>
internal static class ProgressEndpoints
{
    public static void MapProgress(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Conditioning").OneWriterAtATime();
        dog.MapGet("/progress", ProgressAsync)
            .WithName("progress")
            .May(Concern.Plan)
            .WithSummary("How the dog has come on: sessions, steps, holds, and where it is stuck.");
        dog.MapGet("/progress.csv", CsvAsync)
            .WithName("progressFile")
            .May(Concern.WholePractice)
            .WithSummary("The same sessions as comma-separated values.")
            .Produces<string>(StatusCodes.Status200OK, "text/csv");
    }

    private static async Task<Progress> LoadAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        return Progress.Of(await db.ProgressSetsAsync(id, cancel), await db.RulesAsync(cancel));
    }

    private static async Task<ProgressDto> ProgressAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var progress = await LoadAsync(id, db, cancel);
        var words = new ConditioningWords(await pen.TakeAsync(cancel));
        return new ProgressDto(
            [.. progress.Sessions.Select(Of)],
            [
                .. progress.Steps.Select(s => new StepProgressDto(
                    s.StepId,
                    words.OnRecord(s.StepId),
                    s.Sessions,
                    s.First,
                    s.Last,
                    ShareDto.From(s.Goes),
                    s.WorriedSets
                )),
            ],
            progress.Stuck is { } stuck && Step.Find(stuck.StepId) is { } found && words.Told(found) is var step
                ? new StuckDto(step.Id, step.Name, stuck.Sessions, step.IfStuck, step.Easier)
                : null,
            [.. progress.StillIn.Select(s => new StillInDto(s.At.TotalSeconds, s.StillIn.Tidy()))]
        );
    }

    private static SessionProgressDto Of(SessionProgress s) =>
        new(
            s.Day,
            ShareDto.From(s.Goes),
            s.Signs[SignGroup.Unsure],
            s.Signs[SignGroup.Worried],
            s.Signs[SignGroup.OverThreshold],
            s.LongestHold?.TotalSeconds,
            s.Asked?.TotalSeconds,
            s.Passed
        );

    private static async Task<IResult> CsvAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        var progress = await LoadAsync(id, db, cancel);
        using var text = new StringWriter(CultureInfo.InvariantCulture) { NewLine = "\r\n" };
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
            csv.WriteRecords(
                progress
                    .Sessions.Select(Of)
                    .Select(s => new
                    {
                        day = s.Day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                        good = s.Goes.Good,
                        goes = s.Goes.Of,
                        low = s.Goes.Low,
                        high = s.Goes.High,
                        unsure = s.Unsure,
                        worried = s.Worried,
                        over_threshold = s.OverThreshold,
                        longest_hold_s = s.LongestHoldSeconds,
                        asked_s = s.AskedSeconds,
                        steps_passed = s.Passed,
                    })
            );
        return TypedResults.Text(text.ToString(), "text/csv", System.Text.Encoding.UTF8);
    }
}
