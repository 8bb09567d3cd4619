namespace HourGrid.Core.Requirements.Assigning;

/// <summary>How what several courses bring a leaf is bounded from above where they bring it different amounts.</summary>
internal enum LeafBound : byte
{
    /// <summary>By what each brings, also beyond what is needed: exact as long as that is not reached.</summary>
    Sum,

    /// <summary>By what is needed, and by the most that one brings for each: exact once what is needed is reached.</summary>
    Count,
}
