using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class BasketFitTests
{
    /// <summary>Holes 25 mm apart, two fingers asked for: what they leave is said in fingers, by the hull of neck and fingers worked backwards.</summary>
    [Theory]
    [InlineData(-10, 65, "No hole leaves just that: hole 1 leaves")]
    [InlineData(0, 50, "")]
    [InlineData(6, 56, "At its tightest it leaves")]
    [InlineData(-90, -60, "At its widest it leaves")]
    public void A_strap_that_leaves_other_fingers_says_how_many(double shortest, double longest, string says)
    {
        var snout = SnoutModel.From(Medium());
        var loop = NeckStrap.Loop(Mm(430), 2, Mm(16));
        var basket = Box(111, 118) with { NeckStrapMin = loop + Mm(shortest), NeckStrapMax = loop + Mm(longest), HolePitch = Mm(25) };
        var reason = BasketFit.Assess(snout, basket, Everyday()).Criteria.Single(c => c.Name == CriterionName.NeckStrap).Reason;
        Assert.Equal(
            says != "",
            reason.Contains(" leaves", StringComparison.Ordinal)
                && reason.Contains("hole", StringComparison.Ordinal) | reason.Contains("At its", StringComparison.Ordinal)
        );
        if (says == "")
            return;
        Assert.Contains(says, reason, StringComparison.Ordinal);
        var nearest = loop + Mm(shortest is < -50 ? -65 : shortest);
        // In words a hand knows, by the number itself.
        var left = NeckStrap.FingersUnder(Mm(430), nearest, Mm(16));
        var near = (int)Math.Round(left);
        Assert.Contains(
            Math.Abs(left - near) <= 0.2
                ? near == 0
                    ? "hardly a finger"
                    : near == 1
                        ? "about one finger"
                        : $"about {near} fingers"
                : left < 1
                    ? "less than a finger"
                    : "more than ",
            reason,
            StringComparison.Ordinal
        );
    }

    private static readonly SnoutModel Snout = SnoutModel.From(Medium());

    private static Criterion One(FitAssessment fit, CriterionName name) => fit.Criteria.Single(c => c.Name == name);

    /// <summary>Half an inch to an inch of nose and eye room (common practice): the middle is 19.05 mm each when length is nose-to-eye.</summary>
    [Theory]
    [InlineData(100, 19.05, 19.05, Verdict.Fits)]
    [InlineData(112.7, 25.4, 12.7, Verdict.Marginal)]
    [InlineData(113.7, 25.9, 12.2, Verdict.Out)]
    [InlineData(86, 12.05, 26.05, Verdict.Out)]
    public void Misfit_is_shared_between_nose_and_eyes(double length, double nose, double eye, Verdict verdict)
    {
        var fit = BasketFit.Assess(Snout, Box(length, 120), Everyday());
        Assert.Equal(nose, fit.Seat.NoseRoom.Millimeters, 9);
        Assert.Equal(eye, fit.Seat.EyeRoom.Millimeters, 9);
        Assert.Equal(100 - length, fit.Seat.ShoveEyeRoom.Millimeters, 9);
        Assert.Equal(verdict, One(fit, CriterionName.Seat).Verdict);
    }

    [Fact]
    public void Working_windows_are_snug_and_small_dogs_windows_shrink_never_under_four()
    {
        var (working, _) = FitRules.SeatWindow(FitStyle.Working, Snout);
        Assert.Equal((6, 13), (working.Low.Millimeters, working.High.Millimeters));
        var (small, basis) = FitRules.SeatWindow(FitStyle.Everyday, SnoutModel.From(Medium(eye: 35, 30, 28)));
        Assert.Equal((6.35, 12.7), (small.Low.Millimeters, small.High.Millimeters));
        Assert.Equal(BasisKind.House, basis.Kind);
        var (tiny, _) = FitRules.SeatWindow(FitStyle.Working, SnoutModel.From(Medium(eye: 30, 26, 24)));
        Assert.Equal(4, tiny.Low.Millimeters, 9);
    }

    [Theory]
    [InlineData(FitStyle.Everyday, BiteTier.None, Verdict.Marginal)]
    [InlineData(FitStyle.Everyday, BiteTier.Injured, Verdict.Out)]
    [InlineData(FitStyle.Working, BiteTier.None, Verdict.Out)]
    public void A_shove_past_the_eyes_warns_or_fails(FitStyle school, BiteTier tier, Verdict verdict)
    {
        var request = Everyday() with { FitStyle = school, BiteTier = tier };
        Assert.Equal(verdict, One(BasketFit.Assess(Snout, Box(103, 120), request), CriterionName.Shove).Verdict);
        Assert.Equal(Verdict.Fits, One(BasketFit.Assess(Snout, Box(100, 120), request), CriterionName.Shove).Verdict);
    }

    [Fact]
    public void Girth_needed_is_the_closed_girth_plus_what_the_jaw_adds()
    {
        // Hand calculation: C + 4·(151 − 80.95)·sin(7.5°).
        var needed = BasketFit.NeededGirth(Snout, Angle.FromDegrees(15)).Millimeters;
        Assert.Equal(SnoutSection.Girth(Mm(80), Mm(72)).Millimeters + 4 * 70.05 * 0.1305261922, needed, 6);
        Assert.Equal(Snout.Girth.Mm, BasketFit.NeededGirth(Snout, Angle.Zero).Millimeters, 9);
    }

    [Theory]
    [InlineData(77, Verdict.Out, -1)]
    [InlineData(79, Verdict.Marginal, 1)]
    [InlineData(86, Verdict.Fits, 8)]
    [InlineData(103, Verdict.Out, -1)]
    public void Spare_width_has_two_ends(double width, Verdict verdict, double margin)
    {
        var criterion = One(BasketFit.Assess(Snout, Box(100, 120, width), Everyday()), CriterionName.Width);
        Assert.Equal(verdict, criterion.Verdict);
        Assert.Equal(margin, criterion.Margin!.Value.Millimeters, 9);
    }

    [Theory]
    [InlineData(85, Verdict.Out)] // 5 mm
    [InlineData(87, Verdict.Marginal)] // 7 mm
    [InlineData(90, Verdict.Fits)]
    public void Chin_room_is_six_or_more(double depth, Verdict verdict) =>
        Assert.Equal(verdict, One(BasketFit.Assess(Snout, Box(100, depth), Everyday(0)), CriterionName.ChinRoom).Verdict);

    [Fact]
    public void A_good_basket_fits_and_every_reason_says_how_much_and_on_what_ground()
    {
        var fit = BasketFit.Assess(Snout, Box(100, 120), Everyday());
        Assert.Equal(Verdict.Fits, fit.Verdict);
        Assert.Equal(8, fit.Criteria.Count);
        Assert.All(
            fit.Criteria,
            c =>
            {
                Assert.Matches(@"\d", c.Reason);
                Assert.EndsWith(".", c.Reason, StringComparison.Ordinal);
                Assert.NotEmpty(c.Basis.Note);
                Assert.NotNull(c.Margin);
            }
        );
        Assert.Equal(fit.Gape >= Angle.FromDegrees(15), One(fit, CriterionName.Gape).Margin >= Length.Zero);
    }

    [Fact]
    public void A_small_gape_is_out_by_as_many_millimetres_as_are_wanting()
    {
        var tight = One(BasketFit.Assess(Snout, Box(100, 92), Everyday()), CriterionName.Gape);
        Assert.Equal(Verdict.Out, tight.Verdict);
        Assert.True(tight.Margin < Length.Zero);
        Assert.Contains("at the 15° needed the jaw would go", tight.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Without_a_neck_the_strap_is_not_checked_and_that_is_said()
    {
        var fit = BasketFit.Assess(SnoutModel.From(Medium() with { NeckGirth = null }), Box(100, 120), Everyday());
        Assert.Null(fit.NeckLoop);
        Assert.Contains(fit.NotChecked, n => n.Name == CriterionName.NeckStrap);
        Assert.DoesNotContain(fit.Criteria, c => c.Name == CriterionName.NeckStrap);
    }

    [Fact]
    public void A_neck_thinner_than_the_fingers_is_called_wrong_not_a_fit()
    {
        var fit = BasketFit.Assess(SnoutModel.From(Medium() with { NeckGirth = Mm(43) }), Box(100, 120), Everyday());
        Assert.Contains(fit.NotChecked, n => n.Reason.Contains("cannot be right", StringComparison.Ordinal));
        Assert.Null(fit.NeckLoop);
    }

    [Fact]
    public void What_rests_on_an_assumed_number_never_counts_as_a_clean_fit()
    {
        var assumed = SnoutModel.From(
            new SnoutNumbers
            {
                NoseToInnerEyeLeft = Mm(100),
                NoseToInnerEyeRight = Mm(100),
                NeckGirth = Mm(430),
            }
        );
        var width = One(BasketFit.Assess(assumed, Box(100, 120, assumed.Width.Mm + 14), Everyday()), CriterionName.Width);
        Assert.Equal(Verdict.Marginal, width.Verdict);
        Assert.Contains("not read", width.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Reasons_speak_the_users_unit() =>
        Assert.Contains(
            "3/4 in before the nose",
            One(BasketFit.Assess(Snout, Box(100, 120), Everyday() with { Writing = Words.In(ReadingUnit.In) }), CriterionName.Seat).Reason,
            StringComparison.Ordinal
        );

    [Fact]
    public void The_drawing_has_the_rooms_where_the_seat_says()
    {
        var basket = Box(104, 120);
        var drawing = FitDrawing.Of(Snout, basket, BasketFit.Assess(Snout, basket, Everyday()));
        var nose = drawing.Dimensions.Single(d => d.Name == "noseRoom");
        var eye = drawing.Dimensions.Single(d => d.Name == "eyeRoom");
        Assert.Equal(nose.Value.Millimeters, nose.To.X - nose.From.X, 9);
        Assert.Equal(eye.Value.Millimeters, eye.To.X - eye.From.X, 9);
        Assert.Equal(104, drawing.Basket.Single(s => s.Name == StrokePart.Wall).Points.Max(p => p.X) - nose.From.X, 9);
    }
}
