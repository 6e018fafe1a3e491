using JauntyBadge.Core.Caseload;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.People;
using JauntyBadge.Data;
using JauntyBadge.Server.Shared;

namespace JauntyBadge.Server.Conditioning;

/// <summary>A sign to tap.</summary>
/// <param name="Name">What is seen.</param>
/// <param name="EndsNow">One of it ends everything at once.</param>
public sealed record SignDto(string Id, SignGroup Group, string Name, bool EndsNow);

/// <summary>What a dog can show, in words and as pictures of it, and what a step of training looks like with it.</summary>
internal static class SignEndpoints
{
    public static void MapSigns(this IEndpointRouteBuilder api)
    {
        api.MapGet("/signs", WordsAsync).WithTags("Conditioning").WithName("signs").May(Concern.Trade).WithSummary("The signs to tap.");
        api.MapGet("/dogs/{id:guid}/signs", PicturesAsync)
            .WithTags("Conditioning")
            .WithName("signPictures")
            .May(Concern.Sessions)
            .WithSummary("This dog as it shows each of the signs, of training and of a worn muzzle.");
        api.MapGet("/dogs/{id:guid}/steps/{stepId}/drawing", DrawingAsync)
            .WithTags("Conditioning")
            .WithName("stepDrawing")
            .May(Concern.Sessions)
            .WithSummary("This dog in a step of its training: where thing, hands and treat are.")
            .ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static async Task<IReadOnlyList<SignDto>> WordsAsync(Pen pen, CancellationToken cancel)
    {
        var words = new ConditioningWords(await pen.TakeAsync(cancel));
        return [.. Sign.All.Select(s => new SignDto(s.Id, s.Group, words.Told(s).Name, s.EndsNow))];
    }

    private static async Task<HeadPortrait> DrawingAsync(Guid id, string stepId, PracticeDb db, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(id, cancel);
        var step = Step.Find(stepId) ?? throw Refusal.NotFound("No step has this id.");
        return HeadPortrait.In(file.ToDraw, file.Profile.Look, step.Sketch);
    }

    private static async Task<IReadOnlyList<SignPicture>> PicturesAsync(Guid id, PracticeDb db, CancellationToken cancel)
    {
        var file = await db.MeasuredDogAsync(id, cancel);
        return SignPicture.All(file.ToDraw, file.Profile.Look);
    }
}
