namespace HourGrid.Core.Rules;

/// <summary>
/// Rules by their forms, which is how they are compiled: each rule puts itself into the list of its form, so that a new form
/// cannot be forgotten. A rule's number is its place in the list that this is made of.
/// </summary>
internal sealed class RuleForms
{
    public RuleForms(IReadOnlyList<Rule> rules)
    {
        for (var number = 0; number < rules.Count; number++)
            rules[number].AddTo(this, number);
    }

    /// <summary>Rules about each section of a course.</summary>
    public List<(int Number, SectionRule Rule)> Sections { get; } = [];

    /// <summary>Rules about the hours of each meeting.</summary>
    public List<(int Number, HourRule Rule)> Hours { get; } = [];

    /// <summary>Rules about a whole day or week.</summary>
    public List<(int Number, WitnessedRule Rule)> Witnessed { get; } = [];

    /// <summary>Rules that bound sums.</summary>
    public List<(int Number, SumRule Rule)> Sums { get; } = [];
}
