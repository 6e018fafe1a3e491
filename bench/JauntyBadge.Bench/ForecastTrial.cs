using System.Diagnostics;
using System.Globalization;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Bench;

/// <summary>How quick a forecast is, and whether its middle four in five hold of dogs of other models than those it is drawn from.</summary>
internal static class ForecastTrial
{
    private static readonly DayOfWeek[] Five = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday];
    private static readonly DateOnly First = new(2026, 1, 5);
    private static readonly int[] OnRecord = [8, 30];

    /// <summary>A way in which real dogs and their owners may differ from ours.</summary>
    /// <param name="Name">In words.</param>
    /// <param name="Nature">What the dog is like.</param>
    /// <param name="Harder">By how much each step is harder for it.</param>
    /// <param name="Skips">Share of planned days on which nothing is held.</param>
    /// <param name="MisTapped">Share of goes tapped the wrong way round.</param>
    private sealed record Model(
        string Name,
        Func<DogNature, DogNature> Nature,
        Func<IReadOnlyList<Step>, Random, double[]>? Harder = null,
        double Skips = 0,
        double MisTapped = 0
    );

    private static readonly Model[] Models =
    [
        new("as drawn", n => n),
        new("learns a third slower", n => n with { Learning = n.Learning / 1.5 }),
        new("little carries over", n => n with { Shared = n.Shared * 0.5 }),
        new("moods twice as wide", n => n with { MoodSpread = n.MoodSpread * 2 }),
        new("forgets twice as fast", n => n with { ForgetsInDays = n.ForgetsInDays / 2 }),
        new("all or none", n => n with { AllOrNone = true }),
        new("steps differ a little", n => n, (steps, random) => [.. steps.Select(_ => 0.08 * (2 * random.NextDouble() - 1))]),
        new("two hard steps", n => n, TwoHard),
        new("easy until fastened", n => n, (steps, _) => [.. steps.Select(s => s.Stage >= Stage.FirstFastening ? 0.14 : 0)]),
        new("one fright and it stays", n => n with { Shock = 0.9, UnsureFrom = n.UnsureFrom * 0.85 }),
        new("a third of days skipped", n => n, Skips: 1 / 3.0),
        new("one go in fifty mis-tapped", n => n, MisTapped: 0.02),
    ];

    private static double[] TwoHard(IReadOnlyList<Step> steps, Random random)
    {
        var harder = new double[steps.Count];
        for (var i = 0; i < 2; i++)
            harder[random.Next(5, steps.Count - 1)] += 0.15;
        return harder;
    }

    /// <summary>What one forecast came to.</summary>
    private readonly record struct Told(bool Inside, bool Above, int Width, double Brier, int Sure, int SureTrue);

    public static void Run(int dogs)
    {
        Speed();
        if (dogs == 0)
            return;
        Console.WriteLine(
            "| dogs | temperament | in the 80 % interval | later than its end | width, middle (days) | \"95 % and more\" came true | Brier score |"
        );
        Console.WriteLine("|---|---|--:|--:|--:|--:|--:|");
        List<Told> all = [];
        foreach (var model in Models)
        {
            List<Told> ofModel = [];
            foreach (var temperament in Enum.GetValues<Temperament>())
            {
                var told = Enumerable
                    .Range(0, dogs)
                    .AsParallel()
                    .AsOrdered()
                    .SelectMany(seed => OnRecord.SelectMany(r => One(model, temperament, r, seed)))
                    .ToList();
                ofModel.AddRange(told);
                Console.WriteLine(Row(model.Name, temperament.ToString().ToLowerInvariant(), told));
            }

            all.AddRange(ofModel);
            Console.WriteLine(Row($"**{model.Name}**", "all", ofModel));
        }

        Console.WriteLine(Row("**all**", "all", all));
    }

    private static string Row(string name, string temperament, List<Told> told) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"| {name} | {temperament} | {told.Average(t => t.Inside ? 1 : 0):0 %} | {told.Average(t => t.Above ? 1 : 0):0 %} | {told.Select(t => t.Width).Order().ElementAt(told.Count / 2)} | {(told.Sum(t => t.Sure) == 0 ? "–" : $"{told.Sum(t => t.SureTrue) / (double)told.Sum(t => t.Sure):0 %} of {told.Sum(t => t.Sure)}")} | {told.Average(t => t.Brier):0.000} |"
        );

    private static void Speed()
    {
        foreach (var (temperament, sessions) in ((Temperament, int)[])[(Temperament.Typical, 8), (Temperament.Wary, 30), (Temperament.Soured, 60)])
            Speed(temperament, Question(Models[0], temperament, sessions, 3, out _)!);
    }

    private static void Speed(Temperament temperament, ForecastQuestion question)
    {
        for (var i = 0; i < 6; i++)
        {
            var watch = Stopwatch.StartNew();
            var told = Forecasts.Of(question with { By = question.From.AddDays(20) }, new Random(1));
            Console.WriteLine(
                $"{temperament}: {question.Dogs} dogs over {question.Log.Select(s => s.Day).Distinct().Count()} sessions, {question.Log.Sum(s => s.Goes.Count)} goes: {watch.ElapsedMilliseconds} ms; half ready by {told.P50}, chance {told.ChanceBy:0.00}"
            );
        }
    }

    private static IEnumerable<Told> One(Model model, Temperament temperament, int onRecord, int seed)
    {
        if (Question(model, temperament, onRecord, seed, out var ready) is not { } question)
            yield break;
        var told = Forecasts.Of(question with { Dogs = 500 }, new Random(seed));
        var day = ready ?? DateOnly.MaxValue;
        var (low, high) = (told.P10 ?? DateOnly.MaxValue, told.P90 ?? DateOnly.MaxValue);
        // The chance at several days, read from the same dogs.
        var (brier, sure, sureTrue) = (0.0, 0, 0);
        int[] ahead = [20, 40, 80, 160];
        foreach (var days in ahead)
        {
            var by = question.From.AddDays(days);
            var chance = told.ChanceOn(by);
            var came = day <= by;
            brier += Math.Pow(chance - (came ? 1 : 0), 2) / ahead.Length;
            (sure, sureTrue) = (sure + (chance >= 0.95 ? 1 : 0), sureTrue + (chance >= 0.95 && came ? 1 : 0));
        }

        var width = (told.P90?.DayNumber ?? question.From.DayNumber + 365) - (told.P10?.DayNumber ?? question.From.DayNumber + 365);
        yield return new(day >= low && day <= high, day > high, width, brier, sure, sureTrue);
    }

    /// <summary>What is on record of a dog after some sessions, and the day on which it came to be ready within a year from there; null for one that was ready sooner.</summary>
    private static ForecastQuestion? Question(Model model, Temperament temperament, int sessions, int seed, out DateOnly? ready)
    {
        var (random, profile) = (
            new Random(seed),
            new DogProfile
            {
                Name = "Virtual",
                Temperament = temperament,
                Purposes = [Purpose.Walks],
            }
        );
        var plan = TrainingPlan.For(profile).ForSession(temperament, GoRule.AsSoonAsClear);
        var dog = new VirtualDog(model.Nature(DogNature.Of(temperament).Drawn(random)), plan.StepIds.Count, random, model.Harder?.Invoke(plan.Steps(), random));
        var days = Enumerable.Range(0, 460).Select(First.AddDays).Where(d => Five.Contains(d.DayOfWeek) && random.NextDouble() >= model.Skips).ToHashSet();
        var played = VirtualTraining.Play(dog, plan, days, First, 460, HouseRules.Ours);
        ready = played.ReadyOn;
        var seen = played.Sets.Select(s => s.Day).Distinct().Take(sessions).ToHashSet();
        if (seen.Count < sessions || ready <= seen.Max())
            return null;
        var from = seen.Max().AddDays(1);
        if (ready > from.AddDays(365))
            ready = null;
        var log = played
            .Sets.Where(s => seen.Contains(s.Day))
            .Select(s => s with { Goes = [.. s.Goes.Select(g => random.NextDouble() < model.MisTapped ? !g : g)] })
            .ToList();
        return new ForecastQuestion
        {
            Plan = plan,
            Days = Five,
            From = from,
            Log = log,
            Held = SessionsHeld.Of(log, Five, 1, from, GoRules.RestDaysFor(temperament, GoRule.AsSoonAsClear, HouseRules.Ours)),
        };
    }
}
