namespace JauntyBadge.Core;

/// <summary>The day of anything is the day where the practice is, and is told here and nowhere else.</summary>
public static class PracticeClock
{
    /// <summary>The practice's day now.</summary>
    public static DateOnly Today(this TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>The practice's day a moment lay in.</summary>
    /// <param name="clock">Where the practice is.</param>
    /// <param name="utc">The moment; UTC, whatever its kind says.</param>
    public static DateOnly DayOf(this TimeProvider clock, DateTime utc) => DateOnly.FromDateTime(clock.LocalOf(utc));

    /// <summary>The day of what the practice's clock showed.</summary>
    public static DateOnly DayShown(DateTime local) => DateOnly.FromDateTime(local);

    /// <summary>What the practice's clock showed at a moment.</summary>
    public static DateTime LocalOf(this TimeProvider clock, DateTime utc) =>
        TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), clock.LocalTimeZone);

    /// <summary>The moment, UTC, at which the practice's clock shows a time of a day; the beginning of the day where no time is said.</summary>
    public static DateTime MomentOf(this TimeProvider clock, DateOnly day, TimeOnly? time)
    {
        var local = day.ToDateTime(time ?? TimeOnly.MinValue);
        // An hour that the clock leaps over is the one after it.
        return TimeZoneInfo.ConvertTimeToUtc(clock.LocalTimeZone.IsInvalidTime(local) ? local.AddHours(1) : local, clock.LocalTimeZone);
    }

    /// <summary>The moment now, UTC.</summary>
    public static DateTime UtcNow(this TimeProvider clock) => clock.GetUtcNow().UtcDateTime;
}
