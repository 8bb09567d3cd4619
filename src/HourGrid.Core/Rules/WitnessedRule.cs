using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>
/// A rule that looks at a whole day or week. It is brought into the form <em>some witness survives</em>: each witness is one way
/// in which it can be kept, a meeting rules some of them out, and it is broken once none is left.
/// </summary>
public abstract class WitnessedRule : Rule
{
    private protected WitnessedRule(string path, int index = 0, bool isHard = true)
        : base(path, index, isHard) { }

    internal sealed override void AddTo(RuleForms forms, int number) => forms.Witnessed.Add((number, this));

    /// <summary>Its witnesses in weeks that are alike; several sets of them where it can be broken in several ways.</summary>
    /// <param name="table">The meetings, and what makes witnesses of them.</param>
    /// <param name="weeks">The weeks.</param>
    internal abstract IEnumerable<IReadOnlyList<Witness>> Witnesses(WitnessTable table, WeekSet weeks);
}
