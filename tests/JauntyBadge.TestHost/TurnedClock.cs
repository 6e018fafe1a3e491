namespace JauntyBadge.TestHost;

/// <summary>A clock that goes on as the machine's does, from the moment it was turned to.</summary>
internal sealed class TurnedClock : TimeProvider
{
    private TimeSpan ahead;

    /// <summary>Turns it.</summary>
    public void Turn(DateTimeOffset to) => ahead = to - base.GetUtcNow();

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + ahead;
}
