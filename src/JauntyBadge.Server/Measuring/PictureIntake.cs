using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Mvc;
using SkiaSharp;

namespace JauntyBadge.Server.Measuring;

/// <summary>A picture fit to be stored: upright, of a bounded size, without anything the camera wrote into it.</summary>
public sealed record TakenIn(byte[] Jpeg, int Width, int Height);

/// <summary>Turns an uploaded file into a picture to store, or refuses it. What it claims to be does not count, only what it is.</summary>
internal static class PictureIntake
{
    /// <summary>Largest file taken.</summary>
    public const long LargestFile = 20 * 1024 * 1024;

    /// <summary>Longest side stored. Two pixels of a click are then well under a millimetre on a head that fills half of it.</summary>
    public const int LongestSide = 3000;

    /// <summary>Largest request taken: such a file with what a form says around it.</summary>
    private const long LargestForm = LargestFile + 64 * 1024;

    private const int SmallestSide = 200;
    private const int Quality = 88;

    private static readonly SKEncodedImageFormat[] Accepted = [SKEncodedImageFormat.Jpeg, SKEncodedImageFormat.Png, SKEncodedImageFormat.Webp];

    /// <summary>One picture is unfolded at a time, whoever sends how many.</summary>
    private static readonly SemaphoreSlim Turn = new(1);

    private static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(20);

    /// <summary>
    /// Lets an endpoint take such a file and keep it, in its turn and once. A slow upload must not keep others from writing: map it outside the groups of one writer; the
    /// picture is taken in before its turn comes, and the handler finds it by <see cref="TakenFrom"/>.
    /// </summary>
    public static RouteHandlerBuilder TakesPicture(this RouteHandlerBuilder endpoint) =>
        endpoint
            .DisableAntiforgery()
            .WithMetadata(new RequestSizeLimitAttribute(LargestForm), new OneWriter.InTurn())
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge)
            .AddEndpointFilter(
                async (call, next) =>
                {
                    var picture = await TakeAsync(call.Arguments.OfType<IFormFile>().FirstOrDefault(), call.HttpContext.RequestAborted);
                    call.HttpContext.Items[typeof(TakenIn)] = picture;
                    return OneWriter.Tagged(await Once.WriteAsync(call, next, picture.Jpeg), call.HttpContext);
                }
            );

    /// <summary>The picture that came with a request.</summary>
    public static TakenIn TakenFrom(HttpContext http) => (TakenIn)http.Items[typeof(TakenIn)]!;

    /// <summary>Takes an uploaded file.</summary>
    /// <exception cref="Refusal">There is none, or it is too large, or as below; 503 while others are being taken.</exception>
    private static async Task<TakenIn> TakeAsync(IFormFile? file, CancellationToken cancel)
    {
        if (file is null || file.Length == 0)
            throw Refusal.Field("file", "Choose a picture: JPEG, PNG or WebP.");
        if (file.Length > LargestFile)
            throw new Refusal(StatusCodes.Status413PayloadTooLarge, "Too large", $"A picture may be up to {LargestFile / 1024 / 1024} MB.");
        if (!await Turn.WaitAsync(LongestWait, cancel))
            throw Refusal.Later("Other pictures are being taken in. Send this one again in a moment.");
        try
        {
            await using var stream = file.OpenReadStream();
            return Take(stream);
        }
        finally
        {
            Turn.Release();
        }
    }

    /// <exception cref="Refusal">The file is no picture, of another kind, too large or too small; names the field.</exception>
    private static TakenIn Take(Stream file)
    {
        var (decoded, origin, asItIs) = Decode(file);
        using (decoded)
        {
            decoded.SetImmutable();
            using var image = SKImage.FromBitmap(decoded);
            return asItIs ? Encoded(image) : Upright(image, origin);
        }
    }

    /// <summary>Unfolds a picture no further than is stored, and says how it lay in the camera and whether it can be stored as it is.</summary>
    private static (SKBitmap Decoded, SKEncodedOrigin Origin, bool AsItIs) Decode(Stream file)
    {
        using var kept = new SKManagedStream(file, disposeManagedStream: false);
        using var codec = SKCodec.Create(kept);
        if (codec is null || !Accepted.Contains(codec.EncodedFormat))
            throw No("This is not a picture that can be read. A JPEG, PNG or WebP file is expected.");
        var size = codec.Info;
        var at = file.Position;
        var cost = PictureCost.Of(codec.EncodedFormat, file);
        file.Position = at;
        if ((long)size.Width * size.Height > cost.MostPixels)
            throw No(
                $"The picture would unfold to {size.Width} × {size.Height} pixels; as {cost.Kind} up to {cost.MostPixels / 1_000_000} million are taken. Send it smaller{(cost.Kind == "JPEG" ? "" : ", or as an ordinary JPEG")}."
            );
        if (Math.Min(size.Width, size.Height) < SmallestSide)
            throw No($"The picture is only {size.Width} × {size.Height} pixels; its shorter side must have {SmallestSide} or more.");

        // A JPEG can be decoded straight to a smaller size, which spares most of the memory.
        var wanted = Scale(size.Width, size.Height);
        var (width, height) =
            codec.GetScaledDimensions(wanted) is { } smaller && Math.Max(smaller.Width, smaller.Height) >= LongestSide * wanted
                ? (smaller.Width, smaller.Height)
                : (size.Width, size.Height);
        var decoded = new SKBitmap(new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) != SKCodecResult.Success)
        {
            decoded.Dispose();
            throw No("The picture is damaged or cut short. Send it again, or take another.");
        }

        return (
            decoded,
            codec.EncodedOrigin,
            Scale(width, height) >= 1 && codec.EncodedOrigin == SKEncodedOrigin.TopLeft && codec.EncodedFormat == SKEncodedImageFormat.Jpeg
        );
    }

    private static float Scale(int width, int height) => Math.Min(1, (float)LongestSide / Math.Max(width, height));

    private static TakenIn Upright(SKImage stored, SKEncodedOrigin origin)
    {
        var sideways = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (width, height) = sideways ? (stored.Height, stored.Width) : (stored.Width, stored.Height);
        var scale = Scale(width, height);
        var (storedWidth, storedHeight) = ((int)Math.Round(width * scale), (int)Math.Round(height * scale));

        // On white, so that a transparent picture is not drawn on black.
        using var surface = SKSurface.Create(new SKImageInfo(storedWidth, storedHeight, SKColorType.Rgba8888, SKAlphaType.Opaque));
        surface.Canvas.Clear(SKColors.White);
        surface.Canvas.Scale((float)storedWidth / width, (float)storedHeight / height);
        surface.Canvas.Concat(ToUpright(origin, width, height));
        surface.Canvas.DrawImage(stored, 0, 0, new SKSamplingOptions(SKFilterMode.Linear));
        using var upright = surface.Snapshot();
        return Encoded(upright);
    }

    private static TakenIn Encoded(SKImage image)
    {
        using var encoded = image.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return new TakenIn(encoded.ToArray(), image.Width, image.Height);
    }

    /// <summary>From the stored order of pixels to upright, for the eight orientations of Exif (JEITA CP-3451, Orientation).</summary>
    private static SKMatrix ToUpright(SKEncodedOrigin origin, int width, int height) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        };

    private static Refusal No(string message) => Refusal.Field("file", message);
}
