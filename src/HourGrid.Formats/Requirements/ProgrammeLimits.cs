namespace HourGrid.Formats.Requirements;

/// <summary>The most of everything that a programme may have: several times what the largest have.</summary>
public static class ProgrammeLimits
{
    /// <summary>Bytes of a file.</summary>
    public const long FileBytes = 16L << 20;

    /// <summary>Requirements, with all that is in them.</summary>
    public const int Requirements = 1_000;

    /// <summary>Courses, subjects or attributes of one leaf.</summary>
    public const int Values = 2_000;

    /// <summary>Courses that one leaf takes.</summary>
    public const int Take = 200;

    /// <summary>Credits of a leaf or of the whole.</summary>
    public const int Credits = 10_000;
}
