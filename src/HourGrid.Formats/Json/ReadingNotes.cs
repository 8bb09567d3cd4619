namespace HourGrid.Formats.Json;

/// <summary>What a reading noted: problems, which refuse the file, and ignored fields, which do not.</summary>
internal sealed class ReadingNotes
{
    private readonly List<FormatProblem> problems = [];
    private readonly SortedSet<string> ignored = new(StringComparer.Ordinal);

    public IReadOnlyCollection<string> Ignored => ignored;

    public void Refuse(FormatProblem problem)
    {
        // A missing value already refused would only be reported again by whoever reads on.
        if (problems.Count < FormatProblemsException.MaxProblems && problems.All(known => known.Path != problem.Path))
            problems.Add(problem);
    }

    public void Ignore(string path)
    {
        if (ignored.Count < FormatProblemsException.MaxProblems)
            ignored.Add(path);
    }

    /// <exception cref="FormatProblemsException">Something was refused.</exception>
    public void ThrowIfRefused()
    {
        if (problems.Count > 0)
            throw new FormatProblemsException(problems);
    }
}

/// <summary>What was read, and the paths of the fields that were ignored.</summary>
public sealed record Reading<T>(T Value, IReadOnlyCollection<string> IgnoredFields);
