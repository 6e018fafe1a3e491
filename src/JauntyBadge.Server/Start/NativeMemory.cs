using System.Runtime.InteropServices;

namespace JauntyBadge.Server.Start;

/// <summary>
/// Pictures are unfolded in memory of the C library. glibc keeps an arena for each thread that ever did so, and gives none of it back: 250 MB after a hundred and twenty pictures. One arena,
/// trimmed as it empties, keeps a few (mallopt(3)). Where there is another C library, nothing is set.
/// </summary>
internal static class NativeMemory
{
    private const int ArenaMax = -8;
    private const int TrimThreshold = -1;
    private const int TrimAbove = 128 * 1024;

    /// <summary>To be called before anything else takes memory there.</summary>
    public static void KeepSmall()
    {
        if (!OperatingSystem.IsLinux())
            return;
        try
        {
            _ = Mallopt(ArenaMax, 1);
            _ = Mallopt(TrimThreshold, TrimAbove);
        }
        catch (EntryPointNotFoundException)
        {
            // Another C library.
        }
        catch (DllNotFoundException)
        {
            // The same.
        }
    }

    [DllImport("libc", EntryPoint = "mallopt")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static extern int Mallopt(int parameter, int value);
}
