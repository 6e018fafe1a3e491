using System.Text.Json.Serialization.Metadata;
using JauntyBadge.Core;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace JauntyBadge.Server.Shared;

/// <summary>Writes a ground in the language of whoever asks, wherever it stands in an answer.</summary>
/// <param name="asked">The request.</param>
internal sealed class GroundsInWords(IHttpContextAccessor asked) : IConfigureOptions<JsonOptions>
{
    public void Configure(JsonOptions options) =>
        options.SerializerOptions.TypeInfoResolver = (options.SerializerOptions.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(Say);

    private void Say(JsonTypeInfo type)
    {
        if (type.Type != typeof(Basis))
            return;
        var note = type.Properties.Single(p => p.PropertyType == typeof(string));
        note.Get = basis => Pen.LanguageOf(asked.HttpContext?.Request).Of(((Basis)basis).Note);
    }
}
