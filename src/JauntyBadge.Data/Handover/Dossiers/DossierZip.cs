using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Handover.Dossiers;
using SkiaSharp;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>A dossier as it was read from a file.</summary>
/// <param name="Document">The document, by the schema.</param>
/// <param name="Pictures">Its pictures by what they are of.</param>
public sealed record DossierRead(JsonObject Document, IReadOnlyDictionary<Guid, byte[]> Pictures);

/// <summary>Dossiers as ZIP files: one dog, or a folder for each of several.</summary>
public static class DossierZip
{
    public const string Main = "dossier.json";

    /// <summary>Largest file taken, and the most it may unfold to (House: a dog of years with hundreds of pictures stays under a tenth of it).</summary>
    public const long LargestFile = 512L * 1024 * 1024;

    private const long LargestUnfolded = 2L * 1024 * 1024 * 1024;
    private const long LargestDocument = 96L * 1024 * 1024;
    private const long LargestPicture = 24L * 1024 * 1024;
    private const int MostEntries = 200_000;
    private const int LongestPictureSide = 12_000;

    /// <summary>Writes a dog into a folder of a ZIP; into its root where the folder is empty.</summary>
    public static async Task WriteAsync(ZipArchive zip, string folder, DossierOut dossier, CancellationToken cancel)
    {
        await WriteAsync(zip, $"{folder}{Main}", Encoding.UTF8.GetBytes(dossier.Document.ToJsonString(Indented)), CompressionLevel.Fastest, cancel);
        foreach (var (of, jpeg) in dossier.Pictures)
            // A JPEG packs no further.
            await WriteAsync(zip, $"{folder}{DossierOut.PictureName(of)}", jpeg, CompressionLevel.NoCompression, cancel);
    }

    /// <summary>Writes a text for people into a ZIP.</summary>
    public static Task WriteAsync(ZipArchive zip, string name, string text, CancellationToken cancel) =>
        WriteAsync(zip, name, Encoding.UTF8.GetBytes(text), CompressionLevel.Fastest, cancel);

    /// <summary>Reads every dossier of a file.</summary>
    /// <exception cref="DossierProblem">It is none, damaged, too large, or of a newer release; the place is named.</exception>
    public static async Task<IReadOnlyList<DossierRead>> ReadAsync(Stream file, CancellationToken cancel)
    {
        try
        {
            using var zip = new ZipArchive(file, ZipArchiveMode.Read, leaveOpen: true);
            if (zip.Entries.Count > MostEntries)
                throw new DossierProblem(DossierTrouble.TooManyParts, detail: $"{MostEntries}");
            var left = LargestUnfolded;
            var mains = zip.Entries.Where(e => e.FullName == Main || (e.Name == Main && e.FullName.Count(c => c == '/') == 1)).ToList();
            if (mains.Count == 0)
                throw new DossierProblem(DossierTrouble.NoDossier, Main);
            var read = new List<DossierRead>();
            foreach (var main in mains)
            {
                var folder = main.FullName[..^Main.Length];
                var document = await DocumentAsync(main, await UnfoldAsync(main, LargestDocument));
                var pictures = new Dictionary<Guid, byte[]>();
                foreach (var picture in (JsonArray)document[DossierFormat.Pictures]!)
                {
                    var (of, name) = (Guid.Parse(picture!["of"]!.ToString()), picture["file"]!.ToString());
                    if (name != DossierOut.PictureName(of))
                        throw new DossierProblem(DossierTrouble.PictureName, main.FullName, name);
                    if (zip.GetEntry($"{folder}{name}") is not { } entry)
                        throw new DossierProblem(DossierTrouble.PictureMissing, $"{folder}{name}");
                    pictures[of] = NeedPicture(await UnfoldAsync(entry, LargestPicture), entry.FullName);
                }

                read.Add(new(document, pictures));
            }

            return read;

            async Task<byte[]> UnfoldAsync(ZipArchiveEntry entry, long most)
            {
                // What an entry claims to unfold to is not trusted: it is counted.
                await using var packed = entry.Open();
                using var into = new MemoryStream();
                var buffer = new byte[81920];
                for (int got; (got = await packed.ReadAsync(buffer, cancel)) > 0; )
                {
                    if (into.Length + got > most || (left -= got) < 0)
                        throw new DossierProblem(DossierTrouble.TooLarge, entry.FullName, $"{Math.Min(most, LargestUnfolded) / 1024 / 1024}");
                    into.Write(buffer, 0, got);
                }

                return into.ToArray();
            }
        }
        catch (InvalidDataException)
        {
            throw new DossierProblem(DossierTrouble.Damaged);
        }
    }

    private static async Task<JsonObject> DocumentAsync(ZipArchiveEntry entry, byte[] bytes)
    {
        JsonNode? parsed;
        string text;
        try
        {
            text = new UTF8Encoding(false, true).GetString(bytes);
            parsed = JsonNode.Parse(text, documentOptions: new JsonDocumentOptions { MaxDepth = 64 });
            // Members are looked at once here, so that one that is there twice is noticed.
            _ = parsed?.ToJsonString();
        }
        catch (Exception e) when (e is JsonException or DecoderFallbackException or ArgumentException)
        {
            throw e is JsonException { LineNumber: { } line }
                ? new DossierProblem(DossierTrouble.NotJson, entry.FullName, $"{line + 1}")
                : new DossierProblem(DossierTrouble.NotUtf8, entry.FullName);
        }

        if (
            parsed is not JsonObject document
            || document["format"] is not JsonValue format
            || !format.TryGetValue(out string? name)
            || name != DossierFormat.Name
        )
            throw new DossierProblem(DossierTrouble.Foreign, entry.FullName, DossierFormat.Name);
        if (document["version"] is JsonValue version && version.TryGetValue(out int number) && number > DossierFormat.Version)
            throw new DossierProblem(DossierTrouble.Newer, entry.FullName, $"{number}");
        if (await DossierSchema.FaultsAsync(text) is [var first, ..] faults)
            throw new DossierProblem(first with { Place = $"{entry.FullName}, {first.Place}", More = faults.Count - 1 });
        if (Controls(document, entry.FullName) is { } place)
            throw new DossierProblem(DossierTrouble.ControlCharacter, place);
        return document;
    }

    private static string? Controls(JsonNode? node, string at) =>
        node switch
        {
            JsonObject record => record.Select(r => Controls(r.Value, $"{at}, {r.Key}")).FirstOrDefault(p => p is not null),
            JsonArray list => list.Select((r, i) => Controls(r, $"{at}[{i}]")).FirstOrDefault(p => p is not null),
            JsonValue value when value.TryGetValue(out string? text) && !text.All(Core.FileText.IsPrintable) => at,
            _ => null,
        };

    private static byte[] NeedPicture(byte[] bytes, string name)
    {
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        return codec is { EncodedFormat: SKEncodedImageFormat.Jpeg, Info: { Width: > 0 and <= LongestPictureSide, Height: > 0 and <= LongestPictureSide } }
            ? bytes
            : throw new DossierProblem(DossierTrouble.NotAPicture, name, $"{LongestPictureSide}");
    }

    private static async Task WriteAsync(ZipArchive zip, string name, byte[] bytes, CompressionLevel level, CancellationToken cancel)
    {
        await using var entry = zip.CreateEntry(name, level).Open();
        await entry.WriteAsync(bytes, cancel);
    }

    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };
}
