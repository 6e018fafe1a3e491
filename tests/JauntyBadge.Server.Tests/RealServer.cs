using System.Diagnostics;
using System.Text;

namespace JauntyBadge.Server.Tests;

/// <summary>The server as a process of its own, to be killed, denied and started wrongly.</summary>
internal sealed class RealServer : IDisposable
{
    private readonly Process process;
    private readonly StringBuilder said = new();

    private RealServer(Process process) => this.process = process;

    public HttpClient Http { get; } = new();

    /// <summary>What it said on its error output.</summary>
    public string Said => said.ToString();

    /// <summary>What it said before it answered.</summary>
    public string SaidBefore { get; private set; } = "";

    /// <summary>How it ended.</summary>
    public int ExitCode => process.ExitCode;

    /// <summary>Starts it on a folder and waits for its address.</summary>
    public static async Task<RealServer> StartAsync(string folder, params string[] more)
    {
        var server = Begin(["--urls", "http://127.0.0.1:0", "--data", folder, "--contentRoot", AppContext.BaseDirectory, .. more]);
        while (await server.process.StandardOutput.ReadLineAsync() is { } line)
        {
            server.SaidBefore += line + "\n";
            if (line.IndexOf("http://127.0.0.1:", StringComparison.Ordinal) is var at and >= 0)
            {
                server.Http.BaseAddress = new Uri(line[at..].Trim());
                return server;
            }
        }

        throw new InvalidOperationException($"The server ended before it answered: {server.Said}");
    }

    /// <summary>Runs it to its end, for what is refused; what it says on either output comes back.</summary>
    public static async Task<(int Code, string Said)> RunAsync(params string[] arguments)
    {
        using var server = Begin(arguments);
        var output = await server.process.StandardOutput.ReadToEndAsync();
        await server.process.WaitForExitAsync();
        server.process.WaitForExit();
        return (server.ExitCode, (server.Said + output).Trim());
    }

    /// <summary>Begins it without waiting for anything.</summary>
    public static RealServer Begin(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "JauntyBadge.Server.dll"), .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["Logging__LogLevel__Microsoft.Hosting.Lifetime"] = "Information" },
        };
        var server = new RealServer(Process.Start(start)!);
        server.process.ErrorDataReceived += (_, line) => server.said.AppendLine(line.Data);
        server.process.BeginErrorReadLine();
        return server;
    }

    /// <summary>SIGINT, as Ctrl-C sends it.</summary>
    public void Interrupt() => Process.Start("kill", ["-INT", $"{process.Id}"]).WaitForExit();

    /// <summary>Waits until it has ended.</summary>
    public async Task EndAsync()
    {
        await process.WaitForExitAsync();
        process.WaitForExit();
    }

    /// <summary>SIGKILL: no handler runs.</summary>
    public void Kill()
    {
        process.Kill();
        process.WaitForExit();
    }

    public void Dispose()
    {
        if (!process.HasExited)
            Kill();
        Http.Dispose();
        process.Dispose();
    }
}
