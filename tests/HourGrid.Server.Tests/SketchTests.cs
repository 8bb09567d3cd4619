using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

public sealed class SketchTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task What_was_shown_as_saved_survives_a_restart_and_so_does_who_the_student_is()
    {
        using var own = new RunningServer();
        var student = await own.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var saved = await student.SaveAsync(sketch, Requests.AskFor("TID 210", "ACO 220")).JsonAsync();
        Assert.True(long.Parse(saved["answer"]!["timetables"]!.GetValue<string>(), CultureInfo.InvariantCulture) > 0);

        var after = own.Restart(student);
        var again = await after.OpenSketchAsync();
        Assert.Equal(sketch["id"]!.GetValue<string>(), again["id"]!.GetValue<string>());
        Assert.Equal(["TID 210", "ACO 220"], again.Courses());
        Assert.True(again["canUndo"]!.GetValue<bool>());
    }

    [Fact]
    public async Task A_second_visit_opens_the_same_sketch()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        await student.SaveAsync(sketch, Requests.AskFor("LOG 118")).JsonAsync();

        var visit = await student.PostAsync("/api/visit", null).JsonAsync();
        Assert.False(visit["isNew"]!.GetValue<bool>());
        var again = await student.OpenSketchAsync();
        Assert.Equal(sketch["id"]!.GetValue<string>(), again["id"]!.GetValue<string>());
        Assert.Equal(["LOG 118"], again.Courses());
        Assert.NotEqual(
            sketch["id"]!.GetValue<string>(),
            (await student.OpenSketchAsync("2026AU"))["id"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task One_students_sketch_cannot_be_reached_by_another()
    {
        var owner = await server.StudentAsync();
        var stranger = await server.StudentAsync();
        var sketch = await owner.OpenSketchAsync();

        await stranger.SaveAsync(sketch, Requests.AskFor("TID 210")).JsonAsync(404);
        await stranger.StepAsync(sketch, "undo").JsonAsync(404);
        Assert.NotEqual(
            sketch["id"]!.GetValue<string>(),
            (await stranger.OpenSketchAsync())["id"]!.GetValue<string>()
        );
        Assert.Empty((await owner.OpenSketchAsync()).Courses());
    }

    [Fact]
    public async Task Without_a_visit_nothing_is_given()
    {
        var nobody = server.Browser();
        foreach (var path in new[] { "/api/terms/2027SP/sketch", "/api/answers", "/api/answers/week-shapes" })
            Assert.Equal(HttpStatusCode.Unauthorized, (await nobody.PostAsync(path, Requests.Body("{}"))).StatusCode);
    }

    [Fact]
    public async Task A_change_to_an_older_version_is_refused_and_gives_the_newer_sketch()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        await student.SaveAsync(sketch, Requests.AskFor("TID 210")).JsonAsync();

        var stale = await student.SaveAsync(sketch, Requests.AskFor("ACO 220")).JsonAsync(409);
        Assert.Equal(["TID 210"], stale["sketch"]!.Courses());
        Assert.Equal(["TID 210"], (await student.OpenSketchAsync()).Courses());
    }

    [Fact]
    public async Task Changes_sent_at_the_same_time_are_saved_once_and_never_lost_in_silence()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        string[] courses = ["TID 210", "ACO 220", "CAR 305", "LOG 118", "MTH 120", "WRT 101"];
        var answers = await Task.WhenAll(
            courses.Select(course => student.SaveAsync(sketch, Requests.AskFor(course)))
        );
        var saved = answers.Single(answer => answer.StatusCode == HttpStatusCode.OK);
        Assert.All(
            answers.Where(answer => answer != saved),
            one => Assert.Equal(HttpStatusCode.Conflict, one.StatusCode)
        );
        var kept = JsonNode.Parse(await saved.Content.ReadAsStringAsync())!["sketch"]!;
        Assert.Equal(kept.Courses(), (await student.OpenSketchAsync()).Courses());
    }

    [Fact]
    public async Task Undo_and_redo_go_step_by_step_and_a_new_change_drops_what_could_be_redone()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        Assert.False(sketch["canUndo"]!.GetValue<bool>());
        foreach (var ask in new[] { Requests.AskFor("TID 210"), Requests.AskFor("TID 210", "ACO 220") })
            sketch = (await student.SaveAsync(sketch, ask).JsonAsync())["sketch"]!;

        sketch = (await student.StepAsync(sketch, "undo").JsonAsync())["sketch"]!;
        Assert.Equal(["TID 210"], sketch.Courses());
        sketch = (await student.StepAsync(sketch, "undo").JsonAsync())["sketch"]!;
        Assert.Empty(sketch.Courses());
        Assert.False(sketch["canUndo"]!.GetValue<bool>());
        sketch = (await student.StepAsync(sketch, "undo").JsonAsync())["sketch"]!;
        Assert.Empty(sketch.Courses());

        sketch = (await student.StepAsync(sketch, "redo").JsonAsync())["sketch"]!;
        Assert.Equal(["TID 210"], sketch.Courses());
        Assert.True(sketch["canRedo"]!.GetValue<bool>());
        sketch = (await student.SaveAsync(sketch, Requests.AskFor("LOG 118")).JsonAsync())["sketch"]!;
        Assert.False(sketch["canRedo"]!.GetValue<bool>());
        sketch = (await student.StepAsync(sketch, "redo").JsonAsync())["sketch"]!;
        Assert.Equal(["LOG 118"], sketch.Courses());
    }

    [Fact]
    public async Task What_cannot_be_answered_is_not_saved()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var problem = await student.SaveAsync(sketch, Requests.AskFor("XXX 999")).JsonAsync(422);
        Assert.Equal("wanted[0].course", problem["path"]!.GetValue<string>());
        Assert.Contains("XXX 999", problem["detail"]!.GetValue<string>(), StringComparison.Ordinal);

        var otherTerm = Requests.AskFor("TID 210");
        otherTerm["term"] = "2026AU";
        await student.SaveAsync(sketch, otherTerm).JsonAsync(422);
        var again = await student.OpenSketchAsync();
        Assert.Empty(again.Courses());
        Assert.Equal(sketch["version"]!.GetValue<long>(), again["version"]!.GetValue<long>());
    }

    [Theory]
    [InlineData("", 400, null)]
    [InlineData("{", 400, null)]
    [InlineData("[]", 400, "ask")]
    [InlineData("{}", 400, "ask")]
    [InlineData("""{ "version": 1, "ask": 3 }""", 400, "ask")]
    [InlineData(
        """{ "version": 1, "ask": { "format": "hour-grid-ask", "version": 1, "term": "2027SP", "wanted": [{ "course": 1 }] } }""",
        400,
        "ask.wanted[0].course"
    )]
    [InlineData(
        """{ "name": "A", "ask": { "format": "hour-grid-ask", "version": 1, "term": "2027SP", "wanted": [] } }""",
        400,
        "version"
    )]
    [InlineData(
        """{ "version": "1", "name": "A", "ask": { "format": "hour-grid-ask", "version": 1, "term": "2027SP", "wanted": [] } }""",
        400,
        "version"
    )]
    [InlineData(
        """{ "version": 1, "name": " ", "ask": { "format": "hour-grid-ask", "version": 1, "term": "2027SP", "wanted": [] } }""",
        400,
        "name"
    )]
    public async Task Bad_input_is_refused_with_its_place(string body, int status, string? path)
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var problem = await student.PutAsync($"/api/sketches/{sketch["id"]}", Requests.Body(body)).JsonAsync(status);
        if (path is not null)
            Assert.Contains(path, problem["problems"]!.AsArray().Select(one => one!["path"]!.GetValue<string>()));
    }

    [Fact]
    public async Task Sketches_are_made_chosen_ordered_renamed_deleted_and_had_back()
    {
        var student = await server.StudentAsync();
        var first = await student.OpenSketchAsync();
        var second = await student.NewSketchAsync("With the evening job", Requests.AskFor("TID 210"));
        Assert.Equal(["First sketch", "With the evening job"], await student.SketchNamesAsync());
        // The one made or chosen last is the one that opens.
        Assert.Equal(Id(second), Id(await student.OpenSketchAsync()));
        await student.PostAsync($"/api/sketches/{Id(first)}/choose", null).JsonAsync();
        Assert.Equal(Id(first), Id(await student.OpenSketchAsync()));

        await student
            .PutAsJsonAsync(
                "/api/terms/2027SP/sketches/order",
                new JsonObject { ["ids"] = new JsonArray(Id(second), Id(first), Id(second)) }
            )
            .JsonAsync();
        Assert.Equal(["With the evening job", "First sketch"], await student.SketchNamesAsync());

        second["name"] = "Evenings free";
        var renamed = (await student.SaveAsync(second, second["ask"]!).JsonAsync())["sketch"]!;
        Assert.Equal(["Evenings free", "First sketch"], await student.SketchNamesAsync());
        await student.StepAsync(renamed, "undo").JsonAsync();
        Assert.Equal(["With the evening job", "First sketch"], await student.SketchNamesAsync());

        Assert.Equal(HttpStatusCode.NoContent, (await student.DeleteAsync($"/api/sketches/{Id(second)}")).StatusCode);
        Assert.Equal(["First sketch"], await student.SketchNamesAsync());
        var deleted = (await student.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["deleted"]!;
        Assert.Equal(Id(second), Id(deleted.AsArray().Single()!));
        Assert.Equal(
            ["TID 210"],
            (await student.PostAsync($"/api/sketches/{Id(second)}/choose", null).JsonAsync()).Courses()
        );
        Assert.Equal(["With the evening job", "First sketch"], await student.SketchNamesAsync());
    }

    [Fact]
    public async Task Another_students_sketches_are_neither_listed_chosen_nor_deleted()
    {
        var owner = await server.StudentAsync();
        var stranger = await server.StudentAsync();
        var sketch = await owner.NewSketchAsync("Mine", Requests.AskFor());
        await stranger.PostAsync($"/api/sketches/{Id(sketch)}/choose", null).JsonAsync(404);
        await stranger.DeleteAsync($"/api/sketches/{Id(sketch)}").JsonAsync(404);
        Assert.Empty(await stranger.SketchNamesAsync());
        Assert.Equal(["Mine"], await owner.SketchNamesAsync());
    }

    [Fact]
    public async Task Few_deleted_sketches_are_kept_the_last_ones()
    {
        var student = await server.StudentAsync();
        var made = new List<string>();
        for (var i = 0; i < 12; i++)
        {
            made.Add(Id(await student.NewSketchAsync($"Sketch {i}", Requests.AskFor())));
            await student.DeleteAsync($"/api/sketches/{made[i]}");
        }
        var deleted = (await student.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["deleted"]!;
        Assert.Equal(made.Skip(2).Reverse(), deleted.AsArray().Select(one => Id(one!)));
        await student.PostAsync($"/api/sketches/{made[0]}/choose", null).JsonAsync(404);
    }

    [Fact]
    public async Task No_more_sketches_are_kept_than_one_can_look_through()
    {
        var student = await server.StudentAsync();
        var first = Id(await student.NewSketchAsync("Sketch 0", Requests.AskFor()));
        for (var made = 1; made < 50; made++)
            await student.NewSketchAsync($"Sketch {made}", Requests.AskFor());
        var refused = await student.PostSketchAsync("One more", Requests.AskFor()).JsonAsync(422);
        Assert.Contains("50 sketches", refused["detail"]!.GetValue<string>(), StringComparison.Ordinal);
        // Nor is a deleted one given back where another took its place.
        await student.DeleteAsync($"/api/sketches/{first}");
        await student.NewSketchAsync("One more", Requests.AskFor());
        var full = await student.PostAsync($"/api/sketches/{first}/choose", null).JsonAsync(422);
        Assert.Contains("50 sketches", full["detail"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(50, (await student.SketchNamesAsync()).Length);
    }

    [Fact]
    public async Task What_a_sketch_asks_and_its_answer_go_out_as_files_to_its_student_alone()
    {
        var student = await server.StudentAsync();
        var example = JsonNode.Parse(
            await File.ReadAllTextAsync(TestPaths.Repository("demo", "two-plans.sketch.json"))
        )!;
        var made = await student.PostAsJsonAsync("/api/terms/2027SP/sketches/file", example).JsonAsync();
        var ask = JsonNode.Parse(await student.GetStringAsync($"/api/sketches/{made["id"]}/ask"))!;
        Assert.Equal(made["ask"]!.ToJsonString(), ask.ToJsonString());
        var file = JsonNode.Parse(await student.GetStringAsync($"/api/sketches/{made["id"]}/answer"))!;
        var answer = await student
            .PostAsJsonAsync("/api/answers", new JsonObject { ["ask"] = ask.DeepClone() })
            .JsonAsync();
        Assert.Equal(answer["timetables"]!.GetValue<string>(), file["timetables"]!.ToString());
        Assert.NotEmpty(file["top"]!.AsArray());

        var stranger = await server.StudentAsync();
        await stranger.GetAsync($"/api/sketches/{made["id"]}/ask").JsonAsync(404);
        await stranger.GetAsync($"/api/sketches/{made["id"]}/answer").JsonAsync(404);
    }

    [Fact]
    public async Task A_sketch_goes_out_as_a_file_and_comes_in_as_another_sketch()
    {
        var student = await server.StudentAsync();
        var example = JsonNode.Parse(File.ReadAllText(TestPaths.Repository("demo", "two-plans.sketch.json")))!;
        var made = await student.PostAsJsonAsync("/api/terms/2027SP/sketches/file", example).JsonAsync();
        Assert.Equal("Two plans", made["name"]!.GetValue<string>());
        Assert.Equal(example["shortlist"]!.ToJsonString(), made["shortlist"]!.ToJsonString());

        var file = JsonNode.Parse(await student.GetStringAsync($"/api/sketches/{made["id"]}/file"))!;
        var again = await student.PostAsJsonAsync("/api/terms/2027SP/sketches/file", file).JsonAsync();
        foreach (var part in new[] { "name", "ask", "shortlist" })
            Assert.Equal(made[part]!.ToJsonString(), again[part]!.ToJsonString());
        Assert.NotEqual(made["id"]!.GetValue<string>(), again["id"]!.GetValue<string>());

        await student.PostAsJsonAsync("/api/terms/2026AU/sketches/file", example).JsonAsync(422);
        example["ask"]!["wanted"]![0]!["course"] = "XXX 999";
        await student.PostAsJsonAsync("/api/terms/2027SP/sketches/file", example).JsonAsync(422);
        example["shortlist"]![1]!["name"] = 7;
        var refused = await student.PostAsJsonAsync("/api/terms/2027SP/sketches/file", example).JsonAsync(400);
        Assert.Contains("shortlist[1].name", refused["detail"]!.GetValue<string>(), StringComparison.Ordinal);
        var stranger = await server.StudentAsync();
        await stranger.GetAsync($"/api/sketches/{made["id"]}/file").JsonAsync(404);
    }

    private static string Id(JsonNode sketch) => sketch["id"]!.GetValue<string>();

    [Fact]
    public async Task Another_sites_page_cannot_change_anything()
    {
        var student = await server.StudentAsync();
        student.DefaultRequestHeaders.Add("Sec-Fetch-Site", "cross-site");
        await student.PostAsync("/api/terms/2027SP/sketch", null).JsonAsync(403);
    }

    [Fact]
    public async Task A_text_is_kept_as_it_was_typed()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        const string Label = "<script>alert(1)</script> \u00e9\u4e2d \"'&";
        var ask = Requests.AskFor("TID 210");
        ask["timeBlocks"] = new JsonArray(
            new JsonObject
            {
                ["days"] = new JsonArray("tue"),
                ["start"] = "08:00",
                ["end"] = "09:00",
                ["label"] = Label,
            }
        );
        await student.SaveAsync(sketch, ask).JsonAsync();
        var again = await student.OpenSketchAsync();
        Assert.Equal(Label, again["ask"]!["timeBlocks"]![0]!["label"]!.GetValue<string>());
    }
}
