namespace JauntyBadge.Data.People;

/// <summary>A dog somebody has, by name.</summary>
public sealed record GivenDog
{
    public required Guid PersonId { get; init; }
    public required Guid DogId { get; init; }
    public required string Dog { get; init; }

    /// <summary>The last day; null for always.</summary>
    public DateOnly? Until { get; init; }
}

/// <summary>Which dogs people have.</summary>
public static class Given
{
    /// <summary>Every dog that is somebody's and not at another practice.</summary>
    public static IQueryable<GivenDog> GivenDogs(this PracticeDb db) =>
        db.Grants.Join(
            db.Dogs.Where(d => d.HandedOverAt == null),
            g => g.DogId,
            d => d.Id,
            (g, d) =>
                new GivenDog
                {
                    PersonId = g.PersonId,
                    DogId = d.Id,
                    Dog = d.Name,
                    Until = g.Until,
                }
        );
}
