using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>The answer about one muzzle in one line. What stands in it is read without what stands below it.</summary>
/// <param name="Chance">How sure, such as "96 %"; null where it is out or was not drawn. Never 100 %.</param>
/// <param name="Says">The verdict in words, with what it does not cover.</param>
/// <param name="Unchecked">What could not be checked; null when everything was.</param>
/// <param name="First">The first of it, in a word or two; null when everything was.</param>
/// <param name="Instead">What stands in the place of the number, where it is not to be worn so; null elsewhere.</param>
public sealed record Headline(string? Chance, string Says, string? Unchecked, string? First = null, string? Instead = null)
{
    public static readonly Grounded<double> EvenChance = new(
        "fit.even-chance",
        "Chance of fit below which a muzzle is not said to fit",
        0.5,
        Basis.House("more likely than not it does not")
    );

    /// <summary>The line for a judged muzzle.</summary>
    public static Headline Of(RankedFit fit)
    {
        var (writing, rules) = (fit.Question.Writing, fit.Question.Rules);
        var words = new FittingWords(writing);
        var notChecked = fit.NotChecked.Select(n => n.Name).Order().Select(words.Within).Distinct().ToList();
        var (left, first) = (writing.And(notChecked), notChecked.FirstOrDefault());
        var missing = left == "" ? null : writing.Say($"{left} not checked");
        var decided = fit.Deciding;
        Headline Not(string why) => new(null, why + (missing is null ? "" : $" · {missing}"), missing, first, why);
        if (fit.Brief.VeterinarianFirst)
            return Not(writing.Say("ask the veterinarian first"));
        if (fit.Verdict == Verdict.Out)
            return new(
                null,
                decided.Margin is { } miss
                    ? writing.Say($"out by {writing.Length(-miss)}, {words.Within(decided.Name)}")
                    : writing.Say($"out: {words.Within(decided.Name)}"),
                missing,
                first
            );

        if (fit.CanBePushedIn)
            return Not(writing.Say($"{words.Within(CriterionName.Shove)}: not to be worn so"));
        var sure =
            fit.Chance is null ? ""
            : missing is null ? writing.Say("sure · ")
            : writing.Say("sure of what was checked · ");
        var says =
            fit.Model.Type != MuzzleType.Basket
                ? writing.Say($"right in size; the mouth held shut, for {FitRules.Cap(fit.Model.Type, rules)!.Value.TotalMinutes:0} watched minutes at most")
            : fit.Chance < rules[EvenChance] ? writing.Say("more likely it does not fit")
            : fit.Verdict == Verdict.Fits ? writing.Say($"fits, {writing.Length(fit.TightestMargin)} to spare")
            : decided.Margin is null ? writing.Say("fits with a line overruled")
            : fit.Warns ? writing.Say($"fits with a warning: {words.Within(decided.Name)}")
            : decided.Margin.Value.Millimeters >= rules[FitRules.Marginal].Millimeters * fit.Snout.SmallDogScale
                ? writing.Say("just fits, resting on what was not read")
            : writing.Say($"just fits, {writing.Length(decided.Margin.Value)} to spare");
        return new(fit.Chance is { } chance ? Writing.Percent(chance) : null, sure + says + (missing is null ? "" : $" · {missing}"), missing, first);
    }
}
