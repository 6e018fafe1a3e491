using JauntyBadge.Core.Dogs;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace JauntyBadge.Server.Dogs;

/// <summary>Dogs: create, read, edit, archive and restore; and the lists their form picks from.</summary>
internal static class DogEndpoints
{
    public static void MapDogs(this IEndpointRouteBuilder api)
    {
        api.MapGet("/coat-colours", () => CoatColour.All).WithName("coatColours").WithSummary("The coat colours to pick from.");

        var dogs = api.MapGroup("/dogs").WithTags("Dogs").OneWriterAtATime();
        dogs.MapPost("/", CreateAsync).WithName("createDog").WithSummary("Add a dog.");
        dogs.MapGet("/{id:guid}", CardAsync).WithName("dog").WithSummary("A dog and where it stands.");
        dogs.MapPut("/{id:guid}", EditAsync).WithName("editDog").WithSummary("Edit a dog.").ProducesProblem(StatusCodes.Status409Conflict);
        dogs.MapPost("/{id:guid}/archive", (Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) => ArchiveAsync(id, true, db, clock, cancel)).WithName("archiveDog").WithSummary("Take a dog off the round.");
        dogs.MapPost("/{id:guid}/restore", (Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) => ArchiveAsync(id, false, db, clock, cancel)).WithName("restoreDog").WithSummary("Put an archived dog back.");
    }

    private static async Task<Created<DogDto>> CreateAsync(DogEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var dog = new DogRow { Id = Guid.NewGuid(), Name = "", CreatedAt = clock.UtcNow() };
        entry.Onto(dog, clock.Today());
        db.Dogs.Add(dog);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/dogs/{dog.Id}", DogDto.Of(dog));
    }

    private static async Task<DogCardDto> CardAsync(Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        DogCardDto.Of(await DogFile.LoadAsync(db, id, cancel), clock.Today());

    private static async Task<DogDto> EditAsync(Guid id, DogEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var dog = await db.DogAsync(id, cancel);
        if (entry.Version is not { } edited)
            throw Refusal.Field("version", "Say which version was edited, as it was read.");
        if (edited != dog.Version)
            throw Refusal.Conflict($"{dog.Name} was changed by someone else while you were editing. Nothing you typed is lost.", DogDto.Of(dog));
        entry.Onto(dog, clock.Today());
        dog.Version++;
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
