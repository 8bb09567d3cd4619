using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace HourGrid.Server.Tests;

/// <summary>What stands in the database, whatever became of it: nothing of a student's is refused, and no failure is hidden.</summary>
public sealed class StoredTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task A_sketch_that_can_no_longer_be_read_whole_opens_without_what_cannot()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var saved = (await student.SaveAsync(sketch, Requests.AskFor("TID 210", "ACO 220")).JsonAsync())["sketch"]!;
        Run(
            """
            UPDATE SketchSteps SET AskJson = json_set(AskJson, '$.dayLimits.maxDays', 12, '$.wanted[1].role', 'perhaps')
            WHERE SketchId = $id AND Number = 1
            """,
            ("$id", saved["id"]!.GetValue<string>().ToUpperInvariant())
        );

        var opened = await student.OpenSketchAsync();
        Assert.Equal(["TID 210", "ACO 220"], opened.Courses());
        Assert.Equal(
            ["dayLimits.maxDays", "wanted[1].role"],
            opened["dropped"]!.AsArray().Select(one => one!["path"]!.GetValue<string>()).Order(StringComparer.Ordinal)
        );
        // The next change saves it without, and nothing is said any more.
        var next = await student.SaveAsync(opened, opened["ask"]!).JsonAsync();
        Assert.Empty(next["sketch"]!["dropped"]!.AsArray());
    }

    [Fact]
    public async Task A_database_that_does_not_take_a_change_says_that_it_is_not_saved()
    {
        using var own = new RunningServer();
        var student = await own.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        Run(
            """
            CREATE TRIGGER FullPicks BEFORE INSERT ON PicksSteps BEGIN SELECT RAISE(ABORT, 'the disk is full'); END;
            CREATE TRIGGER FullSketches BEFORE INSERT ON SketchSteps BEGIN SELECT RAISE(ABORT, 'the disk is full'); END;
            """,
            own
        );
        var picks = new JsonObject
        {
            ["version"] = 0,
            ["picks"] = new JsonObject
            {
                ["lineUp"] = new JsonArray(),
                ["baseline"] = null,
                ["choice"] = null,
            },
        };
        foreach (
            var sending in new[]
            {
                student.PutAsJsonAsync("/api/terms/2027SP/picks", picks),
                student.SaveAsync(sketch, Requests.AskFor("TID 210")),
            }
        )
        {
            var problem = await sending.JsonAsync(503);
            Assert.Contains("could not be saved", problem["detail"]!.GetValue<string>(), StringComparison.Ordinal);
            Assert.Null(problem["picks"]);
        }
        var again = await student.OpenSketchAsync();
        Assert.Empty(again.Courses());
        Assert.Equal(1, again["version"]!.GetValue<int>());
    }

    [Fact]
    public async Task Two_first_changes_of_picks_at_once_are_told_apart_from_a_failure()
    {
        var student = await server.StudentAsync();
        var body = new JsonObject
        {
            ["version"] = 0,
            ["picks"] = new JsonObject
            {
                ["lineUp"] = new JsonArray(),
                ["baseline"] = null,
                ["choice"] = null,
            },
        };
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 6).Select(_ => student.PutAsJsonAsync("/api/terms/2027SP/picks", body.DeepClone()))
        );
        Assert.Equal(1, answers.Count(answer => (int)answer.StatusCode == 200));
        Assert.Equal(5, answers.Count(answer => (int)answer.StatusCode == 409));
    }

    private void Run(string sql, params (string Name, string Value)[] values) => Run(sql, server, values);

    private static void Run(string sql, RunningServer own) => Run(sql, own, []);

    private static void Run(string sql, RunningServer own, (string Name, string Value)[] values)
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(own.DataFolder, "hour-grid.db")}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        foreach (var (name, value) in values)
            command.Parameters.AddWithValue(name, value);
        Assert.True(command.ExecuteNonQuery() >= 0);
    }
}
