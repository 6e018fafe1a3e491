using System.Globalization;
using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core;

/// <summary>
/// How everything is said to the one who reads: lengths in its unit, dates and prices as the practice writes them, and the numbers sentences speak of. The words of
/// every room are made with one, and say no day, length, chance or number of the job by any other means.
/// </summary>
/// <param name="Unit">The unit lengths are written in.</param>
/// <param name="Locale">How dates and times are written.</param>
/// <param name="Currency">ISO 4217.</param>
/// <param name="Rules">The numbers that hold, for sentences that speak of them.</param>
/// <param name="Language">Whose words are said.</param>
public sealed record Writing(ReadingUnit Unit, Locale Locale, string Currency, HouseRules Rules, Language Language)
{
    private static readonly string[] Numbers = ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"];

    /// <summary>Millimetres, the day before the month, our own numbers.</summary>
    public static Writing Usual { get; } = new(ReadingUnit.Mm, Locale.Usual, "EUR", HouseRules.Ours, Language.English);

    /// <summary>The currencies a practice chooses among, ISO 4217.</summary>
    public static IReadOnlyList<string> Currencies { get; } = ["EUR", "GBP", "AUD", "CAD", "CHF", "CZK", "DKK", "NOK", "NZD", "PLN", "SEK", "USD", "ZAR"];

    /// <summary>A text of ours in the language of the one who reads.</summary>
    public string Say(string english) => Language.Of(english);

    /// <summary>A sentence with places in it, in the language of the one who reads.</summary>
    public string Say(Sentence english) => english.In(Language);

    /// <summary>A term of ours within a sentence, such as "medium".</summary>
    public string Term<T>(T term)
        where T : struct, Enum => Say(Lower(term.ToString()));

    /// <summary>Things in a row, such as "its weight and its age".</summary>
    public string And(IEnumerable<string> things) => string.Join(Say(" and "), things);

    /// <summary>A ground that was kept as text: its kind and its note.</summary>
    public string Ground(string kept) => kept.Split(": ", 2) is [var kind, var note] ? $"{Say(kind)}: {Say(note)}" : kept;

    public string Day(DateOnly day) => Locale.Day(day);

    public string Weekday(DateOnly day) => Locale.Weekday(day);

    /// <summary>The day of the week alone, such as "Saturday".</summary>
    public string DayOfWeek(DateOnly day) => Say(day.DayOfWeek.ToString());

    public string Time(TimeOnly time) => Locale.Time(time);

    public string Length(Length length) => length.Show(Unit, Say("under {0}"));

    public string Range(Length low, Length high) => low.ShowRange(high, Unit);

    /// <summary>A time as it is said: whole minutes, seconds under two minutes.</summary>
    public string Minutes(TimeSpan time) =>
        time < TimeSpan.FromMinutes(2) && time.Seconds != 0 ? $"{Math.Floor(time.TotalSeconds):0} s"
        : Math.Floor(time.TotalMinutes) is 1 ? Say("1 minute")
        : Say($"{Math.Floor(time.TotalMinutes):0} minutes");

    /// <summary>A chance as a whole percent that never claims certainty it has not.</summary>
    public static string Percent(double chance) =>
        chance > 0.99 ? ">99 %"
        : chance < 0.01 ? "<1 %"
        : $"{Math.Round(chance * 100, MidpointRounding.AwayFromZero):0} %";

    /// <summary>A part of a whole, cut so that what is not all never reads as all: "99 %".</summary>
    public static string Share(double share) => string.Create(CultureInfo.InvariantCulture, $"{Math.Floor(share * 100 + 1e-6):0} %");

    /// <summary>A plain number with up to one digit after the point.</summary>
    public static string Number(double number) => number.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>So many of a thing, such as "one step" and "three steps".</summary>
    /// <param name="number">How many.</param>
    /// <param name="one">One of it, such as "one step".</param>
    /// <param name="more">Any other number of it, such as "{0} steps".</param>
    public string Count(int number, string one, string more) =>
        number == 1 ? Say(one) : string.Format(CultureInfo.InvariantCulture, Say(more), InWords(number));

    /// <summary>A small number as a word, from eleven on in digits.</summary>
    public string InWords(int number) => number is > 0 and <= 10 ? Say(Numbers[number - 1]) : number.ToString(CultureInfo.InvariantCulture);

    /// <summary>The text with a capital at its head.</summary>
    public static string Capital(string text) => text == "" ? "" : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>The text without a capital at its head, to stand within a sentence.</summary>
    public static string Lower(string text) => text == "" ? "" : char.ToLowerInvariant(text[0]) + text[1..];
}
