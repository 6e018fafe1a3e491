using MathNet.Numerics.LinearAlgebra;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>A point on a picture, pixels: x to the right, y down, from the top left corner.</summary>
public readonly record struct PixelPoint(double X, double Y);

/// <summary>A plane seen in perspective: takes points of the picture to points of the plane in mm.</summary>
/// <remarks>h = (h11 … h32, 1): u = (h11 x + h12 y + h13)/w, v = (h21 x + h22 y + h23)/w, w = h31 x + h32 y + 1, over points moved and scaled to about 1.</remarks>
public sealed class Homography
{
    private const double Singular = 1e-9;

    private readonly double[] h;
    private readonly double centreX;
    private readonly double centreY;
    private readonly double pixels;
    private readonly double plane;

    private Homography(double[] h, double centreX, double centreY, double pixels, double plane) =>
        (this.h, this.centreX, this.centreY, this.pixels, this.plane) = (h, centreX, centreY, pixels, plane);

    /// <summary>The one homography that takes four picture points to four plane points.</summary>
    /// <returns>Null when three of the points lie on a line or two are the same, so that there is none.</returns>
    /// <exception cref="ArgumentException">There are not four of each.</exception>
    public static Homography? Through(IReadOnlyList<PixelPoint> picture, IReadOnlyList<PointMm> plane)
    {
        if (picture.Count != 4 || plane.Count != 4)
            throw new ArgumentException("A homography goes through four points of the picture and four of the plane.");
        var (cx, cy) = (picture.Average(p => p.X), picture.Average(p => p.Y));
        var pixels = picture.Max(p => Math.Max(Math.Abs(p.X - cx), Math.Abs(p.Y - cy)));
        var size = plane.Max(p => Math.Max(Math.Abs(p.X), Math.Abs(p.Y)));
        if (!(pixels > 0) || !(size > 0))
            return null;

        var equations = Matrix<double>.Build.Dense(8, 8);
        var right = Vector<double>.Build.Dense(8);
        for (var i = 0; i < 4; i++)
        {
            var (x, y) = ((picture[i].X - cx) / pixels, (picture[i].Y - cy) / pixels);
            var (u, v) = (plane[i].X / size, plane[i].Y / size);
            equations.SetRow(2 * i, [x, y, 1, 0, 0, 0, -u * x, -u * y]);
            equations.SetRow(2 * i + 1, [0, 0, 0, x, y, 1, -v * x, -v * y]);
            (right[2 * i], right[2 * i + 1]) = (u, v);
        }

        var factors = equations.LU();
        if (Math.Abs(factors.Determinant) < Singular)
            return null;
        var h = factors.Solve(right).ToArray();

        // Three points on a line can be met by a plane folded flat; that is none either.
        var folded = h[0] * (h[4] - h[5] * h[7]) - h[1] * (h[3] - h[5] * h[6]) + h[2] * (h[3] * h[7] - h[4] * h[6]);
        return Math.Abs(folded) < Singular ? null : new Homography(h, cx, cy, pixels, size);
    }

    /// <summary>A scale alone, as two points of known distance give it.</summary>
    /// <param name="millimetresPerPixel">Over 0.</param>
    public static Homography Scale(double millimetresPerPixel) => new([millimetresPerPixel, 0, 0, 0, millimetresPerPixel, 0, 0, 0], 0, 0, 1, 1);

    /// <summary>The point of the plane seen at a point of the picture; far off or not a number near the plane's horizon.</summary>
    public PointMm At(PixelPoint point)
    {
        var (x, y) = Moved(point);
        var w = Depth(x, y);
        return new PointMm(plane * (h[0] * x + h[1] * y + h[2]) / w, plane * (h[3] * x + h[4] * y + h[5]) / w);
    }

    /// <summary>Whether a point lies before the plane's horizon, where it can be seen.</summary>
    public bool Sees(PixelPoint point)
    {
        var (x, y) = Moved(point);
        return Depth(x, y) > 0.05;
    }

    /// <summary>How the plane is scaled around a point: mm per pixel along the most and the least stretched direction.</summary>
    public (double Most, double Least) ScaleAt(PixelPoint point)
    {
        var (x, y) = Moved(point);
        var w = Depth(x, y);
        var (u, v) = ((h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w);
        var (a, b) = ((h[0] - u * h[6]) / w, (h[1] - u * h[7]) / w);
        var (c, d) = ((h[3] - v * h[6]) / w, (h[4] - v * h[7]) / w);

        // Singular values of a 2×2 matrix.
        var (sum, product) = (a * a + b * b + c * c + d * d, Math.Abs(a * d - b * c));
        var root = Math.Sqrt(Math.Max(0, sum * sum - 4 * product * product));
        var unit = plane / pixels;
        return (unit * Math.Sqrt((sum + root) / 2), unit * Math.Sqrt(Math.Max(0, (sum - root) / 2)));
    }

    private (double X, double Y) Moved(PixelPoint p) => ((p.X - centreX) / pixels, (p.Y - centreY) / pixels);

    private double Depth(double x, double y) => h[6] * x + h[7] * y + 1;
}
