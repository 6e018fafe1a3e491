using System.Text.Json;
using System.Text.Json.Serialization;
using FluentValidation;
using JauntyBadge.Data;
using JauntyBadge.Data.Demo;
using JauntyBadge.Server.Conditioning;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Dogs;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.Measuring;
using JauntyBadge.Server.Round;
using JauntyBadge.Server.Shared;
using Microsoft.EntityFrameworkCore;

const long LargestBody = TooLarge.Usual;

var builder = WebApplication.CreateBuilder(args);
var folder = builder.Configuration["data"] ?? "data";

builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = LargestBody);
builder.Services.ConfigureHttpJsonOptions(json =>
{
    json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
});
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails(problems => problems.CustomizeProblemDetails = context =>
{
    // Kestrel refuses these before any of our code sees them.
    if (context.ProblemDetails is { Status: StatusCodes.Status413PayloadTooLarge, Detail: null } tooLarge)
        tooLarge.Detail = TooLarge.Words(context.HttpContext, LargestBody);
});
builder.Services.AddExceptionHandler<ProblemHandler>();
AssemblyScanner.FindValidatorsInAssemblyContaining<Program>().ForEach(v => builder.Services.AddScoped(v.InterfaceType, v.ValidatorType));
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddDbContext<PracticeDb>(db => db.UseSqlite($"Data Source={Path.Combine(folder, "practice.db")}"));
builder.Services.AddTape(connect: !OpenApiSetup.IsOnlyGenerating);
builder.Services.AddOpenApi("v1", OpenApiSetup.Configure);

var app = builder.Build();
app.Use(SecurityHeaders.Add);
app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseDefaultFiles();
app.UseStaticFiles(SecurityHeaders.StaticFiles);

var api = app.MapGroup("/api").AddEndpointFilterFactory(Validation.Filter)
    .ProducesProblem(StatusCodes.Status400BadRequest).ProducesProblem(StatusCodes.Status404NotFound);
api.MapRound();
api.MapDogs();
api.MapBreeds();
api.MapBench();
api.MapMeasuringHistory();
api.MapPhotos();
api.MapWhatIfMeasure();
api.MapTape();
api.MapWhatIf();
api.MapFitting();
api.MapFitSettings();
api.MapCatalogue();
api.MapTryOn();
api.MapVan();
api.MapTrainingPlan();
api.MapSessions();
api.MapGet("/health", () => TypedResults.Ok(new { ok = true })).ExcludeFromDescription();
app.MapOpenApi("/api/openapi/{documentName}.json");

// The front end answers every other address itself; the API's own keep their 404, 405 and 415.
app.MapFallbackToFile("{*path:nonfile:regex(^(?!api($|/)).*$)}", "index.html", SecurityHeaders.StaticFiles);

if (!OpenApiSetup.IsOnlyGenerating)
    await PreparePracticeAsync();
await app.RunAsync();

async Task PreparePracticeAsync()
{
    Directory.CreateDirectory(folder);
    using var scope = app.Services.CreateScope();
    var db = scope.ServiceProvider.GetRequiredService<PracticeDb>();
    await db.PrepareAsync();
    if (app.Configuration.GetValue<bool>("demo") && !await db.Dogs.AnyAsync())
        await DemoPractice.FillAsync(db, scope.ServiceProvider.GetRequiredService<TimeProvider>());
}

/// <summary>The server; named so that the tests can start it.</summary>
public partial class Program;
