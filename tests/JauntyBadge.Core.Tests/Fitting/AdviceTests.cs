using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>What a fitter reads at a glance must be right without the small print.</summary>
public class AdviceTests
{
    private static readonly WearPlan Minute = new(TimeSpan.FromMinutes(5), false);

    private static DogProfile Dog(HeadShape shape = HeadShape.Medium, params Purpose[] purposes) =>
        new()
        {
            Name = "Bracken",
            HeadShapeSeen = shape,
            BodyMass = Mass.FromKilograms(28),
            Purposes = purposes.Length > 0 ? purposes : [Purpose.Walks],
        };

    private static IReadOnlyList<RankedFit> Rank(DogProfile dog, BriefQuestion? asked = null, SnoutNumbers? head = null)
    {
        var snout = SnoutModel.From((head ?? Medium(98, 80, 73)) with { HeadShape = dog.HeadShape.Shape });
        return Ranking.Rank(Catalogue.Shipped, new FitQuestion(snout, MuzzleBrief.For(dog, asked ?? new()), Mm(16)) { Draws = Draws(snout, 300) });
    }

    private static bool AnyServes(IReadOnlyList<RankedFit> ranked, MuzzleType type) => ranked.Any(f => f.Model.Type == type && f.Verdict != Verdict.Out);

    public static TheoryData<string, DogProfile, BriefQuestion, bool> Sleeves =>
        new()
        {
            {
                "a veterinary minute",
                Dog(purposes: Purpose.Clinic),
                new() { Wear = Minute },
                true
            },
            {
                "a second beyond the cap",
                Dog(purposes: Purpose.Clinic),
                new() { Wear = Minute with { Longest = TimeSpan.FromSeconds(301) } },
                false
            },
            {
                "an hour",
                Dog(purposes: Purpose.Clinic),
                new() { Wear = Minute with { Longest = TimeSpan.FromMinutes(60) } },
                false
            },
            {
                "warmth",
                Dog(purposes: Purpose.Clinic),
                new() { Wear = Minute with { Warm = true } },
                false
            },
            {
                "a bite that injured",
                Dog(purposes: Purpose.Clinic) with
                {
                    BiteTier = BiteTier.Injured,
                },
                new() { Wear = Minute },
                false
            },
            {
                "the same in the clinic's hands",
                Dog(purposes: Purpose.Clinic) with
                {
                    BiteTier = BiteTier.Injured,
                },
                new() { Wear = Minute, ClinicHands = true },
                true
            },
            {
                "airway trouble",
                Dog(purposes: Purpose.Clinic) with
                {
                    Health = [HealthNote.AirwayTrouble],
                },
                new() { Wear = Minute, ClinicHands = true },
                false
            },
            {
                "a flat-faced breed seen as medium",
                Dog(purposes: Purpose.Clinic) with
                {
                    Breeds = [BreedList.Shipped.Find("pug")!],
                },
                new() { Wear = Minute },
                false
            },
            {
                "vomiting",
                Dog(purposes: Purpose.Clinic) with
                {
                    Health = [HealthNote.ProneToVomiting],
                },
                new() { Wear = Minute, ClinicHands = true },
                false
            },
            {
                "sedation",
                Dog(purposes: Purpose.Clinic) with
                {
                    Health = [HealthNote.SedatedAtClinic],
                },
                new() { Wear = Minute },
                false
            },
            {
                "sedation in the clinic's hands",
                Dog(purposes: Purpose.Clinic) with
                {
                    Health = [HealthNote.SedatedAtClinic],
                },
                new() { Wear = Minute, ClinicHands = true },
                true
            },
        };

    [Theory]
    [MemberData(nameof(Sleeves))]
    public void A_sleeve_serves_only_where_it_may(string what, DogProfile dog, BriefQuestion asked, bool serves)
    {
        Assert.NotEmpty(what);
        var ranked = Rank(dog, asked);
        Assert.Equal(serves, AnyServes(ranked, MuzzleType.Sleeve));

        // Whatever is written, it is overruled by no note.
        var rules = BriefRule.All.ToDictionary(r => r.Id, _ => "I say so.");
        Assert.Equal(serves, AnyServes(Rank(dog, asked with { Overruled = rules }), MuzzleType.Sleeve));
        Assert.All(
            ranked.Where(f => f.Model.Type == MuzzleType.Sleeve),
            f =>
            {
                Assert.NotEqual(Verdict.Fits, f.Verdict);
                Assert.DoesNotContain("fits", Headline.Of(f).Says, StringComparison.Ordinal);
                Assert.All(
                    new[] { CriterionName.Gape, CriterionName.Heat },
                    name => Assert.Contains(f.Criteria, c => c.Name == name && c.Reason.Contains("held shut", StringComparison.Ordinal))
                );
                Assert.DoesNotContain(f.Criteria, c => c.Reason.Contains("Treats go through", StringComparison.Ordinal));
            }
        );
    }

    [Theory]
    [InlineData(15, false, true)]
    [InlineData(16, false, false)]
    [InlineData(120, true, false)]
    [InlineData(15, true, false)]
    public void A_face_cover_is_out_beyond_its_cap_and_in_warmth(int minutes, bool warm, bool serves)
    {
        var head = new SnoutNumbers
        {
            NoseToInnerEyeLeft = Mm(40),
            NoseToInnerEyeRight = Mm(40),
            SnoutGirth = Mm(215),
            SnoutHeight = Mm(52),
            SnoutWidth = Mm(67),
            NeckGirth = Mm(380),
        };
        var ranked = Rank(Dog(HeadShape.Short, Purpose.Clinic), new() { Wear = new(TimeSpan.FromMinutes(minutes), warm) }, head);
        Assert.Equal(serves, AnyServes(ranked, MuzzleType.FaceCover));
        if (!serves && !warm)
            Assert.Contains(
                "16 minutes; a face cover is worn 15 at most",
                ranked.First(f => f.Model.Type == MuzzleType.FaceCover).Deciding.Reason,
                StringComparison.Ordinal
            );
    }

    /// <summary>Neck 394, head 420: what is told is the loop of the hole that will be marked, not the one the finger rule asks for.</summary>
    [Fact]
    public void Slip_off_is_judged_at_the_setting_that_will_be_marked()
    {
        var numbers = Medium(98, 80, 73) with { NeckGirth = Mm(394), HeadGirth = Mm(420) };
        var loop = NeckStrap.Loop(Mm(394), 2, Mm(16));
        var withy = Catalogue.Shipped.Single(m => m.Id == "withy");
        var snout = SnoutModel.From(numbers);
        var question = new FitQuestion(snout, MuzzleBrief.For(Dog(), new()), Mm(16));
        foreach (var min in new[] { 331.0, 335, 341, 345 })
        {
            var size = withy.Sizes[4] with { NeckStrapMin = Mm(min), NeckStrapMax = Mm(min + 220) };
            var fit = Ranking.Judge(withy, size, question);
            var marked = fit.Strap!;
            Assert.True((marked.Loop - loop).Abs() <= Mm(10 + 1e-9));
            var slip = fit.Criteria.Single(c => c.Name == CriterionName.SlipOff);
            Assert.Equal(420 - marked.Loop.Millimeters, slip.Margin!.Value.Millimeters, 6);
            Assert.Equal(
                slip.Margin < Length.Zero ? Verdict.Marginal
                    : slip.Margin < Mm(2) ? Verdict.Marginal
                    : Verdict.Fits,
                slip.Verdict
            );
            var other = fit.OtherStrap;
            Assert.Equal((marked.Loop - loop).Abs() >= Mm(2), other is not null);
            if (other is not null)
                Assert.True((marked.Loop - loop).Millimeters * (other.Loop - loop).Millimeters < 0);
        }
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void The_fingers_under_a_loop_are_those_it_was_made_for(int fingers)
    {
        Assert.Equal(fingers, NeckStrap.FingersUnder(Mm(430), NeckStrap.Loop(Mm(430), fingers, Mm(16)), Mm(16)));
        var between = (NeckStrap.Loop(Mm(430), fingers, Mm(16)) + NeckStrap.Loop(Mm(430), fingers + 1, Mm(16))) / 2;
        Assert.Equal(fingers + 0.5, NeckStrap.FingersUnder(Mm(430), between, Mm(16)));
        Assert.Equal(NeckStrap.MostFingers, NeckStrap.FingersUnder(Mm(430), Mm(600), Mm(16)));
    }

    /// <summary>
    /// List and wear page are one judge: what the list offers is worn, what it rules out for good is not, whoever kept it; and what came to be missed since it was
    /// kept is not worn either, with the list's own reason.
    /// </summary>
    [Fact]
    public void What_the_list_rules_out_is_not_worn()
    {
        foreach (var head in new[] { Medium(98, 80, 73), Medium(62, 48, 44), Medium(118, 88, 70) })
        {
            foreach (var fit in Rank(Dog(), head: head))
            {
                var kept = KeptFit.Of(fit, "All the same.", "any", toTrainIn: false);
                var against = kept.Against(fit);
                Assert.Equal(fit.CanBePushedIn || fit.Criteria.Any(c => c.CannotBeOverruled), against is not null);
                if (fit.MayBeWorn)
                    Assert.Null(against);
                if (against is not null)
                    Assert.Null(Headline.Of(fit).Chance);
            }

            // The same dog, once it has bitten deep: each size that came to be out is not worn, in the list's own words.
            var (before, now) = (Rank(Dog(), head: head), Rank(Dog() with { BiteTier = BiteTier.SeveralOrDeep }, head: head).ToDictionary(f => f.Size.Id));
            foreach (var fit in before.Where(f => f.MayBeWorn))
            {
                var against = KeptFit.Of(fit, null, "any", toTrainIn: false).Against(now[fit.Size.Id]);
                Assert.Equal(!now[fit.Size.Id].MayBeWorn, against is not null);
                if (against is not null)
                    Assert.Contains(now[fit.Size.Id].Criteria, c => c.Reason == against.Reason);
            }
        }
    }

    [Fact]
    public void What_could_not_be_checked_stands_in_the_same_line_and_nothing_is_ever_wholly_sure()
    {
        var noNeck = Rank(Dog(), head: Medium(98, 80, 73) with { NeckGirth = null });
        Assert.All(
            noNeck.Where(f => f.Verdict != Verdict.Out),
            f =>
            {
                var line = Headline.Of(f);
                Assert.Contains("neck strap and slip-off not checked", line.Says, StringComparison.Ordinal);
                Assert.StartsWith(f.CanBePushedIn ? "it can be pushed into the eyes" : "sure of what was checked", line.Says, StringComparison.Ordinal);
                Assert.Equal(f.CanBePushedIn, line.Chance is null);
            }
        );
        Assert.All(Rank(Dog()), f => Assert.True(Headline.Of(f) is { Chance: not "100 %" } line && (f.Verdict != Verdict.Out || line.Chance is null)));
        Assert.All(Rank(Dog()).Where(f => f.Verdict == Verdict.Out), f => Assert.StartsWith("out", Headline.Of(f).Says, StringComparison.Ordinal));
    }

    /// <summary>A bucket for a basket: 31 mm under the jaw beyond need is a warning, 61 mm no fit.</summary>
    [Theory]
    [InlineData(29, Verdict.Fits)]
    [InlineData(31, Verdict.Marginal)]
    [InlineData(59, Verdict.Marginal)]
    [InlineData(61, Verdict.Out)]
    public void A_basket_that_hangs_is_large(double beyond, Verdict verdict)
    {
        var snout = SnoutModel.From(Medium(100, 80, 72) with { SnoutGirth = Mm(330) });
        var seat = SeatOf(snout, Box(100, 200));
        var least = Enumerable
            .Range(0, 2000)
            .Select(i => 80 + i * 0.1)
            .First(depth => Gape.FloorRoom(snout, Box(100, depth), seat, Angle.FromDegrees(15)).Millimeters >= 3);
        var criterion = BasketFit
            .Assess(snout, Box(100, least + beyond) with { OpeningGirth = Mm(420) }, Everyday())
            .Criteria.Single(c => c.Name == CriterionName.Large);
        Assert.Equal(verdict, criterion.Verdict);
    }

    [Fact]
    public void A_training_muzzle_is_picked_by_its_own_rule_and_says_what_it_is_for()
    {
        var training = TrainingMuzzle.From(Rank(Dog() with { Temperament = Temperament.Wary }));
        Assert.NotEmpty(training);
        Assert.All(
            training,
            t =>
            {
                Assert.True(TrainingMuzzle.IsLight(t.Fit.Model));
                Assert.InRange(t.SizesUp, 1, 2);
                Assert.Contains("For training only", Words.Fitting.Of(t), StringComparison.Ordinal);
                Assert.True(t.Fit.Size.Mass is null || t.Fit.Size.Mass <= Mass.FromGrams(420));
                Assert.True(t.Fit.Assessment!.Gape >= FitRules.FullPant.Ours);
            }
        );
    }

    [Fact]
    public void A_basket_inside_the_eye_window_is_not_called_too_long()
    {
        var ranked = Rank(Dog());
        var symptom = Symptom.Find("rides-into-eyes")!;
        foreach (var fit in ranked.Where(f => f.Assessment is { } a && a.Criteria.Single(c => c.Name == CriterionName.Seat).Verdict != Verdict.Out))
            Assert.NotEqual(true, TryOn.Diagnose(symptom, fit, fit.Strap, ranked).Single(d => d.Cause.Id == "too-long").Likely);
    }

    [Fact]
    public void Means_of_different_tools_are_weighted_by_their_variances()
    {
        Reading By(Tool tool, double mm) => new(Measure.SnoutWidth, null, Mm(mm), ReadingUnit.Mm, tool);
        var caliper = Uncertainty.MeanOf([By(Tool.Caliper, 70)], Coat.Ordinary, HouseRules.Ours);
        var text = Uncertainty.MeanOf([By(Tool.String, 76)], Coat.Ordinary, HouseRules.Ours);
        var both = Uncertainty.MeanOf([By(Tool.Caliper, 70), By(Tool.String, 76)], Coat.Ordinary, HouseRules.Ours);
        var (a, b) = (Math.Pow(caliper.StandardUncertainty.Millimeters, -2), Math.Pow(text.StandardUncertainty.Millimeters, -2));
        Assert.Equal((70 * a + 76 * b) / (a + b), both.Mean.Millimeters, 9);
        Assert.Equal(1 / Math.Sqrt(a + b), both.StandardUncertainty.Millimeters, 9);
    }
}
