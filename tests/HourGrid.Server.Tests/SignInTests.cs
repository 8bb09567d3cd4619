using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Server.SignIn;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Tests;

/// <summary>
/// What holds where nobody is signed in. Signing in itself is tested in the browser, with what stands in for the campus.
/// </summary>
public sealed class SignInTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Without_a_campus_nobody_can_sign_in_and_all_else_works()
    {
        var student = await server.StudentAsync();
        var me = await student.GetAsync("/api/me").JsonAsync();
        Assert.False(me["isSignInOffered"]!.GetValue<bool>());
        Assert.Null(me["person"]);
        await student.GetAsync("/api/sign-in").JsonAsync(404);
        var signedOut = await student.PostAsync("/api/sign-out", null).JsonAsync();
        Assert.Equal("/", signedOut["address"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_record_is_for_who_is_signed_in()
    {
        var student = await server.StudentAsync();
        var asked = new JsonObject { ["courses"] = new JsonArray("TID 210"), ["beside"] = new JsonArray() };
        static JsonObject NoPlan() => new() { ["entries"] = new JsonArray() };
        var planned = new JsonObject { ["programme"] = null, ["plan"] = NoPlan() };
        var leaf = new JsonObject
        {
            ["programme"] = null,
            ["requirement"] = "tides",
            ["plan"] = NoPlan(),
        };
        foreach (
            var answer in new[]
            {
                student.GetAsync("/api/record"),
                student.PostAsync("/api/record/holds/H1/agreement", null),
                student.PostAsJsonAsync("/api/terms/2027SP/eligibility", asked),
                student.PostAsJsonAsync("/api/terms/2027SP/requirements", planned),
                student.PostAsJsonAsync("/api/terms/2027SP/requirements/offers", leaf),
                student.PostAsJsonAsync(
                    "/api/terms/2027SP/requirements/end",
                    new JsonObject { ["programme"] = null }
                ),
            }
        )
            Assert.Contains(
                "signed in",
                (await answer.JsonAsync(403))["detail"]!.GetValue<string>(),
                StringComparison.Ordinal
            );
        Assert.Equal(HttpStatusCode.Unauthorized, (await server.Browser().GetAsync("/api/record")).StatusCode);
    }

    [Theory]
    [InlineData("/2027SP/workbench?x=1", "/2027SP/workbench?x=1")]
    [InlineData("//elsewhere.example/", "/")]
    [InlineData("/\\elsewhere.example/", "/")]
    [InlineData("https://elsewhere.example/", "/")]
    [InlineData("", "/")]
    [InlineData(null, "/")]
    public void A_way_back_is_one_of_our_own_pages(string? from, string expected) =>
        Assert.Equal(expected, SignInEndpoints.OwnPath(from));

    [Fact]
    public void What_is_missing_is_said_in_the_smallest_sets()
    {
        Prerequisite[][] sets =
        [
            [new Prerequisite.CourseTaken(new("TID 110"), "C")],
            [new Prerequisite.ExamTaken("Calculus placement", 4), new Prerequisite.CourseTaken(new("MTH 110"), "A-")],
        ];
        Assert.Equal(
            "You lack TID 110 with a C, or the Calculus placement exam with 4 and MTH 110 with an A-.",
            EligibilityWords.Of(new EligibilityFinding.Prerequisite(sets), [])
        );
        Assert.Equal(
            "If you pass TID 210.",
            EligibilityWords.IfPassed([
                [new("TID 210")],
            ])
        );
        Assert.Null(EligibilityWords.IfPassed([]));
    }
}
