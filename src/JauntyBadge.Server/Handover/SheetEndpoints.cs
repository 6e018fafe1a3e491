using System.Text;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Handover.Sheets;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>A table to hand out.</summary>
public enum SheetName
{
    Sessions,
    Wears,
    Inspections,
    Visits,
    Readings,
    Treats,
    Catalogue,
}

/// <summary>Tables as CSV files (RFC 4180), of a dog and of all.</summary>
internal static class SheetEndpoints
{
    public static void MapSheets(this IEndpointRouteBuilder api)
    {
        api.MapGet(
                "/dogs/{id:guid}/tables/{name}.csv",
                async (Guid id, string name, PracticeDb db, Pen pen, HttpContext http, CancellationToken cancel) =>
                {
                    var sheet = Of(name);
                    if (sheet == SheetName.Catalogue)
                        throw Refusal.NotFound("The catalogue is of the practice, not of a dog.");
                    var dog = await db.DogAsync(id, cancel);
                    return await WriteAsync(sheet, id, $"{dog.Name}-{name}", db, pen, http, cancel);
                }
            )
            .WithTags("Handover")
            .WithName("dogTable")
            .May(Concern.WholePractice)
            .WithSummary("A table of a dog: sessions, wears, inspections, visits, readings or treats.")
            .Produces<string>(StatusCodes.Status200OK, "text/csv");
        api.MapGet(
                "/tables/{name}.csv",
                (string name, PracticeDb db, Pen pen, HttpContext http, CancellationToken cancel) =>
                    WriteAsync(Of(name), null, $"all-{name}", db, pen, http, cancel)
            )
            .WithTags("Handover")
            .WithName("table")
            .May(Concern.WholePractice)
            .WithSummary("A table of all dogs, or the catalogue.")
            .Produces<string>(StatusCodes.Status200OK, "text/csv");
    }

    private static SheetName Of(string name) => QueryWords.Named<SheetName>(name) ?? throw Refusal.NotFound("No table is called so.");

    private static async Task<IResult> WriteAsync(SheetName sheet, Guid? dog, string file, PracticeDb db, Pen pen, HttpContext http, CancellationToken cancel)
    {
        var rows = new SheetRows(db, dog, new ConditioningWords(await pen.TakeAsync(cancel)));
        http.Response.Headers.CacheControl = "no-store";
        http.Response.Headers.ContentDisposition = $"attachment; filename=\"{Slug.Of(file)}.csv\"";
        return Results.Stream(
            async body =>
            {
                // Everything is of one moment, however long it takes to send.
                await using var moment = await db.AtOneMomentAsync(cancel);
                await using var text = new StreamWriter(body, new UTF8Encoding(false), 64 * 1024, leaveOpen: true);
                await (
                    sheet switch
                    {
                        SheetName.Sessions => HandoverSheets.Sessions.WriteAsync(text, rows.Goes(cancel), cancel),
                        SheetName.Wears => HandoverSheets.Wears.WriteAsync(text, rows.Wears(cancel), cancel),
                        SheetName.Inspections => HandoverSheets.Inspections.WriteAsync(text, rows.Inspections(cancel), cancel),
                        SheetName.Visits => HandoverSheets.Visits.WriteAsync(text, rows.Visits(cancel), cancel),
                        SheetName.Readings => HandoverSheets.Readings.WriteAsync(text, rows.Readings(cancel), cancel),
                        SheetName.Treats => HandoverSheets.Treats.WriteAsync(text, rows.Treats(cancel), cancel),
                        _ => HandoverSheets.Catalogue.WriteAsync(text, SheetRows.Catalogue(db, cancel), cancel),
                    }
                );
            },
            "text/csv; charset=utf-8"
        );
    }
}
