using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Asking;

/// <summary>What a student wants of a course.</summary>
public enum CourseRole
{
    /// <summary>Every timetable takes it.</summary>
    Must,

    /// <summary>It is taken or not.</summary>
    IfItFits,

    /// <summary>It stays in the sketch and is not taken.</summary>
    SetAside,
}

/// <summary>A course in a sketch, with its role and the limits that hold for it alone.</summary>
public sealed record WantedCourse
{
    /// <summary>The course.</summary>
    public required CourseId Course { get; init; }

    /// <summary>Its role.</summary>
    public CourseRole Role { get; init; }

    /// <summary>Sections that must be the ones taken of their component.</summary>
    public IReadOnlyList<RegistrationNumber> Keep { get; init; } = [];

    /// <summary>Sections that must not be taken.</summary>
    public IReadOnlyList<RegistrationNumber> RuleOut { get; init; } = [];

    /// <summary>Instructors allowed; empty allows all.</summary>
    public IReadOnlyList<string> Instructors { get; init; } = [];

    /// <summary>Delivery modes allowed; empty allows all.</summary>
    public IReadOnlyList<DeliveryMode> Modes { get; init; } = [];

    /// <summary>Campuses allowed; empty allows all.</summary>
    public IReadOnlyList<CampusId> Campuses { get; init; } = [];

    /// <summary>Which of its sections may be taken, by their seats; null for what the ask says of all.</summary>
    public SeatsAdmitted? Seats { get; init; }
}

/// <summary>Take some of these courses. Their own roles are ignored.</summary>
/// <param name="Courses">The courses, at least one.</param>
/// <param name="Min">At least so many are taken.</param>
/// <param name="Max">At most so many are taken.</param>
public sealed record EitherOr(IReadOnlyList<CourseId> Courses, int Min, int Max)
{
    /// <summary>What it is called, such as the requirement for which it stands; may be empty.</summary>
    public string Label { get; init; } = "";
}
