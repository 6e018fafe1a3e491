using SkiaSharp;

namespace JauntyBadge.Bench;

/// <summary>A picture as heavy as a camera's: 4000 × 3000 pixels with grain, which flat drawings lack.</summary>
internal static class NoisyPicture
{
    public static byte[] TwelveMegapixels()
    {
        using var bitmap = new SKBitmap(new SKImageInfo(4000, 3000, SKColorType.Rgba8888, SKAlphaType.Opaque));
        var random = new Random(12);
        var pixels = bitmap.GetPixelSpan();
        var row = new byte[bitmap.RowBytes];
        for (var y = 0; y < bitmap.Height; y++)
        {
            for (var x = 0; x < bitmap.Width; x++)
            {
                var grey = 90 + 70 * Math.Sin(x / 310.0) * Math.Cos(y / 270.0) + random.Next(24);
                (row[4 * x], row[4 * x + 1], row[4 * x + 2], row[4 * x + 3]) = ((byte)grey, (byte)(grey * 0.9), (byte)(grey * 0.8), 255);
            }

            System.Runtime.InteropServices.Marshal.Copy(row, 0, bitmap.GetPixels() + y * bitmap.RowBytes, pixels.Length / bitmap.Height);
        }

        using var image = SKImage.FromBitmap(bitmap);
        using var data = image.Encode(SKEncodedImageFormat.Jpeg, 92);
        return data.ToArray();
    }
}
