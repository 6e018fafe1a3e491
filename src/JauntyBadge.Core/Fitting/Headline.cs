using JauntyBadge.Core.Measuring;

namespace JauntyBadge.Core.Fitting;

/// <summary>The answer about one muzzle in one line. What stands in it is read without what stands below it.</summary>
/// <param name="Chance">How sure, such as "96 %"; null where it is out or was not drawn. Never 100 %.</param>
/// <param name="Says">The verdict in words, with what it does not cover.</param>
/// <param name="Unchecked">What could not be checked, short; null when everything was.</param>
public sealed record Headline(string? Chance, string Says, string? Unchecked)
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
        var (shown, rules) = (fit.Question.Shown, fit.Question.Rules);
        var left = string.Join(" and ", fit.NotChecked.Select(n => Words(n.Name)).Distinct());
        var missing = left == "" ? null : $"{left} not checked";
        var decided = fit.Deciding;
        if (fit.Verdict == Verdict.Out)
            return new(null, decided.Margin is { } miss ? $"out by {(-miss).Show(shown)}, {Words(decided.Name)}" : $"out: {Words(decided.Name)}", missing);

        var sure =
            fit.Chance is null ? ""
            : missing is null ? "sure · "
            : "sure of what was checked · ";
        var says =
            fit.Model.Type != MuzzleType.Basket
                ? $"right in size; the mouth held shut, for {FitRules.Cap(fit.Model.Type, rules)!.Value.TotalMinutes:0} watched minutes at most"
            : fit.Chance < rules[EvenChance] ? "more likely it does not fit"
            : fit.Verdict == Verdict.Fits ? $"fits, {fit.TightestMargin.Show(shown)} to spare"
            : decided.Margin is null ? "fits with a line overruled"
            : fit.Warns ? $"fits with a warning: {Words(decided.Name)}"
            : decided.Margin.Value.Millimeters >= rules[FitRules.Marginal].Millimeters * fit.Snout.SmallDogScale ? "just fits, resting on what was not read"
            : $"just fits, {decided.Margin.Value.Show(shown)} to spare";
        return new(fit.Chance is { } chance ? Percent(chance) : null, sure + says + (missing is null ? "" : $" · {missing}"), missing);
    }

    /// <summary>A chance as a whole percent that never claims certainty it has not.</summary>
    public static string Percent(double chance) =>
        chance > 0.99 ? ">99 %"
        : chance < 0.01 ? "<1 %"
        : $"{Math.Round(chance * 100, MidpointRounding.AwayFromZero):0} %";

    private static string Words(CriterionName name) =>
        name switch
        {
            CriterionName.ChinRoom => "chin room",
            CriterionName.NeckStrap => "neck strap",
            CriterionName.SlipOff => "slip-off",
            CriterionName.Shove => "it can be pushed into the eyes",
            CriterionName.Large => "it hangs and swings",
            CriterionName.Width => "width",
            _ => name.ToString().ToLowerInvariant(),
        };
}
