using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
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
    HeadPortrait Portrait,
    Guid? OpenSessionId,
    WearOnDto? WearOn
)
{
    internal static RoundCardDto Of(RoundDog dog, CaseloadWords words) =>
        new(
            dog.Id,
            dog.Name,
            dog.Keeper,
            dog.Place,
            words.Breeds(dog.Profile),
            dog.Profile.Purposes,
            BadgeDto.Of(dog.Standing),
            dog.Group,
            [.. dog.Things.Select(t => NextThing.Of(t, dog.Standing, words))],
            [.. dog.Standing.Done.Select(words.Done)],
            dog.Portrait,
            dog.OpenSessionId,
            dog.Standing.On is { } on ? WearOnDto.Of(on, dog.Standing.Rules) : null
        );
}

/// <summary>A wear that is on.</summary>
/// <param name="OffBy">When it has to be off; null where nobody said how long.</param>
/// <param name="ForgottenFrom">From then on it is taken for forgotten, and when it came off is asked.</param>
public sealed record WearOnDto(Guid Id, long Version, DateTime StartedAt, Occasion Occasion, DateTime? OffBy, DateTime? ForgottenFrom)
{
    internal static WearOnDto Of(WearOnRecord on, HouseRules rules) =>
        new(on.Id, on.Version, on.StartedAt, on.Occasion, on.OffBy, on.Cap is { } cap ? on.StartedAt + WearLimit.Forgotten(cap, rules) : null);
}

/// <summary>A dog on the round as it stands, before it is told in words.</summary>
/// <param name="Things">All there is to do, what cannot wait first.</param>
/// <param name="Standing">Where it stands.</param>
/// <param name="Training">How its training stands.</param>
internal sealed record RoundDog(
    Guid Id,
    string Name,
    string? Keeper,
    string? Place,
    DogProfile Profile,
    HeadPortrait Portrait,
    Guid? OpenSessionId,
    IReadOnlyList<ThingToDo> Things,
    Standing Standing,
    TrainingStanding Training
)
{
    public RoundGroup Group => Things[0].Matter.Group();

    public static RoundDog Of(DogFile file, DateOnly today)
    {
        var standing = Standing.Of(file.Record, today);
        return new(
            file.Dog.Id,
            file.Dog.Name,
            file.Dog.Keeper,
            file.Dog.Place,
            file.Profile,
            file.Record.Portrait,
            file.Trained.OpenSession?.Id,
            standing.Things,
            standing,
            file.Trained.Training.StandingOn(today)
        );
    }
}

/// <summary>
/// All dogs on the round as they stand, in the order of the round. A dog is looked at anew only once something it rests on changed: the dog's own
/// record, its breed's ranges, the breeds' list, the house numbers, or the day.
/// </summary>
internal sealed class RoundBoard : IDisposable
{
    private const int LoadedAtOnce = 200;

    private readonly SemaphoreSlim turn = new(1);
    private Board board = new(-1, default, default, HouseRules.Ours, new Dictionary<Guid, Entry>(), []);

    /// <summary>The dogs, what a fitter does first coming first.</summary>
    public async Task<IReadOnlyList<RoundDog>> ReadAsync(PracticeDb db, DateOnly today, CancellationToken cancel) =>
        (await BoardAsync(db, today, cancel)).InOrder;

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
                entries[file.Dog.Id] = new Entry(file.Dog.Touched, file.Measured.Ranges!.Stamp, RoundDog.Of(file, today));
        }

        return new Board(
            last,
            today,
            ownBreeds,
            rules,
            entries,
            [
                .. entries
                    .Values.Select(e => e.Dog)
                    .OrderBy(d => d.Group)
                    .ThenBy(d => d.Standing.On is { } on ? on.OffBy ?? on.StartedAt : DateTime.MaxValue)
                    .ThenBy(d => d.Things[0].Matter)
                    .ThenBy(d => d.Name, NameOrder.Natural),
            ]
        );
    }

    private sealed record Entry(long Touched, BreedStamp Breed, RoundDog Dog);

    private sealed record Board(
        long Last,
        DateOnly Day,
        (int Count, long Last) Breeds,
        HouseRules Rules,
        IReadOnlyDictionary<Guid, Entry> Entries,
        IReadOnlyList<RoundDog> InOrder
    );
}
