using HourGrid.Server.Catalogue;

namespace HourGrid.Server.Requirements;

/// <param name="Courses">What the term offers for a requirement: what settles most first.</param>
internal sealed record OffersRecord(IReadOnlyList<OfferedForRecord> Courses);

/// <param name="Found">The course as the Catalogue shows it.</param>
/// <param name="Settles">By how much the whole is less short with it, reckoned in credits.</param>
/// <param name="IsEligible">Whether nothing stands against taking it but perhaps a corequisite.</param>
/// <param name="Findings">What stands against it, a sentence each.</param>
/// <param name="IfPassed">On what under way it depends; null for nothing.</param>
/// <param name="AlsoCountsAs">Names of the other requirements for which it qualifies.</param>
internal sealed record OfferedForRecord(
    FoundRecord Found,
    decimal Settles,
    bool IsEligible,
    IReadOnlyList<string> Findings,
    string? IfPassed,
    IReadOnlyList<string> AlsoCountsAs
);

/// <param name="Terms">The least number of terms until the programme is complete; null where that is more than was context at.</param>
/// <param name="IsExact">Whether that is certain; otherwise it is at least so many.</param>
/// <param name="Sentence">When it is done at the earliest, in words.</param>
/// <param name="Plan">A plan of just so many terms; null where none is known.</param>
/// <param name="Waiting">What it costs to leave courses for later, where it costs something.</param>
internal sealed record EndInSightRecord(
    int? Terms,
    bool IsExact,
    string Sentence,
    IReadOnlyList<PlannedTermRecord>? Plan,
    IReadOnlyList<WaitingRecord> Waiting
);

/// <param name="Id">The term.</param>
/// <param name="Name">Its name.</param>
/// <param name="Courses">Courses in it.</param>
internal sealed record PlannedTermRecord(string Id, string Name, IReadOnlyList<string> Courses);

/// <param name="Course">The course.</param>
/// <param name="Now">The least number of terms with it in this one; null for more than was context at.</param>
/// <param name="Later">The least number with it in a later one or never.</param>
/// <param name="IsExact">Whether both are certain.</param>
/// <param name="Sentence">What waiting costs, in words.</param>
internal sealed record WaitingRecord(string Course, int? Now, int? Later, bool IsExact, string Sentence);
