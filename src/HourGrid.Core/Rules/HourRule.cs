using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A rule that looks at the hours of each meeting by themselves.</summary>
public abstract class HourRule : Rule
{
    private protected HourRule(string path, int index = 0, bool isHard = true)
        : base(path, index, isHard) { }

    internal sealed override void AddTo(RuleForms forms, int number) => forms.Hours.Add((number, this));

    /// <summary>Whether a meeting goes against it.</summary>
    internal abstract bool IsAgainst(in Meeting meeting);
}
