using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Catalogue;

/// <summary>The seats of a course are others than before.</summary>
/// <param name="Term">The term.</param>
/// <param name="Course">The course.</param>
/// <param name="HasTurned">Whether a section of it, or its waitlist, changed between free and full.</param>
internal sealed record SeatChange(TermId Term, CourseId Course, bool HasTurned)
{
    /// <summary>What changed of a course; null for nothing.</summary>
    public static SeatChange? Between(TermId term, OfferedCourse before, OfferedCourse after)
    {
        if (ReferenceEquals(before, after))
            return null;
        var pairs = before.Sections.Zip(after.Sections).ToArray();
        return pairs.All(pair =>
            pair.First.Section.Seats == pair.Second.Section.Seats && Left(pair.First) == Left(pair.Second)
        )
            ? null
            : new(term, after.Course.Id, pairs.Any(pair => Turned(pair.First, pair.Second)));
    }

    private static (int, int) Left(OfferedSection section) => (section.FreeSeats, section.FreeWaitlistPlaces);

    private static bool Turned(OfferedSection before, OfferedSection after) =>
        before.FreeSeats > 0 != after.FreeSeats > 0 || before.FreeWaitlistPlaces > 0 != after.FreeWaitlistPlaces > 0;
}
