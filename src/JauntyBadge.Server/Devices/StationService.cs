using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Server.Devices;

/// <summary>What the weather station last said.</summary>
/// <param name="IsThere">There is one.</param>
/// <param name="Connected">It can be reached just now; otherwise it is tried again by itself.</param>
/// <param name="Name">What it calls itself; null until it was reached.</param>
/// <param name="Place">Where it stands.</param>
/// <param name="Observed">What it read in the last day, the oldest first. Hours in which it was out are missing, and what was read before the clock was set back.</param>
/// <param name="Foretold">What it foretells by the hour, from this hour on for a day.</param>
public sealed record StationNews(
    bool IsThere,
    bool Connected,
    string? Name,
    string? Place,
    IReadOnlyList<WeatherReading> Observed,
    IReadOnlyList<WeatherReading> Foretold
)
{
    /// <summary>Where there is no station.</summary>
    public static StationNews None { get; } = new(IsThere: false, Connected: false, null, null, [], []);
}

/// <summary>Keeps the link to the weather station.</summary>
public sealed class StationService(IStationLink link, TimeProvider clock, ILogger<StationService> log) : BackgroundService
{
    private static readonly TimeSpan FirstWait = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan LongestWait = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan Kept = TimeSpan.FromHours(24);

    private readonly Lock gate = new();
    private readonly SortedDictionary<DateTimeOffset, WeatherReading> observed = [];
    private readonly SortedDictionary<DateTimeOffset, WeatherReading> foretold = [];
    private bool isThere,
        connected;
    private (string Name, string Place)? station;

    /// <summary>What it said so far.</summary>
    public StationNews Now
    {
        get
        {
            var now = clock.GetUtcNow();
            lock (gate)
                return new(
                    isThere,
                    connected,
                    station?.Name,
                    station?.Place,
                    [.. observed.Values.Where(o => o.At > now - Kept && o.At <= now)],
                    [.. foretold.Values.Where(f => f.At > now.AddHours(-1) && f.At <= now + Kept)]
                );
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken)
    {
        isThere = true;
        return new DeviceLink(
            link.LinesAsync,
            text =>
            {
                Hear(text);
                return true;
            },
            problem => StationLog.Broke(log, problem),
            Lost
        ).KeepAsync(FirstWait, LongestWait, clock, stoppingToken);
    }

    private void Lost()
    {
        lock (gate)
            connected = false;
    }

    /// <summary>Takes one line in; a garbled one is no reading, and the next comes in ten minutes.</summary>
    private void Hear(string text)
    {
        lock (gate)
        {
            switch (StationLine.Parse(text))
            {
                case StationLine.Hello hello:
                    (connected, station) = (true, (hello.Name, hello.Place));
                    break;
                case StationLine.Observed { Reading: var reading }:
                    observed[reading.At] = reading;
                    Forget(observed);
                    break;
                case StationLine.Foretold { Reading: var reading }:
                    foretold[reading.At] = reading;
                    Forget(foretold);
                    break;
            }
        }
    }

    private void Forget(SortedDictionary<DateTimeOffset, WeatherReading> readings)
    {
        var before = clock.GetUtcNow() - Kept;
        while (readings.Count > 0 && readings.First().Key < before)
            readings.Remove(readings.First().Key);
    }
}

/// <summary>The weather station.</summary>
internal static class Stations
{
    public static void AddStation(this IServiceCollection services)
    {
        services.AddSingleton<StandInStation>(s => new StandInStation(s.GetRequiredService<TimeProvider>()));
        services.AddSingleton<IStationLink>(s => s.GetRequiredService<StandInStation>());
        services.AddSingleton<StationService>();
    }
}

internal static partial class StationLog
{
    [LoggerMessage(Level = LogLevel.Information, Message = "The link to the weather station broke; it is tried again.")]
    public static partial void Broke(ILogger log, Exception problem);
}
