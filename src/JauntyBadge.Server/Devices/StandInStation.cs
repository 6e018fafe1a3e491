using System.Runtime.CompilerServices;
using System.Threading.Channels;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Server.Devices;

/// <summary>The way to a weather station: a serial port, a radio link, or the stand-in that ships.</summary>
public interface IStationLink
{
    /// <summary>Connects and hands on the lines as they come, until the link breaks or is cancelled.</summary>
    /// <exception cref="IOException">The station cannot be reached, or the link broke.</exception>
    IAsyncEnumerable<string> LinesAsync(CancellationToken cancel);
}

/// <summary>What can be done to the stand-in in place of weather and bad luck.</summary>
public enum StationAct
{
    /// <summary>It cannot be reached for some minutes, and reads nothing meanwhile.</summary>
    Outage,

    /// <summary>A line is garbled on its way.</summary>
    Garble,
}

/// <summary>
/// Plays a weather station at the horsebox: cool mornings, warm afternoons, every day a little different. What it foretells is its own weather without the day's
/// whims, so that it errs as forecasts do. The same moment always has the same weather.
/// </summary>
public sealed class StandInStation(TimeProvider clock, int seed = 1) : IStationLink
{
    /// <summary>How often it reads.</summary>
    public static readonly TimeSpan Every = TimeSpan.FromMinutes(10);

    private static readonly TimeSpan Kept = TimeSpan.FromHours(24);
    private const string Place = "Wend-Lock";
    private const double MeanC = 17.5,
        SwingC = 8,
        WhimC = 2.5,
        WarmestHour = 15,
        MeanHumidity = 68,
        DrierPerDegree = 2.4;

    private readonly Lock gate = new();
    private readonly List<(DateTimeOffset From, DateTimeOffset To)> outages = [];
    private Channel<string?>? open;

    /// <summary>The weather at a moment; the day's whims left out for what is foretold.</summary>
    public Weather WeatherAt(DateTimeOffset at, bool foretold = false)
    {
        var local = TimeZoneInfo.ConvertTime(at, clock.LocalTimeZone);
        var whim = foretold ? 0 : WhimC * Whim(local);
        var swing = SwingC * Math.Cos((local.TimeOfDay.TotalHours - WarmestHour) / 24 * 2 * Math.PI);
        return new(
            Temperature.FromDegreesCelsius(Math.Round(MeanC + swing + whim, 1)),
            RelativeHumidity.FromPercent(Math.Clamp(Math.Round(MeanHumidity - DrierPerDegree * (swing + whim)), 5, 99))
        );
    }

    public async IAsyncEnumerable<string> LinesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        if (IsOut(clock.GetUtcNow()))
            throw new IOException("The weather station cannot be reached.");
        var channel = Channel.CreateUnbounded<string?>();
        lock (gate)
            open = channel;
        try
        {
            yield return DeviceLine.Write("HELLO", "stand-in", Place, "1");
            var now = clock.GetUtcNow();
            var read = Floor(now);
            for (var at = read - Kept; at <= read; at += Every)
            {
                if (!IsOut(at))
                    yield return StationLine.Write("OBS", new(at, WeatherAt(at)));
            }

            foreach (var line in Foretell(now))
                yield return line;
            while (true)
            {
                // A clock set back is the time it is now; after a long sleep it tells what it keeps.
                now = clock.GetUtcNow();
                read =
                    now < read ? Floor(now)
                    : now - read > Kept ? Floor(now) - Kept
                    : read;
                var due = read + Every - now;
                using var wait = CancellationTokenSource.CreateLinkedTokenSource(cancel);
                var next = channel.Reader.WaitToReadAsync(wait.Token).AsTask();
                var tick = Task.Delay(due > TimeSpan.Zero ? due : TimeSpan.Zero, clock, wait.Token);
                var first = await Task.WhenAny(next, tick);
                cancel.ThrowIfCancellationRequested();
                await wait.CancelAsync();
                if (first == next)
                {
                    while (channel.Reader.TryRead(out var line))
                        yield return line ?? throw new IOException("The link to the weather station broke.");
                    continue;
                }

                read += Every;
                yield return StationLine.Write("OBS", new(read, WeatherAt(read)));
                if (read.Minute == 0)
                {
                    foreach (var line in Foretell(read))
                        yield return line;
                }
            }
        }
        finally
        {
            lock (gate)
                open = null;
        }
    }

    /// <summary>Does something to the station.</summary>
    /// <param name="act">What.</param>
    /// <param name="lasts">How long an outage lasts.</param>
    public void Do(StationAct act, TimeSpan lasts)
    {
        lock (gate)
        {
            if (act == StationAct.Outage)
                outages.Add((clock.GetUtcNow(), clock.GetUtcNow() + lasts));
            open?.Writer.TryWrite(act == StationAct.Outage ? null : "OBS 20260101T0900Z 1?.0*00");
        }
    }

    private bool IsOut(DateTimeOffset at)
    {
        lock (gate)
            return outages.Exists(o => at >= o.From && at < o.To);
    }

    private IEnumerable<string> Foretell(DateTimeOffset now)
    {
        var hour = new DateTimeOffset(now.Year, now.Month, now.Day, now.Hour, 0, 0, TimeSpan.Zero);
        return Enumerable.Range(0, 25).Select(h => hour.AddHours(h)).Select(at => StationLine.Write("FC", new(at, WeatherAt(at, foretold: true))));
    }

    private static DateTimeOffset Floor(DateTimeOffset at) => new(at.UtcTicks - at.UtcTicks % Every.Ticks, TimeSpan.Zero);

    /// <summary>The day's own whim, −1 to 1, going over into the next day's by the hour.</summary>
    private double Whim(DateTimeOffset local)
    {
        double Of(int day) => Math.Sin(12.9898 * (day + 31 * seed)) * 43758.5453 is var x ? 2 * (x - Math.Floor(x)) - 1 : 0;
        var (day, share) = (DateOnly.FromDateTime(local.DateTime).DayNumber, local.TimeOfDay.TotalDays);
        return (1 - share) * Of(day) + share * Of(day + 1);
    }
}
