using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Demo;
using SkiaSharp;

namespace JauntyBadge.Server.Tests.Demo;

/// <summary>The exercise of placing marks: edges that hair hides, light and shadow, and every mark still at what it names.</summary>
public sealed class DemoPictureTests
{
    private static double Light(SKColor c) => 0.299 * c.Red + 0.587 * c.Green + 0.114 * c.Blue;

    /// <summary>The wall is green, in its shadow too; no coat is.</summary>
    private static bool IsWall(SKColor c) => c.Red < c.Green;

    private static SKBitmap Read(DemoPicture drawn) => SKBitmap.Decode(drawn.Jpeg);

    [Fact]
    public void It_is_the_same_picture_each_time()
    {
        Assert.Equal(DemoPicture.Draw(PhotoView.Side).Jpeg, DemoPicture.Draw(PhotoView.Side).Jpeg);
    }

    /// <summary>Going up from the wall below a throat, the coat begins here and there: hair, not a ruled line. Under a card's edge, which is ruled, it does not.</summary>
    [Fact]
    public void Hair_hides_the_throat_and_nothing_hides_the_card()
    {
        var drawn = DemoPicture.Draw(PhotoView.Side);
        using var seen = Read(drawn);
        var throat = drawn.Marks.Landmarks[Landmark.ThroatBump];
        double Rough(int from, int to, int fromY, int toY, Func<SKColor, bool> begins)
        {
            var starts = Enumerable
                .Range(from, to - from)
                .Select(x => Enumerable.Range(toY, fromY - toY).Reverse().First(y => begins(seen.GetPixel(x, y))))
                .ToList();
            // How far it lies from the middle of where it begins three to the left and three to the right.
            return Enumerable.Range(3, starts.Count - 6).Average(i => Math.Abs(starts[i] - (starts[i - 3] + starts[i + 3]) / 2.0));
        }

        var card = drawn.Marks.Corners;
        var (left, right) = ((int)card.Min(c => c.X) + 40, (int)card.Max(c => c.X) - 40);
        var edge = Rough(left, right, (int)card.Max(c => c.Y) + 12, (int)card.Max(c => c.Y) - 60, c => Light(c) > 215);
        var (x, y) = ((int)throat.X, (int)throat.Y);
        var fur = Rough(x + 20, x + 160, y + 170, y - 60, c => !IsWall(c));
        Assert.True(fur > 1 && fur > 3 * edge, $"the throat's edge jumps by {fur:0.00} px, the card's by {edge:0.00}");
    }

    /// <summary>The wall is darker below the head than as far below where nothing stands before it.</summary>
    [Fact]
    public void The_head_throws_a_shadow()
    {
        var drawn = DemoPicture.Draw(PhotoView.Side);
        using var seen = Read(drawn);
        var under = drawn.Marks.Landmarks[Landmark.FitLineUnder];
        double Wall(double x, double y) =>
            Enumerable.Range(-6, 13).SelectMany(dx => Enumerable.Range(-6, 13).Select(dy => Light(seen.GetPixel((int)x + dx, (int)y + dy)))).Average();
        var x = (int)under.X + 30;
        var below = Enumerable.Range((int)under.Y, 200).First(y => IsWall(seen.GetPixel(x, y)) && IsWall(seen.GetPixel(x, y + 10))) + 20;
        var (shadow, clear, lower) = (Wall(x, below), Wall(120, below), Wall(x, below + 160));
        Assert.True(shadow < clear - 20 && shadow < lower - 8, $"{shadow:0} under it, {clear:0} beside it, {lower:0} further down");
    }

    /// <summary>An inner eye is at an eye, a nose tip at black leather, in both views.</summary>
    [Theory]
    [InlineData(PhotoView.Side, Landmark.InnerEye)]
    [InlineData(PhotoView.Top, Landmark.InnerEyeLeft)]
    [InlineData(PhotoView.Top, Landmark.InnerEyeRight)]
    public void What_is_marked_is_still_seen(PhotoView view, Landmark eye)
    {
        var drawn = DemoPicture.Draw(view);
        using var seen = Read(drawn);
        double Darkest(PixelPoint at, int within) =>
            Enumerable
                .Range(-within, 2 * within + 1)
                .SelectMany(dx => Enumerable.Range(-within, 2 * within + 1).Select(dy => Light(seen.GetPixel((int)at.X + dx, (int)at.Y + dy))))
                .Min();
        Assert.InRange(Darkest(drawn.Marks.Landmarks[Landmark.NoseTip], 14), 0, 45);
        Assert.InRange(Darkest(drawn.Marks.Landmarks[eye], 22), 0, 45);
    }
}
