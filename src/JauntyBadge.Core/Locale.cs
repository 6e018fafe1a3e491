using System.Globalization;

namespace JauntyBadge.Core;

/// <summary>How a time of day is written.</summary>
public enum ClockStyle
{
    /// <summary>14:05</summary>
    Colon,

    /// <summary>09.05</summary>
    Dot,

    /// <summary>9.05</summary>
    DotShort,

    /// <summary>2:05 pm</summary>
    Pm,

    /// <summary>2:05 p.m.</summary>
    PmDots,

    /// <summary>2:05 PM</summary>
    PmCapitals,
}

/// <summary>
/// English as a country writes it: the order of day and month, what follows a weekday, the clock. The words stay English. The front end writes by the browser's
/// own tables; one list of cases holds both (tests/date-cases.json).
/// </summary>
/// <param name="Tag">BCP 47.</param>
/// <param name="MonthFirst">November 26 rather than 26 November.</param>
/// <param name="WeekdayComma">Thursday, 26 November.</param>
/// <param name="Clock">How a time of day is written.</param>
/// <param name="TwoDigitDay">Thursday, 05 November: where a weekday stands before it.</param>
public sealed record Locale(string Tag, bool MonthFirst, bool WeekdayComma, ClockStyle Clock, bool TwoDigitDay = false)
{
    /// <summary>Those a practice chooses among. Source: Unicode CLDR as ICU has it.</summary>
    public static IReadOnlyList<Locale> All { get; } =
    [
        new("en-GB", false, false, ClockStyle.Colon),
        new("en-IE", false, true, ClockStyle.Colon),
        new("en-AT", false, true, ClockStyle.Colon),
        new("en-AU", false, false, ClockStyle.Pm),
        new("en-BE", false, true, ClockStyle.Colon),
        new("en-CA", true, true, ClockStyle.PmDots),
        new("en-CH", false, true, ClockStyle.Colon),
        new("en-DE", false, true, ClockStyle.Colon),
        new("en-DK", false, true, ClockStyle.Dot),
        new("en-FI", false, true, ClockStyle.DotShort),
        new("en-NL", false, true, ClockStyle.Colon),
        new("en-NZ", false, true, ClockStyle.Pm),
        new("en-SE", false, true, ClockStyle.Colon),
        new("en-US", true, true, ClockStyle.PmCapitals),
        new("en-ZA", false, true, ClockStyle.Colon, TwoDigitDay: true),
    ];

    /// <summary>Until a practice chooses: the day before the month (House).</summary>
    public static Locale Usual => All[0];

    /// <summary>The locale of a tag; null for one that is not offered.</summary>
    public static Locale? Find(string? tag) => All.FirstOrDefault(l => l.Tag == tag);

    /// <summary>A day of this year or near it, such as "26 November" or "November 26".</summary>
    public string Day(DateOnly day) => Say(day, MonthFirst ? "MMMM d" : "d MMMM");

    /// <summary>A day with its year, such as "26 November 2026".</summary>
    public string DayOfYear(DateOnly day) => Say(day, MonthFirst ? "MMMM d, yyyy" : "d MMMM yyyy");

    /// <summary>A day with its weekday, such as "Thursday 26 November".</summary>
    public string Weekday(DateOnly day)
    {
        var number = TwoDigitDay ? "dd" : "d";
        return Say(day, $"dddd{(WeekdayComma ? "," : "")} {(MonthFirst ? $"MMMM {number}" : $"{number} MMMM")}");
    }

    /// <summary>A time of day, such as "14:05" or "2:05 pm".</summary>
    public string Time(TimeOnly time)
    {
        var (hour, afternoon) = (time.Hour % 12 == 0 ? 12 : time.Hour % 12, time.Hour >= 12);
        return Clock switch
        {
            ClockStyle.Colon => $"{time:HH:mm}",
            ClockStyle.Dot => $"{time:HH.mm}",
            ClockStyle.DotShort => $"{time.Hour}.{time:mm}",
            ClockStyle.Pm => $"{hour}:{time:mm} {(afternoon ? "pm" : "am")}",
            ClockStyle.PmDots => $"{hour}:{time:mm} {(afternoon ? "p.m." : "a.m.")}",
            _ => $"{hour}:{time:mm} {(afternoon ? "PM" : "AM")}",
        };
    }

    private static string Say(DateOnly day, string form) => day.ToString(form, CultureInfo.InvariantCulture);
}
