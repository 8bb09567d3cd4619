using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>All that the registrar has of a student in a term.</summary>
/// <param name="Record">The record.</param>
/// <param name="Holds">Holds that are not cleared.</param>
/// <param name="Grants">What instructors granted.</param>
/// <param name="Held">Bundles held.</param>
internal sealed record StudentFile(
    StudentRecord Record,
    IReadOnlyList<HoldRow> Holds,
    IReadOnlySet<Grant> Grants,
    List<HeldBundle> Held
)
{
    /// <summary>The bundle to which a section held belongs; null where it is not held.</summary>
    public HeldBundle? HolderOf(string number) => Held.FirstOrDefault(one => one.Numbers.Contains(number));
}

/// <summary>A course held: the registrations of one confirmation number.</summary>
/// <param name="Course">The course.</param>
/// <param name="Rows">One for each section.</param>
internal sealed record HeldBundle(CourseId Course, IReadOnlyList<RegistrationRow> Rows)
{
    public IReadOnlyList<string> Numbers { get; } = [.. Rows.Select(row => row.Number)];

    public string Confirmation => Rows[0].Confirmation;
}
