using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
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
        public IEnumerable<DogChangeDto> To(Outlook after, HouseNumberWords words)
        {
            (string What, string Before, string After)[] all =
            [
                (words.Next, Next, after.Next),
                (words.Checks, Checks, after.Checks),
                (words.FirstInList, FirstChoice, after.FirstChoice),
                (words.BasketsThatFit, Fits, after.Fits),
                (words.MuzzleInUse, InUse, after.InUse),
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
        Writing writing,
        CancellationToken cancel
    )
    {
        var words = new HouseNumberWords(writing);
        var round = db.Dogs.Where(d => d.ArchivedAt == null);
        var dogs = await round.OrderByDescending(d => d.Touched).Select(d => d.Id).Take(MostDogs).ToListAsync(cancel);
        var (before, after) = (
            await OutlooksAsync(db, dogs, writing with { Rules = now }, today, cancel),
            await OutlooksAsync(db, dogs, writing with { Rules = proposed }, today, cancel)
        );
        var changed = dogs.Select(id => new ChangedDogDto(id, before[id].Name, [.. before[id].To(after[id], words)]))
            .Where(d => d.Changes.Count > 0)
            .OrderBy(d => d.Name, StringComparer.Ordinal);
        return new HouseNumberTrialDto(
            words.Show(number, now.Plain(number)),
            words.Show(number, proposed.Plain(number)),
            dogs.Count,
            await round.CountAsync(cancel),
            [.. changed],
            HouseNumbers.RoomOf(number) == HouseNumbers.Training ? words.DecidesSetsToCome : null
        );
    }

    private static async Task<IReadOnlyDictionary<Guid, Outlook>> OutlooksAsync(
        PracticeDb db,
        List<Guid> dogs,
        Writing writing,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var files = await DogFile.LoadAsync(db, db.Dogs.Where(d => dogs.Contains(d.Id)), cancel, writing.Rules);
        var (muzzles, settings) = (await MuzzleRow.ListAsync(db, cancel), await FitSettingsRow.LoadAsync(db, cancel));
        var overruled = (await db.Overrules.AsNoTracking().Where(o => dogs.Contains(o.DogId)).ToListAsync(cancel)).ToLookup(o => o.DogId);
        return files
            .AsParallel()
            .WithCancellation(cancel)
            .ToDictionary(
                f => f.Dog.Id,
                f => Of(f, new FitBasis(f.Measured, muzzles, settings, overruled[f.Dog.Id].ToDictionary(o => o.LineId), today, writing))
            );
    }

    private static Outlook Of(DogFile file, FitBasis basis)
    {
        var words = new HouseNumberWords(basis.Writing);
        var standing = Standing.Of(file.Record, basis.Today);
        var checks = file.Measured.Assessed.Findings.Where(f => f.Severity == Severity.Check).Select(new MeasuringWords(basis.Writing).Message).ToList();
        var outlook = new Outlook(
            file.Dog.Name,
            new CaseloadWords(basis.Writing).Title(standing.Next, standing),
            checks.Count == 0 ? words.None : string.Join(" ", checks),
            words.None,
            words.None,
            words.None
        );
        if (basis.Question(new FitQuery().Read()) is not { } question)
            return outlook;
        var ranked = Ranking.Rank(basis.Muzzles.All, question);
        var best = ranked.FirstOrDefault(f => f.MayBeWorn);
        return outlook with
        {
            FirstChoice = best is null ? words.None : Words(best),
            Fits = $"{ranked.Count(f => f.GroupWith([]) == FitGroup.Fits)}",
            InUse = file.Muzzle.Choice is { } choice && ranked.FirstOrDefault(f => f.Size.Id == choice.SizeId) is { } worn ? Words(worn) : words.None,
        };
    }

    private static string Words(RankedFit fit) =>
        Headline.Of(fit) is var line && line.Chance is { } chance
            ? $"{fit.Model.Name} {fit.Size.Label}: {chance} {line.Says}"
            : $"{fit.Model.Name} {fit.Size.Label}: {line.Says}";
}
