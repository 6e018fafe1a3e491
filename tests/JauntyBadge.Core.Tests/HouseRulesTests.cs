using System.Globalization;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Handover.Keeping;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests;

/// <summary>A practice's own numbers are passed to whatever decides, and each of them decides something.</summary>
public class HouseRulesTests
{
    private static readonly DateOnly Day = new(2026, 11, 20);
    private static readonly DateTime Midnight = new(2026, 11, 20, 0, 0, 0, DateTimeKind.Utc);
    private static readonly IReadOnlyList<MuzzleModel> Some =
    [
        .. Catalogue.Shipped.Where((m, i) => i % 6 == 0 || m.Type != MuzzleType.Basket),
        new(
            "box",
            "Box",
            "",
            MuzzleType.Basket,
            Material.CoatedWire,
            Closure.Both,
            ForeheadStrap.Fitted,
            true,
            true,
            FrontOpening.Fixed,
            [],
            "",
            [new("b", "B", Mm(108), Mm(380), Mm(520), OpeningGirth: Mm(350))]
        ),
    ];

    private static readonly List<string> Ours = [.. Said(HouseRules.Ours)];

    public static TheoryData<string> Editable => [.. HouseNumbers.All.SelectMany(r => r.Numbers).Where(n => n.IsEditable).Select(n => n.Id)];

    /// <summary>Whatever may be set changes something of what is said of these dogs: none is a dead letter.</summary>
    [Theory]
    [MemberData(nameof(Editable))]
    public void A_number_that_may_be_set_decides_something(string id)
    {
        var number = HouseNumbers.Find(id)!;
        Assert.Contains(
            new[] { number.Least, number.Most, (number.Plain + number.Most) / 2 }.Where(v => v != number.Plain),
            v => Said(HouseRules.Ours.With(number, number.IsWhole ? Math.Round(v) : v)).Where((line, i) => line != Ours[i]).Any()
        );
    }

    [Fact]
    public void Each_range_holds_its_own_number_and_more()
    {
        Assert.All(
            HouseNumbers.All.SelectMany(r => r.Numbers).Where(n => n.IsEditable),
            n => Assert.True(n.Least <= n.Plain && n.Plain <= n.Most && n.Least < n.Most, n.Id)
        );
        Assert.Empty(HouseNumbers.Refusals(HouseRules.Ours));
    }

    [Fact]
    public void What_keeps_a_dog_from_harm_is_only_ever_tightened()
    {
        foreach (
            var (number, looser) in new (IGrounded, double)[]
            {
                (FitRules.SleeveCap, 6),
                (FitRules.CoverCap, 16),
                (FitRules.HalfPant, 7),
                (FitRules.FullPant, 14),
                (FitRules.SleeveEyeRoom, 5),
                (WearPlan.LongWear, 21),
                (FitRules.FloorClearance, 2),
                (WearLimit.OutingCap, 121),
                (WearLimit.FirstWear, 6),
                (WearLimit.Growth, 1.6),
                (WearLimit.ExerciseLeaves, 0.6),
                (Heat.HalvesFrom, 19),
                (Heat.NoneOver, 26),
                (Heat.Minutes, 6),
            }
        )
        {
            Assert.NotEmpty(HouseNumbers.Refusals(HouseRules.Ours.With(number, looser)));
        }

        Assert.Empty(HouseNumbers.Refusals(HouseRules.Ours.With(FitRules.SleeveCap, 3)));
        Assert.Equal(TimeSpan.FromMinutes(3), FitRules.Cap(MuzzleType.Sleeve, HouseRules.Ours.With(FitRules.SleeveCap, 3)));
    }

    [Fact]
    public void A_published_number_is_not_set_and_a_wrong_one_says_what_is_accepted()
    {
        Assert.Contains("not set by a practice: Published", Only(HouseRules.Ours.With(HeadShapes.AirwayRatio, 0.4)).Says, StringComparison.Ordinal);
        Assert.Contains("3 mm to 12 mm", Only(HouseRules.Ours.With(FitRules.ChinRoom, 60)).Says, StringComparison.Ordinal);
        Assert.Contains("a whole number", Only(HouseRules.Ours.With(Remedies.ExtraHoles, 1.5)).Says, StringComparison.Ordinal);
        Assert.Contains("no number called", Only(new HouseRules([KeyValuePair.Create("fit.no-such", 1.0)])).Says, StringComparison.Ordinal);
        Assert.Equal(
            FitRules.WidthLow.Id,
            Only(HouseRules.Ours.With(FitRules.WidthLow, 12).With(FitRules.WidthHigh, 30).With(FitRules.WidthLow, double.NaN)).Id
        );
    }

    /// <summary>A bound hit exactly: the lesser of two may not equal the greater.</summary>
    [Fact]
    public void Two_that_stand_in_order_stay_in_order()
    {
        var rules = HouseRules.Ours.With(FitRules.EverydayLow, 20).With(FitRules.EverydayHigh, 20);
        Assert.Contains("has to be less than", Only(rules).Says, StringComparison.Ordinal);
        Assert.Empty(HouseNumbers.Refusals(rules.With(FitRules.EverydayHigh, 20.1)));
    }

    [Fact]
    public void Set_back_to_ours_it_is_as_if_it_had_never_been_set()
    {
        var rules = HouseRules.Ours.With(FitRules.ChinRoom, 8);
        Assert.Equal(Mm(8), rules[FitRules.ChinRoom]);
        Assert.Equal("fit.chin-room 8", rules.ToString());
        Assert.Contains("this practice's own number, 8 mm; ours is 6 mm", rules.Basis(FitRules.ChinRoom).Note, StringComparison.Ordinal);
        Assert.NotEqual(HouseRules.Ours, rules);
        Assert.Equal(HouseRules.Ours, rules.With(FitRules.ChinRoom, null));
        Assert.Equal(HouseRules.Ours, rules.With(FitRules.ChinRoom, 6));
        Assert.Equal(FitRules.ChinRoom.Basis, HouseRules.Ours.Basis(FitRules.ChinRoom));
    }

    /// <summary>A chin room of 8 mm: what had 7 is out, in verdict, sentence, chance and drawing alike, and says whose number it was.</summary>
    [Fact]
    public void A_stricter_number_reaches_verdict_sentence_and_ground()
    {
        var rules = HouseRules.Ours.With(FitRules.ChinRoom, 8);
        var snout = SnoutModel.From(Medium() with { Rules = rules });
        var fit = BasketFit.Assess(snout, Box(118, 87), Everyday(0));
        var chin = fit.Criteria.Single(c => c.Name == CriterionName.ChinRoom);
        Assert.Equal((Outcome.Missed, Mm(8)), (chin.Outcome, chin.Low));
        Assert.Contains("at least 8 mm is wanted", chin.Reason, StringComparison.Ordinal);
        Assert.Contains("this practice's own number", chin.Basis.Note, StringComparison.Ordinal);
        Assert.Equal(
            Outcome.JustHolds,
            BasketFit.Assess(SnoutModel.From(Medium()), Box(118, 87), Everyday(0)).Criteria.Single(c => c.Name == CriterionName.ChinRoom).Outcome
        );
    }

    private static RuleRefusal Only(HouseRules rules) => Assert.Single(HouseNumbers.Refusals(rules));

    /// <summary>All that the core says of some dogs, pictures and sets by these numbers, as far as one listens.</summary>
    private static IEnumerable<string> Said(HouseRules rules)
    {
        static string Say(FormattableString line) => line.ToString(CultureInfo.InvariantCulture);
        foreach (var days in new[] { 14, 27, 40 })
            yield return Say(
                $"{string.Join(";", Remeasure.Causes(new(new(Day, Mass.FromKilograms(20), Coat.Ordinary), true), new(Day.AddDays(days), Mass.FromKilograms(21.5 + days / 27), Coat.Ordinary), true, rules))}"
            );
        foreach (
            var line in OfTraining(rules)
                .Concat(OfPictures(rules))
                .Concat(OfWearing(rules))
                .Concat(OfTheRound(rules))
                .Concat(OfDogs(rules))
                .Concat(OfHandingOver(rules))
                .Concat(OfHome(rules))
        )
            yield return line;

        static IEnumerable<string> OfPictures(HouseRules rules) =>
            Pictures(rules)
                .Select(picture =>
                    Say(
                        $"{(PhotoSolver.TrySolve(picture, out var solved, out var refused) ? string.Join(";", solved.Measures) + string.Join(";", solved.Hints) : Words.Photo.Message(refused))}"
                    )
                );
    }

    private static IEnumerable<string> OfHome(HouseRules rules) =>
        from missed in Enumerable.Range(0, 15)
        from over in new[] { 0.5, 1, 1.9, 2, 3.5, 7 }
        select string.Join(
            ";",
            FromHome
                .Of(new(null, 0, [], [new(Day, TimeSpan.FromMinutes(over), Red: false, OverThreshold: false)], 1, 5, 0, missed), rules)
                .Select(n => $"{n.What} {n.Number}")
        );

    private static IEnumerable<string> OfTraining(HouseRules rules)
    {
        var plan = TrainingPlan.For(new DogProfile { Name = "Any", Purposes = [Purpose.Walks] });
        foreach (var (temperament, rule) in from t in Enum.GetValues<Temperament>() from r in Enum.GetValues<GoRule>() select (t, r))
        {
            var session = plan.ForSession(temperament, rule);
            yield return $"{GoRules.BeginsAt(temperament, rule, rules)}";
            foreach (var goes in new[] { "+++", "++++", "+++++", "++++++", "-", "--", "---", "-+-+--", "+++++++-+-", "++++++--++", "+-+-+-+-+-", "-++-+++--+" })
            {
                foreach (var worst in new[] { SignGroup.AtEase, SignGroup.OverThreshold })
                {
                    foreach (
                        var (at, top, minutes, all) in new[] { (4, false, 2.0, 20), (4, true, 4, 40), (plan.Steps.Count - 2, true, 4, 8), (2, true, 1, 8) }
                    )
                    {
                        var step = plan.Steps[at].Step;
                        var set = new SetRecord(step.Id, top ? step.TopTarget : 0, Day, [.. goes.Select(g => g == '+')], [new SeenAt(goes.Length, worst)]);
                        foreach (var days in new[] { 0, 1, 2 })
                            yield return $"{Progression.AfterSet(session, set, new HashSet<string>(), days, (TimeSpan.FromMinutes(minutes), all, days), rules)}";
                    }
                }
            }
        }

        // An event on so many days, so many hours apart.
        foreach (var days in new[] { 1, 2, 3 })
        {
            var (closed, wary) = (plan.Steps.First(s => s.Step.Id == "first-close").Step, plan.ForSession(Temperament.Wary, GoRule.AsSoonAsClear));
            var evening = Day.ToDateTime(new TimeOnly(22, 0));
            SetRecord Closed(int day, double hours) => new(closed.Id, 0, Day.AddDays(day), [true], []) { At = evening.AddHours(hours) };
            foreach (var hours in new[] { 3.0, 5, 7, 9, 11, 13, 15, 24 })
                yield return $"{Progression.AfterSet(wary, Closed(days, 24 * (days - 1) + hours), new HashSet<string>(), [.. Enumerable.Range(0, days).Select(d => Closed(d, 24 * d))], (TimeSpan.Zero, 1, 0), rules)}";
        }

        // Put back again and again, at one step or at several, some sessions apart.
        for (var apart = 1; apart < 12; apart++)
        {
            for (var times = 2; times < 6; times++)
            {
                foreach (var steps in new[] { 1, 3 })
                {
                    SessionOutcome Out(int i, bool over) => new(i * apart, over ? $"s{i % steps}" : null, $"s{i % steps}", []);
                    yield return $"{TrainingStop.Of([.. Enumerable.Range(0, times).Select(i => Out(i, true))], rules)} {TrainingStop.Of([.. Enumerable.Range(0, times).Select(i => Out(i, false))], rules)}";
                }
            }
        }

        foreach (var (days, minutes) in new[] { (0, 30), (0, 70), (0, 90), (0, 110), (100, 0), (120, 0), (200, 0), (300, 0), (400, 0) })
        {
            var end = Day.ToDateTime(new TimeOnly(9, 0), DateTimeKind.Utc);
            var training = new Training(
                plan.Dog,
                plan,
                new HashSet<string>(),
                new(plan.Steps[3].Step.Id, 0),
                end,
                null,
                Day,
                false,
                TrainingWeek.Usual,
                GoRule.AsSoonAsClear,
                null,
                rules
            )
            {
                LastSessions = [new(Day, end, SignGroup.AtEase)],
            };
            yield return $"{TrainingTimes.NotNow(training, end.AddDays(days).AddMinutes(minutes), Day.AddDays(days))?.Why}";
        }

        var asked = new ForecastQuestion
        {
            Plan = plan.ForSession(Temperament.Bold, GoRule.AsSoonAsClear),
            Days = TrainingWeek.Usual.Days,
            From = Day,
            Held = new(0, 0),
            Dogs = 100,
            Rules = rules,
        };
        var told = Forecasts.Of(asked, new Random(1));
        yield return $"{told.P10} {told.P50} {told.P90} {string.Join(";", TrainingCalendar.Of(plan, TrainingWeek.Usual, told, new(Day, null, true, Day.AddDays(-3)), rules))}";
        for (var sessions = 1; sessions < 10; sessions++)
            yield return $"{Progress.StuckAt([.. Enumerable.Range(1, sessions).Select(i => new SetOutcome(i, "touch-it", 0, DecisionKind.Same))], rules)} {Progress.IsOverdue(Day, Day.AddDays(sessions), rules)}";
        for (var days = 3; days < 200; days += 3)
            yield return $"{Progression.AfterGap(plan, new(plan.Steps[9].Step.Id, 1), Day, Day.AddDays(days), rules)}";
        foreach (var kind in new DecisionKind?[] { DecisionKind.Raise, DecisionKind.Back, null })
        {
            List<HeldGo> held = [.. Enumerable.Range(1, 40).Select(i => new HeldGo(TimeSpan.FromSeconds(i), i % 4 == 0))];
            yield return $"{Holds.Next(TimeSpan.FromSeconds(4), TimeSpan.FromSeconds(40), kind, rules)} {Holds.Next(TimeSpan.FromSeconds(8), Holds.Estimate(held, rules[Holds.Share], rules).Criterion, kind, rules)} {Holds.Estimate(held, rules[Holds.Share], rules)}";
        }
    }

    private static IEnumerable<string> OfWearing(HouseRules rules)
    {
        yield return $"{WearLimit.Soon(TimeSpan.FromMinutes(5), rules)} {WearLimit.Soon(TimeSpan.FromMinutes(60), rules)}";
        foreach (var stage in Enum.GetValues<TrainedTo>())
        {
            foreach (
                var (air, gape, longest) in new[]
                {
                    (10.0, GapeClass.FullPant, 600.0),
                    (10, GapeClass.HalfPant, 600),
                    (10, GapeClass.Closed, 600),
                    (10, GapeClass.FullPant, 20),
                    (10, GapeClass.FullPant, 0),
                }
            )
            {
                var question = new WearQuestion(
                    new(),
                    new(MuzzleType.Basket, gape),
                    new(Temperature.FromDegreesCelsius(air), RelativeHumidity.FromPercent(60)),
                    stage == TrainedTo.NotFastened,
                    stage == TrainedTo.NotFastened ? null : stage,
                    longest == 0 ? null : TimeSpan.FromMinutes(longest)
                );
                yield return $"{WearLimit.Of(question, rules).Cap}";
            }
        }

        for (var degrees = -20.0; degrees < 5; degrees += 0.5)
            yield return $"{WearLimit.Of(new(new(), new(MuzzleType.Basket, GapeClass.FullPant), new(Temperature.FromDegreesCelsius(degrees), RelativeHumidity.FromPercent(60)), LongestComfortable: TimeSpan.FromHours(2)), rules).Cap}";
        for (var degrees = 9.0; degrees < 50; degrees += 0.5)
            yield return $"{Heat.OfAir(Temperature.FromDegreesCelsius(degrees), rules)} {Heat.Of(Temperature.FromDegreesCelsius(degrees), rules)} {Heat.Leaves(HeatBand.MinutesOnly, TimeSpan.FromHours(1), rules)}";
        for (var dog = 1; dog < 16; dog++)
            yield return $"{string.Join(";", Heat.Movers(new() { AgeYears = dog, BodyMass = Mass.FromKilograms(20 + 4 * dog) }, rules))} {string.Join(";", Heat.Movers(new() { AgeYears = dog / 12.0 }, rules))}";
        for (var days = 0; days < 200; days += 2)
        {
            var wear = new Wear(Day.AddDays(-days), TimeSpan.FromMinutes(10), Occasion.Fun);
            var balance = AssociationBalance.On(
                Day,
                [new(wear.Day, Occasion.Fun), new(Day.AddDays(-1), Occasion.Fun), new(Day.AddDays(-8), Occasion.Stressful)],
                rules
            );
            yield return $"{WearLimit.Forgotten(TimeSpan.FromMinutes(days), rules)}";
            var bad = wear with { Ending = WearEnding.Stopped };
            yield return $"{WearPast.Of([wear], Day, null, rules)} {(wear with { Lasted = TimeSpan.FromMinutes(days / 20.0) }).Was(rules)}";
            foreach (
                var past in new[]
                {
                    new WearPast { WornToday = TimeSpan.FromMinutes(days + 1), LongestCapToday = TimeSpan.FromMinutes(days + 1) },
                    WearPast.Of([bad], Day.AddDays(1), null, rules),
                    new WearPast { WornToday = TimeSpan.FromMinutes(days * 2), LongestCapToday = TimeSpan.FromMinutes(100) },
                }
            )
                yield return $"{WearLimit.Of(new(new(), new(MuzzleType.Basket, GapeClass.FullPant), new(Temperature.FromDegreesCelsius(10), RelativeHumidity.FromPercent(60)), LongestComfortable: past.BadBorne is null ? TimeSpan.FromHours(2) : null) { Past = past }, rules).Cap}";
            yield return $"{balance.Ratio} {balance.Verdict(rules)} {AssociationBalance.On(Day, [new(wear.Day, Occasion.Fun)], rules).HappyWithinWeek}";
            yield return $"{new AssociationBalance(days / 20.0, 1, true).Verdict(rules)} {new WeatherReading(new(Day, default, default), new(default, default)).IsStale(new(Day, new(days / 60, days % 60), default), rules)}";
            yield return $"{MuzzleState.Of(Day, new(Day.AddDays(-days), []), Day.AddDays(days), Day, rules)} {MuzzleState.Refit(Day.AddMonths(-days), false, Day, rules)}";
            yield return $"{MuzzleState.Of(Day, new(Day, []), null, Day.AddDays(days), rules)} {TreatAllowance.PiecesLeftByWeight(Mass.FromKilograms(20), Mass.FromGrams(1), Mass.FromGrams(days), rules)}";
        }
    }

    private static IEnumerable<string> OfTheRound(HouseRules rules)
    {
        for (var days = 1; days < 70; days++)
        {
            var standing = new Standing
            {
                Today = Day,
                Rules = rules,
                WantedBy = Day.AddDays(days),
                StepsLeft = 2,
                Coming = new(new(Day.AddDays(days), null, AppointmentKind.Ferry, Occasion.Ordinary, null, null), null),
            };
            yield return $"{standing.SaysDate} {string.Join(";", (standing with { HasPurpose = true, MuzzleChosen = true, WearsIt = true }).Things)}";
            yield return $"{Sitting.IsOver(Day.AddDays(-1), Midnight, Day, Midnight.AddMinutes(10 * days), rules)}";
        }
    }

    private static IEnumerable<string> OfHandingOver(HouseRules rules)
    {
        var cup = CupPattern.On(SnoutModel.From(Medium() with { Rules = rules }));
        yield return $"{cup} {CupPattern.For(cup.Front, cup.Rear, cup.Length, rules)}";
        var made = Enumerable.Range(0, 1500).Select(d => Day.AddDays(-d).ToDateTime(TimeOnly.MinValue)).ToList();
        yield return string.Join(";", BackupKeeping.Keep(made, Day, rules).Order());
        for (var days = 1; days < 20; days++)
            yield return $"{BackupKeeping.IsOld(Day.AddDays(-days), null, Day, rules)}";
        yield return $"{HandoverCard.LongestOn(Day, rules)}";
    }

    private static IEnumerable<string> OfDogs(HouseRules rules)
    {
        var writing = Writing.Usual with { Rules = rules };
        var words = new FittingWords(writing);
        static string Say(FormattableString line) => line.ToString(CultureInfo.InvariantCulture);
        foreach (var (profile, readings, coat) in Dogs())
        {
            var ownRange =
                BreedRange.Of([.. Enumerable.Range(0, 6).Select(i => Mm(100 + 0.5 * i))], rules)
                ?? BreedRange.Of([.. Enumerable.Range(0, 12).Select(i => Mm(100 + 0.01 * i))], rules);
            var assessed = Assessment.Of(
                readings,
                new Circumstances
                {
                    OtherWays = profile.OtherShapes,
                    BodyMass = profile.BodyMass,
                    Coat = coat,
                    Rules = rules,
                    OwnRanges = ownRange is null ? new Dictionary<Measure, BreedRange>() : new() { [Measure.SnoutGirth] = ownRange },
                }
            );
            yield return Say(
                $"{ownRange} {assessed.HeadShape.Shape} {string.Join(";", assessed.Measured)} {string.Join(";", assessed.Findings.Select(f => Heads.Said(f)))}"
            );
            if (assessed.Snout is not { } snout)
                continue;
            yield return Say($"{string.Join(";", snout.Sources)} {string.Join(";", snout.LowerBorder)} {string.Join(";", CompletedMeasures.Of(assessed))}");

            var twoHours = new BriefQuestion
            {
                Rules = rules,
                Writing = writing,
                Wear = new(TimeSpan.FromHours(2), true),
            };
            yield return string.Join(";", MuzzleBrief.For(profile, twoHours).Lines.Select(l => l.Reason));

            // Muzzles for the few heads that differ; the others are there for what their readings say.
            foreach (var style in profile.BodyMass is null ? [] : Enum.GetValues<FitStyle>())
            {
                var brief = MuzzleBrief.For(
                    profile,
                    new BriefQuestion
                    {
                        Rules = rules,
                        Writing = writing,
                        FitStyle = style,
                        CoatHex = "#5a4632",
                        Visibility = (VisibilitySchool)(int)style,
                        Wear = style == FitStyle.Working ? new(TimeSpan.FromMinutes(18), false) : null,
                    }
                );
                yield return Say($"{string.Join(";", brief.Lines.Select(l => l.Says + l.Reason + l.Basis))} {brief.NeededGape} {brief.Wear}");
                var question = new FitQuestion(snout, brief, Mm(16))
                {
                    Writing = writing,
                    Draws = SnoutDraws.Of(snout, UncertaintySource.Of(assessed), 60, new Random(1)),
                };
                var ranked = Ranking.Rank(Some, question);
                foreach (var fit in ranked)
                    yield return Say(
                        $"{fit.Size.Id} {fit.Verdict} {fit.Chance} {fit.Weighted} {fit.TightestMargin} {Headline.Of(fit).Says} {fit.Retake} {fit.Assessment?.GapeClass} {fit.OtherStrap} {string.Join(";", fit.Criteria.Select(c => c.Reason))} {string.Join(";", Remedies.For(fit, [fit]).Select(words.Of))}"
                    );
                yield return Say($"{string.Join(";", TooTight(ranked, question).SelectMany(f => Remedies.For(f, [])).Select(words.Of))}");
                yield return Say(
                    $"{string.Join(";", OrderSheet.For(profile, question).Dimensions)} {VanStock.FitsToday(Some, question).Count} {words.Caution(MuzzleType.Sleeve)} {words.Caution(MuzzleType.FaceCover)}"
                );
            }
        }
    }

    /// <summary>What fits best, with a strap whose tightest hole is ever further from the neck.</summary>
    private static IEnumerable<RankedFit> TooTight(IReadOnlyList<RankedFit> ranked, FitQuestion question)
    {
        if (ranked.FirstOrDefault(f => f.Verdict != Verdict.Out && f.Basket is not null) is not { NeckLoop.Millimeters: var loop } best)
            yield break;
        for (var off = 3.0; off < 40; off += 6)
            yield return Ranking.Judge(
                best.Model with
                {
                    HolePitch = Mm(12),
                },
                best.Size with
                {
                    NeckStrapMin = Mm(loop + off),
                    NeckStrapMax = Mm(loop + 100),
                },
                question
            );
    }

    private static IEnumerable<(DogProfile Dog, IReadOnlyList<Reading> Readings, Coat Coat)> Dogs()
    {
        Reading By(Tool tool, Measure measure, double mm, Side? side = null) => Read(measure, mm, side) with { Tool = tool };
        var typical = new DogProfile
        {
            Name = "Medium",
            HeadShapeSeen = HeadShape.Medium,
            BodyMass = Mass.FromKilograms(26),
            Purposes = [Purpose.Walks],
        };

        // Everything read, by every tool, with slips: sides apart, repeats that scatter, a jaw taken point to point.
        yield return (
            typical,
            [
                By(Tool.SoftTape, Measure.NoseToInnerEye, 100, Side.Left),
                By(Tool.SoftTape, Measure.NoseToInnerEye, 105.5, Side.Right),
                By(Tool.SoftTape, Measure.InnerEyeSpacing, 44),
                By(Tool.Caliper, Measure.SnoutHeight, 80),
                By(Tool.Caliper, Measure.SnoutHeight, 83.5),
                By(Tool.Photo, Measure.SnoutWidth, 72),
                By(Tool.Photo, Measure.SnoutWidth, 81),
                By(Tool.String, Measure.SnoutGirth, 260),
                By(Tool.String, Measure.SnoutGirth, 269),
                By(Tool.DigitalTape, Measure.JawToNose, 170),
                By(Tool.DigitalTape, Measure.NeckGirth, 430),
                By(Tool.DigitalTape, Measure.NeckGirth, 433.5),
                By(Tool.SoftTape, Measure.HeadGirth, 440),
                By(Tool.SoftTape, Measure.HeadGirth, 445),
                By(Tool.SoftTape, Measure.NoseToOcciput, 222),
                By(Tool.SoftTape, Measure.FitLineLength, 70),
                By(Tool.SoftTape, Measure.StopToNose, 95),
                By(Tool.SoftTape, Measure.StopToOcciput, 115),
                By(Tool.SoftTape, Measure.SkullWidth, 105),
            ],
            Coat.Thick
        );

        // Little read: the rest follows from the head shape.
        yield return (
            typical with
            {
                Name = "Long",
                HeadShapeSeen = HeadShape.Long,
                BodyMass = Mass.FromKilograms(30),
            },
            [
                By(Tool.SoftTape, Measure.NoseToInnerEye, 112, Side.Left),
                By(Tool.SoftTape, Measure.NeckGirth, 400),
                By(Tool.SoftTape, Measure.HeadGirth, 398),
                By(Tool.SoftTape, Measure.NoseToOcciput, 245),
            ],
            Coat.Ordinary
        );
        yield return (
            typical with
            {
                Name = "Short",
                HeadShapeSeen = HeadShape.Short,
                BodyMass = Mass.FromKilograms(11),
                Purposes = [Purpose.Clinic],
            },
            [
                By(Tool.SoftTape, Measure.FitLineLength, 30),
                By(Tool.SoftTape, Measure.SnoutGirth, 190),
                By(Tool.SoftTape, Measure.NeckGirth, 330),
                By(Tool.SoftTape, Measure.NoseToOcciput, 130),
            ],
            Coat.Ordinary
        );
        yield return (
            typical with
            {
                Name = "Toy",
                BodyMass = Mass.FromKilograms(3),
                Purposes = [Purpose.Clinic],
            },
            [
                By(Tool.SoftTape, Measure.NoseToInnerEye, 34, Side.Left),
                By(Tool.SoftTape, Measure.SnoutWidth, 30),
                By(Tool.SoftTape, Measure.NeckGirth, 220),
                By(Tool.SoftTape, Measure.InnerEyeSpacing, 60),
                By(Tool.SoftTape, Measure.NoseToOcciput, 90),
            ],
            Coat.Ordinary
        );

        // Faces that are much or little of the head; a head on the border of two shapes; jaws that only just ask, and one that nothing explains.
        foreach (var (eye, whole) in new[] { (60.0, 210.0), (150, 215), (40, 200), (110, 195) })
        {
            foreach (var shape in new[] { HeadShape.Medium, HeadShape.Short })
                yield return (
                    new DogProfile { Name = "Face", HeadShapeSeen = shape },
                    [By(Tool.SoftTape, Measure.NoseToInnerEye, eye, Side.Left), By(Tool.SoftTape, Measure.NoseToOcciput, whole)],
                    Coat.Ordinary
                );
        }

        foreach (var (face, skull, width) in new[] { (92.0, 100.0, 88.0), (78, 100, 100), (72, 100, 122), (96, 104, 76) })
            yield return (
                new DogProfile { Name = "Border" },
                [By(Tool.SoftTape, Measure.StopToNose, face), By(Tool.SoftTape, Measure.StopToOcciput, skull)],
                Coat.Ordinary
            );
        foreach (var (length, width) in new[] { (200.0, 88.0), (200, 97), (200, 128), (200, 138) })
            yield return (
                new DogProfile { Name = "Breadth" },
                [By(Tool.SoftTape, Measure.NoseToOcciput, length), By(Tool.SoftTape, Measure.SkullWidth, width)],
                Coat.Ordinary
            );
        for (var jaw = 110.0; jaw < 230; jaw += 4)
        {
            foreach (var (shape, share) in new[] { (HeadShape.Short, 0.5), (HeadShape.Long, 1) })
                yield return (
                    new DogProfile { Name = "Jaw", HeadShapeSeen = shape },
                    [
                        By(Tool.SoftTape, Measure.NoseToInnerEye, 100 * share, Side.Left),
                        By(Tool.SoftTape, Measure.SnoutHeight, 80 * share),
                        By(Tool.SoftTape, Measure.NoseToOcciput, 212 * share),
                        Read(Measure.JawToNose, jaw * share),
                    ],
                    Coat.Ordinary
                );
            yield return (
                new DogProfile { Name = "Jaw", HeadShapeSeen = HeadShape.Medium },
                [
                    By(Tool.SoftTape, Measure.NoseToInnerEye, 100, Side.Left),
                    By(Tool.SoftTape, Measure.SnoutHeight, 80),
                    By(Tool.SoftTape, Measure.NoseToOcciput, 212),
                    Read(Measure.JawToNose, jaw),
                    Read(Measure.SnoutGirth, 101 + (jaw - 110) / 10),
                ],
                Coat.Ordinary
            );
        }

        for (var off = 0.0; off < 0.3; off += 0.01)
            foreach (
                var (height, width, girth) in new[]
                {
                    (off, 0, 0),
                    (0, -off, 0),
                    (0, 0, -off),
                    (off / 2, -off / 2, 0.0),
                    (off, -off, 0),
                    (off, -off / 2, off / 4),
                }
            )
                yield return (
                    new DogProfile { Name = "Section", HeadShapeSeen = HeadShape.Medium },
                    [
                        By(Tool.SoftTape, Measure.NoseToInnerEye, 97, Side.Left),
                        By(Tool.SoftTape, Measure.SnoutHeight, 80 * (1 + height)),
                        By(Tool.SoftTape, Measure.SnoutWidth, 72 * (1 + width)),
                        By(Tool.SoftTape, Measure.SnoutGirth, 276 * (1 + girth)),
                    ],
                    Coat.Ordinary
                );
        for (var apart = 2.0; apart < 12; apart += 1)
            yield return (
                new DogProfile { Name = "Apart" },
                [Read(Measure.NoseToInnerEye, 60, Side.Left), Read(Measure.NoseToInnerEye, 60 + apart, Side.Right)],
                Coat.Ordinary
            );
    }

    private static IEnumerable<PhotoQuestion> Pictures(HouseRules rules)
    {
        PhotoQuestion Of(PhotoView view, double perMm, double turned, double away, bool level = true, ReferenceKind kind = ReferenceKind.Card)
        {
            // A camera above the middle of the card, the picture's plane turned about the upright axis.
            PixelPoint At(double x, double y, double depth = 0)
            {
                var (turn, distance) = (turned * Math.PI / 180, away);
                var (px, pz) = ((x - 40) * Math.Cos(turn), distance - depth + (x - 40) * Math.Sin(turn));
                return new(1000 + perMm * away * px / pz, 800 + perMm * away * (y - 60) / pz);
            }

            var landmarks =
                view == PhotoView.Side
                    ? new Dictionary<Landmark, PixelPoint>
                    {
                        [Landmark.NoseTip] = At(-20, 70),
                        [Landmark.InnerEye] = At(80, 70, 20),
                        [Landmark.FitLineTop] = At(61, 66),
                        [Landmark.FitLineUnder] = At(61, 146),
                        [Landmark.ThroatBump] = At(131, 146),
                        [Landmark.Stop] = At(84, 60),
                        [Landmark.Occiput] = At(190, 50),
                    }
                    : new Dictionary<Landmark, PixelPoint>
                    {
                        [Landmark.NoseTip] = At(-20, 70),
                        [Landmark.InnerEyeLeft] = At(80, 92),
                        [Landmark.InnerEyeRight] = At(80, 48),
                        [Landmark.SnoutLeft] = At(61, 106),
                        [Landmark.SnoutRight] = At(61, 34),
                        [Landmark.Stop] = At(84, 70),
                        [Landmark.Occiput] = At(190, 70),
                        [Landmark.SkullLeft] = At(120, 120),
                        [Landmark.SkullRight] = At(120, 20),
                    };
            if (level && view == PhotoView.Side)
                (landmarks[Landmark.BridgeFront], landmarks[Landmark.BridgeBack]) = (At(0, 66), At(50, 66));
            PixelPoint[] corners = kind == ReferenceKind.Ruler ? [At(0, 0), At(100, 0)] : [At(0, 0), At(85.6, 0), At(85.6, 53.98), At(0, 53.98)];
            return new PhotoQuestion(
                view,
                new(kind, corners, kind == ReferenceKind.Ruler ? Mm(100) : null, LongSideFirst: kind != ReferenceKind.Ruler),
                landmarks
            )
            {
                Rules = rules,
                PictureSize = level ? (2000, 1600) : null,
            };
        }

        foreach (var view in Enum.GetValues<PhotoView>())
        {
            foreach (var level in new[] { true, false })
                yield return Of(view, 4, 4, 1000, level);
            yield return Of(view, 4, 0, 1000, kind: ReferenceKind.Ruler);
            foreach (var turned in new[] { 30.0, 48 })
                yield return Of(view, 4, turned, 1000);
            yield return Of(view, 4, 20, 350);
            yield return Of(view, 4, 16, 450);
            foreach (var perMm in new[] { 0.8, 1.6 })
                yield return Of(view, perMm, 0, 1000);
        }

        foreach (var shape in new[] { HeadShape.Long, HeadShape.Short })
            yield return Of(PhotoView.Side, 4, 4, 1000) with
            {
                HeadShape = shape,
            };

        // One landmark far out, nearer and farther.
        foreach (var far in new[] { 2000.0, 3000 })
        {
            var usual = Of(PhotoView.Side, 4, 0, 1000);
            yield return usual with
            {
                Landmarks = new Dictionary<Landmark, PixelPoint>(usual.Landmarks) { [Landmark.Occiput] = new(far, 900) },
            };
        }

        foreach (var turned in new[] { 25.0, 38 })
        {
            var usual = Of(PhotoView.Side, 4, turned, 420);
            yield return usual with
            {
                Landmarks = new Dictionary<Landmark, PixelPoint>(usual.Landmarks) { [Landmark.Occiput] = new(1900, 900) },
            };
        }
    }
}
