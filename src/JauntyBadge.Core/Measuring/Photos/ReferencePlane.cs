using UnitsNet;

namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>The reference's plane: corners put in order, checked, and turned into a homography.</summary>
internal static class ReferencePlane
{
    private const double TurnedFrom = 10;
    private const double ConvergenceSeen = 0.02;
    private const double SquareOn = 0.97;
    private const double SquareOnConvergence = 0.05;

    /// <summary>Corners in order around the reference, the first edge a long one; a ruler's two marks as they are. Null when they make no sheet.</summary>
    public static IReadOnlyList<PixelPoint>? Ordered(PhotoReference reference)
    {
        if (PhotoRules.Size(reference.Kind) is not { } size)
            return reference.Corners.Count == 2 && Distance(reference.Corners[0], reference.Corners[1]) > 0 ? reference.Corners : null;
        if (reference.Corners.Count != 4)
            return null;
        if (reference.LongSideFirst && Turns(reference.Corners) is [var first, .. var others] && others.All(t => t * first > 0))
            return reference.Corners;
        var (cx, cy) = (reference.Corners.Average(p => p.X), reference.Corners.Average(p => p.Y));
        PixelPoint[] around = [.. reference.Corners.OrderBy(p => Math.Atan2(p.Y - cy, p.X - cx))];
        if (Turns(around).Any(t => t <= 0))
            return null;
        PixelPoint[] turned = [around[1], around[2], around[3], around[0]];
        return new[] { around, turned }.OrderByDescending(ring => Agrees(ring, size)).ThenByDescending(ring => Evenness(ring, size).Share).First();
    }

    /// <summary>Which way the outline turns at each corner, 0 where three corners lie on a line.</summary>
    private static List<int> Turns(IReadOnlyList<PixelPoint> ring) =>
        [
            .. Enumerable
                .Range(0, 4)
                .Select(i =>
                {
                    var (a, b, c) = (ring[i], ring[(i + 1) % 4], ring[(i + 2) % 4]);
                    var turn = (b.X - a.X) * (c.Y - b.Y) - (b.Y - a.Y) * (c.X - b.X);
                    return Math.Abs(turn) <= 1e-6 * Distance(a, b) * Distance(b, c) ? 0 : Math.Sign(turn);
                }),
        ];

    /// <summary>How evenly both directions are scaled (1: square on), and whether the long one is the shorter for it.</summary>
    private static (double Share, bool LongIsShort) Evenness(PixelPoint[] ring, (Length Long, Length Short) size)
    {
        var along = (Distance(ring[0], ring[1]) + Distance(ring[2], ring[3])) / size.Long.Millimeters;
        var across = (Distance(ring[1], ring[2]) + Distance(ring[3], ring[0])) / size.Short.Millimeters;
        return (Math.Min(along, across) / Math.Max(along, across), along < across);
    }

    /// <summary>
    /// A side turned away looks shorter and its far edge smaller. A card that stands on its short side and one lying far turned away can look
    /// alike in outline; mostly, both signs lie in the same direction only in the right reading. Who says which side comes first is surer.
    /// </summary>
    private static bool Agrees(PixelPoint[] ring, (Length Long, Length Short) size)
    {
        var along = Math.Abs(Math.Log(Distance(ring[1], ring[2]) / Distance(ring[3], ring[0])));
        var across = Math.Abs(Math.Log(Distance(ring[0], ring[1]) / Distance(ring[2], ring[3])));
        var (share, longIsShort) = Evenness(ring, size);
        var seen = Math.Max(along, across) > ConvergenceSeen && (along > 2 * across || across > 2 * along);
        return !seen || longIsShort == along > across || (share > SquareOn && Math.Max(along, across) < SquareOnConvergence);
    }

    /// <summary>The homography of corners already in order.</summary>
    public static Homography? Of(PhotoReference reference, IReadOnlyList<PixelPoint> ordered)
    {
        if (PhotoRules.Size(reference.Kind) is not { } size)
            return Homography.Scale(reference.Length!.Value.Millimeters / Distance(ordered[0], ordered[1]));
        var (l, s) = (size.Long.Millimeters, size.Short.Millimeters);
        return Homography.Through(ordered, [new(0, 0), new(l, 0), new(l, s), new(0, s)]);
    }

    /// <summary>Why a picture set up like this is refused; null when it can be measured.</summary>
    public static PhotoRefusal? Refusal(PhotoQuestion question, IReadOnlyList<PixelPoint>? ordered, Homography? plane)
    {
        if (ordered is null || plane is null)
            return new NoSheet();
        var ruler = question.Reference.Kind == ReferenceKind.Ruler;
        var shortest = ruler ? Distance(ordered[0], ordered[1]) : Enumerable.Range(0, 4).Min(i => Distance(ordered[i], ordered[(i + 1) % 4]));
        var longest = ruler ? shortest : Enumerable.Range(0, 4).Max(i => Distance(ordered[i], ordered[(i + 1) % 4]));
        var centre = Centre(ordered);
        var slant = Slant(plane, centre);
        if (!ruler && slant > question.Rules[PhotoRules.GreatestSlant])
            return new TooSlanted(slant, question.Rules[PhotoRules.GreatestSlant]);
        if (shortest < question.Rules[PhotoRules.SmallestSide])
            return new ReferenceTooSmall(shortest, question.Rules[PhotoRules.SmallestSide]);
        var far = question.Landmarks.Where(l => Distance(l.Value, centre) > question.Rules[PhotoRules.Furthest] * longest).Select(l => l.Key).ToList();
        if (far.Count > 0)
            return new ReferenceTooFar(far[0]);

        var scale = Mean(plane.ScaleAt(centre));
        foreach (var (landmark, at) in question.Landmarks)
        {
            var ratio = plane.Sees(at) ? Mean(plane.ScaleAt(at)) / scale : double.PositiveInfinity;

            // A camera turned and close by does the same to a reference held rightly.
            if (ratio > question.Rules[PhotoRules.DepthChange] || ratio < 1 / question.Rules[PhotoRules.DepthChange])
                return slant.Degrees > TurnedFrom ? new TurnedClose(landmark, ratio > 1, slant) : new OutOfPlane(landmark, ratio > 1);
        }

        return null;
    }

    /// <summary>How far the plane is turned away from the camera, from how unevenly it is foreshortened.</summary>
    public static Angle Slant(Homography plane, PixelPoint centre)
    {
        var (most, least) = plane.ScaleAt(centre);
        return Angle.FromRadians(Math.Acos(Math.Clamp(least / most, 0, 1)));
    }

    public static PixelPoint Centre(IReadOnlyList<PixelPoint> points) => new(points.Average(p => p.X), points.Average(p => p.Y));

    public static double Mean((double Most, double Least) scale) => Math.Sqrt(scale.Most * scale.Least);

    public static double Distance(PixelPoint a, PixelPoint b) => Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));
}
