using System.Globalization;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Server.Devices;

/// <summary>What can be done to the stand-in in place of a real tape in a real hand.</summary>
public enum TapeAct
{
    /// <summary>The tape lies around or along the measure in hand, and its button is pressed.</summary>
    Press,

    /// <summary>The same, but the reading's line is garbled on its way.</summary>
    Garble,

    /// <summary>The tape slips while it measures.</summary>
    Slip,

    /// <summary>The link breaks in the middle of a reading.</summary>
    BreakOff,
}

/// <summary>
/// Plays a digital tape at a virtual dog: readings scatter as a hand's do, now and then a line is lost, and the link can break.
/// Chance comes from a seeded generator, so that a run can be repeated.
/// </summary>
public sealed class StandInTape(TimeProvider clock, int seed = 1) : ITapeLink
{
    /// <summary>Standard deviation of the virtual hand, mm.</summary>
    public const double Scatter = 0.9;

    /// <summary>How often a line is lost by itself.</summary>
    public const double LostShare = 0.02;

    private static readonly TimeSpan SignOfLife = TimeSpan.FromSeconds(5);

    private readonly Random random = new(seed);
    private readonly Lock gate = new();
    private Channel<string?>? open;
    private int number;
    private int battery = 87;

    /// <summary>Whether somebody is connected.</summary>
    public bool IsOpen => open is not null;

    public async IAsyncEnumerable<string> LinesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var channel = Channel.CreateUnbounded<string?>();
        lock (gate)
            open = channel;
        try
        {
            yield return TapeLine.Write("HELLO", "stand-in", "1");
            yield return TapeLine.Write("BAT", battery.ToString(CultureInfo.InvariantCulture));
            using var life = new PeriodicTimer(SignOfLife, clock);
            var tick = life.WaitForNextTickAsync(cancel).AsTask();
            while (true)
            {
                var next = channel.Reader.WaitToReadAsync(cancel).AsTask();
                if (await Task.WhenAny(next, tick) == tick && !next.IsCompleted)
                {
                    await tick;
                    tick = life.WaitForNextTickAsync(cancel).AsTask();
                    yield return TapeLine.Write("BAT", battery.ToString(CultureInfo.InvariantCulture));
                    continue;
                }

                await next;
                while (channel.Reader.TryRead(out var line))
                    yield return line ?? throw new IOException("The link to the tape broke.");
            }
        }
        finally
        {
            lock (gate)
                open = null;
        }
    }

    /// <summary>Does something with the tape.</summary>
    /// <param name="act">What.</param>
    /// <param name="truth">The true length of what it lies along on the virtual dog.</param>
    /// <returns>False when nobody is connected to it.</returns>
    public bool Do(TapeAct act, Length truth)
    {
        lock (gate)
        {
            if (open is not { } channel)
                return false;
            var line = Reading(truth);
            switch (act)
            {
                case TapeAct.Press when random.NextDouble() >= LostShare:
                    channel.Writer.TryWrite(line);
                    break;
                case TapeAct.Slip:
                    channel.Writer.TryWrite(TapeLine.Write("SLIP"));
                    break;
                case TapeAct.BreakOff:
                    channel.Writer.TryWrite(line[..(line.Length / 2)]);
                    channel.Writer.TryWrite(null);
                    break;
                default:
                    channel.Writer.TryWrite(line[..^3] + "?" + line[^2..]);
                    break;
            }

            return true;
        }
    }

    /// <summary>What the virtual dog truly measures: the usual length of a medium head of 24 kg, a little lopsided.</summary>
    public static Length Truth(Measure measure, Side? side) =>
        PlausibleRange.Usual(measure, HeadShape.Medium, Mass.FromKilograms(24), HouseRules.Ours) + Length.FromMillimeters(side == Side.Right ? 2 : 0);

    private string Reading(Length truth)
    {
        // Box-Muller: a normally scattered hand.
        var normal = Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        number = (number + 1) % 10000;
        battery = Math.Max(5, battery - (number % 20 == 0 ? 1 : 0));
        var mm = Math.Clamp(Math.Round(truth.Millimeters + Scatter * normal), 1, 1500);
        return TapeLine.Write("LEN", number.ToString(CultureInfo.InvariantCulture), mm.ToString("0", CultureInfo.InvariantCulture));
    }
}
