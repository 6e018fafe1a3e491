using FsCheck.Xunit;
using JauntyBadge.Core.Conditioning;
using MathNet.Numerics.Distributions;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>How a dog has come on: intervals and estimates against published figures, and when it counts as stuck.</summary>
public class ProgressTests
{
    private static readonly DateOnly Day = new(2026, 11, 2);

    /// <summary>Published: the usual points of the normal distribution, as any table has them.</summary>
    [Theory]
    [InlineData(0, 0.5)]
    [InlineData(1.281551566, 0.1)]
    [InlineData(1.644853627, 0.05)]
    [InlineData(-1.959963985, 0.975)]
    [InlineData(3.090232306, 0.001)]
    public void The_normal_tail_is_that_of_the_tables(double value, double above) => Assert.Equal(above, NormalTail.Above(value), 5e-7);

    [Property]
    public bool The_normal_tail_is_MathNets_and_ends_at_six(int thousandths)
    {
        var value = thousandths / 1000.0;
        return Math.Abs(NormalTail.Above(value) - Normal.CDF(0, 1, -Math.Clamp(value, -6, 6))) <= 5e-7;
    }

    /// <summary>Source: Newcombe 1998, Stat. Med. 17:857–872, table I, method 3 (recalled).</summary>
    [Theory]
    [InlineData(81, 263, 0.2553, 0.3662)]
    [InlineData(15, 148, 0.0624, 0.1605)]
    [InlineData(0, 20, 0, 0.1611)]
    [InlineData(1, 29, 0.0061, 0.1718)]
    public void Wilson_is_Newcombes_table(int good, int of, double low, double high)
    {
        var share = ShareOf.Wilson(good, of);
        Assert.Equal((low, high), (Math.Round(share.Low, 4), Math.Round(share.High, 4)));
    }

    [Property]
    public bool An_interval_holds_its_share_and_turns_with_it(byte good, byte more)
    {
        var (one, other) = (ShareOf.Wilson(good, good + more), ShareOf.Wilson(more, good + more));
        return one.Low >= 0
            && one.High <= 1
            && one.Low <= one.High
            && (good + more == 0 || (one.Low <= good / (double)(good + more) && one.High >= good / (double)(good + more)))
            && Math.Abs(one.Low - (1 - other.High)) < 1e-12;
    }

    [Fact]
    public void More_good_than_there_were_is_refused() => Assert.Throws<ArgumentOutOfRangeException>(() => ShareOf.Wilson(3, 2));

    /// <summary>Source: Kaplan &amp; Meier 1958, J. Am. Stat. Assoc. 53:457–481, on the holds of the check values: 2, 3, 5+, 5+, 8 s; worked by hand.</summary>
    [Fact]
    public void The_product_limit_is_as_worked_by_hand()
    {
        static HeldGo Held(double seconds, bool marked = false) => new(TimeSpan.FromSeconds(seconds), marked);
        var still = ProductLimit.Of([Held(8), Held(5, true), Held(2), Held(5, true), Held(3)]);
        Assert.Equal([2.0, 3, 8], still.Select(s => s.At.TotalSeconds));
        Assert.Equal([0.8, 0.6, 0], still.Select(s => Math.Round(s.StillIn, 12)));
        // A hold marked at the very time at which another pulled out was still in.
        Assert.Equal(0.5, ProductLimit.Of([Held(4, true), Held(4)]).Single().StillIn);
        Assert.Empty(ProductLimit.Of([Held(4, true)]));
    }

    private static Stuck? Stuck(params (long Session, string Step, int Target, DecisionKind Kind)[] sets) =>
        Progress.StuckAt([.. sets.Select(s => new SetOutcome(s.Session, s.Step, s.Target, s.Kind))], HouseRules.Ours);

    [Fact]
    public void Three_sessions_without_a_raise_are_stuck_and_two_are_not()
    {
        (long, string, int, DecisionKind) At(long session, DecisionKind kind, string step = "touch-it", int target = 0) => (session, step, target, kind);
        Assert.Null(Stuck());
        Assert.Null(Stuck(At(1, DecisionKind.Same), At(2, DecisionKind.Back)));
        Assert.Equal(new Stuck("touch-it", 3), Stuck(At(1, DecisionKind.Same), At(2, DecisionKind.Back), At(2, DecisionKind.Same), At(3, DecisionKind.EndNow)));
        Assert.Null(Stuck(At(1, DecisionKind.Same), At(2, DecisionKind.Same), At(3, DecisionKind.Raise), At(3, DecisionKind.Back)));
        Assert.Null(Stuck(At(1, DecisionKind.Same, "look-at-it"), At(2, DecisionKind.Same), At(3, DecisionKind.Same)));
        Assert.Equal(new Stuck("touch-it", 3), Stuck(At(1, DecisionKind.Raise), At(2, DecisionKind.Same), At(3, DecisionKind.Same), At(4, DecisionKind.Same)));
        Assert.Null(
            Progress.StuckAt(
                [.. Enumerable.Range(1, 4).Select(i => new SetOutcome(i, "touch-it", 0, DecisionKind.Same))],
                HouseRules.Ours.With(Progress.StuckAfter, 5)
            )
        );
    }

    /// <summary>Up a rung and down again, day after day: there is a raise in every session, and the dog is stuck all the same.</summary>
    [Fact]
    public void What_is_only_won_back_is_no_raise()
    {
        (long, string, int, DecisionKind)[] Day(long session, int from) =>
            [(session, "touch-it", from, DecisionKind.Raise), (session, "touch-it", from + 1, DecisionKind.Back)];
        Assert.Null(Stuck([.. Day(1, -2), .. Day(2, -2), .. Day(3, -2)]));
        Assert.Equal(new Stuck("touch-it", 3), Stuck([.. Day(1, -2), .. Day(2, -2), .. Day(3, -2), .. Day(4, -2)]));
        Assert.Null(Stuck([.. Day(1, -2), .. Day(2, -2), .. Day(3, -2), .. Day(4, -1)]));
    }

    [Fact]
    public void Sessions_and_steps_add_up()
    {
        TrainedSet Set(long session, int day, string step, int target, string goes, DecisionKind kind, SignGroup? sign = null, params double[] held) =>
            new(
                session,
                new SetRecord(step, target, Day.AddDays(day), [.. goes.Select(g => g == '+')], sign is { } s ? [new SeenAt(1, s)] : [])
                {
                    Holds = [.. held.Select(h => new HeldGo(TimeSpan.FromSeconds(h), true))],
                },
                kind
            );
        var progress = Progress.Of(
            [
                Set(1, 0, "nose-all-in", 2, "+++++", DecisionKind.Passed),
                Set(1, 0, "hold-short", 0, "++-+", DecisionKind.Back, SignGroup.Worried, 1, 1.2),
                Set(2, 3, "hold-short", 2, "+++++", DecisionKind.Raise, null, 3, 3.5),
            ],
            HouseRules.Ours
        );
        Assert.Equal([(Day, 8, 9, 1), (Day.AddDays(3), 5, 5, 0)], progress.Sessions.Select(s => (s.Day, s.Goes.Good, s.Goes.Of, s.Passed)));
        Assert.Equal([1, 0], progress.Sessions.Select(s => s.Signs[SignGroup.Worried]));
        Assert.Equal([1.2, 3.5], progress.Sessions.Select(s => s.LongestHold!.Value.TotalSeconds));
        Assert.Equal([1.0, 3], progress.Sessions.Select(s => s.Asked!.Value.TotalSeconds));
        Assert.Equal([("nose-all-in", 1, 5, 0), ("hold-short", 2, 9, 1)], progress.Steps.Select(s => (s.StepId, s.Sessions, s.Goes.Of, s.WorriedSets)));
        Assert.Equal((Day, Day.AddDays(3)), (progress.Steps[1].First, progress.Steps[1].Last));
        Assert.Null(progress.Stuck);
        Assert.Empty(Progress.Of([], HouseRules.Ours).Sessions);
    }
}
