using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Searching;

/// <summary>What the words of a search are looked for in; the earlier, the more a match says.</summary>
internal enum SearchedField
{
    Code,
    Number,
    Title,
    Subject,
    Instructor,
    Attribute,
    Description,
}

/// <summary>
/// The words of one term's courses, for finding the courses someone means. Immutable, so threads share it.
/// </summary>
/// <remarks>
/// An inverted index: each distinct word, sorted, with the courses and fields it stands in. A word of a search matches
/// the words it begins; where it begins none, those one slip away from it.
/// </remarks>
public sealed class CourseIndex
{
    /// <summary>Slips are forgiven in words of at least so many letters: shorter ones would match too much.</summary>
    private const int ShortestForgiven = 4;

    /// <summary>Digits of a registration number that are enough to look for it.</summary>
    private const int ShortestNumber = 3;

    private const int Unmatched = int.MaxValue;

    private readonly OfferedCourse[] courses;
    private readonly string[] words;
    private readonly Posting[][] postings;

    /// <param name="snapshot">The term's catalogue. Courses without a section in it are not found.</param>
    public CourseIndex(CatalogueSnapshot snapshot)
    {
        Snapshot = snapshot;
        courses = [.. snapshot.Courses.Where(course => course.SectionsOffered.Any())];
        NotOffered = snapshot.Courses.Count - courses.Length;
        var names = snapshot.Subjects.ToDictionary(subject => subject.Code, subject => subject.Name);
        var byWord = new Dictionary<string, List<Posting>>();
        // Many sections have the same instructors.
        var wordsOf = new Dictionary<string, IReadOnlyList<string>>();
        for (var course = 0; course < courses.Length; course++)
            foreach (var (field, text) in TextsOf(courses[course], names))
            {
                if (!wordsOf.TryGetValue(text, out var itsWords))
                    wordsOf[text] = itsWords = FoldedText.WordsOf(text);
                foreach (var word in itsWords)
                {
                    if (!byWord.TryGetValue(word, out var places))
                        byWord[word] = places = [];
                    Add(places, new(course, field));
                }
            }
        words = [.. byWord.Keys];
        Array.Sort(words, StringComparer.Ordinal);
        postings = [.. words.Select(word => byWord[word].ToArray())];
        Facets = new Facets(courses);
        Frame = StampFrame.Of(courses.SelectMany(course => course.SectionsOffered));
    }

    /// <summary>Adds a posting that is not there yet; those of its course stand last.</summary>
    private static void Add(List<Posting> postings, Posting posting)
    {
        for (var i = postings.Count - 1; i >= 0 && postings[i].Course == posting.Course; i--)
            if (postings[i].Field == posting.Field)
                return;
        postings.Add(posting);
    }

    /// <summary>The words of another index over a catalogue that differs in its seats alone.</summary>
    private CourseIndex(CourseIndex words, CatalogueSnapshot snapshot)
    {
        Snapshot = snapshot;
        courses = [.. words.courses.Select(course => snapshot.Find(course.Course.Id)!)];
        (NotOffered, Facets, Frame) = (words.NotOffered, words.Facets, words.Frame);
        (this.words, postings) = (words.words, words.postings);
    }

    /// <summary>The same courses with other seats for some sections.</summary>
    public CourseIndex With(IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats) =>
        new(this, Snapshot.With(seats));

    /// <summary>The catalogue it was made of.</summary>
    public CatalogueSnapshot Snapshot { get; }

    /// <summary>Courses of the catalogue that have no section in the term.</summary>
    public int NotOffered { get; }

    /// <summary>The days and hours of all week stamps of the term.</summary>
    public StampFrame Frame { get; }

    /// <summary>What a search can be narrowed by.</summary>
    public Facets Facets { get; }

    /// <summary>
    /// The courses in which every word is found, the best match first, then by code; all courses by code when there are
    /// no words.
    /// </summary>
    /// <param name="query">What someone typed.</param>
    public IReadOnlyList<OfferedCourse> Find(string query)
    {
        var total = new int[courses.Length];
        foreach (var word in FoldedText.WordsOf(query))
        {
            var best = BestOf(word);
            for (var course = 0; course < total.Length; course++)
                total[course] =
                    total[course] == Unmatched || best[course] == Unmatched
                        ? Unmatched
                        : total[course] + best[course];
        }
        return
        [
            .. Enumerable
                .Range(0, courses.Length)
                .Where(course => total[course] != Unmatched)
                .OrderBy(course => total[course])
                .ThenBy(course => courses[course].Course.Id.Value, StringComparer.Ordinal)
                .Select(course => courses[course]),
        ];
    }

    /// <summary>By course, how well the best match of a word is; lower is better.</summary>
    private int[] BestOf(string word)
    {
        var best = new int[courses.Length];
        Array.Fill(best, Unmatched);
        var from = Array.BinarySearch(words, word, StringComparer.Ordinal);
        if (from < 0)
            from = ~from;
        var found = false;
        for (var at = from; at < words.Length && words[at].StartsWith(word, StringComparison.Ordinal); at++)
            found |= Note(at, words[at].Length == word.Length ? Closeness.Whole : Closeness.Beginning, word, best);
        if (!found && word.Length >= ShortestForgiven && char.IsLetter(word[0]))
            for (var at = 0; at < words.Length; at++)
                if (FoldedText.IsOneSlip(word, words[at]))
                    Note(at, Closeness.Slip, word, best);
        return best;
    }

    private bool Note(int at, Closeness closeness, string word, int[] best)
    {
        var noted = false;
        foreach (var (course, field) in postings[at])
        {
            // A short run of digits is a course's number, not the beginning of a hundred registration numbers.
            if (field == SearchedField.Number && closeness != Closeness.Whole && word.Length < ShortestNumber)
                continue;
            best[course] = Math.Min(best[course], 3 * (int)field + (int)closeness);
            noted = true;
        }
        return noted;
    }

    private static IEnumerable<(SearchedField, string)> TextsOf(
        OfferedCourse offered,
        Dictionary<string, string> subjects
    )
    {
        var course = offered.Course;
        yield return (SearchedField.Code, course.Id.Value);
        yield return (SearchedField.Code, $"{course.Subject} {course.Number}");
        yield return (SearchedField.Title, course.Title);
        if (subjects.GetValueOrDefault(course.Subject) is { } subject)
            yield return (SearchedField.Subject, subject);
        yield return (SearchedField.Description, course.Description);
        foreach (var attribute in course.Attributes)
            yield return (SearchedField.Attribute, attribute);
        foreach (var section in offered.SectionsOffered)
        {
            yield return (SearchedField.Number, section.Number.Value);
            foreach (var instructor in section.Section.Instructors)
                yield return (SearchedField.Instructor, instructor);
        }
    }

    private enum Closeness
    {
        Whole,
        Beginning,
        Slip = 100,
    }

    private readonly record struct Posting(int Course, SearchedField Field);
}
