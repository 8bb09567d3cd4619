using System.Net;
using System.Net.Http.Json;
using System.Net.Mail;
using System.Net.ServerSentEvents;
using System.Text.Json.Nodes;
using HourGrid.Formats.Records;
using Microsoft.Extensions.DependencyInjection;

namespace HourGrid.StandIns.Tests;

/// <summary>The registrar's service, the clerk's page, and the mail, as others see them.</summary>
public sealed class RegistrarTests(RunningStandIns campus) : IClassFixture<RunningStandIns>
{
    [Theory]
    [InlineData("terms/2027SP")]
    [InlineData("terms/2027SP/seats")]
    [InlineData("students/S2041/record")]
    [InlineData("students/S2041/permissions?term=2027SP")]
    [InlineData("events")]
    public async Task Nothing_is_told_to_who_does_not_know_the_key(string path)
    {
        var stranger = campus.Begun();
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync($"/registrar/{path}")).StatusCode);
        stranger.DefaultRequestHeaders.Authorization = new("Bearer", "another key");
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync($"/registrar/{path}")).StatusCode);
    }

    /// <summary>What a university's own service has to answer, see <c>docs/running.md</c>.</summary>
    [Fact]
    public async Task It_describes_all_that_it_answers()
    {
        var described = (await campus.Begun().GetFromJsonAsync<JsonNode>("/openapi.json"))!["paths"]!
            .AsObject()
            .SelectMany(path => path.Value!.AsObject().Select(operation => $"{operation.Key} {path.Key}"))
            .Where(one => one.Contains("/registrar/", StringComparison.Ordinal));
        Assert.Equal(
            [
                "delete /registrar/registrations/{term}/{section}",
                "get /registrar/events",
                "get /registrar/students/{student}/permissions",
                "get /registrar/students/{student}/record",
                "get /registrar/students/{student}/registrations",
                "get /registrar/terms/{term}",
                "get /registrar/terms/{term}/seats",
                "post /registrar/checks",
                "post /registrar/permissions",
                "post /registrar/registrations",
                "post /registrar/students/{student}/holds/{hold}/agreement",
            ],
            described.Order(StringComparer.Ordinal)
        );
    }

    [Fact]
    public async Task It_starts_again_on_what_it_had()
    {
        var first = new RunningStandIns();
        (await first.Begun().GetAsync("/")).EnsureSuccessStatusCode();
        await first.DisposeAsync();
        using var second = RunningStandIns.After(first);
        (await second.Begun().GetAsync("/.well-known/openid-configuration")).EnsureSuccessStatusCode();
        (await second.Registrar().GetAsync("students/S2041/record")).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task Records_are_those_of_the_files()
    {
        foreach (var file in Directory.GetFiles(RunningStandIns.Demo("records")))
        {
            var record = RecordJson.Read(await File.ReadAllBytesAsync(file)).Value;
            if (record.Student == "S2290")
                continue;
            var read = await campus.Registrar().GetByteArrayAsync($"students/{record.Student}/record");
            Assert.Equivalent(record, RecordJson.Read(read).Value, strict: true);
        }
        var unknown = await campus.Registrar().GetAsync("students/S9999/record");
        Assert.Equal(HttpStatusCode.NotFound, unknown.StatusCode);
    }

    [Fact]
    public async Task A_hold_is_cleared_by_reading_where_reading_clears_it()
    {
        var registrar = campus.Registrar();
        var last = await LastEventAsync(registrar);
        for (var again = 0; again < 2; again++)
            Assert.Equal(
                HttpStatusCode.NoContent,
                (await registrar.PostAsync("students/S2290/holds/H3/agreement", null)).StatusCode
            );
        var office = await registrar.PostAsync("students/S2290/holds/H2/agreement", null);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, office.StatusCode);
        Assert.Contains("cleared by its office", await office.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var record = RecordJson.Read(await registrar.GetByteArrayAsync("students/S2290/record")).Value;
        Assert.Equal(["H2"], record.Holds.Select(hold => hold.Id));
        // It is told once, though it was agreed to twice.
        Assert.Equal(["hold"], (await EventsAsync(registrar, last, 1)).Select(one => one.EventType));
    }

    [Fact]
    public async Task Events_are_taken_up_where_the_listener_left_off()
    {
        var registrar = campus.Registrar();
        var last = await LastEventAsync(registrar);
        for (var enrolled = 1; enrolled <= 5; enrolled++)
            await SetEnrolledAsync("10201", enrolled);
        // Others may be told of meanwhile, such as of a turn that begins.
        var all = await EventsAsync(registrar, last, 5, "seats");
        Assert.Equal([1, 2, 3, 4, 5], all.Select(one => JsonNode.Parse(one.Data)!["enrolled"]!.GetValue<int>()));
        var rest = await EventsAsync(registrar, long.Parse(all[1].EventId!, null), 3, "seats");
        Assert.Equal(all.Skip(2).Select(one => one.EventId), rest.Select(one => one.EventId));
        var seats = await registrar.GetFromJsonAsync<JsonObject>("terms/2027SP/seats");
        Assert.True(seats!["lastEvent"]!.GetValue<long>() >= long.Parse(all[^1].EventId!, null));
        var section = seats["sections"]!.AsArray().Single(one => one!["number"]!.GetValue<string>() == "10201");
        Assert.Equal(5, section!["enrolled"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_happens_while_one_listens_is_told_at_once()
    {
        var registrar = campus.Registrar();
        var last = await LastEventAsync(registrar);
        var listening = EventsAsync(registrar, last, 1, "seats");
        await SetEnrolledAsync("10203", 7);
        var told = JsonNode.Parse((await listening).Single().Data)!;
        Assert.Equal(("10203", 7), (told["number"]!.GetValue<string>(), told["enrolled"]!.GetValue<int>()));
    }

    [Fact]
    public async Task Permissions_are_asked_for_decided_and_given_by_a_code()
    {
        var registrar = campus.Registrar();
        var asked = await AskAsync(
            registrar,
            new
            {
                student = "S2041",
                term = "2027SP",
                course = "ROB 450",
                kind = "consent",
                words = "Please.",
            }
        );
        var again = await AskAsync(
            registrar,
            new
            {
                student = "S2041",
                term = "2027SP",
                course = "ROB 450",
                kind = "consent",
                words = "Please!",
            }
        );
        Assert.Equal(asked["id"]!.GetValue<int>(), again["id"]!.GetValue<int>());
        Assert.Null(asked["isGranted"]);
        var browser = campus.Begun();
        await RunningStandIns.SendAsync(
            browser,
            "/instructor",
            "/instructor",
            ("id", $"{asked["id"]}"),
            ("granted", "true"),
            ("answer", "Welcome.")
        );
        var all = await registrar.GetFromJsonAsync<JsonArray>("students/S2041/permissions?term=2027SP");
        Assert.Equal(
            (true, "Welcome."),
            (all![0]!["isGranted"]!.GetValue<bool>(), all[0]!["answer"]!.GetValue<string>())
        );

        var code = await AskAsync(
            registrar,
            new
            {
                student = "S1022",
                term = "2027SP",
                code = "SHORE-2093",
            }
        );
        Assert.Equal(("TID 330", true), (code["course"]!.GetValue<string>(), code["isGranted"]!.GetValue<bool>()));
        await RefusedAsync(
            registrar,
            new
            {
                student = "S3107",
                term = "2027SP",
                code = "SHORE-2093",
            },
            "somebody has used it"
        );
        await RefusedAsync(
            registrar,
            new
            {
                student = "S3107",
                term = "2027SP",
                code = "NONE",
            },
            "is none of this term"
        );
        await RefusedAsync(
            registrar,
            new
            {
                student = "S3107",
                term = "2027SP",
                course = "ROB 450",
                kind = "wish",
            },
            "expected one of consent"
        );
        await RefusedAsync(
            registrar,
            new
            {
                student = "S3107",
                term = "2027SP",
                course = "NO 1",
                kind = "consent",
            },
            "is not offered"
        );
    }

    [Fact]
    public async Task An_adviser_approves_a_term_that_was_asked_for_and_recommends_courses()
    {
        var registrar = campus.Registrar();
        var wanted = new
        {
            student = "S3107",
            term = "2027SP",
            kind = "approval",
            words = "Three of the five are for the degree.",
        };
        // Nobody asks for what is not needed.
        await RefusedAsync(
            registrar,
            new
            {
                student = "S2041",
                term = "2027SP",
                kind = "approval",
            },
            "no approval of 2027SP is needed"
        );
        var asked = await AskAsync(registrar, wanted);
        Assert.Null(asked["course"]);
        Assert.Equal($"{asked["id"]}", $"{(await AskAsync(registrar, wanted))["id"]}");
        Assert.Equal("needed", await ApprovalAsync());
        var browser = campus.Begun();
        await DecideAsync("true", "Well chosen.");
        Assert.Equal("given", await ApprovalAsync());
        var known = (await registrar.GetFromJsonAsync<JsonArray>("students/S3107/permissions?term=2027SP"))![0]!;
        Assert.Equal(
            (true, "Well chosen."),
            (known["isGranted"]!.GetValue<bool>(), known["answer"]!.GetValue<string>())
        );
        await RefusedAsync(registrar, wanted, "no approval of 2027SP is needed");
        // Taken back it is needed, and can be asked for again.
        await RunningStandIns.SendAsync(
            browser,
            "/adviser",
            "/adviser/approvals",
            ("student", "S3107"),
            ("term", "2027SP"),
            ("given", "false")
        );
        Assert.Equal("needed", await ApprovalAsync());
        Assert.NotEqual($"{asked["id"]}", $"{(await AskAsync(registrar, wanted))["id"]}");

        foreach (var words in (string[])["Because.", "It opens the year above."])
            await RunningStandIns.SendAsync(
                browser,
                "/adviser",
                "/adviser/recommended",
                ("student", "S3107"),
                ("course", "TID 240"),
                ("words", words)
            );
        Assert.Equal("It opens the year above.", Assert.Single(await OfTid240Async()));
        await RunningStandIns.SendAsync(
            browser,
            "/adviser",
            "/adviser/recommended/withdraw",
            ("student", "S3107"),
            ("course", "TID 240")
        );
        Assert.Empty(await OfTid240Async());

        Task DecideAsync(string granted, string answer) =>
            RunningStandIns.SendAsync(
                browser,
                "/adviser",
                "/adviser/requests",
                ("id", $"{asked["id"]}"),
                ("granted", granted),
                ("answer", answer)
            );
        async Task<JsonObject> RecordAsync() =>
            (await registrar.GetFromJsonAsync<JsonObject>("students/S3107/record"))!;
        async Task<string> ApprovalAsync() => (await RecordAsync())["approvals"]!["2027SP"]!.GetValue<string>();
        async Task<string[]> OfTid240Async() =>
            [
                .. (await RecordAsync())["recommended"]!
                    .AsArray()
                    .Where(one => one!["course"]!.GetValue<string>() == "TID 240")
                    .Select(one => one!["words"]!.GetValue<string>()),
            ];
    }

    [Fact]
    public async Task The_clerk_moves_the_clock_to_a_phase()
    {
        var browser = campus.Begun();
        await RunningStandIns.SendAsync(
            browser,
            "/clerk",
            "/clerk/opening",
            ("term", "2027SP"),
            ("phase", "change"),
            ("seconds", "0")
        );
        var term = await campus.Registrar().GetFromJsonAsync<JsonObject>("terms/2027SP");
        Assert.Equal("change", term!["phase"]!.GetValue<string>());
        Assert.Equal(5, term["phases"]!.AsArray().Count);
        await RunningStandIns.SendAsync(
            browser,
            "/clerk",
            "/clerk/opening",
            ("term", "2027SP"),
            ("phase", "open"),
            ("seconds", "30")
        );
        term = await campus.Registrar().GetFromJsonAsync<JsonObject>("terms/2027SP");
        Assert.Equal("byTurn", term!["phase"]!.GetValue<string>());
        // A form from elsewhere moves nothing.
        var foreign = await browser.PostAsync(
            "/clerk/opening",
            new FormUrlEncodedContent([KeyValuePair.Create("term", "2027SP")])
        );
        Assert.Equal(HttpStatusCode.BadRequest, foreign.StatusCode);
    }

    [Theory]
    [InlineData("/clerk/seats", "there is no section 99999 in 2027SP", "number=99999&capacity=1&enrolled=0")]
    [InlineData("/clerk/cancel", "there is no section 99999 in 2027SP", "number=99999")]
    [InlineData("/clerk/opening", "there is no phase dusk of 2027SP", "phase=dusk&seconds=0")]
    [InlineData("/clerk/turn", "there is no turn of S0000 in 2027SP", "student=S0000&seconds=0")]
    [InlineData("/clerk/holds", "there is no student S0000", "student=S0000&name=Fees&text=Pay")]
    [InlineData("/clerk/holds/lift", "there is no hold fees of S0000", "student=S0000&id=fees")]
    [InlineData("/adviser/approvals", "there is no student S0000", "student=S0000&given=true")]
    [InlineData("/adviser/requests", "there is no such request", "id=9999&granted=true")]
    [InlineData("/adviser/recommended", "there is no course ZZZ 999", "student=S2041&course=ZZZ 999")]
    [InlineData("/adviser/recommended", "there is no student S0000", "student=S0000&course=TID 240")]
    [InlineData("/adviser/recommended/withdraw", "there is no student S0000", "student=S0000&course=TID 240")]
    [InlineData("/instructor", "there is no such request", "id=9999&granted=true")]
    [InlineData("/instructor/remove", "there is no such place in line", "id=9999")]
    public async Task A_form_that_means_what_is_not_there_says_so(string action, string says, string fields)
    {
        using var answer = await RunningStandIns.AnswerAsync(
            campus.Begun(),
            "/clerk",
            action,
            [("term", "2027SP"), .. fields.Split('&').Select(one => (one.Split('=')[0], one.Split('=')[1]))]
        );
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Contains(says, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Mail_is_kept_and_shown_as_it_was_written()
    {
        var browser = campus.Begun();
        using var mail = new SmtpClient("127.0.0.1", campus.SmtpPort);
        await mail.SendMailAsync(
            new MailMessage("hour-grid@saltmere.example", "s2041@saltmere.example", "A seat is free", "<b>10214</b>")
        );
        var page = await browser.GetStringAsync("/mail");
        Assert.Contains("A seat is free", page, StringComparison.Ordinal);
        Assert.Contains("s2041@saltmere.example", page, StringComparison.Ordinal);
        Assert.DoesNotContain("<b>10214", page, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("response_type=code&scope=openid&redirect_uri=http://127.0.0.1:5080/signin-oidc", "code_challenge")]
    [InlineData(
        "response_type=code&scope=openid&code_challenge=E9Melhoa2OwvFrEMTJguCHaoeK1t8URWbuGJSstw-cM&code_challenge_method=S256&redirect_uri=http://elsewhere.example/",
        "redirect_uri"
    )]
    [InlineData("response_type=token&scope=openid&redirect_uri=http://127.0.0.1:5080/signin-oidc", "response_type")]
    public async Task A_sign_in_without_a_proof_or_to_elsewhere_is_refused(string query, string wrong)
    {
        var answer = await campus.Begun().GetAsync($"/connect/authorize?client_id=hour-grid&{query}");
        var told = $"{answer.Headers.Location} {await answer.Content.ReadAsStringAsync()}";
        Assert.Contains(wrong, Uri.UnescapeDataString(told), StringComparison.Ordinal);
        Assert.DoesNotContain(
            "code=",
            told.Replace("_code=", "", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
    }

    private Task<bool> SetEnrolledAsync(string number, int enrolled) =>
        campus.ChangeAsync(
            async (context, log) =>
            {
                var section = (await context.Sections.FindAsync("2027SP", number))!;
                section.Enrolled = enrolled;
                log.Seats(section);
                return true;
            }
        );

    private static async Task<long> LastEventAsync(HttpClient registrar) =>
        (await registrar.GetFromJsonAsync<JsonObject>("terms/2027SP/seats"))!["lastEvent"]!.GetValue<long>();

    /// <param name="registrar">Who is listened to.</param>
    /// <param name="after">The event after which to begin.</param>
    /// <param name="count">How many to wait for.</param>
    /// <param name="kind">Of which kind; null for all.</param>
    private static async Task<List<SseItem<string>>> EventsAsync(
        HttpClient registrar,
        long after,
        int count,
        string? kind = null
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "events");
        request.Headers.Add("Last-Event-ID", $"{after}");
        using var response = await registrar.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        await using var stream = await response.Content.ReadAsStreamAsync();
        var events = new List<SseItem<string>>();
        await foreach (var one in SseParser.Create(stream).EnumerateAsync())
        {
            if (kind is null ? one.EventType != "nothing" : one.EventType == kind)
                events.Add(one);
            if (events.Count == count)
                break;
        }
        return events;
    }

    private static async Task<JsonObject> AskAsync(HttpClient registrar, object asked)
    {
        var answer = await registrar.PostAsJsonAsync("permissions", asked);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<JsonObject>())!;
    }

    private static async Task RefusedAsync(HttpClient registrar, object asked, string why)
    {
        var answer = await registrar.PostAsJsonAsync("permissions", asked);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(why, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}
