using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Tests.Plain;

/// <summary>What timetables of the engine and of the brute force are compared by.</summary>
internal static class Keys
{
    public static string Of(Timetable timetable) => Of(timetable.Sections.Select(section => section.Section));

    public static string Of(IEnumerable<Section> sections) =>
        string.Join(" ", sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal));

    /// <summary>The engine's timetable as the brute force has them.</summary>
    public static PlainTimetable Plain(Timetable timetable) =>
        new([
            .. timetable.Bundles.Select(bundle => new PlainTaken(
                bundle.Course.Course.Id,
                [.. bundle.Sections.Select(section => section.Section)]
            )),
        ]);
}
