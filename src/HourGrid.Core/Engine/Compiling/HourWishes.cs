using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Which wishes a meeting goes against by its hours alone; found once for each distinct meeting.</summary>
internal sealed class HourWishes(Ask ask, IReadOnlyList<Wish> wishes)
{
    private readonly Dictionary<Meeting, int[]> known = [];

    private readonly (int Id, Wish Wish)[] hard =
    [
        .. wishes
            .Select((wish, id) => (id, wish))
            .Where(pair =>
                pair.wish
                    is {
                        IsHard: true,
                        Kind: WishKind.TimeBlock or WishKind.EarliestStart or WishKind.LatestEnd or WishKind.DaysOff
                    }
            ),
    ];

    /// <summary>The numbers of the wishes, ascending.</summary>
    public int[] Against(in Meeting meeting)
    {
        if (known.TryGetValue(meeting, out var against))
            return against;
        var found = new List<int>();
        foreach (var (id, wish) in hard)
            if (IsAgainst(wish, meeting))
                found.Add(id);
        return known[meeting] = [.. found];
    }

    private bool IsAgainst(Wish wish, in Meeting meeting) =>
        wish.Kind switch
        {
            WishKind.TimeBlock => ask.TimeBlocks[wish.Index].Meets(meeting),
            WishKind.EarliestStart => meeting.Time.Start < ask.DayLimits.EarliestStart,
            WishKind.LatestEnd => meeting.Time.End > ask.DayLimits.LatestEnd,
            WishKind.DaysOff => ask.DayLimits.DaysOff.Contains(meeting.Day),
            _ => false,
        };
}
