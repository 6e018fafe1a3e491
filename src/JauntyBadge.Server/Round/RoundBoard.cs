using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Dogs;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Round;

/// <summary>A dog on the round: its badge, what there is to do, and by what it is found.</summary>
/// <param name="Things">All there is to do, what cannot wait first.</param>
/// <param name="Done">What was done with it today.</param>
/// <param name="Portrait">The head inside the badge.</param>
public sealed record RoundCardDto(
    Guid Id,
    string Name,
    string? Keeper,
    string? Place,
    string Breeds,
    IReadOnlyList<Purpose> Purposes,
    BadgeDto Badge,
    RoundGroup Group,
    IReadOnlyList<NextThing> Things,
    IReadOnlyList<string> Done,
    string CoatHex,
    HeadPortrait Portrait,
    Guid? OpenSessionId
)
{
    internal static RoundCardDto Of(DogFile file, DateOnly today)
    {
        var progress = file.ProgressOn(today);
        var things = progress.Things(today);
        return new RoundCardDto(
            file.Dog.Id,
            file.Dog.Name,
            file.Dog.Keeper,
            file.Dog.Place,
            file.Profile.BreedsInWords,
            file.Dog.Purposes,
            BadgeDto.Of(progress),
            things[0].Matter.Group(),
            things,
            progress.DoneToday,
            CoatColour.HexOf(file.Dog.CoatId),
            file.Portrait,
            file.Trained.OpenSession?.Id
        );
    }
}

/// <summary>
/// The cards of all dogs on the round, in the order of the round, and how their training stands. A card is made anew only once something it rests on changed: the dog's own
/// record, its breed's ranges, the breeds' list, the house numbers, or the day.
/// </summary>
internal sealed class RoundBoard : IDisposable
{
    private const int LoadedAtOnce = 200;

    private readonly SemaphoreSlim turn = new(1);
    private Board board = new(-1, default, default, HouseRules.Ours, new Dictionary<Guid, Entry>(), []);

    /// <summary>The cards, what a fitter does first coming first.</summary>
    public async Task<IReadOnlyList<RoundCardDto>> ReadAsync(PracticeDb db, DateOnly today, CancellationToken cancel) =>
        (await BoardAsync(db, today, cancel)).InOrder;

    /// <summary>How the training of each dog stands.</summary>
    public async Task<IReadOnlyList<(RoundCardDto Card, TrainingStanding Standing)>> ReadStandingsAsync(PracticeDb db, DateOnly today, CancellationToken cancel)
    {
        var now = await BoardAsync(db, today, cancel);
        return [.. now.InOrder.Select(c => (c, now.Entries[c.Id].Standing))];
    }

    private async Task<Board> BoardAsync(PracticeDb db, DateOnly today, CancellationToken cancel)
    {
        var last = await CounterRow.LastAsync(db, cancel);
        if (board is var known && known.Last == last && known.Day == today)
            return known;
        await turn.WaitAsync(cancel);
        try
        {
            if (board.Last != last || board.Day != today)
                board = await RenewAsync(db, board, last, today, cancel);
            return board;
        }
        finally
        {
            turn.Release();
        }
    }

    public void Dispose() => turn.Dispose();

    private static async Task<Board> RenewAsync(PracticeDb db, Board before, long last, DateOnly today, CancellationToken cancel)
    {
        var dogs = await db
            .Dogs.Where(d => d.ArchivedAt == null)
            .Select(d => new
            {
                d.Id,
                d.Touched,
                d.BreedIds,
            })
            .ToListAsync(cancel);
        var rules = await db.RulesAsync(cancel);
        var ownBreeds = await BreedRow.StampAsync(db, cancel);
        var stampOf = await BreedRanges.StampsAsync(db, dogs.Select(d => d.BreedIds), rules, cancel);

        var usable = before.Day == today && before.Breeds == ownBreeds && before.Rules.Equals(rules);
        var entries = new Dictionary<Guid, Entry>(dogs.Count);
        var stale = new List<Guid>();
        foreach (var dog in dogs)
        {
            if (usable && before.Entries.TryGetValue(dog.Id, out var entry) && entry.Touched == dog.Touched && entry.Breed == stampOf(dog.BreedIds))
                entries[dog.Id] = entry;
            else
                stale.Add(dog.Id);
        }

        foreach (var some in stale.Chunk(LoadedAtOnce))
        {
            foreach (var file in await DogFile.LoadAsync(db, db.Dogs.Where(d => some.Contains(d.Id)), cancel))
                entries[file.Dog.Id] = new Entry(file.Dog.Touched, file.Measured.Ranges!.Stamp, RoundCardDto.Of(file, today), file.Trained.StandingOn(today));
        }

        return new Board(
            last,
            today,
            ownBreeds,
            rules,
            entries,
            [.. entries.Values.Select(e => e.Card).OrderBy(c => c.Group).ThenBy(c => c.Things[0].Matter).ThenBy(c => c.Name, StringComparer.Ordinal)]
        );
    }

    private sealed record Entry(long Touched, BreedStamp Breed, RoundCardDto Card, TrainingStanding Standing);

    private sealed record Board(
        long Last,
        DateOnly Day,
        (int Count, long Last) Breeds,
        HouseRules Rules,
        IReadOnlyDictionary<Guid, Entry> Entries,
        IReadOnlyList<RoundCardDto> InOrder
    );
}
