using JauntyBadge.Data;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;

namespace JauntyBadge.TestHost;

/// <summary>The real server on a real port with a SQLite file of its own; only the clock is another.</summary>
/// <param name="folder">Where its practice is.</param>
/// <param name="demo">Whether an empty practice is filled with the demo's.</param>
/// <param name="clock">What it takes for the time.</param>
/// <param name="interceptors">What watches its database.</param>
public sealed class HostedPractice(string folder, bool demo, TimeProvider clock, params IInterceptor[] interceptors) : WebApplicationFactory<Program>
{
    /// <summary>Whether the simulated devices play though it is no demo.</summary>
    public bool Simulated { get; init; } = true;

    /// <summary>Whether it makes backups by itself; tests turn the clock by days.</summary>
    public bool Nightly { get; init; }

    /// <summary>Where people reach it from elsewhere, so that they sign in; null where nobody has to.</summary>
    public string? PublicUrl { get; init; }

    /// <summary>Where the built front end lies; null for the product's own.</summary>
    public string? FrontEnd { get; init; }

    /// <summary>
    /// Starts it on a port that was free. The port is a setting of the server's own: the factory's would be set while the server may have begun to start.
    /// </summary>
    public void Start()
    {
        UseKestrel();
        StartServer();
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder
            .UseEnvironment("Production")
            .UseUrls("http://127.0.0.1:0")
            .UseSetting("data", folder)
            .UseSetting("demo", demo.ToString())
            .UseSetting("simulated", Simulated.ToString())
            .UseSetting("nightly", Nightly.ToString())
            .UseSetting("public-url", PublicUrl);
        if (FrontEnd is not null)
            builder.UseWebRoot(FrontEnd);
        builder.ConfigureServices(services =>
            services.Replace(ServiceDescriptor.Singleton(clock)).ConfigureDbContext<PracticeDb>(db => db.AddInterceptors(interceptors))
        );
    }
}
