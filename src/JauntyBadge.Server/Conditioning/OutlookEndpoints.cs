using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Conditioning;

/// <summary>How a dog is trained and on which days, and what comes of it.</summary>
internal static class OutlookEndpoints
{
    private const int LongestReason = 500;

    public static void MapOutlook(this IEndpointRouteBuilder api)
    {
        api.MapGet("/ways-of-working", async (Pen pen, CancellationToken cancel) => Ways(new ConditioningWords(await pen.TakeAsync(cancel))))
            .WithTags("Conditioning")
            .WithName("waysOfWorking")
            .May(Concern.Plan)
            .WithSummary("The schools and policies a plan can be chosen from.");
        var plan = api.MapGroup("/dogs/{id:guid}/plan").WithTags("Conditioning").OneWriterAtATime();
        plan.MapGet("/schools", CompareAsync).WithName("schoolsCompared").May(Concern.Plan).WithSummary("What each school would change for this dog.");
        plan.MapPost("/school", ChooseSchoolAsync)
            .WithName("chooseSchool")
            .May(Concern.Plan)
            .WithSummary("Train by a school and policies from now on, with a reason. What is passed stays passed. The version is the plan's choiceVersion.")
            .NeedsVersion();
        plan.MapGet("/begin", TriesAsync)
            .WithName("whereToBegin")
            .May(Concern.Plan)
            .WithSummary("What is asked of a dog that does not start from nothing, in order.");
        plan.MapPost("/begin", BeginAsync)
            .WithName("beginAfterTries")
            .May(Concern.Plan)
            .WithSummary(
                "Begin one stage before the first hesitation; what is skipped is on record as tried, not trained. The version is the plan's positionVersion."
            )
            .NeedsVersion();
        plan.MapPost("/week", ChooseWeekAsync)
            .WithName("chooseTrainingWeek")
            .May(Concern.TrainingWeek)
            .WithSummary("The owner's days, and the day it is wanted.")
            .NeedsVersion();
        plan.MapGet("/outlook", OutlookAsync)
            .WithName("outlook")
            .May(Concern.Plan)
            .WithSummary("The plan laid on days, and when the dog will be ready, from its own record.");
    }

    private static WaysOfWorkingDto Ways(ConditioningWords words) =>
        new(
            [.. School.All.Select(words.Told).Select(s => new SchoolDto(s.Id, s.Name, s.Says))],
            [.. PolicyRow.All.Select(words.Told).Select(p => new PolicyChoicesDto(p.Topic, p.Name, p.Options))],
            words.WhenOver,
            words.BadDay
        );

    private static async Task<IReadOnlyList<SchoolComparedDto>> CompareAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        var words = new ConditioningWords(await pen.WithAsync(dog.Measured.Rules, cancel));
        var mine = dog.Training.Plan.Steps.Select(s => s.Step.Id).ToHashSet();
        return
        [
            .. School
                .All.Where(s => s.IsFor(dog.Measured.Profile))
                .Select(school =>
                {
                    var told = words.Told(school);
                    var plan = TrainingPlan.For(dog.Measured.Profile, school, dog.Choice?.Policies);
                    var ids = plan.Steps.Select(s => s.Step.Id).ToHashSet();
                    return new SchoolComparedDto(
                        school.Id,
                        told.Name,
                        told.Says,
                        school == dog.Training.Plan.School,
                        plan.Steps.Count,
                        [.. plan.Steps.Where(s => !mine.Contains(s.Step.Id)).Select(s => words.Called(s.Step))],
                        [.. dog.Training.Plan.Steps.Where(s => !ids.Contains(s.Step.Id)).Select(s => words.Called(s.Step))],
                        dog.Training.Passed.Count(ids.Contains),
                        [.. plan.Policies.Where(p => dog.Training.Plan.Policies.Single(m => m.Topic == p.Topic).OptionId != p.OptionId).Select(words.Told)]
                    );
                }),
        ];
    }

    private static async Task<PlanDto> ChooseSchoolAsync(
        Guid id,
        SchoolEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        if (string.IsNullOrWhiteSpace(entry.Reason) || entry.Reason.Length > LongestReason)
            throw Refusal.Field("reason", $"Write down why, in up to {LongestReason} letters.");
        var policies = entry.Policies ?? new Dictionary<PolicyTopic, string>();
        foreach (var (topic, option) in policies)
        {
            if (PolicyRow.All[(int)topic].Option(option) is null)
                throw Refusal.Field(
                    $"policies.{topic.ToString()[..1].ToLowerInvariant()}{topic.ToString()[1..]}",
                    $"One of: {string.Join(", ", PolicyRow.All[(int)topic].Options.Select(o => o.Id))}."
                );
        }

        var school = entry.School ?? throw Refusal.Field("school", "school is needed.");
        var dog = await db.ProfiledDogAsync(id, cancel);
        if (!School.Of(school).IsFor(dog.Profile))
            throw Refusal.Field(
                "school",
                $"It works with a lure, and the dog had a bad time with a muzzle. One of: {string.Join(", ", School.All.Where(s => s.IsFor(dog.Profile)).Select(s => s.Name))}."
            );
        await Versions.NeedAsync(
            edited,
            (await db.LastPlanChoiceAsync(id, cancel))?.Number ?? 0,
            async () => ("The way of training", await PlanEndpoints.PlanAsync(id, db, pen, clock, cancel))
        );
        await AddChoiceAsync(id, choice => (choice.School, choice.Policies, choice.Reason) = (school, policies, entry.Reason.Trim()), db, clock, cancel);
        return await PlanEndpoints.PlanAsync(id, db, pen, clock, cancel);
    }

    private static async Task<IReadOnlyList<StepDto>> TriesAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        var words = new ConditioningWords(await pen.WithAsync(dog.Measured.Rules, cancel));
        return [.. WhereToBegin.Tries(dog.Training.Plan, dog.Measured.Profile.Temperament).Select(s => StepDto.Of(new PlannedStep(s, []), words))];
    }

    private static async Task<PlanDto> BeginAsync(
        Guid id,
        BeginEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        await PlanEndpoints.NeedPositionAsync(edited, dog, db, pen, clock, cancel);
        var temperament = dog.Measured.Profile.Temperament;
        var most = WhereToBegin.Tries(dog.Training.Plan, temperament).Count;
        if (entry.WentWell is not { } wentWell || wentWell < 0 || wentWell > most)
            throw Refusal.Field("wentWell", $"How many tries in a row went well and at ease: 0 to {most}.");
        if (!dog.Training.MayFindBeginning(clock.Today()))
            throw Refusal.Conflict("It has been trained: its own record says where to go on.");
        var (begin, skipped) = WhereToBegin.After(dog.Training.Plan, temperament, wentWell);
        var why = new MoveWhy(MoveCause.Tried) { Number = most, WentWell = wentWell };
        db.PlanMoves.Add(
            new PlanMoveRow
            {
                DogId = id,
                At = clock.UtcNow(),
                StepId = begin.Id,
                Target = GoRules.BeginsAt(temperament, dog.Training.Rule, dog.Measured.Rules),
                Why = why,
                ByHand = true,
            }
        );
        // What was passed before a long time away, from there on, is to be trained anew.
        var words = new ConditioningWords(await pen.WithAsync(dog.Measured.Rules, cancel));
        var anew = dog.Training.Plan.Steps.Select(s => s.Step.Id).Except(skipped.Select(s => s.Id)).ToList();
        await PlanEndpoints.DropPassesAsync(db, id, anew, words.Moved(why), clock, cancel);
        db.StepPasses.AddRange(
            skipped
                .Where(s => !dog.Training.Passed.Contains(s.Id))
                .Select(s => new StepPassRow
                {
                    DogId = id,
                    StepId = s.Id,
                    Day = clock.Today(),
                    How = PassedHow.Tried,
                    Why = why,
                })
        );
        await db.SaveChangesAsync(cancel);
        return await PlanEndpoints.PlanAsync(id, db, pen, clock, cancel);
    }

    private static async Task<TrainingWeekDto> ChooseWeekAsync(
        Guid id,
        TrainingWeekEntry entry,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    )
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        Versions.Need(edited, dog.Choice?.Number ?? 0, "The plan's days", TrainingWeekDto.Of(dog.Training.Week, dog.Choice));
        if (entry.Days is not { Count: > 0 } days)
            throw Refusal.Field("days", "At least one day of the week is needed.");
        if (entry.SessionsPerDay is not (null or 1 or 2))
            throw Refusal.Field("sessionsPerDay", "Once or twice a day is accepted: more is too much for a dog.");
        if (entry.By < clock.Today() || entry.By > clock.Today().AddDays(730))
            throw Refusal.Field("by", "A day from today to two years ahead is accepted.");
        if (entry.ReadyAt is { } at && dog.Training.Plan.Steps.All(s => s.Step.Id != at))
            throw Refusal.Field("readyAt", "This step is not in the dog's plan.");
        var week = new TrainingWeek([.. days.Distinct().OrderBy(d => ((int)d + 6) % 7)], entry.SessionsPerDay ?? 1, entry.By, entry.ReadyAt);
        var choice = await AddChoiceAsync(id, choice => choice.Days = week, db, clock, cancel);

        // What comes of it is asked for by itself: a forecast takes half a second, and no writer waits for one.
        return TrainingWeekDto.Of(week, choice);
    }

    /// <summary>Adds a choice like the last one, but for what is changed.</summary>
    internal static async Task<PlanChoiceRow> AddChoiceAsync(Guid id, Action<PlanChoiceRow> change, PracticeDb db, TimeProvider clock, CancellationToken cancel)
    {
        await db.DogAsync(id, cancel);
        var last = await db.LastPlanChoiceAsync(id, cancel);
        var choice = new PlanChoiceRow
        {
            DogId = id,
            At = clock.UtcNow(),
            School = last?.School ?? School.Default.Id,
            PolicyChoices = last?.PolicyChoices ?? "{}",
            Week = last?.Week,
            Reason = last?.Reason,
        };
        change(choice);
        db.PlanChoices.Add(choice);
        await db.SaveChangesAsync(cancel);
        return choice;
    }

    private static async Task<OutlookDto> OutlookAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var (dog, question, told) = await ForetoldAsync(id, db, clock, cancel);
        var calendar = told is null ? [] : await EntriesAsync(dog, told, db, clock, cancel);
        var words = new ConditioningWords(await pen.WithAsync(dog.Measured.Rules, cancel));
        return new OutlookDto(
            TrainingWeekDto.Of(dog.Training.Week, dog.Choice),
            told is null ? null : ForecastDto.Of(told, question, words),
            [.. calendar.Select(e => Of(e, dog, words))]
        );
    }

    private static CalendarEntryDto Of(CalendarEntry entry, TrainedDog dog, ConditioningWords words)
    {
        var step = entry.StepId is { } id && dog.Training.Find(id) is { } found ? words.Told(found) : null;
        return new(entry.Day, entry.Kind, entry.Number, words.Entry(entry, dog.Measured.Dog.Name), entry.StepId, step?.Name, step?.SetUp);
    }

    /// <summary>The forecast; null for a dog that wears it already.</summary>
    private static async Task<(TrainedDog Dog, ForecastQuestion Question, Forecast? Told)> ForetoldAsync(
        Guid id,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var dog = await db.TrainedDogAsync(id, cancel);
        var profile = dog.Measured.Profile;
        var log = await db.TrainedSetsAsync(id, cancel);
        var question = new ForecastQuestion
        {
            Plan = dog.Training.ForSession(),
            Minds = profile.Sensitivities,
            Purposes = profile.Purposes,
            MayWearSleeve = profile.AirwayConcern is null && !profile.Health.Contains(HealthNote.ProneToVomiting),
            ReadyAt = dog.Training.Plan.Steps.Any(s => s.Step.Id == dog.Training.Week.ReadyAt) ? dog.Training.Week.ReadyAt : null,
            Days = dog.Training.Week.Days,
            SessionsPerDay = dog.Training.Week.SessionsPerDay,
            From = clock.Today(),
            By = dog.Training.Week.By >= clock.Today() ? dog.Training.Week.By : null,
            Log = log,
            Held = SessionsHeld.Of(
                log,
                dog.Training.Week.Days,
                dog.Training.Week.SessionsPerDay,
                clock.Today(),
                GoRules.RestDaysFor(profile.Temperament, dog.Training.Rule, dog.Measured.Rules)
            ),
            Passed = dog.Training.Passed,
            Position = dog.Training.Position,
            Rules = dog.Measured.Rules,
        };
        return (dog, question, dog.Training.WearsIt ? null : Forecasts.Of(question, new Random(Seed(id))));
    }

    /// <summary>The same dog, record and day give the same answer.</summary>
    private static int Seed(Guid id) => BitConverter.ToInt32(id.ToByteArray());

    private static async Task<IReadOnlyList<CalendarEntry>> EntriesAsync(
        TrainedDog dog,
        Forecast told,
        PracticeDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var id = dog.Measured.Dog.Id;
        var today = clock.Today();
        var chosen = await db.Choices.Where(c => c.DogId == id && c.WithdrawnAt == null).AnyAsync(cancel);
        var tried = await db.TryOns.Where(t => t.DogId == id).AnyAsync(cancel);
        var measured = dog.Measured.Profile.IsGrowing(today) && dog.Measured.LastSet is { } set ? set.State.TakenOn : (DateOnly?)null;
        return TrainingCalendar.Of(
            dog.Training.Plan,
            dog.Training.Week,
            told,
            new CalendarQuestion(today, dog.Training.Position?.NotBefore, chosen && !tried, measured),
            dog.Measured.Rules
        );
    }
}
