using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Devices;

/// <summary>The simulated digital tape and weather station.</summary>
internal sealed class DevicesRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api) => api.MapTape();

    public void AddServices(IServiceCollection services)
    {
        services.AddTape();
        services.AddStation();
        if (!OpenApiSetup.IsOnlyGenerating)
            services.AddHostedService<StandIns>();
    }
}
