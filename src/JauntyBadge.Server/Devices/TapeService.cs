using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Devices;

/// <summary>Whether the tape can be reached.</summary>
public enum TapeState
{
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
public sealed record TapeNews(TapeState State, string? Name = null, int? BatteryPercent = null, int? Number = null, double? Millimetres = null, string? Trouble = null);

/// <summary>Keeps the link to the digital tape, and tells every bench that listens what comes over it.</summary>
public sealed class TapeService(ITapeLink link, TimeProvider clock, ILogger<TapeService> log) : BackgroundService
{
    /// <summary>Longest wait before the link is tried again.</summary>
    public static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(8);

    private static readonly TimeSpan FirstWait = TimeSpan.FromSeconds(1);

    private readonly ConcurrentDictionary<Guid, Channel<TapeNews>> listeners = [];
    private TapeNews now = new(TapeState.Connecting);

    /// <summary>What comes over the link from now on; how it stands is told at once.</summary>
    public async IAsyncEnumerable<TapeNews> NewsAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var id = Guid.NewGuid();
        var channel = Channel.CreateBounded<TapeNews>(new BoundedChannelOptions(100) { FullMode = BoundedChannelFullMode.DropOldest });
        channel.Writer.TryWrite(now);
        listeners[id] = channel;
        try
        {
            await foreach (var news in channel.Reader.ReadAllAsync(cancel))
                yield return news;
        }
        finally
        {
            listeners.TryRemove(id, out _);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var wait = FirstWait;
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await foreach (var text in link.LinesAsync(stoppingToken))
                {
                    Hear(text);
                    if (now.State == TapeState.Connected)
                        wait = FirstWait;
                }
            }
            catch (IOException problem)
            {
                Log.Broke(log, problem);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }

            Tell(now with { State = TapeState.Lost, BatteryPercent = null });
            await Task.Delay(wait, clock, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            wait = wait * 2 < LongestWait ? wait * 2 : LongestWait;
        }
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

    private void Tell(TapeNews state)
    {
        now = state;
        Pass(state);
    }

    private void Pass(TapeNews news)
    {
        foreach (var listener in listeners.Values)
            listener.Writer.TryWrite(news);
    }
}

internal static partial class Log
{
    [LoggerMessage(Level = LogLevel.Information, Message = "The link to the digital tape broke; it is tried again.")]
    public static partial void Broke(ILogger log, Exception problem);
}
