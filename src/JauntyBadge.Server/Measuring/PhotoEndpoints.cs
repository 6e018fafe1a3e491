using JauntyBadge.Core;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Demo;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Measuring;

/// <summary>Pictures of a head, for dogs that will not be touched.</summary>
internal static class PhotoEndpoints
{
    public static void MapPhotos(this IEndpointRouteBuilder api)
    {
        api.MapGet("/demo-pictures/{view}", Demo)
            .WithName("demoPicture")
            .May(Concern.Measuring)
            .WithTags("Photos")
            .WithSummary("A drawn picture to try with: view side or top.")
            .Produces<byte[]>(contentType: "image/jpeg");

        // Not among the group below: a slow upload must not keep the others from writing.
        api.MapPost("/dogs/{id:guid}/photos", AddAsync)
            .WithName("addPhoto")
            .May(Concern.Readings)
            .WithTags("Photos")
            .WithSummary("Upload a picture: JPEG, PNG or WebP up to 20 MB. What the camera wrote into it is not kept.")
            .TakesPicture();

        var photos = api.MapGroup("/dogs/{id:guid}/photos").WithTags("Photos").OneWriterAtATime();
        photos.MapGet("/", ListAsync).WithName("photos").May(Concern.Measuring).WithSummary("A dog's pictures, the newest first.");
        photos.MapGet("/{photoId:guid}", OneAsync).WithName("photo").May(Concern.Measuring).WithSummary("What is marked on a picture, and what follows.");
        photos
            .MapGet("/{photoId:guid}/picture", PictureAsync)
            .WithName("picture")
            .May(Concern.Measuring)
            .WithSummary("The picture itself.")
            .Produces<byte[]>(contentType: "image/jpeg");
        photos.MapPut("/{photoId:guid}", MarkAsync).WithName("markPhoto").May(Concern.Readings).WithSummary("Keep what is marked on a picture.").NeedsVersion();
        photos
            .MapPost("/{photoId:guid}/take", TakeAsync)
            .WithName("takeFromPhoto")
            .May(Concern.Readings)
            .WithSummary("Take a picture's measures over as readings.");
        photos
            .MapDelete(
                "/{photoId:guid}",
                (Guid id, Guid photoId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, photoId, true, db, pen, clock, cancel)
            )
            .WithName("removePhoto")
            .May(Concern.Readings)
            .WithSummary("Take a picture out; it can be put back.");
        photos
            .MapPost(
                "/{photoId:guid}/restore",
                (Guid id, Guid photoId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAsync(id, photoId, false, db, pen, clock, cancel)
            )
            .WithName("restorePhoto")
            .May(Concern.Readings)
            .WithSummary("Put a picture back.");
    }

    private static FileContentHttpResult Demo(string view) =>
        TypedResults.File(DemoPicture.Draw(QueryWords.Read<PhotoView>(view, "view")!.Value).Jpeg, "image/jpeg");

    private static async Task<PhotoDto> AddAsync(
        Guid id,
        IFormFile? file,
        HttpContext http,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [FromForm] string? view = null,
        [FromForm] string? side = null
    )
    {
        await db.DogAsync(id, cancel);
        var picture = PictureIntake.TakenFrom(http);
        var row = new PhotoRow
        {
            Id = Guid.NewGuid(),
            DogId = id,
            View = QueryWords.Read<PhotoView>(view, "view") ?? PhotoView.Side,
            Side = QueryWords.Read<Side>(side, "side") ?? Side.Left,
            AddedAt = clock.UtcNow(),
            Marks = new PhotoMarks().Write(),
            Width = picture.Width,
            Height = picture.Height,
        };
        db.Photos.Add(row);
        db.Pictures.Add(new PictureRow { OfId = row.Id, Jpeg = picture.Jpeg });
        await db.SaveChangesAsync(cancel);
        return await OneAsync(id, row.Id, db, pen, cancel);
    }

    private static async Task<IReadOnlyList<PhotoDto>> ListAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(id, cancel);
        var rows = await db.Photos.AsNoTracking().Where(p => p.DogId == id && p.RemovedAt == null).OrderByDescending(p => p.Number).ToListAsync(cancel);
        var known = PhotoKnowledge.Of(file, rows);
        var words = new PhotoWords(await pen.WithAsync(file.Rules, cancel));
        return [.. rows.Select(r => PhotoDto.Of(r, known, words))];
    }

    private static async Task<PhotoDto> OneAsync(Guid id, Guid photoId, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var photos = await db.Photos.AsNoTracking().Where(p => p.DogId == id && (p.Id == photoId || p.View == PhotoView.Top)).ToListAsync(cancel);
        var row = photos.Find(p => p.Id == photoId) ?? throw Refusal.NotFound("No picture has this id.");
        var file = await db.MeasuredDogAsync(id, cancel);
        return PhotoDto.Of(row, PhotoKnowledge.Of(file, photos.Where(p => p.Id != photoId)), new PhotoWords(await pen.WithAsync(file.Rules, cancel)));
    }

    private static async Task<FileContentHttpResult> PictureAsync(Guid id, Guid photoId, PracticeDb db, CancellationToken cancel)
    {
        await FindAsync(id, photoId, db, cancel);
        return await PictureShelf.ReadAsync(db, photoId, cancel);
    }

    private static async Task<PhotoDto> MarkAsync(
        Guid id,
        Guid photoId,
        MarksEntry entry,
        PracticeDb db,
        Pen pen,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var row = await FindAsync(id, photoId, db, cancel);
        await Versions.NeedAsync(edited, row.Version, async () => ("The picture's marks", await OneAsync(id, photoId, db, pen, cancel)));
        (row.View, row.Side) = (entry.View!.Value, entry.Side ?? row.Side);
        row.Marks = new PhotoMarks
        {
            Kind = entry.Kind!.Value,
            RulerMm = entry.RulerMm,
            Corners = entry.Corners ?? [],
            Landmarks = entry.Landmarks ?? new Dictionary<Landmark, PixelPoint>(),
        }.Write();
        await db.SaveChangesAsync(cancel);
        return await OneAsync(id, photoId, db, pen, cancel);
    }

    private static async Task<BenchDto> TakeAsync(
        Guid id,
        Guid photoId,
        TakeEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? unit = null
    )
    {
        var shown = BenchEndpoints.Shown(unit);
        var photo = await OneAsync(id, photoId, db, pen, cancel);
        if (photo.Refusal is { } refusal)
            throw Refusal.Conflict($"{refusal.Message} {refusal.Retake}");
        var taken = photo.Measures.Where(m => entry.Lines is null || entry.Lines.Contains(new MeasureLine(m.Measure, m.Side))).ToList();
        if (taken.Count == 0)
            throw Refusal.Conflict("Nothing can be measured on this picture yet: place the reference and some landmarks.");
        var set = await BenchEndpoints.SetForNowAsync(id, entry.IntoOldSet == true, db, clock, cancel);
        var now = clock.UtcNow();
        db.Readings.AddRange(
            taken.Select(
                (m, i) =>
                    new ReadingRow
                    {
                        Id = Guid.NewGuid(),
                        DogId = id,
                        SetId = set.Id,
                        Measure = m.Measure,
                        Side = m.Side,
                        Millimetres = m.Mm,
                        Unit = ReadingUnit.Mm,
                        AsTaken = $"{m.Mm.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture)} mm",
                        Tool = Tool.Photo,
                        TakenBy = entry.TakenBy.OrNull(),
                        TakenAt = now.AddMilliseconds(i),
                        UncertaintyMm = m.StandardUncertaintyMm,
                    }
            )
        );
        await db.SaveChangesAsync(cancel);
        return await BenchEndpoints.BenchInAsync(shown, id, db, pen, clock, cancel);
    }

    private static async Task<IReadOnlyList<PhotoDto>> RemoveAsync(
        Guid id,
        Guid photoId,
        bool remove,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var row = await FindAsync(id, photoId, db, cancel);
        row.RemovedAt = remove ? row.RemovedAt ?? clock.UtcNow() : null;
        await db.SaveChangesAsync(cancel);
        return await ListAsync(id, db, pen, cancel);
    }

    private static async Task<PhotoRow> FindAsync(Guid id, Guid photoId, PracticeDb db, CancellationToken cancel) =>
        await db.Photos.SingleOrDefaultAsync(p => p.Id == photoId && p.DogId == id, cancel) ?? throw Refusal.NotFound("No picture has this id.");
}
