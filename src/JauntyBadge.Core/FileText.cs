using System.Text;

namespace JauntyBadge.Core;

/// <summary>What is written in a file of bytes. Nothing is guessed into garbage: what no encoding explains is refused.</summary>
public static class FileText
{
    private const int Windows1252 = 1252;

    /// <summary>Reads UTF-8, UTF-16 by its mark or by its zero bytes, else Windows-1252 where every byte is a letter of it.</summary>
    /// <returns>Null when it is none of them.</returns>
    public static string? Read(byte[] bytes)
    {
        if (bytes is [0xFF, 0xFE, ..] or [0xFE, 0xFF, ..])
            return Strict(bytes[0] == 0xFF ? new UnicodeEncoding(false, true, true) : new UnicodeEncoding(true, true, true), bytes.AsSpan(2));
        if (bytes is [0xEF, 0xBB, 0xBF, ..])
            return Strict(new UTF8Encoding(false, true), bytes.AsSpan(3));
        if (Array.IndexOf(bytes, (byte)0) >= 0)
        {
            // Without a mark: in UTF-16 of mostly Latin letters every other byte is zero.
            var (even, odd) = (Zeros(bytes, 0), Zeros(bytes, 1));
            return bytes.Length % 2 != 0 || Math.Max(even, odd) < 0.4 || Math.Min(even, odd) > 0.1
                ? null
                : Strict(new UnicodeEncoding(even > odd, false, true), bytes);
        }

        return Strict(new UTF8Encoding(false, true), bytes) ?? Western(bytes);
    }

    /// <summary>
    /// A text as it may stand in a file that others read: without control characters but tab and line ends (Published: XML 1.0, section 2.2; RFC 5545, section 3.3.11). What is
    /// entered has none; an earlier release took them.
    /// </summary>
    public static string Printable(string text) => text.All(IsPrintable) ? text : string.Concat(text.Where(IsPrintable));

    /// <summary>Whether a character may stand there: none of C0 and C1 but tab and line ends (Published: ECMA-48).</summary>
    public static bool IsPrintable(char c) => !char.IsControl(c) || c is '\t' or '\n' or '\r';

    private static string? Western(byte[] bytes)
    {
        if (bytes.Any(b => b is 0x81 or 0x8D or 0x8F or 0x90 or 0x9D or 0x7F || (b < 0x20 && b is not (0x09 or 0x0A or 0x0D))))
            return null;
        return (
            CodePagesEncodingProvider.Instance.GetEncoding(Windows1252) ?? throw new InvalidOperationException("Windows-1252 does not ship with the runtime.")
        ).GetString(bytes);
    }

    private static double Zeros(byte[] bytes, int from) => bytes.Where((b, i) => i % 2 == from && b == 0).Count() / Math.Max(1.0, bytes.Length / 2);

    private static string? Strict(Encoding encoding, ReadOnlySpan<byte> bytes)
    {
        try
        {
            return encoding.GetString(bytes);
        }
        catch (DecoderFallbackException)
        {
            return null;
        }
    }
}
