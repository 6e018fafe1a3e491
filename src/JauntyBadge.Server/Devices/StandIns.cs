using JauntyBadge.Data;

namespace JauntyBadge.Server.Devices;

/// <summary>
/// Lets the simulated tape and weather station play in the demo, and where <c>--simulated true</c> asks for them: a practice of real dogs is judged by nothing
/// that was made up.
/// </summary>
internal sealed class StandIns(IConfiguration settings, PracticeFolder practice, TapeService tape, StationService station) : IHostedService
{
    private bool Play => settings.GetValue<bool>("simulated") || practice.IsDemo;

    public async Task StartAsync(CancellationToken cancellationToken)
    {
        if (!Play)
            return;
        await tape.StartAsync(cancellationToken);
        await station.StartAsync(cancellationToken);
    }

    public Task StopAsync(CancellationToken cancellationToken) => Task.WhenAll(tape.StopAsync(cancellationToken), station.StopAsync(cancellationToken));
}
