using System.Net;
using JauntyBadge.Data;
using Microsoft.AspNetCore.HttpOverrides;

namespace JauntyBadge.Server.People;

/// <summary>
/// Where the practice is reached from other machines: <c>--public-url https://van.example</c>, behind a proxy that speaks TLS. Without it the server answers its own machine only,
/// and whoever sits at that is the fitter.
/// </summary>
/// <param name="Url">The address; null where there is none.</param>
internal sealed record PublicAddress(Uri? Url)
{
    /// <summary>Nobody has to sign in: only this machine gets an answer at all.</summary>
    public bool IsOpen => Url is null;

    /// <summary>Cookies go by TLS only.</summary>
    public bool IsSecure => Url?.Scheme == Uri.UriSchemeHttps;

    /// <summary>Reads it from the settings.</summary>
    /// <exception cref="PracticeProblem">It is none that can be used.</exception>
    public static PublicAddress Of(IConfiguration settings)
    {
        if (settings["public-url"] is not { Length: > 0 } said)
            return new(Url: null);
        if (
            !Uri.TryCreate(said, UriKind.Absolute, out var url)
            || url.Scheme is not ("https" or "http")
            || url.Host is "" or "0.0.0.0"
            || said.Contains('*', StringComparison.Ordinal)
        )
            throw new PracticeProblem($"--public-url takes the address people reach the practice at, such as https://van.example; {said} is none.");
        if (url is not { AbsolutePath: "/", Query: "", Fragment: "" })
            throw new PracticeProblem(
                $"--public-url takes the address people reach the practice at, such as https://van.example, without anything behind it; {said} has {url.PathAndQuery}{url.Fragment}."
            );
        // What is sent without TLS can be read on the way, passwords and cookies among it. On the machine itself there is no way to read.
        if (url.Scheme == "http" && !url.IsLoopback)
            throw new PracticeProblem(
                $"--public-url takes the address people reach the practice at, such as https://van.example: without TLS anyone on the way reads passwords. {said} would do so. Put a proxy in front (docs/running.md)."
            );
        return new(url);
    }

    /// <summary>Believes what the named proxies say of whom they speak for: <c>--proxies 10.0.0.2;10.0.0.3</c>; those of this machine when none is named.</summary>
    /// <exception cref="PracticeProblem">One of them is no address.</exception>
    public ForwardedHeadersOptions ProxiesOf(IConfiguration settings)
    {
        var options = new ForwardedHeadersOptions
        {
            ForwardedHeaders = IsOpen
                ? ForwardedHeaders.None
                : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost,
            ForwardLimit = 1,
        };
        options.KnownIPNetworks.Clear();
        options.KnownProxies.Clear();
        options.AllowedHosts = Url is null ? [] : [Url.Host];
        var named = (settings["proxies"] ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        foreach (var proxy in named)
            options.KnownProxies.Add(
                IPAddress.TryParse(proxy, out var address)
                    ? address
                    : throw new PracticeProblem($"--proxies takes addresses such as 10.0.0.2, apart by semicolons; {proxy} is none.")
            );
        if (named.Length == 0)
        {
            options.KnownProxies.Add(IPAddress.Loopback);
            options.KnownProxies.Add(IPAddress.IPv6Loopback);
        }

        return options;
    }

    /// <summary>A page of the product, as people reach it.</summary>
    public string PageAt(string path, HttpRequest? request = null) =>
        new Uri(Url ?? new Uri($"{request?.Scheme ?? "http"}://{request?.Host.Value ?? "127.0.0.1:5080"}"), path).ToString();
}
