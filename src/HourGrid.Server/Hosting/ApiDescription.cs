using System.Text;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HourGrid.Server.Hosting;

/// <summary>The OpenAPI document. It is put together once: the endpoints do not change while the server runs.</summary>
internal static class ApiDescription
{
    public static void MapApiDescription(this WebApplication app)
    {
        var document = new Lazy<Task<byte[]>>(() => WriteAsync(app.Services));
        app.MapGet("/api/openapi.json", async () => TypedResults.Bytes(await document.Value, "application/json"))
            .ExcludeFromDescription();
    }

    private static async Task<byte[]> WriteAsync(IServiceProvider services)
    {
        await using var scope = services.CreateAsyncScope();
        var provider = scope.ServiceProvider.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1");
        var document = await provider.GetOpenApiDocumentAsync();
        return Encoding.UTF8.GetBytes(await document.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1));
    }
}
