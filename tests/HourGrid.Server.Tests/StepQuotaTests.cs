using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace HourGrid.Server.Tests;

/// <summary>What one student can make the server keep has a bound; what holds now is never given up for it.</summary>
public sealed class StepQuotaTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const long Most = 20_000_000;

    [Fact]
    public async Task The_oldest_steps_go_for_new_ones()
    {
        using var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var others = await student.NewSketchAsync("Other", Large("other"));
        for (var round = 0; round < 60; round++)
            sketch = (await student.SaveAsync(sketch, Large($"round {round}")).JsonAsync())["sketch"]!;
        Assert.InRange(KeptByStudentOf(sketch), Most - 1_000_000, Most);
        // The other sketch, and the last steps of this one, are there.
        Assert.Contains(await student.SketchNamesAsync(), name => name == "Other");
        Assert.Equal("other", LabelOf(others));
        Assert.Equal("round 59", LabelOf(sketch));
        for (var round = 58; round > 45; round--)
        {
            sketch = (await student.StepAsync(sketch, "undo").JsonAsync())["sketch"]!;
            Assert.Equal($"round {round}", LabelOf(sketch));
        }
    }

    [Fact]
    public async Task Where_what_holds_now_takes_all_there_is_it_is_said()
    {
        using var student = await server.StudentAsync();
        for (var i = 0; ; i++)
        {
            using var answer = await student.PostSketchAsync($"Sketch {i}", Large($"{i}"));
            if (answer.IsSuccessStatusCode)
                continue;
            Assert.Equal(422, (int)answer.StatusCode);
            var problem = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
            Assert.StartsWith(
                "Your sketches take all the room",
                problem["detail"]!.GetValue<string>(),
                StringComparison.Ordinal
            );
            Assert.InRange(i, 20, 50);
            // What the sentence says helps.
            var first = (await student.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["sketches"]![1]!;
            (await student.DeleteAsync($"/api/sketches/{first["id"]}")).EnsureSuccessStatusCode();
            await student.NewSketchAsync("In its place", Large("new"));
            break;
        }
    }

    [Fact]
    public async Task Nothing_is_kept_for_a_term_that_does_not_exist()
    {
        using var student = await server.StudentAsync();
        foreach (var direction in new[] { "undo", "redo" })
            await student
                .PostAsync($"/api/terms/1999XX/picks/{direction}", Requests.Body("""{"version":0}"""))
                .JsonAsync(404);
        Assert.Equal(0, Scalar("SELECT COUNT(*) FROM Picks WHERE TermId = '1999XX'"));
    }

    /// <summary>An ask as long as can be: time blocks in force and switched off, each with a long name and its weeks.</summary>
    private static JsonNode Large(string label)
    {
        var ask = Requests.AskFor("TID 210");
        ask["timeBlocks"] = Blocks(label);
        ask["off"] = new JsonObject { ["timeBlocks"] = Blocks("off") };
        return ask;
    }

    private static JsonArray Blocks(string label) =>
        new([
            .. Enumerable
                .Range(0, 500)
                .Select(i => new JsonObject
                {
                    ["days"] = new JsonArray("sat", "sun"),
                    ["start"] = $"{i / 60:00}:{i % 60:00}",
                    ["end"] = "23:00",
                    ["label"] = i == 0 ? label : new string('x', 80),
                    ["weeks"] = new JsonArray([.. Enumerable.Range(1, 50).Select(week => (JsonNode)week)]),
                }),
        ]);

    private static string LabelOf(JsonNode sketch) => sketch["ask"]!["timeBlocks"]![0]!["label"]!.GetValue<string>();

    /// <summary>What all steps take of the student whose sketch it is; other tests have students of their own.</summary>
    private long KeptByStudentOf(JsonNode sketch) =>
        Scalar(
            "SELECT SUM(Size) FROM SketchSteps WHERE SketchId IN (SELECT Id FROM Sketches WHERE StudentId = "
                + $"(SELECT StudentId FROM Sketches WHERE Id = '{sketch["id"]!.GetValue<Guid>():D}' COLLATE NOCASE))"
        );

    private long Scalar(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(server.DataFolder, "hour-grid.db")}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return Convert.ToInt64(command.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }
}
