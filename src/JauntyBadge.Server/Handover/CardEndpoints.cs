using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Handover.Papers;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.Handover.Pdf;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Handover;

/// <summary>A card for one audience.</summary>
/// <param name="Headline">How long at most, as the big words.</param>
/// <param name="Stop">It should not be worn.</param>
/// <param name="MaxSeconds">The same as a number; 0 where it should not be worn.</param>
/// <param name="Parts">What stands on it, what is read at a door first.</param>
/// <param name="Holds">Until when it holds, in words.</param>
/// <param name="Until">The last day it holds.</param>
public sealed record CardDto(
    Audience For,
    string Dog,
    string Breeds,
    string Title,
    string Headline,
    bool Stop,
    double MaxSeconds,
    IReadOnlyList<CardPart> Parts,
    string Holds,
    DateOnly Until,
    HeadPortrait Portrait
);

/// <summary>Cards and reports, on the screen and as PDF.</summary>
internal static class CardEndpoints
{
    public static void MapCards(this IEndpointRouteBuilder api)
    {
        var dog = api.MapGroup("/dogs/{id:guid}").WithTags("Handover").OneWriterAtATime();
        dog.MapGet("/card", CardAsync)
            .WithName("card")
            .May(Concern.Card)
            .WithSummary("What the clinic, the walker, the groomer or the family needs to know, and no more.")
            .OfThisMoment();
        dog.MapGet("/card.pdf", PdfAsync)
            .WithName("cardPdf")
            .May(Concern.Card)
            .WithSummary("The same on one page: a4, a5, letter, or a4Folded.")
            .ProducesPdf()
            .OfThisMoment();
        dog.MapGet("/report.pdf", ReportAsync)
            .WithName("reportPdf")
            .May(Concern.WholePractice)
            .WithSummary("What is on record, for a veterinarian or a behaviour professional.")
            .ProducesPdf()
            .OfThisMoment();
        dog.MapGet("/order.pdf", OrderAsync)
            .WithName("orderPdf")
            .May(Concern.Choosing)
            .WithSummary("The sheet for a muzzle made to measure, on one page with a drawing.")
            .ProducesPdf()
            .OfThisMoment();
    }

    /// <summary>Says that an address answers a PDF.</summary>
    public static RouteHandlerBuilder ProducesPdf(this RouteHandlerBuilder endpoint) => endpoint.Produces<byte[]>(contentType: "application/pdf");

    /// <summary>The paper asked for; A4 when none is.</summary>
    public static PaperSize SizeOf(string? page) => QueryWords.Read<PaperSize>(page, "page") ?? PaperSize.A4;

    private static async Task<CardDto> CardAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel,
        string? @for = null
    )
    {
        var (fit, facts, card, words) = await LoadAsync(id, db, pen, station, asker, clock, @for, cancel);
        return new CardDto(
            card.For,
            fit.File.Dog.Name,
            new DogWords(fit.Writing).Breeds(fit.File.Profile),
            words.Of(card.For),
            words.Headline(facts),
            facts.IsStop,
            facts.IsStop ? 0 : facts.Limit!.Cap.TotalSeconds,
            words.Parts(card, facts),
            words.Holds(card, facts),
            card.Until,
            fit.File.Record.Portrait
        );
    }

    private static async Task<IResult> PdfAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel,
        string? @for = null,
        string? page = null
    )
    {
        var size = SizeOf(page);
        var (fit, facts, card, words) = await LoadAsync(id, db, pen, station, asker, clock, @for, cancel);
        var text = new CardText(
            fit.File.Dog.Name,
            new DogWords(fit.Writing).Breeds(fit.File.Profile),
            words.Of(card.For),
            words.Headline(facts),
            facts.IsStop,
            words.Parts(card, facts),
            words.Holds(card, facts),
            fit.File.Record.Portrait
        );
        return Pdf(CardPdf.Write(text, size, clock.UtcNow()), $"{fit.File.Dog.Name}-card-{card.For}");
    }

    private static async Task<(FitFile Fit, CardFacts Facts, HandoverCard Card, HandoverWords Words)> LoadAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        string? audience,
        CancellationToken cancel
    )
    {
        var (fit, facts) = await HandedFacts.CardAsync(id, db, pen, station, asker, clock, cancel);
        var whom = QueryWords.Read<Audience>(audience, "for") ?? throw Refusal.Field("for", $"Say whom the card is for; {QueryWords.OneOf(typeof(Audience))}.");
        if (asker.Kind is not { } kind || !CardReaders.MayRead(kind, asker.Withheld(fit.File.Dog)).Contains(whom))
            throw new Refusal(StatusCodes.Status403Forbidden, "Not for you", "This card is not for you. Ask the fitter for it.");
        var told = CardReaders.For(kind, facts);
        return (fit, told, HandoverCard.Of(told, whom), new HandoverWords(fit.Writing));
    }

    private static async Task<IResult> ReportAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel,
        string? page = null
    )
    {
        var size = SizeOf(page);
        var (fit, facts) = await HandedFacts.CardAsync(id, db, pen, station, asker, clock, cancel);
        var report = await HandedFacts.ReportAsync(id, facts, fit, db, cancel);
        var words = new HandoverWords(fit.Writing);
        return Pdf(
            ReportPdf.Write(words.ReportOn(fit.File.Dog.Name), words.ReportIs(facts.Today), words.Parts(report), size, clock.UtcNow()),
            $"{fit.File.Dog.Name}-report"
        );
    }

    private static async Task<IResult> OrderAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel, string? page = null)
    {
        var size = SizeOf(page);
        var file = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var question = file.NeedQuestion(Core.Fitting.KeptTerms.Usual);
        var practice = await Data.Handover.PracticeRow.LoadAsync(db, cancel);
        var sheet = Core.Fitting.OrderSheet.For(file.Dog.Profile, question);
        var words = new HandoverWords(file.Writing);
        return Pdf(
            OrderPdf.Write(
                words.Order(sheet, file.Dog.Dog.Name, file.Dog.Profile, question.Brief, practice.Name, practice.Phone, file.Today),
                sheet.Made,
                words,
                size,
                clock.UtcNow()
            ),
            $"{file.File.Dog.Name}-order"
        );
    }

    /// <summary>A PDF to look at, which keeps its name where it is saved.</summary>
    internal static IResult Pdf(byte[] bytes, string name) => new InlinePdf(bytes, $"{(Slug.Of(name) is { Length: > 0 } slug ? slug : "dog")}.pdf");

    private sealed class InlinePdf(byte[] bytes, string name) : IResult
    {
        public async Task ExecuteAsync(HttpContext http)
        {
            http.Response.ContentType = "application/pdf";
            http.Response.Headers.ContentDisposition = $"inline; filename=\"{name}\"";
            http.Response.ContentLength = bytes.Length;
            await http.Response.Body.WriteAsync(bytes, http.RequestAborted);
        }
    }
}
