using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>When a dog will be ready, as far as its own record lets one tell.</summary>
/// <param name="P10">The day by which one in ten dogs like it is ready; null when not within a year.</param>
/// <param name="P50">The day by which half are.</param>
/// <param name="P90">The day by which nine in ten are.</param>
/// <param name="ChanceBy">The chance of being ready by the day wanted, 0 to 1; null where none is.</param>
/// <param name="NeverShare">Share of such dogs that are not ready within a year, 0 to 1.</param>
/// <param name="HoldsUp">What takes the most sessions from now on, the most first.</param>
/// <param name="WaysOut">What could be done where the chance is low, each with its own chance.</param>
/// <param name="PassedNow">Steps passed now.</param>
/// <param name="Fan">How far such dogs have come, day by day.</param>
public sealed record Forecast(
    DateOnly? P10,
    DateOnly? P50,
    DateOnly? P90,
    double? ChanceBy,
    double NeverShare,
    IReadOnlyList<HoldUp> HoldsUp,
    IReadOnlyList<WayOut> WaysOut,
    int PassedNow,
    IReadOnlyList<FanDay> Fan
)
{
    /// <summary>The days on which the dogs played were ready, in order; the greatest number for those that were not within a year.</summary>
    internal IReadOnlyList<int> ReadyOn { get; init; } = [];

    /// <summary>Stages the dog has not come to yet: how it takes them is a guess by its kind.</summary>
    public IReadOnlyList<Stage> NotSeenYet { get; init; } = [];

    /// <summary>The chance of being ready by a day, 0 to 1.</summary>
    public double ChanceOn(DateOnly day) => Forecasts.Share(ReadyOn, day.DayNumber);
}

/// <summary>What a step takes from now on.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Sessions">Sessions that begin at it, on the average of the dogs that come to it.</param>
public sealed record HoldUp(string StepId, double Sessions);

/// <summary>Steps passed at the end of a day: of ten dogs like it one has come no further than the first number, half the second, nine the third.</summary>
public sealed record FanDay(DateOnly Day, int P10, int P50, int P90);

/// <summary>What can be done when the date will hardly hold.</summary>
public enum WayOutKind
{
    /// <summary>Train on one day more a week.</summary>
    AnotherDay,

    /// <summary>A second session on the days there are.</summary>
    TwiceADay,

    /// <summary>Be content with less.</summary>
    ShorterGoal,

    /// <summary>Move what is not urgent by two weeks.</summary>
    MoveIt,

    /// <summary>Ask the clinic for a visit where nothing happens.</summary>
    HappyVisit,

    /// <summary>Ask the veterinarian about medication before the visit.</summary>
    AskAboutMedication,

    /// <summary>A sleeve for a minute, by the clinic's own staff.</summary>
    SleeveByStaff,
}

/// <summary>A way out.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="ChanceBy">The chance of being ready by the day so; null for what cannot be played.</param>
/// <param name="StepId">The step that would do, for a shorter goal.</param>
/// <param name="By">The later day, for what is moved.</param>
public sealed record WayOut(WayOutKind Kind, double? ChanceBy, string? StepId = null, DateOnly? By = null);

/// <summary>What a forecast is asked for.</summary>
public sealed record ForecastQuestion
{
    /// <summary>The plan, its rule and the dog's temperament.</summary>
    public required SessionPlan Plan { get; init; }

    /// <summary>What the dog minds.</summary>
    public IReadOnlyList<Sensitivity> Minds { get; init; } = [];

    public IReadOnlyList<Purpose> Purposes { get; init; } = [];

    /// <summary>A sleeve may be worn by it at all: no airway trouble, vomiting or flat face.</summary>
    public bool MayWearSleeve { get; init; } = true;

    /// <summary>The last step that has to be passed; null for the purpose's last.</summary>
    public string? ReadyAt { get; init; }

    /// <summary>The days of the week with a session.</summary>
    public required IReadOnlyList<DayOfWeek> Days { get; init; }

    /// <summary>Sessions on each of them, 1 or 2.</summary>
    public int SessionsPerDay { get; init; } = 1;

    /// <summary>The first day of the sessions to come.</summary>
    public required DateOnly From { get; init; }

    /// <summary>The day wanted; null for none.</summary>
    public DateOnly? By { get; init; }

    /// <summary>What was trained, the oldest first.</summary>
    public IReadOnlyList<SetRecord> Log { get; init; } = [];

    /// <summary>Ids of the steps on record as passed; null works them out from the log.</summary>
    public IReadOnlySet<string>? Passed { get; init; }

    /// <summary>Where the plan stands; null works it out from the log.</summary>
    public PlanPosition? Position { get; init; }

    /// <summary>The owner's sessions so far; null plays every one that is planned.</summary>
    public SessionsHeld? Held { get; init; }

    /// <summary>Virtual dogs, 100 to 20,000.</summary>
    public int Dogs { get; init; } = Forecasts.UsualDogs;

    public HouseRules Rules { get; init; } = HouseRules.Ours;
}

/// <summary>
/// Foretells when a dog is ready by a particle filter (Published: Gordon, Salmond &amp; Smith 1993, IEE Proc. F 140:107–113) over virtual dogs: drawn
/// for the temperament, led through the dog's own log, weighted by how well each foretold it, and then played on by the real rules on the owner's days.
/// </summary>
public static class Forecasts
{
    public const int UsualDogs = 2000;

    public static readonly Grounded<double> Missed = new(
        "forecast.missed",
        "Share of planned sessions that are not held, before the record tells",
        0.12,
        Basis.House("one day in eight comes to nothing")
    )
    {
        Least = 0.02,
        Most = 0.6,
    };

    /// <summary>Our own guess of that weighs as much as so many planned sessions on record (House: a week or two of them).</summary>
    private const int GuessWeighs = 8;

    public static IReadOnlyList<IGrounded> All { get; } = [Missed];

    /// <summary>Days after which one stops looking.</summary>
    private const int Horizon = 365;

    /// <summary>How much wider than usual the dogs are drawn: so that of dogs unlike any of ours the middle four in five still hold (bench, calibration).</summary>
    private const double Wider = 1.2;

    /// <summary>The chance under which ways out are looked for (House: worse than four in five is no plan).</summary>
    public const double LowChance = 0.8;

    /// <summary>Dogs that a way out is tried on: each by the same luck as without it, so that what helps shows in few (House).</summary>
    private const int TriedOn = 250;

    private const int HalfAYear = 182;
    private const int MostHoldUps = 5;

    /// <summary>Foretells.</summary>
    /// <param name="question">What is asked.</param>
    /// <param name="random">A seeded generator: the same seed gives the same answer.</param>
    public static Forecast Of(ForecastQuestion question, Random random)
    {
        var course = new Curriculum(question.Plan, question.ReadyAt, question.Rules);
        var dogs = Filtered(question, course, random);
        var calendar = new Calendar(question.Days, question.SessionsPerDay, question.From);
        var (ready, passed, seed) = (new int[dogs.Length], dogs[0].PassedSteps, random.Next());
        // Each is played by a generator of its own, so that many can be played at once and the same seed still gives the same answer.
        var played = new Played(course.Steps.Count);
        Parallel.For(
            0,
            dogs.Length,
            () => new Played(course.Steps.Count),
            (i, _, mine) =>
            {
                var own = new Random(seed ^ i);
                ready[i] = Play(dogs[i].On(course, own), calendar, Horizon, own, mine);
                return mine;
            },
            mine => played.Add(mine)
        );
        // Those that ways out are tried on stay where the record ends.
        IReadOnlyList<Trainee> kept = [.. dogs.Where((_, i) => i % Math.Max(1, dogs.Length / TriedOn) == 0)];
        var ordered = ready.Order().ToArray();
        double? chance = question.By is { } by ? Share(ready, by.DayNumber) : null;
        return new Forecast(
            At(ordered, 0.1),
            At(ordered, 0.5),
            At(ordered, 0.9),
            chance,
            ready.Count(d => d == int.MaxValue) / (double)ready.Length,
            played.HoldsUp(course.Steps, dogs.Length),
            chance < LowChance ? WaysOut(question, kept, chance.Value, seed) : [],
            passed,
            played.Fan(question.From, ordered)
        )
        {
            ReadyOn = ordered,
            NotSeenYet = NotSeen(question, course),
        };
    }

    /// <summary>The stages it has to come through and has not been in; none before anything is on record, where all is a guess.</summary>
    private static IReadOnlyList<Stage> NotSeen(ForecastQuestion question, Curriculum course)
    {
        var seen = question.Log.Select(s => Step.Find(s.StepId)?.Stage).OfType<Stage>().DefaultIfEmpty(Stage.Ready).Max();
        return [.. course.Steps.Take(course.Wanted).Select(s => s.Stage).Where(s => s > seen).Distinct()];
    }

    /// <summary>Dogs that could have made this log, as they are after it.</summary>
    private static Trainee[] Filtered(ForecastQuestion question, Curriculum course, Random random)
    {
        double[]? minds = question.Minds.Count == 0 ? null : [.. course.Steps.Select(s => VirtualTraining.HarderBy(question.Minds, s.Stage))];
        var (prior, terrain) = (DogNature.Of(course.Plan.Temperament), new Terrain(course.Steps, minds));
        var filter = new ParticleFilter(
            [.. Enumerable.Range(0, question.Dogs).Select(_ => new VirtualDog(prior.Drawn(random, Wider), new(terrain, random), course.Steps.Count, random))],
            random
        );
        var first = question.Log.Count > 0 ? question.Log[0].Day.DayNumber : question.From.DayNumber;
        var last = first;
        foreach (var session in Sessions(question.Log))
        {
            filter.Begin(session[0].Day.DayNumber - last);
            last = session[0].Day.DayNumber;
            foreach (var set in session.Where(s => course.Place.ContainsKey(s.StepId)))
                filter.See(set, course.Place[set.StepId], course.Steps[course.Place[set.StepId]]);
            filter.Resample(always: false);
        }

        filter.Resample(always: true);
        var (passed, position, goodDays) = StandingAfter(question);
        return
        [
            .. filter.Dogs.Select(dog =>
            {
                dog.Meets(course.Steps.Count);
                var trainee = new Trainee(dog, course, first) { Misses = MissesOf(question, random) };
                trainee.Stands(passed, position, last);
                foreach (var (id, day) in goodDays)
                    trainee.WentWellOn(id, day);
                return trainee;
            }),
        ];
    }

    /// <summary>What is passed and where the plan stands: as on record, or as the rules have it after the log.</summary>
    private static (IReadOnlySet<string> Passed, PlanPosition? Position, Dictionary<string, int> GoodDays) StandingAfter(ForecastQuestion question)
    {
        var plan = question.Plan;
        var (passed, goodDays, earlier) = (new HashSet<string>(), new Dictionary<string, int>(), new List<SetRecord>());
        PlanPosition? position = new(plan.StepIds[0], GoRules.BeginsAt(plan.Temperament, plan.Rule, question.Rules));
        var backs = 0;
        foreach (var set in question.Log.Where(s => Step.Find(s.StepId) is not null && plan.StepIds.Contains(s.StepId)))
        {
            if (set.IsAfter && set.Worst < SignGroup.OverThreshold)
                continue;
            backs = earlier.Count > 0 && earlier[^1].Day == set.Day ? backs : 0;
            var decision = Progression.AfterSet(plan, set, passed, earlier, (TimeSpan.Zero, 0, backs), question.Rules);
            backs += decision.Kind == DecisionKind.Back ? 1 : 0;
            if (decision.Kind == DecisionKind.Passed)
                passed.Add(set.StepId);
            if (decision.Set.By == DecidedBy.AnotherDay && set.Target >= (plan.Find(set.StepId)?.TopTarget ?? 0))
                goodDays.TryAdd(set.StepId, set.Day.DayNumber);
            position = decision.Next;
            earlier.Add(set);
        }

        return question.Passed is null ? (passed, position, goodDays) : (question.Passed, question.Position, goodDays);
    }

    /// <summary>The share of planned days that comes to nothing, drawn from what the record leaves open (a Beta distribution).</summary>
    private static double MissesOf(ForecastQuestion question, Random random)
    {
        if (question.Held is not { } days)
            return 0;
        var guess = question.Rules[Missed];
        return MathNet.Numerics.Distributions.Beta.Sample(
            random,
            GuessWeighs * guess + Math.Max(0, days.Planned - days.Held),
            GuessWeighs * (1 - guess) + days.Held
        );
    }

    /// <summary>The sets of each day.</summary>
    private static IEnumerable<List<SetRecord>> Sessions(IReadOnlyList<SetRecord> log) => log.GroupBy(s => s.Day).OrderBy(g => g.Key).Select(g => g.ToList());

    /// <summary>Plays a dog on until it is ready; answers that day, or the greatest number where the horizon comes first.</summary>
    private static int Play(Trainee dog, Calendar calendar, int horizon, Random random, Played? played = null)
    {
        var ready = int.MaxValue;
        for (var day = calendar.From; day <= calendar.From + horizon; day++)
        {
            for (var session = dog.IsReady ? 0 : calendar.SessionsOn(day); session > 0 && day >= dog.NotBefore && !dog.IsReady; session--)
            {
                if (dog.Misses > 0 && random.NextDouble() < dog.Misses)
                    continue;
                var held = dog.Session(day);
                played?.Note(held.At);
                if (held.EndedWorried)
                    break;
            }

            if (dog.IsReady)
            {
                ready = Math.Min(ready, day);
                if (played is null)
                    break;
            }

            played?.Reach(day - calendar.From, dog.PassedSteps);
        }

        return ready;
    }

    private static List<WayOut> WaysOut(ForecastQuestion question, IReadOnlyList<Trainee> dogs, double chance, int seed)
    {
        var by = question.By!.Value;
        double Chance(ForecastQuestion changed)
        {
            var course = new Curriculum(changed.Plan, changed.ReadyAt, changed.Rules);
            var calendar = new Calendar(changed.Days, changed.SessionsPerDay, changed.From);
            var horizon = changed.By!.Value.DayNumber - calendar.From;
            var ready = 0;
            Parallel.For(
                0,
                dogs.Count,
                i =>
                {
                    var own = new Random(seed ^ i);
                    var dog = dogs[i].On(course, own);
                    if (dog.IsReady || (horizon >= 0 && Play(dog, calendar, horizon, own) != int.MaxValue))
                        Interlocked.Increment(ref ready);
                }
            );
            return ready / (double)dogs.Count;
        }

        List<WayOut> ways = [];
        if (question.Days.Count is > 0 and < 6)
            ways.Add(new(WayOutKind.AnotherDay, Chance(question with { Days = [.. question.Days, Another(question.Days)] })));
        if (question.SessionsPerDay == 1)
            ways.Add(new(WayOutKind.TwiceADay, Chance(question with { SessionsPerDay = 2 })));
        foreach (var goal in ShorterGoals(question))
            ways.Add(new(WayOutKind.ShorterGoal, Chance(question with { ReadyAt = goal }), goal));
        ways.Add(new(WayOutKind.MoveIt, Chance(question with { By = by.AddDays(14) }), By: by.AddDays(14)));
        // What does not help is no way out.
        ways = [.. ways.Where(w => w.ChanceBy > chance + 0.02).OrderByDescending(w => w.ChanceBy)];
        if (question.Purposes.Contains(Purpose.Clinic))
        {
            ways.Add(new(WayOutKind.HappyVisit, null));
            ways.Add(new(WayOutKind.AskAboutMedication, null));
            if (question.MayWearSleeve)
                ways.Add(new(WayOutKind.SleeveByStaff, null));
        }

        return ways;
    }

    /// <summary>Goals short of the one asked for that would do for something: held in the nose, worn for a moment.</summary>
    private static IEnumerable<string> ShorterGoals(ForecastQuestion question)
    {
        var steps = question.Plan.Steps();
        var end = question.ReadyAt is { } id ? steps.TakeWhile(s => s.Id != id).Count() : steps.Count;
        return new[] { Stage.Hold, Stage.FirstFastening, Stage.WearingStill }
            .Select(stage => steps.Take(end).LastOrDefault(s => s.Stage == stage)?.Id)
            .OfType<string>();
    }

    /// <summary>The day of the week farthest from those there are.</summary>
    private static DayOfWeek Another(IReadOnlyList<DayOfWeek> days) =>
        Enum.GetValues<DayOfWeek>()
            .Where(d => !days.Contains(d))
            .MaxBy(d => days.Min(other => Math.Min(((int)d - (int)other + 7) % 7, ((int)other - (int)d + 7) % 7)));

    /// <summary>The share of dogs ready by a day, 0 where none were played.</summary>
    internal static double Share(IReadOnlyList<int> ready, int by) => ready.Count(d => d <= by) / (double)Math.Max(1, ready.Count);

    private static DateOnly? At(int[] ordered, double share) =>
        ordered[Math.Max(0, (int)Math.Ceiling(share * ordered.Length) - 1)] is var day and < int.MaxValue ? DateOnly.FromDayNumber(day) : null;

    /// <summary>Which days have how many sessions.</summary>
    private sealed class Calendar(IReadOnlyList<DayOfWeek> days, int sessionsPerDay, DateOnly from)
    {
        private readonly int[] sessions = [.. Enum.GetValues<DayOfWeek>().Select(d => days.Contains(d) ? sessionsPerDay : 0)];

        public int From { get; } = from.DayNumber;

        /// <summary>1 January of the year 1, day 0, was a Monday.</summary>
        public int SessionsOn(int day) => sessions[(day + 1) % 7];
    }

    /// <summary>What is kept of many dogs while they are played.</summary>
    private sealed class Played(int steps)
    {
        private readonly int[] begun = new int[steps];

        /// <summary>How many dogs have passed so many steps at the end of a day.</summary>
        private readonly int[,] passed = new int[Horizon + 1, steps + 1];

        public void Note(int step) => begun[step]++;

        /// <summary>Adds what was kept of other dogs.</summary>
        public void Add(Played other)
        {
            lock (begun)
            {
                for (var i = 0; i < begun.Length; i++)
                    begun[i] += other.begun[i];
                for (var day = 0; day < passed.GetLength(0); day++)
                {
                    for (var i = 0; i < passed.GetLength(1); i++)
                        passed[day, i] += other.passed[day, i];
                }
            }
        }

        public void Reach(int day, int steps) => passed[day, steps]++;

        public IReadOnlyList<HoldUp> HoldsUp(IReadOnlyList<Step> plan, int dogs) =>
            [
                .. begun
                    .Index()
                    .Where(b => b.Item > 0)
                    .OrderByDescending(b => b.Item)
                    .Take(MostHoldUps)
                    .Select(b => new HoldUp(plan[b.Index].Id, Math.Round(b.Item / (double)dogs, 1))),
            ];

        /// <summary>Until nine in ten are ready, or half a year.</summary>
        public List<FanDay> Fan(DateOnly from, int[] ready)
        {
            var end = ready[Math.Max(0, (int)Math.Ceiling(0.9 * ready.Length) - 1)];
            var days = Math.Min(end == int.MaxValue ? HalfAYear : end - from.DayNumber + 1, Horizon);
            return [.. Enumerable.Range(0, days).Select(day => new FanDay(from.AddDays(day), Of(day, 0.1), Of(day, 0.5), Of(day, 0.9)))];

            // The steps that a dog so far from the slowest has passed.
            int Of(int day, double share)
            {
                var (dogs, count) = ((int)(share * (ready.Length - 1)), 0);
                while ((dogs -= passed[day, count]) >= 0)
                    count++;
                return count;
            }
        }
    }
}
