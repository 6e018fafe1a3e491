using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>What was answered to something sent under an id of its own, so that the same sent again is answered the same and done once.</summary>
public sealed class AnswerRow
{
    /// <summary>So long an answer is kept: longer than a device waits with what it has to send (House).</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromDays(120);

    /// <summary>Made where it was entered.</summary>
    public Guid Id { get; set; }

    /// <summary>What was asked, as a fingerprint.</summary>
    public required string Asked { get; set; }

    public int Status { get; set; }
    public string? Location { get; set; }

    /// <summary>The version it made; null for what has none.</summary>
    public long? Version { get; set; }

    /// <summary>The answer's JSON, packed.</summary>
    public required byte[] Body { get; set; }

    public DateTime At { get; set; }

    /// <summary>Drops what nobody will send again.</summary>
    public static Task<int> ForgetAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var since = clock.GetUtcNow().UtcDateTime - Kept;
        return db.Answers.Where(a => a.At < since).ExecuteDeleteAsync(cancel);
    }
}
