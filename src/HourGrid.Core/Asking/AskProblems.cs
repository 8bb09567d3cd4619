namespace HourGrid.Core.Asking;

/// <summary>What of an ask the catalogue does not bear out.</summary>
public enum AskFault
{
    /// <summary>The catalogue does not have the term.</summary>
    NoSuchTerm,

    /// <summary>The ask is of another term than the catalogue it is held against.</summary>
    OtherTerm,

    /// <summary>The term does not have the course.</summary>
    NoSuchCourse,

    /// <summary>The term does not have the section.</summary>
    NoSuchSection,

    /// <summary>The section is not one of the course.</summary>
    NotOfCourse,

    /// <summary>The course is not among those wanted.</summary>
    NotWanted,
}

/// <summary>An ask that names what is not there.</summary>
/// <param name="path">Where in the ask, as in <c>wanted[2].course</c>.</param>
/// <param name="fault">What is wrong there.</param>
/// <param name="found">The code or number that stands there.</param>
/// <param name="expected">What it should belong to, where it is known.</param>
public sealed class AskRefusedException(string path, AskFault fault, string found, string? expected = null)
    : Exception($"{path}: {fault}, {found}")
{
    /// <summary>Where in the ask.</summary>
    public string Path { get; } = path;

    /// <summary>What is wrong there.</summary>
    public AskFault Fault { get; } = fault;

    /// <summary>The code or number that stands there.</summary>
    public string Found { get; } = found;

    /// <summary>The term or course that it should belong to; null where none is meant.</summary>
    public string? Expected { get; } = expected;
}

/// <summary>What of an ask is more than can be answered.</summary>
public enum AskExcess
{
    /// <summary>Courses that a timetable could take.</summary>
    CoursesTaken,

    /// <summary>Courses in play.</summary>
    CoursesInPlay,

    /// <summary>Bundles of one course.</summary>
    BundlesOfCourse,

    /// <summary>Bundles of all courses together.</summary>
    Bundles,

    /// <summary>Timetables: more than 128 bits count.</summary>
    Timetables,

    /// <summary>Timetables to be ranked.</summary>
    Ranked,

    /// <summary>The time it takes.</summary>
    Time,
}

/// <summary>An ask that is well formed but larger than the engine takes on.</summary>
/// <param name="excess">What there is too much of.</param>
/// <param name="found">How many there are; 0 where they are not counted.</param>
/// <param name="most">How many can be answered; 0 where no number says it.</param>
/// <param name="course">The course whose they are, or null.</param>
public sealed class AskTooLargeException(AskExcess excess, int found = 0, int most = 0, string? course = null)
    : Exception($"{excess}: {found}, {most} at most")
{
    /// <summary>What there is too much of.</summary>
    public AskExcess Excess { get; } = excess;

    /// <summary>How many there are; 0 where they are not counted.</summary>
    public int Found { get; } = found;

    /// <summary>How many can be answered; 0 where no number says it.</summary>
    public int Most { get; } = most;

    /// <summary>The course whose they are, or null.</summary>
    public string? Course { get; } = course;
}
