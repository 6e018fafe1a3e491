using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using JauntyBadge.Core.Wearing;

namespace JauntyBadge.Core.Tests;

/// <summary>The voices of the rooms in the usual writing, and in others.</summary>
internal static class Words
{
    public static DogWords Dogs { get; } = new(Writing.Usual);
    public static PhotoWords Photo { get; } = new(Writing.Usual);
    public static MeasuringWords Measuring { get; } = new(Writing.Usual);
    public static FittingWords Fitting { get; } = new(Writing.Usual);
    public static ConditioningWords Conditioning { get; } = new(Writing.Usual);
    public static WearingWords Wearing { get; } = new(Writing.Usual);
    public static CaseloadWords Caseload { get; } = new(Writing.Usual);

    public static Writing In(ReadingUnit unit) => Writing.Usual with { Unit = unit };
}
