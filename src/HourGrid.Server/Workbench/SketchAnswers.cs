using HourGrid.Core.Asking;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Workbench;

/// <summary>Answers what was saved.</summary>
internal sealed class SketchAnswers(AnswerService answers, StudentQueue queue)
{
    /// <summary>What was saved stays saved when it cannot be answered in time; the sentence says so.</summary>
    public async Task<SavedSketchRecord> AnsweredAsync(SketchState state, CancellationToken cancellation)
    {
        var (sketch, ask) = state;
        try
        {
            return new(sketch, await queue.RunAsync(() => answers.Answer(ask, cancellation), cancellation), null);
        }
        catch (Exception problem) when (problem is AskTooLargeException or AskRefusedException or RefusedException)
        {
            return new(sketch, null, (problem as RefusedException ?? Failures.Of(problem))!.Message);
        }
    }
}
