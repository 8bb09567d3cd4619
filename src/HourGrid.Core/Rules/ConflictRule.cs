using HourGrid.Core.Timetables;

namespace HourGrid.Core.Rules;

/// <summary>A rule about when two meetings conflict, see <see cref="ConflictCheck"/>.</summary>
public abstract class ConflictRule : Rule
{
    private protected ConflictRule(string path)
        : base(path) { }
}
