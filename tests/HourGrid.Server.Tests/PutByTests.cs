using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.PutBy;

namespace HourGrid.Server.Tests;

/// <summary>Shortlists, the line-up and the choice, and what is answered about timetables put by.</summary>
public sealed class PutByTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly JsonNode Asked = Requests.AskFor("TID 210", "ACO 220", "WRT 101");

    private static readonly SpringTimetables Timetables = new(Asked);

    private static JsonNode List(params PutByTimetable[] timetables) => JsonNode.Parse(PutByJson.Write(timetables))!;

    private static JsonArray Numbers(PutByTimetable one) =>
        [.. one.Sections.Select(section => (JsonNode)section.Number.Value)];

    private static JsonObject About(PutByTimetable one, JsonNode? ask = null) =>
        new() { ["ask"] = (ask ?? Asked).DeepClone(), ["sections"] = Numbers(one) };

    private static JsonObject AboutAll(JsonNode ask, params PutByTimetable[] timetables) =>
        new() { ["ask"] = ask.DeepClone(), ["timetables"] = List(timetables) };

    [Fact]
    public async Task A_shortlist_is_saved_undone_and_redone_with_its_sketch()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var shortlist = List(Timetables.PutBy(1, "First"), Timetables.PutBy(2, "Second"));
        sketch["shortlist"] = shortlist.DeepClone();
        var saved = (await student.SaveAsync(sketch, Asked).JsonAsync())["sketch"]!;
        Assert.Equal(shortlist.ToJsonString(), saved["shortlist"]!.ToJsonString());
        Assert.Equal(shortlist.ToJsonString(), (await student.OpenSketchAsync())["shortlist"]!.ToJsonString());

        var undone = (await student.StepAsync(saved, "undo").JsonAsync())["sketch"]!;
        Assert.Empty(undone["shortlist"]!.AsArray());
        var redone = (await student.StepAsync(undone, "redo").JsonAsync())["sketch"]!;
        Assert.Equal(2, redone["shortlist"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_shortlist_that_is_wrong_is_refused_with_its_place_and_nothing_is_saved()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        async Task RefusedAsync(string place, Action<JsonArray> spoil)
        {
            var list = List(Timetables.PutBy(1), Timetables.PutBy(2)).AsArray();
            spoil(list);
            sketch["shortlist"] = list;
            var problem = await student.SaveAsync(sketch, Asked).JsonAsync(400);
            Assert.Contains(place, problem.ToJsonString(), StringComparison.Ordinal);
        }

        await RefusedAsync("shortlist[1].name", list => list[1]!["name"] = " ");
        await RefusedAsync("shortlist[1].name", list => list[1]!["name"] = new string('x', 81));
        await RefusedAsync("shortlist[0].note", list => list[0]!["note"] = new string('x', 1001));
        await RefusedAsync("shortlist[0].id", list => list[0]!["id"] = "one");
        await RefusedAsync("twice", list => list[1]!["id"] = list[0]!["id"]!.DeepClone());
        await RefusedAsync("shortlist[0].sections", list => list[0]!["sections"] = new JsonArray());
        await RefusedAsync(
            "shortlist[0].sections[0].meetings[0].day",
            list => list[0]!["sections"]![0]!["meetings"]![0]!["day"] = "Monday"
        );
        await RefusedAsync(
            "shortlist",
            list =>
            {
                for (var i = 0; i < 30; i++)
                    list.Add(List(Timetables.PutBy(3))[0]!.DeepClone());
            }
        );
        Assert.Empty((await student.OpenSketchAsync())["shortlist"]!.AsArray());
    }

    [Fact]
    public async Task Picks_are_saved_undone_redone_and_survive_a_restart()
    {
        using var own = new RunningServer();
        var student = await own.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var empty = await student.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        Assert.Equal(0, empty["version"]!.GetValue<long>());
        Assert.Empty(empty["picks"]!["lineUp"]!.AsArray());

        var picks = PicksOf(sketch, Timetables.PutBy(1), Timetables.PutBy(2));
        var saved = await SaveAsync(student, empty, picks).JsonAsync();
        Assert.Equal(picks.ToJsonString(), saved["picks"]!.ToJsonString());
        var after = own.Restart(student);
        var again = await after.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        Assert.Equal(picks.ToJsonString(), again["picks"]!.ToJsonString());

        var undone = await StepAsync(after, again, "undo").JsonAsync();
        Assert.Null(undone["picks"]!["choice"]);
        Assert.False(undone["canUndo"]!.GetValue<bool>());
        var redone = await StepAsync(after, undone, "redo").JsonAsync();
        Assert.Equal(picks.ToJsonString(), redone["picks"]!.ToJsonString());
        Assert.False(redone["canRedo"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Picks_of_an_older_version_are_refused_and_the_newer_ones_come_back()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var empty = await student.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        var picks = PicksOf(sketch, Timetables.PutBy(1));
        await SaveAsync(student, empty, picks).JsonAsync();
        var stale = await SaveAsync(student, empty, PicksOf(sketch, Timetables.PutBy(2))).JsonAsync(409);
        Assert.Equal(picks.ToJsonString(), stale["picks"]!["picks"]!.ToJsonString());
    }

    [Fact]
    public async Task Picks_sent_at_once_are_saved_once()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var empty = await student.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        var answers = await Task.WhenAll(
            Enumerable.Range(1, 6).Select(rank => SaveAsync(student, empty, PicksOf(sketch, Timetables.PutBy(rank))))
        );
        Assert.Equal(1, answers.Count(answer => (int)answer.StatusCode == 200));
        Assert.All(answers, answer => Assert.Contains((int)answer.StatusCode, new[] { 200, 409 }));
    }

    [Fact]
    public async Task One_students_picks_are_not_anothers()
    {
        var owner = await server.StudentAsync();
        var stranger = await server.StudentAsync();
        var sketch = await owner.OpenSketchAsync();
        var empty = await owner.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        await SaveAsync(owner, empty, PicksOf(sketch, Timetables.PutBy(1))).JsonAsync();
        var seen = await stranger.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        Assert.Null(seen["picks"]!["choice"]);
        Assert.Equal(0, seen["version"]!.GetValue<long>());
    }

    [Fact]
    public async Task Picks_that_are_wrong_are_refused_with_their_place()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var empty = await student.GetAsync("/api/terms/2027SP/picks").JsonAsync();
        async Task RefusedAsync(string place, Action<JsonNode> spoil)
        {
            var picks = PicksOf(sketch, Timetables.PutBy(1), Timetables.PutBy(2));
            spoil(picks);
            var problem = await SaveAsync(student, empty, picks).JsonAsync(400);
            Assert.Contains(place, problem.ToJsonString(), StringComparison.Ordinal);
        }

        await RefusedAsync("picks.lineUp", picks => picks["lineUp"]!.AsArray().Add(picks["lineUp"]![0]!.DeepClone()));
        await RefusedAsync("picks.baseline", picks => picks["baseline"] = Place(Guid.NewGuid(), Guid.NewGuid()));
        await RefusedAsync(
            "picks.choice.fallbacks[0].section",
            picks => picks["choice"]!["fallbacks"]![0]!["section"] = "99999"
        );
        await RefusedAsync(
            "picks.lineUp",
            picks =>
            {
                for (var i = 0; i < 8; i++)
                    picks["lineUp"]!.AsArray().Add(Place(Guid.NewGuid(), Guid.NewGuid()));
            }
        );
        await student.GetAsync("/api/terms/1999XX/picks").JsonAsync(404);
    }

    [Fact]
    public async Task How_a_timetable_stands_is_told_against_rules_and_catalogue()
    {
        var student = await server.StudentAsync();
        var one = Timetables.PutBy(1);
        var states = await student.PostAsJsonAsync("/api/answers/put-by", AboutAll(Asked, one)).JsonAsync();
        Assert.True(states["timetables"]![0]!["holds"]!.GetValue<bool>());

        var harder = Asked.DeepClone();
        var day = one.Sections.SelectMany(section => section.Meetings).First().Day.ToString()[..3].ToLowerInvariant();
        harder["dayLimits"] = new JsonObject { ["daysOff"] = new JsonArray(day) };
        harder["wanted"]!.AsArray().Add(new JsonObject { ["course"] = "LOG 118" });
        harder["wanted"]![1]!["role"] = "setAside";
        var moved = one with
        {
            Id = Guid.NewGuid(),
            Sections =
            [
                .. one.Sections.Select((section, i) => i > 0 ? section : section with { Meetings = [] }),
                new(new("00001"), new("TID 210"), "lab", "B9", []),
            ],
        };
        var state = (await student.PostAsJsonAsync("/api/answers/put-by", AboutAll(harder, one, moved)).JsonAsync())[
            "timetables"
        ]!;
        Assert.Equal(["wanted[3]", "dayLimits.daysOff"], Texts(state[0]!["broken"]!));
        Assert.Equal(["ACO 220"], Texts(state[0]!["notAsked"]!));
        Assert.Equal(["00001"], Texts(state[1]!["gone"]!));
        Assert.Equal([one.Sections[0].Number.Value], Texts(state[1]!["moved"]!));
        Assert.False(state[1]!["isTimetable"]!.GetValue<bool>());
    }

    [Fact]
    public async Task Survival_nearest_place_and_name_are_the_engines()
    {
        var student = await server.StudentAsync();
        var one = Timetables.PutBy(3);
        var survival = await student.PostAsJsonAsync("/api/answers/survival", About(one)).JsonAsync();
        var expected = Survival.Of(
            SpringTimetables.Spring,
            AskJson.Read(Encoding.UTF8.GetBytes(Asked.ToJsonString())).Value,
            one.Numbers
        );
        Assert.Equal(
            expected.Select(section => $"{section.Section.Number} {section.Rescue}".ToLowerInvariant()),
            survival["sections"]!
                .AsArray()
                .Select(section => $"{section!["number"]} {section["rescue"]}".ToLowerInvariant())
        );
        var nearest = await student.PostAsJsonAsync("/api/answers/nearest", About(one)).JsonAsync();
        Assert.Equal(one.Sections.Select(section => section.Number.Value), Texts(nearest["sections"]!));
        Assert.Empty(nearest["changed"]!.AsArray());

        var place = await student.PostAsJsonAsync("/api/answers/place", About(one)).JsonAsync();
        Assert.True(place["isOfAsk"]!.GetValue<bool>());
        var page = new JsonObject
        {
            ["ask"] = Asked.DeepClone(),
            ["first"] = 0,
            ["count"] = 100,
        };
        var shapes = await student.PostAsJsonAsync("/api/answers/week-shapes", page).JsonAsync();
        var likes = About(one);
        likes["sections"] = shapes["timetables"]![place["rank"]!.GetValue<int>() - 1]!["sections"]!.DeepClone();
        var alike = await student.PostAsJsonAsync("/api/answers/look-alikes", likes).JsonAsync();
        Assert.Equal(
            one.Sections.Select(section => section.Number.Value),
            Texts(alike["timetables"]![place["alike"]!.GetValue<int>()]!["sections"]!)
        );
        var elsewhere = await student
            .PostAsJsonAsync("/api/answers/place", About(one, Requests.AskFor("LOG 118")))
            .JsonAsync();
        Assert.False(elsewhere["isOfAsk"]!.GetValue<bool>());

        var asked = About(one);
        asked["taken"] = new JsonArray();
        var name = await student.PostAsJsonAsync("/api/answers/name", asked).JsonAsync();
        asked["taken"] = new JsonArray(name["name"]!.DeepClone());
        var other = await student.PostAsJsonAsync("/api/answers/name", asked).JsonAsync();
        Assert.NotEqual(name["name"]!.GetValue<string>(), other["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task Timetables_are_compared_by_measures_and_sentences()
    {
        var student = await server.StudentAsync();
        PutByTimetable[] three = [Timetables.PutBy(1, "A"), Timetables.PutBy(5, "B"), Timetables.PutBy(9, "C")];
        var compared = await student.PostAsJsonAsync("/api/answers/compared", AboutAll(Asked, three)).JsonAsync();
        Assert.Equal(MeasureList.All.Count, compared["rows"]!.AsArray().Count);
        Assert.Equal(
            ["A and B", "A and C", "B and C"],
            compared["pairs"]!.AsArray().Select(pair => pair!["sentence"]!.GetValue<string>()[..7])
        );
        var idle = compared["rows"]!.AsArray().Single(row => row!["measure"]!.GetValue<string>() == "idleMinutes")!;
        Assert.Equal(
            new[] { 1, 5, 9 }.Select(rank => Timetables.Of(rank).Measures[IdleMinutes.Measure]),
            idle["values"]!.AsArray().Select(value => (int?)value!.GetValue<int>())
        );
        await student.PostAsJsonAsync("/api/answers/compared", AboutAll(Asked)).JsonAsync(400);
    }

    [Fact]
    public async Task What_is_no_timetable_is_refused_in_words()
    {
        var student = await server.StudentAsync();
        var lecture = new JsonObject
        {
            ["ask"] = Asked.DeepClone(),
            ["sections"] = new JsonArray(Numbers(Timetables.PutBy(1))[0]!.DeepClone()),
        };
        await student.PostAsJsonAsync("/api/answers/survival", lecture).JsonAsync(422);
        lecture["sections"] = new JsonArray("00000");
        await student.PostAsJsonAsync("/api/answers/survival", lecture).JsonAsync(422);
    }

    private static JsonObject Place(Guid sketch, Guid timetable) =>
        new() { ["sketch"] = sketch.ToString(), ["timetable"] = timetable.ToString() };

    private static JsonObject PicksOf(JsonNode sketch, params PutByTimetable[] lineUp)
    {
        var id = Guid.Parse(sketch["id"]!.GetValue<string>());
        var chosen = lineUp[0];
        var picks = new TermPicks(
            [.. lineUp.Select(one => new LineUpPlace(id, one.Id))],
            new LineUpPlace(id, chosen.Id),
            new(id, chosen, [new(chosen.Sections[0].Number, lineUp[^1].Sections)], lineUp[^1])
        );
        return JsonNode.Parse(PutByJson.Write(picks))!.AsObject();
    }

    private static Task<HttpResponseMessage> SaveAsync(HttpClient student, JsonNode record, JsonNode picks) =>
        student.PutAsJsonAsync(
            "/api/terms/2027SP/picks",
            new JsonObject { ["version"] = record["version"]!.DeepClone(), ["picks"] = picks.DeepClone() }
        );

    private static Task<HttpResponseMessage> StepAsync(HttpClient student, JsonNode record, string direction) =>
        student.PostAsJsonAsync(
            $"/api/terms/2027SP/picks/{direction}",
            new JsonObject { ["version"] = record["version"]!.DeepClone() }
        );

    private static string[] Texts(JsonNode list) => [.. list.AsArray().Select(item => item!.GetValue<string>())];
}
