namespace HourGrid.Formats.Json;

/// <summary>One thing wrong, or ignored, in a file.</summary>
/// <param name="Path">Where: <c>courses[3].sections[0].meetings[1].end</c>; empty for the whole file.</param>
/// <param name="Found">What stands there.</param>
/// <param name="Expected">What should.</param>
public sealed record FormatProblem(string Path, string Found, string Expected)
{
    /// <summary>How many items or characters there may be, where there are more; null for any other problem.</summary>
    public int? Most { get; init; }

    private const int LongestShown = 40;

    /// <summary>The same where what was read stands in a field of something larger.</summary>
    public FormatProblem Under(string field) =>
        this with
        {
            Path = Path.Length == 0 || Path[0] == '[' ? field + Path : JsonPlace.Join(field, Path),
        };

    /// <summary>What stands somewhere, shortened for a message.</summary>
    public static string Show(string raw)
    {
        ArgumentNullException.ThrowIfNull(raw);
        return raw.Length <= LongestShown ? raw : raw[..LongestShown] + "\u2026";
    }

    /// <inheritdoc/>
    public override string ToString() =>
        $"{(Path.Length == 0 ? "the file" : Path)}: found {Found}; expected {Expected}.";
}

/// <summary>A file that cannot be used, with everything found wrong in it, <see cref="MaxProblems"/> at most.</summary>
public sealed class FormatProblemsException(IReadOnlyList<FormatProblem> problems)
    : Exception(
        problems.Count == 1
            ? problems[0].ToString()
            : $"{problems[0]} And {problems.Count - 1}{(problems.Count == MaxProblems ? " or more" : "")} other problems."
    )
{
    public const int MaxProblems = 100;

    public IReadOnlyList<FormatProblem> Problems { get; } = problems;
}
