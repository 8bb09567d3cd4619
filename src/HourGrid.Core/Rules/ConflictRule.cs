using HourGrid.Core.Timetables;

namespace HourGrid.Core.Rules;

/// <summary>A rule about when two meetings conflict, see <see cref="ConflictCheck"/>.</summary>
public abstract class ConflictRule : Rule
{
    private protected ConflictRule(string path)
        : base(path) { }

    /// <summary>It is in no list: a table of conflicts is made of the ask, with it or without.</summary>
    internal sealed override void AddTo(RuleForms forms, int number) { }
}
