using HourGrid.Core.Catalogue;

namespace HourGrid.Cli;

/// <summary>What of an answer is asked for.</summary>
internal sealed record SolveParts
{
    public int Top { get; init; }
    public int Offset { get; init; }
    public bool Shapes { get; init; }
    public bool Explain { get; init; }
    public bool Costs { get; init; }
    public bool Sections { get; init; }
    public int Fallbacks { get; init; }
    public int Spread { get; init; }
    public IReadOnlyList<CourseId> WhatIf { get; init; } = [];

    /// <summary>Null for as long as it takes.</summary>
    public TimeSpan? Budget { get; init; }

    /// <summary>How many answers there are to find; the count is always one of them.</summary>
    public int Count =>
        1
        + (Top > 0 ? 1 : 0)
        + (Explain ? 1 : 0)
        + (Costs ? 1 : 0)
        + (Sections ? 1 : 0)
        + Fallbacks
        + (Spread > 0 ? 1 : 0)
        + WhatIf.Count;
}
