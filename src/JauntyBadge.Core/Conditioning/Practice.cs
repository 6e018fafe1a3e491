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

    /// <summary>Ends it with one easy go, well below.</summary>
    EasyGo,

    /// <summary>Stops: muzzle away, nothing more is asked.</summary>
    Stop,
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

    /// <summary>Went on with a dog that had gone over threshold, or asked one more of it.</summary>
    OverThreshold,

    /// <summary>Went on where the session was to end.</summary>
    WentOn,

    /// <summary>Ended where one easy go was to end it.</summary>
    NoEasyGo,

    /// <summary>Several goes after it was clear: they tire the dog for nothing.</summary>
    TooMany,
}

/// <summary>A set of practice, looked back on.</summary>
/// <param name="Target">Its target.</param>
/// <param name="Goes">The goes.</param>
/// <param name="Signs">What the dog showed.</param>
/// <param name="Chosen">What was done after it.</param>
/// <param name="Rule">What the rule would have done.</param>
/// <param name="Verdict">How the two compare.</param>
/// <param name="GoesTooMany">Goes after it was clear: they tired the dog for nothing.</param>
/// <param name="IsFearful">The dog is to be heeded at its first unsure sign.</param>
/// <param name="FirstSeen">The first sign there was to see; null where there was none.</param>
/// <param name="Enough">So many goes had been enough for the session.</param>
public sealed record PracticeSet(
    int Target,
    IReadOnlyList<bool> Goes,
    IReadOnlyList<SeenAt> Signs,
    PracticeMove Chosen,
    SetDecision Rule,
    PracticeVerdict Verdict,
    int GoesTooMany,
    bool IsFearful,
    SeenAt? FirstSeen,
    bool Enough
);

/// <summary>A session of practice as it stands.</summary>
/// <param name="Step">The step.</param>
/// <param name="Target">The present target.</param>
/// <param name="Goes">Goes of the open set.</param>
/// <param name="LastSign">What the dog showed at the last go.</param>
/// <param name="LastHeld">How long it stayed at the last go, where the target is time.</param>
/// <param name="AllGoes">Goes of the session.</param>
/// <param name="WentOver">It went over threshold at some time.</param>
/// <param name="Sets">The sets that are over.</param>
/// <param name="Ended">The session is over.</param>
/// <param name="EasyGo">How the easy go went that ended it; null where there was none.</param>
/// <param name="LearnedBefore">What the dog knew of the step at first, 0 to 1.</param>
/// <param name="LearnedAfter">What it knows now.</param>
public sealed record PracticeSession(
    Step Step,
    int Target,
    IReadOnlyList<bool> Goes,
    SignGroup LastSign,
    TimeSpan? LastHeld,
    int AllGoes,
    bool WentOver,
    IReadOnlyList<PracticeSet> Sets,
    bool Ended,
    bool? EasyGo,
    double LearnedBefore,
    double LearnedAfter
);

/// <summary>A session with a virtual dog, by hand. Nothing is kept: the same seed and moves play the same.</summary>
public static class Practice
{
    /// <summary>Goes after it was clear that are let pass: a hand is not so quick (House).</summary>
    private const int LetPass = 2;

    /// <summary>Plays moves from the beginning.</summary>
    /// <param name="temperament">The dog's.</param>
    /// <param name="step">The step practised.</param>
    /// <param name="moves">Everything done so far; moves after the end are not looked at.</param>
    /// <param name="random">A seeded generator.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static PracticeSession Play(Temperament temperament, Step step, IReadOnlyList<PracticeMove> moves, Random random, HouseRules rules)
    {
        var plan = new SessionPlan(GoRule.AsSoonAsClear, temperament, [step.Id]) { Edition = Edition.Kinds };
        var dog = new VirtualDog(DogNature.Of(temperament).Drawn(random), 1, random);
        dog.Begin(0);
        var (target, backs, before, all) = (GoRules.BeginsAt(temperament, GoRule.AsSoonAsClear, rules), 0, dog.Learned(0), 0);
        var (goes, signs, sets) = (new List<bool>(), new List<SeenAt>(), new List<PracticeSet>());
        var (last, held, over, ended, unsure) = (SignGroup.AtEase, (TimeSpan?)null, false, false, false);
        bool? easy = null;
        foreach (var move in moves)
        {
            if (move == PracticeMove.Go)
            {
                (var good, last) = dog.Go(0, target, step.TopTarget, step.HoldOf(target) is not null);
                goes.Add(good);
                all++;
                held = dog.HeldShare * step.HoldOf(target);
                if (last > SignGroup.AtEase)
                    signs.Add(new(goes.Count, last));
                over |= last == SignGroup.OverThreshold;
                continue;
            }

            ended = move is PracticeMove.End or PracticeMove.EasyGo or PracticeMove.Stop;
            if (goes.Count > 0)
            {
                // The gate's second day, and what was met on other days, are not played.
                var start = Progression.StartOf(plan, step, target, false, 0, backs, new(0, unsure));
                var made = GoRules.Decide(start, goes, signs, rules);
                var tooMany = Math.Max(0, goes.Count - (made.DecidedAfter ?? goes.Count));
                var enough = all >= rules[Progression.GoesInSession];
                sets.Add(
                    new(
                        target,
                        [.. goes],
                        [.. signs],
                        move,
                        made,
                        Compare(made, move, enough, goes, tooMany),
                        tooMany,
                        temperament.IsFearful(),
                        signs.Count > 0 ? signs[0] : null,
                        enough
                    )
                );
                backs += made.Kind == DecisionKind.Back ? 1 : 0;
                unsure = made is { Kind: DecisionKind.Same, By: DecidedBy.Unsure };
            }

            if (move == PracticeMove.EasyGo)
            {
                (var good, last) = dog.Go(0, Progression.WellBelow(target), step.TopTarget);
                (easy, over) = (good, over | last == SignGroup.OverThreshold);
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
            (goes, signs) = ([], []);
            if (ended)
                break;
        }

        return new(step, target, goes, last, held, all, over, sets, ended, easy, before, dog.Learned(0));
    }

    private static PracticeVerdict Compare(SetDecision rule, PracticeMove chosen, bool enough, List<bool> goes, int tooMany)
    {
        var ends = chosen is PracticeMove.End or PracticeMove.EasyGo or PracticeMove.Stop;
        if (rule.Kind == DecisionKind.EndNow)
            return ends && chosen != PracticeMove.EasyGo ? PracticeVerdict.AsTheRule : PracticeVerdict.OverThreshold;
        if ((rule.EndSession || enough) && !ends)
            return PracticeVerdict.WentOn;
        var wantsEasyGo = rule.EndsWithEasyGo || (enough && !goes[^1]);
        if (wantsEasyGo && chosen != PracticeMove.EasyGo)
            return PracticeVerdict.NoEasyGo;
        if (tooMany > LetPass)
            return PracticeVerdict.TooMany;
        if (rule.Kind == DecisionKind.GoOn && !enough)
            return PracticeVerdict.TooSoon;
        if (ends)
            return PracticeVerdict.AsTheRule;
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
