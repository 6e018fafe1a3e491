using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Wearing;

/// <summary>The weather as it was read.</summary>
/// <param name="Place">Where it was read.</param>
/// <param name="ByHand">Typed by hand; otherwise the simulated station read it.</param>
/// <param name="WetBulbC">Null outside the range it can be computed in.</param>
/// <param name="Stale">Too old to judge by.</param>
/// <param name="AgeMinutes">How old it is.</param>
public sealed record WeatherReadDto(
    DateTimeOffset At,
    string? Place,
    bool ByHand,
    double AirC,
    double HumidityPercent,
    double? WetBulbC,
    bool Stale,
    int AgeMinutes
)
{
    internal static WeatherReadDto Of(PlacedReading read, DateTimeOffset now, HouseRules rules) =>
        new(
            read.Reading.At,
            read.Place,
            read.ByHand,
            read.Reading.Weather.Air.DegreesCelsius,
            read.Reading.Weather.Humidity.Percent,
            read.Reading.Weather.WetBulb?.DegreesCelsius,
            read.Reading.IsStale(now, rules),
            (int)read.Reading.Age(now).TotalMinutes
        );
}

/// <summary>A reading with its place.</summary>
internal sealed record PlacedReading(WeatherReading Reading, string? Place, bool ByHand);

/// <summary>The weather.</summary>
/// <param name="Station">The station's name; null until it was reached.</param>
/// <param name="StationPlace">Where it stands.</param>
/// <param name="Simulated">There is a station, a simulated one; false where there is none, and nothing is made up.</param>
/// <param name="Connected">It can be reached just now.</param>
/// <param name="Latest">The newest reading of each place, the newest first.</param>
/// <param name="Observed">What the station read in the last day.</param>
/// <param name="Foretold">What it foretells.</param>
public sealed record WeatherDto(
    string? Station,
    string? StationPlace,
    bool Simulated,
    bool Connected,
    IReadOnlyList<WeatherReadDto> Latest,
    IReadOnlyList<WeatherReadDto> Observed,
    IReadOnlyList<WeatherReadDto> Foretold
);

/// <summary>A reading typed by hand.</summary>
/// <param name="AirC">−60 to 60.</param>
/// <param name="HumidityPercent">0 to 100.</param>
/// <param name="DogId">The dog at whose home it was read off; left out where the practice is. A keeper's always is.</param>
public sealed record WeatherEntry(double? AirC = null, double? HumidityPercent = null, string? Place = null, Guid? DogId = null);

public sealed class WeatherEntryValidator : AbstractValidator<WeatherEntry>
{
    public WeatherEntryValidator()
    {
        RuleFor(w => w.AirC).NeededBetween(-60, 60).WithMessage("An air temperature is −60 to 60 °C.");
        RuleFor(w => w.HumidityPercent).NeededBetween(0, 100).WithMessage("A humidity is 0 to 100 %.");
        RuleFor(w => w.Place).MaximumLength(120).WithMessage("Up to 120 letters, please.");
    }
}

/// <summary>Something to be done with the stand-in station.</summary>
/// <param name="Act">outage or garble.</param>
/// <param name="Minutes">How long an outage lasts, 1 to 1440; an hour when left out.</param>
public sealed record StationEntry(StationAct? Act = null, int? Minutes = null);

public sealed class StationEntryValidator : AbstractValidator<StationEntry>
{
    public StationEntryValidator()
    {
        RuleFor(e => e.Act).NotNull().WithMessage("act is needed: outage or garble.");
        RuleFor(e => e.Minutes).InclusiveBetween(1, 1440).WithMessage("minutes is 1 to 1440.");
    }
}

/// <summary>The weather, from the station and by hand.</summary>
internal static class WeatherEndpoints
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(24);

    public static void MapWeather(this IEndpointRouteBuilder api)
    {
        // What the station says is not on record, so that no tag of the record holds for it.
        api.MapGet("/weather", WeatherAsync)
            .WithTags("Weather")
            .WithName("weather")
            .May(Concern.Weather)
            .WithSummary("The newest readings, the day so far, and what is foretold.");
        var readings = api.MapGroup("/weather/readings").WithTags("Weather").OneWriterAtATime();
        readings.MapPost("/", TypeAsync).WithName("typeWeather").May(Concern.Weather).WithSummary("Type a reading; it counts as one of the station's.");
        api.MapPost("/devices/station/stand-in", Do)
            .WithTags("Weather")
            .WithName("standInStation")
            .May(Concern.WholePractice)
            .WithSummary("Silence the simulated station, or garble a line.");
    }

    /// <summary>
    /// The newest reading of each place, the newest first. Weather has a place: what a keeper read off at home says nothing of the van, nor the van's station of a home.
    /// </summary>
    /// <param name="db">The practice.</param>
    /// <param name="station">What the practice's own station says.</param>
    /// <param name="now">Now.</param>
    /// <param name="asker">Who asks.</param>
    /// <param name="dog">The dog it is asked for; null for none.</param>
    /// <param name="cancel">Stops it.</param>
    internal static async Task<IReadOnlyList<PlacedReading>> LatestAsync(
        PracticeDb db,
        StationNews station,
        DateTimeOffset now,
        Asker asker,
        Guid? dog,
        CancellationToken cancel
    )
    {
        // What is from ahead of now was read before the clock was set back: that is no weather of today.
        var (since, until) = (now.UtcDateTime - Kept, now.UtcDateTime);
        var atHome = asker.HasOwnDogsOnly;
        var own = asker.Dogs.ToList();
        var typed = await db
            .Weather.AsNoTracking()
            .Where(w => w.At >= since && w.At <= until)
            .Where(w => atHome ? w.DogId != null && own.Contains(w.DogId.Value) && (dog == null || w.DogId == dog) : w.DogId == null)
            .OrderByDescending(w => w.Number)
            .ToListAsync(cancel);
        IEnumerable<PlacedReading> read = typed.Select(w => new PlacedReading(w.Reading, w.Place ?? (atHome ? null : station.Place), true));
        if (!atHome && station.Observed is [.., var last])
            read = read.Append(new(last, station.Place, false));
        return [.. read.GroupBy(r => r.Place).Select(g => g.MaxBy(r => r.Reading.At)!).OrderByDescending(r => r.Reading.At)];
    }

    private static async Task<WeatherDto> WeatherAsync(PracticeDb db, StationService station, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        var (now, said, rules) = (clock.GetUtcNow(), NewsFor(asker, station), await db.RulesAsync(cancel));
        WeatherReadDto Of(WeatherReading read) => WeatherReadDto.Of(new(read, said.Place, false), now, rules);
        return new WeatherDto(
            said.Name,
            said.Place,
            said.IsThere,
            said.Connected,
            [.. (await LatestAsync(db, said, now, asker, dog: null, cancel)).Select(r => WeatherReadDto.Of(r, now, rules))],
            [.. said.Observed.Select(Of)],
            [.. said.Foretold.Select(Of)]
        );
    }

    /// <summary>What the station says to somebody: nothing to those who are elsewhere.</summary>
    internal static StationNews NewsFor(Asker asker, StationService station) => asker.HasOwnDogsOnly ? StationNews.None : station.Now;

    private static async Task<WeatherReadDto> TypeAsync(
        WeatherEntry entry,
        PracticeDb db,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (asker.HasOwnDogsOnly && entry.DogId is null)
            throw Refusal.Field("dogId", "Say at which dog's home it was read off.");
        if (entry.DogId is { } dog && (!asker.Has(dog) || !await db.Dogs.AnyAsync(d => d.Id == dog, cancel)))
            throw Lookup.NoSuchDog();
        var row = new WeatherRow
        {
            Id = Guid.NewGuid(),
            At = clock.UtcNow(),
            Place = entry.Place.OrNull(),
            DogId = entry.DogId,
            AirC = entry.AirC!.Value,
            HumidityPercent = entry.HumidityPercent!.Value,
        };
        db.Weather.Add(row);
        await db.SaveChangesAsync(cancel);
        return WeatherReadDto.Of(new(row.Reading, row.Place ?? NewsFor(asker, station).Place, true), clock.GetUtcNow(), await db.RulesAsync(cancel));
    }

    private static NoContent Do(StationEntry entry, StandInStation station)
    {
        station.Do(entry.Act!.Value, TimeSpan.FromMinutes(entry.Minutes ?? 60));
        return TypedResults.NoContent();
    }
}
