using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Conditioning;

/// <summary>Training sessions, saved go by go.</summary>
internal static class SessionEndpoints
{
    public static void MapSessions(this IEndpointRouteBuilder api)
    {
        var group = api.MapGroup("/").WithTags("Conditioning").ProducesProblem(StatusCodes.Status409Conflict).OneWriterAtATime();
        group
            .MapPost("/dogs/{id:guid}/sessions", StartAsync)
            .WithName("startSession")
            .May(Concern.Sessions)
            .WithSummary("Start a session where the plan stands, or go on with the one under way; with an id, one that a device began, once.");
        group
            .MapGet("/dogs/{id:guid}/sessions/next", NextAsync)
            .WithName("nextSession")
            .May(Concern.Sessions)
            .WithSummary(
                "The session under way, or one as it would begin now (null where none can), for a device to begin while the server is away. Nothing is stored."
            )
            .OnlyReads();
        group.MapGet("/dogs/{id:guid}/sessions", RecordAsync).WithName("sessionRecord").May(Concern.Sessions).WithSummary("The dog's sessions, newest first.");
        group.MapGet("/sessions/{sessionId:guid}", GetAsync).WithName("session").May(Concern.Sessions).WithSummary("A session with its sets.");
        group
            .MapPut("/sessions/{sessionId:guid}/goes/{goId:guid}", PutGoAsync)
            .WithName("putGo")
            .May(Concern.Sessions)
            .WithSummary("Save a go; sent twice it counts once.");
        group
            .MapDelete("/sessions/{sessionId:guid}/goes/{goId:guid}", DeleteGoAsync)
            .WithName("deleteGo")
            .May(Concern.Sessions)
            .WithSummary("Take back a go of the open set.");
        group
            .MapPut("/sessions/{sessionId:guid}/signs/{seenId:guid}", PutSignAsync)
            .WithName("putSign")
            .May(Concern.Sessions)
            .WithSummary("Save a sign seen; sent twice it counts once.");
        group
            .MapDelete("/sessions/{sessionId:guid}/signs/{seenId:guid}", DeleteSignAsync)
            .WithName("deleteSign")
            .May(Concern.Sessions)
            .WithSummary("Take back a sign of the open set.");
        group
            .MapPost("/sessions/{sessionId:guid}/sets/{number:int}/finish", FinishSetAsync)
            .WithName("finishSet")
            .May(Concern.Sessions)
            .WithSummary("Finish a set: the rule decides what is next.");
        group
            .MapPost("/sessions/{sessionId:guid}/sets/{number:int}/overrule", OverruleAsync)
            .WithName("overruleSet")
            .May(Concern.Plan)
            .WithSummary("Go on elsewhere than the rule decided of the set finished last, with a note.")
            .NeedsVersion();
        group
            .MapPost("/sessions/{sessionId:guid}/end", EndAsync)
            .WithName("endSession")
            .May(Concern.Sessions)
            .WithSummary("End the session; an open set with goes is finished first.");
    }

    private static async Task<SessionDto> StartAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel, SessionEntry? entry = null)
    {
        if (entry?.Id is { } sent && await db.Sessions.AsNoTracking().SingleOrDefaultAsync(s => s.Id == sent, cancel) is { } known)
            return known.DogId == id ? await GetAsync(sent, db, pen, cancel) : throw Lookup.NoSuchSession();
        var file = await db.TrainedDogAsync(id, cancel);
        if (file.OpenSession is { } open)
        {
            return entry?.Id is null
                ? await GetAsync(open.Id, db, pen, cancel)
                : throw Refusal.Conflict(
                    $"Another session of {file.Measured.Dog.Name} is under way. End that one first; what was tapped here stays on this device until then."
                );
        }

        var words = await WordsAsync(file, pen, cancel);
        var session = Begin(file, entry, words, clock);
        db.Sessions.Add(session);
        await db.SaveChangesAsync(cancel);
        return SessionDto.Of(session, PlannedDog.Of(file, words));
    }

    private static async Task<SessionDto?> NextAsync(Guid id, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.TrainedDogAsync(id, cancel);
        if (file.OpenSession is { } open)
            return await GetAsync(open.Id, db, pen, cancel);
        if (TrainingTimes.NotNow(file.Training, clock.UtcNow(), clock.Today()) is not null)
            return null;
        var words = await WordsAsync(file, pen, cancel);
        return SessionDto.Of(Begin(file, null, words, clock), PlannedDog.Of(file, words));
    }

    private static async Task<ConditioningWords> WordsAsync(TrainedDog file, Pen pen, CancellationToken cancel) =>
        new(await pen.WithAsync(file.Measured.Rules, cancel));

    /// <summary>A session where the plan stands, or where a device began it: what was trained is a fact, wherever the plan stands by now.</summary>
    private static SessionRow Begin(TrainedDog file, SessionEntry? entry, ConditioningWords words, TimeProvider clock)
    {
        var at = Told(entry, clock.UtcNow() - Progression.LongestAway, clock);
        var today = clock.DayOf(at);
        var begun = entry?.StepId is { } stepId ? PlanEndpoints.NeedPosition(file.Training.Plan, stepId, entry.Target) : null;
        var note = entry?.Note.OrNull();
        // A rest day is one however a session arrives; what was trained all the same is on record with the word of whoever did.
        if (TrainingTimes.NotNow(file.Training, at, today) is { } not && (begun is null || (not.Why != NotNowWhy.AllPassed && note is null)))
            throw Refusal.Conflict(words.CannotBegin(not));
        var (due, away) = file.Training.StartOn(today) ?? (begun!, null);
        var start = begun ?? due;
        var session = new SessionRow
        {
            Id = entry?.Id ?? Guid.NewGuid(),
            DogId = file.Measured.Dog.Id,
            StartedAt = at,
            Away = (start.StepId, start.Target) == (due.StepId, due.Target) ? away : null,
            BegunWith = file.Training.ForSession(),
            Note = note,
        };
        session.Sets.Add(NewSet(session, 1, start, at, clock));
        return session;
    }

    private static async Task<IReadOnlyList<SessionDto>> RecordAsync(Guid id, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var dog = await PlannedAsync(db, pen, id, cancel);
        var sessions = await WithSets(db).AsNoTracking().Where(s => s.DogId == id).OrderByDescending(s => s.Number).Take(50).ToListAsync(cancel);
        return [.. sessions.Select((s, newer) => SessionDto.Of(s, dog, newer == 0))];
    }

    private static async Task<SessionDto> GetAsync(Guid sessionId, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var (session, dog) = await LoadAsync(db, pen, sessionId, cancel);
        return await AnswerAsync(session, dog, db, cancel);
    }

    private static Task<SessionDto> PutGoAsync(
        Guid sessionId,
        Guid goId,
        GoEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            async (session, dog) =>
            {
                if (await db.Goes.AsNoTracking().SingleOrDefaultAsync(g => g.Id == goId, cancel) is { } known)
                {
                    SentAgain(session, known.SetId, (known.Success, known.HeldMs) == (entry.Success!.Value, entry.HeldMs));
                    return;
                }

                var set = await TappedInAsync(session, dog, entry, db, cancel);
                var most = set.IsAfter ? 1 : Progression.StartOf(dog.PlanOf(session), set.ToRecord(), 0, 0).MostGoes;
                if (set.Goes.Count >= most)
                    throw Refusal.Conflict(
                        set.IsAfter ? "One easy go ends it: that was it." : $"A set has {most} goes here. Finish it first.",
                        SessionDto.Of(session, dog)
                    );
                var go = new GoRow
                {
                    Id = goId,
                    Success = entry.Success!.Value,
                    HeldMs = entry.HeldMs,
                    At = Told(entry, session.StartedAt, clock),
                };
                set.Goes.Add(go);
                db.Add(go);
            },
            cancel
        );

    private static Task<SessionDto> DeleteGoAsync(Guid sessionId, Guid goId, PracticeDb db, Pen pen, CancellationToken cancel) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            (session, _) =>
            {
                var goes = SetInHand(session).Goes;
                goes.Remove(goes.SingleOrDefault(g => g.Id == goId) ?? throw Refusal.NotFound("No go of the open set has this id."));
                return Task.CompletedTask;
            },
            cancel
        );

    private static Task<SessionDto> PutSignAsync(
        Guid sessionId,
        Guid seenId,
        SignEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            async (session, dog) =>
            {
                if (await db.Signs.AsNoTracking().SingleOrDefaultAsync(s => s.Id == seenId, cancel) is { } known)
                    SentAgain(session, known.SetId, known.SignId == entry.SignId);
                else
                {
                    var set = await TappedInAsync(session, dog, entry, db, cancel);
                    var sign = new SignRow
                    {
                        Id = seenId,
                        SignId = entry.SignId!,
                        At = Told(entry, session.StartedAt, clock),
                    };
                    set.Signs.Add(sign);
                    db.Add(sign);
                    if (set.IsAfter)
                        await DecideAfterAsync(session, set, dog, db, sign.At, cancel);
                }
            },
            cancel
        );

    private static Task<SessionDto> DeleteSignAsync(Guid sessionId, Guid seenId, PracticeDb db, Pen pen, CancellationToken cancel) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            (session, _) =>
            {
                var signs = SetInHand(session).Signs;
                signs.Remove(signs.SingleOrDefault(s => s.Id == seenId) ?? throw Refusal.NotFound("No sign of the open set has this id."));
                return Task.CompletedTask;
            },
            cancel
        );

    private static Task<SessionDto> FinishSetAsync(
        Guid sessionId,
        int number,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        MomentEntry? entry = null
    ) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            async (session, dog) =>
            {
                var set = session.Sets.SingleOrDefault(s => s.Number == number) ?? throw Refusal.NotFound("The session has no set of this number.");
                if (set.ClosedAt is not null)
                    return;
                if (set.Goes.Count == 0 && set.Signs.Count == 0)
                    throw Refusal.Conflict("Nothing has happened in this set yet.");
                var at = Told(entry, session.StartedAt, clock);
                var next = await DecideAsync(session, set, dog, db, at, cancel);
                if (next is not null)
                    session.Sets.Add(NewSet(session, number + 1, next, at, clock));
                else
                    session.EndedAt = at;
            },
            cancel
        );

    private static Task<SessionDto> OverruleAsync(
        Guid sessionId,
        int number,
        OverruleSetEntry entry,
        PracticeDb db,
        Pen pen,
        TimeProvider clock,
        CancellationToken cancel,
        [Edited] string? edited = null
    ) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            async (session, dog) =>
            {
                var set = session.Sets.SingleOrDefault(s => s.Number == number) ?? throw Refusal.NotFound("The session has no set of this number.");
                Versions.Need(edited, set.Version, "This set", SessionDto.Of(session, dog));
                if (set.Decision == DecisionKind.EndNow)
                    throw Refusal.Conflict("It went over threshold and rests. To train it sooner or elsewhere, set the plan by hand with a note.");
                if (!set.CanBeOverruled(session.Sets) || await db.Sessions.AnyAsync(s => s.DogId == session.DogId && s.Number > session.Number, cancel))
                    throw Refusal.Conflict(
                        "Training has gone on since this set. Take back what was tapped in the open set, or set the plan by hand with a note."
                    );
                var step = Step.Find(set.StepId) ?? throw Refusal.Conflict("This step is taught no more. Set the plan by hand with a note.");
                var (target, note) = (PlanEndpoints.NeedTarget(step, entry.Target!.Value), entry.Note!.Trim());
                (set.Overruled, set.OverruledTo) = (note, target);
                if (session.Sets.SingleOrDefault(s => s.ClosedAt is null) is { } open)
                    (open.StepId, open.Target) = (set.StepId, target);
                db.PlanMoves.Add(
                    new PlanMoveRow
                    {
                        DogId = session.DogId,
                        At = clock.UtcNow(),
                        StepId = set.StepId,
                        Target = target,
                        Reason = note,
                        ByHand = true,
                    }
                );

                // A step that goes on is not passed.
                db.StepPasses.RemoveRange(await db.StepPasses.Where(p => p.SetId == set.Id).ToListAsync(cancel));
            },
            cancel
        );

    private static Task<SessionDto> EndAsync(Guid sessionId, PracticeDb db, Pen pen, TimeProvider clock, CancellationToken cancel, MomentEntry? entry = null) =>
        ChangeAsync(
            sessionId,
            db,
            pen,
            async (session, dog) =>
            {
                if (session.EndedAt is not null)
                    return;
                var at = Told(entry, session.StartedAt, clock);
                var open = session.Sets.SingleOrDefault(s => s.ClosedAt is null);
                if (open is { Goes.Count: 0, Signs.Count: 0 })
                    session.Sets.Remove(open);
                else if (open is not null)
                    await DecideAsync(session, open, dog, db, at, cancel);
                session.EndedAt = at;
                if (session.Sets.Count == 0)
                    db.Sessions.Remove(session);
            },
            cancel
        );

    /// <summary>Changes a session, saves it and answers how it stands now.</summary>
    private static async Task<SessionDto> ChangeAsync(
        Guid sessionId,
        PracticeDb db,
        Pen pen,
        Func<SessionRow, PlannedDog, Task> change,
        CancellationToken cancel
    )
    {
        var (session, dog) = await LoadAsync(db, pen, sessionId, cancel);
        await change(session, dog);
        await db.SaveChangesAsync(cancel);
        return await AnswerAsync(session, dog, db, cancel);
    }

    /// <summary>How a session stands now.</summary>
    private static async Task<SessionDto> AnswerAsync(SessionRow session, PlannedDog dog, PracticeDb db, CancellationToken cancel)
    {
        if (session.EndedAt is not null)
        {
            var isLast = !await db.Sessions.AnyAsync(s => s.DogId == session.DogId && s.Number > session.Number, cancel);
            var training = isLast ? (await db.TrainedDogAsync(session.DogId, cancel)).Training : null;
            var meanwhile = training is not null && await ChangedMeanwhileAsync(session, db, cancel) ? dog.Words.ChangedMeanwhile(training.Position) : null;
            return SessionDto.Of(session, dog with { Stop = training?.Stop }, isLast) with { Meanwhile = meanwhile };
        }

        // What went before at its step matters to an event, and to a dog that is unsure again.
        var open = session.Sets.SingleOrDefault(s => s.ClosedAt is null);
        var matters = open is not null && (dog.PlanOf(session).Find(open.StepId)?.Kind == StepKind.Once || open.ToRecord().Worst == SignGroup.Unsure);
        return SessionDto.Of(session, matters ? dog with { Earlier = await EarlierAsync(session.DogId, open!, db, cancel) } : dog);
    }

    /// <summary>Earlier sets at the step of a set, the oldest first.</summary>
    private static async Task<IReadOnlyList<SetRecord>> EarlierAsync(Guid dogId, SetRow set, PracticeDb db, CancellationToken cancel)
    {
        var earlier = await db
            .Sets.AsNoTracking()
            .Include(s => s.Goes)
            .Include(s => s.Signs)
            .Where(s => s.DogId == dogId && s.StepId == set.StepId && s.ClosedAt != null && !s.IsAfter)
            .OrderBy(s => s.Id)
            .AsSplitQuery()
            .ToListAsync(cancel);
        return [.. earlier.Select(s => s.ToRecord())];
    }

    /// <summary>Over threshold after the set that ended a session is over threshold in it, and puts the plan back; anything else stands on record.</summary>
    private static async Task DecideAfterAsync(SessionRow session, SetRow after, PlannedDog dog, PracticeDb db, DateTime at, CancellationToken cancel)
    {
        if (!Progression.EndsNow(after.ToRecord().Worst) || session.Sets.Any(s => s.Decision == DecisionKind.EndNow))
            return;
        var decision = Progression.AfterSet(dog.PlanOf(session), after.ToRecord(), new HashSet<string>(), 0, (TimeSpan.Zero, 0, 0), dog.Rules);
        db.PlanMoves.Add(after.Close(decision, await db.KeepAsync(dog.Rules, cancel), at));
    }

    /// <summary>Closes a set by the rule and answers where to go on in this session, or null when it should end.</summary>
    private static async Task<PlanPosition?> DecideAsync(SessionRow session, SetRow set, PlannedDog dog, PracticeDb db, DateTime at, CancellationToken cancel)
    {
        var earlier = await EarlierAsync(session.DogId, set, db, cancel);
        var (plan, record) = (dog.PlanOf(session), set.ToRecord());
        var passed = await db.StepPasses.Where(p => p.DogId == session.DogId && p.WithdrawnAt == null).Select(p => p.StepId).ToListAsync(cancel);
        var decision = Progression.AfterSet(
            plan,
            record,
            passed.ToHashSet(),
            earlier,
            (at - session.StartedAt, session.Sets.Sum(s => s.Goes.Count), PlannedDog.Backs(session)),
            dog.Rules
        );
        var stood = await db.PlanMoves.AsNoTracking().Where(m => m.DogId == session.DogId).OrderByDescending(m => m.Id).FirstOrDefaultAsync(cancel);
        decision = decision with { Next = Progression.UnderRest(decision.Next, stood?.Position, stood?.At > session.StartedAt, set.Day) };
        var move = set.Close(decision, await db.KeepAsync(dog.Rules, cancel), at);
        if (Progression.MovesPlan(decision.Kind, await ChangedMeanwhileAsync(session, db, cancel)))
            db.PlanMoves.Add(move);
        if (decision.Kind == DecisionKind.Passed && !passed.Contains(set.StepId))
            db.StepPasses.Add(
                new StepPassRow
                {
                    DogId = session.DogId,
                    StepId = set.StepId,
                    Day = set.Day,
                    How = PassedHow.Trained,
                    Set = set,
                }
            );
        return decision.EndSession ? null : decision.Next;
    }

    /// <summary>
    /// Somebody set the plan by hand since the session began, and not from its own pad. One that came in from a dead spot began before it is on record: it did not begin where the plan was set. Times alone
    /// do not tell, since a clock may have been set back between the two.
    /// </summary>
    private static async Task<bool> ChangedMeanwhileAsync(SessionRow session, PracticeDb db, CancellationToken cancel)
    {
        var began = session.Sets.MinBy(s => s.Number)?.StepId;
        var moves = await db
            .PlanMoves.AsNoTracking()
            .Where(m => m.DogId == session.DogId && m.ByHand && (m.Number > session.Number || (m.At > session.StartedAt && m.StepId != began)))
            .Select(m => new { m.StepId, m.Reason })
            .ToListAsync(cancel);
        return moves.Exists(m => !session.Sets.Exists(s => s.Overruled == m.Reason && s.StepId == m.StepId));
    }

    /// <summary>
    /// When something was done, as the device says, less what its clock was seen to be off as it sent this; what it still cannot have shown, earlier than it can have been
    /// or in the future, counts as now.
    /// </summary>
    private static DateTime Told(IMoment? told, DateTime earliest, TimeProvider clock)
    {
        var now = clock.UtcNow();
        var at = told is { At: { } said, SentAt: { } sent } ? now - (sent - said) : told?.At?.UtcDateTime;
        return at >= earliest - Lookup.ClocksApart && at <= now + Lookup.ClocksApart ? at.Value : now;
    }

    private static SetRow NewSet(SessionRow session, int number, PlanPosition start, DateTime at, TimeProvider clock) =>
        new()
        {
            SessionId = session.Id,
            DogId = session.DogId,
            Number = number,
            StepId = start.StepId,
            Target = start.Target,
            AskedMs = start.At.Asked.AsMs(),
            StartedAt = at,
            Day = clock.DayOf(at),
        };

    /// <summary>What is sent twice counts once; an id that stands for something else is refused.</summary>
    private static void SentAgain(SessionRow session, int setId, bool same)
    {
        if (!same || session.Sets.All(s => s.Id != setId))
            throw Refusal.Conflict("This id stands for something else that was tapped. Send this with an id of its own.");
    }

    /// <summary>
    /// The open set, if that is where it was tapped; it never counts in another. What is tapped after the set that ended the session belongs to what came after,
    /// and a sign over threshold is taken wherever it was tapped: from a second phone that is a set behind, or as the muzzle comes off.
    /// </summary>
    private static async Task<SetRow> TappedInAsync(SessionRow session, PlannedDog dog, ITapped tapped, PracticeDb db, CancellationToken cancel)
    {
        var sign = (tapped as SignEntry)?.SignId is { } id ? Sign.Find(id) : null;
        var open = session.EndedAt is null ? session.Sets.SingleOrDefault(s => s.ClosedAt is null) : null;
        if (open is not null && (IsOf(open, dog.PlanOf(session), tapped) || sign is { EndsNow: true }))
            return open;
        if (
            SessionDto.AfterRow(session) is { } after
            && (IsOf(after, dog.PlanOf(session), tapped) || (sign is not null && (sign.EndsNow || tapped.Set == after.Number - 1)))
            && !await db.Sessions.AnyAsync(s => s.DogId == session.DogId && s.Number > session.Number, cancel)
        )
        {
            if (!session.Sets.Contains(after))
                session.Sets.Add(after);
            return after;
        }

        throw Refusal.Conflict(
            $"This was tapped in set {tapped.Set}; now {(open is null ? "the session has ended" : $"set {open.Number} is open, {Step.Find(open.StepId)?.Name ?? open.StepId}")}. It was not counted: say on the pad where it belongs.",
            SessionDto.Of(session, dog)
        );
    }

    private static bool IsOf(SetRow set, SessionPlan plan, ITapped tapped) =>
        (set.Number, set.StepId, plan.Find(set.StepId)?.Within(set.Target) ?? 0) == (tapped.Set, tapped.StepId, tapped.Target);

    /// <summary>The set from which something can be taken back: the open one, or what came after while nothing was decided of it.</summary>
    private static SetRow SetInHand(SessionRow session) =>
        session.EndedAt is null
            ? session.Sets.SingleOrDefault(s => s.ClosedAt is null) ?? throw Refusal.Conflict("No set is open.")
            : session.Sets.SingleOrDefault(s => s is { IsAfter: true, Decision: null }) ?? throw Refusal.Conflict("This session has ended.");

    private static async Task<(SessionRow Session, PlannedDog Dog)> LoadAsync(PracticeDb db, Pen pen, Guid sessionId, CancellationToken cancel)
    {
        var session = await WithSets(db).SingleOrDefaultAsync(s => s.Id == sessionId, cancel) ?? throw Lookup.NoSuchSession();
        return (session, await PlannedAsync(db, pen, session.DogId, cancel));
    }

    /// <summary>The dog as its plan needs it: a tap asks for no more.</summary>
    private static async Task<PlannedDog> PlannedAsync(PracticeDb db, Pen pen, Guid dogId, CancellationToken cancel)
    {
        var dog = await db.ProfiledDogAsync(dogId, cancel);
        var choice = await db.LastPlanChoiceAsync(dogId, cancel);
        var plan = choice.PlanFor(dog.Profile);
        return new PlannedDog(
            dog.Dog.Name,
            plan,
            plan.ForSession(dog.Profile.Temperament, GoRule.AsSoonAsClear),
            dog.Rules,
            new ConditioningWords(await pen.WithAsync(dog.Rules, cancel))
        );
    }

    private static IQueryable<SessionRow> WithSets(PracticeDb db) =>
        db
            .Sessions.Include(s => s.Sets.OrderBy(x => x.Number))
                .ThenInclude(s => s.Goes.OrderBy(g => g.Number))
            .Include(s => s.Sets)
                .ThenInclude(s => s.Signs.OrderBy(x => x.Number))
            .AsSplitQuery();
}
