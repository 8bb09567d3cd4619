using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.SignIn;

/// <summary>Who can sign in: the sample people, and each of the simulated students, so that a rush of many can be measured.</summary>
internal static class CampusPeople
{
    public static async Task<PersonRow?> FindAsync(
        CampusContext campus,
        CampusCatalogue catalogue,
        string? id,
        CancellationToken cancellation
    ) =>
        await campus.People.AsNoTracking().SingleOrDefaultAsync(row => row.Id == id, cancellation)
        ?? (
            id is not null && catalogue.Crowd.Find(id) is { } one
                ? new()
                {
                    Id = id,
                    Name = one.Name,
                    Role = Roles.Student,
                    Mail = $"{id.ToLowerInvariant()}@saltmere.example",
                }
                : null
        );
}
