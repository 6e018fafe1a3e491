using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Serialization;
using FluentValidation;
using JauntyBadge.Core;
using JauntyBadge.Data;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using JauntyBadge.Server.Start;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.AspNetCore.Server.Kestrel.Transport.Sockets;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

const long LargestBody = TooLarge.Usual;
const int CannotStart = 2;

NativeMemory.KeepSmall();
try
{
    if (args is ["backup", .. var wanted])
        return Practice.BackUp(wanted);
    if (args is ["restore", .. var back])
        return await Practice.RestoreAsync(back);
    if (args is ["replay", .. var of])
        return await Practice.ReplayAsync(of);
    if (args is ["person", "add", .. var who])
        return await PersonCommand.AddAsync(who);
    await using var app = Build(args);
    Serve(app);
    if (!OpenApiSetup.IsOnlyGenerating)
    {
        LoopbackOnly.Need(app.Configuration);
        await Practice.OpenAsync(app);
    }

    await app.StartAsync();
    StartLog.Started = true;
    await app.WaitForShutdownAsync();
    return 0;
}
catch (PracticeProblem problem)
{
    await Console.Error.WriteLineAsync(problem.Message);
    return CannotStart;
}
catch (IOException problem) when (problem.InnerException is AddressInUseException)
{
    await Console.Error.WriteLineAsync("Something else answers on this address already. Stop it, or choose another port with --urls.");
    return CannotStart;
}

static WebApplication Build(string[] args)
{
    var builder = WebApplication.CreateBuilder(args);
    var folder = Practice.FolderOf(builder.Configuration);
    builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = LargestBody);
    var at = PublicAddress.Of(builder.Configuration);
    builder.Services.AddSingleton<IConnectionListenerFactory>(services => new LoopbackOnly(
        ActivatorUtilities.CreateInstance<SocketTransportFactory>(services),
        at
    ));
    builder.AddHosts(at);
    builder.Services.AddSingleton(at);
    builder.Services.AddSingleton(Options.Create(at.ProxiesOf(builder.Configuration)));
    builder.Services.AddHsts(hsts => (hsts.MaxAge, hsts.IncludeSubDomains) = (TimeSpan.FromDays(365), true));
    builder.Services.AddDataProtection().SetApplicationName("jaunty-badge");
    builder.Services.AddSingleton<IConfigureOptions<KeyManagementOptions>, KeysInFolder>();
    SignIns.Add(builder.Services, at);
    builder.Logging.AddStartLog();
    builder.Services.ConfigureHttpJsonOptions(json =>
    {
        json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
        json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        json.SerializerOptions.Converters.Add(new FiniteNumbers());
        json.SerializerOptions.Converters.Add(new LengthInMm());
        json.SerializerOptions.Converters.Add(new MassInGrams());
    });
    builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
    builder.Services.AddProblemDetails(problems =>
        problems.CustomizeProblemDetails = context =>
        {
            // Kestrel refuses these before any of our code sees them.
            if (context.ProblemDetails is { Status: StatusCodes.Status413PayloadTooLarge, Detail: null } tooLarge)
                tooLarge.Detail = TooLarge.Words(context.HttpContext, LargestBody);
        }
    );
    builder.Services.AddExceptionHandler<ProblemHandler>();
    AssemblyScanner.FindValidatorsInAssemblyContaining<Program>().ForEach(v => builder.Services.AddScoped(v.InterfaceType, v.ValidatorType));
    builder.Services.AddSingleton(TimeProvider.System);
    builder.Services.AddSingleton(_ => PracticeFolder.Hold(folder));
    builder.Services.AddSingleton<WriteGate>();
    builder.Services.AddDbContext<PracticeDb>(db => db.UseSqlite(PracticeFolder.ConnectionTo(folder)));
    builder.Services.AddHttpContextAccessor();
    builder.Services.ConfigureOptions<GroundsInWords>();
    builder.Services.AddScoped<Pen>();
    foreach (var room in Rooms.All)
        room.AddServices(builder.Services);
    builder.Services.AddResponseCompression(compression =>
        compression.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "image/svg+xml", "application/problem+json"]
    );
    // A phone's line is slower than a millisecond more of packing.
    builder.Services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);
    builder.Services.Configure<GzipCompressionProviderOptions>(gzip => gzip.Level = CompressionLevel.Optimal);
    builder.Services.AddOpenApi("v1", OpenApiSetup.Configure);
    return builder.Build();
}

static void Serve(WebApplication app)
{
    app.UseForwardedHeaders();
    app.Use(SecurityHeaders.Add);
    if (app.Services.GetRequiredService<PublicAddress>().IsSecure)
        app.UseHsts();
    app.UseExceptionHandler();
    app.UseStatusCodePages(ProblemHandler.TellAsync);
    app.Use(FromHereOnly.RefuseOtherNames);
    app.Use(FromHereOnly.RefuseOthers);
    app.Use(FromHereOnly.RefuseUnreadable);
    app.Use(Sound.NeedInAddress);
    app.Use(Door.LetIn);
    app.UseResponseCompression();
    app.Use(Precompressed.Serve(app.Environment.WebRootFileProvider));
    app.UseStaticFiles(SecurityHeaders.StaticFiles);

    var api = app.MapGroup("/api")
        .AddEndpointFilterFactory(Validation.Filter)
        .ProducesProblem(StatusCodes.Status400BadRequest)
        .ProducesProblem(StatusCodes.Status404NotFound);
    foreach (var room in Rooms.All)
        room.Map(api);
    api.MapGet("/health", () => TypedResults.Ok(new Health(true))).MayAnyone().ExcludeFromDescription();
    app.MapOpenApi("/api/openapi/{documentName}.json").WithMetadata(new MayDo.ForAnyone());

    // The front end answers every other address itself; the API's own keep their 404, 405 and 415.
    foreach (var address in (string[])["/", "{*path:nonfile:regex(^(?!api($|/)).*$)}"])
        app.MapFallback(address, FrontPage.Serve(app.Environment.WebRootFileProvider))
            .WithMetadata(new HttpMethodMetadata([HttpMethods.Get, HttpMethods.Head]));
}

/// <summary>That the server answers.</summary>
internal sealed record Health(bool Ok);

/// <summary>The server; named so that the tests can start it.</summary>
public partial class Program;
