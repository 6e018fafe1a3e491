using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Measuring;

/// <summary>The bench, sets over time, pictures.</summary>
internal sealed class MeasuringRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapBench();
        api.MapMeasuringHistory();
        api.MapPhotos();
        api.MapWhatIfMeasure();
    }

    public void AddServices(IServiceCollection services) => services.AddSingleton<BreedRanges>();
}
