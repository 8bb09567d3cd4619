using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Server.Tests;

/// <summary>What courses would do to a sketch, and why some do not fit.</summary>
public sealed class FitTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly CatalogueSnapshot Spring = CatalogueJson
        .Read(File.ReadAllBytes(TestPaths.Repository("demo", "saltmere.catalogue.json")))
        .Value.SnapshotOf(new("2027SP"))!;

    [Fact]
    public async Task A_fit_counts_the_timetables_with_the_course_added()
    {
        var ask = Requests.AskFor("TID 210", "LOG 118");
        var fits = await FitsAsync(ask, PlainSearch.Offered[..40]);
        foreach (var fit in fits)
        {
            var course = PlainSearch.Text(fit, "course");
            var with = course is "TID 210" or "LOG 118" ? ask : Requests.AskFor("TID 210", "LOG 118", course);
            Assert.Equal($"{Count(with)}", PlainSearch.Text(fit, "timetables"));
            Assert.True(fit["isExact"]!.GetValue<bool>());
            Assert.Equal(PlainSearch.Text(fit, "timetables") == "0", fit["whyNot"] is not null);
        }
    }

    /// <summary>In an either–or, the course is one of those taken.</summary>
    [Fact]
    public async Task A_fit_in_an_either_or_counts_those_that_take_the_course()
    {
        var ask = Requests.AskFor("TID 210", "LOG 118", "ACO 220");
        ask["eitherOr"] = new JsonArray(
            new JsonObject
            {
                ["courses"] = new JsonArray("LOG 118", "ACO 220"),
                ["take"] = new JsonObject { ["min"] = 1, ["max"] = 1 },
            }
        );
        var fit = Assert.Single(await FitsAsync(ask, ["LOG 118"]));
        Assert.Equal($"{Count(Requests.AskFor("TID 210", "LOG 118"))}", PlainSearch.Text(fit, "timetables"));
    }

    [Fact]
    public async Task What_does_not_fit_says_why()
    {
        var ask = Requests.AskFor("TID 210");
        ask["campus"] = new JsonObject { ["allowed"] = new JsonArray("HAR") };
        var ridge = PlainSearch
            .Courses.Where(course =>
                (course["sections"]?.AsArray() ?? [])
                    .Where(one => PlainSearch.Text(one!, "term") == "2027SP")
                    .ToArray()
                    is { Length: > 0 } its
                && its.All(one => PlainSearch.Text(one!, "campus") == "RDG")
            )
            .Select(course => PlainSearch.Text(course, "id"))
            .First();
        Assert.Equal("needs Ridge", await WhyNotAsync(ask, ridge));

        var alone = Requests.AskFor();
        alone["campus"] = ask["campus"]!.DeepClone();
        Assert.Equal("needs Ridge", await WhyNotAsync(alone, ridge));

        var busy = Requests.AskFor("TID 210");
        busy["timeBlocks"] = new JsonArray(
            new JsonObject
            {
                ["days"] = new JsonArray("mon", "tue", "wed", "thu", "fri"),
                ["start"] = "08:00",
                ["end"] = "22:00",
                ["strength"] = "cannot",
                ["label"] = "",
            }
        );
        Assert.Equal("the sketch has no timetable as it is", await WhyNotAsync(busy, "ROB 101"));

        var clash = Clash();
        Assert.StartsWith(
            $"clashes with {clash.Other}",
            await WhyNotAsync(Requests.AskFor(clash.Other), clash.Course),
            StringComparison.Ordinal
        );
    }

    /// <summary>In every course, the sections of one component stand in as many timetables as there are.</summary>
    [Fact]
    public async Task Standings_of_a_course_add_up_in_each_component()
    {
        var ask = Requests.AskFor("TID 210");
        foreach (var id in new[] { "TID 210", "ACO 220", "GLZ 233" })
        {
            var student = await server.StudentAsync();
            var standing = await student
                .PostAsJsonAsync(
                    "/api/answers/standing",
                    new JsonObject { ["ask"] = ask.DeepClone(), ["course"] = id }
                )
                .JsonAsync();
            var total = long.Parse(PlainSearch.Text(standing, "timetables"), CultureInfo.InvariantCulture);
            Assert.True(total > 0);
            foreach (
                var component in Spring
                    .Find(new CourseId(id))!
                    .SectionsOffered.GroupBy(section => (section.Section.Arrangement, section.Section.Component))
                    .GroupBy(group => group.Key.Component)
            )
                Assert.Equal(
                    total,
                    component
                        .SelectMany(group => group)
                        .Sum(section =>
                            long.Parse(
                                PlainSearch.Text(standing["sections"]!, section.Number.Value),
                                CultureInfo.InvariantCulture
                            )
                        )
                );
        }
    }

    [Fact]
    public async Task An_ask_or_a_list_that_cannot_be_read_is_refused()
    {
        var student = await server.StudentAsync();
        await student
            .PostAsJsonAsync("/api/answers/fits", new JsonObject { ["courses"] = new JsonArray() })
            .JsonAsync(400);
        await student
            .PostAsJsonAsync(
                "/api/answers/fits",
                Body(Requests.AskFor("TID 210"), [.. Enumerable.Repeat("ROB 101", 51)])
            )
            .JsonAsync(400);
        await student.PostAsJsonAsync("/api/answers/fits", Body(Requests.AskFor("TID 210"), ["NO 1"])).JsonAsync(422);
        await student
            .PostAsJsonAsync(
                "/api/answers/standing",
                new JsonObject { ["ask"] = Requests.AskFor("TID 210"), ["course"] = "NO 1" }
            )
            .JsonAsync(422);
        Assert.Equal(
            401,
            (int)(await server.Browser().PostAsJsonAsync("/api/answers/fits", new JsonObject())).StatusCode
        );
    }

    private static JsonObject Body(JsonNode ask, string[] courses) =>
        new() { ["ask"] = ask.DeepClone(), ["courses"] = new JsonArray([.. courses.Select(one => (JsonNode)one)]) };

    private async Task<JsonNode[]> FitsAsync(JsonNode ask, string[] courses)
    {
        var student = await server.StudentAsync();
        var answer = await student.PostAsJsonAsync("/api/answers/fits", Body(ask, courses)).JsonAsync();
        return [.. answer["fits"]!.AsArray().OfType<JsonNode>()];
    }

    private async Task<string> WhyNotAsync(JsonNode ask, string course) =>
        PlainSearch.Text(Assert.Single(await FitsAsync(ask, [course])), "whyNot");

    private static UInt128 Count(JsonNode ask) =>
        Counts
            .Of(Problem.Compile(Spring, AskJson.Read(Encoding.UTF8.GetBytes(ask.ToJsonString())).Value))
            .Total.Timetables;

    /// <summary>Two courses, each of which can be taken, and which cannot be taken together.</summary>
    private static (string Course, string Other) Clash()
    {
        string[] possible = [.. PlainSearch.Offered.Where(course => Count(Requests.AskFor(course)) > 0)];
        foreach (var course in possible)
        foreach (var other in possible)
            if (course != other && Count(Requests.AskFor(other, course)) == 0)
                return (course, other);
        throw new InvalidOperationException("The sample world has no two courses that clash.");
    }
}
