using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Data;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Round;

/// <summary>A number of the job with its basis.</summary>
public sealed record HouseNumberDto(string Id, string Room, string What, string Value, Basis Basis);

/// <summary>The home view, and the numbers everything rests on.</summary>
internal static class RoundEndpoints
{
    public static void MapRound(this IEndpointRouteBuilder api)
    {
        api.MapGet("/round", RoundAsync).WithName("round").WithSummary("Dogs with their badge and what is next; archived=true lists the archived ones.");
        api.MapGet("/house-numbers", HouseNumbersList).WithName("houseNumbers").WithSummary("Every number of the job with its basis.");
    }

    private static async Task<IReadOnlyList<DogCardDto>> RoundAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel, bool archived = false)
    {
        var files = await DogFile.LoadAsync(db, db.Dogs.Where(d => d.ArchivedAt != null == archived), cancel);
        return [.. files.Select(f => DogCardDto.Of(f, clock.Today())).OrderBy(c => Urgency(c.Next.Kind)).ThenBy(c => c.Dog.Name, StringComparer.Ordinal)];
    }

    // What a fitter does standing up comes first: sessions, then the bench, then dogs that rest.
    private static int Urgency(Core.Dogs.NextKind kind) => kind switch
    {
        Core.Dogs.NextKind.Session => 0,
        Core.Dogs.NextKind.Rest => 2,
        _ => 1,
    };

    private static IReadOnlyList<HouseNumberDto> HouseNumbersList() =>
        [.. HouseNumbers.All.SelectMany(r => r.Numbers.Select(n => new HouseNumberDto(n.Id, r.Room, n.What, n.Shown, n.Basis)))];
}
