using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Requirements;

/// <summary>An audit as JSON: <c>docs/formats/audit.md</c>.</summary>
public static class AuditJson
{
    public static byte[] Write(AuditAnswer audit, IReadOnlyList<HelpingCourse>? helps)
    {
        ArgumentNullException.ThrowIfNull(audit);
        return ReadableJson.Write(json =>
        {
            json.WriteStartObject();
            json.WriteNumber("short", audit.ShortWithPlanned.Value);
            json.WriteNumber("shortWithUnderWay", audit.ShortWithUnderWay.Value);
            json.WriteNumber("shortCompleted", audit.ShortCompleted.Value);
            if (!audit.IsExact)
                json.WriteBoolean("exact", false);
            json.WriteStartObject("credits");
            json.WriteNumber("completed", audit.Completed.Value);
            json.WriteNumber("underWay", audit.UnderWay.Value);
            json.WriteNumber("planned", audit.Planned.Value);
            json.WriteNumber("needed", audit.Programme.Credits.Value);
            json.WriteEndObject();
            json.WriteStartArray("nodes");
            foreach (var node in audit.Nodes)
                Node(json, node);
            json.WriteEndArray();
            Courses(json, "unused", audit.Unused);
            if (helps is not null)
            {
                json.WriteStartArray("helps");
                foreach (var help in helps)
                    Help(json, help);
                json.WriteEndArray();
            }
            json.WriteEndObject();
        });
    }

    private static void Node(Utf8JsonWriter json, AuditedNode node)
    {
        json.WriteStartObject();
        json.WriteString("id", node.Requirement.Id);
        json.WriteString("state", RequirementWords.States.Write(node.State));
        json.WriteNumber("short", node.ShortWithPlanned.Value);
        if (node.Requirement is Requirement.Leaf)
            Courses(json, "courses", node.Courses);
        json.WriteEndObject();
    }

    private static void Help(Utf8JsonWriter json, HelpingCourse help)
    {
        json.WriteStartObject();
        json.WriteString("course", help.Course.Value);
        json.WriteNumber("shortAfter", help.ShortAfter.Value);
        json.WriteBoolean("eligible", help.IsEligible);
        json.WriteStartArray("leaves");
        foreach (var leaf in help.Leaves)
            json.WriteStringValue(leaf.Id);
        json.WriteEndArray();
        json.WriteEndObject();
    }

    private static void Courses(Utf8JsonWriter json, string field, IReadOnlyList<CourseId> courses)
    {
        json.WriteStartArray(field);
        foreach (var course in courses)
            json.WriteStringValue(course.Value);
        json.WriteEndArray();
    }
}
