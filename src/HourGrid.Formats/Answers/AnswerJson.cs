using System.Globalization;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Timetables;

namespace HourGrid.Formats.Answers;

/// <summary>Writes the parts of an answer, each into the object that is open: <c>docs/formats/solve.md</c>.</summary>
internal sealed class AnswerJson(Utf8JsonWriter json)
{
    private static readonly MeasuresJson MeasuresJson = new();

    public void WriteCounts(CountAnswer count)
    {
        WriteCount("timetables", count.Total.Timetables);
        WriteCount("weekShapes", count.Total.WeekShapes);
        json.WriteBoolean("exact", count.IsExact);
        if (count.Estimate is not { } estimate)
            return;
        json.WriteStartObject("estimate");
        json.WriteNumber("timetables", estimate.Timetables);
        json.WriteNumber("relativeError", Math.Round(estimate.RelativeError, 6));
        json.WriteEndObject();
    }

    public void WriteTimetables(string name, BestAnswer best)
    {
        json.WriteStartArray(name);
        foreach (var one in best.Timetables)
        {
            json.WriteStartObject();
            json.WriteNumber("rank", one.Rank);
            json.WriteNumber("score", one.Score);
            WriteSectionsOf(one.Timetable);
            json.WritePropertyName("measures");
            MeasuresJson.Write(json, one.Measures, JsonSerializerOptions.Default);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        WriteUnlessExact(name, best.IsExact);
    }

    public void WriteStandings(StandingsAnswer standings)
    {
        json.WriteStartObject("sectionCounts");
        foreach (var (section, count) in standings.Sections)
            WriteCount(section.Value, count);
        json.WriteEndObject();
        WriteUnlessExact("sectionCounts", standings.IsExact);
    }

    public void WriteCosts(CostsAnswer costs)
    {
        json.WriteStartArray("ruleCosts");
        foreach (var cost in costs.Costs)
        {
            json.WriteStartObject();
            json.WriteString("rule", cost.Rule.Path);
            json.WritePropertyName("cost");
            json.WriteRawValue(cost.Cost.ToString(CultureInfo.InvariantCulture));
            json.WriteEndObject();
        }
        json.WriteEndArray();
        WriteUnlessExact("ruleCosts", costs.IsExact);
    }

    public void WriteWhy(WhyAnswer? why)
    {
        if (why is null)
        {
            json.WriteNull("why");
            return;
        }
        json.WriteStartObject("why");
        json.WriteStartArray("together");
        foreach (var rule in why.Together)
            json.WriteStringValue(rule.Path);
        json.WriteEndArray();
        json.WriteStartArray("waysOut");
        foreach (var way in why.WaysOut)
            WriteWayOut(way);
        json.WriteEndArray();
        json.WriteEndObject();
        WriteUnlessExact("why", why.IsExact);
    }

    public void WriteFallback(Fallback fallback)
    {
        json.WriteStartObject();
        json.WriteString("section", fallback.Section.Value);
        if (fallback.Instead is null)
            json.WriteNull("instead");
        else
        {
            json.WriteStartObject("instead");
            json.WriteNumber("score", fallback.Score);
            WriteSectionsOf(fallback.Instead);
            json.WriteStartArray("changedCourses");
            foreach (var course in fallback.Changed)
                json.WriteStringValue(course.Value);
            json.WriteEndArray();
            json.WriteEndObject();
        }
        WriteUnlessExact("instead", fallback.IsExact);
        json.WriteEndObject();
    }

    public void WriteWhatIf(CourseId course, CountAnswer count)
    {
        json.WriteStartObject();
        json.WriteString("course", course.Value);
        WriteCount("timetables", count.Total.Timetables);
        WriteCount("weekShapes", count.Total.WeekShapes);
        json.WriteBoolean("exact", count.IsExact);
        json.WriteEndObject();
    }

    private void WriteWayOut(WayOut way)
    {
        json.WriteStartObject();
        if (way.Rules.Count == 1)
            json.WriteString("change", way.Rules[0].Path);
        else
        {
            json.WriteStartArray("changes");
            foreach (var rule in way.Rules)
                json.WriteStringValue(rule.Path);
            json.WriteEndArray();
        }
        WriteCount("timetables", way.Timetables);
        json.WriteEndObject();
    }

    private void WriteSectionsOf(Timetable timetable)
    {
        json.WriteStartArray("sections");
        foreach (var section in timetable.Sections)
            json.WriteStringValue(section.Number.Value);
        json.WriteEndArray();
    }

    /// <summary>Says of a part that the time did not suffice for all of it.</summary>
    private void WriteUnlessExact(string part, bool isExact)
    {
        if (!isExact)
            json.WriteBoolean($"{part}Exact", false);
    }

    /// <summary>A number of any length, in full.</summary>
    private void WriteCount(string name, UInt128 count)
    {
        json.WritePropertyName(name);
        json.WriteRawValue(count.ToString(CultureInfo.InvariantCulture));
    }
}
