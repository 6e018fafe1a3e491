using FluentValidation;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Fitting;

/// <summary>How the practice fits, as entered.</summary>
public sealed record FitSettingsEntry(
    MaterialSchool? Material = null,
    VisibilitySchool? Visibility = null,
    double? FingerMm = null,
    double? Comfort = null,
    double? Safety = null,
    double? Feeding = null
);

public sealed class FitSettingsEntryValidator : AbstractValidator<FitSettingsEntry>
{
    private const double MostWeight = 5;

    public FitSettingsEntryValidator()
    {
        RuleFor(s => s.Material).NotNull().WithMessage("material is needed: sturdy or metalOnly.");
        RuleFor(s => s.Visibility).NotNull().WithMessage("visibility is needed: standOut or blendIn.");
        RuleFor(s => s.FingerMm).NeededBetween(8, 30).WithMessage("A finger is 8 to 30 mm thick.");
        RuleFor(s => s.Comfort).NeededBetween(0, MostWeight).WithMessage($"comfort is 0 to {MostWeight}.");
        RuleFor(s => s.Safety).NeededBetween(0, MostWeight).WithMessage($"safety is 0 to {MostWeight}.");
        RuleFor(s => s.Feeding).NeededBetween(0, MostWeight).WithMessage($"feeding is 0 to {MostWeight}.");
    }
}

/// <summary>The practice's schools, its finger and what it weighs.</summary>
internal static class FitSettingsEndpoints
{
    public static void MapFitSettings(this IEndpointRouteBuilder api)
    {
        var settings = api.MapGroup("/fit-settings").WithTags("Fitting").OneWriterAtATime();
        settings
            .MapGet("/", async (PracticeDb db, CancellationToken cancel) => FitSettingsDto.Of(await FitSettingsRow.LoadAsync(db, cancel)))
            .WithName("fitSettings")
            .May(Concern.Choosing)
            .WithSummary("How the practice fits.");
        settings.MapPut("/", SetAsync).WithName("setFitSettings").May(Concern.Choosing).WithSummary("Set how the practice fits.").NeedsVersion();
    }

    private static async Task<FitSettingsDto> SetAsync(FitSettingsEntry entry, PracticeDb db, CancellationToken cancel, [Edited] string? edited = null)
    {
        var row = await db.FitSettings.FindAsync([FitSettingsRow.OnlyId], cancel);
        Versions.Need(edited, row?.Version ?? 0, "How you fit", FitSettingsDto.Of(row ?? new FitSettingsRow()));
        if (row is null)
            db.FitSettings.Add(row = new FitSettingsRow());
        (row.Material, row.Visibility, row.FingerMm) = (entry.Material!.Value, entry.Visibility!.Value, entry.FingerMm!.Value);
        (row.Comfort, row.Safety, row.Feeding) = (entry.Comfort!.Value, entry.Safety!.Value, entry.Feeding!.Value);
        await db.SaveChangesAsync(cancel);
        return FitSettingsDto.Of(row);
    }
}
