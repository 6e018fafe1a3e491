namespace JauntyBadge.Server.Shared;

/// <summary>A request that cannot be met, with the words for whoever made it. <see cref="ProblemHandler"/> answers it.</summary>
public sealed class Refusal(int status, string title, string detail) : Exception(detail)
{
    public int Status { get; } = status;
    public string Title { get; } = title;

    /// <summary>What is wrong by field.</summary>
    public IReadOnlyDictionary<string, string[]> Errors { get; init; } = new Dictionary<string, string[]>();

    /// <summary>Further members of the problem.</summary>
    public IReadOnlyDictionary<string, object?> Extensions { get; init; } = new Dictionary<string, object?>();

    /// <summary>What the server holds now, for a conflict.</summary>
    public object? Current { get; init; }

    public static Refusal NotFound(string detail) => new(StatusCodes.Status404NotFound, "Not found", detail);

    public static Refusal Conflict(string detail, object? current = null) =>
        new(StatusCodes.Status409Conflict, "Someone or something was faster", detail) { Current = current };

    /// <summary>Not now: the same request may do in a moment.</summary>
    public static Refusal Later(string detail) => new(StatusCodes.Status503ServiceUnavailable, "Not just now", detail);

    /// <summary>One field is wrong.</summary>
    public static Refusal Field(string field, string message) => Fields(new Dictionary<string, string[]> { [field] = [message] });

    public static Refusal Fields(IReadOnlyDictionary<string, string[]> errors) =>
        new(StatusCodes.Status400BadRequest, "Something entered cannot be used", errors.First().Value[0]) { Errors = errors };
}
