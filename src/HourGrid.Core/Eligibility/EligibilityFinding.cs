using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Eligibility;

/// <summary>Why a student may not take a course: one of the records nested here.</summary>
public abstract record EligibilityFinding
{
    private EligibilityFinding() { }

    /// <summary>What must come before has not.</summary>
    /// <param name="Missing">
    /// The sets of conditions each of which would be enough, none of which can be made smaller; the smallest first.
    /// </param>
    public sealed record Prerequisite(IReadOnlyList<IReadOnlyList<Catalogue.Prerequisite>> Missing)
        : EligibilityFinding;

    /// <summary>Courses that must be taken beside it or before, and are not.</summary>
    /// <param name="Missing">Those courses, in the catalogue's order.</param>
    public sealed record Corequisite(IReadOnlyList<CourseId> Missing) : EligibilityFinding;

    /// <summary>It is for others.</summary>
    /// <param name="Of">The restriction that the student does not meet.</param>
    public sealed record Restriction(Catalogue.Restriction Of) : EligibilityFinding;

    /// <summary>It cannot be taken without a section that needs consent, and none is given.</summary>
    public sealed record Consent : EligibilityFinding;

    /// <summary>It was passed, and may not be repeated for credit.</summary>
    /// <param name="Term">When it was passed last.</param>
    public sealed record AlreadyPassed(TermId Term) : EligibilityFinding;

    /// <summary>The student holds sections of it in the term.</summary>
    public sealed record Registered : EligibilityFinding;
}

/// <summary>Whether a student may take a course in a term.</summary>
/// <param name="Findings">All that stands against it; none where the student may.</param>
/// <param name="IfPassed">
/// Courses under way that must be passed for it: sets each of which would be enough, the smallest first; none where nothing
/// depends on them, or where something is missing besides.
/// </param>
public sealed record EligibilityAnswer(
    IReadOnlyList<EligibilityFinding> Findings,
    IReadOnlyList<IReadOnlyList<CourseId>> IfPassed
)
{
    /// <summary>Whether nothing stands against it.</summary>
    public bool MayTake => Findings.Count == 0;
}
