using System.Globalization;
using System.Text.Json.Nodes;
using JauntyBadge.Core.Handover.Dossiers;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Data.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Handover.Dossiers;

/// <summary>The lists of a dossier and the rows they are made of.</summary>
internal static class DossierRows
{
    /// <summary>By list; those with parts of their own are sessions.</summary>
    public static IReadOnlyDictionary<string, Type> Types { get; } =
        new Dictionary<string, Type>
        {
            ["measuringSets"] = typeof(MeasuringSetRow),
            ["readings"] = typeof(ReadingRow),
            ["photos"] = typeof(PhotoRow),
            ["overrules"] = typeof(OverruleRow),
            ["choices"] = typeof(ChoiceRow),
            ["tryOns"] = typeof(TryOnRow),
            ["setRules"] = typeof(GoRuleRow),
            ["waysOfWorking"] = typeof(PlanChoiceRow),
            ["planMoves"] = typeof(PlanMoveRow),
            [DossierFormat.Sessions] = typeof(SessionRow),
            [DossierFormat.Passes] = typeof(StepPassRow),
            ["wears"] = typeof(WearRow),
            ["inspections"] = typeof(InspectionRow),
            ["visits"] = typeof(AppointmentRow),
            ["handovers"] = typeof(HandoverRow),
            [DossierFormat.Breeds] = typeof(BreedRow),
        };
}

/// <summary>Everything on record of a dog as one document.</summary>
/// <param name="Document">The dossier.</param>
/// <param name="Pictures">What its pictures are of, with each.</param>
public sealed record DossierOut(JsonObject Document, IReadOnlyList<(Guid Of, byte[] Jpeg)> Pictures)
{
    /// <summary>Where a picture lies in the file.</summary>
    public static string PictureName(Guid of) => $"pictures/{of:D}.jpg";

    /// <summary>Reads a dog; null where there is none.</summary>
    public static async Task<DossierOut?> OfAsync(PracticeDb db, Guid dogId, DateTime at, CancellationToken cancel)
    {
        if (await db.Dogs.AsNoTracking().SingleOrDefaultAsync(d => d.Id == dogId, cancel) is not { } dog)
            return null;
        // Away at another practice it is archived here and nowhere else.
        if (dog.HandedOverAt is not null)
            dog.ArchivedAt = null;
        var lists = new Dictionary<string, List<(object Row, JsonObject Record)>>();
        foreach (var section in DossierFormat.Sections.Where(s => DossierRows.Types.ContainsKey(s.Name) && s.Name is not DossierFormat.Breeds))
            lists[section.Name] = [.. (await RowsAsync(db, section.Name, dogId, cancel)).Select(r => (r, DossierRow.Of(db, r.GetType()).Write(r)))];
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

    private static async Task<IReadOnlyList<object>> RowsAsync(PracticeDb db, string section, Guid dogId, CancellationToken cancel)
    {
        async Task<IReadOnlyList<object>> All<T>(IQueryable<T> rows)
            where T : class => [.. await rows.AsNoTracking().Where(r => EF.Property<Guid>(r, "DogId") == dogId).ToListAsync(cancel)];
        return section switch
        {
            "measuringSets" => await All(db.MeasuringSets.OrderBy(r => r.Number)),
            "readings" => await All(db.Readings.OrderBy(r => r.Number)),
            "photos" => await All(db.Photos.OrderBy(r => r.Number)),
            "overrules" => await All(db.Overrules.OrderBy(r => r.At).ThenBy(r => r.LineId)),
            "choices" => await All(db.Choices.OrderBy(r => r.Number)),
            "tryOns" => await All(db.TryOns.OrderBy(r => r.Number)),
            "setRules" => await All(db.GoRules.OrderBy(r => r.Number)),
            "waysOfWorking" => await All(db.PlanChoices.OrderBy(r => r.Number)),
            "planMoves" => await All(db.PlanMoves.OrderBy(r => r.Number)),
            DossierFormat.Sessions => await All(db.Sessions.OrderBy(r => r.Number)),
            DossierFormat.Passes => await All(db.StepPasses.OrderBy(r => r.Day).ThenBy(r => r.Id)),
            "wears" => await All(db.Wears.OrderBy(r => r.Number)),
            "inspections" => await All(db.Inspections.OrderBy(r => r.Number)),
            "visits" => await All(db.Appointments.OrderBy(r => r.Number)),
            _ => await All(db.Handovers.OrderBy(r => r.Number)),
        };
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
        var of = rows.Select(r =>
                r switch
                {
                    PhotoRow photo => photo.Id,
                    TryOnRow { HasPicture: true } tried => tried.Id,
                    WearRow { HasPicture: true } wear => wear.Id,
                    _ => (Guid?)null,
                }
            )
            .OfType<Guid>()
            .ToList();
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
