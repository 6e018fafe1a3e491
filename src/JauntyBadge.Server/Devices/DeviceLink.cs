namespace JauntyBadge.Server.Devices;

/// <summary>Keeps the link to a device: when it breaks it is tried again, after twice as long each time up to a longest wait.</summary>
/// <param name="Lines">Connects and hands on the lines as they come; throws when the link breaks, an <see cref="IOException"/> where that was foreseen.</param>
/// <param name="Hear">Takes a line in, and tells whether the device is well connected.</param>
/// <param name="Broke">What is to be noted of a break.</param>
/// <param name="Lost">The device is out of reach until it is tried again.</param>
internal sealed record DeviceLink(Func<CancellationToken, IAsyncEnumerable<string>> Lines, Func<string, bool> Hear, Action<Exception> Broke, Action Lost)
{
    /// <summary>Keeps it until it is stopped.</summary>
    public async Task KeepAsync(TimeSpan firstWait, TimeSpan longestWait, TimeProvider clock, CancellationToken stop)
    {
        var wait = firstWait;
        while (!stop.IsCancellationRequested)
        {
            try
            {
                await foreach (var text in Lines(stop))
                {
                    if (Hear(text))
                        wait = firstWait;
                }
            }
            catch (OperationCanceledException) when (stop.IsCancellationRequested)
            {
                return;
            }
            // However a device fails, the practice goes on without it.
            catch (Exception problem)
            {
                Broke(problem);
            }

            Lost();
            await Task.Delay(wait, clock, stop).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            wait = wait * 2 < longestWait ? wait * 2 : longestWait;
        }
    }
}
