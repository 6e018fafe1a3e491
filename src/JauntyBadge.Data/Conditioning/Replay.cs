using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Data.Conditioning;

/// <summary>A set that would be decided otherwise now.</summary>
/// <param name="Dog">The dog's name.</param>
/// <param name="Day">The day.</param>
/// <param name="Step">The step's id.</param>
/// <param name="Recorded">What was decided.</param>
/// <param name="Now">What the log gives.</param>
public sealed record ReplayDifference(string Dog, DateOnly Day, string Step, string Recorded, string Now);

/// <summary>What a replay came to.</summary>
/// <param name="Decided">Sets decided anew.</param>
/// <param name="Older">Sets of sessions that kept no plan or no numbers: from before they did.</param>
/// <param name="Differences">Those that differ.</param>
public sealed record ReplayResult(int Decided, int Older, IReadOnlyList<ReplayDifference> Differences);

/// <summary>Decides every set on record anew, from its log and the plan and numbers it was decided by: whatever was edited since, it must come to the same.</summary>
public static class Replay
{
    /// <summary>Replays a practice. It only reads.</summary>
    public static async Task<ReplayResult> RunAsync(PracticeDb db, CancellationToken cancel)
    {
        var books = await db
            .RuleBooks.AsNoTracking()
            .ToDictionaryAsync(b => b.Id, b => new HouseRules(JsonColumn.Find<Dictionary<string, double>>(b.Numbers) ?? []), cancel);
        var names = await db.Dogs.AsNoTracking().ToDictionaryAsync(d => d.Id, d => d.Name, cancel);
        var (decided, older, differences) = (0, 0, new List<ReplayDifference>());
        foreach (var dog in names.Keys)
        {
            var sessions = await db
                .Sessions.AsNoTracking()
                .Include(s => s.Sets)
                    .ThenInclude(s => s.Goes)
                .Include(s => s.Sets)
                    .ThenInclude(s => s.Signs)
                .Where(s => s.DogId == dog)
                .OrderBy(s => s.Number)
                .AsSplitQuery()
                .ToListAsync(cancel);
            var earlier = new List<SetRecord>();
            foreach (var session in sessions)
            {
                var (goes, backs) = (0, 0);
                foreach (var set in session.Sets.Where(s => s.Decision is not null).OrderBy(s => s.Number))
                {
                    var record = set.ToRecord();
                    goes += record.Goes.Count;
                    if (session.BegunWith is { } plan && books.GetValueOrDefault(set.RulesId ?? "") is { } rules)
                    {
                        var decision = Progression.AfterSet(
                            plan,
                            record,
                            new HashSet<string>(),
                            earlier,
                            (set.ClosedAt!.Value - session.StartedAt, goes, backs),
                            rules
                        );
                        decided++;
                        if ((decision.Kind, decision.EndSession) != (set.Decision, set.EndSession))
                            differences.Add(
                                new(names[dog], set.Day, set.StepId, InWords(set.Decision!.Value, set.EndSession), InWords(decision.Kind, decision.EndSession))
                            );
                    }
                    else
                    {
                        older++;
                    }

                    backs += set.Decision == DecisionKind.Back ? 1 : 0;
                    earlier.Add(record);
                }
            }
        }

        return new(decided, older, differences);
    }

    private static string InWords(DecisionKind kind, bool ends) => ends ? $"{kind}, and the session ends" : $"{kind}";
}
