using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Wearing;

/// <summary>How long now, wears, upkeep, treats and weather.</summary>
internal sealed class WearingRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapWearing();
        api.MapUpkeep();
        api.MapTreats();
        api.MapWeather();
        api.MapWhatIfWearing();
    }
}
