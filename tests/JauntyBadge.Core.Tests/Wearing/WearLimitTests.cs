using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Wearing;

/// <summary>How long a muzzle may be worn, and what heat makes of it.</summary>
public class WearLimitTests
{
    private static readonly HouseRules Ours = HouseRules.Ours;
    private static readonly WornMuzzle FullPant = new(MuzzleType.Basket, GapeClass.FullPant);
    private static readonly WornMuzzle HalfPant = new(MuzzleType.Basket, GapeClass.HalfPant);

    private static Weather At(double air, double humidity) => new(Temperature.FromDegreesCelsius(air), RelativeHumidity.FromPercent(humidity));

    private static TimeSpan Min(double minutes) => TimeSpan.FromMinutes(minutes);

    /// <summary>The paper's own example (Stull 2011): 20 °C and 50 % give 13.7 °C.</summary>
    [Fact]
    public void The_wet_bulb_of_the_papers_example() => Assert.Equal(13.7, At(20, 50).WetBulb!.Value.DegreesCelsius, 1);

    /// <summary>
    /// A second way to it that shares nothing with the fit: the psychrometer equation (Sprung's constant, Magnus vapour pressure, 1013.25 hPa), solved by halving. Stull's errors are −1 to
    /// +0.65 °C; the two agree so from 20 % humidity and 0 °C on.
    /// </summary>
    [Theory]
    [InlineData(20)]
    [InlineData(35)]
    [InlineData(50)]
    [InlineData(75)]
    [InlineData(99)]
    public void The_fit_agrees_with_the_psychrometer(double humidity)
    {
        for (var air = 0.0; air <= 40; air += 2.5)
            Assert.InRange(At(air, humidity).WetBulb!.Value.DegreesCelsius - Psychrometer(air, humidity), -1.0, 0.65);
    }

    private static double Psychrometer(double air, double humidity)
    {
        static double Vapour(double t) => 6.1094 * Math.Exp(17.625 * t / (t + 243.04));
        var (low, high) = (-60.0, air);
        for (var i = 0; i < 80; i++)
        {
            var middle = (low + high) / 2;
            if (Vapour(middle) - 0.000665 * (1 + 0.00115 * middle) * 1013.25 * (air - middle) > humidity / 100 * Vapour(air))
                high = middle;
            else
                low = middle;
        }

        return high;
    }

    [Theory]
    [InlineData(20, 4.9, 5.7)] // as at 5 %, by the fit
    [InlineData(20, 99.1, 20)]
    [InlineData(-20.1, 50, -20.1)]
    [InlineData(50.1, 50, 50.1)]
    [InlineData(50.1, 4, 50.1)]
    public void Outside_the_fits_range_nothing_is_computed_and_the_most_it_can_be_is_judged_by(double air, double humidity, double judged)
    {
        var weather = At(air, humidity);
        Assert.Null(weather.WetBulb);
        Assert.Equal(judged, weather.Judged.DegreesCelsius, 1);
        Assert.Contains(air < 0 ? "freeze" : "not computed", Words.Wearing.Heat(weather, []), StringComparison.Ordinal);
    }

    [Fact]
    public void The_ends_of_the_range_belong_to_it()
    {
        Assert.NotNull(At(-20, 5).WetBulb);
        Assert.NotNull(At(50, 99).WetBulb);
    }

    /// <summary>The chapter's bands at their very bounds (House).</summary>
    [Theory]
    [InlineData(17.99, HeatBand.AsTrained)]
    [InlineData(18, HeatBand.Halved)]
    [InlineData(21.99, HeatBand.Halved)]
    [InlineData(22, HeatBand.MinutesOnly)]
    [InlineData(25, HeatBand.MinutesOnly)]
    [InlineData(25.01, HeatBand.None)]
    public void Bands(double wetBulb, HeatBand band) => Assert.Equal(band, Heat.Of(Temperature.FromDegreesCelsius(wetBulb), Ours));

    public static TheoryData<WearingDog, HeatMover?> WhatMoves =>
        new()
        {
            { new(), null },
            {
                new()
                {
                    HeadShape = HeadShape.Long,
                    Coat = Coat.Clipped,
                    AgeYears = 7.99,
                },
                null
            },
            {
                new() { HeadShape = HeadShape.Short },
                HeatMover.ShortFace
            },
            {
                new() { Coat = Coat.Thick },
                HeatMover.HeavyCoat
            },
            {
                new() { Overweight = true },
                HeatMover.Overweight
            },
            {
                new() { AgeYears = 8 },
                HeatMover.Old
            },
            {
                new() { AgeYears = 0.49 },
                HeatMover.Young
            },
            {
                new() { AgeYears = 0.5 },
                null
            },
            {
                new() { BodyMass = Mass.FromKilograms(50) },
                HeatMover.Heavy
            },
            {
                new() { BodyMass = Mass.FromKilograms(49.9) },
                null
            },
        };

    [Theory]
    [MemberData(nameof(WhatMoves))]
    public void What_moves_a_dog_a_band(WearingDog dog, HeatMover? mover)
    {
        Assert.Equal(mover, Heat.Movers(dog, Ours).Cast<HeatMover?>().SingleOrDefault());
        Assert.Equal(mover is null ? HeatBand.AsTrained : HeatBand.Halved, Heat.For(Of(dog), At(10, 100), Ours));
    }

    [Fact]
    public void However_much_moves_it_it_is_one_band_and_none_is_the_last()
    {
        var dog = new WearingDog
        {
            HeadShape = HeadShape.Short,
            Coat = Coat.Thick,
            Overweight = true,
            AgeYears = 12,
        };
        Assert.Equal(HeatBand.MinutesOnly, Heat.For(Of(dog), At(19, 99), Ours));
        Assert.Equal(HeatBand.None, Heat.For(Of(dog), At(30, 99), Ours));

        // What moves the dog and what the place adds are two bands, however much of either.
        Assert.Equal(HeatBand.MinutesOnly, Heat.For(Of(dog) with { InSun = true, HotGround = true }, At(10, 60), Ours));
        Assert.Equal(HeatBand.Halved, Heat.For(Of(new()) with { InSun = true, HotGround = true }, At(10, 60), Ours));
    }

    private static WearQuestion Of(WearingDog dog) => new(dog, FullPant, null);

    /// <summary>Dry heat fools the wet bulb: 40 °C at 5 % is 19 °C wet bulb. Bounds are the band above (House: the handbook's 27, 30 and 34 °C).</summary>
    [Theory]
    [InlineData(40, 5, HeatBand.None)]
    [InlineData(34, 5, HeatBand.None)]
    [InlineData(33.9, 5, HeatBand.MinutesOnly)]
    [InlineData(30, 5, HeatBand.MinutesOnly)]
    [InlineData(29.9, 5, HeatBand.Halved)]
    [InlineData(27, 5, HeatBand.Halved)]
    [InlineData(26.9, 5, HeatBand.AsTrained)]
    [InlineData(20, 99, HeatBand.Halved)]
    public void The_worse_of_air_and_wet_bulb_decides(double air, double humidity, HeatBand band) =>
        Assert.Equal(band, Heat.For(Of(new()), At(air, humidity), Ours));

    /// <summary>Frost is no warmth: a short face is halved there too, a thick coat is not, and no sun moves anything.</summary>
    [Theory]
    [InlineData(-8, HeadShape.Short, Coat.Ordinary, 45)]
    [InlineData(-8, HeadShape.Medium, Coat.Thick, 90)]
    [InlineData(-10, HeadShape.Medium, Coat.Ordinary, 90)]
    [InlineData(-10.1, HeadShape.Medium, Coat.Ordinary, 10)]
    [InlineData(-15, HeadShape.Short, Coat.Ordinary, 10)]
    public void In_frost(double air, HeadShape shape, Coat coat, double minutes)
    {
        var question = new WearQuestion(new() { HeadShape = shape, Coat = coat }, FullPant, At(air, 60), LongestComfortable: Min(60)) { InSun = true };
        var limit = WearLimit.Of(question, Ours);
        Assert.Equal(Min(minutes), limit.Cap);
        var words = string.Join(" ", limit.Lines.Select(l => Words.Wearing.Says(l, question, limit)));
        Assert.DoesNotContain("arm", words, StringComparison.Ordinal);
        Assert.DoesNotContain("wet bulb", words, StringComparison.Ordinal);
        Assert.Contains("freeze", Words.Wearing.Heat(question.Weather!, limit.Movers), StringComparison.Ordinal);
    }

    /// <summary>Caps by type and gape class, in the cool, of a dog that wears it for hours (common practice, no source; 5, 15 and 20 are House).</summary>
    [Theory]
    [InlineData(MuzzleType.Sleeve, GapeClass.Closed, 5)]
    [InlineData(MuzzleType.FaceCover, GapeClass.Closed, 15)]
    [InlineData(MuzzleType.Basket, GapeClass.Closed, 5)]
    [InlineData(MuzzleType.Basket, GapeClass.HalfPant, 20)]
    [InlineData(MuzzleType.Basket, GapeClass.FullPant, 120)]
    [InlineData(MuzzleType.Basket, GapeClass.Yawn, 120)]
    public void Caps_by_type(MuzzleType type, GapeClass gape, double minutes) =>
        Assert.Equal(Min(minutes), Cap(new(new(), new(type, gape), At(12, 60), LongestComfortable: Min(600))));

    [Theory]
    [InlineData(TrainedTo.NotFastened, 0)]
    [InlineData(TrainedTo.FirstFastening, 1)]
    [InlineData(TrainedTo.WearingStill, 2)]
    [InlineData(TrainedTo.Moving, 5)]
    [InlineData(TrainedTo.Places, 20)]
    [InlineData(TrainedTo.Purpose, 120)]
    public void No_longer_than_its_training_has_come_to(TrainedTo stage, double minutes) =>
        Assert.Equal(Min(minutes), Cap(new(new(), FullPant, At(12, 60), Trained: stage, LongestComfortable: Min(600))));

    /// <summary>It grows by half of itself a time; one that has none on record begins with five minutes (House).</summary>
    [Fact]
    public void Its_own_longest_comes_first()
    {
        Assert.Equal(Min(5), Cap(new(new(), FullPant, null)));
        Assert.Equal(Min(30), Cap(new(new(), FullPant, null, LongestComfortable: Min(20))));
        Assert.Equal(Min(3), Cap(new(new(), FullPant, null, LongestComfortable: Min(2))));
        var limit = WearLimit.Of(new(new(), FullPant, null, LongestComfortable: Min(20)), Ours);
        Assert.Equal((WearCause.OwnLongest, (HeatBand?)null), (limit.Decides.Cause, limit.Band));
    }

    [Fact]
    public void Heat_and_exercise_take_their_share_of_the_least_of_the_others()
    {
        var warm = At(25, 55); // 18.9 °C wet bulb
        Assert.Equal(Min(15), Cap(new(new(), FullPant, warm, LongestComfortable: Min(20))));
        Assert.Equal(Min(15), Cap(new(new(), FullPant, At(12, 60), Exercise: true, LongestComfortable: Min(20))));
        Assert.Equal(Min(7.5), Cap(new(new(), FullPant, warm, Exercise: true, LongestComfortable: Min(20))));
        Assert.Equal(Min(5), Cap(new(new(), FullPant, At(30, 55), LongestComfortable: Min(20))));
        Assert.Equal(Min(0), Cap(new(new(), FullPant, At(33, 60), LongestComfortable: Min(20))));
        Assert.Equal(Min(0), Cap(new(new(), HalfPant, At(12, 60), Exercise: true, LongestComfortable: Min(20))));
    }

    [Theory]
    [InlineData(MuzzleType.Sleeve)]
    [InlineData(MuzzleType.FaceCover)]
    public void What_holds_the_mouth_shut_is_worn_neither_in_warmth_nor_at_exercise(MuzzleType type)
    {
        Assert.Equal(Min(0), Cap(new(new(), new(type), At(25, 55), LongestComfortable: Min(20))));
        Assert.Equal(Min(0), Cap(new(new(), new(type), At(12, 60), Exercise: true, LongestComfortable: Min(20))));
    }

    /// <summary>A veterinarian decides on noisy breathing; until one has said so, nothing is worn, and a sleeve never.</summary>
    [Fact]
    public void Airway_trouble_is_the_veterinarians()
    {
        var dog = new WearingDog { AirwayTrouble = true, MindAirway = true };
        var unasked = WearLimit.Of(new(dog, FullPant, At(10, 60), LongestComfortable: Min(20)), Ours);
        Assert.Equal((true, WearCause.AirwayTrouble), (unasked.NotNow, unasked.Decides.Cause));
        Assert.Equal("Ask the veterinarian first", Words.Wearing.Headline(unasked, new(dog, FullPant, null)));
        var asked = dog with { VeterinarianAllows = Min(8) };
        Assert.Equal(Min(8), Cap(new(asked, FullPant, At(10, 60), LongestComfortable: Min(20))));
        Assert.Equal(Min(0), Cap(new(asked, new(MuzzleType.FaceCover), At(10, 60), LongestComfortable: Min(20))));
        Assert.Equal(Min(0), Cap(new(new() { MindAirway = true }, new(MuzzleType.Sleeve), At(10, 60))));
        Assert.Equal(Min(5), Cap(new(new() { MindAirway = true }, new(MuzzleType.FaceCover), At(10, 60))));
    }

    /// <summary>Not knowing the heat never leaves more than knowing it to be cool.</summary>
    [Fact]
    public void Where_nobody_read_the_weather_it_is_minutes_only()
    {
        var unread = new WearQuestion(new(), FullPant, null, LongestComfortable: Min(60)) { HeatUnknown = true };
        Assert.Equal((Min(5), WearCause.HeatUnknown), (Cap(unread), WearLimit.Of(unread, Ours).Decides.Cause));
        Assert.Equal(Min(3), Cap(unread with { LongestComfortable = Min(2) }));
        Assert.Equal(Min(0), Cap(unread with { Muzzle = new(MuzzleType.Sleeve) }));
        Assert.Equal(Min(0), Cap(unread with { Muzzle = new(MuzzleType.FaceCover) }));
    }

    [Fact]
    public void Out_of_use_is_out_of_use() => Assert.Equal(Min(0), Cap(new(new(), FullPant, At(10, 60)) { OutOfUse = true }));

    /// <summary>No number on the screen may be over what its own lines allow, and none calls itself safe.</summary>
    [Property]
    public bool The_cap_is_its_shortest_line_and_the_words_promise_nothing(
        byte air,
        byte humidity,
        byte muzzle,
        byte stage,
        byte dog,
        byte longest,
        bool exercise
    )
    {
        var question = Any(air, humidity, muzzle, stage, dog, longest, exercise);
        var limit = WearLimit.Of(question, Ours);
        var words = string.Join(" ", limit.Lines.Select(l => Words.Wearing.Says(l, question, limit)).Append(Words.Wearing.Headline(limit, question)));
        return limit.Cap == limit.Lines.Min(l => l.Cap)
            && limit.Cap >= TimeSpan.Zero
            && limit.Lines.All(l => l.Basis.Note.Length > 0)
            && !words.Contains("safe", StringComparison.OrdinalIgnoreCase)
            && (limit.NotNow || limit.Band != HeatBand.None);
    }

    /// <summary>Warmer, more humid, shorter faced, heavier coated, fatter or at exercise never lengthens it; longer worn never shortens it.</summary>
    [Property(MaxTest = 500)]
    public bool Nothing_that_is_worse_lengthens_it(byte air, byte humidity, byte muzzle, byte stage, byte dog, byte longest, byte by)
    {
        var question = Any(air, humidity, muzzle, stage, dog, longest, false);
        // The fit is not monotonous in humidity under 5 °C, where no band begins.
        var (t, rh) = (Math.Max(5, question.Weather!.Air.DegreesCelsius), question.Weather.Humidity.Percent);
        question = question with { Weather = At(t, rh) };
        var cap = Cap(question);
        return Cap(question with { Weather = At(t + by % 20, rh) }) <= cap
            && Cap(question with { Weather = At(t, Math.Min(100, rh + by % 40)) }) <= cap
            && Cap(question with { Exercise = true }) <= cap
            && Cap(question with { OutOfUse = true }) <= cap
            && Cap(question with { Dog = question.Dog with { HeadShape = HeadShape.Short, MindAirway = true } }) <= cap
            && Cap(question with { Dog = question.Dog with { Coat = Coat.Thick } }) <= cap
            && Cap(question with { Dog = question.Dog with { Overweight = true } }) <= cap
            && Cap(question with { Dog = question.Dog with { AirwayTrouble = true, VeterinarianAllows = null } }) <= cap
            && Cap(question with { LongestComfortable = (question.LongestComfortable ?? Min(10)) + Min(by) })
                >= (question.LongestComfortable is null ? Min(0) : cap);
    }

    [Fact]
    public void Worried_twice_in_a_row_it_goes_back_and_once_it_does_not()
    {
        Wear Of(bool worried) => new(default, Min(5), Occasion.Ordinary, worried);
        Assert.False(WearLog.GoesBack([]));
        Assert.False(WearLog.GoesBack([Of(true)]));
        Assert.False(WearLog.GoesBack([Of(true), Of(true), Of(false)]));
        Assert.False(WearLog.GoesBack([Of(true), Of(false), Of(true)]));
        Assert.True(WearLog.GoesBack([Of(false), Of(true), Of(true)]));
        Assert.True(WearLog.GoesBack([Of(false), Of(true) with { OverThreshold = true }]));
        Assert.False(WearLog.GoesBack([Of(true) with { OverThreshold = true }, Of(false)]));
    }

    [Fact]
    public void A_dogs_profile_says_what_is_asked()
    {
        var today = new DateOnly(2026, 11, 27);
        var dog = WearingDog.Of(
            new DogProfile
            {
                Name = "Any",
                HeadShapeSeen = HeadShape.Short,
                BirthDate = today.AddYears(-9),
                BodyMass = Mass.FromKilograms(12),
                Health = [HealthNote.Overweight],
            },
            today
        );
        Assert.Equal((HeadShape.Short, true, false, true), (dog.HeadShape, dog.MindAirway, dog.AirwayTrouble, dog.Overweight));
        Assert.InRange(dog.AgeYears!.Value, 8.99, 9.01);
        Assert.Null(WearingDog.Of(new DogProfile { Name = "Any" }, today).AgeYears);
    }

    [Fact]
    public void A_reading_of_an_hour_is_stale_and_a_clock_set_back_makes_none()
    {
        var at = new DateTimeOffset(2026, 7, 1, 9, 0, 0, TimeSpan.Zero);
        var reading = new WeatherReading(at, At(20, 50));
        Assert.False(reading.IsStale(at.AddMinutes(59), Ours));
        Assert.True(reading.IsStale(at.AddMinutes(60), Ours));
        Assert.Equal(TimeSpan.Zero, reading.Age(at.AddMinutes(-5)));
    }

    /// <summary>Half an hour as trained, until the hour whose wear would run into the warmth.</summary>
    [Fact]
    public void A_look_ahead_says_when_it_is_cool_enough()
    {
        var day = new DateTimeOffset(2026, 7, 1, 6, 0, 0, TimeSpan.Zero);
        double[] air = [12, 15, 18, 22, 27, 27, 22, 17];
        var forecast = air.Select((t, i) => new WeatherReading(day.AddHours(i), At(t, 60))).ToList();
        var short30 = new WearQuestion(new(), FullPant, null, LongestComfortable: Min(20));
        Assert.Equal(
            [(6, 10, HeatBand.AsTrained, Min(30)), (10, 12, HeatBand.Halved, Min(15)), (12, 14, HeatBand.AsTrained, Min(30))],
            WearAhead.Of(short30, forecast, Ours).Select(s => (s.From.Hour, s.To.Hour, s.Band, s.Cap))
        );
        // Two hours from nine would run into the warmth of ten.
        Assert.Equal(
            [(6, 9, HeatBand.AsTrained), (9, 12, HeatBand.Halved), (12, 14, HeatBand.AsTrained)],
            WearAhead.Of(short30 with { LongestComfortable = Min(100) }, forecast, Ours).Select(s => (s.From.Hour, s.To.Hour, s.Band))
        );
        forecast.RemoveAt(1);
        Assert.Equal([6, 8], WearAhead.Of(short30, forecast, Ours).Take(2).Select(s => s.From.Hour));
        Assert.Empty(WearAhead.Of(short30, [], Ours));
    }

    private static TimeSpan Cap(WearQuestion question) => WearLimit.Of(question, Ours).Cap;

    private static WearQuestion Any(byte air, byte humidity, byte muzzle, byte stage, byte dog, byte longest, bool exercise) =>
        new(
            new WearingDog
            {
                HeadShape = (HeadShape)(dog % 3),
                Coat = (Coat)(dog / 3 % 3),
                Overweight = dog % 2 == 1,
                AgeYears = dog % 5 == 0 ? null : dog % 14,
                BodyMass = Mass.FromKilograms(3 + dog % 70),
                AirwayTrouble = dog % 11 == 0,
                MindAirway = dog % 11 == 0 || dog % 3 == 2,
                VeterinarianAllows = dog % 22 == 0 ? Min(10) : null,
            },
            muzzle % 6 < 4 ? new(MuzzleType.Basket, (GapeClass)(muzzle % 4)) : new(muzzle % 6 == 4 ? MuzzleType.Sleeve : MuzzleType.FaceCover),
            At(air % 60 - 5, humidity % 101),
            exercise,
            stage % 7 == 6 ? null : (TrainedTo)(stage % 7),
            longest % 7 == 0 ? null : Min(longest)
        );

    /// <summary>Two minutes before the end, of a short wear a fifth; both agree at ten minutes.</summary>
    [Theory]
    [InlineData(0, 0)]
    [InlineData(5, 60)]
    [InlineData(10, 120)]
    [InlineData(11, 120)]
    [InlineData(120, 120)]
    public void It_is_soon_over(double capMinutes, double soonSeconds) =>
        Assert.Equal(soonSeconds, WearLimit.Soon(TimeSpan.FromMinutes(capMinutes), HouseRules.Ours).TotalSeconds, 6);
}
