namespace JauntyBadge.Core.Wearing;

/// <summary>A stretch of the day in which the heat leaves the same.</summary>
/// <param name="From">When it begins.</param>
/// <param name="To">When it ends.</param>
/// <param name="Band">What the heat leaves.</param>
/// <param name="Cap">The longest wear begun in it.</param>
/// <param name="Frost">It freezes.</param>
public sealed record WearStretch(DateTimeOffset From, DateTimeOffset To, HeatBand Band, TimeSpan Cap, bool Frost);

/// <summary>A look ahead over the day: when it is cool enough.</summary>
public static class WearAhead
{
    private static readonly TimeSpan Hour = TimeSpan.FromHours(1);

    /// <summary>
    /// The stretches of a forecast, the earliest first. A wear begun in an hour that runs into a warmer one is judged by the warmer: each hour is taken for the
    /// warmest it touches within the cap.
    /// </summary>
    /// <param name="question">The wear; its weather is left aside.</param>
    /// <param name="forecast">Hourly, the earliest first; a gap of more than an hour ends a stretch.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static IReadOnlyList<WearStretch> Of(WearQuestion question, IReadOnlyList<WeatherReading> forecast, HouseRules rules)
    {
        var stretches = new List<WearStretch>();
        for (var i = 0; i < forecast.Count; i++)
        {
            var hour = forecast[i];
            var limit = WearLimit.Of(question with { Weather = hour.Weather }, rules);
            for (var next = i + 1; next < forecast.Count && forecast[next].At < hour.At + limit.Cap; next++)
            {
                if (WearLimit.Of(question with { Weather = forecast[next].Weather }, rules) is var later && later.Cap < limit.Cap)
                    limit = later;
            }

            if (stretches is [.., var last] && last.To == hour.At && (last.Band, last.Cap, last.Frost) == (limit.Band!.Value, limit.Cap, hour.Weather.IsFrost))
                stretches[^1] = last with { To = hour.At + Hour };
            else
                stretches.Add(new(hour.At, hour.At + Hour, limit.Band!.Value, limit.Cap, hour.Weather.IsFrost));
        }

        return stretches;
    }
}
