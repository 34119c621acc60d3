using System.Security.Cryptography;
using Microsoft.AspNetCore.Antiforgery;

namespace Cumbre.Server.Hosting;

/// <summary>Security headers, anti-forgery for every write, and the page with its style nonce.</summary>
public static class Security
{
    public const string CsrfHeader = "X-Csrf-Token";

    private const string NoncePlaceholder = "__CSP_NONCE__";

    private static readonly object NonceKey = new();

    public static IApplicationBuilder UseSecurityHeaders(this IApplicationBuilder app) =>
        app.Use(
            async (context, next) =>
            {
                var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
                context.Items[NonceKey] = nonce;
                var headers = context.Response.Headers;
                headers.ContentSecurityPolicy =
                    $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
                    // The service worker and the manifest of the installed app.
                    + "worker-src 'self'; manifest-src 'self'; "
                    + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
                headers.XContentTypeOptions = "nosniff";
                headers.XFrameOptions = "DENY";
                headers["Referrer-Policy"] = "same-origin";
                headers["Cross-Origin-Opener-Policy"] = "same-origin";
                headers["Cross-Origin-Resource-Policy"] = "same-origin";
                headers["Permissions-Policy"] = "camera=(self), geolocation=(), microphone=()";
                if (context.Request.IsHttps)
                    headers.StrictTransportSecurity = "max-age=31536000; includeSubDomains";
                if (context.Request.Path.StartsWithSegments("/api"))
                {
                    headers.CacheControl = "no-store";
                    // An answer that is opened as a page is saved instead, whatever stands in it.
                    context.Response.OnStarting(() =>
                    {
                        if (headers.ContentDisposition.Count == 0)
                            headers.ContentDisposition = "attachment; filename=\"api.json\"";
                        return Task.CompletedTask;
                    });
                }

                await next();
            }
        );

    /// <summary>Every unsafe request to the API must carry the token that <c>GET /api/me</c> gave.</summary>
    public static IApplicationBuilder UseCsrf(this IApplicationBuilder app) =>
        app.Use(
            async (context, next) =>
            {
                var unsafeMethod = !(
                    HttpMethods.IsGet(context.Request.Method)
                    || HttpMethods.IsHead(context.Request.Method)
                    || HttpMethods.IsOptions(context.Request.Method)
                );
                if (
                    unsafeMethod
                    && context.Request.Path.StartsWithSegments("/api")
                    && !await context.RequestServices.GetRequiredService<IAntiforgery>().IsRequestValidAsync(context)
                )
                {
                    var refusal = Problems.Of(400, Words.PageTooOld);
                    refusal.Type = "urn:cumbre:csrf";
                    await Results.Problem(refusal).ExecuteAsync(context);
                    return;
                }

                await next();
            }
        );

    /// <summary>
    /// Serves the page for every place of the interface, with this request's nonce for the style engine.
    /// </summary>
    public static void MapPage(this WebApplication app)
    {
        var page = new Lazy<string>(() =>
        {
            var file = app.Environment.WebRootFileProvider.GetFileInfo("index.html");
            if (!file.Exists)
                return "<!doctype html><title>Cumbre</title><p>The interface is not built. Run ./demo, or npm run build in src/cumbre-web.</p>";
            using var reader = new StreamReader(file.CreateReadStream());
            return reader.ReadToEnd();
        });
        app.MapFallback("{*path:nonfile}", (HttpContext context) =>
            {
                context.Response.Headers.CacheControl = "no-cache";
                return Results.Content(
                    page.Value.Replace(NoncePlaceholder, (string)context.Items[NonceKey]!, StringComparison.Ordinal),
                    "text/html; charset=utf-8"
                );
            })
            .AllowAnonymous();
    }
}
