using HourGrid.Server.Requests;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HourGrid.Server.Hosting;

/// <summary>
/// Describes in the OpenAPI document what bodies are read into. What the reader of a file format reads is described by the
/// document of the format.
/// </summary>
internal static class DescribedBody
{
    public static void DescribeBodies(this OpenApiOptions options)
    {
        options.AddOperationTransformer(
            async (operation, context, cancellation) =>
            {
                var body = context.Description.ActionDescriptor.EndpointMetadata.OfType<BodyType>().FirstOrDefault();
                if (body is null)
                    return;
                var type = DomainJson.Documents.GetValueOrDefault(body.Type, body.Type);
                operation.RequestBody = new OpenApiRequestBody
                {
                    Required = true,
                    Content = new Dictionary<string, OpenApiMediaType>
                    {
                        ["application/json"] = new()
                        {
                            Schema = await context.GetOrCreateSchemaAsync(type, null, cancellation),
                        },
                    },
                };
            }
        );
        options.AddSchemaTransformer(
            async (schema, context, cancellation) =>
            {
                foreach (var property in context.JsonTypeInfo.Properties)
                {
                    if (!DomainJson.Documents.TryGetValue(property.PropertyType, out var type))
                        continue;
                    var document = await context.GetOrCreateSchemaAsync(type, null, cancellation);
                    document.Description = schema.Properties![property.Name].Description;
                    schema.Properties[property.Name] = document;
                }
            }
        );
    }
}
