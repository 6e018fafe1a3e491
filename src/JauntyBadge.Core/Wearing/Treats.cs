using JauntyBadge.Core.Dogs;
using UnitsNet;

namespace JauntyBadge.Core.Wearing;

/// <summary>How much a dog does in a day.</summary>
public enum Activity
{
    /// <summary>Short walks on the lead.</summary>
    Quiet,

    /// <summary>An hour or two of walks and play.</summary>
    Usual,

    /// <summary>Hours of running or work.</summary>
    Working,
}

/// <summary>How the energy of a dog's day is found: resting energy times this.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">For whom.</param>
/// <param name="Neutered">Whether it is neutered; null for either.</param>
/// <param name="Activity">How much it does.</param>
/// <param name="Senior">For a dog past its prime; null for either.</param>
/// <param name="Overweight">For a dog that is to lose weight.</param>
/// <param name="Factor">Times resting energy.</param>
/// <param name="Basis">On what ground.</param>
public sealed record EnergyFactor(string Id, string Name, bool? Neutered, Activity? Activity, bool? Senior, bool Overweight, double Factor, Basis Basis)
{
    private const string Table = "energy-factors.json";

    /// <summary>The rows, the most particular first.</summary>
    public static IReadOnlyList<EnergyFactor> All { get; } = Load();

    /// <summary>The first row that holds. An unknown is taken for what needs less: neutered, quiet.</summary>
    public static EnergyFactor For(bool? neutered, Activity? activity, bool senior, bool overweight) =>
        All.First(f =>
            (f.Neutered is null || f.Neutered == (neutered ?? true))
            && (f.Activity is null || f.Activity == (activity ?? Wearing.Activity.Quiet))
            && (f.Senior is null || f.Senior == senior)
            && (!f.Overweight || overweight)
        );

    private static IReadOnlyList<EnergyFactor> Load()
    {
        var rows = Tables.Read<EnergyFactor>(Table);
        Tables.RefuseTwins(Table, rows.Select(f => f.Id));
        Tables.Refuse(Table, "a factor of 0.8 to 6", rows.Where(f => f.Factor is not (>= 0.8 and <= 6)).Select(f => f.Id));
        return rows;
    }
}

/// <summary>Why no energy is worked out for a dog: its veterinarian says what it eats.</summary>
public enum FeedingConcern
{
    Growing,
    Pregnant,
    Ill,
}

/// <summary>What treats a dog may have in a day.</summary>
/// <param name="Resting">Resting energy a day.</param>
/// <param name="Daily">Energy of the whole day.</param>
/// <param name="Treats">What of it may be treats.</param>
public sealed record TreatAllowance(Energy Resting, Energy Daily, Energy Treats)
{
    /// <summary>Pieces that add up to exactly what is allowed are allowed.</summary>
    private const double Whole = 1e-9;

    public static readonly Grounded<double> Share = new(
        "wear.treat-share",
        "Share of the day's energy that may be treats",
        0.1,
        Basis.Published("WSAVA Global Nutrition guidelines: at most 10 %")
    );

    public static readonly Grounded<double> GramsPerKg = new(
        "wear.treat-grams",
        "Grams of treats a day at most for each kg of body mass, however little energy they have",
        10,
        Basis.House("a tenth of the day's energy in cucumber would be a bellyful")
    );

    /// <summary>The ground of a factor that somebody set for one dog.</summary>
    public static Basis OwnFactor { get; } = Basis.House("set by the fitter for this dog");

    public static IReadOnlyList<IGrounded> All { get; } = [Share, GramsPerKg];

    /// <summary>Whole pieces left by weight, never under 0: what has little energy fills a dog all the same.</summary>
    /// <param name="body">The dog's mass.</param>
    /// <param name="piece">Mass of a piece, over 0.</param>
    /// <param name="used">Mass of the treats it has had today.</param>
    /// <param name="rules">The numbers that decide.</param>
    public static int PiecesLeftByWeight(Mass body, Mass piece, Mass used, HouseRules rules) =>
        (int)Math.Max(0, Math.Floor((body.Kilograms * rules[GramsPerKg] - used.Grams) / piece.Grams + Whole));

    /// <summary>Resting energy a day, 70 · kg^0.75 kcal (Published: NRC 2006, Nutrient Requirements of Dogs and Cats).</summary>
    public static Energy RestingOf(Mass body) => Energy.FromKilocalories(70 * Math.Pow(body.Kilograms, 0.75));

    /// <summary>By a factor on resting energy.</summary>
    public static TreatAllowance ByFactor(Mass body, double factor) => Of(RestingOf(body), RestingOf(body) * factor);

    /// <summary>By the food its owner measures.</summary>
    public static TreatAllowance ByFood(Mass body, Energy food) => Of(RestingOf(body), food);

    /// <summary>Whole pieces left, never under 0.</summary>
    /// <param name="perPiece">Energy of a piece, over 0.</param>
    /// <param name="used">Energy of the treats it has had today.</param>
    public int PiecesLeft(Energy perPiece, Energy used) =>
        (int)Math.Max(0, Math.Floor((Treats.Kilocalories - used.Kilocalories) / perPiece.Kilocalories + Whole));

    /// <summary>Least and most that what an owner measures can be, times resting energy (House: the ends of the table of factors, and a sled dog's race).</summary>
    private const double LeastFood = 0.5,
        MostFood = 6;

    /// <summary>Whether what an owner measures for a day can be right: 20,000 kcal for a dog of 3 kg is a slip.</summary>
    public static bool IsPlausible(Mass body, Energy food) => food / RestingOf(body) is >= LeastFood and <= MostFood;

    /// <summary>Why a dog's veterinarian is to be asked instead.</summary>
    public static FeedingConcern? Concern(DogProfile dog, DateOnly today) =>
        dog.Health.Contains(HealthNote.Ill) ? FeedingConcern.Ill
        : dog.Health.Contains(HealthNote.Pregnant) ? FeedingConcern.Pregnant
        : dog.IsGrowing(today) ? FeedingConcern.Growing
        : null;

    private static TreatAllowance Of(Energy resting, Energy daily) => new(resting, daily, daily * Share.Ours);
}

/// <summary>Something to feed through the front of a muzzle.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">What it is.</param>
/// <param name="KcalPerGram">Energy of a gram.</param>
/// <param name="GramsPerPiece">A piece as it is given, or a lick.</param>
/// <param name="Contains">What a dog on a special diet may not have.</param>
/// <param name="How">How it goes in.</param>
/// <param name="Basis">On what ground.</param>
public sealed record Treat(string Id, string Name, double KcalPerGram, double GramsPerPiece, IReadOnlyList<string> Contains, string How, Basis Basis)
{
    private const string Table = "treats.json";

    public static IReadOnlyList<Treat> All { get; } = Load();

    /// <summary>All that a treat of the list may contain.</summary>
    public static IReadOnlyList<string> Ingredients { get; } = [.. All.SelectMany(t => t.Contains).Distinct().Order(StringComparer.Ordinal)];

    /// <summary>Energy of a piece.</summary>
    public Energy PerPiece => Energy.FromKilocalories(KcalPerGram * GramsPerPiece);

    public static Treat? Find(string? id) => All.FirstOrDefault(t => t.Id == id);

    private static IReadOnlyList<Treat> Load()
    {
        var rows = Tables.Read<Treat>(Table);
        Tables.RefuseTwins(Table, rows.Select(t => t.Id));
        Tables.Refuse(
            Table,
            "0.1 to 9 kcal a gram and pieces of 0.1 to 10 g",
            rows.Where(t => t.KcalPerGram is not (>= 0.1 and <= 9) || t.GramsPerPiece is not (>= 0.1 and <= 10)).Select(t => t.Id)
        );
        return rows;
    }
}

/// <summary>What must never be given.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Where">Where it hides.</param>
/// <param name="Basis">On what ground.</param>
public sealed record NeverFeed(string Name, string Where, Basis Basis)
{
    /// <summary>The usual poisons. Not all there are: what is doubtful is not given.</summary>
    public static IReadOnlyList<NeverFeed> All { get; } = Tables.Read<NeverFeed>("never-feed.json");
}
