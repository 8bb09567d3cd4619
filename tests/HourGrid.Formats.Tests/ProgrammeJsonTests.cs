using System.Text;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Json;
using HourGrid.Formats.Requirements;

namespace HourGrid.Formats.Tests;

public sealed class ProgrammeJsonTests
{
    internal const string Full = """
        { "format": "hour-grid-programme", "version": 1, "id": "P", "name": "Made", "from": "2024", "credits": 90,
          "requirements": { "id": "all", "name": "Made", "all": [
            { "id": "one", "name": "One", "take": 2, "eachCredits": 4, "minGrade": "C", "counting": "general",
              "from": { "courses": ["TID 110"], "subjects": ["TID"], "attributes": ["Humanities"],
                        "numbers": { "min": 200, "max": 399 }, "except": ["TID 210"] } },
            { "id": "some", "name": "Some", "any": { "take": 1, "of": [
              { "id": "two", "name": "Two", "credits": 7.5, "from": { "subjects": ["MTH"] } },
              { "id": "three", "name": "Three", "take": 1, "from": { "courses": ["LOG 118"] } } ] } } ] } }
        """;

    internal const string Plan = """
        { "format": "hour-grid-plan", "version": 1, "entries": [
          { "id": "a", "term": "2027SP", "course": "TID 240" },
          { "id": "b", "term": "2027AU", "requirement": { "programme": "COAST", "id": "humanities" } } ] }
        """;

    [Fact]
    public void A_programme_is_read_with_all_it_says()
    {
        var programme = ProgrammeJson.Read(Encoding.UTF8.GetBytes(Full)).Value;
        Assert.Equal(
            ("P", "Made", "2024", 90m),
            (programme.Id, programme.Name, programme.From, programme.Credits.Value)
        );
        var one = programme.Leaves[0];
        Assert.Equal(new LeafNeed.Courses(2, Credits.Of(4)), one.Need);
        Assert.Equal((Grade.C, "general", new NumberRange(200, 399)), (one.MinGrade, one.Counting, one.From.Numbers));
        Assert.Equal(7.5m, programme.Leaves[1].Need.Total.Value);
        Assert.Equal("programme", programme.Leaves[1].Counting);
        Assert.Equal(["all", "one", "some", "two", "three"], programme.InOrder.Select(node => node.Id));
    }

    [Fact]
    public void A_programme_is_read_back_equal()
    {
        foreach (
            var file in Directory
                .GetFiles(Repository.PathOf("demo", "programmes"))
                .Select(File.ReadAllBytes)
                .Append(Encoding.UTF8.GetBytes(Full))
        )
        {
            var read = ProgrammeJson.Read(file);
            Assert.Empty(read.IgnoredFields);
            Assert.Equivalent(read.Value, ProgrammeJson.Read(ProgrammeJson.Write(read.Value)).Value, strict: true);
        }
    }

    [Theory]
    [InlineData(
        "\"take\": 1, \"of\"",
        "\"take\": 3, \"of\"",
        "requirements.all[1].any.take",
        "a whole number, 1 to 2"
    )]
    [InlineData(
        "\"take\": 1, \"of\"",
        "\"take\": 0, \"of\"",
        "requirements.all[1].any.take",
        "a whole number, 1 to 2"
    )]
    [InlineData("\"id\": \"three\"", "\"id\": \"one\"", "requirements.all[1].any.of[1].id", "each id once")]
    [InlineData("\"take\": 2,", "", "requirements.all[0]", "just one of all, any, take, credits")]
    [InlineData(
        "\"credits\": 7.5,",
        "\"credits\": 7.5, \"take\": 1,",
        "requirements.all[1].any.of[0]",
        "just one of all, any, take, credits"
    )]
    [InlineData("\"minGrade\": \"C\"", "\"minGrade\": \"E\"", "requirements.all[0].minGrade", "one of A, A-, B+")]
    [InlineData("\"max\": 399", "\"max\": 199", "requirements.all[0].from.numbers.max", "200 or more")]
    [InlineData("\"credits\": 90", "\"credits\": 90.001", "credits", "credits from 0 to 10000")]
    public void What_is_wrong_is_refused_with_its_place(string right, string wrong, string path, string expected)
    {
        var text = Full.Replace(right, wrong, StringComparison.Ordinal);
        Assert.NotEqual(Full, text);
        var refused = Assert.Throws<FormatProblemsException>(() => ProgrammeJson.Read(Encoding.UTF8.GetBytes(text)));
        Assert.Contains(
            refused.Problems,
            one => one.Path == path && one.Expected.StartsWith(expected, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_is_nested_without_end_is_refused_in_words()
    {
        var text = new StringBuilder(Full[..Full.IndexOf("{ \"id\": \"all\"", StringComparison.Ordinal)]);
        for (var i = 0; i < 5_000; i++)
            text.Append($"{{ \"id\": \"n{i}\", \"name\": \"N\", \"all\": [");
        Assert.Throws<FormatProblemsException>(() => ProgrammeJson.Read(Encoding.UTF8.GetBytes(text.ToString())));
    }

    [Fact]
    public void A_plan_is_read_back_equal_from_its_file()
    {
        var read = PlanJson.Read(JsonSerializer.Deserialize<JsonElement>(Plan)).Value;
        Assert.Equal((CourseId?)new CourseId("TID 240"), read.Entries[0].Course);
        Assert.Equal("humanities", read.Entries[1].Requirement!.Id);
        var file = PlanJson.WriteFile(PlanDocument.Of(read));
        Assert.Equivalent(read, PlanJson.Read(JsonSerializer.Deserialize<JsonElement>(file)).Value, strict: true);
        Assert.Equivalent(read, PlanJson.Stored(PlanJson.Write(read)).Value, strict: true);
    }
}
