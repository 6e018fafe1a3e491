using System.Text.Json;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Tests.Conditioning;

public class TrainingPlanTests
{
    private static readonly DogProfile Plain = new() { Name = "Bracken", Purposes = [Purpose.Walks] };

    /// <summary>What each step needs, by whatever way.</summary>
    private static readonly Dictionary<string, HashSet<string>> Needs = AllNeeds();

    private static Dictionary<string, HashSet<string>> AllNeeds()
    {
        var needs = Step.All.ToDictionary(s => s.Id, s => s.After.ToHashSet());
        for (var grown = true; grown; )
        {
            var before = needs.Values.Sum(n => n.Count);
            foreach (var set in needs.Values)
                set.UnionWith(set.SelectMany(n => needs[n]).ToList());
            grown = needs.Values.Sum(n => n.Count) > before;
        }

        return needs;
    }

    private static List<string> Ids(DogProfile dog) => [.. TrainingPlan.For(dog).Steps.Select(s => s.Step.Id)];

    [Fact]
    public void The_default_school_has_steps_for_every_stage()
    {
        Assert.True(TrainingPlan.For(Plain).Steps.Count >= 25);
        Assert.Equal(Enum.GetValues<Stage>(), Step.All.Select(s => s.Stage).Distinct());
        Assert.Equal(24, Sign.All.Count);
        Assert.All(Enum.GetValues<SignGroup>(), g => Assert.Contains(Sign.All, s => s.Group == g));
    }

    [Fact]
    public void Every_step_comes_after_its_prerequisites_in_every_plan()
    {
        var dogs =
            from t in Enum.GetValues<Temperament>()
            from s in Enum.GetValues<Sensitivity>()
            from p in Enum.GetValues<Purpose>()
            select Plain with
            {
                Temperament = t,
                Sensitivities = [s],
                Purposes = [p],
            };
        Assert.All(
            dogs,
            dog =>
            {
                var plan = Ids(dog);
                foreach (var step in Step.All.Where(s => plan.Contains(s.Id)))
                    Assert.All(
                        step.After.Where(plan.Contains),
                        before => Assert.True(plan.IndexOf(before) < plan.IndexOf(step.Id), $"{before} before {step.Id}")
                    );
            }
        );
    }

    /// <summary>For every school, kind of dog and policy the plan's order satisfies every need, that of a step left out included.</summary>
    [Fact]
    public void In_every_school_every_step_comes_after_what_it_needs()
    {
        var dogs =
            from school in School.All
            from t in Enum.GetValues<Temperament>()
            from s in Enum.GetValues<Sensitivity>()
            from shape in Enum.GetValues<HeadShape>()
            select (School: school, Dog: Plain with { Temperament = t, Sensitivities = [s], HeadShapeSeen = shape, Purposes = Enum.GetValues<Purpose>() });
        Assert.All(
            dogs,
            d =>
            {
                var plan = TrainingPlan.For(d.Dog, d.School).Steps.Select(p => p.Step.Id).ToList();
                Assert.Equal(plan.Count, plan.Distinct().Count());
                foreach (var (place, id) in plan.Index())
                    Assert.All(Needs[id].Where(plan.Contains), need => Assert.True(plan.IndexOf(need) < place, $"{d.School.Name}: {need} before {id}"));
            }
        );
    }

    [Fact]
    public void Schools_differ_in_steps_words_and_policies()
    {
        var plans = School.All.Select(s => TrainingPlan.For(Plain, s)).ToList();
        Assert.Equal(8, plans.Count);
        Assert.Equal(
            plans.Count,
            plans
                .Select(p =>
                    string.Join(",", p.Steps.Select(s => s.Step.Id + s.Step.SetUp + s.Step.Reward)) + string.Join(",", p.Policies.Select(o => o.OptionId))
                )
                .Distinct()
                .Count()
        );
        Assert.InRange(Step.All.Count, 60, 75);
        Assert.All(plans, p => Assert.Equal(Enum.GetValues<PolicyTopic>(), p.Policies.Select(o => o.Topic)));
        Assert.All(
            School.All,
            s => Assert.All(s.Words, w => Assert.Contains(Step.Find(w.Key)!, TrainingPlan.For(Plain, s).Steps.Select(p => Step.Find(p.Step.Id)!)))
        );
        var cup = plans[(int)SchoolId.MealtimeCup];
        Assert.Contains(cup.Steps, s => s.Step.Id == "cup-meal");
        Assert.Equal("\"Mealtime cup\" does without it.", Words.Conditioning.WhyLeftOut(cup.LeftOut.Single(l => l.Id == "nose-in-cup"), cup));
        Assert.Equal("Only in \"Mealtime cup\".", Words.Conditioning.WhyLeftOut(plans[0].LeftOut.Single(l => l.Id == "cup-meal"), plans[0]));
        Assert.Contains("smear", plans[(int)SchoolId.TastyFloor].Steps.Single(s => s.Step.Id == "muzzle-appears").Step.SetUp, StringComparison.Ordinal);
    }

    [Fact]
    public void What_not_every_dog_has_so_says_why()
    {
        static string? Why(string step, DogProfile? dog = null, SchoolId school = SchoolId.GoodNewsFirst)
        {
            var plan = TrainingPlan.For(dog ?? Plain, School.Of(school));
            return Words.Conditioning.WhyHere(plan.Steps.Single(s => s.Step.Id == step).Step, plan);
        }

        Assert.Null(Why("touch-it"));
        Assert.Equal("Extra: it is trained for the clinic.", Why("clinic-table", Plain with { Purposes = [Purpose.Walks, Purpose.Clinic] }));
        Assert.Equal(
            "Extra: it is afraid of people near it; it had a bad time with a muzzle.",
            Why("muzzle-carried", Plain with { Temperament = Temperament.Soured, Sensitivities = [Sensitivity.PeopleNear] })
        );
        Assert.Equal("Extra in \"Tasty floor\".", Why("lick-floor", school: SchoolId.TastyFloor));
        Assert.Equal("Done the way of \"Tasty floor\".", Why("touch-it", school: SchoolId.TastyFloor));
        Assert.Equal(
            "Extra: it is afraid of people near it.",
            Why("target-on-stand", Plain with { Sensitivities = [Sensitivity.PeopleNear] }, SchoolId.LeftAlone)
        );

        // Whatever the dog and the school: what the usual plan of a plain dog lacks is told, and the rest is not called extra.
        var usual = TrainingPlan.For(Plain).Steps.Select(s => s.Step.Id).ToHashSet();
        Assert.All(
            from school in School.All
            from temperament in Enum.GetValues<Temperament>()
            from minds in Enum.GetValues<Sensitivity>()
            let plan = TrainingPlan.For(Plain with { Temperament = temperament, Sensitivities = [minds], Purposes = Enum.GetValues<Purpose>() }, school)
            from planned in plan.Steps
            select (planned.Step, Why: Words.Conditioning.WhyHere(planned.Step, plan)),
            s =>
            {
                Assert.True(usual.Contains(s.Step.Id) || s.Why?.StartsWith("Extra", StringComparison.Ordinal) == true, s.Step.Id);
                Assert.DoesNotContain(": .", s.Why ?? "", StringComparison.Ordinal);
            }
        );
    }

    [Fact]
    public void A_policy_is_the_persons_before_the_dogs_before_the_schools()
    {
        Policy Of(PolicyTopic topic, DogProfile dog, SchoolId school, string? chosen = null) =>
            TrainingPlan
                .For(dog, School.Of(school), chosen is null ? null : new Dictionary<PolicyTopic, string> { [topic] = chosen })
                .Policies.Single(p => p.Topic == topic);
        var clicks = Plain with { Sensitivities = [Sensitivity.Clicks] };
        Assert.Equal("clicker", Of(PolicyTopic.Marker, Plain, SchoolId.OwnChoice).OptionId);
        Assert.Equal(
            ("word", "It minds clicks."),
            (Of(PolicyTopic.Marker, clicks, SchoolId.OwnChoice).OptionId, Of(PolicyTopic.Marker, clicks, SchoolId.OwnChoice).Reason)
        );
        Assert.StartsWith(
            "Chosen for this dog.",
            Words.Conditioning.Told(Of(PolicyTopic.Marker, clicks, SchoolId.OwnChoice, "clip")).Reason,
            StringComparison.Ordinal
        );
        Assert.Equal("word", Of(PolicyTopic.Marker, clicks, SchoolId.OwnChoice, "no-such").OptionId);
        Assert.Equal("stepBack", Of(PolicyTopic.OnPawing, Plain with { Temperament = Temperament.Wary }, SchoolId.HiddenTreat).OptionId);
    }

    [Fact]
    public void Purposes_choose_the_last_steps()
    {
        Assert.Contains("walk-meet", Ids(Plain));
        Assert.DoesNotContain("clinic-table", Ids(Plain));
        var clinic = Plain with { Purposes = [Purpose.Clinic] };
        Assert.Contains("clinic-table", Ids(clinic));
        Assert.Equal(
            "Only for walks.",
            Words.Conditioning.WhyLeftOut(TrainingPlan.For(clinic).LeftOut.Single(s => s.Id == "walk-meet"), TrainingPlan.For(clinic))
        );
    }

    [Fact]
    public void Temperament_and_sensitivities_reorder_and_annotate()
    {
        var clicks = Ids(Plain with { Sensitivities = [Sensitivity.Clicks] });
        Assert.True(clicks.IndexOf("click-far") < clicks.IndexOf("look-at-it"));
        Assert.True(clicks.IndexOf("click-near") > clicks.IndexOf("touch-it") && clicks.IndexOf("click-near") < clicks.IndexOf("nose-at-rim"));
        Assert.True(Ids(Plain).IndexOf("click-near") > Ids(Plain).IndexOf("hold-long"));
        Assert.Contains("new-look", Ids(Plain with { Temperament = Temperament.Soured }));
        Assert.DoesNotContain("odd-objects", Ids(Plain with { Temperament = Temperament.Bold }));
        Assert.Contains("shallow-cup", Ids(Plain with { HeadShapeSeen = HeadShape.Short }));
        var snatchy = TrainingPlan.For(Plain with { Sensitivities = [Sensitivity.Snatchy] });
        Assert.Contains("squeeze tube", snatchy.Steps.Single(s => s.Step.Id == "touch-it").Notes.Single(), StringComparison.Ordinal);
        var ill = TrainingPlan.For(Plain with { Health = [HealthNote.Ill, HealthNote.AirwayTrouble] });
        Assert.StartsWith("Its own food as treats", ill.Steps.Single(s => s.Step.Id == "rank-treats").Notes.Single(), StringComparison.Ordinal);
        Assert.Contains("stop at noisy breathing", ill.Steps.Single(s => s.Step.Id == "worn-still").Notes.Single(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Temperament.Bold, "Wait for the pause")]
    [InlineData(Temperament.Wary, "Off at once")]
    public void The_pawing_policy_follows_the_dog(Temperament temperament, string choice) =>
        Assert.StartsWith(
            choice,
            TrainingPlan.For(Plain with { Temperament = temperament }).Policies.Single(p => p.Topic == PolicyTopic.OnPawing).Choice,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_step_that_left_the_plan_counts_as_the_next_one()
    {
        var plan = TrainingPlan.For(Plain);
        Assert.Equal(plan.IndexOf("nose-in-cup"), plan.IndexOf("odd-objects"));
        Assert.Equal(0, plan.IndexOf("no-such-step"));
    }

    [Fact]
    public void What_is_passed_is_what_is_on_record()
    {
        var plan = TrainingPlan.For(Plain);
        HashSet<string> all = [.. plan.Steps.Select(s => s.Step.Id)];
        Assert.Equal(
            (0, 0, false),
            (plan.PassedShare(new HashSet<string>(), true), plan.PassedShare(new HashSet<string>(), false), plan.WearsIt(new HashSet<string>()))
        );
        Assert.Equal((1, 1, true), (plan.PassedShare(all, true), plan.PassedShare(all, false), plan.WearsIt(all)));
        Assert.True(plan.WearsIt(all.Except(["happy-wear"]).ToHashSet()));
        Assert.Equal("happy-wear", plan.NextAfter(all.Except(["happy-wear"]).ToHashSet())!.Id);
        Assert.Equal("touch-it", plan.NextAfter(all.Except(["touch-it", "worn-still"]).ToHashSet())!.Id);
        Assert.Null(plan.NextAfter(all));
    }

    [Fact]
    public void Every_step_has_three_easier_rungs_none_of_them_its_own_target()
    {
        Assert.All(Step.All, s => Assert.Equal(3, s.Easier.Distinct().Except(s.Targets.Select(Words.Conditioning.Target)).Count()));
        Assert.Equal("nearly all the way, marked as it arrives", Words.Conditioning.Target(Step.Find("hold-short")!, -2));
        Assert.Null(Step.Find("hold-short")!.HoldOf(-1));
        Assert.Equal((-3, 3), (Step.Find("hold-short")!.Within(-9), Step.Find("hold-short")!.Within(99)));
    }

    [Fact]
    public void A_drawing_shows_nothing_that_comes_later_in_the_course()
    {
        Assert.All(
            Step.All,
            s =>
            {
                var scene = s.Sketch;
                if (s.Stage < Stage.NoseIn && scene.Thing == SceneThing.Muzzle)
                    Assert.True(scene.Place is ScenePlace.AtTheSide or ScenePlace.BeforeTheNose, s.Id);
                if (s.Stage < Stage.SoundsAndHands)
                    Assert.False(scene.Hand is SceneHand.BehindTheHead or SceneHand.AtTheCheek or SceneHand.AtTheStrap, s.Id);
                if (s.Stage < Stage.FirstFastening)
                {
                    Assert.False(scene.Worn, s.Id);
                    Assert.False(scene.Strap is SceneStrap.Closed or SceneStrap.ClosedLoosely or SceneStrap.Snug, s.Id);
                }

                // A muzzle in somebody's hand is never held towards the face of a dog that stands there.
                if (scene.Person is { Holds: SceneHolds.Muzzle } person)
                    Assert.False(scene.Worn || person.Behind, s.Id);
            }
        );
    }

    [Fact]
    public void A_drawing_of_a_head_is_told_in_a_sentence_and_one_of_a_whole_dog_by_its_set_up()
    {
        Assert.All(
            Step.All,
            s =>
            {
                var says = Words.Conditioning.Sketch(s.Sketch);
                Assert.Equal(s.Sketch.Stand is null, says is not null);
                if (says is null)
                    return;
                Assert.EndsWith(".", says, StringComparison.Ordinal);
                Assert.DoesNotContain(", ,", says, StringComparison.Ordinal);
                Assert.Equal(s.Sketch.Hand == SceneHand.Below, says.Contains("held from below", StringComparison.Ordinal));
            }
        );
        string? Says(string id) => Words.Conditioning.Sketch(Step.Find(id)!.Sketch);
        Assert.Equal("The muzzle before its nose, which comes to it, held from below, the treat at the rim.", Says("touch-it"));
        Assert.Equal("A hand behind the head, the treat at its mouth.", Says("neck-rub"));
        Assert.Equal("The muzzle with the nose all the way in, a hand at the strap, the strap closed, the treat through the front.", Says("first-close"));
    }

    public static TheoryData<HeadShape, Fur, string> Drawn =>
        new()
        {
            { HeadShape.Short, Fur.Smooth, "#d8c7a4" },
            { HeadShape.Medium, Fur.Rough, "#1d1a1a" },
            { HeadShape.Long, Fur.Long, "#7a5a38" },
        };

    [Theory]
    [MemberData(nameof(Drawn))]
    public void Every_step_has_a_drawing_and_neighbours_look_different(HeadShape shape, Fur fur, string coat)
    {
        var snout = HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = shape }, null);
        var look = new HeadLook(Ears.Drop, 0.3, fur, CoatPattern.Plain, CoatHex: coat);
        var drawings = Step.All.Select(s => HeadPortrait.In(snout, look, s.Sketch)).ToList();
        string Seen(HeadPortrait drawing) => string.Join('|', drawing.Fields.Select(f => f.D + f.Fill));
        // The same dog in another step: all that differs is the step.
        Assert.All(drawings.Zip(drawings.Skip(1)), pair => Assert.NotEqual(Seen(pair.First), Seen(pair.Second)));
        Assert.Equal(drawings.Count, drawings.Select(Seen).Distinct().Count());
        // It comes over a phone's line before a session.
        Assert.All(drawings, d => Assert.InRange(JsonSerializer.Serialize(d).Length, 1_000, 20_000));
        Assert.All(drawings, d => Assert.Equal(HeadPortrait.SceneSize, Math.Max(d.Width, d.Height)));
    }

    [Fact]
    public void Targets_speak_and_holds_have_times()
    {
        var hold = Step.All.Single(s => s.Id == "hold-short");
        Assert.Equal("3 s", Words.Conditioning.Target(hold, 2));
        Assert.Equal(new Hold(TimeSpan.FromSeconds(3)), hold.Targets[2]);
        Assert.Equal(new Depth(UnitsNet.Length.FromCentimeters(2)), Step.Find("nose-at-rim")!.Targets[1]);
        Assert.Equal(new Times(5), Step.Find("look-at-it")!.Targets[0]);
        Assert.Equal(new Situation("another room"), Step.Find("muzzle-around")!.Targets[1]);
        Assert.Equal(TimeSpan.FromSeconds(3), hold.HoldOf(2));
        Assert.Equal("closed and off again", Words.Conditioning.Target(Step.Find("first-close")!, 0));
        Assert.Equal("5 min", Words.Conditioning.Target(Step.Find("worn-minutes")!, 1));

        // What was trained on a former ladder is read by it.
        var before = Step.Find("first-close")!.In(Edition.First);
        Assert.Equal(("5 times", 2, StepKind.Repeat), (Words.Conditioning.Target(before, 2), before.TopTarget, before.KindAt(2)));
        Assert.Equal((StepKind.Once, StepKind.Repeat), (Step.Find("first-close")!.KindAt(0), Step.Find("first-close")!.KindAt(-1)));
        Assert.Equal(Stage.NoseIn, Step.Find("shallow-cup")!.In(Edition.First).Stage);
        Assert.Null(Step.All.Single(s => s.Id == "first-close").HoldOf(0));
        Assert.Equal("2 cm", Words.Conditioning.Target(Step.All.Single(s => s.Id == "nose-at-rim"), 1));
    }

    /// <summary>
    /// All that was asked went well, and yet no click was ever heard, no hand felt, no stranger near: of every combination of fears, each step that meets one is either tried itself or not left out, and
    /// the plan begins at the first of them.
    /// </summary>
    [Fact]
    public void A_fear_is_left_out_only_where_it_was_tried_itself()
    {
        Sensitivity[] fears = [Sensitivity.Clicks, Sensitivity.HandsBehindHead, Sensitivity.PeopleNear, Sensitivity.OddObjects];
        for (var some = 1; some < 1 << fears.Length; some++)
        {
            var dog = Plain with { Sensitivities = [.. fears.Where((_, i) => (some >> i & 1) == 1)] };
            foreach (var school in School.All)
            {
                var plan = TrainingPlan.For(dog, school);
                var tries = WhereToBegin.Tries(plan, Temperament.Bold);
                for (var wentWell = 0; wentWell <= tries.Count; wentWell++)
                {
                    var (begin, skipped) = WhereToBegin.After(plan, Temperament.Bold, wentWell);
                    var tried = tries.Take(wentWell).Select(s => s.Id).ToList();
                    Assert.DoesNotContain(skipped, s => s.MeetsFearOf(dog) && !tried.Contains(s.Id));
                    Assert.DoesNotContain(skipped, s => s.Id == begin.Id);
                    Assert.Equal(begin.Id, plan.NextAfter(skipped.Select(s => s.Id).ToHashSet())!.Id);
                }
            }
        }

        // Every fear there is has steps that meet it.
        Assert.All(fears, f => Assert.Contains(Step.All, s => s.Meets?.Contains(f) == true));
    }

    /// <summary>Nothing went well: at the start. Some did: one stage before the hesitation. All did: at the last stage asked, never beyond.</summary>
    [Theory]
    [InlineData(Temperament.Typical, 0, Stage.Ready)]
    [InlineData(Temperament.Typical, 1, Stage.Ready)]
    [InlineData(Temperament.Typical, 4, Stage.ComeToIt)]
    [InlineData(Temperament.Typical, 8, Stage.SoundsAndHands)]
    [InlineData(Temperament.Typical, 99, Stage.SoundsAndHands)]
    [InlineData(Temperament.Wary, 99, Stage.ComeToIt)]
    public void A_dog_begins_one_stage_before_it_hesitates(Temperament temperament, int wentWell, Stage at)
    {
        var plan = TrainingPlan.For(Plain with { Temperament = temperament });
        var (begin, skipped) = WhereToBegin.After(plan, temperament, wentWell);
        Assert.Equal(at, begin.Stage);
        Assert.Equal(plan.Steps.Select(s => s.Step).TakeWhile(s => s.Stage < at), skipped);
        Assert.All(WhereToBegin.Tries(plan, temperament), s => Assert.True(s.Stage <= (temperament.IsFearful() ? Stage.ComeToIt : Stage.SoundsAndHands)));
    }
}
