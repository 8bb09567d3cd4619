using System.Text.Json;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Requirements;

/// <summary>The end in sight as JSON: <c>docs/formats/audit.md</c>.</summary>
public static class TermsAheadJson
{
    public static byte[] Write(TermsAheadAnswer answer)
    {
        ArgumentNullException.ThrowIfNull(answer);
        return ReadableJson.Write(json =>
        {
            json.WriteStartObject();
            Number(json, "terms", answer.Terms);
            json.WriteBoolean("exact", answer.IsExact);
            if (answer.Plan is null)
                json.WriteNull("plan");
            else
            {
                json.WriteStartArray("plan");
                foreach (var term in answer.Plan)
                {
                    json.WriteStartArray();
                    foreach (var course in term)
                        json.WriteStringValue(course.Value);
                    json.WriteEndArray();
                }
                json.WriteEndArray();
            }
            json.WriteStartArray("waiting");
            foreach (var one in answer.Waiting)
            {
                json.WriteStartObject();
                json.WriteString("course", one.Course.Value);
                Number(json, "now", one.Now);
                Number(json, "later", one.Later);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteEndObject();
        });
    }

    private static void Number(Utf8JsonWriter json, string field, int? number)
    {
        if (number is { } value)
            json.WriteNumber(field, value);
        else
            json.WriteNull(field);
    }
}
