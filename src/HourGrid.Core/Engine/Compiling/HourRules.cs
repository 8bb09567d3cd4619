using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Which rules a meeting goes against by its hours alone; found once for each distinct meeting.</summary>
/// <param name="forms">The rules of the ask.</param>
internal sealed class HourRules(RuleForms forms)
{
    private readonly Dictionary<Meeting, int[]> known = [];

    private readonly (int Number, HourRule Rule)[] hard = [.. forms.Hours.Where(one => one.Rule.IsHard)];

    /// <summary>The numbers of the rules, ascending.</summary>
    public int[] Against(in Meeting meeting)
    {
        if (known.TryGetValue(meeting, out var against))
            return against;
        var found = new List<int>();
        foreach (var (number, rule) in hard)
            if (rule.IsAgainst(meeting))
                found.Add(number);
        return known[meeting] = [.. found];
    }
}
