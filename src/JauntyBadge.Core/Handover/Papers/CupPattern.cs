using JauntyBadge.Core.Measuring;
using UnitsNet;

namespace JauntyBadge.Core.Handover.Papers;

/// <summary>
/// The flat pattern of a paper cup open at both ends: a frustum unrolls to a ring sector, one as wide in front as behind to a rectangle. Along one straight edge stands a
/// flap to glue it by.
/// </summary>
/// <param name="Slant">Along the side; of a cylinder its length.</param>
/// <param name="InnerRadius">Of the front edge, unrolled; null for a cylinder.</param>
/// <param name="OuterRadius">Of the rear edge; null for a cylinder.</param>
/// <param name="Angle">That the sector spans, under a full turn; null for a cylinder.</param>
/// <param name="Chord">Straight from end to end of the rear edge; of a cylinder its girth.</param>
/// <param name="Flap">How wide the flap is.</param>
public sealed record CupPattern(Length Slant, Length? InnerRadius, Length? OuterRadius, Angle? Angle, Length Chord, Length Flap)
{
    public static readonly Grounded<Length> FlapWidth = new(
        "handover.cup-flap",
        "Width of a practice cup's flap",
        Length.FromMillimeters(12),
        Basis.House("a finger's width holds glue and does not stiffen the side")
    );

    public static readonly Grounded<double> Ease = new(
        "handover.cup-ease",
        "Girth of a practice cup, times the snout's",
        1.15,
        Basis.House("goes on without being pushed; a soft cup that is tight rubs")
    )
    {
        Least = 1.05,
        Most = 1.4,
    };

    public static readonly Grounded<double> FrontShare = new(
        "handover.cup-front",
        "Girth of a practice cup in front, as a share of that behind",
        0.75,
        Basis.House("snouts taper by about a quarter; the front stays open and the nose free")
    )
    {
        Least = 0.5,
        Most = 1,
    };

    public static readonly Grounded<Length> NoseFree = new(
        "handover.cup-nose",
        "How far the nose stands out of a practice cup",
        Length.FromMillimeters(10),
        Basis.Practice("nose and eyes stay free")
    );

    /// <summary>Girths that differ by less than this share of the greater are a cylinder's: the sector's radii would run away (House).</summary>
    private const double Alike = 0.01;

    public static IReadOnlyList<IGrounded> All { get; } = [FlapWidth, Ease, FrontShare, NoseFree];

    public bool IsCylinder => Angle is null;

    /// <summary>Unrolls a frustum (elementary geometry; the closed form stands in the handbook).</summary>
    /// <param name="front">Girth in front, over 0 and not over that behind by more than a hundredth of it.</param>
    /// <param name="rear">Girth behind.</param>
    /// <param name="length">From front to rear along the axis, over 0.</param>
    /// <param name="rules">The numbers that hold.</param>
    /// <exception cref="ArgumentOutOfRangeException">An argument is outside its range.</exception>
    public static CupPattern For(Length front, Length rear, Length length, HouseRules rules)
    {
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(front, Length.Zero);
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(length, Length.Zero);
        if (AreAlike(front, rear))
            return new(length, null, null, null, UnitMath.Max(front, rear), rules[FlapWidth]);
        ArgumentOutOfRangeException.ThrowIfLessThan(rear, front);
        var (r1, r2) = (front.Millimeters / (2 * Math.PI), rear.Millimeters / (2 * Math.PI));
        var slant = Math.Sqrt(length.Millimeters * length.Millimeters + (r2 - r1) * (r2 - r1));
        var inner = slant * r1 / (r2 - r1);
        var angle = 2 * Math.PI * (r2 - r1) / slant;
        return new(
            Length.FromMillimeters(slant),
            Length.FromMillimeters(inner),
            Length.FromMillimeters(inner + slant),
            UnitsNet.Angle.FromRadians(angle),
            Length.FromMillimeters(2 * (inner + slant) * Math.Sin(angle / 2)),
            rules[FlapWidth]
        );
    }

    /// <summary>Whether two girths make a cylinder.</summary>
    public static bool AreAlike(Length front, Length rear) => (rear - front).Abs() <= UnitMath.Max(front, rear) * Alike + Length.FromMillimeters(1e-9);

    /// <summary>The girths and the length of the cup for a snout.</summary>
    public static (Length Front, Length Rear, Length Length) On(SnoutModel snout)
    {
        var rules = snout.Rules;
        var rear = snout.Girth.Value * rules[Ease];
        return (rear * rules[FrontShare], rear, UnitMath.Max(snout.FitLine.Value - rules[NoseFree], snout.FitLine.Value / 2));
    }

    /// <summary>The pattern laid flat: its middle straight up, the flap along its right edge.</summary>
    public PaperDrawing Draw(HandoverWords words)
    {
        var marks = new List<PaperMark>();
        if (Angle is not { } angle)
        {
            var (wide, high) = (Chord.Millimeters, Slant.Millimeters);
            marks.Add(new PaperLine([new(0, 0), new(wide, 0), new(wide, high), new(0, high)], true));
            marks.Add(
                new PaperLine([new(wide, 0), new(wide + Flap.Millimeters, 3), new(wide + Flap.Millimeters, high - 3), new(wide, high)], false, Dashed: true)
            );
            marks.Add(new PaperText(new(wide / 2, high / 2), words.CupFront, 4, Centred: true));
            return new PaperDrawing(words.Cup, marks, words.CupNotes);
        }

        var (inner, outer, half) = (InnerRadius!.Value.Millimeters, OuterRadius!.Value.Millimeters, angle.Radians / 2);
        // Front edge below, rear edge above, as it stands when rolled; the centre of the rings is the origin and y goes down.
        PointMm At(double radius, double turn) => new(radius * Math.Sin(turn), -radius * Math.Cos(turn));
        marks.Add(new PaperLine([.. Arc(inner, -half, half).Select(t => At(inner, t)), .. Arc(outer, half, -half).Select(t => At(outer, t))], true));
        var (fold, end) = (At(inner, half), At(outer, half));
        var (across, down) = (new PointMm(Math.Cos(half), Math.Sin(half)), new PointMm((end.X - fold.X) / (outer - inner), (end.Y - fold.Y) / (outer - inner)));
        PointMm Out(PointMm from, double along) =>
            new(from.X + across.X * Flap.Millimeters + down.X * along, from.Y + across.Y * Flap.Millimeters + down.Y * along);
        marks.Add(new PaperLine([fold, Out(fold, 3), Out(end, -3), end], false, Dashed: true));
        marks.Add(new PaperText(At((inner + outer) / 2, 0), words.CupFront, 4, Centred: true));
        return new PaperDrawing(words.Cup, marks, words.CupNotes);
    }

    /// <summary>Turns along an arc, close enough that its chords leave it by less than a hundredth of a millimetre.</summary>
    private static IEnumerable<double> Arc(double radius, double from, double to)
    {
        var steps = Math.Max(8, (int)Math.Ceiling(Math.Abs(to - from) / (2 * Math.Acos(1 - Math.Min(0.5, 0.01 / radius)))));
        return Enumerable.Range(0, steps + 1).Select(i => from + (to - from) * i / steps);
    }
}
