namespace JauntyBadge.Core.Conditioning;

/// <summary>What was done in practice, told against the rule.</summary>
public sealed partial class ConditioningWords
{
    /// <summary>How a choice in practice compares with the rule, what it would have done, and when what was missed was first to be seen.</summary>
    /// <param name="set">The set.</param>
    /// <param name="target">A target of the step in words; rungs are negative.</param>
    public string Practised(PracticeSet set, Func<int, string> target)
    {
        var verdict = set.Verdict switch
        {
            PracticeVerdict.AsTheRule => writing.Say("The rule says so too."),
            PracticeVerdict.TooFast => writing.Say("Too fast."),
            PracticeVerdict.TooSlow => writing.Say("Too slow."),
            PracticeVerdict.TooSoon => writing.Say("Too soon."),
            PracticeVerdict.WentOn => writing.Say("It was to end there."),
            PracticeVerdict.NoEasyGo => writing.Say("It was to end with one easy go."),
            PracticeVerdict.TooMany => writing.Say("Too many goes."),
            _ => writing.Say("Too far."),
        };
        var rule = set.Rule.Kind switch
        {
            DecisionKind.GoOn when set.Enough => writing.Say("So many goes are enough for a session."),
            DecisionKind.GoOn => writing.Say($"Nothing was clear yet. {Settles(set.Rule)}"),
            DecisionKind.EndNow => writing.Say("It had gone over threshold: end now, muzzle away, let it leave."),
            _ => Reason(set.Rule, set.Target, set.IsFearful, target),
        };
        var many = set.GoesTooMany switch
        {
            0 => "",
            1 => writing.Say(" It was clear one go earlier."),
            var n => writing.Say($" It was clear {n} goes earlier."),
        };
        var seen =
            set.Verdict != PracticeVerdict.AsTheRule && set.FirstSeen is { } first
                ? writing.Say($" First to be seen at go {first.AfterGo}: {Showing(first.Group)}.")
                : "";
        return $"{verdict} {rule}{many}{seen}";
    }

    /// <summary>How a dog that shows a sign of a group is.</summary>
    public string Showing(SignGroup group) =>
        group switch
        {
            SignGroup.AtEase => writing.Say("at ease"),
            SignGroup.Unsure => writing.Say("unsure"),
            SignGroup.Worried => writing.Say("worried"),
            _ => writing.Say("over threshold"),
        };
}
