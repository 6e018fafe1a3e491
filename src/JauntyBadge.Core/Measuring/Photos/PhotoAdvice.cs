namespace JauntyBadge.Core.Measuring.Photos;

/// <summary>What would make more of a picture.</summary>
internal static class PhotoAdvice
{
    public static IReadOnlyList<PhotoHint> For(PhotoQuestion question, IReadOnlyList<PhotoMeasure> measures, PhotoWork work)
    {
        List<PhotoHint> hints = [];
        var own = PhotoLandmarks.For(question.View);
        var foreign = question.Landmarks.Keys.Where(l => !own.Contains(l)).ToList();
        if (foreign.Count > 0)
            hints.Add(new OfTheOtherView(question.View, foreign));
        if (measures.Any(m => m.WaitsForShape))
            hints.Add(new ShapeNotSaid());
        if (measures.Count == 0)
            hints.Add(new NoLengthYet(question.View, question.Landmarks.Keys.Count(own.Contains)));
        var longest = measures.Count == 0 ? 0 : measures.Max(m => m.Value.Millimeters);
        if (work.SlantRad > PhotoRules.UsualTilt.Ours.Radians && work.DistanceMm < question.Rules[PhotoRules.CloseFrom] * longest)
            hints.Add(new StepBack());
        return hints;
    }
}
