using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Dogs;

/// <summary>Dogs: create, read, edit, archive and restore; and the lists their form picks from.</summary>
internal static class DogEndpoints
{
    public static void MapDogs(this IEndpointRouteBuilder api)
    {
        api.MapGet("/coat-colours", async (Pen pen, CancellationToken cancel) => CoatColour.All.Select(new DogWords(await pen.TakeAsync(cancel)).Told).ToList())
            .WithName("coatColours")
            .May(Concern.Trade)
            .WithSummary("The coat colours to pick from.");

        var dogs = api.MapGroup("/dogs").WithTags("Dogs").OneWriterAtATime();
        dogs.MapPost("/", CreateAsync).WithName("createDog").May(Concern.Dogs).WithSummary("Add a dog.");
        dogs.MapGet("/{id:guid}", CardAsync).WithName("dog").May(Concern.Dogs).WithSummary("A dog and where it stands.");
        dogs.MapPut("/{id:guid}", EditAsync).WithName("editDog").May(Concern.Dogs).WithSummary("Edit a dog.").NeedsVersion();
        dogs.MapPost("/{id:guid}/archive", (Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) => ArchiveAsync(id, true, db, clock, cancel))
            .WithName("archiveDog")
            .May(Concern.Dogs)
            .WithSummary("Take a dog off the round.");
        dogs.MapPost("/{id:guid}/restore", (Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) => ArchiveAsync(id, false, db, clock, cancel))
            .WithName("restoreDog")
            .May(Concern.Dogs)
            .WithSummary("Put an archived dog back.");
    }

    private static async Task<Created<DogDto>> CreateAsync(DogEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var dog = new DogRow
        {
            Id = entry.Id ?? Guid.NewGuid(),
            Name = "",
            CreatedAt = clock.UtcNow(),
        };
        entry.Onto(dog, clock.Today());
        if (await db.Dogs.AsNoTracking().SingleOrDefaultAsync(d => d.Id == dog.Id, cancel) is { } known)
        {
            // Sent again because the answer got lost: it is there as it was sent.
            dog.Version = known.Version;
            return DogDto.Of(known).SaysTheSame(DogDto.Of(dog))
                ? TypedResults.Created($"/api/dogs/{dog.Id}", DogDto.Of(known))
                : throw Refusal.Conflict("This id stands for another dog.");
        }

        db.Dogs.Add(dog);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/dogs/{dog.Id}", DogDto.Of(dog));
    }

    private static async Task<DogCardDto> CardAsync(Guid id, PracticeDb db, Pen pen, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.DogFileAsync(id, cancel);
        return DogCardDto.Of(file, clock.Today(), await pen.WithAsync(file.Measured.Rules, cancel)).Without(asker.Withheld(file.Dog));
    }

    private static async Task<DogDto> EditAsync(
        Guid id,
        DogEntry entry,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var dog = await db.DogAsync(id, cancel);
        Versions.Need(edited, dog.Version, dog.Name, DogDto.Of(dog));
        entry.Onto(dog, clock.Today());
        await db.SaveChangesAsync(cancel);
        return DogDto.Of(dog);
    }

    private static async Task<DogDto> ArchiveAsync(Guid id, bool archive, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var dog = await db.DogAsync(id, cancel);
        dog.ArchivedAt = archive ? dog.ArchivedAt ?? clock.UtcNow() : null;
        await db.SaveChangesAsync(cancel);
        return DogDto.Of(dog);
    }
}
