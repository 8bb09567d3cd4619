using System.Numerics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Brings the hard rules that look at a whole day or week (breaks, most class days, longest stretch, one campus a day)
/// into the form of <see cref="WitnessRule"/>.
/// </summary>
internal sealed class WitnessRules
{
    private readonly Ask ask;
    private readonly IReadOnlyList<Wish> wishes;
    private readonly Meeting[] meetings;
    private readonly int[] blocks;
    private readonly bool hasSwitches;
    private readonly WorkLimit limit;
    private readonly List<WitnessRule> rules = [];

    private WitnessRules(Ask ask, IReadOnlyList<Wish> wishes, MeetingTable table, bool hasSwitches, WorkLimit limit)
    {
        this.limit = limit;
        this.hasSwitches = hasSwitches;
        this.ask = ask;
        this.wishes = wishes;
        meetings = table.Meetings;
        blocks =
        [
            .. Enumerable
                .Range(0, wishes.Count)
                .Where(id => wishes[id] is { Kind: WishKind.TimeBlock, IsHard: true }),
        ];
    }

    /// <summary>The rules an ask sets, over the meetings of a table; those that cannot be broken are left out.</summary>
    public static IReadOnlyList<WitnessRule> Of(
        Ask ask,
        IReadOnlyList<Wish> wishes,
        MeetingTable table,
        bool hasSwitches,
        WorkLimit limit
    )
    {
        var found = new WitnessRules(ask, wishes, table, hasSwitches, limit);
        var hasBreaks = wishes.Any(wish => wish is { Kind: WishKind.Break, IsHard: true });
        var blockWeeks = hasBreaks ? found.blocks.Select(id => ask.TimeBlocks[wishes[id].Index].Weeks).ToArray() : [];
        var classes = WeekClasses.Binding(table.WeekSets, blockWeeks);
        for (var id = 0; id < wishes.Count; id++)
            foreach (var weeks in classes)
                found.Add(id, weeks);
        return found.rules;
    }

    private void Add(int id, WeekSet weeks)
    {
        limit.ThrowIfOver();
        var wish = wishes[id];
        if (wish is { Kind: WishKind.MaxDays })
            AddMaxDays(id, weeks, ask.DayLimits.MaxDays!.Value);
        else if (
            wish
            is { Kind: WishKind.Break, IsHard: true }
                or { Kind: WishKind.MaxStretch or WishKind.OneCampusPerDay }
        )
            foreach (var day in Weekdays.All)
            {
                var today = Among(meeting => meeting.Day == day && meeting.Weeks.Overlaps(weeks));
                if (today.Length == 0)
                    continue;
                if (wish.Kind == WishKind.Break)
                    FreeStretch(id, ask.Breaks[wish.Index], day, weeks, today);
                else if (wish.Kind == WishKind.MaxStretch)
                    AddStretch(id, ask.DayLimits.MaxStretchMinutes!.Value, today);
                else
                    AddOneCampus(id, today);
            }
    }

    /// <summary>The witnesses are the largest sets of days allowed; a meeting rules out those without its day.</summary>
    private void AddMaxDays(int id, WeekSet weeks, int most)
    {
        var used = 0;
        var among = Among(meeting => meeting.Weeks.Overlaps(weeks));
        foreach (var m in among)
            used |= 1 << (int)meetings[m].Day;
        if (BitOperations.PopCount((uint)used) <= most)
            return;
        var witnesses = new List<Witness>();
        for (var days = 0; days <= used; days++)
            if ((days & ~used) == 0 && BitOperations.PopCount((uint)days) == most)
                witnesses.Add(Witness(among, m => (days >> (int)meetings[m].Day & 1) == 0));
        Add(id, witnesses);
    }

    /// <summary>
    /// The witnesses are the places of the free stretch, and that the day has no meeting. A free stretch can be moved
    /// earlier until it touches the window's start or the end of what is taken, so only those places are looked at.
    /// </summary>
    private void FreeStretch(int id, Break wanted, Weekday day, WeekSet weeks, int[] today)
    {
        if (!wanted.Days.Contains(day))
            return;
        var taken = blocks
            .Where(block =>
                ask.TimeBlocks[wishes[block].Index] is var one && one.Days.Contains(day) && one.Weeks.Overlaps(weeks)
            )
            .Select(block => (block, ask.TimeBlocks[wishes[block].Index].Time))
            .ToArray();
        var starts = today
            .Select(m => meetings[m].Time.End)
            .Concat(taken.Select(block => block.Time.End))
            .Append(wanted.Window.Start)
            .Where(start => start >= wanted.Window.Start && start.Value + wanted.Minutes <= wanted.Window.End.Value)
            .Distinct();
        var witnesses = new List<Witness> { Witness(today, _ => true) };
        foreach (var start in starts)
        {
            var stretch = new MinuteInterval(start, new(start.Value + wanted.Minutes));
            witnesses.Add(
                Witness(
                    today,
                    m => meetings[m].Time.Overlaps(stretch),
                    [.. taken.Where(block => block.Time.Overlaps(stretch)).Select(block => block.block)]
                )
            );
        }
        Add(id, witnesses);
    }

    /// <summary>
    /// One rule for each minute at which a meeting starts. Its witnesses: no meeting starts then, or the pause that
    /// ends the stretch comes in time, at one of the minutes at which a meeting ends.
    /// </summary>
    private void AddStretch(int id, int most, int[] today)
    {
        var ends = today.Select(m => meetings[m].Time.End.Value).Distinct().Order().ToArray();
        foreach (var start in today.Select(m => meetings[m].Time.Start.Value).Distinct())
        {
            var witnesses = new List<Witness> { Witness(today, m => meetings[m].Time.Start.Value == start) };
            foreach (var end in ends.Where(end => end > start && end - start <= most))
                witnesses.Add(
                    Witness(
                        today,
                        m =>
                            meetings[m].Time.Start.Value < end + Stretch.Pause
                            && meetings[m].Time.End.Value > end
                    )
                );
            Add(id, witnesses);
        }
    }

    /// <summary>The witnesses are the campuses; a meeting rules out all but its own.</summary>
    private void AddOneCampus(int id, int[] today)
    {
        var campuses = today.Select(m => meetings[m].Campus).OfType<CampusId>().Distinct().ToArray();
        if (campuses.Length > 1)
            Add(
                id,
                [
                    .. campuses.Select(campus =>
                        Witness(today, m => meetings[m].Campus is { } other && other != campus)
                    ),
                ]
            );
    }

    private void Add(int id, IReadOnlyList<Witness> witnesses)
    {
        if (!hasSwitches)
            witnesses = [.. witnesses.Where(witness => witness.Blocked.Length == 0)];
        if (new WitnessRule(id, witnesses).Reduced(limit) is not { } rule)
            return;
        // Where rules can be lifted, one witness more: none can rule it out, and only the rule itself blocks it.
        rules.Add(hasSwitches ? rule with { Witnesses = [.. rule.Witnesses, Witness([], _ => false, id)] } : rule);
    }

    /// <summary>The numbers of the meetings of some kind, ascending.</summary>
    private int[] Among(Func<Meeting, bool> isOne) =>
        [.. Enumerable.Range(0, meetings.Length).Where(m => isOne(meetings[m]))];

    /// <param name="among">The meetings that may rule it out.</param>
    /// <param name="ruledOutBy">Whether one of them does.</param>
    /// <param name="blocked">Numbers of the wishes that rule it out from the start.</param>
    private Witness Witness(int[] among, Predicate<int> ruledOutBy, params int[] blocked)
    {
        limit.ThrowIfOver();
        var bits = new ulong[(meetings.Length + 63) / 64];
        foreach (var m in among)
            if (ruledOutBy(m))
                bits[m / 64] |= 1UL << (m % 64);
        return new(bits, blocked);
    }
}
