using FsCheck.Xunit;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using MathNet.Numerics.LinearAlgebra;

namespace JauntyBadge.Core.Tests.Conditioning;

/// <summary>When a dog will be ready: the filter against exact Bayes, the playing on against an absorbing chain, and what may be said.</summary>
public class ForecastTests
{
    private static readonly DayOfWeek[] Five = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday];
    private static readonly DateOnly Monday = new(2026, 1, 5);

    /// <summary>Moods, feelings and forgetting switched off: what it does follows from two numbers.</summary>
    private static DogNature Plain(double start, double learning) =>
        DogNature.Of(Temperament.Typical) with
        {
            Start = start,
            Learning = learning,
            Unlearning = 0,
            Excitable = 0,
            MoodSpread = 0,
            ForgetsInDays = 1e9,
            Tires = 0,
        };

    private static SessionPlan PlanOf(Temperament temperament, params Purpose[] purposes) =>
        TrainingPlan
            .For(
                new DogProfile
                {
                    Name = "Any",
                    Temperament = temperament,
                    Purposes = purposes,
                }
            )
            .ForSession(temperament, GoRule.AsSoonAsClear);

    private static ForecastQuestion Question(Temperament temperament, int sessions, int seed = 5)
    {
        var plan = PlanOf(temperament, Purpose.Clinic);
        var random = new Random(seed);
        var (sets, _) = VirtualTraining.Play(
            new VirtualDog(DogNature.Of(temperament).Drawn(random), plan.StepIds.Count, random),
            plan,
            Five,
            Monday,
            300,
            HouseRules.Ours
        );
        var days = sets.Select(s => s.Day).Distinct().Take(sessions).ToHashSet();
        return new ForecastQuestion
        {
            Plan = plan,
            Days = Five,
            Purposes = [Purpose.Clinic],
            Log = [.. sets.Where(s => days.Contains(s.Day))],
            Dogs = 300,
            From = sessions == 0 ? Monday : days.Max().AddDays(1),
        };
    }

    /// <summary>The posterior of both numbers after thirty goes, by summing over a fine grid: exact Bayes, without any particle.</summary>
    [Fact]
    public void The_filter_is_exact_Bayes_on_a_dog_of_two_numbers()
    {
        var random = new Random(11);
        var truth = new VirtualDog(Plain(0.35, 0.05), 1, random);
        List<SetRecord> log = [];
        for (var set = 0; set < 5; set++)
            log.Add(new SetRecord("charge-marker", set % 2, Monday, [.. Enumerable.Range(0, 6).Select(_ => truth.Go(0, set % 2, 1).Good)], []));
        var step = Step.Find("charge-marker")!;

        // On the grid: the likelihood of the goes by the same two numbers, worked out here from the chance of each go alone.
        var (sum, start, learning) = (0.0, 0.0, 0.0);
        for (var s = 0.105; s < 0.7; s += 0.01)
        {
            for (var l = 0.0025; l < 0.2; l += 0.005)
            {
                var (dog, likely) = (new VirtualDog(Plain(s, l), 1, random), 1.0);
                foreach (var set in log)
                {
                    foreach (var good in set.Goes)
                    {
                        var chance = dog.Chance(0, set.Target, 1);
                        likely *= good ? chance : 1 - chance;
                        dog.See(0, set.Target, 1, good, SignGroup.AtEase);
                    }
                }

                (sum, start, learning) = (sum + likely, start + likely * s, learning + likely * l);
            }
        }

        var dogs = Enumerable
            .Range(0, 8000)
            .Select(_ => new VirtualDog(Plain(0.1 + 0.6 * random.NextDouble(), 0.2 * random.NextDouble()), 1, random))
            .ToArray();
        var natures = dogs.Select(d => d.Nature).ToArray();
        var filter = new ParticleFilter(dogs, random);
        foreach (var set in log)
            filter.See(set, 0, step);
        var weights = filter.Weights();
        Assert.Equal(start / sum, natures.Zip(weights, (n, w) => n.Start * w).Sum(), 0.01);
        Assert.Equal(learning / sum, natures.Zip(weights, (n, w) => n.Learning * w).Sum(), 0.005);

        // Drawn anew by their weights they mean the same.
        var learned = dogs.Zip(weights, (d, w) => d.Learned(0) * w).Sum();
        filter.Resample(always: true);
        Assert.Equal(learned, filter.Dogs.Average(d => d.Learned(0)), 0.005);
    }

    /// <summary>
    /// With learning off, sets are a Markov chain over targets: mean sets to passing a gate from (I − Q)⁻¹·1. Source: Kemeny &amp; Snell, Finite Markov
    /// Chains; MathNet linear algebra as second way. The chances of a set come from going through every course of ten goes.
    /// </summary>
    [Fact]
    public void Without_learning_sets_to_passing_are_those_of_the_absorbing_chain()
    {
        var plan = new SessionPlan(GoRule.AsSoonAsClear, Temperament.Typical, ["charge-marker"]);
        var top = plan.Steps()[0].TopTarget;
        var still = Plain(0.62, 0);
        var probe = new VirtualDog(still, 1, new Random(1));
        var targets = Enumerable.Range(-3, top + 4).ToList();

        // States: a target before and after the first good day at the top.
        var q = Matrix<double>.Build.Dense(2 * targets.Count, 2 * targets.Count);
        for (var day = 0; day < 2; day++)
        {
            foreach (var (i, target) in targets.Index())
            {
                var (up, down) = Outcomes(probe.Chance(0, target, top), target, top);
                var at = day * targets.Count + i;
                q[at, at] += 1 - up - down;
                q[at, day * targets.Count + Math.Max(0, i - 1)] += down;
                if (target < top)
                    q[at, at + 1] += up;
                else if (day == 0)
                    q[at, targets.Count + i] += up;
            }
        }

        var mean = (Matrix<double>.Build.DenseIdentity(2 * targets.Count) - q).Solve(Vector<double>.Build.Dense(2 * targets.Count, 1))[3];
        var random = new Random(8);
        var played = Enumerable
            .Range(0, 4000)
            .Average(_ =>
                VirtualTraining
                    .Play(new VirtualDog(still, 1, random), plan, Enum.GetValues<DayOfWeek>(), Monday, 2000, HouseRules.Ours)
                    .Sets.Count(s => !s.IsAfter)
            );
        Assert.Equal(mean, played, mean * 0.03);
    }

    /// <summary>The chance that a set raises (or shows the top well) and that it goes back, by going through every course of goes.</summary>
    private static (double Up, double Down) Outcomes(double p, int target, int top)
    {
        var (up, down) = (0.0, 0.0);
        void Go(List<bool> goes, double chance)
        {
            var decision = GoRules.Decide(new(GoRule.AsSoonAsClear, Temperament.Typical, target, top, true), goes, [], HouseRules.Ours);
            if (decision.Kind == DecisionKind.GoOn)
            {
                Go([.. goes, true], chance * p);
                Go([.. goes, false], chance * (1 - p));
                return;
            }

            up += decision.Kind == DecisionKind.Raise || decision.By == DecidedBy.AnotherDay ? chance : 0;
            down += decision.Kind == DecisionKind.Back ? chance : 0;
        }

        Go([], 1);
        return (up, down);
    }

    [Property(MaxTest = 300)]
    public bool A_set_played_go_by_go_is_decided_as_one_looked_back_on(ushort goesBits, byte temperament, bool tens, bool gate, (byte After, byte Group)[] seen)
    {
        var start = new SetStart(tens ? GoRule.SteadyTens : GoRule.AsSoonAsClear, (Temperament)(temperament % 4), 1, 3, gate);
        var (play, goes, signs) = (new GoRules.SetInPlay(start, GoRules.Test(HouseRules.Ours), HouseRules.Ours), new List<bool>(), new List<SeenAt>());
        for (var go = 1; go <= GoRules.MostGoes; go++)
        {
            var sign = seen.Where(s => s.After % 12 == go).Select(s => (SignGroup)(s.Group % 4)).DefaultIfEmpty(SignGroup.AtEase).Max();
            goes.Add((goesBits >> go & 1) == 1);
            if (sign > SignGroup.AtEase)
                signs.Add(new(go, sign));
            if (play.After(goes[^1], sign) is { } decided)
                return decided == GoRules.Decide(start, goes, signs, HouseRules.Ours);
            if (GoRules.Decide(start, goes, signs, HouseRules.Ours).Kind != DecisionKind.GoOn)
                return false;
        }

        return false;
    }

    [Fact]
    public void The_same_seed_gives_the_same_answer()
    {
        var question = Question(Temperament.Wary, 10) with { By = new(2026, 3, 2) };
        string Told(int seed) =>
            Forecasts.Of(question, new Random(seed)) is var f
                ? $"{f} {string.Join(";", f.HoldsUp)} {string.Join(";", f.WaysOut)} {string.Join(";", f.Fan)}"
                : "";
        Assert.Equal(Told(4), Told(4));
        Assert.NotEqual(Told(4), Told(5));
    }

    [Theory]
    [InlineData(Temperament.Bold)]
    [InlineData(Temperament.Wary)]
    public void Days_and_chances_stand_in_order(Temperament temperament)
    {
        var question = Question(temperament, 6);
        var told = Forecasts.Of(question, new Random(3));
        Assert.True(told.P10 <= told.P50 && (told.P90 is null || told.P50 <= told.P90));
        Assert.Null(told.ChanceBy);
        Assert.Empty(told.WaysOut);
        Assert.NotEmpty(told.HoldsUp);
        Assert.All(told.HoldsUp, h => Assert.True(question.Plan.StepIds.Contains(h.StepId) && h.Sessions > 0));
        Assert.All(told.Fan.Zip(told.Fan.Skip(1)), w => Assert.True(w.First.P50 <= w.Second.P50 && w.First.P10 <= w.First.P50 && w.First.P50 <= w.First.P90));
        var chances = new[] { 5, 40, 120, 360 }
            .Select(days => Forecasts.Of(question with { By = question.From.AddDays(days) }, new Random(3)).ChanceBy!.Value)
            .ToList();
        Assert.Equal(chances.Order(), chances);
        Assert.True(chances[0] < 0.5 && chances[^1] > chances[1] + 0.3);
        // Read from the same dogs, day by day.
        Assert.Equal(chances, new[] { 5, 40, 120, 360 }.Select(days => told.ChanceOn(question.From.AddDays(days))));
        Assert.Equal(1 - told.NeverShare, told.ChanceOn(question.From.AddDays(400)), 12);
        Assert.Equal([Stage.FirstFastening], told.NotSeenYet.Where(s => s == Stage.FirstFastening));
    }

    /// <summary>A wary dog and a visit in twelve days: said early, with what would help and by how much, and never with what cannot be played given a chance.</summary>
    [Fact]
    public void A_date_that_will_not_hold_is_told_with_ways_out()
    {
        var question = Question(Temperament.Wary, 8);
        question = question with { By = question.From.AddDays(12) };
        var told = Forecasts.Of(question, new Random(6));
        Assert.True(told.ChanceBy < 0.1);
        Assert.All(told.WaysOut.Where(w => w.ChanceBy is not null), w => Assert.True(w.ChanceBy > told.ChanceBy));
        Assert.All(told.WaysOut, w => Assert.True(Words.Conditioning.WayOut(w, question) is { Length: > 15 } says && char.IsUpper(says[0])));
        Assert.Equal(
            [WayOutKind.HappyVisit, WayOutKind.AskAboutMedication, WayOutKind.SleeveByStaff],
            told.WaysOut.Where(w => w.ChanceBy is null).Select(w => w.Kind)
        );
        Assert.DoesNotContain(WayOutKind.SleeveByStaff, Forecasts.Of(question with { MayWearSleeve = false }, new Random(6)).WaysOut.Select(w => w.Kind));
        var held = question.Plan.Steps().Last(s => s.Stage == Stage.Hold).Id;
        Assert.True(Forecasts.Of(question with { ReadyAt = held }, new Random(6)).ChanceBy >= told.ChanceBy);
    }

    /// <summary>A way out stands on fewer dogs than the forecast that takes it: to five standard errors of both they are the same chance.</summary>
    [Fact]
    public void A_way_out_has_the_chance_of_the_forecast_that_takes_it()
    {
        var question = Question(Temperament.Wary, 8);
        question = question with { By = Forecasts.Of(question, new Random(6)).P50 };
        var told = Forecasts.Of(question, new Random(6));
        var played = told.WaysOut.Where(w => w.ChanceBy is not null).ToList();
        Assert.True(played.Count > 1);
        Assert.Contains(played, w => w.Kind == WayOutKind.ShorterGoal);
        foreach (var way in played)
        {
            var taken = way.Kind switch
            {
                WayOutKind.AnotherDay => question with { Days = [.. question.Days, DayOfWeek.Sunday] },
                WayOutKind.TwiceADay => question with { SessionsPerDay = 2 },
                WayOutKind.MoveIt => question with { By = question.By!.Value.AddDays(14) },
                _ => question with { ReadyAt = way.StepId },
            };
            // 250 dogs against 300: five standard errors of the difference.
            Assert.InRange(Forecasts.Of(taken, new Random(7)).ChanceBy!.Value - way.ChanceBy!.Value, -0.21, 0.21);
        }
    }

    [Fact]
    public void A_dog_that_is_there_is_ready_today()
    {
        var question = Question(Temperament.Typical, 3);
        var all = question.Plan.StepIds.ToHashSet();
        var told = Forecasts.Of(question with { Passed = all, Position = null, By = question.From }, new Random(1));
        Assert.Equal(
            (question.From, question.From, question.From, 1.0, 0.0),
            (told.P10!.Value, told.P50!.Value, told.P90!.Value, told.ChanceBy!.Value, told.NeverShare)
        );
        Assert.Empty(told.HoldsUp);
    }

    /// <summary>A day already past, no record at all, one day a week, two sessions on it.</summary>
    [Fact]
    public void Awkward_questions_are_answered()
    {
        var question = Question(Temperament.Typical, 0);
        Assert.Equal(0, Forecasts.Of(question with { By = question.From.AddDays(-1) }, new Random(1)).ChanceBy);
        var once = Forecasts.Of(question with { Days = [DayOfWeek.Sunday] }, new Random(1));
        var twice = Forecasts.Of(question with { Days = [DayOfWeek.Sunday], SessionsPerDay = 2 }, new Random(1));
        Assert.True((once.P50 ?? DateOnly.MaxValue) >= twice.P50);
        Assert.Equal(DayOfWeek.Sunday, twice.P50!.Value.DayOfWeek);
        Assert.Null(Forecasts.Of(question with { Days = [] }, new Random(1)).P10);
    }

    /// <summary>An owner who trains every other planned day: the record tells, and the day moves out and spreads.</summary>
    [Fact]
    public void Days_that_come_to_nothing_are_counted_on()
    {
        var question = Question(Temperament.Typical, 6);
        var (every, half) = (
            Forecasts.Of(question with { Held = new(40, 40) }, new Random(2)),
            Forecasts.Of(question with { Held = new(40, 20) }, new Random(2))
        );
        Assert.True(half.P50 > every.P50 && half.P90!.Value.DayNumber - half.P10!.Value.DayNumber > every.P90!.Value.DayNumber - every.P10!.Value.DayNumber);
        SetRecord On(int day) => new("charge-marker", 0, Monday.AddDays(day), [true], []);
        List<SetRecord> log = [On(0), On(2), On(2), On(5), On(9)];
        Assert.Equal(new SessionsHeld(10, 3), SessionsHeld.Of(log, Five, 1, Monday.AddDays(14), 1));
        Assert.Equal(new SessionsHeld(0, 0), SessionsHeld.Of([], Five, 1, Monday, 1));

        // Rest that the rule asked for is not missed: over threshold on Wednesday, a fearful dog rests on Thursday.
        log[1] = log[1] with
        {
            Signs = [new SeenAt(1, SignGroup.OverThreshold)],
        };
        Assert.Equal(new SessionsHeld(9, 3), SessionsHeld.Of(log, Five, 1, Monday.AddDays(14), 2));

        // Two a day: one of them is half of the day, told by the hours where they are known.
        var at = Monday.ToDateTime(new TimeOnly(8, 0), DateTimeKind.Utc);
        Assert.Equal(new SessionsHeld(2, 1), SessionsHeld.Of([On(0) with { At = at }, On(0) with { At = at.AddMinutes(4) }], Five, 2, Monday.AddDays(1), 1));
        Assert.Equal(new SessionsHeld(2, 2), SessionsHeld.Of([On(0) with { At = at }, On(0) with { At = at.AddHours(5) }], Five, 2, Monday.AddDays(1), 1));
        Assert.Equal(new SessionsHeld(2, 2), SessionsHeld.Of([On(0)], Five, 2, Monday.AddDays(1), 1));
    }

    /// <summary>Days of the week there are, rest after going over threshold, a try-on once it takes the muzzle, and the day wanted at the end.</summary>
    [Fact]
    public void A_calendar_asks_for_no_more_than_the_days_there_are()
    {
        var plan = TrainingPlan.For(new DogProfile { Name = "Any", Purposes = [Purpose.Walks] });
        var told = Forecasts.Of(
            new ForecastQuestion
            {
                Plan = plan.ForSession(Temperament.Bold, GoRule.AsSoonAsClear),
                Days = Five,
                From = Monday,
                Dogs = 200,
            },
            new Random(1)
        );
        var week = new TrainingWeek(Five, 2, Monday.AddDays(40));
        var days = TrainingCalendar.Of(plan, week, told, new(Monday, Monday.AddDays(2), true, Monday.AddDays(-26)), HouseRules.Ours);
        Assert.All(days.Where(d => d.Kind is CalendarKind.Session or CalendarKind.Rest), d => Assert.Contains(d.Day.DayOfWeek, Five));
        Assert.Equal(
            [CalendarKind.Rest, CalendarKind.Rest, CalendarKind.Session],
            days.Take(2).Append(days.First(d => d.Day == Monday.AddDays(2) && d.Kind == CalendarKind.Session)).Select(d => d.Kind)
        );
        Assert.All(days.GroupBy(d => d.Day), d => Assert.True(d.Count(e => e.Kind == CalendarKind.Session) <= 2));
        Assert.Equal((Monday.AddDays(40), CalendarKind.Wanted), (days[^1].Day, days[^1].Kind));
        Assert.Equal([Monday.AddDays(2), Monday.AddDays(30)], days.Where(d => d.Kind == CalendarKind.Refit).Select(d => d.Day));
        var tried = Assert.Single(days, d => d.Kind == CalendarKind.TryOn);
        Assert.True(days.Where(d => d.Day < tried.Day && d.StepId is not null).All(d => Step.Find(d.StepId!)!.Stage <= Stage.FirstFastening));
        Assert.All(days, d => Assert.StartsWith("Fern", Words.Conditioning.Entry(d, "Fern"), StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(Sensitivity.Clicks)]
    [InlineData(Sensitivity.HandsBehindHead)]
    public void What_it_minds_takes_longer(Sensitivity minds)
    {
        var question = Question(Temperament.Typical, 0);
        var (minding, plain) = (Forecasts.Of(question with { Minds = [minds] }, new Random(2)), Forecasts.Of(question, new Random(2)));
        Assert.True(minding.ChanceOn(plain.P50!.Value) < plain.ChanceOn(plain.P50!.Value));
    }
}
