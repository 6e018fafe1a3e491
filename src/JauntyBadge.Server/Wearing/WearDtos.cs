using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Wearing;

/// <summary>What is asked before a wear.</summary>
/// <param name="Exercise">It runs, plays or works.</param>
/// <param name="Place">Where the weather is read; the newest reading of any place when left out.</param>
/// <param name="InSun">It is worn in the sun.</param>
/// <param name="HotGround">The ground is too hot for the back of a hand for seven seconds.</param>
public sealed record LimitEntry(bool? Exercise = null, string? Place = null, bool? InSun = null, bool? HotGround = null);

/// <summary>How long now, worn in one of the ways it may be worn.</summary>
/// <param name="Exercise">It runs, plays or works.</param>
/// <param name="InSun">It is worn in the sun.</param>
/// <param name="HotGround">The ground is too hot for the back of a hand for seven seconds.</param>
/// <param name="Limit">How long then.</param>
public sealed record LimitWhenDto(bool Exercise, bool InSun, bool HotGround, WearLimitDto Limit);

/// <summary>A sign to be tapped while it is worn.</summary>
/// <param name="Group">How it reads in training; null for one of trouble with breath, heat or swallowing.</param>
/// <param name="OffNow">Off at once.</param>
/// <param name="Bad">With it the wear went badly.</param>
public sealed record WornSignDto(string Id, string Name, SignGroup? Group, bool OffNow, bool Bad);

/// <summary>What a dog may show in a muzzle that is on.</summary>
/// <param name="Signs">Trouble with breath, heat or swallowing first, then the worst first.</param>
/// <param name="FirstAid">What to do for a hot or choking dog until a veterinarian sees it, step by step.</param>
/// <param name="AfterBad">What to do after a wear that went badly, step by step.</param>
public sealed record WornSignsDto(IReadOnlyList<WornSignDto> Signs, IReadOnlyList<string> FirstAid, IReadOnlyList<string> AfterBad);

/// <summary>One thing that limits a wear.</summary>
/// <param name="Seconds">The longest it leaves; 0 where it should not be worn.</param>
public sealed record LimitLineDto(string Says, double Seconds, Basis Basis);

/// <summary>A stretch of the day in which the heat leaves the same.</summary>
public sealed record StretchDto(DateTimeOffset From, DateTimeOffset To, HeatBand Band, string Says, double Seconds);

/// <summary>How long at most, for this dog, its muzzle, here and now.</summary>
/// <param name="Muzzle">What it wears, in words; null where none is chosen.</param>
/// <param name="Strap">Its setting, in words.</param>
/// <param name="Caution">What is to be minded with its type.</param>
/// <param name="Headline">What goes before the number. Never a promise.</param>
/// <param name="Seconds">The longest; 0 where it should not be worn now.</param>
/// <param name="Lines">All that limits it, what leaves least first.</param>
/// <param name="Band">What the heat leaves; null where it is not known.</param>
/// <param name="HeatSays">The heat in words.</param>
/// <param name="Weather">The reading taken; null for none.</param>
/// <param name="Ahead">The rest of the day by what the station foretells.</param>
/// <param name="Next">The next happy wear this dog could have; null where the heat allows none.</param>
/// <param name="SoonSeconds">With how much left it is soon over.</param>
/// <param name="NextSeconds">The longest that one may be: less where it makes the dog pant.</param>
/// <param name="ForgottenOverSeconds">So much beyond its cap a wear is taken for forgotten, and when it came off is asked.</param>
/// <param name="NextSoonSeconds">With how much left that one is soon over.</param>
public sealed record WearLimitDto(
    string? Muzzle,
    string? Strap,
    string? Caution,
    string Headline,
    double Seconds,
    IReadOnlyList<LimitLineDto> Lines,
    HeatBand? Band,
    string HeatSays,
    WeatherReadDto? Weather,
    IReadOnlyList<StretchDto> Ahead,
    HappyWear? Next,
    double NextSeconds,
    IReadOnlyList<string> Cautions,
    double SoonSeconds,
    double NextSoonSeconds,
    double ForgottenOverSeconds
);

/// <summary>A sign seen at a wear.</summary>
public sealed record WearSignEntry(Guid? Id = null, string? SignId = null, DateTimeOffset? At = null);

/// <summary>A wear as a phone or a person tells it; sent again as it goes on.</summary>
/// <param name="StartedAt">When it was put on.</param>
/// <param name="EndedAt">When it was taken off; null while it is on.</param>
/// <param name="Occasion">fun, ordinary or stressful to the dog.</param>
/// <param name="HappyId">What was done, of GET /api/happy-wears.</param>
/// <param name="CapMinutes">How long it was told to be at most.</param>
/// <param name="Said">
/// For two phones at one wear: how many seconds ago each part was said here that was. With it only those parts are told, each kept as it was said last, whatever the version;
/// without it the whole is, as an edit of the version named.
/// </param>
/// <param name="TakenBack">Ids of signs that were tapped by mistake.</param>
/// <param name="Ending">How it ended; takenOff when left out.</param>
/// <param name="BegunAgo">How many seconds ago it was put on: goes before startedAt where it begins, so that no two clocks are compared.</param>
/// <param name="EndedAgo">How many seconds ago it came off: goes before endedAt.</param>
public sealed record WearEntry(
    DateTimeOffset? StartedAt = null,
    DateTimeOffset? EndedAt = null,
    Occasion? Occasion = null,
    string? HappyId = null,
    string? Place = null,
    string? ForWhat = null,
    string? Who = null,
    string? Strap = null,
    bool? Exercise = null,
    double? CapMinutes = null,
    IReadOnlyList<WearSignEntry>? Signs = null,
    IReadOnlyList<RubPlace>? Rubs = null,
    string? TreatId = null,
    int? TreatPieces = null,
    string? Note = null,
    IReadOnlyDictionary<WearPart, double>? Said = null,
    IReadOnlyList<Guid>? TakenBack = null,
    WearEnding? Ending = null,
    double? BegunAgo = null,
    double? EndedAgo = null
);

/// <summary>What is asked of a sign of a wear, wherever one is named.</summary>
internal static class WornSignRule
{
    public static IRuleBuilderOptions<T, string?> OnTheList<T>(this IRuleBuilder<T, string?> sign) =>
        sign.Must(SignsSeen.IsKnown).WithMessage("\"{PropertyValue}\" is not a sign on the list; GET /api/worn-signs has them.");
}

public sealed class WearEntryValidator : AbstractValidator<WearEntry>
{
    private const double LongestAgo = 30 * 86_400;
    private const int MostSigns = 200;
    private const int MostPieces = 1000;

    public WearEntryValidator(TimeProvider clock)
    {
        RuleFor(w => w.StartedAt)
            .NotNull()
            .WithMessage("startedAt is needed: when it was put on.")
            .Must((w, at) => at is null || w.BegunAgo is not null || at <= clock.GetUtcNow() + Lookup.ClocksApart)
            .WithMessage("It cannot have been put on in the future.")
            .Must(at => at is null || at > clock.GetUtcNow().AddYears(-30))
            .WithMessage("That is too long ago.");
        RuleFor(w => w.EndedAt)
            .Must((w, at) => at is null || w.EndedAgo is not null || at >= w.StartedAt)
            .WithMessage("It cannot come off before it was put on.")
            .Must((w, at) => at is null || w.EndedAgo is not null || at <= clock.GetUtcNow() + Lookup.ClocksApart)
            .WithMessage("It cannot have come off in the future.");
        RuleFor(w => w.BegunAgo).Must(a => a is null or (>= 0 and <= LongestAgo)).WithMessage("begunAgo is 0 seconds to 30 days.");
        RuleFor(w => w.EndedAgo)
            .Must(a => a is null or (>= 0 and <= LongestAgo))
            .WithMessage("endedAgo is 0 seconds to 30 days.")
            .Must((w, a) => a is null || w.BegunAgo is null || a <= w.BegunAgo)
            .WithMessage("It cannot come off before it was put on.");
        RuleFor(w => w.Occasion).NotNull().WithMessage("Say what it was to the dog: fun, ordinary or stressful.");
        RuleFor(w => w.HappyId)
            .Must(h => h is null || HappyWear.Find(h) is not null)
            .WithMessage("\"{PropertyValue}\" is not on the list; GET /api/happy-wears has them.");
        RuleFor(w => w.TreatId).Must(t => t is null || Treat.Find(t) is not null).WithMessage("\"{PropertyValue}\" is not a treat of the list.");
        RuleFor(w => w.TreatPieces).InclusiveBetween(0, MostPieces).WithMessage($"Pieces are 0 to {MostPieces}.");
        RuleFor(w => w.CapMinutes).Must(m => m is null or (>= 0 and <= 1440)).WithMessage("capMinutes is 0 to 1440.");
        foreach (var text in new System.Linq.Expressions.Expression<Func<WearEntry, string?>>[] { w => w.Place, w => w.ForWhat, w => w.Who, w => w.Strap })
            RuleFor(text).MaximumLength(120).WithMessage("Up to 120 letters, please.");
        RuleFor(w => w.Note).MaximumLength(2000).WithMessage("Up to 2000 letters, please.");
        RuleFor(w => w.Signs).Must(s => s is null || s.Count <= MostSigns).WithMessage($"Up to {MostSigns} signs, please.");
        RuleFor(w => w.TakenBack).Must(t => t is null || t.Count <= MostSigns).WithMessage($"Up to {MostSigns} signs, please.");
        RuleFor(w => w.Said).Must(s => s is null || s.Values.All(ago => ago >= 0)).WithMessage("A part was said 0 or more seconds ago.");
        RuleForEach(w => w.Signs)
            .ChildRules(sign =>
            {
                sign.RuleFor(s => s.Id).NotNull().WithMessage("id is needed, made where it was tapped.");
                sign.RuleFor(s => s.At).NotNull().WithMessage("at is needed: when it was tapped.");
                sign.RuleFor(s => s.SignId).OnTheList();
            });
    }
}

/// <summary>A wear on record.</summary>
/// <param name="Seconds">How long it was on; null while it is.</param>
/// <param name="Worst">The worst group of its signs.</param>
/// <param name="Red">A sign of trouble with breath, heat or swallowing was seen.</param>
/// <param name="WentBadly">It counts as stressful, whatever it was meant to be.</param>
/// <param name="WornSeconds">How long it has been on by the server's clock; null once it is off.</param>
/// <param name="SoonSeconds">With how much left it is soon over; null without a cap.</param>
/// <param name="ForgottenSeconds">So long on, it is taken for forgotten, and when it came off is asked; null without a cap.</param>
/// <param name="OverCap">It was on longer than it was told to be.</param>
/// <param name="PlanMoved">What it did to the plan, in words; null for nothing. Said once, when it happens.</param>
public sealed record WearDto(
    Guid Id,
    DateOnly Day,
    DateTime StartedAt,
    DateTime? EndedAt,
    double? Seconds,
    Occasion Occasion,
    string? HappyId,
    string? Place,
    string? ForWhat,
    string? Who,
    string? Muzzle,
    string? Strap,
    bool Exercise,
    double? CapMinutes,
    IReadOnlyList<WearSign> Signs,
    SignGroup? Worst,
    bool Red,
    WearEnding Ending,
    bool WentBadly,
    IReadOnlyList<RubPlace> Rubs,
    string? TreatId,
    int TreatPieces,
    string? Note,
    bool HasPicture,
    bool OverCap,
    double? SoonSeconds,
    double? ForgottenSeconds,
    double? WornSeconds,
    long Version,
    string? PlanMoved = null
) : IAtVersion
{
    internal static WearDto Of(WearRow row, HouseRules rules, DateTime now, string? planMoved = null)
    {
        var lasted = row.EndedAt - row.StartedAt;
        return new(
            row.Id,
            row.Day,
            row.StartedAt,
            row.EndedAt,
            lasted?.TotalSeconds,
            row.Occasion,
            row.HappyId,
            row.Place,
            row.ForWhat,
            row.Who,
            row.Muzzle,
            row.Strap,
            row.Exercise,
            row.CapMinutes,
            row.Seen,
            row.Worst,
            row.Red,
            row.Ending,
            row.AsRecord.AsWear.WentBadly,
            row.Rubs,
            row.TreatId,
            row.TreatPieces,
            row.Note,
            row.HasPicture,
            lasted?.TotalMinutes > row.CapMinutes,
            row.CapMinutes is { } cap ? WearLimit.Soon(TimeSpan.FromMinutes(cap), rules).TotalSeconds : null,
            row.CapMinutes is { } told ? WearLimit.Forgotten(TimeSpan.FromMinutes(told), rules).TotalSeconds : null,
            row.EndedAt is null ? Math.Max(0, (now - row.StartedAt).TotalSeconds) : null,
            row.Version,
            planMoved
        );
    }
}

/// <summary>The balance on a day.</summary>
/// <param name="Ratio">Good wears to one bad; null without a bad one.</param>
public sealed record BalancePointDto(DateOnly Day, double? Ratio);

/// <summary>A wear in the balance's picture.</summary>
public sealed record BalanceWearDto(DateOnly Day, Occasion Occasion);

/// <summary>What is coming, and what to do before.</summary>
/// <param name="HappyOn">Days for a happy wear before it.</param>
public sealed record BalanceAheadDto(DateOnly On, double? After, IReadOnlyList<DateOnly> HappyOn, double? ThenAfter, string Says);

/// <summary>What the muzzle has come to mean.</summary>
/// <param name="RatioText">Good wears to one bad, as it is said.</param>
/// <param name="Says">Why a happy wear is owed; null where none is.</param>
/// <param name="Wanted">Good wears wanted for one bad.</param>
/// <param name="Sours">Under so many it sours.</param>
/// <param name="Points">Day by day.</param>
/// <param name="Basis">On what ground.</param>
public sealed record BalanceDto(
    BalanceVerdict Verdict,
    double? Ratio,
    string? RatioText,
    string? Says,
    bool HappyWithinWeek,
    DateOnly? LastHappy,
    double Wanted,
    double Sours,
    IReadOnlyList<BalancePointDto> Points,
    IReadOnlyList<BalanceWearDto> Wears,
    BalanceAheadDto? Ahead,
    Basis Basis
);
