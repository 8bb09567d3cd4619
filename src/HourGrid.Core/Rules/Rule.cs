using HourGrid.Core.Asking;

namespace HourGrid.Core.Rules;

/// <summary>
/// One thing an ask sets that could be lifted by itself. Each kind has a file, which says all about it; its form
/// (<see cref="CourseRule"/>, <see cref="SectionRule"/>, <see cref="HourRule"/>, <see cref="ConflictRule"/>,
/// <see cref="WitnessedRule"/>, <see cref="SumRule"/>) says what the engine has to know to keep it.
/// </summary>
/// <remarks>Rules of one ask are the same when they stand in the same place.</remarks>
public abstract class Rule : IEquatable<Rule>
{
    private protected Rule(string path, int index = 0, bool isHard = true)
    {
        Path = path;
        Index = index;
        IsHard = isHard;
    }

    /// <summary>Its place in the ask, as in <c>timeBlocks[0]</c> or <c>wanted[2].keep</c>.</summary>
    public string Path { get; }

    /// <summary>Which of its list in the ask, from 0; 0 where there is no list.</summary>
    public int Index { get; }

    /// <summary>Whether it can rule a timetable out; a soft rule only counts in the measures.</summary>
    public bool IsHard { get; }

    /// <summary>The ask without it.</summary>
    /// <param name="ask">The ask that sets it.</param>
    public abstract Ask Without(Ask ask);

    /// <summary>Puts it into the list of its form.</summary>
    /// <param name="forms">The lists.</param>
    /// <param name="number">Its number.</param>
    internal abstract void AddTo(RuleForms forms, int number);

    /// <inheritdoc/>
    public bool Equals(Rule? other) => other is not null && Path == other.Path;

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Rule);

    /// <inheritdoc/>
    public override int GetHashCode() => Path.GetHashCode(StringComparison.Ordinal);

    /// <inheritdoc/>
    public override string ToString() => Path;

    private protected static Ask WithWanted(Ask ask, int index, Func<WantedCourse, WantedCourse> change) =>
        ask with
        {
            Wanted = [.. ask.Wanted.Select((one, i) => i == index ? change(one) : one)],
        };

    private protected static IReadOnlyList<T> WithoutAt<T>(IReadOnlyList<T> list, int index) =>
        [.. list.Where((_, i) => i != index)];
}
