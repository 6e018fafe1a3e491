using FsCheck.Xunit;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using MathNet.Numerics.Distributions;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class ChanceTests
{
    private static readonly SnoutModel Snout = SnoutModel.From(Medium());

    private static Chances Chance(
        BasketModel basket,
        int seed = SnoutDraws.Seed,
        FitRequest? request = null,
        params (Measure Measure, Side? Side, double U)[] doubts
    ) =>
        Chances.Of(
            SnoutDraws.Of(
                Snout,
                [.. doubts.Select(d => new UncertaintySource(new MeasureLine(d.Measure, d.Side), UncertaintyKind.Reading, Mm(d.U)))],
                1000,
                new Random(seed)
            ),
            basket,
            request ?? Everyday(0)
        );

    /// <summary>One criterion and one normal reading: the normal distribution of MathNet.Numerics tells the chance in closed form.</summary>
    [Theory]
    [InlineData(86, 2)] // 14 mm spare, window 6 to 30
    [InlineData(79, 2)] // 1 mm within
    [InlineData(79, 0.5)]
    [InlineData(77, 2)] // 1 mm short
    [InlineData(101, 4)] // 1 mm within the other end
    public void The_chance_of_width_is_the_normal_distributions(double width, double u)
    {
        var spare = width - 72;
        var closed = Normal.CDF(0, u, spare - 6) - Normal.CDF(0, u, spare - 30);
        Assert.Equal(closed, Chance(Box(100, 160, width), doubts: (Measure.SnoutWidth, null, u)).Of(CriterionName.Width)!.Value, 0.0011);
    }

    [Theory]
    [InlineData(6, 3)]
    [InlineData(-2, 3)]
    [InlineData(0, 1)]
    public void The_chance_of_girth_is_the_normal_distributions(double spare, double u)
    {
        var basket = Box(100, 160) with { OpeningGirth = Snout.Girth.Value + Mm(spare) };
        Assert.Equal(Normal.CDF(0, u, spare), Chance(basket, doubts: (Measure.SnoutGirth, null, u)).Of(CriterionName.Girth)!.Value, 0.0011);
    }

    /// <summary>Nose to eye enters half in nose room and half in eye room: |length − xe| ≤ 12.7 mm.</summary>
    [Fact]
    public void The_chance_of_the_seat_is_the_normal_distributions()
    {
        const double U = 3;
        var closed = Normal.CDF(100, U, 111 + 12.7) - Normal.CDF(100, U, 111 - 12.7);
        var numbers = Medium() with { NoseToInnerEyeRight = null };
        var draws = SnoutDraws.Of(
            SnoutModel.From(numbers),
            [new(new MeasureLine(Measure.NoseToInnerEye, Side.Left), UncertaintyKind.Reading, Mm(U))],
            1000,
            new Random(1)
        );
        Assert.Equal(closed, Chances.Of(draws, Box(111, 160), Everyday(0)).Of(CriterionName.Seat)!.Value, 0.0011);
    }

    /// <summary>Two doubts that bear on two criteria each alone: the whole is their product.</summary>
    [Fact]
    public void The_whole_of_two_independent_criteria_is_the_product()
    {
        var basket = Box(100, 118, 79) with { OpeningGirth = Snout.Girth.Value + Mm(2) };
        var chances = Chance(basket, doubts: [(Measure.SnoutWidth, null, 2), (Measure.SnoutGirth, null, 3)]);
        Assert.Equal(Normal.CDF(0, 2, 1) * Normal.CDF(0, 3, 2), chances.Whole, 0.02);
    }

    [Fact]
    public void The_reading_that_decides_is_the_one_to_take_again()
    {
        var narrow = Chance(Box(100, 118, 79), doubts: [(Measure.SnoutWidth, null, 2), (Measure.SnoutGirth, null, 1), (Measure.NeckGirth, null, 4)]);
        Assert.Equal(Measure.SnoutWidth, narrow.Retake!.Measure);
        Assert.True(narrow.Retake.Settles > 0.5);
        var tight = Chance(
            Box(100, 118, 86) with
            {
                NeckStrapMin = NeckStrap.Loop(Mm(430), 2, Mm(16)) - Mm(2),
            },
            doubts: [(Measure.SnoutWidth, null, 2), (Measure.NeckGirth, null, 6)]
        );
        Assert.Equal(Measure.NeckGirth, tight.Retake!.Measure);
        Assert.Null(Chance(Box(100, 118), doubts: (Measure.SnoutWidth, null, 0.5)).Retake);
    }

    /// <summary>What would be as good as sure whatever the reading turned out to be asks for nothing; nor does a jaw's own shape, which no reading tells.</summary>
    [Fact]
    public void Nothing_is_asked_for_again_that_could_not_change_the_answer()
    {
        // 5 mm within at 2 mm of doubt: whatever the width, as good as sure.
        Assert.Null(Chance(Box(100, 118, 72 + 11), doubts: (Measure.SnoutWidth, null, 2)).Retake);
        Assert.NotNull(Chance(Box(100, 118, 72 + 7.5), doubts: (Measure.SnoutWidth, null, 2)).Retake);
        var jaw = SnoutDraws.Of(Snout, [new(new(Measure.SnoutHeight), UncertaintyKind.Chin, Mm(8))], 1000, new Random(1));
        var chances = Chances.Of(jaw, Box(100, 107), Everyday());
        Assert.InRange(chances.Whole, 0.05, 0.95);
        Assert.Null(chances.Retake);
    }

    /// <summary>Law of the two sides: drawn from what was read of both, their middle is not moved, and the shorter one is not made shorter twice.</summary>
    [Fact]
    public void The_shorter_side_is_not_drawn_too_short_twice_over()
    {
        var alike = SnoutModel.From(Medium() with { NoseToInnerEyeRight = Mm(100) });
        UncertaintySource Side(Side side) => new(new(Measure.NoseToInnerEye, side), UncertaintyKind.Reading, Mm(2.3));
        var drawn = SnoutDraws.Of(alike, [Side(Core.Measuring.Side.Left), Side(Core.Measuring.Side.Right)], 2000, new Random(1)).Snouts.Average(s => s.Eye);

        // The lesser of two independent ones lies σ/√π below: 1.3 mm. Of one head's, 0.54 of that: the sides' own 2 % against the tape's.
        Assert.InRange(drawn, 100 - 1.3 * 0.7, 100 - 1.3 * 0.4);
    }

    [Fact]
    public void The_same_seed_gives_the_same_chance_and_another_nearly_the_same()
    {
        var basket = Box(101, 112, 79);
        (Measure, Side?, double)[] doubts = [(Measure.SnoutWidth, null, 2), (Measure.SnoutHeight, null, 2), (Measure.NoseToInnerEye, Side.Left, 2)];
        var first = Chance(basket, 7, Everyday(), doubts).Whole;
        Assert.Equal(first, Chance(basket, 7, Everyday(), doubts).Whole);
        Assert.Equal(first, Chance(basket, 8, Everyday(), doubts).Whole, 0.05);
    }

    [Fact]
    public void What_was_assumed_is_doubted_more_than_what_was_read()
    {
        var read = SnoutModel.From(Medium());
        var assumed = SnoutModel.From(Medium() with { SnoutHeight = null, SnoutWidth = null, JawToNose = null });
        Assert.DoesNotContain(UncertaintySource.Of(read, new Dictionary<MeasureLine, Length>()), d => d.Kind != UncertaintyKind.Reading && d.CanBeRead);
        var kinds = UncertaintySource.Of(assumed, new Dictionary<MeasureLine, Length>()).Select(d => (d.Line.Measure, d.Kind)).ToList();
        Assert.Contains((Measure.SnoutWidth, UncertaintyKind.Assumed), kinds);
        Assert.Contains((Measure.JawToNose, UncertaintyKind.Hinge), kinds);
        Assert.DoesNotContain((Measure.SnoutHeight, UncertaintyKind.Assumed), kinds); // the girth that was read gives it
    }

    /// <summary>Law: the more doubt, the less sure is what fits by a little.</summary>
    [Property]
    public bool More_doubt_never_makes_a_marginal_fit_surer(byte wide, byte u, byte more)
    {
        var basket = Box(100, 160, 78.2 + wide % 30 / 10.0);
        double At(double doubt) => Chance(basket, doubts: (Measure.SnoutWidth, null, doubt)).Of(CriterionName.Width)!.Value;
        var little = 0.5 + u % 40 / 10.0;
        return At(little + more % 50 / 10.0) <= At(little) + 1e-9;
    }

    /// <summary>Law: with all readings in doubt, more doubt never makes certain what was not.</summary>
    [Property(MaxTest = 60)]
    public bool More_doubt_never_makes_certain(sbyte longer, byte deep, byte wide)
    {
        var basket = Box(100 + longer % 12, 100 + deep % 40, 78 + wide % 24);
        double At(double u) => Chances.Of(Draws(Snout, 300, u), basket, Everyday()).Whole;
        var (little, much) = (At(1.5), At(4));
        // The jaw's own doubt is there either way; a draw or two in three hundred are its luck.
        return little > 0.99 || much < 1;
    }

    /// <summary>What is counted over draws without any doubt is what is told to the fitter, whatever the head and basket.</summary>
    [Property(MaxTest = 300)]
    public bool Counted_and_told_are_the_same(byte eye, byte high, byte wide, sbyte longer, sbyte deep, sbyte rear, sbyte broad, byte gape)
    {
        var xe = 25.0 + eye % 110;
        var snout = SnoutModel.From(Medium(xe, xe * (0.5 + high % 80 / 100.0), xe * (0.45 + wide % 90 / 100.0)) with { JawToNose = null, HeadGirth = Mm(470) });
        var basket = Box(
            Math.Max(15, xe + longer % 40),
            Math.Max(10, snout.Height.Mm + deep % 60),
            Math.Max(10, snout.Width.Mm + 12 + broad % 30),
            Math.Max(10, snout.Height.Mm + rear % 60)
        );
        var request = Everyday(gape % 45);
        var told = BasketFit.Assess(snout, basket, request);
        var counted = Chances.Of(SnoutDraws.Of(snout, [], 10, new Random(1)), basket, request);
        return told.Criteria.All(c =>
                counted.Of(c.Name) == (c.Margin!.Value.Millimeters < 0 && (c.Name != CriterionName.Large || c.Outcome != Outcome.Holds) ? 0 : 1)
            )
            && counted.Whole == (told.Verdict == Verdict.Out ? 0 : 1);
    }

    /// <summary>The room under the opened jaw that verdicts rest on is the least on the way there, as the jaw's own walk finds it.</summary>
    [Property(MaxTest = 300)]
    public bool Room_judged_is_the_least_on_the_way(byte eye, byte high, sbyte longer, sbyte deep, sbyte rear, byte gape)
    {
        var xe = 25.0 + eye % 110;
        var snout = SnoutModel.From(Medium(xe, xe * (0.5 + high % 80 / 100.0)) with { JawToNose = null });
        var basket = Box(Math.Max(15, xe + longer % 40), Math.Max(10, snout.Height.Mm + deep % 60), depthRear: Math.Max(10, snout.Height.Mm + rear % 60));
        var fit = BasketFit.Assess(snout, basket, Everyday(gape % 45));
        var walked = Gape.FloorRoom(snout, basket, fit.Seat, Angle.FromDegrees(gape % 45));
        return Math.Abs((fit.Criteria.Single(c => c.Name == CriterionName.Gape).Value!.Value - walked).Millimeters) < 1e-6;
    }

    [Fact]
    public void Draws_out_of_range_are_refused() => Assert.Throws<ArgumentOutOfRangeException>(() => SnoutDraws.Of(Snout, [], 5, new Random(1)));
}
