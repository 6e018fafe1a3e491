using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.House;

/// <summary>The numbers everything rests on, how the practice writes, and what this is.</summary>
internal sealed class HouseRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapHouseNumbers();
        api.MapWriting();
        api.MapAbout();
    }
}
