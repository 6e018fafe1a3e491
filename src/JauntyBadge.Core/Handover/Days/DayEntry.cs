using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover.Days;

/// <summary>What a day of a calendar that is handed over asks for.</summary>
public enum DayKind
{
    Session,
    Rest,
    Visit,
    Inspection,
    TryOn,
    Measure,
    HappyWear,

    /// <summary>The day the training is for.</summary>
    Wanted,
}

/// <summary>Something on a day of a dog, in words that stand alone.</summary>
/// <param name="Key">The same for the same thing, however often the calendar is made.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Day">The practice's day.</param>
/// <param name="Time">When, by the practice's clock; null for the whole day.</param>
/// <param name="Summary">What, with the dog's name.</param>
/// <param name="Description">What to know of it.</param>
/// <param name="Place">Where; null where it is not on record.</param>
public sealed record DayEntry(string Key, DayKind Kind, DateOnly Day, TimeOnly? Time, string Summary, string Description, string? Place);

/// <summary>An appointment with the id it is on record by.</summary>
public sealed record Visit(Guid Id, AppointmentOnRecord At, string? Note);

/// <summary>What a dog's days are made from.</summary>
/// <param name="Name">The dog's name.</param>
/// <param name="Place">Where it is met; null where that is not on record.</param>
/// <param name="Record">Where it stands.</param>
/// <param name="Visits">What is coming.</param>
/// <param name="Today">The first day.</param>
public sealed record DogDays(string Name, string? Place, DogRecord Record, IReadOnlyList<Visit> Visits, DateOnly Today);

/// <summary>The days of a dog: sessions and rest by the owner's week, visits, upkeep and happy wears.</summary>
public static class DayEntries
{
    /// <summary>How a visit is called where it is on record by its id.</summary>
    public static string VisitKey(Guid id) => $"visit-{id:N}";

    /// <summary>
    /// Every entry from today on, in order. A session names the step in hand, not one that is likely by then: a calendar that is printed or taken in elsewhere is to change when
    /// something happened, not when a forecast moved.
    /// </summary>
    public static IReadOnlyList<DayEntry> Of(DogDays dog, HandoverWords words)
    {
        var entries = new List<DayEntry>();
        var (training, rules, today) = (dog.Record.Training, dog.Record.Rules, dog.Today);
        var week = training.Week;
        var last = week.By is { } by && by >= today ? by : today.AddDays(rules[TrainingCalendar.DaysAhead] - 1);
        if (!training.WearsIt && training.Stop is null && training.Position is { } position && training.Find(position.StepId) is { } step)
        {
            for (var day = today; day <= last; day = day.AddDays(1))
            {
                if (!week.Days.Contains(day.DayOfWeek) || day == training.LastTrained)
                    continue;
                if (day < (position.NotBefore ?? training.NotBefore))
                    entries.Add(new($"rest-{day:yyyyMMdd}", DayKind.Rest, day, null, words.Rests(dog.Name), words.RestWhy, dog.Place));
                else
                    for (var number = 1; number <= week.SessionsPerDay; number++)
                        entries.Add(
                            new(
                                $"session-{day:yyyyMMdd}-{number}",
                                DayKind.Session,
                                day,
                                null,
                                words.Trains(dog.Name, step),
                                words.Session(step, position),
                                dog.Place
                            )
                        );
            }
        }

        if (!training.WearsIt && week.By is { } wanted && wanted >= today)
            entries.Add(new("wanted", DayKind.Wanted, wanted, null, words.Wanted(dog.Name), words.WantedFor(dog.Record.Profile), dog.Place));
        foreach (var visit in dog.Visits.Where(v => v.At.Day >= today))
            entries.Add(
                new(
                    VisitKey(visit.Id),
                    DayKind.Visit,
                    visit.At.Day,
                    visit.At.Time,
                    words.Visit(dog.Name, visit.At),
                    words.VisitWhat(dog.Name, visit),
                    visit.At.Place ?? dog.Place
                )
            );
        foreach (var due in dog.Record.UpkeepOn(today).GroupBy(d => d.What).Select(g => g.First()))
        {
            var kind = due.What switch
            {
                Upkeep.Inspect => DayKind.Inspection,
                Upkeep.TryOn => DayKind.TryOn,
                _ => DayKind.Measure,
            };
            entries.Add(
                new($"{kind.ToString().ToLowerInvariant()}", kind, Later(due.On, today), null, words.UpkeepOf(dog.Name, due), words.UpkeepWhy(due), dog.Place)
            );
        }

        entries.AddRange(HappyWears(dog, words));
        return [.. entries.OrderBy(e => e.Day).ThenBy(e => e.Time ?? TimeOnly.MinValue).ThenBy(e => e.Kind).ThenBy(e => e.Key, StringComparer.Ordinal)];
    }

    /// <summary>Those before a stressful visit, else the next one of the week.</summary>
    private static IEnumerable<DayEntry> HappyWears(DogDays dog, HandoverWords words)
    {
        var (worn, rules) = (dog.Record.Worn, dog.Record.Rules);
        if (!dog.Record.IsWorn || dog.Record.Muzzle is null)
            yield break;
        IReadOnlyList<DateOnly> days =
            worn.AheadOn(dog.Today, rules) is { Balance.HappyOn: { Count: > 0 } before } ? before
            : worn.LastHappy(dog.Today, rules) is { } last ? [Later(last.AddDays(rules[AssociationBalance.HappyEvery]), dog.Today)]
            : [dog.Today];
        for (var i = 0; i < days.Count; i++)
            yield return new($"happy-{i + 1}", DayKind.HappyWear, days[i], null, words.HappyWear(dog.Name), words.HappyWearHow, dog.Place);
    }

    private static DateOnly Later(DateOnly day, DateOnly today) => day < today ? today : day;
}
