using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Conditioning;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Wearing;

/// <summary>An inspection as done.</summary>
/// <param name="Failed">Ids of the checks that were not fine; none as [].</param>
public sealed record InspectionEntry(IReadOnlyList<string>? Failed = null, string? Note = null);

public sealed class InspectionEntryValidator : AbstractValidator<InspectionEntry>
{
    public InspectionEntryValidator()
    {
        RuleFor(i => i.Failed)
            .NotNull()
            .WithMessage("Say what was not fine; none as [].")
            .Must(f => f is null || f.All(id => InspectionCheck.All.Any(c => c.Id == id)))
            .WithMessage($"A check is one of {string.Join(", ", InspectionCheck.All.Select(c => c.Id))}.");
        RuleFor(i => i.Note).MaximumLength(1000).WithMessage("Up to 1000 letters, please.");
    }
}

/// <summary>An inspection on record.</summary>
public sealed record InspectionDto(Guid Id, DateTime At, string Muzzle, IReadOnlyList<string> Failed, string? Note)
{
    internal static InspectionDto Of(InspectionRow row) => new(row.Id, row.At, row.Muzzle, row.Failed, row.Note);
}

/// <summary>What is to be done with a muzzle by a day.</summary>
/// <param name="What">What.</param>
/// <param name="On">The day by which; today where it is due.</param>
/// <param name="IsDue">It is due, by the practice's day.</param>
/// <param name="Why">Why, in a sentence; null where only time goes by.</param>
public sealed record UpkeepDto(Upkeep What, DateOnly On, bool IsDue, string? Why);

/// <summary>The state of the muzzle in use, and its inspections.</summary>
/// <param name="Muzzle">In words; null where none is chosen.</param>
/// <param name="Says">Its state in a sentence.</param>
/// <param name="On">The day of the next inspection.</param>
/// <param name="Upkeep">What it needs and by when, the nearest day first.</param>
public sealed record MuzzleStateDto(
    string? Muzzle,
    InspectionDue? Due,
    string? Says,
    DateOnly? On,
    IReadOnlyList<UpkeepDto> Upkeep,
    IReadOnlyList<InspectionCheck> Checks,
    IReadOnlyList<InspectionDto> Inspections
);

/// <summary>An appointment as entered.</summary>
/// <param name="Occasion">What it will be to the dog; what is usual for its kind when left out.</param>
/// <param name="ReadyAt">The step that has to be passed by then.</param>
public sealed record AppointmentEntry(
    DateOnly? Day = null,
    TimeOnly? Time = null,
    AppointmentKind? Kind = null,
    Occasion? Occasion = null,
    string? Place = null,
    string? ReadyAt = null,
    string? Note = null
);

public sealed class AppointmentEntryValidator : AbstractValidator<AppointmentEntry>
{
    public AppointmentEntryValidator(TimeProvider clock)
    {
        RuleFor(a => a.Day)
            .NotNull()
            .WithMessage("day is needed.")
            .Must(d => d is null || (d >= clock.Today().AddYears(-5) && d <= clock.Today().AddYears(5)))
            .WithMessage("An appointment lies within five years.");
        RuleFor(a => a.Kind).NotNull().WithMessage("kind is needed: clinic, groomer, ferry, visitors or other.");
        RuleFor(a => a.ReadyAt).Must(s => s is null || Step.Find(s) is not null).WithMessage("\"{PropertyValue}\" is not a step of the course.");
        RuleFor(a => a.Place).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(a => a.Note).MaximumLength(1000).WithMessage("Up to 1000 letters, please.");
    }
}

/// <summary>An appointment on record.</summary>
/// <param name="Past">Its day is over.</param>
public sealed record AppointmentDto(
    Guid Id,
    DateOnly Day,
    TimeOnly? Time,
    AppointmentKind Kind,
    Occasion Occasion,
    string? Place,
    string? ReadyAt,
    string? Note,
    bool Past,
    long Version
) : IAtVersion
{
    internal static AppointmentDto Of(AppointmentRow row, DateOnly today) =>
        new(row.Id, row.Day, row.Time, row.Kind, row.Occasion, row.Place, row.ReadyAt, row.Note, row.Day < today, row.Version);
}

/// <summary>Inspections and appointments.</summary>
internal static class UpkeepEndpoints
{
    public static void MapUpkeep(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Wearing").OneWriterAtATime();
        dog.MapGet("/inspections", StateAsync)
            .WithName("inspections")
            .May(Concern.Wearing)
            .WithSummary("The state of the muzzle in use, the checklist, and its inspections.");
        dog.MapPost("/inspections", InspectAsync)
            .WithName("inspect")
            .May(Concern.Wearing)
            .WithSummary("Keep an inspection; what fails puts the muzzle out of use until one finds it fine.")
            .ProducesProblem(StatusCodes.Status409Conflict);
        dog.MapDelete(
                "/inspections/{inspectionId:guid}",
                (Guid id, Guid inspectionId, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
                    RemoveInspectionAsync(id, inspectionId, clock.UtcNow(), db, cancel)
            )
            .WithName("removeInspection")
            .May(Concern.Wearing)
            .WithSummary("Take an inspection out; it can be put back.");
        dog.MapPost(
                "/inspections/{inspectionId:guid}/restore",
                (Guid id, Guid inspectionId, PracticeDb db, CancellationToken cancel) => RemoveInspectionAsync(id, inspectionId, null, db, cancel)
            )
            .WithName("restoreInspection")
            .May(Concern.Wearing)
            .WithSummary("Put an inspection back.");
        dog.MapGet("/appointments", AppointmentsAsync).WithName("appointments").May(Concern.Wearing).WithSummary("Its appointments, the earliest first.");
        dog.MapPut("/appointments/{appointmentId:guid}", PutAppointmentAsync)
            .WithName("putAppointment")
            .May(Concern.Wearing)
            .WithSummary("Save an appointment; version \"0\" makes one. The nearest one sets the plan's date, unless the owner set an earlier one.")
            .ProducesProblem(StatusCodes.Status409Conflict)
            .NeedsVersion();
        dog.MapDelete(
                "/appointments/{appointmentId:guid}",
                (Guid id, Guid appointmentId, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAppointmentAsync(id, appointmentId, clock.UtcNow(), db, clock, cancel)
            )
            .WithName("removeAppointment")
            .May(Concern.Wearing)
            .WithSummary("Take an appointment out; it can be put back.");
        dog.MapPost(
                "/appointments/{appointmentId:guid}/restore",
                (Guid id, Guid appointmentId, PracticeDb db, TimeProvider clock, CancellationToken cancel) =>
                    RemoveAppointmentAsync(id, appointmentId, null, db, clock, cancel)
            )
            .WithName("restoreAppointment")
            .May(Concern.Wearing)
            .WithSummary("Put an appointment back.");
    }

    private static async Task<MuzzleStateDto> StateAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.DogFileAsync(id, cancel);
        var state = file.Record.MuzzleOn(clock.Today());
        var writing = await pen.WithAsync(file.Measured.Rules, cancel);
        var words = new CaseloadWords(writing);
        var rows = await db
            .Inspections.AsNoTracking()
            .Where(i => i.DogId == id && i.RemovedAt == null)
            .OrderByDescending(i => i.Number)
            .Take(100)
            .ToListAsync(cancel);
        return new MuzzleStateDto(
            file.Muzzle.Choice?.KeptFit is { } kept ? $"{kept.Model} {kept.Size.Label}" : null,
            state?.Due,
            state is null ? null : new WearingWords(writing).Of(state),
            state?.On,
            [.. file.Record.UpkeepOn(clock.Today()).Select(u => new UpkeepDto(u.What, u.On, u.On <= clock.Today(), words.Why(u)))],
            [.. InspectionCheck.All.Select(new WearingWords(writing).Told)],
            [.. rows.Select(InspectionDto.Of)]
        );
    }

    private static async Task<InspectionDto> InspectAsync(Guid id, InspectionEntry entry, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var choice =
            (await db.DogFileAsync(id, cancel)).Muzzle.Choice
            ?? throw Refusal.Conflict("No muzzle is chosen for this dog yet: choose one in the fitting room first.");
        var row = new InspectionRow
        {
            Id = Guid.NewGuid(),
            DogId = id,
            SizeId = choice.SizeId,
            Muzzle = $"{choice.KeptFit.Model} {choice.KeptFit.Size.Label}",
            At = clock.UtcNow(),
            Day = clock.Today(),
            Failed = [.. entry.Failed!.Distinct()],
            Note = entry.Note.OrNull(),
        };
        db.Inspections.Add(row);
        await db.SaveChangesAsync(cancel);
        return InspectionDto.Of(row);
    }

    private static async Task<InspectionDto> RemoveInspectionAsync(Guid id, Guid inspectionId, DateTime? at, PracticeDb db, CancellationToken cancel)
    {
        var row =
            await db.Inspections.SingleOrDefaultAsync(i => i.Id == inspectionId && i.DogId == id, cancel)
            ?? throw Refusal.NotFound("No inspection has this id.");
        row.RemovedAt = at;
        await db.SaveChangesAsync(cancel);
        return InspectionDto.Of(row);
    }

    private static async Task<IReadOnlyList<AppointmentDto>> AppointmentsAsync(Guid id, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var rows = await db
            .Appointments.AsNoTracking()
            .Where(a => a.DogId == id && a.RemovedAt == null)
            .OrderBy(a => a.Day)
            .ThenBy(a => a.Number)
            .ToListAsync(cancel);
        return [.. rows.Select(r => AppointmentDto.Of(r, clock.Today()))];
    }

    private static async Task<AppointmentDto> PutAppointmentAsync(
        Guid id,
        Guid appointmentId,
        AppointmentEntry entry,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        if (entry.ReadyAt is { } at && dog.Training.Find(at) is null)
            throw Refusal.Field("readyAt", "This step is not in the dog's plan.");
        var row = await db.Appointments.SingleOrDefaultAsync(a => a.Id == appointmentId, cancel);
        if (row is not null && row.DogId != id)
            throw Refusal.NotFound("No appointment has this id.");
        if (row?.RemovedAt is not null)
            throw Refusal.Conflict("This appointment was taken out. Put it back first, then change it.");
        Versions.Need(edited, row?.Version ?? 0, "This appointment", row is null ? null : AppointmentDto.Of(row, clock.Today()));
        var before = row?.Day;
        if (row is null)
            db.Appointments.Add(row = new AppointmentRow { Id = appointmentId, DogId = id });
        row.Day = entry.Day!.Value;
        row.Time = entry.Time;
        row.Kind = entry.Kind!.Value;
        row.Occasion = entry.Occasion ?? Core.Wearing.Appointments.Usual(row.Kind);
        row.Place = entry.Place.OrNull();
        row.ReadyAt = entry.ReadyAt;
        row.Note = entry.Note.OrNull();
        await db.SaveChangesAsync(cancel);
        await SetPlansDateAsync(id, before, db, clock, cancel);
        return AppointmentDto.Of(row, clock.Today());
    }

    private static async Task<AppointmentDto> RemoveAppointmentAsync(
        Guid id,
        Guid appointmentId,
        DateTime? at,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var row =
            await db.Appointments.SingleOrDefaultAsync(a => a.Id == appointmentId && a.DogId == id, cancel)
            ?? throw Refusal.NotFound("No appointment has this id.");
        row.RemovedAt = at;
        await db.SaveChangesAsync(cancel);
        await SetPlansDateAsync(id, row.Day, db, clock, cancel);
        return AppointmentDto.Of(row, clock.Today());
    }

    /// <summary>
    /// Lets the plan follow the nearest appointment: where the plan has no date, where its date is over or later, or where it was that of the appointment that was
    /// changed.
    /// </summary>
    private static async Task SetPlansDateAsync(Guid id, DateOnly? before, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        var today = clock.Today();
        var next = await db
            .Appointments.AsNoTracking()
            .Where(a => a.DogId == id && a.RemovedAt == null && a.Day >= today)
            .OrderBy(a => a.Day)
            .ThenBy(a => a.Number)
            .FirstOrDefaultAsync(cancel);
        var week = (await db.LastPlanChoiceAsync(id, cancel))?.Days ?? TrainingWeek.Usual;
        var follows = week.By is null || week.By < today || week.By == before || week.By > next?.Day;
        if (follows && (next is not null || week.By == before) && (week.By, week.ReadyAt) != (next?.Day, next?.ReadyAt))
            await OutlookEndpoints.AddChoiceAsync(id, choice => choice.Days = week with { By = next?.Day, ReadyAt = next?.ReadyAt }, db, clock, cancel);
    }
}
