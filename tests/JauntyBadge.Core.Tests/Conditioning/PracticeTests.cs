using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>Practising with a virtual dog: replayed the same, and every choice told against the rule.</summary>
public class PracticeTests
{
    private static PracticeSession Play(int seed, Temperament temperament, string moves) =>
        Practice.Play(
            temperament,
            Step.Find("hold-short")!,
            [
                .. moves.Select(m =>
                    m switch
                    {
                        'g' => PracticeMove.Go,
                        '+' => PracticeMove.Harder,
                        '=' => PracticeMove.Same,
                        '-' => PracticeMove.Easier,
                        _ => PracticeMove.End,
                    }
                ),
            ],
            new Random(seed),
            HouseRules.Ours
        );

    [Fact]
    public void The_same_seed_and_moves_play_the_same_and_more_moves_change_nothing_before()
    {
        var (one, more) = (Play(3, Temperament.Typical, "ggggg+gg"), Play(3, Temperament.Typical, "ggggg+gg-ggx"));
        Assert.Equal(one.Sets[0].Goes, more.Sets[0].Goes);
        Assert.Equal(one.Goes, more.Sets[1].Goes);
        Assert.True(more.Ended && !one.Ended);
        Assert.Equal(Play(3, Temperament.Typical, "ggx").Sets.Count, Play(3, Temperament.Typical, "ggxggg+").Sets.Count);
    }

    /// <summary>Over a hundred dogs each choice is told as the rule decides the very same goes and signs.</summary>
    [Theory]
    [InlineData('+', PracticeVerdict.TooFast)]
    [InlineData('-', PracticeVerdict.TooSlow)]
    public void A_choice_is_told_against_the_rule(char move, PracticeVerdict wrong)
    {
        var seen = new HashSet<PracticeVerdict>();
        for (var seed = 0; seed < 100; seed++)
        {
            var set = Play(seed, (Temperament)(seed % 4), "ggggg" + move).Sets.Single();
            var wanted = set.Rule.Kind switch
            {
                DecisionKind.Raise => 1,
                DecisionKind.Back => -1,
                DecisionKind.Same => 0,
                _ => (int?)null,
            };
            var expected =
                set.Rule.Kind == DecisionKind.GoOn ? PracticeVerdict.TooSoon
                : wanted is not { } w ? PracticeVerdict.OverThreshold
                : w == (move == '+' ? 1 : -1) ? PracticeVerdict.AsTheRule
                : wrong;
            Assert.Equal(expected, set.Verdict);
            Assert.Equal(set.Goes.Count - (set.Rule.DecidedAfter ?? set.Goes.Count), set.GoesTooMany);
            Assert.True(Words.Conditioning.Practised(set, t => $"target {t}").Length > 20);
            seen.Add(set.Verdict);
        }

        Assert.Superset(new HashSet<PracticeVerdict> { PracticeVerdict.AsTheRule, PracticeVerdict.TooSoon, wrong }, seen);
    }

    [Fact]
    public void Targets_stay_within_the_step_and_an_empty_set_is_none()
    {
        Assert.Equal(SetStart.EasiestRung, Play(1, Temperament.Bold, "--------").Target);
        Assert.Equal(Step.Find("hold-short")!.TopTarget, Play(1, Temperament.Bold, "+++++++++").Target);
        Assert.Empty(Play(1, Temperament.Bold, "--++x").Sets);
        Assert.Equal(-2, Play(1, Temperament.Wary, "").Target);
    }

    [Fact]
    public void A_dog_pressed_on_goes_over_threshold_and_going_on_is_told()
    {
        var pressed = Enumerable
            .Range(0, 30)
            .Select(seed => Play(seed, Temperament.Soured, "+++++gggggggggg=gggx"))
            .First(p => p.WentOver && p.Sets[0].Rule.Kind == DecisionKind.EndNow);
        Assert.Equal(PracticeVerdict.OverThreshold, pressed.Sets[0].Verdict);
        Assert.Contains("let it leave", Words.Conditioning.Practised(pressed.Sets[0], t => $"{t}"), StringComparison.Ordinal);
    }
}
