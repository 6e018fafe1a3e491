using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Handover.Reports;

/// <summary>A day and a value.</summary>
public readonly record struct DayValue(DateOnly Day, double Value);

/// <summary>How a series is drawn.</summary>
public enum SeriesKind
{
    /// <summary>A line from day to day.</summary>
    Line,

    /// <summary>A stroke from the ground.</summary>
    Bar,

    /// <summary>A bar that is to be seen first.</summary>
    Alarm,

    /// <summary>Level, all the way across: its first value.</summary>
    Level,
}

/// <summary>What a chart shows.</summary>
/// <param name="Name">In words.</param>
/// <param name="Kind">How it is drawn.</param>
/// <param name="Values">By day.</param>
public sealed record Series(string Name, SeriesKind Kind, IReadOnlyList<DayValue> Values);

/// <summary>A picture of values by day.</summary>
public sealed record ReportChart(string Title, IReadOnlyList<Series> Series);

/// <summary>A part of a report.</summary>
/// <param name="Heading">What it is about.</param>
/// <param name="Lines">A sentence each.</param>
/// <param name="Rows">A table: in each row as many cells as there are heads.</param>
/// <param name="Heads">Heads of the table; empty where there is none.</param>
/// <param name="Chart">A picture; null where there is nothing to draw.</param>
public sealed record ReportPart(
    string Heading,
    IReadOnlyList<string> Lines,
    IReadOnlyList<IReadOnlyList<string>> Rows,
    IReadOnlyList<string> Heads,
    ReportChart? Chart = null
);

/// <summary>Something that was tried when it did not get on.</summary>
/// <param name="On">The day.</param>
/// <param name="Says">What, as it is on record.</param>
public sealed record WhatWasTried(DateOnly On, string Says);

/// <summary>A wear that went badly.</summary>
/// <param name="On">The day.</param>
/// <param name="Lasted">How long; null where it is on.</param>
/// <param name="Signs">Ids of the signs seen.</param>
public sealed record BadWear(DateOnly On, TimeSpan? Lasted, IReadOnlyList<string> Signs);

/// <summary>What a report is made from: facts on record.</summary>
/// <param name="Card">Who it is, what it wears, how far it has come.</param>
/// <param name="Sessions">How each session went.</param>
/// <param name="Tried">What was tried when it did not get on, the oldest first.</param>
/// <param name="Bad">Wears that went badly, the oldest first.</param>
/// <param name="Balance">Good wears to one bad, day by day.</param>
public sealed record ReportFacts(
    CardFacts Card,
    IReadOnlyList<SessionProgress> Sessions,
    IReadOnlyList<WhatWasTried> Tried,
    IReadOnlyList<BadWear> Bad,
    IReadOnlyList<DayValue> Balance
)
{
    /// <summary>So many of what was tried, and of bad wears, are told: the last ones (House; two to four pages).</summary>
    public const int MostTold = 12;

    /// <summary>So many days of the balance are drawn (House: a season).</summary>
    private const int DaysDrawn = 120;

    /// <summary>Good wears to one bad, day by day, from the first day there is a bad one.</summary>
    public static IReadOnlyList<DayValue> BalanceOf(IReadOnlyList<OccasionOn> occasions, DateOnly today, HouseRules rules) =>
        [
            .. Enumerable
                .Range(-DaysDrawn, DaysDrawn + 1)
                .Select(today.AddDays)
                .Select(day => (Day: day, AssociationBalance.On(day, occasions, rules).Ratio))
                .Where(d => d.Ratio is not null)
                .Select(d => new DayValue(d.Day, d.Ratio!.Value)),
        ];
}
