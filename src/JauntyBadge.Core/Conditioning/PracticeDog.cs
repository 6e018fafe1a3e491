using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;

namespace JauntyBadge.Core.Conditioning;

/// <summary>What a dog looks like that is only practised with: it is read by what it shows, and no two look alike.</summary>
public static class PracticeDog
{
    private static readonly Shown AtRest = new(Mien.Plain);

    /// <summary>The sign it shows at the last go, one of the group it is in; null before a go.</summary>
    /// <param name="played">The session so far.</param>
    /// <param name="seed">Which dog.</param>
    /// <param name="moves">How much was done so far, so that it does not show the same at every go.</param>
    public static Sign? Shows(PracticeSession played, int seed, int moves)
    {
        if (played.Goes.Count == 0)
            return null;
        var group = Sign.All.Where(s => s.Group == played.LastSign).ToList();
        return group[(seed + moves & int.MaxValue) % group.Count];
    }

    /// <summary>The dog, of a breed of its own.</summary>
    /// <param name="sign">What it shows; null for a dog that shows nothing yet.</param>
    /// <param name="seed">Which dog.</param>
    /// <param name="breeds">The breeds there are.</param>
    public static HeadPortrait Seen(Sign? sign, int seed, IReadOnlyList<Breed> breeds)
    {
        var breed = breeds.Count == 0 ? null : breeds[(int)((uint)seed * 2654435761u % (uint)breeds.Count)];
        var snout = HeadDrawing.ModelToDraw(new SnoutNumbers { HeadShape = breed?.Shape ?? HeadShape.Medium }, null);
        return HeadPortrait.Showing(snout, new LookSeen().With(breed is null ? [] : [breed]), sign?.Shows ?? AtRest, HeadPortrait.LargeSize);
    }
}
