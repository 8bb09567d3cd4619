using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>A section whose instructor lets in, with who waits for it.</summary>
/// <param name="Section">The section.</param>
/// <param name="Waiting">Who waits, who came first before the others.</param>
public sealed record InstructorLine(SectionRow Section, IReadOnlyList<WaitingRow> Waiting)
{
    internal static async Task<IReadOnlyList<InstructorLine>> AllAsync(
        CampusContext campus,
        CancellationToken cancellation
    )
    {
        var sections = await campus
            .Sections.AsNoTracking()
            .Where(row => row.IsLetInByInstructor)
            .OrderBy(row => row.Number)
            .ToListAsync(cancellation);
        var waiting = await campus
            .Waiting.AsNoTracking()
            .Where(row => row.EndedUtc == null)
            .OrderBy(row => row.Id)
            .ToListAsync(cancellation);
        return
        [
            .. sections.Select(section => new InstructorLine(
                section,
                [.. waiting.Where(row => row.Term == section.Term && row.WaitsOn.Contains(section.Number))]
            )),
        ];
    }
}
