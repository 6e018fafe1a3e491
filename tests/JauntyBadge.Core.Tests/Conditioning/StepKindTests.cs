using FsCheck.Xunit;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>Counts in a row and events (House: no source outside the project), and what a session ends with.</summary>
public class StepKindTests
{
    private static readonly HouseRules Rules = HouseRules.Ours;
    private static readonly DateOnly Day = new(2026, 6, 1);

    private static SetDecision Decide(string goes, SetStart start, params SeenAt[] signs) =>
        GoRules.Decide(start, [.. goes.Select(g => g == '+')], signs, Rules);

    private static SetStart Start(StepKind kind, Temperament temperament = Temperament.Typical, int count = 10, bool gate = false, int target = 0) =>
        new(GoRule.AsSoonAsClear, temperament, target, 2, gate) { Kind = kind, Count = count };

    /// <summary>"Ten times" is ten in a row; a miss halves what was reached; a clear no goes back as ever.</summary>
    [Theory]
    [InlineData("+++++", DecisionKind.GoOn)]
    [InlineData("+++++++++", DecisionKind.GoOn)]
    [InlineData("++++++++++", DecisionKind.Raise)]
    [InlineData("++++++++-++++++", DecisionKind.Raise)]
    [InlineData("++++++++-+++++", DecisionKind.GoOn)]
    [InlineData("--", DecisionKind.Back)]
    [InlineData("+++-+++-++++-+++-+++", DecisionKind.Same)]
    public void A_count_is_so_many_in_a_row(string goes, DecisionKind kind) => Assert.Equal(kind, Decide(goes, Start(StepKind.Count)).Kind);

    [Fact]
    public void A_count_says_how_many_it_has_in_a_row_and_what_would_settle_it()
    {
        var open = Decide("++++++++-+", Start(StepKind.Count));
        Assert.Equal((5, 5), (open.InARow!.Value, open.SettlesRight!.Value));
        Assert.Null(Decide("+++", Start(StepKind.Repeat)).InARow);
        Assert.Equal((20, 10, 10), (GoRules.MostGoesFor(10), GoRules.MostGoesFor(3), Start(StepKind.Repeat).MostGoes));
    }

    /// <summary>No target of a count is passed by fewer than it says, whatever happens.</summary>
    [Property(MaxTest = 400)]
    public bool A_count_is_never_passed_by_fewer(uint bits, byte count, byte temperament)
    {
        var wanted = 1 + count % 12;
        var goes = Enumerable.Range(0, 28).Select(i => (bits >> i & 1) == 1).ToList();
        var made = GoRules.Decide(Start(StepKind.Count, (Temperament)(temperament % 4), wanted, target: 1), goes, [], Rules);
        return made.Kind != DecisionKind.Raise || (made.Good >= wanted && made.Goes <= GoRules.MostGoesFor(wanted));
    }

    /// <summary>An event: two goes at ease for a bold dog, one a day on two days for a fearful one; a miss is a no; and then it is enough for today.</summary>
    [Theory]
    [InlineData(Temperament.Bold, "+", 0, 0, DecisionKind.GoOn, false)]
    [InlineData(Temperament.Bold, "++", 0, 0, DecisionKind.Raise, true)]
    [InlineData(Temperament.Bold, "+", 1, 1, DecisionKind.Raise, true)]
    [InlineData(Temperament.Bold, "-", 0, 0, DecisionKind.Back, false)]
    [InlineData(Temperament.Bold, "+-", 0, 0, DecisionKind.Back, false)]
    [InlineData(Temperament.Wary, "+", 0, 0, DecisionKind.Same, true)]
    [InlineData(Temperament.Wary, "+", 3, 0, DecisionKind.Same, true)]
    [InlineData(Temperament.Wary, "+", 1, 1, DecisionKind.Raise, true)]
    [InlineData(Temperament.Soured, "-", 0, 1, DecisionKind.Back, true)]
    public void An_event_is_no_drill(Temperament temperament, string goes, int goodGoes, int goodDays, DecisionKind kind, bool ends)
    {
        var made = Decide(goes, Start(StepKind.Once, temperament) with { GoodGoesBefore = goodGoes, GoodDaysBefore = goodDays });
        Assert.Equal((kind, ends), (made.Kind, made.EndSession));
        Assert.True(made.IsOfEvent);
    }

    [Fact]
    public void An_event_that_made_it_unsure_is_for_another_day()
    {
        var made = Decide("+", Start(StepKind.Once), new SeenAt(1, SignGroup.Unsure));
        Assert.Equal((DecisionKind.Same, true), (made.Kind, made.EndSession));
        Assert.EndsWith("so the same again, another day.", Words.Conditioning.ByNumber(made, Start(StepKind.Once)), StringComparison.Ordinal);
        // Steady tens know an event too.
        Assert.Equal(DecisionKind.Raise, Decide("++", Start(StepKind.Once) with { Rule = GoRule.SteadyTens }).Kind);
    }

    /// <summary>Never more than three goes at an event in a session, whoever the dog is and however it goes.</summary>
    [Property(MaxTest = 300)]
    public bool An_event_never_takes_more_than_three_goes(byte bits, byte temperament, byte before, (byte After, byte Group)[] seen)
    {
        var start = Start(StepKind.Once, (Temperament)(temperament % 4)) with { GoodGoesBefore = before % 3, GoodDaysBefore = before % 2 };
        var signs = seen.Where(s => s.After % 8 > 0).Select(s => new SeenAt(s.After % 8, (SignGroup)(s.Group % 4))).ToList();
        var made = GoRules.Decide(start, [.. Enumerable.Range(0, 6).Select(i => (bits >> i & 1) == 1)], signs, Rules);
        return made.Kind != DecisionKind.GoOn && made.Goes <= (start.IsFearful ? 1 : GoRules.MostEvents);
    }

    /// <summary>Unsure the second time running is one easier; the first time the same again.</summary>
    [Fact]
    public void Unsure_twice_running_is_one_easier()
    {
        var unsure = new SeenAt(3, SignGroup.Unsure);
        Assert.Equal(DecisionKind.Same, Decide("+++++", Start(StepKind.Repeat, target: 1), unsure).Kind);
        var again = Decide("+++++", Start(StepKind.Repeat, target: 1) with { UnsureBefore = true }, unsure);
        Assert.Equal((DecisionKind.Back, 0), (again.Kind, again.NextTarget!.Value));
    }

    /// <summary>A wary or soured dog goes back as soon as the goes lean to "not yet": a miss before three were right.</summary>
    [Theory]
    [InlineData("-", true)]
    [InlineData("+-", true)]
    [InlineData("++-", true)]
    [InlineData("+++-", false)]
    [InlineData("+++--", true)]
    public void An_early_miss_of_a_fearful_dog_is_heeded(string goes, bool back)
    {
        var made = Decide(goes, Start(StepKind.Hold, Temperament.Wary, target: 1) with { HeedsMisses = true });
        Assert.Equal(back ? DecisionKind.Back : DecisionKind.GoOn, made.Kind);
        Assert.Equal(DecisionKind.Back, Decide("+++++-", Start(StepKind.Count, Temperament.Wary, 9) with { HeedsMisses = true }).Kind);
    }

    private static readonly SessionPlan Wary = TrainingPlan
        .For(
            new DogProfile
            {
                Name = "Any",
                Temperament = Temperament.Wary,
                Purposes = [Purpose.Walks],
            }
        )
        .ForSession(Temperament.Wary, GoRule.AsSoonAsClear);

    private static SetRecord Closed(int day, double hour, bool good = true) =>
        new("first-close", 0, Day.AddDays(day), [good], []) { At = Day.AddDays(day).ToDateTime(TimeOnly.MinValue).AddHours(hour) };

    private static DecisionKind After(SetRecord set, params SetRecord[] earlier) =>
        Progression.AfterSet(Wary, set, new HashSet<string>(), earlier, (TimeSpan.Zero, 1, 0), Rules).Kind;

    /// <summary>Ten to midnight and ten past are one day to a dog; eight hours just do.</summary>
    [Fact]
    public void Two_days_are_eight_hours_apart()
    {
        Assert.Equal(DecisionKind.Same, After(Closed(1, 0.2), Closed(0, 23.8)));
        Assert.Equal(DecisionKind.Same, After(Closed(1, 6.9), Closed(0, 23)));
        Assert.Equal(DecisionKind.Passed, After(Closed(1, 7), Closed(0, 23)));
        // Of a record that has no hours the day counts.
        Assert.Equal(DecisionKind.Passed, After(Closed(1, 1) with { At = null }, Closed(0, 23) with { At = null }));
        // An event that went wrong in between begins again.
        Assert.Equal(DecisionKind.Same, After(Closed(3, 9), Closed(0, 9), Closed(1, 9, good: false)));
    }

    /// <summary>At the easiest rung and still no: the step before, from its middle, and the session ends; at the first step another day.</summary>
    [Fact]
    public void At_the_easiest_rung_the_step_before_is_gone_back_to()
    {
        var set = new SetRecord("hold-short", SetStart.EasiestRung, Day, [false, false], []);
        var decision = Progression.AfterSet(Wary, set, new HashSet<string>(), 0, (TimeSpan.Zero, 2, 0), Rules);
        Assert.Equal((DecisionKind.Back, true), (decision.Kind, decision.EndSession));
        Assert.Equal(new PlanPosition("nose-all-in", 1), decision.Next);
        var says = Words.Conditioning.Reason(decision.Facts);
        Assert.Contains("Next time \"All the way in\", from its middle, and another place, another object or another day.", says, StringComparison.Ordinal);
        Assert.DoesNotContain("enough for today", says, StringComparison.Ordinal);
        var first = Progression.AfterSet(Wary, set with { StepId = "rank-treats" }, new HashSet<string>(), 0, (TimeSpan.FromHours(1), 40, 0), Rules);
        Assert.Equal(new PlanPosition("rank-treats", SetStart.EasiestRung, Day.AddDays(1)), first.Next! with { StepId = "rank-treats" });
    }

    /// <summary>"Two steps back" names as many as there are.</summary>
    [Fact]
    public void Steps_back_are_as_many_as_there_are()
    {
        string Says(string step) =>
            Words.Conditioning.Reason(
                Progression
                    .AfterSet(
                        Wary,
                        new SetRecord(step, 0, Day, [false], [new SeenAt(1, SignGroup.OverThreshold)]),
                        new HashSet<string>(),
                        0,
                        (TimeSpan.Zero, 1, 0),
                        Rules
                    )
                    .Facts
            );
        Assert.Contains("Next time two steps back", Says("settle-place"), StringComparison.Ordinal);
        Assert.Contains("Next time one step back, at \"Rank the treats\"", Says("charge-marker"), StringComparison.Ordinal);
        Assert.Contains("Next time from the start of it again", Says("rank-treats"), StringComparison.Ordinal);
    }

    /// <summary>What ends a session: one easy go, well below, but never after going over threshold, and not where it ended well.</summary>
    [Fact]
    public void A_session_ends_with_one_easy_go_well_below()
    {
        int? After(string goes, int target, SignGroup? sign = null, int all = 5, string step = "hold-short") =>
            Progression.EasyGoAfter(
                Progression
                    .AfterSet(
                        Wary,
                        new SetRecord(step, target, Day, [.. goes.Select(g => g == '+')], sign is { } s ? [new SeenAt(goes.Length, s)] : []),
                        new HashSet<string>(),
                        0,
                        (TimeSpan.Zero, all, 0),
                        Rules
                    )
                    .Facts
            );
        Assert.Equal(0, After("--", 2));
        Assert.Equal(-2, After("+", 0, SignGroup.Worried));
        Assert.Equal(-3, After("--", -3));
        Assert.Null(After("+", 0, SignGroup.OverThreshold));
        Assert.Null(After("+++++", 0, all: 30));
        // Thirty goes reached on a miss end with one too.
        Assert.Equal(
            -2,
            Progression.EasyGoAfter(
                Progression
                    .AfterSet(
                        Wary with
                        {
                            Temperament = Temperament.Typical,
                        },
                        new SetRecord("hold-short", 0, Day, [true, true, false, true, true, false, true, true, true, false], []),
                        new HashSet<string>(),
                        0,
                        (TimeSpan.Zero, 30, 0),
                        Rules
                    )
                    .Facts
            )
        );
    }

    [Fact]
    public void One_new_place_a_session()
    {
        var bold = Wary with { Temperament = Temperament.Bold };
        var set = new SetRecord("place-home", 0, Day, [true, true, true, true, true], []);
        var decision = Progression.AfterSet(bold, set, new HashSet<string>(), 0, (TimeSpan.Zero, 5, 0), Rules);
        Assert.Equal((DecisionKind.Raise, true, EnoughToday.Place), (decision.Kind, decision.EndSession, decision.Facts.Enough));
        Assert.Contains("One new place a session is enough", Words.Conditioning.Reason(decision.Facts), StringComparison.Ordinal);
        Assert.False(Progression.AfterSet(bold, set with { StepId = "worn-step" }, new HashSet<string>(), 0, (TimeSpan.Zero, 5, 0), Rules).EndSession);
    }

    /// <summary>Each set of an earlier release is decided by the rules it was made by.</summary>
    [Fact]
    public void An_earlier_release_is_decided_by_its_own_rules()
    {
        var first = Wary with { Edition = Edition.First, Temperament = Temperament.Typical };
        SetRecord Set(string step, int target, string goes, params SeenAt[] signs) => new(step, target, Day, [.. goes.Select(g => g == '+')], signs);
        DecisionKind Made(SetRecord set) => Progression.AfterSet(first, set, new HashSet<string>(), 0, (TimeSpan.Zero, 5, 0), Rules).Kind;
        Assert.Equal(DecisionKind.Raise, Made(Set("charge-marker", 0, "+++++")));
        Assert.Equal(DecisionKind.Passed, Made(Set("first-close", 2, "+++++")));
        Assert.Equal(DecisionKind.Raise, Made(Set("first-close", 1, "+++++")));
        Assert.Equal(DecisionKind.Raise, Made(Set("hold-short", 0, "+++++++", new SeenAt(6, SignGroup.Unsure))));
        Assert.Equal(
            Edition.First,
            System.Text.Json.JsonSerializer.Deserialize<SessionPlan>("""{"Rule":0,"Temperament":1,"StepIds":["first-close"]}""")!.Edition
        );
    }
}
