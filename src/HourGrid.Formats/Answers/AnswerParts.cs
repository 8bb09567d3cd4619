using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Answers;

/// <summary>What of an answer is asked for; the count always is.</summary>
public sealed record AnswerParts
{
    /// <summary>So many of the best, 0 or more.</summary>
    public int Top { get; init; }

    /// <summary>How many of the best are passed over, 0 or more.</summary>
    public int Offset { get; init; }

    /// <summary>Whether week shapes are ranked, each at its best timetable.</summary>
    public bool Shapes { get; init; }

    /// <summary>Why there is none, and what would help.</summary>
    public bool Explain { get; init; }

    /// <summary>What each rule costs.</summary>
    public bool Costs { get; init; }

    /// <summary>In how many timetables each section is.</summary>
    public bool Sections { get; init; }

    /// <summary>What to do if a section filled, for so many of the best timetables, 0 or more.</summary>
    public int Fallbacks { get; init; }

    /// <summary>So many of the best week shapes that differ most, 0 or more.</summary>
    public int Spread { get; init; }

    /// <summary>The count with each of these courses added as a must.</summary>
    public IReadOnlyList<CourseId> WhatIf { get; init; } = [];

    /// <summary>How long it may take; null for as long as it takes.</summary>
    public TimeSpan? Budget { get; init; }

    /// <summary>How many answers there are to find; the count is one of them.</summary>
    internal int Count =>
        1
        + (Top > 0 ? 1 : 0)
        + (Explain ? 1 : 0)
        + (Costs ? 1 : 0)
        + (Sections ? 1 : 0)
        + Fallbacks
        + (Spread > 0 ? 1 : 0)
        + WhatIf.Count;
}
