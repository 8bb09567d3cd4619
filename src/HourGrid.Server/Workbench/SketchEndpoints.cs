using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Workbench;

internal static class SketchEndpoints
{
    public static void MapSketches(this IEndpointRouteBuilder api)
    {
        api.MapPost("/terms/{term}/sketch", OpenAsync).WithName("OpenSketch").RequireAuthorization();
        var ofTerm = api.MapGroup("/terms/{term}/sketches").RequireAuthorization().LimitAtOnce();
        ofTerm.MapGet("/", ListAsync).WithName("Sketches");
        ofTerm.MapPost("/", NewAsync).WithName("NewSketch").ReadsBody(typeof(NewSketchRequest)).ProducesProblems();
        ofTerm
            .MapPut("/order", OrderAsync)
            .WithName("OrderSketches")
            .ReadsBody(typeof(OrderRequest))
            .ProducesProblems();
        var sketches = api.MapGroup("/sketches").RequireAuthorization().LimitAtOnce();
        sketches.MapSketchFiles(ofTerm);
        sketches.MapPost("/{id:guid}/choose", ChooseAsync).WithName("ChooseSketch");
        sketches.MapDelete("/{id:guid}", DeleteAsync).WithName("DeleteSketch");
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
                    (
                        Guid id,
                        RequestBody body,
                        SketchService desk,
                        SketchAnswers answers,
                        CancellationToken cancellation
                    ) => StepAsync(id, direction, body, desk, answers, cancellation)
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
        SketchStore shelf,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        catalogue.Find(new TermId(term)) is { } snapshot
            ? TypedResults.Ok(await shelf.OpenAsync(snapshot.Term.Id, cancellation))
            : Refusals.NoSuchTerm(term);

    private static async Task<SketchesRecord> ListAsync(
        string term,
        SketchStore shelf,
        CancellationToken cancellation
    ) => new(await shelf.ListAsync(new(term), cancellation), await shelf.DeletedAsync(new(term), cancellation));

    /// <summary>A new sketch of a name that asks what it is given: nothing yet, or what another one asks.</summary>
    private static async Task<Results<Ok<SketchRecord>, ProblemHttpResult>> NewAsync(
        string term,
        RequestBody body,
        SketchStore shelf,
        AnswerService asks,
        CancellationToken cancellation
    ) => await AddAsync(term, Content(body, body.Ask()), shelf, asks, cancellation);

    /// <summary>A new sketch, once it can be answered and there is room for it.</summary>
    public static async Task<Results<Ok<SketchRecord>, ProblemHttpResult>> AddAsync(
        string term,
        SketchContent content,
        SketchStore shelf,
        AnswerService asks,
        CancellationToken cancellation
    )
    {
        if (content.Ask.Term.Value != term)
            return OtherTerm(term);
        asks.Check(content.Ask);
        return await shelf.NewAsync(content, cancellation) is { } sketch ? TypedResults.Ok(sketch) : NoRoom();
    }

    private static async Task<Results<Ok<SketchesRecord>, ProblemHttpResult>> OrderAsync(
        string term,
        RequestBody body,
        SketchStore shelf,
        CancellationToken cancellation
    )
    {
        var ids = body.Texts("ids", SketchStore.MostOfTerm);
        if (ids.FirstOrDefault(id => !Guid.TryParse(id, out _)) is { } wrong)
            return TypedResults.Problem(
                statusCode: StatusCodes.Status400BadRequest,
                detail: $"ids: found \"{wrong}\", expected the id of a sketch."
            );
        await shelf.OrderAsync(new(term), [.. ids.Select(Guid.Parse)], cancellation);
        return TypedResults.Ok(await ListAsync(term, shelf, cancellation));
    }

    private static async Task<Results<Ok<SketchRecord>, ProblemHttpResult>> ChooseAsync(
        Guid id,
        SketchStore shelf,
        CancellationToken cancellation
    ) =>
        await shelf.ChooseAsync(id, cancellation) switch
        {
            (_, false) => NoRoom(),
            ({ } sketch, _) => TypedResults.Ok(sketch),
            _ => NoSuchSketch(),
        };

    private static async Task<Results<NoContent, ProblemHttpResult>> DeleteAsync(
        Guid id,
        SketchStore shelf,
        CancellationToken cancellation
    ) => await shelf.DeleteAsync(id, cancellation) ? TypedResults.NoContent() : NoSuchSketch();

    private static SketchContent Content(RequestBody body, Ask ask) => new(Name(body), ask, body.PutBy("shortlist"));

    private static string Name(RequestBody body)
    {
        var name = body.Text("name", SketchContent.LongestName).Trim();
        return name.Length > 0
            ? name
            : throw new FormatProblemsException([new("name", "nothing", "a name for the sketch")]);
    }

    public static ProblemHttpResult NoSuchSketch() =>
        TypedResults.Problem(statusCode: StatusCodes.Status404NotFound, detail: "You have no such sketch.");

    private static ProblemHttpResult NoRoom() =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status422UnprocessableEntity,
            detail: $"You have {SketchStore.MostOfTerm} sketches of this term, and no more are kept. Delete one first."
        );

    private static ProblemHttpResult OtherTerm(string expected) =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status422UnprocessableEntity,
            detail: $"ask.term: this sketch is of {expected}."
        );

    /// <summary>Saves the name, the whole ask and the shortlist, and answers it. An ask that cannot be answered is not saved.</summary>
    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> SaveAsync(
        Guid id,
        RequestBody body,
        SketchService desk,
        AnswerService asks,
        SketchAnswers answers,
        CancellationToken cancellation
    )
    {
        var ask = body.Ask();
        asks.Check(ask);
        var change = await desk.SaveAsync(id, body.Version(), Content(body, ask), cancellation);
        return await ResultAsync(change, answers, cancellation);
    }

    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> StepAsync(
        Guid id,
        int direction,
        RequestBody body,
        SketchService desk,
        SketchAnswers answers,
        CancellationToken cancellation
    )
    {
        var change = await desk.StepAsync(id, body.Version(), direction, cancellation);
        return await ResultAsync(change, answers, cancellation);
    }

    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> ReadChangesAsync(
        Guid id,
        RequestBody body,
        SketchService desk,
        SketchAnswers answers,
        CancellationToken cancellation
    ) => await ResultAsync(await desk.ReadChangesAsync(id, body.Version(), cancellation), answers, cancellation);

    private static async Task<Results<Ok<SavedSketchRecord>, ProblemHttpResult>> ResultAsync(
        SketchChange change,
        SketchAnswers answers,
        CancellationToken cancellation
    ) =>
        change switch
        {
            SketchChange.Saved(var sketch, var ask) => TypedResults.Ok(
                await answers.AnsweredAsync(sketch, ask, cancellation)
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
            SketchChange.OtherTerm(var expected) => OtherTerm(expected),
            _ => NoSuchSketch(),
        };
}
