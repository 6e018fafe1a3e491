using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Fitting;

/// <summary>A size in the van.</summary>
public sealed record VanSizeDto(string SizeId, string Muzzle, int Count, int FitsDogs, long Version) : IAtVersion;

/// <summary>A dog the van is planned for.</summary>
/// <param name="Id">The dog's, or the expected dogs' entry.</param>
/// <param name="FitsToday">How many sizes of the whole catalogue would fit it today.</param>
/// <param name="From">The size of the plan it would get; null for none.</param>
/// <param name="InVan">It finds one among what is in the van now.</param>
public sealed record VanDogDto(Guid Id, string Name, int Count, bool Expected, int FitsToday, string? From, bool InVan);

/// <summary>One more size of the plan.</summary>
public sealed record VanStepDto(string SizeId, string Muzzle, decimal? Price, int Adds, int Covered, IReadOnlyList<string> Dogs);

/// <summary>What to carry.</summary>
/// <param name="CoveredNow">Dogs that find one among what is in the van now.</param>
/// <param name="NotMeasured">Dogs left out because they are not measured.</param>
public sealed record VanPlanDto(
    int Sizes,
    IReadOnlyList<VanStepDto> Steps,
    int Covered,
    int Coverable,
    int Dogs,
    bool IsExact,
    int AtMost,
    IReadOnlyList<int> Curve,
    int CoveredNow,
    IReadOnlyList<VanSizeDto> Carried,
    IReadOnlyList<VanDogDto> PlannedFor,
    IReadOnlyList<string> NotMeasured,
    IReadOnlyList<ExpectedDogDto> Expected
);

/// <summary>How many of a size lie in the van.</summary>
public sealed record VanEntry(int? Count = null);

/// <summary>Dogs the practice expects.</summary>
public sealed record ExpectedDogDto(
    Guid Id,
    string Name,
    int Count,
    HeadShape HeadShape,
    double EyeMm,
    double? GirthMm,
    double? WidthMm,
    double? NeckMm,
    BiteTier BiteTier,
    IReadOnlyList<Purpose> Purposes,
    long Version
) : IAtVersion
{
    public static ExpectedDogDto Of(ExpectedDogRow d) =>
        new(d.Id, d.Name, d.Count, d.HeadShape, d.EyeMm, d.GirthMm, d.WidthMm, d.NeckMm, d.BiteTier, d.Purposes, d.Version);
}

/// <summary>The same, as entered.</summary>
/// <param name="Id">Made by whoever adds them, so that what is sent twice is added once.</param>
public sealed record ExpectedDogEntry(
    string? Name = null,
    int? Count = null,
    HeadShape? HeadShape = null,
    double? EyeMm = null,
    double? GirthMm = null,
    double? WidthMm = null,
    double? NeckMm = null,
    BiteTier? BiteTier = null,
    IReadOnlyList<Purpose>? Purposes = null,
    Guid? Id = null
)
{
    /// <summary>Writes what was entered onto a row.</summary>
    public ExpectedDogRow Onto(ExpectedDogRow row)
    {
        row.Name = Name!.Trim();
        row.Count = Count!.Value;
        row.HeadShape = HeadShape!.Value;
        row.EyeMm = EyeMm!.Value;
        row.GirthMm = GirthMm;
        row.WidthMm = WidthMm;
        row.NeckMm = NeckMm;
        row.BiteTier = BiteTier ?? Core.Dogs.BiteTier.None;
        row.Purposes = [.. (Purposes ?? []).Distinct()];
        return row;
    }
}

public sealed class ExpectedDogEntryValidator : AbstractValidator<ExpectedDogEntry>
{
    public ExpectedDogEntryValidator()
    {
        RuleFor(d => d.Name)
            .NotEmpty()
            .WithMessage("Say what sort of dog, such as \"young spaniels\".")
            .MaximumLength(60)
            .WithMessage("Up to 60 letters, please.");
        RuleFor(d => d.Count).NeededBetween(1, 99).WithMessage("1 to 99 dogs are accepted.");
        RuleFor(d => d.HeadShape).NotNull().WithMessage("headShape is needed: long, medium or short.");
        RuleFor(d => d.EyeMm).NeededBetween(15, 200).WithMessage("Nose to inner eye is 15 to 200 mm.");
        RuleFor(d => d.GirthMm).InclusiveBetween(60, 500).WithMessage("A snout girth is 60 to 500 mm.");
        RuleFor(d => d.WidthMm).InclusiveBetween(15, 200).WithMessage("A snout width is 15 to 200 mm.");
        RuleFor(d => d.NeckMm).InclusiveBetween(120, 900).WithMessage("A neck girth is 120 to 900 mm.");
    }
}

/// <summary>What is carried in the van, and what should be.</summary>
internal static class VanEndpoints
{
    private const int MostSizes = 60;
    private const int MostOfOne = 99;

    public static void MapVan(this IEndpointRouteBuilder api)
    {
        var van = api.MapGroup("/van").WithTags("Van").OneWriterAtATime();
        van.MapGet("/", PlanAsync)
            .WithName("van")
            .May(Concern.Choosing)
            .WithSummary("What is in the van, and which sizes to carry so that the most dogs get a fit today.");
        van.MapPut("/{sizeId}", CountAsync).WithName("setVanCount").May(Concern.Choosing).WithSummary("Set how many of a size lie in the van.").NeedsVersion();
        van.MapPost("/expected", ExpectAsync).WithName("expectDogs").May(Concern.Choosing).WithSummary("Add dogs the practice expects.");
        van.MapPut("/expected/{expectedId:guid}", AmendAsync)
            .WithName("amendExpected")
            .May(Concern.Choosing)
            .WithSummary("Correct dogs the practice expects.")
            .NeedsVersion();
        van.MapDelete("/expected/{expectedId:guid}", UnexpectAsync)
            .WithName("unexpectDogs")
            .May(Concern.Choosing)
            .WithSummary("Take expected dogs out.")
            .NeedsVersion();
    }

    private static async Task<VanPlanDto> PlanAsync(
        PracticeDb db,
        VanFits fits,
        TimeProvider clock,
        CancellationToken cancel,
        int sizes = 8,
        bool expected = true
    )
    {
        if (sizes is < 1 or > MostSizes)
            throw Refusal.Field("sizes", $"sizes must be 1 to {MostSizes}.");
        var muzzles = await MuzzleRow.ListAsync(db, cancel);
        var settings = await FitSettingsRow.LoadAsync(db, cancel);
        var rules = await db.RulesAsync(cancel);
        var van = await db.Van.AsNoTracking().ToDictionaryAsync(v => v.SizeId, cancel);
        var round = await fits.ReadAsync(db, muzzles, settings, clock.Today(), cancel);
        var awaited = await db.ExpectedDogs.AsNoTracking().OrderBy(d => d.Name).ToListAsync(cancel);

        List<(Guid Id, string Name, int Count, bool Expected, IReadOnlySet<string> Fits)> dogs =
        [
            .. round.Where(d => d.Fits is not null).Select(d => (d.Id, d.Name, 1, false, d.Fits!)),
        ];
        foreach (var dog in expected ? awaited : [])
            dogs.Add((dog.Id, dog.Name, dog.Count, true, await fits.ReadAsync(db, muzzles, settings, dog, () => Question(dog, settings, rules), cancel)));
        var stock = dogs.Select(d => new StockDog(d.Id.ToString(), d.Count, d.Fits)).ToList();
        // Where it makes no difference to the dogs: what is in the van already, then what costs less.
        var preferred = muzzles
            .All.SelectMany(m => m.Sizes)
            .OrderByDescending(s => van.ContainsKey(s.Id))
            .ThenBy(s => s.Price ?? decimal.MaxValue)
            .Select(s => s.Id)
            .ToList();
        var plan = fits.Plan(stock, sizes, preferred);
        var chosen = plan.Steps.Select(s => s.SizeId).ToList();
        string Words(string sizeId) => muzzles.FindSize(sizeId) is { } found ? $"{found.Model.Name} {found.Size.Label}" : sizeId;
        return new VanPlanDto(
            sizes,
            [
                .. plan.Steps.Select(s => new VanStepDto(
                    s.SizeId,
                    Words(s.SizeId),
                    muzzles.FindSize(s.SizeId)?.Size.Price,
                    s.Adds,
                    s.Covered,
                    [.. dogs.Where(d => d.Fits.Contains(s.SizeId)).Select(d => d.Name)]
                )),
            ],
            plan.Covered,
            plan.Coverable,
            dogs.Sum(d => d.Count),
            plan.IsExact,
            plan.AtMost,
            plan.Curve,
            dogs.Where(d => d.Fits.Any(van.ContainsKey)).Sum(d => d.Count),
            [
                .. van
                    .Values.OrderBy(v => Words(v.SizeId), StringComparer.OrdinalIgnoreCase)
                    .Select(v => new VanSizeDto(v.SizeId, Words(v.SizeId), v.Count, dogs.Where(d => d.Fits.Contains(v.SizeId)).Sum(d => d.Count), v.Version)),
            ],
            [
                .. dogs.Select(d => new VanDogDto(
                    d.Id,
                    d.Name,
                    d.Count,
                    d.Expected,
                    d.Fits.Count,
                    chosen.Find(d.Fits.Contains) is { } from ? Words(from) : null,
                    d.Fits.Any(van.ContainsKey)
                )),
            ],
            [.. round.Where(d => d.Fits is null).Select(d => d.Name)],
            [.. awaited.Select(ExpectedDogDto.Of)]
        );
    }

    /// <summary>An expected dog has no readings of its own: what was entered is taken as read once with a soft tape.</summary>
    private static FitQuestion Question(ExpectedDogRow dog, FitSettingsRow settings, HouseRules rules)
    {
        Reading Read(Measure measure, Side? side, double mm) => new(measure, side, Length.FromMillimeters(mm), ReadingUnit.Mm);
        List<Reading> readings = [Read(Measure.NoseToInnerEye, Side.Left, dog.EyeMm), Read(Measure.NoseToInnerEye, Side.Right, dog.EyeMm)];
        foreach (var (measure, mm) in new[] { (Measure.SnoutGirth, dog.GirthMm), (Measure.SnoutWidth, dog.WidthMm), (Measure.NeckGirth, dog.NeckMm) })
        {
            if (mm is { } given)
                readings.Add(Read(measure, null, given));
        }

        var profile = new DogProfile
        {
            Name = dog.Name,
            HeadShapeSeen = dog.HeadShape,
            BiteTier = dog.BiteTier,
            Purposes = dog.Purposes,
        };
        var assessed = Assessment.Of(readings, new Circumstances { OtherWays = profile.OtherShapes, Rules = rules });
        return new FitQuestion(
            assessed.Snout!,
            MuzzleBrief.For(
                profile,
                new BriefQuestion
                {
                    Material = settings.Material,
                    Visibility = settings.Visibility,
                    Rules = rules,
                }
            ),
            Length.FromMillimeters(settings.FingerMm)
        )
        {
            Draws = SnoutDraws.Of(assessed.Snout!, UncertaintySource.Of(assessed), SnoutDraws.Usual.Ours, new Random(SnoutDraws.Seed)),
        };
    }

    private static async Task<VanSizeDto> CountAsync(string sizeId, VanEntry entry, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        if (entry.Count is not (>= 0 and <= MostOfOne))
            throw Refusal.Field("count", $"0 to {MostOfOne} are accepted.");
        var found = (await MuzzleRow.ListAsync(db, cancel)).FindSize(sizeId) ?? throw Refusal.NotFound("No muzzle size has this id.");
        var row = await db.Van.FindAsync([sizeId], cancel);
        VanSizeDto Dto(int count, long version) => new(sizeId, $"{found.Model.Name} {found.Size.Label}", count, 0, version);
        Versions.Need(edited, row?.Version ?? 0, $"The count of {found.Model.Name} {found.Size.Label}", Dto(row?.Count ?? 0, row?.Version ?? 0));
        if (row is null && entry.Count > 0)
            db.Van.Add(row = new VanRow { SizeId = sizeId });
        if (row is not null && entry.Count == 0)
            db.Van.Remove(row);
        else if (row is not null)
            row.Count = entry.Count.Value;
        await db.SaveChangesAsync(cancel);
        return Dto(entry.Count.Value, entry.Count == 0 ? 0 : row!.Version);
    }

    private static async Task<ExpectedDogDto> ExpectAsync(ExpectedDogEntry entry, PracticeDb db, CancellationToken cancel)
    {
        var row = entry.Onto(new ExpectedDogRow { Id = entry.Id ?? Guid.NewGuid(), Name = "" });
        if (await db.ExpectedDogs.AsNoTracking().SingleOrDefaultAsync(d => d.Id == row.Id, cancel) is { } known)
        {
            // Sent again because the answer got lost: it is there as it was sent.
            row.Version = known.Version;
            return ExpectedDogDto.Of(known).SaysTheSame(ExpectedDogDto.Of(row))
                ? ExpectedDogDto.Of(known)
                : throw Refusal.Conflict("This id stands for other expected dogs.");
        }

        db.ExpectedDogs.Add(row);
        await db.SaveChangesAsync(cancel);
        return ExpectedDogDto.Of(row);
    }

    private static async Task<ExpectedDogDto> AmendAsync(
        Guid expectedId,
        ExpectedDogEntry entry,
        PracticeDb db,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await db.ExpectedDogs.FindAsync([expectedId], cancel) ?? throw Refusal.NotFound("No expected dogs have this id.");
        Versions.Need(edited, row.Version, row.Name, ExpectedDogDto.Of(row));
        entry.Onto(row);
        await db.SaveChangesAsync(cancel);
        return ExpectedDogDto.Of(row);
    }

    private static async Task<IReadOnlyList<ExpectedDogDto>> UnexpectAsync(
        Guid expectedId,
        PracticeDb db,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        if (await db.ExpectedDogs.FindAsync([expectedId], cancel) is { } row)
        {
            Versions.Need(edited, row.Version, row.Name, ExpectedDogDto.Of(row));
            db.ExpectedDogs.Remove(row);
            await db.SaveChangesAsync(cancel);
        }

        return [.. (await db.ExpectedDogs.AsNoTracking().OrderBy(d => d.Name).ToListAsync(cancel)).Select(ExpectedDogDto.Of)];
    }
}
