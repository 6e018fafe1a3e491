using System.Text.Json.Nodes;
using JauntyBadge.Core.People;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace JauntyBadge.Server.Shared;

/// <summary>Each address says what it is about, and with that who may use it. One that says nothing lets nobody in.</summary>
internal static class MayDo
{
    /// <summary>What stands in the API document.</summary>
    public const string Extension = "x-may";

    /// <summary>Says what an address is about; the core's table says who may.</summary>
    public static RouteHandlerBuilder May(this RouteHandlerBuilder endpoint, Concern concern) => endpoint.WithMetadata(new About(concern));

    /// <summary>Says that an address is for whoever knocks.</summary>
    public static RouteHandlerBuilder MayAnyone(this RouteHandlerBuilder endpoint) => endpoint.WithMetadata(new ForAnyone());

    /// <summary>Whether it is for whoever knocks.</summary>
    public static bool IsForAnyone(EndpointMetadataCollection of) => of.GetMetadata<ForAnyone>() is not null;

    /// <summary>What an address is about; null where it does not say.</summary>
    public static Concern? ConcernOf(EndpointMetadataCollection of) => of.GetMetadata<About>()?.Concern;

    /// <summary>Whether a request to it changes something.</summary>
    public static bool Changes(EndpointMetadataCollection of, string? method) =>
        method is not null && !HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !OneWriter.IsReading(of);

    /// <summary>Says in the API document who may use an address.</summary>
    public static Task Tell(OpenApiOperation operation, OpenApiOperationTransformerContext context, CancellationToken cancel)
    {
        var of = new EndpointMetadataCollection(context.Description.ActionDescriptor.EndpointMetadata);
        IEnumerable<string> who =
            IsForAnyone(of) ? ["anyone"]
            : ConcernOf(of) is { } concern ? Core.People.May.Who(concern, Changes(of, context.Description.HttpMethod)).Select(k => $"{k}".ToLowerInvariant())
            : [];
        operation.Extensions ??= new Dictionary<string, IOpenApiExtension>();
        operation.Extensions[Extension] = new JsonNodeExtension(new JsonArray([.. who.Select(w => (JsonNode)w)]));
        if (IsForAnyone(of))
            return Task.CompletedTask;
        operation.Responses?.TryAdd("401", new OpenApiResponse { Description = "Not signed in" });
        operation.Responses?.TryAdd("403", new OpenApiResponse { Description = "Not for whoever asks" });
        return Task.CompletedTask;
    }

    private sealed record About(Concern Concern);

    internal sealed record ForAnyone;
}
