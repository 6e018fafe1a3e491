using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using JauntyBadge.Data;
using JauntyBadge.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace JauntyBadge.Server.Shared;

/// <summary>
/// Sent twice, done once: a request may carry an id of its own in Idempotency-Key (the IETF's draft of that name), made where it was entered. The same
/// under the same id is answered as it was at first, whatever happened since; something else under it is refused.
/// </summary>
internal static class Once
{
    public const string Header = "Idempotency-Key";

    /// <summary>What an address says of its header in the API document.</summary>
    public const string Says =
        "An id (UUID) of this very request, made when its form opens. Sent again under the same id it is done once and answered the same; another request under it is a 409.";

    /// <summary>Writes what a handler does, once.</summary>
    /// <param name="call">The request, as its handler takes it.</param>
    /// <param name="next">The handler.</param>
    /// <param name="picture">The picture sent with it; empty for none.</param>
    public static async Task<object?> WriteAsync(EndpointFilterInvocationContext call, EndpointFilterDelegate next, ReadOnlyMemory<byte> picture = default)
    {
        var (http, cancel) = (call.HttpContext, call.HttpContext.RequestAborted);
        var (db, gate) = (http.RequestServices.GetRequiredService<PracticeDb>(), http.RequestServices.GetRequiredService<WriteGate>());
        if (KeyOf(http.Request) is not { } key)
            return await gate.WriteAsync(db, () => next(call).AsTask(), cancel);
        var asked = Asked(call, picture.Span);
        return await gate.WriteAsync(
            db,
            async () =>
            {
                if (await db.Answers.AsNoTracking().SingleOrDefaultAsync(a => a.Id == key, cancel) is { } before)
                {
                    return before.Asked == asked
                        ? new Again(before)
                        : throw Refusal.Conflict(
                            "This id stands for something else that was sent and kept already. What is here now was not saved: send it under an id of its own."
                        );
                }

                var answer = await next(call);
                db.Answers.Add(Of(key, asked, answer, http));
                await db.SaveChangesAsync(cancel);
                return answer;
            },
            cancel
        );
    }

    /// <summary>The id of a request; null where it has none.</summary>
    /// <exception cref="Refusal">It is no id.</exception>
    private static Guid? KeyOf(HttpRequest request)
    {
        var text = request.Headers[Header].ToString().Trim().Trim('"');
        if (text == "")
            return null;
        return Guid.TryParse(text, out var key) ? key : throw Refusal.Field(Header, $"{Header} cannot be read; an id (UUID) is expected.");
    }

    private static AnswerRow Of(Guid key, string asked, object? answer, HttpContext http)
    {
        var json = http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        var value = answer is IResult ? (answer as IValueHttpResult)?.Value : answer;
        using var packed = new MemoryStream();
        using (var pack = new BrotliStream(packed, CompressionLevel.Fastest))
        {
            if (value is not null)
                JsonSerializer.Serialize(pack, value, value.GetType(), json);
        }

        return new AnswerRow
        {
            Id = key,
            Asked = asked,
            Status = (answer as IStatusCodeHttpResult)?.StatusCode ?? StatusCodes.Status200OK,
            Location =
                answer?.GetType() is { IsGenericType: true } type && type.GetGenericTypeDefinition() == typeof(Created<>)
                    ? (string?)type.GetProperty(nameof(Created.Location))!.GetValue(answer)
                    : null,
            Version = (value as IAtVersion)?.Version,
            Body = packed.ToArray(),
            At = http.RequestServices.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime,
        };
    }

    /// <summary>A fingerprint of what is asked: where, and with what.</summary>
    private static string Asked(EndpointFilterInvocationContext call, ReadOnlySpan<byte> picture)
    {
        var http = call.HttpContext;
        var json = http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        var type = http.GetEndpoint()?.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType;
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        hash.AppendData(Encoding.UTF8.GetBytes($"{http.Request.Method} {http.Request.Path} {http.RequestServices.GetRequiredService<Asker>().Mark}\n"));
        if (type is not null && picture.IsEmpty)
            hash.AppendData(JsonSerializer.SerializeToUtf8Bytes(call.Arguments.FirstOrDefault(type.IsInstanceOfType), type, json));
        hash.AppendData(picture);
        return Convert.ToHexString(hash.GetHashAndReset());
    }

    /// <summary>An answer given before.</summary>
    private sealed class Again(AnswerRow before) : IResult
    {
        public async Task ExecuteAsync(HttpContext http)
        {
            http.Response.StatusCode = before.Status;
            if (before.Location is { } location)
                http.Response.Headers.Location = location;
            if (before.Version is { } version)
                http.Response.Headers.ETag = Versions.Tag(version);
            if (before.Status == StatusCodes.Status204NoContent)
                return;
            http.Response.ContentType = "application/json; charset=utf-8";
            await using var unpack = new BrotliStream(new MemoryStream(before.Body), CompressionMode.Decompress);
            await unpack.CopyToAsync(http.Response.Body, http.RequestAborted);
        }
    }
}
