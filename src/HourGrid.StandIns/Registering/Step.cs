using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>What one line takes in a step.</summary>
/// <param name="Course">The course.</param>
/// <param name="Numbers">The sections.</param>
/// <param name="Whole">The bundle they make; null where they make none.</param>
internal sealed record Taking(CourseId Course, IReadOnlyList<string> Numbers, Bundle? Whole);

/// <summary>Something that is done whole or not at all: what it takes, and what is dropped for it.</summary>
/// <param name="Student">Whose it is.</param>
/// <param name="File">What the registrar has of the student.</param>
/// <param name="Takes">What it takes.</param>
/// <param name="GivesUp">The bundles that are dropped for it.</param>
/// <param name="NotHeld">Sections that were to be given up and are not held.</param>
internal sealed record Step(
    string Student,
    StudentFile File,
    IReadOnlyList<Taking> Takes,
    IReadOnlyList<HeldBundle> GivesUp,
    IReadOnlyList<string> NotHeld
)
{
    public static Step Of(
        TermBooks books,
        string student,
        StudentFile file,
        IEnumerable<(string Course, IReadOnlyList<string> Numbers)> takes,
        IEnumerable<string> givingUp
    )
    {
        var given = givingUp.Distinct().ToArray();
        return new(
            student,
            file,
            [
                .. takes.Select(take => new Taking(
                    new(take.Course),
                    take.Numbers,
                    books.Snapshot.Find(new CourseId(take.Course)) is { } offered
                        ? WholeBundle.Of(
                            offered,
                            take.Numbers.Select(number => new RegistrationNumber(number)).ToHashSet()
                        )
                        : null
                )),
            ],
            [.. given.Select(file.HolderOf).OfType<HeldBundle>().Distinct()],
            [.. given.Where(number => file.HolderOf(number) is null)]
        );
    }

    /// <summary>What the student holds besides.</summary>
    public IEnumerable<HeldBundle> Kept => File.Held.Where(bundle => !GivesUp.Contains(bundle));

    /// <summary>How many seats of a section it takes more than it gives.</summary>
    public int SeatsOf(SectionRow section) =>
        Takes.Count(take => take.Numbers.Contains(section.Number))
        - GivesUp.Count(bundle => bundle.Numbers.Contains(section.Number));

    /// <summary>Sections that it takes and that have no seat for it, given what it gives up.</summary>
    public IEnumerable<SectionRow> Full(TermBooks books, Taking take) =>
        take
            .Numbers.Select(books.Section)
            .OfType<SectionRow>()
            .Where(section => section.Status == nameof(SectionStatus.Open) && SeatsOf(section) > 0)
            .Where(section =>
            {
                var pool = books.PoolOf(section);
                var more = pool.Sum(SeatsOf);
                return more > 0 && pool.Sum(row => row.Enrolled) + more > section.Capacity;
            });

    /// <summary>Does it.</summary>
    /// <returns>What was registered, in the order of what it takes.</returns>
    public IReadOnlyList<HeldBundle> Do(TermBooks books, string why)
    {
        foreach (var bundle in GivesUp)
            books.Drop(Student, bundle, why);
        return [.. Takes.Select(take => books.Register(Student, take.Course.Value, take.Numbers))];
    }
}
