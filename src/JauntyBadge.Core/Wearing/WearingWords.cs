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
            WearCause.RuledOut => question.RuledOut!.Reason.TrimEnd('.'),
            WearCause.TrainingOnly => writing.Say("Chosen to train in: it is worn in sessions, and for nothing else"),
            WearCause.BadToday => writing.Say("It went badly today: no second one on the same day"),
            WearCause.Pause => writing.Say($"A pause as long as the last wear: again in {writing.Minutes(RoundedUp(question.Past.PauseLeft))}"),
            WearCause.Day => writing.Say(
                $"Worn {writing.Minutes(question.Past.WornToday)} today: a day holds {Writing.Number(Rules[WearLimit.DayTimes])} times its longest single wear, and never over {writing.Minutes(Rules[WearLimit.DayMost])}"
            ),
            WearCause.AfterBad => writing.Say(
                $"The last one went badly after {writing.Minutes(question.Past.BadBorne!.Value)}: {Part(Rules[WearLog.AfterBad])} of that at most"
            ),
            WearCause.Frost => writing.Say($"Below {Rules[Wearing.Heat.FrostUnder].DegreesCelsius:0.#} °C: short wears, {Frost}"),
            WearCause.OutOfUse => writing.Say("The muzzle is out of use until it is mended"),
            WearCause.FitWrong => writing.Say($"Found wrong when it was tried on: {new FittingWords(writing).Wrong(question.FitWrong!)}"),
            WearCause.AirwayTrouble => writing.Say("Its breathing is looked at first: a veterinarian says whether and how long"),
            WearCause.VeterinarianAllows => writing.Say("What the veterinarian allows it"),
            WearCause.MindAirway => writing.Say("Nothing that holds its mouth shut: its airway is to be minded"),
            WearCause.Type => question.Muzzle.Type == MuzzleType.Sleeve
                ? writing.Say("A sleeve: it cannot pant, drink or vomit in it")
                : writing.Say("A cover lies on its face and holds the mouth shut"),
            WearCause.CannotPant => writing.Say("It cannot open its mouth in this basket"),
            WearCause.HalfPant => writing.Say("It opens its mouth half way for panting: calm wears only"),
            WearCause.Outing => writing.Say("The longest outing, watched all the time"),
            WearCause.Stage => question.Trained == TrainedTo.NotFastened
                ? writing.Say("Its training has not come to fastening yet")
                : writing.Say("As far as its training has come"),
            WearCause.FirstWear => writing.Say("No comfortable wear on record: begin with little"),
            WearCause.OwnLongest => writing.Say(
                $"{TimesAsLong(Rules[WearLimit.Growth])} its own longest comfortable wear, {writing.Minutes(question.LongestComfortable!.Value)}"
            ),
            WearCause.HeatUnknown => writing.Say("Nobody has read how warm it is: read the weather for more"),
            WearCause.Exercise => line.Cap > TimeSpan.Zero
                ? writing.Say($"It runs, plays or works: {Part(Rules[WearLimit.ExerciseLeaves])}")
                : writing.Say("It runs, plays or works, and cannot pant in full in this muzzle"),
            _ => HeatSays(line, question, limit),
        };

    /// <summary>The heat in words, such as "19.4 °C wet bulb, taken a band warmer for its short face".</summary>
    public string Heat(Weather weather, IReadOnlyList<HeatMover> movers)
    {
        var degrees = weather.WetBulb is { } bulb
            ? writing.Say($"{bulb.DegreesCelsius:0.0} °C wet bulb")
            : writing.Say(
                $"wet bulb not computed: {weather.Air.DegreesCelsius:0.#} °C and {weather.Humidity.Percent:0} % lie outside {Weather.LeastHumidity}–{Weather.MostHumidity} % and {Weather.LeastAir} to {Weather.MostAir} °C; judged by the most it can be, {weather.Judged.DegreesCelsius:0.0} °C"
            );
        if (weather.Air >= Rules[Wearing.Heat.AirHalvesFrom])
            degrees = writing.Say($"{weather.Air.DegreesCelsius:0.#} °C air, {degrees}");
        if (weather.IsFrost)
            degrees = writing.Say($"{weather.Air.DegreesCelsius:0.#} °C: {Frost}");
        return movers.Count == 0 ? degrees : writing.Say($"{degrees}; shorter for {writing.And(movers.Select(Of))}");
    }

    /// <summary>What frost does.</summary>
    private string Frost => writing.Say("breath and drool freeze on the bars; bare metal off its lips, wet games wait");

    /// <summary>What to do for a hot or choking dog until a veterinarian sees it (general veterinary first aid, Memory; the veterinarian's word goes before it).</summary>
    public IReadOnlyList<string> FirstAid =>
        [
            writing.Say("The muzzle off now, the collar loose, out of the sun, still."),
            writing.Say("Cool water to drink if it wants it, cool water on its coat, moving air over it."),
            writing.Say("Something in its throat: look, take out only what you can see and reach."),
            writing.Say("Ring the veterinarian ahead. Cool it first, then travel."),
        ];

    /// <summary>What to do after a wear that went badly.</summary>
    public IReadOnlyList<string> AfterBad =>
        [
            writing.Say("One easy thing it can do without the muzzle, a good treat, and the day's work is over."),
            writing.Say("No second wear today. It counts as a stressful one, whatever it was meant to be."),
            writing.Say($"The next is {Part(Rules[WearLog.AfterBad])} of what it bore, at most."),
            writing.Say("Twice in a row, or over threshold once: the plan goes back to its last easy step. Pain or a sudden change: a veterinarian."),
        ];

    /// <summary>From when to when one was worn, such as "Fri 27 November, 10:05 to 10:20"; without an end it is on.</summary>
    public string Span(DateOnly day, TimeOnly on, TimeOnly? off)
    {
        var begun = writing.Say($"{writing.Weekday(day)}, {writing.Time(on)}");
        return off is { } end ? writing.Say($"{begun} to {writing.Time(end)}") : writing.Say($"{begun} until now");
    }

    /// <summary>That two wears lie over each other.</summary>
    public string TwoAtOnce(string one, string other) =>
        writing.Say($"It wears one muzzle at a time: this one would be {one}, and {other} is on record. Change the times of one, or take it out.");

    /// <summary>A sign in the reader's language.</summary>
    public WornSign Told(WornSign sign) => sign with { Name = writing.Say(sign.Name) };

    /// <summary>A band in words.</summary>
    /// <param name="band">The band.</param>
    /// <param name="frost">It freezes.</param>
    public string Of(HeatBand band, bool frost = false) =>
        band switch
        {
            HeatBand.AsTrained when frost => writing.Say("Frost: as trained, bare metal off its lips"),
            HeatBand.Halved when frost => writing.Say("Frost: half as long"),
            HeatBand.AsTrained => writing.Say("Cool enough: as trained"),
            HeatBand.Halved => writing.Say("Warm: half as long"),
            HeatBand.MinutesOnly => writing.Say("Hot: minutes only, in the shade, with water"),
            _ => writing.Say("Too hot: none but in an emergency"),
        };

    /// <summary>What goes before the big number: never that anything is safe.</summary>
    public string Headline(WearLimit limit, WearQuestion question) =>
        limit.NotNow
            ? limit.Lines.Any(l => l is { Cause: WearCause.AirwayTrouble, Cap.Ticks: 0 })
                ? writing.Say("Ask the veterinarian first")
                : limit.Decides.Cause switch
                {
                    WearCause.RuledOut => writing.Say("Not this muzzle"),
                    WearCause.TrainingOnly => writing.Say("For training only"),
                    WearCause.FitWrong => writing.Say("Not until its fit is put right"),
                    WearCause.BadToday or WearCause.Day => writing.Say("No more today"),
                    WearCause.Pause => writing.Say("Not yet"),
                    _ => writing.Say("Not now"),
                }
            : writing.Say($"At most {writing.Minutes(limit.Cap)}, watched all the time");

    private string HeatSays(WearLine line, WearQuestion question, WearLimit limit) =>
        question.Muzzle.HoldsShut && limit.Band != HeatBand.None
            ? writing.Say(
                $"{Of(limit.Band!.Value, question.Weather!.IsFrost).Split(':')[0]}: not in a muzzle that holds the mouth shut ({Heat(question.Weather!, limit.Movers)})"
            )
            : $"{Of(limit.Band!.Value, question.Weather!.IsFrost)} ({Heat(question.Weather!, limit.Movers)})";

    /// <summary>What is waited for is not said to be over before it is.</summary>
    private static TimeSpan RoundedUp(TimeSpan time) => TimeSpan.FromMinutes(Math.Ceiling(time.TotalMinutes));

    internal string Of(HeatMover mover) =>
        mover switch
        {
            HeatMover.ShortFace => writing.Say("its short face"),
            HeatMover.HeavyCoat => writing.Say("its heavy coat"),
            HeatMover.Overweight => writing.Say("its weight"),
            HeatMover.Old => writing.Say("its age"),
            HeatMover.Young => writing.Say("its youth"),
            HeatMover.Sun => writing.Say("the sun"),
            HeatMover.HotGround => writing.Say("the hot ground"),
            _ => writing.Say("its mass"),
        };

    /// <summary>Good wears to one bad as they are said: cut, not rounded, so that what is under a bound never reads as if it were at it.</summary>
    public string Ratio(double ratio) => (Math.Floor(ratio * 10 + 1e-6) / 10).ToString("0.0", CultureInfo.InvariantCulture);

    /// <summary>How the balance will stand after what is coming, and what to do before.</summary>
    public string Ahead(VisitAhead ahead) => Ahead(ahead.Balance, Visit(ahead.Visit));

    /// <summary>How the balance will stand and what to do, such as "After the clinic visit on Thu 3 December it will stand at 1.4 to one: two happy wears first."</summary>
    public string Ahead(BalanceAhead ahead, string occasion)
    {
        var after = writing.Say($"After {occasion} on {writing.Weekday(ahead.On)} it will stand at {Ratio(ahead.After ?? 0)} good to one bad");
        var first = ahead.HappyOn.Count switch
        {
            0 => "",
            1 => writing.Say($"one happy wear first, on {writing.Weekday(ahead.HappyOn[0])}"),
            var n => writing.Say($"{writing.InWords(n)} happy wears first, one a day, from {writing.Weekday(ahead.HappyOn[0])}"),
        };
        return ahead switch
        {
            { HappyOn.Count: 0, Enough: true } => writing.Say($"{after}: enough."),
            { Enough: true } => $"{after}: {first}.",
            { HappyOn.Count: 0 } => writing.Say($"{after}, and there is no day left before it: plan happy wears after it."),
            _ => writing.Say($"{after}. Even {first} it comes to {Ratio(ahead.ThenAfter ?? 0)} only: put it off if it can be, or plan happy wears after it."),
        };
    }

    /// <summary>Why a happy wear is owed; null where none is.</summary>
    public string? Owed(AssociationBalance balance, DateOnly? lastHappy, DateOnly today)
    {
        if (!balance.IsEnough(Rules))
            return writing.Say(
                $"{(balance.Verdict(Rules) == BalanceVerdict.Sour ? writing.Say("The muzzle is becoming a sign of bad things") : writing.Say("The muzzle means too little good"))}: {Ratio(balance.Ratio!.Value)} good wears to one bad, {Rules[AssociationBalance.Wanted]:0.#} are wanted."
            );
        if (balance.HappyWithinWeek)
            return null;
        return lastHappy is { } last
            ? writing.Say($"The last happy wear was {today.DayNumber - last.DayNumber} days ago.")
            : writing.Say("No happy wear on record yet.");
    }

    /// <summary>What is said where no muzzle is chosen.</summary>
    public string NoMuzzle => writing.Say("Choose a muzzle first");

    /// <summary>What is said where the muzzle failed and a spare is at hand.</summary>
    public string UseTheSpare =>
        writing.Say("The muzzle itself is out of use until it is mended: put on the spare, after a look at its strap, clip and edges.");

    /// <summary>An occasion in words.</summary>
    public string Of(Occasion occasion) =>
        occasion switch
        {
            Occasion.Fun => writing.Say("fun"),
            Occasion.Ordinary => writing.Say("ordinary"),
            _ => writing.Say("stressful"),
        };

    /// <summary>What an appointment is for.</summary>
    public string Of(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => writing.Say("Clinic"),
            AppointmentKind.Groomer => writing.Say("Groomer"),
            AppointmentKind.Ferry => writing.Say("Ferry"),
            AppointmentKind.Visitors => writing.Say("Visitors"),
            _ => writing.Say("Appointment"),
        };

    /// <summary>An appointment within a sentence.</summary>
    public string Visit(AppointmentKind kind) =>
        kind switch
        {
            AppointmentKind.Clinic => writing.Say("the clinic visit"),
            AppointmentKind.Groomer => writing.Say("the groomer"),
            AppointmentKind.Ferry => writing.Say("the ferry"),
            AppointmentKind.Visitors => writing.Say("the visitors"),
            _ => writing.Say("the appointment"),
        };

    /// <summary>Why a veterinarian is asked about food and treats.</summary>
    public string Of(FeedingConcern concern) =>
        concern switch
        {
            FeedingConcern.Growing => writing.Say("It is growing: what it needs changes by the week. Its veterinarian says how much, treats included."),
            FeedingConcern.Pregnant => writing.Say("In whelp or nursing: its veterinarian says how much, treats included."),
            _ => writing.Say("Ill or on an ordered diet: nothing but what its veterinarian allows."),
        };

    /// <summary>That what its owner measures cannot be right.</summary>
    public string AskAgain(Mass body, Energy food) =>
        writing.Say(
            $"{food.Kilocalories:0} kcal a day is {food / TreatAllowance.RestingOf(body):0.#} times what a dog of {Writing.Number(body.Kilograms)} kg needs at rest: look at it again."
        );

    /// <summary>What is said where the weight of treats, and not their energy, is the limit.</summary>
    public string NoMoreByWeight(Mass body) =>
        writing.Say($"No more than {body.Kilograms * Rules[TreatAllowance.GramsPerKg]:0} g a day, however little energy is in it.");

    /// <summary>The state of a muzzle in a sentence.</summary>
    public string Of(MuzzleState state) =>
        state.Due switch
        {
            InspectionDue.OutOfUse => writing.Say(
                $"Out of use: {writing.And(state.Failed.Select(f => InspectionCheck.All.FirstOrDefault(c => c.Id == f) is { } check ? Writing.Lower(writing.Say(check.Name)) : f))} failed. Mend it or use the spare, then inspect it again."
            ),
            InspectionDue.BeforeClinic => writing.Say("Inspect it before the clinic visit."),
            InspectionDue.Monthly => writing.Say($"{Writing.Capital(Gone(Rules[MuzzleState.Every]))} gone by: inspect it."),
            _ => writing.Say($"Next inspection {writing.Weekday(state.On)}."),
        };

    /// <summary>Why the fit is to be looked at again.</summary>
    public string Of(RefitCause cause) =>
        cause == RefitCause.RubMark
            ? writing.Say("It left a mark since it was tried on: look at the fit again")
            : writing.Say(
                $"Tried on {(Rules[MuzzleState.RefitMonths] == 12 ? writing.Say("a year") : writing.Count(Rules[MuzzleState.RefitMonths], "one month", "{0} months"))} ago: look at the fit again"
            );

    /// <summary>What keeps a muzzle happy that a dog wears for what it is for.</summary>
    public string KeepsHappy =>
        writing.Say(
            $"One happy wear {(Rules[AssociationBalance.HappyEvery] == 7 ? writing.Say("a week") : writing.Say($"every {Rules[AssociationBalance.HappyEvery]} days"))} keeps it so."
        );

    /// <summary>The state of the weather's reading, where nothing is known of now.</summary>
    /// <param name="age">How old the last reading is; null where there is none.</param>
    public string NotKnown(TimeSpan? age) =>
        age is { } old ? writing.Say($"The last reading is {writing.Minutes(old)} old: stale.") : writing.Say("Nobody has read the weather.");

    /// <summary>A strap's setting, short.</summary>
    public string Strap(int? hole, int? holes, Length? fromTightest, Length loop) =>
        hole is { } at ? writing.Say($"hole {at}{(holes is { } of ? writing.Say($" of {of}") : "")}")
        : fromTightest is { } open ? writing.Say($"slider {writing.Length(open)} from its tightest")
        : writing.Say($"a loop of {writing.Length(loop)}");

    /// <summary>How long a wear lasted and what it was to the dog; without a length it is on just now.</summary>
    public string Worn(TimeSpan? lasted, Occasion occasion) =>
        lasted is { } on ? writing.Say($"Worn {writing.Minutes(on)}, {Of(occasion)}") : writing.Say("Worn just now");

    private string Gone(int days) =>
        days switch
        {
            30 => writing.Say("a month has"),
            7 => writing.Say("a week has"),
            _ => writing.Say($"{days} days have"),
        };

    private string TimesAsLong(double times) => times == 1.5 ? writing.Say("Half as long again as") : writing.Say($"{Writing.Number(times)} times");

    private string Part(double share) => share == 0.5 ? writing.Say("half") : writing.Say($"{Writing.Share(share)} of it");

    /// <summary>Why a treat is not for this dog.</summary>
    public string MayNotHave(IEnumerable<string> ingredients) => writing.Say($"It may not have {writing.And(ingredients.Select(Ingredient))}.");

    /// <summary>What the day's energy is taken from, where its owner measures the food.</summary>
    public string MeasuredFood => writing.Say("the food its owner measures");

    /// <summary>The same, where the fitter set the factor.</summary>
    public string TimesResting(double own) => writing.Say($"resting energy times {own:0.##}, as set here");

    /// <summary>The same by the list.</summary>
    public string TimesResting(EnergyFactor factor) => writing.Say($"resting energy times {factor.Factor:0.##}: {Writing.Lower(writing.Say(factor.Name))}");

    public string GoesThatWentWell => writing.Say("Goes that went well, a piece each");

    public string FedAtWears => writing.Say("Fed at wears");

    /// <summary>A row of a table in the reader's language.</summary>
    public InspectionCheck Told(InspectionCheck check) => check with { Name = writing.Say(check.Name), Fine = writing.Say(check.Fine) };

    public HappyWear Told(HappyWear wear) => wear with { Name = writing.Say(wear.Name), How = writing.Say(wear.How) };

    public Treat Told(Treat treat) => treat with { Name = writing.Say(treat.Name), How = writing.Say(treat.How) };

    public EnergyFactor Told(EnergyFactor factor) => factor with { Name = writing.Say(factor.Name) };

    public NeverFeed Told(NeverFeed never) => never with { Name = writing.Say(never.Name), Where = writing.Say(never.Where) };

    public string Ingredient(string ingredient) => writing.Say(ingredient);
}
