using FluentValidation;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

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

/// <summary>The digital tape.</summary>
internal static class TapeEndpoints
{
    public static void AddTape(this IServiceCollection services, bool connect)
    {
        services.AddSingleton<StandInTape>(s => new StandInTape(s.GetRequiredService<TimeProvider>()));
        services.AddSingleton<ITapeLink>(s => s.GetRequiredService<StandInTape>());
        services.AddSingleton<TapeService>();
        if (connect)
            services.AddHostedService(s => s.GetRequiredService<TapeService>());
    }

    public static void MapTape(this IEndpointRouteBuilder api)
    {
        var tape = api.MapGroup("/devices/tape").WithTags("Digital tape");
        tape.MapGet("/events", News).WithName("tapeNews").WithSummary("What the digital tape sends, as server-sent events: state, battery, readings, trouble.").Produces<TapeNews>(contentType: "text/event-stream");
        tape.MapPost("/stand-in", Do).WithName("standInTape").WithSummary("Press the simulated tape's button, or let it fail.").ProducesProblem(StatusCodes.Status409Conflict);
    }

    private static ServerSentEventsResult<TapeNews> News(TapeService tape, IHostApplicationLifetime life, HttpContext http)
    {
        // An open stream must not keep the server from stopping.
        var stop = CancellationTokenSource.CreateLinkedTokenSource(http.RequestAborted, life.ApplicationStopping);
        http.Response.RegisterForDispose(stop);
        return TypedResults.ServerSentEvents(UntilCancelled(tape.NewsAsync(stop.Token)), "tape");
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

    private static NoContent Do(StandInEntry entry, StandInTape tape) => tape.Do(entry.Act!.Value, StandInTape.Truth(entry.Measure!.Value, entry.Side))
        ? TypedResults.NoContent()
        : throw Refusal.Conflict("The tape is not connected just now. It is tried again by itself.");
}
