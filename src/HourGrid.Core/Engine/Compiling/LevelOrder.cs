using System.Numerics;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Chooses the order in which courses are searched: the one with the fewest expected nodes. A set of courses is
/// expected to have as many partial timetables as its options multiply to, times the share of compatible pairs for
/// each two of them; the order is found by dynamic programming over the sets, as for the joins of a query
/// (Selinger et al., "Access path selection in a relational database management system", 1979).
/// </summary>
internal static class LevelOrder
{
    private const int MostForEverySet = 16;

    /// <param name="sizes">Options of each course.</param>
    /// <param name="lastWork">For each course, the work of a node of the level before it where it is the last one.</param>
    /// <param name="density">The share of compatible pairs of each two courses, 0 to 1.</param>
    /// <param name="limit">How long it may take.</param>
    /// <returns>Numbers of the courses, the first to choose first.</returns>
    public static int[] Choose(int[] sizes, double[] lastWork, double[,] density, WorkLimit limit)
    {
        var order = sizes.Length <= MostForEverySet ? OverEverySet(sizes, density, limit) : Greedy(sizes, density);
        if (order.Length < 2)
            return order;
        // The last level is not visited node by node, but counted as a set for each node before it.
        var (one, other) = (order[^2], order[^1]);
        double Nodes(int course) =>
            sizes[course] * order[..^2].Aggregate(1.0, (share, before) => share * density[course, before]);
        if (Nodes(other) * lastWork[one] < Nodes(one) * lastWork[other])
            (order[^2], order[^1]) = (other, one);
        return order;
    }

    /// <summary>
    /// The work of counting what is left of a course as a set: a population count a word, and another for each binary
    /// digit of the ways above the first that its options have.
    /// </summary>
    public static double WorkOfLast(CoursePlay course)
    {
        var words = (course.Options.Count + 63) / 64;
        var digits =
            32
            - BitOperations.LeadingZeroCount(
                (uint)course.Options.Select(option => option.Ways).DefaultIfEmpty(1).Max() - 1
            );
        return (1 + words * (1 + digits)) / 2.0;
    }

    private static int[] OverEverySet(int[] sizes, double[,] density, WorkLimit limit)
    {
        var courses = sizes.Length;
        var expected = new double[1 << courses];
        var cost = new double[1 << courses];
        var last = new sbyte[1 << courses];
        expected[0] = 1;
        for (var set = 1; set < expected.Length; set++)
        {
            if ((set & 1023) == 0)
                limit.ThrowIfOver();
            var lowest = BitOperations.TrailingZeroCount(set);
            expected[set] = Extend(expected[set & (set - 1)], lowest, set & (set - 1));
            cost[set] = double.PositiveInfinity;
            for (var rest = set; rest != 0; rest &= rest - 1)
            {
                var course = BitOperations.TrailingZeroCount(rest);
                var before = cost[set ^ 1 << course];
                if (before < cost[set])
                    (cost[set], last[set]) = (before, (sbyte)course);
            }
            // Below the second-last level nothing is visited node by node.
            if (courses - BitOperations.PopCount((uint)set) >= 1)
                cost[set] += expected[set];
        }
        var order = new int[courses];
        var left = expected.Length - 1;
        for (var level = courses - 1; level >= 0; level--)
        {
            order[level] = last[left];
            left ^= 1 << order[level];
        }
        return order;

        double Extend(double partial, int course, int others)
        {
            partial *= sizes[course];
            for (; others != 0; others &= others - 1)
                partial *= density[course, BitOperations.TrailingZeroCount(others)];
            return partial;
        }
    }

    private static int[] Greedy(int[] sizes, double[,] density)
    {
        var order = new List<int>();
        var left = Enumerable.Range(0, sizes.Length).ToList();
        while (left.Count > 0)
        {
            var next = left.MinBy(course =>
                sizes[course] * order.Aggregate(1.0, (share, other) => share * density[course, other])
            );
            order.Add(next);
            left.Remove(next);
        }
        return [.. order];
    }
}
