using MathNet.Numerics.LinearAlgebra;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>
/// Where the camera stood, seen from the reference: the pose and focal length that explain its corners best, with what is usual of cameras held by
/// hand as further observations (a metre away, about square on). From it a landmark of known distance from the reference's plane is found where its
/// ray meets the plane it lies in.
/// </summary>
/// <remarks>Least squares after Levenberg and Marquardt. Plane: x and y in mm from the reference's middle; depth counts towards the camera.</remarks>
internal sealed class CameraPose
{
    /// <summary>Unknowns: two tilts, the roll, three of the place, the logarithm of the focal length.</summary>
    private const int Unknowns = 7;

    /// <summary>Observations besides the corners: the distance and two tilts.</summary>
    public const int Usual = 3;

    private const int Rounds = 40;

    /// <summary>Rounds after which it shows which of the starts leads to the best fit.</summary>
    private const int FirstRounds = 6;

    /// <summary>Change of the squares, as a share, from which on nothing more is to be had.</summary>
    private const double Settled = 1e-10;
    private const double Nudge = 1e-6;

    private readonly double[] p;
    private readonly double[] fromPlane;
    private readonly double[] camera;
    private readonly PixelPoint middle;

    /// <summary>Squares of what the corners are off, in standard deviations, and of how unusual the distance is; how far it is turned does not count.</summary>
    public double Misfit(IReadOnlyList<PixelPoint> corners, IReadOnlyList<PointMm> plane, double sigma) =>
        Squares(Residuals(p, corners, plane, sigma, middle)[..^(Usual - 1)]);

    private CameraPose(double[] p, PixelPoint middle)
    {
        (this.p, this.middle) = (p, middle);
        fromPlane = Turn(p);
        camera = new double[3];
        for (var i = 0; i < 3; i++)
            camera[i] = -(fromPlane[i] * p[3] + fromPlane[3 + i] * p[4] + fromPlane[6 + i] * p[5]);
    }

    /// <summary>How far away the camera is from the reference's middle, mm.</summary>
    public double DistanceMm => p[5];

    /// <summary>How far the reference is turned away from the camera, radians.</summary>
    public double SlantRad => Math.Acos(Math.Clamp(fromPlane[8], -1, 1));

    /// <summary>Finds the pose.</summary>
    /// <param name="corners">The reference's corners on the picture.</param>
    /// <param name="plane">The same in mm, running the same way round.</param>
    /// <param name="sigma">How far a corner's mark lies off, pixels.</param>
    /// <param name="middle">The middle of the picture, through which the camera looks.</param>
    /// <param name="from">A pose near it, to start from.</param>
    public static CameraPose Of(IReadOnlyList<PixelPoint> corners, IReadOnlyList<PointMm> plane, double sigma, PixelPoint middle, CameraPose? from = null)
    {
        if (from is not null)
            return new CameraPose(Fit(from.p, corners, plane, sigma, middle, Rounds).P, middle);
        var (dx, dy) = (corners[1].X - corners[0].X, corners[1].Y - corners[0].Y);
        var (px, py) = (plane[1].X - plane[0].X, plane[1].Y - plane[0].Y);
        var roll = Math.Atan2(dy, dx) - Math.Atan2(py, px);
        var scale = Math.Sqrt((px * px + py * py) / (dx * dx + dy * dy));
        var distance = PhotoRules.UsualDistance.Ours.Millimeters;
        var centre = ReferencePlane.Centre(corners);
        var (best, cost) = (Array.Empty<double>(), double.PositiveInfinity);

        // A slant to one side looks much like one to the other; the better one is kept.
        foreach (var (a, b) in new[] { (0.0, 0.0), (0.4, 0.0), (-0.4, 0.0), (0.0, 0.4), (0.0, -0.4) })
        {
            double[] start = [a, b, roll, (centre.X - middle.X) * scale, (centre.Y - middle.Y) * scale, distance, Math.Log(distance / scale)];
            var fit = Fit(start, corners, plane, sigma, middle, FirstRounds);
            if (fit.Cost < cost)
                (best, cost) = fit;
        }

        return new CameraPose(Fit(best, corners, plane, sigma, middle, Rounds).P, middle);
    }

    /// <summary>
    /// The pose as it would be with each observation moved by one of its standard deviations either way: every coordinate of every corner, then the
    /// distance and both tilts. By the slope at the best fit: p moves by (JᵀJ)⁻¹Jᵀ.
    /// </summary>
    public IReadOnlyList<(CameraPose Plus, CameraPose Minus)> Moved(IReadOnlyList<PixelPoint> corners, IReadOnlyList<PointMm> plane, double sigma)
    {
        var residuals = Residuals(p, corners, plane, sigma, middle);
        var jacobian = Slopes(p, residuals, corners, plane, sigma, middle);
        var moves = jacobian.TransposeThisAndMultiply(jacobian).Solve(jacobian.Transpose());
        CameraPose By(int observation, int way)
        {
            var moved = new double[Unknowns];
            for (var u = 0; u < Unknowns; u++)
                moved[u] = p[u] + way * moves[u, observation];
            return new CameraPose(moved, middle);
        }

        return [.. Enumerable.Range(0, residuals.Length).Select(i => (By(i, 1), By(i, -1)))];
    }

    /// <summary>The place, in the plane's coordinates, of what is seen at a point and lies so far from the plane towards the camera.</summary>
    public PointMm At(PixelPoint seen, double depthMm)
    {
        var focal = Math.Exp(p[6]);
        var (x, y) = ((seen.X - middle.X) / focal, (seen.Y - middle.Y) / focal);
        Span<double> ray = stackalloc double[3];
        for (var i = 0; i < 3; i++)
            ray[i] = fromPlane[i] * x + fromPlane[3 + i] * y + fromPlane[6 + i];
        var along = (-depthMm - camera[2]) / ray[2];
        return new PointMm(camera[0] + along * ray[0], camera[1] + along * ray[1]);
    }

    private static (double[] P, double Cost) Fit(
        double[] start,
        IReadOnlyList<PixelPoint> corners,
        IReadOnlyList<PointMm> plane,
        double sigma,
        PixelPoint middle,
        int rounds
    )
    {
        var p = (double[])start.Clone();
        var residuals = Residuals(p, corners, plane, sigma, middle);
        var (cost, damping) = (Squares(residuals), 1e-3);
        var slopes = Slopes(p, residuals, corners, plane, sigma, middle);
        for (var round = 0; round < rounds && damping < 1e8; round++)
        {
            var normal = slopes.TransposeThisAndMultiply(slopes);
            var slope = slopes.TransposeThisAndMultiply(Vector<double>.Build.Dense(residuals));
            for (var u = 0; u < Unknowns; u++)
                normal[u, u] *= 1 + damping;
            var step = normal.Solve(-slope);
            var tried = new double[Unknowns];
            for (var u = 0; u < Unknowns; u++)
                tried[u] = p[u] + step[u];
            var after = Residuals(tried, corners, plane, sigma, middle);
            var better = Squares(after);
            var done = Math.Abs(cost - better) < Settled * (1 + cost);
            if (better < cost)
            {
                (p, residuals, cost, damping) = (tried, after, better, damping / 10);
                if (!done)
                    slopes = Slopes(p, residuals, corners, plane, sigma, middle);
            }
            else
            {
                damping *= 10;
            }

            if (done)
                break;
        }

        return (p, cost);
    }

    private static Matrix<double> Slopes(
        double[] p,
        double[] residuals,
        IReadOnlyList<PixelPoint> corners,
        IReadOnlyList<PointMm> plane,
        double sigma,
        PixelPoint middle
    )
    {
        var slopes = Matrix<double>.Build.Dense(residuals.Length, Unknowns);
        for (var u = 0; u < Unknowns; u++)
        {
            var moved = (double[])p.Clone();
            var by = Nudge * Math.Max(1, Math.Abs(p[u]));
            moved[u] += by;
            var then = Residuals(moved, corners, plane, sigma, middle);
            for (var r = 0; r < residuals.Length; r++)
                slopes[r, u] = (then[r] - residuals[r]) / by;
        }

        return slopes;
    }

    private static double[] Residuals(double[] p, IReadOnlyList<PixelPoint> corners, IReadOnlyList<PointMm> plane, double sigma, PixelPoint middle)
    {
        var (turn, focal) = (Turn(p), Math.Exp(p[6]));
        var residuals = new double[2 * corners.Count + Usual];
        for (var i = 0; i < corners.Count; i++)
        {
            var (x, y) = (plane[i].X, plane[i].Y);
            var depth = turn[6] * x + turn[7] * y + p[5];
            residuals[2 * i] = (middle.X + focal * (turn[0] * x + turn[1] * y + p[3]) / depth - corners[i].X) / sigma;
            residuals[2 * i + 1] = (middle.Y + focal * (turn[3] * x + turn[4] * y + p[4]) / depth - corners[i].Y) / sigma;
        }

        residuals[^3] = Math.Log(Math.Max(1, p[5]) / PhotoRules.UsualDistance.Ours.Millimeters) / PhotoRules.DistanceDoubt.Ours;
        residuals[^2] = p[0] / PhotoRules.UsualTilt.Ours.Radians;
        residuals[^1] = p[1] / PhotoRules.UsualTilt.Ours.Radians;
        return residuals;
    }

    private static double Squares(double[] values) => values.Sum(v => v * v);

    /// <summary>From the plane to the camera, row by row: first rolled in its own plane, then tilted about the level and the upright axis.</summary>
    private static double[] Turn(double[] p)
    {
        var ((sa, ca), (sb, cb), (sc, cc)) = (Math.SinCos(p[0]), Math.SinCos(p[1]), Math.SinCos(p[2]));
        return [cb * cc, -cb * sc, sb, ca * sc + sa * sb * cc, ca * cc - sa * sb * sc, -sa * cb, sa * sc - ca * sb * cc, sa * cc + ca * sb * sc, ca * cb];
    }
}
