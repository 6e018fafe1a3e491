using System.Security.Cryptography;
using System.Text;
using JauntyBadge.Core;
using JauntyBadge.Core.Handover;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data;

/// <summary>One change of a number by the practice. Changes are added, never altered: the last one of a number holds.</summary>
public sealed class HouseNumberRow : INumbered
{
    public Guid Id { get; set; }
    public long Number { get; set; }
    public required string NumberId { get; set; }

    /// <summary>The value in the number's own unit; null sets it back to ours.</summary>
    public double? Value { get; set; }

    public required string Reason { get; set; }
    public DateTime At { get; set; }
}

/// <summary>Every number as it stood for some decision, kept once however many decisions stood on it.</summary>
public sealed class RuleBookRow
{
    /// <summary>A fingerprint of the numbers.</summary>
    public required string Id { get; set; }

    /// <summary>Number by id, as JSON.</summary>
    public required string Numbers { get; set; }
}

/// <summary>The numbers this practice decides by.</summary>
public static class PracticeRules
{
    /// <summary>Ours with the practice's own over them.</summary>
    public static async Task<HouseRules> RulesAsync(this PracticeDb db, CancellationToken cancel)
    {
        var last = db.HouseNumbers.GroupBy(n => n.NumberId).Select(g => g.Max(n => n.Number));
        var rows = await db.HouseNumbers.AsNoTracking().Where(n => last.Contains(n.Number) && n.Value != null).ToListAsync(cancel);

        // A number that an update took away, or no longer lets be set, holds as ours.
        return rows.Count == 0
            ? HouseRules.Ours
            : new HouseRules(
                rows.Where(n => Core.Handover.HouseNumbers.Find(n.NumberId) is { IsEditable: true })
                    .Select(n => KeyValuePair.Create(n.NumberId, n.Value!.Value))
            );
    }

    /// <summary>Keeps the numbers for a decision to name, with the next save.</summary>
    /// <returns>Their fingerprint.</returns>
    public static async Task<string> KeepAsync(this PracticeDb db, HouseRules rules, CancellationToken cancel)
    {
        var numbers = JsonColumn.Write(
            Core.Handover.HouseNumbers.All.SelectMany(r => r.Numbers).OrderBy(n => n.Id, StringComparer.Ordinal).ToDictionary(n => n.Id, rules.Plain)
        );
        var id = Fingerprint(numbers);
        if (await db.RuleBooks.FindAsync([id], cancel) is null)
            db.RuleBooks.Add(new RuleBookRow { Id = id, Numbers = numbers });
        return id;
    }

    /// <summary>The fingerprint numbers are kept under.</summary>
    /// <param name="numbers">Number by id, as JSON.</param>
    internal static string Fingerprint(string numbers) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(numbers)))[..16];
}
