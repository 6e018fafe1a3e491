using System.Globalization;
using JauntyBadge.Core.Fitting;

namespace JauntyBadge.Core.Wearing;

/// <summary>The words of this room.</summary>
public static class WearingWords
{
    /// <summary>What a line of the limit says.</summary>
    public static string Says(WearLine line, WearQuestion question, WearLimit limit) =>
        line.Cause switch
        {
            WearCause.OutOfUse => "The muzzle is out of use until it is mended",
            WearCause.AirwayTrouble => "Airway trouble is noted: a veterinarian says first whether and how long",
            WearCause.VeterinarianAllows => "What the veterinarian allows it",
            WearCause.MindAirway => "Nothing that holds its mouth shut: its airway is to be minded",
            WearCause.Type => question.Muzzle.Type == MuzzleType.Sleeve
                ? "A sleeve: it cannot pant, drink or vomit in it"
                : "A cover lies on its face and holds the mouth shut",
            WearCause.CannotPant => "It cannot open its mouth in this basket",
            WearCause.HalfPant => "It opens its mouth half way for panting: calm wears only",
            WearCause.Outing => "The longest outing, watched all the time",
            WearCause.Stage => question.Trained == TrainedTo.NotFastened ? "Its training has not come to fastening yet" : "As far as its training has come",
            WearCause.FirstWear => "No comfortable wear on record: begin with little",
            WearCause.OwnLongest => $"Half as long again as its own longest comfortable wear, {Minutes(question.LongestComfortable!.Value)}",
            WearCause.HeatUnknown => "How warm it is is not known: read the weather for more",
            WearCause.Exercise => line.Cap > TimeSpan.Zero
                ? "It runs, plays or works: half"
                : "It runs, plays or works, and cannot pant in full in this muzzle",
            _ => HeatSays(line, question, limit),
        };

    /// <summary>The heat in words, such as "19.4 °C wet bulb, taken a band warmer for its short face".</summary>
    public static string Heat(Weather weather, IReadOnlyList<HeatMover> movers)
    {
        var degrees = weather.WetBulb is { } bulb
            ? string.Create(CultureInfo.InvariantCulture, $"{bulb.DegreesCelsius:0.0} °C wet bulb")
            : string.Create(
                CultureInfo.InvariantCulture,
                $"wet bulb not computed: {weather.Air.DegreesCelsius:0.#} °C and {weather.Humidity.Percent:0} % lie outside {Weather.LeastHumidity}–{Weather.MostHumidity} % and {Weather.LeastAir} to {Weather.MostAir} °C; judged by the most it can be, {weather.Judged.DegreesCelsius:0.0} °C"
            );
        return movers.Count == 0 ? degrees : $"{degrees}, taken a band warmer for {string.Join(" and ", movers.Select(Of))}";
    }

    /// <summary>A band in words.</summary>
    public static string Of(HeatBand band) =>
        band switch
        {
            HeatBand.AsTrained => "Cool enough: as trained",
            HeatBand.Halved => "Warm: half as long",
            HeatBand.MinutesOnly => "Hot: minutes only, in the shade, with water",
            _ => "Too hot: none but in an emergency",
        };

    /// <summary>What goes before the big number: never that anything is safe.</summary>
    public static string Headline(WearLimit limit, WearQuestion question) =>
        limit.NotNow
            ? limit.Decides.Cause is WearCause.AirwayTrouble
                ? "Ask the veterinarian first"
                : "Not now"
            : $"At most {Minutes(limit.Cap)}, watched all the time";

    /// <summary>A time as it is said: whole minutes, seconds under two minutes.</summary>
    public static string Minutes(TimeSpan time) =>
        time < TimeSpan.FromMinutes(2) && time.Seconds != 0 ? $"{Math.Floor(time.TotalSeconds):0} s"
        : Math.Floor(time.TotalMinutes) is 1 ? "1 minute"
        : $"{Math.Floor(time.TotalMinutes):0} minutes";

    private static string HeatSays(WearLine line, WearQuestion question, WearLimit limit) =>
        line.Cap <= TimeSpan.Zero && limit.Band != HeatBand.None
            ? $"{Of(limit.Band!.Value).Split(':')[0]}: not in a muzzle that holds the mouth shut ({Heat(question.Weather!, limit.Movers)})"
            : $"{Of(limit.Band!.Value)} ({Heat(question.Weather!, limit.Movers)})";

    private static string Of(HeatMover mover) =>
        mover switch
        {
            HeatMover.ShortFace => "its short face",
            HeatMover.HeavyCoat => "its heavy coat",
            HeatMover.Overweight => "its weight",
            HeatMover.Old => "its age",
            HeatMover.Young => "its youth",
            _ => "its mass",
        };

    /// <summary>Good wears to one bad as they are said: cut, not rounded, so that what is under a bound never reads as if it were at it.</summary>
    public static string Ratio(double ratio) => (Math.Floor(ratio * 10 + 1e-6) / 10).ToString("0.0", CultureInfo.InvariantCulture);

    /// <summary>How the balance will stand and what to do, such as "After the clinic visit on Thu 3 December it will stand at 1.4 to one: two happy wears first."</summary>
    public static string Ahead(BalanceAhead ahead, string occasion)
    {
        var after = string.Create(
            CultureInfo.InvariantCulture,
            $"After {occasion} on {ahead.On:dddd d MMMM} it will stand at {Ratio(ahead.After ?? 0)} good to one bad"
        );
        var first = ahead.HappyOn.Count switch
        {
            0 => "",
            1 => $"one happy wear first, on {Day(ahead.HappyOn[0])}",
            var n => $"{Count(n)} happy wears first, one a day, from {Day(ahead.HappyOn[0])}",
        };
        return ahead switch
        {
            { HappyOn.Count: 0, Enough: true } => $"{after}: enough.",
            { Enough: true } => $"{after}: {first}.",
            { HappyOn.Count: 0 } => $"{after}, and there is no day left before it: plan happy wears after it.",
            _ => string.Create(
                CultureInfo.InvariantCulture,
                $"{after}. Even {first} it comes to {Ratio(ahead.ThenAfter ?? 0)} only: put it off if it can be, or plan happy wears after it."
            ),
        };
    }

    /// <summary>Why a happy wear is owed; null where none is.</summary>
    public static string? Owed(AssociationBalance balance, DateOnly? lastHappy, DateOnly today, HouseRules rules)
    {
        if (!balance.IsEnough(rules))
            return string.Create(
                CultureInfo.InvariantCulture,
                $"{(balance.Verdict(rules) == BalanceVerdict.Sour ? "The muzzle is becoming a sign of bad things" : "The muzzle means too little good")}: {Ratio(balance.Ratio!.Value)} good wears to one bad, {rules[AssociationBalance.Wanted]:0.#} are wanted."
            );
        if (balance.HappyWithinWeek)
            return null;
        return lastHappy is { } last ? $"The last happy wear was {today.DayNumber - last.DayNumber} days ago." : "No happy wear on record yet.";
    }

    /// <summary>What is said where no muzzle is chosen.</summary>
    public const string NoMuzzle = "Choose a muzzle first";

    /// <summary>What is said where the muzzle failed and a spare is at hand.</summary>
    public const string UseTheSpare = "The muzzle itself is out of use until it is mended: put on the spare, after a look at its strap, clip and edges.";

    /// <summary>Why the plan went back after worried wears.</summary>
    public static string WentBack(string step) => $"Worried at two wears in a row: back to “{step}”, which was easy, before it is worn out again.";

    /// <summary>An occasion in words.</summary>
    public static string Of(Occasion occasion) =>
        occasion switch
        {
            Occasion.Fun => "fun",
            Occasion.Ordinary => "ordinary",
            _ => "stressful",
        };

    /// <summary>What an appointment is for.</summary>
    public static string Of(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => "Clinic",
            AppointmentKind.Groomer => "Groomer",
            AppointmentKind.Ferry => "Ferry",
            AppointmentKind.Visitors => "Visitors",
            _ => "Appointment",
        };

    /// <summary>An appointment within a sentence.</summary>
    public static string Visit(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => "the clinic visit",
            AppointmentKind.Groomer => "the groomer",
            AppointmentKind.Ferry => "the ferry",
            AppointmentKind.Visitors => "the visitors",
            _ => "the appointment",
        };

    /// <summary>Why a veterinarian is asked about food and treats.</summary>
    public static string Of(FeedingConcern concern) =>
        concern switch
        {
            FeedingConcern.Growing => "It is growing: what it needs changes by the week. Its veterinarian says how much, treats included.",
            FeedingConcern.Pregnant => "In whelp or nursing: its veterinarian says how much, treats included.",
            _ => "Ill or on an ordered diet: nothing but what its veterinarian allows.",
        };

    /// <summary>What is said where the weight of treats, and not their energy, is the limit.</summary>
    public static string NoMoreByWeight(UnitsNet.Mass body, HouseRules rules) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"No more than {body.Kilograms * rules[TreatAllowance.GramsPerKg]:0} g a day, however little energy is in it."
        );

    /// <summary>The state of a muzzle in a sentence.</summary>
    public static string Of(MuzzleState state) =>
        state.Due switch
        {
            InspectionDue.OutOfUse =>
                $"Out of use: {string.Join(" and ", state.Failed.Select(f => InspectionCheck.All.FirstOrDefault(c => c.Id == f)?.Name.ToLowerInvariant() ?? f))} failed. Mend it or use the spare, then inspect it again.",
            InspectionDue.BeforeClinic => "Inspect it before the clinic visit.",
            InspectionDue.Monthly => "A month has gone by: inspect it.",
            _ => $"Next inspection {Day(state.On)}.",
        };

    public static string Of(RefitCause cause) =>
        cause == RefitCause.RubMark ? "It left a mark since it was tried on: look at the fit again" : "Tried on a year ago: look at the fit again";

    private static string Day(DateOnly day) => day.ToString("dddd d MMMM", CultureInfo.InvariantCulture);

    private static string Count(int number) => number is > 1 and < 7 ? new[] { "two", "three", "four", "five", "six" }[number - 2] : $"{number}";
}
