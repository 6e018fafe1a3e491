using System.ComponentModel;
using JauntyBadge.Core;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Measuring;
using JauntyBadge.Server.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using UnitsNet;

namespace JauntyBadge.Server.Fitting;

/// <summary>How the catalogue is to be judged for a dog; what is left out follows from the dog.</summary>
internal sealed record FitQuery(
    [property: FromQuery(Name = "unit"), Description("mm, cm or in; mm when left out")] string? Unit = null,
    [property: FromQuery(Name = "uses"), Description("the purposes it is for; all of the dog's when left out")] string[]? Uses = null,
    [property: FromQuery(Name = "fitStyle"), Description("everyday or working")] string? FitStyle = null,
    [property: FromQuery(Name = "fingers"), Description("fingers under the neck strap, 0 to 4")] int? Fingers = null,
    [property: FromQuery(Name = "minutes"), Description("longest wear in minutes, 1 to 600; what is usual for the uses when left out")] int? Minutes = null,
    [property: FromQuery(Name = "warm"), Description("whether it is worn in warmth or at exercise")] bool? Warm = null,
    [property: FromQuery(Name = "clinicHands"), Description("whether the clinic's own staff put it on, watch it and take it off")] bool? ClinicHands = null
)
{
    public const int LongestMinutes = 600;

    public KeptTerms Read() =>
        new(
            [.. (Uses ?? []).Select(u => QueryWords.Read<Purpose>(u, "uses")).OfType<Purpose>()],
            QueryWords.Read<FitStyle>(FitStyle, "fitStyle"),
            Fingers,
            Minutes,
            Warm,
            ClinicHands == true
        );
}

/// <summary>The same, understood, as a question about a dog.</summary>
internal static class FitTerms
{
    /// <exception cref="Refusal">A number is out of range.</exception>
    public static BriefQuestion ToQuestion(this KeptTerms terms, DogProfile dog, HouseRules rules)
    {
        if (terms.Fingers is < 0 or > NeckStrap.MostFingers)
            throw Refusal.Field("fingers", $"fingers must be 0 to {NeckStrap.MostFingers}.");
        if (terms.Minutes is < 1 or > FitQuery.LongestMinutes)
            throw Refusal.Field("minutes", $"minutes must be 1 to {FitQuery.LongestMinutes}.");
        var usual = WearPlan.Usual(terms.Uses.Count > 0 ? terms.Uses : dog.Purposes, rules);
        return new BriefQuestion
        {
            Uses = terms.Uses,
            FitStyle = terms.FitStyle,
            Fingers = terms.Fingers,
            ClinicHands = terms.ClinicHands,
            Rules = rules,
            Wear = new WearPlan(terms.Minutes is { } minutes ? TimeSpan.FromMinutes(minutes) : usual.Longest, terms.Warm ?? usual.Warm),
        };
    }
}

/// <summary>What decides which muzzle fits a dog that was measured.</summary>
/// <param name="Dog">The dog with its readings.</param>
/// <param name="Muzzles">The muzzles to choose from.</param>
/// <param name="Settings">How the practice fits.</param>
/// <param name="Overruled">Lines of the brief overruled, with the notes.</param>
/// <param name="Today">The day it is judged.</param>
/// <param name="Writing">How it is said.</param>
internal record FitBasis(
    MeasuredDog Dog,
    MuzzleList Muzzles,
    FitSettingsRow Settings,
    IReadOnlyDictionary<string, OverruleRow> Overruled,
    DateOnly Today,
    Writing Writing
)
{
    /// <summary>A veterinarian who looked at its breathing said how long it may wear one.</summary>
    public bool VeterinarianSaid { get; init; }

    public string? CoatHex => CoatColour.Find(Dog.Dog.CoatId)?.Hex;

    public MuzzleBrief Brief(KeptTerms asked) =>
        MuzzleBrief.For(
            Dog.Profile,
            asked.ToQuestion(Dog.Profile, Dog.Rules) with
            {
                Material = Settings.Material,
                Visibility = Settings.Visibility,
                Growing = Dog.Profile.IsGrowing(Today),
                VeterinarianSaid = VeterinarianSaid,
                CoatHex = CoatHex,
                Overruled = Overruled.ToDictionary(o => o.Key, o => o.Value.Note),
                Writing = Writing,
            }
        );

    /// <summary>What the catalogue is judged by, with draws for the chances unless they are not wanted; null while the dog has no snout model.</summary>
    public FitQuestion? Question(KeptTerms asked, bool draws = true) =>
        Dog.Snout is not { } snout
            ? null
            : new FitQuestion(snout, Brief(asked), Length.FromMillimeters(Settings.FingerMm))
            {
                Draws = !draws ? null : SnoutDraws.Of(snout, UncertaintySource.Of(Dog.Assessed), SnoutDraws.Usual.Ours, new Random(SnoutDraws.Seed)),
                Weights = Settings.Weights,
                Writing = Writing,
            };

    /// <summary>The same, or a refusal that says what is missing.</summary>
    public FitQuestion NeedQuestion(KeptTerms asked, bool draws = true) =>
        Question(asked, draws)
        ?? throw Refusal.Conflict(
            $"{Writing.And(Dog.Assessed.Missing.Where(m => m.Blocking).Select(m => new MeasuringWords(Writing).Named(new(m.Measure, m.Side))))} has to be read before a muzzle can be judged."
        );

    /// <summary>One size judged.</summary>
    public RankedFit Judge(string? sizeId, FitQuestion question) =>
        Muzzles.FindSize(sizeId) is { } found ? Ranking.Judge(found.Model, found.Size, question) : throw Refusal.NotFound("No muzzle size has this id.");
}

/// <summary>The same as the fitting room needs it: with the muzzle the dog uses, its plan, and what lies in the van.</summary>
/// <param name="File">Everything that decides how far the dog has come.</param>
/// <param name="Muzzles">The muzzles to choose from.</param>
/// <param name="Settings">How the practice fits.</param>
/// <param name="Overruled">Lines of the brief overruled, with the notes.</param>
/// <param name="Van">How many of each size lie in the van.</param>
/// <param name="Today">The day it is judged.</param>
/// <param name="Writing">How it is said.</param>
internal sealed record FitFile(
    DogFile File,
    MuzzleList Muzzles,
    FitSettingsRow Settings,
    IReadOnlyDictionary<string, OverruleRow> Overruled,
    IReadOnlyDictionary<string, int> Van,
    DateOnly Today,
    Writing Writing
) : FitBasis(File.Measured, Muzzles, Settings, Overruled, Today, Writing)
{
    /// <summary>Whether it wears one at ease already; not said of a dog whose breathing is looked at first.</summary>
    public bool WearsItHappily => File is { Muzzle.Choice: not null, Record.Training.WearsIt: true } && (VeterinarianSaid || !File.Profile.VeterinarianFirst);

    /// <summary>What the list has against wearing a muzzle that was chosen, as things stand today; null for nothing, or while the snout cannot be judged.</summary>
    public Criterion? Against(KeptFit choice, string sizeId) =>
        Question(choice.JudgedFor(Dog.Rules), draws: false) is not { } question ? null
        : choice.Muzzle is { } kept ? choice.Against(Ranking.Judge(kept, choice.Size, question))
        : Muzzles.FindSize(sizeId) is { } listed ? choice.Against(Ranking.Judge(listed.Model, listed.Size, question))
        : null;

    /// <summary>The words of the room.</summary>
    public FittingWords Words => new(Writing);

    public static async Task<FitFile> LoadAsync(PracticeDb db, Pen pen, Guid id, TimeProvider clock, CancellationToken cancel)
    {
        var file = await db.DogFileAsync(id, cancel);
        return new(
            file,
            await MuzzleRow.ListAsync(db, cancel),
            await FitSettingsRow.LoadAsync(db, cancel),
            await OverruleRow.OfAsync(db, id, cancel),
            await db.Van.AsNoTracking().Where(v => v.Count > 0).ToDictionaryAsync(v => v.SizeId, v => v.Count, cancel),
            clock.Today(),
            await pen.WithAsync(file.Measured.Rules, cancel)
        )
        {
            VeterinarianSaid = file.Worn.Habits?.VeterinarianMinutes is not null,
        };
    }
}
