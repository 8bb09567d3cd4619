using System.Numerics;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Which options of which courses conflict, found once for each two distinct meetings. Bits of one course take whole
/// words, courses in the order of the ask.
/// </summary>
internal sealed class ConflictTable
{
    private readonly MeetingTable table;
    private readonly IReadOnlyList<CoursePlay> courses;
    private readonly int[] first;
    private readonly ulong[] conflicting;
    private readonly WorkLimit limit;

    public ConflictTable(
        MeetingTable table,
        IReadOnlyList<CoursePlay> courses,
        ConflictCheck conflicts,
        WorkLimit limit
    )
    {
        this.table = table;
        this.courses = courses;
        this.limit = limit;
        first = new int[courses.Count + 1];
        for (var course = 0; course < courses.Count; course++)
            first[course + 1] = first[course] + (courses[course].Options.Count + 63) / 64;
        conflicting = new ulong[(long)table.Meetings.Length * first[^1]];
        Fill(Holders(), conflicts);
    }

    /// <summary>The first word of each course; last, the number of words.</summary>
    public int[] First => first;

    /// <summary>Writes a 1 for each option, of any course, that no meeting of this option conflicts with.</summary>
    public void Row(int course, int option, Span<ulong> row)
    {
        row.Fill(ulong.MaxValue);
        foreach (var meeting in table.Of(course, option))
        {
            var killed = conflicting.AsSpan(meeting * first[^1], first[^1]);
            for (var word = 0; word < row.Length; word++)
                row[word] &= ~killed[word];
        }
    }

    /// <summary>The share of compatible pairs of options of each two courses.</summary>
    public double[,] Density()
    {
        var density = new double[courses.Count, courses.Count];
        var row = new ulong[first[^1]];
        var full = Full();
        for (var course = 0; course < courses.Count; course++)
        {
            for (var option = 0; option < courses[course].Options.Count; option++)
            {
                limit.ThrowIfOver();
                Row(course, option, row);
                for (var other = 0; other < courses.Count; other++)
                for (var word = first[other]; word < first[other + 1]; word++)
                    density[course, other] += BitOperations.PopCount(row[word] & full[word]);
            }
            for (var other = 0; other < courses.Count; other++)
                density[course, other] /= Math.Max(
                    1.0,
                    (double)courses[course].Options.Count * courses[other].Options.Count
                );
        }
        return density;
    }

    private ulong[] Full()
    {
        var full = new ulong[first[^1]];
        for (var course = 0; course < courses.Count; course++)
        for (var option = 0; option < courses[course].Options.Count; option++)
            full[first[course] + option / 64] |= 1UL << (option % 64);
        return full;
    }

    /// <summary>For each meeting, the options that hold it.</summary>
    private ulong[] Holders()
    {
        var holders = new ulong[conflicting.Length];
        for (var course = 0; course < courses.Count; course++)
        for (var option = 0; option < courses[course].Options.Count; option++)
        {
            limit.ThrowIfOver();
            foreach (var meeting in table.Of(course, option))
                holders[meeting * first[^1] + first[course] + option / 64] |= 1UL << (option % 64);
        }
        return holders;
    }

    private void Fill(ulong[] holders, ConflictCheck conflicts)
    {
        var width = first[^1];
        var days = Enumerable.Range(0, table.Meetings.Length).GroupBy(m => table.Meetings[m].Day);
        foreach (int[] today in days.Select(day => day.ToArray()))
        foreach (var one in today)
        {
            limit.ThrowIfOver();
            var killed = conflicting.AsSpan(one * width, width);
            foreach (var other in today)
                if (conflicts.Conflict(table.Meetings[one], table.Meetings[other]))
                    for (var word = 0; word < width; word++)
                        killed[word] |= holders[other * width + word];
        }
    }
}
