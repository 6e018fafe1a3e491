using JauntyBadge.Core;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.Handover.Pdf;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Handover;

/// <summary>The girths and the length of a paper cup.</summary>
/// <param name="FrontGirthMm">In front, 30 to 800.</param>
/// <param name="RearGirthMm">Behind: not under that in front by more than a hundredth.</param>
/// <param name="LengthMm">From front to rear along the middle, 10 to 400.</param>
/// <param name="Page">The paper; a4 when left out.</param>
public sealed record CupEntry(double? FrontGirthMm = null, double? RearGirthMm = null, double? LengthMm = null, PaperSize? Page = null);

/// <summary>The flat pattern of a paper cup. A cylinder has no radii and no angle, and its chord is its girth.</summary>
/// <param name="SlantMm">Along the side.</param>
/// <param name="InnerRadiusMm">Of the front edge, unrolled.</param>
/// <param name="OuterRadiusMm">Of the rear edge.</param>
/// <param name="AngleDeg">That the sector spans.</param>
/// <param name="ChordMm">Straight from end to end of the rear edge.</param>
/// <param name="FlapMm">How wide the flap is.</param>
/// <param name="Pages">How many pages it takes.</param>
public sealed record CupDto(double SlantMm, double? InnerRadiusMm, double? OuterRadiusMm, double? AngleDeg, double ChordMm, double FlapMm, int Pages);

/// <summary>A paper of a dog.</summary>
/// <param name="Not">Why it cannot be made yet; null where it can.</param>
/// <param name="Pages">How many pages of A4 it takes.</param>
public sealed record PaperDto(PaperKind Kind, string? Not, int Pages);

/// <summary>Papers at 1:1.</summary>
internal static class PaperEndpoints
{
    public static void MapPapers(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Handover").OneWriterAtATime();
        dog.MapGet("/papers", ListAsync)
            .WithName("papers")
            .May(Concern.Papers)
            .WithSummary("The papers there are of a dog, and what is missing for the others.");
        dog.MapGet("/papers/{kind}.pdf", PaperAsync)
            .WithName("paper")
            .May(Concern.Papers)
            .WithSummary("A paper at 1:1: strip, strap, cup or template; on a4, a5 or letter, in tiles where the page is too small.")
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesPdf();
        api.MapPost("/what-if/cup", CupAsync)
            .WithTags("What if")
            .WithName("whatIfCup")
            .May(Concern.WholePractice)
            .WithSummary("The flat pattern of a paper cup from its girths and length.");
    }

    private static async Task<IReadOnlyList<PaperDto>> ListAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var fit = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var words = new HandoverWords(fit.Writing);
        return
        [
            .. Enum.GetValues<PaperKind>()
                .Select(kind =>
                    Draw(kind, fit, words) is { } drawing
                        ? new PaperDto(kind, null, PaperPages.Of(drawing, PaperSize.A4, words).Pages.Count)
                        : new PaperDto(kind, words.CannotMake(kind), 0)
                ),
        ];
    }

    private static async Task<IResult> PaperAsync(
        Guid id,
        string kind,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        string? page = null
    )
    {
        var wanted = QueryWords.Named<PaperKind>(kind) ?? throw Refusal.NotFound("No paper is called so.");
        var size = CardEndpoints.SizeOf(page);
        if (size == PaperSize.A4Folded)
            throw Refusal.Field("page", "A paper at 1:1 is not folded; a4, a5 or letter is expected.");
        var fit = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var words = new HandoverWords(fit.Writing);
        var drawing = Draw(wanted, fit, words) ?? throw Refusal.Conflict(words.CannotMake(wanted));
        return CardEndpoints.Pdf(PaperPdf.Write(PaperPages.Of(drawing, size, words), clock.UtcNow()), $"{fit.File.Dog.Name}-{kind}");
    }

    private static PaperDrawing? Draw(PaperKind kind, FitFile fit, HandoverWords words)
    {
        var (snout, choice) = (fit.Dog.Snout, fit.File.Muzzle.Choice?.KeptFit);
        return kind switch
        {
            PaperKind.Strip => snout is null ? null : PaperDrawings.Strip(snout, words),
            PaperKind.Cup when snout is not null && CupPattern.On(snout) is var (front, rear, length) => CupPattern
                .For(front, rear, length, fit.Dog.Rules)
                .Draw(words),
            PaperKind.Strap when choice is { Strap: { } kept } && choice.Size.NeckStrapRange() is { } range => PaperDrawings.Strap(
                range,
                choice.Muzzle?.HolePitch,
                new StrapSetting(
                    Length.FromMillimeters(kept.LoopMm),
                    kept.Hole,
                    kept.Holes,
                    kept.FromTightestMm is { } open ? Length.FromMillimeters(open) : null
                ),
                words
            ),
            PaperKind.Template when snout is not null && choice is { Type: MuzzleType.Basket } => PaperDrawings.Template(
                choice.Size.Basket(snout),
                $"{choice.Model} {choice.Size.Label}",
                words
            ),
            _ => null,
        };
    }

    private static async Task<CupDto> CupAsync(CupEntry entry, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var errors = new Dictionary<string, string[]>();
        double Between(string field, double? value, double low, double high)
        {
            if (value is not { } mm || !(mm >= low && mm <= high))
                errors[field] = [$"{field} is {low} to {high} mm."];
            return value ?? 0;
        }

        var (front, rear, length) = (
            Between("frontGirthMm", entry.FrontGirthMm, 30, 800),
            Between("rearGirthMm", entry.RearGirthMm, 30, 800),
            Between("lengthMm", entry.LengthMm, 10, 400)
        );
        var (c1, c2) = (Length.FromMillimeters(front), Length.FromMillimeters(rear));
        if (errors.Count == 0 && c2 < c1 && !CupPattern.AreAlike(c1, c2))
            errors["rearGirthMm"] = [$"A snout is wider behind than in front: rearGirthMm of {front:0.#} or more is accepted."];
        if (entry.Page == PaperSize.A4Folded)
            errors["page"] = ["A paper at 1:1 is not folded; a4, a5 or letter is accepted."];
        if (errors.Count > 0)
            throw Refusal.Fields(errors);
        var writing = await pen.TakeAsync(cancel);
        var cup = CupPattern.For(c1, c2, Length.FromMillimeters(length), writing.Rules);
        var words = new HandoverWords(writing);
        return new(
            cup.Slant.Millimeters,
            cup.InnerRadius?.Millimeters,
            cup.OuterRadius?.Millimeters,
            cup.Angle?.Degrees,
            cup.Chord.Millimeters,
            cup.Flap.Millimeters,
            PaperPages.Of(cup.Draw(words), entry.Page ?? PaperSize.A4, words).Pages.Count
        );
    }
}
