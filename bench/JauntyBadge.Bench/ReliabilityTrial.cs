using JauntyBadge.Core;
using JauntyBadge.Core.Tests.Fitting;

namespace JauntyBadge.Bench;

/// <summary>Whether what is called p sure fits in p of cases, on heads whose jaw is not the one the product judges by.</summary>
internal static class ReliabilityTrial
{
    private const int Draws = 400;

    public static void Run(int heads)
    {
        Console.WriteLine("| jaw | from 80 %: said | fits | mouth opens too little | harms | Brier skill | fits less said, .5 | .6 | .7 | .8 | .9 |");
        Console.WriteLine("|---|--:|--:|--:|--:|--:|--:|--:|--:|--:|--:|");
        foreach (var jawRead in new[] { true, false })
        {
            var pairs = OtherJaws.Pairs(heads, jawRead, Draws, HouseRules.Ours);
            foreach (var jaw in pairs.GroupBy(p => p.Jaw).OrderBy(g => g.Key))
            {
                var sure = jaw.Where(p => p.Said >= 0.8).ToList();
                double Share(Func<OtherJaws.Pair, bool> which) => sure.Count(which) / (double)sure.Count;
                Console.WriteLine(
                    $"| {OtherJaws.Names[jaw.Key]}, {(jawRead ? "read" : "not read")} | {sure.Average(p => p.Said):0.000} | {Share(p => p.Fits):0.000} | {Share(p => !p.Opens):0.000} | {Share(p => p.Harms):0.000} | {OtherJaws.BrierSkill([.. jaw]):0.00} | "
                        + string.Join(" | ", OtherJaws.Tenths(jaw).Select(t => $"{100 * (t.Fits - t.Said):+0.0;-0.0}"))
                        + " |"
                );
            }
        }
    }
}
