using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Dogs;

/// <summary>Dogs, their record, and breeds.</summary>
internal sealed class DogsRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapDogs();
        api.MapRecord();
        api.MapBreeds();
        api.MapHeads();
    }
}
