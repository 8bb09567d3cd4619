using System.Collections.Frozen;

namespace HourGrid.Core.Catalogue;

/// <summary>The catalogue of one term as it stood at one moment. Nothing in it changes, so threads share it.</summary>
public sealed class CatalogueSnapshot
{
    private readonly FrozenDictionary<CourseId, OfferedCourse> byId;
    private readonly FrozenDictionary<RegistrationNumber, (OfferedCourse Course, OfferedSection Section)> byNumber;

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

        var enrolledByPool = courses
            .SelectMany(course => course.Sections)
            .Where(section => section.Term == term.Id && section.SeatsShared is not null)
            .GroupBy(section => section.SeatsShared!)
            .ToDictionary(pool => pool.Key, pool => pool.Sum(section => section.Seats.Enrolled));

        Courses =
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
        byId = Courses.ToFrozenDictionary(offered => offered.Course.Id);
        byNumber = Courses
            .SelectMany(offered => offered.Sections, (offered, section) => (Course: offered, Section: section))
            .ToFrozenDictionary(pair => pair.Section.Number);
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
    public IReadOnlyList<OfferedCourse> Courses { get; }

    /// <summary>The same catalogue with other seats for some sections of the term.</summary>
    public CatalogueSnapshot With(IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats) =>
        new(
            Term,
            Campuses,
            Travel,
            [
                .. Courses.Select(offered =>
                    offered.Sections.Any(section => seats.ContainsKey(section.Number))
                        ? offered.Course with
                        {
                            Sections = [.. offered.Course.Sections.Select(section => With(section, seats))],
                        }
                        : offered.Course
                ),
            ]
        )
        {
            Subjects = Subjects,
        };

    private Section With(Section section, IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats) =>
        section.Term == Term.Id && seats.TryGetValue(section.Number, out var figures)
            ? section with
            {
                Seats = figures,
            }
            : section;

    /// <summary>The name of the subject with this code; null where it has none.</summary>
    public string? NameOf(string subject) => Subjects.FirstOrDefault(one => one.Code == subject)?.Name;

    /// <summary>The course with this code, or null.</summary>
    public OfferedCourse? Find(CourseId course) => byId.GetValueOrDefault(course);

    /// <summary>The section of the term with this number, or null.</summary>
    public OfferedSection? Find(RegistrationNumber number) => byNumber.GetValueOrDefault(number).Section;

    /// <summary>The course whose section of the term has this number, or null.</summary>
    public OfferedCourse? CourseOf(RegistrationNumber number) => byNumber.GetValueOrDefault(number).Course;
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
}

/// <summary>A section with what the term makes of it: its meetings week by week and the seats that are left.</summary>
public sealed class OfferedSection
{
    internal OfferedSection(Section section, Term term, Dictionary<string, int> enrolledByPool)
    {
        Section = section;
        Meetings = [.. section.Patterns.SelectMany(pattern => pattern.MeetingsIn(term)).Order()];
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
}
