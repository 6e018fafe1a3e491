using System.Security.Cryptography;
using JauntyBadge.Core;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>One-time links: made, looked at, used up.</summary>
internal static class Links
{
    /// <summary>How long a link that sets a password may be used (House).</summary>
    public static readonly TimeSpan Lives = TimeSpan.FromHours(24);

    /// <summary>Where the page is that takes them; the secret stands behind its #.</summary>
    public const string Page = "/come-in";

    /// <summary>A secret nobody guesses: 256 bits.</summary>
    public static string NewSecret() => Convert.ToHexString(RandomNumberGenerator.GetBytes(32)).ToLowerInvariant();

    /// <summary>Keeps a link; the caller saves.</summary>
    /// <param name="db">The practice.</param>
    /// <param name="opens">What it opens.</param>
    /// <param name="secret">What it says.</param>
    /// <param name="runsOut">Until when.</param>
    /// <param name="person">Whom it lets in; null for the first fitter.</param>
    public static LinkRow Add(PracticeDb db, Opening opens, string secret, DateTime runsOut, Guid? person)
    {
        var link = new LinkRow
        {
            Id = Guid.NewGuid(),
            Secret = Guard.Fingerprint(secret),
            Opens = opens,
            PersonId = person,
            RunsOutAt = runsOut,
        };
        db.Links.Add(link);
        return link;
    }

    /// <summary>The link a secret opens, if it still does.</summary>
    public static Task<LinkRow?> FindAsync(PracticeDb db, string? secret, bool pairs, TimeProvider clock, CancellationToken cancel)
    {
        var (mark, now) = (Guard.Fingerprint(secret ?? ""), clock.UtcNow());
        return db.Links.SingleOrDefaultAsync(l => l.Secret == mark && l.UsedAt == null && l.RunsOutAt > now && (l.Opens == Opening.Pair) == pairs, cancel);
    }

    /// <summary>Ends links that nobody used yet: one that stands on somebody's screen opens nothing any more.</summary>
    public static Task<int> EndAsync(IQueryable<LinkRow> links, DateTime now, CancellationToken cancel) =>
        links.Where(l => l.UsedAt == null).ExecuteUpdateAsync(l => l.SetProperty(x => x.UsedAt, now), cancel);

    /// <summary>Makes the link for a practice that has no fitter yet who could come in; null where there is one.</summary>
    public static async Task<string?> FirstAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        if (await Persons.FittersIn(db).AnyAsync(cancel))
            return null;
        var (secret, now) = (NewSecret(), clock.UtcNow());
        await EndAsync(db.Links.Where(l => l.Opens == Opening.FirstFitter), now, cancel);
        Add(db, Opening.FirstFitter, secret, now + Lives, person: null);
        await db.SaveChangesAsync(cancel);
        return secret;
    }
}
