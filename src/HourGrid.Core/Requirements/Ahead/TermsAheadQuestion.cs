using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>Whose programme is to be planned from which term on.</summary>
/// <param name="Programme">The programme.</param>
/// <param name="Record">The record; what it has planned is left out.</param>
/// <param name="Courses">The courses of the catalogue.</param>
/// <param name="Cycle">The seasons of the terms ahead.</param>
public sealed record TermsAheadQuestion(
    Programme Programme,
    StudentRecord Record,
    CourseBook Courses,
    TermCycle Cycle
)
{
    /// <summary>The most terms that are looked at.</summary>
    public const int MostTerms = 16;

    /// <summary>Where nothing else is asked.</summary>
    public const int UsualTerms = 8;

    /// <summary>So many terms at most, 0 to <see cref="MostTerms"/>.</summary>
    public int Terms { get; init; } = UsualTerms;

    /// <summary>The most credits of a term; null for no bound.</summary>
    public Credits? Maximum { get; init; }
}

/// <summary>The terms from one on: which seasons they are, and what is offered in them.</summary>
/// <param name="Term">The first of them.</param>
/// <param name="Season">Its season; null where nothing is said.</param>
/// <param name="Seasons">The cycle of seasons; empty where nothing is said.</param>
public sealed record TermCycle(TermId Term, string? Season, IReadOnlyList<string> Seasons)
{
    /// <summary>The terms from one of a catalogue on.</summary>
    /// <exception cref="ArgumentException">The catalogue has no such term.</exception>
    public static TermCycle Of(IReadOnlyList<Term> terms, IReadOnlyList<string> seasons, TermId term)
    {
        ArgumentNullException.ThrowIfNull(terms);
        return terms.FirstOrDefault(one => one.Id == term) is { } found
            ? new(term, found.Season, seasons)
            : throw new ArgumentException("The catalogue has no such term.", nameof(term));
    }

    /// <summary>The season of a term; null where it is not known.</summary>
    /// <param name="number">The number of the term, 1 for the first.</param>
    public string? SeasonOf(int number)
    {
        for (var first = 0; first < Seasons.Count; first++)
            if (Seasons[first] == Season)
                return Seasons[(first + number - 1) % Seasons.Count];
        return null;
    }

    /// <summary>
    /// Whether a course is offered: in the first term if it has a section there that is not cancelled, in a later one if it
    /// is usually offered in its season, or that is not known.
    /// </summary>
    /// <param name="course">The course.</param>
    /// <param name="number">The number of the term, 1 for the first.</param>
    public bool Offers(Course course, int number)
    {
        ArgumentNullException.ThrowIfNull(course);
        if (number == 1)
            return HelpingCourses.IsOffered(course, Term);
        if (course.UsuallyOffered is not { } usually)
            return true;
        return usually.Count > 0 && (SeasonOf(number) is not { } season || usually.Contains(season));
    }
}
