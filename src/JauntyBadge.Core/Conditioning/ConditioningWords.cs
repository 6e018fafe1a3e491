using System.Globalization;

namespace JauntyBadge.Core.Conditioning;

/// <summary>The words of the conditioning room. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed partial class ConditioningWords(Writing writing)
{
    /// <summary>Why a set was decided so, in one to three sentences.</summary>
    public string Reason(DecisionFacts facts)
    {
        var (step, then) = (Step.Find(facts.StepId), facts.Then is { } id ? Step.Find(id)?.Name : null);
        var ended = facts.Made.Kind == DecisionKind.EndNow;
        var reason = Reason(
            facts.Made,
            facts.Target,
            facts.IsFearful,
            t => step is null ? Rung(t) : Target(step, step.Within(t)),
            ended ? then : null,
            ended ? null : then
        );
        var last = facts.WasLast ? " That was the last step." : "";
        return facts.Enough switch
        {
            EnoughToday.Minutes => $"{reason}{last} {Writing.Number(facts.Number)} minutes are enough for today: end while it wants more.",
            EnoughToday.Goes => $"{reason}{last} {Writing.Number(facts.Number)} goes are enough for today: end while it wants more.",
            _ => reason + last,
        };
    }

    /// <summary>The same of a set whose step is not named: its targets are numbered from one.</summary>
    public string ByNumber(SetDecision decision, SetStart start) => Reason(decision, start.Target, start.IsFearful, t => t < 0 ? Rung(t) : $"target {t + 1}");

    /// <summary>The way out of the step, where a dog could not go on; null otherwise, or where the step is taught no more.</summary>
    public string? IfStuck(DecisionFacts facts) => facts.OffersWayOut ? Step.Find(facts.StepId)?.IfStuck : null;

    /// <summary>Why a plan was moved.</summary>
    public string Moved(MoveWhy why) =>
        why.Cause switch
        {
            MoveCause.WorriedWears =>
                $"Worried at {Writing.InWords(why.Number)} wears in a row: back to “{Step.Find(why.StepId ?? "")?.Name ?? why.StepId}”, which was easy, before it is worn out again.",
            MoveCause.Tried => $"Tried, not trained: {why.WentWell} of {why.Number} went well and at ease.",
            _ => Reason(why.Decision!),
        };

    /// <summary>Why a session starts lower than its plan stands.</summary>
    public string Away(LongAway away) =>
        away.StageStep is { } id
            ? $"{away.Days} days without training, so one stage lower{(Step.Find(id) is { } step ? $", at \"{step.Name}\"" : "")}."
            : $"{away.Days} days without training, so one target lower.";

    /// <summary>Why no session can begin where the plan stands.</summary>
    /// <param name="notBefore">The day it rests until; null where every step is passed.</param>
    public string CannotBegin(DateOnly? notBefore) =>
        notBefore is { } day
            ? $"It went over threshold last time: not before {writing.Day(day)}. To overrule, set the plan by hand with a note."
            : "Every step of the plan is passed. Set the plan to a step to train it again.";

    /// <summary>A set that went on elsewhere than the rule decided.</summary>
    public string Overruled(Step? step, int target, string note) => step is null ? note : $"On at {Target(step, step.Within(target))}: {note}";

    /// <summary>Why a set was decided so, in one or two sentences.</summary>
    /// <param name="decision">The decision.</param>
    /// <param name="at">The set's target.</param>
    /// <param name="fearful">The dog is heeded at its first unsure sign.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    /// <param name="stepsBackTo">The step begun next time after going over threshold; null leaves it unnamed.</param>
    /// <param name="next">The step begun next once this one is passed; null leaves it unnamed.</param>
    public string Reason(SetDecision decision, int at, bool fearful, Func<int, string> target, string? stepsBackTo = null, string? next = null)
    {
        var count = decision.Goes == 0 ? "No go yet" : $"{decision.Good} of {decision.Goes} went well";
        return (decision.Kind, decision.By) switch
        {
            (DecisionKind.GoOn, _) => $"{count}: not clear yet. {Settles(decision)}",
            (DecisionKind.EndNow, _) =>
                $"It went over threshold ({Writing.Lower(count)}). End now. Next time {Writing.InWords(decision.StepsBack)} steps back{(stepsBackTo is null ? "" : $", at \"{stepsBackTo}\"")}, and not before {Day(decision.NotBeforeDays)}.",
            (DecisionKind.Back, DecidedBy.Worried) => $"It was worried ({Writing.Lower(count)}). {Easier(decision, at, target)}{End(decision)}",
            (DecisionKind.Back, DecidedBy.Unsure) =>
                $"It was unsure ({Writing.Lower(count)}){(fearful ? ", and it is a dog to be heeded at once" : ": not yet")}. {Easier(decision, at, target)}{End(decision)}",
            (DecisionKind.Back, _) =>
                $"{(decision.Good == 0 ? "None" : "Only " + decision.Good)} of {decision.Goes} went well: not yet. {Easier(decision, at, target)}{End(decision)}",
            (DecisionKind.Same, DecidedBy.Unsure) => $"It was unsure ({Writing.Lower(count)}), so the same again.",
            (DecisionKind.Same, DecidedBy.AnotherDay) => $"{count} at the top target. Once more on another day and the step is passed.",
            (DecisionKind.Same, DecidedBy.Held) => $"{count}, but its last holds bear {Seconds(decision.Borne!.Value)} and no more: the same again.",
            (DecisionKind.Same, _) => $"{count}: neither clear. The same again.",
            (DecisionKind.Passed, _) => $"{count} at the top target: passed.{(next is null ? "" : $" Next: \"{next}\".")}",
            (_, DecidedBy.Held) => $"{count} and it was at ease, so on to {Next(decision, target)}, which its last holds bear.",
            _ => $"{count} and it was at ease, so on to {Next(decision, target)}.",
        };
    }

    private string Next(SetDecision decision, Func<int, string> target) =>
        decision.NextAsked is { } asked ? Target(new Hold(asked)) : target(decision.NextTarget!.Value);

    private string Seconds(TimeSpan held) =>
        held.TotalSeconds < 1 ? "less than a second" : string.Create(CultureInfo.InvariantCulture, $"about {Math.Floor(2 * held.TotalSeconds) / 2:0.#} s");

    /// <summary>What would settle a set that goes on, such as "Two more right and it goes up, two missed and it goes back."</summary>
    public string Settles(SetDecision decision) =>
        decision is { SettlesRight: { } right, SettlesMissed: { } missed }
            ? $"{Writing.Capital(Writing.InWords(right))} more right or {Writing.InWords(missed)} missed in a row settles it."
            : "";

    /// <summary>How an open set stands, in one sentence for whoever has a hand free: what would settle it, or that it is settled and by what.</summary>
    public string Standing(SetDecision decision) =>
        decision.By switch
        {
            DecidedBy.Open => Settles(decision),
            DecidedBy.Unsure => "It is unsure: finish the set.",
            DecidedBy.Worried => "It is worried: finish the set, then one easy go.",
            DecidedBy.OverThreshold => "It is over threshold: end now.",
            _ => "That is clear: finish the set.",
        };

    /// <summary>A way out of a date that will hardly hold, in one sentence; its chance stands beside it.</summary>
    public string WayOut(WayOut way, ForecastQuestion question) =>
        way.Kind switch
        {
            WayOutKind.AnotherDay =>
                $"Train on {Writing.InWords(question.Days.Count + 1)} days a week instead of {Writing.InWords(question.Days.Count)}, if the dog can take it.",
            WayOutKind.TwiceADay => "A second short session on the days there are, if the dog can take it.",
            WayOutKind.ShorterGoal => $"Be content with \"{Step.Find(way.StepId!)?.Name}\": {Enough(way.StepId!)}",
            WayOutKind.MoveIt => $"Move it to {writing.Day(way.By!.Value)}, if it is not urgent.",
            WayOutKind.HappyVisit => "Ask the clinic for a visit at which nothing happens, and train there.",
            WayOutKind.AskAboutMedication => "Ask the veterinarian about medication before the visit.",
            _ => "A sleeve for a minute, put on and watched by the clinic's own staff.",
        };

    /// <summary>How a choice in practice compares with the rule.</summary>
    /// <param name="set">The set.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    public string Practised(PracticeSet set, Func<int, string> target)
    {
        var rule = set.Rule.Kind switch
        {
            DecisionKind.GoOn => $"Nothing was clear yet. {Settles(set.Rule)}",
            DecisionKind.EndNow => "It had gone over threshold: end now, muzzle away, let it leave.",
            _ => Reason(set.Rule with { EndSession = false }, set.Target, false, target),
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
    public string Entry(CalendarEntry entry, string dog) =>
        entry.Kind switch
        {
            CalendarKind.Session => $"{dog}: {Step.Find(entry.StepId!)?.Name ?? "the next step"}",
            CalendarKind.Rest => $"{dog} rests today",
            CalendarKind.TryOn => $"{dog}: try the muzzle on",
            CalendarKind.Refit => $"{dog}: measure again",
            _ => entry.StepId is { } id ? $"{dog} is wanted: {Step.Find(id)?.Name}" : $"{dog} is wanted",
        };

    private string Enough(string stepId) =>
        Step.Find(stepId)?.Stage switch
        {
            Stage.Hold => "nose in and held is enough for a blood sample.",
            Stage.FirstFastening => "fastened for a moment is enough for a look or an injection.",
            _ => "worn while it stands still is enough for a short visit.",
        };

    /// <summary>What is tapped for a go that went well, in the words of its stage.</summary>
    public string Yes(Stage stage) =>
        stage switch
        {
            Stage.NoseIn => "In",
            Stage.Hold => "Stayed in",
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => "At ease",
            Stage.SoundsAndHands => "Did not mind",
            _ => "Yes",
        };

    /// <summary>What is tapped for one that did not.</summary>
    public string NotYet(Stage stage) =>
        stage switch
        {
            Stage.Hold => "Came out",
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => "Minded it",
            Stage.SoundsAndHands => "Minded it",
            _ => "Not yet",
        };

    /// <summary>How the training of one dog of many stands, in a sentence.</summary>
    public string Standing(TrainingStanding standing, DateOnly today)
    {
        var step = standing.Place is { } place ? Step.Find(place.StepId) : null;
        var at = step is null ? "" : $"\"{step.Name}\", {Target(step, standing.Place!)}";
        var days = standing.LastTrained is { } last ? today.DayNumber - last.DayNumber : 0;
        return standing.State switch
        {
            TrainingState.Stuck =>
                $"{Writing.Capital(Writing.InWords(standing.Stuck!.Sessions))} sessions at \"{step?.Name}\" brought it no further. {step?.IfStuck}",
            TrainingState.Overdue => $"Not trained for {Writing.InWords(days)} days. It stands at {at}.",
            TrainingState.Resting => $"A day off until {writing.Day(standing.Place!.NotBefore!.Value)}, then {at}.",
            TrainingState.NotBegun => $"Not begun. First: {at}.",
            TrainingState.Ready => "It wears its muzzle. Happy wears keep it so.",
            _ => $"At {at}.",
        };
    }

    /// <summary>A target, such as "3 s", "2 cm", "5 times" or "garden".</summary>
    public string Target(StepTarget target) =>
        target switch
        {
            Hold hold => string.Create(CultureInfo.InvariantCulture, $"{hold.Lasting.TotalSeconds:0.#} s"),
            Depth depth => $"{depth.Into.Centimeters:0} cm",
            Times { Count: 1 } => "once",
            Times times => $"{times.Count} times",
            Situation situation => situation.What,
            _ => throw new ArgumentOutOfRangeException(nameof(target)),
        };

    /// <summary>A target of a step in words; −1 to −3 are the easier rungs.</summary>
    /// <param name="step">The step.</param>
    /// <param name="target">The target.</param>
    /// <param name="asked">The hold asked for, where it lies between two targets.</param>
    public string Target(Step step, int target, TimeSpan? asked = null) =>
        asked is { } hold ? Target(new Hold(hold))
        : target < 0 ? step.Easier[-target - 1]
        : Target(step.Targets[target]);

    /// <summary>Where in a step a plan stands, such as "3 s".</summary>
    public string Target(Step step, PlanPosition at) => Target(step, at.Target, at.Asked);

    /// <summary>How things are placed in a step, in a sentence.</summary>
    public string Sketch(StepSketch sketch)
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
        return Writing.Capital(string.Join(", ", parts.Where(p => p != ""))) + ".";
    }

    /// <summary>What to do with a dog over threshold, in order.</summary>
    public IReadOnlyList<string> WhenOver { get; } =
    [
        "Muzzle down and away: no pulling, no holding.",
        "Step back and let it leave. Say nothing, ask for nothing.",
        "Water, quiet, no more training today.",
        "Write down what came before. If it hurt anybody, or changed suddenly, ask a veterinarian or a behaviour professional.",
    ];

    /// <summary>What to do instead of a session on a bad day.</summary>
    public string BadDay =>
        "Then not today: a bad day is a day off, and nothing is lost. Let the muzzle lie where good things happen, play, and try tomorrow. If it is unwell or in pain, ask the veterinarian.";

    /// <summary>A rung below a step's first target.</summary>
    public string Rung(int target) =>
        target switch
        {
            -1 => "the first easier rung",
            -2 => "the second easier rung",
            _ => "the easiest rung",
        };

    private string End(SetDecision decision) => decision.EndSession ? " End with one easy go." : "";

    private string Easier(SetDecision decision, int at, Func<int, string> target) =>
        decision.NextTarget == at && decision.Borne is null
            ? "It is at the easiest already: another place, another day."
            : $"One easier: {Next(decision, target)}.";

    private string Day(int days) =>
        days switch
        {
            <= 1 => "tomorrow",
            2 => "the day after tomorrow",
            _ => $"in {days} days",
        };
}
