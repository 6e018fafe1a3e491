using FsCheck.Xunit;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using MathNet.Numerics.LinearAlgebra;

namespace JauntyBadge.Core.Tests.Measuring;

/// <summary>The homography against points projected with a known camera, and against MathNet's least squares as a second way.</summary>
public class HomographyTests
{
    private static readonly PointMm[] Corners = [new(0, 0), new(85.6, 0), new(85.6, 53.98), new(0, 53.98)];

    /// <summary>A pinhole camera a metre or so away, turned by up to 35° and rolled any way.</summary>
    private static Func<PointMm, PixelPoint> Camera(int seed)
    {
        var random = new Random(seed);
        double Between(double low, double high) => low + (high - low) * random.NextDouble();
        var (yaw, pitch, roll) = (Between(-0.6, 0.6), Between(-0.4, 0.4), Between(-3, 3));
        var (away, focal) = (Between(600, 2000), Between(1500, 6000));
        var (dx, dy, cx, cy) = (Between(-150, 50), Between(-150, 50), Between(500, 2000), Between(400, 1500));
        return p =>
        {
            var (x, y) = ((p.X + dx) * Math.Cos(roll) - (p.Y + dy) * Math.Sin(roll), (p.X + dx) * Math.Sin(roll) + (p.Y + dy) * Math.Cos(roll));
            var (x1, z1) = (x * Math.Cos(yaw), -x * Math.Sin(yaw));
            var (y2, z2) = (y * Math.Cos(pitch) - z1 * Math.Sin(pitch), y * Math.Sin(pitch) + z1 * Math.Cos(pitch) + away);
            return new PixelPoint(cx + focal * x1 / z2, cy + focal * y2 / z2);
        };
    }

    [Property]
    public bool Any_point_of_the_plane_comes_back_from_where_the_camera_sees_it(int seed, short x, short y)
    {
        var camera = Camera(seed);
        var point = new PointMm(x % 300, y % 300);
        var back = Homography.Through([.. Corners.Select(camera)], Corners)!.At(camera(point));
        return Math.Abs(back.X - point.X) < 1e-6 && Math.Abs(back.Y - point.Y) < 1e-6;
    }

    /// <summary>Second way: direct linear transform over twelve points, solved by MathNet's least squares (QR), agrees with the four-corner solution.</summary>
    [Property]
    public bool Least_squares_over_many_points_give_the_same(int seed)
    {
        var camera = Camera(seed);
        PointMm[] plane = [.. Corners, .. Enumerable.Range(0, 8).Select(i => new PointMm(-40 + 25 * i, 17 * i % 90))];
        var picture = plane.Select(camera).ToArray();
        var rows = plane
            .SelectMany(
                (p, i) =>
                    new[]
                    {
                        new[] { picture[i].X, picture[i].Y, 1, 0, 0, 0, -p.X * picture[i].X, -p.X * picture[i].Y },
                        [0, 0, 0, picture[i].X, picture[i].Y, 1, -p.Y * picture[i].X, -p.Y * picture[i].Y],
                    }
            )
            .ToArray();
        var h = Matrix<double>.Build.DenseOfRowArrays(rows).QR().Solve(Vector<double>.Build.Dense([.. plane.SelectMany(p => new[] { p.X, p.Y })]));
        var four = Homography.Through([.. picture.Take(4)], Corners)!;
        return picture.All(q =>
        {
            var w = h[6] * q.X + h[7] * q.Y + 1;
            var (u, v) = ((h[0] * q.X + h[1] * q.Y + h[2]) / w, (h[3] * q.X + h[4] * q.Y + h[5]) / w);
            return Math.Abs(four.At(q).X - u) < 1e-3 && Math.Abs(four.At(q).Y - v) < 1e-3;
        });
    }

    /// <summary>Scale and slant are local derivatives: checked by moving a tenth of a pixel.</summary>
    [Property]
    public bool Scale_is_the_derivative(int seed)
    {
        var camera = Camera(seed);
        var plane = Homography.Through([.. Corners.Select(camera)], Corners)!;
        var at = camera(new PointMm(40, 25));
        var (p, right, down) = (plane.At(at), plane.At(new(at.X + 0.1, at.Y)), plane.At(new(at.X, at.Y + 0.1)));
        var area = Math.Abs((right.X - p.X) * (down.Y - p.Y) - (right.Y - p.Y) * (down.X - p.X)) / 0.01;
        var (most, least) = plane.ScaleAt(at);
        return Math.Abs(most * least / area - 1) < 1e-3 && most >= least;
    }

    [Fact]
    public void Three_points_on_a_line_or_two_the_same_give_none()
    {
        Assert.Null(Homography.Through([new(0, 0), new(10, 10), new(20, 20), new(0, 20)], Corners));
        Assert.Null(Homography.Through([new(0, 0), new(0, 0), new(20, 20), new(0, 20)], Corners));
        Assert.Null(Homography.Through([new(5, 5), new(5, 5), new(5, 5), new(5, 5)], Corners));
        Assert.Throws<ArgumentException>(() => Homography.Through([new(0, 0)], Corners));
    }
}
