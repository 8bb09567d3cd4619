using System.Net;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>What stands around every answer: who may send, what the browser is told, and who may read the files.</summary>
public sealed class SurroundingsTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("Origin", "https://elsewhere.example", 403)]
    [InlineData("Origin", "null", 403)]
    [InlineData("Origin", "http://localhost:81", 403)]
    [InlineData("Origin", "https://localhost", 403)]
    [InlineData("Origin", "http://localhost", 200)]
    [InlineData("Sec-Fetch-Site", "cross-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-origin", 200)]
    public async Task Changes_are_taken_from_our_own_pages_alone(string header, string value, int expected)
    {
        using var student = await server.StudentAsync();
        student.DefaultRequestHeaders.Add(header, value);
        await student.PostAsync("/api/terms/2027SP/sketch", null).JsonAsync(expected);
    }

    [Theory]
    [InlineData("/api/terms", HttpStatusCode.OK)]
    [InlineData("/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("/api/terms/2027SP/sketches", HttpStatusCode.Unauthorized)]
    [InlineData("/api/terms/2027SP/search?credits=many", HttpStatusCode.BadRequest)]
    [InlineData("/assets/nothing.js", HttpStatusCode.NotFound)]
    public async Task Every_answer_tells_the_browser_what_it_may(string path, HttpStatusCode expected)
    {
        using var answer = await server.Browser().GetAsync(path);
        Assert.Equal(expected, answer.StatusCode);
        AssertGuarded(answer);
    }

    [Fact]
    public async Task A_refusal_from_deep_inside_is_guarded_too()
    {
        using var student = await server.StudentAsync();
        using var answer = await student.PostAsync("/api/answers", Requests.Body("{"));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        AssertGuarded(answer);
        Assert.True(answer.Headers.CacheControl!.NoStore);
    }

    [Fact]
    public async Task Calendars_and_what_is_personal_are_not_stored_on_the_way()
    {
        using var student = await server.StudentAsync();
        var address = await student.PostAsync("/api/terms/2027SP/calendar-address", null).JsonAsync();
        foreach (var path in new[] { address["path"]!.GetValue<string>(), "/api/terms/2027SP/picks" })
        {
            using var answer = await student.GetAsync(path);
            answer.EnsureSuccessStatusCode();
            Assert.True(answer.Headers.CacheControl!.NoStore, path);
        }
    }

    [Fact]
    public async Task The_database_and_the_keys_are_their_owners_alone()
    {
        await server.StudentAsync();
        const UnixFileMode others =
            UnixFileMode.GroupRead
            | UnixFileMode.GroupWrite
            | UnixFileMode.GroupExecute
            | UnixFileMode.OtherRead
            | UnixFileMode.OtherWrite
            | UnixFileMode.OtherExecute;
        var database = Directory.GetFiles(server.DataFolder, "hour-grid.db*");
        Assert.NotEmpty(database);
        foreach (var path in database.Append(Path.Combine(server.DataFolder, "keys")))
            Assert.True((File.GetUnixFileMode(path) & others) == 0, $"{path}: {File.GetUnixFileMode(path)}");
    }

    [Fact]
    public async Task A_course_may_have_a_slash_in_its_id()
    {
        var catalogue = JsonNode.Parse(File.ReadAllText(TestPaths.Repository("demo", "saltmere.catalogue.json")))!;
        catalogue["courses"]![0]!["id"] = "TID/A 110";
        var file = Path.GetTempFileName();
        await File.WriteAllTextAsync(file, catalogue.ToJsonString());
        using var own = RunningServer.With(file);
        using var student = await own.StudentAsync();
        File.Delete(file);
        var course = await student.GetAsync("/api/terms/2027SP/courses/TID%2FA%20110").JsonAsync();
        Assert.Equal("TID/A 110", course["id"]!.GetValue<string>());
    }

    private static void AssertGuarded(HttpResponseMessage answer)
    {
        Assert.Contains(
            "default-src 'self'",
            answer.Headers.GetValues("Content-Security-Policy").Single(),
            StringComparison.Ordinal
        );
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
    }
}
