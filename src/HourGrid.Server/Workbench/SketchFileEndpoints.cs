using HourGrid.Formats.Asking;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Workbench;

/// <summary>A sketch, what it asks, and the answer to it, as files; and a sketch out of its file.</summary>
internal static class SketchFileEndpoints
{
    private const string Json = "application/json";

    public static void MapSketchFiles(this IEndpointRouteBuilder sketches, IEndpointRouteBuilder ofTerm)
    {
        ofTerm.MapPost("/file", OpenAsync).WithName("OpenSketchFile");
        Map("file", "SketchFile", (content, _, _) => SketchJson.Write(content));
        Map("ask", "SketchAsk", (content, _, _) => AskJson.Write(content.Ask));
        Map("answer", "SketchAnswer", (content, answers, cancellation) => answers.File(content.Ask, cancellation));

        void Map(string file, string name, Func<SketchContent, AnswerService, CancellationToken, byte[]> write) =>
            sketches
                .MapGet(
                    $"/{{id:guid}}/{file}",
                    (
                        Guid id,
                        SketchService sketches,
                        AnswerService answers,
                        StudentQueue queue,
                        CancellationToken cancellation
                    ) =>
                        GiveAsync(
                            id,
                            sketches,
                            content => queue.RunAsync(() => write(content, answers, cancellation), cancellation),
                            $"{file}.json",
                            cancellation
                        )
                )
                .WithName(name)
                .Produces<string>(StatusCodes.Status200OK, Json)
                .ProducesProblems();
    }

    private static Task<SketchRecord> OpenAsync(
        string term,
        Body<SketchContent> body,
        SketchStore store,
        AnswerService answers,
        CancellationToken cancellation
    ) => SketchEndpoints.AddAsync(term, body.Value, store, answers, cancellation);

    private static async Task<FileContentHttpResult> GiveAsync(
        Guid id,
        SketchService sketches,
        Func<SketchContent, Task<byte[]>> write,
        string name,
        CancellationToken cancellation
    ) => TypedResults.File(await write(await sketches.ContentAsync(id, cancellation)), Json, name);
}
