using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;

namespace JauntyBadge.Data.Demo;

/// <summary>
/// Fills an empty database with the invented practice. Fits come from the real ranking and training records from the real
/// progression rules, played with a seeded generator, so that the demo can hold nothing the product would not do.
/// </summary>
public static class DemoPractice
{
    private const int Seed = 1887;
    private static readonly TimeSpan SetTakes = TimeSpan.FromSeconds(42);

    /// <summary>Adds the dogs with their records, dated relative to now.</summary>
    /// <param name="db">An up-to-date, empty database.</param>
    /// <param name="clock">Tells today and the local time zone.</param>
    /// <param name="cancel">Stops before the records are saved.</param>
    public static async Task FillAsync(PracticeDb db, TimeProvider clock, CancellationToken cancel = default)
    {
        var random = new Random(Seed);
        var rulesId = await db.KeepAsync(HouseRules.Ours, cancel);
        var now = clock.GetUtcNow().UtcDateTime;
        var today = clock.Today();
        foreach (var demo in DemoDog.All(today))
        {
            var dog = demo.Row;
            var story = demo.TrainedUpTo is null ? [] : Train(demo, random);
            var firstDay = story.Count == 0 ? 6 : story[^1].Offset + demo.LastSession + 3;
            dog.CreatedAt = now.AddDays(-Math.Max(firstDay, demo.Earlier is [var oldest, ..] ? oldest.DaysAgo : 0) - 1);
            db.Dogs.Add(dog);

            foreach (var earlier in demo.Earlier ?? [])
                AddSet(db, demo, earlier.Readings, earlier.MassKg, now.AddDays(-earlier.DaysAgo));
            var readings = AddSet(db, demo, demo.Readings, demo.MassThen ?? dog.BodyMassKg, now.AddDays(-(demo.MeasuredDaysAgo ?? firstDay)));
            if (demo.Pictured)
                AddPictures(db, dog.Id, now.AddDays(-2));
            if (demo.Fitted)
                db.Choices.Add(Choose(demo, readings, now.AddDays(-firstDay).AddHours(1), rulesId));

            if (demo.WantedInDays is { } days)
                db.PlanChoices.Add(
                    new PlanChoiceRow
                    {
                        DogId = dog.Id,
                        At = now.AddDays(-4),
                        Days = TrainingWeek.Usual with { By = today.AddDays(days) },
                    }
                );

            // Days in the story count from its beginning; the last session is to fall the wanted number of days ago.
            foreach (var day in story.GroupBy(t => t.Offset))
                Write(db, dog.Id, [.. day], today.AddDays(day.Key - story[^1].Offset - demo.LastSession), now, rulesId);
        }

        foreach (var demo in DemoDog.EarlierLabradors(today, random))
        {
            var at = now.AddDays(-demo.MeasuredDaysAgo!.Value);
            (demo.Row.CreatedAt, demo.Row.ArchivedAt) = (at.AddDays(-1), at.AddDays(120));
            db.Dogs.Add(demo.Row);
            AddSet(db, demo, demo.Readings, demo.Row.BodyMassKg, at);
        }

        DemoFitting.Fill(db, now);
        DemoWearing.Fill(db, now, today, random);
        DemoHandover.Fill(db);
        DemoPeople.Fill(db, now);
        await db.SaveChangesAsync(cancel);
    }

    private static List<ReadingRow> AddSet(PracticeDb db, DemoDog demo, IReadOnlyList<DemoReading> taken, double? massKg, DateTime at)
    {
        if (taken.Count == 0)
            return [];
        var set = new MeasuringSetRow
        {
            Id = Guid.NewGuid(),
            DogId = demo.Row.Id,
            StartedAt = at,
            BodyMassKg = massKg,
            Coat = demo.Row.ToProfile().Coat,
        };
        var readings = Read(demo, set.Id, taken, at);
        db.MeasuringSets.Add(set);
        db.Readings.AddRange(readings);
        return readings;
    }

    private static void AddPictures(PracticeDb db, Guid dogId, DateTime at)
    {
        foreach (var view in Enum.GetValues<PhotoView>())
        {
            var drawn = DemoPicture.Draw(view);
            var photo = new PhotoRow
            {
                Id = Guid.NewGuid(),
                DogId = dogId,
                View = view,
                Width = 1600,
                Height = 1200,
                AddedAt = at.AddMinutes((int)view),
                Marks = new PhotoMarks().Write(),
            };
            if (view == PhotoView.Side)
                photo.Marks = drawn.Marks.Write();
            db.Photos.Add(photo);
            db.Pictures.Add(new PictureRow { OfId = photo.Id, Jpeg = drawn.Jpeg });
        }
    }

    private static List<ReadingRow> Read(DemoDog demo, Guid setId, IReadOnlyList<DemoReading> taken, DateTime at) =>
        [
            .. taken.Select(
                (r, i) =>
                {
                    if (!ReadingParser.TryParse(r.Text, ReadingUnit.Mm, out var parsed, out var problem))
                        throw new InvalidDataException($"{demo.Row.Name}: {problem}");
                    return new ReadingRow
                    {
                        Id = Guid.NewGuid(),
                        DogId = demo.Row.Id,
                        SetId = setId,
                        Measure = r.Measure,
                        Side = r.Side,
                        Millimetres = parsed.Value.Millimeters,
                        Unit = parsed.Unit,
                        AsTaken = parsed.AsTaken,
                        Tool = demo.Tool,
                        TakenBy = "Wren",
                        TakenAt = at.AddMinutes(i),
                        SetAside = r.SetAside,
                    };
                }
            ),
        ];

    private static ChoiceRow Choose(DemoDog demo, List<ReadingRow> readings, DateTime at, string rulesId)
    {
        var profile = demo.Row.ToProfile();
        var used = readings.Where(r => r.SetAside is null).Select(r => r.ToReading()).ToList();
        var assessed = Assessment.Of(
            used,
            new Circumstances
            {
                OtherWays = profile.OtherShapes,
                BodyMass = profile.BodyMass,
                Coat = profile.Coat,
            }
        );
        var snout = assessed.Snout!;
        var question = new FitQuestion(
            snout,
            MuzzleBrief.For(profile, new BriefQuestion { CoatHex = CoatColour.Find(demo.Row.CoatId)?.Hex }),
            FitRules.Finger.Ours
        )
        {
            Draws = SnoutDraws.Of(snout, UncertaintySource.Of(assessed), SnoutDraws.Usual.Ours, new Random(SnoutDraws.Seed)),
        };
        var best = Ranking.Rank(Catalogue.Shipped, question)[0];
        return !best.MayBeWorn
            ? throw new InvalidDataException($"{demo.Row.Name} finds no muzzle: {best.Model.Name} {best.Size.Label}: {best.Deciding.Reason}")
            : ChoiceRow.Of(demo.Row.Id, best, null, at, rulesId);
    }

    /// <summary>One set of the story: the day it fell on, the goes, the signs and what the rule made of it.</summary>
    private sealed record Told(int Offset, SessionPlan Plan, SetRecord Set, IReadOnlyList<string> Signs, Decision Decision);

    /// <summary>A virtual dog of its temperament, trained by the real rules until it came to where the story has it, or to its last session.</summary>
    private static List<Told> Train(DemoDog demo, Random random)
    {
        var (profile, rules) = (demo.Row.ToProfile(), HouseRules.Ours);
        var plan = TrainingPlan.For(profile);
        var session = plan.ForSession(profile.Temperament, GoRule.AsSoonAsClear);
        var goal = plan.IndexOf(demo.TrainedUpTo!);
        var nature = DogNature.Of(profile.Temperament);
        var dog = new VirtualDog(
            nature with
            {
                Learning = nature.Learning * demo.Quick,
            },
            plan.Steps.Count,
            random,
            [.. plan.Steps.Select(s => VirtualTraining.HarderBy(profile.Sensitivities, s.Step.Stage) + (s.Step.Id == demo.HardAt ? 0.5 : 0))]
        );
        var (start, position) = (new DateOnly(2000, 1, 1), new PlanPosition(plan.Steps[0].Step.Id, GoRules.BeginsAt(profile.Temperament, session.Rule, rules)));
        var (told, passed, offset, last) = (new List<Told>(), new HashSet<string>(), 0, 0);
        for (var sessions = 1; ; sessions++)
        {
            var (goes, backs, set) = (0, 0, 0);
            dog.Begin(offset - last);
            last = offset;
            for (var ended = false; !ended; )
            {
                var bad = demo.EndsBadly && plan.IndexOf(position.StepId) >= goal;
                var (record, signs) = Play(dog, plan.IndexOf(position.StepId), session, position, start.AddDays(offset), bad, random);
                goes += record.Goes.Count;
                var decision = Progression.AfterSet(session, record, passed, [.. told.Select(t => t.Set)], (SetTakes * ++set, goes, backs), rules);
                told.Add(new Told(offset, session, record, signs, decision));
                if (decision.Kind == DecisionKind.Passed)
                    passed.Add(record.StepId);
                backs += decision.Kind == DecisionKind.Back ? 1 : 0;
                position = decision.Next ?? position;
                if (bad || decision.Next is null || (!demo.EndsBadly && plan.IndexOf(position.StepId) >= goal))
                    return told;
                ended = decision.EndSession;
            }

            if (sessions >= demo.MostSessions)
                return told;
            offset = Math.Max(offset + (random.NextDouble() < 0.7 ? 1 : 2), (position.NotBefore?.DayNumber ?? 0) - start.DayNumber);
        }
    }

    /// <summary>Goes until the set is decided, with the signs that were tapped; on a bad day one too many.</summary>
    private static (SetRecord Set, IReadOnlyList<string> Signs) Play(
        VirtualDog dog,
        int place,
        SessionPlan plan,
        PlanPosition position,
        DateOnly day,
        bool bad,
        Random random
    )
    {
        var (goes, signs) = (new List<bool>(), new List<(int After, Sign Sign)>());
        var step = Step.Find(position.StepId)!;
        var asked = position.At.HoldOn(step);
        while (true)
        {
            var (good, shown) = dog.Go(place, step.Level(position.At), step.TopTarget, asked is not null);
            goes.Add(good && !bad);
            if (bad && goes.Count == 2)
                signs.AddRange([(2, Sign.Find("lip-lick")!), (2, Sign.Find("freezes")!)]);
            else if (shown > SignGroup.AtEase || (signs.Count == 0 && random.NextDouble() < 0.2))
                signs.Add((goes.Count, OneOf(shown, random)));
            var set = new SetRecord(position.StepId, position.At, day, [.. goes], [.. signs.Select(s => new SeenAt(s.After, s.Sign.Group))])
            {
                Holds = asked is { } hold ? [.. goes.Select(g => new HeldGo(Held(hold, g), g))] : [],
            };
            if (GoRules.Decide(Progression.StartOf(plan, set, 0, 0), set.Goes, set.Signs, HouseRules.Ours).DecidedAfter is not null)
                return (set, [.. signs.Select(s => s.Sign.Id)]);
        }
    }

    private static Sign OneOf(SignGroup group, Random random) =>
        Sign.All.Where(s => s.Group == group).ToArray() is var all ? all[random.Next(all.Length)] : null!;

    private static void Write(PracticeDb db, Guid dogId, IReadOnlyList<Told> sets, DateOnly day, DateTime now, string rulesId)
    {
        var at = day.ToDateTime(new TimeOnly(7, 30), DateTimeKind.Utc).AddMinutes(2 * day.DayNumber % 20);
        at = at > now.AddMinutes(-10) ? now.AddMinutes(-20) : at;
        var session = new SessionRow
        {
            Id = Guid.NewGuid(),
            DogId = dogId,
            StartedAt = at,
            BegunWith = sets[0].Plan,
        };
        foreach (var told in sets)
        {
            var start = at;
            var set = new SetRow
            {
                SessionId = session.Id,
                DogId = dogId,
                Number = session.Sets.Count + 1,
                StepId = told.Set.StepId,
                Target = told.Set.Target,
                AskedMs = told.Set.Asks.Asked.AsMs(),
                StartedAt = start,
                Day = day,
                Goes =
                [
                    .. told.Set.Goes.Select(
                        (success, i) => Go(success, told.Set.Holds is { Count: > 0 } holds ? holds[i].Held : null, start.AddSeconds(6 * i + 3))
                    ),
                ],
                Signs =
                [
                    .. told.Signs.Select(
                        (s, i) =>
                            new SignRow
                            {
                                Id = Guid.NewGuid(),
                                SignId = s,
                                At = start.AddSeconds(6 * told.Set.Signs[i].AfterGo + 5),
                            }
                    ),
                ],
            };
            var decision = told.Decision;
            if (decision.Next is { NotBefore: not null } next)
                decision = decision with { Next = next with { NotBefore = day.AddDays(decision.Set.NotBeforeDays) } };
            session.Sets.Add(set);
            at += SetTakes;
            session.EndedAt = at;
            db.PlanMoves.Add(set.Close(decision, rulesId, at));
            if (decision.Kind == DecisionKind.Passed)
                db.StepPasses.Add(
                    new StepPassRow
                    {
                        DogId = dogId,
                        StepId = set.StepId,
                        Day = day,
                        How = PassedHow.Trained,
                        Set = set,
                    }
                );
        }

        db.Sessions.Add(session);
    }

    /// <summary>A little longer than was asked, or well short of it; in whole milliseconds, as they are kept.</summary>
    private static TimeSpan Held(TimeSpan asked, bool success) => TimeSpan.FromMilliseconds((int)(asked.TotalMilliseconds * (success ? 1.05 : 0.4)));

    private static GoRow Go(bool success, TimeSpan? held, DateTime at) =>
        new()
        {
            Id = Guid.NewGuid(),
            Success = success,
            At = at,
            HeldMs = held.AsMs(),
        };
}
