using System.Runtime.InteropServices;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// All meetings of all options, each once, in the order of a week: those of a timetable are a set of places, and a set of
/// bits has them in their order without anything being sorted again.
/// </summary>
internal sealed class ListedMeetings
{
    private const int BitsOfMinute = 11;
    private const int BitsOfCampus = 16;
    private const int BitsOfTwin = 16;

    // By key, and by the place it has until all are known.
    private readonly Dictionary<long, int> known = [];
    private readonly List<long> keys = [];
    private DayMeeting[] inOrder = [];

    // By the place a meeting had before.
    private int[] places = [];

    /// <summary>By place; known once all were listed.</summary>
    public DayMeeting[] InOrder => inOrder;

    /// <summary>Takes a meeting, and gives it a number until all are known.</summary>
    /// <param name="meeting">The meeting.</param>
    /// <param name="twin">
    /// How many of its section stand before it that have the very same hours: they keep the order they have.
    /// </param>
    public int Add(DayMeeting meeting, int twin)
    {
        var hours = ((long)meeting.Day << BitsOfMinute | (long)meeting.Start) << BitsOfMinute | (long)meeting.End;
        var key = (hours << BitsOfTwin | (long)twin) << BitsOfCampus | (long)(meeting.Campus + 1);
        ref var number = ref CollectionsMarshal.GetValueRefOrAddDefault(known, key, out var isKnown);
        if (isKnown)
            return number;
        keys.Add(key);
        return number = keys.Count - 1;
    }

    /// <summary>Puts all that were listed in order.</summary>
    public void Sort()
    {
        long[] sorted = [.. keys];
        int[] numbers = [.. Enumerable.Range(0, sorted.Length)];
        Array.Sort(sorted, numbers);
        places = new int[sorted.Length];
        for (var place = 0; place < sorted.Length; place++)
            places[numbers[place]] = place;
        inOrder = Array.ConvertAll(sorted, MeetingOf);
    }

    /// <summary>Makes numbers places.</summary>
    public void Place(int[] numbers)
    {
        foreach (ref var number in numbers.AsSpan())
            number = places[number];
    }

    private static DayMeeting MeetingOf(long key)
    {
        var campus = (int)(key & ((1 << BitsOfCampus) - 1)) - 1;
        var hours = key >> BitsOfTwin + BitsOfCampus;
        var (start, end) = (hours >> BitsOfMinute & ((1 << BitsOfMinute) - 1), hours & ((1 << BitsOfMinute) - 1));
        return new((int)(hours >> 2 * BitsOfMinute), (int)start, (int)end, campus);
    }
}
