using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests.People;

public sealed class PeopleTests
{
    private static readonly PeopleWords Words = new(Writing.Usual);

    /// <summary>The chapter's table a second time, row by row: fitter, helper, keeper, clinic; + changes, r reads, – nothing.</summary>
    [Theory]
    [InlineData(Concern.Dogs, "+rr-")]
    [InlineData(Concern.Round, "+r--")]
    [InlineData(Concern.Readings, "++--")]
    [InlineData(Concern.Measuring, "+r--")]
    [InlineData(Concern.Choosing, "+r--")]
    [InlineData(Concern.Plan, "+rr-")]
    [InlineData(Concern.TrainingWeek, "+-+-")]
    [InlineData(Concern.Sessions, "+++-")]
    [InlineData(Concern.Wearing, "+++-")]
    [InlineData(Concern.Weather, "+++-")]
    [InlineData(Concern.Card, "+++r")]
    [InlineData(Concern.Papers, "+++-")]
    [InlineData(Concern.Dossier, "+-+-")]
    [InlineData(Concern.WholePractice, "+---")]
    [InlineData(Concern.WhoDidWhat, "+rr-")]
    [InlineData(Concern.News, "+++-")]
    [InlineData(Concern.OwnDevices, "++++")]
    [InlineData(Concern.OwnKeys, "++--")]
    [InlineData(Concern.Trade, "++rr")]
    public void Who_may_do_what(Concern concern, string may)
    {
        foreach (var (kind, said) in Enum.GetValues<PersonKind>().Zip(may))
        {
            Assert.Equal(said is '+' or 'r', May.Do(kind, concern, changes: false));
            Assert.Equal(said == '+', May.Do(kind, concern, changes: true));
        }

        // A keeper may always stop a session or a wear and say what was seen.
        Assert.True(May.Do(PersonKind.Keeper, Concern.Sessions, changes: true) && May.Do(PersonKind.Keeper, Concern.Wearing, changes: true));
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(4, 0)]
    [InlineData(5, 1)]
    [InlineData(6, 2)]
    [InlineData(7, 4)]
    [InlineData(10, 32)]
    [InlineData(11, 60)]
    [InlineData(100_000, 60)]
    public void Each_wrong_try_after_the_fifth_doubles_the_pause_up_to_an_hour(int wrong, int minutes) =>
        Assert.Equal(TimeSpan.FromMinutes(minutes), Pauses.After(wrong));

    /// <summary>Whoever guesses as fast as the pauses let them: tries in a year, against the codes and the common passwords there are.</summary>
    [Fact]
    public void A_year_of_guessing_at_one_name_is_fewer_tries_than_the_list_of_common_passwords()
    {
        var (tries, time) = (0, TimeSpan.Zero);
        while (time < TimeSpan.FromDays(365))
        {
            tries++;
            time += Pauses.After(tries) is var pause && pause > TimeSpan.Zero ? pause : TimeSpan.FromSeconds(1);
        }

        Assert.True(tries < 9_000, $"{tries}");
    }

    [Theory]
    [InlineData("eleven more", "Fern", PasswordTrouble.TooShort)]
    [InlineData("twelve is it", "Fern", null)]
    [InlineData("1qaz2wsx3edc", "Fern", PasswordTrouble.Common)]
    [InlineData("1QAZ2WSX3EDC", "Fern", PasswordTrouble.Common)]
    [InlineData("passwordpassword", "Fern", PasswordTrouble.Common)]
    [InlineData("abcabcabcabcabc", "Fern", PasswordTrouble.Common)]
    [InlineData("jauntybadge1", "Fern", PasswordTrouble.OwnName)]
    [InlineData("Fern Whitlock", "fern whitlock", PasswordTrouble.OwnName)]
    [InlineData("a heron on the weir", "Fern", null)]
    [InlineData("Žluťoučký kůň úpěl", "Fern", null)]
    public void A_password_is_long_and_not_one_that_everybody_tries(string password, string name, PasswordTrouble? trouble)
    {
        Assert.Equal(trouble, Passwords.TroubleWith(password, name));
        if (trouble is { } why)
            Assert.NotEmpty(Words.Of(why));
    }

    [Fact]
    public void A_password_of_256_letters_is_taken_and_one_of_257_is_not()
    {
        var long256 = string.Concat(Enumerable.Range(0, 256).Select(i => (char)('a' + i * i % 26)));
        Assert.Null(Passwords.TroubleWith(long256, "Fern"));
        Assert.Equal(PasswordTrouble.TooLong, Passwords.TroubleWith(long256 + "x", "Fern"));
    }

    [Fact]
    public void A_code_is_two_words_that_can_be_said_and_is_read_however_it_is_typed()
    {
        var random = new Random(26);
        var codes = Enumerable.Range(0, 20_000).Select(_ => PairingCode.New(random.Next)).ToList();
        Assert.All(codes, c => Assert.Matches("^([BDFGHKLMNPRSTVZ][AEIOU]){2}-([BDFGHKLMNPRSTVZ][AEIOU]){2}$", c));
        // Of some 31 million, 20,000 drawn meet themselves about six times (n²/2N).
        Assert.InRange(codes.Count - codes.Distinct().Count(), 0, 25);
        foreach (var typed in new[] { "zuka-romi", " ZUKA ROMI ", "zukaromi", "Zuka–Romi", "zu ka ro mi" })
            Assert.Equal("ZUKA-ROMI", PairingCode.Read(typed));
        foreach (var typed in new[] { null, "", "zuka", "zuka-rom1", "zuka-romis", "зука-роми" })
            Assert.Null(PairingCode.Read(typed));
    }

    [Fact]
    public void How_long_somebody_stays_in()
    {
        var now = new DateTime(2026, 6, 1, 9, 0, 0, DateTimeKind.Utc);
        Assert.False(Stay.IsOver(PersonKind.Fitter, now.AddDays(-179), now.AddDays(-30), now));
        Assert.True(Stay.IsOver(PersonKind.Fitter, now.AddDays(-181), now, now));
        Assert.True(Stay.IsOver(PersonKind.Helper, now.AddDays(-40), now.AddDays(-31), now));
        Assert.False(Stay.IsOver(PersonKind.Keeper, now.AddDays(-900), now.AddDays(-180), now));
        Assert.True(Stay.IsOver(PersonKind.Keeper, now.AddDays(-900), now.AddDays(-181), now));
        // A clock set back ends nobody's stay.
        Assert.False(Stay.IsOver(PersonKind.Fitter, now.AddHours(3), now.AddHours(3), now));
        var today = new DateOnly(2026, 6, 1);
        Assert.Equal(new DateOnly(2026, 6, 5), Stay.ClinicUntil(new DateOnly(2026, 6, 4), today));
        Assert.Equal(new DateOnly(2026, 6, 2), Stay.ClinicUntil(today, today));
        Assert.Equal(new DateOnly(2026, 6, 2), Stay.ClinicUntil(null, today));
        Assert.Equal(new DateOnly(2026, 6, 2), Stay.ClinicUntil(today.AddDays(-3), today));
    }

    [Fact]
    public void What_is_withheld_and_which_cards_may_be_read()
    {
        Assert.Equal(new Withheld(false, false, false, false), Withheld.Of(PersonKind.Helper, notesForUs: true, familyWasTold: false, hasBites: true));
        var untold = Withheld.Of(PersonKind.Keeper, notesForUs: true, familyWasTold: false, hasBites: true);
        Assert.Equal(new Withheld(true, true, true, true), untold);
        Assert.Equal([Audience.Family], CardReaders.MayRead(PersonKind.Keeper, untold));
        var told = Withheld.Of(PersonKind.Keeper, notesForUs: false, familyWasTold: true, hasBites: true);
        Assert.Equal(new Withheld(false, false, true, true), told);
        Assert.Equal(Enum.GetValues<Audience>(), CardReaders.MayRead(PersonKind.Keeper, told));
        Assert.False(Withheld.Of(PersonKind.Keeper, true, familyWasTold: false, hasBites: false).Bites);
        Assert.Equal([Audience.Clinic], CardReaders.MayRead(PersonKind.Clinic, told));
    }

    private static readonly DateOnly Today = new(2026, 6, 1);

    /// <summary>The gravest first, and at a bound nothing: just two minutes over, two days missed.</summary>
    [Fact]
    public void What_is_new_from_home()
    {
        static HomeWear Wear(double over, bool red = false, bool overThreshold = false) => new(Today, TimeSpan.FromMinutes(over), red, overThreshold);
        Assert.Empty(FromHome.Of(new(null, 0, [], [Wear(0), Wear(2)], 4, 20, 0, 2), HouseRules.Ours));
        var all = FromHome.Of(new(null, 2, ["bolts"], [Wear(2.1), Wear(7.2), Wear(0, red: true), Wear(0, overThreshold: true)], 4, 20, 3, 3), HouseRules.Ours);
        Assert.Equal(
            [(HomeNews.Red, 1), (HomeNews.OverThreshold, 2), (HomeNews.Note, 2), (HomeNews.PastCap, 8), (HomeNews.Stuck, 3), (HomeNews.Missed, 3)],
            all.Select(n => (n.What, n.Number))
        );
        Assert.All(all, n => Assert.NotEmpty(Words.Of(n)));
        Assert.Equal("Four sessions, 20 goes, one wear since you looked.", Words.Changed(new(null, 0, [], [Wear(0)], 4, 20, 0, 0)));
    }

    [Fact]
    public void Days_missed_are_those_of_its_week_that_are_over()
    {
        var week = new TrainingWeek([DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday]);
        // Today is a Monday and not over.
        Assert.Equal(0, FromHome.Missed(week, Today.AddDays(-3), Today.AddDays(-30), Today));
        Assert.Equal(1, FromHome.Missed(week, Today.AddDays(-5), Today.AddDays(-30), Today));
        Assert.Equal(6, FromHome.Missed(week, null, Today.AddDays(-30), Today));
        Assert.Equal(1, FromHome.Missed(week, null, Today.AddDays(-4), Today));
        Assert.Equal(0, FromHome.Missed(week, null, Today, Today));
        Assert.Equal(0, FromHome.Missed(new([]), null, Today.AddDays(-30), Today));
    }
}
