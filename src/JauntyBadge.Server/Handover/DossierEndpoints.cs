using System.IO.Compression;
using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Handover;
using JauntyBadge.Data.Handover.Dossiers;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>One dog of a dossier against what is here.</summary>
/// <param name="IsHere">It is here already.</param>
/// <param name="ComesBack">It was handed over, and is ours again once it is taken in.</param>
/// <param name="Counts">What each list brings.</param>
/// <param name="Differs">What of the dog itself is otherwise here.</param>
/// <param name="BringsAnything">Something comes in.</param>
/// <param name="Disagrees">Something is here and says something else: say whose word counts.</param>
/// <param name="Breeds">Breeds that come onto the list.</param>
public sealed record DossierDogDto(
    Guid Id,
    string Name,
    bool IsHere,
    bool ComesBack,
    IReadOnlyList<DossierCount> Counts,
    IReadOnlyList<DossierDiffers> Differs,
    bool BringsAnything,
    bool Disagrees,
    IReadOnlyList<string> Breeds
)
{
    internal static DossierDogDto Of(DossierLooked looked) =>
        new(
            looked.DogId,
            looked.Name,
            looked.IsHere,
            looked.IsAway,
            looked.Merge.Counts,
            looked.Merge.Differs,
            !looked.IsHere || looked.Merge.BringsAnything,
            looked.Merge.Disagrees,
            looked.Breeds
        );
}

/// <summary>What a file of dossiers holds, or what of it was taken in.</summary>
/// <param name="Taken">It was taken in.</param>
public sealed record DossiersDto(bool Taken, IReadOnlyList<DossierDogDto> Dogs);

/// <summary>Whole dogs out and in.</summary>
internal static class DossierEndpoints
{
    private const string Zip = "application/zip";

    public static void MapDossiers(this IEndpointRouteBuilder api)
    {
        api.MapGet("/dogs/{id:guid}/dossier.zip", OfDogAsync)
            .WithTags("Handover")
            .WithName("dossier")
            .May(Concern.Dossier)
            .WithSummary("The whole dog as one ZIP: dossier.json by docs/formats/dossier-1.schema.json, its pictures, and a README.")
            .Produces<byte[]>(contentType: Zip);
        api.MapGet("/dossiers.zip", OfAllAsync)
            .WithTags("Handover")
            .WithName("allDossiers")
            .May(Concern.WholePractice)
            .WithSummary("Every dog, archived ones too, each in a folder of its own.")
            .Produces<byte[]>(contentType: Zip);
        api.MapPost(
                "/dossiers/preview",
                (HttpRequest request, PracticeDb db, Pen pen, CancellationToken cancel, string? differing = null) =>
                    LookAsync(request, db, pen, differing, cancel)
            )
            .WithTags("Handover")
            .WithName("previewDossier")
            .May(Concern.WholePractice)
            .WithSummary("What a file of dossiers holds, what would come in and what is here already. Nothing is kept.")
            .TakesZip();
        api.MapPost("/dossiers", TakeAsync)
            .WithTags("Handover")
            .WithName("takeDossier")
            .May(Concern.WholePractice)
            .WithSummary("Take a file of dossiers in, all of it or nothing; what is here and says something else stays unless differing is theirs.")
            .TakesZip();
    }

    private static RouteHandlerBuilder TakesZip(this RouteHandlerBuilder endpoint) =>
        endpoint
            .Accepts<byte[]>(Zip, "application/octet-stream", "application/x-zip-compressed")
            .WithMetadata(new RequestSizeLimitAttribute(DossierZip.LargestFile))
            .Produces<DossiersDto>()
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge);

    private static async Task<IResult> OfDogAsync(Guid id, PracticeDb db, Pen pen, Asker asker, TimeProvider clock, HttpContext http, CancellationToken cancel)
    {
        var withheld = asker.Withheld(await db.DogAsync(id, cancel));
        // A dossier without its bites would be believed elsewhere.
        if (withheld.Bites)
            throw new Refusal(
                StatusCodes.Status403Forbidden,
                "Not for you",
                "The fitter hands this dossier over: something in it is to be talked about first."
            );
        var dossier = await DossierOut.OfAsync(db, id, clock.UtcNow(), cancel) ?? throw Refusal.NotFound("No dog has this id.");
        dossier.Withhold(withheld);
        var words = new HandoverWords(await pen.TakeAsync(cancel));
        var name = dossier.Document["dog"]!["name"]!.ToString();
        return Send(
            http,
            $"{name}-dossier",
            async zip =>
            {
                await DossierZip.WriteAsync(zip, "README.txt", words.DossierReadme(name, clock.Today()), cancel);
                await DossierZip.WriteAsync(zip, "", dossier, cancel);
            }
        );
    }

    private static async Task<IResult> OfAllAsync(PracticeDb db, Pen pen, TimeProvider clock, HttpContext http, CancellationToken cancel)
    {
        var words = new HandoverWords(await pen.TakeAsync(cancel));
        return Send(
            http,
            "all-dogs",
            async zip =>
            {
                await using var moment = await db.AtOneMomentAsync(cancel);
                await DossierZip.WriteAsync(zip, "README.txt", words.DossierReadme(null, clock.Today()), cancel);
                foreach (var dog in await db.Dogs.OrderBy(d => d.Name).ThenBy(d => d.Id).Select(d => new { d.Id, d.Name }).ToListAsync(cancel))
                {
                    if (await DossierOut.OfAsync(db, dog.Id, clock.UtcNow(), cancel) is { } dossier)
                        await DossierZip.WriteAsync(zip, $"{Slug.Of(dog.Name)}-{dog.Id:N}/", dossier, cancel);
                }
            }
        );
    }

    private static IResult Send(HttpContext http, string name, Func<ZipArchive, Task> write)
    {
        http.Response.Headers.CacheControl = "no-store";
        http.Response.Headers.ContentDisposition = $"attachment; filename=\"{(Slug.Of(name) is { Length: > 1 } slug ? slug : "dossier")}.zip\"";
        return Results.Stream(
            async body =>
            {
                // The archive's end is written as it is closed, and the server writes asynchronously only.
                await using var buffered = new BufferedStream(new AsyncOnly(body), 128 * 1024);
                await using var zip = await ZipArchive.CreateAsync(
                    buffered,
                    ZipArchiveMode.Create,
                    leaveOpen: true,
                    entryNameEncoding: null,
                    http.RequestAborted
                );
                await write(zip);
            },
            Zip
        );
    }

    private static async Task<DossiersDto> LookAsync(HttpRequest request, PracticeDb db, Pen pen, string? differing, CancellationToken cancel)
    {
        var whose = QueryWords.Read<Differing>(differing, "differing") ?? Differing.Ours;
        return await WithFileAsync(
            request,
            pen,
            async dossiers =>
            {
                var looked = new List<DossierDogDto>();
                foreach (var dossier in dossiers)
                    looked.Add(DossierDogDto.Of(await DossierIn.LookAsync(db, dossier, whose, cancel)));
                return new DossiersDto(false, looked);
            },
            cancel
        );
    }

    private static async Task<DossiersDto> TakeAsync(
        HttpRequest request,
        PracticeDb db,
        Pen pen,
        WriteGate gate,
        TimeProvider clock,
        CancellationToken cancel,
        string? differing = null
    )
    {
        var whose = QueryWords.Read<Differing>(differing, "differing") ?? Differing.Ours;
        return await WithFileAsync(
            request,
            pen,
            dossiers =>
                gate.WriteAsync(
                    db,
                    async () =>
                    {
                        var taken = new List<DossierDogDto>();
                        foreach (var dossier in dossiers)
                        {
                            var looked = await DossierIn.LookAsync(db, dossier, whose, cancel);
                            taken.Add(DossierDogDto.Of(looked));
                            // The same twice adds nothing.
                            if (looked.IsHere && !looked.IsAway && !looked.Merge.BringsAnything && !(whose == Differing.Theirs && looked.Merge.Disagrees))
                                continue;
                            await DossierIn.TakeAsync(db, dossier, looked, cancel);
                            if (looked.IsAway)
                                await HandingOverEndpoints.NoteBackAsync(db, looked.DogId, null, clock, cancel);
                        }

                        return new DossiersDto(true, taken);
                    },
                    cancel
                ),
            cancel
        );
    }

    /// <summary>Reads the file that was sent, which lies on the disk meanwhile and is gone afterwards.</summary>
    private static async Task<T> WithFileAsync<T>(HttpRequest request, Pen pen, Func<IReadOnlyList<DossierRead>, Task<T>> use, CancellationToken cancel)
    {
        await using var file = new FileStream(
            Path.Combine(Path.GetTempPath(), $"jaunty-badge-{Guid.NewGuid():N}"),
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.ReadWrite,
                Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous,
                UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
            }
        );
        await request.Body.CopyToAsync(file, cancel);
        if (file.Length == 0)
            throw Refusal.Field("file", "Choose a dossier: a ZIP file that this product wrote.");
        file.Position = 0;
        try
        {
            return await use(await DossierZip.ReadAsync(file, cancel));
        }
        catch (DossierProblem problem)
        {
            throw Refusal.Field("file", new HandoverWords(await pen.TakeAsync(cancel)).Of(problem.Fault));
        }
        catch (DbUpdateException e) when (SqliteWords.Of(e) is null)
        {
            throw Refusal.Conflict(
                "What is in the file and what is here cannot stand together, such as two sessions or two wears that are both open. End one of them first."
            );
        }
    }

    /// <summary>Lets what only writes synchronously write to the answer.</summary>
    private sealed class AsyncOnly(Stream to) : Stream
    {
        public override bool CanRead => false;
        public override bool CanSeek => false;
        public override bool CanWrite => true;
        public override long Length => throw new NotSupportedException();
        public override long Position
        {
            get => throw new NotSupportedException();
            set => throw new NotSupportedException();
        }

        public override void Flush() => to.FlushAsync().GetAwaiter().GetResult();

        public override Task FlushAsync(CancellationToken cancellationToken) => to.FlushAsync(cancellationToken);

        public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => to.WriteAsync(buffer.AsMemory(offset, count)).AsTask().GetAwaiter().GetResult();

        public override ValueTask WriteAsync(ReadOnlyMemory<byte> buffer, CancellationToken cancellationToken = default) =>
            to.WriteAsync(buffer, cancellationToken);
    }
}
