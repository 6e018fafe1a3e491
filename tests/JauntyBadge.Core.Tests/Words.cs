using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests;

/// <summary>The voices of the rooms in the usual writing, and in others.</summary>
internal static class Words
{
    public static MeasuringWords Measuring { get; } = new(Writing.Usual);
    public static FittingWords Fitting { get; } = new(Writing.Usual);
    public static ConditioningWords Conditioning { get; } = new(Writing.Usual);
    public static WearingWords Wearing { get; } = new(Writing.Usual);
    public static CaseloadWords Caseload { get; } = new(Writing.Usual);

    public static Writing In(ReadingUnit unit) => Writing.Usual with { Unit = unit };
}
