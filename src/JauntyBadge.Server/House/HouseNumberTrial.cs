using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Fitting;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.House;

/// <summary>Tries other numbers on the dogs there are.</summary>
internal static class HouseNumberTrial
{
    /// <summary>Dogs looked at: ranking the catalogue twice for each takes about a second a hundred.</summary>
    private const int MostDogs = 200;

    /// <summary>What a person looks at of a dog.</summary>
    private sealed record Outlook(string Name, string Next, string Checks, string FirstChoice, string Fits, string InUse)
    {
        public IEnumerable<DogChangeDto> To(Outlook after)
        {
            (string What, string Before, string After)[] all =
            [
                ("What is next", Next, after.Next),
                ("Readings to check", Checks, after.Checks),
                ("First in the list", FirstChoice, after.FirstChoice),
                ("Baskets that fit", Fits, after.Fits),
                ("The muzzle in use", InUse, after.InUse),
            ];
            return all.Where(a => a.Before != a.After).Select(a => new DogChangeDto(a.What, a.Before, a.After));
        }
    }

    public static async Task<HouseNumberTrialDto> RunAsync(
        PracticeDb db,
        IGrounded number,
        HouseRules now,
        HouseRules proposed,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var round = db.Dogs.Where(d => d.ArchivedAt == null);
        var dogs = await round.OrderByDescending(d => d.Touched).Select(d => d.Id).Take(MostDogs).ToListAsync(cancel);
        var (before, after) = (await OutlooksAsync(db, dogs, now, today, cancel), await OutlooksAsync(db, dogs, proposed, today, cancel));
        var changed = dogs.Select(id => new ChangedDogDto(id, before[id].Name, [.. before[id].To(after[id])]))
            .Where(d => d.Changes.Count > 0)
            .OrderBy(d => d.Name, StringComparer.Ordinal);
        return new HouseNumberTrialDto(
            now.Show(number),
            proposed.Show(number),
            dogs.Count,
            await round.CountAsync(cancel),
            [.. changed],
            HouseNumbers.RoomOf(number) == HouseNumbers.Training ? "It decides sets that are yet to be trained: what was decided stays as it was." : null
        );
    }

    private static async Task<IReadOnlyDictionary<Guid, Outlook>> OutlooksAsync(
        PracticeDb db,
        List<Guid> dogs,
        HouseRules rules,
        DateOnly today,
        CancellationToken cancel
    )
    {
        db.RulesTried = rules;
        try
        {
            var files = await DogFile.LoadAsync(db, db.Dogs.Where(d => dogs.Contains(d.Id)), cancel);
            var (muzzles, settings) = (await MuzzleRow.ListAsync(db, cancel), await FitSettingsRow.LoadAsync(db, cancel));
            var overruled = (await db.Overrules.AsNoTracking().Where(o => dogs.Contains(o.DogId)).ToListAsync(cancel)).ToLookup(o => o.DogId);
            return files
                .AsParallel()
                .WithCancellation(cancel)
                .ToDictionary(
                    f => f.Dog.Id,
                    f => Of(f, new FitBasis(f.Measured, muzzles, settings, overruled[f.Dog.Id].ToDictionary(o => o.LineId, o => o.Note), today), today)
                );
        }
        finally
        {
            db.RulesTried = null;
        }
    }

    private static Outlook Of(DogFile file, FitBasis basis, DateOnly today)
    {
        var next = file.ProgressOn(today).Next(today);
        var checks = file.Measured.Assessed.Findings.Where(f => f.Severity == Severity.Check).Select(new MeasuringWords(ReadingUnit.Mm).Message).ToList();
        var outlook = new Outlook(file.Dog.Name, next.Title, checks.Count == 0 ? "none" : string.Join(" ", checks), "none", "none", "none");
        if (basis.Question(new FitQuery().Read()) is not { } question)
            return outlook;
        var ranked = Ranking.Rank(basis.Muzzles.All, question);
        var best = ranked.FirstOrDefault(f => f.Verdict != Verdict.Out);
        return outlook with
        {
            FirstChoice = best is null ? "none" : Words(best),
            Fits = $"{ranked.Count(f => FitRowDto.GroupOf(f, []) == FitGroup.Fits)}",
            InUse = file.Muzzle.Choice is { } choice && ranked.FirstOrDefault(f => f.Size.Id == choice.SizeId) is { } worn ? Words(worn) : "none",
        };
    }

    private static string Words(RankedFit fit) =>
        Headline.Of(fit) is var line && line.Chance is { } chance
            ? $"{fit.Model.Name} {fit.Size.Label}: {chance} {line.Says}"
            : $"{fit.Model.Name} {fit.Size.Label}: {line.Says}";
}
