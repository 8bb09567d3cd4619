using HourGrid.Core.Catalogue;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Workbench;

internal static class SketchEndpoints
{
    public static void MapSketches(this IEndpointRouteBuilder api)
    {
        api.MapPost("/terms/{term}/sketch", OpenAsync).WithName("OpenSketch").RequireAuthorization();
        var ofTerm = api.MapGroup("/terms/{term}/sketches").RequireAuthorization().LimitAtOnce();
        ofTerm.MapGet("/", ListAsync).WithName("Sketches");
        ofTerm.MapPost("/", NewAsync).WithName("NewSketch");
        ofTerm.MapPut("/order", OrderAsync).WithName("OrderSketches");
        var sketches = api.MapGroup("/sketches").RequireAuthorization().LimitAtOnce();
        sketches.MapSketchFiles(ofTerm);
        sketches.MapPost("/{id:guid}/choose", ChooseAsync).WithName("ChooseSketch");
        sketches.MapDelete("/{id:guid}", DeleteAsync).WithName("DeleteSketch");
        sketches.MapPut("/{id:guid}", SaveAsync).WithName("SaveSketch").ProducesStale<StaleSketchProblem>();
        sketches
            .MapPost("/{id:guid}/changes-read", ReadChangesAsync)
            .WithName("ReadSketchChanges")
            .ProducesStale<StaleSketchProblem>();
        MapStep("undo", "UndoSketch", -1);
        MapStep("redo", "RedoSketch", 1);

        void MapStep(string way, string name, int direction) =>
            sketches
                .MapPost(
                    $"/{{id:guid}}/{way}",
                    async (
                        Guid id,
                        Body<StepRequest> body,
                        SketchService sketches,
                        SketchAnswers answers,
                        CancellationToken cancellation
                    ) =>
                        await answers.AnsweredAsync(
                            await sketches.StepAsync(id, body.Value.Version, direction, cancellation),
                            cancellation
                        )
                )
                .WithName(name)
                .ProducesStale<StaleSketchProblem>();
    }

    /// <summary>The student's sketch of a term, made at the first time.</summary>
    private static Task<SketchRecord> OpenAsync(
        string term,
        SketchStore store,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) => store.OpenAsync(catalogue.Get(term).Term.Id, cancellation);

    private static async Task<SketchesRecord> ListAsync(
        string term,
        SketchStore store,
        CancellationToken cancellation
    ) => new(await store.ListAsync(new(term), cancellation), await store.DeletedAsync(new(term), cancellation));

    /// <summary>A new sketch of a name that asks what it is given: nothing yet, or what another one asks.</summary>
    private static Task<SketchRecord> NewAsync(
        string term,
        Body<NewSketchRequest> body,
        SketchStore store,
        AnswerService answers,
        CancellationToken cancellation
    ) =>
        AddAsync(
            term,
            new(body.Value.Name.Trim(), body.Value.Ask, body.Value.Shortlist),
            store,
            answers,
            cancellation
        );

    /// <summary>A new sketch, once it can be answered and there is room for it.</summary>
    public static Task<SketchRecord> AddAsync(
        string term,
        SketchContent content,
        SketchStore store,
        AnswerService answers,
        CancellationToken cancellation
    )
    {
        if (content.Ask.Term != new TermId(term))
            throw Refusals.SketchOfOtherTerm(term);
        answers.Check(content.Ask);
        return store.NewAsync(content, cancellation);
    }

    private static async Task<SketchesRecord> OrderAsync(
        string term,
        Body<OrderRequest> body,
        SketchStore store,
        CancellationToken cancellation
    )
    {
        await store.OrderAsync(new(term), body.Value.Ids, cancellation);
        return await ListAsync(term, store, cancellation);
    }

    private static Task<SketchRecord> ChooseAsync(Guid id, SketchStore store, CancellationToken cancellation) =>
        store.ChooseAsync(id, cancellation);

    private static async Task<NoContent> DeleteAsync(Guid id, SketchStore store, CancellationToken cancellation)
    {
        await store.DeleteAsync(id, cancellation);
        return TypedResults.NoContent();
    }

    /// <summary>Saves the name, the whole ask and the shortlist, and answers it. An ask that cannot be answered is not saved.</summary>
    private static async Task<SavedSketchRecord> SaveAsync(
        Guid id,
        Body<SaveSketchRequest> body,
        SketchService sketches,
        AnswerService answers,
        SketchAnswers saved,
        CancellationToken cancellation
    )
    {
        var (version, name, ask, shortlist) = body.Value;
        answers.Check(ask);
        var state = await sketches.SaveAsync(id, version, new(name.Trim(), ask, shortlist), cancellation);
        return await saved.AnsweredAsync(state, cancellation);
    }

    private static async Task<SavedSketchRecord> ReadChangesAsync(
        Guid id,
        Body<StepRequest> body,
        SketchService sketches,
        SketchAnswers answers,
        CancellationToken cancellation
    ) =>
        await answers.AnsweredAsync(
            await sketches.ReadChangesAsync(id, body.Value.Version, cancellation),
            cancellation
        );
}
