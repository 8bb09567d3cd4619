using System.Collections.Frozen;

namespace HourGrid.Core.Catalogue;

/// <summary>The catalogue of one term as it stood at one moment. Nothing in it changes, so threads share it.</summary>
public sealed class CatalogueSnapshot
{
    // Places in the list of courses, and among the sections of one: they stay true when seats change.
    private readonly FrozenDictionary<CourseId, int> byId;
    private readonly FrozenDictionary<RegistrationNumber, (int Course, int Section)> byNumber;
    private readonly Dictionary<string, int> enrolledByPool;
    private readonly ILookup<string, int> coursesByPool;
    private readonly OfferedCourse[] courses;

    /// <param name="term">The term.</param>
    /// <param name="campuses">The campuses.</param>
    /// <param name="travel">Minutes between them.</param>
    /// <param name="courses">The courses; sections of other terms are left aside.</param>
    /// <exception cref="ArgumentException">Two courses have one code, or two sections of the term one number.</exception>
    public CatalogueSnapshot(
        Term term,
        IReadOnlyList<Campus> campuses,
        TravelTimes travel,
        IReadOnlyList<Course> courses
    )
    {
        Term = term;
        Campuses = campuses;
        Travel = travel;

        enrolledByPool = courses
            .SelectMany(course => course.Sections)
            .Where(section => section.Term == term.Id && section.SeatsShared is not null)
            .GroupBy(section => section.SeatsShared!)
            .ToDictionary(pool => pool.Key, pool => pool.Sum(section => section.Seats.Enrolled));

        this.courses =
        [
            .. courses.Select(course => new OfferedCourse(
                course,
                [
                    .. course
                        .Sections.Where(section => section.Term == term.Id)
                        .Select(section => new OfferedSection(section, term, enrolledByPool)),
                ]
            )),
        ];
        byId = this.courses.Index().ToFrozenDictionary(one => one.Item.Course.Id, one => one.Index);
        byNumber = this
            .courses.Index()
            .SelectMany(course =>
                course
                    .Item.Sections.Index()
                    .Select(section => (course.Index, Section: section.Index, section.Item.Number))
            )
            .ToFrozenDictionary(one => one.Number, one => (one.Index, one.Section));
        coursesByPool = this
            .courses.Index()
            .SelectMany(course => course.Item.Sections.Select(section => (course.Index, section.Section.SeatsShared)))
            .Where(one => one.SeatsShared is not null)
            .Distinct()
            .ToLookup(one => one.SeatsShared!, one => one.Index);
    }

    private CatalogueSnapshot(CatalogueSnapshot before, IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats)
    {
        (Term, Campuses, Travel, Subjects) = (before.Term, before.Campuses, before.Travel, before.Subjects);
        (byId, byNumber, coursesByPool) = (before.byId, before.byNumber, before.coursesByPool);
        courses = [.. before.courses];
        enrolledByPool = new(before.enrolledByPool);
        var changed = new HashSet<int>();
        foreach (var (number, figures) in seats)
        {
            if (!byNumber.TryGetValue(number, out var at))
                continue;
            changed.Add(at.Course);
            var section = before.courses[at.Course].Sections[at.Section].Section;
            if (section.SeatsShared is not { } pool)
                continue;
            enrolledByPool[pool] += figures.Enrolled - section.Seats.Enrolled;
            changed.UnionWith(coursesByPool[pool]);
        }
        foreach (var course in changed)
            courses[course] = courses[course].With(seats, enrolledByPool);
    }

    /// <summary>The term.</summary>
    public Term Term { get; }

    /// <summary>The campuses.</summary>
    public IReadOnlyList<Campus> Campuses { get; }

    /// <summary>Minutes between the campuses.</summary>
    public TravelTimes Travel { get; }

    /// <summary>Subjects that have a name.</summary>
    public IReadOnlyList<Subject> Subjects { get; init; } = [];

    /// <summary>Every course, also those with no section this term, in the catalogue's order.</summary>
    public IReadOnlyList<OfferedCourse> Courses => courses;

    /// <summary>The same catalogue with other seats for some sections of the term; numbers it does not have are passed over.</summary>
    public CatalogueSnapshot With(IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats) => new(this, seats);

    /// <summary>The name of the subject with this code; null where it has none.</summary>
    public string? NameOf(string subject) => Subjects.FirstOrDefault(one => one.Code == subject)?.Name;

    /// <summary>The course with this code, or null.</summary>
    public OfferedCourse? Find(CourseId course) => byId.TryGetValue(course, out var at) ? courses[at] : null;

    /// <summary>The section of the term with this number, or null.</summary>
    public OfferedSection? Find(RegistrationNumber number) =>
        byNumber.TryGetValue(number, out var at) ? courses[at.Course].Sections[at.Section] : null;

    /// <summary>The course whose section of the term has this number, or null.</summary>
    public OfferedCourse? CourseOf(RegistrationNumber number) =>
        byNumber.TryGetValue(number, out var at) ? courses[at.Course] : null;
}

/// <summary>A course as a term offers it.</summary>
/// <param name="course">The course.</param>
/// <param name="sections">Its sections in the term, cancelled ones among them.</param>
public sealed class OfferedCourse(Course course, IReadOnlyList<OfferedSection> sections)
{
    /// <summary>The course.</summary>
    public Course Course => course;

    /// <summary>Its sections in the term, cancelled ones among them.</summary>
    public IReadOnlyList<OfferedSection> Sections => sections;

    /// <summary>Its sections in the term that take place.</summary>
    public IEnumerable<OfferedSection> SectionsOffered =>
        Sections.Where(section => section.Section.Status != SectionStatus.Cancelled);

    internal OfferedCourse With(
        IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats,
        Dictionary<string, int> enrolledByPool
    )
    {
        OfferedSection[] newer = [.. Sections.Select(section => section.With(seats, enrolledByPool))];
        var byNumber = newer.ToDictionary(section => section.Number, section => section.Section);
        return new(
            Course with
            {
                // Sections of other terms may have the same number.
                Sections =
                [
                    .. Course.Sections.Select(section =>
                        byNumber.TryGetValue(section.Number, out var other) && other.Term == section.Term
                            ? other
                            : section
                    ),
                ],
            },
            newer
        );
    }
}

/// <summary>A section with what the term makes of it: its meetings week by week and the seats that are left.</summary>
public sealed class OfferedSection
{
    internal OfferedSection(Section section, Term term, Dictionary<string, int> enrolledByPool)
        : this(section, [.. section.Patterns.SelectMany(pattern => pattern.MeetingsIn(term)).Order()], enrolledByPool)
    { }

    private OfferedSection(Section section, IReadOnlyList<Meeting> meetings, Dictionary<string, int> enrolledByPool)
    {
        Section = section;
        Meetings = meetings;
        var seats = section.Seats;
        var enrolled = section.SeatsShared is { } pool ? enrolledByPool[pool] : seats.Enrolled;
        FreeSeats = section.Status == SectionStatus.Open ? Math.Max(0, seats.Capacity - enrolled) : 0;
        FreeWaitlistPlaces = Math.Max(0, seats.WaitlistCapacity - seats.Waitlisted);
    }

    /// <summary>The section as printed.</summary>
    public Section Section { get; }

    /// <summary>Its registration number.</summary>
    public RegistrationNumber Number => Section.Number;

    /// <summary>Its meetings in the order a week reads; empty when it has no set hours.</summary>
    public IReadOnlyList<Meeting> Meetings { get; }

    /// <summary>Seats a student could still take: those of its pool where seats are shared, 0 unless it is open.</summary>
    public int FreeSeats { get; }

    /// <summary>Places a student could still take in the waitlist.</summary>
    public int FreeWaitlistPlaces { get; }

    internal OfferedSection With(
        IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats,
        Dictionary<string, int> enrolledByPool
    ) =>
        new(
            seats.TryGetValue(Number, out var figures) ? Section with { Seats = figures } : Section,
            Meetings,
            enrolledByPool
        );
}
