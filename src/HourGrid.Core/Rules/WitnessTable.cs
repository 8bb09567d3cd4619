using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Work;

namespace HourGrid.Core.Rules;

/// <summary>What witnesses are made of: the distinct meetings, by number, and the rules that take hours.</summary>
internal sealed class WitnessTable
{
    private readonly WorkLimit limit;

    /// <param name="meetings">The distinct meetings of all options.</param>
    /// <param name="forms">The rules of the ask.</param>
    /// <param name="limit">How long it may take.</param>
    public WitnessTable(Meeting[] meetings, RuleForms forms, WorkLimit limit)
    {
        this.limit = limit;
        Meetings = meetings;
        Blocks =
        [
            .. forms
                .Hours.Where(one => one.Rule is TimeBlockRule { IsHard: true })
                .Select(one => (one.Number, ((TimeBlockRule)one.Rule).Block)),
        ];
    }

    /// <summary>The distinct meetings.</summary>
    public Meeting[] Meetings { get; }

    /// <summary>The hours that are taken, each with the number of its rule.</summary>
    public IReadOnlyList<(int Rule, TimeBlock Block)> Blocks { get; }

    /// <summary>The numbers of the meetings of some kind, ascending.</summary>
    public int[] Among(Func<Meeting, bool> isOne) =>
        [.. Enumerable.Range(0, Meetings.Length).Where(number => isOne(Meetings[number]))];

    /// <param name="among">The numbers of the meetings that may rule it out.</param>
    /// <param name="ruledOutBy">Whether one of them does.</param>
    /// <param name="blocked">Numbers of the rules that rule it out from the start.</param>
    public Witness Witness(int[] among, Func<Meeting, bool> ruledOutBy, params int[] blocked)
    {
        limit.ThrowIfOver();
        var bits = new ulong[(Meetings.Length + 63) / 64];
        foreach (var number in among)
            if (ruledOutBy(Meetings[number]))
                bits[number / 64] |= 1UL << (number % 64);
        return new(bits, blocked);
    }
}

/// <summary>One way in which a rule can be kept.</summary>
/// <param name="RuledOutBy">A bit for each distinct meeting that rules it out.</param>
/// <param name="Blocked">Numbers of the rules that rule it out from the start, unless they are lifted.</param>
internal sealed record Witness(ulong[] RuledOutBy, int[] Blocked)
{
    /// <summary>Whether it survives wherever another one does.</summary>
    public bool Outlives(Witness other)
    {
        for (var word = 0; word < RuledOutBy.Length; word++)
            if ((RuledOutBy[word] & ~other.RuledOutBy[word]) != 0)
                return false;
        return Blocked.All(other.Blocked.Contains);
    }
}
