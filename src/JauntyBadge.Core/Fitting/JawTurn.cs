using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>
/// The lower border of a closed mouth turning about the hinge. Every condition on the way is a sinusoid of the angle, so where it
/// first fails, or how little room it leaves, is had in closed form.
/// </summary>
internal readonly struct JawTurn
{
    private readonly double hingeX,
        hingeY,
        chinX,
        chinY,
        cornerX,
        cornerY;

    /// <summary>Chin, corner at the fit line and the end below the hinge, from the hinge; the corner never lies in front of the chin.</summary>
    public JawTurn(in SnoutMm snout)
    {
        (hingeX, hingeY) = (snout.HingeX, snout.HingeY);
        (chinX, chinY) = (snout.ChinX - hingeX, snout.ChinY - hingeY);
        (cornerX, cornerY) = (Math.Max(snout.FitLine, snout.ChinX + 1e-3 * snout.Eye) - hingeX, snout.Border - hingeY);
    }

    /// <summary>The widest opening up to a limit, radians, on the way to which this much room is kept everywhere.</summary>
    public double WidestRad(in FloorLine floor, double keep, double limit)
    {
        var cornerOut = OutAt(cornerX, cornerY, floor, limit);
        var endOut = OutAt(0, cornerY, floor, limit);
        var widest = PointFails(chinX, chinY, floor, keep, limit);
        widest = Math.Min(widest, PointFails(cornerX, cornerY, floor, keep, cornerOut));
        if (endOut > 0)
            widest = Math.Min(widest, PointFails(0, cornerY, floor, keep, endOut));
        if (endOut < cornerOut)
            widest = Math.Min(widest, EdgeFails(0, 1, cornerY, floor, keep, endOut, cornerOut));
        if (cornerOut < limit)
        {
            var (dx, dy) = (cornerX - chinX, cornerY - chinY);
            var along = Math.Sqrt(dx * dx + dy * dy);
            var fromHinge = (cornerY * dx - cornerX * dy) / along;
            widest = Math.Min(widest, EdgeFails(dy / along, dx / along, fromHinge, floor, keep, cornerOut, OutAt(chinX, chinY, floor, limit)));
        }

        return Math.Min(widest, limit);
    }

    /// <summary>Least room straight down on the way from closed to an opening; what lies behind the rear edge is free, but for the chin.</summary>
    public double LeastRoom(in FloorLine floor, double opening)
    {
        var (sin, cos) = Math.SinCos(opening);
        if (IsMonotone(floor, sin, cos))
            return RoomAt(floor, sin, cos);
        var least = Math.Min(RoomAt(floor, 0, 1), RoomAt(floor, sin, cos));
        least = Math.Min(least, PointLeast(chinX, chinY, floor, opening));
        least = Math.Min(least, PointLeast(cornerX, cornerY, floor, OutAt(cornerX, cornerY, floor, opening)));
        return Math.Min(least, PointLeast(0, cornerY, floor, OutAt(0, cornerY, floor, opening)));
    }

    /// <summary>The border at one opening.</summary>
    public Pose At(double sin, double cos) => new(Turn(chinX, chinY, sin, cos), Turn(cornerX, cornerY, sin, cos), Turn(0, cornerY, sin, cos));

    /// <summary>The rear edge up to which, over a floor that does not rise towards the rear, room only shrinks as the jaw opens.</summary>
    public double MonotoneUpTo
    {
        get
        {
            var (along, down) = (cornerX - chinX, cornerY - chinY);
            var steep = (cornerY * along - cornerX * down) * down / (along * along + down * down);
            return hingeX - Math.Max(0, steep);
        }
    }

    /// <summary>Room straight down at one opening.</summary>
    public double RoomAt(in FloorLine floor, double sin, double cos) => At(sin, cos).Room(floor);

    /// <summary>Where the room is least at an opening, and how much it is.</summary>
    public (PointMm At, double Room) Tightest(in FloorLine floor, double sin, double cos) => At(sin, cos).Tightest(floor);

    private PointMm Turn(double dx, double dy, double sin, double cos) => new(hingeX + dx * cos + dy * sin, hingeY + dy * cos - dx * sin);

    /// <summary>Whether the room only shrinks on the way to this opening, so that the opening itself tells all.</summary>
    private bool IsMonotone(in FloorLine floor, double sin, double cos)
    {
        bool Falls(double dx, double dy, double slope) => slope * dy + dx <= 0 && slope * (dy * cos - dx * sin) + dx * cos + dy * sin <= 0;
        return floor.RearX <= MonotoneUpTo && Falls(chinX, chinY, floor.Slope) && Falls(cornerX, cornerY, floor.Slope);
    }

    /// <summary>The opening at which a point passes behind the rear edge; the limit where it does not on the way there.</summary>
    private double OutAt(double dx, double dy, in FloorLine floor, double limit) => FirstBelow(-dx, -dy, floor.RearX - hingeX, 0, limit);

    /// <summary>The first opening up to an end at which a point comes too near the floor; infinite for none.</summary>
    private double PointFails(double dx, double dy, in FloorLine floor, double keep, double end)
    {
        var (a, b, c) = PointRoom(dx, dy, floor);
        return NeverAsInfinite(FirstBelow(a, b, c - keep, 0, end), end);
    }

    /// <summary>The same for where a line of the border, of this sine and cosine and distance below the hinge when closed, crosses the rear edge.</summary>
    private double EdgeFails(double sin, double cos, double fromHinge, in FloorLine floor, double keep, double from, double end)
    {
        if (from >= end)
            return double.PositiveInfinity;
        var (down, back) = (floor.RearY - keep - hingeY, floor.RearX - hingeX);
        return NeverAsInfinite(FirstBelow(down * cos - back * sin, down * sin + back * cos, -fromHinge, from, end), end);
    }

    private static double NeverAsInfinite(double angle, double end) => angle >= end ? double.PositiveInfinity : angle;

    /// <summary>A point's room as a·cos + b·sin + c of the opening.</summary>
    private (double A, double B, double C) PointRoom(double dx, double dy, in FloorLine floor) =>
        (floor.Slope * dx - dy, floor.Slope * dy + dx, floor.FrontY + floor.Slope * (hingeX - floor.FrontX) - hingeY);

    private double PointLeast(double dx, double dy, in FloorLine floor, double end)
    {
        if (end <= 0)
            return double.PositiveInfinity;
        var (a, b, c) = PointRoom(dx, dy, floor);
        var (sin, cos) = Math.SinCos(end);
        var dips = b < 0 && b * cos - a * sin > 0;
        return dips ? c - Math.Sqrt(a * a + b * b) : Math.Min(a + c, a * cos + b * sin + c);
    }

    /// <summary>The first angle from a start at which a·cos + b·sin + c falls below zero; the end where it does not before.</summary>
    private static double FirstBelow(double a, double b, double c, double from, double end)
    {
        var swing = Math.Sqrt(a * a + b * b);
        if (c >= swing)
            return end;
        if (c < -swing)
            return from;
        var (middle, half) = (Math.Atan2(b, a), Math.Acos(-c / swing));
        var turned = from - middle;
        turned -= 2 * Math.PI * Math.Floor(turned / (2 * Math.PI));
        var first =
            turned > half && turned < 2 * Math.PI - half ? from
            : turned <= half ? from + half - turned
            : from + 2 * Math.PI - turned + half;
        return Math.Min(first, end);
    }
}

/// <summary>The lower border at one opening, with what is worked out once for every basket.</summary>
internal readonly struct Pose(PointMm chin, PointMm corner, PointMm end)
{
    private readonly double frontRise = (corner.Y - chin.Y) / (corner.X - chin.X);
    private readonly double backRise = (end.Y - corner.Y) / (end.X - corner.X);

    /// <summary>Least room straight down to a floor, of the chin and of what lies in front of the rear edge.</summary>
    public double Room(in FloorLine floor)
    {
        var room = floor.Under(chin.X, chin.Y);
        if (corner.X <= floor.RearX)
        {
            room = Math.Min(room, floor.Under(corner.X, corner.Y));
            return Math.Min(room, end.X <= floor.RearX ? floor.Under(end.X, end.Y) : floor.RearY - corner.Y - backRise * (floor.RearX - corner.X));
        }

        return chin.X <= floor.RearX ? Math.Min(room, floor.RearY - chin.Y - frontRise * (floor.RearX - chin.X)) : room;
    }

    /// <summary>Where that room is least, and how much it is.</summary>
    public (PointMm At, double Room) Tightest(in FloorLine floor)
    {
        var tightest = (At: chin, Room: floor.Under(chin.X, chin.Y));
        var rear = floor.RearX;
        Span<PointMm> others =
        [
            corner.X <= rear ? corner : chin,
            end.X <= rear ? end
            : corner.X <= rear ? new(rear, corner.Y + backRise * (rear - corner.X))
            : chin.X <= rear ? new(rear, chin.Y + frontRise * (rear - chin.X))
            : chin,
        ];
        foreach (var point in others)
        {
            if (floor.Under(point.X, point.Y) is var room && room < tightest.Room)
                tightest = (point, room);
        }

        return tightest;
    }
}
