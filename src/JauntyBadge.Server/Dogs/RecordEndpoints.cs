using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Conditioning;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Dogs;

/// <summary>Which room something on record comes from.</summary>
public enum RecordKind
{
    Measured,
    Chosen,
    Tried,
    Trained,
    Worn,
    Inspected,
    Visit,
    Noted,
}

/// <summary>Something on a dog's record.</summary>
/// <param name="At">When.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="Lines">More of it, a sentence each.</param>
/// <param name="Room">Where in the dog's rooms it is, such as "measure/history"; empty for the dog's own page.</param>
/// <param name="Picture">Address of its picture; null for none.</param>
/// <param name="By">Who recorded it, and on what; null where nobody had to sign in.</param>
public sealed record RecordItemDto(DateTime At, RecordKind Kind, string Title, IReadOnlyList<string> Lines, string Room, string? Picture, string? By = null);

/// <summary>A dog's record in time order across all rooms.</summary>
internal static class RecordEndpoints
{
    private const int MostOfAKind = 200;

    public static void MapRecord(this IEndpointRouteBuilder api) =>
        api.MapGroup("/dogs/{id:guid}/record")
            .WithTags("Dogs")
            .OneWriterAtATime()
            .MapGet("/", RecordAsync)
            .WithName("record")
            .May(Concern.WhoDidWhat)
            .WithSummary($"What was measured, chosen, tried, trained, worn, inspected, visited and noted, the newest first; the last {MostOfAKind} of each.");

    private static async Task<IReadOnlyList<RecordItemDto>> RecordAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var withheld = asker.Withheld(await db.DogAsync(id, cancel));
        var writing = await pen.TakeAsync(cancel);
        var words = new CaseloadWords(writing);
        var by = await ByAsync(id, db, new PeopleWords(writing), cancel);
        IEnumerable<RecordItemDto> all =
        [
            .. await MeasuredAsync(id, db, words, by, cancel),
            .. await FittedAsync(id, db, words, by, cancel),
            .. await TrainedAsync(id, db, words, new ConditioningWords(writing), by, cancel),
            .. await WornAsync(id, db, words, by, clock, cancel),
        ];
        if (withheld.Choosing)
            all = all.Select(i =>
                i.Kind is RecordKind.Chosen or RecordKind.Tried or RecordKind.Noted or RecordKind.Measured ? i with { Lines = [], Picture = null } : i
            );
        return [.. all.OrderByDescending(i => i.At).ThenByDescending(i => i.Kind)];
    }

    /// <summary>Who added which record, in words, for those that somebody added who was signed in.</summary>
    private static async Task<ILookup<Guid, string>> ByAsync(Guid id, PracticeDb db, PeopleWords words, CancellationToken cancel)
    {
        var deeds = await db
            .Deeds.AsNoTracking()
            .Where(d => d.DogId == id && d.What == DeedKind.Added && d.OfId != null)
            .OrderBy(d => d.Number)
            .Select(d => new
            {
                Of = d.OfId!.Value,
                d.Person,
                d.Device,
            })
            .ToListAsync(cancel);
        return deeds.ToLookup(d => d.Of, d => words.By(d.Person, d.Device));
    }

    private static async Task<IEnumerable<RecordItemDto>> MeasuredAsync(
        Guid id,
        PracticeDb db,
        CaseloadWords words,
        ILookup<Guid, string> by,
        CancellationToken cancel
    )
    {
        var sets = await db
            .MeasuringSets.AsNoTracking()
            .Where(s => s.DogId == id && s.RemovedAt == null)
            .Select(s => new
            {
                s.Id,
                s.StartedAt,
                s.BodyMassKg,
                Readings = db.Readings.Count(r => r.SetId == s.Id && r.RemovedAt == null && r.SetAside == null),
            })
            .OrderByDescending(s => s.StartedAt)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        var photos = await db
            .Photos.AsNoTracking()
            .Where(p => p.DogId == id && p.RemovedAt == null)
            .OrderByDescending(p => p.Number)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        return
        [
            .. sets.Where(s => s.Readings > 0)
                .Select(s => new RecordItemDto(
                    s.StartedAt,
                    RecordKind.Measured,
                    words.Measured,
                    [words.Readings(s.Readings, s.BodyMassKg)],
                    "measure/history",
                    null,
                    by[s.Id].FirstOrDefault()
                )),
            .. photos.Select(p => new RecordItemDto(
                p.AddedAt,
                RecordKind.Measured,
                words.PictureTaken,
                [],
                $"measure/photos/{p.Id}",
                Photo(p),
                by[p.Id].FirstOrDefault()
            )),
        ];
    }

    private static async Task<IEnumerable<RecordItemDto>> FittedAsync(
        Guid id,
        PracticeDb db,
        CaseloadWords words,
        ILookup<Guid, string> by,
        CancellationToken cancel
    )
    {
        var choices = await db
            .Choices.AsNoTracking()
            .Where(c => c.DogId == id && c.WithdrawnAt == null)
            .OrderByDescending(c => c.Number)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        var tries = await db
            .TryOns.AsNoTracking()
            .Where(t => t.DogId == id && t.RemovedAt == null)
            .OrderByDescending(t => t.Number)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        return
        [
            .. choices.Select(c =>
            {
                var kept = c.KeptFit;
                return new RecordItemDto(
                    c.ChosenAt,
                    RecordKind.Chosen,
                    words.Chosen($"{kept.Model} {kept.Size.Label}".Trim()),
                    kept.Unreadable ? [words.CannotBeRead]
                        : kept.Note is { } note ? [note]
                        : [],
                    "fit/earlier",
                    null,
                    by[c.Id].FirstOrDefault()
                );
            }),
            .. tries.Select(t =>
            {
                var wrong = t.Seen.Answers.Count(a => !a.Value);
                return new RecordItemDto(
                    t.At,
                    RecordKind.Tried,
                    words.TriedOn(t.Seen.Muzzle),
                    [
                        t.Seen.Unreadable ? words.CannotBeRead : words.Checked(t.Seen.Answers.Count, wrong),
                        .. t.Seen.Note is { } note ? [note] : Array.Empty<string>(),
                    ],
                    "fit/try",
                    t.HasPicture ? $"/api/dogs/{id}/try-ons/{t.Id}/picture" : null,
                    by[t.Id].FirstOrDefault()
                );
            }),
        ];
    }

    private static async Task<IEnumerable<RecordItemDto>> TrainedAsync(
        Guid id,
        PracticeDb db,
        CaseloadWords words,
        ConditioningWords training,
        ILookup<Guid, string> by,
        CancellationToken cancel
    )
    {
        var sessions = await db
            .Sessions.AsNoTracking()
            .Include(s => s.Sets)
            .Where(s => s.DogId == id)
            .OrderByDescending(s => s.Number)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        var moves = await db.PlanMoves.AsNoTracking().Where(m => m.DogId == id && m.ByHand).OrderByDescending(m => m.Id).Take(MostOfAKind).ToListAsync(cancel);
        return
        [
            .. sessions.Select(s =>
            {
                var passed = s.Sets.Where(x => x.Decision == DecisionKind.Passed).Select(x => training.OnRecord(x.StepId)).ToList();
                return new RecordItemDto(
                    s.StartedAt,
                    RecordKind.Trained,
                    s.EndedAt is null ? words.SessionUnderWay
                        : passed.Count > 0 ? words.Passed(passed)
                        : words.Trained(s.Sets.OrderBy(x => x.Number).Select(x => training.OnRecord(x.StepId)).Distinct()),
                    [.. s.Sets.OrderBy(x => x.Number).Select(x => SessionDto.ReasonOf(x, training)).OfType<string>()],
                    "plan/progress",
                    null,
                    by[s.Id].FirstOrDefault()
                );
            }),
            .. moves.Select(m => new RecordItemDto(m.At, RecordKind.Noted, words.PlanSetByHand, [PlanEndpoints.ToldMove(m, training)], "plan", null)),
        ];
    }

    private static async Task<IEnumerable<RecordItemDto>> WornAsync(
        Guid id,
        PracticeDb db,
        CaseloadWords words,
        ILookup<Guid, string> by,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var today = clock.Today();
        var wears = await db
            .Wears.AsNoTracking()
            .Where(w => w.DogId == id && w.RemovedAt == null)
            .OrderByDescending(w => w.StartedAt)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        var inspections = await db
            .Inspections.AsNoTracking()
            .Where(i => i.DogId == id && i.RemovedAt == null)
            .OrderByDescending(i => i.Number)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        var visits = await db
            .Appointments.AsNoTracking()
            .Where(a => a.DogId == id && a.RemovedAt == null && a.Day <= today)
            .OrderByDescending(a => a.Day)
            .Take(MostOfAKind)
            .ToListAsync(cancel);
        return
        [
            .. wears.Select(w => new RecordItemDto(
                w.StartedAt,
                RecordKind.Worn,
                words.Worn(w.EndedAt - w.StartedAt, w.Occasion),
                [
                    .. new[]
                    {
                        string.Join(" · ", new[] { words.For(w.HappyId) ?? w.ForWhat, w.Place }.OfType<string>()) is { Length: > 0 } what ? what : null,
                        w.Worst >= SignGroup.Worried ? words.WasWorried : null,
                        w.Rubs.Count > 0 ? words.LeftMark : null,
                        w.Note,
                    }.OfType<string>(),
                ],
                "wear",
                w.HasPicture ? $"/api/dogs/{id}/wears/{w.Id}/picture" : null,
                by[w.Id].FirstOrDefault()
            )),
            .. inspections.Select(i => new RecordItemDto(
                i.At,
                RecordKind.Inspected,
                words.Inspected(i.Muzzle, i.Failed.Count == 0),
                [
                    .. i.Failed.Select(f => InspectionCheck.All.FirstOrDefault(c => c.Id == f)).OfType<InspectionCheck>().Select(words.Failed),
                    .. i.Note is { } note ? [note] : Array.Empty<string>(),
                ],
                "wear/muzzle",
                null,
                by[i.Id].FirstOrDefault()
            )),
            .. visits.Select(a => new RecordItemDto(
                clock.MomentOf(a.Day, a.Time),
                RecordKind.Visit,
                words.Visit(a.Kind),
                [.. new[] { a.Place, a.Note }.OfType<string>()],
                "wear/visits",
                null,
                by[a.Id].FirstOrDefault()
            )),
        ];
    }

    private static string Photo(PhotoRow photo) => $"/api/dogs/{photo.DogId}/photos/{photo.Id}/picture";
}
