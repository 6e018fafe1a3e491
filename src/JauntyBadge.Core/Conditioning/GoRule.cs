using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>How a set is decided: two presets, both in use.</summary>
public enum GoRule
{
    /// <summary>The set ends as soon as it is clear (House, the default).</summary>
    AsSoonAsClear,

    /// <summary>Ten goes, eight of them right, on two days for every step (Practice).</summary>
    SteadyTens,
}

/// <summary>Where a set stands before its first go.</summary>
/// <param name="Rule">How it is decided.</param>
/// <param name="Temperament">The dog's, which says how unsure signs are heeded.</param>
/// <param name="Target">The target, 0 the first; −1 to −3 the easier rungs below it.</param>
/// <param name="TopTarget">The step's last target, 0 or more.</param>
/// <param name="IsGate">The step is the gate of its stage.</param>
/// <param name="GoodDaysBefore">Earlier days on which the top target went well.</param>
/// <param name="BacksBefore">Times it went back in this session already.</param>
public sealed record SetStart(GoRule Rule, Temperament Temperament, int Target, int TopTarget, bool IsGate, int GoodDaysBefore = 0, int BacksBefore = 0)
{
    /// <summary>The easiest rung below a step's first target.</summary>
    public const int EasiestRung = -3;

    /// <summary>How the target is worked at.</summary>
    public StepKind Kind { get; init; } = StepKind.Repeat;

    /// <summary>How many in a row it asks for, 1 or more, where its kind is a count.</summary>
    public int Count { get; init; } = GoRules.MostGoes;

    /// <summary>Goes at this target in earlier sessions that went well and at ease, with none missed since: they count for an event.</summary>
    public int GoodGoesBefore { get; init; }

    /// <summary>The set before at this target ended unsure.</summary>
    public bool UnsureBefore { get; init; }

    /// <summary>
    /// A miss is heeded before the count is clear: it goes back as soon as the goes lean to "not yet", and at any miss where they are counted. For wary and soured dogs
    /// (House: half as often over threshold on virtual dogs of five models, docs/policy-trial.md; the pad has it so).
    /// </summary>
    public bool HeedsMisses { get; init; }

    /// <summary>By which rules it is decided.</summary>
    public Edition Edition { get; init; } = Edition.Kinds;

    /// <summary>Such a dog is heeded at its first unsure sign.</summary>
    public bool IsFearful => Temperament.IsFearful();

    /// <summary>Goes after which a set is full.</summary>
    public int MostGoes =>
        Kind switch
        {
            StepKind.Count => GoRules.MostGoesFor(Count),
            StepKind.Once => IsFearful ? 1 : GoRules.MostEvents,
            _ => GoRules.MostGoes,
        };
}

/// <summary>A sign seen in a set.</summary>
/// <param name="AfterGo">How many goes were done when it was seen, 0 or more.</param>
/// <param name="Group">How it reads.</param>
public readonly record struct SeenAt(int AfterGo, SignGroup Group);

/// <summary>What decided a set.</summary>
public enum DecidedBy
{
    /// <summary>Nothing yet.</summary>
    Open,

    /// <summary>The count was clear, or the set was full.</summary>
    Count,

    /// <summary>It was unsure.</summary>
    Unsure,
    Worried,
    OverThreshold,

    /// <summary>The top target of a gate went well for the first time: another day is needed.</summary>
    AnotherDay,

    /// <summary>The count says more, and its holds how much more.</summary>
    Held,
}

/// <summary>What the rule makes of a set, in codes and numbers; the words for it stand in <see cref="ConditioningWords"/>.</summary>
/// <param name="Kind">What to do.</param>
/// <param name="DecidedAfter">The go after which it was clear; later ones were not looked at. Null while it goes on.</param>
/// <param name="By">What decided.</param>
/// <param name="NextTarget">The next target of this step, or of the one begun next after going over threshold; null when the step is passed, or the one before it is gone back to.</param>
/// <param name="EndSession">The session ends here, with an easy go where it ends on a step back.</param>
/// <param name="StepsBack">Steps to go back, 0 for none; one where it could not go on at the easiest rung, to that step's middle.</param>
/// <param name="NotBeforeDays">Days before the next session, 0 for any time.</param>
/// <param name="StartsAt">Where the step begun next starts: 0, or a rung below for a fearful dog; null where no step is begun.</param>
/// <param name="Goes">Goes looked at.</param>
/// <param name="Good">Of them succeeded.</param>
/// <param name="Evidence">For "ready" against "not yet", the logarithm of a ratio.</param>
/// <param name="SettlesRight">So many more right in a row would settle it; null once it is settled.</param>
/// <param name="SettlesMissed">So many more missed in a row would.</param>
public sealed record SetDecision(
    DecisionKind Kind,
    int? DecidedAfter,
    DecidedBy By,
    int? NextTarget,
    bool EndSession,
    int StepsBack,
    int NotBeforeDays,
    int? StartsAt,
    int Goes,
    int Good,
    double Evidence,
    int? SettlesRight,
    int? SettlesMissed
)
{
    /// <summary>The hold to ask for next, where it lies between two targets; null for the next target's own.</summary>
    public TimeSpan? NextAsked { get; init; }

    /// <summary>It did not go on to something harder, so that the session it ends ends with an easy go; after going over threshold it is over.</summary>
    internal bool EndsWithEasyGo => EndSession && Kind is (DecisionKind.Back or DecisionKind.Same);

    /// <summary>What to ask for next in this step, where it stays at it.</summary>
    internal Criterion AsksNext() => new(NextTarget!.Value, NextAsked);

    /// <summary>What the dog's holds bear, where they decided; null elsewhere.</summary>
    public TimeSpan? Borne { get; init; }

    /// <summary>How many went well in a row, a miss halving them, where they are counted; null elsewhere.</summary>
    public int? InARow { get; init; }

    /// <summary>It was an event, not a drill.</summary>
    public bool IsOfEvent { get; init; }
}

/// <summary>Decides a set, go by go and sign by sign. Pure: the same goes, signs and numbers decide the same.</summary>
public static class GoRules
{
    /// <summary>Most goes in a set.</summary>
    public const int MostGoes = 10;

    /// <summary>Most goes at an event in one session (House).</summary>
    public const int MostEvents = 3;

    public static readonly Grounded<double> ReadyShare = new(
        "train.ready-share",
        "Share of goes that succeed of a dog ready for more",
        0.85,
        Basis.House("better than eight of ten, so that eight of ten still raises")
    )
    {
        Least = 0.75,
        Most = 0.95,
    };
    public static readonly Grounded<double> NotYetShare = new("train.not-yet-share", "The same of a dog that is not", 0.5, Basis.House("a coin tossed"))
    {
        Least = 0.3,
        Most = 0.65,
    };
    public static readonly Grounded<double> Wrong = new(
        "train.wrong",
        "Share of dogs told wrongly either way",
        0.1,
        Basis.House("one in ten; the next set mends it")
    )
    {
        Least = 0.05,
        Most = 0.2,
    };
    public static readonly Grounded<int> EnoughOfTen = new(
        "train.enough-of-ten",
        "Right of ten goes that raise where it was not clear before",
        8,
        Basis.Practice("eight of ten")
    )
    {
        Least = 7,
        Most = 10,
    };
    public static readonly Grounded<double> PoorOfTen = new(
        "train.poor-of-ten",
        "Steady tens: share of goes under which it goes back",
        0.5,
        Basis.Practice("half of the goes")
    );
    public static readonly Grounded<int> GateDays = new(
        "train.gate-days",
        "Days on which a gate's top target must go well",
        2,
        Basis.House("one good day may be luck")
    )
    {
        Least = 2,
        Most = 4,
    };
    public static readonly Grounded<int> BacksFearful = new(
        "train.backs-fearful",
        "Steps back after which a fearful dog's session ends",
        1,
        Basis.House("it has said enough")
    )
    {
        SetElsewhere = "One and no more.",
    };
    public static readonly Grounded<int> Backs = new(
        "train.backs",
        "Steps back after which any other dog's session ends",
        2,
        Basis.House("twice is enough for a day")
    )
    {
        Most = 3,
    };
    public static readonly Grounded<int> RestDays = new(
        "train.rest-days",
        "Days without a session after going over threshold",
        1,
        Basis.Practice("not before tomorrow")
    )
    {
        Most = 7,
    };
    public static readonly Grounded<int> RestDaysFearful = new(
        "train.rest-days-fearful",
        "The same for a fearful dog",
        2,
        Basis.House("not before the day after")
    )
    {
        Least = 2,
        Most = 14,
    };
    public static readonly Grounded<int> StepsBack = new(
        "train.steps-back",
        "Steps back after a dog went over threshold",
        2,
        Basis.Practice("two steps back, another day")
    );
    public static readonly Grounded<int> BeginsBelow = new(
        "train.begins-below",
        "Rungs below its first target at which a fearful dog begins a step",
        2,
        Basis.House("something new begins where it cannot go wrong")
    )
    {
        Most = 3,
    };

    public static readonly Grounded<int> OnceGoes = new(
        "train.once-goes",
        "Goes, each at ease, after which a bold or typical dog goes on from an event",
        2,
        Basis.House("once may be luck, more is a drill")
    )
    {
        Most = 3,
    };
    public static readonly Grounded<int> OnceDays = new(
        "train.once-days",
        "Days, one go on each, after which a fearful dog goes on from an event",
        2,
        Basis.House("what frightens is met once a day")
    )
    {
        Least = 2,
        Most = 4,
    };

    public static IReadOnlyList<IGrounded> All { get; } =
    [
        OnceGoes,
        OnceDays,
        ReadyShare,
        NotYetShare,
        Wrong,
        EnoughOfTen,
        PoorOfTen,
        GateDays,
        BacksFearful,
        Backs,
        RestDays,
        RestDaysFearful,
        StepsBack,
        BeginsBelow,
    ];

    /// <summary>Goes after which a set that counts so many in a row is full: twice as many, ten at least (House).</summary>
    public static int MostGoesFor(int count) => Math.Max(MostGoes, 2 * count);

    /// <summary>Where a step is begun by a dog: at its first target, or below it.</summary>
    public static int BeginsAt(Temperament temperament, GoRule rule, HouseRules rules) =>
        rule == GoRule.AsSoonAsClear && temperament.IsFearful() ? -rules[BeginsBelow] : 0;

    /// <summary>Days without a session after going over threshold, the day itself included.</summary>
    public static int RestDaysFor(Temperament temperament, GoRule rule, HouseRules rules) =>
        rules[rule == GoRule.AsSoonAsClear && temperament.IsFearful() ? RestDaysFearful : RestDays];

    /// <summary>The signs that settle a set by themselves, however its goes went: so that a device knows it while the server is away.</summary>
    public static IReadOnlyList<SignGroup> SettledBy(Temperament temperament, GoRule rule) =>
        [.. Enum.GetValues<SignGroup>().Where(g => SettlesAlone(g, temperament, rule))];

    private static bool SettlesAlone(SignGroup group, Temperament temperament, GoRule rule) =>
        group >= SignGroup.Worried || (group == SignGroup.Unsure && rule == GoRule.AsSoonAsClear && temperament.IsFearful());

    /// <summary>Decides.</summary>
    /// <param name="start">Where the set stood before its first go.</param>
    /// <param name="goes">The goes in order, right or missed.</param>
    /// <param name="signs">The signs, each with how many goes were done when it was seen.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static SetDecision Decide(SetStart start, IReadOnlyList<bool> goes, IReadOnlyList<SeenAt> signs, HouseRules rules)
    {
        var test = Test(rules);
        var (count, worst) = (default(Tally), SignGroup.AtEase);
        for (var done = 0; ; done++)
        {
            count = done > 0 ? count.With(goes[done - 1]) : count;
            foreach (var sign in signs)
            {
                if (sign.AfterGo == done || (done == goes.Count && sign.AfterGo > done))
                    worst = sign.Group > worst ? sign.Group : worst;
            }

            var at = new Stand(start, count, worst, test, rules);
            if (at.Decided() is { } decision)
                return SeenLater(at) ?? decision;
            if (done == goes.Count)
                return at.GoOn();
        }

        // Goes may run on past where it was clear, in a dead spot; what the dog shows then is never passed over.
        SetDecision? SeenLater(Stand clear)
        {
            var from = clear.Count.Done;
            var heeded = start.Edition == Edition.First ? SignGroup.Worried : SignGroup.Unsure;
            var (group, after) = (clear.Worst, 0);
            foreach (var sign in signs)
            {
                if (sign.AfterGo > from && sign.Group >= heeded && (sign.Group > group || (sign.Group == group && group > clear.Worst && sign.AfterGo < after)))
                    (group, after) = (sign.Group, Math.Min(sign.AfterGo, Math.Min(goes.Count, start.MostGoes)));
            }

            if (group == clear.Worst)
                return null;
            // One that settles by itself is decided where it was seen; any other is laid to the count that was clear.
            return SettlesAlone(group, start.Temperament, start.Rule)
                ? new Stand(start, goes.Take(after).Aggregate(default(Tally), (so, good) => so.With(good)), group, test, rules).Decided()
                : (clear with { Worst = group }).Decided();
        }
    }

    /// <summary>The test by the numbers that hold.</summary>
    internal static SequentialTest Test(HouseRules rules) => new(rules[ReadyShare], rules[NotYetShare], rules[Wrong]);

    /// <summary>A set that is being played, go by go: the same decisions as <see cref="Decide"/>, without looking back.</summary>
    internal struct SetInPlay(SetStart start, SequentialTest test, HouseRules rules)
    {
        private Tally count;
        private SignGroup worst;

        /// <summary>The decision once the set is clear; null while it goes on.</summary>
        public SetDecision? After(bool succeeded, SignGroup sign)
        {
            count = count.With(succeeded);
            worst = sign > worst ? sign : worst;
            return new Stand(start, count, worst, test, rules).Decided();
        }
    }

    /// <summary>Goes counted.</summary>
    /// <param name="Done">All of them.</param>
    /// <param name="Good">Those that went well.</param>
    /// <param name="Row">How many in a row, where a miss halves what was reached.</param>
    private readonly record struct Tally(int Done, int Good, int Row)
    {
        public Tally With(bool good) => new(Done + 1, Good + (good ? 1 : 0), good ? Row + 1 : Row / 2);
    }

    /// <summary>A set as it stands after some goes.</summary>
    private readonly record struct Stand(SetStart Start, Tally Count, SignGroup Worst, SequentialTest Test, HouseRules Rules)
    {
        private int Done => Count.Done;

        private int Good => Count.Good;

        public SetDecision? Decided()
        {
            if (Worst == SignGroup.OverThreshold)
                return OverThreshold();
            // An event is none the less one.
            return Start.Rule == GoRule.SteadyTens && Start.Kind != StepKind.Once ? ByTens() : AsSoonAsClear();
        }

        public SetDecision GoOn() =>
            new(
                DecisionKind.GoOn,
                null,
                DecidedBy.Open,
                Start.Target,
                false,
                0,
                0,
                null,
                Done,
                Good,
                Test.Evidence(Done, Good),
                Settles(right: true),
                Settles(right: false)
            )
            {
                IsOfEvent = Start.Kind == StepKind.Once,
                InARow = Start.Kind == StepKind.Count ? Row : null,
            };

        private SetDecision? AsSoonAsClear()
        {
            if (SettlesAlone(Worst, Start.Temperament, Start.Rule))
                return Back(Worst == SignGroup.Worried ? DecidedBy.Worried : DecidedBy.Unsure, endSession: true);
            var clarity = Start.Kind switch
            {
                StepKind.Once => OfEvent(),
                _ when Start.HeedsMisses && Good < Done && (Start.Kind == StepKind.Count || Test.Evidence(Done, Good) < 0) => Clarity.NotYet,
                StepKind.Count => Row >= Start.Count ? Clarity.Ready
                : Test.Of(Done, Good) is Clarity.NotYet ? Clarity.NotYet
                : Clarity.NotClear,
                _ => Test.Of(Done, Good),
            };
            var isFull = Done >= Start.MostGoes;
            if (clarity == Clarity.NotClear && !isFull && !(Start.Kind == StepKind.Once && Worst == SignGroup.Unsure && Done > 0))
                return null;

            // The chapter says the same again whatever the count; on virtual dogs of six models a clear no heeded at once did better in each (docs/policy-trial.md).
            if (Worst == SignGroup.Unsure)
                return clarity == Clarity.NotYet || (Start.UnsureBefore && Start.Edition != Edition.First)
                    ? Back(DecidedBy.Unsure, endSession: Start.BacksBefore + 1 >= Rules[Backs])
                    : Same(DecidedBy.Unsure, endSession: Start.Kind == StepKind.Once);
            return clarity switch
            {
                Clarity.Ready => WentWell(everyStepIsAGate: false),
                Clarity.NotYet => Back(DecidedBy.Count, endSession: Start.BacksBefore + 1 >= Rules[Start.IsFearful ? BacksFearful : Backs]),
                _ when Start.Kind is StepKind.Repeat or StepKind.Hold && Good >= Rules[EnoughOfTen] => WentWell(everyStepIsAGate: false),
                _ when Start.Kind == StepKind.Once && Good > 0 => Same(DecidedBy.AnotherDay, endSession: true),
                _ => Same(DecidedBy.Count),
            };
        }

        /// <summary>How many in a row, where the target counts.</summary>
        private int Row => Count.Row;

        /// <summary>An event: one miss is a no. A fearful dog meets it once a session, and goes on after so many days; any other after so many goes.</summary>
        private Clarity OfEvent() =>
            Good < Done ? Clarity.NotYet
            : Done == 0 ? Clarity.NotClear
            : Start.IsFearful ? (Start.GoodDaysBefore + 1 >= Rules[OnceDays] ? Clarity.Ready : Clarity.NotClear)
            : Good + Start.GoodGoesBefore >= Rules[OnceGoes] ? Clarity.Ready
            : Clarity.NotClear;

        private SetDecision? ByTens()
        {
            if (SettlesAlone(Worst, Start.Temperament, Start.Rule))
                return Back(DecidedBy.Worried, endSession: false);
            if (Done < MostGoes)
                return null;
            if (Good < Rules[PoorOfTen] * MostGoes)
                return Back(DecidedBy.Count, endSession: false);
            if (Worst == SignGroup.Unsure)
                return Same(DecidedBy.Unsure);
            return Good >= Rules[EnoughOfTen] ? WentWell(everyStepIsAGate: true) : Same(DecidedBy.Count);
        }

        private SetDecision OverThreshold() =>
            Settled(DecisionKind.EndNow, DecidedBy.OverThreshold, Begins, endSession: true) with
            {
                StepsBack = Rules[GoRules.StepsBack],
                NotBeforeDays = RestDaysFor(Start.Temperament, Start.Rule, Rules),
                StartsAt = Begins,
            };

        private SetDecision WentWell(bool everyStepIsAGate)
        {
            // After an event it is enough for the day, whatever comes next.
            var isEvent = Start.Kind == StepKind.Once;
            if (Start.Target < Start.TopTarget)
                return Settled(DecisionKind.Raise, DecidedBy.Count, Start.Target + 1, isEvent);
            return (Start.IsGate || everyStepIsAGate) && Start.GoodDaysBefore + 1 < Rules[GateDays]
                ? Settled(DecisionKind.Same, DecidedBy.AnotherDay, Start.Target, endSession: true)
                : Settled(DecisionKind.Passed, DecidedBy.Count, null, isEvent) with
                {
                    StartsAt = Begins,
                };
        }

        private SetDecision Back(DecidedBy by, bool endSession)
        {
            var easiest = Start.Rule == GoRule.SteadyTens ? Math.Min(0, Start.Target) : SetStart.EasiestRung;
            if (Start is { Rule: GoRule.AsSoonAsClear, Target: <= SetStart.EasiestRung, Edition: not Edition.First })
                return Settled(DecisionKind.Back, by, null, endSession: true) with { StepsBack = 1 };
            return Settled(DecisionKind.Back, by, Math.Max(easiest, Start.Target - 1), endSession);
        }

        private SetDecision Same(DecidedBy by, bool endSession = false) => Settled(DecisionKind.Same, by, Start.Target, endSession);

        private SetDecision Settled(DecisionKind kind, DecidedBy by, int? nextTarget, bool endSession) =>
            new(kind, Done, by, nextTarget, endSession, 0, 0, null, Done, Good, Test.Evidence(Done, Good), null, null)
            {
                IsOfEvent = Start.Kind == StepKind.Once,
                InARow = Start.Kind == StepKind.Count ? Row : null,
            };

        private int Begins => BeginsAt(Start.Temperament, Start.Rule, Rules);

        /// <summary>How many more in a row, right or missed, until the set is decided.</summary>
        private int Settles(bool right)
        {
            var then = this;
            for (var more = 1; ; more++)
            {
                then = then with { Count = then.Count.With(right) };
                if (then.Decided() is not null)
                    return more;
            }
        }
    }
}
