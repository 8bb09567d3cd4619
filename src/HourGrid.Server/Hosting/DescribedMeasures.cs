using HourGrid.Core.Asking;
using HourGrid.Core.Measures;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HourGrid.Server.Hosting;

/// <summary>Describes measures and weights, whose fields are those of the list of measures, in the OpenAPI document.</summary>
internal static class DescribedMeasures
{
    public static void DescribeMeasures(this OpenApiOptions options)
    {
        var usual = options.CreateSchemaReferenceId;
        options.CreateSchemaReferenceId = type => IsDescribed(type.Type) ? type.Type.Name : usual(type);
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                if (context.JsonTypeInfo.Type == typeof(WeekMeasures))
                    Describe(schema, MeasureList.All.Select(measure => (measure.Name, SchemaOf(measure))));
                if (context.JsonTypeInfo.Type == typeof(Weights))
                    Describe(schema, MeasureList.Weighed.Select(measure => (measure.Weight!, Weight())));
                return Task.CompletedTask;
            }
        );
    }

    private static bool IsDescribed(Type type) => type == typeof(WeekMeasures) || type == typeof(Weights);

    private static void Describe(OpenApiSchema schema, IEnumerable<(string Name, OpenApiSchema Schema)> fields)
    {
        schema.Type = JsonSchemaType.Object;
        schema.Properties = fields.ToDictionary(field => field.Name, field => (IOpenApiSchema)field.Schema);
        schema.Required = schema.Properties.Keys.ToHashSet();
    }

    private static OpenApiSchema SchemaOf(Measure measure) =>
        measure.Unit == MeasureUnit.TimeOfDay
            ? new() { Type = JsonSchemaType.String | JsonSchemaType.Null }
            : new() { Type = JsonSchemaType.Integer };

    private static OpenApiSchema Weight() =>
        new()
        {
            Type = JsonSchemaType.Integer,
            Minimum = "0",
            Maximum = "100",
        };
}
