using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.People;

/// <summary>Who may come in no more, whichever practice lies in the folder: a backup put back lets nobody in again.</summary>
/// <param name="People">Withdrawn people, and since when.</param>
/// <param name="Devices">Withdrawn devices, and since when.</param>
internal sealed record ShutOut(IReadOnlyDictionary<Guid, DateTime> People, IReadOnlyDictionary<Guid, DateTime> Devices)
{
    public static ShutOut Nobody { get; } = new(new Dictionary<Guid, DateTime>(), new Dictionary<Guid, DateTime>());

    /// <summary>Those of the practice in place; nobody where that cannot be read, or is of a release without people: it is put aside all the same.</summary>
    public static async Task<ShutOut> OfAsync(PracticeDb db)
    {
        try
        {
            return new(
                await db.People.Where(p => p.WithdrawnAt != null).ToDictionaryAsync(p => p.Id, p => p.WithdrawnAt!.Value),
                await db.Devices.Where(d => d.WithdrawnAt != null).ToDictionaryAsync(d => d.Id, d => d.WithdrawnAt!.Value)
            );
        }
        catch (SqliteException)
        {
            return Nobody;
        }
    }

    /// <summary>Withdraws them in the practice that is in place now, as far as it knows them.</summary>
    public async Task KeepOutAsync(PracticeDb db)
    {
        foreach (var (id, at) in People)
            await db.People.Where(p => p.Id == id && p.WithdrawnAt == null).ExecuteUpdateAsync(p => p.SetProperty(x => x.WithdrawnAt, at));
        foreach (var (id, at) in Devices)
            await db.Devices.Where(d => d.Id == id && d.WithdrawnAt == null).ExecuteUpdateAsync(d => d.SetProperty(x => x.WithdrawnAt, at));
    }
}
