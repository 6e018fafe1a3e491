using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;

namespace JauntyBadge.Core.People;

/// <summary>The one thing a keeper does with a dog today.</summary>
public enum HomeThing
{
    /// <summary>It wears its muzzle: look at the clock, and take it off in time.</summary>
    WatchTheWear,

    /// <summary>A session is under way.</summary>
    GoOn,

    /// <summary>Train it.</summary>
    Train,

    /// <summary>A happy wear.</summary>
    HappyWear,

    /// <summary>Nothing: rest is part of it.</summary>
    Rest,

    /// <summary>Nothing until the fitter has looked: training is stopped, was away too long, or was not begun.</summary>
    WaitForFitter,
}

/// <summary>A dog's day as its keeper needs it (House): what is under way before anything new, never training where training is stopped, and one thing at a time.</summary>
/// <param name="Thing">The one thing.</param>
/// <param name="Standing">Where the dog stands.</param>
/// <param name="Why">Why no session can begin now; null where one can.</param>
/// <param name="Next">The next day of its week; null where none is chosen.</param>
/// <param name="MayWear">Its muzzle may be worn now.</param>
public sealed record HomeDay(HomeThing Thing, Standing Standing, NotNow? Why, DateOnly? Next, bool MayWear)
{
    /// <summary>The day of a dog.</summary>
    /// <param name="dog">All that is on record.</param>
    /// <param name="today">The practice's day.</param>
    /// <param name="now">Now, UTC.</param>
    /// <param name="mayWear">Its muzzle may be worn now for longer than not at all.</param>
    public static HomeDay Of(DogRecord dog, DateOnly today, DateTime now, bool mayWear)
    {
        var standing = Standing.Of(dog, today);
        var training = dog.Training;
        var why = TrainingTimes.NotNow(training, now, today);
        var next = Enumerable.Range(1, 7).Select(today.AddDays).Where(d => training.Week.Days.Contains(d.DayOfWeek)).Select(d => (DateOnly?)d).FirstOrDefault();
        var isDay = training.Week.Days.Contains(today.DayOfWeek) && standing.LastTrained != today;
        var thing =
            standing.On is not null ? HomeThing.WatchTheWear
            : standing.SessionOpen ? HomeThing.GoOn
            : why is { Why: NotNowWhy.Stopped or NotNowWhy.FindBeginning } || (!standing.HasPurpose && !standing.WearsIt) ? HomeThing.WaitForFitter
            : why is null && isDay && !standing.WearsIt ? HomeThing.Train
            : standing.HappyOwed is not null && mayWear ? HomeThing.HappyWear
            : HomeThing.Rest;
        return new(thing, standing, why, next, mayWear);
    }
}
