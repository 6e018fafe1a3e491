using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>
/// Which release kept a practice. Release 1.0.0 makes its tables in one step; what came before it had made the same tables in many, the last of which is known by its name. From 1.0.0 on every
/// step stays as it is.
/// </summary>
internal static class Releases
{
    /// <summary>The last step of release 0.9.0: after it the tables are those of 1.0.0.</summary>
    private const string LastBefore = "20261130073215_Looks";

    /// <summary>Release 0.9.0 kept it: the same tables, made in other steps.</summary>
    public static bool IsOf09(IEnumerable<string> applied) => applied.Max(StringComparer.Ordinal) == LastBefore;

    /// <summary>Why this release does not open what was kept so; null where it does.</summary>
    /// <param name="what">What it is said of.</param>
    /// <param name="last">The last step that was applied.</param>
    /// <param name="steps">Those this release knows, in order.</param>
    public static PracticeProblem? Refuses(string what, string last, IReadOnlyList<string> steps)
    {
        if (last == LastBefore || steps.Contains(last))
            return null;
        return string.CompareOrdinal(last, steps[^1]) > 0
            ? new PracticeProblem($"{what} was kept by a newer release of Jaunty Badge than this one: start the newer release. It was left as it is.")
            : new PracticeProblem(
                $"{what} was kept by a release of Jaunty Badge before 0.9.0, which this one cannot read: open it once with release 0.9.0 (git tag v0.9.0), which brings it up to date, then with this one. It was left as it is."
            );
    }

    /// <summary>Notes in a practice of 0.9.0 that it has the tables of the first step of this release.</summary>
    public static async Task TakeOverAsync(PracticeDb db, string first, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync($"""DELETE FROM "__EFMigrationsHistory";""", cancel);
        await db.Database.ExecuteSqlAsync($"""INSERT INTO "__EFMigrationsHistory" VALUES ({first}, '1.0.0');""", cancel);
        await all.CommitAsync(cancel);
    }
}
