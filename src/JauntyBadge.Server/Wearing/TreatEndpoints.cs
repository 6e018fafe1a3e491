using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Wearing;

/// <summary>What a dog loves and eats, and what a veterinarian allows, as entered.</summary>
/// <param name="Loves">Ids of GET /api/happy-wears.</param>
/// <param name="Factor">Times resting energy, 0.8 to 6; by its age, neutering and activity when left out.</param>
/// <param name="FoodKcal">What its owner measures for a day; goes before any factor.</param>
/// <param name="KcalPerPiece">Of its treat, where it is known better than the list has it.</param>
/// <param name="Avoids">What it may not have.</param>
public sealed record HabitsEntry(
    IReadOnlyList<string>? Loves = null,
    bool? HasSpare = null,
    bool? Neutered = null,
    Activity? Activity = null,
    double? Factor = null,
    double? FoodKcal = null,
    string? TreatId = null,
    double? KcalPerPiece = null,
    IReadOnlyList<string>? Avoids = null
);

public sealed class HabitsEntryValidator : AbstractValidator<HabitsEntry>
{
    public HabitsEntryValidator()
    {
        RuleForEach(h => h.Loves)
            .Must(id => HappyWear.Find(id) is not null)
            .WithMessage("\"{PropertyValue}\" is not on the list; GET /api/happy-wears has them.");
        RuleFor(h => h.Factor).Must(f => f is null or (>= 0.8 and <= 6)).WithMessage("A factor is 0.8 to 6.");
        RuleFor(h => h.FoodKcal).Must(f => f is null or (>= 20 and <= 20_000)).WithMessage("A day's food is 20 to 20,000 kcal.");
        RuleFor(h => h.KcalPerPiece).Must(k => k is null or (>= 0.05 and <= 200)).WithMessage("A piece has 0.05 to 200 kcal.");
        RuleFor(h => h.TreatId).Must(t => t is null || Treat.Find(t) is not null).WithMessage("\"{PropertyValue}\" is not a treat of the list.");
        RuleForEach(h => h.Avoids)
            .Must(a => Treat.Ingredients.Contains(a))
            .WithMessage($"What it may not have is one of {string.Join(", ", Treat.Ingredients)}.");
    }
}

/// <summary>What a veterinarian allows.</summary>
/// <param name="VeterinarianMinutes">How long one who looked at its breathing lets it wear a muzzle, 1 to 120; null takes the word back.</param>
/// <param name="VeterinarianSays">Who said so, and when.</param>
public sealed record VeterinarianEntry(double? VeterinarianMinutes = null, string? VeterinarianSays = null);

public sealed class VeterinarianEntryValidator : AbstractValidator<VeterinarianEntry>
{
    public VeterinarianEntryValidator()
    {
        RuleFor(h => h.VeterinarianMinutes).Must(m => m is null or (>= 1 and <= 120)).WithMessage("A veterinarian's word is 1 to 120 minutes.");
        RuleFor(h => h.VeterinarianSays).MaximumLength(300).WithMessage("Up to 300 letters, please.");
        RuleFor(h => h.VeterinarianSays)
            .Must((h, says) => h.VeterinarianMinutes is null || !string.IsNullOrWhiteSpace(says))
            .WithMessage("Say which veterinarian said so, and when.");
    }
}

/// <summary>What a dog loves and eats, and what a veterinarian allows.</summary>
public sealed record HabitsDto(
    IReadOnlyList<string> Loves,
    bool HasSpare,
    double? VeterinarianMinutes,
    string? VeterinarianSays,
    bool? Neutered,
    Activity? Activity,
    double? Factor,
    double? FoodKcal,
    string? TreatId,
    double? KcalPerPiece,
    IReadOnlyList<string> Avoids,
    long Version
) : IAtVersion
{
    internal static HabitsDto Of(WearingHabitsRow row) =>
        new(
            row.Loves,
            row.HasSpare,
            row.VeterinarianMinutes,
            row.VeterinarianSays,
            row.Neutered,
            row.Activity,
            row.Factor,
            row.FoodKcal,
            row.TreatId,
            row.KcalPerPiece,
            row.Avoids,
            row.Version
        );
}

/// <summary>A treat of the list, for this dog.</summary>
/// <param name="Not">Why this dog may not have it; null where it may.</param>
public sealed record TreatDto(string Id, string Name, double KcalPerPiece, double GramsPerPiece, string How, Basis Basis, string? Not);

/// <summary>What a day's treats were used for.</summary>
public sealed record TreatUseDto(string What, int Pieces, double Kcal, double Grams);

/// <summary>What this dog may have today in treats, and what is left of it.</summary>
/// <param name="Concern">Why its veterinarian is to be asked, or what was entered cannot be right; null where not.</param>
/// <param name="RestingKcal">Resting energy a day; null where its mass is not known or its veterinarian decides.</param>
/// <param name="DailyKcal">Energy of the day.</param>
/// <param name="By">How the day's energy was found, in words.</param>
/// <param name="Basis">On what ground.</param>
/// <param name="TreatKcal">What of it may be treats.</param>
/// <param name="Treat">Its treat; null where none is chosen, or it may not have it.</param>
/// <param name="KcalPerPiece">Of a piece of it.</param>
/// <param name="Used">Today so far.</param>
/// <param name="PiecesLeft">Whole pieces left today, by energy and by weight.</param>
/// <param name="WeightSays">Where the weight leaves less than the energy, why; null elsewhere.</param>
/// <param name="Factors">The table the factor is taken from.</param>
public sealed record TreatsDto(
    string? Concern,
    double? RestingKcal,
    double? DailyKcal,
    string? By,
    Basis? Basis,
    double? TreatKcal,
    string? Treat,
    double KcalPerPiece,
    double GramsPerPiece,
    IReadOnlyList<TreatUseDto> Used,
    double UsedKcal,
    int? PiecesLeft,
    string? WeightSays,
    IReadOnlyList<TreatDto> Treats,
    IReadOnlyList<NeverFeed> Never,
    IReadOnlyList<EnergyFactor> Factors,
    IReadOnlyList<string> Ingredients,
    IReadOnlyDictionary<string, string> IngredientNames
);

/// <summary>What a dog loves, and what it may be fed.</summary>
internal static class TreatEndpoints
{
    public static void MapTreats(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Wearing").OneWriterAtATime();
        dog.MapGet("/habits", HabitsAsync).WithName("habits").May(Concern.Wearing).WithSummary("What it loves and eats, and what a veterinarian allows.");
        dog.MapPut("/habits", PutHabitsAsync).WithName("putHabits").May(Concern.Wearing).WithSummary("Set what it loves and eats.").NeedsVersion();
        // A stop is lifted by it, so that it is the fitter's to set.
        dog.MapPut("/veterinarian", PutVeterinarianAsync)
            .WithName("putVeterinarian")
            .May(Concern.Dogs)
            .WithSummary("Set what a veterinarian allows.")
            .NeedsVersion();
        dog.MapGet("/treats", TreatsAsync)
            .WithName("treats")
            .May(Concern.Wearing)
            .WithSummary("What it may have in treats today, what was used, and what is left.");
    }

    private static async Task<HabitsDto> HabitsAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        return HabitsDto.Of(await db.WearingHabits.AsNoTracking().SingleOrDefaultAsync(h => h.DogId == id, cancel) ?? new WearingHabitsRow { DogId = id });
    }

    private static async Task<HabitsDto> PutHabitsAsync(Guid id, HabitsEntry entry, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        var row = await HabitsToEditAsync(id, db, edited, cancel);
        row.Loves = [.. (entry.Loves ?? []).Distinct()];
        row.HasSpare = entry.HasSpare == true;
        (row.Neutered, row.Activity, row.Factor, row.FoodKcal) = (entry.Neutered, entry.Activity, entry.Factor, entry.FoodKcal);
        (row.TreatId, row.KcalPerPiece) = (entry.TreatId, entry.KcalPerPiece);
        row.Avoids = [.. (entry.Avoids ?? []).Distinct()];
        await db.SaveChangesAsync(cancel);
        return HabitsDto.Of(row);
    }

    private static async Task<HabitsDto> PutVeterinarianAsync(
        Guid id,
        VeterinarianEntry entry,
        PracticeDb db,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await HabitsToEditAsync(id, db, edited, cancel);
        (row.VeterinarianMinutes, row.VeterinarianSays) = (entry.VeterinarianMinutes, entry.VeterinarianSays.OrNull());
        await db.SaveChangesAsync(cancel);
        return HabitsDto.Of(row);
    }

    private static async Task<WearingHabitsRow> HabitsToEditAsync(Guid id, PracticeDb db, string? edited, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var row = await db.WearingHabits.SingleOrDefaultAsync(h => h.DogId == id, cancel);
        Versions.Need(edited, row?.Version ?? 0, "What it loves and eats", HabitsDto.Of(row ?? new WearingHabitsRow { DogId = id }));
        if (row is null)
            db.WearingHabits.Add(row = new WearingHabitsRow { DogId = id });
        return row;
    }

    private static async Task<TreatsDto> TreatsAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var (file, today) = (await db.DogFileAsync(id, cancel), clock.Today());
        var words = new WearingWords(await pen.WithAsync(file.Measured.Rules, cancel));
        var (dog, habits) = (file.Profile, file.Worn.Habits ?? new WearingHabitsRow { DogId = id });
        var concern = TreatAllowance.Concern(dog, today);
        var question = WearingDog.Of(dog, today);
        var factor = EnergyFactor.For(habits.Neutered, habits.Activity, question.AgeYears >= file.Measured.Rules[Heat.OldFrom], question.Overweight);
        var allowance =
            dog.BodyMass is not { } mass || concern is not null ? null
            : habits.FoodKcal is { } food
                ? TreatAllowance.IsPlausible(mass, Energy.FromKilocalories(food)) ? TreatAllowance.ByFood(mass, Energy.FromKilocalories(food))
                    : null
            : TreatAllowance.ByFactor(mass, habits.Factor ?? factor.Factor);

        string? Not(Treat treat) => treat.Contains.Where(habits.Avoids.Contains).ToList() is { Count: > 0 } has ? words.MayNotHave(has) : null;
        var treat = Treat.Find(habits.TreatId) is { } chosen && Not(chosen) is null ? chosen : null;
        var fed = treat ?? Treat.All[0];
        var piece = habits.KcalPerPiece is { } known && treat is not null ? Energy.FromKilocalories(known) : fed.PerPiece;
        var grams = fed.GramsPerPiece;
        var used = await UsedAsync(id, piece, grams, words, db, clock, cancel);
        var usedKcal = used.Sum(u => u.Kcal);
        var byEnergy = allowance?.PiecesLeft(piece, Energy.FromKilocalories(usedKcal));
        var byWeight = dog.BodyMass is { } body
            ? TreatAllowance.PiecesLeftByWeight(body, Mass.FromGrams(grams), Mass.FromGrams(used.Sum(u => u.Grams)), file.Measured.Rules)
            : (int?)null;
        return new TreatsDto(
            concern is { } why ? words.Of(why)
                : allowance is null && dog.BodyMass is { } weighs && habits.FoodKcal is { } measured ? words.AskAgain(weighs, Energy.FromKilocalories(measured))
                : null,
            allowance?.Resting.Kilocalories,
            allowance?.Daily.Kilocalories,
            allowance is null ? null
                : habits.FoodKcal is not null ? words.MeasuredFood
                : habits.Factor is { } own ? words.TimesResting(own)
                : words.TimesResting(factor),
            allowance is null || habits.FoodKcal is not null ? null
                : habits.Factor is not null ? TreatAllowance.OwnFactor
                : factor.Basis,
            allowance?.Treats.Kilocalories,
            treat is null ? null : words.Told(treat).Name,
            piece.Kilocalories,
            grams,
            used,
            usedKcal,
            byEnergy is null ? null : Math.Min(byEnergy.Value, byWeight!.Value),
            byWeight < byEnergy ? words.NoMoreByWeight(dog.BodyMass!.Value) : null,
            [.. Treat.All.Select(words.Told).Select(t => new TreatDto(t.Id, t.Name, t.PerPiece.Kilocalories, t.GramsPerPiece, t.How, t.Basis, Not(t)))],
            [.. NeverFeed.All.Select(words.Told)],
            [.. EnergyFactor.All.Select(words.Told)],
            Treat.Ingredients,
            Treat.Ingredients.ToDictionary(i => i, words.Ingredient)
        );
    }

    /// <summary>What it had today: a piece for each go that went well, and what was fed at wears.</summary>
    private static async Task<IReadOnlyList<TreatUseDto>> UsedAsync(
        Guid id,
        Energy piece,
        double grams,
        WearingWords words,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var today = clock.Today();
        var goes = await db.Goes.CountAsync(g => g.Success && db.Sets.Any(s => s.Id == g.SetId && s.DogId == id && s.Day == today), cancel);
        var wears = await db
            .Wears.AsNoTracking()
            .Where(w => w.DogId == id && w.Day == today && w.RemovedAt == null && w.TreatPieces > 0)
            .Select(w => new { w.TreatId, w.TreatPieces })
            .ToListAsync(cancel);
        List<TreatUseDto> used = [];
        if (goes > 0)
            used.Add(new(words.GoesThatWentWell, goes, goes * piece.Kilocalories, goes * grams));
        if (wears.Count > 0)
            used.Add(
                new(
                    words.FedAtWears,
                    wears.Sum(w => w.TreatPieces),
                    wears.Sum(w => w.TreatPieces * (Treat.Find(w.TreatId)?.PerPiece ?? piece).Kilocalories),
                    wears.Sum(w => w.TreatPieces * (Treat.Find(w.TreatId)?.GramsPerPiece ?? grams))
                )
            );
        return used;
    }
}
