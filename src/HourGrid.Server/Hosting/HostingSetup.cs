using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.ResponseCompression;

namespace HourGrid.Server.Hosting;

/// <summary>What every request passes: limits, compression, security headers, the client's files.</summary>
internal static class HostingSetup
{
    /// <summary>Bytes of the largest body that is read.</summary>
    public const int LargestBody = 1024 * 1024;

    public static void AddHosting(this WebApplicationBuilder builder)
    {
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = LargestBody;
            kestrel.AddServerHeader = false;
        });
        builder.Services.AddOpenApi(options => options.DescribeBodies());
        builder.Services.AddResponseCompression(compression =>
        {
            compression.EnableForHttps = true;
            compression.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "application/problem+json"];
        });
        builder.Services.Configure<JsonOptions>(json =>
        {
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
            json.SerializerOptions.RespectNullableAnnotations = true;
            json.SerializerOptions.RespectRequiredConstructorParameters = true;
        });
    }

    public static void UseHosting(this WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
        app.Use(
            (context, next) =>
            {
                var headers = context.Response.Headers;
                headers.ContentSecurityPolicy =
                    "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
                    + "object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
                headers.XContentTypeOptions = "nosniff";
                headers["Referrer-Policy"] = "same-origin";
                headers["Cross-Origin-Opener-Policy"] = "same-origin";
                if (context.Request.Path.StartsWithSegments("/api"))
                    headers.CacheControl = "no-store";
                return next(context);
            }
        );
    }

    public static void MapClient(this WebApplication app)
    {
        app.MapOpenApi("/api/openapi.json");
        app.Use(
            (context, next) =>
            {
                if (context.GetEndpoint() is null && IsPlace(context.Request))
                    context.Request.Path = "/index.html";
                return next(context);
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions
            {
                OnPrepareResponse = file =>
                    // Names of built files carry a hash of their content; the page that names them must stay fresh.
                    file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments(
                        "/assets"
                    )
                        ? "public, max-age=31536000, immutable"
                        : "no-cache",
            }
        );
    }

    /// <summary>Whether it asks for one of the client's places, which are all in one page: no file, and not the API.</summary>
    private static bool IsPlace(HttpRequest request) =>
        (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
        && !request.Path.StartsWithSegments("/api")
        && !Path.HasExtension(request.Path);
}
