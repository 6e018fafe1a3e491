namespace JauntyBadge.Core.Conditioning;

/// <summary>Why training stops or waits, and how a session ends.</summary>
public sealed partial class ConditioningWords
{
    /// <summary>Why no session can begin now.</summary>
    public string CannotBegin(NotNow not) =>
        not.Why switch
        {
            NotNowWhy.Stopped => writing.Say("Training is stopped until somebody says what is different: see the plan."),
            NotNowWhy.Rests => writing.Say(
                $"It went over threshold last time: not before {writing.Day(not.Until!.Value)}. To overrule, set the plan by hand with a note."
            ),
            NotNowWhy.FindBeginning => writing.Say(
                $"{not.Number} days without training: find where to begin anew first, on the plan. To overrule, set the plan by hand with a note."
            ),
            NotNowWhy.WorriedToday => writing.Say(
                "A session today ended worried, and that is the last of the day. To overrule, set the plan by hand with a note."
            ),
            NotNowWhy.EnoughToday => writing.Say(
                $"{Writing.Capital(writing.InWords(not.Number))} sessions are enough for a day. To overrule, set the plan by hand with a note."
            ),
            NotNowWhy.TooSoon => writing.Say("The last session is hardly over: leave it an hour. To overrule, set the plan by hand with a note."),
            _ => writing.Say("Every step of the plan is passed. Set the plan to a step to train it again."),
        };

    /// <summary>What to do after the set that ended a session.</summary>
    /// <param name="asksEasyGo">One easy go is to end it.</param>
    /// <param name="wentOver">It went over threshold.</param>
    public string After(bool asksEasyGo, bool wentOver) =>
        wentOver ? writing.Say("Muzzle away, let it leave. Tap what you still see.")
        : asksEasyGo ? writing.Say("One easy go, then it is over. Tap what you see as it comes off.")
        : writing.Say("It is over. Tap what you still see as it comes off.");

    /// <summary>Why a dog is not trained by the school that was asked for.</summary>
    public string Declined(School school) =>
        writing.Say(
            $"\"{writing.Say(school.Name)}\" works with a lure, and it had a bad time with a muzzle: trained by \"{writing.Say(School.Default.Name)}\" instead."
        );

    /// <summary>Why training is stopped, in a sentence.</summary>
    public string Stopped(TrainingStop stop) =>
        stop.Cause switch
        {
            StopCause.OverThresholdHere => writing.Say(
                $"Over threshold {Often(stop.Times)} at \"{OnRecord(stop.StepId)}\" within {writing.InWords(stop.Sessions)} sessions."
            ),
            StopCause.OverThresholdAnywhere => writing.Say($"Over threshold {Often(stop.Times)} within {writing.InWords(stop.Sessions)} sessions."),
            _ => writing.Say($"Put back from \"{OnRecord(stop.StepId)}\" {Often(stop.Times)}, and no further for it."),
        };

    /// <summary>What that means, and whom to ask.</summary>
    public string WhatStopMeans =>
        writing.Say(
            "That is not training any more: fear of this kind is seldom trained away by more goes. Have a veterinarian look for pain, and ask a qualified behaviour professional. It goes on once somebody has said what is different."
        );

    /// <summary>What may be different when training goes on.</summary>
    public string Differs(WhatDiffers differs) =>
        differs switch
        {
            WhatDiffers.AnotherObject => writing.Say("another object"),
            WhatDiffers.AnotherSchool => writing.Say("another school"),
            WhatDiffers.StageBack => writing.Say("a stage back"),
            WhatDiffers.OtherFood => writing.Say("other food"),
            WhatDiffers.AnotherPlace => writing.Say("another place"),
            WhatDiffers.PainLookedFor => writing.Say("pain was looked for by a veterinarian"),
            _ => writing.Say("a behaviour professional works with it"),
        };

    private string Often(int times) =>
        times switch
        {
            1 => writing.Say("once"),
            2 => writing.Say("twice"),
            _ => writing.Say($"{writing.InWords(times)} times"),
        };
}
