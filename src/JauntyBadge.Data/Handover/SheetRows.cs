using System.Runtime.CompilerServices;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Handover.Sheets;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover;

/// <summary>The rows of the tables that are handed out: of one dog, or of all a few dogs at a time.</summary>
/// <param name="db">The practice.</param>
/// <param name="only">The dog; null for all that are not archived.</param>
/// <param name="words">Names steps and targets.</param>
public sealed class SheetRows(PracticeDb db, Guid? only, ConditioningWords words)
{
    private const int DogsAtOnce = 50;

    /// <summary>A row a go; a set without any is a row with its signs.</summary>
    public IAsyncEnumerable<GoLine> Goes(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var sessions = await db
                    .Sessions.AsNoTracking()
                    .Include(s => s.Sets)
                        .ThenInclude(s => s.Goes)
                    .Include(s => s.Sets)
                        .ThenInclude(s => s.Signs)
                    .Where(s => ids.Contains(s.DogId))
                    .OrderBy(s => s.Number)
                    .AsSplitQuery()
                    .ToListAsync(cancel);
                return sessions.SelectMany(session => session.Sets.OrderBy(s => s.Number).SelectMany(set => Lines(dogs[session.DogId], session, set)));
            },
            cancel
        );

    public IAsyncEnumerable<WornLine> Wears(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var wears = await db
                    .Wears.AsNoTracking()
                    .Where(w => ids.Contains(w.DogId) && w.RemovedAt == null)
                    .OrderBy(w => w.StartedAt)
                    .ThenBy(w => w.Number)
                    .ToListAsync(cancel);
                return wears.Select(w => new WornLine(
                    dogs[w.DogId],
                    w.Id,
                    w.Day,
                    w.StartedAt,
                    w.EndedAt,
                    (w.EndedAt - w.StartedAt)?.TotalMinutes,
                    w.CapMinutes,
                    w.Occasion,
                    w.Place,
                    w.ForWhat,
                    w.Muzzle,
                    w.Strap,
                    w.Exercise,
                    [.. w.Seen.Select(s => s.SignId)],
                    w.Ending,
                    w.Rubs,
                    w.TreatId,
                    w.TreatPieces,
                    w.Note
                ));
            },
            cancel
        );

    public IAsyncEnumerable<InspectionLine> Inspections(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var rows = await db
                    .Inspections.AsNoTracking()
                    .Where(i => ids.Contains(i.DogId) && i.RemovedAt == null)
                    .OrderBy(i => i.Number)
                    .ToListAsync(cancel);
                return rows.Select(i => new InspectionLine(dogs[i.DogId], i.Id, i.Day, i.Muzzle, i.Failed, i.Note));
            },
            cancel
        );

    public IAsyncEnumerable<VisitLine> Visits(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var rows = await db
                    .Appointments.AsNoTracking()
                    .Where(a => ids.Contains(a.DogId) && a.RemovedAt == null)
                    .OrderBy(a => a.Day)
                    .ToListAsync(cancel);
                return rows.Select(a => new VisitLine(dogs[a.DogId], a.Id, a.Day, a.Time, a.Kind, a.Occasion, a.Place, a.ReadyAt, a.Note));
            },
            cancel
        );

    public IAsyncEnumerable<ReadingLine> Readings(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var rows = await db
                    .Readings.AsNoTracking()
                    .Where(r => ids.Contains(r.DogId) && r.RemovedAt == null)
                    .Join(db.MeasuringSets.Where(s => s.RemovedAt == null), r => r.SetId, s => s.Id, (reading, set) => new { reading, set.StartedAt })
                    .OrderBy(r => r.reading.Number)
                    .ToListAsync(cancel);
                return rows.Select(r => new ReadingLine(
                    dogs[r.reading.DogId],
                    r.StartedAt,
                    r.reading.Measure,
                    r.reading.Side,
                    r.reading.AsTaken,
                    r.reading.Millimetres,
                    r.reading.UncertaintyMm,
                    r.reading.Tool,
                    r.reading.Held,
                    r.reading.TakenBy,
                    r.reading.TakenAt,
                    r.reading.SetAside
                ));
            },
            cancel
        );

    public IAsyncEnumerable<TreatLine> Treats(CancellationToken cancel) =>
        Each(
            async dogs =>
            {
                var ids = dogs.Keys.ToList();
                var habits = await db.WearingHabits.AsNoTracking().Where(h => ids.Contains(h.DogId)).ToDictionaryAsync(h => h.DogId, cancel);
                var goes = await db
                    .Goes.Where(g => g.Success)
                    .Join(db.Sets.Where(s => ids.Contains(s.DogId)), g => g.SetId, s => s.Id, (_, set) => new { set.DogId, set.Day })
                    .GroupBy(s => s)
                    .Select(g => new { g.Key, Pieces = g.Count() })
                    .ToListAsync(cancel);
                var wears = await db
                    .Wears.Where(w => ids.Contains(w.DogId) && w.RemovedAt == null && w.TreatPieces > 0)
                    .Select(w => new
                    {
                        w.DogId,
                        w.Day,
                        w.TreatId,
                        w.TreatPieces,
                    })
                    .ToListAsync(cancel);
                var given = goes.Select(g =>
                        (g.Key.DogId, g.Key.Day, TreatId: habits.GetValueOrDefault(g.Key.DogId)?.TreatId, InSessions: g.Pieces, AtWears: 0)
                    )
                    .Concat(
                        wears.Select(w =>
                            (w.DogId, w.Day, TreatId: w.TreatId ?? habits.GetValueOrDefault(w.DogId)?.TreatId, InSessions: 0, AtWears: w.TreatPieces)
                        )
                    );
                return given
                    .GroupBy(g => (g.DogId, g.Day, g.TreatId))
                    .OrderBy(g => g.Key.Day)
                    .ThenBy(g => g.Key.TreatId, StringComparer.Ordinal)
                    .Select(g =>
                    {
                        var treat = Treat.Find(g.Key.TreatId) ?? Treat.All[0];
                        var pieces = g.Sum(p => p.InSessions + p.AtWears);
                        var kcal =
                            habits.GetValueOrDefault(g.Key.DogId) is { KcalPerPiece: { } own } h && h.TreatId == treat.Id ? own : treat.PerPiece.Kilocalories;
                        return new TreatLine(
                            dogs[g.Key.DogId],
                            g.Key.Day,
                            treat.Id,
                            g.Sum(p => p.InSessions),
                            g.Sum(p => p.AtWears),
                            pieces * kcal,
                            pieces * treat.GramsPerPiece
                        );
                    });
            },
            cancel
        );

    /// <summary>Every size of the catalogue.</summary>
    public static async IAsyncEnumerable<CatalogueLine> Catalogue(PracticeDb db, [EnumeratorCancellation] CancellationToken cancel)
    {
        var (list, currency) = (await MuzzleRow.ListAsync(db, cancel), (await WritingRow.LoadAsync(db, cancel)).Currency);
        foreach (var model in list.All)
        foreach (var size in model.Sizes)
            yield return new(model, size, currency, Core.Fitting.Catalogue.IsInvented(model));
    }

    private IEnumerable<GoLine> Lines(SheetDog dog, SessionRow session, SetRow set)
    {
        var step = Step.Find(set.StepId);
        var asked = step is null ? "" : words.Target(step, new Criterion(step.Within(set.Target), set.AskedMs.AsHold()));
        var seconds = (set.AskedMs.AsHold() ?? step?.HoldOf(set.Target))?.TotalSeconds;
        GoLine Line(GoRow? go, int? number, IEnumerable<SignRow> signs) =>
            new(
                dog,
                session.Id,
                set.Day,
                session.StartedAt,
                set.Number,
                set.StepId,
                words.OnRecord(set.StepId),
                set.Target,
                asked,
                seconds,
                number,
                go?.At,
                go?.Success,
                go?.HeldMs / 1000.0,
                [.. signs.OrderBy(s => s.Number).Select(s => s.SignId)],
                set.Decision
            );
        var goes = set.Goes.OrderBy(g => g.Number).ToList();
        if (goes.Count == 0)
        {
            yield return Line(null, null, set.Signs);
            yield break;
        }

        // Signs stand beside the go they followed; those before the first beside it.
        for (var i = 0; i < goes.Count; i++)
        {
            var (from, to) = (i == 0 ? long.MinValue : goes[i].Number, i == goes.Count - 1 ? long.MaxValue : goes[i + 1].Number);
            yield return Line(goes[i], i + 1, set.Signs.Where(s => s.Number > from && s.Number < to));
        }
    }

    private async IAsyncEnumerable<T> Each<T>(Func<Dictionary<Guid, SheetDog>, Task<IEnumerable<T>>> read, [EnumeratorCancellation] CancellationToken cancel)
    {
        var which = only is { } id ? db.Dogs.Where(d => d.Id == id) : db.Dogs.Where(d => d.ArchivedAt == null).OrderBy(d => d.Name).ThenBy(d => d.Id);
        var dogs = await which.Select(d => new SheetDog(d.Id, d.Name)).ToListAsync(cancel);
        foreach (var some in dogs.Chunk(DogsAtOnce))
        foreach (var row in await read(some.ToDictionary(d => d.Id)))
            yield return row;
    }
}
