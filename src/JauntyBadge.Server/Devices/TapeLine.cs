using System.Globalization;
using UnitsNet;

namespace JauntyBadge.Server.Devices;

/// <summary>What a digital tape says in one line. The protocol is described in docs/digital-tape.md.</summary>
public abstract record TapeLine
{
    /// <summary>The tape's greeting after it was connected: its name and the version of the protocol.</summary>
    public sealed record Hello(string Name) : TapeLine;

    /// <summary>A reading, numbered so that one sent twice is noticed.</summary>
    public sealed record Measured(int Number, Length Value) : TapeLine;

    /// <summary>Charge of its battery, percent; sent every few seconds, and so also a sign of life.</summary>
    public sealed record Battery(int Percent) : TapeLine;

    /// <summary>The tape slipped or was let go before the reading was done.</summary>
    public sealed record Slipped : TapeLine;

    /// <summary>Reads a line.</summary>
    /// <param name="text">Without its line end.</param>
    /// <param name="line">What it says, when true is returned.</param>
    /// <returns>False for a line that is cut short, garbled, of another kind, or out of range.</returns>
    public static bool TryParse(string text, out TapeLine line)
    {
        line = null!;
        switch (DeviceLine.Read(text))
        {
            case ["HELLO", var name, "1"]:
                line = new Hello(name);
                return true;
            case ["LEN", var number, var mm]
                when Whole(number, 0, 9999) is { } n
                    && decimal.TryParse(mm, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
                    && value is > 0 and <= 1500:
                line = new Measured(n, Length.FromMillimeters((double)value));
                return true;
            case ["BAT", var percent] when Whole(percent, 0, 100) is { } p:
                line = new Battery(p);
                return true;
            case ["SLIP"]:
                line = new Slipped();
                return true;
            default:
                return false;
        }
    }

    /// <summary>A line as the tape sends it.</summary>
    public static string Write(params string[] words) => DeviceLine.Write(words);

    private static int? Whole(string text, int least, int most) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var value) && value >= least && value <= most ? value : null;
}
