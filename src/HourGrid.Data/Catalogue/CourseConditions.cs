using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using HourGrid.Core.Catalogue;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace HourGrid.Data.Catalogue;

/// <summary>Keeps prerequisites and restrictions as JSON: they are read whole and never searched by their parts.</summary>
internal static class CourseConditions
{
    private static readonly JsonSerializerOptions Json = new()
    {
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { NamePrerequisiteKinds } },
    };

    public static ValueConverter<Prerequisite?, string?> Prerequisites { get; } =
        new(
            condition => condition == null ? null : JsonSerializer.Serialize(condition, Json),
            text => PrerequisitesOf(text)
        );

    public static ValueConverter<IReadOnlyList<Restriction>, string> Restrictions { get; } =
        new(restrictions => JsonSerializer.Serialize(restrictions, Json), text => RestrictionsOf(text));

    public static ValueComparer<IReadOnlyList<Restriction>> SameRestrictions { get; } =
        new(
            (one, other) => JsonSerializer.Serialize(one, Json) == JsonSerializer.Serialize(other, Json),
            restrictions => JsonSerializer.Serialize(restrictions, Json).GetHashCode(StringComparison.Ordinal)
        );

    public static Prerequisite? PrerequisitesOf(string? text) =>
        text is null ? null : JsonSerializer.Deserialize<Prerequisite>(text, Json);

    public static IReadOnlyList<Restriction> RestrictionsOf(string text) =>
        text == "[]" ? [] : JsonSerializer.Deserialize<IReadOnlyList<Restriction>>(text, Json)!;

    private static void NamePrerequisiteKinds(JsonTypeInfo type)
    {
        if (type.Type != typeof(Prerequisite))
            return;
        type.PolymorphismOptions = new()
        {
            TypeDiscriminatorPropertyName = "kind",
            DerivedTypes =
            {
                new(typeof(Prerequisite.All), "all"),
                new(typeof(Prerequisite.Any), "any"),
                new(typeof(Prerequisite.CourseTaken), "course"),
                new(typeof(Prerequisite.ExamTaken), "exam"),
            },
        };
    }
}
