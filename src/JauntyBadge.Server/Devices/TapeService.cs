using System.Runtime.CompilerServices;
using System.Threading.Channels;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Devices;

/// <summary>Whether the tape can be reached.</summary>
public enum TapeState
{
    /// <summary>There is none.</summary>
    None,
    Connecting,
    Connected,

    /// <summary>The link broke; it is tried again by itself.</summary>
    Lost,
}

/// <summary>Something the bench should know of the tape.</summary>
/// <param name="State">Whether it can be reached.</param>
/// <param name="Name">What it calls itself.</param>
/// <param name="BatteryPercent">Its charge, when it told.</param>
/// <param name="Number">The reading's number, for a reading.</param>
/// <param name="Millimetres">The reading.</param>
/// <param name="Trouble">A reading that did not come through, in words.</param>
/// <param name="Mine">Its readings come to this bench.</param>
/// <param name="HeldFor">The dog on whose bench they land instead; null when they land on none.</param>
public sealed record TapeNews(
    TapeState State,
    string? Name = null,
    int? BatteryPercent = null,
    int? Number = null,
    double? Millimetres = null,
    string? Trouble = null,
    bool Mine = false,
    string? HeldFor = null
);

/// <summary>A bench that listens to the tape.</summary>
/// <param name="Id">Made by the bench, the same when it comes back after a broken connection.</param>
/// <param name="Dog">The dog on it.</param>
public sealed record TapeBench(Guid Id, string Dog);

/// <summary>Keeps the link to the digital tape. How it stands is told to every bench that listens; a reading goes to the one bench that claimed it.</summary>
public sealed class TapeService(ITapeLink link, TimeProvider clock, ILogger<TapeService> log) : BackgroundService
{
    /// <summary>Longest wait before the link is tried again.</summary>
    public static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(8);

    private static readonly TimeSpan FirstWait = TimeSpan.FromSeconds(1);

    private readonly Lock gate = new();
    private readonly List<Listener> listeners = [];
    private Guid? holder;
    private TapeNews now = new(TapeState.None);

    /// <summary>What comes over the link from now on; how it stands is told at once. The first bench to listen claims the readings.</summary>
    public async IAsyncEnumerable<TapeNews> NewsAsync(TapeBench bench, [EnumeratorCancellation] CancellationToken cancel)
    {
        var listener = new Listener(bench, Channel.CreateBounded<TapeNews>(new BoundedChannelOptions(100) { FullMode = BoundedChannelFullMode.DropOldest }));
        lock (gate)
        {
            listeners.Add(listener);
            if (holder is null || listeners.TrueForAll(l => l.Bench.Id != holder))
                holder = bench.Id;
            Tell(now);
        }

        try
        {
            await foreach (var news in listener.News.Reader.ReadAllAsync(cancel))
                yield return news;
        }
        finally
        {
            lock (gate)
            {
                listeners.Remove(listener);
                if (listeners.TrueForAll(l => l.Bench.Id != holder))
                {
                    // The one bench that is left needs no asking; of several none is guessed.
                    holder = listeners.Select(l => l.Bench.Id).Distinct().ToList() is [var only] ? only : null;
                    Tell(now);
                }
            }
        }
    }

    /// <summary>Lets the readings come to a bench from now on; false when it does not listen.</summary>
    public bool Claim(Guid bench)
    {
        lock (gate)
        {
            if (listeners.TrueForAll(l => l.Bench.Id != bench))
                return false;
            holder = bench;
            Tell(now);
            return true;
        }
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken)
    {
        lock (gate)
            Tell(now with { State = TapeState.Connecting });
        return new DeviceLink(
            link.LinesAsync,
            text =>
            {
                Hear(text);
                return now.State == TapeState.Connected;
            },
            problem => Log.Broke(log, problem),
            () => Tell(now with { State = TapeState.Lost, BatteryPercent = null })
        ).KeepAsync(FirstWait, LongestWait, clock, stoppingToken);
    }

    /// <summary>Takes one line in. A garbled one is said, never guessed at; a reading sent twice counts once.</summary>
    private void Hear(string text)
    {
        switch (TapeLine.TryParse(text, out var line) ? line : null)
        {
            case TapeLine.Hello hello:
                Tell(new TapeNews(TapeState.Connected, hello.Name));
                break;
            case TapeLine.Battery battery:
                Tell(now with { BatteryPercent = battery.Percent });
                break;
            case TapeLine.Measured reading when reading.Number != lastNumber:
                lastNumber = reading.Number;
                Pass(now with { Number = reading.Number, Millimetres = reading.Value.Millimeters.Tidy() });
                break;
            case TapeLine.Measured:
                break;
            case TapeLine.Slipped:
                Pass(now with { Trouble = "The tape slipped. Measure again." });
                break;
            default:
                Pass(now with { Trouble = "A reading did not come through whole. Press the button again." });
                break;
        }
    }

    private int lastNumber = -1;

    /// <summary>Tells every bench how the tape stands, and whose its readings are.</summary>
    private void Tell(TapeNews state)
    {
        lock (gate)
        {
            now = state;
            foreach (var listener in listeners)
                listener.News.Writer.TryWrite(For(listener, state));
        }
    }

    /// <summary>Passes a reading, or the trouble with one, to the bench that claimed it and to no other.</summary>
    private void Pass(TapeNews news)
    {
        lock (gate)
        {
            foreach (var listener in listeners.Where(l => l.Bench.Id == holder))
                listener.News.Writer.TryWrite(For(listener, news));
        }
    }

    private TapeNews For(Listener listener, TapeNews news) =>
        listener.Bench.Id == holder
            ? news with
            {
                Mine = true,
            }
            : news with
            {
                Mine = false,
                HeldFor = listeners.FirstOrDefault(l => l.Bench.Id == holder)?.Bench.Dog,
            };

    private sealed record Listener(TapeBench Bench, Channel<TapeNews> News);
}

internal static partial class Log
{
    [LoggerMessage(Level = LogLevel.Information, Message = "The link to the digital tape broke; it is tried again.")]
    public static partial void Broke(ILogger log, Exception problem);
}
