using Microsoft.AspNetCore.Routing.Template;

namespace Cumbre.Server.Hosting;

/// <summary>Where no endpoint answers: the address is unknown, or it takes other methods.</summary>
internal static class NoAddress
{
    public static IResult Handle(HttpContext http, EndpointDataSource endpoints)
    {
        var methods = endpoints
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e => Matches(e, http.Request.Path))
            .SelectMany(e => e.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods ?? [])
            .Distinct()
            .Order(StringComparer.Ordinal)
            .ToArray();
        // An endpoint of this method would have answered: a part of the address was not what it asks for.
        if (methods.Length == 0 || methods.Contains(http.Request.Method))
            return Problems.NotFound(Words.NoAddress);
        http.Response.Headers.Allow = string.Join(", ", methods);
        return Results.Problem(Problems.Of(405, Words.WrongMethod(http.Request.Method)));
    }

    private static bool Matches(RouteEndpoint endpoint, PathString path) =>
        endpoint.RoutePattern.RawText is { } text
        && !text.Contains("**", StringComparison.Ordinal)
        && new TemplateMatcher(TemplateParser.Parse(text), []).TryMatch(path, []);
}
