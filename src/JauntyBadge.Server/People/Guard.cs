using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.People;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>
/// Holds back whoever guesses, by name and by address. A try is counted before it is looked at, so that a thousand at once are a thousand; what is right takes it back. It is on record, so
/// that a restart forgives nothing.
/// </summary>
internal sealed class Guard(PracticeDb db, WriteGate gate, TimeProvider clock)
{
    /// <summary>Counts a try.</summary>
    /// <param name="http">Where it comes from.</param>
    /// <param name="what">What is tried, such as a name; null where only the address counts.</param>
    /// <exception cref="Refusal">It has to wait: 429.</exception>
    public async Task CountAsync(HttpContext http, string? what, CancellationToken cancel)
    {
        var keys = KeysOf(http, what);
        var wait = await gate.WriteAsync(
            db,
            async () =>
            {
                var now = clock.UtcNow();
                await db.Tries.Where(t => t.LastAt < now - Pauses.Forgotten).ExecuteDeleteAsync(cancel);
                var longest = TimeSpan.Zero;
                foreach (var (key, free) in keys)
                {
                    var row = await db.Tries.AsNoTracking().SingleOrDefaultAsync(t => t.Key == key, cancel);
                    // A clock set back must not shorten or stretch a pause beyond what it is.
                    var left = row is null ? TimeSpan.Zero : Pauses.After(row.Wrong, free) - (now > row.LastAt ? now - row.LastAt : TimeSpan.Zero);
                    longest = left > longest ? left : longest;
                }

                if (longest > TimeSpan.Zero)
                    return longest;
                foreach (var (key, _) in keys)
                {
                    if (
                        await db
                            .Tries.Where(t => t.Key == key)
                            .ExecuteUpdateAsync(t => t.SetProperty(x => x.Wrong, x => x.Wrong + 1).SetProperty(x => x.LastAt, now), cancel) == 0
                    )
                        db.Tries.Add(
                            new TryRow
                            {
                                Key = key,
                                Wrong = 1,
                                LastAt = now,
                            }
                        );
                }

                await db.SaveChangesAsync(cancel);
                return TimeSpan.Zero;
            },
            cancel
        );
        if (wait == TimeSpan.Zero)
            return;
        var seconds = (int)Math.Ceiling(wait.TotalSeconds);
        http.Response.OnStarting(() =>
        {
            http.Response.Headers.RetryAfter = seconds.ToString(CultureInfo.InvariantCulture);
            return Task.CompletedTask;
        });
        throw new Refusal(
            StatusCodes.Status429TooManyRequests,
            "Too many tries",
            $"Too many wrong tries. Wait {(seconds < 120 ? $"{seconds} seconds" : $"{(int)Math.Ceiling(wait.TotalMinutes)} minutes")}, then try again."
        );
    }

    /// <summary>It was right: what was counted is taken back. An address keeps its other wrong tries.</summary>
    public Task<int> RightAsync(HttpContext http, string? what, CancellationToken cancel)
    {
        var keys = KeysOf(http, what);
        return gate.WriteAsync(
            db,
            async () =>
            {
                if (what is not null)
                {
                    var name = keys[^1].Key;
                    await db.Tries.Where(t => t.Key == name).ExecuteDeleteAsync(cancel);
                }

                var address = keys[0].Key;
                return await db
                    .Tries.Where(t => t.Key == address && t.Wrong > 0)
                    .ExecuteUpdateAsync(t => t.SetProperty(x => x.Wrong, x => x.Wrong - 1), cancel);
            },
            cancel
        );
    }

    private static IReadOnlyList<(string Key, int Free)> KeysOf(HttpContext http, string? what)
    {
        var address = (Fingerprint($"address {http.Connection.RemoteIpAddress}"), Pauses.FreePerAddress);
        return what is null ? [address] : [address, (Fingerprint($"name {what.Trim().ToUpperInvariant()}"), Pauses.Free)];
    }

    /// <summary>Names and addresses are nobody's to read in the file.</summary>
    public static string Fingerprint(string text) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
}
