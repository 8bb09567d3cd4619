using HourGrid.Core.Catalogue;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>What the clerk does to a section: its seats, or cancelling it. Who holds or waits is seen to at once.</summary>
internal static class SectionForms
{
    private const int MostSeats = 9_999;

    public static async Task<IResult> SetSeatsAsync(
        [FromForm] string term,
        [FromForm] string number,
        [FromForm] int capacity,
        [FromForm] int enrolled,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (catalogue.Of(term) is not { } snapshot)
                    return false;
                var books = new TermBooks(campus, log, catalogue, snapshot);
                if (books.Section(number) is not { } section)
                    return false;
                // Those of whom there is a registration are enrolled, whatever is typed.
                var registered = await campus.Registrations.CountAsync(
                    row => row.Term == term && row.Number == number && row.DroppedUtc == null,
                    cancellation
                );
                section.Capacity = Math.Clamp(capacity, 0, MostSeats);
                section.Enrolled = Math.Clamp(enrolled, registered, Math.Max(registered, MostSeats));
                books.Changed(section);
                new LetIn(books, catalogue).After([number]);
                books.TellSeats();
                return true;
            },
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"section {number} in {term}");
    }

    public static async Task<IResult> CancelAsync(
        [FromForm] string term,
        [FromForm] string number,
        CampusWrites writes,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var isDone = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (catalogue.Of(term) is not { } snapshot)
                    return false;
                var books = new TermBooks(campus, log, catalogue, snapshot);
                if (books.Section(number) is not { } section)
                    return false;
                section.Status = nameof(SectionStatus.Cancelled);
                var students = await campus
                    .Registrations.Where(row => row.Term == term && row.Number == number && row.DroppedUtc == null)
                    .Select(row => row.Student)
                    .Distinct()
                    .ToListAsync(cancellation);
                var freed = new HashSet<string>();
                foreach (var student in students)
                    if (books.Student(student)?.HolderOf(number) is { } bundle)
                    {
                        books.Drop(student, bundle, $"{number} was cancelled.");
                        freed.UnionWith(bundle.Numbers);
                    }
                foreach (var row in books.Waiting.Where(row => row.Sections.Contains(number)).ToArray())
                    books.EndWaiting(row, WaitingEnds.Removed, $"{number} was cancelled.");
                section.Enrolled = 0;
                books.Changed(section);
                new LetIn(books, catalogue).After(freed);
                books.TellSeats();
                return true;
            },
            cancellation
        );
        return FormAnswer.Of("/clerk", isDone, $"section {number} in {term}");
    }
}
