using System.IO.Compression;
using Microsoft.AspNetCore.ResponseCompression;

namespace Cumbre.Server.Hosting;

/// <summary>How answers travel: built files are kept for good, long answers are packed.</summary>
internal static class Delivery
{
    /// <summary>Folder of the built files; each name carries a hash of what is in it.</summary>
    private const string Assets = "/assets";

    public static void AddCompression(IServiceCollection services)
    {
        services.AddResponseCompression(compression =>
        {
            compression.EnableForHttps = true;
            compression.MimeTypes = ["application/json", "application/problem+json"];
        });
        // The least effort takes most of the length off, and hardly any time.
        services.Configure<BrotliCompressionProviderOptions>(o => o.Level = CompressionLevel.Fastest);
        services.Configure<GzipCompressionProviderOptions>(o => o.Level = CompressionLevel.Fastest);
    }

    /// <summary>
    /// Answers of the API are packed, except those that carry a secret of the session: its length must tell nothing.
    /// </summary>
    public static void UsePackedAnswers(this WebApplication app) =>
        app.UseWhen(
            context =>
                context.Request.Path.StartsWithSegments("/api") && !context.Request.Path.StartsWithSegments("/api/me"),
            packed => packed.UseResponseCompression()
        );

    /// <summary>A built file never changes under its name.</summary>
    public static void UseKeptAssets(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                if (context.Request.Path.StartsWithSegments(Assets))
                    context.Response.OnStarting(() =>
                    {
                        if (context.Response.StatusCode is 200 or 304)
                            context.Response.Headers.CacheControl = "public, max-age=31536000, immutable";
                        return Task.CompletedTask;
                    });
                return next(context);
            }
        );
}
