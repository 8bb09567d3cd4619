namespace HourGrid.Server.News;

/// <summary>
/// Courses whose seats changed since pages were last woken: told together, so that a rush, which changes the same seats many times
/// a second, is one event for a page and not hundreds. Not for several threads at once.
/// </summary>
internal sealed class GatheredSeats
{
    private readonly SortedDictionary<string, SortedDictionary<string, bool>> byTerm = new(StringComparer.Ordinal);

    public void Add(string term, string course, bool hasTurned)
    {
        if (!byTerm.TryGetValue(term, out var courses))
            byTerm[term] = courses = new(StringComparer.Ordinal);
        courses[course] = hasTurned || courses.GetValueOrDefault(course);
    }

    /// <summary>What was gathered, a term after the other, and begins anew.</summary>
    public IReadOnlyList<SeatNews> Take()
    {
        if (byTerm.Count == 0)
            return [];
        SeatNews[] gathered =
        [
            .. byTerm.Select(term => new SeatNews(
                term.Key,
                [.. term.Value.Select(one => new CourseSeatNews(one.Key, one.Value))]
            )),
        ];
        byTerm.Clear();
        return gathered;
    }
}

/// <summary>Seats of courses of a term are others.</summary>
internal sealed record SeatNews(string Term, IReadOnlyList<CourseSeatNews> Courses);

/// <param name="Course">Whose seats.</param>
/// <param name="HasTurned">Whether a section of it, or its waitlist, changed between free and full.</param>
internal sealed record CourseSeatNews(string Course, bool HasTurned);
