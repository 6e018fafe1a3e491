using System.Text.RegularExpressions;
using FluentValidation;

namespace JauntyBadge.Server.Shared;

/// <summary>What is asked of a telephone number, wherever one is entered.</summary>
internal static partial class PhoneRule
{
    [GeneratedRegex(@"^\+?[0-9][0-9 ()/.\-]{2,38}$")]
    private static partial Regex Phone();

    public static IRuleBuilderOptions<T, string?> IsPhone<T>(this IRuleBuilder<T, string?> number) =>
        number
            .Must(n => string.IsNullOrWhiteSpace(n) || Phone().IsMatch(n.Trim()))
            .WithMessage("A telephone number has 3 to 40 digits, spaces and ( ) / - . and may begin with +.");
}
