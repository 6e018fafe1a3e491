using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using NetArchTest.Rules;

namespace JauntyBadge.Core.Tests;

/// <summary>The arrows between the rooms run one way (docs/decisions/0002).</summary>
public class ArchitectureTests
{
    private const string Root = "JauntyBadge.Core";

    public static TheoryData<string, string[]> Arrows =>
        new()
        {
            { "Measuring", [] },
            { "Dogs", ["Measuring"] },
            { "Fitting", ["Measuring", "Dogs"] },
            { "Conditioning", ["Measuring", "Dogs"] },
            { "Wearing", ["Measuring", "Dogs", "Fitting"] },
            { "Caseload", ["Measuring", "Dogs", "Fitting", "Conditioning", "Wearing"] },
            { "People", ["Measuring", "Dogs", "Fitting", "Conditioning", "Wearing", "Caseload"] },
            { "Handover", ["Measuring", "Dogs", "Fitting", "Conditioning", "Wearing", "Caseload", "People"] },
        };

    [Theory]
    [MemberData(nameof(Arrows))]
    public void A_room_sees_only_the_rooms_it_may(string room, string[] mayUse)
    {
        var forbidden = Arrows.Select(a => a.Data.Item1).Where(r => r != room && !mayUse.Contains(r)).Select(r => $"{Root}.{r}").ToArray();
        var types = Types.InAssembly(typeof(DogProfile).Assembly).That().ResideInNamespace($"{Root}.{room}");
        Assert.NotEmpty(types.GetTypes());
        if (forbidden.Length == 0)
            return;
        var result = types.ShouldNot().HaveDependencyOnAny(forbidden).GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Every_room_of_the_core_is_in_the_table()
    {
        var rooms = typeof(DogProfile)
            .Assembly.GetTypes()
            .Select(t => t.Namespace ?? "")
            .Where(n => n.StartsWith(Root + ".", StringComparison.Ordinal))
            .Select(n => n[(Root.Length + 1)..].Split('.')[0])
            .Distinct()
            .Order();
        Assert.Equal(Arrows.Select(a => a.Data.Item1).Order(), rooms);
    }

    [Fact]
    public void The_core_knows_no_web_no_database_and_no_clock()
    {
        // The draws, the goes of a hold and the virtual dogs are handed a seeded generator; no other type may so much as know of one.
        var result = Types
            .InAssembly(typeof(DogProfile).Assembly)
            .That()
            .DoNotHaveName(
                nameof(SnoutDraws),
                nameof(Holds),
                nameof(DogNature),
                nameof(VirtualDog),
                nameof(Forecasts),
                nameof(ParticleFilter),
                nameof(Practice),
                nameof(Unevenness),
                nameof(Trainee)
            )
            .ShouldNot()
            .HaveDependencyOnAny("Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore", "System.Net", "System.Random")
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        var references = typeof(DogProfile).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.DoesNotContain(references, r => r.StartsWith("JauntyBadge", StringComparison.Ordinal));
    }
}
