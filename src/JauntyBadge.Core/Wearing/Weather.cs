using JauntyBadge.Core.Dogs;
using UnitsNet;

namespace JauntyBadge.Core.Wearing;

/// <summary>The weather where a muzzle is worn.</summary>
/// <param name="Air">Air temperature in the shade.</param>
/// <param name="Humidity">Relative humidity, 0 to 100 %.</param>
public sealed record Weather(Temperature Air, RelativeHumidity Humidity)
{
    /// <summary>The range Stull's fit was made for (Published: Stull 2011).</summary>
    public const double LeastHumidity = 5,
        MostHumidity = 99,
        LeastAir = -20,
        MostAir = 50;

    /// <summary>
    /// Wet-bulb temperature at sea level, as fitted by Stull, J. Appl. Meteorol. Climatol. 50 (2011) 2267–2269; his errors are −1 to +0.65 °C. Null outside
    /// the range of that fit: humidity 5 to 99 %, air −20 to 50 °C.
    /// </summary>
    public Temperature? WetBulb
    {
        get
        {
            var (t, rh) = (Air.DegreesCelsius, Humidity.Percent);
            return !(rh is >= LeastHumidity and <= MostHumidity && t is >= LeastAir and <= MostAir)
                ? null
                : Temperature.FromDegreesCelsius(
                    t * Math.Atan(0.151977 * Math.Sqrt(rh + 8.313659))
                        + Math.Atan(t + rh)
                        - Math.Atan(rh - 1.676331)
                        + 0.00391838 * Math.Pow(rh, 1.5) * Math.Atan(0.023101 * rh)
                        - 4.686035
                );
        }
    }

    /// <summary>Below freezing: breath and drool freeze on the bars.</summary>
    public bool IsFrost => Air.DegreesCelsius < 0;

    /// <summary>
    /// What the wet bulb is taken for: the wet bulb, or where that is not computed the most it can be, which is that of 5 % humidity in drier air and the air temperature
    /// elsewhere.
    /// </summary>
    public Temperature Judged => WetBulb ?? (this with { Humidity = Max(Humidity, RelativeHumidity.FromPercent(LeastHumidity)) }).WetBulb ?? Air;

    private static RelativeHumidity Max(RelativeHumidity a, RelativeHumidity b) => a > b ? a : b;
}

/// <summary>Weather read at a moment, by the station or by hand.</summary>
/// <param name="At">When.</param>
/// <param name="Weather">What was read.</param>
public sealed record WeatherReading(DateTimeOffset At, Weather Weather)
{
    public static readonly Grounded<TimeSpan> StaleAfter = new(
        "wear.stale",
        "Age in minutes from which a reading of the weather is stale",
        TimeSpan.FromMinutes(60),
        Basis.House("on a warm morning it climbs a band in an hour or two")
    )
    {
        Least = 10,
        Most = 120,
    };

    /// <summary>How old it is; never under nothing, should the clocks differ.</summary>
    public TimeSpan Age(DateTimeOffset now) => now > At ? now - At : TimeSpan.Zero;

    /// <summary>Too old to judge by: exactly the age that counts as stale is.</summary>
    public bool IsStale(DateTimeOffset now, HouseRules rules) => Age(now) >= rules[StaleAfter];
}

/// <summary>What the heat leaves of a wear.</summary>
public enum HeatBand
{
    /// <summary>Cool: as long as it is trained to.</summary>
    AsTrained,

    /// <summary>Half of that.</summary>
    Halved,

    /// <summary>Minutes, in the shade and with water.</summary>
    MinutesOnly,

    /// <summary>Not at all, but in an emergency.</summary>
    None,
}

/// <summary>Why a dog is taken for one band warmer than it is.</summary>
public enum HeatMover
{
    ShortFace,
    HeavyCoat,
    Overweight,
    Old,
    Young,
    Heavy,
    Sun,
    HotGround,
}

/// <summary>How heat shortens wears. Bands and what moves a dog up one (House, on a Practice rule that a dog cools by panting).</summary>
public static class Heat
{
    private static readonly Basis AirBands = Basis.House("dry heat fools the wet bulb: a dog's own heat is 38 to 39 °C, and air near that takes none away");

    private static readonly Basis Frosts = Basis.House("breath and drool freeze on bars, and cold metal sticks to lips");

    private static readonly Basis Bands = Basis.House("a dog cools by panting, so what evaporates decides: bands of wet-bulb temperature");

    public static readonly Grounded<Temperature> HalvesFrom = OnlyCooler("wear.heat-halves", "From this wet-bulb temperature wears are halved", 18);

    public static readonly Grounded<Temperature> MinutesFrom = OnlyCooler(
        "wear.heat-minutes-from",
        "From this wet-bulb temperature a muzzle is worn for minutes only",
        22
    );

    public static readonly Grounded<Temperature> NoneOver = OnlyCooler(
        "wear.heat-none",
        "Over this wet-bulb temperature no muzzle is worn but in an emergency",
        25
    );

    public static readonly Grounded<Temperature> AirHalvesFrom = OnlyCooler("wear.air-halves", "From this air temperature wears are halved", 27, AirBands);

    public static readonly Grounded<Temperature> AirMinutesFrom = OnlyCooler(
        "wear.air-minutes-from",
        "From this air temperature a muzzle is worn for minutes only",
        30,
        AirBands
    );

    public static readonly Grounded<Temperature> AirNoneFrom = OnlyCooler(
        "wear.air-none",
        "From this air temperature no muzzle is worn but in an emergency",
        34,
        AirBands
    );

    public static readonly Grounded<Temperature> FrostUnder = new(
        "wear.frost-under",
        "Below this air temperature wears are short",
        Temperature.FromDegreesCelsius(-10),
        Frosts
    )
    {
        Least = -10,
        Most = 0,
    };

    public static readonly Grounded<TimeSpan> FrostMinutes = new(
        "wear.frost-minutes",
        "How long a muzzle is worn in such frost",
        TimeSpan.FromMinutes(10),
        Frosts
    )
    {
        Most = 10,
    };

    public static readonly Grounded<TimeSpan> Minutes = new(
        "wear.heat-minutes",
        "How long a muzzle is worn where heat leaves minutes only",
        TimeSpan.FromMinutes(5),
        Basis.House("enough for a door, a lift or a treatment in the shade")
    )
    {
        Most = 5,
    };

    public static readonly Grounded<int> OldFrom = new(
        "wear.old",
        "Age in years from which a dog is taken for a band warmer",
        8,
        Basis.House("age goes one band up; where it begins is our choice")
    )
    {
        Most = 10,
    };

    public static readonly Grounded<int> YoungUnder = new(
        "wear.young",
        "Age in months under which a dog is taken for a band warmer",
        6,
        Basis.House("a puppy keeps its temperature less well")
    );

    public static readonly Grounded<double> HeavyFrom = new(
        "wear.heavy",
        "Body mass in kg from which a dog is taken for a band warmer",
        50,
        Basis.Memory("heat-related illness was seen more often in dogs of 50 kg and more in a study of British practices, 2020")
    )
    {
        Most = 60,
    };

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        HalvesFrom,
        MinutesFrom,
        NoneOver,
        AirHalvesFrom,
        AirMinutesFrom,
        AirNoneFrom,
        FrostUnder,
        FrostMinutes,
        Minutes,
        OldFrom,
        YoungUnder,
        HeavyFrom,
        WeatherReading.StaleAfter,
    ];

    /// <summary>The band of a wet-bulb temperature for a dog that nothing moves: exactly 18 °C halves, exactly 25 °C still leaves minutes.</summary>
    public static HeatBand Of(Temperature wetBulb, HouseRules rules) =>
        wetBulb < rules[HalvesFrom] ? HeatBand.AsTrained
        : wetBulb < rules[MinutesFrom] ? HeatBand.Halved
        : wetBulb <= rules[NoneOver] ? HeatBand.MinutesOnly
        : HeatBand.None;

    /// <summary>The band of the air itself for a dog that nothing moves: exactly 27 °C halves, exactly 34 °C leaves none.</summary>
    public static HeatBand OfAir(Temperature air, HouseRules rules) =>
        air < rules[AirHalvesFrom] ? HeatBand.AsTrained
        : air < rules[AirMinutesFrom] ? HeatBand.Halved
        : air < rules[AirNoneFrom] ? HeatBand.MinutesOnly
        : HeatBand.None;

    /// <summary>The band for a wear: the worse of wet bulb and air, one up where anything moves the dog, and one where the place does, however much of either.</summary>
    public static HeatBand For(WearQuestion question, Weather weather, HouseRules rules)
    {
        var (wet, air) = Bare(weather, rules);
        var movers = Movers(question, weather, rules).Select(m => m is HeatMover.Sun or HeatMover.HotGround).Distinct().Count();
        return (HeatBand)Math.Min((int)HeatBand.None, (int)(wet > air ? wet : air) + movers);
    }

    /// <summary>The bands of wet bulb and air, before anything moves them.</summary>
    private static (HeatBand Wet, HeatBand Air) Bare(Weather weather, HouseRules rules) => (Of(weather.Judged, rules), OfAir(weather.Air, rules));

    /// <summary>The number that decides a band: that of the air where it is the worse, else that of the wet bulb.</summary>
    public static Grounded<Temperature> Decides(Weather weather, HouseRules rules)
    {
        var (wet, air) = Bare(weather, rules);
        return (air > wet, air > wet ? air : wet) switch
        {
            (true, HeatBand.Halved) => AirHalvesFrom,
            (true, HeatBand.MinutesOnly) => AirMinutesFrom,
            (true, _) => AirNoneFrom,
            (_, HeatBand.AsTrained or HeatBand.Halved) => HalvesFrom,
            (_, HeatBand.MinutesOnly) => MinutesFrom,
            _ => NoneOver,
        };
    }

    /// <summary>What moves a wear up a band. In frost no sun does, nor what only holds heat: a short face, age and youth bear cold no better.</summary>
    public static IEnumerable<HeatMover> Movers(WearQuestion question, Weather weather, HouseRules rules)
    {
        foreach (var mover in Movers(question.Dog, rules))
        {
            if (!weather.IsFrost || mover is HeatMover.ShortFace or HeatMover.Old or HeatMover.Young)
                yield return mover;
        }

        if (question.InSun && !weather.IsFrost)
            yield return HeatMover.Sun;
        if (question.HotGround && !weather.IsFrost)
            yield return HeatMover.HotGround;
    }

    /// <summary>What moves a dog up a band.</summary>
    public static IEnumerable<HeatMover> Movers(WearingDog dog, HouseRules rules)
    {
        if (dog.HeadShape == Measuring.HeadShape.Short)
            yield return HeatMover.ShortFace;
        if (dog.Coat == Measuring.Coat.Thick)
            yield return HeatMover.HeavyCoat;
        if (dog.Overweight)
            yield return HeatMover.Overweight;
        if (dog.AgeYears >= rules[OldFrom])
            yield return HeatMover.Old;
        if (dog.AgeYears < rules[YoungUnder] / 12.0)
            yield return HeatMover.Young;
        if (dog.BodyMass?.Kilograms >= rules[HeavyFrom])
            yield return HeatMover.Heavy;
    }

    /// <summary>How much of a wear the heat leaves: never more in a warmer band.</summary>
    public static TimeSpan Leaves(HeatBand band, TimeSpan otherwise, HouseRules rules) =>
        band switch
        {
            HeatBand.AsTrained => otherwise,
            HeatBand.Halved => otherwise / 2,
            HeatBand.MinutesOnly => otherwise / 2 is var half && half < rules[Minutes] ? half : rules[Minutes],
            _ => TimeSpan.Zero,
        };

    private static Grounded<Temperature> OnlyCooler(string id, string what, double degrees, Basis? basis = null) =>
        new(id, what, Temperature.FromDegreesCelsius(degrees), basis ?? Bands) { Most = degrees };
}
