using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Caseload;

/// <summary>What is next for a dog, and how its badge fills (common practice: measure, choose, accept it, try it on, wear it).</summary>
public class StandingTests
{
    private static readonly DateOnly Today = new(2026, 5, 4);

    private static readonly Step First = Step.All[0];

    private static readonly Standing Fresh = new()
    {
        Today = Today,
        Rules = HouseRules.Ours,
        HasPurpose = true,
        NextStep = First,
        Position = new PlanPosition(First.Id, 0),
    };

    private static readonly Standing Chosen = Fresh with { MeasuredShare = 1, MuzzleChosen = true };

    private static readonly RemeasureCause Lighter = new MassChanged(Mass.FromKilograms(30), Mass.FromKilograms(25));

    private static readonly MuzzleState ClipFailed = new(InspectionDue.OutOfUse, Today, ["clip"]);

    private static readonly HappyOwed Owed = new(new AssociationBalance(1, 1, true), Today.AddDays(-3), null);

    private static TryOnFinding Tried(double share, string? wrong = null) => new(share, wrong is null ? [] : [new(TryOnCheck.All[0].Id, wrong)]);

    private static Ahead Clinic(int days) =>
        new(new(Today.AddDays(days), new TimeOnly(10, 0), AppointmentKind.Clinic, Occasion.Stressful, "Wend Lock", null), null);

    public static TheoryData<Standing, NextKind, string> Ways =>
        new()
        {
            { Fresh with { HasPurpose = false }, NextKind.Dog, "Say what it is for" },
            { Fresh, NextKind.Measure, "Measure" },
            { Fresh with { MeasuredShare = 0.4 }, NextKind.Measure, "Finish measuring" },
            { Fresh with { MeasuredShare = 1, ReadingsToRetake = 1 }, NextKind.Measure, "Check the readings" },
            { Fresh with { MeasuredShare = 1 }, NextKind.Fit, "Choose a muzzle" },
            { Chosen, NextKind.Session, First.Name },
            { Chosen with { Remeasure = Lighter }, NextKind.Measure, "Measure again" },
            { Chosen with { Position = new PlanPosition(First.Id, 0, Today.AddDays(1)) }, NextKind.Rest, "Day off" },
            { Chosen with { Position = new PlanPosition(First.Id, 0, Today) }, NextKind.Session, First.Name },
            { Fresh with { SessionOpen = true }, NextKind.Session, "Session under way" },
            { Chosen with { Remeasure = Lighter, SessionOpen = true }, NextKind.Session, "Session under way" },
            { Chosen with { ConditionedShare = 0.9 }, NextKind.Session, First.Name },
            { Chosen with { ConditionedShare = 1 }, NextKind.TryOn, "Try it on" },
            { Chosen with { ConditionedShare = 1, Tried = Tried(0.5) }, NextKind.TryOn, "Finish trying it on" },
            { Chosen with { ConditionedShare = 1, Tried = Tried(1) }, NextKind.Session, First.Name },
            { Chosen with { ConditionedShare = 0.2, Tried = Tried(0.5, "rides-into-eyes") }, NextKind.TryOn, "Mend the fit" },
            { Chosen with { ConditionedShare = 1, Tried = Tried(1), NextStep = null }, NextKind.Rest, "Keep it happy" },
            { Chosen with { Tried = Tried(0.5, "rides-into-eyes"), SessionOpen = true }, NextKind.Session, "Session under way" },
        };

    [Theory]
    [MemberData(nameof(Ways))]
    public void What_is_next_follows_the_order_of_the_job(Standing standing, NextKind kind, string title)
    {
        var next = standing.Next;
        Assert.Equal((kind, title), (next.Kind, Words.Caseload.Title(next, standing)));
    }

    private static readonly Standing Worn = Chosen with { ConditionedShare = 1, Tried = Tried(1), WearingShare = 1, WearsIt = true };

    /// <summary>All there is to do, what cannot wait first (the order is House).</summary>
    public static TheoryData<Standing, Matter[]> Days =>
        new()
        {
            { Worn, [Matter.Rest] },
            { Worn with { HappyOwed = Owed }, [Matter.HappyWear] },
            { Worn with { Muzzle = ClipFailed, HappyOwed = Owed }, [Matter.OutOfUse, Matter.HappyWear] },
            { Worn with { Refit = RefitCause.RubMark, Muzzle = new(InspectionDue.Monthly, Today, []) }, [Matter.Refit, Matter.Refit, Matter.Rest] },
            { Worn with { Refit = RefitCause.RubMark, Tried = Tried(0.5, "rides-into-eyes") }, [Matter.Refit] },
            { Worn with { Coming = Clinic(7) }, [Matter.Rest, Matter.Appointment] },
            { Worn with { Coming = Clinic(8) }, [Matter.Rest] },
            { Worn with { Coming = Clinic(-1) }, [Matter.Rest] },
            { Chosen with { WantedBy = Today.AddDays(14), StepsLeft = 3 }, [Matter.DateNear, Matter.Session] },
            { Chosen with { WantedBy = Today, StepsLeft = 3 }, [Matter.DateNear, Matter.Session] },
            { Chosen with { WantedBy = Today.AddDays(15), StepsLeft = 3 }, [Matter.Session] },
            { Chosen with { WantedBy = Today.AddDays(2), StepsLeft = 0 }, [Matter.Session] },
            { Chosen with { SessionsStuck = 3, HappyOwed = Owed }, [Matter.Stuck, Matter.HappyWear] },
            { Chosen with { LastTrained = Today }, [Matter.TrainedToday] },
            {
                Chosen with
                {
                    On = new(Chosen.Today, default, null, Occasion.Fun, null, false, false),
                    SessionOpen = true,
                    Muzzle = ClipFailed,
                },
                [Matter.UnderWay]
            },
        };

    [Theory]
    [MemberData(nameof(Days))]
    public void What_cannot_wait_comes_first(Standing standing, Matter[] matters) => Assert.Equal(matters, standing.Things.Select(t => t.Matter));

    [Fact]
    public void A_session_of_a_dog_whose_muzzle_failed_says_so_and_done_things_rest()
    {
        Assert.EndsWith("Not in the muzzle that failed.", Detail(Chosen with { Muzzle = ClipFailed }, 1), StringComparison.Ordinal);
        Assert.Equal(RoundGroup.Resting, (Chosen with { LastTrained = Today }).Next.Matter.Group());
        Assert.Equal(
            [RoundGroup.CannotWait, RoundGroup.SessionsDue, RoundGroup.HappyWears, RoundGroup.OnTheBench, RoundGroup.Ahead, RoundGroup.Resting],
            Enum.GetValues<Matter>().Select(m => m.Group()).Distinct().Order()
        );
    }

    [Fact]
    public void What_was_wrong_on_the_dog_is_said() =>
        Assert.StartsWith($"{Symptom.Find("rides-into-eyes")!.Says}.", Detail(Chosen with { Tried = Tried(0.5, "rides-into-eyes") }), StringComparison.Ordinal);

    [Theory]
    [InlineData(false, 0, 0)]
    [InlineData(true, 0, 0.5)]
    [InlineData(true, 0.5, 0.75)]
    [InlineData(true, 1, 1)]
    public void The_fitted_segment_fills_half_by_choosing_and_the_rest_on_the_dog(bool chosen, double tried, double filled) =>
        Assert.Equal(filled, (Fresh with { MuzzleChosen = chosen, Tried = Tried(tried) }).Badge[Phase.Fitted]);

    [Theory]
    [InlineData(null, "First session.")]
    [InlineData(0, "Trained today.")]
    [InlineData(1, "Last trained yesterday.")]
    [InlineData(4, "Last trained 4 days ago.")]
    public void A_session_due_says_the_target_and_the_last_time(int? daysAgo, string detail) =>
        Assert.Equal($"Target: {Target}. {detail}", Detail(Chosen with { LastTrained = daysAgo is { } days ? Today.AddDays(-days) : null }));

    private static string Target => Words.Conditioning.Target(First, 0);

    private static string Detail(Standing standing, int thing = 0) => Words.Caseload.Detail(standing.Things[thing], standing);

    /// <summary>Every deed has its words, and they speak of the practice's own numbers and days.</summary>
    [Fact]
    public void Words_follow_the_numbers_and_the_writing()
    {
        var rules = HouseRules.Ours.With(AssociationBalance.HappyEvery, 10).With(Standing.DateIsNear, 20).With(MuzzleState.Every, 20);
        var american = new CaseloadWords(Writing.Usual with { Locale = Locale.Find("en-US")!, Rules = rules });
        string Said(Standing standing) => american.Detail(standing.Next, standing);
        var keeps = Worn with { NextStep = null };
        Assert.EndsWith("One happy wear a week keeps it so.", Detail(keeps), StringComparison.Ordinal);
        Assert.EndsWith("One happy wear every 10 days keeps it so.", Said(keeps with { Rules = rules }), StringComparison.Ordinal);
        var wanted = Chosen with { WantedBy = Today.AddDays(18), StepsLeft = 3, Rules = rules };
        Assert.Equal((Deed.SeeWhetherDateHolds, "Three steps to go by May 22: see whether it will hold."), (wanted.Next.Deed, Said(wanted)));
        Assert.Equal(Deed.Train, (wanted with { Rules = HouseRules.Ours }).Next.Deed);
        var inspect = Worn with { Muzzle = new(InspectionDue.Monthly, Today, []) };
        Assert.Equal("A month has gone by: inspect it.", Detail(inspect));
        Assert.Equal("20 days have gone by: inspect it.", Said(inspect));
        var visit = Worn with { Coming = Clinic(3) };
        Assert.Equal("Wend Lock, 7 May at 10:00.", Detail(visit, 1));
        Assert.Equal("Wend Lock, May 7 at 10:00 AM.", american.Detail(visit.Things[1], visit));
    }
}
