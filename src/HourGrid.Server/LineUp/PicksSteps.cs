using HourGrid.Core.PutBy;
using HourGrid.Data.Picks;
using HourGrid.Formats.PutBy;

namespace HourGrid.Server.LineUp;

/// <summary>What is picked as it stands in a step.</summary>
internal static class PicksSteps
{
    public static TermPicks PicksIn(PicksStepRow step) => PutByJson.StoredPicks(step.PicksJson).Value;

    public static PicksStepRow Of(Guid student, string term, int number, TermPicks picks)
    {
        var json = PutByJson.Write(picks);
        return new()
        {
            StudentId = student,
            TermId = term,
            Number = number,
            PicksJson = json,
            Size = json.Length,
        };
    }
}
