using System.Globalization;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Core.People;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.People;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>A list of a dossier.</summary>
/// <param name="Type">The rows it is made of.</param>
/// <param name="OfDogAsync">A dog's, in their order.</param>
internal sealed record DossierList(Type Type, Func<PracticeDb, Guid, CancellationToken, Task<IReadOnlyList<object>>> OfDogAsync)
{
    public static DossierList Of<T>(Func<PracticeDb, IQueryable<T>> ordered)
        where T : class =>
        new(
            typeof(T),
            async (db, dogId, cancel) => [.. await ordered(db).AsNoTracking().Where(r => EF.Property<Guid>(r, "DogId") == dogId).ToListAsync(cancel)]
        );
}

/// <summary>The lists of a dossier and the rows they are made of.</summary>
internal static class DossierRows
{
    /// <summary>What belongs to a dog, by list; those with parts of their own are sessions.</summary>
    public static IReadOnlyDictionary<string, DossierList> OfDog { get; } =
        new Dictionary<string, DossierList>
        {
            ["measuringSets"] = DossierList.Of(db => db.MeasuringSets.OrderBy(r => r.Number)),
            ["readings"] = DossierList.Of(db => db.Readings.OrderBy(r => r.Number)),
            ["photos"] = DossierList.Of(db => db.Photos.OrderBy(r => r.Number)),
            ["overrules"] = DossierList.Of(db => db.Overrules.OrderBy(r => r.At).ThenBy(r => r.LineId)),
            ["choices"] = DossierList.Of(db => db.Choices.OrderBy(r => r.Number)),
            ["tryOns"] = DossierList.Of(db => db.TryOns.OrderBy(r => r.Number)),
            ["setRules"] = DossierList.Of(db => db.GoRules.OrderBy(r => r.Number)),
            ["waysOfWorking"] = DossierList.Of(db => db.PlanChoices.OrderBy(r => r.Number)),
            ["planMoves"] = DossierList.Of(db => db.PlanMoves.OrderBy(r => r.Number)),
            [DossierFormat.Sessions] = DossierList.Of(db => db.Sessions.OrderBy(r => r.Number)),
            [DossierFormat.Passes] = DossierList.Of(db => db.StepPasses.OrderBy(r => r.Day).ThenBy(r => r.Id)),
            ["wears"] = DossierList.Of(db => db.Wears.OrderBy(r => r.Number)),
            ["inspections"] = DossierList.Of(db => db.Inspections.OrderBy(r => r.Number)),
            ["visits"] = DossierList.Of(db => db.Appointments.OrderBy(r => r.Number)),
            ["handovers"] = DossierList.Of(db => db.Handovers.OrderBy(r => r.Number)),
            ["news"] = DossierList.Of(db => db.News.OrderBy(r => r.Number)),
            ["deeds"] = DossierList.Of(db => db.Deeds.OrderBy(r => r.Number)),
        };

    /// <summary>The rows of every list; breeds are shared by dogs.</summary>
    public static IReadOnlyDictionary<string, Type> Types { get; } =
        OfDog.Select(l => (l.Key, l.Value.Type)).Append((DossierFormat.Breeds, typeof(BreedRow))).ToDictionary(l => l.Item1, l => l.Item2);
}

/// <summary>Everything on record of a dog as one document.</summary>
/// <param name="Document">The dossier.</param>
/// <param name="Pictures">What its pictures are of, with each.</param>
public sealed record DossierOut(JsonObject Document, IReadOnlyList<(Guid Of, byte[] Jpeg)> Pictures)
{
    /// <summary>Where a picture lies in the file.</summary>
    public static string PictureName(Guid of) => $"pictures/{of:D}.jpg";

    /// <summary>Takes out what is not for whoever gets it.</summary>
    public void Withhold(Withheld withheld)
    {
        if (withheld.Notes)
            Document["dog"]!["notes"] = null;
        if (withheld.Choosing)
            Blank(Document["choices"], "price");
    }

    /// <summary>Blanks every member of a name, however deep.</summary>
    private static void Blank(JsonNode? node, string name)
    {
        if (node is JsonObject record)
        {
            if (record.ContainsKey(name))
                record[name] = null;
            foreach (var (_, member) in record)
                Blank(member, name);
        }
        else if (node is JsonArray list)
        {
            foreach (var item in list)
                Blank(item, name);
        }
    }

    /// <summary>Reads a dog; null where there is none.</summary>
    public static async Task<DossierOut?> OfAsync(PracticeDb db, Guid dogId, DateTime at, CancellationToken cancel)
    {
        if (await db.Dogs.AsNoTracking().SingleOrDefaultAsync(d => d.Id == dogId, cancel) is not { } dog)
            return null;
        // Away at another practice it is archived here and nowhere else.
        if (dog.HandedOverAt is not null)
            dog.ArchivedAt = null;
        var lists = new Dictionary<string, List<(object Row, JsonObject Record)>>();
        foreach (var (name, list) in DossierRows.OfDog)
            lists[name] = [.. (await list.OfDogAsync(db, dogId, cancel)).Select(r => (r, DossierRow.Of(db, list.Type).Write(r)))];
        var parts = await SetsAsync(db, dogId, lists, cancel);
        Number([.. lists.Values.SelectMany(l => l), .. parts]);

        var document = new JsonObject
        {
            ["format"] = DossierFormat.Name,
            ["version"] = DossierFormat.Version,
            ["exportedAt"] = at.ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture),
            ["dog"] = DossierRow.Of(db, typeof(DogRow)).Write(dog),
            ["habits"] = await db.WearingHabits.AsNoTracking().SingleOrDefaultAsync(h => h.DogId == dogId, cancel) is { } habits
                ? DossierRow.Of(db, typeof(WearingHabitsRow)).Write(habits)
                : null,
        };
        var pictures = await PicturesAsync(db, [.. lists.Values.SelectMany(l => l).Select(r => r.Row)], cancel);
        foreach (var section in DossierFormat.Sections)
        {
            document[section.Name] = section.Name switch
            {
                DossierFormat.Pictures => new JsonArray([
                    .. pictures.Select(p => new JsonObject
                    {
                        ["of"] = $"{p.Of:D}",
                        ["file"] = PictureName(p.Of),
                        ["bytes"] = p.Jpeg.Length,
                    }),
                ]),
                DossierFormat.Breeds => new JsonArray([.. (await BreedsAsync(db, dog, cancel)).Select(b => DossierRow.Of(db, typeof(BreedRow)).Write(b))]),
                _ => new JsonArray([.. lists[section.Name].Select(r => r.Record)]),
            };
        }

        document["numbers"] = await NumbersAsync(db, lists, cancel);
        return new(document, pictures);
    }

    /// <summary>Puts the sets with their goes and signs inside their sessions, and names the set by which a step was passed.</summary>
    /// <returns>Goes and signs, which have a place in the order too.</returns>
    private static async Task<List<(object Row, JsonObject Record)>> SetsAsync(
        PracticeDb db,
        Guid dogId,
        Dictionary<string, List<(object Row, JsonObject Record)>> lists,
        CancellationToken cancel
    )
    {
        var sets = await db
            .Sets.AsNoTracking()
            .Include(s => s.Goes)
            .Include(s => s.Signs)
            .Where(s => s.DogId == dogId)
            .OrderBy(s => s.Id)
            .AsSplitQuery()
            .ToListAsync(cancel);
        var (set, go, sign) = (DossierRow.Of(db, typeof(SetRow)), DossierRow.Of(db, typeof(GoRow)), DossierRow.Of(db, typeof(SignRow)));
        var parts = new List<(object, JsonObject)>();
        var bySession = new Dictionary<Guid, JsonArray>();
        for (var i = 0; i < sets.Count; i++)
        {
            var record = set.Write(sets[i]);
            record[DossierFormat.Place] = i + 1L;
            var (goes, signs) = (
                sets[i].Goes.OrderBy(g => g.Number).Select(g => ((object)g, go.Write(g))).ToList(),
                sets[i].Signs.OrderBy(s => s.Number).Select(s => ((object)s, sign.Write(s))).ToList()
            );
            parts.AddRange([.. goes, .. signs]);
            record["goes"] = new JsonArray([.. goes.Select(g => g.Item2)]);
            record["signs"] = new JsonArray([.. signs.Select(s => s.Item2)]);
            (bySession.TryGetValue(sets[i].SessionId, out var list) ? list : bySession[sets[i].SessionId] = []).Add(record);
        }

        foreach (var (row, record) in lists[DossierFormat.Sessions])
            record["sets"] = bySession.GetValueOrDefault(((SessionRow)row).Id) ?? [];
        var byId = sets.ToDictionary(s => s.Id);
        foreach (var (row, record) in lists[DossierFormat.Passes])
            record["set"] =
                ((StepPassRow)row).SetId is { } id && byId.TryGetValue(id, out var showed)
                    ? new JsonObject { ["session"] = $"{showed.SessionId:D}", ["number"] = showed.Number }
                    : null;
        return parts;
    }

    /// <summary>Ranks what has a number: the same in every practice the dog comes to.</summary>
    private static void Number(IReadOnlyList<(object Row, JsonObject Record)> rows)
    {
        var rank = 0L;
        foreach (var (_, record) in rows.Where(r => r.Row is INumbered).OrderBy(r => ((INumbered)r.Row).Number))
            record[DossierFormat.Order] = ++rank;
    }

    private static async Task<IReadOnlyList<(Guid Of, byte[] Jpeg)>> PicturesAsync(PracticeDb db, IReadOnlyList<object> rows, CancellationToken cancel)
    {
        List<Guid> of =
        [
            .. rows.SelectMany<object, Guid>(r =>
                r switch
                {
                    PhotoRow photo => [photo.Id],
                    TryOnRow { HasPicture: true } tried => [tried.Id],
                    WearRow { HasPicture: true } wear => [wear.Id],
                    NewsRow news => news.Pictures,
                    _ => [],
                }
            ),
        ];
        var pictures = await db.Pictures.AsNoTracking().Where(p => of.Contains(p.OfId)).ToListAsync(cancel);
        return [.. pictures.OrderBy(p => p.OfId.ToString(), StringComparer.Ordinal).Select(p => (p.OfId, p.Jpeg))];
    }

    private static Task<List<BreedRow>> BreedsAsync(PracticeDb db, DogRow dog, CancellationToken cancel) =>
        db.Breeds.AsNoTracking().Where(b => dog.BreedIds.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync(cancel);

    /// <summary>The numbers its sets and choices were decided by, by their fingerprint.</summary>
    private static async Task<JsonObject> NumbersAsync(PracticeDb db, Dictionary<string, List<(object Row, JsonObject Record)>> lists, CancellationToken cancel)
    {
        var used = lists[DossierFormat.Sessions]
            .SelectMany(s => (JsonArray)s.Record["sets"]!)
            .Select(s => s!["rulesId"]?.ToString())
            .Concat(lists["choices"].Select(c => ((ChoiceRow)c.Row).KeptFit.RulesId))
            .OfType<string>()
            .Distinct()
            .ToList();
        var books = await db.RuleBooks.AsNoTracking().Where(b => used.Contains(b.Id)).OrderBy(b => b.Id).ToListAsync(cancel);
        var numbers = new JsonObject();
        foreach (var book in books)
            numbers[book.Id] = JsonNode.Parse(book.Numbers);
        return numbers;
    }
}
