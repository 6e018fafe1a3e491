using JauntyBadge.Data;
using JauntyBadge.Server.Measuring;
using Microsoft.AspNetCore.Http.HttpResults;

namespace JauntyBadge.Server.Shared;

/// <summary>Where pictures are kept, whatever they are of.</summary>
internal static class PictureShelf
{
    /// <summary>Keeps a picture in place of the one there was; saved with what it belongs to.</summary>
    public static async Task PutAsync(PracticeDb db, Guid ofId, TakenIn picture, CancellationToken cancel)
    {
        if (await db.Pictures.FindAsync([ofId], cancel) is { } kept)
            kept.Jpeg = picture.Jpeg;
        else
            db.Pictures.Add(new PictureRow { OfId = ofId, Jpeg = picture.Jpeg });
    }

    /// <summary>The picture of something.</summary>
    /// <exception cref="Refusal">It has none.</exception>
    public static async Task<FileContentHttpResult> ReadAsync(PracticeDb db, Guid ofId, CancellationToken cancel) =>
        TypedResults.File((await db.Pictures.FindAsync([ofId], cancel) ?? throw Refusal.NotFound("It has no picture.")).Jpeg, "image/jpeg");
}
