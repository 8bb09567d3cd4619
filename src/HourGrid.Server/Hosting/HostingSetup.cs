using System.Net;
using System.Text.Json.Serialization;
using HourGrid.Formats.Answers;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.ResponseCompression;

namespace HourGrid.Server.Hosting;

/// <summary>What every request passes: limits, compression, security headers, the client's files.</summary>
internal static class HostingSetup
{
    public static void AddHosting(this WebApplicationBuilder builder)
    {
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = BodyText.LargestInBytes;
            kestrel.AddServerHeader = false;
        });
        builder.Services.Configure<ForwardedHeadersOptions>(forwarded =>
            TrustProxies(forwarded, builder.Configuration)
        );
        builder.Services.AddOpenApi(options =>
        {
            options.DescribeBodies();
            options.DescribeMeasures();
        });
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
            json.SerializerOptions.Converters.Add(new MeasuresJson());
            json.SerializerOptions.AddDomain();
        });
    }

    public static void UseHosting(this WebApplication app)
    {
        app.UseForwardedHeaders();
        app.Use(
            (context, next) =>
            {
                // When the answer begins: what is told of a failure begins anew, without the headers set before it.
                context.Response.OnStarting(() => SetHeaders(context));
                return next(context);
            }
        );
        app.UseHsts();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
    }

    private static Task SetHeaders(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy =
            "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
            + "object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        if (IsPersonal(context.Request.Path))
            headers.CacheControl = "no-store";
        return Task.CompletedTask;
    }

    /// <summary>What is one student's, or hides behind an address that only the student knows.</summary>
    private static bool IsPersonal(PathString path) =>
        path.StartsWithSegments("/api") || path.StartsWithSegments("/calendars");

    /// <summary>Addresses of proxies whose word is taken for where a request came from and how; none unless configured.</summary>
    private static void TrustProxies(ForwardedHeadersOptions forwarded, ConfigurationManager configuration)
    {
        // With none known, the framework would take everybody's word.
        var proxies = configuration.GetSection("Proxies").Get<string[]>() ?? [];
        forwarded.ForwardedHeaders =
            proxies.Length == 0
                ? ForwardedHeaders.None
                : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
        forwarded.KnownProxies.Clear();
        forwarded.KnownIPNetworks.Clear();
        foreach (var proxy in proxies)
            if (System.Net.IPNetwork.TryParse(proxy, out var network))
                forwarded.KnownIPNetworks.Add(network);
            else
                forwarded.KnownProxies.Add(IPAddress.Parse(proxy));
    }

    public static void MapClient(this WebApplication app)
    {
        app.MapApiDescription();
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
