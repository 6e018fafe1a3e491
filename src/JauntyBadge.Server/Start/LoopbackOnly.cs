using System.Net;
using JauntyBadge.Data;
using JauntyBadge.Server.People;
using Microsoft.AspNetCore.Connections;

namespace JauntyBadge.Server.Start;

/// <summary>
/// Refuses to listen where other machines could come in, however the address was set, as long as nobody has to sign in: whoever can reach the server may read and write everything then.
/// </summary>
internal sealed class LoopbackOnly(IConnectionListenerFactory listeners, PublicAddress at) : IConnectionListenerFactory
{
    public ValueTask<IConnectionListener> BindAsync(EndPoint endpoint, CancellationToken cancellationToken = default) =>
        at.IsOpen && endpoint is IPEndPoint { Address: var address } && !IPAddress.IsLoopback(address)
            ? throw No($"{endpoint}")
            : listeners.BindAsync(endpoint, cancellationToken);

    /// <summary>Looks at the addresses that are set, before the practice is touched.</summary>
    /// <exception cref="PracticeProblem">Others could come in by one of them.</exception>
    public static void Need(IConfiguration settings)
    {
        if (!PublicAddress.Of(settings).IsOpen)
            return;
        if ((settings["http_ports"] ?? settings["https_ports"]) is { Length: > 0 } ports && settings["urls"] is null)
            throw No($"port {ports} of every address");
        var urls = (settings["urls"] ?? "")
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Concat(settings.GetSection("Kestrel:Endpoints").GetChildren().Select(e => e["Url"]).OfType<string>());
        foreach (var url in urls)
        {
            var host = BindingAddress.Parse(url).Host;
            if (host != "localhost" && !(IPAddress.TryParse(host.Trim('[', ']'), out var address) && IPAddress.IsLoopback(address)))
                throw No(url);
        }
    }

    private static PracticeProblem No(string where) =>
        new(
            $"Jaunty Badge does not listen on {where}: nobody signs in, so anyone in the network could read and change the practice. Use an address of this machine only, such as --urls http://127.0.0.1:5080, or say --public-url https://… and put a proxy in front (docs/running.md): then everybody signs in."
        );
}
