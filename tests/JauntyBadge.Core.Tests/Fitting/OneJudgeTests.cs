using FsCheck.Xunit;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>A muzzle is judged once: list, sentence, chance, drawing, remedy agree where a bound is hit exactly, in inch fractions and beyond.</summary>
public class OneJudgeTests
{
    private static readonly string[] SaidOfAMiss =
    [
        "misses by",
        "past the eye line",
        "Too ",
        "too long",
        "too short",
        "through the floor",
        "slips off",
        "Large:",
    ];

    private static MuzzleModel Model(MuzzleSize size) =>
        new(
            "m",
            "Model",
            "",
            MuzzleType.Basket,
            Material.CoatedWire,
            Closure.Both,
            ForeheadStrap.None,
            true,
            true,
            FrontOpening.Fixed,
            [],
            "",
            [size],
            HolePitch: Mm(20)
        );

    private static FitQuestion Question(SnoutModel snout, Manner manner) =>
        new(
            snout,
            MuzzleBrief.For(
                new DogProfile
                {
                    Name = "Any",
                    HeadShapeSeen = HeadShape.Medium,
                    Purposes = [Purpose.Walks],
                },
                new BriefQuestion { FitStyle = manner.FitStyle, Fingers = 2 }
            ),
            Mm(16)
        )
        {
            Draws = SnoutDraws.Of(snout, [], 10, new Random(1)),
            Writing = Words.In(manner.Shown),
        };

    private sealed record Manner(FitStyle FitStyle, ReadingUnit Shown);

    /// <summary>A size each of whose numbers meets a bound of this snout exactly, as a chart in inches or millimetres would happen to have it.</summary>
    private static IEnumerable<(CriterionName Hit, MuzzleSize Size)> OnABound(SnoutModel snout, FitQuestion question)
    {
        var (window, _) = FitRules.SeatWindow(question.Brief.FitStyle, snout);
        var eye = snout.EyeLine.Value;
        var spread = window.High - window.Low;
        var needed = BasketFit.NeededGirth(snout, question.Brief.NeededGape);
        var loop = NeckStrap.Loop(snout.NeckGirth!.Value, 2, Mm(16));
        var deep = snout.Height.Value + Mm(40);
        MuzzleSize Of(
            Length? length = null,
            Length? depth = null,
            Length? width = null,
            Length? girth = null,
            Length? strapMin = null,
            Length? strapMax = null
        ) =>
            new(
                "s",
                "S",
                length ?? eye,
                strapMin ?? loop - Mm(60),
                strapMax ?? loop + Mm(60),
                null,
                null,
                depth ?? deep,
                depth ?? deep,
                width ?? snout.Width.Value + Mm(14),
                null,
                girth ?? needed * 1.1
            );
        yield return (CriterionName.Shove, Of());
        yield return (CriterionName.Seat, Of(length: eye - spread));
        yield return (CriterionName.ChinRoom, Of(depth: snout.Height.Value + FitRules.ChinRoom.Ours));
        yield return (CriterionName.Girth, Of(girth: needed));
        yield return (CriterionName.Large, Of(depth: snout.Height.Value + Mm(34), girth: needed * FitRules.LargeGirth.Ours));
        yield return (CriterionName.Width, Of(width: snout.Width.Value + FitRules.WidthLow.Ours));
        yield return (CriterionName.Width, Of(width: snout.Width.Value + FitRules.WidthHigh.Ours));
        yield return (CriterionName.NeckStrap, Of(strapMin: loop));
        yield return (CriterionName.NeckStrap, Of(strapMin: loop - Mm(20), strapMax: loop));
    }

    private static SnoutModel Head(int eighths, int heightSixteenths, int widthSixteenths, bool thruInches)
    {
        // The same inch fraction comes as a parsed reading or as millimetres worked out beforehand: their doubles differ in the last place.
        Length In(double inches) => thruInches ? Length.FromInches(inches) : Mm(inches * 25.4);
        return SnoutModel.From(
            Medium() with
            {
                NoseToInnerEyeLeft = In(eighths / 8.0),
                NoseToInnerEyeRight = In(eighths / 8.0),
                SnoutGirth = null,
                SnoutHeight = In(heightSixteenths / 16.0),
                SnoutWidth = In(widthSixteenths / 16.0),
                JawToNose = null,
                NeckGirth = In(17),
                HeadGirth = In(19),
            }
        );
    }

    [Property(MaxTest = 120)]
    public bool A_bound_hit_exactly_holds_in_list_sentence_chance_and_remedies(
        byte eye,
        byte high,
        byte wide,
        bool thruInches,
        bool working,
        bool shownInInches
    )
    {
        var snout = Head(20 + eye % 20, 40 + high % 30, 36 + wide % 30, thruInches);
        var question = Question(snout, new(working ? FitStyle.Working : FitStyle.Everyday, shownInInches ? ReadingUnit.In : ReadingUnit.Mm));
        return OnABound(snout, question)
            .All(at =>
            {
                var model = Model(at.Size);
                var fit = Ranking.Rank([model], question).Single();
                var hit = fit.Criteria.Single(c => c.Name == at.Hit);
                return hit.Outcome is Outcome.Holds or Outcome.JustHolds
                    && hit.Margin!.Value.Millimeters == Math.Max(0, hit.Margin.Value.Millimeters)
                    && hit.Chance == 1
                    && !SaidOfAMiss.Any(w => hit.Reason.Contains(w, StringComparison.Ordinal))
                    && !hit.Reason.Contains("-0", StringComparison.Ordinal)
                    && AllAgree(fit);
            });
    }

    /// <summary>What is too large by less than its rounded numbers show says by how much.</summary>
    [Fact]
    public void Large_by_a_hair_says_by_how_much()
    {
        var snout = Head(24, 48, 44, true);
        var question = Question(snout, new(FitStyle.Everyday, ReadingUnit.Mm));
        var (_, size) = OnABound(snout, question).Single(at => at.Hit == CriterionName.Large);
        var fit = Ranking.Rank([Model(size with { OpeningGirth = size.OpeningGirth + Mm(0.1) })], question).Single();
        Assert.EndsWith("up to 1.3 may be: 0.1 mm too much.", fit.Criteria.Single(c => c.Name == CriterionName.Large).Reason, StringComparison.Ordinal);
    }

    /// <summary>List, sentences, chances without doubt, headline and drawing of one muzzle say the same, whatever it is.</summary>
    [Property(MaxTest = 200)]
    public bool Everything_said_of_a_muzzle_is_one_judgement(byte eye, byte high, byte wide, bool working, sbyte longer, sbyte deep, sbyte broad, sbyte round)
    {
        var snout = Head(20 + eye % 20, 40 + high % 30, 36 + wide % 30, true);
        var question = Question(snout, new(working ? FitStyle.Working : FitStyle.Everyday, ReadingUnit.Mm));
        var depth = snout.Height.Value + Mm(deep % 40);
        var size = new MuzzleSize(
            "s",
            "S",
            snout.EyeLine.Value + Mm(longer % 25),
            Mm(380),
            Mm(560),
            null,
            null,
            depth,
            depth,
            snout.Width.Value + Mm(14 + broad % 25),
            null,
            BasketFit.NeededGirth(snout, question.Brief.NeededGape) * (1.1 + round % 60 / 100.0)
        );
        return AllAgree(Ranking.Rank([Model(size)], question).Single());
    }

    private static bool AllAgree(RankedFit fit)
    {
        var hard = fit.Criteria.Where(c => !c.IsSoft).ToList();
        var drawing = FitDrawing.Of(fit);
        var rooms = drawing.Dimensions.ToDictionary(d => d.Name, d => d.Value.Millimeters);
        var seat = hard.Single(c => c.Name == CriterionName.Seat);
        var chin = hard.Single(c => c.Name == CriterionName.ChinRoom);
        var out_ = fit.Verdict == Verdict.Out;
        return fit.Verdict == hard.Max(c => c.Outcome).Verdict()
            && fit.Deciding.Verdict == fit.Verdict
            && hard.All(c =>
                (c.Outcome == Outcome.Missed)
                    == SaidOfAMiss.Take(1).Concat(["may not", "no forehead strap"]).Any(w => c.Reason.Contains(w, StringComparison.Ordinal))
                || c.Name == CriterionName.Large
            )
            && fit.Chance == (out_ ? 0 : 1)
            && hard.All(c => c.Chance is null || c.Chance == (c.Outcome is Outcome.Holds or Outcome.JustHolds ? 1 : 0))
            && Headline.Of(fit).Says.StartsWith("out", StringComparison.Ordinal) == out_
            && (out_ || Remedies.For(fit, []).Count == 0)
            && Math.Abs(rooms["noseRoom"] - seat.Value!.Value.Millimeters) < 1e-9
            && Math.Abs(rooms["chinRoom"] - chin.Value!.Value.Millimeters) < 1e-9;
    }
}
