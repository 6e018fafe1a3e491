using FsCheck.Xunit;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>From the decision of a set to where the plan stands (chapter 3).</summary>
public class ProgressionTests
{
    private const string StepId = "hold-short"; // 1, 2, 3, 5 s
    private static readonly HouseRules Rules = HouseRules.Ours;
    private static readonly DateOnly Day = new(2026, 3, 10);
    private static readonly TrainingPlan Plan = TrainingPlan.For(new DogProfile { Name = "Bracken", Purposes = [Purpose.Walks] });
    private static readonly SessionPlan Session = Plan.ForSession(Temperament.Typical, GoRule.AsSoonAsClear);

    private static SetRecord Set(string step, int target, string goes, params SeenAt[] signs) => new(step, target, Day, [.. goes.Select(g => g == '+')], signs);

    private static Decision After(
        SetRecord set,
        IEnumerable<string>? passed = null,
        int goodDays = 0,
        double minutes = 1,
        int goes = 5,
        SessionPlan? plan = null
    ) => Progression.AfterSet(plan ?? Session, set, (passed ?? []).ToHashSet(), goodDays, (TimeSpan.FromMinutes(minutes), goes, 0), Rules);

    private static string At(int steps) => Plan.Steps[Plan.IndexOf(StepId) + steps].Step.Id;

    [Fact]
    public void A_raise_stays_in_the_step()
    {
        var decision = After(Set(StepId, 1, "+++++"));
        Assert.Equal((DecisionKind.Raise, StepId, 2, false), (decision.Kind, decision.Next!.StepId, decision.Next.Target, decision.EndSession));
        Assert.Equal("5 of 5 went well and it was at ease, so on to 3 s.", Words.Conditioning.Reason(decision.Facts));
        Assert.Equal(BasisKind.Published, decision.Basis.Kind);
    }

    private static HeldGo[] Held(string goes, double seconds) => [.. goes.Select(g => new HeldGo(TimeSpan.FromSeconds(seconds), g == '+'))];

    /// <summary>What becomes of a set at 2 s of a dog whose holds are heeded: the target's place, what is asked between two, and the decision.</summary>
    private static (DecisionKind Kind, int Target, double? Asked) AfterHolds(
        string goes,
        IReadOnlyList<HeldGo> holds,
        double? asked = null,
        IReadOnlyList<HeldGo>? before = null,
        SessionPlan? plan = null,
        int target = 1
    )
    {
        var set = Set(StepId, target, goes) with { Holds = holds, Asks = new(target, asked is { } s ? TimeSpan.FromSeconds(s) : null) };
        plan ??= Plan.ForSession(Temperament.Wary, GoRule.AsSoonAsClear);
        var decision = Progression.AfterSet(plan, set, new HashSet<string>(), 0, (TimeSpan.Zero, goes.Length, 0), Rules, before);
        return (decision.Kind, decision.Next!.Target, decision.Next.At.Asked?.TotalSeconds);
    }

    /// <summary>
    /// Eight goes of 2 s, one pulled out of: they bear −ln 0.8 · 16 / 1.5 = 2.38 s, by hand, rounded down to 2 s. Five of 2 s, none: 4.46 s, of which half as much
    /// again is asked, 3 s. The steps are 1, 2, 3 and 5 s.
    /// </summary>
    [Theory]
    [InlineData("+++-++++", 2.0, null, DecisionKind.Same, 1, null)]
    [InlineData("+++++", 2.0, null, DecisionKind.Raise, 2, null)]
    [InlineData("+++-++++", 2.2, null, DecisionKind.Raise, 1, 2.5)]
    [InlineData("+++++", 3.0, 2.5, DecisionKind.Raise, 2, 3.5)]
    [InlineData("+++++", 9.0, 4.5, DecisionKind.Raise, 3, null)]
    [InlineData("--", 1.0, null, DecisionKind.Back, 0, null)]
    [InlineData("--", 1.0, 4.5, DecisionKind.Back, 0, null)]
    public void A_frightened_dogs_hold_follows_from_its_holds(string goes, double held, double? asked, DecisionKind kind, int target, double? next) =>
        Assert.Equal((kind, target, next), AfterHolds(goes, Held(goes, held), asked));

    [Fact]
    public void The_words_say_what_its_holds_bear()
    {
        string Of(string goes, double held, double? asked = null, IReadOnlyList<HeldGo>? before = null)
        {
            var asks = new Criterion(asked > 3 ? 2 : 1, asked is { } s ? TimeSpan.FromSeconds(s) : null);
            var set = Set(StepId, asks.Target, goes) with { Holds = Held(goes, held), Asks = asks };
            var plan = Plan.ForSession(Temperament.Soured, GoRule.AsSoonAsClear);
            var decision = Progression.AfterSet(plan, set, new HashSet<string>(), 0, (TimeSpan.Zero, goes.Length, 0), Rules, before);
            return Words.Conditioning.Reason(decision.Facts);
        }

        // Twelve marked holds of 4 s and two pulled out of: 4.3 s borne, of 2.5 s and 4.5 s at most 0.7 is asked.
        var well = Held("++++++++++++", 4);
        Assert.Contains("One easier: 1.5 s.", Of("--", 1, 2.5, well), StringComparison.Ordinal);
        Assert.Contains("One easier: 3 s.", Of("--", 1, 4.5, well), StringComparison.Ordinal);
        Assert.Contains("One easier: 1 s.", Of("--", 1), StringComparison.Ordinal);

        Assert.Equal("7 of 8 went well, but its last holds bear about 2 s and no more: the same again.", Of("+++-++++", 2));
        Assert.Equal("7 of 8 went well and it was at ease, so on to 2.5 s, which its last holds bear.", Of("+++-++++", 2.2));
    }

    /// <summary>Where no timer ran, another dog is trained, or the session began before this was asked, the count decides.</summary>
    [Fact]
    public void Only_holds_of_a_frightened_dog_are_heeded()
    {
        var wary = Plan.ForSession(Temperament.Wary, GoRule.AsSoonAsClear);
        const string most = "+++-++++";
        Assert.Equal((DecisionKind.Raise, 2, null), AfterHolds(most, []));
        Assert.Equal((DecisionKind.Raise, 2, null), AfterHolds(most, Held(most, 1), plan: wary with { HeedsHolds = false }));
        Assert.Equal((DecisionKind.Raise, 2, null), AfterHolds(most, Held(most, 1), plan: Session));
        Assert.Equal((DecisionKind.Raise, 2, null), AfterHolds(most + "++", Held(most, 1), plan: Plan.ForSession(Temperament.Wary, GoRule.SteadyTens)));

        // Eight holds of t seconds bear t · 8 · −ln 0.8 / 1.5: just half a second more, and just not.
        var just = 2.5 * 1.5 / (8 * -Math.Log(0.8));
        Assert.Equal((DecisionKind.Raise, 1, 2.5), AfterHolds(most, Held(most, just + 1e-6)));
        Assert.Equal((DecisionKind.Same, 1, null), AfterHolds(most, Held(most, just - 1e-6)));

        // Earlier holds at the step count, up to twenty in all; what was asked stays asked in a set that decides nothing.
        Assert.Equal((DecisionKind.Raise, 2, null), AfterHolds(most, Held(most, 2), before: Held("++++++++++++", 2)));
        // What it does not bear is not asked again: what it bears is; as an older release had it, the same again.
        Assert.Equal((DecisionKind.Same, 0, null), AfterHolds(most, Held(most, 2), before: Held("------------", 2)));
        Assert.Equal(
            (DecisionKind.Same, 1, null),
            AfterHolds(most, Held(most, 2), before: Held("------------", 2), plan: wary with { Edition = Edition.First })
        );
        Assert.Equal((DecisionKind.Same, 1, 2.5), AfterHolds("+++-", Held("+++-", 2), asked: 2.5));
        // Below the first target are its rungs, and at the top passed is passed.
        Assert.Equal((DecisionKind.Back, -1, null), AfterHolds("--", Held("--", 0.5), target: 0));
        var top = Set(StepId, 3, most) with { Holds = Held(most, 1) };
        Assert.Equal(DecisionKind.Passed, Progression.AfterSet(wary, top, new HashSet<string>(), 1, (TimeSpan.Zero, 8, 0), Rules).Kind);
    }

    [Fact]
    public void A_hold_between_two_targets_stands_between_them()
    {
        var step = Step.Find(StepId)!;
        double At(int target, double? asked) => step.Level(new(target, asked is { } s ? TimeSpan.FromSeconds(s) : null));
        Assert.Equal([1, 1.5, 2.25, 3, -0.5], [At(1, null), At(1, 2.5), At(2, 3.5), At(3, 5), At(0, 0.5)]);
        Assert.Equal(("2.5 s", "2 s"), (Words.Conditioning.Target(step, new Criterion(1, TimeSpan.FromSeconds(2.5))), Words.Conditioning.Target(step, 1)));
        Assert.Equal(VirtualDog.Difficulty(1, 3) / 2 + VirtualDog.Difficulty(2, 3) / 2, VirtualDog.Difficulty(1.5, 3), 12);
        // A pause begins a target lower, at that target's own hold.
        var (after, _) = Progression.AfterGap(Plan, new PlanPosition(StepId, new(2, TimeSpan.FromSeconds(3.5))), Day, Day.AddDays(8), Rules);
        Assert.Equal(new PlanPosition(StepId, 1), after);
    }

    [Fact]
    public void A_step_back_says_what_is_easier_and_what_to_do_if_stuck()
    {
        var decision = After(Set(StepId, 0, "--"));
        Assert.Equal((StepId, -1), (decision.Next!.StepId, decision.Next.Target));
        Assert.Contains("One easier: in and out at once.", Words.Conditioning.Reason(decision.Facts), StringComparison.Ordinal);
        Assert.NotNull(Words.Conditioning.IfStuck(decision.Facts));
    }

    [Fact]
    public void Over_threshold_goes_two_steps_back_in_this_plan_and_rests()
    {
        var decision = After(Set(StepId, 2, "+", new SeenAt(1, SignGroup.OverThreshold)));
        Assert.Equal((At(-2), 0, Day.AddDays(1), true), (decision.Next!.StepId, decision.Next.Target, decision.Next.NotBefore!.Value, decision.EndSession));
        Assert.Contains("not before tomorrow", Words.Conditioning.Reason(decision.Facts), StringComparison.Ordinal);
        var first = Plan.Steps[0].Step.Id;
        Assert.Equal(first, After(Set(first, 0, "", new SeenAt(0, SignGroup.OverThreshold))).Next!.StepId);
        var wary = After(Set(StepId, 2, "+", new SeenAt(1, SignGroup.OverThreshold)), plan: Session with { Temperament = Temperament.Wary });
        Assert.Equal((-2, Day.AddDays(2)), (wary.Next!.Target, wary.Next.NotBefore!.Value));
    }

    [Fact]
    public void What_comes_next_is_the_first_step_that_is_not_on_record()
    {
        IEnumerable<string> before = Plan.Steps.Select(s => s.Step.Id).TakeWhile(id => id != StepId);
        Assert.Equal(At(1), After(Set(StepId, 3, "+++++"), before).Next!.StepId);
        Assert.Equal("touch-it", After(Set(StepId, 3, "+++++"), before.Except(["touch-it"])).Next!.StepId);
        var all = Plan.Steps.Select(s => s.Step.Id);
        var last = After(Set(StepId, 3, "+++++"), all.Except([StepId]));
        Assert.Equal((DecisionKind.Passed, null), (last.Kind, last.Next));
        Assert.EndsWith("That was the last step.", Words.Conditioning.Reason(last.Facts), StringComparison.Ordinal);
    }

    [Fact]
    public void The_last_step_of_a_stage_is_its_gate_and_good_days_are_counted_once()
    {
        var gate = Set("hold-long", 2, "+++++");
        Assert.Equal((DecisionKind.Same, true), (After(gate).Kind, After(gate).EndSession));
        Assert.Equal(DecisionKind.Passed, After(gate, goodDays: 1).Kind);
        SetRecord On(int days, string goes = "+++++", int target = 2, params SeenAt[] signs) =>
            Set("hold-long", target, goes, signs) with
            {
                Day = Day.AddDays(days),
            };
        Assert.Equal(
            2,
            Progression.GoodDays(
                Session,
                gate,
                [
                    On(-3),
                    On(-3),
                    On(-1),
                    On(0),
                    On(-2, "++"),
                    On(-2, target: 1),
                    On(-4, signs: new SeenAt(3, SignGroup.Unsure)),
                    On(-5) with
                    {
                        StepId = StepId,
                    },
                ],
                Rules
            )
        );
    }

    [Fact]
    public void A_set_finished_by_hand_before_it_is_clear_changes_nothing()
    {
        var decision = After(Set(StepId, 1, "+++"));
        Assert.Equal((DecisionKind.Same, StepId, 1), (decision.Kind, decision.Next!.StepId, decision.Next.Target));
    }

    [Theory]
    [InlineData(StepId, 2.9, 5, false)]
    [InlineData(StepId, 3, 5, true)]
    [InlineData("worn-still", 4, 5, false)]
    [InlineData("worn-still", 5, 5, true)]
    [InlineData(StepId, 1, 29, false)]
    [InlineData(StepId, 1, 30, true)]
    public void A_session_ends_while_the_dog_wants_more(string step, double minutes, int goes, bool ends) =>
        Assert.Equal(ends, After(Set(step, 0, "+++++"), minutes: minutes, goes: goes).EndSession);

    [Theory]
    [InlineData(7, StepId, 2)]
    [InlineData(8, StepId, 1)]
    [InlineData(30, StepId, 1)]
    [InlineData(31, "nose-at-rim", 0)]
    [InlineData(90, "nose-at-rim", 0)]
    [InlineData(91, "look-at-it", -2)]
    [InlineData(300, "look-at-it", -2)]
    public void A_gap_starts_lower_and_says_why(int days, string step, int target)
    {
        var (position, reason) = Progression.AfterGap(Plan, new PlanPosition(StepId, 2), Day, Day.AddDays(days), Rules);
        Assert.Equal((step, target), (position.StepId, position.Target));
        Assert.Equal(days > 7, reason is not null);
        if (days > 90)
            Assert.Contains("two stages lower", Words.Conditioning.Away(reason!), StringComparison.Ordinal);
        Assert.Equal(new PlanPosition(StepId, 2), Progression.AfterGap(Plan, new PlanPosition(StepId, 2), null, Day, Rules).Position);
        Assert.Equal(-3, Progression.AfterGap(Plan, new PlanPosition(StepId, -3), Day, Day.AddDays(9), Rules).Position.Target);
    }

    /// <summary>Law: whatever happens in a set, the plan stands at a step it has, at a target or rung that step has; what was never trained is never passed.</summary>
    [Property]
    public bool Every_decision_lands_inside_the_plan(
        byte stepAt,
        sbyte targetAt,
        ushort goes,
        byte count,
        (byte After, byte Group)[] signs,
        byte temperament,
        bool tens,
        byte passedEvery
    )
    {
        var step = Plan.Steps[stepAt % Plan.Steps.Count].Step;
        var set = new SetRecord(
            step.Id,
            step.Within(targetAt % 8),
            Day,
            [.. Enumerable.Range(0, count % 11).Select(i => (goes >> i & 1) == 1)],
            [.. signs.Select(s => new SeenAt(s.After % 11, (SignGroup)(s.Group % 4)))]
        );
        var plan = Plan.ForSession((Temperament)(temperament % 4), tens ? GoRule.SteadyTens : GoRule.AsSoonAsClear);
        HashSet<string> passed = [.. Plan.Steps.Index().Where(s => s.Index % (1 + passedEvery % 4) == 0).Select(s => s.Item.Step.Id)];
        var decision = Progression.AfterSet(plan, set, passed, 0, (TimeSpan.FromMinutes(1), set.Goes.Count, 0), Rules);
        var stands = decision.Next is { } next
            ? Step.Find(next.StepId) is { } at
                && plan.StepIds.Contains(at.Id)
                && next.Target == at.Within(next.Target)
                && (decision.Kind != DecisionKind.Passed || !passed.Contains(next.StepId))
            : decision.Kind == DecisionKind.Passed && plan.StepIds.All(id => id == step.Id || passed.Contains(id));
        return stands
            && (decision.Kind != DecisionKind.Passed || (set.Target == step.TopTarget && set.Goes.Count(g => g) >= LeastGood(step, tens)))
            && (
                set.Worst != SignGroup.OverThreshold
                || decision.Set.DecidedAfter < set.Goes.Count
                || decision is { Kind: DecisionKind.EndNow, EndSession: true }
            );
    }

    /// <summary>The fewest goes that can pass a step of a kind, with nothing before: five right, so many as are counted, and two of an event.</summary>
    private static int LeastGood(Step step, bool tens) =>
        step.Kind switch
        {
            StepKind.Once => 2,
            StepKind.Count when !tens => step.CountOf(step.TopTarget),
            _ => 5,
        };
}
