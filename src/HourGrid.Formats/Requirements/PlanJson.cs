using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Requirements;

/// <summary>A plan of terms ahead as JSON: <c>docs/formats/plan.schema.json</c>.</summary>
public static class PlanJson
{
    public const string Format = "hour-grid-plan";

    /// <summary>Reads a plan.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where and why.</exception>
    public static Reading<AheadPlan> Read(JsonElement element) => JsonFile.Read(element, Plan);

    /// <summary>Reads a plan that was stored here, perhaps by an older version: what cannot be used is left out.</summary>
    public static Mended<AheadPlan> Stored(string text) => StoredJson.Read(text, Plan, _ => { });

    /// <summary>A plan as JSON text that <see cref="Stored"/> gives back equal.</summary>
    public static string Write(AheadPlan plan) =>
        JsonSerializer.Serialize(PlanDocument.Of(plan), PlanDocumentJson.Default.PlanDocument);

    /// <summary>A plan as a file that <see cref="Read"/> reads to the same.</summary>
    public static byte[] WriteFile(PlanDocument plan) =>
        ReadableJson.Write(json =>
        {
            ArgumentNullException.ThrowIfNull(plan);
            json.WriteStartObject();
            json.WriteString("format", Format);
            json.WriteNumber("version", SharedValues.FormatVersion);
            json.WritePropertyName("entries");
            JsonSerializer.Serialize(json, plan.Entries, PlanDocumentJson.Default.IReadOnlyListEntryDocument);
            json.WriteEndObject();
        });

    private static AheadPlan? Plan(JsonPlace place)
    {
        // A file says what it is; what is sent or stored need not.
        var plan = place.Object("format", "version", "entries");
        if (!place.IsObject)
            return null;
        if (!plan["format"].IsAbsent)
            SharedValues.CheckFormat(plan, Format);
        var seen = new HashSet<string>();
        return new(plan["entries"].List(entry => Entry(entry, seen), AheadPlan.MostEntries));
    }

    private static PlannedEntry? Entry(JsonPlace place, HashSet<string> seen)
    {
        var entry = place.Object("id", "term", "course", "requirement");
        if (!place.IsObject)
            return null;
        var id = entry["id"].FilledText(40);
        if (!seen.Add(id))
            entry["id"].Refuse("each id once");
        if (entry["course"].IsAbsent == entry["requirement"].IsAbsent)
            place.Refuse("a course or a requirement");
        return new(
            id,
            new TermId(entry["term"].FilledText(40)),
            entry.Or<CourseId?>("course", null, course => SharedValues.Course(course)),
            entry.Or("requirement", null, Requirement)
        );
    }

    private static RequirementName? Requirement(JsonPlace place)
    {
        var name = place.Object("programme", "id");
        return place.IsObject ? new(name["programme"].FilledText(40), name["id"].FilledText(40)) : null;
    }
}

[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase)]
[JsonSerializable(typeof(PlanDocument))]
internal sealed partial class PlanDocumentJson : JsonSerializerContext;
