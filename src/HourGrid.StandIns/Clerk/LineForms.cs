using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using Microsoft.AspNetCore.Mvc;

namespace HourGrid.StandIns.Clerk;

/// <summary>What an instructor does with who waits for a section.</summary>
internal static class LineForms
{
    public static Task<IResult> LetInAsync(
        [FromForm] int id,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            id,
            (books, row) =>
            {
                // What stands against it is on the page, next to the name.
                if (new LetIn(books, catalogue).ByInstructor(row) is { Length: > 0 } why)
                    row.PassedOver = why;
            },
            writes,
            catalogue,
            cancellation
        );

    public static Task<IResult> RemoveAsync(
        [FromForm] int id,
        [FromForm] string? words,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            id,
            (books, row) =>
                books.EndWaiting(
                    row,
                    WaitingEnds.Removed,
                    words?.Trim() is { Length: > 0 } said ? said : "The instructor took you from the line."
                ),
            writes,
            catalogue,
            cancellation
        );

    private static async Task<IResult> ChangeAsync(
        int id,
        Action<TermBooks, WaitingRow> change,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            async (campus, log) =>
            {
                var found = await campus.Waiting.FindAsync([id], cancellation);
                if (found is null || catalogue.Of(found.Term) is not { } snapshot)
                    return false;
                var books = new TermBooks(campus, log, catalogue, snapshot);
                if (books.Waiting.FirstOrDefault(row => row.Id == id) is not { } row)
                    return false;
                change(books, row);
                books.TellSeats();
                return true;
            },
            cancellation
        );
        return FormAnswer.Of("/instructor", isDone, "such place in line any more");
    }
}
