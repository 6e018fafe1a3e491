using System.Globalization;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.Bench;

/// <summary>Tries ways of deciding a set on virtual dogs of every temperament, under several models of how a dog learns, so that none wins by being tuned to one.</summary>
internal static class PolicyTrial
{
    private const int MostSessions = 300;
    private static readonly int[] FiveAWeek = [1, 1, 1, 1, 3];

    private static readonly (string Name, Func<DogNature, DogNature> Of)[] Models =
    [
        ("as it is", n => n),
        ("quicker learning", n => n with { Learning = n.Learning * 1.6 }),
        ("slower learning", n => n with { Learning = n.Learning * 0.6 }),
        ("nothing carries over", n => n with { Shared = 0.02 }),
        ("strong forgetting", n => n with { ForgetsInDays = n.ForgetsInDays / 4 }),
        ("all or none", n => n with { AllOrNone = true }),
    ];

    public static void Run(int dogs)
    {
        Console.WriteLine(
            "| model | temperament | way | ready | sessions (10/50/90 %) | days, middle | ever over threshold | sessions over threshold a dog | ever stopped | worried sets a dog |"
        );
        Console.WriteLine("|---|---|---|--:|--:|--:|--:|--:|--:|--:|");
        foreach (var (name, of) in Models)
        {
            foreach (var temperament in Enum.GetValues<Temperament>())
            {
                foreach (var (way, play) in Ways)
                    Console.WriteLine(
                        Row(name, temperament, way, [.. Enumerable.Range(0, dogs).AsParallel().AsOrdered().Select(seed => One(of, temperament, play, seed))])
                    );
            }
        }
    }

    /// <summary>The two presets, and three courses by the calendar.</summary>
    private static readonly (string Name, Func<VirtualDog, DogProfile, Course> Play)[] Ways =
    [
        ("clear", (dog, profile) => VirtualTraining.Train(dog, PlanOf(profile, GoRule.AsSoonAsClear), MostSessions, FiveAWeek, HouseRules.Ours)),
        (
            "clear, holds not heeded",
            (dog, profile) =>
                VirtualTraining.Train(dog, PlanOf(profile, GoRule.AsSoonAsClear) with { HeedsHolds = false }, MostSessions, FiveAWeek, HouseRules.Ours)
        ),
        (
            "clear, as before kinds",
            (dog, profile) =>
                VirtualTraining.Train(dog, PlanOf(profile, GoRule.AsSoonAsClear) with { Edition = Edition.First }, MostSessions, FiveAWeek, HouseRules.Ours)
        ),
        ("tens", (dog, profile) => VirtualTraining.Train(dog, PlanOf(profile, GoRule.SteadyTens), MostSessions, FiveAWeek, HouseRules.Ours)),
        ("three weeks", (dog, profile) => VirtualTraining.ByCalendar(dog, PlanOf(profile, GoRule.AsSoonAsClear), 15, FiveAWeek, HouseRules.Ours)),
        ("six weeks", (dog, profile) => VirtualTraining.ByCalendar(dog, PlanOf(profile, GoRule.AsSoonAsClear), 30, FiveAWeek, HouseRules.Ours)),
        ("a bit more each day", (dog, profile) => VirtualTraining.ByCalendar(dog, PlanOf(profile, GoRule.AsSoonAsClear), 0, FiveAWeek, HouseRules.Ours)),
    ];

    private static SessionPlan PlanOf(DogProfile dog, GoRule rule) => TrainingPlan.For(dog).ForSession(dog.Temperament, rule);

    private static Course One(Func<DogNature, DogNature> of, Temperament temperament, Func<VirtualDog, DogProfile, Course> play, int seed)
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
        return play(new VirtualDog(of(DogNature.Of(temperament)).Drawn(random), TrainingPlan.For(profile).Steps.Count, random), profile);
    }

    private static string Row(string model, Temperament temperament, string way, Course[] courses)
    {
        var ready = courses.Where(c => c.Ready).OrderBy(c => c.Sessions).ToArray();
        string At(double share, Func<Course, int> pick) => ready.Length == 0 ? "–" : $"{pick(ready[(int)(share * (ready.Length - 1))])}";
        return string.Create(
            CultureInfo.InvariantCulture,
            $"| {model} | {temperament.ToString().ToLowerInvariant()} | {way} | {(double)ready.Length / courses.Length:0 %} | {At(0.1, c => c.Sessions)} / {At(0.5, c => c.Sessions)} / {At(0.9, c => c.Sessions)} | {At(0.5, c => c.Days)} | {(double)courses.Count(c => c.EverOver) / courses.Length:0 %} | {courses.Average(c => c.OverSessions):0.00} | {(double)courses.Count(c => c.Stops > 0) / courses.Length:0 %} | {courses.Average(c => c.WorriedSets):0.0} |"
        );
    }
}
