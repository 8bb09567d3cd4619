using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

/// <summary>The catalogue reader takes what the format allows, and says where and why it does not.</summary>
public sealed class CatalogueReaderTests
{
    internal const string Small = """
        { "format": "hour-grid-catalogue", "version": 1, "institution": "Saltmere University",
          "seasons": ["autumn", "spring"],
          "campuses": [{ "id": "HAR", "name": "Harbour" }, { "id": "KLN", "name": "Kiln" }],
          "travel": [{ "from": "HAR", "to": "KLN", "minutes": 20 }],
          "terms": [{ "id": "2027SP", "name": "Spring 2027", "season": "spring", "start": "2027-01-13", "end": "2027-05-07",
            "noClass": [{ "from": "2027-03-08", "to": "2027-03-12", "name": "Recess" }],
            "parts": [{ "id": "H1", "name": "First half", "start": "2027-01-13", "end": "2027-03-05" }] }],
          "courses": [{ "id": "TID 210", "subject": "TID", "number": "210", "title": "Tides and Currents", "credits": 4,
            "prerequisites": { "all": [{ "course": "TID 110", "minGrade": "C" },
              { "any": [{ "course": "MTH 120" }, { "exam": "Calculus", "minScore": 4 }] }] },
            "usuallyOffered": ["spring"], "corequisites": ["TID 211"], "restrictions": [{ "kind": "programme", "anyOf": ["Coastal science"] }],
            "sections": [
              { "number": "10231", "label": "L02", "term": "2027SP", "component": "lecture", "campus": "HAR",
                "capacity": 60, "enrolled": 52,
                "meetings": [{ "days": ["mon", "wed"], "start": "09:30", "end": "10:45", "room": "Harbour 114" }] },
              { "number": "10240", "term": "2027SP", "component": "lab", "part": "H1", "mode": "hybrid", "campus": "KLN",
                "linkedTo": ["10231"],
                "meetings": [{ "days": ["fri"], "start": "14:00", "end": "16:50", "everyWeeks": 2 },
                  { "days": ["tue"], "start": "08:00", "end": "24:00", "campus": "" }] }] }] }
        """;

    private static Reading<UniversityCatalogue> Read(string json) => CatalogueJson.Read(Encoding.UTF8.GetBytes(json));

    [Fact]
    public void A_small_catalogue_is_read_with_its_defaults()
    {
        var catalogue = Read(Small).Value;
        var course = catalogue.Courses.Single();
        var (lecture, lab) = (course.Sections[0], course.Sections[1]);

        Assert.Equal(["autumn", "spring"], catalogue.Seasons);
        Assert.Equal("spring", catalogue.Terms[0].Season);
        Assert.Equal(["spring"], course.UsuallyOffered!);
        Assert.Equal(new CampusId("HAR"), lecture.Patterns[0].Campus);
        Assert.Equal(new DateOnly(2027, 1, 13), lecture.Patterns[0].From);
        Assert.Equal(new DateOnly(2027, 3, 5), lab.Patterns[0].To);
        Assert.Null(lab.Patterns[1].Campus);
        Assert.Equal([new RegistrationNumber("10231")], lab.LinkedTo);
        var all = Assert.IsType<Prerequisite.All>(course.Prerequisites);
        Assert.Equal(new Prerequisite.CourseTaken(new("TID 110"), "C"), all.Of[0]);
        Assert.Equal(new Prerequisite.ExamTaken("Calculus", 4), Assert.IsType<Prerequisite.Any>(all.Of[1]).Of[1]);
    }

    [Fact]
    public void Weeks_count_from_the_monday_of_the_week_in_which_the_term_starts()
    {
        var snapshot = Read(Small).Value.SnapshotOf(new("2027SP"))!;
        var lecture = snapshot.Find(new RegistrationNumber("10231"))!;
        var lab = snapshot.Find(new RegistrationNumber("10240"))!;

        // The term starts on a Wednesday: the first Monday is in week 2. The recess is no matter of weeks.
        Assert.Equal(Enumerable.Range(2, 16), lecture.Meetings[0].Weeks.Weeks());
        Assert.Equal(Enumerable.Range(1, 17), lecture.Meetings[1].Weeks.Weeks());
        Assert.Equal([1, 3, 5, 7], lab.Meetings.Single(meeting => meeting.Day == Weekday.Friday).Weeks.Weeks());
        Assert.Equal(8, lecture.FreeSeats);
        Assert.Equal(17, snapshot.Term.WeekCount);
    }

    [Fact]
    public void Unknown_fields_are_named_and_ignored()
    {
        var json = Small.Replace("\"label\": \"L02\"", "\"label\": \"L02\", \"colour\": 3", StringComparison.Ordinal);
        Assert.Equal(["courses[0].sections[0].colour"], Read(json).IgnoredFields);
    }

    [Fact]
    public void All_problems_are_found_in_one_reading()
    {
        var json = Small
            .Replace("\"10:45\"", "\"25:00\"", StringComparison.Ordinal)
            .Replace("\"hybrid\"", "\"remote\"", StringComparison.Ordinal)
            .Replace("\"minutes\": 20", "\"minutes\": \"far\"", StringComparison.Ordinal);
        var refused = Assert.Throws<FormatProblemsException>(() => Read(json));
        Assert.Equal(
            ["travel[0].minutes", "courses[0].sections[0].meetings[0].end", "courses[0].sections[1].mode"],
            refused.Problems.Select(problem => problem.Path)
        );
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("[1, 2")]
    [InlineData("not json")]
    public void What_is_no_json_is_refused(string text) => Assert.Throws<FormatProblemsException>(() => Read(text));

    [Theory]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("3")]
    public void What_is_no_object_is_refused(string text) =>
        Assert.Equal("an object", Assert.Throws<FormatProblemsException>(() => Read(text)).Problems[0].Expected);

    [Fact]
    public void Problems_stop_at_a_hundred()
    {
        var catalogue = JsonNode.Parse(Small)!;
        catalogue["campuses"] = new JsonArray([.. Enumerable.Range(0, 500).Select(_ => (JsonNode)3)]);
        var refused = Assert.Throws<FormatProblemsException>(() => Read(catalogue.ToJsonString()));
        Assert.Equal(FormatProblemsException.MaxProblems, refused.Problems.Count);
        Assert.Contains("or more", refused.Message, StringComparison.Ordinal);
    }
}
