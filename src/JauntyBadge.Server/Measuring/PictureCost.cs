using SkiaSharp;

namespace JauntyBadge.Server.Measuring;

/// <summary>
/// What it takes to unfold a picture, told from its header alone. An ordinary JPEG is read row by row and made smaller on the way; other kinds are held
/// whole while they are read, a progressive JPEG even as its coefficients (ITU-T T.81, Published).
/// </summary>
/// <param name="Kind">In words.</param>
/// <param name="MostPixels">How many pixels of this kind are taken (House: 150 MB for the worst of them).</param>
internal sealed record PictureCost(string Kind, long MostPixels)
{
    private const long MostHeld = 70_000_000;
    private const int BytesOfCoefficient = 2;

    private static readonly PictureCost OrdinaryJpeg = new("JPEG", 60_000_000);
    private static readonly PictureCost Png = new("PNG", 20_000_000);
    private static readonly PictureCost InterlacedPng = new("interlaced PNG", 12_000_000);
    private static readonly PictureCost WebP = new("WebP", 20_000_000);
    private static readonly PictureCost LosslessWebP = new("lossless WebP", 12_000_000);

    /// <summary>Reads the header of a picture that was found to be one.</summary>
    public static PictureCost Of(SKEncodedImageFormat format, Stream file)
    {
        file.Position = 0;
        var start = new byte[64];
        var read = file.ReadAtLeast(start, start.Length, throwOnEndOfStream: false);
        var head = start.AsSpan(0, read);
        return format switch
        {
            SKEncodedImageFormat.Png => head.Length > 28 && head[28] != 0 ? InterlacedPng : Png,
            SKEncodedImageFormat.Webp => head[12..].IndexOf("VP8L"u8) >= 0 ? LosslessWebP : WebP,
            _ => Jpeg(file),
        };
    }

    /// <summary>Looks for the frame header among a JPEG's segments.</summary>
    private static PictureCost Jpeg(Stream file)
    {
        file.Position = 2;
        Span<byte> segment = stackalloc byte[4];
        while (file.ReadAtLeast(segment, 4, throwOnEndOfStream: false) == 4 && segment[0] == 0xFF)
        {
            var (marker, length) = (segment[1], segment[2] << 8 | segment[3]);
            if (marker is 0xC2 or 0xC6 or 0xCA or 0xCE)
                return Progressive(file, length);
            if (marker is 0xDA or >= 0xC0 and <= 0xCF and not 0xC4 and not 0xC8 and not 0xCC || length < 2)
                break;
            file.Position += length - 2;
        }

        return OrdinaryJpeg;
    }

    /// <summary>Every component keeps all its coefficients, as many as its sampling has samples.</summary>
    private static PictureCost Progressive(Stream file, int length)
    {
        var frame = new byte[Math.Clamp(length - 2, 6, 64)];
        file.ReadAtLeast(frame, frame.Length, throwOnEndOfStream: false);
        var (samples, largest) = (0, 1);
        for (var at = 6; at + 2 < frame.Length && at < 6 + 3 * frame[5]; at += 3)
        {
            var area = (frame[at + 1] >> 4) * (frame[at + 1] & 15);
            (samples, largest) = (samples + area, Math.Max(largest, area));
        }

        return new PictureCost("progressive JPEG", MostHeld * largest / (BytesOfCoefficient * Math.Max(1, samples)));
    }
}
