using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using UnitsNet;

namespace JauntyBadge.Server.Dogs;

/// <summary>Heads drawn before there is a dog: as it is being said what it looks like, and the usual one of a breed.</summary>
internal static class HeadEndpoints
{
    public static void MapHeads(this IEndpointRouteBuilder api)
    {
        api.MapGet("/heads/portrait", PortraitAsync)
            .WithTags("Breeds")
            .WithName("headAsSaid")
            .May(Concern.Choosing)
            .WithSummary("The head of a dog as far as it was said what it looks like.");
        api.MapGet("/breeds/{breedId}/head.svg", BreedAsync)
            .WithTags("Breeds")
            .WithName("breedHead")
            .May(Concern.Choosing)
            .WithSummary("The usual head of a breed, to scale in mm.")
            .Produces<string>(contentType: "image/svg+xml");
    }

    private static async Task<HeadPortrait> PortraitAsync(
        PracticeDb db,
        CancellationToken cancel,
        string[]? breed = null,
        string? coat = null,
        string? ears = null,
        string? fur = null,
        string? pattern = null,
        string? shape = null,
        double? kg = null
    )
    {
        var list = await BreedRow.ListAsync(db, cancel);
        IReadOnlyList<Breed> breeds = [.. (breed ?? []).Select(list.Find).OfType<Breed>()];
        var seen = new LookSeen(coat, QueryWords.Read<Ears>(ears, "ears"), QueryWords.Read<Fur>(fur, "fur"), QueryWords.Read<CoatPattern>(pattern, "pattern"));
        var dog = new DogProfile
        {
            Name = "",
            Breeds = breeds,
            HeadShapeSeen = QueryWords.Read<HeadShape>(shape, "shape"),
            LookSeen = seen,
        };
        return HeadDrawing.Portrait(Usual(dog.HeadShape.Shape, kg is >= 0.4 and <= 120 ? Mass.FromKilograms(kg.Value) : null), dog.Look);
    }

    private static async Task<ContentHttpResult> BreedAsync(string breedId, PracticeDb db, CancellationToken cancel)
    {
        var breed = (await BreedRow.ListAsync(db, cancel)).Find(breedId) ?? throw Refusal.NotFound("No breed has this id.");
        var snout = Usual(breed.Shape, breed.Traits.Contains(BreedTrait.Toy) ? Mass.FromKilograms(4) : null);
        return TypedResults.Content(EnamelSvg.Write(HeadDrawing.Of(snout, new LookSeen().With([breed])).Side, breed.Name), "image/svg+xml");
    }

    private static SnoutModel Usual(HeadShape shape, Mass? mass) => HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = shape }, mass);
}
