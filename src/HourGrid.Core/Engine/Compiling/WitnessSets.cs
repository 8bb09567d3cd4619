using HourGrid.Core.Rules;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Brings the hard rules that look at a whole day or week into the form of <see cref="WitnessSet"/>.</summary>
internal static class WitnessSets
{
    /// <summary>The sets of the rules of an ask, over the meetings of a table; those that cannot be broken are left out.</summary>
    /// <param name="forms">The rules.</param>
    /// <param name="table">The meetings.</param>
    /// <param name="hasSwitches">Whether rules can be lifted.</param>
    /// <param name="limit">How long it may take.</param>
    public static IReadOnlyList<WitnessSet> Of(RuleForms forms, MeetingTable table, bool hasSwitches, WorkLimit limit)
    {
        var sets = new List<WitnessSet>();
        var meetings = new WitnessTable(table.Meetings, forms, limit);
        var hasBreaks = forms.Witnessed.Any(one => one.Rule is BreakRule { IsHard: true });
        var classes = WeekClasses.Binding(
            table.WeekSets,
            hasBreaks ? [.. meetings.Blocks.Select(one => one.Block.Weeks)] : []
        );
        foreach (var (number, rule) in forms.Witnessed.Where(one => one.Rule.IsHard))
        foreach (var weeks in classes)
        foreach (var witnesses in rule.Witnesses(meetings, weeks))
            if (SetOf(number, witnesses) is { } set)
                sets.Add(set);
        return sets;

        WitnessSet? SetOf(int rule, IEnumerable<Witness> witnesses)
        {
            if (!hasSwitches)
                witnesses = witnesses.Where(witness => witness.Blocked.Length == 0);
            var set = new WitnessSet(rule, [.. witnesses]).Reduced(limit);
            // Where rules can be lifted, one witness more: none can rule it out, and only the rule itself blocks it.
            return set is null || !hasSwitches
                ? set
                : set with
                {
                    Witnesses = [.. set.Witnesses, meetings.Witness([], _ => false, rule)],
                };
        }
    }
}
