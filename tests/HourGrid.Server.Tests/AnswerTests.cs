using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Server.Tests;

public sealed class AnswerTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly CatalogueSnapshot Spring = CatalogueJson
        .Read(File.ReadAllBytes(TestPaths.Repository("demo", "saltmere.catalogue.json")))
        .Value.SnapshotOf(new("2027SP"))!;

    private static Problem Compile(JsonNode ask) =>
        Problem.Compile(Spring, AskJson.Read(Encoding.UTF8.GetBytes(ask.ToJsonString())).Value);

    private static JsonObject Body(JsonNode ask, params (string Name, JsonNode Value)[] more)
    {
        var body = new JsonObject { ["ask"] = ask.DeepClone() };
        foreach (var (name, value) in more)
            body[name] = value;
        return body;
    }

    private static string[] Numbers(Timetable timetable) =>
        [.. timetable.Sections.Select(section => section.Number.Value)];

    private static string[] Numbers(JsonNode ranked) =>
        [.. ranked["sections"]!.AsArray().Select(number => number!.GetValue<string>())];

    [Fact]
    public async Task The_answer_is_the_engines()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220", "WRT 101");
        var problem = Compile(ask);
        var count = Counts.Of(problem).Total;
        // The second time it is answered from what was kept of the first.
        for (var time = 0; time < 2; time++)
        {
            var answer = await student.PostAsJsonAsync("/api/answers", Body(ask)).JsonAsync();
            Assert.Equal(Text(count.Timetables), answer["timetables"]!.GetValue<string>());
            Assert.Equal(Text(count.WeekShapes), answer["weekShapes"]!.GetValue<string>());
            Assert.True(answer["isExact"]!.GetValue<bool>());
            Assert.Equal(
                problem.Courses.Select(course => course.SectionsInPlay),
                answer["courses"]!.AsArray().Select(course => course!["sectionsInPlay"]!.GetValue<int>())
            );
        }
    }

    [Fact]
    public async Task What_is_not_counted_yet_is_estimated_at_once_and_what_is_counted_is_exact()
    {
        var student = await server.StudentAsync();
        // Code that has not run yet takes longer than an estimate may.
        foreach (var course in new[] { "TID 330", "GLZ 233", "GLZ 234", "LOG 118", "CAR 305", "GLZ 155" })
            await AtOnce(Requests.AskFor("TID 210", "WRT 101", course));
        var ask = Requests.AskFor("TID 210", "ACO 220", "WRT 101", "CAR 305");
        var count = (double)Counts.Of(Compile(ask)).Total.Timetables;

        var first = await AtOnce(ask);
        Assert.False(first["isExact"]!.GetValue<bool>());
        var estimate = first["estimate"]!;
        var off = estimate["timetables"]!.GetValue<double>() / count - 1;
        Assert.InRange(Math.Abs(off), 0, 6 * estimate["relativeError"]!.GetValue<double>() + 0.01);
        Assert.Equal(4, first["courses"]!.AsArray().Count);

        var counted = await student.PostAsJsonAsync("/api/answers", Body(ask)).JsonAsync();
        Assert.True(counted["countMs"]!.GetValue<double>() > 0);
        Assert.Equal(counted.ToJsonString(), (await AtOnce(ask)).ToJsonString());

        Task<JsonNode> AtOnce(JsonNode asked) =>
            student.PostAsJsonAsync("/api/answers/at-once", Body(asked)).JsonAsync();
    }

    [Fact]
    public async Task Pages_run_through_every_week_shape_from_the_best_on_and_each_to_its_look_alikes()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "WRT 101");
        var problem = Compile(ask);
        var best = Best.Of(problem, 2000, byShape: true).Timetables;
        var seen = new List<JsonNode>();
        const int PageSize = 40;
        for (var first = 0; first < best.Count + PageSize; first += PageSize)
        {
            var page = await student
                .PostAsJsonAsync("/api/answers/week-shapes", Body(ask, ("first", first), ("count", PageSize)))
                .JsonAsync();
            seen.AddRange(page["timetables"]!.AsArray().Select(one => one!));
        }
        Assert.Equal(best.Select(one => Numbers(one.Timetable)), seen.Select(Numbers));
        Assert.Equal(best.Select(one => one.Score), seen.Select(one => one["score"]!.GetValue<int>()));
        Assert.Equal(
            Text(Counts.Of(problem).Total.Timetables),
            Text(
                seen.Select(one => UInt128.Parse(one["alike"]!.GetValue<string>(), CultureInfo.InvariantCulture))
                    .Aggregate((sum, one) => sum + one)
            )
        );

        var many = seen.First(one => one["alike"]!.GetValue<string>() != "1");
        var likes = await student
            .PostAsJsonAsync("/api/answers/look-alikes", Body(ask, ("sections", many["sections"]!.DeepClone())))
            .JsonAsync();
        Assert.Equal(many["alike"]!.GetValue<string>(), Text((UInt128)likes["timetables"]!.AsArray().Count));
        Assert.Equal(Numbers(many), Numbers(likes["timetables"]![0]!));
        await student
            .PostAsJsonAsync("/api/answers/look-alikes", Body(ask, ("sections", new JsonArray("10214"))))
            .JsonAsync(422);
    }

    [Fact]
    public async Task Costs_standings_and_the_most_different_are_the_engines()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220", "WRT 101");
        ask["dayLimits"] = new JsonObject { ["latestEnd"] = "16:00" };
        ask["off"] = new JsonObject { ["dayLimits"] = new JsonObject { ["earliestStart"] = "20:00" } };
        var problem = Compile(ask);

        var costs = await student.PostAsJsonAsync("/api/answers/costs", Body(ask)).JsonAsync();
        Assert.Equal(
            RuleCosts.Of(Spring, problem.Ask).Costs.Select(cost => $"{cost.Rule.Path} {cost.Cost}"),
            costs["costs"]!.AsObject().Select(cost => $"{cost.Key} {cost.Value}")
        );
        var standings = await student.PostAsJsonAsync("/api/answers/standings", Body(ask)).JsonAsync();
        Assert.Equal(
            Standings.Of(problem).Sections.ToDictionary(one => one.Key.Value, one => Text(one.Value)),
            standings["sections"]!.AsObject().ToDictionary(one => one.Key, one => one.Value!.GetValue<string>())
        );
        var spread = await student.PostAsJsonAsync("/api/answers/spread", Body(ask, ("count", 5))).JsonAsync();
        Assert.Equal(
            Spread.Of(problem, 5).Timetables.Select(one => Numbers(one.Timetable)),
            spread["timetables"]!.AsArray().Select(one => Numbers(one!))
        );
        await student.PostAsJsonAsync("/api/answers/why-none", Body(ask)).JsonAsync(422);
    }

    [Fact]
    public async Task Why_there_is_none_comes_with_the_ways_out()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220");
        ask["timeBlocks"] = new JsonArray(
            new JsonObject
            {
                ["days"] = new JsonArray("mon", "tue", "wed", "thu", "fri"),
                ["start"] = "08:00",
                ["end"] = "22:00",
            }
        );
        var why = await student.PostAsJsonAsync("/api/answers/why-none", Body(ask)).JsonAsync();
        Assert.Contains("timeBlocks[0]", why["together"]!.AsArray().Select(path => path!.GetValue<string>()));
        var way = why["waysOut"]!.AsArray().Single(one => one!["rules"]!.ToJsonString() == "[\"timeBlocks[0]\"]")!;
        ask["timeBlocks"] = new JsonArray();
        Assert.Equal(Text(Counts.Of(Compile(ask)).Total.Timetables), way["timetables"]!.GetValue<string>());
    }

    [Fact]
    public async Task Kept_sections_in_each_others_way_are_said()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220");
        var (one, other) = (
            from a in Spring.Find(new CourseId("TID 210"))!.SectionsOffered
            from b in Spring.Find(new CourseId("ACO 220"))!.SectionsOffered
            where
                a.Meetings.Any(x =>
                    b.Meetings.Any(y => x.Day == y.Day && x.Time.Overlaps(y.Time) && x.Weeks.Overlaps(y.Weeks))
                )
            select (a, b)
        ).First();
        ask["wanted"]![0]!["keep"] = new JsonArray(one.Number.Value);
        ask["wanted"]![1]!["keep"] = new JsonArray(other.Number.Value);
        var answer = await student.PostAsJsonAsync("/api/answers", Body(ask)).JsonAsync();
        Assert.Equal("0", answer["timetables"]!.GetValue<string>());
        Assert.All(
            answer["clashes"]!.AsArray(),
            clash =>
                Assert.Equivalent(
                    new[] { one.Number.Value, other.Number.Value },
                    new[] { clash!["one"]!.GetValue<string>(), clash["other"]!.GetValue<string>() }
                )
        );
        Assert.NotEmpty(answer["clashes"]!.AsArray());
    }

    [Fact]
    public async Task No_timetable_is_an_answer()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210");
        ask["dayLimits"] = new JsonObject { ["daysOff"] = new JsonArray("mon", "tue", "wed", "thu", "fri") };
        var answer = await student.PostAsJsonAsync("/api/answers", Body(ask)).JsonAsync();
        Assert.Equal("0", answer["timetables"]!.GetValue<string>());
        Assert.Equal(0, answer["courses"]![0]!["sectionsInPlay"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("first", "-1")]
    [InlineData("first", "2001")]
    [InlineData("first", "\"x\"")]
    [InlineData("count", "0")]
    [InlineData("count", "101")]
    public async Task A_page_out_of_bounds_is_refused_with_its_place(string field, string value)
    {
        var student = await server.StudentAsync();
        var body = Body(Requests.AskFor("TID 210"), ("first", 0), ("count", 10));
        body[field] = JsonNode.Parse(value);
        var problem = await student.PostAsJsonAsync("/api/answers/week-shapes", body).JsonAsync(400);
        Assert.Equal(field, problem["problems"]![0]!["path"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_course_that_is_not_there_is_refused_and_named()
    {
        var student = await server.StudentAsync();
        var problem = await student
            .PostAsJsonAsync("/api/answers", Body(Requests.AskFor("TID 210", "TID 999")))
            .JsonAsync(422);
        Assert.Equal("wanted[1].course", problem["path"]!.GetValue<string>());
    }

    [Fact]
    public async Task Courses_are_suggested_by_code_and_by_words_of_the_title()
    {
        var browser = server.Browser();
        async Task<string[]> Suggested(string query) =>
            [
                .. (
                    await browser
                        .GetAsync($"/api/terms/2027SP/courses?query={WebUtility.UrlEncode(query)}")
                        .JsonAsync()
                )["courses"]!
                    .AsArray()
                    .Select(course => course!["id"]!.GetValue<string>()),
            ];
        foreach (var query in new[] { "tid 210", "TID210", "t\u00edd 210", "tides currents", "curr tid" })
            Assert.Equal("TID 210", (await Suggested(query))[0]);
        var numbered = await Suggested("210");
        Assert.Contains("TID 210", numbered);
        Assert.All(numbered, id => Assert.EndsWith(" 210", id, StringComparison.Ordinal));
        Assert.All(await Suggested("glz"), id => Assert.StartsWith("GLZ", id, StringComparison.Ordinal));
        Assert.Empty(await Suggested("zebra"));
        Assert.Empty(await Suggested("  "));
        await browser.GetAsync("/api/terms/1999XX/courses?query=a").JsonAsync(404);
        await browser.GetAsync($"/api/terms/2027SP/courses?query={new string('a', 101)}").JsonAsync(400);
    }

    [Fact]
    public async Task A_course_comes_with_its_sections_of_the_term_and_without_cancelled_ones()
    {
        var course = await server.Browser().GetAsync("/api/terms/2027SP/courses/MTH%20120").JsonAsync();
        var offered = Spring.Find(new CourseId("MTH 120"))!;
        Assert.Equal(
            offered.Sections.Where(s => s.Section.Status != SectionStatus.Cancelled).Select(s => s.Number.Value),
            course["sections"]!.AsArray().Select(section => section!["number"]!.GetValue<string>())
        );
        await server.Browser().GetAsync("/api/terms/2027SP/courses/XXX%201").JsonAsync(404);
    }

    [Fact]
    public async Task Terms_come_latest_first()
    {
        var terms = await server.Browser().GetAsync("/api/terms").JsonAsync();
        Assert.Equal(["2027SP", "2026AU"], terms["terms"]!.AsArray().Select(term => term!["id"]!.GetValue<string>()));
        Assert.Equal(17, terms["terms"]![0]!["weeks"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_is_not_there_is_a_problem_and_not_a_page() =>
        await server.Browser().GetAsync("/api/nothing").JsonAsync(404);

    private static string Text(UInt128 number) => number.ToString(CultureInfo.InvariantCulture);
}
