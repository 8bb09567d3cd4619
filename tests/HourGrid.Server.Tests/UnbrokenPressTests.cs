using System.Net.ServerSentEvents;
using System.Text.Json.Nodes;
using HourGrid.Core.Tests.Drawn;
using static HourGrid.Server.Tests.Pressing;

namespace HourGrid.Server.Tests;

/// <summary>
/// What is pressed is done once and told truly, whatever breaks in the middle: fifty presses for each way to break it, cut
/// at drawn moments. What was done is looked up in the registrar's database.
/// </summary>
public sealed class UnbrokenPressTests(CampusProcesses campus) : IClassFixture<CampusProcesses>, IAsyncLifetime
{
    private const int Presses = 50;

    /// <summary>A start takes a second or more: each press has a kill of its own in <c>./hg test --long</c> alone.</summary>
    private static readonly int Kills = Math.Min(Presses, Draws.Of(3));

    private static int students;

    private static readonly (string Course, string Section)[] Courses = [("GLZ 155", "10264"), ("GLZ 155", "10266")];

    /// <summary>Each test has a student of its own, who has sent nothing yet.</summary>
    private readonly string student = $"Z{++students:0000}";
    private HttpClient browser = null!;

    public async ValueTask InitializeAsync()
    {
        await campus.ClerkAsync("opening", ("term", "2027SP"), ("phase", "open"), ("seconds", "0"));
        browser = await campus.SignInAsync(student);
    }

    public ValueTask DisposeAsync()
    {
        browser.Dispose();
        return ValueTask.CompletedTask;
    }

    [Fact]
    public async Task A_page_whose_connection_is_cut_at_any_moment_presses_once()
    {
        var random = new Random(1);
        for (var press = 0; press < Presses; press++)
        {
            var (key, line) = (NewKey(), LineOf(press));
            using var cut = new CancellationTokenSource(TimeSpan.FromMilliseconds(random.Next(12)));
            await Record.ExceptionAsync(() => browser.PressAsync(key, line, cut.Token));
            await browser.PressUntilTakenAsync(key, line);
            await DoneAsync(press, await browser.AnsweredAsync(press + 1));
        }
    }

    [Fact]
    public async Task A_registrar_whose_answers_are_lost_after_doing_does_nothing_twice()
    {
        for (var press = 0; press < Presses; press++)
        {
            await campus.ClerkAsync(
                "faults",
                ("delay", "0"),
                ("losing", press % 2 == 0 ? "Answer" : "HalfOfAnswer"),
                ("answers", "1")
            );
            await browser.PressUntilTakenAsync(NewKey(), LineOf(press));
            await DoneAsync(press, await browser.AnsweredAsync(press + 1));
        }
    }

    [Theory]
    [InlineData(true, false)]
    [InlineData(false, true)]
    [InlineData(true, true)]
    public async Task A_server_or_registrar_killed_at_any_moment_does_each_press_once(bool server, bool registrar)
    {
        var random = new Random(server ? 2 : 3);
        for (var kill = 0; kill < Kills; kill++)
        {
            var (first, end) = (kill * Presses / Kills, (kill + 1) * Presses / Kills);
            // They come one after the other, while the axe falls on one of them.
            var falls = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
            var pressing = PressInTurnAsync(first, end, random.Next(first, end), falls);
            await falls.Task;
            if (server)
                campus.KillServer();
            if (registrar)
                campus.KillCampus();
            await Task.WhenAll(
                server ? campus.StartServerAsync() : Task.CompletedTask,
                registrar ? campus.StartCampusAsync() : Task.CompletedTask
            );
            await pressing;
            await DoneAsync(end - 1, await browser.AnsweredAsync(end));
        }
    }

    /// <summary>The registrar is gone, and the server that begins again never heard of the student.</summary>
    [Fact]
    public async Task What_was_sent_is_shown_also_while_nothing_is_known_of_what_is_held()
    {
        campus.KillCampus();
        var line = LineOf(0);
        await browser.PressUntilTakenAsync(NewKey(), line);
        campus.KillServer();
        await campus.StartServerAsync();
        await browser.GetAsync(Pressing.Registration).JsonAsync(503);
        var sent = (await browser.GetAsync($"{Pressing.Registration}/presses").JsonAsync())["presses"]!.AsArray();
        var press = Assert.Single(sent)!;
        Assert.Null(press["answeredUtc"]);
        Assert.Equal("GLZ 155", press["lines"]![0]!["course"]!.GetValue<string>());
        await campus.StartCampusAsync();
        await DoneAsync(0, await browser.AnsweredAsync(1));
    }

    [Fact]
    public async Task Pages_are_told_once_that_a_press_was_sent_and_once_that_it_is_answered()
    {
        const int Some = 5;
        using var news = await browser.GetAsync("/api/news", HttpCompletionOption.ResponseHeadersRead);
        await using var events = SseParser
            .Create(await news.Content.ReadAsStreamAsync())
            .EnumerateAsync()
            .GetAsyncEnumerator();
        for (var press = 0; press < Some; press++)
        {
            await browser.PressUntilTakenAsync(NewKey(), LineOf(press));
            await browser.AnsweredAsync(press + 1);
        }
        // The registrar tells in order: when this is heard, so is what the presses did.
        await campus.ClerkAsync(
            "seats",
            ("term", "2027SP"),
            ("number", "10214"),
            ("capacity", "60"),
            ("enrolled", "1")
        );
        var told = new List<string>();
        while (await events.MoveNextAsync() && !events.Current.Data.Contains("TID 210", StringComparison.Ordinal))
            if (events.Current.EventType == "registration")
                told.Add(events.Current.Data);
        Assert.Equal(Some, told.Count(one => one.Contains("\"sent\"", StringComparison.Ordinal)));
        Assert.Equal(Some, told.Count(one => !one.Contains("\"sent\"", StringComparison.Ordinal)));
    }

    private async Task PressInTurnAsync(int first, int end, int falling, TaskCompletionSource falls)
    {
        for (var press = first; press < end; press++)
        {
            var (key, line) = (NewKey(), LineOf(press));
            var taken = browser.PressUntilTakenAsync(key, line);
            if (press == falling)
                falls.SetResult();
            await taken;
        }
    }

    /// <summary>A seat is taken, swapped for another, and back again: each press depends on the one before.</summary>
    private static JsonObject LineOf(int press)
    {
        var (course, section) = Courses[press % 2];
        return Line(course, [section], press == 0 ? [] : [Courses[(press + 1) % 2].Section]);
    }

    private Task DoneAsync(int press, JsonArray answers)
    {
        Assert.All(
            answers,
            one => Assert.Equal("registered", one!["answer"]!["lines"]![0]!["outcome"]!.GetValue<string>())
        );
        var rows = campus.RegistrationsOf(student);
        // One registration for each press, each with the confirmation that was told, and the last alone is held.
        Assert.Equal(
            answers.Select(one => one!["answer"]!["lines"]![0]!["confirmation"]!.GetValue<string>()),
            rows.Select(row => row.Confirmation)
        );
        Assert.Equal(press + 1, rows.Count);
        Assert.Equal(Courses[press % 2].Section, Assert.Single(rows, row => row.IsHeld).Number);
        return Task.CompletedTask;
    }
}
