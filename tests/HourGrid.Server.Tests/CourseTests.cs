using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>One course whole, its seats, and registration numbers out of any text.</summary>
public sealed class CourseTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task A_course_tells_everything_the_catalogue_has()
    {
        foreach (var course in PlainSearch.Courses.Where((_, i) => i % 3 == 0))
        {
            var id = PlainSearch.Text(course, "id");
            var told = await CourseAsync(id);
            Assert.Equal(PlainSearch.Text(course, "title"), PlainSearch.Text(told, "title"));
            Assert.Equal(PlainSearch.Text(course, "description"), PlainSearch.Text(told, "description"));
            Assert.Equal(PlainSearch.Texts(course, "attributes"), PlainSearch.Texts(told, "attributes"));
            Assert.Equal(course["prerequisites"] is not null, told["needs"] is not null);
            foreach (var other in Codes(course["prerequisites"]))
                Assert.Contains(other, PlainSearch.Text(told, "needs"));
            Assert.Equal(PlainSearch.Texts(course, "corequisites"), PlainSearch.Texts(told, "beside"));
            var held = (course["sections"]?.AsArray() ?? [])
                .Where(one =>
                    PlainSearch.Text(one!, "term") == "2027SP"
                    && PlainSearch.Text(one!, "status", "open") != "cancelled"
                )
                .ToArray();
            Assert.Equal(
                held.Select(one => PlainSearch.Text(one!, "number")),
                told["sections"]!.AsArray().Select(one => PlainSearch.Text(one!, "number"))
            );
            foreach (var (section, its) in held.Zip(told["sections"]!.AsArray()))
            {
                foreach (var field in new[] { "label", "component", "notes" })
                    Assert.Equal(PlainSearch.Text(section!, field), PlainSearch.Text(its!, field));
                Assert.Equal(section!["campus"]?.ToString(), its!["campus"]?.ToString());
                Assert.Equal(section["seatsShared"]?.ToString(), its["seatsShared"]?.ToString());
                Assert.Equal(section["consent"]?.GetValue<bool>() ?? false, its["consent"]!.GetValue<bool>());
                Assert.Equal(PlainSearch.Texts(section, "instructors"), PlainSearch.Texts(its, "instructors"));
            }
        }
    }

    /// <summary>A section that is linked to one lecture alone hangs under it; every section stands once.</summary>
    [Fact]
    public async Task Sections_that_belong_together_stand_together()
    {
        var hanging = 0;
        foreach (var id in PlainSearch.Offered)
        {
            var course = await CourseAsync(id);
            var rows = course["sets"]!.AsArray().SelectMany(set => set!["rows"]!.AsArray()).ToArray();
            Assert.Equal(
                course["sections"]!.AsArray().Select(one => PlainSearch.Text(one!, "number")).Order(),
                rows.Select(row => PlainSearch.Text(row!, "number")).Order()
            );
            string? lead = null;
            foreach (var row in rows)
            {
                var under = row!["under"]?.GetValue<string>();
                if (under is null)
                    lead = PlainSearch.Text(row, "number");
                else if (PlainSearch.Text(SectionOf(PlainSearch.Text(row, "number")), "term") == "2027SP")
                {
                    Assert.Equal(lead, under);
                    hanging++;
                }
            }
        }
        Assert.True(hanging > 10);
    }

    [Fact]
    public async Task Numbers_are_recognised_in_any_text_and_what_is_missing_is_offered()
    {
        var lab = PlainSearch.Sections.First(section =>
            PlainSearch.Text(section, "component") == "lab" && PlainSearch.Texts(section, "linkedTo").Any()
        );
        var number = PlainSearch.Text(lab, "number");
        var autumn = PlainSearch
            .Courses.SelectMany(course => (course["sections"]?.AsArray() ?? []).OfType<JsonNode>())
            .First(section => PlainSearch.Text(section, "term") == "2026AU");
        var other = PlainSearch.Text(autumn, "number");
        var read = await NumbersAsync(
            $"Hello, take <{number}>, {number} and {other}; not 00000. See you 09:30, room 12345678!"
        );
        var section = Assert.Single(read["sections"]!.AsArray())!;
        Assert.Equal(number, PlainSearch.Text(section["section"]!, "number"));
        Assert.Equal(other, PlainSearch.Text(Assert.Single(read["ofOtherTerms"]!.AsArray())!, "number"));
        Assert.Equal(["00000"], read["unknown"]!.AsArray().Select(one => one!.GetValue<string>()));
        var missing = read["missing"]!.AsArray().Single(one => PlainSearch.Text(one!, "component") == "lecture")!;
        Assert.Equal(
            PlainSearch.Texts(lab, "linkedTo").Order(),
            missing["offers"]!.AsArray().Select(offer => PlainSearch.Text(offer!, "number")).Order()
        );

        var whole = await NumbersAsync($"{number}\n{PlainSearch.Texts(lab, "linkedTo").First()}");
        Assert.DoesNotContain(whole["missing"]!.AsArray(), one => PlainSearch.Text(one!, "component") == "lecture");
        var none = await NumbersAsync("nothing here at 09:30 on 2027-01-11");
        Assert.All(new[] { "sections", "unknown", "missing" }, list => Assert.Empty(none[list]!.AsArray()));
    }

    [Fact]
    public async Task A_text_that_is_too_long_is_refused()
    {
        await server
            .Browser()
            .PostAsJsonAsync("/api/terms/2027SP/numbers", new JsonObject { ["text"] = new string('1', 20_001) })
            .JsonAsync(400);
        await server.Browser().PostAsJsonAsync("/api/terms/2027SP/numbers", new JsonObject()).JsonAsync(400);
    }

    private Task<JsonNode> CourseAsync(string id) =>
        server.Browser().GetAsync($"/api/terms/2027SP/courses/{Uri.EscapeDataString(id)}").JsonAsync();

    private Task<JsonNode> NumbersAsync(string text) =>
        server.Browser().PostAsJsonAsync("/api/terms/2027SP/numbers", new JsonObject { ["text"] = text }).JsonAsync();

    private static JsonNode SectionOf(string number) =>
        PlainSearch.Sections.Single(section => PlainSearch.Text(section, "number") == number);

    private static IEnumerable<string> Codes(JsonNode? condition) =>
        condition is null ? []
        : condition["course"] is { } course ? [course.GetValue<string>()]
        : (condition["all"] ?? condition["any"])?.AsArray().SelectMany(Codes) ?? [];
}
