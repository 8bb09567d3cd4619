using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Where the options of each level stand in a row, and as which numbers.</summary>
internal sealed class RowParts
{
    public RowParts(Problem problem)
    {
        Width = EveryRow.WidthOf(problem);
        Courses = problem.Courses.Count;
        PlaceOf = [.. problem.Levels.Select(level => problem.Courses.Index().First(one => one.Item == level).Index)];
        Numbers = [.. problem.Levels.Select(NumbersOf)];
    }

    /// <summary>Numbers in a row.</summary>
    public int Width { get; }

    /// <summary>How many of them are those of courses.</summary>
    public int Courses { get; }

    /// <summary>By level, its place in a row.</summary>
    public int[] PlaceOf { get; }

    /// <summary>By level and option, the numbers of its bundles; <see cref="EveryRow.NotTaken"/> where it takes none.</summary>
    public ushort[][][] Numbers { get; }

    private static ushort[][] NumbersOf(CoursePlay level)
    {
        var place = level.Bundles.Index().ToDictionary(bundle => bundle.Item, bundle => (ushort)bundle.Index);
        return
        [
            .. level.Options.Select(option =>
                option.IsAbsent ? [EveryRow.NotTaken] : option.Bundles.Select(bundle => place[bundle]).ToArray()
            ),
        ];
    }
}
