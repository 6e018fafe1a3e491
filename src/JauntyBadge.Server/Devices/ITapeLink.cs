namespace JauntyBadge.Server.Devices;

/// <summary>The way to a digital tape: a serial port, a radio link, or the stand-in that ships.</summary>
public interface ITapeLink
{
    /// <summary>Connects and hands on the lines as they come, until the link breaks or is cancelled.</summary>
    /// <exception cref="IOException">The tape cannot be reached, or the link broke.</exception>
    IAsyncEnumerable<string> LinesAsync(CancellationToken cancel);
}
