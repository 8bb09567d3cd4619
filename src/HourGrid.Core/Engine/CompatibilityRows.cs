using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>Computes which shapes may stand beside each other.</summary>
internal static class CompatibilityRows
{
    /// <summary>
    /// For each level and shape, the bits of the shapes of later levels with which it has no conflict. Conflicts are
    /// found once for each pair of distinct meetings; a shape's row is what none of its meetings rules out.
    /// </summary>
    public static ulong[][][] Compute(Problem problem, ConflictRule conflicts, CancellationToken cancellation)
    {
        var bits = new MeetingBits(problem);
        var rows = new ulong[problem.Levels.Count][][];
        var killedBy = new ulong[]?[bits.Meetings.Count];
        var full = problem.FullState();
        for (var level = 0; level < rows.Length; level++)
        {
            var from = problem.FirstWord(level + 1);
            rows[level] = new ulong[problem.Levels[level].Shapes.Count][];
            for (var shape = 0; shape < rows[level].Length; shape++)
            {
                cancellation.ThrowIfCancellationRequested();
                var row = full[from..];
                foreach (var meeting in bits.MeetingsOf(level, shape))
                {
                    var killed = killedBy[meeting] ??= bits.KilledBy(meeting, conflicts);
                    for (var word = 0; word < row.Length; word++)
                        row[word] &= ~killed[from + word];
                }
                rows[level][shape] = row;
            }
        }
        return rows;
    }

    /// <summary>Distinct meetings of the problem, numbered, each with the bits of the shapes that hold it.</summary>
    private sealed class MeetingBits
    {
        private readonly int[][][] numbers;
        private readonly List<ulong[]> holders = [];

        public MeetingBits(Problem problem)
        {
            var byMeeting = new Dictionary<Meeting, int>();
            numbers = new int[problem.Levels.Count][][];
            for (var level = 0; level < numbers.Length; level++)
            {
                var shapes = problem.Levels[level].Shapes;
                numbers[level] = new int[shapes.Count][];
                for (var shape = 0; shape < shapes.Count; shape++)
                {
                    var meetings = shapes[shape].Meetings;
                    numbers[level][shape] = new int[meetings.Count];
                    for (var i = 0; i < meetings.Count; i++)
                    {
                        if (!byMeeting.TryGetValue(meetings[i], out var number))
                        {
                            byMeeting[meetings[i]] = number = Meetings.Count;
                            Meetings.Add(meetings[i]);
                            holders.Add(new ulong[problem.WordCount]);
                        }
                        numbers[level][shape][i] = number;
                        holders[number][problem.FirstWord(level) + shape / 64] |= 1UL << (shape % 64);
                    }
                }
            }
        }

        public List<Meeting> Meetings { get; } = [];

        public int[] MeetingsOf(int level, int shape) => numbers[level][shape];

        public ulong[] KilledBy(int meeting, ConflictRule conflicts)
        {
            var killed = new ulong[holders[meeting].Length];
            for (var other = 0; other < Meetings.Count; other++)
                if (conflicts.Conflict(Meetings[meeting], Meetings[other]))
                    for (var word = 0; word < killed.Length; word++)
                        killed[word] |= holders[other][word];
            return killed;
        }
    }
}
