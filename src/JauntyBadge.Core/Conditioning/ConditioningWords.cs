using System.Globalization;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Conditioning;

/// <summary>The words of the conditioning room. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed partial class ConditioningWords(Writing writing)
{
    /// <summary>Why a set was decided so, in one to three sentences.</summary>
    public string Reason(DecisionFacts facts)
    {
        var (step, then) = (Step.Find(facts.StepId)?.In(facts.Edition), Called(facts.Then));
        var ended = facts.Made.Kind == DecisionKind.EndNow || facts.Made.StepsBack > 0;
        var reason = Reason(
            facts.WentBack is { } really ? facts.Made with { StepsBack = really } : facts.Made,
            facts.Target,
            facts.IsFearful,
            t => step is null ? Rung(t) : Target(step, step.Within(t)),
            ended ? then : null,
            ended ? null : then
        );
        var last = facts.WasLast ? writing.Say(" That was the last step.") : "";
        return facts.Enough switch
        {
            EnoughToday.Minutes => writing.Say($"{reason}{last} {Writing.Number(facts.Number)} minutes are enough for today: end while it wants more."),
            EnoughToday.GoesOnAMiss => writing.Say($"{reason}{last} {Writing.Number(facts.Number)} goes are enough for today: end with one easy go."),
            EnoughToday.Place => writing.Say($"{reason}{last} One new place a session is enough."),
            EnoughToday.Goes => writing.Say($"{reason}{last} {Writing.Number(facts.Number)} goes are enough for today: end while it wants more."),
            _ => reason + last,
        };
    }

    /// <summary>The same of a set whose step is not named: its targets are numbered from one.</summary>
    public string ByNumber(SetDecision decision, SetStart start) =>
        Reason(decision, start.Target, start.IsFearful, t => t < 0 ? Rung(t) : writing.Say($"target {t + 1}"));

    /// <summary>The way out of the step, where a dog could not go on; null otherwise, or where the step is taught no more.</summary>
    public string? IfStuck(DecisionFacts facts) => facts.OffersWayOut && Step.Find(facts.StepId) is { } step ? writing.Say(step.IfStuck) : null;

    /// <summary>Why a plan was moved.</summary>
    public string Moved(MoveWhy why) =>
        why.Cause switch
        {
            MoveCause.WorriedWears => writing.Say(
                $"{Writing.Capital(writing.InWords(why.Number))} wears in a row went badly: back to “{Called(why.StepId) ?? why.StepId}”, which was easy, before it is worn out again."
            ),
            MoveCause.OverThresholdWear => writing.Say(
                $"Over threshold at its last wear: back to “{Called(why.StepId) ?? why.StepId}”, which was easy, before it is worn out again."
            ),
            MoveCause.Resumed => writing.Say($"Training goes on after it was stopped; what is different: {Differs(why.Differs!.Value)}."),
            MoveCause.Tried => writing.Say($"Tried, not trained: {why.WentWell} of {why.Number} went well and at ease."),
            _ => Reason(why.Decision!),
        };

    /// <summary>Why a session starts lower than its plan stands.</summary>
    public string Away(LongAway away) =>
        away.StageStep is { } id
            ? writing.Say(
                $"{away.Days} days without training, so {(away.Stages > 1 ? writing.Say("two stages lower and on an easier rung") : writing.Say("one stage lower"))}{(Called(id) is { } step ? writing.Say($", at \"{step}\"") : "")}."
            )
            : writing.Say($"{away.Days} days without training, so one target lower.");

    /// <summary>A set that went on elsewhere than the rule decided.</summary>
    public string Overruled(Step? step, int target, string note) => step is null ? note : writing.Say($"On at {Target(step, step.Within(target))}: {note}");

    /// <summary>Why a set was decided so, in one or two sentences.</summary>
    /// <param name="decision">The decision.</param>
    /// <param name="at">The set's target.</param>
    /// <param name="fearful">The dog is heeded at its first unsure sign.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    /// <param name="stepsBackTo">The step begun next time after going over threshold; null leaves it unnamed.</param>
    /// <param name="next">The step begun next once this one is passed; null leaves it unnamed.</param>
    public string Reason(SetDecision decision, int at, bool fearful, Func<int, string> target, string? stepsBackTo = null, string? next = null)
    {
        var count = decision.Goes == 0 ? writing.Say("No go yet") : writing.Say($"{decision.Good} of {decision.Goes} went well");
        return (decision.Kind, decision.By) switch
        {
            (DecisionKind.GoOn, _) => writing.Say($"{count}: not clear yet. {Settles(decision)}"),
            (DecisionKind.EndNow, _) => writing.Say(
                $"It went over threshold ({Writing.Lower(count)}). End now. Next time {StepsBack(decision.StepsBack)}{(stepsBackTo is null ? "" : writing.Say($", at \"{stepsBackTo}\""))}, and not before {Day(decision.NotBeforeDays)}."
            ),
            (DecisionKind.Back, _) when decision is { NextTarget: null } => writing.Say(
                $"{Showed(decision, fearful, count)} That was the easiest rung. {(stepsBackTo is null || decision.StepsBack == 0 ? writing.Say("Next time") : writing.Say($"Next time \"{stepsBackTo}\", from its middle, and"))} another place, another object or another day.{End(decision)}"
            ),
            (DecisionKind.Back, _) => writing.Say($"{Showed(decision, fearful, count)} {Easier(decision, at, target)}{End(decision)}"),
            (DecisionKind.Same, DecidedBy.Unsure) => writing.Say(
                $"It was unsure ({Writing.Lower(count)}), so the same again{(decision.EndSession ? writing.Say(", another day") : "")}."
            ),
            (DecisionKind.Same, DecidedBy.AnotherDay) when decision.IsOfEvent => writing.Say($"{count}, and once is enough for today. Again on another day."),
            (DecisionKind.Same, DecidedBy.AnotherDay) => writing.Say($"{count} at the top target. Once more on another day and the step is passed."),
            (DecisionKind.Same, DecidedBy.Held) => writing.Say(
                $"{count}, but its last holds bear {Seconds(decision.Borne!.Value)} and no more: {(decision.NextAsked is { } borne ? writing.Say($"next {Target(new Hold(borne))}") : writing.Say("the same again"))}."
            ),
            (DecisionKind.Same, _) => writing.Say($"{count}: neither clear. The same again."),
            (DecisionKind.Passed, _) => writing.Say($"{count} at the top target: passed.{(next is null ? "" : writing.Say($" Next: \"{next}\"."))}"),
            (_, DecidedBy.Held) => writing.Say($"{count} and it was at ease, so on to {Next(decision, target)}, which its last holds bear."),
            _ => writing.Say($"{count} and it was at ease, so on to {Next(decision, target)}."),
        };
    }

    private string StepsBack(int steps) =>
        steps switch
        {
            0 => writing.Say("from the start of it again"),
            1 => writing.Say("one step back"),
            _ => writing.Say($"{writing.InWords(steps)} steps back"),
        };

    private string Showed(SetDecision decision, bool fearful, string count) =>
        decision.By switch
        {
            DecidedBy.Worried => writing.Say($"It was worried ({Writing.Lower(count)})."),
            DecidedBy.Unsure => writing.Say(
                $"It was unsure ({Writing.Lower(count)}){(fearful ? writing.Say(", and it is a dog to be heeded at once") : writing.Say(": not yet"))}."
            ),
            _ => writing.Say($"{(decision.Good == 0 ? writing.Say("None") : writing.Say("Only ") + decision.Good)} of {decision.Goes} went well: not yet."),
        };

    private string Next(SetDecision decision, Func<int, string> target) =>
        decision.NextAsked is { } asked ? Target(new Hold(asked)) : target(decision.NextTarget!.Value);

    private string Seconds(TimeSpan held) =>
        held.TotalSeconds < 1 ? writing.Say("less than a second") : writing.Say($"about {Math.Floor(2 * held.TotalSeconds) / 2:0.#} s");

    /// <summary>What would settle a set that goes on, such as "Two more right and it goes up, two missed and it goes back."</summary>
    public string Settles(SetDecision decision) =>
        decision is { SettlesRight: { } right, SettlesMissed: { } missed }
            ? writing.Say($"{Writing.Capital(writing.InWords(right))} more right or {writing.InWords(missed)} missed in a row settles it.")
            : "";

    /// <summary>How an open set stands, in one sentence for whoever has a hand free: what would settle it, or that it is settled and by what.</summary>
    public string Standing(SetDecision decision) =>
        decision.By switch
        {
            DecidedBy.Open => Settles(decision),
            DecidedBy.Unsure => writing.Say("It is unsure: finish the set."),
            DecidedBy.Worried => writing.Say("It is worried: finish the set, then one easy go."),
            DecidedBy.OverThreshold => writing.Say("It is over threshold: end now."),
            _ => writing.Say("That is clear: finish the set."),
        };

    /// <summary>When a dog is likely to be ready, and what that cannot know yet.</summary>
    /// <param name="told">The forecast.</param>
    /// <param name="trained">Something is on record.</param>
    public string Foretold(Forecast told, bool trained)
    {
        var when =
            told.P10 is not { } low ? writing.Say("Hardly within a year.")
            : told.P90 is not { } high ? writing.Say($"Not likely before {writing.Day(low)}; it may take more than a year.")
            : low == high ? writing.Say($"Likely on {writing.Day(low)}.")
            : writing.Say($"Likely between {writing.Day(low)} and {writing.Day(high)}.");
        var knows =
            !trained ? writing.Say(" Nothing is on record yet: so it goes with most dogs of its kind.")
            : told.NotSeenYet.Contains(Stage.FirstFastening) ? writing.Say(" First fastening has not been met yet: how it takes that is a guess by its kind.")
            : told.NotSeenYet.Contains(Stage.Places) ? writing.Say(" It has not worn it in other places yet: how it takes that is a guess by its kind.")
            : "";
        return when + knows;
    }

    /// <summary>A way out of a date that will hardly hold, in one sentence; its chance stands beside it.</summary>
    public string WayOut(WayOut way, ForecastQuestion question) =>
        way.Kind switch
        {
            WayOutKind.AnotherDay => writing.Say(
                $"Train on {writing.InWords(question.Days.Count + 1)} days a week instead of {writing.InWords(question.Days.Count)}, if the dog can take it."
            ),
            WayOutKind.TwiceADay => writing.Say("A second short session on the days there are, if the dog can take it."),
            WayOutKind.ShorterGoal => writing.Say($"Be content with \"{Called(way.StepId)}\": {Enough(way.StepId!)}"),
            WayOutKind.MoveIt => writing.Say($"Move it to {writing.Day(way.By!.Value)}, if it is not urgent."),
            WayOutKind.HappyVisit => writing.Say("Ask the clinic for a visit at which nothing happens, and train there."),
            WayOutKind.AskAboutMedication => writing.Say("Ask the veterinarian about medication before the visit."),
            _ => writing.Say("A sleeve for a minute, put on and watched by the clinic's own staff."),
        };

    /// <summary>What a day of the calendar asks for, in a few words.</summary>
    public string Entry(CalendarEntry entry, string dog) =>
        entry.Kind switch
        {
            CalendarKind.Session => $"{dog}: {Called(entry.StepId) ?? writing.Say("the next step")}",
            CalendarKind.Rest => writing.Say($"{dog} rests today"),
            CalendarKind.TryOn => writing.Say($"{dog}: try the muzzle on"),
            CalendarKind.Refit => writing.Say($"{dog}: measure again"),
            _ => entry.StepId is { } id ? writing.Say($"{dog} is wanted: {Called(id)}") : writing.Say($"{dog} is wanted"),
        };

    private string Enough(string stepId) =>
        Step.Find(stepId)?.Stage switch
        {
            Stage.Hold => writing.Say("nose in and held is enough for a blood sample."),
            Stage.FirstFastening => writing.Say("fastened for a moment is enough for a look or an injection."),
            _ => writing.Say("worn while it stands still is enough for a short visit."),
        };

    /// <summary>What is tapped for a go that went well, in the words of its stage.</summary>
    public string Yes(Stage stage) =>
        stage switch
        {
            Stage.NoseIn => writing.Say("In"),
            Stage.Hold => writing.Say("Stayed in"),
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => writing.Say("At ease"),
            Stage.SoundsAndHands => writing.Say("Did not mind"),
            _ => writing.Say("Yes"),
        };

    /// <summary>What is tapped for one that did not.</summary>
    public string NotYet(Stage stage) =>
        stage switch
        {
            Stage.Hold => writing.Say("Came out"),
            Stage.FirstFastening or Stage.WearingStill or Stage.Moving or Stage.Places or Stage.Upkeep => writing.Say("Minded it"),
            Stage.SoundsAndHands => writing.Say("Minded it"),
            _ => writing.Say("Not yet"),
        };

    /// <summary>How the training of one dog of many stands, in a sentence.</summary>
    public string Standing(TrainingStanding standing, DateOnly today)
    {
        var step = standing.Place is { } place ? Step.Find(place.StepId) : null;
        var at = step is null ? "" : $"\"{Called(step)}\", {Target(step, standing.Place!)}";
        var days = standing.LastTrained is { } last ? today.DayNumber - last.DayNumber : 0;
        return standing.State switch
        {
            TrainingState.Stopped => writing.Say($"Stopped. {Stopped(standing.Stop!)} Look for pain, ask a professional, and say what is different."),
            TrainingState.Stuck => writing.Say(
                $"{Writing.Capital(writing.InWords(standing.Stuck!.Sessions))} sessions at \"{Called(step!)}\" brought it no further. {writing.Say(step!.IfStuck)}"
            ),
            TrainingState.Overdue => writing.Say($"Not trained for {writing.InWords(days)} days. It stands at {at}."),
            TrainingState.Resting => writing.Say($"A day off until {writing.Day(standing.Place!.NotBefore!.Value)}, then {at}."),
            TrainingState.NotBegun => writing.Say($"It begins with {at}."),
            TrainingState.Ready => writing.Say("It wears its muzzle. Happy wears keep it so."),
            _ => writing.Say($"At {at}."),
        };
    }

    /// <summary>That somebody changed the plan while a session was under way.</summary>
    /// <param name="standing">Where the plan stands; null where all is passed.</param>
    public string ChangedMeanwhile(PlanPosition? standing) =>
        standing is { } at && Step.Find(at.StepId) is { } step
            ? writing.Say($"The plan was changed while this session was under way. It was trained as it began and stands on record; next time: {Called(step)}.")
            : writing.Say("The plan was changed while this session was under way. It was trained as it began and stands on record.");

    /// <summary>A step by its name.</summary>
    public string Called(Step step) => writing.Say(step.Name);

    /// <summary>A step on record by its name; its id where it is taught no more.</summary>
    public string OnRecord(string stepId) => Called(stepId) ?? stepId;

    private string? Called(string? stepId) => stepId is not null && Step.Find(stepId) is { } step ? Called(step) : null;

    /// <summary>A target, such as "3 s", "2 cm", "5 times" or "garden".</summary>
    public string Target(StepTarget target) =>
        target switch
        {
            Hold { Lasting.TotalMinutes: >= 2 } hold when hold.Lasting.Seconds == 0 => writing.Say($"{(int)hold.Lasting.TotalMinutes} min"),
            Hold hold => string.Create(CultureInfo.InvariantCulture, $"{hold.Lasting.TotalSeconds:0.#} s"),
            Depth depth => $"{depth.Into.Centimeters:0} cm",
            Times { Count: 1 } => writing.Say("once"),
            Times times => writing.Say($"{times.Count} times"),
            Situation situation => writing.Say(situation.What),
            _ => throw new ArgumentOutOfRangeException(nameof(target)),
        };

    /// <summary>A target of a step in words; −1 to −3 are the easier rungs.</summary>
    /// <param name="step">The step.</param>
    /// <param name="at">What is asked for.</param>
    public string Target(Step step, Criterion at) =>
        at.Asked is { } hold ? Target(new Hold(hold))
        : at.Target < 0 ? writing.Say(step.Easier[-at.Target - 1])
        : Target(step.Targets[at.Target]);

    /// <summary>Where in a step a plan stands, such as "3 s".</summary>
    public string Target(Step step, PlanPosition at) => Target(step, at.At);

    /// <summary>How things are placed in a step, in a sentence; null for a whole dog, whose step says it.</summary>
    public string? Sketch(Scene scene)
    {
        if (scene.Stand is not null)
            return null;
        var thing = scene.Thing switch
        {
            SceneThing.Nothing => "",
            SceneThing.Muzzle => writing.Say("The muzzle "),
            SceneThing.Cup or SceneThing.ShallowCup => writing.Say("The cup "),
            SceneThing.CupInMuzzle => writing.Say("The cup in the muzzle "),
            _ => writing.Say("The loop "),
        };
        var place = scene.Place switch
        {
            ScenePlace.AtTheSide => writing.Say("at your side, away from its face"),
            ScenePlace.BeforeTheNose => writing.Say("before its nose, which comes to it"),
            ScenePlace.OverTheRim => writing.Say("with the nose over the rim"),
            ScenePlace.HalfwayIn => writing.Say("with the nose halfway in"),
            ScenePlace.AllTheWayIn => writing.Say("with the nose all the way in"),
            _ => writing.Say("lowered away from its nose"),
        };
        var strap = scene.Strap switch
        {
            SceneStrap.Open => writing.Say("the strap open"),
            SceneStrap.OverTheNeck => writing.Say("the strap laid over the neck"),
            SceneStrap.HeldTogether => writing.Say("the ends of the strap held together"),
            SceneStrap.ClosedLoosely => writing.Say("the strap closed loosely"),
            SceneStrap.Closed => writing.Say("the strap closed"),
            SceneStrap.Snug => writing.Say("neck strap and forehead strap closed"),
            _ => "",
        };
        var treat = scene.Treat switch
        {
            SceneTreat.AtTheMouth => writing.Say("the treat at its mouth"),
            SceneTreat.AtTheRim => writing.Say("the treat at the rim"),
            SceneTreat.AtItsFloor => writing.Say("the treat at its floor"),
            SceneTreat.UnderIt => writing.Say("the treat in the hand under it"),
            SceneTreat.ThroughTheSide => writing.Say("the treat through the side"),
            SceneTreat.ThroughTheFront => writing.Say("the treat through the front"),
            SceneTreat.OneAfterAnother => writing.Say("treats through the front, one after another"),
            _ => "",
        };
        List<string> parts = [thing == "" ? "" : thing + place, Hand(scene.Hand), strap, Hand(scene.Other), treat];
        return Writing.Capital(string.Join(", ", parts.Where(p => p != ""))) + ".";
    }

    private string Hand(SceneHand hand) =>
        hand switch
        {
            SceneHand.Below => writing.Say("held from below"),
            SceneHand.BehindTheHead => writing.Say("a hand behind the head"),
            SceneHand.AtTheCheek => writing.Say("a hand past the cheek"),
            SceneHand.AtTheStrap => writing.Say("a hand at the strap"),
            SceneHand.WithTheClip => writing.Say("the clip closed near the neck, nothing on the dog"),
            SceneHand.ClosedInFront => writing.Say("the treat in the closed hand behind the front"),
            SceneHand.EmptyInFront => writing.Say("the empty hand behind the front"),
            SceneHand.SideBySide => writing.Say("closed hands side by side, a food in each"),
            _ => "",
        };

    /// <summary>What to do with a dog over threshold, in order.</summary>
    public IReadOnlyList<string> WhenOver { get; } =
    [
        writing.Say("Muzzle down and away: no pulling, no holding."),
        writing.Say("Step back and let it leave. Say nothing, ask for nothing."),
        writing.Say("Water, quiet, no more training today."),
        writing.Say("Write down what came before. If it hurt anybody, or changed suddenly, ask a veterinarian or a behaviour professional."),
    ];

    /// <summary>What to do instead of a session on a bad day.</summary>
    public string BadDay =>
        writing.Say(
            "Then not today: a bad day is a day off, and nothing is lost. Let the muzzle lie where good things happen, play, and try tomorrow. If it is unwell or in pain, ask the veterinarian."
        );

    /// <summary>A rung below a step's first target.</summary>
    public string Rung(int target) =>
        target switch
        {
            -1 => writing.Say("the first easier rung"),
            -2 => writing.Say("the second easier rung"),
            _ => writing.Say("the easiest rung"),
        };

    private string End(SetDecision decision) => decision.EndSession ? writing.Say(" End with one easy go.") : "";

    private string Easier(SetDecision decision, int at, Func<int, string> target) =>
        decision.NextTarget == at && decision.Borne is null
            ? writing.Say("It is at the easiest already: another place, another day.")
            : writing.Say($"One easier: {Next(decision, target)}.");

    private string Day(int days) =>
        days switch
        {
            <= 1 => writing.Say("tomorrow"),
            2 => writing.Say("the day after tomorrow"),
            _ => writing.Say($"in {days} days"),
        };

    /// <summary>A row of a table in the reader's language.</summary>
    public Sign Told(Sign sign) => sign with { Name = writing.Say(sign.Name) };

    /// <summary>The same of a step; a target is told by <see cref="Target(StepTarget)"/>.</summary>
    public Step Told(Step step) =>
        step with
        {
            Name = writing.Say(step.Name),
            Purpose = writing.Say(step.Purpose),
            SetUp = writing.Say(step.SetUp),
            Success = writing.Say(step.Success),
            Reward = writing.Say(step.Reward),
            Easier = [.. step.Easier.Select(writing.Say)],
            IfStuck = writing.Say(step.IfStuck),
            Caution = step.Caution is { } caution ? writing.Say(caution) : null,
        };

    /// <summary>A ground that was kept as text.</summary>
    public string Ground(string kept) => writing.Ground(kept);

    /// <summary>A note of a school or an adaptation on a step.</summary>
    public string Note(string note) => writing.Say(note);

    public School Told(School school) => school with { Name = writing.Say(school.Name), Says = writing.Say(school.Says) };

    public Policy Told(Policy policy) =>
        policy with
        {
            Name = writing.Say(policy.Name),
            Choice = writing.Say(policy.Choice),
            Reason = policy.ChosenHere ? writing.Say($"Chosen for this dog. {writing.Say(policy.Reason)}") : writing.Say(policy.Reason),
        };

    public PolicyRow Told(PolicyRow row) =>
        row with
        {
            Name = writing.Say(row.Name),
            Options = [.. row.Options.Select(o => o with { Says = writing.Say(o.Says), Reason = writing.Say(o.Reason) })],
        };
}
