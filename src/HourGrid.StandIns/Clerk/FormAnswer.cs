namespace HourGrid.StandIns.Clerk;

/// <summary>What a form of the campus's pages is answered with.</summary>
internal static class FormAnswer
{
    /// <summary>The page again; where what was meant is not there, what it was.</summary>
    /// <param name="page">The page.</param>
    /// <param name="isDone">Whether there was something to change.</param>
    /// <param name="what">What was meant, as in <c>a section 10214 in 2027SP</c>.</param>
    public static IResult Of(string page, bool isDone, string what) =>
        isDone
            ? Results.LocalRedirect(page)
            : Results.Text($"Nothing was changed: there is no {what}.", statusCode: StatusCodes.Status404NotFound);
}
