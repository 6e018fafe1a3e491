using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Wearing;

/// <summary>How far a dog's training has brought it, as far as wearing goes.</summary>
public enum TrainedTo
{
    /// <summary>Not yet fastened.</summary>
    NotFastened,
    FirstFastening,
    WearingStill,
    Moving,
    Places,

    /// <summary>Trained for what it is for.</summary>
    Purpose,
}

/// <summary>What a wear's limit rests on of a dog.</summary>
public sealed record WearingDog
{
    public HeadShape HeadShape { get; init; } = HeadShape.Medium;
    public Mass? BodyMass { get; init; }
    public Coat Coat { get; init; }

    /// <summary>Null where the birth date is not known.</summary>
    public double? AgeYears { get; init; }

    public bool Overweight { get; init; }

    /// <summary>Airway trouble is noted, or its face is less than half as long as the skull: a veterinarian decides.</summary>
    public bool AirwayTrouble { get; init; }

    /// <summary>Its airway is to be minded: nothing that holds its mouth shut.</summary>
    public bool MindAirway { get; init; }

    /// <summary>How long a veterinarian who looked at its breathing lets it wear one; null where none has said.</summary>
    public TimeSpan? VeterinarianAllows { get; init; }

    /// <summary>What a dog's profile says of it.</summary>
    public static WearingDog Of(DogProfile dog, DateOnly today, TimeSpan? veterinarianAllows = null) =>
        new()
        {
            HeadShape = dog.HeadShape.Shape,
            BodyMass = dog.BodyMass,
            Coat = dog.Coat,
            AgeYears = dog.BirthDate is { } born && born <= today ? (today.DayNumber - born.DayNumber) / 365.25 : null,
            Overweight = dog.Health.Contains(HealthNote.Overweight),
            AirwayTrouble = dog.VeterinarianFirst,
            MindAirway = dog.AirwayConcern is not null,
            VeterinarianAllows = veterinarianAllows,
        };
}

/// <summary>What is worn.</summary>
/// <param name="Type">What sort of muzzle it is.</param>
/// <param name="Gape">How far the mouth opens in a basket; not asked of a sleeve or cover.</param>
public sealed record WornMuzzle(MuzzleType Type, GapeClass Gape = GapeClass.Closed)
{
    /// <summary>The mouth stays shut in it, so that the dog cannot pant.</summary>
    public bool HoldsShut => Type != MuzzleType.Basket || Gape == GapeClass.Closed;
}

/// <summary>A wear that is asked about.</summary>
/// <param name="Dog">The dog.</param>
/// <param name="Muzzle">The muzzle.</param>
/// <param name="Weather">Where it is worn; null where it is not known.</param>
/// <param name="Exercise">It runs, plays or works.</param>
/// <param name="Trained">How far the training has come; null where that is not looked at.</param>
/// <param name="LongestComfortable">Its own longest comfortable wear; null for a dog never worn long.</param>
public sealed record WearQuestion(
    WearingDog Dog,
    WornMuzzle Muzzle,
    Weather? Weather,
    bool Exercise = false,
    TrainedTo? Trained = null,
    TimeSpan? LongestComfortable = null
)
{
    /// <summary>The muzzle failed at its inspection and is not mended.</summary>
    public bool OutOfUse { get; init; }

    /// <summary>What was found wrong of its fit when it was last tried on, and is not put right; null for nothing.</summary>
    public TryOnFinding? FitWrong { get; init; }

    /// <summary>Nobody has read the weather, or too long ago: minutes only until somebody does.</summary>
    public bool HeatUnknown { get; init; }

    /// <summary>It is worn in the sun.</summary>
    public bool InSun { get; init; }

    /// <summary>It walks on tarmac or sand too hot for the back of a hand for seven seconds.</summary>
    public bool HotGround { get; init; }

    /// <summary>What its wears until now leave of it, beside the longest comfortable one.</summary>
    public WearPast Past { get; init; } = WearPast.None;

    /// <summary>What the list of muzzles has against this one on this dog; null for nothing.</summary>
    public Criterion? RuledOut { get; init; }

    /// <summary>It was chosen to train in, and is worn for nothing else.</summary>
    public bool TrainingOnly { get; init; }
}

/// <summary>What limits a wear.</summary>
public enum WearCause
{
    RuledOut,
    TrainingOnly,
    BadToday,
    OutOfUse,
    FitWrong,
    AirwayTrouble,
    VeterinarianAllows,
    MindAirway,
    Type,
    CannotPant,
    HalfPant,
    Outing,
    Stage,
    FirstWear,
    OwnLongest,
    AfterBad,
    Exercise,
    Heat,
    HeatUnknown,
    Frost,
    Day,
    Pause,
}

/// <summary>One limit of a wear.</summary>
/// <param name="Cause">What limits it.</param>
/// <param name="Cap">The longest it leaves; zero where it should not be worn.</param>
/// <param name="Basis">On what ground.</param>
public sealed record WearLine(WearCause Cause, TimeSpan Cap, Basis Basis);

/// <summary>How long a muzzle may be worn now: a cap, never a promise.</summary>
/// <param name="Cap">The longest; zero where it should not be worn.</param>
/// <param name="Lines">All that limits it, the shortest first.</param>
/// <param name="Band">What the heat leaves; null where the weather is not known.</param>
/// <param name="Movers">Why the dog is taken for one band warmer.</param>
public sealed record WearLimit(TimeSpan Cap, IReadOnlyList<WearLine> Lines, HeatBand? Band, IReadOnlyList<HeatMover> Movers)
{
    public static readonly Grounded<TimeSpan> OutingCap = new(
        "wear.outing",
        "Longest any muzzle is worn at a time",
        TimeSpan.FromMinutes(120),
        Basis.Practice("a couple of hours on an outing at the very most, watched")
    )
    {
        Most = 120,
    };

    public static readonly Grounded<TimeSpan> FirstWear = new(
        "wear.first",
        "Longest wear of a dog that has none on record",
        TimeSpan.FromMinutes(5),
        Basis.House("about what it is trained to when the final muzzle comes")
    )
    {
        Most = 5,
    };

    public static readonly Grounded<double> Growth = new(
        "wear.growth",
        "Longest next wear, times the longest comfortable one",
        1.5,
        Basis.Practice("it grows by at most half of itself a time")
    )
    {
        Least = 1.1,
        Most = 1.5,
    };

    public static readonly Grounded<double> ExerciseLeaves = new(
        "wear.exercise",
        "Share of a wear that running, play or work leaves",
        0.5,
        Basis.House("what moves makes heat of its own, and pants harder than a dog that stands")
    )
    {
        Most = 0.5,
    };

    public static readonly Grounded<TimeSpan> SoonAt = new(
        "wear.soon",
        "Time left of a wear from which it is soon over",
        TimeSpan.FromMinutes(2),
        Basis.House("long enough to turn back and to have a treat ready")
    );

    public static readonly Grounded<double> SoonShare = new(
        "wear.soon-share",
        "The same as a share of a short wear",
        0.2,
        Basis.House("two minutes would be most of a short one")
    );

    public static readonly Grounded<TimeSpan> ForgottenOver = new(
        "wear.forgotten",
        "Minutes beyond its cap from which a wear is taken for forgotten, and when it came off is asked",
        TimeSpan.FromMinutes(30),
        Basis.House("nobody who watches a dog lets it run on so long")
    );

    public static readonly Grounded<double> DayTimes = new(
        "wear.day-times",
        "Longest wear of a day all together, times the longest single one of it",
        4,
        Basis.House("a wear to its cap, again and again, would have no end")
    )
    {
        Least = 1,
        Most = 4,
    };

    public static readonly Grounded<TimeSpan> DayMost = new(
        "wear.day-most",
        "Longest wear of a day all together",
        TimeSpan.FromHours(4),
        Basis.House("never all day")
    )
    {
        Most = 240,
    };

    public static readonly Grounded<TimeSpan> Fastening = Stage("wear.stage-fastening", "Longest wear at the stage of first fastening", 1);
    public static readonly Grounded<TimeSpan> Still = Stage("wear.stage-still", "Longest wear at the stage of wearing still", 2);
    public static readonly Grounded<TimeSpan> Moving = Stage("wear.stage-moving", "Longest wear at the stage of moving in it", 5);
    public static readonly Grounded<TimeSpan> Places = Stage("wear.stage-places", "Longest wear at the stage of other places", 20);

    private static readonly Basis VeterinarianFirst = Basis.Practice("a veterinarian looks at its breathing before any muzzle");

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        OutingCap,
        FirstWear,
        Growth,
        ExerciseLeaves,
        ForgottenOver,
        DayTimes,
        DayMost,
        Fastening,
        Still,
        Moving,
        Places,
        SoonAt,
        SoonShare,
        .. Heat.All,
        .. WearLog.All,
    ];

    /// <summary>With how much left of a wear it is soon over.</summary>
    public static TimeSpan Soon(TimeSpan cap, HouseRules rules) => new[] { rules[SoonAt], cap * rules[SoonShare] }.Min();

    /// <summary>From when on a wear is taken for forgotten.</summary>
    public static TimeSpan Forgotten(TimeSpan cap, HouseRules rules) => cap + rules[ForgottenOver];

    /// <summary>It should not be worn at all.</summary>
    public bool NotNow => Cap <= TimeSpan.Zero;

    /// <summary>What decides: the line that leaves the least.</summary>
    public WearLine Decides => Lines[0];

    /// <summary>Works out the cap. Every limit applies; exercise and heat then take their share of the least of the others.</summary>
    public static WearLimit Of(WearQuestion question, HouseRules rules)
    {
        var lines = new List<WearLine>(8);
        lines.AddRange(Standing(question, rules));
        var least = Least(lines);
        if (question.HeatUnknown)
        {
            lines.Add(new(WearCause.HeatUnknown, question.Muzzle.HoldsShut ? TimeSpan.Zero : rules[Heat.Minutes], rules.Basis(Heat.Minutes)));
            least = Least(lines);
        }

        if (question.Exercise)
        {
            var leaves = question.Muzzle is { HoldsShut: false, Gape: not GapeClass.HalfPant } ? least * rules[ExerciseLeaves] : TimeSpan.Zero;
            lines.Add(new(WearCause.Exercise, leaves, leaves > TimeSpan.Zero ? rules.Basis(ExerciseLeaves) : Basis.Practice("what works has to pant in full")));
            least = Least(lines);
        }

        HeatBand? band = null;
        IReadOnlyList<HeatMover> movers = [];
        if (question.Weather is { } weather)
        {
            band = Heat.For(question, weather, rules);
            movers = [.. Heat.Movers(question, weather, rules)];
            if (weather.Air < rules[Heat.FrostUnder])
                lines.Add(new(WearCause.Frost, rules[Heat.FrostMinutes], rules.Basis(Heat.FrostMinutes)));
            if (band != HeatBand.AsTrained)
                lines.Add(
                    new(
                        WearCause.Heat,
                        question.Muzzle.HoldsShut ? TimeSpan.Zero : Heat.Leaves(band.Value, least, rules),
                        rules.Basis(Heat.Decides(weather, rules))
                    )
                );
        }

        if (question.Past is { WornToday: var worn, LongestCapToday: var told } && worn > TimeSpan.Zero)
        {
            var single = Least(lines) is var now && now > told ? now : told;
            var day = single * rules[DayTimes] is var times && times < rules[DayMost] ? times : rules[DayMost];
            lines.Add(new(WearCause.Day, day > worn ? day - worn : TimeSpan.Zero, rules.Basis(day < rules[DayMost] ? DayTimes : DayMost)));
        }

        lines.Sort((a, b) => a.Cap.CompareTo(b.Cap) is var by and not 0 ? by : a.Cause.CompareTo(b.Cause));
        return new(lines[0].Cap, lines, band, movers);
    }

    /// <summary>The limits that hold whatever the weather and whatever the dog does in it.</summary>
    private static IEnumerable<WearLine> Standing(WearQuestion question, HouseRules rules)
    {
        var (dog, muzzle) = (question.Dog, question.Muzzle);
        if (question.RuledOut is { } against)
            yield return new(WearCause.RuledOut, TimeSpan.Zero, against.Basis);
        if (question.TrainingOnly)
            yield return new(WearCause.TrainingOnly, TimeSpan.Zero, Basis.House("it was judged to train in, and for nothing else"));
        if (question.Past.BadToday)
            yield return new(WearCause.BadToday, TimeSpan.Zero, Basis.House("after one that went badly the day is over: the next is to be a good one"));
        if (question.Past.PauseLeft > TimeSpan.Zero)
            yield return new(WearCause.Pause, TimeSpan.Zero, Basis.House("a pause as long as the last wear: it drinks, pants and shakes it off"));
        if (question.OutOfUse)
            yield return new(WearCause.OutOfUse, TimeSpan.Zero, Basis.Practice("what failed at its inspection is not worn until it is mended"));
        if (question.FitWrong is not null)
            yield return new(WearCause.FitWrong, TimeSpan.Zero, Basis.Practice("what was found wrong on the dog is put right before it is worn again"));
        if (dog.AirwayTrouble)
            yield return muzzle.HoldsShut ? new(WearCause.MindAirway, TimeSpan.Zero, VeterinarianFirst)
            : dog.VeterinarianAllows is { } allowed ? new(WearCause.VeterinarianAllows, allowed, VeterinarianFirst)
            : new(WearCause.AirwayTrouble, TimeSpan.Zero, VeterinarianFirst);
        else if (dog.MindAirway && (muzzle.Type == MuzzleType.Sleeve || (muzzle.Type == MuzzleType.Basket && muzzle.HoldsShut)))
            yield return new(WearCause.MindAirway, TimeSpan.Zero, VeterinarianFirst);

        if (FitRules.Cap(muzzle.Type, rules) is { } cap)
            yield return new(WearCause.Type, cap, rules.Basis(muzzle.Type == MuzzleType.Sleeve ? FitRules.SleeveCap : FitRules.CoverCap));
        else
            yield return muzzle.Gape switch
            {
                GapeClass.Closed => new(WearCause.CannotPant, rules[FitRules.SleeveCap], rules.Basis(FitRules.SleeveCap)),
                GapeClass.HalfPant => new(WearCause.HalfPant, rules[WearPlan.LongWear], rules.Basis(WearPlan.LongWear)),
                _ => new(WearCause.Outing, rules[OutingCap], rules.Basis(OutingCap)),
            };

        if (question.Trained is { } stage && StageCap(stage) is var number && stage != TrainedTo.Purpose)
            yield return number is null
                ? new(WearCause.Stage, TimeSpan.Zero, Basis.Practice("a dog wears it once it has been fastened step by step"))
                : new(WearCause.Stage, rules[number], rules.Basis(number));
        yield return Own(question, rules);
    }

    /// <summary>
    /// What its own wears leave. After one that went badly that is a share of what was borne, until it was borne longer since, or until it was trained with a muzzle
    /// on since: then it begins with little.
    /// </summary>
    private static WearLine Own(WearQuestion question, HouseRules rules)
    {
        var grown = question.LongestComfortable is { } longest ? new WearLine(WearCause.OwnLongest, longest * rules[Growth], rules.Basis(Growth)) : null;
        var first = new WearLine(WearCause.FirstWear, rules[FirstWear], rules.Basis(FirstWear));
        if (question.Past.BadBorne is not { } borne)
            return grown ?? first;
        var half = new WearLine(WearCause.AfterBad, borne * rules[WearLog.AfterBad], rules.Basis(WearLog.AfterBad));
        return new[] { half, grown, question.Past.TrainedSince ? first : null }.OfType<WearLine>().MaxBy(l => l.Cap)!;
    }

    private static Grounded<TimeSpan>? StageCap(TrainedTo stage) =>
        stage switch
        {
            TrainedTo.FirstFastening => Fastening,
            TrainedTo.WearingStill => Still,
            TrainedTo.Moving => Moving,
            TrainedTo.Places => Places,
            _ => null,
        };

    private static TimeSpan Least(List<WearLine> lines) => lines.Min(l => l.Cap);

    private static Grounded<TimeSpan> Stage(string id, string what, double minutes) =>
        new(id, what, TimeSpan.FromMinutes(minutes), Basis.House("no longer than its training has come to")) { Most = minutes };
}
