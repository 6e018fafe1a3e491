using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Round;

/// <summary>Today at a glance, and how the training of all dogs stands.</summary>
internal sealed class RoundRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapRound();
        api.MapTrainingOverview();
    }

    public void AddServices(IServiceCollection services) => services.AddSingleton<RoundBoard>();
}
