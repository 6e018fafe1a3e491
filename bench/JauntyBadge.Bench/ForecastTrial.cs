using System.Diagnostics;
using System.Globalization;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Bench;

/// <summary>How quick a forecast is, and whether its middle four in five hold of dogs unlike those it is drawn from.</summary>
internal static class ForecastTrial
{
    private static readonly DayOfWeek[] Five = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday];
    private const int OnRecord = 8;
    private static readonly DateOnly First = new(2026, 1, 5);

    /// <summary>Ways in which a real dog may differ from ours.</summary>
    private static readonly (string Name, Func<DogNature, DogNature> Of)[] Outside =
    [
        ("as drawn", n => n),
        ("learns half as fast again", n => n with { Learning = n.Learning * 1.5 }),
        ("learns a third slower", n => n with { Learning = n.Learning / 1.5 }),
        ("little carries over", n => n with { Shared = n.Shared * 0.5 }),
        ("forgets twice as fast", n => n with { ForgetsInDays = n.ForgetsInDays / 2 }),
        ("moods twice as wide", n => n with { MoodSpread = n.MoodSpread * 2 }),
    ];

    public static void Run(int dogs)
    {
        Speed();
        Console.WriteLine("| dogs | temperament | sessions on record | in the 80 % interval | below it | above it | Brier score of \"by the middle day\" |");
        Console.WriteLine("|---|---|--:|--:|--:|--:|--:|");
        foreach (var (name, of) in Outside)
        {
            foreach (var temperament in Enum.GetValues<Temperament>())
            {
                var told = Enumerable.Range(0, dogs).AsParallel().AsOrdered().Select(seed => One(of, temperament, seed)).ToList();
                Console.WriteLine(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"| {name} | {temperament.ToString().ToLowerInvariant()} | {OnRecord} | {told.Average(t => t.Inside):0 %} | {told.Average(t => t.Below):0 %} | {told.Average(t => t.Above):0 %} | {told.Average(t => t.Brier):0.000} |"
                    )
                );
            }
        }
    }

    private static void Speed()
    {
        var question = Question(Temperament.Soured, DogNature.Of(Temperament.Soured).Drawn(new Random(3)), 60, 3, out _);
        for (var i = 0; i < 10; i++)
        {
            var watch = Stopwatch.StartNew();
            var told = Forecasts.Of(question with { By = question.From.AddDays(20) }, new Random(1));
            Console.WriteLine(
                $"{question.Dogs} dogs over {question.Log.Select(s => s.Day).Distinct().Count()} sessions, {question.Log.Sum(s => s.Goes.Count)} goes: {watch.ElapsedMilliseconds} ms; half ready by {told.P50}, chance {told.ChanceBy:0.00}"
            );
        }
    }

    private static (double Inside, double Below, double Above, double Brier) One(Func<DogNature, DogNature> of, Temperament temperament, int seed)
    {
        var question = Question(temperament, of(DogNature.Of(temperament).Drawn(new Random(seed))), OnRecord, seed, out var ready);
        // Asked for a day at which the matter is open, not one that is sure.
        var by = question.From.AddDays(
            temperament switch
            {
                Temperament.Bold => 12,
                Temperament.Typical => 25,
                Temperament.Wary => 75,
                _ => 150,
            }
        );
        var told = Forecasts.Of(question with { Dogs = 500, By = by }, new Random(seed));
        var day = ready ?? DateOnly.MaxValue;
        var (low, high) = (told.P10 ?? DateOnly.MaxValue, told.P90 ?? DateOnly.MaxValue);
        return (day >= low && day <= high ? 1 : 0, day < low ? 1 : 0, day > high ? 1 : 0, Math.Pow((told.ChanceBy ?? 0) - (day <= by ? 1 : 0), 2));
    }

    /// <summary>What is on record of a dog after some sessions, and the day on which it came to be ready.</summary>
    private static ForecastQuestion Question(Temperament temperament, DogNature nature, int sessions, int seed, out DateOnly? ready)
    {
        var plan = TrainingPlan
            .For(
                new DogProfile
                {
                    Name = "Virtual",
                    Temperament = temperament,
                    Purposes = [Purpose.Walks],
                }
            )
            .ForSession(temperament, GoRule.AsSoonAsClear);
        var played = VirtualTraining.Play(new VirtualDog(nature, plan.StepIds.Count, new Random(seed)), plan, Five, First, 365, HouseRules.Ours);
        ready = played.ReadyOn;
        var days = played.Sets.Select(s => s.Day).Distinct().Take(sessions).ToHashSet();
        var log = played.Sets.Where(s => days.Contains(s.Day)).ToList();
        return new ForecastQuestion
        {
            Plan = plan,
            Days = Five,
            From = log[^1].Day.AddDays(1),
            Log = log,
        };
    }
}
