using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace HourGrid.Server.Tests;

/// <summary>Whatever is sent to whatever endpoint: it is the sender's fault, and the sender is told so in a sentence.</summary>
public sealed class BadBodyTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public void There_are_two_hundred() => Assert.Equal(BadBodies.Count, BadBodies.All.Count);

    public static TheoryData<string, string> Endpoints()
    {
        var document = JsonNode.Parse(
            File.ReadAllText(TestPaths.Repository("artifacts", "openapi", "hour-grid.json"))
        )!;
        var endpoints = new TheoryData<string, string>();
        foreach (var (path, operations) in document["paths"]!.AsObject())
        foreach (var (method, _) in operations!.AsObject())
            endpoints.Add(method.ToUpperInvariant(), path);
        return endpoints;
    }

    [Theory]
    [MemberData(nameof(Endpoints))]
    public async Task No_body_is_the_fault_of_the_server(string method, string path)
    {
        using var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var address = path.Replace("{term}", "2027SP", StringComparison.Ordinal)
            .Replace("{id}", sketch["id"]!.GetValue<string>(), StringComparison.Ordinal)
            .Replace("{course}", "TID 210", StringComparison.Ordinal);
        foreach (var (what, type, bytes) in BadBodies.All)
        {
            using var request = new HttpRequestMessage(new(method), address)
            {
                Content = new ByteArrayContent(bytes),
            };
            if (type is not null)
                request.Content.Headers.ContentType = MediaTypeHeaderValue.Parse(type);
            // News do not end.
            using var answer = await student.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
            await AssertToldAsync(answer, $"{method} {path}: {what}");
        }
    }

    [Theory]
    [InlineData("GET", "/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("PATCH", "/api/terms", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/api/answers", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/api/terms/2027SP/sketches", HttpStatusCode.Unauthorized)]
    public async Task What_is_not_there_not_taken_or_not_allowed_is_told(
        string method,
        string path,
        HttpStatusCode expected
    )
    {
        using var answer = await server.Browser().SendAsync(new(new(method), path));
        Assert.Equal(expected, answer.StatusCode);
        await AssertToldAsync(answer, path);
    }

    [Fact]
    public async Task Wrongly_sent_is_415_and_says_what_is_read()
    {
        using var student = await server.StudentAsync();
        using var content = new StringContent("{}", System.Text.Encoding.UTF8, "text/plain");
        var problem = await student.PostAsync("/api/answers", content).JsonAsync(415);
        Assert.Equal(
            "The body is sent as text/plain; charset=utf-8; expected application/json.",
            problem["detail"]!.GetValue<string>()
        );
    }

    /// <summary>A cookie that outlives its student: the browser is not known any more, and becomes known again by a visit.</summary>
    [Fact]
    public async Task A_cookie_whose_student_is_gone_is_nobodys()
    {
        using var own = new RunningServer();
        using var student = await own.StudentAsync();
        var path = Path.Combine(own.DataFolder, "hour-grid.db");
        await using (var connection = new SqliteConnection($"Data Source={path}"))
        {
            await connection.OpenAsync();
            await using var command = connection.CreateCommand();
            command.CommandText = "DELETE FROM Students";
            await command.ExecuteNonQueryAsync();
        }
        using var again = own.Restart(student);
        using (var answer = await again.PostAsync("/api/terms/2027SP/sketch", null))
        {
            Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
            await AssertToldAsync(answer, "gone");
        }
        var visit = await again.PostAsync("/api/visit", null).JsonAsync();
        Assert.True(visit["isNew"]!.GetValue<bool>());
        await again.OpenSketchAsync();
    }

    private static async Task AssertToldAsync(HttpResponseMessage answer, string what)
    {
        Assert.True((int)answer.StatusCode < 500, $"{what}: {answer.StatusCode}");
        if ((int)answer.StatusCode < 400)
            return;
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        var detail = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["detail"]?.GetValue<string>();
        Assert.False(string.IsNullOrWhiteSpace(detail), $"{what}: {(int)answer.StatusCode} without a sentence");
        Assert.EndsWith(".", detail, StringComparison.Ordinal);
        Assert.DoesNotContain("Exception", detail, StringComparison.Ordinal);
    }
}
