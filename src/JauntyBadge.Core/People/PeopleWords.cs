using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.People;

/// <summary>The words for those who train at home, and of what comes from there. They decide nothing.</summary>
/// <param name="writing">How they are said.</param>
public sealed class PeopleWords(Writing writing)
{
    private readonly ConditioningWords conditioning = new(writing);
    private readonly WearingWords wearing = new(writing);

    /// <summary>The one thing of the day, as big words.</summary>
    public string Title(HomeDay day) =>
        day.Thing switch
        {
            HomeThing.WatchTheWear => writing.Say("The muzzle is on"),
            HomeThing.GoOn => writing.Say("Go on training"),
            HomeThing.Train => writing.Say("Train today"),
            HomeThing.HappyWear => writing.Say("A happy wear today"),
            HomeThing.Rest => day.Standing.LastTrained == day.Standing.Today ? writing.Say("Done for today") : writing.Say("Rest today"),
            _ => writing.Say("Wait for your fitter"),
        };

    /// <summary>What that means, for somebody who never heard of steps and targets.</summary>
    public string Detail(HomeDay day) =>
        day.Thing switch
        {
            HomeThing.WatchTheWear => writing.Say("Look at the clock, and take it off in time."),
            HomeThing.GoOn => writing.Say("A session was begun. Finish it, or end it there."),
            HomeThing.Train => writing.Say(
                $"{conditioning.Called(day.Standing.NextStep!)}. The next page says what to do, one go at a time; a few minutes are plenty."
            ),
            HomeThing.HappyWear => writing.Say("Muzzle on, something it loves, muzzle off: so that it stays a good sign."),
            HomeThing.Rest => Rest(day),
            _ => Waits(day),
        };

    /// <summary>What is new from a dog's home, in a few words.</summary>
    public string Of(HomeNewsItem news) =>
        news.What switch
        {
            HomeNews.Red => writing.Count(news.Number, "a red sign in the muzzle", "{0} wears with a red sign"),
            HomeNews.OverThreshold => writing.Count(news.Number, "over threshold once", "over threshold {0} times"),
            HomeNews.Note => writing.Count(news.Number, "a note", "{0} notes"),
            HomeNews.PastCap => writing.Count(news.Number, "worn a minute too long", "worn {0} minutes too long"),
            HomeNews.Stuck => writing.Count(news.Number, "one session brought it no further", "{0} sessions brought it no further"),
            _ => writing.Count(news.Number, "a training day missed", "{0} training days missed"),
        };

    /// <summary>What changed since somebody looked.</summary>
    public string Changed(SinceLooked since)
    {
        List<string> done = [];
        if (since.Sessions > 0)
            done.Add(writing.Count(since.Sessions, "one session", "{0} sessions"));
        if (since.Goes > 0)
            done.Add(writing.Count(since.Goes, "one go", "{0} goes"));
        if (since.Wears.Count > 0)
            done.Add(writing.Count(since.Wears.Count, "one wear", "{0} wears"));
        return done.Count == 0
            ? writing.Say("Nothing else recorded since you looked.")
            : writing.Say($"{Writing.Capital(string.Join(", ", done))} since you looked.");
    }

    /// <summary>Who recorded something, and on what.</summary>
    public string By(string person, string device) => writing.Say($"by {person}, on {device}");

    /// <summary>What a record is of which it is kept who did what, in the plural or not.</summary>
    public string Deed(DeedOn on, int count) =>
        on switch
        {
            DeedOn.Dog => writing.Count(count, "its page", "its page, {0} times"),
            DeedOn.MeasuringSet => writing.Count(count, "a measuring set", "{0} measuring sets"),
            DeedOn.Reading => writing.Count(count, "a reading", "{0} readings"),
            DeedOn.Photo => writing.Count(count, "a picture", "{0} pictures"),
            DeedOn.Choice => writing.Count(count, "a muzzle chosen", "{0} muzzles chosen"),
            DeedOn.Brief => writing.Count(count, "a line of the brief", "{0} lines of the brief"),
            DeedOn.TryOn => writing.Count(count, "a try-on", "{0} try-ons"),
            DeedOn.Session => writing.Count(count, "a session", "{0} sessions"),
            DeedOn.Go => writing.Count(count, "a go", "{0} goes"),
            DeedOn.Sign => writing.Count(count, "a sign", "{0} signs"),
            DeedOn.Decision => writing.Count(count, "a set finished", "{0} sets finished"),
            DeedOn.Pass => writing.Count(count, "a step passed", "{0} steps passed"),
            DeedOn.SetRule => writing.Count(count, "how sets are decided", "how sets are decided, {0} times"),
            DeedOn.WayOfWorking => writing.Count(count, "the way of working", "the way of working, {0} times"),
            DeedOn.Plan => writing.Count(count, "the plan moved by hand", "the plan moved by hand, {0} times"),
            DeedOn.Wear => writing.Count(count, "a wear", "{0} wears"),
            DeedOn.Inspection => writing.Count(count, "an inspection", "{0} inspections"),
            DeedOn.Visit => writing.Count(count, "a visit", "{0} visits"),
            DeedOn.Habits => writing.Count(count, "what it loves and eats", "what it loves and eats, {0} times"),
            DeedOn.Handover => writing.Count(count, "handed over", "handed over, {0} times"),
            _ => writing.Count(count, "a note", "{0} notes"),
        };

    /// <summary>What was done to it.</summary>
    public string Deed(DeedKind what) =>
        what switch
        {
            DeedKind.Added => writing.Say("added"),
            DeedKind.Changed => writing.Say("changed"),
            _ => writing.Say("taken out"),
        };

    /// <summary>Why somebody is not let in.</summary>
    public string Of(Ended ended) =>
        ended switch
        {
            Ended.Withdrawn => writing.Say("This device may come in no more. Ask the fitter for a new code."),
            Ended.RanOut => writing.Say("This link has run out. Ask the fitter for a new one."),
            Ended.TooLong => writing.Say("Nobody was here for long. Sign in again, or ask the fitter for a new code."),
            _ => writing.Say("Sign in first."),
        };

    /// <summary>That something is for fitters only.</summary>
    public string NotForYou => writing.Say("This is for the practice's fitters. Ask yours if you need it.");

    /// <summary>Why a password is not taken.</summary>
    public string Of(PasswordTrouble trouble) =>
        trouble switch
        {
            PasswordTrouble.TooShort => writing.Say($"A password has {Passwords.Shortest} letters or more; a few words one after the other are easy to keep."),
            PasswordTrouble.TooLong => writing.Say($"A password has up to {Passwords.Longest} letters."),
            PasswordTrouble.Common => writing.Say("This one is among the first that whoever guesses tries. Take a few words that do not belong together."),
            _ => writing.Say("This one is little more than a name. Take a few words that do not belong together."),
        };

    /// <summary>The next visit; null for none.</summary>
    public string? Visit(Standing standing) =>
        standing.Coming is { At: var at }
            ? writing.Say($"{wearing.Of(at.Kind)}, {writing.Weekday(at.Day)}{(at.Time is { } time ? writing.Say($" at {writing.Time(time)}") : "")}")
            : null;

    private string Rest(HomeDay day) =>
        day.Why is { Why: NotNowWhy.Rests, Until: { } until } ? writing.Say($"It had enough. Again from {writing.Weekday(until)}.")
        : day.Standing.WearsIt && !day.MayWear ? writing.Say("No muzzle now: why, and what comes first, stands below.")
        : day.Standing.WearsIt ? writing.Say("It wears its muzzle for what it is for. A happy wear a week keeps it so.")
        : day.Standing.LastTrained == day.Standing.Today && day.Next is { } again
            ? writing.Say($"One good session is enough. Again on {writing.Weekday(again)}.")
        : day.Next is { } next ? writing.Say($"No training day. Dogs learn while they rest; again on {writing.Weekday(next)}.")
        : writing.Say("Dogs learn while they rest.");

    private string Waits(HomeDay day) =>
        day.Why switch
        {
            { Why: NotNowWhy.Stopped } => writing.Say("Training is stopped: it said no too often. Your fitter looks at why before it goes on.."),
            { Why: NotNowWhy.FindBeginning } => writing.Say("It was away for long. Your fitter finds out with it where to begin again."),
            _ => writing.Say("The plan is not made yet."),
        };
}
