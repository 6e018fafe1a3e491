using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace JauntyBadge.Data;

/// <summary>
/// Opens one connection at a time. The pool of Microsoft.Data.Sqlite (10.0.12) takes a connection that it has handed out, and whose new owner is not noted
/// yet, for one that somebody forgot to close, where another is asked for at that very moment; two requests then have one connection between them.
/// </summary>
internal sealed class OneByOne : DbConnectionInterceptor
{
    /// <summary>There is one pool a file in the process, whoever opens it.</summary>
    public static OneByOne Instance { get; } = new();

    /// <summary>Held while one is opened, or the pool is emptied.</summary>
    public Lock Turn { get; } = new();

    public override InterceptionResult ConnectionOpening(DbConnection connection, ConnectionEventData eventData, InterceptionResult result)
    {
        lock (Turn)
            connection.Open();
        return InterceptionResult.Suppress();
    }

    public override ValueTask<InterceptionResult> ConnectionOpeningAsync(
        DbConnection connection,
        ConnectionEventData eventData,
        InterceptionResult result,
        CancellationToken cancellationToken = default
    ) => new(ConnectionOpening(connection, eventData, result));
}
