using JauntyBadge.Data;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// Lets writers in one after the other. They wait without holding a thread, and no longer than a person would; readers never come here. SQLite has
/// one writer at a time anyway: taking one's place before reading means that what was read is still true when it is written.
/// </summary>
internal sealed class WriteGate(PracticeFolder folder) : IDisposable
{
    /// <summary>How long a writer waits for its turn before it is told to come back (House).</summary>
    public static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(5);

    private static readonly TimeSpan Between = TimeSpan.FromMilliseconds(50);

    private readonly SemaphoreSlim turn = new(1);

    /// <summary>Does something whole or not at all, as the only writer.</summary>
    /// <exception cref="Refusal">Others took too long: 503.</exception>
    public async Task<T> WriteAsync<T>(PracticeDb db, Func<Task<T>> write, CancellationToken cancel)
    {
        var until = DateTime.UtcNow + LongestWait;
        if (!await turn.WaitAsync(LongestWait, cancel))
            throw Busy();
        try
        {
            await using var transaction = await BeginAsync(db, until, cancel);
            await using var open = await StayOpenAsync(db, cancel);
            var answer = await write();
            await transaction.CommitAsync(cancel);
            if (db.LastGiven is { } last)
                folder.Note(last);
            if (folder.IsWhole)
                return answer;
            // What a file that was taken away holds is gone with this process: open the one that is there, or none.
            folder.LetGo();
            throw Gone();
        }
        finally
        {
            turn.Release();
        }
    }

    /// <summary>Does something while nobody writes and no file is held by a writer, such as putting another practice in place.</summary>
    /// <exception cref="Refusal">Others took too long: 503.</exception>
    public async Task<T> AloneAsync<T>(Func<Task<T>> work, CancellationToken cancel)
    {
        if (!await turn.WaitAsync(LongestWait, cancel))
            throw Busy();
        try
        {
            return await work();
        }
        finally
        {
            turn.Release();
        }
    }

    public void Dispose() => turn.Dispose();

    /// <summary>Begins as the only writer of the file, which another program may hold.</summary>
    private static async Task<IDbContextTransaction> BeginAsync(PracticeDb db, DateTime until, CancellationToken cancel)
    {
        while (true)
        {
            try
            {
                return await db.Database.BeginTransactionAsync(cancel);
            }
            catch (Exception e) when (SqliteWords.Of(e) == SqliteWords.Trouble.Busy)
            {
                if (DateTime.UtcNow >= until)
                    throw Busy();
            }

            await Task.Delay(Between, cancel);
        }
    }

    /// <summary>Keeps the practice open beyond the end of a transaction: SQLite itself takes files away when the last who has it open lets go.</summary>
    private static async Task<IAsyncDisposable> StayOpenAsync(PracticeDb db, CancellationToken cancel)
    {
        await db.Database.OpenConnectionAsync(cancel);
        return new Opened(db);
    }

    private sealed class Opened(PracticeDb db) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync() => await db.Database.CloseConnectionAsync();
    }

    private static Refusal Gone() =>
        Refusal.Later(
            "The practice's files were moved or deleted while it is open. Nothing of this was saved. Put them back where they were, or a backup in their place, and start the server again."
        );

    private static Refusal Busy() =>
        Refusal.Later("Others are writing just now, or another program holds the practice's file. Nothing of this was saved yet; try again in a moment.");
}

/// <summary>How a group of endpoints reads and writes.</summary>
internal static class OneWriter
{
    /// <summary>Writes happen one after the other, each whole or not at all; a read sees the practice as it was at one moment.</summary>
    public static RouteGroupBuilder OneWriterAtATime(this RouteGroupBuilder group) =>
        group
            .WithMetadata(new InTurn())
            .AddEndpointFilter(
                async (call, next) =>
                {
                    if (!HttpMethods.IsGet(call.HttpContext.Request.Method) && call.HttpContext.GetEndpoint()?.Metadata.GetMetadata<Reading>() is null)
                        return Tagged(await Once.WriteAsync(call, next), call.HttpContext);
                    var (services, cancel) = (call.HttpContext.RequestServices, call.HttpContext.RequestAborted);
                    var db = services.GetRequiredService<PracticeDb>();
                    await using var moment = await db.AtOneMomentAsync(cancel);
                    return HttpMethods.IsGet(call.HttpContext.Request.Method) && call.HttpContext.GetEndpoint()?.Metadata.GetMetadata<OfTheMoment>() is null
                        ? await NotModified.AnswerAsync(call, next, db, services.GetRequiredService<TimeProvider>())
                        : await next(call);
                }
            );

    /// <summary>What is read from now on is the practice as it is now; nobody is kept from writing.</summary>
    public static async Task<IAsyncDisposable> AtOneMomentAsync(this PracticeDb db, CancellationToken cancel)
    {
        await db.Database.OpenConnectionAsync(cancel);
        var moment = ((SqliteConnection)db.Database.GetDbConnection()).BeginTransaction(deferred: true);
        await db.Database.UseTransactionAsync(moment, cancel);
        return moment;
    }

    /// <summary>Says that an endpoint writes nothing, though what it is asked about comes in a body.</summary>
    public static RouteHandlerBuilder OnlyReads(this RouteHandlerBuilder endpoint) => endpoint.WithMetadata(new Reading());

    /// <summary>Says that an edit must name the version that was edited.</summary>
    public static RouteHandlerBuilder NeedsVersion(this RouteHandlerBuilder endpoint) =>
        endpoint.ProducesProblem(StatusCodes.Status412PreconditionFailed).ProducesProblem(StatusCodes.Status428PreconditionRequired);

    /// <summary>Whether what an address does is kept: then it takes an id and is done once.</summary>
    public static bool Writes(EndpointMetadataCollection of, string? method) =>
        method is not null && !HttpMethods.IsGet(method) && of.GetMetadata<InTurn>() is not null && of.GetMetadata<Reading>() is null;

    /// <summary>Whether an address writes nothing, though what it is asked about comes in a body.</summary>
    public static bool IsReading(EndpointMetadataCollection of) => of.GetMetadata<Reading>() is not null;

    /// <summary>Says that an endpoint writes in its turn.</summary>
    internal sealed record InTurn;

    /// <summary>Says that an answer follows from more than the record and the hour, such as the weather: it is never kept.</summary>
    public static RouteHandlerBuilder OfThisMoment(this RouteHandlerBuilder endpoint) => endpoint.WithMetadata(new OfTheMoment());

    private sealed record Reading;

    private sealed record OfTheMoment;

    internal static object? Tagged(object? answer, HttpContext http)
    {
        if (answer is IAtVersion at)
            http.Response.Headers.ETag = Versions.Tag(at.Version);
        return answer;
    }
}
