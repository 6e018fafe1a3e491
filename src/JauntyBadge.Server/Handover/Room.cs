using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Handover;

/// <summary>What goes with the dog, and what keeps the practice: cards, papers, dossiers, tables, calendars, reports, backups.</summary>
internal sealed class HandoverRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapCards();
        api.MapPapers();
        api.MapDays();
        api.MapSheets();
        api.MapDossiers();
        api.MapHandingOver();
        api.MapOwnPractice();
        api.MapBackups();
    }

    public void AddServices(IServiceCollection services)
    {
        services.AddSingleton<BackupKeeper>();
        services.AddHostedService(s => s.GetRequiredService<BackupKeeper>());
    }
}
