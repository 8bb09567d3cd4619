using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>What a student puts into terms ahead is kept, step by step, and is that student's alone.</summary>
public sealed class PlanTests
{
    [Fact]
    public async Task A_plan_is_kept_through_a_restart_and_undone_step_by_step()
    {
        using var server = new RunningServer();
        var student = await server.StudentAsync();
        var first = await student.GetAsync("/api/plan").JsonAsync();
        Assert.Equal(0, first["version"]!.GetValue<int>());
        Assert.Empty(first["plan"]!["entries"]!.AsArray());
        var one = await Save(student, 0, Entry("a", "2027SP", "TID 240"));
        var two = await Save(student, Version(one), Entry("a", "2027AU", "TID 240"), OfRequirement("b", "2028SP"));
        student = server.Restart(student);
        Assert.Equal(two.ToJsonString(), (await student.GetAsync("/api/plan").JsonAsync()).ToJsonString());
        var undone = await Step(student, "undo", two);
        Assert.Equal(one["plan"]!.ToJsonString(), undone["plan"]!.ToJsonString());
        var empty = await Step(student, "undo", undone);
        Assert.Empty(empty["plan"]!["entries"]!.AsArray());
        Assert.False(empty["canUndo"]!.GetValue<bool>());
        var again = await Step(student, "redo", await Step(student, "redo", empty));
        Assert.Equal(two["plan"]!.ToJsonString(), again["plan"]!.ToJsonString());
    }

    [Fact]
    public async Task A_change_to_an_older_version_is_refused_with_what_there_is_now()
    {
        using var server = new RunningServer();
        var student = await server.StudentAsync();
        var one = await Save(student, 0, Entry("a", "2027SP", "TID 240"));
        var refused = await Saving(student, 0, Entry("b", "2027SP", "MUS 101")).JsonAsync(409);
        Assert.Equal(one.ToJsonString(), refused["plan"]!.ToJsonString());
        Assert.Equal(one.ToJsonString(), (await student.GetAsync("/api/plan").JsonAsync()).ToJsonString());
        var other = await server.StudentAsync();
        Assert.Empty((await other.GetAsync("/api/plan").JsonAsync())["plan"]!["entries"]!.AsArray());
    }

    [Fact]
    public async Task What_is_wrong_with_a_plan_is_said_with_its_place_and_nothing_is_kept()
    {
        using var server = new RunningServer();
        var student = await server.StudentAsync();
        foreach (
            var (entry, place) in new[]
            {
                (new JsonObject { ["id"] = "a", ["term"] = "2027SP" }, "plan.entries[0]"),
                (Entry("", "2027SP", "TID 240"), "plan.entries[0].id"),
                (Entry("a", "2027SP", new string('x', 100)), "plan.entries[0].course"),
            }
        )
            Assert.Contains(
                place,
                (await Saving(student, 0, entry).JsonAsync(400)).ToJsonString(),
                StringComparison.Ordinal
            );
        var many = Enumerable.Range(0, 201).Select(i => Entry($"{i}", "2027SP", "TID 240")).ToArray();
        Assert.Contains(
            "200 at most",
            (await Saving(student, 0, many).JsonAsync(400)).ToJsonString(),
            StringComparison.Ordinal
        );
        Assert.Equal(0, Version(await student.GetAsync("/api/plan").JsonAsync()));
    }

    [Fact]
    public async Task A_plan_goes_out_as_a_file_and_comes_in_from_it()
    {
        using var server = new RunningServer();
        var student = await server.StudentAsync();
        var saved = await Save(student, 0, Entry("a", "2027SP", "TID 240"), OfRequirement("b", "2028SP"));
        var file = await student.GetAsync("/api/plan/file").JsonAsync();
        Assert.Equal("hour-grid-plan", file["format"]!.GetValue<string>());
        var read = await student.PostAsJsonAsync("/api/plan/file", file).JsonAsync();
        Assert.Equal(saved["plan"]!.ToJsonString(), read.ToJsonString());
        file["format"] = "hour-grid-ask";
        await student.PostAsJsonAsync("/api/plan/file", file).JsonAsync(400);
    }

    private static JsonObject Entry(string id, string term, string course) =>
        new()
        {
            ["id"] = id,
            ["term"] = term,
            ["course"] = course,
        };

    private static JsonObject OfRequirement(string id, string term) =>
        new()
        {
            ["id"] = id,
            ["term"] = term,
            ["requirement"] = new JsonObject { ["programme"] = "COAST", ["id"] = "humanities" },
        };

    private static Task<HttpResponseMessage> Saving(HttpClient student, int version, params JsonObject[] entries) =>
        student.PutAsJsonAsync(
            "/api/plan",
            new JsonObject
            {
                ["version"] = version,
                ["plan"] = new JsonObject { ["entries"] = new JsonArray([.. entries]) },
            }
        );

    private static Task<JsonNode> Save(HttpClient student, int version, params JsonObject[] entries) =>
        Saving(student, version, entries).JsonAsync();

    private static Task<JsonNode> Step(HttpClient student, string way, JsonNode from) =>
        student.PostAsJsonAsync($"/api/plan/{way}", new JsonObject { ["version"] = Version(from) }).JsonAsync();

    private static int Version(JsonNode plan) => plan["version"]!.GetValue<int>();
}
