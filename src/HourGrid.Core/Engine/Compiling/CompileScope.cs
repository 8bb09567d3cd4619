using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>How much room a problem is compiled with.</summary>
/// <param name="MostAgainst">
/// Bundles that go against so many rules are in it, so that as many can be lifted at a time; 0 for the ask alone.
/// </param>
/// <param name="Held">
/// Sections of a timetable, whose bundles then are options of their own; null to tell none apart.
/// </param>
internal sealed record CompileScope(int MostAgainst, IReadOnlySet<RegistrationNumber>? Held = null)
{
    public static CompileScope AskAlone { get; } = new(0);
    public static CompileScope AnyLifted { get; } = new(int.MaxValue);

    /// <summary>Whether rules can be lifted.</summary>
    public bool HasSwitches => MostAgainst > 0;
}

/// <summary>Which rules are lifted.</summary>
/// <param name="Rules">Whether each rule is, by its number.</param>
/// <param name="MayLeaveOut">
/// What lifting a course or an either–or means: true, that its courses may be left out, so that lifting never takes a
/// timetable away; false, the ask without it, as <see cref="Rule.Without"/> says.
/// </param>
internal sealed record Lifted(bool[] Rules, bool MayLeaveOut)
{
    public static Lifted None(int rules) => new(new bool[rules], false);

    public bool All(int[] ids)
    {
        foreach (var id in ids)
            if (!Rules[id])
                return false;
        return true;
    }
}
