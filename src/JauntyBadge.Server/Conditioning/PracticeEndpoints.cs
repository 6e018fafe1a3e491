using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Data.Dogs;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A session with a virtual dog so far.</summary>
/// <param name="Temperament">bold, typical, wary or soured.</param>
/// <param name="StepId">The step practised; "hold-short" when left out.</param>
/// <param name="Seed">Which dog: the same seed and moves play the same.</param>
/// <param name="Moves">Everything done so far, up to 500.</param>
public sealed record PracticeEntry(Temperament? Temperament = null, string? StepId = null, int? Seed = null, IReadOnlyList<PracticeMove>? Moves = null);

/// <summary>A set looked back on.</summary>
public sealed record PracticeSetDto(string TargetText, int Good, int Goes, PracticeMove Chosen, PracticeVerdict Verdict, string Says);

/// <summary>The session as it stands.</summary>
/// <param name="Picture">The dog as it is seen now.</param>
/// <param name="Sign">What it showed at the last go, in words; null before one.</param>
/// <param name="AskedSeconds">How long the target asks it to stay; null for any other.</param>
/// <param name="HeldSeconds">How long it stayed at the last go.</param>
/// <param name="AllGoes">Goes of the session.</param>
/// <param name="EasyGo">How the easy go went that ended it; null where there was none.</param>
/// <param name="Learned">How much it has learned of the step in this session, −1 to 1; null before the end.</param>
public sealed record PracticeDto(
    string Step,
    string Success,
    string Yes,
    string NotYet,
    string TargetText,
    bool IsEasiest,
    bool IsHardest,
    IReadOnlyList<bool> Goes,
    HeadPortrait Picture,
    string? Sign,
    double? AskedSeconds,
    double? HeldSeconds,
    int AllGoes,
    bool WentOver,
    IReadOnlyList<PracticeSetDto> Sets,
    bool Ended,
    bool? EasyGo,
    double? Learned
);

public sealed class PracticeValidator : AbstractValidator<PracticeEntry>
{
    private const int MostMoves = 500;

    public PracticeValidator()
    {
        RuleFor(p => p.Temperament).NotNull().WithMessage("temperament is needed: bold, typical, wary or soured.");
        RuleFor(p => p.StepId)
            .Must(id => id is null || Step.Find(id) is not null)
            .WithMessage("\"{PropertyValue}\" is not a step; POST /api/what-if/plan has them.");
        RuleFor(p => p.Moves).Must(m => m is null || m.Count <= MostMoves).WithMessage($"Up to {MostMoves} moves, please.");
    }
}

/// <summary>Practising with a virtual dog. Nothing is kept.</summary>
internal static class PracticeEndpoints
{
    private const string UsualStep = "hold-short";

    public static void MapPractice(this IEndpointRouteBuilder api) =>
        api.MapPost("/practice", PlayAsync)
            .WithTags("Conditioning")
            .WithName("practise")
            .May(Concern.Trade)
            .WithSummary("A session with a virtual dog, by hand, and how each choice compares with the rule.")
            .OnlyReads();

    private static async Task<PracticeDto> PlayAsync(PracticeEntry asked, PracticeDb db, Pen pen, CancellationToken cancel)
    {
        var words = new ConditioningWords(await pen.WithAsync(HouseRules.Ours, cancel));
        var step = Step.Find(asked.StepId ?? UsualStep)!;
        var (seed, moves) = (asked.Seed ?? 1, asked.Moves ?? []);
        var played = Practice.Play(asked.Temperament!.Value, step, moves, new Random(seed), HouseRules.Ours);
        var sign = PracticeDog.Shows(played, seed, moves.Count);
        var told = words.Told(step);
        return new PracticeDto(
            told.Name,
            told.Success,
            words.Yes(step.Stage),
            words.NotYet(step.Stage),
            words.Target(step, played.Target),
            played.Target == SetStart.EasiestRung,
            played.Target == step.TopTarget,
            played.Goes,
            PracticeDog.Seen(sign, seed, (await BreedRow.ListAsync(db, cancel)).All),
            sign is null ? null : words.Told(sign).Name,
            step.HoldOf(played.Target)?.TotalSeconds,
            played.LastHeld is { } stayed ? Math.Round(stayed.TotalSeconds, 1) : null,
            played.AllGoes,
            played.WentOver,
            [
                .. played.Sets.Select(s => new PracticeSetDto(
                    words.Target(step, s.Target),
                    s.Goes.Count(g => g),
                    s.Goes.Count,
                    s.Chosen,
                    s.Verdict,
                    words.Practised(s, t => words.Target(step, step.Within(t)))
                )),
            ],
            played.Ended,
            played.EasyGo,
            played.Ended ? (played.LearnedAfter - played.LearnedBefore).Tidy() : null
        );
    }
}
