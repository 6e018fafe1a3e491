using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Core.Tests.Dogs;

/// <summary>What is next for a dog, and how its badge fills (common practice: measure, choose, accept it, try it on, wear it).</summary>
public class StandingTests
{
    private static readonly DateOnly Today = new(2026, 5, 4);

    private static readonly DogProgress Fresh = new(
        HasPurpose: true,
        MeasuredShare: 0,
        ReadingsToRetake: 0,
        Remeasure: null,
        MuzzleChosen: false,
        TriedShare: 0,
        FitWrong: null,
        ConditionedShare: 0,
        WearingShare: 0,
        NextStep: "Muzzle in sight",
        NextTarget: "1 s",
        LastTrained: null,
        NotBefore: null,
        SessionOpen: false
    );

    private static readonly DogProgress Chosen = Fresh with { MeasuredShare = 1, MuzzleChosen = true };

    public static TheoryData<DogProgress, NextKind, string> Ways =>
        new()
        {
            { Fresh with { HasPurpose = false }, NextKind.Dog, "Say what it is for" },
            { Fresh, NextKind.Measure, "Measure" },
            { Fresh with { MeasuredShare = 0.4 }, NextKind.Measure, "Finish measuring" },
            { Fresh with { MeasuredShare = 1, ReadingsToRetake = 1 }, NextKind.Measure, "Check the readings" },
            { Fresh with { MeasuredShare = 1 }, NextKind.Fit, "Choose a muzzle" },
            { Chosen, NextKind.Session, "Muzzle in sight" },
            { Chosen with { Remeasure = "It weighs less." }, NextKind.Measure, "Measure again" },
            { Chosen with { NotBefore = Today.AddDays(1) }, NextKind.Rest, "Day off" },
            { Chosen with { NotBefore = Today }, NextKind.Session, "Muzzle in sight" },
            { Fresh with { SessionOpen = true }, NextKind.Session, "Session under way" },
            { Chosen with { Remeasure = "It weighs less.", SessionOpen = true }, NextKind.Session, "Session under way" },
            { Chosen with { ConditionedShare = 0.9 }, NextKind.Session, "Muzzle in sight" },
            { Chosen with { ConditionedShare = 1 }, NextKind.TryOn, "Try it on" },
            { Chosen with { ConditionedShare = 1, TriedShare = 0.5 }, NextKind.TryOn, "Finish trying it on" },
            { Chosen with { ConditionedShare = 1, TriedShare = 1 }, NextKind.Session, "Muzzle in sight" },
            { Chosen with { ConditionedShare = 0.2, FitWrong = "Rides into the eyes" }, NextKind.TryOn, "Mend the fit" },
            { Chosen with { ConditionedShare = 1, TriedShare = 1, NextStep = null }, NextKind.Rest, "Keep it happy" },
            { Chosen with { FitWrong = "Rides into the eyes", SessionOpen = true }, NextKind.Session, "Session under way" },
        };

    [Theory]
    [MemberData(nameof(Ways))]
    public void What_is_next_follows_the_order_of_the_job(DogProgress standing, NextKind kind, string title)
    {
        var next = standing.Next(Today);
        Assert.Equal((kind, title), (next.Kind, next.Title));
    }

    private static readonly DogProgress Worn = Chosen with { ConditionedShare = 1, TriedShare = 1, WearingShare = 1, WearsIt = true };

    /// <summary>All there is to do, what cannot wait first (the order is House).</summary>
    public static TheoryData<DogProgress, Matter[]> Days =>
        new()
        {
            { Worn, [Matter.Rest] },
            { Worn with { HappyOwed = "Owed." }, [Matter.HappyWear] },
            { Worn with { OutOfUse = "The clip failed.", HappyOwed = "Owed." }, [Matter.OutOfUse, Matter.HappyWear] },
            { Worn with { Refit = "It left a mark", Inspect = "A month." }, [Matter.Refit, Matter.Refit, Matter.Rest] },
            { Worn with { Refit = "It left a mark", FitWrong = "Rubs" }, [Matter.Refit] },
            { Worn with { Coming = new(Today.AddDays(7), "Clinic", "At ten.") }, [Matter.Rest, Matter.Appointment] },
            { Worn with { Coming = new(Today.AddDays(8), "Clinic", "At ten.") }, [Matter.Rest] },
            { Worn with { Coming = new(Today.AddDays(-1), "Clinic", "At ten.") }, [Matter.Rest] },
            { Chosen with { WantedBy = Today.AddDays(14), StepsLeft = 3 }, [Matter.DateNear, Matter.Session] },
            { Chosen with { WantedBy = Today, StepsLeft = 3 }, [Matter.DateNear, Matter.Session] },
            { Chosen with { WantedBy = Today.AddDays(15), StepsLeft = 3 }, [Matter.Session] },
            { Chosen with { WantedBy = Today.AddDays(2), StepsLeft = 0 }, [Matter.Session] },
            { Chosen with { SessionsStuck = 3, HappyOwed = "Owed." }, [Matter.Stuck, Matter.HappyWear] },
            { Chosen with { LastTrained = Today }, [Matter.TrainedToday] },
            { Chosen with { WearsNow = true, OutOfUse = "The clip failed." }, [Matter.UnderWay] },
        };

    [Theory]
    [MemberData(nameof(Days))]
    public void What_cannot_wait_comes_first(DogProgress standing, Matter[] matters) => Assert.Equal(matters, standing.Things(Today).Select(t => t.Matter));

    [Fact]
    public void A_session_of_a_dog_whose_muzzle_failed_says_so_and_done_things_rest()
    {
        Assert.EndsWith("Not in the muzzle that failed.", (Chosen with { OutOfUse = "The clip failed." }).Things(Today)[1].Detail, StringComparison.Ordinal);
        Assert.Equal(RoundGroup.Resting, (Chosen with { LastTrained = Today }).Next(Today).Matter.Group());
        Assert.Equal(
            [RoundGroup.CannotWait, RoundGroup.SessionsDue, RoundGroup.HappyWears, RoundGroup.OnTheBench, RoundGroup.Ahead, RoundGroup.Resting],
            Enum.GetValues<Matter>().Select(m => m.Group()).Distinct().Order()
        );
    }

    [Fact]
    public void What_was_wrong_on_the_dog_is_said() =>
        Assert.StartsWith("Rides into the eyes.", (Chosen with { FitWrong = "Rides into the eyes" }).Next(Today).Detail, StringComparison.Ordinal);

    [Theory]
    [InlineData(false, 0, 0)]
    [InlineData(true, 0, 0.5)]
    [InlineData(true, 0.5, 0.75)]
    [InlineData(true, 1, 1)]
    public void The_fitted_segment_fills_half_by_choosing_and_the_rest_on_the_dog(bool chosen, double tried, double filled) =>
        Assert.Equal(filled, (Fresh with { MuzzleChosen = chosen, TriedShare = tried }).Badge[Phase.Fitted]);

    [Theory]
    [InlineData(null, "Target: 1 s. First session.")]
    [InlineData(0, "Target: 1 s. Trained today.")]
    [InlineData(1, "Target: 1 s. Last trained yesterday.")]
    [InlineData(4, "Target: 1 s. Last trained 4 days ago.")]
    public void A_session_due_says_the_target_and_the_last_time(int? daysAgo, string detail) =>
        Assert.Equal(detail, (Chosen with { LastTrained = daysAgo is { } days ? Today.AddDays(-days) : null }).Next(Today).Detail);
}
