using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Conditioning;

/// <summary>What somebody who practises does next.</summary>
public enum PracticeMove
{
    /// <summary>Asks for a go at the present target.</summary>
    Go,

    /// <summary>Ends the set and goes on one target harder.</summary>
    Harder,

    /// <summary>Ends the set and asks for the same again.</summary>
    Same,

    /// <summary>Ends the set and goes on one target easier.</summary>
    Easier,

    /// <summary>Ends the session.</summary>
    End,
}

/// <summary>How a choice compares with what the rule would have done.</summary>
public enum PracticeVerdict
{
    AsTheRule,

    /// <summary>Harder, or no easier, though the dog had said no.</summary>
    TooFast,

    /// <summary>No harder, or easier, though it was ready.</summary>
    TooSlow,

    /// <summary>Ended before anything was clear.</summary>
    TooSoon,

    /// <summary>Went on with a dog that had gone over threshold.</summary>
    OverThreshold,
}

/// <summary>A set of practice, looked back on.</summary>
/// <param name="Target">Its target.</param>
/// <param name="Goes">The goes.</param>
/// <param name="Signs">What the dog showed.</param>
/// <param name="Chosen">What was done after it.</param>
/// <param name="Rule">What the rule would have done.</param>
/// <param name="Verdict">How the two compare.</param>
/// <param name="GoesTooMany">Goes after it was clear: they tired the dog for nothing.</param>
public sealed record PracticeSet(
    int Target,
    IReadOnlyList<bool> Goes,
    IReadOnlyList<SeenAt> Signs,
    PracticeMove Chosen,
    SetDecision Rule,
    PracticeVerdict Verdict,
    int GoesTooMany
);

/// <summary>A session of practice as it stands.</summary>
/// <param name="Step">The step.</param>
/// <param name="Target">The present target.</param>
/// <param name="Goes">Goes of the open set.</param>
/// <param name="LastSign">What the dog showed at the last go.</param>
/// <param name="WentOver">It went over threshold at some time.</param>
/// <param name="Sets">The sets that are over.</param>
/// <param name="Ended">The session is over.</param>
/// <param name="LearnedBefore">What the dog knew of the step at first, 0 to 1.</param>
/// <param name="LearnedAfter">What it knows now.</param>
public sealed record PracticeSession(
    Step Step,
    int Target,
    IReadOnlyList<bool> Goes,
    SignGroup LastSign,
    bool WentOver,
    IReadOnlyList<PracticeSet> Sets,
    bool Ended,
    double LearnedBefore,
    double LearnedAfter
);

/// <summary>A session with a virtual dog, by hand. Nothing is kept: the same seed and moves play the same.</summary>
public static class Practice
{
    /// <summary>Plays moves from the beginning.</summary>
    /// <param name="temperament">The dog's.</param>
    /// <param name="step">The step practised.</param>
    /// <param name="moves">Everything done so far; moves after the end are not looked at.</param>
    /// <param name="random">A seeded generator.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static PracticeSession Play(Temperament temperament, Step step, IReadOnlyList<PracticeMove> moves, Random random, HouseRules rules)
    {
        var dog = new VirtualDog(DogNature.Of(temperament).Drawn(random), 1, random);
        dog.Begin(0);
        var (target, backs, before) = (GoRules.BeginsAt(temperament, GoRule.AsSoonAsClear, rules), 0, dog.Learned(0));
        var (goes, signs, sets) = (new List<bool>(), new List<SeenAt>(), new List<PracticeSet>());
        var (last, over, ended) = (SignGroup.AtEase, false, false);
        foreach (var move in moves)
        {
            if (move == PracticeMove.Go)
            {
                (var good, last) = dog.Go(0, target, step.TopTarget);
                goes.Add(good);
                if (last > SignGroup.AtEase)
                    signs.Add(new(goes.Count, last));
                over |= last == SignGroup.OverThreshold;
                continue;
            }

            if (goes.Count > 0)
            {
                var made = GoRules.Decide(new(GoRule.AsSoonAsClear, temperament, target, step.TopTarget, false, 0, backs), goes, signs, rules);
                sets.Add(new(target, [.. goes], [.. signs], move, made, Compare(made, move), Math.Max(0, goes.Count - (made.DecidedAfter ?? goes.Count))));
                backs += made.Kind == DecisionKind.Back ? 1 : 0;
            }

            target = step.Within(
                target
                    + move switch
                    {
                        PracticeMove.Harder => 1,
                        PracticeMove.Easier => -1,
                        _ => 0,
                    }
            );
            (goes, signs, ended) = ([], [], move == PracticeMove.End);
            if (ended)
                break;
        }

        return new(step, target, goes, last, over, sets, ended, before, dog.Learned(0));
    }

    private static PracticeVerdict Compare(SetDecision rule, PracticeMove chosen)
    {
        if (rule.Kind == DecisionKind.EndNow)
            return chosen == PracticeMove.End ? PracticeVerdict.AsTheRule : PracticeVerdict.OverThreshold;
        if (chosen == PracticeMove.End)
            return PracticeVerdict.AsTheRule;
        if (rule.Kind == DecisionKind.GoOn)
            return PracticeVerdict.TooSoon;
        var wanted = rule.Kind switch
        {
            DecisionKind.Raise or DecisionKind.Passed => 1,
            DecisionKind.Back => -1,
            _ => 0,
        };
        var did = chosen switch
        {
            PracticeMove.Harder => 1,
            PracticeMove.Easier => -1,
            _ => 0,
        };
        return did == wanted ? PracticeVerdict.AsTheRule
            : did > wanted ? PracticeVerdict.TooFast
            : PracticeVerdict.TooSlow;
    }
}
