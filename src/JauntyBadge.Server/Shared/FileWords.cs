using JauntyBadge.Core;

namespace JauntyBadge.Server.Shared;

/// <summary>A file's text, however it was sent.</summary>
internal static class FileWords
{
    /// <exception cref="Refusal">The bytes are no text that can be read.</exception>
    public static string? Of(string? text, byte[]? file) =>
        file is null
            ? text
            : FileText.Read(file)
                ?? throw Refusal.Field(
                    "file",
                    "This file is not text that can be read: UTF-8, UTF-16 or Windows-1252 is expected. Save it again as CSV UTF-8."
                );
}
