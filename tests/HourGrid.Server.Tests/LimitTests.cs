using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>Who asks too much is told to wait, and nobody else.</summary>
public sealed class LimitTests : IDisposable
{
    private readonly RunningServer server = RunningServer.BehindProxy();

    public void Dispose() => server.Dispose();

    [Fact]
    public async Task Newcomers_of_one_address_shut_out_nobody_else()
    {
        using var known = await server.StudentAsync();
        using var flood = From("203.0.113.9");
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 310; i++)
        {
            using var answer = await flood.PostAsync("/api/visit", null);
            answers.Add(answer.StatusCode);
            if (answer.StatusCode != HttpStatusCode.TooManyRequests)
                continue;
            Assert.InRange(
                int.Parse(
                    answer.Headers.GetValues("Retry-After").Single(),
                    System.Globalization.CultureInfo.InvariantCulture
                ),
                1,
                60
            );
            var told = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["detail"]!.GetValue<string>();
            Assert.StartsWith("Too many requests came from here. Try again in ", told, StringComparison.Ordinal);
        }
        Assert.Equal(10, answers.Count(status => status == HttpStatusCode.TooManyRequests));

        // A student who is known comes from the same address, a newcomer from another one.
        known.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.9");
        (await known.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
        await known.OpenSketchAsync();
        using var other = From("198.51.100.4");
        (await other.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task Calendars_that_are_made_up_block_none_that_is_there()
    {
        using var student = await server.StudentAsync();
        student.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.9");
        var path = (await student.PostAsync("/api/terms/2027SP/calendar-address", null).JsonAsync())[
            "path"
        ]!.GetValue<string>();
        using var program = From("203.0.113.9");
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < 600; i++)
        {
            using var answer = await program.GetAsync($"/calendars/{i:D43}.ics");
            answers.Add(answer.StatusCode);
        }
        Assert.Equal(60, answers.Count(status => status == HttpStatusCode.NotFound));
        Assert.Equal(540, answers.Count(status => status == HttpStatusCode.TooManyRequests));
        // The very address that made them up still reads one that is there.
        (await program.GetAsync(path)).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task One_network_of_version_6_is_one_address()
    {
        using var first = From("2001:db8:1:2::1");
        for (var i = 0; i < 60; i++)
            using (await first.GetAsync($"/calendars/{i:D43}.ics")) { }
        using var neighbour = From("2001:db8:1:2:ffff::9");
        using var answer = await neighbour.GetAsync($"/calendars/{0:D43}.ics");
        Assert.Equal(HttpStatusCode.TooManyRequests, answer.StatusCode);
        using var elsewhere = From("2001:db8:1:3::1");
        using var other = await elsewhere.GetAsync($"/calendars/{0:D43}.ics");
        Assert.Equal(HttpStatusCode.NotFound, other.StatusCode);
    }

    /// <summary>More than anybody's window asks for: what is too much is refused at once, and the rest is answered.</summary>
    [Fact]
    public async Task Who_asks_too_much_at_once_is_told_when_to_come_again()
    {
        using var greedy = await server.StudentAsync();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 200).Select(_ => greedy.PostAsJsonAsync("/api/answers/fits", FitsOfAll()))
        );
        Assert.All(
            answers,
            answer => Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.TooManyRequests)
        );
        var refused = answers.First(answer => answer.StatusCode == HttpStatusCode.TooManyRequests);
        Assert.Equal("5", refused.Headers.GetValues("Retry-After").Single());
        Assert.Equal("application/problem+json", refused.Content.Headers.ContentType?.MediaType);
        var told = JsonNode.Parse(await refused.Content.ReadAsStringAsync())!["detail"]!.GetValue<string>();
        Assert.EndsWith("Try again in 5 seconds.", told, StringComparison.Ordinal);
        Assert.Contains(answers, answer => answer.IsSuccessStatusCode);
        foreach (var answer in answers)
            answer.Dispose();

        static JsonObject FitsOfAll() =>
            new()
            {
                ["ask"] = Requests.AskFor("TID 210", "ACO 220", "WRT 101"),
                ["courses"] = new JsonArray([.. PlainSearch.Offered[..50].Select(course => (JsonNode)course)]),
            };
    }

    /// <summary>Whoever may say where a request comes from could shut out whom he likes.</summary>
    [Fact]
    public async Task Nobodys_word_is_taken_for_an_address_unless_it_is_a_known_proxy()
    {
        using var open = new RunningServer();
        using var program = open.Stranger();
        for (var i = 0; i < 60; i++)
            using (await program.GetAsync($"/calendars/{i:D43}.ics")) { }
        program.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.9");
        using var answer = await program.GetAsync($"/calendars/{0:D43}.ics");
        Assert.Equal(HttpStatusCode.TooManyRequests, answer.StatusCode);
    }

    /// <summary>A browser that keeps no cookies, behind a proxy that says where it is.</summary>
    private HttpClient From(string address)
    {
        var browser = server.Stranger();
        browser.DefaultRequestHeaders.Add("X-Forwarded-For", address);
        return browser;
    }
}
