using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Formats.Asking;
using HourGrid.Server.Answers;
using HourGrid.Server.Catalogues;
using HourGrid.Server.Hosting;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HourGrid.Server.Sketches;

internal static class SketchEndpoints
{
    public static void MapSketches(this IEndpointRouteBuilder api)
    {
        api.MapPost("/terms/{term}/sketch", OpenAsync).WithName("OpenSketch").RequireAuthorization();
        var sketches = api.MapGroup("/sketches").RequireAuthorization().LimitAnswers();
        sketches
            .MapPut("/{id:guid}", SaveAsync)
            .WithName("SaveSketch")
            .ReadsBody(typeof(SaveSketchRequest))
            .Produces<StaleSketchProblem>(StatusCodes.Status409Conflict, "application/problem+json")
            .ProducesProblems();
        sketches
            .MapPost("/{id:guid}/changes-read", ReadChangesAsync)
            .WithName("ReadSketchChanges")
            .ReadsBody(typeof(StepRequest))
            .Produces<StaleSketchProblem>(StatusCodes.Status409Conflict, "application/problem+json")
            .ProducesProblems();
        foreach (var (name, direction) in new[] { ("undo", -1), ("redo", 1) })
            sketches
                .MapPost(
                    $"/{{id:guid}}/{name}",
                    (Guid id, JsonElement body, SketchDesk desk, AnswerRoom room, CancellationToken cancellation) =>
                        StepAsync(id, direction, body, desk, room, cancellation)
                )
                .WithName(direction < 0 ? "UndoSketch" : "RedoSketch")
                .ReadsBody(typeof(StepRequest))
                .Produces<SavedSketchRecord>()
                .Produces<StaleSketchProblem>(StatusCodes.Status409Conflict, "application/problem+json")
                .ProducesProblems();
    }

    /// <summary>The student's sketch of a term, made at the first time.</summary>
    private static async Task<Results<Ok<SketchRecord>, ProblemHttpResult>> OpenAsync(
        string term,
        SketchDesk desk,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        catalogue.Find(new TermId(term)) is { } snapshot
            ? TypedResults.Ok(await desk.OpenAsync(snapshot.Term.Id, cancellation))
            : TypedResults.Problem(
                statusCode: StatusCodes.Status404NotFound,
                detail: $"There is no term {term} in the catalogue."
            );

    /// <summary>Saves the whole ask and answers it. An ask that cannot be answered is not saved.</summary>
    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> SaveAsync(
        Guid id,
        JsonElement body,
        SketchDesk desk,
        AnswerRoom room,
        CancellationToken cancellation
    )
    {
        var ask = RequestBody.Ask(body);
        room.Check(ask);
        var change = await desk.SaveAsync(id, RequestBody.Version(body), ask, cancellation);
        return Result(change, body, room, cancellation);
    }

    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> StepAsync(
        Guid id,
        int direction,
        JsonElement body,
        SketchDesk desk,
        AnswerRoom room,
        CancellationToken cancellation
    )
    {
        var change = await desk.StepAsync(id, RequestBody.Version(body), direction, cancellation);
        return Result(change, body, room, cancellation);
    }

    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> ReadChangesAsync(
        Guid id,
        JsonElement body,
        SketchDesk desk,
        AnswerRoom room,
        CancellationToken cancellation
    ) => Result(await desk.ReadChangesAsync(id, RequestBody.Version(body), cancellation), body, room, cancellation);

    private static Results<Ok<SavedSketchRecord>, ProblemHttpResult> Result(
        SketchChange change,
        JsonElement body,
        AnswerRoom room,
        CancellationToken cancellation
    ) =>
        change switch
        {
            SketchChange.Saved(var sketch, var ask) => TypedResults.Ok(
                Answered(sketch, ask, body, room, cancellation)
            ),
            SketchChange.Stale(var newer) => TypedResults.Problem(
                new StaleSketchProblem
                {
                    Status = StatusCodes.Status409Conflict,
                    Title = "The sketch was changed elsewhere.",
                    Detail = "Nothing was saved. The newer sketch comes with this answer.",
                    Sketch = newer,
                }
            ),
            SketchChange.OtherTerm(var expected) => TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: $"ask.term: this sketch is of {expected}."
            ),
            _ => TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, detail: "You have no such sketch."),
        };

    /// <summary>What was saved stays saved when it cannot be answered in time; the sentence says so.</summary>
    private static SavedSketchRecord Answered(
        SketchRecord sketch,
        Ask ask,
        JsonElement body,
        AnswerRoom room,
        CancellationToken cancellation
    )
    {
        try
        {
            return new(sketch, room.Answer(ask, RequestBody.Held(body), cancellation), null);
        }
        catch (Exception problem) when (problem is AskTooLargeException or AskRefusedException)
        {
            return new(sketch, null, problem.Message);
        }
    }
}

internal sealed record SketchRecord(
    Guid Id,
    string Name,
    string Term,
    long Version,
    bool CanUndo,
    bool CanRedo,
    IReadOnlyList<ChangedSectionRecord> SectionChanges,
    AskDocument Ask
);

/// <summary>A section that the sketch holds on to and that a newer catalogue took away or moved.</summary>
/// <param name="Course">Its course.</param>
/// <param name="Number">Its registration number.</param>
/// <param name="Label">Its label before.</param>
/// <param name="IsGone">Whether it is gone; otherwise it moved.</param>
internal sealed record ChangedSectionRecord(string Course, string Number, string Label, bool IsGone);

/// <param name="Version">The version that was changed.</param>
/// <param name="Ask">The whole ask after the change.</param>
/// <param name="Held">Sections of the timetable in view.</param>
internal sealed record SaveSketchRequest(long Version, AskDocument Ask, IReadOnlyList<string> Held);

/// <param name="Version">The version from which to step.</param>
/// <param name="Held">Sections of the timetable in view.</param>
internal sealed record StepRequest(long Version, IReadOnlyList<string> Held);

/// <param name="Sketch">The sketch as it is saved.</param>
/// <param name="Answer">Its answer; null when it cannot be answered.</param>
/// <param name="Unanswered">Why not, as a sentence; else null.</param>
internal sealed record SavedSketchRecord(SketchRecord Sketch, AnswerRecord? Answer, string? Unanswered);

/// <summary>A change to an older version of a sketch, with the newer one.</summary>
internal sealed class StaleSketchProblem : ProblemDetails
{
    public required SketchRecord Sketch { get; init; }
}
