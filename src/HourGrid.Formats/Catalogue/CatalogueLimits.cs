namespace HourGrid.Formats.Catalogue;

/// <summary>The most of everything that a catalogue may have: several times what the largest universities offer.</summary>
public static class CatalogueLimits
{
    /// <summary>Bytes of a file.</summary>
    public const long FileBytes = 512L << 20;

    public const int Courses = 100_000;
    public const int Campuses = 1_000;
    public const int TravelEntries = 100_000;
    public const int Subjects = 10_000;
    public const int Terms = 200;

    /// <summary>Terms of a year.</summary>
    public const int Seasons = 12;

    /// <summary>Parts, and periods without class, of a term.</summary>
    public const int Periods = 200;

    public const int SectionsOfCourse = 2_000;
    public const int MeetingsOfSection = 200;
    public const int LinksOfSection = 500;

    /// <summary>Instructors, attributes, corequisites, restrictions and the values of one.</summary>
    public const int Values = 200;
}
