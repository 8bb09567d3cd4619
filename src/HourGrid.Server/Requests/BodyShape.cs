using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using HourGrid.Formats.Json;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requests;

/// <summary>
/// Reads JSON into a record, field by field, so that everything wrong is said at once with its place. The serializer says
/// where it stopped, but not what it found there or expected.
/// </summary>
/// <typeparam name="T">A record with one constructor, or what the serializer has a converter for.</typeparam>
internal sealed class BodyShape<T>
{
    private static readonly ConcurrentDictionary<JsonSerializerOptions, BodyShape<T>> Shapes = [];

    private readonly JsonSerializerOptions json;
    private readonly ConstructorInfo? constructor;
    private readonly (JsonPropertyInfo Property, ValidationAttribute[] Bounds)[] fields = [];

    private BodyShape(JsonSerializerOptions json)
    {
        this.json = json;
        var type = json.GetTypeInfo(typeof(T));
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        constructor = typeof(T).GetConstructors().Single();
        fields =
        [
            .. constructor
                .GetParameters()
                .Select(parameter =>
                    type.Properties.Single(property => property.AssociatedParameter?.Name == parameter.Name)
                )
                .Select(property =>
                    (
                        property,
                        property.AttributeProvider!.GetCustomAttributes(true).OfType<ValidationAttribute>().ToArray()
                    )
                ),
        ];
    }

    public static BodyShape<T> Of(JsonSerializerOptions json) =>
        Shapes.GetOrAdd(json, static options => new(options));

    /// <exception cref="FormatProblemsException">Some of it cannot be read, or is out of its bounds.</exception>
    public T Read(JsonElement root)
    {
        if (constructor is null)
            return root.Deserialize<T>(json)!;
        var problems = new List<FormatProblem>();
        var values = fields.Select(field => ReadField(root, field.Property, field.Bounds, problems)).ToArray();
        return problems.Count == 0 ? (T)constructor.Invoke(values) : throw new FormatProblemsException(problems);
    }

    private object? ReadField(
        JsonElement root,
        JsonPropertyInfo property,
        ValidationAttribute[] bounds,
        List<FormatProblem> problems
    )
    {
        JsonElement? found =
            root.ValueKind == JsonValueKind.Object && root.TryGetProperty(property.Name, out var field)
                ? field
                : null;
        try
        {
            if (found is { } there && there.Deserialize(property.PropertyType, json) is { } value)
            {
                if (bounds.All(bound => bound.IsValid(value)))
                    return value;
            }
            else if (property.IsGetNullable)
                return null;
        }
        catch (JsonException)
        {
            // Told below, in our words.
        }
        catch (FormatProblemsException wrong)
        {
            problems.AddRange(wrong.Problems.Select(problem => problem.Under(property.Name)));
            return null;
        }
        problems.Add(new(property.Name, FieldWords.Found(found), FieldWords.Expected(property.PropertyType, bounds)));
        return null;
    }
}
