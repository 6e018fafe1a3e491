namespace JauntyBadge.Server.Start;

/// <summary>Why the server did not start is said once, in words (see Program), not in the stack traces of those who tried.</summary>
internal static class StartLog
{
    /// <summary>Whether the server answers: from then on everything is logged.</summary>
    public static bool Started { get; set; }

    public static void AddStartLog(this ILoggingBuilder logging)
    {
        foreach (
            var who in new[]
            {
                "Microsoft.Extensions.Hosting.Internal.Host",
                "Microsoft.AspNetCore.Server.Kestrel",
                "Microsoft.EntityFrameworkCore.Database.Transaction",
            }
        )
            logging.AddFilter(who, level => level >= LogLevel.Warning && (Started || level < LogLevel.Error));
    }
}
