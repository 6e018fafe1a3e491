using System.ComponentModel;
using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.People;
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
public sealed record RoundDto(IReadOnlyList<RoundGroupDto> Groups, int Total, int From, IReadOnlyList<RoundCardDto> Cards, int All, string Day);

/// <summary>The order of the fitter's stops.</summary>
/// <param name="Places">Every place with a dog on the round, in that order; those never put in order come last, by name.</param>
public sealed record StopsDto(IReadOnlyList<string> Places, long Version) : IAtVersion;

/// <summary>The order of the stops as set.</summary>
public sealed record StopsEntry(IReadOnlyList<string>? Places = null);

public sealed class StopsEntryValidator : AbstractValidator<StopsEntry>
{
    private const int Most = 500;

    public StopsEntryValidator()
    {
        RuleFor(s => s.Places)
            .NotNull()
            .WithMessage("places is needed, in the order of the stops.")
            .Must(p => p is null || p.Count <= Most)
            .WithMessage($"Up to {Most} places, please.");
        RuleForEach(s => s.Places).NotEmpty().WithMessage("A place has a name.").MaximumLength(120).WithMessage("Up to 120 letters, please.");
    }
}

/// <summary>How the round is sorted.</summary>
public enum RoundOrder
{
    /// <summary>What cannot wait first.</summary>
    Pressing,

    /// <summary>In the order of the fitter's stops.</summary>
    Stops,
}

/// <summary>The home view.</summary>
internal static class RoundEndpoints
{
    private const int Usual = 24;
    private const int MostAtOnce = 2000;
    private const int LongestSearch = 100;

    public static void MapRound(this IEndpointRouteBuilder api)
    {
        var round = api.MapGroup("/round").WithTags("Round").OneWriterAtATime();
        round
            .MapGet("/", RoundAsync)
            .WithName("round")
            .May(Concern.Round)
            .WithSummary("Dogs with their badge and what there is to do, a stretch at a time; archived=true lists the archived ones.");
        round.MapGet("/stops", StopsAsync).WithName("stops").May(Concern.Round).WithSummary("The places of the round in the order of the fitter's stops.");
        round.MapPut("/stops", SetStopsAsync).WithName("setStops").May(Concern.Round).WithSummary("Set the order of the stops.").NeedsVersion();
    }

    private static async Task<StopsDto> StopsAsync(PracticeDb db, RoundBoard board, TimeProvider clock, CancellationToken cancel)
    {
        var row = await StopsRow.LoadAsync(db, cancel);
        var there = (await board.ReadAsync(db, clock.Today(), cancel)).Select(c => c.Place).OfType<string>().ToHashSet();
        return new StopsDto([.. row.Places.Where(there.Contains), .. there.Except(row.Places).Order(StringComparer.OrdinalIgnoreCase)], row.Version);
    }

    private static async Task<StopsDto> SetStopsAsync(
        StopsEntry entry,
        PracticeDb db,
        RoundBoard board,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await db.Stops.SingleOrDefaultAsync(cancel);
        await Versions.NeedAsync(edited, row?.Version ?? 0, async () => ("The order of the stops", await StopsAsync(db, board, clock, cancel)));
        if (row is null)
            db.Stops.Add(row = new StopsRow());
        row.Places = [.. entry.Places!.Distinct()];
        await db.SaveChangesAsync(cancel);
        return await StopsAsync(db, board, clock, cancel);
    }

    private static async Task<RoundDto> RoundAsync(
        PracticeDb db,
        RoundBoard board,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        bool archived = false,
        [Description("words of a name, keeper, place or breed; the beginning of each is enough")] string? search = null,
        [Description("how many dogs to leave out before")] int from = 0,
        [Description("how many dogs to list")] int count = Usual,
        [Description("pressing: what cannot wait first; stops: in the order of the fitter's stops")] string? by = null
    )
    {
        if (from < 0)
            throw Refusal.Field("from", "from must be 0 or more.");
        if (count is < 1 or > MostAtOnce)
            throw Refusal.Field("count", $"count must be 1 to {MostAtOnce}.");
        if (search is { Length: > LongestSearch })
            throw Refusal.Field("search", $"Up to {LongestSearch} letters, please.");
        var (words, writing) = (new RoundSearch(search), await pen.TakeAsync(cancel));
        if (archived)
            return await ArchivedAsync(db, words, writing, clock.Today(), from, count, cancel);
        var all = await board.ReadAsync(db, clock.Today(), cancel);
        var found = all.Where(c => words.Finds([c.Name, c.Keeper, c.Place, .. c.Profile.Breeds.Select(b => b.Name)])).ToList();
        if (QueryWords.Read<RoundOrder>(by, "by") == RoundOrder.Stops)
        {
            var stops = (await StopsAsync(db, board, clock, cancel)).Places.Select((p, i) => (p, i)).ToDictionary(s => s.p, s => s.i);
            found = [.. found.OrderBy(c => c.Place is { } place ? stops[place] : int.MaxValue)];
        }

        var told = new CaseloadWords(writing);
        return new RoundDto(
            [.. found.GroupBy(c => c.Group).Select(g => new RoundGroupDto(g.Key, g.Count()))],
            found.Count,
            from,
            [.. found.Skip(from).Take(count).Select(d => RoundCardDto.Of(d, told))],
            all.Count,
            writing.Weekday(clock.Today())
        );
    }

    private static async Task<RoundDto> ArchivedAsync(
        PracticeDb db,
        RoundSearch words,
        Writing writing,
        DateOnly today,
        int from,
        int count,
        CancellationToken cancel
    )
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
            .OrderBy(d => d.Name, NameOrder.Natural)
            .ThenBy(d => d.Id)
            .ToList();
        var page = found.Skip(from).Take(count).Select(d => d.Id).ToList();
        var files = (await DogFile.LoadAsync(db, db.Dogs.Where(d => page.Contains(d.Id)), cancel)).ToDictionary(f => f.Dog.Id);
        var told = new CaseloadWords(writing);
        return new RoundDto(
            [],
            found.Count,
            from,
            [.. page.Select(id => RoundCardDto.Of(RoundDog.Of(files[id], today), told))],
            all.Count,
            writing.Weekday(today)
        );
    }
}
