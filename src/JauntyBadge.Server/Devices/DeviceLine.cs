using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace JauntyBadge.Server.Devices;

/// <summary>How our devices put a line: words parted by one space, a star, and two hexadecimal digits of the sum of their bytes.</summary>
public static partial class DeviceLine
{
    [GeneratedRegex(@"^(?<body>[A-Z]+(?: [A-Za-z0-9.-]+)*)\*(?<sum>[0-9A-F]{2})$", RegexOptions.CultureInvariant)]
    private static partial Regex Shape();

    /// <summary>The words of a line; none for one that is cut short or garbled.</summary>
    /// <param name="text">Without its line end.</param>
    public static string[] Read(string text)
    {
        var match = Shape().Match(text);
        return match.Success && Sum(match.Groups["body"].Value) == match.Groups["sum"].Value ? match.Groups["body"].Value.Split(' ') : [];
    }

    /// <summary>A line as it is sent.</summary>
    public static string Write(params string[] words)
    {
        var body = string.Join(' ', words);
        return $"{body}*{Sum(body)}";
    }

    private static string Sum(string body) => (Encoding.ASCII.GetBytes(body).Sum(b => b) % 256).ToString("X2", CultureInfo.InvariantCulture);
}
