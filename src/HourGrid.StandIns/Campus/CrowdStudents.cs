using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.StandIns.Campus;

/// <summary>
/// The simulated students: who they are follows from their number. They have what any course asks for beforehand, since
/// they are here to take seats.
/// </summary>
internal sealed class CrowdStudents(UniversityCatalogue catalogue)
{
    /// <summary>How many there are at most.</summary>
    public const int Count = 10_000;

    private const string Prefix = "Z";
    private const int MostCredits = 24;

    private readonly StudentRecord record = new()
    {
        Student = Prefix,
        Name = "One of the crowd",
        Programmes = Values(catalogue, "programme"),
        Level = Values(catalogue, "level") is [var level, ..] ? level : "",
        Year = Values(catalogue, "year") is [var year, ..] ? year : "",
        Standing = Values(catalogue, "standing") is [var standing, ..] ? standing : "",
        Transfer =
        [
            .. catalogue.Courses.Select(course => new TransferCredit(course.Id, course.Credits.Min, "Elsewhere")),
        ],
        // Who has no turn of their own comes with the first.
        Opening = catalogue.Terms.ToDictionary(term => term.Id, _ => DateTimeOffset.MinValue),
        Load = new(null, null, Credits.Of(MostCredits)),
    };

    public static string Number(int index) => $"{Prefix}{index:0000}";

    public StudentRecord? Find(string student) =>
        student.Length == Prefix.Length + 4
        && student.StartsWith(Prefix, StringComparison.Ordinal)
        && student[Prefix.Length..].All(char.IsAsciiDigit)
            ? record
            : null;

    private static IReadOnlyList<string> Values(UniversityCatalogue catalogue, string kind) =>
        [
            .. catalogue
                .Courses.SelectMany(course => course.Restrictions)
                .Where(one => one.Kind == kind)
                .SelectMany(one => one.AnyOf)
                .Distinct(),
        ];
}
