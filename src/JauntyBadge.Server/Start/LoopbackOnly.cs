using System.Net;
using JauntyBadge.Data;
using Microsoft.AspNetCore.Connections;

namespace JauntyBadge.Server.Start;

/// <summary>
/// Refuses to listen where other machines could come in, however the address was set: whoever can reach the server may read and write everything,
/// as long as nobody has to sign in.
/// </summary>
internal sealed class LoopbackOnly(IConnectionListenerFactory listeners) : IConnectionListenerFactory
{
    public ValueTask<IConnectionListener> BindAsync(EndPoint endpoint, CancellationToken cancellationToken = default) =>
        endpoint is IPEndPoint { Address: var address } && !IPAddress.IsLoopback(address)
            ? throw new PracticeProblem(
                $"Jaunty Badge does not listen on {endpoint} yet: nobody signs in, so anyone in the network could read and change the practice. Use an address of this machine only, such as --urls http://127.0.0.1:5080."
            )
            : listeners.BindAsync(endpoint, cancellationToken);
}
