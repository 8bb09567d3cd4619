namespace HourGrid.Core.Records;

/// <summary>A grade, the better the greater.</summary>
public enum Grade
{
    /// <summary>Withdrawn; does not count.</summary>
    Withdrawn,

    /// <summary>Failed; does not count.</summary>
    F,

    /// <summary>The lowest that counts.</summary>
    D,

    /// <summary>C minus.</summary>
    CMinus,

    /// <summary>Passed without a letter: as good as a C for every minimum, and just below it where the best is looked for.</summary>
    Passed,

    /// <summary>C.</summary>
    C,

    /// <summary>C plus.</summary>
    CPlus,

    /// <summary>B minus.</summary>
    BMinus,

    /// <summary>B.</summary>
    B,

    /// <summary>B plus.</summary>
    BPlus,

    /// <summary>A minus.</summary>
    AMinus,

    /// <summary>A.</summary>
    A,
}

/// <summary>Grades as they are written, and what they are good for.</summary>
public static class Grades
{
    private static readonly Dictionary<string, Grade> Written = new(StringComparer.Ordinal)
    {
        ["A"] = Grade.A,
        ["A-"] = Grade.AMinus,
        ["B+"] = Grade.BPlus,
        ["B"] = Grade.B,
        ["B-"] = Grade.BMinus,
        ["C+"] = Grade.CPlus,
        ["C"] = Grade.C,
        ["C-"] = Grade.CMinus,
        ["D"] = Grade.D,
        ["F"] = Grade.F,
        ["P"] = Grade.Passed,
        ["W"] = Grade.Withdrawn,
    };

    /// <summary>All of them as they are written, the best first.</summary>
    public static IReadOnlyList<string> All { get; } =
    [.. Written.OrderByDescending(pair => pair.Value).Select(pair => pair.Key)];

    /// <summary>Reads a grade as it is written, such as <c>B+</c>.</summary>
    public static bool TryParse(string text, out Grade grade) => Written.TryGetValue(text, out grade);

    /// <summary>A grade as it is written.</summary>
    public static string Text(Grade grade) => Written.First(pair => pair.Value == grade).Key;

    /// <summary>Whether a course with this grade counts at all.</summary>
    public static bool Counts(Grade grade) => grade > Grade.F;

    /// <summary>Whether a grade counts and is at least a minimum.</summary>
    /// <param name="grade">The grade.</param>
    /// <param name="minimum">The minimum; null where any grade that counts will do.</param>
    public static bool Meets(Grade grade, Grade? minimum) =>
        Counts(grade) && (minimum is not { } least || (grade == Grade.Passed ? Grade.C : grade) >= least);
}
