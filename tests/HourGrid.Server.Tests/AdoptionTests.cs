using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HourGrid.Core.PutBy;
using HourGrid.Data;
using HourGrid.Formats.PutBy;
using HourGrid.Server.SignIn;
using HourGrid.Server.Steps;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Tests;

/// <summary>What a browser made stands beside what a person had, whole.</summary>
public sealed class AdoptionTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly JsonNode Asked = Requests.AskFor("TID 210", "WRT 101");

    private static readonly SpringTimetables Timetables = new(Asked);

    [Fact]
    public async Task Sketches_line_ups_and_choices_of_both_are_there_afterwards()
    {
        var (browser, browserSketch) = await WithChoiceAsync(Timetables.PutBy(1, "Of the browser"));
        // A copy, which has had no change of its own, and a choice that is on no shortlist any more.
        await browser
            .PostAsJsonAsync(
                "/api/terms/2027SP/sketches",
                new JsonObject
                {
                    ["name"] = "A copy",
                    ["ask"] = Asked.DeepClone(),
                    ["shortlist"] = new JsonArray(),
                }
            )
            .JsonAsync();
        browserSketch["shortlist"] = new JsonArray();
        await browser.SaveAsync(browserSketch, Asked).JsonAsync();
        var (person, personSketch) = await WithChoiceAsync(Timetables.PutBy(2, "Of the person"));

        await AdoptAsync(browserSketch, personSketch);
        var sketches = (await person.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["sketches"]!.AsArray();
        Assert.Equal(
            ["First sketch", "First sketch", "A copy"],
            sketches.Select(sketch => sketch!["name"]!.GetValue<string>())
        );
        Assert.Equal(
            ["Of the browser"],
            sketches.Single(sketch => $"{sketch!["id"]}" == $"{browserSketch["id"]}")!["shortlist"]!
                .AsArray()
                .Select(one => one!["name"]!.GetValue<string>())
        );
        var picks = (await person.GetAsync("/api/terms/2027SP/picks").JsonAsync())["picks"]!;
        Assert.Equal(
            [$"{personSketch["id"]}", $"{browserSketch["id"]}"],
            picks["lineUp"]!.AsArray().Select(place => $"{place!["sketch"]}")
        );
        Assert.Equal("Of the person", picks["choice"]!["timetable"]!["name"]!.GetValue<string>());

        // Nothing is left with the browser's student, and nothing is taken along twice.
        var left = (await browser.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["sketches"]!.AsArray();
        Assert.Empty(left);
    }

    [Fact]
    public async Task A_choice_holds_where_there_was_none_and_an_untouched_sketch_stays_behind()
    {
        var (browser, browserSketch) = await WithChoiceAsync(Timetables.PutBy(1, "Of the browser"));
        Assert.NotNull(browser);
        var person = await server.StudentAsync();
        var personSketch = await person.OpenSketchAsync();
        await AdoptAsync(browserSketch, personSketch);
        var picks = (await person.GetAsync("/api/terms/2027SP/picks").JsonAsync())["picks"]!;
        Assert.Equal("Of the browser", picks["choice"]!["timetable"]!["name"]!.GetValue<string>());

        var another = await (await server.StudentAsync()).OpenSketchAsync();
        await AdoptAsync(another, personSketch);
        var sketches = (await person.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["sketches"]!.AsArray();
        Assert.Equal(2, sketches.Count);
    }

    private async Task<(HttpClient Student, JsonNode Sketch)> WithChoiceAsync(PutByTimetable chosen)
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        sketch["shortlist"] = JsonNode.Parse(PutByJson.Write([chosen]));
        var saved = (await student.SaveAsync(sketch, Asked).JsonAsync())["sketch"]!;
        var id = Guid.Parse(saved["id"]!.GetValue<string>());
        var place = new LineUpPlace(id, chosen.Id);
        var picks = JsonNode.Parse(PutByJson.Write(new TermPicks([place], null, new(id, chosen, [], null))));
        await student
            .PutAsJsonAsync("/api/terms/2027SP/picks", new JsonObject { ["version"] = 0, ["picks"] = picks })
            .JsonAsync();
        return (student, saved);
    }

    private async Task AdoptAsync(JsonNode browserSketch, JsonNode personSketch)
    {
        await using var database = DatabaseFile.Open(DatabaseFile.In(server.DataFolder));
        await using var transaction = await database.Database.BeginTransactionAsync();
        using var sizes = new StepSizes();
        var students = new List<Guid>();
        foreach (var sketch in new[] { browserSketch, personSketch })
        {
            var id = Guid.Parse(sketch["id"]!.GetValue<string>());
            students.Add((await database.Sketches.SingleAsync(row => row.Id == id)).StudentId);
        }
        database.ChangeTracker.Clear();
        await new Adoption(database, sizes).AdoptAsync(students[0], students[1], CancellationToken.None);
        await transaction.CommitAsync();
    }
}
