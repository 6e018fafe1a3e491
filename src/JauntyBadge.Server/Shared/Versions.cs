using Microsoft.AspNetCore.Mvc;

namespace JauntyBadge.Server.Shared;

/// <summary>What more than one hand may edit, with the version it is at: 0 for what nobody has entered yet.</summary>
internal interface IAtVersion
{
    long Version { get; }
}

/// <summary>The version that was edited, as If-Match names it.</summary>
[AttributeUsage(AttributeTargets.Parameter)]
internal sealed class EditedAttribute : FromHeaderAttribute
{
    public EditedAttribute() => Name = "If-Match";
}

/// <summary>Versions in ETag and If-Match (RFC 9110, sections 8.8.3 and 13.1.1): whoever edits says what was edited, and is told where another was faster.</summary>
internal static class Versions
{
    public static string Tag(long version) => $"\"{version}\"";

    /// <summary>Refuses an edit of anything but the newest version.</summary>
    /// <param name="edited">The version edited, as If-Match has it.</param>
    /// <param name="version">The newest one.</param>
    /// <param name="what">Its name, to begin a sentence with.</param>
    /// <param name="current">What it is now, to be shown beside what was typed.</param>
    /// <exception cref="Refusal">None was named: 428. Another one is the newest: 412, with what it is now.</exception>
    public static void Need(string? edited, long version, string what, object? current)
    {
        if (IsStale(edited, version))
            throw Stale(version, what, current);
    }

    /// <summary>The same, where it costs something to say what is there now: it is asked for only when it is told.</summary>
    public static async Task NeedAsync(string? edited, long version, Func<Task<(string What, object? Current)>> now)
    {
        if (!IsStale(edited, version))
            return;
        var (what, current) = await now();
        throw Stale(version, what, current);
    }

    private static bool IsStale(string? edited, long version)
    {
        if (string.IsNullOrWhiteSpace(edited))
        {
            throw new Refusal(
                StatusCodes.Status428PreconditionRequired,
                "Which version was edited?",
                "Say in If-Match which version was edited, in quotes as it was read: \"0\" for what was not there yet. So nobody's work is overwritten unseen."
            );
        }

        return edited.Trim() != Tag(version);
    }

    private static Refusal Stale(long version, string what, object? current) =>
        new(StatusCodes.Status412PreconditionFailed, "Someone was faster", $"{what} was changed by someone else in the meantime. Nothing you typed is lost.")
        {
            Current = current,
            Extensions = new Dictionary<string, object?> { ["version"] = version },
        };
}
