using System.Globalization;

namespace JauntyBadge.Core.Conditioning;

/// <summary>The words of the conditioning room. It decides nothing.</summary>
public static partial class ConditioningWords
{
    /// <summary>Why a set was decided so, in one or two sentences.</summary>
    /// <param name="decision">The decision.</param>
    /// <param name="start">Where the set stood.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    /// <param name="stepsBackTo">The step begun next time after going over threshold; null leaves it unnamed.</param>
    /// <param name="next">The step begun next once this one is passed; null leaves it unnamed.</param>
    public static string Reason(SetDecision decision, SetStart start, Func<int, string> target, string? stepsBackTo = null, string? next = null)
    {
        var count = decision.Goes == 0 ? "No go yet" : $"{decision.Good} of {decision.Goes} went well";
        return (decision.Kind, decision.By) switch
        {
            (DecisionKind.GoOn, _) => $"{count}: not clear yet. {Settles(decision)}",
            (DecisionKind.EndNow, _) =>
                $"It went over threshold ({Lower(count)}). End now. Next time {InWords(decision.StepsBack)} steps back{(stepsBackTo is null ? "" : $", at \"{stepsBackTo}\"")}, and not before {Day(decision.NotBeforeDays)}.",
            (DecisionKind.Back, DecidedBy.Worried) => $"It was worried ({Lower(count)}). {Easier(decision, start, target)}{End(decision)}",
            (DecisionKind.Back, DecidedBy.Unsure) =>
                $"It was unsure ({Lower(count)}){(start.IsFearful ? ", and it is a dog to be heeded at once" : ": not yet")}. {Easier(decision, start, target)}{End(decision)}",
            (DecisionKind.Back, _) =>
                $"{(decision.Good == 0 ? "None" : "Only " + decision.Good)} of {decision.Goes} went well: not yet. {Easier(decision, start, target)}{End(decision)}",
            (DecisionKind.Same, DecidedBy.Unsure) => $"It was unsure ({Lower(count)}), so the same again.",
            (DecisionKind.Same, DecidedBy.AnotherDay) => $"{count} at the top target. Once more on another day and the step is passed.",
            (DecisionKind.Same, DecidedBy.Held) => $"{count}, but its last holds bear {Seconds(decision.Borne!.Value)} and no more: the same again.",
            (DecisionKind.Same, _) => $"{count}: neither clear. The same again.",
            (DecisionKind.Passed, _) => $"{count} at the top target: passed.{(next is null ? "" : $" Next: \"{next}\".")}",
            (_, DecidedBy.Held) => $"{count} and it was at ease, so on to {Next(decision, target)}, which its last holds bear.",
            _ => $"{count} and it was at ease, so on to {Next(decision, target)}.",
        };
    }

    private static string Next(SetDecision decision, Func<int, string> target) =>
        decision.NextAsked is { } asked ? Target(new Hold(asked)) : target(decision.NextTarget!.Value);

    private static string Seconds(TimeSpan held) =>
        held.TotalSeconds < 1 ? "less than a second" : string.Create(CultureInfo.InvariantCulture, $"about {Math.Floor(2 * held.TotalSeconds) / 2:0.#} s");

    /// <summary>What would settle a set that goes on, such as "Two more right and it goes up, two missed and it goes back."</summary>
    public static string Settles(SetDecision decision) =>
        decision is { SettlesRight: { } right, SettlesMissed: { } missed }
            ? $"{Capital(InWords(right))} more right or {InWords(missed)} missed in a row settles it."
            : "";

    /// <summary>How an open set stands, in one sentence for whoever has a hand free: what would settle it, or that it is settled and by what.</summary>
    public static string Standing(SetDecision decision) =>
        decision.By switch
        {
            DecidedBy.Open => Settles(decision),
            DecidedBy.Unsure => "It is unsure: finish the set.",
            DecidedBy.Worried => "It is worried: finish the set, then one easy go.",
            DecidedBy.OverThreshold => "It is over threshold: end now.",
            _ => "That is clear: finish the set.",
        };

    /// <summary>A way out of a date that will hardly hold, in one sentence; its chance stands beside it.</summary>
    public static string WayOut(WayOut way, ForecastQuestion question) =>
        way.Kind switch
        {
            WayOutKind.AnotherDay =>
                $"Train on {InWords(question.Days.Count + 1)} days a week instead of {InWords(question.Days.Count)}, if the dog can take it.",
            WayOutKind.TwiceADay => "A second short session on the days there are, if the dog can take it.",
            WayOutKind.ShorterGoal => $"Be content with \"{Step.Find(way.StepId!)?.Name}\": {Enough(way.StepId!)}",
            WayOutKind.MoveIt => $"Move it to {way.By:d MMMM}, if it is not urgent.",
            WayOutKind.HappyVisit => "Ask the clinic for a visit at which nothing happens, and train there.",
            WayOutKind.AskAboutMedication => "Ask the veterinarian about medication before the visit.",
            _ => "A sleeve for a minute, put on and watched by the clinic's own staff.",
        };

    /// <summary>How a choice in practice compares with the rule.</summary>
    /// <param name="set">The set.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    public static string Practised(PracticeSet set, Func<int, string> target)
    {
        var start = new SetStart(GoRule.AsSoonAsClear, Dogs.Temperament.Typical, set.Target, int.MaxValue, false);
        var rule = set.Rule.Kind switch
        {
            DecisionKind.GoOn => $"Nothing was clear yet. {Settles(set.Rule)}",
            DecisionKind.EndNow => "It had gone over threshold: end now, muzzle away, let it leave.",
            _ => Reason(set.Rule with { EndSession = false }, start, target),
        };
        var many = set.GoesTooMany switch
        {
            0 => "",
            1 => " It was clear one go earlier.",
            var n => $" It was clear {n} goes earlier.",
        };
        return $"{(set.Verdict == PracticeVerdict.AsTheRule ? "The rule says so too" : set.Verdict switch { PracticeVerdict.TooFast => "Too fast", PracticeVerdict.TooSlow => "Too slow", PracticeVerdict.TooSoon => "Too soon", _ => "Too far" })}. {rule}{many}";
    }

    /// <summary>What a day of the calendar asks for, in a few words.</summary>
    public static string Entry(CalendarEntry entry, string dog) =>
        entry.Kind switch
        {
            CalendarKind.Session => $"{dog}: {Step.Find(entry.StepId!)?.Name ?? "the next step"}",
            CalendarKind.Rest => $"{dog} rests today",
            CalendarKind.TryOn => $"{dog}: try the muzzle on",
            CalendarKind.Refit => $"{dog}: measure again",
            _ => entry.StepId is { } id ? $"{dog} is wanted: {Step.Find(id)?.Name}" : $"{dog} is wanted",
        };

    private static string Enough(string stepId) =>
        Step.Find(stepId)?.Stage switch
        {
            Stage.Hold => "nose in and held is enough for a blood sample.",
            Stage.FirstFastening => "fastened for a moment is enough for a look or an injection.",
            _ => "worn while it stands still is enough for a short visit.",
        };

    /// <summary>What is tapped for a go that went well, in the words of its stage.</summary>
    public static string Yes(Stage stage) =>
        stage switch
        {
            Stage.NoseIn => "In",
            Stage.Hold => "Stayed in",
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => "At ease",
            Stage.SoundsAndHands => "Did not mind",
            _ => "Yes",
        };

    /// <summary>What is tapped for one that did not.</summary>
    public static string NotYet(Stage stage) =>
        stage switch
        {
            Stage.Hold => "Came out",
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => "Minded it",
            Stage.SoundsAndHands => "Minded it",
            _ => "Not yet",
        };

    /// <summary>How the training of one dog of many stands, in a sentence.</summary>
    public static string Standing(TrainingStanding standing, DateOnly today)
    {
        var step = standing.Place is { } place ? Step.Find(place.StepId) : null;
        var at = step is null ? "" : $"\"{step.Name}\", {step.TargetText(standing.Place!.Target, standing.Place.Asked)}";
        var days = standing.LastTrained is { } last ? today.DayNumber - last.DayNumber : 0;
        return standing.State switch
        {
            TrainingState.Stuck => $"{Capital(InWords(standing.Stuck!.Sessions))} sessions at \"{step?.Name}\" brought it no further. {step?.IfStuck}",
            TrainingState.Overdue => $"Not trained for {InWords(days)} days. It stands at {at}.",
            TrainingState.Resting => $"A day off until {standing.Place!.NotBefore:d MMMM}, then {at}.",
            TrainingState.NotBegun => $"Not begun. First: {at}.",
            TrainingState.Ready => "It wears its muzzle. A happy wear each week keeps it so.",
            _ => $"At {at}.",
        };
    }

    /// <summary>A target, such as "3 s", "2 cm", "5 times" or "garden".</summary>
    public static string Target(StepTarget target) =>
        target switch
        {
            Hold hold => string.Create(CultureInfo.InvariantCulture, $"{hold.Lasting.TotalSeconds:0.#} s"),
            Depth depth => $"{depth.Into.Centimeters:0} cm",
            Times { Count: 1 } => "once",
            Times times => $"{times.Count} times",
            Situation situation => situation.What,
            _ => throw new ArgumentOutOfRangeException(nameof(target)),
        };

    /// <summary>How things are placed in a step, in a sentence.</summary>
    public static string Sketch(StepSketch sketch)
    {
        var thing = sketch.Thing switch
        {
            SketchThing.Nothing => "",
            SketchThing.Muzzle => "The muzzle ",
            SketchThing.Cup => "The cup ",
            SketchThing.Loop => "The loop ",
            _ => "The box with the muzzle ",
        };
        var place = sketch.Place switch
        {
            SketchPlace.AtTheSide => "at your side, away from its face",
            SketchPlace.BeforeTheNose => "before its nose, which comes to it",
            SketchPlace.OverTheRim => "with the nose over the rim",
            SketchPlace.HalfwayIn => "with the nose halfway in",
            SketchPlace.AllTheWayIn => "with the nose all the way in",
            SketchPlace.OnTheFloor => "on the floor",
            _ => "on a stand, you farther off",
        };
        var treat = sketch.Treat switch
        {
            SketchTreat.AwayFromIt => "the treat away from it",
            SketchTreat.BehindTheDog => "the treat tossed behind the dog",
            SketchTreat.AtTheMouth => "the treat at its mouth",
            SketchTreat.AtTheRim => "the treat at the rim",
            SketchTreat.AtItsFloor => "the treat at its floor",
            SketchTreat.UnderIt => "the treat in the hand under it",
            SketchTreat.ThroughTheSide => "the treat through the side",
            _ => "the treat through the front",
        };
        var hand = sketch.Hand switch
        {
            SketchHand.Below => "held from below",
            SketchHand.BehindTheHead => "a hand behind the head",
            _ => "",
        };
        List<string> parts = [thing == "" ? "" : thing + place, hand, treat];
        return Capital(string.Join(", ", parts.Where(p => p != ""))) + ".";
    }

    /// <summary>What to do with a dog over threshold, in order.</summary>
    public static IReadOnlyList<string> WhenOver { get; } =
    [
        "Muzzle down and away: no pulling, no holding.",
        "Step back and let it leave. Say nothing, ask for nothing.",
        "Water, quiet, no more training today.",
        "Write down what came before. If it hurt anybody, or changed suddenly, ask a veterinarian or a behaviour professional.",
    ];

    /// <summary>What to do instead of a session on a bad day.</summary>
    public static string BadDay =>
        "Then not today: a bad day is a day off, and nothing is lost. Let the muzzle lie where good things happen, play, and try tomorrow. If it is unwell or in pain, ask the veterinarian.";

    /// <summary>A rung below a step's first target.</summary>
    public static string Rung(int target) =>
        target switch
        {
            -1 => "the first easier rung",
            -2 => "the second easier rung",
            _ => "the easiest rung",
        };

    private static string End(SetDecision decision) => decision.EndSession ? " End with one easy go." : "";

    private static string Easier(SetDecision decision, SetStart start, Func<int, string> target) =>
        decision.NextTarget == start.Target && decision.Borne is null
            ? "It is at the easiest already: another place, another day."
            : $"One easier: {Next(decision, target)}.";

    private static string Day(int days) =>
        days switch
        {
            <= 1 => "tomorrow",
            2 => "the day after tomorrow",
            _ => $"in {days} days",
        };

    private static string InWords(int count) =>
        count switch
        {
            1 => "one",
            2 => "two",
            3 => "three",
            4 => "four",
            5 => "five",
            6 => "six",
            7 => "seven",
            8 => "eight",
            9 => "nine",
            10 => "ten",
            _ => $"{count}",
        };

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    private static string Lower(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
