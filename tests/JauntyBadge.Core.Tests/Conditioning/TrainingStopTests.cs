using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>When training stops until a person has said what is different, and when a dog may be trained again (House: no source outside the project).</summary>
public class TrainingStopTests
{
    private static readonly HouseRules Rules = HouseRules.Ours;
    private static readonly DateOnly Day = new(2026, 6, 1);
    private static readonly DateTime Nine = Day.ToDateTime(new TimeOnly(9, 0), DateTimeKind.Utc);
    private static readonly TrainingPlan Plan = TrainingPlan.For(
        new DogProfile
        {
            Name = "Tansy",
            Temperament = Temperament.Wary,
            Purposes = [Purpose.Walks],
        }
    );

    /// <summary>One letter a session: its step, over threshold; a small one went well there; a dot went well elsewhere; "&lt;" is put back from the easiest rung of step b.</summary>
    private static TrainingStop? Of(string sessions) =>
        TrainingStop.Of(
            TrainingStop.Outcomes(
                sessions.Select(
                    (c, i) =>
                        c switch
                        {
                            '<' => new SetOutcome(i, "b", SetStart.EasiestRung, DecisionKind.Back),
                            '.' => new SetOutcome(i, "z", 0, DecisionKind.Raise),
                            >= 'a' => new SetOutcome(i, $"{c}", 2, DecisionKind.Passed),
                            _ => new SetOutcome(i, $"{char.ToLowerInvariant(c)}", 0, DecisionKind.EndNow),
                        }
                )
            ),
            Rules
        );

    [Theory]
    [InlineData("A....", null)]
    [InlineData("A...A", StopCause.OverThresholdHere)]
    [InlineData("A....A", null)]
    [InlineData("AB", null)]
    [InlineData("A...B....C", StopCause.OverThresholdAnywhere)]
    [InlineData("A...B.....C", null)]
    [InlineData("<.......<......<", StopCause.RoundAndRound)]
    [InlineData("<.......<b.....<", null)]
    [InlineData("B.......B......B", StopCause.RoundAndRound)]
    // What stopped it stays, whatever was trained on a device meanwhile.
    [InlineData("AA.......", StopCause.OverThresholdHere)]
    [InlineData("AAAAAAA", StopCause.OverThresholdHere)]
    [InlineData("", null)]
    public void A_dog_that_is_frightened_again_and_again_is_not_trained_on(string sessions, StopCause? cause) => Assert.Equal(cause, Of(sessions)?.Cause);

    [Fact]
    public void A_stop_says_where_how_often_and_whom_to_ask()
    {
        var stop = TrainingStop.Of([new(4, "touch-it", "touch-it", []), new(6, "touch-it", "touch-it", [])], Rules)!;
        Assert.Equal("Over threshold twice at \"Touch it\" within five sessions.", Words.Conditioning.Stopped(stop));
        Assert.Contains("veterinarian", Words.Conditioning.WhatStopMeans, StringComparison.Ordinal);
        Assert.Contains("professional", Words.Conditioning.WhatStopMeans, StringComparison.Ordinal);
        var stands = new PlanPosition("look-at-it", -2, Day.AddDays(2));
        Assert.Equal(stands, TrainingStop.GoesOnAt(Plan, stop, WhatDiffers.OtherFood, stands, GoRule.AsSoonAsClear, Rules));
        var back = TrainingStop.GoesOnAt(Plan, stop, WhatDiffers.StageBack, stands, GoRule.AsSoonAsClear, Rules);
        Assert.Equal((Stage.MeetIt, -2, Day.AddDays(2)), (Step.Find(back.StepId)!.Stage, back.Target, back.NotBefore!.Value));
        Assert.Equal(7, Enum.GetValues<WhatDiffers>().Select(Words.Conditioning.Differs).Distinct().Count());
    }

    private static Training Training(params HeldSession[] sessions) =>
        new(Plan.Dog, Plan, new HashSet<string>(), new("look-at-it", 0), Nine, null, Day, false, TrainingWeek.Usual, GoRule.AsSoonAsClear, null, Rules)
        {
            LastSessions = sessions,
        };

    private static HeldSession Held(double hour, SignGroup worst = SignGroup.AtEase) =>
        new(Day, Day.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc).AddHours(hour), worst);

    private static NotNowWhy? Why(Training training, double hour, int days = 0) =>
        TrainingTimes.NotNow(training, Day.AddDays(days).ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc).AddHours(hour), Day.AddDays(days))?.Why;

    /// <summary>An hour between two, two a day, worried is the last of the day; tomorrow is another. What somebody set by hand since is a word about the day.</summary>
    [Fact]
    public void A_day_has_two_sessions_an_hour_apart_and_none_after_worried()
    {
        Assert.Equal(NotNowWhy.TooSoon, Why(Training(Held(9)), 9.99));
        Assert.Null(Why(Training(Held(9)), 10));
        Assert.Equal(NotNowWhy.EnoughToday, Why(Training(Held(9), Held(11)), 20));
        Assert.Equal(NotNowWhy.WorriedToday, Why(Training(Held(9, SignGroup.Worried)), 20));
        Assert.Null(Why(Training(Held(9, SignGroup.Unsure)), 20));
        Assert.Null(Why(Training(Held(9, SignGroup.Worried), Held(11)), 9, days: 1));
        Assert.Null(Why(Training(Held(9, SignGroup.Worried)) with { MovedByHandAt = Day.ToDateTime(new TimeOnly(12, 0), DateTimeKind.Utc) }, 20));
        // One begun before the others, that came in late, is none too many.
        Assert.Null(Why(Training(Held(9), Held(11)), 8));
    }

    [Fact]
    public void Rest_stop_and_half_a_year_away_hold_and_say_so()
    {
        var rests = Training() with { MovedTo = new("look-at-it", 0, Day.AddDays(2)) };
        Assert.Equal(NotNowWhy.Rests, Why(rests, 12, days: 1));
        Assert.Null(Why(rests, 12, days: 2));
        // Begun before the rest was asked for, however late it comes in.
        Assert.Null(Why(rests, 8, days: 0));
        var stopped = Training() with { Stop = new(StopCause.OverThresholdHere, "look-at-it", 2, 5) };
        Assert.Equal(NotNowWhy.Stopped, Why(stopped, 12, days: 30));
        Assert.Null(Why(Training(Held(9)), 12, days: 180));
        Assert.Equal(NotNowWhy.FindBeginning, Why(Training(Held(9)), 12, days: 181));
        Assert.True(Training(Held(9)).MayFindBeginning(Day.AddDays(181)) && !Training(Held(9)).MayFindBeginning(Day.AddDays(180)));
        Assert.Null(Why(Training(Held(9)) with { MovedByHandAt = Nine.AddDays(181) }, 12, days: 181));
        foreach (var not in Enum.GetValues<NotNowWhy>().Select(w => new NotNow(w, Day, Nine, 181)))
            Assert.True(Words.Conditioning.CannotBegin(not).Length > 25);
    }

    /// <summary>Whatever arrives while it rests, the rest holds: put back since, it stays put back; trained all the same, it goes on from there when the rest is over.</summary>
    [Fact]
    public void A_rest_holds_whatever_arrives()
    {
        var (rest, next) = (new PlanPosition("look-at-it", -2, Day.AddDays(2)), new PlanPosition("touch-it", 1));
        Assert.Equal(rest, Progression.UnderRest(next, rest, true, Day));
        Assert.Equal(next with { NotBefore = Day.AddDays(2) }, Progression.UnderRest(next, rest, false, Day.AddDays(1)));
        Assert.Equal(next with { NotBefore = Day.AddDays(3) }, Progression.UnderRest(next with { NotBefore = Day.AddDays(3) }, rest, false, Day.AddDays(1)));
        Assert.Equal(next, Progression.UnderRest(next, rest, true, Day.AddDays(2)));
        Assert.Equal(next, Progression.UnderRest(next, next, true, Day));
        Assert.Null(Progression.UnderRest(null, null, true, Day));
    }

    /// <summary>A dog frightened by every go at one step: within two sessions at it the virtual trainer stops, and the course counts it.</summary>
    [Fact]
    public void A_course_of_a_dog_that_cannot_is_stopped()
    {
        var jumpy = DogNature.Of(Temperament.Soured) with { UnsureFrom = 0.2, Excitable = 1.5, Start = 0.01, Learning = 0.01 };
        var plan = Plan.ForSession(Temperament.Soured, GoRule.AsSoonAsClear);
        var course = VirtualTraining.Train(new VirtualDog(jumpy, plan.StepIds.Count, new Random(3)), plan, 20, [1], Rules);
        Assert.True(course is { Ready: false, Stops: > 1 } && course.OverSessions >= course.Stops);
    }
}
