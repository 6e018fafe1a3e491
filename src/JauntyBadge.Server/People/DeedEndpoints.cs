using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>What somebody did on a day, on one device.</summary>
/// <param name="Day">The practice's day.</param>
/// <param name="Says">What, the most frequent first.</param>
public sealed record DeedsDto(DateOnly Day, Guid PersonId, string Person, string Device, IReadOnlyList<string> Says);

/// <summary>Who did what with a dog.</summary>
/// <param name="People">Everybody who did something, by name.</param>
public sealed record WhoDidWhatDto(IReadOnlyList<PersonNamedDto> People, IReadOnlyList<DeedsDto> Days);

/// <summary>Somebody by name.</summary>
public sealed record PersonNamedDto(Guid Id, string Name);

/// <summary>Who did what; whoever may come in no more stays named in what they did.</summary>
internal static class DeedEndpoints
{
    private const int Most = 5000;

    public static void MapDeeds(this IEndpointRouteBuilder api) =>
        api.MapGroup("/dogs/{id:guid}/deeds")
            .WithTags("People")
            .OneWriterAtATime()
            .MapGet("/", ListAsync)
            .WithName("whoDidWhat")
            .May(Concern.WhoDidWhat)
            .WithSummary(
                "Who did what with a dog, by day and device, the newest first; of one person where one is named. What was done where nobody had to sign in names nobody."
            );

    private static async Task<WhoDidWhatDto> ListAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel, Guid? person = null)
    {
        await db.DogAsync(id, cancel);
        var words = new PeopleWords(await pen.TakeAsync(cancel));
        var people = await db.Deeds.Where(d => d.DogId == id).Select(d => new { d.PersonId, d.Person }).Distinct().ToListAsync(cancel);
        var deeds = await db
            .Deeds.AsNoTracking()
            .Where(d => d.DogId == id && (person == null || d.PersonId == person))
            .OrderByDescending(d => d.Number)
            .Take(Most)
            .Select(d => new
            {
                d.At,
                d.PersonId,
                d.Person,
                d.Device,
                d.What,
                d.On,
                d.OfId,
                d.Id,
            })
            .ToListAsync(cancel);
        return new(
            [.. people.GroupBy(p => p.PersonId).Select(g => new PersonNamedDto(g.Key, g.Last().Person)).OrderBy(p => p.Name, StringComparer.Ordinal)],
            [
                .. deeds
                    .GroupBy(d => (Day: db.DayOf(d.At), d.PersonId, d.Person, d.Device))
                    .Select(day => new DeedsDto(
                        day.Key.Day,
                        day.Key.PersonId,
                        day.Key.Person,
                        day.Key.Device,
                        [
                            .. day.GroupBy(d => (d.On, d.What))
                                // A wear that is told ten times as it goes on is one wear.
                                .Select(g => (g.Key, Count: g.Select(d => d.OfId?.GetHashCode() ?? d.Id).Distinct().Count()))
                                .OrderByDescending(g => g.Count)
                                .ThenBy(g => g.Key.On)
                                .Select(g => $"{words.Deed(g.Key.On, g.Count)}, {words.Deed(g.Key.What)}"),
                        ]
                    )),
            ]
        );
    }
}
