using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>Laws that hold for every head and basket, whatever their size.</summary>
public class FitLawTests
{
    private static SnoutModel Head(byte eye, byte high, byte wide, byte shape)
    {
        var xe = 25.0 + eye % 110;
        return SnoutModel.From(
            Medium(xe, xe * (0.5 + high % 80 / 100.0), xe * (0.45 + wide % 90 / 100.0)) with
            {
                HeadShape = (HeadShape)(shape % 3),
                JawToNose = null,
            }
        );
    }

    private static BasketModel Basket(SnoutModel snout, sbyte longer, byte deep, byte wide) =>
        Box(Math.Max(20, snout.EyeLine.Mm + longer % 30), snout.Height.Mm + deep % 60, snout.Width.Mm + wide % 40);

    [Property]
    public bool Nose_and_eye_room_always_add_up_to_the_two_middles(byte eye, byte high, byte wide, byte shape, sbyte longer, byte deep, byte broad)
    {
        var snout = Head(eye, high, wide, shape);
        var basket = Basket(snout, longer, deep, broad);
        var (window, _) = FitRules.SeatWindow(FitStyle.Everyday, snout);
        var seat = SeatOf(snout, basket);
        return Math.Abs((seat.NoseRoom + seat.EyeRoom - 2 * window.Middle).Millimeters) < 1e-9
            && Math.Abs((seat.NoseRoom - seat.EyeRoom - (basket.Length - snout.EyeLine.Value)).Millimeters) < 1e-9;
    }

    [Property]
    public bool A_verdict_is_out_exactly_when_a_margin_is_missed(byte eye, byte high, byte wide, byte shape, sbyte longer, byte deep, byte broad)
    {
        var snout = Head(eye, high, wide, shape);
        var fit = BasketFit.Assess(snout, Basket(snout, longer, deep, broad), Everyday());
        return fit.Criteria.All(c => c.Name is CriterionName.Shove or CriterionName.Large || c.Verdict == Verdict.Out == c.Margin!.Value.Millimeters < -1e-9)
            && fit.Verdict == fit.Criteria.Max(c => c.Verdict);
    }

    /// <summary>The room left at the needed opening and the angle reached agree on whether the gape is enough.</summary>
    [Property]
    public bool Margin_and_angle_of_the_gape_agree(byte eye, byte high, byte wide, byte shape, sbyte longer, byte deep, byte needed)
    {
        var snout = Head(eye, high, wide, shape);
        var request = Everyday(needed % 41);
        var fit = BasketFit.Assess(snout, Basket(snout, longer, deep, 14), request);
        var criterion = fit.Criteria.Single(c => c.Name == CriterionName.Gape);
        return Math.Abs((fit.Gape - request.NeededGape).Degrees) < 0.001 || fit.Gape >= request.NeededGape == (criterion.Verdict != Verdict.Out);
    }

    /// <summary>What stops the jaw on the way stops it for good.</summary>
    [Property]
    public bool A_wider_opening_never_leaves_more_room(byte eye, byte high, byte wide, byte shape, sbyte longer, byte front, byte rear, byte first, byte more)
    {
        var snout = Head(eye, high, wide, shape);
        var basket = Box(Math.Max(20, snout.EyeLine.Mm + longer % 30), snout.Height.Mm + front % 60, snout.Width.Mm + 14, snout.Height.Mm + rear % 60);
        var seat = SeatOf(snout, basket);
        return Gape.FloorRoom(snout, basket, seat, Angle.FromDegrees(first % 31 + more % 30)).Millimeters
            <= Gape.FloorRoom(snout, basket, seat, Angle.FromDegrees(first % 31)).Millimeters + 0.05;
    }

    [Property]
    public bool More_opening_never_needs_less_girth(byte eye, byte high, byte wide, byte shape, byte first, byte more)
    {
        var snout = Head(eye, high, wide, shape);
        return BasketFit.NeededGirth(snout, Angle.FromDegrees(first % 30 + more % 30)) >= BasketFit.NeededGirth(snout, Angle.FromDegrees(first % 30));
    }

    [Property]
    public bool Which_side_is_the_shorter_one_does_not_matter(byte eye, byte apart)
    {
        var numbers = Medium(40.0 + eye % 80);
        var (left, right) = (numbers.NoseToInnerEyeLeft, numbers.NoseToInnerEyeLeft!.Value + Mm(apart % 20));
        var one = SnoutModel.From(numbers with { NoseToInnerEyeLeft = left, NoseToInnerEyeRight = right });
        var other = SnoutModel.From(numbers with { NoseToInnerEyeLeft = right, NoseToInnerEyeRight = left });
        return one.Sources.Zip(other.Sources).All(s => Math.Abs(s.First.Number.Mm - s.Second.Number.Mm) < 1e-9);
    }

    [Property]
    public bool A_chart_of_length_and_girth_gives_that_girth_back(byte wide, byte more)
    {
        var (width, girth) = (Mm(30 + wide % 70), Mm(4 * (44 + wide % 70) + more));
        var basket = BasketModel.FromLengthAndGirth(Mm(100), girth, width + BasketModel.BoxSpareWidth.Ours, Mm(300), Mm(500));
        return basket is not null
            && Math.Abs((SnoutSection.Girth(basket.DepthRear, basket.WidthRear) - girth).Millimeters) < 1e-6
            && basket.DepthFront.Millimeters.Equals(basket.DepthRear.Millimeters);
    }

    [Fact]
    public void A_girth_too_small_for_the_width_makes_no_basket() => Assert.Null(BasketModel.FromLengthAndGirth(Mm(100), Mm(150), Mm(84), Mm(300), Mm(500)));

    /// <summary>Every head the product takes can be drawn: all points are numbers, and the jaw's border is the model's own.</summary>
    [Property]
    public bool Every_head_can_be_drawn(byte eye, byte high, byte wide, byte shape, sbyte longer, byte deep)
    {
        var snout = Head(eye, high, wide, shape);
        var basket = Basket(snout, longer, deep, 14);
        var drawing = FitDrawing.Of(snout, basket, BasketFit.Assess(snout, basket, Everyday()));
        var points = drawing.Head.Side.Fields.SelectMany(f => f.Curve.Points()).Concat(drawing.Basket.SelectMany(s => s.Points));
        return points.All(p => double.IsFinite(p.X) && double.IsFinite(p.Y));
    }

    /// <summary>Whatever the dog, the whole catalogue is judged, in the same order every time, refusals after near misses.</summary>
    [Property(MaxTest = 40)]
    public bool The_ranking_is_total_and_stable(byte eye, byte high, byte wide, byte shape, byte purposes, byte tier)
    {
        var dog = new DogProfile
        {
            Name = "Any",
            HeadShapeSeen = (HeadShape)(shape % 3),
            BiteTier = (BiteTier)(tier % 5),
            Purposes = [.. Enum.GetValues<Purpose>().Where(p => (purposes >> (int)p & 1) == 1)],
        };
        var snout = Head(eye, high, wide, shape);
        var question = new FitQuestion(snout, MuzzleBrief.For(dog, new()), Mm(16)) { Draws = Draws(snout, 100) };
        var ranked = Ranking.Rank(Catalogue.Shipped, question);
        var again = Ranking.Rank([.. Catalogue.Shipped.Reverse()], question);
        var refused = ranked.Select(f => f.IsRefused).ToList();
        return ranked.Select(f => f.Size.Id).SequenceEqual(again.Select(f => f.Size.Id))
            && refused.SequenceEqual(refused.Order())
            && ranked.All(f => f.Deciding.Verdict == f.Verdict && f.Deciding.Reason.Length > 10);
    }
}
