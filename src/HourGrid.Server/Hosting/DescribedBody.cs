using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HourGrid.Server.Hosting;

/// <summary>
/// Describes the body of endpoints that read it as raw JSON, so that the file format's own reader can refuse it with
/// its path: the OpenAPI document shows the record that the body means.
/// </summary>
internal static class DescribedBody
{
    public static TBuilder ReadsBody<TBuilder>(this TBuilder endpoint, Type body)
        where TBuilder : IEndpointConventionBuilder => endpoint.WithMetadata(new BodyType(body));

    public static void DescribeBodies(this OpenApiOptions options) =>
        options.AddOperationTransformer(
            async (operation, context, cancellation) =>
            {
                var described = context
                    .Description.ActionDescriptor.EndpointMetadata.OfType<BodyType>()
                    .FirstOrDefault();
                if (described is null)
                    return;
                var schema = await context.GetOrCreateSchemaAsync(described.Type, null, cancellation);
                operation.RequestBody = new OpenApiRequestBody
                {
                    Required = true,
                    Content = new Dictionary<string, OpenApiMediaType>
                    {
                        ["application/json"] = new() { Schema = schema },
                    },
                };
            }
        );

    private sealed record BodyType(Type Type);
}
