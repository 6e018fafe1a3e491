using JauntyBadge.Core.Measuring.Photos;
using SkiaSharp;

namespace JauntyBadge.Data.Demo;

/// <summary>Paints an invented head as a camera would see it: hair that hides the edges, light from above, shadows on the wall, the grain of a small lens.</summary>
internal sealed class DemoPaint(DemoScene scene, DemoCamera camera, int width)
{
    private const int Quality = 88;
    private const int GrainOf = 4;
    private const int Hairs = 60_000;
    private readonly SKImageInfo info = new(width, width * 3 / 4, SKColorType.Rgba8888, SKAlphaType.Opaque);

    /// <summary>A length that is so many pixels where the picture is 1,600 wide.</summary>
    private float Px(double at1600) => (float)(at1600 * width / 1600);

    /// <summary>The picture.</summary>
    /// <param name="seed">Where each hair lies follows from it.</param>
    public byte[] Jpeg(int seed)
    {
        var random = new Random(seed);
        using var surface = SKSurface.Create(info);
        var canvas = surface.Canvas;
        using var outline = PathOf(scene.Outline, closed: true);
        Wall(canvas);
        Shadows(canvas, outline);
        Body(canvas);
        foreach (var shape in scene.Shapes.Where(s => s.Is == SceneStuff.Coat))
            Fill(canvas, shape, outline);
        Light(canvas);
        Hair(surface, random);
        foreach (var shape in scene.Shapes.Where(s => s.Is != SceneStuff.Coat))
            Fill(canvas, shape, outline);
        using var seen = Blurred(surface);
        Grain(seen, random);
        using var data = seen.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return data.ToArray();
    }

    private SKPath PathOf(IReadOnlyList<ScenePoint> points, bool closed)
    {
        using var builder = new SKPathBuilder();
        builder.AddPoly([.. points.Select(p => Pixel(camera.See(p)))], closed);
        return builder.Detach();
    }

    private static SKPoint Pixel(PixelPoint p) => new((float)p.X, (float)p.Y);

    private void Fill(SKCanvas canvas, SceneShape shape, SKPath outline)
    {
        using var path = PathOf(shape.Points, shape.Closed);
        using var paint = new SKPaint
        {
            Color = SKColor.Parse(shape.Colour).WithAlpha((byte)(255 * shape.Opacity)),
            IsAntialias = true,
            Style = shape.Closed ? SKPaintStyle.Fill : SKPaintStyle.Stroke,
            StrokeWidth = Px(3),
            StrokeCap = SKStrokeCap.Round,
        };
        canvas.Save();
        if (shape.Inside)
            canvas.ClipPath(outline, SKClipOperation.Intersect, antialias: true);
        canvas.DrawPath(path, paint);
        canvas.Restore();
    }

    private void Wall(SKCanvas canvas)
    {
        using var wall = new SKPaint();
        wall.Shader = SKShader.CreateLinearGradient(
            new SKPoint(0, 0),
            new SKPoint(info.Width * 0.4f, info.Height),
            [SKColor.Parse("#c3cbc2"), SKColor.Parse("#84948c")],
            SKShaderTileMode.Clamp
        );
        canvas.DrawRect(0, 0, info.Width, info.Height, wall);
        using var plank = new SKPaint { Color = SKColor.Parse("#7f918a"), StrokeWidth = Px(1.8) };
        for (var line = 1; line < 7; line++)
            canvas.DrawLine(0, line * info.Height / 7f, info.Width, line * info.Height / 7f, plank);
    }

    /// <summary>What head and card keep the light from: behind the head the wall is a hand away, the card lies close.</summary>
    private void Shadows(SKCanvas canvas, SKPath outline)
    {
        void Under(SKPath path, double right, double down, double soft)
        {
            using var shadow = new SKPaint
            {
                Color = new SKColor(20, 28, 24, 120),
                IsAntialias = true,
                MaskFilter = SKMaskFilter.CreateBlur(SKBlurStyle.Normal, Px(soft)),
            };
            canvas.Save();
            canvas.Translate(Px(right), Px(down));
            canvas.DrawPath(path, shadow);
            canvas.Restore();
        }

        Under(outline, 46, 62, 26);
        using var card = PathOf(scene.Card, closed: true);
        Under(card, 7, 10, 6);
    }

    /// <summary>The dog behind its neck, out of focus.</summary>
    private void Body(SKCanvas canvas)
    {
        var coat = scene.Shapes.First(IsCoat).Colour;
        using var body = new SKPaint
        {
            Color = SKColor.Parse(coat),
            IsAntialias = true,
            MaskFilter = SKMaskFilter.CreateBlur(SKBlurStyle.Normal, Px(34)),
        };
        var seen = scene.Outline.Select(camera.See).ToList();
        var right = seen.Max(p => p.X);
        var neck = seen.Where(p => p.X > right - Px(160)).ToList();
        canvas.DrawOval((float)right + Px(300), (float)neck.Average(p => p.Y) + Px(120), Px(420), Px(460), body);
    }

    /// <summary>Lighter where the light falls, darker below.</summary>
    private void Light(SKCanvas canvas)
    {
        var box = CoatBounds();
        using var falls = new SKPaint { BlendMode = SKBlendMode.SoftLight };
        using var light = new SKPaint { BlendMode = SKBlendMode.Src };
        light.Shader = SKShader.CreateLinearGradient(
            new SKPoint(box.Left, box.Top),
            new SKPoint(box.Left + box.Height * 0.5f, box.Bottom),
            [new SKColor(255, 250, 235, 200), new SKColor(128, 128, 128, 0), new SKColor(0, 0, 0, 220)],
            [0f, 0.4f, 1f],
            SKShaderTileMode.Clamp
        );
        canvas.SaveLayer(falls);
        Coat(canvas, light);
        canvas.Restore();
    }

    /// <summary>All that hair grows on.</summary>
    private void Coat(SKCanvas canvas, SKPaint paint)
    {
        foreach (var shape in scene.Shapes.Where(IsCoat))
        {
            using var path = PathOf(shape.Points, closed: true);
            canvas.DrawPath(path, paint);
        }
    }

    private SKRect CoatBounds()
    {
        var seen = scene.Shapes.Where(IsCoat).SelectMany(s => s.Points).Select(p => Pixel(camera.See(p))).ToList();
        return new SKRect(seen.Min(p => p.X), seen.Min(p => p.Y), seen.Max(p => p.X), seen.Max(p => p.Y));
    }

    private static bool IsCoat(SceneShape shape) => shape is { Is: SceneStuff.Coat, Closed: true, Inside: false };

    /// <summary>Hair, each in the colour of where it grows: short on the snout, long at the throat, from the back forward as it lies.</summary>
    private void Hair(SKSurface surface, Random random)
    {
        using var under = new SKBitmap(info);
        surface.ReadPixels(info, under.GetPixels(), info.RowBytes, 0, 0);
        using var grows = new SKBitmap(info.WithColorType(SKColorType.Alpha8).WithAlphaType(SKAlphaType.Premul));
        using (var mask = new SKCanvas(grows))
        using (var filled = new SKPaint())
            Coat(mask, filled);
        var box = CoatBounds();
        var (nose, back) = (camera.See(scene.Landmarks[Landmark.NoseTip]), camera.See(scene.Landmarks[Landmark.Occiput]));
        var (length, level) = (back.X - nose.X, (box.Top + box.Bottom) / 2);
        // Thousands of them: the lens smooths their edges at once.
        using var hair = new SKPaint { IsAntialias = false, Style = SKPaintStyle.Stroke };
        var roots = Enumerable
            .Range(0, Hairs)
            .Select(_ => new SKPoint(box.Left + (float)random.NextDouble() * box.Width, box.Top + (float)random.NextDouble() * box.Height))
            .Where(p => info.Rect.Contains((int)p.X, (int)p.Y) && grows.GetPixel((int)p.X, (int)p.Y).Alpha > 0)
            .OrderByDescending(p => p.X);
        foreach (var root in roots)
        {
            var along = Math.Clamp((root.X - nose.X) / length, 0, 1.4);
            var reach = Px(6 + 26 * along * along) * (0.6 + 0.8 * random.NextDouble());
            // It lies back, hangs where it is low, and no two hairs lie alike.
            var angle = (random.NextDouble() - 0.5) * (0.6 + 1.2 * along) + Math.Clamp((root.Y - level) / box.Height, -0.4, 0.5) * 1.1;
            var tone = 0.80 + 0.42 * random.NextDouble();
            var colour = under.GetPixel((int)root.X, (int)root.Y);
            byte Toned(byte part) => (byte)Math.Clamp(part * tone, 0, 255);
            hair.Color = new SKColor(Toned(colour.Red), Toned(colour.Green), Toned(colour.Blue));
            hair.StrokeWidth = Px(1.1 + 0.9 * random.NextDouble());
            surface.Canvas.DrawLine(root.X, root.Y, root.X + (float)(reach * Math.Cos(angle)), root.Y + (float)(reach * Math.Sin(angle)), hair);
        }
    }

    /// <summary>As sharp as a small lens is.</summary>
    private SKBitmap Blurred(SKSurface surface)
    {
        var seen = new SKBitmap(info);
        using var canvas = new SKCanvas(seen);
        using var picture = surface.Snapshot();
        using var lens = new SKPaint { ImageFilter = SKImageFilter.CreateBlur(Px(0.9), Px(0.9), SKShaderTileMode.Clamp) };
        canvas.DrawImage(picture, 0, 0, SKSamplingOptions.Default, lens);
        return seen;
    }

    private static void Grain(SKBitmap seen, Random random)
    {
        var grains = new sbyte[8191];
        for (var i = 0; i < grains.Length; i++)
            grains[i] = (sbyte)random.Next(-GrainOf, GrainOf + 1);
        var pixels = seen.GetPixelSpan();
        for (int at = 0, grain = 0; at < pixels.Length; at += 4, grain++)
        for (var part = at; part < at + 3; part++)
            pixels[part] = (byte)Math.Clamp(pixels[part] + grains[grain % grains.Length], 0, 255);
    }
}
