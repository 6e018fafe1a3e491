using System.Text.Json;
using FluentValidation;

namespace JauntyBadge.Server.Shared;

/// <summary>Runs the validator of a request's body before its handler, for every endpoint that has one.</summary>
internal static class Validation
{
    public static EndpointFilterDelegate Filter(EndpointFilterFactoryContext factory, EndpointFilterDelegate next)
    {
        var bodies = factory
            .MethodInfo.GetParameters()
            .Select((p, index) => (Index: index, Validator: typeof(IValidator<>).MakeGenericType(p.ParameterType)))
            .Where(b => factory.ApplicationServices.GetService<IServiceProviderIsService>()!.IsService(b.Validator))
            .ToList();
        if (bodies.Count == 0)
            return next;
        return async call =>
        {
            foreach (var (index, type) in bodies)
            {
                var validator = (IValidator)call.HttpContext.RequestServices.GetRequiredService(type);
                var result = await validator.ValidateAsync(new ValidationContext<object>(call.Arguments[index]!), call.HttpContext.RequestAborted);
                if (!result.IsValid)
                    throw Refusal.Fields(
                        result.Errors.GroupBy(e => Camel(e.PropertyName)).ToDictionary(g => g.Key, g => g.Select(e => e.ErrorMessage).ToArray())
                    );
            }

            return await next(call);
        };
    }

    private static string Camel(string path) => string.Join('.', path.Split('.').Select(JsonNamingPolicy.CamelCase.ConvertName));
}
