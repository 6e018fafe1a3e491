using System.Text.Json.Nodes;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>A dossier looked at against what is here.</summary>
/// <param name="DogId">The dog.</param>
/// <param name="Name">Its name in the file.</param>
/// <param name="IsHere">It is here already.</param>
/// <param name="IsAway">It was handed over, and would come back.</param>
/// <param name="Merge">What comes of it.</param>
/// <param name="Breeds">Breeds of the file that are not on the list here, and come in.</param>
public sealed record DossierLooked(Guid DogId, string Name, bool IsHere, bool IsAway, DossierMerge Merge, IReadOnlyList<string> Breeds);

/// <summary>Takes a dossier in: looked at first, then all of it or nothing.</summary>
public static class DossierIn
{
    /// <summary>More records than any dog has (House).</summary>
    private const long MostRecords = 10_000_000;

    /// <summary>What would come of a dossier.</summary>
    public static async Task<DossierLooked> LookAsync(PracticeDb db, DossierRead dossier, Differing differing, CancellationToken cancel)
    {
        var document = dossier.Document;
        var (id, name) = (Guid.Parse(document["dog"]!["id"]!.ToString()), document["dog"]!["name"]!.ToString());
        await NeedMeaningAsync(db, dossier, id, cancel);
        var here = await DossierOut.OfAsync(db, id, DateTime.UnixEpoch, cancel);
        var away = await db.Dogs.AnyAsync(d => d.Id == id && d.HandedOverAt != null, cancel);
        var known = await db.Breeds.Select(b => b.Id).ToListAsync(cancel);
        var breeds = ((JsonArray)document[DossierFormat.Breeds]!)
            .Where(b => !known.Contains(b!["id"]!.ToString()))
            .Select(b => b!["name"]!.ToString())
            .ToList();
        return new(id, name, here is not null, away, DossierMerge.Of(here?.Document, document, differing), breeds);
    }

    /// <summary>Takes it in. The caller holds a transaction.</summary>
    public static async Task TakeAsync(PracticeDb db, DossierRead dossier, DossierLooked looked, CancellationToken cancel)
    {
        var (document, dogId) = (looked.Merge.Merged, looked.DogId);
        db.ChangeTracker.Clear();
        // Whoever takes a dossier in did not do what stands in it.
        db.Hand = null;
        if (looked.IsHere)
            await ClearAsync(db, dogId, cancel);
        if (looked.IsHere)
        {
            var row = await db.Dogs.SingleAsync(d => d.Id == dogId, cancel);
            foreach (var column in DossierRow.Of(db, typeof(DogRow)).Columns.Where(c => c.Name != "id"))
                column.Write(row, document["dog"]![column.Name], $"dog.{column.Name}");
            row.HandedOverAt = null;
        }
        else
            db.Dogs.Add((DogRow)DossierRow.Of(db, typeof(DogRow)).Read((JsonObject)document["dog"]!, "dog"));
        if (document["habits"] is JsonObject habits)
        {
            var row = (WearingHabitsRow)DossierRow.Of(db, typeof(WearingHabitsRow)).Read(habits, "habits");
            row.DogId = dogId;
            db.WearingHabits.Add(row);
        }

        await AddSharedAsync(db, document, cancel);
        var orders = Orders(document).DefaultIfEmpty().Max();
        var first =
            (await db.Database.SqlQuery<long>($"""UPDATE "Counter" SET "Last" = "Last" + {orders} RETURNING "Last" AS "Value" """).ToListAsync(cancel))[0]
            - orders;
        foreach (var (name, type) in DossierRows.Types.Where(t => t.Key is not (DossierFormat.Breeds or DossierFormat.Sessions or DossierFormat.Passes)))
        {
            var ids = typeof(INumbered).IsAssignableFrom(type) ? await NextIdAsync(db, type, cancel) : null;
            foreach (var (record, at) in Records(document, name))
            {
                var row = DossierRow.Of(db, type).Read(record, at);
                db.Entry(row).Property("DogId").CurrentValue = dogId;
                if (row is INumbered numbered)
                    numbered.Number = first + record[DossierFormat.Order]!.GetValue<long>();
                if (ids is { } next)
                    db.Entry(row).Property("Id").CurrentValue = (int)(next + record[DossierFormat.Order]!.GetValue<long>());
                db.Add(row);
            }
        }

        var sets = await AddSessionsAsync(db, document, dogId, first, cancel);
        await AddPassesAsync(db, document, dogId, sets, cancel);
        var brought = dossier.Pictures.Keys.ToList();
        var kept = await db.Pictures.Where(p => brought.Contains(p.OfId)).Select(p => p.OfId).ToListAsync(cancel);
        db.Pictures.AddRange(dossier.Pictures.Where(p => !kept.Contains(p.Key)).Select(p => new PictureRow { OfId = p.Key, Jpeg = p.Value }));
        await db.SaveChangesAsync(cancel);
    }

    private static IEnumerable<(JsonObject Record, string At)> Records(JsonObject document, string name) =>
        ((JsonArray)document[name]!).Select((r, i) => ((JsonObject)r!, $"{name}[{i}]"));

    private static IEnumerable<(JsonObject Set, string At)> Sets(JsonObject session, string at) =>
        ((JsonArray)session["sets"]!).Select((s, i) => ((JsonObject)s!, $"{at}.sets[{i}]"));

    private static IEnumerable<long> Orders(JsonObject document) =>
        from section in DossierFormat.Sections.Where(s => s.IsOrdered)
        from record in Records(document, section.Name)
        from part in new[] { record.Record }.Concat(
            section.Name != DossierFormat.Sessions
                ? []
                : Sets(record.Record, "").SelectMany(s => ((JsonArray)s.Set["goes"]!).Concat((JsonArray)s.Set["signs"]!)).Cast<JsonObject>()
        )
        select part[DossierFormat.Order]!.GetValue<long>();

    /// <summary>For rows that a practice numbers by itself: the last number given; null for those with an id of their own.</summary>
    private static async Task<long?> NextIdAsync(PracticeDb db, Type type, CancellationToken cancel)
    {
        var model = db.Model.FindEntityType(type)!;
        if (model.FindProperty("Id")?.ClrType != typeof(int))
            return null;
        var table = model.GetTableName();
#pragma warning disable EF1002 // The name of a table of ours.
        return await db.Database.SqlQueryRaw<long>($"""SELECT COALESCE(MAX("Id"), 0) AS "Value" FROM "{table}" """).SingleAsync(cancel);
#pragma warning restore EF1002
    }

    private static async Task<Dictionary<(Guid Session, int Number), int>> AddSessionsAsync(
        PracticeDb db,
        JsonObject document,
        Guid dogId,
        long first,
        CancellationToken cancel
    )
    {
        var last = (await NextIdAsync(db, typeof(SetRow), cancel))!.Value;
        var ids = new Dictionary<(Guid, int), int>();
        foreach (var (record, at) in Records(document, DossierFormat.Sessions))
        {
            var session = (SessionRow)DossierRow.Of(db, typeof(SessionRow)).Read(record, at);
            (session.DogId, session.Number) = (dogId, first + record[DossierFormat.Order]!.GetValue<long>());
            foreach (var (part, where) in Sets(record, at))
            {
                var set = (SetRow)DossierRow.Of(db, typeof(SetRow)).Read(part, where);
                (set.DogId, set.Id) = (dogId, (int)(last + part[DossierFormat.Place]!.GetValue<long>()));
                ids[(session.Id, set.Number)] = set.Id;
                set.Goes = [.. Parts<GoRow>(db, part, "goes", where, first)];
                set.Signs = [.. Parts<SignRow>(db, part, "signs", where, first)];
                session.Sets.Add(set);
            }

            db.Sessions.Add(session);
        }

        return ids;
    }

    private static IEnumerable<T> Parts<T>(PracticeDb db, JsonObject set, string list, string at, long first)
        where T : class, INumbered
    {
        foreach (var (record, i) in ((JsonArray)set[list]!).Select((r, i) => ((JsonObject)r!, i)))
        {
            var row = (T)DossierRow.Of(db, typeof(T)).Read(record, $"{at}.{list}[{i}]");
            row.Number = first + record[DossierFormat.Order]!.GetValue<long>();
            yield return row;
        }
    }

    private static async Task AddPassesAsync(
        PracticeDb db,
        JsonObject document,
        Guid dogId,
        Dictionary<(Guid Session, int Number), int> sets,
        CancellationToken cancel
    )
    {
        var next = (await NextIdAsync(db, typeof(StepPassRow), cancel))!.Value;
        foreach (var (record, at) in Records(document, DossierFormat.Passes))
        {
            var pass = (StepPassRow)DossierRow.Of(db, typeof(StepPassRow)).Read(record, at);
            (pass.DogId, pass.Id) = (dogId, (int)++next);
            if (record["set"] is JsonObject set)
                pass.SetId = sets.TryGetValue((Guid.Parse(set["session"]!.ToString()), set["number"]!.GetValue<int>()), out var id)
                    ? id
                    : throw new DossierProblem(DossierTrouble.NoSuchSet, $"{at}.set");
            db.StepPasses.Add(pass);
        }
    }

    /// <summary>Breeds and numbers that are here already stay as they are.</summary>
    private static async Task AddSharedAsync(PracticeDb db, JsonObject document, CancellationToken cancel)
    {
        var breeds = await db.Breeds.Select(b => b.Id).ToListAsync(cancel);
        foreach (var (record, at) in Records(document, DossierFormat.Breeds))
        {
            if (!breeds.Contains(record["id"]!.ToString()))
                db.Breeds.Add((BreedRow)DossierRow.Of(db, typeof(BreedRow)).Read(record, at));
        }

        var books = await db.RuleBooks.Select(b => b.Id).ToListAsync(cancel);
        foreach (var (id, numbers) in ((JsonObject)document["numbers"]!).Where(n => !books.Contains(n.Key)))
            db.RuleBooks.Add(new RuleBookRow { Id = id, Numbers = numbers!.ToJsonString() });
    }

    private static async Task ClearAsync(PracticeDb db, Guid dogId, CancellationToken cancel)
    {
        await db.Goes.Where(g => db.Sets.Any(s => s.Id == g.SetId && s.DogId == dogId)).ExecuteDeleteAsync(cancel);
        await db.Signs.Where(g => db.Sets.Any(s => s.Id == g.SetId && s.DogId == dogId)).ExecuteDeleteAsync(cancel);
        async Task Drop<T>(IQueryable<T> rows)
            where T : class => await rows.Where(r => EF.Property<Guid>(r, "DogId") == dogId).ExecuteDeleteAsync(cancel);
        await Drop(db.StepPasses);
        await Drop(db.Sets);
        await Drop(db.Sessions);
        await Drop(db.Readings);
        await Drop(db.MeasuringSets);
        await Drop(db.Photos);
        await Drop(db.Overrules);
        await Drop(db.Choices);
        await Drop(db.TryOns);
        await Drop(db.GoRules);
        await Drop(db.PlanChoices);
        await Drop(db.PlanMoves);
        await Drop(db.Wears);
        await Drop(db.Inspections);
        await Drop(db.Appointments);
        await Drop(db.Handovers);
        await Drop(db.News);
        await Drop(db.Deeds);
        await Drop(db.WearingHabits);
    }

    /// <summary>That every id it names means something here, and no record of it stands for another dog's.</summary>
    private static async Task NeedMeaningAsync(PracticeDb db, DossierRead dossier, Guid dogId, CancellationToken cancel)
    {
        var document = dossier.Document;
        static void Need(bool known, DossierTrouble trouble, string at, string detail = "")
        {
            if (!known)
                throw new DossierProblem(trouble, at, detail);
        }

        foreach (var section in DossierFormat.Sections)
        {
            var seen = new HashSet<string>();
            foreach (var (record, at) in Records(document, section.Name))
                Need(seen.Add(record[section.Id]!.ToString()), DossierTrouble.IdTwice, $"{at}.{section.Id}");
        }

        var orders = new HashSet<long>();
        foreach (var order in Orders(document))
            Need(order is > 0 and < MostRecords && orders.Add(order), DossierTrouble.OrderTwice, DossierFormat.Order, $"{order}");
        foreach (var (record, at) in Records(document, DossierFormat.Sessions))
        {
            foreach (var (set, where) in Sets(record, at))
            {
                Need(Step.Find(set["stepId"]!.ToString()) is not null, DossierTrouble.UnknownStep, $"{where}.stepId");
                foreach (var sign in (JsonArray)set["signs"]!)
                    Need(Sign.Find(sign!["signId"]!.ToString()) is not null, DossierTrouble.UnknownSign, $"{where}.signs", sign["signId"]!.ToString());
            }
        }

        foreach (var (record, at) in Records(document, DossierFormat.Passes).Concat(Records(document, "planMoves")))
            Need(record["stepId"] is not { } step || Step.Find(step.ToString()) is not null, DossierTrouble.UnknownStep, $"{at}.stepId");
        var breeds = (await BreedRow.ListAsync(db, cancel))
            .All.Select(b => b.Id)
            .Concat(Records(document, DossierFormat.Breeds).Select(b => b.Record["id"]!.ToString()))
            .ToHashSet();
        foreach (var breed in (JsonArray)document["dog"]!["breedIds"]!)
            Need(breeds.Contains(breed!.ToString()), DossierTrouble.UnknownBreed, "dog.breedIds", breed.ToString());
        Need(document["dog"]!["coatId"] is not { } coat || CoatColour.Find(coat.ToString()) is not null, DossierTrouble.UnknownCoat, "dog.coatId");
        foreach (var (id, numbers) in (JsonObject)document["numbers"]!)
            Need(PracticeRules.Fingerprint(numbers!.ToJsonString()) == id, DossierTrouble.ForgedNumbers, $"numbers.{id}");
        foreach (var (record, at) in Records(document, DossierFormat.Pictures))
            Need(dossier.Pictures.ContainsKey(Guid.Parse(record["of"]!.ToString())), DossierTrouble.PictureMissing, record["file"]!.ToString());

        await NeedOwnAsync(db.Sessions, DossierFormat.Sessions);
        await NeedOwnAsync(db.Wears, "wears");
        await NeedOwnAsync(db.Readings, "readings");
        await NeedOwnAsync(db.MeasuringSets, "measuringSets");
        await NeedOwnAsync(db.Choices, "choices");
        await NeedOwnAsync(db.Appointments, "visits");
        await NeedOwnAsync(db.Photos, "photos");
        await NeedOwnAsync(db.TryOns, "tryOns");
        await NeedOwnAsync(db.Inspections, "inspections");
        await NeedOwnAsync(db.Handovers, "handovers");
        await NeedOwnAsync(db.News, "news");

        async Task NeedOwnAsync<T>(IQueryable<T> rows, string name)
            where T : class
        {
            foreach (var some in Records(document, name).Select(r => Guid.Parse(r.Record["id"]!.ToString())).Chunk(500))
                Need(
                    !await rows.AnyAsync(r => some.Contains(EF.Property<Guid>(r, "Id")) && EF.Property<Guid>(r, "DogId") != dogId, cancel),
                    DossierTrouble.OfAnotherDog,
                    name
                );
        }
    }
}
