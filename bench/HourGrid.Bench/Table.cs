using System.Globalization;

namespace HourGrid.Bench;

/// <summary>The reports as one table in Markdown.</summary>
internal static class Table
{
    private static readonly (string Head, Func<RungReport, string> Cell)[] Columns =
    [
        ("rung", one => one.Rung),
        ("bundles", one => one.Bundles),
        (
            "timetables",
            one => one.IsExact ? one.Timetables : $"at least {one.Timetables}, ±{Percent(one.EstimateError)}"
        ),
        ("week shapes", one => one.WeekShapes),
        ("compile", one => Milliseconds(one.CompileMs)),
        ("count", one => Milliseconds(one.CountMs)),
        (
            "plain backtracker",
            one => one.PlainSeconds is { } s ? $"{s:N1} s{(one.PlainIsExtrapolated == true ? " e" : "")}" : ""
        ),
        ("times faster", one => one.PlainRatio is { } ratio ? $"{ratio:N0}" : ""),
        ("best 1,000", one => Milliseconds(one.Best1000Ms)),
        ("best 200 shapes", one => Milliseconds(one.Best200ShapesMs)),
        ("standings", one => WithCounts(one.Standings)),
        ("costs", one => one.Rules is { } rules ? $"{WithCounts(one.Costs)}, {rules} rules" : ""),
        ("why none", one => WithCounts(one.WhyNone)),
        ("live", one => WithCounts(one.Live)),
        (
            "rows written",
            one =>
                one.RowsPerSecond is { } rows
                    ? $"{rows / 1e6:N0} M/s, {16 * rows / one.WriteBytesPerSecond:P0} of writing"
                    : ""
        ),
        ("peak", one => $"{one.PeakMegabytes:N0} MB"),
    ];

    public static string Of(IReadOnlyList<RungReport> reports)
    {
        var lines = new List<string>
        {
            Line(Columns.Select(column => column.Head)),
            Line(Columns.Select(_ => "---")),
        };
        lines.AddRange(reports.Select(report => Line(Columns.Select(column => column.Cell(report)))));
        foreach (var one in reports)
        {
            if (one.SolverListsPerSecond is not { } lists || one.SolverBestSeconds is not { } best)
                continue;
            var counted =
                double.Parse(one.Timetables, NumberStyles.Number, CultureInfo.InvariantCulture) / one.CountMs * 1000;
            lines.Add("");
            lines.Add(
                $"CP-SAT on {one.Rung}: lists {lists:N0} timetables a second, {counted / lists:N0} times fewer than are counted; "
                    + $"{(one.SolverBestIsProven == true ? "proves" : "has not proven")} its one best by days and idle time in {best:N1} s, "
                    + $"{best * 1000 / one.Best1000AsSolverMs:N0} times as long as the best 1,000 by these take, {Milliseconds(one.Best1000AsSolverMs)}."
            );
        }
        return string.Join('\n', lines);
    }

    private static string Line(IEnumerable<string> cells) => $"| {string.Join(" | ", cells)} |";

    private static string Milliseconds(double? time) =>
        time is not { } ms ? ""
        : ms < 10 ? $"{ms:N2} ms"
        : $"{ms:N0} ms";

    private static string WithCounts(TimeBeside? time) =>
        time is { } its ? $"{Milliseconds(its.Ms)} ({its.Times:N1})" : "";

    private static string Percent(double? share) => share is { } value ? $"{value:P1}" : "unknown";
}
