using System.ComponentModel;
using System.Globalization;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Round;

/// <summary>How many dogs a group of the round holds.</summary>
public sealed record RoundGroupDto(RoundGroup Group, int Count);

/// <summary>A stretch of the round.</summary>
/// <param name="Groups">The groups that hold a dog, in the order they are shown.</param>
/// <param name="Total">How many dogs were found.</param>
/// <param name="From">How many of them come before this stretch.</param>
/// <param name="Cards">The stretch.</param>
/// <param name="All">How many dogs there are, found or not.</param>
/// <param name="Day">The day it is, in words.</param>
public sealed record RoundDto(IReadOnlyList<RoundGroupDto> Groups, int Total, int From, IReadOnlyList<RoundCardDto> Cards, int All, string Day)
{
    internal static string InWords(DateOnly day) => day.ToString("dddd d MMMM", CultureInfo.InvariantCulture);
}

/// <summary>The home view.</summary>
internal static class RoundEndpoints
{
    private const int Usual = 24;
    private const int MostAtOnce = 2000;
    private const int LongestSearch = 100;

    public static void MapRound(this IEndpointRouteBuilder api)
    {
        api.MapGroup("/round")
            .WithTags("Round")
            .OneWriterAtATime()
            .MapGet("/", RoundAsync)
            .WithName("round")
            .WithSummary("Dogs with their badge and what is next, a stretch at a time; archived=true lists the archived ones.");
    }

    private static async Task<RoundDto> RoundAsync(
        PracticeDb db,
        RoundBoard board,
        TimeProvider clock,
        CancellationToken cancel,
        bool archived = false,
        [Description("words of a name, keeper, place or breed; the beginning of each is enough")] string? search = null,
        [Description("how many dogs to leave out before")] int from = 0,
        [Description("how many dogs to list")] int count = Usual
    )
    {
        if (from < 0)
            throw Refusal.Field("from", "from must be 0 or more.");
        if (count is < 1 or > MostAtOnce)
            throw Refusal.Field("count", $"count must be 1 to {MostAtOnce}.");
        if (search is { Length: > LongestSearch })
            throw Refusal.Field("search", $"Up to {LongestSearch} letters, please.");
        var words = new RoundSearch(search);
        if (archived)
            return await ArchivedAsync(db, words, clock.Today(), from, count, cancel);
        var all = await board.ReadAsync(db, clock.Today(), cancel);
        var found = all.Where(c => words.Finds(c.Name, c.Keeper, c.Place, c.Breeds)).ToList();
        return new RoundDto(
            [.. found.GroupBy(c => c.Group).Select(g => new RoundGroupDto(g.Key, g.Count()))],
            found.Count,
            from,
            [.. found.Skip(from).Take(count)],
            all.Count,
            RoundDto.InWords(clock.Today())
        );
    }

    private static async Task<RoundDto> ArchivedAsync(PracticeDb db, RoundSearch words, DateOnly today, int from, int count, CancellationToken cancel)
    {
        var breeds = await BreedRow.ListAsync(db, cancel);
        var all = await db
            .Dogs.Where(d => d.ArchivedAt != null)
            .Select(d => new
            {
                d.Id,
                d.Name,
                d.Keeper,
                d.Place,
                d.BreedIds,
            })
            .ToListAsync(cancel);
        var found = all.Where(d => words.Finds([d.Name, d.Keeper, d.Place, .. d.BreedIds.Select(id => breeds.Find(id)?.Name)]))
            .OrderBy(d => d.Name, StringComparer.Ordinal)
            .ThenBy(d => d.Id)
            .ToList();
        var page = found.Skip(from).Take(count).Select(d => d.Id).ToList();
        var files = (await DogFile.LoadAsync(db, db.Dogs.Where(d => page.Contains(d.Id)), cancel)).ToDictionary(f => f.Dog.Id);
        return new RoundDto([], found.Count, from, [.. page.Select(id => RoundCardDto.Of(files[id], today))], all.Count, RoundDto.InWords(today));
    }
}
