using HourGrid.Formats.Asking;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Workbench;

/// <summary>A sketch, what it asks, and the answer to it, as files; and a sketch out of its file.</summary>
internal static class SketchFileEndpoints
{
    private const string Json = "application/json";

    public static void MapSketchFiles(this IEndpointRouteBuilder sketches, IEndpointRouteBuilder ofTerm)
    {
        ofTerm
            .MapPost("/file", OpenAsync)
            .WithName("OpenSketchFile")
            .ReadsBody(typeof(SketchDocument))
            .ProducesProblems();
        Map("file", "SketchFile", (content, _, _) => SketchJson.Write(content));
        Map("ask", "SketchAsk", (content, _, _) => AskJson.Write(content.Ask));
        Map("answer", "SketchAnswer", (content, answers, cancellation) => answers.File(content.Ask, cancellation));

        void Map(string file, string name, Func<SketchContent, AnswerService, CancellationToken, byte[]> write) =>
            sketches
                .MapGet(
                    $"/{{id:guid}}/{file}",
                    (
                        Guid id,
                        SketchService desk,
                        AnswerService answers,
                        StudentQueue queue,
                        CancellationToken cancellation
                    ) =>
                        GiveAsync(
                            id,
                            desk,
                            content => queue.RunAsync(() => write(content, answers, cancellation), cancellation),
                            $"{file}.json",
                            cancellation
                        )
                )
                .WithName(name)
                .Produces<string>(StatusCodes.Status200OK, Json)
                .ProducesProblems();
    }

    private static Task<Results<Ok<SketchRecord>, ProblemHttpResult>> OpenAsync(
        string term,
        RequestBody body,
        SketchStore shelf,
        AnswerService answers,
        CancellationToken cancellation
    ) => SketchEndpoints.AddAsync(term, SketchJson.Read(body.Root).Value, shelf, answers, cancellation);

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> GiveAsync(
        Guid id,
        SketchService desk,
        Func<SketchContent, Task<byte[]>> write,
        string name,
        CancellationToken cancellation
    ) =>
        await desk.ContentAsync(id, cancellation) is { } content
            ? TypedResults.File(await write(content), Json, name)
            : SketchEndpoints.NoSuchSketch();
}
