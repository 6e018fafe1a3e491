namespace JauntyBadge.Core.Tests;

/// <summary>A clock of a practice somewhere else.</summary>
internal sealed class ZonedClock(TimeZoneInfo zone) : TimeProvider
{
    public override TimeZoneInfo LocalTimeZone => zone;
}
