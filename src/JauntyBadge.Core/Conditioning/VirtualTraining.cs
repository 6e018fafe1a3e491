using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>Trains virtual dogs by the real rules.</summary>
public static class VirtualTraining
{
    /// <summary>Trains a dog through a plan until it wears its muzzle, or so many sessions are over.</summary>
    /// <param name="dog">The dog.</param>
    /// <param name="plan">Its plan, rule and temperament.</param>
    /// <param name="mostSessions">Sessions after which one gives up.</param>
    /// <param name="restDays">Days between sessions, in turn.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Course Train(VirtualDog dog, SessionPlan plan, int mostSessions, IReadOnlyList<int> restDays, HouseRules rules)
    {
        var first = new DateOnly(2000, 1, 3).DayNumber;
        var trainee = new Trainee(dog, new Curriculum(plan, null, rules), first);
        var (day, over, worried, stops) = (first, 0, 0, 0);
        for (var session = 1; session <= mostSessions; session++)
        {
            day = Math.Max(day, trainee.NotBefore);
            var held = trainee.Session(day);
            over += held.WentOver ? 1 : 0;
            worried += held.WorriedSets;
            stops += held.Stopped ? 1 : 0;
            if (trainee.IsReady)
                return new Course(true, session, day - first + 1, over, worried, stops);
            day += restDays[session % restDays.Count];
        }

        return new Course(false, mostSessions, day - first, over, worried, stops);
    }

    /// <summary>
    /// Trains a dog by the calendar, whatever it shows: every target in order, so many a day, ten goes each. Only going over threshold ends a day early;
    /// the next one goes on where the calendar stands. Ready is a dog whose last target then goes well eight times in ten and at ease.
    /// </summary>
    /// <param name="dog">The dog.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="sessions">Days of training that the course has; 0 for as many as there are targets.</param>
    /// <param name="restDays">Days between sessions, in turn.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static Course ByCalendar(VirtualDog dog, SessionPlan plan, int sessions, IReadOnlyList<int> restDays, HouseRules rules)
    {
        var steps = plan.Steps().TakeWhile(s => s.Stage != Stage.Upkeep).ToList();
        var targets = steps
            .Index()
            .SelectMany(s => Enumerable.Range(0, s.Item.TopTarget + 1).Select(t => (Step: s.Index, Target: t, Top: s.Item.TopTarget)))
            .ToList();
        var days = sessions == 0 ? targets.Count : sessions;
        var (day, since, over, worried, last) = (1, 0, 0, 0, (Good: 0, Worst: SignGroup.AtEase));
        for (var session = 1; session <= days; session++)
        {
            dog.Begin(since);
            for (var i = targets.Count * (session - 1) / days; i < targets.Count * session / days; i++)
            {
                last = (0, SignGroup.AtEase);
                for (var go = 0; go < GoRules.MostGoes && last.Worst < SignGroup.OverThreshold; go++)
                {
                    var (good, sign) = dog.Go(targets[i].Step, targets[i].Target, targets[i].Top);
                    last = (last.Good + (good ? 1 : 0), sign > last.Worst ? sign : last.Worst);
                }

                worried += last.Worst >= SignGroup.Worried ? 1 : 0;
                if (last.Worst != SignGroup.OverThreshold)
                    continue;
                over++;
                break;
            }

            since = restDays[session % restDays.Count];
            day += session < days ? since : 0;
        }

        return new Course(last is { Worst: SignGroup.AtEase } && last.Good >= rules[GoRules.EnoughOfTen], days, day, over, worried, 0);
    }

    /// <summary>Plays a dog day by day and keeps every set.</summary>
    /// <param name="dog">The dog.</param>
    /// <param name="plan">Its plan, rule and temperament.</param>
    /// <param name="days">The days of the week with a session.</param>
    /// <param name="from">The first day.</param>
    /// <param name="most">Days after which one gives up.</param>
    /// <param name="rules">The numbers that decide.</param>
    /// <returns>The sets in order, and the day on which every step up to the purpose's last was passed; null when none was.</returns>
    public static (IReadOnlyList<SetRecord> Sets, DateOnly? ReadyOn) Play(
        VirtualDog dog,
        SessionPlan plan,
        IReadOnlyList<DayOfWeek> days,
        DateOnly from,
        int most,
        HouseRules rules
    ) => Play(dog, plan, Enumerable.Range(0, most).Select(from.AddDays).Where(d => days.Contains(d.DayOfWeek)).ToHashSet(), from, most, rules);

    /// <summary>The same on the days on which a session is held.</summary>
    public static (IReadOnlyList<SetRecord> Sets, DateOnly? ReadyOn) Play(
        VirtualDog dog,
        SessionPlan plan,
        IReadOnlySet<DateOnly> days,
        DateOnly from,
        int most,
        HouseRules rules
    )
    {
        var trainee = new Trainee(dog, new Curriculum(plan, null, rules), from.DayNumber) { Log = [] };
        for (var day = from; day < from.AddDays(most); day = day.AddDays(1))
        {
            if (!days.Contains(day) || day.DayNumber < trainee.NotBefore)
                continue;
            trainee.Session(day.DayNumber);
            if (trainee.IsReady)
                return (trainee.Log, day);
        }

        return (trainee.Log, null);
    }

    /// <summary>How much harder a step is for a dog that minds something, on the scale of what is learned (House: felt as one or two targets).</summary>
    public static double HarderBy(IReadOnlyList<Sensitivity> minds, Stage stage) =>
        minds.Sum(m =>
            (m, stage) switch
            {
                (Sensitivity.OddObjects, Stage.OddObjects or Stage.MeetIt) => 0.08,
                (Sensitivity.PeopleNear, Stage.ComeToIt or Stage.ThePurpose) => 0.06,
                (Sensitivity.HandsBehindHead, Stage.SoundsAndHands or Stage.FirstFastening) => 0.1,
                (Sensitivity.Clicks, Stage.SoundsAndHands or Stage.FirstFastening) => 0.08,
                (Sensitivity.Paws, Stage.FirstFastening or Stage.WearingStill) => 0.08,
                (Sensitivity.LowFoodDrive, _) => 0.03,
                _ => 0,
            }
        );
}

/// <summary>What is the same for all dogs that are played through a plan.</summary>
internal sealed class Curriculum
{
    /// <param name="plan">The plan, its rule and the dog's temperament.</param>
    /// <param name="readyAt">The last step that has to be passed; null for the last before upkeep.</param>
    /// <param name="rules">The numbers that decide.</param>
    public Curriculum(SessionPlan plan, string? readyAt, HouseRules rules)
    {
        (Plan, Steps, Rules, Test) = (plan, plan.Steps(), rules, GoRules.Test(rules));
        Place = Steps.Index().ToDictionary(s => s.Item.Id, s => s.Index);
        Wanted = plan.Wanted(readyAt);
        IsGate = [.. Steps.Select(s => plan.IsGate(s.Id))];
        Begins = GoRules.BeginsAt(plan.Temperament, plan.Rule, rules);
    }

    public SessionPlan Plan { get; }

    public IReadOnlyList<Step> Steps { get; }

    public IReadOnlyDictionary<string, int> Place { get; }

    /// <summary>How many steps, from the first on, have to be passed.</summary>
    public int Wanted { get; }

    public IReadOnlyList<bool> IsGate { get; }

    /// <summary>The target at which a step is begun.</summary>
    public int Begins { get; }

    public SequentialTest Test { get; }

    public HouseRules Rules { get; }
}

/// <summary>A session that was played.</summary>
/// <param name="At">The step it began at.</param>
/// <param name="WorriedSets">Sets that ended worried or worse.</param>
/// <param name="WentOver">The dog went over threshold.</param>
/// <param name="EndedWorried">It ended worried: the last of that day.</param>
/// <param name="Stopped">Training was stopped after it.</param>
internal readonly record struct PlayedSession(int At, int WorriedSets, bool WentOver, bool EndedWorried, bool Stopped);

/// <summary>A virtual dog on its way through a plan, by the real rules and without words.</summary>
internal sealed class Trainee
{
    /// <summary>A go with its treat, and the change from one set to the next (House).</summary>
    private static readonly TimeSpan GoTakes = TimeSpan.FromSeconds(5);

    private readonly VirtualDog dog;
    private readonly Curriculum course;
    private readonly bool[] passed;
    private readonly int[] goodDay;
    private readonly List<SessionOutcome> eventful = [];
    private (int Step, int Target, int Goes, int Days, int Day) atEvent = (-1, 0, 0, 0, 0);
    private (int Step, int Target) unsureAt = (-1, 0);
    private int sessions;
    private readonly Dictionary<int, List<HeldGo>> held = [];
    private PlanPlace? place;
    private int last,
        left;

    /// <summary>A dog that was never trained.</summary>
    public Trainee(VirtualDog dog, Curriculum course, int firstDay)
    {
        (this.dog, this.course, last, left) = (dog, course, firstDay, course.Wanted);
        (passed, goodDay) = (new bool[course.Steps.Count], new int[course.Steps.Count]);
        place = new(0, course.Begins);
        NotBefore = firstDay;
    }

    private Trainee(Trainee other, Curriculum course, Random random)
    {
        (dog, this.course, last, place, NotBefore) = (other.dog.Again(random), course, other.last, other.place, other.NotBefore);
        (passed, goodDay) = ((bool[])other.passed.Clone(), (int[])other.goodDay.Clone());
        left = passed.Take(course.Wanted).Count(p => !p);
        held = other.held.ToDictionary(h => h.Key, h => new List<HeldGo>(h.Value));
        (PassedSteps, Misses) = (other.PassedSteps, other.Misses);
        (eventful, atEvent, unsureAt, sessions) = ([.. other.eventful], other.atEvent, other.unsureAt, other.sessions);
    }

    /// <summary>The same dog where it stands now, on a course of the same steps that may want more or less of it.</summary>
    /// <param name="other">The course.</param>
    /// <param name="random">A seeded generator of its own, so that many can be played at once.</param>
    public Trainee On(Curriculum other, Random random) => new(this, other, random);

    /// <summary>Every step that is wanted is passed.</summary>
    public bool IsReady => left == 0;

    /// <summary>Share of planned days on which its owner holds no session, 0 to 1.</summary>
    public double Misses { get; init; }

    /// <summary>Every set played, where one listens.</summary>
    public List<SetRecord>? Log { get; init; }

    /// <summary>How many steps are passed.</summary>
    public int PassedSteps { get; private set; }

    /// <summary>The day before which no session is held.</summary>
    public int NotBefore { get; private set; }

    /// <summary>Puts the plan where a record has it: what is passed, and where it stands.</summary>
    public void Stands(IReadOnlySet<string> ids, PlanPosition? at, int lastDay)
    {
        for (var i = 0; i < passed.Length; i++)
            passed[i] = ids.Contains(course.Steps[i].Id);
        left = passed.Take(course.Wanted).Count(p => !p);
        PassedSteps = passed.Count(p => p);
        place = at is null ? null : new(course.Place.GetValueOrDefault(at.StepId), at.At);
        NotBefore = at?.NotBefore?.DayNumber ?? lastDay;
        last = lastDay;
    }

    /// <summary>Notes that a gate's top target went well on a day.</summary>
    public void WentWellOn(string stepId, int day)
    {
        if (course.Place.TryGetValue(stepId, out var at) && goodDay[at] == 0)
            goodDay[at] = day;
    }

    /// <summary>After training was stopped it goes on a week later and a stage back: what a person may come to say (House).</summary>
    private const int StopPause = 7;

    /// <summary>Plays a session.</summary>
    public PlayedSession Session(int day)
    {
        dog.Begin(day - last);
        last = day;
        sessions++;
        var (backs, worried, worst) = (0, 0, SignGroup.AtEase);
        var clock = new Clock();
        var from = place?.Step ?? course.Steps.Count - 1;
        var came = default(Came);
        while (place is { } at && !IsReady)
        {
            var step = course.Steps[at.Step];
            var start = StartOf(at, step, day, backs);
            (var made, worst, var lastGood) = PlaySet(at, step, start, day, ref clock);
            backs += made.Kind == DecisionKind.Back ? 1 : 0;
            worried += worst >= SignGroup.Worried ? 1 : 0;
            Take(at.Step, made, day);
            Note(at.Step, start, made, worst, day);
            came.Add(step.Id, start.Target, made.Kind, eventful.Count > 0);
            var enough = clock.Goes >= course.Rules[Progression.GoesInSession] || clock.Time >= Progression.Longest(step.Stage, course.Rules);
            if (made.EndSession || enough || Progression.WasNewPlace(made, step, start.Target))
            {
                if (made.EndSession ? made.EndsWithEasyGo : enough && !lastGood)
                    worst = EasyGo(at.Step, step, start, day, ref came);
                break;
            }
        }

        return new(from, worried, came.Over is not null, worst >= SignGroup.Worried, Stops(came, day));
    }

    /// <summary>Goes, and the time they take.</summary>
    private struct Clock
    {
        public int Goes { get; private set; }

        public TimeSpan Time { get; private set; }

        public void Add(TimeSpan? hold) => (Goes, Time) = (Goes + 1, Time + GoTakes + (hold ?? TimeSpan.Zero));
    }

    private SetStart StartOf(PlanPlace at, Step step, int day, int backs)
    {
        var target = step.Within(at.At.Target);
        var same = atEvent.Step == at.Step && atEvent.Target == target;
        var goodDays =
            step.KindAt(target) == StepKind.Once ? (!same ? 0 : atEvent.Days - (atEvent.Day == day ? 1 : 0))
            : goodDay[at.Step] != 0 && goodDay[at.Step] != day ? 1
            : 0;
        return Progression.StartOf(
            course.Plan,
            step,
            target,
            course.IsGate[at.Step],
            goodDays,
            backs,
            new(same ? atEvent.Goes : 0, unsureAt == (at.Step, target))
        );
    }

    private (SetDecision Made, SignGroup Worst, bool LastGood) PlaySet(PlanPlace at, Step step, SetStart start, int day, ref Clock clock)
    {
        var asks = at.At.Within(step);
        var (level, hold) = (step.Level(asks), asks.HoldOn(step));
        var set = new GoRules.SetInPlay(start, course.Test, course.Rules);
        SetDecision? made = null;
        var (worst, lastGood) = (SignGroup.AtEase, true);
        List<bool>? kept = Log is null ? null : [];
        List<SeenAt>? seen = Log is null ? null : [];
        while (made is null)
        {
            (lastGood, var sign) = dog.Go(at.Step, level, start.TopTarget, hold is not null);
            clock.Add(hold);
            Hold(at.Step, hold, lastGood);
            worst = sign > worst ? sign : worst;
            kept?.Add(lastGood);
            if (sign > SignGroup.AtEase)
                seen?.Add(new(kept!.Count, sign));
            made = set.After(lastGood, sign);
        }

        if (course.Plan.HeedsHolds)
            made = Progression.ByHolds(made, step, start, asks, held.GetValueOrDefault(at.Step) ?? [], course.Rules);
        Log?.Add(new(step.Id, asks, DateOnly.FromDayNumber(day), kept!, seen!));
        return (made, worst, lastGood);
    }

    /// <summary>What is remembered of a set beside where the plan stands.</summary>
    private void Note(int at, SetStart start, SetDecision made, SignGroup worst, int day)
    {
        unsureAt = worst == SignGroup.Unsure ? (at, start.Target) : (-1, 0);
        if (start.Kind != StepKind.Once)
            return;
        var good = worst == SignGroup.AtEase && made.Good == made.Goes;
        var (goes, days, on) = atEvent.Step == at && atEvent.Target == start.Target ? (atEvent.Goes, atEvent.Days, atEvent.Day) : (0, 0, 0);
        atEvent = good ? (at, start.Target, goes + made.Good, days + (on == day ? 0 : 1), day) : (-1, 0, 0, 0, 0);
    }

    /// <summary>The easy go with which a session ends; over threshold in it is over threshold in the session.</summary>
    private SignGroup EasyGo(int at, Step step, SetStart start, int day, ref Came came)
    {
        var target = Progression.WellBelow(start.Target);
        var (good, sign) = dog.Go(at, target, step.TopTarget);
        Log?.Add(new(step.Id, target, DateOnly.FromDayNumber(day), [good], sign > SignGroup.AtEase ? [new SeenAt(1, sign)] : []) { IsAfter = true });
        if (sign == SignGroup.OverThreshold)
        {
            var over = GoRules.Decide(start, [], [new SeenAt(0, sign)], course.Rules);
            Take(at, over, day);
            came.Add(step.Id, start.Target, over.Kind, eventful.Count > 0);
        }

        return sign;
    }

    /// <summary>What a session came to, kept without a list: most come to nothing that recognition asks for.</summary>
    private struct Came
    {
        private List<string>? passed;

        public string? Over { get; private set; }

        public string? Stuck { get; private set; }

        public readonly bool HasPassed => passed is not null;

        public List<string> Passed => passed ??= [];

        public void Add(string step, int target, DecisionKind made, bool keepsPassed)
        {
            Over = made == DecisionKind.EndNow ? step : Over;
            Stuck = TrainingStop.CouldNotGoOn(made, target) ? step : Stuck;
            if (made == DecisionKind.Passed && keepsPassed)
                (passed ??= []).Add(step);
        }
    }

    private bool Stops(Came came, int day)
    {
        var from = came.Over ?? came.Stuck;
        if (from is null && !came.HasPassed)
            return false;
        eventful.Add(new(sessions, came.Over, from, came.Passed));
        if (from is null || TrainingStop.Of(eventful, course.Rules) is not { } stop)
            return false;
        eventful.Clear();
        place = new(course.Place[TrainingStop.AStageBack(course.Steps, stop.StepId).Id], course.Begins);
        NotBefore = day + StopPause;
        return true;
    }

    /// <summary>A go at a hold: the goes of a set ask for three quarters of the target on the average (see <see cref="Holds.Varied"/>); a dog that pulls out does so when it does.</summary>
    private void Hold(int at, TimeSpan? target, bool good)
    {
        if (!course.Plan.HeedsHolds || target is not { } asked)
            return;
        if (!held.TryGetValue(at, out var holds))
            held[at] = holds = [];
        var mean = (3 * asked + TimeSpan.FromSeconds(1)) / 4;
        holds.Add(new(dog.HeldShare * mean, good));
    }

    /// <summary>Goes on from a decision, of a set played or on record.</summary>
    private void Take(int at, SetDecision made, int day)
    {
        if (made.By == DecidedBy.AnotherDay && goodDay[at] == 0 && made.NextTarget == course.Steps[at].TopTarget)
            goodDay[at] = day;
        if (made.Kind == DecisionKind.Passed && !passed[at])
        {
            passed[at] = true;
            PassedSteps++;
            left -= at < course.Wanted ? 1 : 0;
        }

        place = Progression.PlaceAfter(course.Steps, at, made, i => passed[i]);
        if (place?.WaitDays > 0)
            NotBefore = day + place.Value.WaitDays;
    }
}
