namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>What would make more of a picture, in words.</summary>
internal static class PhotoAdvice
{
    /// <summary>Where the reference is to be held.</summary>
    public const string WhereToHold = "Hold it in front of the nose or under the chin, flat in the plane through the middle of the head; beside the snout it lies nearer to the camera and makes the head seem smaller.";

    public static IReadOnlyList<string> For(PhotoQuestion question, IReadOnlyList<PhotoMeasure> measures, PhotoWork work)
    {
        List<string> advice = [];
        var own = PhotoLandmarks.For(question.View);
        var foreign = question.Landmarks.Keys.Where(l => !own.Contains(l)).ToList();
        var view = question.View == PhotoView.Side ? "from the side" : "from above";
        if (foreign.Count > 0)
            advice.Add($"{string.Join(", ", foreign.Select(ReferencePlane.Words))}: not seen in a picture {view}, so left out. Was it taken {(question.View == PhotoView.Side ? "from above" : "from the side")}?");
        var placed = question.Landmarks.Keys.Count(own.Contains);
        if (measures.Count == 0)
        {
            advice.Add(placed == 0
                ? $"No landmark of a picture {view} is marked yet. Begin with the nose tip and the inner eye."
                : placed == 1
                    ? "One landmark gives no length: mark a second one, such as the nose tip and the inner eye."
                    : "These landmarks give no length together: mark the nose tip and the inner eye, or both ends of the fit line.");
        }

        var longest = measures.Count == 0 ? 0 : measures.Max(m => m.Value.Millimeters);
        if (work.SlantRad > PhotoRules.UsualTilt.Ours.Radians && work.DistanceMm < question.Rules[PhotoRules.CloseFrom] * longest)
            advice.Add("The camera was turned and close by: take the picture square on and from further away, and every length is surer.");
        return advice;
    }
}
