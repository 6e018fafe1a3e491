using System.Reflection;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Photos;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using UnitsNet;

namespace JauntyBadge.Server.Shared;

/// <summary>The OpenAPI document, generated at build and committed under docs/api.</summary>
internal static class OpenApiSetup
{
    /// <summary>The build runs this program only to read its endpoints: no database then.</summary>
    public static bool IsOnlyGenerating => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Jaunty Badge";
                document.Info.Version = "1";
                document.Info.Description =
                    "Lengths are millimetres, angles degrees, times UTC. Errors are RFC 9457 problem details; `errors` names the fields.";
                document.Servers?.Clear();
                return Task.CompletedTask;
            }
        );
        options.AddSchemaTransformer(TidySchema);
        options.AddOperationTransformer(TakesId);
        options.AddOperationTransformer(MayDo.Tell);
    }

    /// <summary>Everything that is kept takes an id of the request itself.</summary>
    private static Task TakesId(OpenApiOperation operation, OpenApiOperationTransformerContext context, CancellationToken cancel)
    {
        var endpoint = context.Description.ActionDescriptor.EndpointMetadata;
        if (!OneWriter.Writes(new EndpointMetadataCollection(endpoint), context.Description.HttpMethod))
            return Task.CompletedTask;
        operation.Parameters ??= [];
        operation.Parameters.Add(
            new OpenApiParameter
            {
                Name = Once.Header,
                In = ParameterLocation.Header,
                Description = Once.Says,
                Schema = new OpenApiSchema { Type = JsonSchemaType.String, Format = "uuid" },
            }
        );
        operation.Responses?.TryAdd("409", new OpenApiResponse { Description = "Conflict" });
        return Task.CompletedTask;
    }

    /// <summary>
    /// Two things the generator says wrongly: an enum used nullable anywhere would allow null everywhere, and a struct's members
    /// would be optional.
    /// </summary>
    private static Task TidySchema(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancel)
    {
        var type = context.JsonTypeInfo.Type;
        if ((Nullable.GetUnderlyingType(type) ?? type).IsEnum && schema.Enum is { } values)
        {
            schema.Type = JsonSchemaType.String;
            schema.Enum = [.. values.Where(v => v is not null && !v.IsJsonNullSentinel())];
        }

        // Our own reading of numbers takes the type away from them.
        if (type == typeof(double) || type == typeof(double?))
            (schema.Type, schema.Format) = (type == typeof(double) ? JsonSchemaType.Number : JsonSchemaType.Number | JsonSchemaType.Null, "double");
        if ((Nullable.GetUnderlyingType(type) ?? type) == typeof(Length) || (Nullable.GetUnderlyingType(type) ?? type) == typeof(Mass))
            (schema.Type, schema.Format) = (
                Nullable.GetUnderlyingType(type) is null ? JsonSchemaType.Number : JsonSchemaType.Number | JsonSchemaType.Null,
                "double"
            );
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(IReadOnlyDictionary<,>) && type.GetGenericArguments()[1] == typeof(double))
            schema.AdditionalProperties = new OpenApiSchema { Type = JsonSchemaType.Number, Format = "double" };
        if (typeof(IEnumerable<double>).IsAssignableFrom(type))
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.Number, Format = "double" };
        if ((type == typeof(PointMm) || type == typeof(PixelPoint)) && schema.Properties is { } members)
            schema.Required = new HashSet<string>(members.Keys);
        return Task.CompletedTask;
    }
}
