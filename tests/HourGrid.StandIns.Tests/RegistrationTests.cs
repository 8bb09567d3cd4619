using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using HourGrid.StandIns.Registrar;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using static HourGrid.StandIns.Tests.Registrations;

namespace HourGrid.StandIns.Tests;

/// <summary>The registrar’s rules, each against the real service and its database.</summary>
public sealed class RegistrationTests(RunningStandIns campus) : IClassFixture<RunningStandIns>, IAsyncLifetime
{
    private const string Wren = "S2041";
    private const string Tamsin = "S4003";
    private const string Crowd = "Z0001";

    private readonly HttpClient registrar = campus.Registrar();

    public async ValueTask InitializeAsync() =>
        await campus.BeginAtAsync(new DateTime(2026, 12, 10, 12, 0, 0, DateTimeKind.Utc));

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task A_line_registers_a_whole_bundle_or_nothing()
    {
        var answer = await registrar.RegisterAsync(
            Crowd,
            Line("TID 210", "10214"),
            Line("TID 210", "10214", "10221"),
            Line("TID 210", "10214", "10231"),
            Line("GLZ 155", "10268")
        );
        Assert.Equal(["refused", "refused", "registered", "registered"], answer.Lines.Select(line => line.Outcome));
        Assert.Equal("incomplete", Assert.Single(answer.Lines[0].Findings).Kind);
        Assert.Contains("Add a lab", answer.Lines[0].Findings[0].ToDo, StringComparison.Ordinal);
        // The lab is linked to another lecture.
        Assert.Equal(["incomplete"], KindsOf(answer.Lines[1]));
        var standing = await registrar.StandingAsync(Crowd);
        Assert.Equal(["TID 210", "GLZ 155"], standing.Held.Select(held => held.Course));
        Assert.Equal(7, standing.Credits);
        Assert.Equal(["10214", "10231"], standing.Held[0].Sections);
        Assert.Equal(14, await EnrolledAsync("10214"));
        Assert.Equal(6, await EnrolledAsync("10231"));
    }

    [Fact]
    public async Task All_that_stands_against_a_line_is_found_at_once()
    {
        MoveClock(new DateTime(2026, 11, 30, 13, 30, 0, DateTimeKind.Utc));
        await registrar.RegisterAsync(Crowd, Line("TID 210", "10214", "10231"));
        var answer = await registrar.CheckAsync(
            "S2290",
            Line("ROB 450", "10439", "10441"),
            Line("NO 101", "1"),
            Line("GLZ 155", "10268")
        );
        Assert.Equal(
            ["hold", "hold", "notYourTurn", "approvalNeeded", "prerequisite", "restriction", "consentNeeded"],
            KindsOf(answer.Lines[0])
        );
        Assert.Contains("unknownSection", KindsOf(answer.Lines[1]));
        Assert.All(
            answer.Lines.SelectMany(line => line.Findings),
            finding => Assert.False(string.IsNullOrEmpty(finding.Sentence) || string.IsNullOrEmpty(finding.ToDo))
        );
        MoveClock(new DateTime(2027, 2, 1, 0, 0, 0, DateTimeKind.Utc));
        answer = await registrar.CheckAsync(Crowd, Line("GLZ 155", "10268"));
        Assert.Equal(["termClosed"], KindsOf(answer.Lines[0]));
    }

    [Fact]
    public async Task Hours_load_and_what_is_held_stand_against_a_line()
    {
        // Tue Thu 8:00–9:15 and Fri 8:00–10:50; the studio is Tue Thu 8:00–9:50.
        var answer = await registrar.RegisterAsync(
            Crowd,
            Line("TID 210", "10214", "10231"),
            Line("GLZ 155", "10267"),
            Line("TID 210", "10215", "10221")
        );
        var clash = Assert.Single(answer.Lines[1].Findings);
        Assert.Equal(("timeConflict", "10214", 75), (clash.Kind, clash.Section, (int)clash.Amount!.Value));
        Assert.Equal(["alreadyRegistered"], KindsOf(answer.Lines[2]));
        Assert.Empty(answer.Warnings);
        // Tamsin may carry 18 credits, and has nothing of what comes before.
        var light = await registrar.RegisterAsync(Tamsin, Line("GLZ 155", "10268"));
        Assert.Equal(["belowFullTime", "belowAward"], light.Warnings.Select(one => one.Kind));
        Assert.Equal(9, light.Warnings[0].Amount);
        await LimitAsync(18, 3);
        var over = await registrar.CheckAsync(Tamsin, Line("WRT 101", await OpenSectionOfAsync("WRT 101")));
        Assert.Contains("overMaximum", KindsOf(over.Lines[0]));
        await LimitAsync(3, 18);
    }

    [Fact]
    public async Task What_is_full_falls_back_waits_or_is_refused()
    {
        await FillAsync("10268", waitlist: 2);
        var other = await registrar.RegisterAsync(
            "Z0002",
            new LineRecord(
                "GLZ 155",
                ["10268"],
                LineRecord.Leave,
                [
                    ["10267"],
                ]
            )
        );
        Assert.Equal(("registered", "instead[0]"), (other.Lines[0].Outcome, other.Lines[0].Took));
        var first = await registrar.RegisterAsync(
            "Z0003",
            new LineRecord(
                "GLZ 155",
                ["10268"],
                LineRecord.Wait,
                [
                    ["10267"],
                ]
            )
        );
        Assert.Equal(("waiting", 1, 1), (first.Lines[0].Outcome, first.Lines[0].Place, first.Lines[0].Of));
        var last = await registrar.RegisterAsync(
            "Z0004",
            new LineRecord(
                "GLZ 155",
                ["10268"],
                LineRecord.WaitLast,
                [
                    ["10267"],
                ]
            )
        );
        Assert.Equal("instead[0]", last.Lines[0].Took);
        var second = await registrar.RegisterAsync(
            "Z0005",
            new LineRecord("GLZ 155", ["10268"], LineRecord.WaitLast)
        );
        Assert.Equal(("waiting", 2), (second.Lines[0].Outcome, second.Lines[0].Place));
        var refused = await registrar.RegisterAsync("Z0006", new LineRecord("GLZ 155", ["10268"], LineRecord.Wait));
        Assert.Equal(["full", "waitlistFull"], KindsOf(refused.Lines[0]));
        // Whoever waits already keeps the place, and has one.
        var again = await registrar.RegisterAsync("Z0003", new LineRecord("GLZ 155", ["10268"], LineRecord.Wait));
        Assert.Equal(["full", "alreadyRegistered"], KindsOf(again.Lines[0]));
        Assert.Single((await registrar.StandingAsync("Z0003")).Waiting);
        // Who is refused for another reason is not given another course.
        var clashing = await registrar.RegisterAsync(
            Crowd,
            Line("TID 210", "10214", "10231"),
            new LineRecord(
                "GLZ 155",
                ["10267"],
                LineRecord.Leave,
                [
                    ["10266"],
                ]
            )
        );
        Assert.Equal("refused", clashing.Lines[1].Outcome);
        Assert.Contains("timeConflict", KindsOf(clashing.Lines[1]));
    }

    [Fact]
    public async Task A_swap_never_lets_a_held_seat_go()
    {
        await registrar.RegisterAsync(Crowd, Line("GLZ 155", "10267"));
        await FillAsync("10268", waitlist: 2);
        var failed = await registrar.RegisterAsync(Crowd, new LineRecord("GLZ 155", ["10268"], GivingUp: ["10267"]));
        Assert.Equal("refused", failed.Lines[0].Outcome);
        Assert.Equal(["10267"], (await registrar.StandingAsync(Crowd)).Held.Single().Sections);
        var done = await registrar.RegisterAsync(Crowd, new LineRecord("GLZ 155", ["10266"], GivingUp: ["10267"]));
        Assert.Equal("registered", done.Lines[0].Outcome);
        var standing = await registrar.StandingAsync(Crowd);
        Assert.Equal(["10266"], standing.Held.Single().Sections);
        Assert.Equal("Swapped.", standing.Ended.Single().Why);
        Assert.Equal(10, await EnrolledAsync("10267"));
    }

    [Fact]
    public async Task Two_courses_change_hours_with_each_other_in_one_step()
    {
        // Each new one meets when the old other does; one after the other neither could be had.
        await registrar.RegisterAsync(Crowd, Line("TID 210", "10216", "10228"), Line("GLZ 155", "10267"));
        var alone = await registrar.CheckAsync(
            Crowd,
            new LineRecord("TID 210", ["10214", "10231"], GivingUp: ["10216", "10228"]),
            new LineRecord("GLZ 155", ["10264"], GivingUp: ["10267"])
        );
        Assert.Equal("refused", alone.Lines[0].Outcome);
        var together = await registrar.RegisterAsync(
            Crowd,
            new LineRecord("TID 210", ["10214", "10231"], GivingUp: ["10216", "10228"], Group: 1),
            new LineRecord("GLZ 155", ["10264"], GivingUp: ["10267"], Group: 1)
        );
        Assert.All(together.Lines, line => Assert.Equal("registered", line.Outcome));
        // And where one of them cannot be, nothing changes.
        var notHeld = await registrar.RegisterAsync(
            Crowd,
            new LineRecord("TID 210", [], GivingUp: ["10214"], Group: 2),
            new LineRecord("MUS 101", [], GivingUp: ["10470"], Group: 2)
        );
        Assert.All(notHeld.Lines, line => Assert.Equal(["notHeld"], KindsOf(line)));
        await FillAsync("10215", waitlist: 0);
        var before = await registrar.StandingAsync(Crowd);
        var failed = await registrar.RegisterAsync(
            Crowd,
            new LineRecord("TID 210", ["10215", "10221"], GivingUp: ["10214"], Group: 1),
            new LineRecord("GLZ 155", ["10266"], GivingUp: ["10264"], Group: 1)
        );
        Assert.Equal(["full"], KindsOf(failed.Lines[0]));
        Assert.Contains("together", KindsOf(failed.Lines[1]));
        var after = await registrar.StandingAsync(Crowd);
        Assert.Equivalent(before, after with { NowUtc = before.NowUtc, LastEvent = before.LastEvent }, strict: true);
    }

    [Fact]
    public async Task A_key_is_answered_once()
    {
        var request = new RegistrationRequest(NewKey(), Crowd, Term, [Line("GLZ 155", "10268")]);
        var first = await registrar.SendAsync("registrations", request);
        Assert.Equal(["10268"], Assert.Single(first.Standing!.Held).Sections);
        await registrar.RegisterAsync(Crowd, Line("TID 210", "10214", "10231"));
        var again = await registrar.SendAsync("registrations", request);
        // The answer is that of then, what is held is that of now.
        Assert.Equivalent(first with { Standing = null }, again with { Standing = null }, strict: true);
        Assert.Equal(["GLZ 155", "TID 210"], again.Standing!.Held.Select(held => held.Course));
        Assert.True(again.Standing.LastEvent > first.Standing.LastEvent);
        Assert.Equal(10, await EnrolledAsync("10268"));
        Assert.Contains(
            "another request",
            await registrar.RefusedAsync(request with { Student = "Z0002" }),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "32 hexadecimal digits",
            await registrar.RefusedAsync(request with { Key = "short" }),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "no student",
            await registrar.RefusedAsync(request with { Key = NewKey(), Student = "S9999" }),
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(FaultSettings.Losing.Answer)]
    [InlineData(FaultSettings.Losing.HalfOfAnswer)]
    public async Task An_answer_that_is_lost_is_given_again(FaultSettings.Losing losing)
    {
        campus.Services.GetRequiredService<FaultSettings>().Lose(losing, 1);
        var request = new RegistrationRequest(NewKey(), Crowd, Term, [Line("GLZ 155", "10268")]);
        await Assert.ThrowsAnyAsync<Exception>(() => registrar.SendAsync("registrations", request));
        var again = await registrar.SendAsync("registrations", request);
        Assert.Equal("registered", again.Lines[0].Outcome);
        Assert.Equal(10, await EnrolledAsync("10268"));
    }

    [Fact]
    public async Task Who_waits_is_let_in_in_order_and_who_cannot_be_is_told_why()
    {
        await registrar.RegisterAsync("Z0002", Line("GLZ 155", "10268"));
        await FillAsync("10268", waitlist: 5);
        foreach (var student in new[] { "Z0003", "Z0004", "Z0005" })
            await registrar.RegisterAsync(student, new LineRecord("GLZ 155", ["10268"], LineRecord.Wait));
        // The first meets something else then, and the second gives up what he has instead.
        await registrar.RegisterAsync("Z0003", Line("ACO 220", "10306", "10314"));
        await registrar.RegisterAsync("Z0002", new LineRecord("GLZ 155", [], GivingUp: ["10268"]));
        var first = await registrar.StandingAsync("Z0003");
        var passed = Assert.Single(first.Waiting);
        Assert.Contains("ACO 220 R06", passed.PassedOver, StringComparison.Ordinal);
        Assert.Equal((1, 2), (passed.Place, passed.Of));
        Assert.Equal(["10268"], (await registrar.StandingAsync("Z0004")).Held.Single().Sections);
        Assert.Equal("letIn", (await registrar.StandingAsync("Z0004")).Ended.Single().Kind);
        var behind = Assert.Single((await registrar.StandingAsync("Z0005")).Waiting);
        Assert.Equal((2, 2, 3), (behind.Place, behind.Of, behind.FirstPlace));
    }

    [Fact]
    public async Task Being_let_in_gives_up_what_was_named_in_the_same_step()
    {
        await registrar.RegisterAsync("Z0002", Line("GLZ 155", "10268"));
        await FillAsync("10268", waitlist: 5);
        await registrar.RegisterAsync("Z0003", Line("GLZ 155", "10267"));
        await FillAsync("10267", waitlist: 5);
        await registrar.RegisterAsync(
            "Z0003",
            new LineRecord("GLZ 155", ["10268"], LineRecord.Wait, GivingUp: ["10267"])
        );
        await registrar.RegisterAsync("Z0004", new LineRecord("GLZ 155", ["10267"], LineRecord.Wait));
        await registrar.RegisterAsync("Z0002", new LineRecord("GLZ 155", [], GivingUp: ["10268"]));
        Assert.Equal(["10268"], (await registrar.StandingAsync("Z0003")).Held.Single().Sections);
        // And whoever waited for that has it now.
        Assert.Equal(["10267"], (await registrar.StandingAsync("Z0004")).Held.Single().Sections);
        Assert.Equal(14, await EnrolledAsync("10267"));
        Assert.Equal(14, await EnrolledAsync("10268"));
    }

    [Fact]
    public async Task A_line_is_left_and_the_instructor_lets_in_from_his_own()
    {
        await campus.ChangeAsync(
            async (context, _) =>
            {
                (await context.Sections.FindAsync(Term, "10268"))!.IsLetInByInstructor = true;
                return true;
            }
        );
        await registrar.RegisterAsync("Z0002", Line("GLZ 155", "10268"));
        await FillAsync("10268", waitlist: 5);
        foreach (var student in new[] { "Z0003", "Z0004", "Z0005" })
            await registrar.RegisterAsync(student, new LineRecord("GLZ 155", ["10268"], LineRecord.Wait));
        await registrar.RegisterAsync("Z0002", new LineRecord("GLZ 155", [], GivingUp: ["10268"]));
        // Nobody is let in by the line, nor comes in past it.
        Assert.Empty((await registrar.StandingAsync("Z0003")).Held);
        var late = await registrar.RegisterAsync("Z0006", Line("GLZ 155", "10268"));
        Assert.Equal(["full"], KindsOf(late.Lines[0]));
        var place = (await registrar.StandingAsync("Z0003")).Waiting.Single();
        Assert.Equal("instructor", place.LetsIn);
        var left = await registrar.RegisterAsync("Z0003", new LineRecord("GLZ 155", [], Leaving: place.Id));
        Assert.Equal("left", left.Lines[0].Outcome);
        var browser = campus.Begun();
        var waiting = (await registrar.StandingAsync("Z0005")).Waiting.Single();
        await RunningStandIns.SendAsync(browser, "/instructor", "/instructor/let-in", ("id", $"{waiting.Id}"));
        Assert.Single((await registrar.StandingAsync("Z0005")).Held);
        var other = (await registrar.StandingAsync("Z0004")).Waiting.Single();
        await RunningStandIns.SendAsync(
            browser,
            "/instructor",
            "/instructor/remove",
            ("id", $"{other.Id}"),
            ("words", "Come next year.")
        );
        var ended = (await registrar.StandingAsync("Z0004")).Ended.Single();
        Assert.Equal(("removed", "Come next year."), (ended.Kind, ended.Why));
    }

    [Fact]
    public async Task A_section_that_is_cancelled_is_nobodys()
    {
        await registrar.RegisterAsync(Crowd, Line("TID 210", "10214", "10231"));
        await RunningStandIns.SendAsync(
            campus.Begun(),
            "/clerk",
            "/clerk/cancel",
            ("term", Term),
            ("number", "10231")
        );
        var standing = await registrar.StandingAsync(Crowd);
        Assert.Empty(standing.Held);
        Assert.Contains("was cancelled", standing.Ended.Single().Why, StringComparison.Ordinal);
        Assert.Equal((13, 0), (await EnrolledAsync("10214"), await EnrolledAsync("10231")));
        var again = await registrar.CheckAsync(Crowd, Line("TID 210", "10214", "10231"));
        Assert.Equal(["cancelled"], KindsOf(again.Lines[0]));
    }

    [Fact]
    public async Task What_is_checked_is_what_would_happen_and_does_not()
    {
        LineRecord[] lines = [Line("TID 210", "10214", "10231"), Line("GLZ 155", "10267"), Line("GLZ 155", "10268")];
        var check = await registrar.CheckAsync(Crowd, lines);
        Assert.Empty((await registrar.StandingAsync(Crowd)).Held);
        var done = await registrar.RegisterAsync(Crowd, lines);
        Assert.Equal(
            check.Lines.Select(line => (line.Outcome, string.Join(' ', KindsOf(line)))),
            done.Lines.Select(line => (line.Outcome, string.Join(' ', KindsOf(line))))
        );
    }

    private void MoveClock(DateTime to) =>
        campus.Services.GetRequiredService<CampusClock>().Ahead = to - DateTime.UtcNow;

    private Task<bool> FillAsync(string number, int waitlist) =>
        campus.ChangeAsync(
            async (context, _) =>
            {
                var section = (await context.Sections.FindAsync(Term, number))!;
                section.Enrolled = section.Capacity;
                section.WaitlistCapacity = waitlist;
                return true;
            }
        );

    private async Task<int> EnrolledAsync(string number)
    {
        await using var context = await campus
            .Services.GetRequiredService<IDbContextFactory<CampusContext>>()
            .CreateDbContextAsync();
        return (await context.Sections.FindAsync(Term, number))!.Enrolled;
    }

    private async Task<string> OpenSectionOfAsync(string course)
    {
        await using var context = await campus
            .Services.GetRequiredService<IDbContextFactory<CampusContext>>()
            .CreateDbContextAsync();
        return await context
            .Sections.Where(row => row.Course == course && row.Term == Term && row.Status == "Open")
            .OrderByDescending(row => row.Capacity - row.Enrolled)
            .Select(row => row.Number)
            .FirstAsync();
    }

    /// <summary>Lets Tamsin carry so many credits.</summary>
    private Task<bool> LimitAsync(int from, int to) =>
        campus.ChangeAsync(
            async (context, _) =>
            {
                var row = (await context.Records.FindAsync(Tamsin))!;
                row.Json = row.Json.Replace($"\"maximum\": {from}", $"\"maximum\": {to}", StringComparison.Ordinal);
                Assert.Contains($"\"maximum\": {to}", row.Json, StringComparison.Ordinal);
                return true;
            }
        );
}
