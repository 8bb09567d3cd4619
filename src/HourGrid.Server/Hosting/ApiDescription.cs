using System.IO.Compression;
using System.Text;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.Net.Http.Headers;
using Microsoft.OpenApi;

namespace HourGrid.Server.Hosting;

/// <summary>
/// The OpenAPI document. It is put together and compressed once: the endpoints do not change while the server runs.
/// </summary>
internal static class ApiDescription
{
    private const string Gzip = "gzip";

    public static void MapApiDescription(this WebApplication app)
    {
        var document = new Lazy<Task<Written>>(() => WriteAsync(app.Services));
        app.MapGet(
                "/api/openapi.json",
                async (HttpRequest request, HttpResponse response) => Give(request, response, await document.Value)
            )
            .LimitDocuments()
            .ExcludeFromDescription();
    }

    private static FileContentHttpResult Give(HttpRequest request, HttpResponse response, Written document)
    {
        response.Headers.Vary = HeaderNames.AcceptEncoding;
        var takesGzip = request
            .GetTypedHeaders()
            .AcceptEncoding.Any(one => one.Value == Gzip && one.Quality is not 0);
        if (takesGzip)
            response.Headers.ContentEncoding = Gzip;
        return TypedResults.Bytes(takesGzip ? document.Compressed : document.Plain, "application/json");
    }

    private static async Task<Written> WriteAsync(IServiceProvider services)
    {
        await using var scope = services.CreateAsyncScope();
        var provider = scope.ServiceProvider.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1");
        var document = await provider.GetOpenApiDocumentAsync();
        await using var text = new StringWriter();
        document.SerializeAsV31(new OpenApiJsonWriter(text, new OpenApiJsonWriterSettings { Terse = true }));
        var plain = Encoding.UTF8.GetBytes(text.ToString());
        using var compressed = new MemoryStream();
        await using (var gzip = new GZipStream(compressed, CompressionLevel.SmallestSize))
            await gzip.WriteAsync(plain);
        return new(plain, compressed.ToArray());
    }

    private sealed record Written(byte[] Plain, byte[] Compressed);
}
