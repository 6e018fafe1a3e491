using System.Text.Json;
using FluentValidation;

namespace JauntyBadge.Server.Shared;

/// <summary>Looks a request's body through before its handler sees it: that it is sound at all, and by its validator where it has one.</summary>
internal static class Validation
{
    public static EndpointFilterDelegate Filter(EndpointFilterFactoryContext factory, EndpointFilterDelegate next)
    {
        var bodies = factory
            .MethodInfo.GetParameters()
            .Select((p, index) => (Index: index, Type: p.ParameterType, Validator: typeof(IValidator<>).MakeGenericType(p.ParameterType)))
            .Where(b => IsBody(b.Type))
            .ToList();
        if (bodies.Count == 0)
            return next;
        var services = factory.ApplicationServices.GetService<IServiceProviderIsService>()!;
        return async call =>
        {
            foreach (var (index, _, type) in bodies)
            {
                if (call.Arguments[index] is not { } body)
                    continue;
                Sound.Need(body);
                if (!services.IsService(type))
                    continue;
                var validator = (IValidator)call.HttpContext.RequestServices.GetRequiredService(type);
                var result = await validator.ValidateAsync(new ValidationContext<object>(body), call.HttpContext.RequestAborted);
                if (!result.IsValid)
                    throw Refusal.Fields(
                        result.Errors.GroupBy(e => Camel(e.PropertyName)).ToDictionary(g => g.Key, g => g.Select(e => e.ErrorMessage).ToArray())
                    );
            }

            return await next(call);
        };
    }

    /// <summary>Our own records are what comes in a body, or piece by piece in an address.</summary>
    private static bool IsBody(Type type) =>
        type is { IsClass: true, IsSealed: true } && type.Assembly == typeof(Validation).Assembly && type.GetMethod("<Clone>$") is not null;

    private static string Camel(string path) => string.Join('.', path.Split('.').Select(JsonNamingPolicy.CamelCase.ConvertName));
}
