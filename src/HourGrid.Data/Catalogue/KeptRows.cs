using System.Data.Common;

namespace HourGrid.Data.Catalogue;

/// <summary>The rows of a catalogue.</summary>
/// <param name="Head">All but its courses.</param>
/// <param name="Courses">Courses with their sections, in order.</param>
internal sealed record KeptRows(HeadRows Head, IReadOnlyList<CourseRow> Courses)
{
    /// <summary>All sections, course by course.</summary>
    public IEnumerable<SectionRow> Sections => Courses.SelectMany(course => course.Sections);

    /// <summary>Reads them all from an open connection.</summary>
    public static KeptRows Read(DbConnection connection)
    {
        var rows = new RowSource(connection);
        return new(HeadRows.Read(rows), [.. CourseReading.Each(rows)]);
    }
}
