using HourGrid.Core.Asking;
using HourGrid.Server.Computing;

namespace HourGrid.Server.Workbench;

/// <summary>Answers what was saved.</summary>
internal sealed class SketchAnswers(AnswerService answers, StudentQueue queue)
{
    /// <summary>What was saved stays saved when it cannot be answered in time; the sentence says so.</summary>
    public async Task<SavedSketchRecord> AnsweredAsync(SketchRecord sketch, Ask ask, CancellationToken cancellation)
    {
        try
        {
            return new(sketch, await queue.RunAsync(() => answers.Answer(ask, cancellation), cancellation), null);
        }
        catch (Exception problem) when (problem is AskTooLargeException or AskRefusedException or BusyException)
        {
            return new(sketch, null, problem.Message);
        }
    }
}
