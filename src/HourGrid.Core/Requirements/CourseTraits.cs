using System.Globalization;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements;

/// <summary>What requirements look at in a course.</summary>
/// <param name="Id">Its code.</param>
/// <param name="Subject">Its subject.</param>
/// <param name="LeadingNumber">The digits with which its number begins; null where it begins with none.</param>
/// <param name="Attributes">What it counts as.</param>
/// <param name="LeastCredits">The least it carries; null for a course that the catalogue lacks.</param>
public sealed record CourseTraits(
    CourseId Id,
    string Subject,
    int? LeadingNumber,
    IReadOnlyList<string> Attributes,
    Credits? LeastCredits
)
{
    // A number is compared with bounds of as many digits as an int is sure to hold.
    private const int MostDigits = 9;

    /// <summary>Those of a course of the catalogue.</summary>
    public static CourseTraits Of(Course course)
    {
        ArgumentNullException.ThrowIfNull(course);
        return new(course.Id, course.Subject, Leading(course.Number), course.Attributes, course.Credits.Min);
    }

    /// <summary>Those of a course that the catalogue lacks, as far as its code tells: what stands before and after the last space.</summary>
    public static CourseTraits Of(CourseId course)
    {
        var space = course.Value.LastIndexOf(' ');
        return space < 0
            ? new(course, course.Value, null, [], null)
            : new(course, course.Value[..space], Leading(course.Value[(space + 1)..]), [], null);
    }

    private static int? Leading(string number)
    {
        var digits = number.TakeWhile(char.IsAsciiDigit).Take(MostDigits).ToArray();
        return digits.Length == 0 ? null : int.Parse(digits, NumberStyles.None, CultureInfo.InvariantCulture);
    }
}

/// <summary>Courses as requirements see them.</summary>
/// <param name="catalogue">The courses of the catalogue; empty where there is none.</param>
public sealed class CourseBook(IReadOnlyList<Course> catalogue)
{
    private readonly Dictionary<CourseId, CourseTraits> byId = catalogue.ToDictionary(
        course => course.Id,
        CourseTraits.Of
    );

    /// <summary>The courses of the catalogue.</summary>
    public IReadOnlyList<Course> Catalogue => catalogue;

    /// <summary>What requirements look at in a course, also in one that the catalogue lacks.</summary>
    public CourseTraits this[CourseId course] =>
        byId.TryGetValue(course, out var traits) ? traits : CourseTraits.Of(course);
}
