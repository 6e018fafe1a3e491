using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.People;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.Round;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>A note as written.</summary>
/// <param name="About">The screen it was written on, as an address of the product.</param>
/// <param name="AnswerTo">The note it answers.</param>
public sealed record NewsEntry(string? Text = null, string? About = null, Guid? AnswerTo = null);

public sealed class NewsEntryValidator : AbstractValidator<NewsEntry>
{
    public NewsEntryValidator()
    {
        RuleFor(n => n.Text).NotEmpty().WithMessage("Write something.").MaximumLength(2000).WithMessage("Up to 2000 letters, please.");
        RuleFor(n => n.About)
            .Must(a => a is null || (a.StartsWith('/') && !a.StartsWith("//", StringComparison.Ordinal) && a.Length <= 200))
            .WithMessage("about is an address of the product, such as /dogs/…/wear.");
    }
}

/// <summary>A note, or the answer to one.</summary>
/// <param name="Who">Who wrote it; null for whoever sits at the practice's own machine.</param>
/// <param name="FromHome">It comes from the dog's home.</param>
/// <param name="Pictures">Where its pictures are.</param>
/// <param name="ReadAt">When the other side read it; null while it did not.</param>
public sealed record NewsDto(
    Guid Id,
    DateTime At,
    string? Who,
    bool FromHome,
    bool Mine,
    string Text,
    string? About,
    Guid? AnswerTo,
    IReadOnlyList<string> Pictures,
    DateTime? ReadAt,
    string? ReadBy
);

/// <summary>What is new from a dog's home.</summary>
/// <param name="Says">The news, the gravest first.</param>
/// <param name="Grave">Somebody is to look today.</param>
/// <param name="Changed">What else was recorded since somebody looked.</param>
/// <param name="Since">When somebody looked last; null for never.</param>
public sealed record FromHomeDto(Guid DogId, string Dog, IReadOnlyList<string> Says, bool Grave, string Changed, DateTime? Since, int Unread);

/// <summary>Notes from home and their answers, and what is new from there. No mail, no push: they lie here until somebody looks.</summary>
internal static class NewsEndpoints
{
    private const int Most = 200;

    public static void MapNews(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}/news").WithTags("Home").OneWriterAtATime();
        dog.MapGet("/", ListAsync).WithName("news").May(Concern.News).WithSummary("Notes and answers, the newest first.");
        dog.MapPut("/{noteId:guid}", PutAsync).WithName("putNews").May(Concern.News).WithSummary("Send a note, or an answer; sent twice it is there once.");
        dog.MapPost("/read", ReadAsync).WithName("readNews").May(Concern.News).WithSummary("Say that what the other side wrote was read.");
        api.MapPost("/dogs/{id:guid}/news/{noteId:guid}/pictures", AddPictureAsync)
            .WithTags("Home")
            .WithName("addNewsPicture")
            .May(Concern.News)
            .WithSummary($"Add a picture to a note of one's own, up to {NewsRow.MostPictures}.")
            .TakesPicture();
        dog.MapGet("/{noteId:guid}/pictures/{pictureId:guid}", PictureAsync)
            .WithName("newsPicture")
            .May(Concern.News)
            .WithSummary("A picture of a note.")
            .Produces<byte[]>(contentType: "image/jpeg");
        dog.MapPost("/looked", LookedAsync).WithName("lookedAtNews").May(Concern.Round).WithSummary("Say that what is new from this dog's home was looked at.");
        api.MapGroup("/from-home")
            .WithTags("Home")
            .OneWriterAtATime()
            .MapGet("/", FromHomeAsync)
            .WithName("fromHome")
            .May(Concern.Round)
            .WithSummary("New from home: notes, signs over threshold, stuck, worn too long, days missed; the gravest first.");
    }

    private static async Task<IReadOnlyList<NewsDto>> ListAsync(Guid id, PracticeDb db, Asker asker, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var rows = await db.News.AsNoTracking().Where(n => n.DogId == id).OrderByDescending(n => n.Number).Take(Most).ToListAsync(cancel);
        return [.. rows.Select(n => Of(n, asker))];
    }

    private static NewsDto Of(NewsRow row, Asker asker) =>
        new(
            row.Id,
            row.At,
            row.Person,
            row.FromHome,
            row.FromHome == asker.HasOwnDogsOnly && row.PersonId == asker.Device?.PersonId,
            row.Text,
            row.About,
            row.AnswerTo,
            [.. row.Pictures.Select(p => $"/api/dogs/{row.DogId}/news/{row.Id}/pictures/{p}")],
            row.ReadAt,
            row.ReadBy
        );

    private static async Task<NewsDto> PutAsync(Guid id, Guid noteId, NewsEntry entry, PracticeDb db, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        if (await db.News.SingleOrDefaultAsync(n => n.Id == noteId, cancel) is { } known)
        {
            return known.DogId != id ? throw NoNote()
                : known.Text == entry.Text!.Trim() && known.PersonId == asker.Device?.PersonId ? Of(known, asker)
                : throw Refusal.Conflict("This note was sent already, and says something else. Write another.");
        }

        if (entry.AnswerTo is { } to && !await db.News.AnyAsync(n => n.Id == to && n.DogId == id, cancel))
            throw Refusal.Field("answerTo", "No note of this dog has this id.");
        var row = new NewsRow
        {
            Id = noteId,
            DogId = id,
            At = clock.UtcNow(),
            PersonId = asker.Device?.PersonId,
            Person = asker.Device?.Person?.Name,
            FromHome = asker.HasOwnDogsOnly,
            Text = entry.Text!.Trim(),
            About = entry.About,
            AnswerTo = entry.AnswerTo,
        };
        db.News.Add(row);
        await db.SaveChangesAsync(cancel);
        return Of(row, asker);
    }

    /// <summary>What the other side wrote is read, once.</summary>
    private static async Task<NoContent> ReadAsync(Guid id, PracticeDb db, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var fromHome = !asker.HasOwnDogsOnly;
        foreach (var note in await db.News.Where(n => n.DogId == id && n.FromHome == fromHome && n.ReadAt == null).ToListAsync(cancel))
            (note.ReadAt, note.ReadBy) = (clock.UtcNow(), asker.Device?.Person?.Name);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NewsDto> AddPictureAsync(
        Guid id,
        Guid noteId,
        IFormFile? file,
        HttpContext http,
        PracticeDb db,
        Asker asker,
        CancellationToken cancel
    )
    {
        var row = await db.News.SingleOrDefaultAsync(n => n.Id == noteId && n.DogId == id, cancel) ?? throw NoNote();
        if (row.PersonId != asker.Device?.PersonId)
            throw Refusal.Conflict("Only whoever wrote a note adds pictures to it.");
        if (row.Pictures.Count >= NewsRow.MostPictures)
            throw Refusal.Conflict($"A note has up to {NewsRow.MostPictures} pictures.");
        var picture = Guid.NewGuid();
        await PictureShelf.PutAsync(db, picture, PictureIntake.TakenFrom(http), cancel);
        row.Pictures = [.. row.Pictures, picture];
        await db.SaveChangesAsync(cancel);
        return Of(row, asker);
    }

    private static async Task<FileContentHttpResult> PictureAsync(Guid id, Guid noteId, Guid pictureId, PracticeDb db, CancellationToken cancel)
    {
        var row = await db.News.AsNoTracking().SingleOrDefaultAsync(n => n.Id == noteId && n.DogId == id, cancel) ?? throw NoNote();
        return row.Pictures.Contains(pictureId) ? await PictureShelf.ReadAsync(db, pictureId, cancel) : throw Refusal.NotFound("It has no picture.");
    }

    private static async Task<NoContent> LookedAsync(Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        if (await db.Looked.FindAsync([id], cancel) is { } looked)
            looked.At = clock.UtcNow();
        else
            db.Looked.Add(new LookedRow { DogId = id, At = clock.UtcNow() });
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IReadOnlyList<FromHomeDto>> FromHomeAsync(PracticeDb db, Pen pen, RoundBoard board, TimeProvider clock, CancellationToken cancel)
    {
        var today = clock.Today();
        var given = await db
            .Grants.Where(g => g.Until == null)
            .Join(
                db.People.Where(p => p.Kind == PersonKind.Keeper && p.WithdrawnAt == null),
                g => g.PersonId,
                p => p.Id,
                (g, p) => new { g.DogId, p.CreatedAt }
            )
            .GroupBy(g => g.DogId)
            .Select(g => new { Dog = g.Key, Since = g.Min(x => x.CreatedAt) })
            .ToDictionaryAsync(g => g.Dog, g => g.Since, cancel);
        if (given.Count == 0)
            return [];
        var looked = await db.Looked.AsNoTracking().ToDictionaryAsync(l => l.DogId, l => l.At, cancel);
        var writing = await pen.TakeAsync(cancel);
        var words = new PeopleWords(writing);
        var news = new List<(FromHomeDto Dto, HomeNews Gravest)>();
        foreach (var dog in (await board.ReadAsync(db, today, cancel)).Where(d => given.ContainsKey(d.Id)))
        {
            DateTime? at = looked.TryGetValue(dog.Id, out var last) ? last : null;
            var since = await SinceAsync(dog, at, given[dog.Id], db, clock, cancel);
            if (FromHome.Of(since, writing.Rules) is { Count: > 0 } items)
                news.Add(
                    (
                        new(
                            dog.Id,
                            dog.Name,
                            [.. items.Select(words.Of)],
                            items[0].What is HomeNews.Red or HomeNews.OverThreshold,
                            words.Changed(since),
                            at,
                            since.UnreadNotes
                        ),
                        items[0].What
                    )
                );
        }

        return [.. news.OrderBy(n => n.Gravest).ThenBy(n => n.Dto.Dog, StringComparer.Ordinal).Select(n => n.Dto)];
    }

    /// <summary>What was recorded of a dog since somebody of the practice looked, or since it was given to its keeper.</summary>
    private static async Task<SinceLooked> SinceAsync(
        RoundDog dog,
        DateTime? looked,
        DateTime given,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (from, today) = (looked ?? given, clock.Today());
        var overs = Sign.All.Where(s => s.Group == SignGroup.OverThreshold).Select(s => s.Id).ToList();
        var signs = await db
            .Signs.Where(s => s.At > from && overs.Contains(s.SignId))
            .Join(db.Sets.Where(s => s.DogId == dog.Id), s => s.SetId, s => s.Id, (s, _) => s.SignId)
            .ToListAsync(cancel);
        var wears = await db.Wears.AsNoTracking().Where(w => w.DogId == dog.Id && w.RemovedAt == null && w.EndedAt > from).ToListAsync(cancel);
        var sessions = await db.Sessions.CountAsync(s => s.DogId == dog.Id && s.StartedAt > from, cancel);
        var goes =
            sessions == 0
                ? 0
                : await db.Goes.Where(g => g.At > from).Join(db.Sets.Where(s => s.DogId == dog.Id), g => g.SetId, s => s.Id, (g, _) => g.Id).CountAsync(cancel);
        var trains = FromHome.IsTrained(dog.Standing);
        var week = trains ? (await db.LastPlanChoiceAsync(dog.Id, cancel))?.Days ?? TrainingWeek.Usual : TrainingWeek.Usual;
        return new(
            looked,
            await db.News.CountAsync(n => n.DogId == dog.Id && n.FromHome && n.ReadAt == null, cancel),
            signs,
            [.. wears.Select(Of)],
            sessions,
            goes,
            sessions > 0 ? dog.Standing.SessionsStuck : 0,
            trains ? FromHome.Missed(week, dog.Standing.LastTrained, clock.DayOf(from), today) : 0
        );
    }

    private static HomeWear Of(WearRow wear)
    {
        var record = wear.AsRecord;
        var over = wear is { EndedAt: { } off, CapMinutes: { } cap } ? off - wear.StartedAt - TimeSpan.FromMinutes(cap) : TimeSpan.Zero;
        return new(record.Day, over > TimeSpan.Zero ? over : TimeSpan.Zero, record.Red, record.OverThreshold);
    }

    private static Refusal NoNote() => Refusal.NotFound("No note has this id.");
}
