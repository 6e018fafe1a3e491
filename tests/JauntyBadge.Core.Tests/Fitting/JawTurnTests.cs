using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>The closed form against plain looking: the border cut into hundreds of points, turned in small steps. Absurd shapes too.</summary>
public class JawTurnTests
{
    private const double StepRad = Math.PI / 1800;

    /// <summary>A head and basket that need not make sense: hinge near the eye, basket past the hinge or shorter than the chin.</summary>
    private static (SnoutModel Snout, BasketModel Basket) Any(byte eye, byte high, byte jaw, byte fit, byte length, byte front, byte rear)
    {
        var xe = 20.0 + eye % 130;
        var numbers = Medium(xe, xe * (0.4 + high % 100 / 80.0), xe * 0.7) with
        {
            JawToNose = Mm(xe * (1.02 + jaw % 100 / 90.0)), // behind the fit line; a hinge in front of it is no head
            FitLineLength = Mm(Math.Max(1, xe * (fit % 100) / 100.0)),
        };
        var snout = SnoutModel.From(numbers);
        var h = snout.Height.Mm;
        return (
            snout,
            Box(Math.Max(4, xe * (0.1 + length % 180 / 100.0)), h * (0.7 + front % 140 / 100.0), snout.Width.Mm + 14, h * (0.7 + rear % 140 / 100.0))
        );
    }

    /// <summary>Room at one angle, by looking at four hundred points of the border that lie in front of the rear edge, and at the chin.</summary>
    private static double Look(SnoutModel snout, BasketModel basket, double angle)
    {
        var seat = SeatOf(snout, basket);
        var (x0, x1) = (-seat.NoseRoom.Millimeters, basket.Length.Millimeters - seat.NoseRoom.Millimeters);
        var (df, dr) = (basket.DepthFront.Millimeters, basket.DepthRear.Millimeters);
        var border = snout.LowerBorder;
        var (sin, cos) = Math.SinCos(angle);
        PointMm Turn(PointMm p)
        {
            var (dx, dy) = (p.X - snout.HingePoint.X, p.Y - snout.HingePoint.Y);
            return new(snout.HingePoint.X + dx * cos + dy * sin, snout.HingePoint.Y + dy * cos - dx * sin);
        }

        double Under(PointMm p) => df + (dr - df) * (p.X - x0) / (x1 - x0) - p.Y;
        var least = Under(Turn(border[0]));
        for (var part = 0; part + 1 < border.Count; part++)
        {
            for (var i = 0; i <= 200; i++)
            {
                var share = i / 200.0;
                var at = Turn(
                    new(border[part].X + share * (border[part + 1].X - border[part].X), border[part].Y + share * (border[part + 1].Y - border[part].Y))
                );
                if (at.X <= x1)
                    least = Math.Min(least, Under(at));
            }
        }

        return least;
    }

    [Property(MaxTest = 300)]
    public bool Room_at_an_angle_is_what_looking_finds(byte eye, byte high, byte jaw, byte fit, byte length, byte front, byte rear, byte angle)
    {
        var (snout, basket) = Any(eye, high, jaw, fit, length, front, rear);
        if (snout.FitLine.Mm < snout.Chin.X + 0.01 * snout.EyeLine.Mm)
            return true; // there the corner is moved behind the chin on purpose
        var turn = new JawTurn(SnoutMm.Of(snout));
        var floor = new FloorLine(BasketMm.Of(basket), SeatOf(snout, basket).NoseRoom.Millimeters);
        var rad = angle % 60 * Math.PI / 180;
        var (sin, cos) = Math.SinCos(rad);
        var told = turn.RoomAt(floor, sin, cos);
        var looked = Look(snout, basket, rad);

        // Looking stops short of the rear edge by up to one of its points, and so may find a little more room, the more the steeper the floor.
        return told <= looked + 1e-9 && looked - told < (1 + Math.Abs(floor.Slope)) * (0.02 * snout.EyeLine.Mm + 0.5);
    }

    [Property(MaxTest = 300)]
    public bool Least_room_on_the_way_is_the_least_of_all_angles(byte eye, byte high, byte jaw, byte fit, byte length, byte front, byte rear, byte angle)
    {
        var (snout, basket) = Any(eye, high, jaw, fit, length, front, rear);
        var turn = new JawTurn(SnoutMm.Of(snout));
        var floor = new FloorLine(BasketMm.Of(basket), SeatOf(snout, basket).NoseRoom.Millimeters);
        var limit = angle % 60 * Math.PI / 180;
        var least = double.PositiveInfinity;
        for (var at = 0.0; at <= limit; at += StepRad)
        {
            var (sin, cos) = Math.SinCos(at);
            least = Math.Min(least, turn.RoomAt(floor, sin, cos));
        }

        var told = turn.LeastRoom(floor, limit);
        return told <= least + 1e-9 && least - told < StepRad * 3 * (1 + Math.Abs(floor.Slope)) * (snout.Hinge.Mm + snout.Height.Mm) + 1e-6;
    }

    [Property(MaxTest = 300)]
    public bool The_widest_opening_is_where_room_first_runs_out(byte eye, byte high, byte jaw, byte fit, byte length, byte front, byte rear)
    {
        var (snout, basket) = Any(eye, high, jaw, fit, length, front, rear);
        var turn = new JawTurn(SnoutMm.Of(snout));
        var floor = new FloorLine(BasketMm.Of(basket), SeatOf(snout, basket).NoseRoom.Millimeters);
        const double Keep = 3;
        var limit = FitRules.WidestGape.Ours.Radians;
        var first = limit;
        for (var at = 0.0; at <= limit; at += StepRad)
        {
            var (sin, cos) = Math.SinCos(at);
            if (turn.RoomAt(floor, sin, cos) >= Keep - 1e-9)
                continue;
            first = at;
            break;
        }

        var widest = turn.WidestRad(floor, Keep, limit);

        // A dip between two steps may be passed over by stepping; the closed form then stops earlier, where room is short indeed.
        if (widest < first - StepRad)
            return turn.LeastRoom(floor, widest + 1e-6) <= Keep + 1e-6;
        return Math.Abs(widest - first) <= StepRad + 1e-9;
    }

    [Property(MaxTest = 200)]
    public bool Widest_and_least_room_agree(byte eye, byte high, byte jaw, byte fit, byte length, byte front, byte rear, byte angle)
    {
        var (snout, basket) = Any(eye, high, jaw, fit, length, front, rear);
        var turn = new JawTurn(SnoutMm.Of(snout));
        var floor = new FloorLine(BasketMm.Of(basket), SeatOf(snout, basket).NoseRoom.Millimeters);
        var asked = angle % 60 * Math.PI / 180;
        var widest = turn.WidestRad(floor, 3, FitRules.WidestGape.Ours.Radians);
        return Math.Abs(widest - asked) < 1e-6 || widest >= asked == turn.LeastRoom(floor, asked) >= 3 - 1e-9;
    }

    /// <summary>Law: a longer basket has more nose-plus-eye misfit on neither side at once: what the nose gains the eyes lose.</summary>
    [Property]
    public bool A_longer_basket_never_has_less_misfit_on_both_sides(byte eye, byte length, byte more)
    {
        var snout = SnoutModel.From(Medium(30.0 + eye % 100));
        var (window, _) = FitRules.SeatWindow(FitStyle.Everyday, snout);
        Seat At(double mm) => SeatOf(snout, Box(mm, 200));
        double Misfit(Length room) => Math.Max(0, Math.Max((window.Low - room).Millimeters, (room - window.High).Millimeters));
        var (shorter, longer) = (At(20 + length), At(20 + length + more));
        return !(Misfit(longer.NoseRoom) < Misfit(shorter.NoseRoom) - 1e-9 && Misfit(longer.EyeRoom) < Misfit(shorter.EyeRoom) - 1e-9)
            || more == 0
            || 20 + length < snout.EyeLine.Mm;
    }

    [Fact]
    public void A_box_of_a_chart_is_made_anew_for_every_width()
    {
        var box = new BasketMm(100, double.NaN, double.NaN, double.NaN, 360, double.NaN, double.NaN, Box: true);
        static BoxMm On(double width) => BoxMm.On(SnoutModel.From(Heads.Medium() with { SnoutWidth = Mm(width), SnoutGirth = null }), 0, 0);
        foreach (var width in new[] { 50.0, 60, 72 })
        {
            var on = box.On(On(width));
            Assert.Equal(width + 14, on.WidthRear, 9);
            Assert.Equal(360, SnoutSection.Girth(Mm(on.DepthRear), Mm(on.WidthRear)).Millimeters, 6);
            Assert.Equal((on.DepthFront, 0), (on.DepthRear, on.Slope));
        }

        Assert.Equal(1, box.On(On(200)).DepthFront);
    }

    /// <summary>A chart's girth that does not even go round the snout's width and the spare: out, by a number, not an accident.</summary>
    [Fact]
    public void A_box_no_depth_makes_is_out()
    {
        var snout = SnoutModel.From(Medium());
        var size = new MuzzleSize("x", "X", Mm(100), OpeningGirth: Mm(160));
        var dog = new JauntyBadge.Core.Dogs.DogProfile
        {
            Name = "Any",
            HeadShapeSeen = HeadShape.Medium,
            Purposes = [JauntyBadge.Core.Dogs.Purpose.Walks],
        };
        var fit = Ranking.Judge(Catalogue.Shipped[0], size, new FitQuestion(snout, MuzzleBrief.For(dog, new()), Mm(16)) { Draws = Draws(snout, 50) });
        Assert.Equal((Verdict.Out, 0), (fit.Verdict, fit.Chance));
        Assert.Equal(Verdict.Out, fit.Criteria.Single(c => c.Name == CriterionName.Girth).Verdict);
        Assert.Equal(Verdict.Out, fit.Criteria.Single(c => c.Name == CriterionName.Gape).Verdict);
        Assert.NotEmpty(FitDrawing.Of(fit).Basket);
    }
}
