using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Fitting;

/// <summary>The catalogue: models with their versions, and size charts in and out.</summary>
internal static class CatalogueEndpoints
{
    private const int LongestChart = 200_000;

    public static void MapCatalogue(this IEndpointRouteBuilder api)
    {
        var catalogue = api.MapGroup("/catalogue").WithTags("Catalogue").OneWriterAtATime();
        catalogue.MapGet("/", ListAsync).WithName("catalogue").May(Concern.Choosing).WithSummary("The muzzles to choose from.");
        catalogue.MapPost("/", AddAsync).WithName("addMuzzle").May(Concern.Choosing).WithSummary("Add a model.");
        catalogue
            .MapPut("/{modelId}", EditAsync)
            .WithName("editMuzzle")
            .May(Concern.Choosing)
            .WithSummary("Change a model. The old version stays for the fits made with it.")
            .NeedsVersion();
        catalogue
            .MapDelete("/{modelId}", PutAwayAsync)
            .WithName("putMuzzleAway")
            .May(Concern.Choosing)
            .WithSummary("Put a model away; it can be brought back.")
            .NeedsVersion();
        catalogue
            .MapGet("/away", AwayAsync)
            .WithName("muzzlesAway")
            .May(Concern.Choosing)
            .WithSummary("The models offered for no dog: put away, or kept in words that cannot be read. An earlier version can be brought back.");
        catalogue
            .MapGet("/{modelId}/versions", VersionsAsync)
            .WithName("muzzleVersions")
            .May(Concern.Choosing)
            .WithSummary("Every version of a model, the newest first.");
        catalogue
            .MapPost("/{modelId}/versions/{revision:int}", BringBackAsync)
            .WithName("bringMuzzleBack")
            .May(Concern.Choosing)
            .WithSummary("Make an earlier version the newest.")
            .NeedsVersion();
        catalogue
            .MapPost(
                "/draw",
                async (DrawEntry entry, Pen pen, CancellationToken cancel) =>
                    DrawnSizeDto.Of(entry.Type ?? MuzzleType.Basket, (entry.Size ?? new SizeEntry()).ToSize("draft"), await pen.TakeAsync(cancel))
            )
            .WithName("drawSize")
            .May(Concern.Choosing)
            .WithSummary("Draw a geometry while it is typed.")
            .OnlyReads();
        catalogue
            .MapGet("/{modelId}/chart.csv", ChartAsync)
            .WithName("chart")
            .May(Concern.Choosing)
            .WithSummary("A model's size chart as CSV.")
            .Produces<string>(contentType: "text/csv");
        catalogue
            .MapPost("/chart/open", Open)
            .WithName("openChart")
            .May(Concern.Choosing)
            .WithSummary("Open a size chart and guess what its columns mean.")
            .OnlyReads();
        catalogue
            .MapPost("/chart/read", ReadAsync)
            .WithName("readChart")
            .May(Concern.Choosing)
            .WithSummary("Read a size chart by a mapping, row by row, without keeping anything.")
            .OnlyReads();
        catalogue
            .MapPost("/chart/import", ImportAsync)
            .WithName("importChart")
            .May(Concern.Choosing)
            .WithSummary("Take a size chart in, whole or not at all; into a model that is there, with the version it is meant for.")
            .NeedsVersion();
    }

    private static async Task<IReadOnlyList<MuzzleDto>> ListAsync(PracticeDb db, CancellationToken cancel)
    {
        var newest = await MuzzleRow.NewestAsync(db, cancel);
        var own = newest.ToDictionary(m => m.ModelId);
        var van = await db.Van.AsNoTracking().ToDictionaryAsync(v => v.SizeId, v => v.Count, cancel);
        return
        [
            .. MuzzleRow
                .ListOf(newest)
                .All.Select(m => new MuzzleDto(
                    m,
                    own.GetValueOrDefault(m.Id)?.Number ?? 0,
                    own.GetValueOrDefault(m.Id)?.Version ?? MuzzleRow.ShippedVersion,
                    own.ContainsKey(m.Id),
                    IsShipped(m.Id),
                    m.Sizes.Sum(s => van.GetValueOrDefault(s.Id))
                )),
        ];
    }

    private static async Task<IReadOnlyList<MuzzleAwayDto>> AwayAsync(PracticeDb db, CancellationToken cancel)
    {
        var away = new List<MuzzleAwayDto>();
        foreach (var newest in (await MuzzleRow.NewestAsync(db, cancel)).Where(m => m.Model is null))
        {
            var before = (await VersionsAsync(newest.ModelId, db, cancel)).FirstOrDefault(v => v.Model is not null);
            away.Add(new(newest.ModelId, before?.Model?.Name ?? newest.ModelId, newest.Number, newest.Version, newest.At, newest.Unreadable, before?.Revision));
        }

        return [.. away.OrderBy(m => m.Name, StringComparer.OrdinalIgnoreCase)];
    }

    private static async Task<MuzzleDto> AddAsync(MuzzleEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        // Sent again because the answer got lost: it is there as it was sent.
        var id = Slug.Of(entry.Name ?? "");
        return (await ListAsync(db, cancel)).FirstOrDefault(m => m.Model.Id == id) is { } known && known.Model.SaysTheSame(entry.ToModel(id, SizeId))
            ? known
            : await KeepAsync(await NewIdAsync(entry.Name ?? "", db, cancel), entry, db, clock, cancel);
    }

    private static async Task<MuzzleDto> EditAsync(
        string modelId,
        MuzzleEntry entry,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        await NeedNewestAsync(modelId, edited, db, cancel);
        return await KeepAsync(modelId, entry, db, clock, cancel);
    }

    private static async Task<MuzzleAwayDto> PutAwayAsync(
        string modelId,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var newest = await NeedNewestAsync(modelId, edited, db, cancel);
        if (newest is { Body: null })
            throw Refusal.NotFound("No model has this id.");
        db.Muzzles.Add(MuzzleRow.Of(modelId, null, After(newest, modelId), clock.UtcNow()));
        await db.SaveChangesAsync(cancel);
        return (await AwayAsync(db, cancel)).First(m => m.ModelId == modelId);
    }

    private static async Task<IReadOnlyList<MuzzleVersionDto>> VersionsAsync(string modelId, PracticeDb db, CancellationToken cancel)
    {
        var own = await db.Muzzles.AsNoTracking().Where(m => m.ModelId == modelId).OrderByDescending(m => m.Version).ToListAsync(cancel);
        var shipped = Catalogue.Shipped.FirstOrDefault(m => m.Id == modelId);
        if (own.Count == 0 && shipped is null)
            throw Refusal.NotFound("No model has this id.");
        return
        [
            .. own.Select(m => new MuzzleVersionDto(m.Version, m.At, m.Model, m.Unreadable)),
            .. shipped is null ? Array.Empty<MuzzleVersionDto>() : [new(MuzzleRow.ShippedVersion, null, shipped, false)],
        ];
    }

    private static async Task<MuzzleDto> BringBackAsync(
        string modelId,
        int revision,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var model =
            (await VersionsAsync(modelId, db, cancel)).FirstOrDefault(v => v.Revision == revision)?.Model
            ?? throw Refusal.NotFound("There is no such version to bring back.");
        await NeedNewestAsync(modelId, edited, db, cancel);
        return await CheckedAsync(model, db, clock, cancel);
    }

    private static async Task<ContentHttpResult> ChartAsync(string modelId, PracticeDb db, CancellationToken cancel)
    {
        var model = (await MuzzleRow.ListAsync(db, cancel)).Find(modelId) ?? throw Refusal.NotFound("No model has this id.");
        return TypedResults.Content(SizeChart.Write(model), "text/csv");
    }

    private static OpenedChart Open(OpenChartEntry entry) =>
        SizeChart.Open(Text(FileWords.Of(entry.Text, entry.File)), entry.Type ?? MuzzleType.Basket)
        ?? throw Refusal.Field("text", "The first row must name the columns, two or more, with comma, semicolon or tab between them.");

    private static async Task<IReadOnlyList<ChartRowDto>> ReadAsync(ReadChartEntry entry, Pen pen, CancellationToken cancel)
    {
        var words = new FittingWords(await pen.TakeAsync(cancel));
        return
        [
            .. Rows(entry.Text, entry.Columns, entry.Type ?? MuzzleType.Basket, entry.Of)
                .Select(r => new ChartRowDto(r.Row, r.Raw, r.Size, r.Problems, [.. r.Assumed.Select(words.Of)])),
        ];
    }

    private static async Task<MuzzleDto> ImportAsync(
        ImportChartEntry entry,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var known = entry.ModelId is null
            ? null
            : (await MuzzleRow.ListAsync(db, cancel)).Find(entry.ModelId) ?? throw Refusal.NotFound("No model has this id.");
        if (known is not null)
            await NeedNewestAsync(known.Id, edited, db, cancel);
        var draft = entry.Model ?? new MuzzleEntry();
        var rows = Rows(entry.Text, entry.Columns, known?.Type ?? draft.Type ?? MuzzleType.Basket, entry.Of);
        if (rows.Count == 0)
            throw Refusal.Field("text", "There is no row below the headings.");
        var bad = rows.Where(r => r.Size is null).ToList();
        if (bad.Count > 0)
            throw Refusal.Field(
                "text",
                $"Row {bad[0].Row} cannot be used: {bad[0].Problems[0]} Mend it in the file, or leave the column out; nothing was taken in."
            );
        var id = known?.Id ?? await NewIdAsync(draft.Name ?? "", db, cancel);
        var had = known?.Sizes.ToDictionary(s => s.Label, s => s.Id, StringComparer.OrdinalIgnoreCase) ?? [];
        List<MuzzleSize> sizes = [.. rows.Select(r => r.Size! with { Id = had.TryGetValue(r.Size!.Label, out var old) ? old : SizeId(id, r.Size!.Label) })];
        return await CheckedAsync((known ?? draft.ToModel(id, SizeId)) with { Sizes = sizes }, db, clock, cancel);
    }

    private static async Task<MuzzleDto> KeepAsync(string id, MuzzleEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
        await CheckedAsync(entry.ToModel(id, SizeId), db, clock, cancel);

    /// <summary>Refuses what cannot be made or worn, naming every field.</summary>
    private static async Task<MuzzleDto> CheckedAsync(MuzzleModel model, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var problems = MuzzleCheck.Of(model);
        if (problems.Count > 0)
            throw Refusal.Fields(problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Says).ToArray()));
        var others = (await MuzzleRow.ListAsync(db, cancel)).All.Where(m => m.Id != model.Id).SelectMany(m => m.Sizes).Select(s => s.Id).ToHashSet();
        if (model.Sizes.GroupBy(s => s.Id).Any(g => g.Count() > 1) || model.Sizes.Any(s => others.Contains(s.Id)))
            throw Refusal.Field("sizes", "Two sizes would go by the same address; give them labels that differ in letters or digits.");
        return await SaveAsync(model, db, clock, cancel);
    }

    private static async Task<MuzzleDto> SaveAsync(MuzzleModel model, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        db.Muzzles.Add(MuzzleRow.Of(model.Id, model, After(await NewestAsync(model.Id, db, cancel), model.Id), clock.UtcNow()));
        await db.SaveChangesAsync(cancel);
        return (await ListAsync(db, cancel)).First(m => m.Model.Id == model.Id);
    }

    /// <summary>Refuses an edit of anything but the newest version.</summary>
    /// <returns>The newest one; null for a shipped model as it came.</returns>
    private static async Task<MuzzleRow?> NeedNewestAsync(string modelId, string? edited, PracticeDb db, CancellationToken cancel)
    {
        var newest = await NewestAsync(modelId, db, cancel);
        if (newest is null && !IsShipped(modelId))
            throw Refusal.NotFound("No model has this id.");
        await Versions.NeedAsync(
            edited,
            newest?.Number ?? 0,
            async () =>
            {
                var now = (await ListAsync(db, cancel)).FirstOrDefault(m => m.Model.Id == modelId);
                return (now?.Model.Name ?? "The model", now);
            }
        );
        return newest;
    }

    /// <summary>The newest version of the practice's own; null for none.</summary>
    private static Task<MuzzleRow?> NewestAsync(string modelId, PracticeDb db, CancellationToken cancel) =>
        db.Muzzles.AsNoTracking().Where(m => m.ModelId == modelId).OrderByDescending(m => m.Version).FirstOrDefaultAsync(cancel);

    private static int After(MuzzleRow? newest, string modelId) => (newest?.Version ?? (IsShipped(modelId) ? MuzzleRow.ShippedVersion : 0)) + 1;

    private static async Task<string> NewIdAsync(string name, PracticeDb db, CancellationToken cancel)
    {
        var id = Slug.Of(name);
        if (id == "")
            throw Refusal.Field("name", "Give the model a name with at least one letter from a to z.");
        return IsShipped(id) || await NewestAsync(id, db, cancel) is not null
            ? throw Refusal.Field("name", $"There is a model called {name.Trim()} already, or one was put away. Change that one, or take another name.")
            : id;
    }

    private static IReadOnlyList<ChartRow> Rows(string? text, IReadOnlyList<ChartColumn>? columns, MuzzleType type, string? of) =>
        (columns ?? []).OfType<ChartColumn>().ToList() is var known && SizeChart.Problem(known) is { } wrong
            ? throw Refusal.Field("columns", wrong)
            : SizeChart.Read(Text(text), known, type, of);

    private static string Text(string? text) =>
        string.IsNullOrWhiteSpace(text) ? throw Refusal.Field("text", "Paste a size chart or choose a file.")
        : text.Length > LongestChart ? throw Refusal.Field("text", $"A size chart has up to {LongestChart:N0} letters.")
        : text;

    private static bool IsShipped(string modelId) => Catalogue.Shipped.Any(m => m.Id == modelId);

    private static string SizeId(string modelId, string label) => $"{modelId}-{Slug.Of(label)}";
}
