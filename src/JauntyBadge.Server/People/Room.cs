using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.People;

/// <summary>Who may come in: signing in, people, phones, what they did, and what comes from home.</summary>
internal sealed class PeopleRoom : IRoom
{
    public void Map(IEndpointRouteBuilder api)
    {
        api.MapSignIn();
        api.MapPasskeys();
        api.MapPeople();
        api.MapPhones();
        api.MapHome();
        api.MapNews();
        api.MapAside();
        api.MapDeeds();
    }
}
