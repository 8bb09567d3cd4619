using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;

namespace HourGrid.Core.Registration;

/// <summary>One line of what is sent to the registrar: done whole or not at all.</summary>
/// <param name="Course">The course.</param>
/// <param name="Sections">One section of each component it needs; empty for a line that only drops or leaves a line.</param>
public sealed record RegistrationLine(CourseId Course, IReadOnlyList<RegistrationNumber> Sections)
{
    /// <summary>The most lines of one request.</summary>
    public const int Most = 40;

    /// <summary>What happens where a section is full.</summary>
    public WhenFull WhenFull { get; init; }

    /// <summary>Other bundles, of this or another course, tried in order for want of seats.</summary>
    public IReadOnlyList<IReadOnlyList<RegistrationNumber>> Instead { get; init; } = [];

    /// <summary>Sections held that are dropped in the same step, if and only if the line succeeds.</summary>
    public IReadOnlyList<RegistrationNumber> GivingUp { get; init; } = [];

    /// <summary>Lines of one group are one step; null for a step of its own.</summary>
    public int? Group { get; init; }

    /// <summary>The registrar's number of the place in a line that is left; null for none.</summary>
    public int? Leaving { get; init; }
}

/// <summary>What is held of a course: a bundle.</summary>
/// <param name="Course">The course.</param>
/// <param name="Sections">Its sections.</param>
public sealed record HeldCourse(CourseId Course, IReadOnlyList<RegistrationNumber> Sections)
{
    /// <summary>Sections held, course by course; numbers that the catalogue does not have are left out.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="numbers">The registration numbers.</param>
    public static IReadOnlyList<HeldCourse> Among(
        CatalogueSnapshot snapshot,
        IEnumerable<RegistrationNumber> numbers
    ) =>
        [
            .. numbers
                .Where(number => snapshot.CourseOf(number) is not null)
                .GroupBy(number => snapshot.CourseOf(number)!.Course.Id)
                .Select(course => new HeldCourse(course.Key, [.. course.Order()])),
        ];
}
