using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Data;
using HourGrid.Formats.Answers;
using HourGrid.Server.Catalogue;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace HourGrid.Server.Workbench;

/// <summary>
/// Answers an ask of its own before the server takes requests, so that the first student does not wait for code to be
/// compiled.
/// </summary>
internal sealed class WarmUp(CurrentCatalogue catalogue, AnswerService answers, IOptions<JsonOptions> json)
{
    private const int Courses = 4;
    private const int Times = 3;

    /// <summary>Nothing of it is kept but the answers, which the first other asks push out.</summary>
    public void Run()
    {
        foreach (var term in catalogue.Terms.Take(1))
        {
            var ask = AskFor(catalogue.Find(term.Id)!);
            var answer = answers.Answer(ask, CancellationToken.None);
            JsonSerializer.SerializeToUtf8Bytes(answer, json.Value.SerializerOptions);
            answers.WeekShapes(ask, 0, 1, CancellationToken.None);
            answers.Costs(ask, CancellationToken.None);
            answers.Standings(ask, CancellationToken.None);
        }
    }

    /// <summary>What needs no catalogue: most of the engine's code, while the data are read.</summary>
    public static void CompileEngine()
    {
        var parts = new AnswerParts
        {
            Top = 1,
            Shapes = true,
            Costs = true,
            Sections = true,
        };
        for (var time = 0; time < Times; time++)
            AnswerFile.Write(SmallWorld.Snapshot(), SmallWorld.Ask(), parts, CancellationToken.None);
    }

    /// <summary>Compiles the queries that the first page asks, while the server answers already.</summary>
    public static async Task CompileQueriesAsync(IServiceProvider services)
    {
        await using var scope = services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        await database.Students.AnyAsync(student => student.Id == Guid.Empty);
        await database.Sketches.Where(row => row.StudentId == Guid.Empty).OrderBy(row => row.Place).ToListAsync();
        await database.SketchSteps.AsNoTracking().FirstOrDefaultAsync(step => step.SketchId == Guid.Empty);
    }

    /// <summary>Courses with many sections, under rules of every form.</summary>
    private static Ask AskFor(CatalogueSnapshot snapshot) =>
        new()
        {
            Term = snapshot.Term.Id,
            Wanted =
            [
                .. snapshot
                    .Courses.OrderByDescending(course => course.Sections.Count)
                    .Take(Courses)
                    .Select(
                        (course, i) =>
                            new WantedCourse
                            {
                                Course = course.Course.Id,
                                Role = i == 0 ? CourseRole.IfItFits : CourseRole.Must,
                            }
                    ),
            ],
            TimeBlocks =
            [
                new(WeekdaySet.Of(Weekday.Saturday), new(new(8 * 60), new(9 * 60)), Strength.Cannot, WeekSet.All, ""),
            ],
            Breaks = [new(WeekdaySet.Of(Weekday.Monday), new(new(11 * 60), new(14 * 60)), 30, Strength.Cannot)],
            Seats = SeatsAdmitted.Any,
        };
}
