using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Timetables;

/// <summary>
/// Weeks that nothing in an ask tells apart are one class; classes stand for weeks everywhere after compiling.
/// </summary>
internal static class WeekClasses
{
    /// <summary>
    /// The coarsest classes such that each given set is a union of them, ascending by their first week. Weeks in none
    /// of the <paramref name="meetings"/> are in no class: nothing happens in them.
    /// </summary>
    public static WeekSet[] Of(IEnumerable<WeekSet> meetings, IEnumerable<WeekSet> others)
    {
        var sets = meetings.Distinct().ToArray();
        var inAny = sets.Aggregate(WeekSet.None, (all, set) => all.Union(set));
        var classes = new List<WeekSet>();
        if (!inAny.IsEmpty)
            classes.Add(inAny);
        foreach (var set in sets.Concat(others.Distinct()))
            for (var i = classes.Count - 1; i >= 0; i--)
            {
                var inside = new WeekSet(classes[i].Bits & set.Bits);
                var outside = new WeekSet(classes[i].Bits & ~set.Bits);
                if (inside.IsEmpty || outside.IsEmpty)
                    continue;
                classes[i] = inside;
                classes.Add(outside);
            }
        return [.. classes.OrderBy(one => one.Weeks().First())];
    }

    /// <summary>
    /// The classes a hard rule has to look at: whatever takes place in a class left out takes place in another one
    /// too, and every hard rule only ever asks for less.
    /// </summary>
    public static WeekSet[] Binding(IReadOnlyCollection<WeekSet> meetings, IReadOnlyCollection<WeekSet> blocks)
    {
        var classes = Of(meetings, blocks);
        var sets = meetings.Concat(blocks).Distinct().ToArray();
        return
        [
            .. classes.Where(
                (one, i) =>
                    !classes
                        .Where((_, j) => j != i)
                        .Any(other =>
                            sets.All(set => !set.Overlaps(one) || set.Overlaps(other))
                            && (Signature(one) != Signature(other))
                        )
            ),
        ];

        int Signature(WeekSet one) => sets.Count(set => set.Overlaps(one));
    }
}
