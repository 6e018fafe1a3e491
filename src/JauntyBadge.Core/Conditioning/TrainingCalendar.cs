using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Conditioning;

/// <summary>What a day of the calendar asks for.</summary>
public enum CalendarKind
{
    Session,

    /// <summary>A day of the week with a session, on which the dog rests after going over threshold.</summary>
    Rest,

    /// <summary>It takes the muzzle by then: look how it sits.</summary>
    TryOn,

    /// <summary>A growing dog is measured again.</summary>
    Refit,

    /// <summary>The day it is all for.</summary>
    Wanted,
}

/// <summary>Something on a day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Number">1 for the first of its kind on that day.</param>
/// <param name="StepId">The step that half of the dogs like it have come to by then; null where none is asked for.</param>
public sealed record CalendarEntry(DateOnly Day, CalendarKind Kind, int Number, string? StepId);

/// <summary>The days an owner has for training.</summary>
/// <param name="Days">Days of the week.</param>
/// <param name="SessionsPerDay">Sessions on each, 1 or 2 (Practice: once or twice a day).</param>
/// <param name="By">The day it is wanted; null for none.</param>
/// <param name="ReadyAt">The last step that has to be passed by then; null for the purpose's last.</param>
public sealed record TrainingWeek(IReadOnlyList<DayOfWeek> Days, int SessionsPerDay = 1, DateOnly? By = null, string? ReadyAt = null)
{
    /// <summary>Five days with two of rest (House).</summary>
    public static TrainingWeek Usual { get; } = new([DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Thursday, DayOfWeek.Friday, DayOfWeek.Saturday]);
}

/// <summary>What has to be known besides the plan to lay it on days.</summary>
/// <param name="From">The first day.</param>
/// <param name="NotBefore">The day before which no session is held; null for none.</param>
/// <param name="WantsTryOn">A muzzle is chosen and was not tried on.</param>
/// <param name="LastMeasured">The day a growing dog was measured; null for one that is grown.</param>
public sealed record CalendarQuestion(DateOnly From, DateOnly? NotBefore, bool WantsTryOn, DateOnly? LastMeasured);

/// <summary>Lays a plan on the owner's days: what each asks for, and what is likely by then. It is made anew whenever it is looked at, so it moves when life does.</summary>
public static class TrainingCalendar
{
    /// <summary>Days looked ahead where no day is wanted (House: further on it is guessing).</summary>
    public static readonly Grounded<int> DaysAhead = new(
        "calendar.ahead",
        "Days looked ahead where no date is set",
        28,
        Basis.House("four weeks; beyond that a plan is a guess")
    )
    {
        Most = 120,
    };

    public static IReadOnlyList<IGrounded> All { get; } = [DaysAhead];

    /// <summary>Every entry in order.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="week">The owner's days.</param>
    /// <param name="forecast">How far it is likely to come.</param>
    /// <param name="about">What else there is to know.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static IReadOnlyList<CalendarEntry> Of(TrainingPlan plan, TrainingWeek week, Forecast forecast, CalendarQuestion about, HouseRules rules)
    {
        var entries = new List<CalendarEntry>();
        var end = week.By is { } by && by >= about.From ? by : about.From.AddDays(rules[DaysAhead] - 1);
        var fastened = plan.Steps.TakeWhile(s => s.Step.Stage <= Stage.FirstFastening).Count();
        var tried = !about.WantsTryOn;
        var growing = Math.Max(1, (int)Math.Ceiling(rules[Remeasure.GrowingEvery].TotalDays));
        for (var (day, reached) = (about.From, Passed(forecast, about.From.AddDays(-1))); day <= end; reached = Passed(forecast, day), day = day.AddDays(1))
        {
            var at = plan.Steps[Math.Min(reached, plan.Steps.Count - 1)].Step;
            // What is left once it wears it is a happy wear a week.
            if (at.Stage == Stage.Upkeep ? day.DayOfWeek == week.Days[0] : week.Days.Contains(day.DayOfWeek))
            {
                var rests = day < about.NotBefore;
                for (var number = 1; number <= (rests ? 1 : week.SessionsPerDay); number++)
                    entries.Add(new(day, rests ? CalendarKind.Rest : CalendarKind.Session, number, rests ? null : at.Id));
            }

            if (!tried && reached >= fastened)
                entries.Add(new(day, CalendarKind.TryOn, 1, null));
            tried |= reached >= fastened;
            if (about.LastMeasured is { } measured && day > measured && (day.DayNumber - measured.DayNumber) % growing == 0)
                entries.Add(new(day, CalendarKind.Refit, 1, null));
            if (day == week.By)
                entries.Add(new(day, CalendarKind.Wanted, 1, week.ReadyAt));
        }

        return entries;
    }

    /// <summary>Steps that half of the dogs like it have passed at the end of a day; those of the last day known beyond it.</summary>
    private static int Passed(Forecast forecast, DateOnly day)
    {
        var fan = forecast.Fan;
        if (fan.Count == 0)
            return 0;
        return day < fan[0].Day ? forecast.PassedNow : fan[Math.Min(day.DayNumber - fan[0].Day.DayNumber, fan.Count - 1)].P50;
    }
}
