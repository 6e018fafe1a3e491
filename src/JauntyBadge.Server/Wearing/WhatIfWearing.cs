using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Wearing;

/// <summary>What a wear's limit rests on of a dog; what is left out is taken for usual.</summary>
/// <param name="BodyMassKg">0.4 to 120.</param>
/// <param name="AgeYears">0 to 30.</param>
public sealed record WhatIfWearDog(
    HeadShape? HeadShape = null,
    double? BodyMassKg = null,
    Coat? Coat = null,
    double? AgeYears = null,
    bool? Overweight = null,
    bool? AirwayTrouble = null
);

/// <summary>What is worn.</summary>
/// <param name="GapeClass">Needed for a basket; not asked of a sleeve or cover, which hold the mouth shut.</param>
public sealed record WhatIfWorn(MuzzleType? Type = null, GapeClass? GapeClass = null);

/// <summary>The weather.</summary>
/// <param name="AirC">Air temperature in °C, −20 to 50.</param>
/// <param name="HumidityPercent">Relative humidity, 5 to 99.</param>
public sealed record WhatIfWeather(double? AirC = null, double? HumidityPercent = null);

/// <summary>A wear that is asked about.</summary>
/// <param name="Exercise">It runs, plays or works.</param>
/// <param name="LongestComfortableMinutes">Its own longest comfortable wear, over 0 up to 1440; null for a dog never worn long.</param>
/// <param name="Stage">The stage its training has reached; not looked at when left out.</param>
/// <param name="InSun">It is worn in the sun.</param>
/// <param name="LastWears">What it wore, the oldest first; of one day in the order they were had.</param>
/// <param name="WornTodayMinutes">How long it wore one today, 0 to 1440; else what lastWears say of today.</param>
public sealed record WhatIfWear(
    WhatIfWearDog? Dog = null,
    WhatIfWorn? Muzzle = null,
    WhatIfWeather? Weather = null,
    bool? Exercise = null,
    double? LongestComfortableMinutes = null,
    Stage? Stage = null,
    bool? InSun = null,
    IReadOnlyList<WhatIfWearHad>? LastWears = null,
    double? WornTodayMinutes = null
);

/// <summary>A wear that was had.</summary>
/// <param name="Day">Its day; the last day of all, or today where that is later, is taken for today.</param>
/// <param name="Minutes">How long, 0 to 10,080.</param>
/// <param name="CapMinutes">How long it was told to be at most; null where nobody said.</param>
/// <param name="Signs">Ids of signs seen, of GET /api/worn-signs.</param>
/// <param name="Stopped">It was stopped.</param>
public sealed record WhatIfWearHad(
    DateOnly? Day = null,
    double? Minutes = null,
    double? CapMinutes = null,
    IReadOnlyList<string>? Signs = null,
    bool? Stopped = null
);

/// <summary>One thing that limits a wear.</summary>
/// <param name="Minutes">The longest it leaves; 0 where it should not be worn.</param>
public sealed record WearDecides(string What, double Minutes, string Basis);

/// <summary>How long at most.</summary>
/// <param name="Minutes">0 where it should not be worn. Never a promise: always watched.</param>
/// <param name="Decides">All that limits it, what leaves least first.</param>
public sealed record WhatIfWearAnswer(double Minutes, double WetBulbC, HeatBand Band, IReadOnlyList<WearDecides> Decides);

/// <summary>An occasion on a day.</summary>
/// <param name="Minutes">How long it was worn; not looked at when left out.</param>
/// <param name="Signs">Ids of signs seen, of GET /api/worn-signs.</param>
/// <param name="Stopped">It was stopped.</param>
public sealed record WhatIfOccasion(
    DateOnly? Day = null,
    Occasion? Occasion = null,
    double? Minutes = null,
    IReadOnlyList<string>? Signs = null,
    bool? Stopped = null
);

/// <summary>Wears to be weighed.</summary>
/// <param name="On">The day it is asked on.</param>
/// <param name="Wears">What was worn, on that day or before.</param>
/// <param name="Planned">What is planned, on that day or after.</param>
public sealed record WhatIfBalance(DateOnly? On = null, IReadOnlyList<WhatIfOccasion>? Wears = null, IReadOnlyList<WhatIfOccasion>? Planned = null);

/// <summary>How the balance stands.</summary>
/// <param name="Ratio">Fun and ordinary wears to each stressful one, weighed; null without a stressful one.</param>
/// <param name="HappyWithinWeek">A fun wear in the seven days up to that day.</param>
/// <param name="RatioAfterPlanned">The same as of the last planned day, with what is planned.</param>
public sealed record WhatIfBalanceAnswer(double? Ratio, bool HappyWithinWeek, BalanceVerdict Verdict, double? RatioAfterPlanned);

/// <summary>A day's food and treats.</summary>
/// <param name="BodyMassKg">0.4 to 120.</param>
/// <param name="Factor">Times resting energy, 0.8 to 6; or say foodKcal.</param>
/// <param name="FoodKcal">What its owner measures for a day, over 0; or say factor.</param>
/// <param name="KcalPerPiece">Over 0.</param>
/// <param name="PiecesUsed">0 or more.</param>
public sealed record WhatIfTreats(
    double? BodyMassKg = null,
    double? Factor = null,
    double? FoodKcal = null,
    double? KcalPerPiece = null,
    int? PiecesUsed = null
);

/// <summary>What may be fed.</summary>
/// <param name="PiecesLeft">Whole pieces, never under 0.</param>
public sealed record WhatIfTreatsAnswer(double RestingKcal, double DailyKcal, double TreatKcal, int PiecesLeft);

/// <summary>Stateless answers by our own numbers, from the functions the room uses.</summary>
internal static class WhatIfWearing
{
    /// <summary>What is asked without a practice is answered in the usual writing.</summary>
    private static readonly WearingWords Words = new(Writing.Usual);

    public static void MapWhatIfWearing(this IEndpointRouteBuilder api)
    {
        var whatIf = api.MapGroup("/what-if").WithTags("What if");
        whatIf
            .MapPost("/wear", Limit)
            .WithName("whatIfWear")
            .May(Concern.WholePractice)
            .WithSummary("How long a muzzle may be worn at most, and what decides it.");
        whatIf
            .MapPost("/balance", Balance)
            .WithName("whatIfBalance")
            .May(Concern.WholePractice)
            .WithSummary("What a muzzle has come to mean, and what planned wears will make of it.");
        whatIf
            .MapPost("/treats", Treats)
            .WithName("whatIfTreats")
            .May(Concern.WholePractice)
            .WithSummary("Energy of a day, what of it may be treats, and pieces left.");
    }

    private static WhatIfWearAnswer Limit(WhatIfWear asked, TimeProvider clock)
    {
        var rules = HouseRules.Ours;
        List<Wear> had =
        [
            .. (asked.LastWears ?? []).Select(w =>
                SignsSeen.On(new Wear(w.Day!.Value, TimeSpan.FromMinutes(w.Minutes!.Value), Occasion.Ordinary), w.Signs ?? [], w.Stopped == true) with
                {
                    Cap = w.CapMinutes is { } cap ? TimeSpan.FromMinutes(cap) : null,
                }
            ),
        ];
        had = [.. had.OrderBy(w => w.Day)];
        var today = had.Select(w => w.Day).Append(clock.Today()).Max();
        var past = WearPast.Of(had, today, null, rules);
        if (asked.WornTodayMinutes is { } wornToday)
            past = past with { WornToday = TimeSpan.FromMinutes(wornToday) };
        // What is said to be its longest was had before a wear that went badly.
        TimeSpan? longest = past.BadBorne is null && asked.LongestComfortableMinutes is { } said ? TimeSpan.FromMinutes(said) : null;
        longest = longest > past.Longest || past.Longest is null ? longest : past.Longest;
        var dog = asked.Dog ?? new();
        var shape = dog.HeadShape ?? HeadShape.Medium;
        var question = new WearQuestion(
            new WearingDog
            {
                HeadShape = shape,
                BodyMass = dog.BodyMassKg is { } kg ? Mass.FromKilograms(kg) : null,
                Coat = dog.Coat ?? Coat.Ordinary,
                AgeYears = dog.AgeYears,
                Overweight = dog.Overweight == true,
                AirwayTrouble = dog.AirwayTrouble == true,
                MindAirway = dog.AirwayTrouble == true || shape == HeadShape.Short,
            },
            new WornMuzzle(asked.Muzzle!.Type!.Value, asked.Muzzle.GapeClass ?? GapeClass.Closed),
            new Weather(Temperature.FromDegreesCelsius(asked.Weather!.AirC!.Value), RelativeHumidity.FromPercent(asked.Weather.HumidityPercent!.Value)),
            asked.Exercise == true,
            asked.Stage is { } stage ? DogRecord.TrainedToOf(stage) : null,
            longest
        )
        {
            InSun = asked.InSun == true,
            Past = past,
        };
        var limit = WearLimit.Of(question, rules);
        return new WhatIfWearAnswer(
            limit.Cap.TotalMinutes,
            question.Weather!.Judged.DegreesCelsius,
            limit.Band!.Value,
            [.. limit.Lines.Select(l => new WearDecides(Words.Says(l, question, limit), l.Cap.TotalMinutes, $"{l.Basis}"))]
        );
    }

    private static WhatIfBalanceAnswer Balance(WhatIfBalance asked)
    {
        var rules = HouseRules.Ours;
        IReadOnlyList<OccasionOn> All(IReadOnlyList<WhatIfOccasion>? some) =>
            [
                .. (some ?? [])
                    .Select(w =>
                        SignsSeen.On(
                            new Wear(w.Day!.Value, w.Minutes is { } minutes ? TimeSpan.FromMinutes(minutes) : rules[Wear.CountsFrom], w.Occasion!.Value),
                            w.Signs ?? [],
                            w.Stopped == true
                        )
                    )
                    .Select(w => (w.Day, Was: w.Was(rules)))
                    .Where(w => w.Was is not null)
                    .Select(w => new OccasionOn(w.Day, w.Was!.Value)),
            ];
        var (on, worn, planned) = (asked.On!.Value, All(asked.Wears), All(asked.Planned));
        var now = AssociationBalance.On(on, worn, rules);
        var after = AssociationBalance.On(planned.Select(p => p.Day).Append(on).Max(), [.. worn, .. planned], rules);
        return new WhatIfBalanceAnswer(now.Ratio, now.HappyWithinWeek, now.Verdict(rules), after.Ratio);
    }

    private static WhatIfTreatsAnswer Treats(WhatIfTreats asked)
    {
        var mass = Mass.FromKilograms(asked.BodyMassKg!.Value);
        var allowance = asked.FoodKcal is { } food
            ? TreatAllowance.ByFood(mass, Energy.FromKilocalories(food))
            : TreatAllowance.ByFactor(mass, asked.Factor!.Value);
        var piece = Energy.FromKilocalories(asked.KcalPerPiece!.Value);
        return new WhatIfTreatsAnswer(
            allowance.Resting.Kilocalories,
            allowance.Daily.Kilocalories,
            allowance.Treats.Kilocalories,
            allowance.PiecesLeft(piece, piece * (asked.PiecesUsed ?? 0))
        );
    }
}

public sealed class WhatIfWearValidator : AbstractValidator<WhatIfWear>
{
    private const int MostWears = 5000;

    public WhatIfWearValidator()
    {
        RuleFor(w => w.Muzzle).NotNull().WithMessage("muzzle is needed: its type, and for a basket its gapeClass.");
        RuleFor(w => w.Muzzle!.Type).NotNull().When(w => w.Muzzle is not null).WithMessage("type is needed: basket, sleeve or faceCover.");
        RuleFor(w => w.Muzzle!.GapeClass)
            .NotNull()
            .When(w => w.Muzzle is { Type: MuzzleType.Basket })
            .WithMessage("gapeClass is needed for a basket: closed, halfPant, fullPant or yawn.");
        RuleFor(w => w.Weather).NotNull().WithMessage("weather is needed: airC and humidityPercent.");
        RuleFor(w => w.Weather!.AirC)
            .NeededBetween(Weather.LeastAir, Weather.MostAir)
            .When(w => w.Weather is not null)
            .WithMessage("airC is needed, −20 to 50: outside that the wet bulb is not computed.");
        RuleFor(w => w.Weather!.HumidityPercent)
            .NeededBetween(Weather.LeastHumidity, Weather.MostHumidity)
            .When(w => w.Weather is not null)
            .WithMessage("humidityPercent is needed, 5 to 99: outside that the wet bulb is not computed.");
        RuleFor(w => w.LongestComfortableMinutes)
            .Must(m => m is null or (> 0 and <= 1440))
            .WithMessage("longestComfortableMinutes must be over 0 and up to 1440; leave it out for a dog never worn long.");
        RuleFor(w => w.WornTodayMinutes).Must(m => m is null or (>= 0 and <= 1440)).WithMessage("wornTodayMinutes is 0 to 1440.");
        RuleFor(w => w.LastWears).Must(w => w is null || w.Count <= MostWears).WithMessage($"Up to {MostWears} wears, please.");
        RuleForEach(w => w.LastWears)
            .ChildRules(wear =>
            {
                wear.RuleFor(w => w.Day).NotNull().WithMessage("day is needed, such as 2026-11-27.");
                wear.RuleFor(w => w.Minutes).NeededBetween(0, 10_080).WithMessage("minutes is needed, 0 to 10,080.");
                wear.RuleFor(w => w.CapMinutes).Must(m => m is null or (>= 0 and <= 1440)).WithMessage("capMinutes is 0 to 1440.");
                wear.RuleForEach(w => w.Signs).OnTheList();
            });
        RuleFor(w => w.Dog!.BodyMassKg).InclusiveBetween(0.4, 120).When(w => w.Dog is not null).WithMessage("A body mass is 0.4 to 120 kg.");
        RuleFor(w => w.Dog!.AgeYears).InclusiveBetween(0, 30).When(w => w.Dog is not null).WithMessage("An age is 0 to 30 years.");
    }
}

public sealed class WhatIfBalanceValidator : AbstractValidator<WhatIfBalance>
{
    private const int Most = 5000;

    public WhatIfBalanceValidator()
    {
        RuleFor(b => b.On).NotNull().WithMessage("on is needed: the day it is asked on, such as 2026-11-27.");
        RuleFor(b => b.Wears)
            .NotNull()
            .WithMessage("wears is needed: none yet as [].")
            .Must(w => w is null || w.Count <= Most)
            .WithMessage($"Up to {Most} wears, please.");
        RuleFor(b => b.Planned).Must(p => p is null || p.Count <= Most).WithMessage($"Up to {Most} planned wears, please.");
        RuleForEach(b => b.Wears).SetValidator(b => new OccasionValidator(d => b.On is null || d <= b.On, "A wear lies on the day asked or before."));
        RuleForEach(b => b.Planned).SetValidator(b => new OccasionValidator(d => b.On is null || d >= b.On, "What is planned lies on the day asked or after."));
    }

    private sealed class OccasionValidator : AbstractValidator<WhatIfOccasion>
    {
        public OccasionValidator(Func<DateOnly, bool> lies, string where)
        {
            RuleFor(w => w.Day).NotNull().WithMessage("day is needed, such as 2026-11-27.").Must(d => d is null || lies(d.Value)).WithMessage(where);
            RuleFor(w => w.Occasion).NotNull().WithMessage("occasion is needed: fun, ordinary or stressful.");
            RuleFor(w => w.Minutes).Must(m => m is null or (>= 0 and <= 10_080)).WithMessage("minutes is 0 to 10,080.");
            RuleForEach(w => w.Signs).OnTheList();
        }
    }
}

public sealed class WhatIfTreatsValidator : AbstractValidator<WhatIfTreats>
{
    public WhatIfTreatsValidator()
    {
        RuleFor(t => t.BodyMassKg).NeededBetween(0.4, 120).WithMessage("bodyMassKg is needed, 0.4 to 120.");
        RuleFor(t => t.Factor)
            .Must((t, f) => f is null != t.FoodKcal is null)
            .WithMessage("Say either factor (times resting energy) or foodKcal (what is measured), not both.")
            .Must(f => f is null or (>= 0.8 and <= 6))
            .WithMessage("factor must be 0.8 to 6.");
        RuleFor(t => t.FoodKcal)
            .Must(f => f is null or (> 0 and <= 20_000))
            .WithMessage("foodKcal must be over 0 and up to 20,000.")
            .Must(
                (t, f) =>
                    f is null || t.BodyMassKg is not > 0 || TreatAllowance.IsPlausible(Mass.FromKilograms(t.BodyMassKg.Value), Energy.FromKilocalories(f.Value))
            )
            .WithMessage("foodKcal must be 0.5 to 6 times what the dog needs at rest; look at it and at bodyMassKg again.");
        RuleFor(t => t.KcalPerPiece).Must(k => k is > 0 and <= 1000).WithMessage("kcalPerPiece is needed, over 0 and up to 1000.");
        RuleFor(t => t.PiecesUsed).Must(p => p is null or (>= 0 and <= 10_000)).WithMessage("piecesUsed must be 0 to 10,000.");
    }
}
