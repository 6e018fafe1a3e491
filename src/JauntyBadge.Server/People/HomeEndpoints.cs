using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.Round;
using JauntyBadge.Server.Shared;
using JauntyBadge.Server.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.People;

/// <summary>Somebody to ring.</summary>
public sealed record CallDto(string? Who, string? Phone);

/// <summary>A dog on its keeper's first page.</summary>
/// <param name="Thing">The one thing of the day.</param>
/// <param name="WearHeadline">How long it may be worn now, as big words; never a promise.</param>
/// <param name="WearWhy">Why not longer.</param>
/// <param name="WearSeconds">The same as a number; 0 where it should not be worn.</param>
/// <param name="Muzzle">What it wears; null where none is chosen.</param>
/// <param name="Strap">Its hole.</param>
/// <param name="Visit">The next visit, in words; null for none.</param>
/// <param name="Unread">Answers of the fitter nobody here read.</param>
public sealed record HomeDogDto(
    Guid Id,
    string Name,
    HeadPortrait Portrait,
    HomeThing Thing,
    string Title,
    string Detail,
    Guid? OpenSessionId,
    WearOnDto? WearOn,
    string WearHeadline,
    string? WearWhy,
    double WearSeconds,
    string? Muzzle,
    string? Strap,
    string? Visit,
    int Unread,
    CallDto Clinic
);

/// <summary>A keeper's first page.</summary>
/// <param name="At">When it was so.</param>
public sealed record HomeDto(DateTime At, IReadOnlyList<HomeDogDto> Dogs, CallDto Fitter);

/// <summary>The keeper's own first page.</summary>
internal static class HomeEndpoints
{
    public static void MapHome(this IEndpointRouteBuilder api) =>
        api.MapGroup("/home")
            .WithTags("Home")
            .OneWriterAtATime()
            .MapGet("/", HomeAsync)
            .WithName("home")
            .May(Concern.Sessions)
            .WithSummary("Own dogs: the one thing of the day, how long the muzzle may be worn now and why not longer, and what is next.")
            .OfThisMoment();

    private static async Task<HomeDto> HomeAsync(PracticeDb db, Pen pen, StationService station, Asker asker, TimeProvider clock, CancellationToken cancel)
    {
        var practice = await PracticeRow.LoadAsync(db, cancel);
        var dogs = new List<HomeDogDto>();
        var own = asker.Dogs.ToList();
        foreach (var id in await db.Dogs.Where(d => own.Contains(d.Id) && d.ArchivedAt == null).OrderBy(d => d.Name).Select(d => d.Id).ToListAsync(cancel))
            dogs.Add(await DogAsync(id, db, pen, station, asker, clock, cancel));
        return new(clock.UtcNow(), dogs, new(practice.Name, practice.Phone));
    }

    private static async Task<HomeDogDto> DogAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var fit = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var (file, limit) = (fit.File, (await HowLong.LoadAsync(fit, db, pen, station, asker, clock, cancel)).Of(new()));
        var day = HomeDay.Of(file.Record, clock.Today(), clock.UtcNow(), limit.Seconds > 0);
        var words = new PeopleWords(await pen.WithAsync(file.Measured.Rules, cancel));
        return new(
            id,
            file.Dog.Name,
            file.Record.Portrait,
            day.Thing,
            words.Title(day),
            words.Detail(day),
            file.Trained.OpenSession?.Id,
            day.Standing.On is { } on ? WearOnDto.Of(on, file.Measured.Rules) : null,
            limit.Headline,
            limit.Lines is [var first, ..] ? first.Says : null,
            limit.Seconds,
            limit.Muzzle,
            limit.Strap,
            words.Visit(day.Standing),
            await db.News.CountAsync(n => n.DogId == id && !n.FromHome && n.ReadAt == null, cancel),
            new(file.Dog.ClinicName, file.Dog.ClinicPhone)
        );
    }
}
