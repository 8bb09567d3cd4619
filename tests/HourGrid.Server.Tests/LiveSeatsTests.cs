using System.Net.Http.Json;
using System.Net.ServerSentEvents;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>Seats as the registrar tells them, with a registrar that does what a test tells it to.</summary>
public sealed class LiveSeatsTests : IAsyncLifetime
{
    private const string Course = "WRT 101";
    private ToldRegistrar registrar = null!;
    private RunningServer server = null!;
    private HttpClient student = null!;
    private string number = null!;

    public async ValueTask InitializeAsync()
    {
        registrar = await ToldRegistrar.StartAsync();
        server = RunningServer.WithRegistrar(registrar.Address);
        student = await server.StudentAsync();
        var section = (await CourseAsync())["sections"]!.AsArray().First(one => one!["seatsShared"] is null)!;
        number = section["number"]!.GetValue<string>();
        await UntilAsync(async () => (await CourseAsync())["areSeatsLive"]!.GetValue<bool>());
    }

    public async ValueTask DisposeAsync()
    {
        server.Dispose();
        await registrar.DisposeAsync();
    }

    [Fact]
    public async Task A_change_is_shown_and_told_to_open_pages_by_one_connection_for_all()
    {
        using var others = await server.StudentAsync();
        await using var page = await NewsAsync(student);
        await using var another = await NewsAsync(others);
        registrar.Tell(new("2027SP", number, 20, 20));
        foreach (var news in new[] { page, another })
            Assert.Equal((Course, true), await SeatsAsync(news));
        Assert.Equal(0, await FreeSeatsAsync());
        // A seat less of many turns nothing.
        registrar.Tell(new("2027SP", number, 20, 5));
        Assert.Equal((Course, true), await SeatsAsync(page));
        registrar.Tell(new("2027SP", number, 20, 6));
        Assert.Equal((Course, false), await SeatsAsync(page));
        Assert.Equal(14, await FreeSeatsAsync());
        Assert.Equal(1, registrar.Listening);
    }

    [Fact]
    public async Task A_connection_that_is_cut_takes_up_where_it_left_off()
    {
        registrar.Tell(new("2027SP", number, 20, 7));
        await UntilAsync(async () => await FreeSeatsAsync() == 13);
        registrar.Cut();
        await UntilAsync(() => Task.FromResult(registrar.Listening == 0));
        registrar.Tell(new("2027SP", number, 20, 8));
        await UntilAsync(async () => await FreeSeatsAsync() == 12);
        Assert.Equal("101", registrar.AskedFrom.Last());
        Assert.Equal(1, registrar.Listening);
    }

    [Theory]
    [InlineData("down")]
    [InlineData("nonsense")]
    [InlineData("slow")]
    public async Task While_the_registrar_is_not_heard_seats_are_shown_with_their_age(string fault)
    {
        registrar.Tell(new("2027SP", number, 20, 7));
        await UntilAsync(async () => await FreeSeatsAsync() == 13);
        (registrar.IsDown, registrar.IsNonsense) = (fault == "down", fault == "nonsense");
        registrar.Delay = fault == "slow" ? TimeSpan.FromSeconds(30) : TimeSpan.Zero;
        registrar.Cut();
        await UntilAsync(async () => !(await CourseAsync())["areSeatsLive"]!.GetValue<bool>());
        Assert.Equal(13, await FreeSeatsAsync());
        (registrar.IsDown, registrar.IsNonsense, registrar.Delay) = (false, false, TimeSpan.Zero);
        registrar.Tell(new("2027SP", number, 20, 9));
        await UntilAsync(async () => await FreeSeatsAsync() == 11);
    }

    [Fact]
    public async Task A_seats_only_ask_is_answered_anew_once_a_section_is_full()
    {
        var ask = (await student.OpenSketchAsync())["ask"]!;
        ask["wanted"] = new JsonArray(Wanted(Course));
        var before = await TimetablesAsync(ask);
        registrar.Tell(new("2027SP", number, 20, 20));
        await UntilAsync(async () => await FreeSeatsAsync() == 0);
        Assert.Equal(before - 1, await TimetablesAsync(ask));
        registrar.Tell(new("2027SP", number, 20, 19));
        await UntilAsync(async () => await FreeSeatsAsync() == 1);
        Assert.Equal(before, await TimetablesAsync(ask));
    }

    [Fact]
    public async Task Who_was_away_too_long_is_told_to_ask_for_everything_again()
    {
        await using var page = await NewsAsync(student, "?after=1");
        await page.MoveNextAsync();
        await page.MoveNextAsync();
        Assert.Equal("missed", page.Current.EventType);
    }

    private static JsonObject Wanted(string course) =>
        new()
        {
            ["course"] = course,
            ["role"] = "must",
            ["keep"] = new JsonArray(),
            ["ruleOut"] = new JsonArray(),
            ["instructors"] = new JsonArray(),
            ["modes"] = new JsonArray(),
            ["campuses"] = new JsonArray(),
            ["seats"] = null,
        };

    private async Task<long> TimetablesAsync(JsonNode ask)
    {
        var answer = await student
            .PostAsJsonAsync("/api/answers", new JsonObject { ["ask"] = ask.DeepClone() })
            .JsonAsync();
        return long.Parse(
            answer["timetables"]!.GetValue<string>(),
            System.Globalization.CultureInfo.InvariantCulture
        );
    }

    private Task<JsonNode> CourseAsync() =>
        student.GetAsync($"/api/terms/2027SP/courses/{Uri.EscapeDataString(Course)}").JsonAsync();

    private async Task<int> FreeSeatsAsync() =>
        (await CourseAsync())["sections"]!.AsArray().Single(one => one!["number"]!.GetValue<string>() == number)![
            "freeSeats"
        ]!.GetValue<int>();

    private static async Task<IAsyncEnumerator<SseItem<string>>> NewsAsync(HttpClient browser, string query = "")
    {
        var stream = await browser.GetStreamAsync($"/api/news{query}");
        var news = SseParser.Create(stream).EnumerateAsync().GetAsyncEnumerator();
        if (query.Length == 0)
            // It says at once that it is there.
            Assert.True(await news.MoveNextAsync());
        return news;
    }

    private static async Task<(string Course, bool HasTurned)> SeatsAsync(IAsyncEnumerator<SseItem<string>> news)
    {
        do Assert.True(await news.MoveNextAsync());
        while (news.Current.EventType != "seats");
        var course = JsonNode.Parse(news.Current.Data)!["courses"]!.AsArray().Single()!;
        return (course["course"]!.GetValue<string>(), course["hasTurned"]!.GetValue<bool>());
    }

    private static async Task UntilAsync(Func<Task<bool>> holds)
    {
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        using var look = new PeriodicTimer(TimeSpan.FromMilliseconds(50));
        while (!await holds())
            await look.WaitForNextTickAsync(limit.Token);
    }
}
