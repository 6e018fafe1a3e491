using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>The plan, sessions, practice and progress.</summary>
internal sealed class ConditioningRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapTrainingPlan();
        api.MapOutlook();
        api.MapProgress();
        api.MapPractice();
        api.MapSigns();
        api.MapSessions();
        api.MapWhatIfTraining();
    }
}
