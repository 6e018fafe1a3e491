using FluentValidation;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Dogs;

/// <summary>A breed as entered.</summary>
public sealed record BreedEntry(
    string? Name = null,
    HeadShape? Shape = null,
    IReadOnlyList<BreedTrait>? Traits = null,
    int? GrowingMonths = null,
    IReadOnlyList<string>? AlsoCalled = null
)
{
    /// <summary>The breed entered, once it was found in order.</summary>
    internal Breed ToBreed(string id) =>
        new(
            id,
            Name!.Trim(),
            Shape!.Value,
            [.. (Traits ?? []).Distinct()],
            GrowingMonths!.Value,
            [.. (AlsoCalled ?? []).Select(n => n.Trim()).Where(n => n != "")]
        );
}

/// <summary>What may be entered for a breed.</summary>
public sealed class BreedEntryValidator : AbstractValidator<BreedEntry>
{
    public BreedEntryValidator()
    {
        RuleFor(b => b.Name).NotEmpty().WithMessage("Give the breed a name.").MaximumLength(60).WithMessage("A name has up to 60 letters.");
        RuleFor(b => b.Shape).NotNull().WithMessage("shape is needed: long, medium or short.");
        RuleFor(b => b.GrowingMonths)
            .NotNull()
            .WithMessage($"Say until when it grows: {Breed.LeastGrowing} to {Breed.MostGrowing} months.")
            .InclusiveBetween(Breed.LeastGrowing, Breed.MostGrowing)
            .WithMessage($"A head grows for {Breed.LeastGrowing} to {Breed.MostGrowing} months.");
        RuleFor(b => b.AlsoCalled)
            .Must(a => a is null || (a.Count <= 10 && a.All(n => n is { Length: <= 60 })))
            .WithMessage("Up to ten other names of up to 60 letters.");
    }
}

/// <summary>A breed of the list.</summary>
/// <param name="Own">The practice's own, or its correction of a shipped one.</param>
/// <param name="Shipped">There is a shipped row behind it to go back to.</param>
/// <param name="Version">Which version it is; 0 for a shipped one nobody corrected.</param>
public sealed record BreedDto(
    string Id,
    string Name,
    HeadShape Shape,
    IReadOnlyList<BreedTrait> Traits,
    int GrowingMonths,
    IReadOnlyList<string> AlsoCalled,
    bool Own,
    bool Shipped,
    long Version
) : IAtVersion
{
    public static BreedDto Of(Breed b, IReadOnlyDictionary<string, long> own) =>
        new(
            b.Id,
            b.Name,
            b.Shape,
            b.Traits,
            b.GrowingMonths,
            b.AlsoCalled ?? [],
            own.ContainsKey(b.Id),
            Breed.Shipped.Any(s => s.Id == b.Id),
            own.GetValueOrDefault(b.Id)
        );
}

/// <summary>The breeds: find, correct, add, and go back to the shipped row.</summary>
internal static class BreedEndpoints
{
    public static void MapBreeds(this IEndpointRouteBuilder api)
    {
        var breeds = api.MapGroup("/breeds").WithTags("Breeds").OneWriterAtATime();
        breeds
            .MapGet("/", ListAsync)
            .WithName("breeds")
            .May(Concern.Choosing)
            .WithSummary("The breeds, found by any words of name, head shape or traits. From memory unless the practice's own.");
        breeds.MapPost("/", AddAsync).WithName("addBreed").May(Concern.WholePractice).WithSummary("Add a breed.");
        breeds.MapPut("/{breedId}", EditAsync).WithName("editBreed").May(Concern.WholePractice).WithSummary("Correct a breed.").NeedsVersion();
        breeds
            .MapDelete("/{breedId}", ResetAsync)
            .WithName("resetBreed")
            .May(Concern.WholePractice)
            .WithSummary("Go back to the shipped row, or take an own breed out.")
            .NeedsVersion();
    }

    private static async Task<IReadOnlyList<BreedDto>> ListAsync(PracticeDb db, CancellationToken cancel, string? find = null)
    {
        var list = await BreedRow.ListAsync(db, cancel);
        var own = await db.Breeds.ToDictionaryAsync(b => b.Id, b => b.Version, cancel);
        return [.. (string.IsNullOrWhiteSpace(find) ? list.All : list.Search(find)).Select(b => BreedDto.Of(b, own))];
    }

    private static async Task<BreedDto> AddAsync(BreedEntry entry, PracticeDb db, CancellationToken cancel)
    {
        var id = Slug.Of(entry.Name!);
        if (id == "")
            throw Refusal.Field("name", "A name needs at least one letter from a to z.");
        var list = await BreedRow.ListAsync(db, cancel);
        if (list.Find(id) is { } known)
        {
            // Sent again because the answer got lost: it is there as it was sent.
            return known.SaysTheSame(entry.ToBreed(id))
                ? (await ListAsync(db, cancel)).First(b => b.Id == id)
                : throw Refusal.Field("name", $"{known.Name} is on the list already; correct that one.");
        }

        return await SaveAsync(id, entry, db, cancel);
    }

    private static async Task<BreedDto> EditAsync(string breedId, BreedEntry entry, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        var now = (await ListAsync(db, cancel)).FirstOrDefault(b => b.Id == breedId) ?? throw Refusal.NotFound("No breed has this id.");
        Versions.Need(edited, now.Version, now.Name, now);
        return await SaveAsync(breedId, entry, db, cancel);
    }

    private static async Task<IReadOnlyList<BreedDto>> ResetAsync(string breedId, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        var row = await db.Breeds.FindAsync([breedId], cancel) ?? throw Refusal.NotFound("This breed was not changed.");
        await Versions.NeedAsync(edited, row.Version, async () => (row.Name, (await ListAsync(db, cancel)).First(b => b.Id == breedId)));
        if (Breed.Shipped.All(b => b.Id != breedId) && await db.Dogs.AnyAsync(d => d.BreedIds.Any(b => b == breedId), cancel))
            throw Refusal.Conflict("A dog is of this breed. Give it another one first.");
        db.Breeds.Remove(row);
        await db.SaveChangesAsync(cancel);
        return await ListAsync(db, cancel);
    }

    private static async Task<BreedDto> SaveAsync(string id, BreedEntry entry, PracticeDb db, CancellationToken cancel)
    {
        var row = await db.Breeds.FindAsync([id], cancel);
        if (row is null)
            db.Breeds.Add(row = new BreedRow { Id = id, Name = "" });
        var breed = entry.ToBreed(id);
        (row.Name, row.Shape, row.GrowingMonths) = (breed.Name, breed.Shape, breed.GrowingMonths);
        (row.Traits, row.AlsoCalled) = ([.. breed.Traits], [.. breed.AlsoCalled ?? []]);
        await db.SaveChangesAsync(cancel);
        return BreedDto.Of(row.ToBreed(), new Dictionary<string, long> { [id] = row.Version });
    }
}
