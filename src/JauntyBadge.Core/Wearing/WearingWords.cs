using System.Globalization;
using JauntyBadge.Core.Fitting;
using UnitsNet;

namespace JauntyBadge.Core.Wearing;

/// <summary>The words of this room. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed class WearingWords(Writing writing)
{
    private HouseRules Rules => writing.Rules;

    /// <summary>What a line of the limit says.</summary>
    public string Says(WearLine line, WearQuestion question, WearLimit limit) =>
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
            WearCause.OwnLongest =>
                $"{TimesAsLong(Rules[WearLimit.Growth])} its own longest comfortable wear, {Writing.Minutes(question.LongestComfortable!.Value)}",
            WearCause.HeatUnknown => "How warm it is is not known: read the weather for more",
            WearCause.Exercise => line.Cap > TimeSpan.Zero
                ? $"It runs, plays or works: {Part(Rules[WearLimit.ExerciseLeaves])}"
                : "It runs, plays or works, and cannot pant in full in this muzzle",
            _ => HeatSays(line, question, limit),
        };

    /// <summary>The heat in words, such as "19.4 °C wet bulb, taken a band warmer for its short face".</summary>
    public string Heat(Weather weather, IReadOnlyList<HeatMover> movers)
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
    public string Of(HeatBand band) =>
        band switch
        {
            HeatBand.AsTrained => "Cool enough: as trained",
            HeatBand.Halved => "Warm: half as long",
            HeatBand.MinutesOnly => "Hot: minutes only, in the shade, with water",
            _ => "Too hot: none but in an emergency",
        };

    /// <summary>What goes before the big number: never that anything is safe.</summary>
    public string Headline(WearLimit limit, WearQuestion question) =>
        limit.NotNow
            ? limit.Decides.Cause is WearCause.AirwayTrouble
                ? "Ask the veterinarian first"
                : "Not now"
            : $"At most {Writing.Minutes(limit.Cap)}, watched all the time";

    private string HeatSays(WearLine line, WearQuestion question, WearLimit limit) =>
        line.Cap <= TimeSpan.Zero && limit.Band != HeatBand.None
            ? $"{Of(limit.Band!.Value).Split(':')[0]}: not in a muzzle that holds the mouth shut ({Heat(question.Weather!, limit.Movers)})"
            : $"{Of(limit.Band!.Value)} ({Heat(question.Weather!, limit.Movers)})";

    private string Of(HeatMover mover) =>
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
    public string Ratio(double ratio) => (Math.Floor(ratio * 10 + 1e-6) / 10).ToString("0.0", CultureInfo.InvariantCulture);

    /// <summary>How the balance will stand after what is coming, and what to do before.</summary>
    public string Ahead(VisitAhead ahead) => Ahead(ahead.Balance, Visit(ahead.Visit));

    /// <summary>How the balance will stand and what to do, such as "After the clinic visit on Thu 3 December it will stand at 1.4 to one: two happy wears first."</summary>
    public string Ahead(BalanceAhead ahead, string occasion)
    {
        var after = string.Create(
            CultureInfo.InvariantCulture,
            $"After {occasion} on {writing.Weekday(ahead.On)} it will stand at {Ratio(ahead.After ?? 0)} good to one bad"
        );
        var first = ahead.HappyOn.Count switch
        {
            0 => "",
            1 => $"one happy wear first, on {writing.Weekday(ahead.HappyOn[0])}",
            var n => $"{Writing.InWords(n)} happy wears first, one a day, from {writing.Weekday(ahead.HappyOn[0])}",
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
    public string? Owed(AssociationBalance balance, DateOnly? lastHappy, DateOnly today)
    {
        if (!balance.IsEnough(Rules))
            return string.Create(
                CultureInfo.InvariantCulture,
                $"{(balance.Verdict(Rules) == BalanceVerdict.Sour ? "The muzzle is becoming a sign of bad things" : "The muzzle means too little good")}: {Ratio(balance.Ratio!.Value)} good wears to one bad, {Rules[AssociationBalance.Wanted]:0.#} are wanted."
            );
        if (balance.HappyWithinWeek)
            return null;
        return lastHappy is { } last ? $"The last happy wear was {today.DayNumber - last.DayNumber} days ago." : "No happy wear on record yet.";
    }

    /// <summary>What is said where no muzzle is chosen.</summary>
    public string NoMuzzle => "Choose a muzzle first";

    /// <summary>What is said where the muzzle failed and a spare is at hand.</summary>
    public string UseTheSpare => "The muzzle itself is out of use until it is mended: put on the spare, after a look at its strap, clip and edges.";

    /// <summary>An occasion in words.</summary>
    public string Of(Occasion occasion) =>
        occasion switch
        {
            Occasion.Fun => "fun",
            Occasion.Ordinary => "ordinary",
            _ => "stressful",
        };

    /// <summary>What an appointment is for.</summary>
    public string Of(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => "Clinic",
            AppointmentKind.Groomer => "Groomer",
            AppointmentKind.Ferry => "Ferry",
            AppointmentKind.Visitors => "Visitors",
            _ => "Appointment",
        };

    /// <summary>An appointment within a sentence.</summary>
    public string Visit(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => "the clinic visit",
            AppointmentKind.Groomer => "the groomer",
            AppointmentKind.Ferry => "the ferry",
            AppointmentKind.Visitors => "the visitors",
            _ => "the appointment",
        };

    /// <summary>Why a veterinarian is asked about food and treats.</summary>
    public string Of(FeedingConcern concern) =>
        concern switch
        {
            FeedingConcern.Growing => "It is growing: what it needs changes by the week. Its veterinarian says how much, treats included.",
            FeedingConcern.Pregnant => "In whelp or nursing: its veterinarian says how much, treats included.",
            _ => "Ill or on an ordered diet: nothing but what its veterinarian allows.",
        };

    /// <summary>What is said where the weight of treats, and not their energy, is the limit.</summary>
    public string NoMoreByWeight(Mass body) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"No more than {body.Kilograms * Rules[TreatAllowance.GramsPerKg]:0} g a day, however little energy is in it."
        );

    /// <summary>The state of a muzzle in a sentence.</summary>
    public string Of(MuzzleState state) =>
        state.Due switch
        {
            InspectionDue.OutOfUse =>
                $"Out of use: {string.Join(" and ", state.Failed.Select(f => InspectionCheck.All.FirstOrDefault(c => c.Id == f)?.Name.ToLowerInvariant() ?? f))} failed. Mend it or use the spare, then inspect it again.",
            InspectionDue.BeforeClinic => "Inspect it before the clinic visit.",
            InspectionDue.Monthly => $"{Writing.Capital(Gone(Rules[MuzzleState.Every]))} gone by: inspect it.",
            _ => $"Next inspection {writing.Weekday(state.On)}.",
        };

    /// <summary>Why the fit is to be looked at again.</summary>
    public string Of(RefitCause cause) =>
        cause == RefitCause.RubMark
            ? "It left a mark since it was tried on: look at the fit again"
            : $"Tried on {(Rules[MuzzleState.RefitMonths] == 12 ? "a year" : Writing.Count(Rules[MuzzleState.RefitMonths], "month"))} ago: look at the fit again";

    /// <summary>What keeps a muzzle happy that a dog wears for what it is for.</summary>
    public string KeepsHappy =>
        $"One happy wear {(Rules[AssociationBalance.HappyEvery] == 7 ? "a week" : $"every {Rules[AssociationBalance.HappyEvery]} days")} keeps it so.";

    /// <summary>The state of the weather's reading, where nothing is known of now.</summary>
    /// <param name="age">How old the last reading is; null where there is none.</param>
    public string NotKnown(TimeSpan? age) => age is { } old ? $"The last reading is {Writing.Minutes(old)} old: stale." : "Nobody has read the weather.";

    /// <summary>A strap's setting, short.</summary>
    public string Strap(int? hole, int? holes, Length? fromTightest, Length loop) =>
        hole is { } at ? $"hole {at}{(holes is { } of ? $" of {of}" : "")}"
        : fromTightest is { } open ? $"slider {writing.Length(open)} from its tightest"
        : $"a loop of {writing.Length(loop)}";

    /// <summary>How long a wear lasted and what it was to the dog; without a length it is on just now.</summary>
    public string Worn(TimeSpan? lasted, Occasion occasion) => lasted is { } on ? $"Worn {Writing.Minutes(on)}, {Of(occasion)}" : "Worn just now";

    private static string Gone(int days) =>
        days switch
        {
            30 => "a month has",
            7 => "a week has",
            _ => $"{days} days have",
        };

    private static string TimesAsLong(double times) => times == 1.5 ? "Half as long again as" : $"{Writing.Number(times)} times";

    private static string Part(double share) => share == 0.5 ? "half" : $"{Writing.Share(share)} of it";

    /// <summary>Why a treat is not for this dog.</summary>
    public string MayNotHave(IEnumerable<string> ingredients) => $"It may not have {string.Join(" and ", ingredients)}.";

    /// <summary>What the day's energy is taken from, where its owner measures the food.</summary>
    public string MeasuredFood => "the food its owner measures";

    /// <summary>The same, where the fitter set the factor.</summary>
    public string TimesResting(double own) => string.Create(CultureInfo.InvariantCulture, $"resting energy times {own:0.##}, as set here");

    /// <summary>The same by the list.</summary>
    public string TimesResting(EnergyFactor factor) =>
        string.Create(CultureInfo.InvariantCulture, $"resting energy times {factor.Factor:0.##}: {Writing.Lower(factor.Name)}");

    public string GoesThatWentWell => "Goes that went well, a piece each";

    public string FedAtWears => "Fed at wears";
}
