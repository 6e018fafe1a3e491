using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Fitting;

/// <summary>Choosing, trying on, the catalogue and the van.</summary>
internal sealed class FittingRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapWhatIf();
        api.MapFitting();
        api.MapFitSettings();
        api.MapCatalogue();
        api.MapTryOn();
        api.MapVan();
    }

    public void AddServices(IServiceCollection services) => services.AddSingleton<VanFits>();
}
