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
                        'e' => PracticeMove.EasyGo,
                        '!' => PracticeMove.Stop,
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
                set.Rule.Kind == DecisionKind.EndNow ? PracticeVerdict.OverThreshold
                : set.Rule.EndSession ? PracticeVerdict.WentOn
                : set.GoesTooMany > 2 ? PracticeVerdict.TooMany
                : set.Rule.Kind == DecisionKind.GoOn ? PracticeVerdict.TooSoon
                : wanted == (move == '+' ? 1 : -1) ? PracticeVerdict.AsTheRule
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

    /// <summary>What a dog of each kind showed decides how a session is to end, and no other end is as the rule: over two hundred dogs.</summary>
    [Fact]
    public void An_end_is_told_against_the_rule_as_a_set_is()
    {
        var seen = new HashSet<(DecisionKind, bool)>();
        for (var seed = 0; seed < 200; seed++)
        {
            PracticeVerdict Verdict(string end) => Play(seed, (Temperament)(seed % 4), "+++" + "gggg" + end).Sets.Single().Verdict;
            var rule = Play(seed, (Temperament)(seed % 4), "+++ggggx").Sets.Single().Rule;
            seen.Add((rule.Kind, rule.EndSession));
            if (rule.Kind == DecisionKind.EndNow)
                Assert.Equal(
                    (PracticeVerdict.AsTheRule, PracticeVerdict.OverThreshold, PracticeVerdict.OverThreshold),
                    (Verdict("!"), Verdict("e"), Verdict("="))
                );
            else if (rule is { EndSession: true, Kind: DecisionKind.Back })
            {
                // Going on after worried is never as the rule has it, whatever is asked next.
                Assert.All("+=-", move => Assert.Equal(PracticeVerdict.WentOn, Verdict($"{move}")));
                Assert.Equal(PracticeVerdict.NoEasyGo, Verdict("x"));
                Assert.NotEqual(PracticeVerdict.NoEasyGo, Verdict("e"));
            }
            else if (rule.Kind == DecisionKind.GoOn)
                Assert.Equal(PracticeVerdict.TooSoon, Verdict("x"));
        }

        Assert.Superset(new HashSet<(DecisionKind, bool)> { (DecisionKind.EndNow, true), (DecisionKind.Back, true), (DecisionKind.GoOn, false) }, seen);
    }

    /// <summary>A hundred goes in a set are no practice: they are told as too many, thirty are enough for a session, and the dog tires meanwhile.</summary>
    [Fact]
    public void Too_many_goes_are_told_and_tire_the_dog()
    {
        var many = Play(4, Temperament.Bold, new string('g', 100) + "=").Sets.Single();
        Assert.Equal((PracticeVerdict.WentOn, true), (many.Verdict, many.Enough));
        Assert.Equal(PracticeVerdict.TooMany, Play(4, Temperament.Bold, "ggggggggg+").Sets.Single().Verdict);
        var (fresh, tired) = (0, 0);
        for (var seed = 0; seed < 100; seed++)
        {
            var goes = Play(seed, Temperament.Typical, "++" + new string('g', 120)).Goes;
            (fresh, tired) = (fresh + goes.Skip(10).Take(10).Count(g => g), tired + goes.TakeLast(10).Count(g => g));
        }

        Assert.True(tired < fresh);
    }

    /// <summary>A fearful dog is spoken of as one, and what was missed with when it was first to be seen.</summary>
    [Fact]
    public void What_was_missed_is_said_with_when_it_was_first_to_be_seen()
    {
        var set = Enumerable
            .Range(0, 200)
            .Select(seed => Play(seed, Temperament.Wary, "+++ggggg=").Sets.Single())
            .First(s => s is { FirstSeen.Group: SignGroup.Unsure, Rule.By: DecidedBy.Unsure });
        var says = Words.Conditioning.Practised(set, t => $"target {t}");
        Assert.Contains("it is a dog to be heeded at once", says, StringComparison.Ordinal);
        Assert.Contains($"First to be seen at go {set.FirstSeen!.Value.AfterGo}: unsure.", says, StringComparison.Ordinal);
        Assert.StartsWith("It was to end there.", says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_dog_that_pulls_out_says_how_long_it_stayed()
    {
        for (var seed = 0; seed < 60; seed++)
        {
            var played = Play(seed, Temperament.Typical, "+++g");
            var asked = Step.Find("hold-short")!.HoldOf(played.Target)!.Value;
            Assert.Equal(played.Goes.Single(), played.LastHeld == asked);
            Assert.InRange(played.LastHeld!.Value, TimeSpan.Zero, asked);
        }
    }
}
