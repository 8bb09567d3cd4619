namespace HourGrid.Core.Catalogue;

/// <summary>A whole catalogue: everything a catalogue file holds.</summary>
/// <param name="Institution">Whose it is.</param>
/// <param name="Campuses">Its campuses.</param>
/// <param name="Travel">The travel table between them.</param>
/// <param name="Terms">Its terms.</param>
/// <param name="Courses">Its courses, with sections of any of the terms.</param>
public sealed record UniversityCatalogue(
    string Institution,
    IReadOnlyList<Campus> Campuses,
    IReadOnlyList<Travel> Travel,
    IReadOnlyList<Term> Terms,
    IReadOnlyList<Course> Courses
)
{
    /// <summary>Where nothing else is said.</summary>
    public const string DefaultTimeZone = "Etc/UTC";

    /// <summary>The time zone of its hours, by its name in the IANA database.</summary>
    public string TimeZone { get; init; } = DefaultTimeZone;

    /// <summary>Subjects that have a name; courses may be of others, known by their code alone.</summary>
    public IReadOnlyList<Subject> Subjects { get; init; } = [];

    /// <summary>The cycle of the terms of a year, such as autumn and spring; empty where nothing is said.</summary>
    public IReadOnlyList<string> Seasons { get; init; } = [];

    /// <summary>The catalogue of one term, or null when it has no such term.</summary>
    public CatalogueSnapshot? SnapshotOf(TermId term) =>
        Terms.FirstOrDefault(t => t.Id == term) is { } found
            ? new CatalogueSnapshot(found, Campuses, new TravelTimes(Travel), Courses) { Subjects = Subjects }
            : null;
}
