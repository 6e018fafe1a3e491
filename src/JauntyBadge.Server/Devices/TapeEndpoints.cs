using System.ComponentModel;
using FluentValidation;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Devices;

/// <summary>Something to be done with the stand-in tape.</summary>
/// <param name="Act">press, garble, slip or breakOff.</param>
/// <param name="Measure">What it lies along on the virtual dog.</param>
/// <param name="Side">Its side, where it has two.</param>
public sealed record StandInEntry(TapeAct? Act = null, Measure? Measure = null, Side? Side = null);

public sealed class StandInEntryValidator : AbstractValidator<StandInEntry>
{
    public StandInEntryValidator()
    {
        RuleFor(e => e.Act).NotNull().WithMessage("act is needed: press, garble, slip or breakOff.");
        RuleFor(e => e.Measure).NotNull().WithMessage("measure is needed: what the tape lies along.");
    }
}

/// <summary>A bench that wants the tape's readings.</summary>
public sealed record ClaimEntry(Guid? Bench = null);

public sealed class ClaimEntryValidator : AbstractValidator<ClaimEntry>
{
    public ClaimEntryValidator() => RuleFor(e => e.Bench).NotNull().WithMessage("bench is needed: the id it listens with.");
}

/// <summary>The digital tape.</summary>
internal static class TapeEndpoints
{
    public static void AddTape(this IServiceCollection services)
    {
        services.AddSingleton<StandInTape>(s => new StandInTape(s.GetRequiredService<TimeProvider>()));
        services.AddSingleton<ITapeLink>(s => s.GetRequiredService<StandInTape>());
        services.AddSingleton<TapeService>();
    }

    public static void MapTape(this IEndpointRouteBuilder api)
    {
        var tape = api.MapGroup("/devices/tape").WithTags("Digital tape");
        tape.MapGet("/events", News)
            .WithName("tapeNews")
            .May(Concern.Readings)
            .WithSummary("What the digital tape sends, as server-sent events: state, battery, readings, trouble.")
            .Produces<TapeNews>(contentType: "text/event-stream");
        tape.MapPost("/claim", Claim)
            .WithName("claimTape")
            .May(Concern.Readings)
            .WithSummary("Let the tape's readings come to a bench that listens, instead of to the one that has them now.")
            .ProducesProblem(StatusCodes.Status409Conflict);
        tape.MapPost("/stand-in", Do)
            .WithName("standInTape")
            .May(Concern.Readings)
            .WithSummary("Press the simulated tape's button, or let it fail.")
            .ProducesProblem(StatusCodes.Status409Conflict);
    }

    private static NoContent Claim(ClaimEntry entry, TapeService tape) =>
        tape.Claim(entry.Bench!.Value)
            ? TypedResults.NoContent()
            : throw Refusal.Conflict("This bench does not listen to the tape just now. It is tried again by itself.");

    private static async Task<ServerSentEventsResult<TapeNews>> News(
        TapeService tape,
        PracticeDb db,
        IHostApplicationLifetime life,
        HttpContext http,
        CancellationToken cancel,
        [Description("the bench that listens, an id it keeps")] Guid? bench = null,
        [Description("the dog on it")] Guid? dog = null
    )
    {
        var name = await db.Dogs.AsNoTracking().Where(d => d.Id == dog).Select(d => d.Name).FirstOrDefaultAsync(cancel);

        // An open stream must not keep the server from stopping.
        var stop = CancellationTokenSource.CreateLinkedTokenSource(http.RequestAborted, life.ApplicationStopping);
        http.Response.RegisterForDispose(stop);
        return TypedResults.ServerSentEvents(UntilCancelled(tape.NewsAsync(new TapeBench(bench ?? Guid.NewGuid(), name ?? "another dog"), stop.Token)), "tape");
    }

    private static async IAsyncEnumerable<TapeNews> UntilCancelled(IAsyncEnumerable<TapeNews> news)
    {
        await using var each = news.GetAsyncEnumerator();
        while (true)
        {
            try
            {
                if (!await each.MoveNextAsync())
                    yield break;
            }
            catch (OperationCanceledException)
            {
                yield break;
            }

            yield return each.Current;
        }
    }

    private static NoContent Do(StandInEntry entry, StandInTape tape) =>
        tape.Do(entry.Act!.Value, StandInTape.Truth(entry.Measure!.Value, entry.Side))
            ? TypedResults.NoContent()
            : throw Refusal.Conflict("The tape is not connected just now. It is tried again by itself.");
}
