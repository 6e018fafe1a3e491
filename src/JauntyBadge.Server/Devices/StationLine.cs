using System.Globalization;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Server.Devices;

/// <summary>What a weather station says in one line. The protocol is described in docs/weather-station.md.</summary>
public abstract record StationLine
{
    private const string Moment = "yyyyMMdd'T'HHmm'Z'";

    /// <summary>The station's greeting: its name, and the place it stands at.</summary>
    public sealed record Hello(string Name, string Place) : StationLine;

    /// <summary>What it read.</summary>
    public sealed record Observed(WeatherReading Reading) : StationLine;

    /// <summary>What it foretells for an hour.</summary>
    public sealed record Foretold(WeatherReading Reading) : StationLine;

    /// <summary>Reads a line.</summary>
    /// <param name="text">Without its line end.</param>
    /// <returns>Null for a line that is cut short, garbled, of another kind, or out of range.</returns>
    public static StationLine? Parse(string text) =>
        DeviceLine.Read(text) switch
        {
            ["HELLO", var name, var place, "1"] => new Hello(name, place.Replace('-', ' ')),
            ["OBS", var at, var air, var humidity] when ReadingOf(at, air, humidity) is { } read => new Observed(read),
            ["FC", var at, var air, var humidity] when ReadingOf(at, air, humidity) is { } read => new Foretold(read),
            _ => null,
        };

    internal static string Write(string kind, WeatherReading reading) =>
        DeviceLine.Write(
            kind,
            reading.At.ToUniversalTime().ToString(Moment, CultureInfo.InvariantCulture),
            reading.Weather.Air.DegreesCelsius.ToString("0.0", CultureInfo.InvariantCulture),
            reading.Weather.Humidity.Percent.ToString("0", CultureInfo.InvariantCulture)
        );

    private static WeatherReading? ReadingOf(string at, string air, string humidity) =>
        DateTimeOffset.TryParseExact(at, Moment, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var moment)
        && double.TryParse(air, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var degrees)
        && degrees is >= -60 and <= 60
        && double.TryParse(humidity, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var percent)
        && percent is >= 0 and <= 100
            ? new(moment, new(Temperature.FromDegreesCelsius(degrees), RelativeHumidity.FromPercent(percent)))
            : null;
}
